"""What does each piece really lie beside, all along its edge?"""

from collections.abc import Iterable, Iterator, Sequence
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
    return lies_beside(order, edges([boxes[key] for key in order]))


def lies_beside(order: Sequence[int], sides: NDArray[np.int64]) -> list[Beside]:
    """The same of things (the base first, then from the lowest up) by their keys and ``edges`` (2, 2, n)."""
    shares: list[dict[int, int]] = [{} for _ in order]
    for along, across in ((_Stretches(*sides[0]), sides[1]), (_Stretches(*sides[1]), sides[0])):
        for far in (False, True):
            for at, found in enumerate(_along(along, across, far), start=1):
                for length, under in found:
                    shares[at][under] = shares[at].get(under, 0) + length
    return [
        Beside(key, order[under], length / sum(found.values()))
        for key, found in zip(order[1:], shares[1:], strict=True)
        for under, length in sorted(found.items(), key=lambda one: -one[1])
    ]


class _Stretches:
    """Along one axis the stretches between all the ends of n boxes, and which boxes reach over each."""

    def __init__(self, low: NDArray[np.int64], high: NDArray[np.int64]) -> None:
        self.ends = np.unique(np.concatenate([low, high]))
        self.lengths = np.diff(self.ends)
        middles = (self.ends[:-1] + self.ends[1:]) // 2
        self.over = (low[:, None] < middles) & (middles < high[:, None])
        self.first, self.last = np.searchsorted(self.ends, low), np.searchsorted(self.ends, high)


def _along(along: _Stretches, across: NDArray[np.int64], far: bool) -> Iterator[Iterable[tuple[int, int]]]:
    """For every piece but the base the stretches of a side that show, with the place of what lies outside.

    ``along`` is the axis that the side runs along, ``across`` (2, n) where the
    boxes begin and end on the other; ``far`` is the right or the lower side.
    """
    near, end = across
    line = (end if far else near)[:, None]
    # Just to the one side of each line, and just to the other: (line, box).
    before, behind = (near < line) & (line <= end), (near <= line) & (line < end)
    inside, outside = (before, behind) if far else (behind, before)
    for at in range(1, len(near)):
        here = slice(along.first[at], along.last[at])
        over = along.over[:, here]
        covered = (over[at + 1 :] & inside[at, at + 1 :, None]).any(axis=0)
        there = over & outside[at, :, None]
        shows = there.any(axis=0) & ~covered
        top = len(there) - 1 - there[::-1].argmax(axis=0)
        yield zip(along.lengths[here][shows].tolist(), top[shows].tolist(), strict=True)
