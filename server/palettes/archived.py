"""How kept combinations and moods travel in an archive."""

from dataclasses import replace

from jindle_core.card.changes.palette import AddColour
from jindle_core.card.whole import Anchor
from jindle_core.palettes.moods import Mood
from jindle_core.palettes.role import Role
from jindle_core.stored import structured
from server.access import combinations_seen_by, moods_of
from server.catalogue.models import PROVENANCE_CHOICES
from server.palettes.actions import keep_combination
from server.palettes.moods import keep_mood
from server.parcel import Packing, Unpacking, among


def pack_combinations(parcel: Packing) -> None:
    """Those that the person kept."""
    kept = combinations_seen_by(parcel.person).filter(owner=parcel.person).order_by("id")
    parcel.tell("combinations.json", [{"name": one.name, "colours": one.stored} for one in kept])


def unpack_combinations(parcel: Unpacking) -> dict[str, int]:
    """Store them."""
    lines = parcel.later("combinations.json")
    for one in lines:
        colours = []
        for colour in one["colours"]:
            lightness, a, b = map(float, colour["lab"])
            provenance = among(colour["provenance"], dict(PROVENANCE_CHOICES))
            anchor = Anchor(None, (lightness, a, b), provenance)
            colours.append(AddColour(anchor, colour["name"], Role(colour["role"])))
        keep_combination(parcel.person, one["name"], colours)
    return {"combinations": len(lines)}


def pack_moods(parcel: Packing) -> None:
    """Those of one's own."""
    parcel.tell("moods.json", [{"name": one.name, "mood": one.stored} for one in moods_of(parcel.person)])


def unpack_moods(parcel: Unpacking) -> dict[str, int]:
    """Store them."""
    lines = parcel.later("moods.json")
    for one in lines:
        keep_mood(parcel.person, replace(structured(one["mood"], Mood, "mood"), title=one["name"]))
    return {"moods": len(lines)}
