"""What is a card with one of its stages along?"""

from collections.abc import Sequence
from typing import Annotated

from server.told.answer import Answer
from server.told.build import Build
from server.told.card import Check, Column, Desk, FurtherColumn, Nudge, Pair, PaletteColour, Size
from server.told.colouring import Colouring
from server.told.ground import Ground
from server.told.swatch import Swatch


class CardWithStage(Answer):
    """A card, with the stage that was asked for along."""

    id: int
    version: int
    name: str
    size: Size
    undo: Annotated[str | None, "what undo would take back"]
    redo: str | None
    columns: Sequence[Column]
    further: Sequence[FurtherColumn]
    colours: Sequence[PaletteColour]
    to_read: Annotated[Sequence[Swatch], "readings that would make the most of its words sure"]
    pairs: Sequence[Pair]
    guessed: Annotated[bool, "the pairs are a guess from the roles"]
    nudge: Nudge
    newest_piece: Annotated[int, "the key of the piece that was added last; 0: none"]
    built: Annotated[bool, "of pieces: then they say what lies on what"]
    checks: Sequence[Check]
    desk: Desk
    colouring: Colouring | None
    background: Ground | None
    build: Build | None
