"""In which other colours could a card be?"""

from collections.abc import Sequence
from typing import Annotated

from jindle_core.colorimetry.views import Shades
from server.told.answer import LEFT_OUT, Answer
from server.told.card import Desk
from server.told.everywhere import GivesWay
from server.told.made import Streamed


class Holdable(Answer):
    """Something that can be held as it is."""

    id: str
    words: str
    shades: Shades | None


class Worded(Answer):
    """A choice, and what it is called."""

    value: str
    words: str


class Bold(Answer):
    """How bold, and what that is called."""

    value: float
    words: str


class GoneBy(Answer):
    """Something that a card can go by, and of which kind it is."""

    key: str
    words: str
    of: str


class ColourwayChoices(Answer):
    """What can be said of colourways of a card."""

    holdable: Sequence[Holdable]
    things: Annotated[Sequence[Worded], "what may keep its hue"]
    bold: Sequence[Bold]
    like: Sequence[GoneBy]


class Keeps(Answer):
    """What of it is kept so well."""

    words: str
    how: str


class Colourway(Answer):
    """The card in other colours, as predicted."""

    scheme: str
    like: Annotated[str, "the key of the season, place, combination or paper it goes by"]
    words: str
    turn: float
    choice: int
    desk: Desk
    strip: Annotated[Sequence[Shades], "its palette, in order"]
    keeps: Sequence[Keeps]
    held: Annotated[int, "checks of how it looks and is made that held"]
    gives_way: Sequence[GivesWay]
    supplies: Annotated[int, "supplies that it uses"]
    lacking: Annotated[Sequence[str], "those that are low, or not in the drawer"]


class LeftOut(Answer):
    """A check that held and would not, and in how many that were left out."""

    title: str
    count: int


class ColourwaysLine(Streamed):
    """How far it has come, or one more proposal."""

    colourway: Colourway = LEFT_OUT
    broken: Annotated[Sequence[LeftOut], "in the last line"] = LEFT_OUT
    alike: Annotated[int, "in the last line: others like these"] = LEFT_OUT


class ColourwayTaken(Answer):
    """The card that was made of it, and the set that it is in."""

    id: int
    set: int
