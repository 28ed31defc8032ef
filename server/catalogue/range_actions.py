"""Every write to ranges, one action each."""

import json
import re
from collections.abc import Collection, Generator, Sequence
from dataclasses import dataclass, field
from datetime import datetime, timedelta
from typing import Any

from django.db import transaction
from django.db.models import F
from django.utils import timezone

from jindle_core import figures
from jindle_core.card.changes.palette import checked_name
from jindle_core.colorimetry.typed import read_typed
from jindle_core.compatibility.properties import checked_properties
from jindle_core.errors import BadInput, Problem
from jindle_core.interchange.entries import FIELDS, Entry, RangeFile, read_rows
from jindle_core.interchange.range_csv import figure, neutral
from jindle_core.interchange.text import Table
from jindle_core.media.medium import Medium
from server.access import cards_of, deleted_cards_of, deleted_ranges_of, put_away_by
from server.accounts.models import Person
from server.catalogue.models import AskedFor, Colour, DrawerEntry, PutAway, Range, Reading, touch_catalogue
from server.catalogue.readings import from_bytes, to_bytes
from server.errors import Stale
from server.quotas import check_room
from server.streams import finished
from server.writes import lock, write

_BATCH = 1000
_STALE = (
    "This range was changed in another window since you opened it. Your change was not saved; "
    "look at the newest state and make it again."
)


@dataclass(frozen=True)
class RangeDetails:
    """What a range is, apart from its colours."""

    name: str
    medium: str
    maker: str = ""
    note: str = ""
    properties: dict[str, Any] = field(default_factory=dict)

    def fields(self) -> dict[str, Any]:
        """The details as they are stored; BadInput where the name is none, or a property does not fit."""
        return {
            "name": checked_name(self.name),
            "medium": self.medium,
            "maker": " ".join(self.maker.split()),
            "note": self.note.strip(),
            "properties": checked_properties(Medium(self.medium), self.properties),
        }


def store_range(owner: Person | None, details: RangeDetails, file: RangeFile) -> Range:
    """Store a range with all its colours, or nothing where a row is faulty."""
    return finished(storing_range(owner, details, file))


def storing_range(
    owner: Person | None, details: RangeDetails, file: RangeFile
) -> Generator[float, None, Range]:
    """``store_range`` with its progress: shares from 0 to 1; it comes to the range.

    What is wrong is raised before the first share. All is one transaction,
    which a caller that stops early rolls back.
    """
    if file.problems:
        raise BadInput(*file.problems)
    fields = details.fields()
    return _storing(owner, fields, file.entries)


def _storing(owner: Person | None, fields: dict, entries: Sequence[Entry]) -> Generator[float, None, Range]:
    with transaction.atomic():
        lock(owner)
        check_room(owner, "ranges")
        check_room(owner, "colours", len(entries))
        made = Range.objects.create(owner=owner, **fields)
        for start in range(0, len(entries), _BATCH):
            yield start / len(entries)
            Colour.objects.bulk_create([_colour(made, one) for one in entries[start : start + _BATCH]])
        touch_catalogue(owner)
    yield 1.0
    return made


def _colour(made: Range, entry: Entry) -> Colour:
    return Colour(range=made, **_fields(entry))


def _fields(entry: Entry) -> dict:
    lab_l, lab_a, lab_b = entry.lab
    return {
        "key": entry.key,
        "code": entry.code,
        "name": entry.name,
        "family": entry.family,
        "paper": entry.paper,
        "lab_l": lab_l,
        "lab_a": lab_a,
        "lab_b": lab_b,
        "provenance": entry.provenance,
        "discontinued": entry.discontinued,
        "spectrum": to_bytes(entry.reflectance),
        "share": entry.share,
    }


def entry_of(colour: Colour) -> Entry:
    """A stored colour as files give it."""
    spectrum = from_bytes(colour.spectrum)
    return Entry(
        0,
        colour.code,
        colour.name,
        (colour.lab_l, colour.lab_a, colour.lab_b),
        colour.provenance,
        colour.family,
        colour.paper,
        colour.discontinued,
        None if spectrum is None else tuple(float(value) for value in spectrum),
        colour.share,
    )


@write
def make_range(owner: Person, details: RangeDetails) -> Range:
    """Make an own range without colours, to be filled by hand."""
    check_room(owner, "ranges")
    made = Range.objects.create(owner=owner, **details.fields())
    touch_catalogue(owner)
    return made


@dataclass(frozen=True)
class Put:
    """A colour as typed: texts by field; ``id`` of the colour it replaces, or None for a new one.

    ``value`` among the fields is Lab or #rrggbb; the others are those of a file.
    """

    texts: dict[str, str]
    id: int | None = None


@write
def change_range(
    found: Range, version: int, details: RangeDetails | None, puts: Sequence[Put], removed: Sequence[int]
) -> None:
    """Change an own range: its details, colours put in or replaced, colours taken out; all or nothing.

    Stale where it has another version by now. What is typed is checked as a
    file's rows are, together with the colours that stay; problems name the
    place of the faulty one among ``puts``, counted from 1.
    """
    fields = details.fields() if details else {}
    if not Range.objects.filter(pk=found.pk, version=version).update(version=F("version") + 1, **fields):
        raise Stale(_STALE)
    check_room(found.owner, "colours", len(puts))
    colours = {colour.pk: colour for colour in found.colours.all()}
    for pk in [*removed, *(put.id for put in puts if put.id is not None)]:
        if pk not in colours:
            raise BadInput(
                Problem("One of these colours is not in this range.", field="colours", value=str(pk))
            )
    replaced = {put.id for put in puts} | set(removed)
    entries = _read_puts(puts, [one for pk, one in colours.items() if pk not in replaced])
    found.colours.filter(pk__in=removed).delete()
    for put, entry in zip(puts, entries, strict=True):
        if put.id is None:
            _colour(found, entry).save()
            continue
        old = colours[put.id]
        fields = _fields(entry)
        fields.pop("share")
        # The texts say nothing of a spectrum: it stays while the colour does.
        if (old.lab_l, old.lab_a, old.lab_b) == entry.lab:
            fields.pop("spectrum")
        Colour.objects.filter(pk=put.id).update(**fields)
    owner = found.owner
    found.refresh_from_db()
    touch_catalogue(owner)


