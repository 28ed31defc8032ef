"""The API of what to use instead of a colour, and of families in other ranges."""

import numpy as np
from drf_spectacular.utils import extend_schema
from rest_framework import serializers
from rest_framework.response import Response
from rest_framework.views import APIView

from jindle_core.colorimetry.views import shades
from jindle_core.offers.for_colour import GlazeOffer, InkedOffer, Predicted, converted, instead_of
from jindle_core.supplies.asked import place_of
from server.access import colours_seen_by, one, ranges_seen_by
from server.catalogue.arrays import catalogue_for
from server.catalogue.models import Colour
from server.catalogue.swatches import match_told, nearness_told, swatch, swatch_told
from server.requests import Request
from server.told.instead import Converted, Glaze, Inked, ToneStep
from server.told.instead import Instead as InsteadTold
from server.told.instead import Predicted as PredictedTold
from server.told.schema import component


class ConvertRequestSerializer(serializers.Serializer):
    """A family and the range it is wanted in."""

    colours = serializers.ListField(child=serializers.IntegerField(), max_length=20)
    range = serializers.IntegerField()
    owned = serializers.BooleanField(default=False)


class Instead(APIView):
    """What to use instead of a colour."""

    @extend_schema(responses=component(InsteadTold), operation_id="instead")
    def get(self, request: Request, pk: int) -> Response:
        """The nearest owned, the best glazes of two owned, and for card an own inked one."""
        colour: Colour = one(colours_seen_by(request.user), pk=pk)
        supplies = catalogue_for(request.user)
        place = place_of(supplies, colour.pk)
        found = instead_of(supplies, place)
        return Response(
            InsteadTold(
                swatch=swatch(supplies, place),
                wanting=found.wanting,
                nearest=[match_told(one) for one in found.nearest],
                glazes=[glaze_told(one) for one in found.glazes],
                glaze_note=found.glaze_note,
                inked=[inked_told(one) for one in found.inked],
                ink_note=found.ink_note,
            )
        )


def glaze_told(one: GlazeOffer) -> Glaze:
    """A glaze that is offered."""
    return Glaze(
        under=swatch_told(one.under),
        over=swatch_told(one.over),
        under_layers=one.under_layers,
        over_layers=one.over_layers,
        unread=one.unread,
        **vars(_predicted(one.predicted)),
    )


def inked_told(one: InkedOffer) -> Inked:
    """A card inked by oneself that is offered."""
    pad, card = swatch_told(one.pad), swatch_told(one.card)
    return Inked(pad=pad, card=card, hand=one.hand, **vars(_predicted(one.predicted)))


def _predicted(found: Predicted) -> PredictedTold:
    return PredictedTold(
        lab=[round(value, 2) for value in found.lab],
        shades=shades(np.array(found.lab))[0],
        gain=round(found.gain, 2),
        **nearness_told(found.near),
    )


class ConvertFamily(APIView):
    """A family in another range."""

    @extend_schema(
        request=ConvertRequestSerializer, responses=component(Converted), operation_id="convert_family"
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
            Converted(
                tones=[swatch_told(one) for one in found.tones],
                found=[match_told(one) for one in found.found],
                steps=[
                    ToneStep(here=round(step.here, 1), there=round(step.there, 1), gives_way=step.gives_way)
                    for step in found.steps
                ],
                mean=None if found.mean is None else round(found.mean, 2),
                separate=None if found.separate is None else round(found.separate, 2),
                note=found.note,
            )
        )
