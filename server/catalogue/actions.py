"""Every write to ranges and drawers, one action each."""

from dataclasses import dataclass

from django.db import transaction

from jindle_core.changes import checked_name
from jindle_core.errors import BadInput
from jindle_core.interchange.range_csv import Entry, RangeFile
from server.accounts.models import Person
from server.catalogue.models import Colour, DrawerEntry, Range, touch_catalogue


@dataclass(frozen=True)
class RangeDetails:
    """What a range is, apart from its colours."""

    name: str
    medium: str
    maker: str = ""
    note: str = ""


@transaction.atomic
def store_range(owner: Person | None, details: RangeDetails, file: RangeFile) -> Range:
    """Store a range with all its colours, or nothing where a row is faulty."""
    if file.problems:
        raise BadInput(*file.problems)
    made = Range.objects.create(
        owner=owner,
        name=checked_name(details.name),
        maker=" ".join(details.maker.split()),
        medium=details.medium,
        note=details.note.strip(),
    )
    Colour.objects.bulk_create([_colour(made, entry) for entry in file.entries], batch_size=1000)
    touch_catalogue(owner)
    return made


def _colour(made: Range, entry: Entry) -> Colour:
    lab_l, lab_a, lab_b = entry.lab
    return Colour(
        range=made,
        key=entry.key,
        code=entry.code,
        name=entry.name,
        family=entry.family,
        paper=entry.paper,
        lab_l=lab_l,
        lab_a=lab_a,
        lab_b=lab_b,
        provenance=entry.provenance,
        discontinued=entry.discontinued,
    )


@transaction.atomic
def delete_range(found: Range) -> None:
    """Delete an own range; cards keep the values of the colours they took from it."""
    owner = found.owner
    found.delete()
    touch_catalogue(owner)


@transaction.atomic
def set_owned(person: Person, colour_ids: list[int], owned: bool) -> None:
    """Put colours into the person's drawer, or take them out."""
    if owned:
        entries = [DrawerEntry(owner=person, colour_id=pk) for pk in colour_ids]
        DrawerEntry.objects.bulk_create(entries, ignore_conflicts=True)
    else:
        DrawerEntry.objects.filter(owner=person, colour__in=colour_ids).delete()
    touch_catalogue(person)
