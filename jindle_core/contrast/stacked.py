"""How do the pieces of a card stand against what they really lie beside, and all of them together?"""

from collections.abc import Sequence
from dataclasses import dataclass, replace

import numpy as np

from jindle_core import figures
from jindle_core.checks.finding import Finding, Status
from jindle_core.colorimetry.difference import delta_e
from jindle_core.colorimetry.spaces import Array
from jindle_core.contrast.measures import measure
from jindle_core.contrast.rules import PairKind, examine_each, holds
from jindle_core.limits import at_least, at_most
from jindle_core.shown import percent, shown


@dataclass(frozen=True, slots=True)
class Neighbour:
    """What lies beside a piece: its name, its CIELAB (3,), and along which share of the edge (0–1)."""

    name: str
    lab: tuple[float, float, float]
    share: float


_WORST = (Status.FAILS, Status.LOOK_AGAIN, Status.HOLDS)


@dataclass(frozen=True, slots=True)
class StackStanding:
    """A piece to be told apart, its CIELAB (3,), and what lies beside it (one at least)."""

    lab: tuple[float, float, float]
    beside: tuple[Neighbour, ...]


def examine_stack(pieces: Sequence[StackStanding]) -> list[tuple[Finding, str]]:
    """For each piece the worst that the rule for mats finds among its neighbours, and that neighbour's name.

    What lies along less than ``figures.contrast.BESIDE_LEAST`` of its edge is not judged,
    unless it is all there is. Raises ValueError for a piece without neighbours.
    """
    if not all(piece.beside for piece in pieces):
        raise ValueError("nothing lies beside the piece")
    if not pieces:
        return []
    judged = [
        [one for one in piece.beside if one.share >= figures.contrast.BESIDE_LEAST] or list(piece.beside)
        for piece in pieces
    ]
    pairs = [(piece, one) for piece, beside in zip(pieces, judged, strict=True) for one in beside]
    found = iter(
        examine_each(
            [PairKind.MAT] * len(pairs),
            np.array([piece.lab for piece, _ in pairs]),
            np.array([one.lab for _, one in pairs]),
            [False] * len(pairs),
        )
    )
    return [_worst([(next(found), one) for one in beside]) for beside in judged]


def _worst(found: list[tuple[Finding, Neighbour]]) -> tuple[Finding, str]:
    finding, beside = min(found, key=lambda one: (_WORST.index(one[0].status), -one[1].share))
    whole = sum(one.share for _, one in found)
    failing = sum(one.share for each, one in found if each.status is Status.FAILS)
    if finding.status is Status.FAILS and failing < whole / 2:
        finding = replace(finding, status=Status.LOOK_AGAIN)  # most of its edge stands
    if finding.status is not Status.HOLDS and len(found) > 1:
        along = f"along {_percent(beside.share)} of its edge"
        finding = replace(finding, reason=f"{finding.reason}, {along}")
    return finding, beside.name


def melting(labs: Array, pairs: Sequence[tuple[int, int]]) -> list[tuple[int, int]]:
    """Of pairs that touch, by their places among colours (n, 3), those that squinting melts together.

    They differ in colour, or nobody would take them for two, but hardly in lightness.
    """
    labs = np.asarray(labs, dtype=float)
    if not pairs:
        return []
    one, other = (labs[[pair[end] for pair in pairs]] for end in (0, 1))
    alike = ~at_least(np.abs(one[:, 0] - other[:, 0]), figures.contrast.MELTS_L)
    melts = alike & at_least(delta_e(one, other), figures.contrast.MAT_DELTA_E)
    return [pair for pair, gone in zip(pairs, melts, strict=True) if gone]


def examine_melting(one: Array, other: Array) -> Finding:
    """What squinting makes of two colours (3,) that melt together."""
    found = measure(one, other)
    lightness, off = float(found.delta_l[0]), float(found.delta_e[0])
    figure = (
        f"ΔL* {shown(lightness, figures.contrast.MELTS_L)}, ΔE {shown(off, figures.contrast.MAT_DELTA_E)}"
    )
    return Finding(
        Status.LOOK_AGAIN,
        figure,
        f"ΔL* {figures.contrast.MELTS_L:.0f}",
        "melts together when you squint: no edge in greys",
    )


