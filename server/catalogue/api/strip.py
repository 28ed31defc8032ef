"""The API of the strip of known swatches."""

from django.http import HttpResponse
from drf_spectacular.types import OpenApiTypes
from drf_spectacular.utils import OpenApiParameter, extend_schema
from rest_framework import serializers
from rest_framework.response import Response
from rest_framework.views import APIView

from jindle_core import figures
from jindle_core.errors import BadInput, Problem
from jindle_core.patterned.strip import strip
from jindle_core.supplies.unlike import most_unlike
from jindle_core.swatch_sheet import SHEETS
from server.accounts.models import Person
from server.catalogue.arrays import catalogue_for
from server.catalogue.downloads import download
from server.catalogue.printing import pdf
from server.catalogue.strips import check_strip, set_strip, strip_places
from server.catalogue.swatches import swatch
from server.requests import Request
from server.told.photographed import Strip as StripTold
from server.told.schema import component


class StripRequestSerializer(serializers.Serializer):
    """The colours that the strip is to have; left out: those of the drawer that are most unlike."""

    colours = serializers.ListField(child=serializers.IntegerField(), required=False, max_length=60)


class Strip(APIView):
    """The person's strip."""

    @extend_schema(responses=component(StripTold), operation_id="strip")
    def get(self, request: Request) -> Response:
        """The colours on it."""
        return Response(_told(request.user))

    @extend_schema(request=StripRequestSerializer, responses=component(StripTold), operation_id="set_strip")
    def put(self, request: Request) -> Response:
        """Have these colours on it; the printed one is then another one."""
        given = StripRequestSerializer(data=request.data)
        given.is_valid(raise_exception=True)
        supplies = catalogue_for(request.user)
        wanted = given.validated_data.get("colours")
        if wanted is None:
            places = most_unlike(supplies, figures.paper.STRIP_SWATCHES)
            wanted = [supplies.rows[place].id for place in places]
            if len(wanted) < figures.paper.KNOWN_LEAST:
                words = "Three colours that are unlike one another are wanted, and your supplies hold fewer."
                raise BadInput(Problem(words, field="colours", expected="markers, pads, pencils or pens"))
        check_strip(supplies, wanted)
        set_strip(request.user, wanted)
        return Response(_told(request.user))


class StripSheet(APIView):
    """The strip to print."""

    @extend_schema(
        parameters=[OpenApiParameter("sheet", str, enum=list(SHEETS))],
        responses={(200, "application/pdf"): OpenApiTypes.BINARY},
        operation_id="strip_sheet",
    )
    def get(self, request: Request) -> HttpResponse:
        """The strip twice, at its true size, its boxes empty."""
        boxes = _told(request.user).boxes
        if not boxes:
            raise BadInput(Problem("There is no strip yet: choose its colours.", field="colours"))
        sheet = request.query_params.get("sheet", "letter")
        width, height = SHEETS[sheet if sheet in SHEETS else "letter"]
        printed = strip()
        whole, margin = figures.paper.STRIP, figures.paper.SHEET_MARGIN
        told = {
            "title": "A strip of known swatches",
            "width": width,
            "height": height,
            "margin": margin,
            "whole": {"width": whole[0], "height": whole[1], "left": (width - whole[0]) / 2 - margin},
            "marks": printed.marks,
            "hole": printed.marks[0].inset(*[printed.marks[0].width / 3] * 4),
            "white": printed.white,
            "boxes": [{"area": area, "swatch": one} for area, one in zip(printed.boxes, boxes, strict=False)],
        }
        return download(pdf("print/strip.html", told), "application/pdf", "strip of known swatches.pdf")


def _told(person: Person) -> StripTold:
    supplies = catalogue_for(person)
    places = strip_places(person, supplies)
    return StripTold(
        boxes=[None if place is None else swatch(supplies, place) for place in places],
        most=figures.paper.STRIP_SWATCHES,
    )
