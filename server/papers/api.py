"""The API of patterned papers."""

import numpy as np
from django.http import HttpResponse
from drf_spectacular.types import OpenApiTypes
from drf_spectacular.utils import OpenApiParameter, extend_schema
from rest_framework import serializers, status
from rest_framework.parsers import JSONParser, MultiPartParser
from rest_framework.response import Response
from rest_framework.views import APIView

from jindle_core import figures
from jindle_core.colorimetry.naming import own_names
from jindle_core.errors import BadInput, Problem
from jindle_core.interchange.bare_picture import jpeg
from jindle_core.interchange.picture import as_image
from jindle_core.lengths import OF_SHEETS, read_length
from jindle_core.offers.from_sheet import going, starts
from jindle_core.provenance import Provenance
from jindle_core.seen.palette import SeenPalette
from server.access import (
    deleted_papers_of,
    one,
    own_card,
    own_paper,
    papers_offered_to,
    papers_on_shelf,
    papers_seen_by,
)
from server.accounts.models import Person
from server.cards.actions import start_card
from server.cards.serializers import SizeRequestSerializer
from server.catalogue.api.fields import JsonField
from server.catalogue.arrays import catalogue_for
from server.papers.actions import Named, set_width, store_paper
from server.papers.reading import ReadPaperSerializer, content_of, read_sheet
from server.papers.views import VIEWS, in_view, sheet
from server.requests import Request
from server.shelf.actions import delete
from server.streams import finished
from server.told.made import Made
from server.told.papers import Going, Paper
from server.told.schema import component
from standins.camera import is_made_up


class StorePaperSerializer(ReadPaperSerializer):
    """The same, to be kept."""

    title = serializers.CharField(max_length=120)
    collection = serializers.CharField(max_length=figures.palettes.NAME_LIMIT)
    names = JsonField(required=False, help_text="JSON: a name for each colour, or nothing")
    width = serializers.CharField(
        required=False, allow_blank=True, max_length=40, help_text="of what the picture shows, with its unit"
    )


class WidthSerializer(serializers.Serializer):
    """How wide what a picture shows is, with its unit."""

    width = serializers.CharField(max_length=40)


class StartSerializer(serializers.Serializer):
    """A card to be started from a sheet."""

    name = serializers.CharField(max_length=figures.palettes.NAME_LIMIT)
    size = SizeRequestSerializer()
    colours = serializers.ListField(child=serializers.IntegerField(), min_length=1, max_length=12)


def _millimetres(typed: str, person: Person) -> float | None:
    """A width as it is typed; None where nothing is."""
    if not typed.strip():
        return None
    return float(read_length(typed, person.units, "width", OF_SHEETS).millimetres)


class Papers(APIView):
    """The shelf of papers."""

    parser_classes = [MultiPartParser]

    @extend_schema(responses=component(Paper, many=True), operation_id="papers")
    def get(self, request: Request) -> Response:
        """Every sheet, own ones first; also those that were put by, which say so."""
        supplies = catalogue_for(request.user)
        found = papers_on_shelf(request.user).select_related("range").defer("picture")
        told = [sheet(paper, supplies, request.user) for paper in found]
        return Response(sorted(told, key=lambda one: not one.own))

    @extend_schema(
        request={"multipart/form-data": StorePaperSerializer},
        responses={201: component(Paper)},
        operation_id="store_paper",
    )
    def post(self, request: Request) -> Response:
        """Read the picture and keep the sheet as it is corrected, made anew without what stood beside it."""
        given = StorePaperSerializer(data=request.data)
        given.is_valid(raise_exception=True)
        values = given.validated_data
        content = content_of(values)
        read = finished(read_sheet(request.user, values, content))
        colours = read.colours
        names = values.get("names") or []
        if not isinstance(names, list) or len(names) > len(colours):
            raise BadInput(Problem("Names are a list, one a colour.", field="names"))
        names += [""] * (len(colours) - len(names))
        usual = own_names(np.array([colour.lab for colour in colours]))
        given_or_usual = zip(colours, names, usual, strict=True)
        named = [
            Named(colour.lab, colour.share, str(name or "").strip() or usual)
            for colour, name, usual in given_or_usual
        ]
        provenance: Provenance = "photographed" if read.box else "screen"
        width = _millimetres(values.get("width", ""), request.user)
        picture = jpeg(as_image(read.corrected.even))
        paper = store_paper(
            *(request.user, values["collection"], values["title"], picture, named, provenance, width),
            simulated=is_made_up(content),
        )
        answer = sheet(paper, catalogue_for(request.user), request.user)
        return Response(answer, status=status.HTTP_201_CREATED)


