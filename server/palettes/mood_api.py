"""The API of seasons and places as ways into a palette."""

from typing import Any

import numpy as np
from drf_spectacular.utils import extend_schema
from rest_framework import serializers, status
from rest_framework.response import Response
from rest_framework.views import APIView

from jindle_core import figures
from jindle_core.colorimetry.spaces import hue_to_lab
from jindle_core.colorimetry.views import shades
from jindle_core.errors import Problem
from jindle_core.palettes.landing import land
from jindle_core.palettes.moods import HueRegion, Mood
from jindle_core.supplies.whole import Supplies
from server.access import moods_of, one
from server.catalogue.arrays import catalogue_for
from server.palettes.api import LandQuery
from server.palettes.moods import OWN, every_mood, keep_mood
from server.palettes.views import landings, places_of
from server.requests import Request
from server.told.made import Made
from server.told.palettes import HueRegionSeen
from server.told.palettes import Mood as MoodTold
from server.told.schema import component

_ABOUT = 300  # characters of a reason


class HueRegionSerializer(serializers.Serializer):
    """A part of the circle, in degrees of Oklab's hue."""

    middle = serializers.FloatField(min_value=0, max_value=359.99)
    reach = serializers.FloatField(min_value=0, max_value=figures.palettes.MOOD_REACH)


class MoodSaidSerializer(LandQuery):
    """A season or place as a person says it; it is kept only where that is wanted."""

    title = serializers.CharField(max_length=figures.palettes.NAME_LIMIT)
    about = serializers.CharField(max_length=_ABOUT, allow_blank=True, default="")
    hues = HueRegionSerializer(many=True)
    lightness = serializers.ListField(child=serializers.FloatField(), min_length=2, max_length=2)
    chroma = serializers.ListField(child=serializers.FloatField(), min_length=2, max_length=2)
    keep = serializers.BooleanField(default=False)


def _told(mood: Mood, supplies: Supplies, asked: dict[str, Any]) -> MoodTold:
    places = places_of(supplies, asked["column"], asked["owned"])
    (found,) = land([mood.rule], mood.base, supplies.searched.landable(asked["column"], asked["owned"]))
    middle = np.full(len(mood.hues), (mood.lightness[0] + mood.lightness[1]) / 2)
    hues = np.array([one.middle for one in mood.hues])
    seen = shades(hue_to_lab(middle, hues, np.full(len(hues), mood.chroma[1])))
    missing = found.message if isinstance(found, Problem) else ""
    return MoodTold(
        key=mood.key,
        title=mood.title,
        about=mood.about,
        own=int(key) if (key := mood.key.removeprefix(f"{OWN}:")).isdecimal() else None,
        hues=[
            HueRegionSeen(middle=one.middle, reach=one.reach, shades=shade)
            for one, shade in zip(mood.hues, seen, strict=True)
        ],
        lightness=mood.lightness,
        chroma=mood.chroma,
        landing=None if isinstance(found, Problem) else landings(supplies, places, [found])[0],
        missing=missing,
    )


class Moods(APIView):
    """Seasons and places."""

    @extend_schema(parameters=[LandQuery], responses=component(MoodTold, many=True), operation_id="moods")
    def get(self, request: Request) -> Response:
        """Every one, own ones first, each with the palette that it lands on in a column."""
        given = LandQuery(data=request.query_params)
        given.is_valid(raise_exception=True)
        supplies = catalogue_for(request.user)
        return Response([_told(one, supplies, given.validated_data) for one in every_mood(request.user)])

    @extend_schema(
        request=MoodSaidSerializer,
        responses={200: component(MoodTold), 201: component(Made)},
        operation_id="say_mood",
    )
    def post(self, request: Request) -> Response:
        """One as it is said, with what it lands on; kept where that is wanted."""
        given = MoodSaidSerializer(data=request.data)
        given.is_valid(raise_exception=True)
        asked = given.validated_data
        mood = Mood(
            OWN,
            asked["title"],
            asked["about"],
            tuple(HueRegion(**one) for one in asked["hues"]),
            tuple(asked["lightness"]),
            tuple(asked["chroma"]),
        )
        if not asked["keep"]:
            return Response(_told(mood, catalogue_for(request.user), asked))
        kept = keep_mood(request.user, mood)
        return Response(Made(id=kept.pk), status.HTTP_201_CREATED)


class OneMood(APIView):
    """A season or place of one's own."""

    @extend_schema(responses={204: None}, operation_id="delete_mood")
    def delete(self, request: Request, pk: int) -> Response:
        """Forget it."""
        one(moods_of(request.user), pk=pk).delete()
        return Response(status=status.HTTP_204_NO_CONTENT)
