"""Which line drawings are there, and what was read of a scan?"""

from collections.abc import Sequence
from typing import Annotated

from server.told.answer import Answer
from server.told.swatch import Swatch


class Drawing(Answer):
    """A line drawing, its closed shapes and its open lines as SVG writes paths."""

    id: int
    name: str
    own: bool
    put_by: bool
    width: float
    height: float
    areas: int
    paths: Sequence[str]
    notes: Annotated[Sequence[str], "what of the file was left out"]


class StoredDrawing(Answer):
    """The drawing that was stored."""

    id: int
    areas: int
    notes: Sequence[str]


class KeptFamily(Answer):
    """A family under its name, light to dark."""

    id: int
    name: str
    tones: Sequence[Swatch]
    lost: Annotated[int, "tones that have left the supplies"]


class ScanArea(Answer):
    """An area that was found: its path and a place in it, in pixels of the picture."""

    path: str
    middle: Sequence[float]


class LoosePlace(Answer):
    """Where a line stops that may have to be closed, and the nearest place on another."""

    end: Sequence[float]
    onto: Sequence[float]


class ScanReading(Answer):
    """What was found; nothing is stored. The likeliest places to close come first."""

    picture: Annotated[str, "data URL"]
    width: int
    height: int
    areas: Sequence[ScanArea]
    lines: Sequence[str]
    loose: Sequence[LoosePlace]
