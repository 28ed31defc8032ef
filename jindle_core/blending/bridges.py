"""What goes between two pads that do not meet cleanly?"""

from dataclasses import dataclass

import numpy as np

from jindle_core import defaults
from jindle_core.blending.inks import Inks, seen_on
from jindle_core.blending.joins import Join, judge, measure, strips
from jindle_core.colorimetry.difference import delta_e
from jindle_core.colorimetry.spaces import Array
from jindle_core.prediction.stocks import WHITE


@dataclass(frozen=True, slots=True)
class Bridge:
    """A pad between two, by its place among the candidates, and how each half meets."""

    place: int
    first: Join
    second: Join


def bridges(
    first: Inks, second: Inks, candidates: Inks, card: Array = WHITE, count: int = defaults.BRIDGES_OFFERED
) -> list[Bridge]:
    """The candidates (n,) with which both halves are clean, the shortest way round first.

    A bridge is as strong in colour as the ends, nearly: grey would part the
    two without being mud, and look it.
    """
    ends = np.stack([seen_on(one, card) for one in (first, second)])
    between = seen_on(candidates, card)
    chroma = np.hypot(between[:, 1], between[:, 2])
    strong = chroma >= defaults.BRIDGE_SHARE * np.hypot(ends[:, 1], ends[:, 2]).min()
    halves = [strips(*pair, card) for pair in ((first[None], candidates), (candidates, second[None]))]
    measured = [measure(half, card) for half in halves]
    clean = strong.copy()
    for one in measured:
        clean &= ~one.muddy & ~one.softens
    way = delta_e(ends[0], between) ** 2 + delta_e(ends[1], between) ** 2
    order = [int(place) for place in np.argsort(way, kind="stable") if clean[place]]
    return [Bridge(place, *(judge(half[place], card) for half in halves)) for place in order[:count]]
