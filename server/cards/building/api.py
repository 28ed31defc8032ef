"""The API of how a card is built."""

from fractions import Fraction

from django.http import HttpResponse
from drf_spectacular.types import OpenApiTypes
from drf_spectacular.utils import extend_schema
from rest_framework.parsers import MultiPartParser
from rest_framework.response import Response
from rest_framework.views import APIView

from jindle_core import figures
from jindle_core.checked.build import Examined
from jindle_core.lengths import OF_PIECES, Length, read_length
from jindle_core.line_art.own_outline import read_outline
from jindle_core.offers.layouts import layout_offers
from jindle_core.planning.cutting import Cutting
from server.access import own_card
from server.cards.building.cutting_serializers import CuttingQuery
from server.cards.building.inside_serializers import InsideQuery
from server.cards.building.pdf import cutting_pdf
from server.cards.building.serializers import (
    OutlineFileSerializer,
)
from server.cards.held import checked_card
from server.cards.json.build import build_told
from server.cards.json.cutting import cutting_told
from server.cards.json.desk import desk_told
from server.cards.json.inside import inside_told
from server.cards.json.offers import piece_offers_told
from server.catalogue.arrays import catalogue_for
from server.catalogue.downloads import download
from server.guarded import guarded
from server.requests import Request
from server.told.build import Build, Layout, OwnOutline
from server.told.build import PieceInstead as PieceInsteadTold
from server.told.cutting import Cutting as CuttingTold
from server.told.inside import Inside
from server.told.schema import component


def _examined(request: Request, pk: int) -> Examined:
    card = own_card(request.user, pk)
    return checked_card(card, catalogue_for(request.user), request.user).examined


class CardBuild(APIView):
    """How a card is built."""

    @extend_schema(responses=component(Build), operation_id="build")
    def get(self, request: Request, pk: int) -> Response:
        """Its pieces with their sizes, places and heights, and how they fit and stand."""
        return Response(build_told(_examined(request, pk), request.user.units))


class CardLayouts(APIView):
    """With which layouts a card can begin."""

    @extend_schema(responses=component(Layout, many=True), operation_id="layouts")
    def get(self, request: Request, pk: int) -> Response:
        """Each as this card would look."""
        card = own_card(request.user, pk)
        seen = checked_card(card, catalogue_for(request.user), request.user).seen
        return Response(
            [
                Layout(key=one.key, words=one.words, desk=desk_told(desk, inside=False))
                for one, desk in layout_offers(seen)
            ]
        )


class CardInside(APIView):
    """The inside of a card."""

    @extend_schema(parameters=[InsideQuery], responses=component(Inside), operation_id="inside")
    def get(self, request: Request, pk: int) -> Response:
        """How much can be written there, and ways to lay it out with what is on the front."""
        given = InsideQuery(data=request.query_params)
        given.is_valid(raise_exception=True)
        card = own_card(request.user, pk)
        checked = checked_card(card, catalogue_for(request.user), request.user)
        return Response(inside_told(checked, given.validated_data["words"]))


class PieceInstead(APIView):
    """What a piece could be instead."""

    @extend_schema(responses=component(PieceInsteadTold, many=True), operation_id="piece_instead")
    def get(self, request: Request, pk: int, key: int) -> Response:
        """The card as it is, without it, and with it inked by oneself, white, black, kraft, metallic."""
        examined = _examined(request, pk)
        return Response(piece_offers_told(examined, examined.stack.where.piece(key)))


class CuttingSheet(APIView):
    """What is cut, to print."""

    @extend_schema(
        parameters=[CuttingQuery],
        responses={(200, "application/pdf"): OpenApiTypes.BINARY},
        operation_id="cutting_sheet",
    )
    def get(self, request: Request, pk: int) -> HttpResponse:
        """The list of pieces with a ruler to check the printer, then every sheet in its true size."""
        given = CuttingQuery(data=request.query_params)
        given.is_valid(raise_exception=True)
        examined = _examined(request, pk)
        title = f"Cutting: {examined.stack.palette.card.name}"
        cutting = cutting_told(Cutting(examined.stack, **given.asked()))
        made = cutting_pdf(title, build_told(examined, request.user.units), cutting)
        return download(made, "application/pdf", "cutting.pdf")


class CardCutting(APIView):
    """What is cut out of which sheet."""

    @extend_schema(parameters=[CuttingQuery], responses=component(CuttingTold), operation_id="cutting")
    def get(self, request: Request, pk: int) -> Response:
        """The pieces of so many cards, laid on few sheets that a trimmer can cut."""
        given = CuttingQuery(data=request.query_params)
        given.is_valid(raise_exception=True)
        return Response(cutting_told(Cutting(_examined(request, pk).stack, **given.asked())))


class Outlines(APIView):
    """Outlines of one's own."""

    parser_classes = (MultiPartParser,)

    @extend_schema(
        request={"multipart/form-data": OutlineFileSerializer},
        responses=component(OwnOutline),
        operation_id="read_outline",
    )
    def post(self, request: Request) -> Response:
        """The outline that an SVG file cuts, measured; nothing is stored."""
        given = OutlineFileSerializer(data=request.data)
        given.is_valid(raise_exception=True)
        content = given.validated_data["file"].read(figures.drawings.LARGEST_DRAWING + 1)
        unit = given.validated_data["unit"]
        found = guarded(read_outline, content)
        wide = found.width
        if wide is None:
            wide = float(read_length(given.validated_data["width"], unit, "width", OF_PIECES).millimetres)
        width, height = (
            Length.near(Fraction(side).limit_denominator(10_000), unit) for side in (wide, wide / found.shape)
        )
        return Response(
            OwnOutline(
                ring=found.ring,
                measured=found.width is not None,
                width=width.text(),
                height=height.text(),
                notes=found.notes,
            )
        )
