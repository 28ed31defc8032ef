"""Which hidden middles of mats can be cut out, to make smaller pieces of?"""

from collections.abc import Sequence
from dataclasses import dataclass
from fractions import Fraction

from jindle_core import defaults
from jindle_core.formats import TICKS, Length, Size
from jindle_core.layers.pieces import Kind, Piece
from jindle_core.layers.sizing import Box


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
    rim = 2 * Fraction(defaults.MIDDLE_RIM)
    for mat in pieces:
        if mat.kind is not Kind.MAT:
            continue
        on_it = (boxes[piece.key] for piece in pieces if piece.on == mat.key)
        above = [box for box in on_it if box.inside(boxes[mat.key])]
        hidden = max(above, key=lambda box: box.width * box.height, default=None)
        if hidden is None:
            continue
        sides = (hidden.width - rim, hidden.height - rim)
        if min(sides) >= Fraction(defaults.TRIMMING_LEAST):
            found.append(Middle(mat.key, Size(*(_on_ruler(side, unit) for side in sides))))
    return found


def _on_ruler(side: Fraction, unit: str) -> Length:
    """The longest length on a ruler's marks, a sixteenth or a millimetre, that is no longer."""
    step = TICKS[unit] // (16 if unit == "in" else 1)
    return Length(Length.floor(side, unit).ticks // step * step, unit)
