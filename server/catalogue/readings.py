"""What a person's own readings say: of single colours, and of how ranges behave."""

from collections import defaultdict
from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from jindle_core.colorimetry.recovery import lab_to_reflectance
from jindle_core.prediction.behaviour import Hand
from jindle_core.supplies.readings import LaidReading, Settled, settle
from server.access import readings_of
from server.accounts.models import Person
from server.catalogue.models import Colour, Reading


@dataclass(frozen=True)
class Reads:
    """A person's readings: those laid in the usual way settled by colour, the others by range."""

    settled: dict[int, tuple[Settled, np.ndarray | None]]
    other: dict[int, list[LaidReading]]


def to_bytes(reflectance: Sequence[float] | np.ndarray | None) -> bytes | None:
    """A reflectance (31,) as it is stored."""
    return None if reflectance is None else np.asarray(reflectance, dtype="<f4").tobytes()


def from_bytes(stored: bytes | memoryview | None) -> np.ndarray | None:
    """A stored reflectance (31,)."""
    return None if stored is None else np.frombuffer(bytes(stored), dtype="<f4").astype(float)


def is_usual(reading: Reading) -> bool:
    """Whether a swatch was laid as a colour is defined: one layer, middle hand, bare white card."""
    on_white = reading.paper_id is None and reading.below_id is None
    return on_white and reading.layers == 1 and reading.hand == Hand.MIDDLE


def counts(reading: Reading) -> bool:
    """Whether it is held against the range's figure: what is made up is not, where the range is real."""
    return not reading.simulated or reading.colour.range.owner_id is None


def read_of(person: Person) -> Reads:
    """All of a person's readings, in one query."""
    usual, other = defaultdict(list), defaultdict(list)
    for reading in readings_of(person).select_related("colour__range", "paper"):
        if not counts(reading):
            continue
        if is_usual(reading):
            usual[reading.colour_id].append(reading)
        else:
            other[reading.colour.range_id].append(_swatch(reading))
    return Reads({pk: settled_of(readings) for pk, readings in usual.items()}, dict(other))


def _swatch(reading: Reading) -> LaidReading:
    card = None if reading.paper is None else card_reflectance(reading.paper)
    lab = (reading.lab_l, reading.lab_a, reading.lab_b)
    hand, spectrum = Hand(reading.hand), from_bytes(reading.spectrum)
    return LaidReading(reading.colour_id, reading.layers, hand, card, lab, spectrum, reading.below_id or 0)


def settled_of(readings: list[Reading]) -> tuple[Settled, np.ndarray | None]:
    """What usual readings of one colour say together, with the spectrum nearest to it."""
    labs = np.array([(one.lab_l, one.lab_a, one.lab_b) for one in readings])
    settled = settle(labs, [one.provenance for one in readings])
    with_spectrum = [at for at in settled.counted if readings[at].spectrum is not None]
    if not with_spectrum:
        return settled, None
    nearest = min(with_spectrum, key=lambda at: np.abs(labs[at] - settled.lab).sum())
    return settled, from_bytes(readings[nearest].spectrum)


def card_reflectance(card: Colour) -> np.ndarray:
    """The reflectance (31,) of a cardstock's colour, from its spectrum or recovered from its Lab."""
    known = from_bytes(card.spectrum)
    return lab_to_reflectance(np.array([card.lab_l, card.lab_a, card.lab_b])) if known is None else known
