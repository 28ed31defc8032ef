"""What was read from a photograph of swatches?"""

from collections.abc import Sequence
from typing import Annotated

from server.told.answer import LEFT_OUT, Answer
from server.told.made import Streamed
from server.told.readings import Box
from server.told.swatch import Swatch


class Photographed(Answer):
    """A swatch as it was read."""

    swatch: Annotated[Swatch, "the colour that it is of, as it is known now"]
    corners: Sequence[Sequence[float]]
    lab: Sequence[float]
    hex: str
    off: Annotated[float, "ΔE00 from what is known now"]
    bare: Annotated[bool, "seems to be card with nothing on it"]
    uneven: Annotated[bool, "streaks, a shadow or a wrong frame"]


class SwatchesRead(Answer):
    """What was read from a photograph; nothing is stored."""

    preview: Annotated[str, "data URL"]
    width: int
    height: int
    white: Box | None
    uncertainty: float
    strip: Annotated[bool, "the person's strip of known swatches lies in the picture"]
    simulated: Annotated[bool, "the picture is a stand-in's: nothing was before a lens"]
    warning: str
    swatches: Sequence[Photographed]


class SwatchesLine(Streamed):
    """How far it has come, or at last what was read."""

    read: SwatchesRead = LEFT_OUT


class Strip(Answer):
    """The colours on the strip, box by box; none at all: there is no strip."""

    boxes: Annotated[Sequence[Swatch | None], "null: its colour is no more"]
    most: int
