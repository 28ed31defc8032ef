"""Every write to readings and to what the swatch reader remembers."""

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date

from jindle_core.provenance import Provenance
from server.accounts.models import Person
from server.catalogue.models import Colour, ReaderState, Reading, touch_catalogue
from server.catalogue.readings import to_bytes
from server.quotas import check_room
from server.writes import write
from standins.device import State


@dataclass(frozen=True)
class Laid:
    """How the swatch was laid that a reading is of, and when it was read."""

    taken: date
    layers: int = 1
    hand: str = "middle"
    paper: Colour | None = None
    note: str = ""
    below: Colour | None = None


@dataclass(frozen=True)
class Value:
    """What was read: Lab, where it comes from, with what, its spectrum (31,), if any; whether made up."""

    lab: tuple[float, float, float]
    provenance: Provenance
    taken_with: str = ""
    reflectance: Sequence[float] | None = None
    simulated: bool = False


@write
def add_readings(person: Person, values: Sequence[tuple[Colour, Value]], laid: Laid) -> list[Reading]:
    """Keep readings, all laid in one way."""
    check_room(person, "readings", len(values))
    made = [
        Reading.objects.create(
            owner=person,
            colour=colour,
            paper=laid.paper,
            below=laid.below,
            layers=laid.layers,
            hand=laid.hand,
            lab_l=value.lab[0],
            lab_a=value.lab[1],
            lab_b=value.lab[2],
            spectrum=to_bytes(value.reflectance),
            provenance=value.provenance,
            taken_with=value.taken_with,
            simulated=value.simulated,
            taken=laid.taken,
            note=laid.note,
        )
        for colour, value in values
    ]
    touch_catalogue(person)
    return made


@write
def delete_reading(reading: Reading) -> None:
    """Forget a reading."""
    owner = reading.owner
    reading.delete()
    touch_catalogue(owner)


def reader_state(person: Person) -> State:
    """What the person's reader remembers."""
    kept = ReaderState.objects.filter(owner=person).first()
    return State(kept.calibrated, kept.since_calibration, kept.battery) if kept else State()


@write
def keep_reader_state(person: Person, state: State) -> None:
    """Remember the reader's state."""
    told = {name: getattr(state, name) for name in ("calibrated", "since_calibration", "battery")}
    ReaderState.objects.update_or_create(owner=person, defaults=told)
