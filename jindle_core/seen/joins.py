"""How does each pad look where it meets the next, dry and while it is wet?"""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

import numpy as np

from jindle_core.blending.inks import wet
from jindle_core.blending.joins import Join, Meeting
from jindle_core.blending.painting import between
from jindle_core.colorimetry.views import Shades, shades
from jindle_core.seen.ground import Grounded

_STRIP, _THUMB = 2, 4  # every second place of a strip is shown, of one that is offered every fourth


@dataclass(frozen=True, slots=True)
class JoinSeen:
    """How a pad meets the next; ``meeting`` is None, and the strips are empty, where it is not predicted.

    ``rough`` says that one of the two is not well enough known, ``brushed`` that it can be joined otherwise,
    ``sigma`` how well the less known of the two is, in ΔE00.
    """

    meeting: Meeting | None
    words: str
    rough: bool
    brushed: bool
    sigma: float
    strip: tuple[Shades, ...]
    wet: tuple[Shades, ...]


def joins_seen(
    wanted: Sequence[tuple[Grounded, Mapping[int, Join]]], damp: bool = False
) -> list[list[JoinSeen]]:
    """Joins of some grounds, by the place of their first pad; while they are wet only where that is asked."""
    strips = [strip for grounded, joins in wanted for strip in _strips(grounded, list(joins), damp)]
    # All at once: views cost as much for one colour as for a hundred.
    views = iter(shades(np.concatenate(strips)) if strips else [])
    seen = iter([tuple(next(views) for _ in strip) for strip in strips])
    return [
        [_seen(grounded, at, join, next(seen), next(seen)) for at, join in joins.items()]
        for grounded, joins in wanted
    ]


def _seen(
    grounded: Grounded, at: int, join: Join, dry: tuple[Shades, ...], damp: tuple[Shades, ...]
) -> JoinSeen:
    rough = any(grounded.known(place).rough for place in grounded.places[at : at + 2])
    brushed = grounded.row.is_brushed(at)
    sigma = max(grounded.sigma(one) for one in range(at, min(at + 2, len(grounded.pads))))
    if at in grounded.unmet:
        return JoinSeen(None, "they do not meet", rough, brushed, sigma, dry, damp)
    if not grounded.is_predicted(at):
        return JoinSeen(None, "not predicted", rough, brushed, sigma, dry, damp)
    return JoinSeen(join.meeting, join.words, rough, brushed, sigma, dry, damp)


def _strips(grounded: Grounded, places: Sequence[int], damp: bool) -> list[np.ndarray]:
    """CIELAB (k, 3) of what is shown of some joins, each dry and wet; empty where it is not predicted."""
    found: list[np.ndarray] = []
    for at, labs in zip(places, grounded.row.strips(places), strict=True):
        if not grounded.is_predicted(at):
            found += [labs[:0], labs[:0]]
        elif grounded.row.is_over(at):
            found += [labs[:2], labs[:0]]  # the one, and then both
        elif not damp:
            found += [labs[::_THUMB], labs[:0]]
        else:
            mixed = grounded.inks[at : at + 2].mixed(between(grounded.ground.shape, grounded.row.joints[at]))
            found += [labs[::_STRIP], wet(labs, mixed)[::_STRIP]]
    return found
