"""How is a card built?"""

from collections.abc import Mapping, Sequence
from typing import Annotated, Any

from jindle_core.checks.finding import Status
from jindle_core.cutting.grain import Grain
from jindle_core.layers.folding import Fold
from jindle_core.layers.making import Making
from jindle_core.layers.pieces import Across, Down, Kind, Raised
from jindle_core.layers.shapes import Shape, Side
from jindle_core.lengths import TICKS
from jindle_core.prediction.behaviour import Hand
from server.told.answer import Answer, OneOf
from server.told.card import Desk, End, EndView, MaterialView, Part


class InkedOver(Answer):
    """A pad that a piece is inked with by oneself."""

    colour: Annotated[int, "the pad's id"]
    hand: Hand
    coats: int


class OwnOutline(Answer):
    """An outline of one's own, as ``own`` of a piece takes it."""

    ring: Sequence[Sequence[float]]
    measured: Annotated[bool, "the file says how large it is"]
    width: Annotated[str, "in the unit that was asked for"]
    height: str
    notes: Sequence[str]


class PlacedBox(Answer):
    """A rectangle in mm from the upper left corner of the card, or of a sheet."""

    x: float
    y: float
    width: float
    height: float


class Pattern(Answer):
    """How the pattern of a sheet lies on a piece."""

    right: Annotated[str, "offset, or blank; − to the left"]
    below: Annotated[str, "offset, or blank; − upwards"]
    turn: Annotated[float, "degrees, clockwise"]
    repeated: bool


class PieceFinding(Answer):
    """What holds or does not hold of a piece."""

    status: Status
    figure: str
    limit: str
    reason: str


class Piece(Answer):
    """A piece with its size and place."""

    key: int
    kind: Kind
    name: str
    on: int
    size: Annotated[str, "what it is cut to, in the card's unit"]
    width: Annotated[str, "its sides as they are typed"]
    height: str
    size_shown: Annotated[str, "the same in the person's unit"]
    lies: Annotated[str, "where it lies as one measures it; blank where it hangs over"]
    reveal: str | None
    reveal_unit: Annotated[str | None, OneOf(*TICKS)]
    across: Across
    down: Down
    right: Annotated[str, "offset, or blank; − to the left"]
    below: Annotated[str, "offset, or blank; − upwards"]
    material: MaterialView
    pattern: Annotated[Pattern | None, "how that of its sheet lies; none: it is of none"]
    inked: InkedOver | None
    inked_uncertainty: Annotated[float | None, "one sigma of that prediction, in ΔE00"]
    of_card: Annotated[bool, "so that it can be inked by oneself"]
    of_sheet: Annotated[bool, "so that it can be cut out of patterned paper"]
    is_ink: Annotated[bool, "nothing that is held or cut: stamped, written"]
    carries: Annotated[bool, "other pieces can lie on it"]
    says_words: bool
    raised: Raised
    trimmed: bool
    tucked: bool
    white_edge: bool
    text: Annotated[str, "what words say; blank: nobody said yet"]
    bold: bool
    picture: Annotated[int | None, "the key of what an image shows"]
    mirrored: bool
    is_made: Annotated[bool, "stamped, written or embossed: it can be said how"]
    made: Making | None
    shaped: Annotated[bool, "it can be cut to a shape"]
    shape: Shape | None
    sides: Sequence[Side]
    stitched: bool
    rim: Annotated[str | None, "that its opening leaves; none: it has none"]
    opening_shape: Shape | None
    turn: Annotated[float, "degrees, clockwise"]
    own: Annotated[bool, "it is cut to an outline of one's own"]
    stamped: bool
    mat: Annotated[End, "what a mat under it would be of"]
    box: PlacedBox
    bottom: Annotated[float, "mm above the card's front"]
    top: float
    fit: PieceFinding
    fits_turned: bool
    stands: Annotated[PieceFinding | None, "against what it lies beside; none: hidden"]
    beside: Annotated[str, "what that is"]


class Layout(Answer):
    """A layout to start with, and the card as it would look."""

    key: str
    words: str
    desk: Desk


class SheetToCut(Answer):
    """A usual sheet."""

    words: str
    width: str
    height: str
    unit: Annotated[str, OneOf(*TICKS)]


class Trimming(Answer):
    """What falls off a piece that is trimmed."""

    name: Annotated[str, "of the piece"]
    size: str
    could_be: Annotated[Sequence[str], "pieces that it is enough for"]


class NamedPicture(Answer):
    """A picture that a piece can show."""

    key: int
    name: str


class Build(Answer):
    """How the card is built."""

    fold: Fold
    base: EndView
    flat: Annotated[str, "the base before it is folded"]
    score: str
    edge: Annotated[str, "the usual reveal, in the card's unit"]
    post_limit: float | None
    thickness: PieceFinding
    envelope: Annotated[str | None, "as said, or the smallest usual one"]
    own_envelope: Annotated[bool, "as said"]
    envelopes: Annotated[Sequence[SheetToCut], "the usual ones, of the card's unit first"]
    pieces: Sequence[Piece]
    inside: Sequence[Piece]
    carrier: Annotated[int | None, "the key of what the ground is on"]
    ground: Annotated[bool, "there is one"]
    ground_said: Annotated[bool, "on what it is, rather than on the first panel"]
    trimmings: Sequence[Trimming]
    base_thickness: Annotated[float, "mm of one half"]
    sheets: Sequence[SheetToCut]
    pictures: Sequence[NamedPicture]
    borders: Annotated[Sequence[Shape], "shapes that have chosen sides"]
    grains: Sequence[Grain]


class PieceInstead(Answer):
    """The card with a piece as it is, gone, or of something else: post the change to have it so."""

    words: str
    note: str
    stands: PieceFinding | None
    parts: Sequence[Part]
    change: Mapping[str, Any] | None
