"""What are the pieces of a card, what do they lie on, of what are they, and how are they held?"""

from dataclasses import dataclass, field
from enum import StrEnum
from typing import Annotated, TypedDict

from jindle_core.layers.making import Making
from jindle_core.layers.shapes import EVERY_SIDE, Shape, Side
from jindle_core.lengths import Length, Size
from jindle_core.material import End
from jindle_core.naming import Names, Use
from jindle_core.prediction.behaviour import Hand

WHITE_END = End("white")
VELLUM_END, RIBBON_END = End("vellum"), End("ribbon")  # stocks of their own, in no colour that one says
BASE = 0  # the key of the card's own front


class Kind(StrEnum):
    """What a piece is."""

    MAT = "mat"
    PANEL = "panel"
    STRIP = "strip"
    PAPER = "patterned-paper"
    IMAGE = "image"
    LETTERING = "lettering"  # stamped, written or embossed on what it lies on
    CUT_WORDS = "cut-words"
    VELLUM = "vellum"
    RIBBON = "ribbon"
    FINISH = "finishing-piece"


class Raised(StrEnum):
    """What holds a piece to what it lies on."""

    FLAT = "flat"
    TAPE = "foam-tape"
    SHEET = "foam-sheet"
    DOUBLE = "double-foam-tape"


class Across(StrEnum):
    """Where a piece lies from left to right: at an edge, or with its middle on a third or the middle."""

    LEFT = "left"
    LEFT_THIRD = "left-third"
    CENTRE = "centre"
    RIGHT_THIRD = "right-third"
    RIGHT = "right"


class Down(StrEnum):
    """The same from the top to the bottom."""

    TOP = "top"
    UPPER_THIRD = "upper-third"
    MIDDLE = "middle"
    LOWER_THIRD = "lower-third"
    BOTTOM = "bottom"


@dataclass(frozen=True, slots=True)
class Place:
    """Where on another a piece lies, moved by offsets to the right and down (negative: left, up)."""

    across: Across = Across.CENTRE
    down: Down = Down.MIDDLE
    right: Length = field(default=Length(0, "mm"))
    below: Length = field(default=Length(0, "mm"))


SHAPED = (Kind.MAT, Kind.PANEL, Kind.STRIP, Kind.PAPER, Kind.VELLUM)  # what has a shape of its own
WORDS = (Kind.LETTERING, Kind.CUT_WORDS)
OF_CARD = (Kind.MAT, Kind.PANEL, Kind.STRIP, Kind.PAPER, Kind.CUT_WORDS)  # what can be inked by oneself
NOT_CUT = (Kind.LETTERING, Kind.FINISH)  # what no sheet is ever cut for
OF_SHEET = (Kind.MAT, Kind.PANEL, Kind.STRIP, Kind.PAPER)  # what can be cut out of a sheet with its pattern


@dataclass(frozen=True, slots=True)
class InkedOver:
    """A pad (a colour's id), a hand and coats that a piece is inked with by oneself."""

    colour: Annotated[int, Names(Use.PIECES)]
    hand: Hand = Hand.MIDDLE
    coats: int = 1


@dataclass(frozen=True, slots=True)
class PatternLaid:
    """How the pattern of a sheet lies on a piece that is cut out of it.

    The sheet's upper left corner is moved from the piece's by ``right`` and ``below``
    and turned about it by ``turn`` degrees clockwise; ``repeated`` goes on past its edges.
    """

    right: Length = field(default=Length(0, "mm"))
    below: Length = field(default=Length(0, "mm"))
    turn: float = 0.0
    repeated: bool = True


Ring = tuple[tuple[float, float], ...]


@dataclass(frozen=True, slots=True)
class Opening:
    """What is cut out of a frame: ``rim`` is what it leaves all round, ``shape`` None that of the frame."""

    rim: Length
    shape: Shape | None = None


