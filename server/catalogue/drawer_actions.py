"""Every write to a drawer."""

from collections.abc import Iterable

from django.db import transaction

from server.access import drawer_of
from server.accounts.models import Person
from server.catalogue.models import DrawerEntry, touch_catalogue


@transaction.atomic
def set_owned(person: Person, colour_ids: Iterable[int], owned: bool) -> None:
    """Put colours into the person's drawer, or take them out; what is there stays as it is."""
    if owned:
        entries = [DrawerEntry(owner=person, colour_id=pk) for pk in colour_ids]
        DrawerEntry.objects.bulk_create(entries, ignore_conflicts=True)
    else:
        drawer_of(person).filter(colour__in=list(colour_ids)).delete()
    touch_catalogue(person)


@transaction.atomic
def keep(person: Person, kept: Iterable[tuple[int, str | None, str | None]]) -> None:
    """Put colours into the drawer with how full they are and a note: (id, fullness, note).

    None leaves what is said of a colour that is there already.
    """
    for pk, fullness, note in kept:
        said = {"fullness": fullness, "note": note}
        given = {name: value for name, value in said.items() if value is not None}
        DrawerEntry.objects.update_or_create(owner=person, colour_id=pk, defaults=given)
    touch_catalogue(person)
