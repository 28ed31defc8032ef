"""Which ranges are there, and what is in one?"""

from collections.abc import Mapping, Sequence
from typing import Annotated

from jindle_core.compatibility.materials import SURFACES
from jindle_core.media.medium import Medium
from server.told.answer import LEFT_OUT, Answer, OneOf
from server.told.error import Error, Problem
from server.told.made import Streamed
from server.told.swatch import Match, Swatch


class ChartLine(Streamed):
    """How far it has come; the last line has the whole PDF."""

    name: str = LEFT_OUT
    pdf: Annotated[str, "in base64"] = LEFT_OUT


class PreviewEntry(Answer):
    """A row as it would be stored."""

    row: int
    code: str
    name: str
    lab: Sequence[float]
    hex: str
    on_screen: bool
    family: str
    paper: str
    discontinued: bool


class Preview(Answer):
    """What a file holds and what is wrong with it; nothing is stored."""

    header: Sequence[str]
    columns: Mapping[str, str]
    sample: Annotated[Sequence[Sequence[str]], "the first rows as they stand"]
    fields_known: Sequence[
        Annotated[
            str, OneOf("code", "name", "L", "a", "b", "hex", "family", "paper", "discontinued", "provenance")
        ]
    ]
    kind: Annotated[str, "the kind of file, in words"]
    name: Annotated[str, "the range's name, where the file tells it"]
    medium: Annotated[Medium | None, "as the file tells, or its name speaks of one"]
    codes_asked: Annotated[bool, "no column of codes was recognised in a table"]
    count: int
    entries: Sequence[PreviewEntry]
    problem_count: int
    problems: Sequence[Problem]


class ImportLine(Streamed):
    """A line of the answer: how far it has come, and in the last the range or what went wrong."""

    id: Annotated[int, "the range's, in the last line"] = LEFT_OUT
    error: Error = LEFT_OUT


class Properties(Answer):
    """How a range behaves with others, as far as it is said; else as its medium usually does."""

    surface: Annotated[str, "of cardstock", OneOf(*SURFACES)] = LEFT_OUT
    wet_layers: Annotated[int, "that a cardstock takes"] = LEFT_OUT
    solvent_proof: Annotated[bool, "of a line ink"] = LEFT_OUT
    waterproof: Annotated[bool, "of a line ink"] = LEFT_OUT
    slow: Annotated[bool, "of a line ink: open for hours"] = LEFT_OUT
    metallic: Annotated[bool, "of pads and card: it turns with the light"] = LEFT_OUT


class Range(Answer):
    """A range without its colours."""

    id: int
    version: Annotated[int, "counts every edit; say it with the next"]
    name: str
    maker: str = LEFT_OUT
    medium: Medium
    note: str = LEFT_OUT
    properties: Properties
    own: Annotated[bool, "the person's own, so that they may change it"]
    away: Annotated[bool, "put away: seen nowhere but here"]
    count: int
    owned: Annotated[int, "how many of its colours are in the drawer"]
    discontinued: int
    strip: Annotated[Sequence[str], "#rrggbb, spread over the range"]


class Dot(Answer):
    """A colour, and where it lies on the range's chart; a neutral has no hue."""

    swatch: Swatch
    hue: float | None
    lightness: float
    chroma: float


class Gap(Answer):
    """A field of the chart that holds no colour though one could stand there."""

    hue: Sequence[float]
    lightness: Sequence[float]
    words: str


class Fit(Answer):
    """How the range behaves by the person's own readings, and how well that is known."""

    readings: int
    before: Annotated[float, "mean ΔE00 of the readings from what is usually predicted"]
    after: Annotated[float | None, "the same after the fit, each judged by the others; of one nobody can say"]


class RangeDots(Answer):
    """The range by hue and lightness: its colours, or of very many some from everywhere among them."""

    dots: Sequence[Dot]
    gaps: Sequence[Gap]


class RangeSet(Answer):
    """A set or family of a range, and how much of it is owned."""

    name: str
    count: int
    owned: int


class WholeRange(Range):
    """A range with a page of its colours, of those that were looked for."""

    colours: Sequence[Swatch]
    before: Annotated[int, "how many stand on the pages before"]
    found: Annotated[int, "how many are what was looked for"]
    more: Annotated[bool, "there is another page"]
    sets: Sequence[RangeSet]
    fit: Fit | None


class TypedColour(Answer):
    """A colour as the texts that a change takes."""

    id: int
    texts: Mapping[str, str]


class TypedPage(Answer):
    """Some of an own range's colours as texts."""

    rows: Sequence[TypedColour]
    found: Annotated[int, "how many are what was looked for"]


class Twin(Answer):
    """A colour of one range and what is nearest to it in the other."""

    swatch: Swatch
    match: Match | None
    twin: Annotated[bool, "same to the eye, or very near"]


class Comparison(Answer):
    """Two ranges side by side."""

    here: Sequence[Twin]
    there: Sequence[Twin]
    name: Annotated[str, "of the other range"]
