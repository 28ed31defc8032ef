"""Of which parts is an archive, and in which order: what a later one names, an earlier one has."""

from collections.abc import Callable
from dataclasses import dataclass
from typing import Any

from django.db.models import QuerySet

from server.access import (
    cards_of,
    combinations_seen_by,
    drawer_of,
    drawings_seen_by,
    kept_families_of,
    moods_of,
    ranges_of,
    readings_of,
    records_of,
    sets_of,
    training_answers_of,
    training_sheets_of,
)
from server.accounts.models import Person
from server.cards.archived import pack_cards, pack_times, unpack_cards, unpack_times
from server.catalogue.archived import (
    pack_drawer,
    pack_ranges,
    pack_readings,
    unpack_drawer,
    unpack_ranges,
    unpack_readings,
)
from server.colouring.archived import pack_drawings, pack_families, unpack_drawings, unpack_families
from server.palettes.archived import pack_combinations, pack_moods, unpack_combinations, unpack_moods
from server.papers.archived import pack_papers, unpack_papers
from server.parcel import Packing, Unpacking
from server.records.archived import pack_records, unpack_records
from server.sets.archived import pack_sets, unpack_sets
from server.training.archived import pack_training, unpack_training


@dataclass(frozen=True)
class Part:
    """How a part is packed, and unpacked: how much of each is told."""

    pack: Callable[[Packing], None]
    unpack: Callable[[Unpacking], dict[str, int]]


PARTS = (
    Part(pack_ranges, unpack_ranges),
    Part(pack_papers, unpack_papers),
    Part(pack_drawer, unpack_drawer),
    Part(pack_readings, unpack_readings),
    Part(pack_combinations, unpack_combinations),
    Part(pack_drawings, unpack_drawings),
    Part(pack_families, unpack_families),
    Part(pack_times, unpack_times),
    Part(pack_cards, unpack_cards),
    Part(pack_moods, unpack_moods),
    Part(pack_sets, unpack_sets),
    Part(pack_training, unpack_training),
    Part(pack_records, unpack_records),
)

# What an account that an archive is brought into must have nothing of.
_THERE: tuple[Callable[[Person], QuerySet[Any]], ...] = (
    ranges_of,
    drawer_of,
    cards_of,
    readings_of,
    lambda person: combinations_seen_by(person).filter(owner=person),
    lambda person: drawings_seen_by(person).filter(owner=person),
    kept_families_of,
    records_of,
    moods_of,
    sets_of,
    training_answers_of,
    training_sheets_of,
)


def is_empty(person: Person) -> bool:
    """Whether an archive can be brought into an account."""
    return not any(found(person).exists() for found in _THERE)