class OnePaper(APIView):
    """A sheet."""

    @extend_schema(responses=component(Paper), operation_id="paper")
    def get(self, request: Request, pk: int) -> Response:
        """The sheet and its colours."""
        paper = one(papers_seen_by(request.user).select_related("range"), pk=pk)
        return Response(sheet(paper, catalogue_for(request.user), request.user))

    @extend_schema(request=WidthSerializer, responses=component(Paper), operation_id="measure_paper")
    def patch(self, request: Request, pk: int) -> Response:
        """Say how wide what the picture of an own sheet shows is."""
        paper = own_paper(request.user, pk)
        given = WidthSerializer(data=request.data)
        given.is_valid(raise_exception=True)
        width = _millimetres(given.validated_data["width"], request.user)
        if width is None:
            raise BadInput(Problem("Say how wide it is, such as 12 in or 300 mm.", field="width"))
        set_width(paper, width)
        return Response(sheet(paper, catalogue_for(request.user), request.user))

    @extend_schema(responses={204: None}, operation_id="delete_paper")
    def delete(self, request: Request, pk: int) -> Response:
        """Take an own sheet off the shelf; it can be brought back for some time."""
        delete(own_paper(request.user, pk), deleted_papers_of(request.user))
        return Response(status=status.HTTP_204_NO_CONTENT)


class PaperPicture(APIView):
    """The picture of a sheet."""

    @extend_schema(
        parameters=[OpenApiParameter("view", str, enum=VIEWS)],
        responses={(200, kind): OpenApiTypes.BINARY for kind in ("image/jpeg", "image/png")},
        operation_id="paper_picture",
    )
    def get(self, request: Request, pk: int) -> HttpResponse:
        """The picture in its colours or as a view shows them, for those who may see the sheet."""
        paper = one(papers_seen_by(request.user), pk=pk)
        view = request.query_params.get("view", "colour")
        content, mime = bytes(paper.picture), paper.mime
        if view in VIEWS and view != "colour":
            content, mime = in_view(content, view), "image/png"
        answer = HttpResponse(content, content_type=mime)
        answer["Cache-Control"] = "private, max-age=86400"
        return answer


class PaperStart(APIView):
    """Starting a card from a sheet."""

    parser_classes = [JSONParser]

    @extend_schema(request=StartSerializer, responses={201: component(Made)}, operation_id="start_from_paper")
    def post(self, request: Request, pk: int) -> Response:
        """A card with these of the sheet's colours, greys that suit it, and lettering that reads on it."""
        paper = one(papers_seen_by(request.user).select_related("range"), pk=pk)
        given = StartSerializer(data=request.data)
        given.is_valid(raise_exception=True)
        values = given.validated_data
        supplies = catalogue_for(request.user)
        places = supplies.sheets.get((paper.range_id, paper.title), [])
        wanted = set(values["colours"])
        chosen = [place for place in places if supplies.rows[place].id in wanted]
        if len(chosen) != len(wanted):
            raise BadInput(Problem("One of these colours is not of this sheet.", field="colours"))
        card = start_card(request.user, values["name"], values["size"], starts(supplies, paper.title, chosen))
        return Response(Made(id=card.pk), status=status.HTTP_201_CREATED)


class CardPapers(APIView):
    """Which sheets go with a card."""

    @extend_schema(responses=component(Going, many=True), operation_id="papers_for_card")
    def get(self, request: Request, pk: int) -> Response:
        """Every sheet, ranked by how much of it the card's palette knows, with the reason."""
        card = own_card(request.user, pk)
        supplies = catalogue_for(request.user)
        palette = SeenPalette(card.value, supplies)
        if not palette.card.colours:
            return Response([])
        told = []
        for paper in papers_offered_to(request.user).select_related("range").defer("picture"):
            places = supplies.sheets.get((paper.range_id, paper.title), [])
            if places:
                found, why = going(palette, places)
                one_sheet = sheet(paper, supplies, request.user)
                told.append((found.rank, Going(paper=one_sheet, agrees=round(found.agrees, 3), reason=why)))
        return Response([one for _, one in sorted(told, key=lambda ranked: -ranked[0])])
