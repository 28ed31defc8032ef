"""In which order do pads follow one another best, and what do their overlaps give?"""

from dataclasses import dataclass
from itertools import combinations, permutations

import numpy as np

from jindle_core import figures
from jindle_core.blending.inks import Inks, seen_on
from jindle_core.blending.joins import Join, judge_each, measure_join, strips
from jindle_core.blending.meeting import Seam
from jindle_core.colorimetry.difference import delta_e
from jindle_core.colorimetry.spaces import Array
from jindle_core.errors import BadInput, Problem
from jindle_core.prediction.stocks import WHITE_CARD

_MUDDY, _BROWN, _SOFT = 1000.0, 100.0, 10.0  # that no shorter way outweighs


@dataclass(frozen=True, slots=True)
class Order:
    """Places of the pads as they should follow one another, and each join."""

    places: tuple[int, ...]
    joins: tuple[Join, ...]


def best_order(inks: Inks, card: Array = WHITE_CARD) -> Order:
    """The order of pads (n,) with the fewest muddy joins, then the fewest in brown, the fewest that soften,
    the least jumps.

    Every order is tried; of one and its reverse that which begins lighter is
    given. Raises BadInput for no pads or more than ``figures.grounds.ORDER_PADS``.
    """
    count = len(inks)
    if not 1 <= count <= figures.grounds.ORDER_PADS:
        raise BadInput(
            Problem(
                f"An order is found for 1 to {figures.grounds.ORDER_PADS} pads; these are {count}.",
                field="pads",
                value=str(count),
            )
        )
    labs = seen_on(inks, card)
    lines = strips(inks[:, None], inks[None], card)
    measured = measure_join(lines, card)
    jump = delta_e(labs[:, None], labs[None]) / 100
    cost = _MUDDY * measured.muddy + _BROWN * measured.browns + _SOFT * measured.softens + jump
    orders = np.array(list(permutations(range(count))))
    total = cost[orders[:, :-1], orders[:, 1:]].sum(axis=1) if count > 1 else np.zeros(1)
    # Of equals, the one that begins lighter.
    best = orders[np.lexsort((-labs[orders[:, 0], 0], np.round(total, 9)))[0]]
    if labs[best[0], 0] < labs[best[-1], 0]:
        best = best[::-1]
    joins = judge_each(lines[best[:-1], best[1:]], card, [Seam.BLEND] * (count - 1))
    return Order(tuple(map(int, best)), tuple(joins))


@dataclass(frozen=True, slots=True)
class Overlap:
    """What two pads, by their places, give where both lie fully: the Lab, and how they meet."""

    places: tuple[int, int]
    lab: tuple[float, float, float]
    join: Join


def is_rainbow(labs: Array) -> bool:
    """Whether colours (n, 3), those strong enough to have a hue, go all round the circle."""
    labs = np.asarray(labs, dtype=float)
    strong = labs[np.hypot(labs[:, 1], labs[:, 2]) >= figures.grounds.MUD_ENDS_C]
    if not len(strong):
        return False
    hues = np.sort(np.degrees(np.arctan2(strong[:, 2], strong[:, 1])) % 360)
    return float(np.diff(np.append(hues, hues[0] + 360)).max()) <= figures.grounds.RAINBOW_GAP


def overlaps(inks: Inks, card: Array = WHITE_CARD) -> list[Overlap]:
    """What each two of the pads (n,) make between them."""
    pairs = list(combinations(range(len(inks)), 2))
    first, second = (np.array([pair[end] for pair in pairs], dtype=np.intp) for end in (0, 1))
    labs = strips(inks[first], inks[second], card)
    joins = judge_each(labs, card, [Seam.BLEND] * len(pairs))
    middles = labs[:, labs.shape[1] // 2].tolist()
    return [
        Overlap(pair, (lightness, a, b), join)
        for pair, (lightness, a, b), join in zip(pairs, middles, joins, strict=True)
    ]
