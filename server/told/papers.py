"""What is there of papers, and what was read of one?"""

from collections.abc import Sequence
from typing import Annotated

from server.told.answer import LEFT_OUT, Answer, OneOf
from server.told.made import Streamed
from server.told.readings import Box
from server.told.swatch import Match, Swatch
from standins.camera import LIGHTS


class Paper(Answer):
    """A sheet on the shelf."""

    id: int
    title: str
    collection: str
    range_id: int
    own: bool
    simulated: Annotated[bool, "its picture is a stand-in's"]
    put_by: bool
    width: Annotated[str | None, "of what its picture shows; none: nobody said"]
    colours: Sequence[Swatch]


class Going(Answer):
    """How well a sheet goes with a card's palette, and why."""

    paper: Paper
    agrees: Annotated[float, "share of its area that the palette knows"]
    reason: str


class Camera(Answer):
    """The camera, and the sheets that can be laid before it."""

    name: str
    simulated: bool
    lights: Sequence[Annotated[str, OneOf(*LIGHTS)]]
    papers: Sequence[Paper]


class FoundColour(Answer):
    """A colour found on the sheet."""

    lab: Sequence[float]
    hex: str
    hue_name: str
    share: float
    part: str
    where: Annotated[str, "a picture (data URL) that veils everything else"]
    matches: Annotated[Sequence[Match], "the nearest in each medium, mine first"]


class KnownSeen(Answer):
    """A known swatch in the picture; ``of_strip``: it was found by itself, with the strip."""

    swatch: Swatch
    box: Box
    of_strip: bool
    off: Annotated[float, "ΔE00 from what the other swatches make of it"]
    used: bool


class PaperReading(Answer):
    """What was read from a picture; nothing is stored."""

    preview: Annotated[str, "data URL"]
    known: Sequence[KnownSeen]
    sheet: Annotated[str, "data URL: the sheet alone, straightened; blank: the whole picture"]
    width: int
    height: int
    box: Box | None
    uncertainty: float
    uneven: float
    warning: str
    colours: Sequence[FoundColour]


class PaperLine(Streamed):
    """How far it has come, or at last what was read."""

    reading: PaperReading = LEFT_OUT
