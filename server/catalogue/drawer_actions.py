"""Every write to a drawer, and to what is asked for beside it."""

from collections.abc import Iterable, Mapping
from dataclasses import asdict, dataclass, fields
from typing import Any

from django.db.models import QuerySet

from jindle_core.fullness import Kept
from jindle_core.media.medium import Medium
from server.access import asked_for_by, drawer_of
from server.accounts.models import Person
from server.catalogue.models import AskedFor, Colour, DrawerEntry, touch_drawer
from server.writes import write

_TOLD = [one.name for one in fields(Kept)]


@dataclass(frozen=True)
class Before:
    """What the drawer held of some colours: these, by their ids, of these ids."""

    colours: tuple[int, ...]
    entries: dict[int, Kept]


def there_of(person: Person, colour_ids: Iterable[int]) -> Before:
    """What the person's drawer holds of some colours, and of what is had with them."""
    ids = tuple(pk for sheet in _sheets(colour_ids) for pk in sheet)
    return Before(ids, kept_in(drawer_of(person).filter(colour__in=ids).order_by("colour_id")))


def kept_in(entries: QuerySet[DrawerEntry]) -> dict[int, Kept]:
    """How each lies there, by the ids of the colours."""
    told = entries.values_list("colour_id", *_TOLD)
    return {pk: Kept(*kept) for pk, *kept in told}


@write
def put_back(person: Person, before: Before) -> None:
    """Have of some colours in the drawer exactly what was there."""
    drawer_of(person).filter(colour__in=before.colours).delete()
    DrawerEntry.objects.bulk_create(
        DrawerEntry(owner=person, colour_id=pk, **asdict(kept)) for pk, kept in before.entries.items()
    )
    touch_drawer(person)


@write
def set_owned(person: Person, colour_ids: Iterable[int], owned: bool) -> None:
    """Put colours into the person's drawer, or take them out; what is there stays as it is."""
    colour_ids = [pk for sheet in _sheets(colour_ids) for pk in sheet]
    if owned:
        entries = [DrawerEntry(owner=person, colour_id=pk) for pk in colour_ids]
        DrawerEntry.objects.bulk_create(entries, ignore_conflicts=True)
    else:
        drawer_of(person).filter(colour__in=colour_ids).delete()
    touch_drawer(person)


@write
def set_asked(person: Person, colour_ids: Iterable[int], asked: bool) -> None:
    """Put colours on the person's shopping list, or take them off."""
    colour_ids = [pk for sheet in _sheets(colour_ids) for pk in sheet]
    if asked:
        lines = [AskedFor(owner=person, colour_id=pk) for pk in colour_ids]
        AskedFor.objects.bulk_create(lines, ignore_conflicts=True)
    else:
        asked_for_by(person).filter(colour__in=colour_ids).delete()


@write
def keep(person: Person, kept: Iterable[tuple[int, Kept]]) -> None:
    """Put colours, by their ids, into the drawer as they lie there; of one named twice the last counts."""
    say(person, [(pk, asdict(one)) for pk, one in kept])


@write
def say(person: Person, said: Iterable[tuple[int, Mapping[str, Any]]]) -> None:
    """Put colours into the drawer, and say some of how they lie there, by the fields of ``Kept``.

    What is not said of a colour that is there already stays.
    """
    there = {entry.colour_id: entry for entry in drawer_of(person)}
    entries: dict[int, DrawerEntry] = {}
    said = list(said)
    for (_, told), sheet in zip(said, _sheets(pk for pk, _ in said), strict=True):
        for pk in sheet:
            entry = entries[pk] = there.get(pk) or DrawerEntry(owner=person, colour_id=pk)
            for name, value in told.items():
                setattr(entry, name, value)
    DrawerEntry.objects.bulk_create(
        entries.values(), update_conflicts=True, update_fields=_TOLD, batch_size=1000
    )
    touch_drawer(person)


def _sheets(colour_ids: Iterable[int]) -> list[tuple[int, ...]]:
    """For each colour what is had with it: of patterned paper the whole sheet, else the colour alone."""
    ids = list(colour_ids)
    printed = Colour.objects.filter(range__medium=Medium.PATTERNED_PAPER.value).exclude(family="")
    sheet_of = {
        pk: (range_id, family)
        for pk, range_id, family in printed.filter(pk__in=ids).values_list("pk", "range_id", "family")
    }
    beside: dict[tuple[int, str], list[int]] = {}
    if sheet_of:
        ranges = {range_id for range_id, _ in sheet_of.values()}
        listed = printed.filter(range__in=ranges).values_list("pk", "range_id", "family")
        for pk, range_id, family in listed:
            beside.setdefault((range_id, family), []).append(pk)
    return [tuple(beside[sheet_of[pk]]) if pk in sheet_of else (pk,) for pk in ids]
