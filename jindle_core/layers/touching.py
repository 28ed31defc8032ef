"""What does each piece really lie beside, all along its edge?"""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from jindle_core.layers.pieces import BASE, Piece
from jindle_core.layers.sizing import Box, edges, in_order


@dataclass(frozen=True, slots=True)
class Beside:
    """A piece and what shows along a share of its visible edge (0–1)."""

    key: int
    beside: int
    share: float


def neighbours(boxes: dict[int, Box], pieces: Sequence[Piece]) -> list[Beside]:
    """For each piece what lies beside its edge, the most first; exact, not sampled.

    Only the edge that shows counts: not what is covered by a piece above, nor
    what runs along or over the card's own edge.
    """
    order = [BASE, *(piece.key for piece in in_order(pieces))]
    sides = edges([boxes[key] for key in order])
    found = []
    for at, key in enumerate(order[1:], start=1):
        shares: dict[int, int] = {}
        for upright in (False, True):
            for far in (False, True):
                for length, beside in _along(sides, at, upright, far):
                    shares[beside] = shares.get(beside, 0) + length
        whole = sum(shares.values())
        ranked = sorted(shares.items(), key=lambda one: -one[1])
        found += [Beside(key, order[beside], length / whole) for beside, length in ranked]
    return found


def _along(sides: NDArray[np.int64], at: int, upright: bool, far: bool) -> list[tuple[int, int]]:
    """The stretches of one side of a piece that show, with the place of what lies outside each.

    ``upright`` is the left or right side, ``far`` the right or the lower one.
    """
    low, high = sides[int(upright)]  # along the side
    near, end = sides[int(not upright)]  # across it
    line = (end if far else near)[at]
    ends = np.unique(np.concatenate([low, high]))
    cuts = ends[(ends >= low[at]) & (ends <= high[at])]
    middles = (cuts[:-1] + cuts[1:]) // 2
    beside = (low[:, None] < middles) & (middles < high[:, None])
    # Just to the one side of the line, and just to the other.
    before, behind = (near < line) & (line <= end), (near <= line) & (line < end)
    inside, outside = (before, behind) if far else (behind, before)
    covered = (beside & inside[:, None])[at + 1 :].any(axis=0)
    there = beside & outside[:, None]
    shows = there.any(axis=0) & ~covered
    top = len(there) - 1 - there[::-1].argmax(axis=0)
    return list(zip(np.diff(cuts)[shows].tolist(), top[shows].tolist(), strict=True))
