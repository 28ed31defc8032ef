"""Finding a colour by what somebody types, and what is like it everywhere."""

from typing import Any

import numpy as np
from drf_spectacular.utils import extend_schema
from rest_framework import serializers
from rest_framework.response import Response
from rest_framework.views import APIView

from jindle_core import figures
from jindle_core.colorimetry.naming import hue_family
from jindle_core.colorimetry.spaces import lab_to_hex, on_screen
from jindle_core.colorimetry.typed import TypedColour, read_typed
from jindle_core.media.groups import EVERY_COLUMN
from jindle_core.supplies.alike import like
from jindle_core.supplies.looked_for import by_looks, own_first
from jindle_core.supplies.whole import Supplies
from server.catalogue.api.targets import Target, target_of
from server.catalogue.arrays import catalogue_for
from server.catalogue.models import MEDIUM_CHOICES
from server.catalogue.swatches import match_told, swatch
from server.requests import Request
from server.told.find import Found, FoundValue, LikeInRange
from server.told.find import Like as LikeTold
from server.told.schema import component

_FOUND = 24
_NAMED = 8  # that are called so, before those that only look so


class FindQuery(serializers.Serializer):
    """What is typed, and among which supplies it is looked for."""

    q = serializers.CharField(
        required=False, allow_blank=True, default="", help_text="code, name, #rrggbb or Lab"
    )
    range = serializers.IntegerField(required=False, help_text="only of this range")
    medium = serializers.ChoiceField(choices=MEDIUM_CHOICES, required=False, help_text="only of this medium")
    ids = serializers.ListField(
        child=serializers.IntegerField(), required=False, help_text="these, where nothing is typed"
    )
    column = serializers.ChoiceField(
        choices=[(column.key, column.title) for column in EVERY_COLUMN],
        required=False,
        help_text="only supplies of this column of the palette table; a value then means the nearest",
    )


class Find(APIView):
    """Finding a colour by what somebody types."""

    @extend_schema(parameters=[FindQuery], responses=component(Found), operation_id="find")
    def get(self, request: Request) -> Response:
        """Colours by code or name, and the value where the text is #rrggbb or Lab."""
        given = FindQuery(data=request.query_params)
        given.is_valid(raise_exception=True)
        typed = given.validated_data["q"][: figures.palettes.NAME_LIMIT]
        column = given.validated_data.get("column")
        supplies = catalogue_for(request.user)
        value = read_typed(typed)
        kept = _within(supplies, given.validated_data)
        looks = False
        if column:
            places = _in_column(supplies, typed, value.lab if value else None, column)
            value = None
        elif not typed.strip():
            asked = given.validated_data.get("ids", [])
            places = [supplies.places[pk] for pk in asked if pk in supplies.places]
        else:
            places = (
                [] if value else own_first(supplies, typed, supplies.search.find(typed, len(supplies.rows)))
            )
        places = [place for place in places if kept[place]]
        if not column and value is None and typed.strip():
            seen = by_looks(supplies, typed, kept)
            looks = bool(seen)
            # A name that says so comes before what only looks so.
            places = list(dict.fromkeys([*places[:_NAMED], *seen])) if seen else places
        answer = Found(
            value=None if value is None else _value(value),
            described=looks,
            colours=[swatch(supplies, place) for place in places[:_FOUND]],
            more=len(places) > _FOUND,
        )
        return Response(answer)


def _value(value: TypedColour) -> FoundValue:
    lab = np.array(value.lab)
    return FoundValue(
        lab=[round(part, 2) for part in value.lab],
        hex=lab_to_hex(lab[None])[0],
        provenance=value.provenance,
        on_screen=bool(on_screen(lab)),
        hue_name=hue_family(value.lab),
    )


def _within(supplies: Supplies, asked: dict[str, Any]) -> np.ndarray:
    """Which places (n,) are of the range and the medium that are wanted, and not put away."""
    kept = ~supplies.lost
    if (pk := asked.get("range")) is not None:
        kept &= supplies.range_ids == pk
    if medium := asked.get("medium"):
        of = [one.id for one in supplies.ranges.values() if one.medium.value == medium]
        kept &= np.isin(supplies.range_ids, of)
    return np.asarray(kept)


def _in_column(
    supplies: Supplies, typed: str, lab: tuple[float, float, float] | None, column: str
) -> list[int]:
    """Places in a column of what is typed, or nearest to a value."""
    within = supplies.columns[column]
    if lab is not None:
        nearest: list[int] = supplies.nearest(np.array([lab]), _FOUND, within)[0].indices.tolist()
        return nearest
    there = set(within.tolist())
    found = supplies.search.find(typed, len(supplies.rows))
    return [place for place in found if place in there][: _FOUND + 1]


class LikeQuery(serializers.Serializer):
    """Which colour, and whether only what is owned counts."""

    colour = serializers.IntegerField(required=False, allow_null=True, default=None)
    value = serializers.CharField(required=False, allow_blank=True, default="", max_length=100)
    owned = serializers.BooleanField(default=False)


class Like(APIView):
    """What is like a colour, everywhere."""

    @extend_schema(parameters=[LikeQuery], responses=component(LikeTold), operation_id="like")
    def get(self, request: Request) -> Response:
        """The three nearest of every other range, by the id of a supply or by a typed value."""
        given = LikeQuery(data=request.query_params)
        given.is_valid(raise_exception=True)
        wanted = given.validated_data
        supplies = catalogue_for(request.user)
        target = target_of(supplies, wanted["colour"], wanted["value"])
        return Response(LikeTold(target=target.told, ranges=_like(supplies, target, wanted["owned"])))


def _like(supplies: Supplies, target: Target, owned: bool) -> list[LikeInRange]:
    own_range = None if target.place is None else supplies.rows[target.place].range_id
    return [
        LikeInRange(
            range_id=one.facts.id,
            range_name=one.facts.name,
            maker=one.facts.maker,
            medium=one.facts.medium.value,
            own=one.facts.own,
            matches=[match_told(each) for each in one.matches],
        )
        for one in like(supplies, target.lab, target.sigma, own_range, owned)
    ]
