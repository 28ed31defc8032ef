"""The API of a card's ground."""

from dataclasses import asdict

from drf_spectacular.utils import extend_schema
from rest_framework.parsers import MultiPartParser
from rest_framework.response import Response
from rest_framework.views import APIView

from jindle_core import figures
from jindle_core.blending.stencils import Stencil, StencilForm
from jindle_core.checked.on_ground import OnGround
from jindle_core.line_art.own_stencil import read_stencil
from jindle_core.offers.for_join import join_offers, rainbow_offers, together
from jindle_core.seen.ground import Grounded
from server.access import own_card
from server.cards.grounds.serializers import (
    PadsQuery,
    StencilFileSerializer,
)
from server.cards.held import checked_card
from server.cards.json.ground import ground_told, join_offers_told, rainbows_told, together_told
from server.catalogue.arrays import catalogue_for
from server.guarded import guarded
from server.requests import Request
from server.told.ground import Ground, Rainbow, WayOut
from server.told.ground import Stencil as StencilTold
from server.told.ground import TogetherMake as TogetherMakeTold
from server.told.schema import component


def _on_ground(request: Request, pk: int) -> OnGround:
    card = own_card(request.user, pk)
    return checked_card(card, catalogue_for(request.user), request.user).laid


def _grounded(request: Request, pk: int) -> Grounded:
    card = own_card(request.user, pk)
    return checked_card(card, catalogue_for(request.user), request.user).seen.ground


class CardGround(APIView):
    """The ground of a card."""

    @extend_schema(responses=component(Ground), operation_id="ground")
    def get(self, request: Request, pk: int) -> Response:
        """Pads and joins as predicted, what holds of the ground, and how it is laid."""
        return Response(ground_told(_on_ground(request, pk)))


class JoinWays(APIView):
    """Ways out of a join."""

    @extend_schema(
        parameters=[PadsQuery], responses=component(WayOut, many=True), operation_id="ways_out_of_join"
    )
    def get(self, request: Request, pk: int, at: int) -> Response:
        """What would be better than the join after a pad, with what it would give."""
        given = PadsQuery(data=request.query_params)
        given.is_valid(raise_exception=True)
        grounded = _grounded(request, pk)
        offers = join_offers(grounded, at, given.validated_data["owned"])
        return Response(join_offers_told(grounded, offers))


class GroundRainbows(APIView):
    """Finding a rainbow."""

    @extend_schema(parameters=[PadsQuery], responses=component(Rainbow, many=True), operation_id="rainbows")
    def get(self, request: Request, pk: int) -> Response:
        """Which two to five pads give the full circle with clean overlaps, the best first."""
        given = PadsQuery(data=request.query_params)
        given.is_valid(raise_exception=True)
        grounded = _grounded(request, pk)
        return Response(rainbows_told(rainbow_offers(grounded, given.validated_data["owned"])))


class Stencils(APIView):
    """Stencils of one's own."""

    parser_classes = (MultiPartParser,)

    @extend_schema(
        request={"multipart/form-data": StencilFileSerializer},
        responses=component(StencilTold),
        operation_id="read_stencil",
    )
    def post(self, request: Request) -> Response:
        """The openings that an SVG file cuts; nothing is stored."""
        given = StencilFileSerializer(data=request.data)
        given.is_valid(raise_exception=True)
        content = given.validated_data["file"].read(figures.drawings.LARGEST_DRAWING + 1)
        found = guarded(read_stencil, content)
        return Response(asdict(Stencil(StencilForm.OWN, found.openings, found.shape)))


class TogetherMake(APIView):
    """What the pads of a ground can make."""

    @extend_schema(responses=component(TogetherMakeTold), operation_id="what_pads_make")
    def get(self, request: Request, pk: int) -> Response:
        """Their best order, and what each two give where both lie."""
        grounded = _grounded(request, pk)
        return Response(together_told(grounded, together(grounded)))
