"""How much can be written inside: on how many lines, by how large somebody writes?"""

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from jindle_core import figures
from jindle_core.contrast.rules import PairKind, holds
from jindle_core.layers.pieces import BASE, Kind
from jindle_core.seen.stack.whole import Stack


@dataclass(frozen=True, slots=True)
class Lines:
    """How somebody writes, in words; how far lines are apart (mm), how many there are, words on each."""

    hand: str
    apart: float
    count: int
    words: int


@dataclass(frozen=True, slots=True)
class Room:
    """The largest rectangle inside that is free and takes a dark pen, in mm from the top left."""

    x: float
    y: float
    width: float
    height: float

    @property
    def lines(self) -> tuple[Lines, ...]:
        """What goes onto it, by how large one writes."""
        return tuple(
            Lines(
                hand,
                apart,
                int(self.height / apart),
                int(self.width / (apart * figures.building.WORD_WIDE)),
            )
            for hand, apart in figures.building.HANDWRITING.items()
        )


def room(stack: Stack) -> Room | None:
    """The room there is; None where there is none at all.

    Looked at on a grid of points, so it may be smaller than told by a step of it on each side.
    """
    card, side = stack.palette.card.size, figures.building.WRITING_GRID
    wide, high = float(card.width.millimetres), float(card.height.millimetres)
    across, down = ((np.arange(side) + 0.5) / side * length for length in (wide, high))
    x, y = (one.ravel() for one in np.meshgrid(across, down))
    face = stack.look.faces[1]
    labs, places = stack.look.seen_at(face, x, y, np.full(len(x), len(face.keys)))
    free = holds(PairKind.LETTERING_SMALL, np.broadcast_to(figures.building.PEN_LAB, labs.shape), labs)
    # Nobody writes over a picture, a strip or words, light as they may be.
    written_on = np.array([key == BASE or stack.where.piece(key).kind in _WRITTEN_ON for key in face.keys])
    free = np.asarray(free) & written_on[np.maximum(places, 0)]
    margin = figures.building.WRITING_MARGIN
    free &= (x > margin) & (x < wide - margin) & (y > margin) & (y < high - margin)
    for piece in face.pieces:
        if piece.is_ink:
            box = stack.where.boxes[piece.key]
            left, top = float(box.x) - margin / 2, float(box.y) - margin / 2
            right, foot = left + float(box.width) + margin, top + float(box.height) + margin
            free &= ~((x > left) & (x < right) & (y > top) & (y < foot))
    found = _largest(free.reshape(side, side))
    if found is None:
        return None
    top, left, rows, columns = found
    return Room(left / side * wide, top / side * high, columns / side * wide, rows / side * high)


_WRITTEN_ON = (Kind.PANEL, Kind.MAT)


def _largest(free: NDArray[np.bool_]) -> tuple[int, int, int, int] | None:
    """Top, left, rows and columns of the largest rectangle of a grid that is free all over."""
    heights = np.zeros(free.shape[1] + 1, dtype=int)  # one more, that ends what is open
    best, area = None, 0
    for row in range(len(free)):
        heights[:-1] = np.where(free[row], heights[:-1] + 1, 0)
        opened: list[tuple[int, int]] = []  # from which column on so many rows are free
        for column, height in enumerate(heights.tolist()):
            since = column
            while opened and opened[-1][1] > height:
                since, rows = opened.pop()
                if rows * (column - since) > area:
                    area = rows * (column - since)
                    best = (row - rows + 1, since, rows, column - since)
            if height and (not opened or opened[-1][1] < height):
                opened.append((since, height))
    return best
