"""What does each piece really lie beside, all along its edge?"""

from collections.abc import Sequence
from dataclasses import dataclass
from fractions import Fraction
from itertools import pairwise

from jindle_core.layers.pieces import BASE, Piece
from jindle_core.layers.sizing import Box, in_order


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
    found = []
    for at, key in enumerate(order[1:], start=1):
        shares: dict[int, Fraction] = {}
        for side in _edge(boxes[key]):
            for length, beside in _along(side, boxes, order, at):
                shares[beside] = shares.get(beside, Fraction(0)) + length
        whole = sum(shares.values())
        ranked = sorted(shares.items(), key=lambda one: -one[1])
        found += [Beside(key, beside, float(length / whole)) for beside, length in ranked]
    return found


@dataclass(frozen=True, slots=True)
class _Side:
    """A straight edge: level or upright, where, from and to, and on which side of it its piece lies (±1)."""

    upright: bool
    at: Fraction
    start: Fraction
    end: Fraction
    inwards: int


def _edge(box: Box) -> tuple[_Side, ...]:
    return (
        _Side(False, box.y, box.x, box.right, 1),
        _Side(False, box.bottom, box.x, box.right, -1),
        _Side(True, box.x, box.y, box.bottom, 1),
        _Side(True, box.right, box.y, box.bottom, -1),
    )


def _along(side: _Side, boxes: dict[int, Box], order: Sequence[int], at: int) -> list[tuple[Fraction, int]]:
    """The stretches of an edge that show, with what lies outside each."""
    ends = {side.start, side.end}
    for key in order:
        for end in _span(boxes[key], side.upright):
            if side.start < end < side.end:
                ends.add(end)
    cuts, found = sorted(ends), []
    for start, end in pairwise(cuts):
        middle = (start + end) / 2
        if any(_holds(boxes[key], side, middle, inside=True) for key in order[at + 1 :]):
            continue
        outside = [key for key in order if _holds(boxes[key], side, middle, inside=False)]
        if outside:
            found.append((end - start, outside[-1]))
    return found


def _span(box: Box, upright: bool) -> tuple[Fraction, Fraction]:
    return (box.y, box.bottom) if upright else (box.x, box.right)


def _holds(box: Box, side: _Side, along: Fraction, inside: bool) -> bool:
    """Whether a box covers what lies just inside, or just outside, an edge at a place."""
    low, high = _span(box, side.upright)
    if not low < along < high:
        return False
    near, far = _span(box, not side.upright)
    inwards = side.inwards if inside else -side.inwards
    return near <= side.at < far if inwards > 0 else near < side.at <= far
