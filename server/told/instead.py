"""What can be used instead of a colour?"""

from collections.abc import Sequence
from typing import Annotated

from jindle_core.colorimetry.views import Shades
from jindle_core.prediction.behaviour import Hand
from server.told.answer import Answer
from server.told.swatch import Match, Near, Swatch


class Predicted(Near):
    """A colour that is predicted, not read, and how near it would be."""

    lab: Sequence[float]
    shades: Shades
    gain: Annotated[float, "ΔE00 nearer than the nearest single colour that is owned"]


class Glaze(Predicted):
    """One owned colour laid over another."""

    under: Swatch
    over: Swatch
    under_layers: int
    over_layers: int
    unread: Annotated[bool, "one of them is known no better than by its label: both are to be read first"]


class Inked(Predicted):
    """An owned white card inked whole with an owned pad."""

    pad: Swatch
    card: Swatch
    hand: Hand


class Instead(Answer):
    """What can be used instead of a colour, from what the person owns."""

    swatch: Swatch
    wanting: Annotated[str, "why something else is wanted; empty where nothing is amiss"]
    nearest: Sequence[Match]
    glazes: Sequence[Glaze]
    glaze_note: Annotated[str, "why there is no glaze, where there is none"]
    inked: Sequence[Inked]
    ink_note: Annotated[str, "why no card is inked, where none is"]


class ToneStep(Answer):
    """A step from one tone to the next darker one: ΔL* here and there."""

    here: float
    there: float
    gives_way: bool


class Converted(Answer):
    """A family side by side with the one that corresponds to it."""

    tones: Sequence[Swatch]
    found: Sequence[Match]
    steps: Sequence[ToneStep]
    mean: Annotated[float | None, "mean ΔE00 of the family found"]
    separate: Annotated[float | None, "mean ΔE00 of separate nearest ones"]
    note: str


class WaysOut(Answer):
    """What can be done where nothing comes near."""

    nearest: Annotated[Match | None, "of what is owned"]
    buy: Annotated[Match | None, "nearer than that, and to be had"]
    example: Annotated[bool, "what is to be had is a made-up example, in no shop"]
    glazes: Sequence[Glaze]
    inked: Sequence[Inked]
