"""Taking out everything of a person's."""

import json
import zipfile
from tempfile import TemporaryFile
from typing import IO, Any

from jindle_core import figures
from jindle_core.errors import BadInput, Problem
from jindle_core.interchange.range_json import DETAILS, write_range_json
from server.access import (
    asked_for_by,
    cards_of,
    combinations_seen_by,
    deleted_drawings_of,
    deleted_papers_of,
    drawer_of,
    drawings_seen_by,
    gone_ranges_of,
    kept_families_of,
    moods_of,
    papers_seen_by,
    put_away_by,
    ranges_of,
    ranges_seen_by,
    readings_of,
    records_of,
    sets_of,
    steps_taken_by,
    strip_of,
)
from server.accounts.models import PREFERENCES, Person
from server.archive.history import differences
from server.archive.references import Reference, Turns, in_plan, named, names_of
from server.archive.zipped import LARGEST_TEXT, PHOTOS, PICTURES
from server.cards.glances import cannot_be_shown
from server.cards.models import CardWork, StoredCard
from server.cards.views import document
from server.catalogue.models import Reading
from server.catalogue.range_actions import entry_of
from server.catalogue.readings import from_bytes
from server.quotas import largest_archive
from server.records.models import Record
from server.shelf.models import Shelved
from server.training.archived import training_told

FORMAT, VERSION = "jindle archive", 2  # 1 had every state of a card whole
# What comes of turning the ids of a card that is not as it was written.
NOT_AS_WRITTEN = (KeyError, TypeError, ValueError, AttributeError, IndexError)


class _Packing:
    """A zip on the disk, written file by file: pictures of years fit into no memory."""

    def __init__(self, largest: int) -> None:
        self.out: IO[bytes] = TemporaryFile()  # noqa: SIM115 (who asked for the archive reads it)
        self._archive = zipfile.ZipFile(self.out, "w", zipfile.ZIP_DEFLATED)
        self._room = largest

    def put(self, name: str, content: str | bytes) -> None:
        """One more file; BadInput where the whole would not be taken back."""
        content = content.encode() if isinstance(content, str) else content
        self._room -= len(content)
        if self._room < 0 or len(content) > LARGEST_TEXT:
            self.packed().close()
            raise BadInput(Problem("There is more than an archive holds: take the log out by its years."))
        # A fixed time, so that the same things make the same archive.
        kind = zipfile.ZIP_STORED if name.startswith((PICTURES, PHOTOS)) else zipfile.ZIP_DEFLATED
        self._archive.writestr(zipfile.ZipInfo(name, (2020, 1, 1, 0, 0, 0)), content, kind)

    def packed(self) -> IO[bytes]:
        """The whole, to be read from its beginning."""
        self._archive.close()
        self.out.seek(0)
        return self.out


