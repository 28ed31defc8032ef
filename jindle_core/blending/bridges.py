"""What goes between two pads that do not meet cleanly?"""

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from jindle_core import figures
from jindle_core.blending.inks import Inks, seen_on
from jindle_core.blending.joins import Join, judge_each, measure_join, strips
from jindle_core.blending.meeting import Seam
from jindle_core.colorimetry.difference import delta_e
from jindle_core.colorimetry.spaces import Array
from jindle_core.prediction.stocks import WHITE_CARD

_AT_A_TIME = 24


@dataclass(frozen=True, slots=True)
class Bridge:
    """A pad between two, by its place among the candidates, and how each half meets."""

    place: int
    first: Join
    second: Join


def bridges(
    first: Inks,
    second: Inks,
    candidates: Inks,
    card: Array = WHITE_CARD,
    count: int = figures.grounds.BRIDGES_OFFERED,
) -> list[Bridge]:
    """The candidates (n,) with which both halves are clean, the shortest way round first.

    A bridge is as strong in colour as the ends, nearly: grey would part the
    two without being mud, and look it.
    """
    ends = np.stack([seen_on(one, card) for one in (first, second)])
    between = seen_on(candidates, card)
    chroma = np.hypot(between[:, 1], between[:, 2])
    strong = chroma >= figures.grounds.BRIDGE_SHARE * np.hypot(ends[:, 1], ends[:, 2]).min()
    way = delta_e(ends[0], between) ** 2 + delta_e(ends[1], between) ** 2
    order = np.argsort(way, kind="stable")
    order = order[strong[order]]
    places: list[int] = []
    halves: list[Array] = []
    # The shortest ways first, some at a time, until there are enough.
    for start in range(0, len(order), _AT_A_TIME):
        some = order[start : start + _AT_A_TIME]
        pair = strips(first[None], candidates[some], card), strips(candidates[some], second[None], card)
        clean = np.logical_and(*(_clean(half, card) for half in pair))
        for at in np.flatnonzero(clean)[: count - len(places)]:
            places.append(int(some[at]))
            halves += [half[at] for half in pair]
        if len(places) == count:
            break
    joins = judge_each(np.array(halves), card, [Seam.BLEND] * len(halves))
    return [Bridge(*found) for found in zip(places, joins[::2], joins[1::2], strict=True)]


def _clean(labs: Array, card: Array) -> NDArray[np.bool_]:
    return measure_join(labs, card).clean
