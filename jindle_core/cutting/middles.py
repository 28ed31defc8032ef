"""Which hidden middles of mats can be cut out, and which smaller pieces are made of them?"""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from fractions import Fraction

import numpy as np
import shapely

from jindle_core import figures
from jindle_core.cutting.packing import ToCut
from jindle_core.layers.outlines import NO_OUTLINES, Outline, as_polygon
from jindle_core.layers.pieces import SHAPED, Kind, Piece
from jindle_core.layers.sizing import Box, around
from jindle_core.lengths import TICKS, Length, Size


@dataclass(frozen=True, slots=True)
class Middle:
    """A middle that can be cut out of a piece, by its key; its size, and how far off the piece's own middle
    it lies (mm to the right and below)."""

    key: int
    size: Size
    right: float
    below: float


def middles(
    boxes: dict[int, Box],
    pieces: Sequence[Piece],
    unit: str,
    outlines: Mapping[int, Outline] = NO_OUTLINES,
) -> list[Middle]:
    """The middles of mats that one piece above hides wholly, with a rim left to glue on.

    All are rectangles, whatever ``outlines`` the pieces have; only where what is cut out is large
    enough to be of use.
    """
    found = []
    for mat in pieces:
        if mat.kind is not Kind.MAT or mat.opening is not None:
            continue
        above = (piece for piece in pieces if piece.on == mat.key and _hides(piece))
        rooms = [room for piece in above if (room := _room(mat, piece, boxes, outlines)) is not None]
        room = max(rooms, key=lambda box: box.width * box.height, default=None)
        if room is not None and min(room.width, room.height) >= Fraction(figures.cutting.TRIMMING_LEAST):
            size = Size(_on_ruler(room.width, unit), _on_ruler(room.height, unit))
            box = boxes[mat.key]
            right = room.x + room.width / 2 - box.x - box.width / 2
            below = room.y + room.height / 2 - box.y - box.height / 2
            found.append(Middle(mat.key, size, float(right), float(below)))
    return found


def _hides(piece: Piece) -> bool:
    """Whether one sees nothing through what a piece is of."""
    return piece.kind in SHAPED and piece.kind is not Kind.VELLUM and piece.opening is None


def _room(mat: Piece, above: Piece, boxes: dict[int, Box], outlines: Mapping[int, Outline]) -> Box | None:
    """The rectangle of a mat that what lies on it hides, a rim taken off; None where there is none."""
    rim, box = Fraction(figures.cutting.MIDDLE_RIM), boxes[above.key]
    lower, upper = outlines.get(mat.key), outlines.get(above.key)
    if lower is None and upper is None:
        if not box.inside(boxes[mat.key]) or min(box.width, box.height) <= 2 * rim:
            return None
        return Box(box.x + rim, box.y + rim, box.width - 2 * rim, box.height - 2 * rim)
    if above.turn:
        return None  # it is cut out of the mat before either is turned
    under = as_polygon(boxes[mat.key]) if lower is None else lower.straight
    over = as_polygon(box) if upper is None else upper.straight
    return _largest_within(shapely.buffer(under.intersection(over), -float(rim)))


_PROPORTIONS = np.linspace(0.05, 1.52, 24)  # angles whose sine and cosine are a rectangle's sides
_SIZES = np.linspace(1.0, 0.02, 50)


def _largest_within(area: shapely.Geometry) -> Box | None:
    """A rectangle about the middle of an area that lies within it: the largest of some; None of nothing."""
    if area.is_empty:
        return None
    left, top, right, bottom = area.bounds
    turns, scales = np.meshgrid(_PROPORTIONS, _SIZES)
    wide, high = np.cos(turns) * scales * (right - left) / 2, np.sin(turns) * scales * (bottom - top) / 2
    x, y = (left + right) / 2, (top + bottom) / 2
    shapely.prepare(area)
    tried = shapely.box(x - wide, y - high, x + wide, y + high)
    sizes = np.where(shapely.contains_properly(area, tried), wide * high, 0.0)
    best = np.unravel_index(sizes.argmax(), sizes.shape)
    return around(tried[best].bounds) if sizes[best] > 0 else None


def _on_ruler(side: Fraction, unit: str) -> Length:
    """The longest length on a ruler's marks, a sixteenth or a millimetre, that is no longer."""
    step = TICKS[unit] // (16 if unit == "in" else 1)
    return Length(Length.floor(side, unit).ticks // step * step, unit)


def filled(holes: Sequence[Size], pieces: Sequence[ToCut]) -> dict[int, int]:
    """Which piece is cut out of which hole, by their places: the largest pieces first, one a hole."""
    taken: dict[int, int] = {}
    by_size = sorted(range(len(pieces)), key=lambda at: _area(pieces[at].size), reverse=True)
    free = sorted(range(len(holes)), key=lambda at: _area(holes[at]))
    for at in by_size:
        hole = next((one for one in free if _goes_into(pieces[at], holes[one])), None)
        if hole is not None:
            free.remove(hole)
            taken[at] = hole
    return taken


def _goes_into(piece: ToCut, hole: Size) -> bool:
    wide, high = piece.size.width.millimetres, piece.size.height.millimetres
    room = hole.width.millimetres, hole.height.millimetres
    return (wide <= room[0] and high <= room[1]) or (piece.turns and high <= room[0] and wide <= room[1])


def _area(size: Size) -> Fraction:
    return size.width.millimetres * size.height.millimetres
