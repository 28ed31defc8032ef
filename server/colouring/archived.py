"""How line drawings and kept families travel in an archive."""

from jindle_core import figures
from jindle_core.line_art.drawing import drawing_from_json
from server.access import deleted_drawings_of, drawings_seen_by, kept_families_of
from server.colouring.actions import keep_family, store_drawing
from server.colouring.models import Drawing
from server.parcel import Packing, Unpacking, named, shelved, since_now


def pack_drawings(parcel: Packing) -> None:
    """Own drawings; what every drawing is called."""
    every = list((drawings_seen_by(parcel.person) | deleted_drawings_of(parcel.person)).order_by("id"))
    mine = [one for one in every if one.owner_id == parcel.person.pk]
    own = {one.pk: f"own {number}" for number, one in enumerate(mine, start=1)}
    parcel.drawings = {one.pk: named(one.pk, one.name, own) for one in every}
    parcel.tell(
        "drawings.json",
        [{"id": own[one.pk], "name": one.name, "drawing": one.stored} | shelved(one) for one in mine],
    )


def unpack_drawings(parcel: Unpacking) -> dict[str, int]:
    """Store them."""
    lines = parcel.later("drawings.json")
    for one in drawings_seen_by(parcel.person):
        parcel.drawings[named(one.pk, one.name, {})] = one.pk
    for one in lines:
        stored = store_drawing(parcel.person, one["name"], drawing_from_json(one["drawing"]))
        Drawing.objects.filter(pk=stored.pk).update(**since_now(one))
        parcel.drawings[one["id"]] = stored.pk
    return {"drawings": len(lines)}


def pack_families(parcel: Packing) -> None:
    """Kept families, of which enough is known still."""
    known = parcel.colours
    parcel.tell(
        "families.json",
        [
            {"name": one.name, "colours": colours}
            for one in kept_families_of(parcel.person)
            if len(colours := [known[pk] for pk in one.colours if pk in known])
            >= figures.families.FAMILY_SIZES[0]
        ],
    )


def unpack_families(parcel: Unpacking) -> dict[str, int]:
    """Store them."""
    lines = parcel.later("families.json")
    for one in lines:
        keep_family(parcel.person, one["name"], [parcel.colour(tone) for tone in one["colours"]])
    return {"families": len(lines)}
