"""The API of how a card is built."""

from django.http import HttpResponse
from drf_spectacular.types import OpenApiTypes
from drf_spectacular.utils import extend_schema
from rest_framework.request import Request
from rest_framework.response import Response
from rest_framework.views import APIView

from server.access import cards_of, one
from server.cards.building.built import Built
from server.cards.building.pdf import cutting_pdf
from server.cards.building.serializers import BuildSerializer, CuttingQuery, CuttingSerializer
from server.cards.resolve import ResolvedPlan
from server.catalogue.arrays import catalogue_for
from server.catalogue.downloads import download


def _built(request: Request, pk: int) -> Built:
    card = one(cards_of(request.user), pk=pk)
    return Built(ResolvedPlan(card.plan, catalogue_for(request.user)), request.user.units)


class CardBuild(APIView):
    """How a card is built."""

    @extend_schema(responses=BuildSerializer, operation_id="build")
    def get(self, request: Request, pk: int) -> Response:
        """Its pieces with their sizes, places and heights, and how they fit and stand."""
        return Response(_built(request, pk).told())


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
        built = _built(request, pk)
        cutting = built.cutting(given.sheet(), given.validated_data["count"])
        made = cutting_pdf(f"Cutting: {built.resolved.plan.name}", built.told(), cutting)
        return download(made, "application/pdf", "cutting.pdf")


class CardCutting(APIView):
    """What is cut out of which sheet."""

    @extend_schema(parameters=[CuttingQuery], responses=CuttingSerializer, operation_id="cutting")
    def get(self, request: Request, pk: int) -> Response:
        """The pieces of so many cards, laid on few sheets that a trimmer can cut."""
        given = CuttingQuery(data=request.query_params)
        given.is_valid(raise_exception=True)
        return Response(_built(request, pk).cutting(given.sheet(), given.validated_data["count"]))
