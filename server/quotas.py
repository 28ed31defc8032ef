"""How much may an account keep, so that it leaves room for others, and how much the demo studio?

Each is told before it is met: ``nearly_full`` from four fifths on.
"""

from collections.abc import Callable
from typing import Any, NamedTuple

from django.conf import settings
from django.db.models import QuerySet, Sum
from django.db.models.functions import Coalesce

from jindle_core.errors import BadInput, Problem
from server.access import (
    cards_of,
    kept_families_of,
    moods_of,
    own_colours_of,
    own_combinations_of,
    own_drawings_of,
    own_papers_of,
    photos_of,
    ranges_of,
    readings_of,
    records_of,
    sets_of,
    shared_recipes_of,
    training_sheets_of,
)
from server.accounts.models import Person

_NEARLY = 0.8
_MB = 1024 * 1024
# Of an archive beside its pictures, as text: 5,000 cards with their history at 300 kB, and what goes with it.
_ARCHIVE_TEXT = 2_000  # MB


class Room(NamedTuple):
    """What of a kind is there, and the most that may be."""

    what: str
    there: int
    most: int

    @property
    def nearly_full(self) -> bool:
        """Whether it is time to say so."""
        return self.there >= _NEARLY * self.most


# What is counted, and how many the demo studio may have: several times what it begins with, and little enough
# to be worked out and shown.
_COUNTED: dict[str, tuple[Callable[[Person], QuerySet[Any]], int]] = {
    "cards": (cards_of, 60),
    "ranges": (ranges_of, 20),
    "colours": (own_colours_of, 20_000),
    "papers": (own_papers_of, 40),
    "drawings": (own_drawings_of, 40),
    "readings": (readings_of, 1_000),
    "combinations": (own_combinations_of, 60),
    "families": (kept_families_of, 60),
    "records": (records_of, 60),
    "photos": (photos_of, 120),
    "links": (shared_recipes_of, 60),
    "sets": (sets_of, 30),
    "moods": (moods_of, 30),
    "pages in training": (training_sheets_of, 40),
}
LIMITS = {what: most for what, (_, most) in _COUNTED.items()} | {"megabytes of pictures": 60}
# An account of one's own, where whoever runs it says nothing else: what somebody who makes a card every day
# for ten years has, and what one machine keeps for some hundreds of such.
USUAL = {
    "cards": 5_000,
    "ranges": 200,
    "colours": 100_000,
    "papers": 2_000,
    "drawings": 2_000,
    "readings": 20_000,
    "combinations": 5_000,
    "families": 5_000,
    "records": 10_000,
    "photos": 20_000,
    "links": 1_000,
    "sets": 1_000,
    "moods": 1_000,
    "pages in training": 100,
    "megabytes of pictures": 4_000,
}


def most(person: Person, what: str) -> int:
    """How much of a kind somebody may keep."""
    if person.everybodys:
        return LIMITS[what]
    found: int = settings.QUOTAS.get(what.partition(" ")[0], USUAL[what])
    return found


def check_room(owner: Person | None, what: str, more: int = 1) -> None:
    """BadInput where so many more would be too many."""
    if owner is None or _COUNTED[what][0](owner).count() + more <= most(owner, what):
        return
    _refuse(owner, what)


def check_bytes(owner: Person | None, more: int) -> None:
    """BadInput where pictures of so many bytes more would be too much."""
    if owner is not None and _bytes(owner) + more > most(owner, "megabytes of pictures") * _MB:
        _refuse(owner, "megabytes of pictures")


def check_all(person: Person) -> None:
    """BadInput where somebody has more of anything than they may: for what brings many things at once."""
    for one in room(person):
        if one.there > one.most:
            _refuse(person, one.what)


def largest_archive(person: Person) -> int:
    """Bytes, unpacked, of the largest archive that is handed out and taken back."""
    return (most(person, "megabytes of pictures") + _ARCHIVE_TEXT) * _MB


def room(person: Person) -> list[Room]:
    """How much of everything somebody keeps, and may keep."""
    found = [Room(what, there(person).count(), most(person, what)) for what, (there, _) in _COUNTED.items()]
    what = "megabytes of pictures"
    return [*found, Room(what, round(_bytes(person) / _MB), most(person, what))]


def _bytes(person: Person) -> int:
    sizes = (
        one.aggregate(bytes=Coalesce(Sum("weight"), 0))["bytes"]
        for one in (own_papers_of(person), photos_of(person))
    )
    return sum(sizes)


def _refuse(owner: Person, what: str) -> None:
    if owner.everybodys:
        words = f"The demo studio is everybody's and keeps {most(owner, what)} {what} at most. "
        words += "Delete some, or make an account of your own."
    else:
        words = f"An account keeps {most(owner, what):,} {what} at most, and this one has them. "
        words += "Delete some that you no longer need, or ask who runs this Jindle for more."
    raise BadInput(Problem(words, field=what))


def refuse_in_demo(person: Person, what: str) -> None:
    """BadInput for what is only done in an account of one's own."""
    if person.everybodys:
        words = f"The demo studio is everybody's: {what} into an account of your own."
        raise BadInput(Problem(words, field="file"))
