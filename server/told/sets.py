"""Which cards are made together?"""

from collections.abc import Sequence
from typing import Annotated

from jindle_core.colorimetry.views import Shades
from jindle_core.cutting.grain import Grain
from jindle_core.lengths import TICKS
from server.told.answer import Answer, OneOf
from server.told.build import SheetToCut
from server.told.card import Desk
from server.told.cutting import Middle, Sheet, SheetCut
from server.told.supplies import Wanted


class SetSummary(Answer):
    """A set in the list."""

    id: int
    name: str
    cards: Annotated[Sequence[str], "what its cards are called"]
    count: Annotated[int, "of all cards that are made"]


class SetMember(Answer):
    """A card of a set as it is predicted."""

    id: int
    name: str
    version: int
    count: int
    desk: Desk
    strip: Annotated[Sequence[Shades], "its palette, in order"]
    failing: int
    differs: Annotated[Sequence[str], "how it is built otherwise than the first"]


class Alike(Answer):
    """What two cards share, and how alike they look in greys."""

    first: Annotated[int, "the id of a card"]
    second: int
    shared: Annotated[int, "supplies that both use"]
    names: Annotated[Sequence[str], "of these; none in large sets"]
    off: Annotated[float, "mean difference of lightness, place by place, in L*"]
    words: str


class Set(Answer):
    """All of a set."""

    id: int
    name: str
    version: int
    count: int
    cards: Sequence[SetMember]
    broken: Annotated[Sequence[str], "cards that cannot be shown"]
    alike: Sequence[Alike]
    shopping: Sequence[Wanted]
    unit: Annotated[str, "of its first card", OneOf(*TICKS)]
    sheets: Sequence[SheetToCut]
    grains: Sequence[Grain]
    most_cards: int
    most_made: int


class SetCut(SheetCut):
    """A piece on a sheet, and for which card."""

    card: str


class SetSheet(Sheet):
    """A sheet, what is cut out of it for which card, and what is left."""

    cuts: Sequence[SetCut]


class SetCutting(Answer):
    """What is cut for all of a set."""

    sheets: Sequence[SetSheet]
    bound: Annotated[int, "what the pieces' area alone would need"]
    apart: Annotated[int, "sheets that the cards would take each by itself"]
    too_large: Annotated[Sequence[Middle], "what no such sheet holds"]


class SetRecords(Answer):
    """The records that were made."""

    ids: Sequence[int]
