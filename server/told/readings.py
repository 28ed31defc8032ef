"""What was read of a colour, and with what?"""

from collections.abc import Sequence
from datetime import date
from typing import Annotated

from jindle_core.prediction.behaviour import Hand
from server.told.answer import LEFT_OUT, Answer
from server.told.error import Error
from server.told.made import Streamed
from server.told.swatch import Swatch


class Box(Answer):
    """A part of the picture as it is shown, in its pixels."""

    left: int
    top: int
    width: int
    height: int


class Reader(Answer):
    """The swatch reader."""

    name: str
    simulated: bool
    calibrated: bool
    battery: int


class Reading(Answer):
    """A reading as kept."""

    id: int
    lab: Sequence[float]
    hex: str
    provenance_words: str
    taken_with: str
    taken: date
    paper: Swatch | None
    below: Swatch | None
    layers: int
    hand: Hand
    note: str
    spectrum: bool
    usual: Annotated[bool, "laid as colours are defined, so that it counts for the colour"]
    simulated: Annotated[bool, "by a stand-in: nothing was read"]
    counts: Annotated[bool, "against the range's figure, or for how the range behaves"]
    outlier: Annotated[bool, "far from the others: read it again"]


class ReadLine(Streamed):
    """A line of the answer: how far the reader has come, and in the last the reading or the fault."""

    reading: Reading = LEFT_OUT
    error: Error = LEFT_OUT


class Readings(Answer):
    """A colour's own readings, and how far off the range's figure was."""

    swatch: Swatch
    label_lab: Sequence[float]
    label_hex: str
    label_provenance: str
    off: Annotated[float | None, "ΔE00 of the range's figure from the readings"]
    off_words: Annotated[str, "how the range's figure differs, in words"]
    readings: Sequence[Reading]


class Count(Answer):
    """How many readings were kept."""

    count: int
