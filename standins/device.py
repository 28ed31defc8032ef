"""What a swatch reader is to Jindle: the small interface that a real driver would implement too."""

from collections.abc import Iterator
from dataclasses import dataclass
from typing import Protocol


@dataclass(frozen=True, slots=True)
class Swatch:
    """What lies under the reader.

    A real reader looks at it; a simulated one has to be told. ``known`` is the
    reflectance (31 bands, 400–700 nm) of one layer as far as anybody knows it,
    ``white`` that of the card it was read on, ``paper`` that of the card it is
    laid on now; ``identity`` tells one swatch from another; ``doubt`` is how
    far ``known`` may be off (ΔE00); ``below`` is a colour on the same card
    that it is laid over, dry.
    """

    identity: str
    medium: str
    known: tuple[float, ...]
    white: tuple[float, ...]
    doubt: float
    paper: tuple[float, ...]
    layers: int
    hand: str
    touching: bool = True
    below: "Swatch | None" = None


@dataclass(frozen=True, slots=True)
class State:
    """What the reader remembers between readings."""

    calibrated: bool = False
    since_calibration: int = 0
    battery: int = 100


@dataclass(frozen=True, slots=True)
class Progress:
    """How far a reading has come, 0–1, and what the reader is doing."""

    share: float
    words: str


@dataclass(frozen=True, slots=True)
class Measured:
    """A finished reading: 31 reflectances, 0–1, and the reader's state after it."""

    reflectance: tuple[float, ...]
    state: State


class ReaderFault(Exception):
    """Why a reading could not be taken, and what to do; ``code`` names the fault."""

    def __init__(self, code: str, message: str) -> None:
        super().__init__(message)
        self.code = code


class SwatchReader(Protocol):
    """A device that reads the reflectance of a swatch."""

    name: str
    simulated: bool

    def calibrate(self, state: State) -> State:
        """Read the white tile; ReaderFault where that fails."""

    def recharge(self, state: State) -> State:
        """What the state is after a charge."""

    def read(self, swatch: Swatch, state: State) -> Iterator[Progress | Measured]:
        """Progress, and last the measurement; ReaderFault where it fails."""
