"""What is a card, as every stage needs it?"""

from collections.abc import Mapping, Sequence
from typing import Annotated, Any

from jindle_core.blending.effects import EffectKind
from jindle_core.blending.painting import Way
from jindle_core.checks.finding import Status
from jindle_core.checks.ids import KINDS
from jindle_core.colorimetry.views import Shades
from jindle_core.contrast.rules import PairKind
from jindle_core.layers.folding import Fold
from jindle_core.lengths import TICKS
from jindle_core.palettes.role import Role
from jindle_core.training.question import Exercise
from server.told.answer import Answer, Long, OneOf
from server.told.choices import COLUMN_WORDS, HOW_FAR, MATERIALS, SOURCES, STAGES, STOCKS
from server.told.swatch import Match, Swatch


class End(Answer):
    """One end of a pair: a palette colour's key, a supply's id, or white paper."""

    source: Annotated[str, OneOf(*SOURCES)]
    id: int


class Size(Answer):
    """A size in words, in both units, and as it was given."""

    words: Annotated[str, "in the unit in which the person likes it"]
    exact: Annotated[str, "in the unit in which it was given"]
    width: str
    height: str
    unit: Annotated[str, OneOf(*TICKS)]
    orientation: str


class Cell(Answer):
    """One cell of the palette table."""

    column: str
    state: Annotated[str, OneOf("nearest", "chosen", "locked")]
    hole: Annotated[bool, "nothing in this column comes near"]
    match: Match | None


class PaletteColour(Answer):
    """A palette colour with its row of the table."""

    key: int
    name: str
    role: Role
    lab: Sequence[float]
    shades: Shades
    hue_name: str
    on_screen: bool
    wide: Annotated[str | None, "the shade for screens that show more than sRGB"]
    provenance_words: str
    uncertainty: float
    anchor: Swatch | None
    lost: Annotated[bool, "its colour has left the supplies; its last value stands"]
    cells: Sequence[Cell]


class EndView(Answer):
    """One end of a pair, in words and colour."""

    source: Annotated[str, OneOf(*SOURCES)]
    id: int
    words: str
    shades: Shades


class MaterialView(EndView):
    """What a piece is of."""

    source: Annotated[str, OneOf(*MATERIALS)]


class StockView(EndView):
    """What a piece is cut out of."""

    source: Annotated[str, OneOf(*STOCKS)]


class Pair(Answer):
    """What lies on what."""

    key: int
    kind: PairKind
    upper: EndView
    lower: EndView
    outlined: bool
    check: str


class Mend(Answer):
    """A change that would make a check hold: post it as it is."""

    words: str
    figure: Annotated[str, "what the check then finds; empty where it has none"]
    shades: Shades | None
    change: Mapping[str, Any]


class Check(Answer):
    """What a rule found, what it is on, and at which stage it is mended."""

    id: str
    kind: Annotated[str, OneOf(*KINDS)]
    of: Annotated[str, "which effect, rule or place, where there are several of a kind"]
    pieces: Annotated[Sequence[int], "the keys of the pieces that it is on; 0: the card itself"]
    picture: Annotated[int, "the key of the picture whose materials it is on, or 0"]
    stage: Annotated[str, OneOf(*STAGES)]
    title: str
    status: Status
    figure: str
    limit: str
    reason: str
    ways: Annotated[Sequence[str], "ways out that no change of the card makes"]
    waived: Annotated[str | None, "the reason for letting it be"]
    practise: Annotated[Exercise | None, "the exercise that trains the eye for it"]


class Step(Answer):
    """One thing to do: with the pad or tone at a place (none: with none), to which areas."""

    words: str
    using: int | None
    to: Sequence[int]
    wait: Annotated[str, "what is waited for before it, in words; blank: nothing"]


class Mends(Answer):
    """What would mend a check: each was tried before it is offered."""

    id: Annotated[str, "of the check"]
    mends: Sequence[Mend]


class PatternDrawn(Answer):
    """A sheet's picture on a part, in millimetres: its size, where its corner lies, how it is turned."""

    sheet: Annotated[int, "the paper's id"]
    width: float
    height: float
    x: float
    y: float
    turn: Annotated[float, "degrees, clockwise"]
    repeated: bool


class Part(Answer):
    """A shape on the card, in millimetres."""

    name: str
    shape: Annotated[str, OneOf("rect", "disc", "dots", "ground", "drawing", "veil", "text")]
    x: float
    y: float
    width: float
    height: float
    key: Annotated[int, "of the palette colour it is in, or 0"]
    piece: Annotated[int, "the key of the piece that it is, or 0"]
    raised: Annotated[float, "mm that foam lifts it"]
    rim: Annotated[float, "mm of white edge around it"]
    text: str
    size: Annotated[float, "of type, in mm"]
    bold: bool
    trimmed: Annotated[bool, "it ends at the card's edge"]
    picture: Annotated[int, "the key of the picture that a drawing is of, or 0"]
    mirrored: Annotated[bool, "left and right of the drawing are exchanged"]
    path: Annotated[str, "its outline as SVG writes it; blank: its box"]
    stitches: Annotated[str, "a line sewn along it, likewise; blank: none"]
    turns: Annotated[
        Sequence[Annotated[Sequence[float], Long(3, 3)]],
        "one after the other: degrees clockwise, and about which point",
    ]
    pattern: Annotated[PatternDrawn | None, "of the sheet it is cut out of"]
    opacity: float
    shades: Shades


