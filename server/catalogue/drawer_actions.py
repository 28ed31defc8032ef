"""Every write to a drawer."""

from collections.abc import Iterable

from server.access import drawer_of
from server.accounts.models import Person
from server.catalogue.models import DrawerEntry, touch_catalogue
from server.writes import write


@write
def set_owned(person: Person, colour_ids: Iterable[int], owned: bool) -> None:
    """Put colours into the person's drawer, or take them out; what is there stays as it is."""
    if owned:
        entries = [DrawerEntry(owner=person, colour_id=pk) for pk in colour_ids]
        DrawerEntry.objects.bulk_create(entries, ignore_conflicts=True)
    else:
        drawer_of(person).filter(colour__in=list(colour_ids)).delete()
    touch_catalogue(person)


@write
def keep(person: Person, kept: Iterable[tuple[int, str | None, str | None]]) -> None:
    """Put colours into the drawer with how full they are and a note: (id, fullness, note).

    None leaves what is said of a colour that is there already; of a colour
    named twice the last counts.
    """
    there = {entry.colour_id: entry for entry in drawer_of(person)}
    said = {}
    for pk, fullness, note in kept:
        entry = said[pk] = there.get(pk) or DrawerEntry(owner=person, colour_id=pk)
        entry.fullness = fullness or entry.fullness
        entry.note = entry.note if note is None else note
    DrawerEntry.objects.bulk_create(
        said.values(), update_conflicts=True, update_fields=["fullness", "note"], batch_size=1000
    )
    touch_catalogue(person)
