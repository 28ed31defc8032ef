"""How much can be written inside, and what could lie there?"""

from collections.abc import Mapping, Sequence
from typing import Annotated, Any

from server.told.answer import Answer
from server.told.card import Desk
from server.told.everywhere import GivesWay


class Lines(Answer):
    """How much somebody writes who writes so large."""

    hand: str
    apart: Annotated[float, "mm from line to line"]
    count: int
    words: Annotated[int, "on each line"]


class Room(Answer):
    """The largest rectangle that can be written on, in mm from the top left of the inside."""

    x: float
    y: float
    width: float
    height: float
    lines: Sequence[Lines]


class InsideOffer(Answer):
    """A way for the inside to be: post the change to have it so."""

    words: str
    desk: Desk
    change: Mapping[str, Any]
    room: Room
    gives_way: Sequence[GivesWay]


class Inside(Answer):
    """How much can be written inside, and what could lie there."""

    room: Room | None
    offers: Sequence[InsideOffer]
