"""How large is every piece, exactly, and where on the card does it lie?

Everything is in millimetres as exact fractions, from the card's upper left
corner; what is cut is a whole number of the card's own ticks. Every edge lies
on a raster of 1/640 mm, which holds half a tick of either unit.
"""

from collections.abc import Sequence
from dataclasses import dataclass
from fractions import Fraction
from functools import lru_cache
from math import ceil, floor

import numpy as np
from numpy.typing import NDArray

from jindle_core import figures
from jindle_core.errors import BadInput, Problem
from jindle_core.layers.pieces import BASE, Across, Down, Piece, Place
from jindle_core.lengths import Length, Size

RASTER = 640  # of a millimetre
_FACES = 64  # whose places are kept: one change asks for them to check it, to see it and to judge it
_THIRDS = {
    Across.LEFT_THIRD: Fraction(1, 3),
    Across.CENTRE: Fraction(1, 2),
    Across.RIGHT_THIRD: Fraction(2, 3),
    Down.UPPER_THIRD: Fraction(1, 3),
    Down.MIDDLE: Fraction(1, 2),
    Down.LOWER_THIRD: Fraction(2, 3),
}


@dataclass(frozen=True, slots=True)
class Box:
    """A rectangle in millimetres, exactly."""

    x: Fraction
    y: Fraction
    width: Fraction
    height: Fraction

    @property
    def right(self) -> Fraction:
        """Its right edge."""
        return self.x + self.width

    @property
    def bottom(self) -> Fraction:
        """Its lower edge."""
        return self.y + self.height

    def inside(self, other: "Box") -> bool:
        """Whether all of it lies within another."""
        across = other.x <= self.x and self.right <= other.right
        return across and other.y <= self.y and self.bottom <= other.bottom

    def shared(self, other: "Box") -> "Box | None":
        """What it shares with another; None where they do not overlap."""
        x, y = max(self.x, other.x), max(self.y, other.y)
        right, bottom = min(self.right, other.right), min(self.bottom, other.bottom)
        return Box(x, y, right - x, bottom - y) if x < right and y < bottom else None


def nudge(unit: str) -> tuple[float, float]:
    """How far (mm) an arrow key moves a piece of a card in a unit, by itself and with Shift."""
    coarse, fine = (float(Length(ticks, unit).millimetres) for ticks in figures.building.NUDGE[unit])
    return coarse, fine


def edges(boxes: Sequence[Box]) -> NDArray[np.int64]:
    """Left, right, top and bottom of boxes, (2, 2, n), as even whole numbers of half a raster."""
    # Every edge lies on the raster, so nothing is lost; whole numbers are much faster than fractions.
    sides = [(box.x, box.right, box.y, box.bottom) for box in boxes]
    whole = [[_on_raster(side) for side in box] for box in sides]
    return np.array(whole, dtype=np.int64).T.reshape(2, 2, len(boxes))


def around(bounds: tuple[float, float, float, float]) -> Box:
    """The smallest box on the raster around left, top, right and bottom (mm)."""
    left, top = (Fraction(floor(side * RASTER), RASTER) for side in bounds[:2])
    right, bottom = (Fraction(ceil(side * RASTER), RASTER) for side in bounds[2:])
    return Box(left, top, right - left, bottom - top)


def of_size(size: Size) -> Box:
    """A card's front, or a sheet, with its corner at the origin."""
    return Box(Fraction(0), Fraction(0), size.width.millimetres, size.height.millimetres)


def cut_size(piece: Piece, under: Box, unit: str) -> Size:
    """What a piece is cut to: its own size, or what its reveal leaves, in whole ticks of a unit.

    Where a reveal is in the other unit the size is rounded down, and the frame
    that is left is still equal on all sides. Raises BadInput where nothing is left.
    """
    if piece.size is not None:
        return piece.size
    if piece.reveal is None:
        raise BadInput(Problem(f"{piece.name} has neither a reveal nor a size.", field="size"))
    frame = 2 * piece.reveal.millimetres
    size = Size(Length.floor(under.width - frame, unit), Length.floor(under.height - frame, unit))
    if size.width.ticks <= 0 or size.height.ticks <= 0:
        narrow = min(under.width, under.height)
        least = Length.floor(narrow, unit)
        raise BadInput(
            Problem(
                f"A reveal of {piece.reveal.text()} {piece.reveal.unit} leaves nothing of {piece.name}:"
                f" what it lies on is {least.text()} {unit} at its narrowest.",
                field="reveal",
                value=piece.reveal.text(),
                expected=f"less than half of {least.text()} {unit}",
            )
        )
    return size