class PlaceSaid(TypedDict, total=False):
    """Some of what is said of a place."""

    across: Across
    down: Down
    right: Length
    below: Length


class PatternSaid(TypedDict, total=False):
    """Some of what is said of how a pattern lies."""

    right: Length
    below: Length
    turn: float
    repeated: bool


class PieceSaid(TypedDict, total=False):
    """Some of what is said of a piece."""

    kind: Kind
    name: str
    on: int
    reveal: Length | None
    size: Size | None
    place: PlaceSaid
    material: End
    raised: Raised
    trimmed: bool
    tucked: bool
    inked: InkedOver | None
    white_edge: bool
    text: str
    bold: bool
    picture: int | None
    mirrored: bool
    shape: Shape | None
    sides: tuple[Side, ...]
    stitched: bool
    opening: Opening | None
    turn: float
    made: Making | None
    own: Ring
    stamped: bool
    pattern: PatternSaid


@dataclass(frozen=True, slots=True)
class Piece:
    """A piece that lies on another, by that one's ``key``.

    It has a ``reveal``, the frame that shows of the other on every side, or a
    ``size`` of its own. ``trimmed`` cuts off what hangs over the card's edge,
    ``tucked`` slides it under the pieces that lie beside it. ``inked`` is laid
    over its material. A picture may have a ``white_edge`` left around it;
    ``text`` is what words say (blank: nobody said yet), ``bold`` how they say it,
    ``made`` how words that are not cut out are made, where that is said.
    ``picture`` is the key of the card's picture that a piece of kind image shows
    (None: the first), ``mirrored`` that left and right of it are exchanged.
    ``shape`` None is a sharp rectangle or, with a reveal, the shape of what it lies
    on; ``sides`` are those of a border that are not straight, ``stitched`` draws a
    line of stitches along the edge, ``opening`` makes it a frame. It is turned by
    ``turn`` degrees clockwise about its middle, with what lies on it. ``own`` is an
    outline of one's own in its stead, points as shares of the box that it fills.
    A picture may be ``stamped`` straight on what it lies on instead of cut out.
    ``pattern`` is how that of a sheet lies, where the material is one.
    """

    key: int
    kind: Kind
    name: str
    on: int = BASE
    reveal: Length | None = None
    size: Size | None = None
    place: Place = Place()
    material: End = WHITE_END
    raised: Raised = Raised.FLAT
    trimmed: bool = False
    tucked: bool = False
    inked: InkedOver | None = None
    white_edge: bool = False
    text: str = ""
    bold: bool = True
    picture: int | None = None
    mirrored: bool = False
    shape: Shape | None = None
    sides: tuple[Side, ...] = EVERY_SIDE
    stitched: bool = False
    opening: Opening | None = None
    turn: float = 0.0
    made: Making | None = None
    own: Ring = ()
    stamped: bool = False
    pattern: PatternLaid = PatternLaid()

    def __hash__(self) -> int:
        """Pieces are keys of much that is kept: what tells nearly all apart is enough, and quick."""
        return hash((self.key, self.on, self.name))

    @property
    def is_ink(self) -> bool:
        """Whether it is only ink on what it lies on: words that are not cut out, a picture stamped there."""
        return self.kind is Kind.LETTERING or (self.kind is Kind.IMAGE and self.stamped)

    @property
    def is_cut(self) -> bool:
        """Whether it is cut at all, out of a sheet or off a reel."""
        return self.kind not in NOT_CUT and not self.is_ink

    @property
    def of_sheet(self) -> bool:
        """Whether it is cut out of a sheet."""
        return self.is_cut and self.kind is not Kind.RIBBON

    @property
    def is_wanting_words(self) -> bool:
        """Whether nobody said yet what it says."""
        return self.kind in WORDS and not self.text.strip()

    @property
    def is_laid(self) -> bool:
        """Whether it is glued, raised or wrapped on, and could be trimmed then."""
        return not self.is_ink and self.kind is not Kind.FINISH