def examine_finish(lab: Array, card: Array, names: Sequence[str]) -> Finding:
    """Whether a finishing piece (3,) repeats one of the card's colours (n, 3), or sets them off; n ≥ 1."""
    off = delta_e(np.asarray(lab, float), np.asarray(card, float))
    nearest = int(off.argmin())
    distance = float(off[nearest])
    figure = (
        f"ΔE {shown(distance, figures.colour.NEAR, figures.contrast.PICTURE_DELTA_E)} from {names[nearest]}"
    )
    limit = f"ΔE {figures.colour.NEAR:.0f} at most, or {figures.contrast.PICTURE_DELTA_E:.0f} from all"
    if at_most(distance, figures.colour.NEAR):
        return Finding(Status.HOLDS, figure, limit, f"repeats {names[nearest]}")
    if at_least(distance, figures.contrast.PICTURE_DELTA_E):
        return Finding(Status.HOLDS, figure, limit, "sets the card's colours off on purpose")
    return Finding(Status.LOOK_AGAIN, figure, limit, "neither repeats a colour of the card nor sets one off")


def examine_once(places: int) -> Finding:
    """Whether a colour returns on the card; ``places`` in which it is, one at least."""
    figure, limit = f"in {places} place{'s' if places > 1 else ''}", f"{figures.contrast.ONCE_LEAST} or more"
    if places >= figures.contrast.ONCE_LEAST:
        return Finding(Status.HOLDS, figure, limit, "")
    return Finding(Status.LOOK_AGAIN, figure, limit, "appears once, which looks like an accident")


def examine_spread(lab: Array, areas: Array) -> Finding:
    """Whether what shows of a card, colours (n, 3) with areas (n,), reaches from light to dark; n ≥ 1."""
    lightness, areas = np.asarray(lab, float)[:, 0], np.asarray(areas, float)
    shares = areas / areas.sum()
    seen = lightness[shares >= figures.contrast.SPREAD_LEAST]
    span = float(np.ptp(seen))
    light, dark = (
        shares[lightness >= figures.contrast.SPREAD_LIGHT_L],
        shares[lightness <= figures.paper.DARK_ROLE_L],
    )
    middle = 1 - light.sum() - dark.sum()
    parts = zip((light.sum(), middle, dark.sum()), ("light", "middle", "dark"), strict=True)
    figure = f"ΔL* {shown(span, figures.contrast.PALETTE_SPAN)}: "
    figure += ", ".join(f"{_percent(share)} {word}" for share, word in parts)
    limit = f"ΔL* {figures.contrast.PALETTE_SPAN:.0f}"
    if at_least(span, figures.contrast.PALETTE_SPAN):
        return Finding(Status.HOLDS, figure, limit, "")
    return Finding(Status.LOOK_AGAIN, figure, limit, "has no full range from light to dark")


def examine_writing(lab: Array, areas: Array) -> Finding:
    """Whether there is room inside that takes a dark pen: colours (n, 3) with areas (n,)."""
    pen = np.broadcast_to(np.array(figures.building.PEN_LAB), np.asarray(lab).shape)
    share = float(np.asarray(areas)[holds(PairKind.LETTERING_SMALL, pen, lab)].sum() / np.sum(areas))
    figure, limit = (
        f"{percent(share, figures.building.WRITING_SHARE)} takes a dark pen",
        _percent(figures.building.WRITING_SHARE),
    )
    if at_least(share, figures.building.WRITING_SHARE):
        return Finding(Status.HOLDS, figure, limit, "")
    return Finding(Status.LOOK_AGAIN, figure, limit, "has no room for what you write")


def _percent(share: float) -> str:
    return f"{abs(round(100 * share)):d} %"
