"""How what was made travels in an archive: records with their photos."""

from datetime import date
from typing import Any

from jindle_core.card.changes.palette import checked_name
from jindle_core.lengths import TICKS
from jindle_core.planning.instead import UsedInstead
from jindle_core.planning.recipe.lines import Recipe
from jindle_core.stored import structured
from jindle_core.travelling.recipe_file import told_from_json
from server.access import cards_of, records_of
from server.parcel import Packing, Unpacking, minutes, whole_number
from server.records.actions import Made, Said, keep_record
from server.records.models import MOST_PHOTOS, MadeTogether
from server.zipped import PHOTOS

_PLAIN = ("name", "count", "occasion", "person", "went_well", "to_change", "instead", "times", "recipes")


def pack_records(parcel: Packing) -> None:
    """Every record, a file each, with its pictures."""
    together: dict[Any, int] = {}  # numbered as they come, whatever they are called inside
    ids = records_of(parcel.person).order_by("id").values_list("pk", flat=True)
    for number, pk in enumerate(ids, start=1):
        record = records_of(parcel.person).select_related("together").get(pk=pk)
        photos = {f"{PHOTOS}{number:04}-{n}.jpg": one for n, one in enumerate(record.photos.all(), start=1)}
        for name, one in photos.items():
            parcel.put(name, bytes(one.picture))
        predicted = None if record.picture is None else f"{PHOTOS}{number:04}.webp"
        if predicted is not None:
            parcel.put(predicted, bytes(record.picture or b""))
        beside = record.together and {
            "number": together.setdefault(record.together_id, len(together) + 1),
            "name": record.together.name,
        }
        told = {
            "made": record.made.isoformat(),
            "card": parcel.cards.get(record.card_id or 0),
            "stored": record.stored,
            "picture": predicted,
            "photos": list(photos),
            "together": beside,  # those of one number were made together
        }
        parcel.tell(f"records/{number:04}.json", {name: getattr(record, name) for name in _PLAIN} | told)


def unpack_records(parcel: Unpacking) -> dict[str, int]:
    """Store them."""
    together: dict[int, MadeTogether] = {}
    names = list(parcel.each("records/"))
    for at in names:
        told = parcel.read(at)
        beside = None
        if of := told.get("together"):  # an older archive tells of none
            beside = together.setdefault(
                whole_number(of["number"]), MadeTogether(owner=parcel.person, name=checked_name(of["name"]))
            )
            if beside.pk is None:
                beside.save()
        key = parcel.cards.get(told["card"] or "")
        card = None if key is None else cards_of(parcel.person).only("pk").get(pk=key)
        keep_record(parcel.person, card, _said(told), _made(parcel, told), beside)
    return {"records": len(names)}


def _said(told: dict[str, Any]) -> Said:
    instead = tuple(structured(one, UsedInstead, "instead") for one in told["instead"])
    words = {name: str(told[name]) for name in ("occasion", "person", "went_well", "to_change")}
    return Said(date.fromisoformat(told["made"]), whole_number(told["count"]), **words, instead=instead)


def _made(parcel: Unpacking, told: dict[str, Any]) -> Made:
    recipes = {unit: structured(told["recipes"][unit], Recipe, "recipe") for unit in TICKS}
    times = [{"words": str(one["words"]), "minutes": minutes(one["minutes"])} for one in told["times"]]
    # Those under these names were looked at when they were unpacked.
    photos = [parcel.files[PHOTOS + name.removeprefix(PHOTOS)] for name in told["photos"][:MOST_PHOTOS]]
    picture = told["picture"] and parcel.files[PHOTOS + told["picture"].removeprefix(PHOTOS)]
    return Made(checked_name(told["name"]), told_from_json(told["stored"]), recipes, times, picture, photos)
