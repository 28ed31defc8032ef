"""The API of how a card's pictures are coloured."""

from drf_spectacular.utils import extend_schema
from rest_framework.response import Response
from rest_framework.views import APIView

from jindle_core.checked.shading import proposed
from jindle_core.checked.whole import CheckedCard
from jindle_core.seen.filled import picture_seen
from jindle_core.seen.whole import SeenCard
from jindle_core.supplies.choose import papers_to_try
from server.access import own_card
from server.cards import actions
from server.cards.colouring_serializers import (
    OffersQuery,
    OfPictureQuery,
    ProposeSerializer,
)
from server.cards.held import checked_card
from server.cards.json.colouring import colouring_told
from server.cards.json.offers import area_offers_told
from server.cards.json.picture import picture_told
from server.catalogue.arrays import catalogue_for
from server.catalogue.swatches import swatch
from server.requests import Request
from server.told.colouring import Colouring, Offers, OnPaper
from server.told.schema import component
from server.told.staged import CardWithStage


def _checked(request: Request, pk: int) -> CheckedCard:
    card = own_card(request.user, pk)
    return checked_card(card, catalogue_for(request.user), request.user)


def _seen(request: Request, pk: int) -> SeenCard:
    return _checked(request, pk).seen


class CardColouring(APIView):
    """How a card's pictures are coloured."""

    @extend_schema(responses=component(Colouring), operation_id="colouring")
    def get(self, request: Request, pk: int) -> Response:
        """Areas with their families, what holds of them, the order of work, and the materials."""
        return Response(colouring_told(_checked(request, pk)))


class CardOnPapers(APIView):
    """A picture on other papers."""

    @extend_schema(
        parameters=[OfPictureQuery], responses=component(OnPaper, many=True), operation_id="picture_on_papers"
    )
    def get(self, request: Request, pk: int) -> Response:
        """The picture as it would look on white, and on each kind of cardstock that there is."""
        asked = OfPictureQuery(data=request.query_params)
        asked.is_valid(raise_exception=True)
        seen = _seen(request, pk)
        coloured = seen.picture(asked.validated_data["picture"])
        return Response(
            [
                OnPaper(
                    paper=None if paper is None else swatch(seen.supplies, paper),
                    words=words,
                    uncertainty=round(there.sigma, 1),
                    picture=None if (drawn := picture_seen(there)) is None else picture_told(drawn),
                )
                for words, paper in papers_to_try(seen.supplies)
                for there in (coloured.on_paper(paper),)
            ]
        )


class CardPropose(APIView):
    """Families for the areas of a card."""

    @extend_schema(
        request=ProposeSerializer, responses=component(CardWithStage), operation_id="propose_families"
    )
    def post(self, request: Request, pk: int) -> Response:
        """Choose the best family for each of some areas, or of all without one; one step to undo."""
        given = ProposeSerializer(data=request.data)
        given.is_valid(raise_exception=True)
        asked = given.validated_data
        card = own_card(request.user, pk)
        supplies = catalogue_for(request.user)
        seen = checked_card(card, supplies, request.user).seen
        pictures = seen.coloured if asked["picture"] is None else [seen.picture(asked["picture"])]
        change = proposed(pictures, asked["areas"], asked["owned"])
        return Response(actions.change_card(card, asked["version"], change, supplies, "colouring"))


class AreaFamilies(APIView):
    """Families for one area."""

    @extend_schema(parameters=[OffersQuery], responses=component(Offers), operation_id="area_families")
    def get(self, request: Request, pk: int, key: int) -> Response:
        """The best families for it, and what would make its own whole."""
        coloured = _seen(request, pk).picture_of(key)
        given = OffersQuery(data=request.query_params)
        given.is_valid(raise_exception=True)
        asked = given.validated_data
        area = coloured.area(key)
        return Response(area_offers_told(coloured, area, asked["owned"], asked["tones"]))