def pack(person: Person) -> IO[bytes]:
    """A zip of JSON files and pictures: everything that is theirs."""
    files = _Packing(largest_archive(person))
    ranges = [*ranges_of(person), *gone_ranges_of(person)]
    own = {found.pk: f"own {number}" for number, found in enumerate(ranges, start=1)}
    names = names_of(person, own)
    about = {
        "format": FORMAT,
        "version": VERSION,
        "settings": {one: getattr(person, one) for one in _settings(person)},
        "put_away": [one.range.name for one in put_away_by(person).select_related("range")],
        # Deleted, though cards still name colours of them.
        "gone": [own[found.pk] for found in ranges if found.gone],
    }
    files.put("about.json", _json(about))
    for found in ranges:
        details = {field: getattr(found, field) for field in DETAILS}
        entries = [entry_of(colour) for colour in found.colours.all()]
        files.put(f"ranges/{own[found.pk]}.json", write_range_json(details, entries))
    every_sheet = papers_seen_by(person) | deleted_papers_of(person)
    sheets = every_sheet.select_related("range").defer("picture").order_by("id")
    papers = [one for one in sheets if one.owner_id == person.pk]
    own_papers = {one.pk: f"own {number}" for number, one in enumerate(papers, start=1)}
    pictures = {f"{PICTURES}{number:04}.jpg": paper for number, paper in enumerate(papers, start=1)}
    for name, paper in pictures.items():
        files.put(name, bytes(every_sheet.values_list("picture", flat=True).get(pk=paper.pk)))
    files.put(
        "papers.json",
        _json(
            [
                {"range": own[paper.range_id], "title": paper.title, "picture": name, "width": paper.width_mm}
                | {"simulated": paper.simulated}
                | _shelved(paper)
                for name, paper in pictures.items()
            ]
        ),
    )
    files.put(
        "drawer.json",
        _json(
            [
                {"colour": names[entry.colour_id], "full": entry.fullness, "note": entry.note}
                for entry in drawer_of(person).order_by("id")
            ]
        ),
    )
    files.put("asked for.json", _json([names[one.colour_id] for one in asked_for_by(person)]))
    files.put("strip.json", _json([names[one.colour_id] for one in strip_of(person)]))
    files.put("readings.json", _json([_reading(one, names) for one in readings_of(person).order_by("id")]))
    kept = combinations_seen_by(person).filter(owner=person).order_by("id")
    files.put("combinations.json", _json([{"name": one.name, "colours": one.stored} for one in kept]))
    drawings = list((drawings_seen_by(person) | deleted_drawings_of(person)).order_by("id"))
    own_drawings = {
        one.pk: f"own {number}"
        for number, one in enumerate((one for one in drawings if one.owner_id == person.pk), start=1)
    }
    files.put("moods.json", _json([{"name": one.name, "mood": one.stored} for one in moods_of(person)]))
    files.put(
        "drawings.json",
        _json(
            [
                {"id": own_drawings[one.pk], "name": one.name, "drawing": one.stored} | _shelved(one)
                for one in drawings
                if one.pk in own_drawings
            ]
        ),
    )
    files.put(
        "families.json",
        _json(
            [
                {"name": one.name, "colours": colours}
                for one in kept_families_of(person)
                if len(colours := [names[pk] for pk in one.colours if pk in names])
                >= figures.families.FAMILY_SIZES[0]
            ]
        ),
    )
    files.put(
        "times.json",
        _json(
            [
                {"work": one.work, "usual": one.usual, "took": one.took, "at": one.at.isoformat()}
                for one in steps_taken_by(person)
            ]
        ),
    )
    # Not for reading line by line: somebody who trains every day has thousands of answers.
    files.put("training.json", json.dumps(training_told(person, names.get), ensure_ascii=False))
    turns = Turns(
        names.get,
        {one.pk: named(one.pk, one.name, own) for one in ranges_seen_by(person)}.get,
        {one.pk: named(one.pk, one.name, own_drawings) for one in drawings}.get,
        {one.pk: named(one.pk, f"{one.range.name}: {one.title}", own_papers) for one in sheets}.get,
    )
    cards = list(cards_of(person).order_by("changed", "id").values_list("pk", flat=True))
    broken = cannot_be_shown(person)
    names_of_cards = {pk: f"cards/{number:04}.json" for number, pk in enumerate(cards, start=1)}
    together: dict[Any, int] = {}  # numbered as they come, whatever they are called inside
    for number, pk in enumerate(records_of(person).order_by("id").values_list("pk", flat=True), start=1):
        record = records_of(person).select_related("together").get(pk=pk)
        photos = {f"{PHOTOS}{number:04}-{n}.jpg": one for n, one in enumerate(record.photos.all(), start=1)}
        for name, one in photos.items():
            files.put(name, bytes(one.picture))
        predicted = f"{PHOTOS}{number:04}.webp"
        if record.picture is not None:
            files.put(predicted, bytes(record.picture))
        told = {
            "card": None if record.card_id in broken else names_of_cards.get(record.card_id or 0),
            "stored": record.stored,
            "picture": predicted if record.picture is not None else None,
            "photos": list(photos),
            # Those of one number were made together.
            "together": record.together
            and {
                "number": together.setdefault(record.together_id, len(together) + 1),
                "name": record.together.name,
            },
        }
        files.put(f"records/{number:04}.json", _json(_plain_record(record) | told))
    files.put(
        "sets.json",
        _json(
            [
                {
                    "name": one.name,
                    "cards": [
                        {"card": names_of_cards[member.card_id], "count": member.count}
                        for member in one.members.all()
                        if member.card_id not in broken
                    ],
                    "work": work.stored if (work := one.work_found()) else None,
                }
                for one in sets_of(person).order_by("changed", "id")
                if one.members.exclude(card__in=broken).exists()
            ]
        ),
    )
    for number, pk in enumerate(cards, start=1):
        card = cards_of(person).get(pk=pk)
        if pk in broken:  # nor could it be brought back; what is stored of it comes along all the same
            files.put(f"cannot be shown/{number:04}.json", _json(document(card)))
        else:
            files.put(f"cards/{number:04}.json", _json(_card(card, turns)))
    return files.packed()


def _settings(person: Person) -> list[str]:
    """Those that go along; that the demo studio has made-up devices is nothing of whoever takes it out."""
    return [one for one in PREFERENCES if one != "stand_ins" or not person.everybodys]


def _shelved(thing: Shelved) -> dict[str, bool]:
    return {"put_by": thing.put_by is not None, "deleted": thing.deleted is not None}


def _json(value: Any) -> str:
    return json.dumps(value, ensure_ascii=False, indent=1) + "\n"


def _reading(reading: Reading, names: dict[int, Reference]) -> dict[str, Any]:
    spectrum = from_bytes(reading.spectrum)
    return {
        "colour": names[reading.colour_id],
        "paper": names.get(reading.paper_id or 0),
        "below": names.get(reading.below_id or 0),
        "layers": reading.layers,
        "hand": reading.hand,
        "lab": [reading.lab_l, reading.lab_a, reading.lab_b],
        "reflectance": None if spectrum is None else spectrum.tolist(),
        "provenance": reading.provenance,
        "taken_with": reading.taken_with,
        "simulated": reading.simulated,
        "taken": reading.taken.isoformat(),
        "note": reading.note,
    }


def _plain_record(record: Record) -> dict[str, Any]:
    names = ("name", "count", "occasion", "person", "went_well", "to_change", "instead", "times", "recipes")
    return {name: getattr(record, name) for name in names} | {"made": record.made.isoformat()}


def _card(card: StoredCard, turns: Turns) -> dict[str, Any]:
    revisions, plans = [], []
    for revision in card.revisions.all():
        try:
            plans.append(in_plan(revision.stored, turns))
            revisions.append(revision)
        except NOT_AS_WRITTEN:
            continue  # a state that could not be shown again
    work = CardWork.objects.filter(card=card).first()
    return {
        "head": card.head,
        "put_by": card.put_by is not None,
        "work": work.stored if work else None,
        "plan": in_plan(card.stored, turns),
        "history": [
            {"number": one.number, "label": one.label} | told
            for one, told in zip(revisions, differences(plans), strict=True)
        ],
    }
