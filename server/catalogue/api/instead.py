"""The API of what to use instead of a colour, and of families in other ranges."""

from typing import Any

import numpy as np
from drf_spectacular.utils import extend_schema
from rest_framework import serializers
from rest_framework.response import Response
from rest_framework.views import APIView

from jindle_core.colorimetry.views import shades
from jindle_core.offers.for_colour import GlazeOffer, InkedOffer, Predicted, converted, instead_of
from jindle_core.offers.for_colour import Instead as Offered
from jindle_core.supplies.asked import place_of
from server.access import colours_seen_by, one, ranges_seen_by
from server.catalogue.arrays import catalogue_for
from server.catalogue.models import Colour
from server.catalogue.swatches import (
    VERDICT_CHOICES,
    MatchSerializer,
    ShadesSerializer,
    SwatchSerializer,
    match_told,
    nearness_told,
    swatch,
    swatch_told,
)
from server.requests import Request


class PredictedSerializer(serializers.Serializer):
    """A colour that is predicted, not read, and how near it would be."""

    lab = serializers.ListField(child=serializers.FloatField())
    shades = ShadesSerializer()
    distance = serializers.FloatField(help_text="ΔE00")
    uncertainty = serializers.FloatField(help_text="ΔE00, of target and prediction combined")
    verdict = serializers.ChoiceField(choices=VERDICT_CHOICES)
    tentative = serializers.BooleanField()
    direction = serializers.CharField()
    gain = serializers.FloatField(help_text="ΔE00 nearer than the nearest single colour that is owned")


class GlazeSerializer(PredictedSerializer):
    """One owned colour laid over another."""

    under = SwatchSerializer()
    over = SwatchSerializer()
    under_layers = serializers.IntegerField()
    over_layers = serializers.IntegerField()


class InkedSerializer(PredictedSerializer):
    """An owned white card inked whole with an owned pad."""

    pad = SwatchSerializer()
    card = SwatchSerializer()
    hand = serializers.CharField()


class InsteadSerializer(serializers.Serializer):
    """What can be used instead of a colour, from what the person owns."""

    swatch = SwatchSerializer()
    wanting = serializers.CharField(help_text="why something else is wanted; empty where nothing is amiss")
    nearest = MatchSerializer(many=True)
    glazes = GlazeSerializer(many=True)
    glaze_note = serializers.CharField(help_text="why there is no glaze, where there is none")
    inked = InkedSerializer(many=True)
    ink_note = serializers.CharField(help_text="why no card is inked, where none is")


class ConvertRequestSerializer(serializers.Serializer):
    """A family and the range it is wanted in."""

    colours = serializers.ListField(child=serializers.IntegerField(), max_length=20)
    range = serializers.IntegerField()
    owned = serializers.BooleanField(default=False)


class ToneStepSerializer(serializers.Serializer):
    """A step from one tone to the next darker one: ΔL* here and there."""

    here = serializers.FloatField()
    there = serializers.FloatField()
    gives_way = serializers.BooleanField()


class ConvertedSerializer(serializers.Serializer):
    """A family side by side with the one that corresponds to it."""

    tones = SwatchSerializer(many=True)
    found = MatchSerializer(many=True)
    steps = ToneStepSerializer(many=True)
    mean = serializers.FloatField(allow_null=True, help_text="mean ΔE00 of the family found")
    separate = serializers.FloatField(allow_null=True, help_text="mean ΔE00 of separate nearest ones")
    note = serializers.CharField()


class Instead(APIView):
    """What to use instead of a colour."""

    @extend_schema(responses=InsteadSerializer, operation_id="instead")
    def get(self, request: Request, pk: int) -> Response:
        """The nearest owned, the best glazes of two owned, and for card an own inked one."""
        colour: Colour = one(colours_seen_by(request.user), pk=pk)
        supplies = catalogue_for(request.user)
        place = place_of(supplies, colour.pk)
        return Response({"swatch": swatch(supplies, place)} | _instead(instead_of(supplies, place)))


def _instead(found: Offered) -> dict[str, Any]:
    return {
        "wanting": found.wanting,
        "nearest": [match_told(one) for one in found.nearest],
        "glazes": [glaze_told(one) for one in found.glazes],
        "glaze_note": found.glaze_note,
        "inked": [inked_told(one) for one in found.inked],
        "ink_note": found.ink_note,
    }


def glaze_told(one: GlazeOffer) -> dict[str, Any]:
    """As ``GlazeSerializer`` describes it."""
    told = {"under": swatch_told(one.under), "over": swatch_told(one.over)}
    layers = {"under_layers": one.under_layers, "over_layers": one.over_layers}
    return told | layers | _predicted(one.predicted)


def inked_told(one: InkedOffer) -> dict[str, Any]:
    """As ``InkedSerializer`` describes it."""
    told = {"pad": swatch_told(one.pad), "card": swatch_told(one.card), "hand": one.hand.value}
    return told | _predicted(one.predicted)


def _predicted(found: Predicted) -> dict[str, Any]:
    return {
        "lab": [round(value, 2) for value in found.lab],
        "shades": shades(np.array(found.lab))[0],
        "gain": round(found.gain, 2),
    } | nearness_told(found.near)


class ConvertFamily(APIView):
    """A family in another range."""

    @extend_schema(
        request=ConvertRequestSerializer, responses=ConvertedSerializer, operation_id="convert_family"
    )
    def post(self, request: Request) -> Response:
        """The colours of another range that correspond to a family as a set."""
        given = ConvertRequestSerializer(data=request.data)
        given.is_valid(raise_exception=True)
        wanted = given.validated_data
        supplies = catalogue_for(request.user)
        there = one(ranges_seen_by(request.user), pk=wanted["range"])
        here = [place_of(supplies, pk, "colours") for pk in dict.fromkeys(wanted["colours"])]
        found = converted(supplies, here, there.pk, wanted["owned"])
        return Response(
            {
                "tones": [swatch_told(one) for one in found.tones],
                "found": [match_told(one) for one in found.found],
                "steps": [
                    {"here": round(step.here, 1), "there": round(step.there, 1), "gives_way": step.gives_way}
                    for step in found.steps
                ],
                "mean": None if found.mean is None else round(found.mean, 2),
                "separate": None if found.separate is None else round(found.separate, 2),
                "note": found.note,
            }
        )
