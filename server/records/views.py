"""What was made, as it is told."""

from collections.abc import Iterable, Sequence
from typing import Any

from django.db.models import QuerySet

from jindle_core.supplies.whole import Supplies
from server.records.models import MOST_PHOTOS, Record, RecordPhoto, RecordUse
from server.told.records import MadeWith, Photo, RecordSummary, StepTook
from server.told.records import Record as RecordTold
from server.told.records import Use as UseTold

_SHADES = 8  # that stand under a picture
_HEAVY = ("stored", "recipes", "picture")


def summaries(found: QuerySet[Record]) -> list[RecordSummary]:
    """Some of it, in four queries however many they are."""
    records = list(found.select_related("together").defer(*_HEAVY))
    ids = [one.pk for one in records]
    photos: dict[int, int] = {}
    for pk, record in RecordPhoto.objects.filter(record__in=ids).values_list("pk", "record_id"):
        photos.setdefault(record, pk)
    drawn = set(Record.objects.filter(pk__in=ids).exclude(picture=None).values_list("pk", flat=True))
    shades: dict[int, dict[str, None]] = {}
    for pk, shade in RecordUse.objects.filter(record__in=ids).values_list("record_id", "shade"):
        shades.setdefault(pk, {})[shade] = None
    return [
        _summary(one, photos.get(one.pk), one.pk in drawn, list(shades.get(one.pk, ()))) for one in records
    ]


def _summary(record: Record, photo: int | None, drawn: bool, shades: Sequence[str]) -> RecordSummary:
    address = _address(record.pk, photo) if photo else f"/api/records/{record.pk}/picture" if drawn else None
    return RecordSummary(
        id=record.pk,
        name=record.name,
        together=record.together.name if record.together else "",
        made=record.made,
        count=record.count,
        occasion=record.occasion,
        person=record.person,
        picture=address,
        shades=shades[:_SHADES],
    )


def _address(record: int, photo: int) -> str:
    return f"/api/records/{record}/photos/{photo}"


def record_told(record: Record, supplies: Supplies) -> RecordTold:
    """All of one; its supplies are looked for among ``supplies``."""
    photos = list(record.photos.values_list("pk", flat=True))
    uses = [UseTold(**one, **kept_as(supplies, one)) for one in _uses(record.uses.all())]
    shades = list(dict.fromkeys(one.shade for one in uses))
    summary = _summary(record, photos[0] if photos else None, record.picture is not None, shades)
    others = record.together.records.exclude(pk=record.pk) if record.together else Record.objects.none()
    return RecordTold(
        version=record.version,
        card=record.card_id if record.card and record.card.deleted is None else None,
        others=[MadeWith(**one) for one in others.order_by("id").values("id", "name", "count")],
        went_well=record.went_well,
        to_change=record.to_change,
        instead=record.instead,
        times=[StepTook(**one) for one in record.times],
        uses=uses,
        most_photos=MOST_PHOTOS,
        photos=[Photo(id=pk, address=_address(record.pk, pk)) for pk in photos],
        **vars(summary),
    )


def kept_as(supplies: Supplies, used: dict[str, Any]) -> dict[str, Any]:
    """The id under which a supply that was used is found today, and how full it is in the drawer."""
    place = supplies.named.get((used["label"], used["range_name"]))
    if place is None:
        return {"id": None, "fullness": None}
    kept = supplies.kept(place)
    return {"id": supplies.rows[place].id, "fullness": kept.fullness if kept else None}


def _uses(found: Iterable[RecordUse]) -> list[dict[str, Any]]:
    names = ("label", "range_name", "medium", "stage", "hue", "shade")
    return [{name: getattr(one, name) for name in names} for one in found]
