"""What does a card use, and what follows where that is another?"""

from collections.abc import Mapping, Sequence
from typing import Annotated, Any

from jindle_core.checks.finding import Status
from jindle_core.colorimetry.views import Shades
from jindle_core.naming import Use
from server.told.answer import Answer, OneOf
from server.told.card import Desk, Mend
from server.told.choices import STOCKS
from server.told.swatch import Swatch


class Usage(Answer):
    """A place where something is used; ``size`` where it is cut."""

    use: Use
    of: str
    words: str
    size: str
    areas: Sequence[int]
    piece: int | None
    needed: Annotated[bool, "no where other pieces cover it"]


class Stock(Answer):
    """What something is of, as it is told."""

    source: Annotated[str, OneOf(*STOCKS)]
    id: int


class Used(Answer):
    """Something that the card uses, and where."""

    end: Stock
    words: str
    medium: str
    shades: Shades
    swatch: Swatch | None
    wanting: Annotated[str, "what is the matter with it, or nothing"]
    status: Status
    card: Annotated[str, "of a palette colour the card that it would be cut from"]
    needed: bool
    usages: Sequence[Usage]


class Covered(Answer):
    """An area that other pieces cover, how much of it (0–1), and by what."""

    area: int
    picture: int
    words: str
    covered: float
    by: str


class Uses(Answer):
    """All that the card uses, and what of it shows."""

    used: Sequence[Used]
    covered: Sequence[Covered]
    ground: Annotated[float | None, "how much of the ground shows (0–1)"]


class Follower(Answer):
    """One thing that follows, as it is and as it would be."""

    id: str
    words: str
    before: Sequence[Shades]
    after: Sequence[Shades]
    labels: Sequence[str]
    held: bool
    fixed: Annotated[bool, "whether it stays in any case"]
    note: str


class Following(Answer):
    """A card before and after, what follows, and the change that does it (null where nothing would)."""

    before: Desk
    after: Desk
    followers: Sequence[Follower]
    change: Any | None
    ended: Annotated[Sequence[str], "the titles of checks that hold now and would not then"]
    mended: Annotated[Sequence[str], "and the other way round"]
    unserved: Annotated[Sequence[str], "columns of the palette that none of the ranges serves"]


class GivesWay(Answer):
    """A check that held and would not: its title, and what is found now."""

    title: str
    words: str


class ThingInstead(Answer):
    """What could be used for something, everywhere."""

    mends: Sequence[Mend]


class Place(Answer):
    """A place on a card, and what takes it there: post its ``change``."""

    words: str
    change: Mapping[str, Any]


class CardPlaces(Answer):
    """A card where it can be taken, its version, and the places."""

    id: int
    name: str
    version: int
    places: Sequence[Place]
