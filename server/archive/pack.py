"""Taking out everything of a person's."""

import io
import json
import zipfile
from typing import Any

from jindle_core.interchange.range_json import write_range_json
from server.access import cards_of, combinations_seen_by, drawer_of, papers_seen_by, ranges_of, readings_of
from server.accounts.models import Person
from server.archive.references import in_plan, names_of
from server.catalogue.range_actions import entry_of
from server.catalogue.readings import from_bytes

FORMAT, VERSION = "jindle archive", 1
SETTINGS = ("units", "surround", "only_owned")


def pack(person: Person) -> bytes:
    """A zip of JSON files and pictures: settings, ranges, papers, drawer, readings, combinations, cards."""
    ranges = list(ranges_of(person))
    own = {found.pk: f"own {number}" for number, found in enumerate(ranges, start=1)}
    names = names_of(person, own)
    files: dict[str, str | bytes] = {
        "about.json": _json(
            {
                "format": FORMAT,
                "version": VERSION,
                "settings": {one: getattr(person, one) for one in SETTINGS},
            }
        )
    }
    for found in ranges:
        details = {field: getattr(found, field) for field in ("name", "maker", "medium", "note")}
        entries = [entry_of(colour) for colour in found.colours.all()]
        files[f"ranges/{own[found.pk]}.json"] = write_range_json(details, entries)
    papers = list(papers_seen_by(person).filter(owner=person).order_by("id"))
    pictures = {f"papers/{number:04}.jpg": paper for number, paper in enumerate(papers, start=1)}
    files |= {name: bytes(paper.picture) for name, paper in pictures.items()}
    files["papers.json"] = _json(
        [
            {"range": own[paper.range_id], "title": paper.title, "picture": name}
            for name, paper in pictures.items()
        ]
    )
    files["drawer.json"] = _json(
        [
            {"colour": names[entry.colour_id], "full": entry.fullness, "note": entry.note}
            for entry in drawer_of(person).order_by("id")
        ]
    )
    files["readings.json"] = _json([_reading(one, names) for one in readings_of(person).order_by("id")])
    kept = combinations_seen_by(person).filter(owner=person).order_by("id")
    files["combinations.json"] = _json([{"name": one.name, "colours": one.stored} for one in kept])
    for number, card in enumerate(cards_of(person).order_by("changed", "id"), start=1):
        files[f"cards/{number:04}.json"] = _json(_card(card, names))
    out = io.BytesIO()
    with zipfile.ZipFile(out, "w", zipfile.ZIP_DEFLATED) as archive:
        for name, content in files.items():
            # A fixed time, so that the same things make the same archive.
            archive.writestr(zipfile.ZipInfo(name, (2020, 1, 1, 0, 0, 0)), content, zipfile.ZIP_DEFLATED)
    return out.getvalue()


def _json(value: Any) -> str:
    return json.dumps(value, ensure_ascii=False, indent=1) + "\n"


def _reading(reading, names: dict) -> dict[str, Any]:
    spectrum = from_bytes(reading.spectrum)
    return {
        "colour": names[reading.colour_id],
        "paper": names.get(reading.paper_id),
        "layers": reading.layers,
        "hand": reading.hand,
        "lab": [reading.lab_l, reading.lab_a, reading.lab_b],
        "reflectance": None if spectrum is None else spectrum.tolist(),
        "provenance": reading.provenance,
        "taken_with": reading.taken_with,
        "taken": reading.taken.isoformat(),
        "note": reading.note,
    }


def _card(card, names: dict) -> dict[str, Any]:
    return {
        "head": card.head,
        "plan": in_plan(card.stored, names.get),
        "history": [
            {"number": one.number, "label": one.label, "plan": in_plan(one.stored, names.get)}
            for one in card.revisions.all()
        ],
    }
