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
    level, upright = (_Stretches(*sides[axis]) for axis in (0, 1))
    found = []
    for at, key in enumerate(order[1:], start=1):
        shares: dict[int, int] = {}
        for along, across in ((level, sides[1]), (upright, sides[0])):
            for far in (False, True):
                for length, beside in _along(along, across, at, far):
                    shares[beside] = shares.get(beside, 0) + length
        whole = sum(shares.values())
        ranked = sorted(shares.items(), key=lambda one: -one[1])
        found += [Beside(key, order[beside], length / whole) for beside, length in ranked]
    return found


class _Stretches:
    """Along one axis the stretches between all the ends of n boxes, and which boxes reach over each."""

    def __init__(self, low: NDArray[np.int64], high: NDArray[np.int64]) -> None:
        self.ends = np.unique(np.concatenate([low, high]))
        self.lengths = np.diff(self.ends)
        middles = (self.ends[:-1] + self.ends[1:]) // 2
        self.over = (low[:, None] < middles) & (middles < high[:, None])
        self.first, self.last = np.searchsorted(self.ends, low), np.searchsorted(self.ends, high)


def _along(along: _Stretches, across: NDArray[np.int64], at: int, far: bool) -> list[tuple[int, int]]:
    """The stretches of one side of a piece that show, with the place of what lies outside each.

    ``along`` is the axis that the side runs along, ``across`` (2, n) where the
    boxes begin and end on the other; ``far`` is the right or the lower side.
    """
    near, end = across
    line = (end if far else near)[at]
    here = slice(along.first[at], along.last[at])
    over = along.over[:, here]
    # Just to the one side of the line, and just to the other.
    before, behind = (near < line) & (line <= end), (near <= line) & (line < end)
    inside, outside = (before, behind) if far else (behind, before)
    covered = (over[at + 1 :] & inside[at + 1 :, None]).any(axis=0)
    there = over & outside[:, None]
    shows = there.any(axis=0) & ~covered
    top = len(there) - 1 - there[::-1].argmax(axis=0)
    return list(zip(along.lengths[here][shows].tolist(), top[shows].tolist(), strict=True))
