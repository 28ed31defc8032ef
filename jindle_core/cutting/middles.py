"""Which hidden middles of mats can be cut out, and which smaller pieces are made of them?"""

from collections.abc import Sequence
from dataclasses import dataclass
from fractions import Fraction

from jindle_core import figures
from jindle_core.cutting.packing import ToCut
from jindle_core.layers.pieces import Kind, Piece
from jindle_core.layers.sizing import Box
from jindle_core.lengths import TICKS, Length, Size


@dataclass(frozen=True, slots=True)
class Middle:
    """A middle that can be cut out of a piece, by its key, and its size."""

    key: int
    size: Size


def middles(boxes: dict[int, Box], pieces: Sequence[Piece], unit: str) -> list[Middle]:
    """The middles of mats that one piece above hides wholly, with a rim left to glue on.

    Only where what is cut out is large enough to be of use.
    """
    found = []
    rim = 2 * Fraction(figures.cutting.MIDDLE_RIM)
    for mat in pieces:
        if mat.kind is not Kind.MAT:
            continue
        on_it = (boxes[piece.key] for piece in pieces if piece.on == mat.key)
        above = [box for box in on_it if box.inside(boxes[mat.key])]
        hidden = max(above, key=lambda box: box.width * box.height, default=None)
        if hidden is None:
            continue
        sides = (hidden.width - rim, hidden.height - rim)
        if min(sides) >= Fraction(figures.cutting.TRIMMING_LEAST):
            found.append(Middle(mat.key, Size(*(_on_ruler(side, unit) for side in sides))))
    return found


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
