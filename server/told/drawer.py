"""What is in the drawer?"""

from collections.abc import Mapping, Sequence
from typing import Annotated

from jindle_core.fullness import Fullness
from server.told.answer import Answer, Long
from server.told.swatch import Swatch


class DrawerEntry(Answer):
    """A colour in the drawer."""

    swatch: Swatch
    note: str
    sheet: Annotated[int | None, "the patterned paper that it is a colour of"]


class Drawer(Answer):
    """The drawer and how many of it stand how."""

    entries: Sequence[DrawerEntry]
    counts: Annotated[Mapping[str, int], "by fullness"]


class DrawerThere(Answer):
    """A colour in the drawer."""

    colour: int
    fullness: Fullness
    note: str


class DrawerBefore(Answer):
    """What the drawer held of some colours; sent back, it holds that again."""

    colours: Annotated[Sequence[int], Long(None, 100000)]
    entries: Sequence[DrawerThere]


class AskedColours(Answer):
    """What stands on the shopping list because the person put it there."""

    colours: Sequence[int]


class Doubtful(Answer):
    """A part of the list that was not understood, and what it may mean."""

    text: str
    reason: str
    suggestions: Sequence[Swatch]


class ListReport(Answer):
    """What was understood of a list, and what was not."""

    understood: Sequence[Swatch]
    new: Annotated[int, "how many of them were not in the drawer"]
    numbers: Annotated[Sequence[str], "ranges that numbers alone were taken for"]
    doubtful: Sequence[Doubtful]
    repeated: int
    stored: bool


class Taken(Answer):
    """How many colours were taken, and what the drawer held of them before."""

    count: int
    before: DrawerBefore
