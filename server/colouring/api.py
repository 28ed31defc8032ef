"""The API of line drawings and kept families."""

from django.http import HttpResponse
from drf_spectacular.types import OpenApiTypes
from drf_spectacular.utils import OpenApiParameter, extend_schema
from rest_framework import serializers, status
from rest_framework.parsers import MultiPartParser
from rest_framework.response import Response
from rest_framework.views import APIView

from jindle_core import figures
from jindle_core.errors import BadInput, Problem
from jindle_core.line_art.svg import read_svg
from jindle_core.media.groups import PICTURE_MEDIA
from jindle_core.supplies.asked import tones_of
from jindle_core.supplies.whole import Supplies
from jindle_core.swatch_sheet import SHEETS
from server.access import deleted_drawings_of, drawings_seen_by, kept_families_of, one, own_drawing
from server.catalogue.arrays import catalogue_for
from server.catalogue.downloads import download
from server.catalogue.printing import pdf
from server.catalogue.swatches import swatch
from server.colouring.actions import keep_family, store_drawing
from server.colouring.models import KeptFamily
from server.guarded import guarded
from server.requests import Request
from server.shelf.actions import delete
from server.told.drawings import Drawing, StoredDrawing
from server.told.drawings import KeptFamily as KeptFamilyTold
from server.told.made import Made
from server.told.schema import component


class StoreDrawingSerializer(serializers.Serializer):
    """An SVG file and what it is called."""

    file = serializers.FileField(allow_empty_file=True)
    name = serializers.CharField(max_length=figures.palettes.NAME_LIMIT)


class KeepFamilySerializer(serializers.Serializer):
    """Colours of one medium and a name."""

    name = serializers.CharField(max_length=figures.palettes.NAME_LIMIT)
    colours = serializers.ListField(child=serializers.IntegerField())


class Drawings(APIView):
    """The line drawings."""

    parser_classes = (MultiPartParser,)

    @extend_schema(responses=component(Drawing, many=True), operation_id="drawings")
    def get(self, request: Request) -> Response:
        """The shared drawings and the person's own."""
        return Response(
            [
                Drawing(
                    id=drawing.pk,
                    name=drawing.name,
                    own=drawing.owner_id is not None,
                    put_by=drawing.put_by is not None,
                    width=drawing.shapes.width,
                    height=drawing.shapes.height,
                    areas=len(drawing.shapes.shapes),
                    paths=[*(shape.path for shape in drawing.shapes.shapes), *drawing.shapes.lines],
                    notes=drawing.shapes.notes,
                )
                for drawing in drawings_seen_by(request.user)
            ]
        )

    @extend_schema(
        request={"multipart/form-data": StoreDrawingSerializer},
        responses={201: component(StoredDrawing)},
        operation_id="store_drawing",
    )
    def post(self, request: Request) -> Response:
        """Read an SVG file and keep its shapes; nothing else of the file is kept."""
        given = StoreDrawingSerializer(data=request.data)
        given.is_valid(raise_exception=True)
        file = given.validated_data["file"]
        if file.size > figures.drawings.LARGEST_DRAWING:
            raise BadInput(
                Problem(
                    f"The drawing is larger than {figures.drawings.LARGEST_DRAWING // 2**20} MB.",
                    field="file",
                )
            )
        found = guarded(read_svg, file.read())
        stored = store_drawing(request.user, given.validated_data["name"], found)
        return Response(
            StoredDrawing(id=stored.pk, areas=len(found.shapes), notes=found.notes),
            status=status.HTTP_201_CREATED,
        )


class OneDrawing(APIView):
    """A line drawing."""

    @extend_schema(responses={204: None}, operation_id="delete_drawing")
    def delete(self, request: Request, pk: int) -> Response:
        """Delete an own drawing; it can be brought back. Cards coloured with it keep their areas."""
        delete(own_drawing(request.user, pk), deleted_drawings_of(request.user))
        return Response(status=status.HTTP_204_NO_CONTENT)


class KeptFamilies(APIView):
    """The families that were kept."""

    @extend_schema(responses=component(KeptFamilyTold, many=True), operation_id="kept_families")
    def get(self, request: Request) -> Response:
        """Every kept family with its colours as they are now."""
        supplies = catalogue_for(request.user)
        return Response([_told(supplies, kept) for kept in kept_families_of(request.user)])

    @extend_schema(request=KeepFamilySerializer, responses={201: component(Made)}, operation_id="keep_family")
    def post(self, request: Request) -> Response:
        """Keep colours of one medium, sorted from light to dark, under a name."""
        given = KeepFamilySerializer(data=request.data)
        given.is_valid(raise_exception=True)
        supplies = catalogue_for(request.user)
        medium, ids = tones_of(supplies, given.validated_data["colours"], "colours")
        if medium not in PICTURE_MEDIA:
            raise BadInput(
                Problem(
                    f"Areas are not coloured with {medium}." if medium else "There are no colours to keep.",
                    field="colours",
                    expected=", ".join(PICTURE_MEDIA),
                )
            )
        kept = keep_family(request.user, given.validated_data["name"], ids)
        return Response(Made(id=kept.pk), status=status.HTTP_201_CREATED)


class OneKeptFamily(APIView):
    """A family that was kept."""

    @extend_schema(responses={204: None}, operation_id="delete_kept_family")
    def delete(self, request: Request, pk: int) -> Response:
        """Forget it; areas that use it keep their colours."""
        one(kept_families_of(request.user), pk=pk).delete()
        return Response(status=status.HTTP_204_NO_CONTENT)


class FamiliesSheet(APIView):
    """A card of one's families, to print."""

    @extend_schema(
        parameters=[OpenApiParameter("sheet", str, enum=list(SHEETS))],
        responses={(200, "application/pdf"): OpenApiTypes.BINARY},
        operation_id="families_sheet",
    )
    def get(self, request: Request) -> HttpResponse:
        """Every kept family: a box to fill for each tone, its code and name, and its step in lightness."""
        sheet = request.query_params.get("sheet", "letter")
        sheet = sheet if sheet in SHEETS else "letter"
        supplies = catalogue_for(request.user)
        families = [_told(supplies, kept) for kept in kept_families_of(request.user)]
        width, height = SHEETS[sheet]
        told = {"title": "My shading families", "families": families, "width": width, "height": height}
        return download(pdf("print/families.html", told), "application/pdf", "families.pdf")


def _told(supplies: Supplies, kept: KeptFamily) -> KeptFamilyTold:
    known = (supplies.places.get(pk) for pk in kept.colours)
    places = [place for place in known if place is not None and not supplies.lost[place]]
    return KeptFamilyTold(
        id=kept.pk,
        name=kept.name,
        tones=[swatch(supplies, place) for place in places],
        lost=len(kept.colours) - len(places),
    )
