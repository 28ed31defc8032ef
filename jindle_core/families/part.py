"""Which tones of a thing's family does a smaller area of it take?"""

from itertools import combinations

import numpy as np

from jindle_core.colorimetry.difference import delta_e
from jindle_core.colorimetry.spaces import Array
from jindle_core.families.judge import judge_family
from jindle_core.families.rule import USUAL, Allowance


def part(tones: Array, count: int, around: Array | None, allowance: Allowance = USUAL) -> tuple[int, ...]:
    """Which of tones (k, 3), light to dark, ``count`` of them are; more where so few make no family.

    Ours. The lightest and the base, which is the nearest to the colour
    ``around`` (3,) or else the middle, are always of them, so that no seam
    shows beside an area with all of them; of what is left, what keeps the
    steps most even.

    >>> part(np.array([[90.0, 0, 20], [78, 0, 26], [66, 0, 30], [52, 0, 30]]), 2, np.array([78.0, 0, 26]))
    (0, 1)
    """
    tones = np.asarray(tones, dtype=float)
    base = len(tones) // 2 if around is None else int(delta_e(around, tones).argmin())
    for size in range(count, len(tones)):
        each = (one for one in combinations(range(len(tones)), size) if {0, base} <= set(one))
        held = [one for one in each if judge_family(tones[list(one)], allowance, around, np.inf).holds]
        if held:
            return min(held, key=lambda one: (-float(np.diff(tones[list(one), 0]).min(initial=0)), one))
    return tuple(range(len(tones)))
