"""How ranges, the drawer, what is wanted and what was read travel in an archive."""

from dataclasses import asdict
from datetime import date
from typing import Any

from jindle_core.fullness import FULLNESS, NOTE_LIMIT, Kept
from jindle_core.interchange.range_json import DETAILS, read_range_json, write_range_json
from server.access import (
    asked_for_by,
    colours_seen_by,
    drawer_of,
    gone_ranges_of,
    put_away_by,
    ranges_of,
    ranges_seen_by,
    readings_of,
    strip_of,
)
from server.catalogue.arrays import read_catalogue
from server.catalogue.drawer_actions import keep, kept_in, set_asked
from server.catalogue.models import (
    HAND_CHOICES,
    LAYERS_LIMIT,
    MEDIUM_CHOICES,
    PROVENANCE_CHOICES,
    Colour,
    Range,
    Reading,
)
from server.catalogue.range_actions import RangeDetails, entry_of, put_away, store_range
from server.catalogue.reading_actions import Laid, Value, add_readings
from server.catalogue.readings import from_bytes
from server.catalogue.strips import check_strip, set_strip
from server.parcel import Packing, Unpacking, among, named
from standins.reader import SimulatedReader


def name_ranges(parcel: Packing) -> dict[str, Any]:
    """What ranges and their colours are called; told: which are gone, and which shared ones are put away."""
    ranges = _own_ranges(parcel)
    parcel.own_ranges = {found.pk: f"own {number}" for number, found in enumerate(ranges, start=1)}
    seen = colours_seen_by(parcel.person) | Colour.objects.filter(range__in=gone_ranges_of(parcel.person))
    for pk, range_id, name, key in seen.values_list("id", "range_id", "range__name", "key"):
        parcel.colours[pk] = [named(range_id, name, parcel.own_ranges), key]
    parcel.ranges = {
        one.pk: named(one.pk, one.name, parcel.own_ranges) for one in ranges_seen_by(parcel.person)
    }
    return {
        "put_away": [one.range.name for one in put_away_by(parcel.person).select_related("range")],
        # Deleted, though cards still name colours of them.
        "gone": [parcel.own_ranges[found.pk] for found in ranges if found.gone],
    }


def _own_ranges(parcel: Packing) -> list[Range]:
    return [*ranges_of(parcel.person), *gone_ranges_of(parcel.person)]


def pack_ranges(parcel: Packing) -> None:
    """Own ranges, a file each."""
    for found in _own_ranges(parcel):
        details = {field: getattr(found, field) for field in DETAILS}
        entries = [entry_of(colour) for colour in found.colours.all()]
        parcel.put(f"ranges/{parcel.own_ranges[found.pk]}.json", write_range_json(details, entries))


def unpack_ranges(parcel: Unpacking) -> dict[str, int]:
    """Store them, and know the colours of all that are seen by what the archive calls them."""
    own: dict[int, str] = {}
    for at in parcel.each("ranges/"):
        details, file = read_range_json(parcel.files[at])
        medium = among(details["medium"], dict(MEDIUM_CHOICES))
        stored = store_range(parcel.person, RangeDetails(**details | {"medium": medium}), file)
        own[stored.pk] = at.removeprefix("ranges/").removesuffix(".json")
    seen = colours_seen_by(parcel.person)
    for pk, range_id, name, key in seen.values_list("id", "range_id", "range__name", "key"):
        parcel.colours[named(range_id, name, own), key] = pk
        parcel.ranges[named(range_id, name, own)] = range_id
    about = parcel.about
    gone = [parcel.ranges[name] for name in set(about.get("gone", []))]
    count = len(own) - Range.objects.filter(pk__in=gone).update(gone=True)
    shared = ranges_seen_by(parcel.person).filter(owner=None, name__in=about.get("put_away", []))
    put_away(parcel.person, list(shared.values_list("pk", flat=True)), away=True)
    return {"ranges": count}


def pack_drawer(parcel: Packing) -> None:
    """What is in it, and what is to be bought."""
    kept = kept_in(drawer_of(parcel.person).order_by("id"))
    parcel.tell("drawer.json", [{"colour": parcel.colours[pk]} | asdict(one) for pk, one in kept.items()])
    parcel.tell("asked for.json", [parcel.colours[one.colour_id] for one in asked_for_by(parcel.person)])


def unpack_drawer(parcel: Unpacking) -> dict[str, int]:
    """Store both."""
    lines = parcel.read("drawer.json")
    keep(parcel.person, [(parcel.colour(one["colour"]), _kept(one)) for one in lines])
    set_asked(parcel.person, [parcel.colour(one) for one in parcel.later("asked for.json")], True)
    return {"drawer": len(lines)}


def _kept(told: dict[str, Any]) -> Kept:
    """What an archive tells of a colour in the drawer; earlier ones call how full it is ``full``."""
    fullness = told["fullness"] if "fullness" in told else told["full"]
    return Kept(among(fullness, FULLNESS), str(told["note"])[:NOTE_LIMIT])


def pack_readings(parcel: Packing) -> None:
    """What was read, and the strip of known swatches."""
    parcel.tell("strip.json", [parcel.colours[one.colour_id] for one in strip_of(parcel.person)])
    readings = readings_of(parcel.person).order_by("id")
    parcel.tell("readings.json", [_reading(one, parcel) for one in readings])


def _reading(reading: Reading, parcel: Packing) -> dict[str, Any]:
    spectrum = from_bytes(reading.spectrum)
    return {
        "colour": parcel.colours[reading.colour_id],
        "paper": parcel.colours.get(reading.paper_id or 0),
        "below": parcel.colours.get(reading.below_id or 0),
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


def unpack_readings(parcel: Unpacking) -> dict[str, int]:
    """Store both."""
    strip = [parcel.colour(one) for one in parcel.later("strip.json")]
    check_strip(read_catalogue(parcel.person), strip)
    set_strip(parcel.person, strip)
    lines = parcel.read("readings.json")
    sides = ("colour", "paper", "below")  # earlier archives have nothing below
    wanted = {parcel.colour(one[side]) for one in lines for side in sides if one.get(side)}
    colours = colours_seen_by(parcel.person).in_bulk(wanted)
    for one in lines:
        lightness, a, b = map(float, one["lab"])
        value = Value(
            (lightness, a, b),
            among(one["provenance"], dict(PROVENANCE_CHOICES)),
            str(one["taken_with"])[:120],
            None if one["reflectance"] is None else [float(value) for value in one["reflectance"]],
            among(one.get("simulated", one["taken_with"] == SimulatedReader.name), (True, False)),
        )
        paper, below = (
            colours[parcel.colour(one[side])] if one.get(side) else None for side in ("paper", "below")
        )
        laid = Laid(
            date.fromisoformat(one["taken"]),
            among(one["layers"], range(1, LAYERS_LIMIT + 1)),
            among(one["hand"], dict(HAND_CHOICES)),
            paper,
            str(one["note"])[:200],
            below,
        )
        add_readings(parcel.person, [(colours[parcel.colour(one["colour"])], value)], laid)
    return {"readings": len(lines)}