def _read_puts(puts: Sequence[Put], staying: Sequence[Colour]) -> tuple[Entry, ...]:
    if len(puts) + len(staying) > figures.files.LARGEST_RANGE:
        raise BadInput(
            Problem(f"A range has at most {figures.files.LARGEST_RANGE} colours.", field="colours")
        )
    if not puts:
        return ()
    rows = [(number, _cells(number, put.texts)) for number, put in enumerate(puts, start=1)]
    columns = {field: field for field in FIELDS}
    file = read_rows(Table(FIELDS, tuple(rows), "typed"), columns, "label")
    there = {colour.key for colour in staying}
    problems = list(file.problems)
    for entry in file.entries:
        if entry.key in there:
            column = "code" if entry.code else "name"
            told = f"“{entry.key}” stands in this range already."
            problems.append(Problem(told, "colours", entry.row, column, entry.key, "each only once"))
    if problems:
        raise BadInput(*problems)
    return file.entries


def _cells(number: int, texts: dict[str, str]) -> tuple[str, ...]:
    """The texts as a file's row would have them: the value taken apart."""
    texts = {field: text.strip() for field, text in texts.items()}
    if value := texts.pop("value", ""):
        found = read_typed(value)
        if found is None:
            told = f"Row {number}: “{value[:40]}” is no colour value."
            expected = "L, a, b such as 52, −10, 20, or #rrggbb"
            raise BadInput(Problem(told, "colours", number, "value", value[:100], expected))
        texts |= dict(zip("Lab", map(figure, found.lab), strict=True))
        if found.provenance == "screen":
            texts["provenance"] = "screen"
        elif texts.get("provenance") == "screen":
            texts["provenance"] = ""  # a screen value no more
    return tuple(texts.get(field, "") for field in FIELDS)


def typed(entry: Entry) -> dict[str, str]:
    """An entry as the texts that ``Put`` takes."""
    texts = {field: neutral(getattr(entry, field)) for field in ("code", "name", "family", "paper")}
    return texts | {
        "value": ", ".join(map(figure, entry.lab)),
        "discontinued": "yes" if entry.discontinued else "no",
        "provenance": entry.provenance,
    }


@write
def delete_range(found: Range) -> None:
    """Delete an own range: it is nowhere, but for its colours where cards name them, and can be had again for
    some time with all that was read and owned of it. Those deleted too long ago go for good."""
    _stamp(found, timezone.now())
    if found.owner is not None:
        clear_out_ranges(found.owner)


@write
def bring_back_range(found: Range) -> None:
    """Have it again as it was, where there is room for one more."""
    check_room(found.owner, "ranges")
    _stamp(found, None)


def _stamp(found: Range, deleted: datetime | None) -> None:
    Range.objects.filter(pk=found.pk).update(gone=deleted is not None, deleted=deleted)
    touch_catalogue(found.owner)


def clear_out_ranges(owner: Person) -> int:
    """What was deleted too long ago goes for good; says how many."""
    limit = timezone.now() - timedelta(days=figures.files.DELETED_DAYS)
    long_ago = list(deleted_ranges_of(owner).filter(deleted__lt=limit))
    for found in long_ago:
        delete_range_for_good(found)
    return len(long_ago)


@write
def delete_range_for_good(found: Range) -> None:
    """Where cards name its colours they stand in as they are, and nowhere else.

    What the drawer holds of it, what was read of it and its papers go.
    """
    owner = found.owner
    kept = found.colours.none()
    if owner is not None:
        kept = found.colours.filter(pk__in=_numbers_in_cards(owner))
    ids = list(kept.values_list("pk", flat=True))
    found.colours.exclude(pk__in=ids).delete()
    if ids:
        DrawerEntry.objects.filter(colour__range=found).delete()
        AskedFor.objects.filter(colour__range=found).delete()
        Reading.objects.filter(colour__range=found).delete()
        found.papers.all().delete()
        Range.objects.filter(pk=found.pk).update(gone=True, deleted=None)
    else:
        found.delete()
    touch_catalogue(owner)


def _numbers_in_cards(owner: Person) -> set[int]:
    """Every whole number in every state of their cards: the ids of all that they name are among them."""
    cards = cards_of(owner) | deleted_cards_of(owner)
    states = cards.exclude(revisions=None).values_list("revisions__stored", flat=True)
    stored = [*cards.values_list("stored", flat=True), *states]
    return {int(number) for one in stored for number in re.findall(r"\d+", json.dumps(one))}


@write
def put_away(owner: Person, ranges: Collection[int], away: bool) -> None:
    """See some shared ranges nowhere, or everywhere again."""
    put_away_by(owner).filter(range__in=ranges).delete()
    if away:
        PutAway.objects.bulk_create(PutAway(owner=owner, range_id=pk) for pk in ranges)
    touch_catalogue(owner)
