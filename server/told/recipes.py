"""Which recipes travel, and what do they bring?"""

from collections.abc import Mapping, Sequence
from datetime import datetime
from typing import Annotated

from server.told.answer import Answer
from server.told.card import Desk
from server.told.everywhere import Follower, GivesWay


class Link(Answer):
    """A link to a recipe: what it is called, its address in this Jindle, since when it leads there."""

    id: int
    name: str
    address: str
    created: datetime


class OneLink(Answer):
    """The link that there is, if there is one."""

    link: Link | None


class BroughtPicture(Answer):
    """A picture that came with a recipe: what it shows, and itself as a data address."""

    words: str
    address: str


class BroughtPattern(Answer):
    """A sheet that only its maker has, by the number that the card before names it by."""

    sheet: int
    pictures: Annotated[Mapping[str, str], "data URLs by view"]


class Brought(Answer):
    """A recipe as it would arrive: as its maker has it, and in one's own supplies."""

    name: str
    size: str
    before: Desk
    after: Desk
    pictures: Sequence[BroughtPicture]
    patterns: Sequence[BroughtPattern]
    followers: Sequence[Follower]
    same: Annotated[int, "how many of its supplies one has among one's own"]
    supplies: Annotated[int, "how many supplies it names"]
    held: Annotated[int, "checks of how it looks and is made that held"]
    owned: Annotated[bool, "it is made of the drawer alone"]
    otherwise: Annotated[Sequence[GivesWay], "what is far from what it was, or not there"]
    gives_way: Annotated[Sequence[GivesWay], "checks that held and do not then"]
    lacking: Annotated[Sequence[str], "supplies that it would use and that are low, or not in the drawer"]
    drawings: Annotated[Sequence[str], "line drawings that would come along"]


class Shared(Answer):
    """What a link leads to."""

    name: str
    created: datetime
