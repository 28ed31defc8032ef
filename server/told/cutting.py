"""What is cut out of which sheet?"""

from collections.abc import Sequence
from typing import Annotated

from server.told.answer import Answer
from server.told.build import PlacedBox
from server.told.card import StockView


class Line(Answer):
    """A straight line in mm."""

    x1: float
    y1: float
    x2: float
    y2: float


class SheetCut(PlacedBox):
    """A piece on a sheet."""

    key: Annotated[int, "of the piece; 0: the base"]
    name: str
    turned: bool
    size: Annotated[str, "as it stands on the card"]
    score: Annotated[Line | None, "where a base is scored"]
    hole: Annotated[PlacedBox | None, "the middle that smaller pieces are made of"]


class Left(PlacedBox):
    """What is left over of a sheet."""

    size: str


class Sheet(Answer):
    """A sheet, what is cut out of it, and what is left."""

    material: StockView
    width: float
    height: float
    cuts: Sequence[SheetCut]
    trims: Annotated[Sequence[Line], "cuts right across, one after the other"]
    left: Sequence[Left]
    used: Annotated[float, "share of the sheet"]


class CutPiece(Answer):
    """A piece to be cut, so many times."""

    name: str
    size: str
    count: int
    material: str
    direction: Annotated[str, "of its grain or pattern"]
    out_of: Annotated[str, "the middle that it is cut out of, or blank: a sheet"]
    blank: Annotated[str, "what a die or scissors cut it out of; empty for a rectangle"]


class Middle(Answer):
    """A piece, or a middle that lies hidden and can be cut out of a mat, by its size."""

    name: str
    size: str


class Cutting(Answer):
    """What is cut out of which sheet."""

    pieces: Sequence[CutPiece]
    middles: Sequence[Middle]
    too_large: Annotated[Sequence[Middle], "what no such sheet holds"]
    sheets: Sequence[Sheet]
    bound: Annotated[int, "what the pieces' area alone would need"]
