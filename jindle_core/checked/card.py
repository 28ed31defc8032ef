"""The checks of a card: what holds, what does not, and what would mend it."""

from collections.abc import Iterator
from functools import partial

import numpy as np

from jindle_core.card.changes.palette import EditPair
from jindle_core.card.whole import Pair
from jindle_core.checked.check import Check, Mend
from jindle_core.checked.ground import ground_checks, join_checks
from jindle_core.checked.on_ground import OnGround
from jindle_core.checked.pieces import build_checks
from jindle_core.checked.supplied import Inventory, supply_checks
from jindle_core.checks.ids import Bare, Conflicts, OnFamily, OnPair, OnWhole, Whole
from jindle_core.contrast.mending import Recoloured, mend
from jindle_core.contrast.rules import PAIR_RULES, Finding, Status, examine_each, examine_span
from jindle_core.families.recipes import Thing
from jindle_core.material import End
from jindle_core.seen.colouring import Coloured
from jindle_core.seen.palette import SeenPalette, palette_ends
from jindle_core.shown import shown
from jindle_core.supplies.choose import supply_ends

_MENDS = 2


def checks(laid: OnGround, inventory: Inventory) -> list[Check]:
    """Every check of a card."""
    palette = laid.palette
    return [
        *pair_checks(palette),
        *_span(palette),
        *(check for coloured in laid.pictured.coloured for check in _of_colouring(coloured)),
        *(check for coloured in laid.pictured.coloured for check in _bare(coloured, inventory)),
        *join_checks(laid.grounded),
        *ground_checks(laid),
        *build_checks(inventory.examined),
        *supply_checks(inventory),
    ]


# --- Pairs of the palette.


def pair_checks(palette: SeenPalette) -> list[Check]:
    """The checks on what lies on what, in its order."""
    pairs = palette.pairs
    if not pairs:
        return []
    upper, lower = (
        np.stack([palette.end_lab(getattr(pair, end)) for pair in pairs]) for end in ("upper", "lower")
    )
    kinds, outlined = [pair.kind for pair in pairs], [pair.outlined for pair in pairs]
    found = examine_each(kinds, upper, lower, outlined)
    return [_pair(palette, *each) for each in zip(pairs, upper, lower, found, strict=True)]


def _span(palette: SeenPalette) -> list[Check]:
    if len(palette.card.colours) < 2:
        return []
    return [Check("contrast", OnWhole(Whole.SPAN), "Light to dark", examine_span(palette.lab))]


def _pair(palette: SeenPalette, pair: Pair, upper: np.ndarray, lower: np.ndarray, finding: Finding) -> Check:
    upper_words, lower_words = (palette.end_words(end) for end in (pair.upper, pair.lower))
    title = PAIR_RULES[pair.kind].title.format(upper=upper_words, lower=lower_words)
    to_mend = partial(_mends, palette, pair, upper, lower)
    return Check("contrast", OnPair(pair.key), title, finding, to_mend=to_mend)


def _mends(palette: SeenPalette, pair: Pair, upper: np.ndarray, lower: np.ndarray) -> list[Mend]:
    """The palette's other colours first: a mend that brings in nothing new; then supplies."""
    found = []
    for end, media in PAIR_RULES[pair.kind].remedies:
        for ends, lab in (
            palette_ends(palette, [pair.upper, pair.lower]),
            supply_ends(palette.supplies, media),
        ):
            best = mend(pair.kind, upper, lower, end, lab)
            if best:
                found.append(_mend(palette, pair, best, ends[best.index]))
        if len(found) >= _MENDS:
            break
    return found[:_MENDS]


def _mend(palette: SeenPalette, pair: Pair, best: Recoloured, end: End) -> Mend:
    gone = pair.upper if best.end == "upper" else pair.lower
    words = f"take {palette.end_words(end)} instead of {palette.end_words(gone)}"
    change = EditPair(pair.key, upper=end) if best.end == "upper" else EditPair(pair.key, lower=end)
    return Mend(words, best.finding.figure, change, palette.end_shades(end))


# --- Colouring.


def _measured(coloured: Coloured, conflict: str) -> tuple[str, str]:
    """The figure of a conflict and its limit, where it has one."""
    if conflict != "feathers":
        return "", ""
    used = coloured.used
    return f"{used.strokes} wet strokes over one another", f"at most {used.surface.wet_layers}"


def _bare(coloured: Coloured, inventory: Inventory) -> Iterator[Check]:
    """The areas of a picture that have no colour, if any show: what is left white is said to be."""
    built = inventory.examined.stack.build.every
    on_card = inventory.examined.covered.of_pictures if built else None
    needless = inventory.examined.covered.needless if built else frozenset[int]()
    bare = [
        area
        for area in coloured.areas
        if not area.family and area.thing is not Thing.WHITE and area.key not in needless
        if on_card is None or area.key in on_card
    ]
    if bare:
        one = len(bare) == 1
        names = f"{bare[0].name} has" if one else f"{len(bare)} areas of {coloured.picture.name} have"
        figure = f"{len(bare)} of {len(coloured.areas)} areas"
        finding = Finding(Status.LOOK_AGAIN, figure, "", f"leave {'it' if one else 'them'} white?")
        yield Check("colouring", Bare(coloured.picture.key), f"{names} no colour", finding)


def _of_colouring(coloured: Coloured) -> list[Check]:
    card, picture = coloured.palette.card, coloured.picture
    where = f" in {picture.name}" if len(card.pictures) > 1 else ""
    found = []
    for one in coloured.conflicts:
        figure, limit = _measured(coloured, one.key)
        finding = Finding(one.status, figure, limit, one.why)
        found.append(
            Check("colouring", Conflicts(picture.key, one.key), one.title + where, finding, one.ways)
        )
    for area in coloured.areas:
        if area.like is not None and card.picture_of(area.like).paper == picture.paper:
            continue  # it is judged where it comes from
        judged = coloured.judgement(area)
        if judged is not None:
            status = Status.LOOK_AGAIN if judged.faults else Status.HOLDS
            reason = "; ".join(dict.fromkeys(fault.words for fault in judged.faults))
            figure, limit = (
                f"ΔL* {shown(judged.span, judged.wanted)} in all",
                f"ΔL* {judged.wanted:.0f} and even steps",
            )
            finding = Finding(status, figure, limit, reason)
            found.append(Check("colouring", OnFamily(area.key), f"Family of {area.name}{where}", finding))
    return found