class Stop(Answer):
    """A colour at a part of the way, 0 to 1."""

    at: float
    shades: Shades


class PictureShape(Answer):
    """A closed shape of the drawing, as it would be coloured."""

    path: Annotated[str, "as SVG writes it"]
    key: Annotated[int, "of its area, or 0"]
    colour: Annotated[int, "the key of its palette colour, or 0"]
    stops: Annotated[Sequence[Stop], "none: the paper"]


class Picture(Answer):
    """A picture's line drawing, coloured as predicted; in units of its own."""

    width: float
    height: float
    paper: Shades
    stamped: Annotated[bool, "straight on something, which shows where nothing is laid"]
    outlined: Annotated[bool, "whether its lines are stamped or drawn"]
    away: Annotated[
        Sequence[float] | None,
        "x, y from the light into the shadow; none: light centres and dark edges",
        Long(2, 2),
    ]
    shapes: Sequence[PictureShape]
    lines: Sequence[str]


class Field(Answer):
    """A part of the ground, over what came before; all places are shares of the panel.

    ``path`` is where it lies, as the path of an SVG; empty: all over.
    """

    path: str
    way: Way
    stops: Sequence[Stop]


class Mark(Answer):
    """A drop, motif or line on the ground; no shades: not predicted."""

    x: float
    y: float
    radius: Annotated[float, "share of the panel's shorter side"]
    shades: Shades | None


class LaidEffect(Answer):
    """The marks of one effect."""

    effect: EffectKind
    marks: Sequence[Mark]


class Panel(Answer):
    """The ground as predicted, from the lowest field up, then what comes over it."""

    parts: Sequence[Field]
    effects: Sequence[LaidEffect]


class DeskPicture(Picture):
    """A picture of the card by its key."""

    key: int


class Desk(Answer):
    """The card as it would look."""

    width: float
    height: float
    parts: Sequence[Part]
    inside: Annotated[Sequence[Part], "of the half that is written on; none: not built of pieces"]
    fold: Fold
    pictures: Annotated[Sequence[DeskPicture], "what parts of the shape “drawing” show"]
    ground: Annotated[Panel | None, "what the part “ground” shows"]


class Column(Answer):
    """A column of the palette table."""

    key: Annotated[str, OneOf(COLUMN_WORDS)]
    title: str


class FurtherColumn(Column):
    """A column beyond the usual ones, and whether this card shows it."""

    shown: bool


class Nudge(Answer):
    """How far (mm) an arrow key moves a piece."""

    coarse: float
    fine: Annotated[float, "with Shift"]


class StripColour(Answer):
    """A palette colour as shown in a list."""

    key: int
    name: str
    shades: Shades


class CardSummary(Answer):
    """A card as shown in the list."""

    id: int
    version: int
    name: str
    size: Size | None
    strip: Sequence[StripColour]
    failing: int
    doubtful: int
    checks: int
    current: Annotated[bool, "or of an earlier time: then ask for a glance"]
    picture: Annotated[str | None, "where it is; none: ask for a glance, draw it"]
    how_far: Annotated[str, "how far it is", OneOf(*HOW_FAR)]
    sets: Annotated[int, "that it is in"]
    put_by: bool


class DrawingToMake(Answer):
    """What a small picture is wanted of."""

    drawn: Annotated[str, "send it along with the picture"]
    desk: Desk


class Glance(CardSummary):
    """The same as it is now."""

    drawing: DrawingToMake | None


class UsualSize(Answer):
    """A usual card size."""

    words: str
    width: str
    height: str
    unit: Annotated[str, OneOf(*TICKS)]


class ChangedPair(Answer):
    """What lies on what, before and after; after: blank where it no longer does."""

    before: str
    after: str


class Adding(Answer):
    """What adding a colour would mean: its role, and which guesses of what lies on what would change."""

    role: Role
    changes: Sequence[ChangedPair]


class BrokenCard(Answer):
    """A card that cannot be shown, and why."""

    id: int
    name: str
    reason: str


class State(Answer):
    """A state of a card, by the change that led to it."""

    number: int
    label: str
    now: bool


class States(Answer):
    """What can be told of a card without working it out."""

    version: int
    name: str
    states: Sequence[State]


class GroupCounts(Answer):
    """How many cards stand in each group."""

    all: int
    idea: int
    making: int
    made: int
    set: int
    put_by: int
    deleted: int


class Page(Answer):
    """A page of the person's cards."""

    cards: Sequence[CardSummary]
    broken: Sequence[BrokenCard]
    count: Annotated[int, "of all pages"]
    more: bool
    groups: GroupCounts


class Cards(Page):
    """The person's cards and the sizes that are usual."""

    sizes: Sequence[UsualSize]


class Glances(Answer):
    """Some cards, and those of them that cannot be shown."""

    cards: Sequence[Glance]
    broken: Sequence[BrokenCard]


class ColumnRange(Answer):
    """A range of a column, to filter by."""

    id: int
    name: str


class Alternatives(Answer):
    """The nearest supplies for a palette colour in one column."""

    matches: Sequence[Match]
    ranges: Sequence[ColumnRange]
