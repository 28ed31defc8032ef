"""For what does a card name a supply, a range, a drawing or a sheet? Declared with the field that does.

``Annotated[int | None, Names(Use.PAPERS)]`` is all that is said of a field: what becomes of it where the
thing is gone follows from its type (see ``card.references``).
"""

from dataclasses import dataclass
from enum import StrEnum


class Use(StrEnum):
    """What a card names something for."""

    PALETTE = "palette"
    CELLS = "cells"
    TONES = "tones"
    PADS = "pads"
    PIECES = "pieces"
    PAPERS = "papers"
    LINE = "line"
    DRAWING = "drawing"
    SHEETS = "sheets"
    WAIVED = "waived"


@dataclass(frozen=True, slots=True)
class Names:
    """Of a field: it holds the id, or the ids, of what is named for a use; ``holds``: what it is of goes with
    it, even where there might be none."""

    use: Use
    holds: bool = False
