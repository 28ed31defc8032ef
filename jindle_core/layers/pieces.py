"""What are the pieces of a card, what do they lie on, and how are they held?"""

from dataclasses import dataclass, field
from enum import StrEnum

from jindle_core.ends import End
from jindle_core.formats import Length, Size

WHITE = End("white")
BASE = 0  # the key of the card's own front


class Kind(StrEnum):
    """What a piece is."""

    MAT = "mat"
    PANEL = "panel"
    STRIP = "strip"
    PAPER = "patterned paper"
    IMAGE = "image"
    LETTERING = "lettering"
    VELLUM = "vellum"
    RIBBON = "ribbon"
    FINISH = "finishing piece"


class Raised(StrEnum):
    """What holds a piece to what it lies on."""

    FLAT = "flat"
    TAPE = "foam tape"
    SHEET = "foam sheet"
    DOUBLE = "double foam tape"


class Across(StrEnum):
    """Where a piece lies from left to right: at an edge, or with its middle on a third or the middle."""

    LEFT = "left"
    LEFT_THIRD = "left third"
    CENTRE = "centre"
    RIGHT_THIRD = "right third"
    RIGHT = "right"


class Down(StrEnum):
    """The same from the top to the bottom."""

    TOP = "top"
    UPPER_THIRD = "upper third"
    MIDDLE = "middle"
    LOWER_THIRD = "lower third"
    BOTTOM = "bottom"


@dataclass(frozen=True, slots=True)
class Place:
    """Where on another a piece lies, moved by offsets to the right and down (negative: left, up)."""

    across: Across = Across.CENTRE
    down: Down = Down.MIDDLE
    right: Length = field(default=Length(0, "mm"))
    below: Length = field(default=Length(0, "mm"))


@dataclass(frozen=True, slots=True)
class Piece:
    """A piece that lies on another, by that one's ``key``.

    It has a ``reveal``, the frame that shows of the other on every side, or a
    ``size`` of its own. ``trimmed`` cuts off what hangs over the card's edge,
    ``tucked`` slides it under the pieces that lie beside it.
    """

    key: int
    kind: Kind
    name: str
    on: int = BASE
    reveal: Length | None = None
    size: Size | None = None
    place: Place = Place()
    material: End = WHITE
    raised: Raised = Raised.FLAT
    trimmed: bool = False
    tucked: bool = False
