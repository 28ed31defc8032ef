"""The checks of a card: what holds, what does not, and what would mend it."""

from functools import partial

import numpy as np

from jindle_core.card.changes.palette import EditPair
from jindle_core.card.whole import Pair
from jindle_core.checked.check import Check, Mend
from jindle_core.checked.coloured import colouring_checks
from jindle_core.checked.ground import ground_checks, join_checks
from jindle_core.checked.on_ground import OnGround
from jindle_core.checked.pieces import build_checks
from jindle_core.checked.supplied import Inventory, supply_checks
from jindle_core.checks.finding import Finding
from jindle_core.checks.ids import OnPair, OnWhole, Whole
from jindle_core.contrast.mending import Recoloured, mend
from jindle_core.contrast.rules import PAIR_RULES, examine_each, examine_span
from jindle_core.material import End
from jindle_core.seen.palette import SeenPalette, palette_ends
from jindle_core.supplies.choose import supply_ends

_MENDS = 2


def checks(laid: OnGround, inventory: Inventory) -> list[Check]:
    """Every check of a card."""
    palette = laid.palette
    return [
        *pair_checks(palette),
        *_span(palette),
        *colouring_checks(laid.pictured.coloured, inventory.examined),
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