def laid_out(card: Size, pieces: Sequence[Piece]) -> dict[int, Box]:
    """By key: the base's box and every piece's, before anything is trimmed.

    Raises BadInput for a piece that lies on none, or on itself by way of others.
    """
    return dict(_laid_out(card, tuple(pieces)))


@lru_cache(maxsize=_FACES)
def _laid_out(card: Size, pieces: tuple[Piece, ...]) -> dict[int, Box]:
    unit = card.width.unit
    boxes = {BASE: of_size(card)}
    for piece in in_order(pieces):
        under = boxes[piece.on]
        size = of_size(cut_size(piece, under, unit))
        boxes[piece.key] = put(size, under, piece.place)
    return boxes


def in_order(pieces: Sequence[Piece]) -> list[Piece]:
    """The pieces from the lowest up, each after what it lies on; what is tucked goes under its neighbours.

    Raises BadInput as ``laid_out`` does.
    """
    return list(_in_order(tuple(pieces)))


@lru_cache(maxsize=_FACES)
def _in_order(pieces: tuple[Piece, ...]) -> list[Piece]:
    known = {piece.key for piece in pieces}
    for piece in pieces:
        if piece.on != BASE and piece.on not in known:
            raise BadInput(Problem(f"{piece.name} lies on a piece that is not there.", field="on"))
    # Stable: tucked ones first, else as they were listed.
    waiting = sorted(pieces, key=lambda piece: not piece.tucked)
    done, found = {BASE}, list[Piece]()
    while waiting:
        ready = next((piece for piece in waiting if piece.on in done), None)
        if ready is None:
            names = ", ".join(piece.name for piece in waiting)
            raise BadInput(Problem(f"These lie on one another in a circle: {names}.", field="on"))
        waiting.remove(ready)
        done.add(ready.key)
        found.append(ready)
    return found


def put(size: Box, under: Box, place: Place) -> Box:
    """A box of a size where its place on another is."""
    x = under.x + _along(place.across, under.width, size.width) + place.right.millimetres
    y = under.y + _along(place.down, under.height, size.height) + place.below.millimetres
    return Box(x, y, size.width, size.height)


def _along(place: Across | Down, room: Fraction, length: Fraction) -> Fraction:
    if place in (Across.LEFT, Down.TOP):
        return Fraction(0)
    if place in (Across.RIGHT, Down.BOTTOM):
        return room - length
    # A third of a card has no place on the raster; the nearest is 1/1280 mm off.
    return Fraction(round((room * _THIRDS[place] - length / 2) * RASTER), RASTER)


def as_read(whole: Length, parts: Sequence[Fraction], unit: str) -> list[Length]:
    """Parts (mm) of a whole as they are read off a ruler, so that they add up to it as it is read.

    To the sixteenth of an inch or the whole millimetre; what rounding leaves
    goes to the parts that lost most by it.
    """
    step = 4 if unit == "in" else 10  # ticks of what a ruler shows
    # Whole numbers are much faster than fractions.
    tick = _on_raster(Length(step, unit).millimetres)
    exact = [divmod(_on_raster(part), tick) for part in parts]
    found = [ticks for ticks, _ in exact]
    left = round(Fraction(_on_raster(whole.millimetres), tick)) - sum(found)
    by_loss = sorted(range(len(parts)), key=lambda at: -exact[at][1])
    for turn in range(abs(left)):
        at = by_loss[turn % len(parts)] if left > 0 else by_loss[-1 - turn % len(parts)]
        found[at] += 1 if left > 0 else -1
    return [Length(value * step, unit) for value in found]


def _on_raster(millimetres: Fraction) -> int:
    return 2 * RASTER * millimetres.numerator // millimetres.denominator
