"""What is to be bought, and how sure are the supplies?"""

from collections.abc import Sequence
from typing import Annotated

from jindle_core.prediction.behaviour import Hand
from server.told.answer import Answer
from server.told.swatch import Swatch


class Wanted(Answer):
    """A colour to be bought, why, and for which cards."""

    swatch: Swatch
    why: str
    example: Annotated[bool, "of a made-up range that comes with Jindle: in no shop"]
    cards: Sequence[str]
    asked: Annotated[bool, "the person put it on the list"]


class CardUses(Answer):
    """What a card names of a range, counted by what it is for."""

    name: str
    palette: int
    cells: int
    tones: Annotated[int, "and glazes"]
    pads: Annotated[int, "of the ground, and of what is over it"]
    pieces: Annotated[int, "and what lies on what"]
    papers: int


class RangeUses(Answer):
    """What would change if a range were deleted."""

    cards: Sequence[CardUses]
    drawer: int
    readings: int


class WantedReading(Answer):
    """A swatch to lay and read, and how sure its range is after that and those before it."""

    swatch: Swatch
    layers: int
    hand: Hand
    paper: Annotated[Swatch | None, "what it is laid on; none: white card"]
    words: str
    sigma: float


class Sureness(Answer):
    """How sure predictions of a range are, what that is known by, and what would teach most."""

    range_id: int
    name: str
    medium: str
    readings: int
    before: Annotated[float | None, "mean ΔE00 of the readings from the usual habits"]
    after: Annotated[float | None, "the same after the fit, each judged by the others; none: fewer than two"]
    made: Annotated[int, "ways of laying a colour on the cards; 0: what is usual is taken"]
    sigma: Annotated[float, "one sigma of what is made with it, in ΔE00, on average"]
    wanted: Sequence[WantedReading]
