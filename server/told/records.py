"""What was made, when, with what?"""

from collections.abc import Sequence
from datetime import date
from typing import Annotated

from jindle_core.supplies.guessed import Acquaintance
from server.told.answer import Answer
from server.told.plan import UsedInstead
from server.told.readings import Box
from server.told.swatch import Swatch


class RecordSummary(Answer):
    """Something that was made, for the log."""

    id: int
    name: str
    together: Annotated[str, "the set that it was made in; blank: by itself"]
    made: date
    count: int
    occasion: str
    person: str
    picture: Annotated[str | None, "its address; a photo where there is one"]
    shades: Annotated[Sequence[str], "of what it was made with"]


class Use(Answer):
    """A supply that went into it."""

    label: str
    range_name: str
    medium: str
    stage: str
    hue: str
    shade: str
    id: Annotated[int | None, "where it is among the supplies today"]
    fullness: Annotated[str | None, "where it is in the drawer"]


class StepTook(Answer):
    """How long a step took, in minutes."""

    words: str
    minutes: float


class Photo(Answer):
    """A photo, and where it is."""

    id: int
    address: str


class MadeWith(Answer):
    """Another record of the same set."""

    id: int
    name: str
    count: int


class Record(RecordSummary):
    """All of something that was made."""

    version: int
    card: Annotated[int | None, "null: it was deleted"]
    others: Annotated[Sequence[MadeWith], "that were made together with it"]
    went_well: str
    to_change: str
    instead: Sequence[UsedInstead]
    times: Sequence[StepTook]
    uses: Sequence[Use]
    photos: Sequence[Photo]
    most_photos: int


class Records(Answer):
    """A page of the log."""

    records: Sequence[RecordSummary]
    total: int
    more: bool
    years: Sequence[int]
    people: Annotated[Sequence[str], "for whom anything was made"]
    media: Annotated[Sequence[str], "of which anything was used"]


class SupplyUsed(Answer):
    """How often a supply was used, and when last."""

    label: str
    range_name: str
    medium: str
    times: int
    last: date
    shade: str
    id: Annotated[int | None, "where it is among the supplies today"]
    fullness: Annotated[str | None, "where it is in the drawer"]


class Unused(Answer):
    """A supply in the drawer that went into nothing for a year."""

    id: int
    label: str
    range_name: str
    last: Annotated[date | None, "null: never"]


class SuppliesUsed(Answer):
    """What was used, and what was not."""

    used: Sequence[SupplyUsed]
    unused: Sequence[Unused]


class Guess(Answer):
    """A supply that it may have been."""

    swatch: Swatch
    layers: int
    sure: Annotated[float, "0 to 1"]
    distance: Annotated[float, "ΔE00 of what was read from it, laid so"]
    known: Acquaintance


class WhichAnswer(Answer):
    """The photo as it is shown, what was read where it is marked, and what that may have been."""

    preview: Annotated[str, "data URL"]
    width: int
    height: int
    known: Annotated[Box | None, "what was taken for white, or marked"]
    uncertainty: float
    hex: str
    lab: Sequence[float]
    uneven: Annotated[bool, "streaks, a shadow or an edge lie within the frame"]
    guesses: Sequence[Guess]
