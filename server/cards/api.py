"""The API of cards."""

from drf_spectacular.utils import (
    PolymorphicProxySerializer,
    extend_schema,
    inline_serializer,
)
from rest_framework import serializers, status
from rest_framework.request import Request
from rest_framework.response import Response
from rest_framework.views import APIView

from jindle_core.errors import BadInput, Problem
from server.access import cards_of, one
from server.cards import actions, views
from server.cards.changes import CHANGE_SERIALIZERS, read_change
from server.cards.models import Card
from server.cards.resolve import ResolvedPlan
from server.cards.serializers import (
    COLUMN_CHOICES,
    AlternativesSerializer,
    CardSerializer,
    CardsSerializer,
    MendsSerializer,
    NewCardSerializer,
)
from server.catalogue.arrays import Catalogue, catalogue_for

_ChangeSchema = PolymorphicProxySerializer(
    component_name="Change", serializers=CHANGE_SERIALIZERS, resource_type_field_name="kind"
)
_VersionSchema = inline_serializer("Version", {"version": serializers.IntegerField()})
_MadeSchema = inline_serializer("MadeCard", {"id": serializers.IntegerField()})


def _view(request: Request, card: Card, catalogue: Catalogue) -> Response:
    return Response(views.whole_card(card, catalogue, request.user))


def _version(data) -> int:
    version = data.get("version") if isinstance(data, dict) else None
    if not isinstance(version, int) or isinstance(version, bool):
        raise BadInput(
            Problem("Say which version of the card this changes.", field="version", expected="a whole number")
        )
    return version


class Cards(APIView):
    """The person's cards."""

    @extend_schema(responses=CardsSerializer, operation_id="cards")
    def get(self, request: Request) -> Response:
        """Every card with its palette strip, its look and how its checks stand."""
        found = views.card_summaries(list(cards_of(request.user)), catalogue_for(request.user), request.user)
        return Response({"cards": found, "sizes": views.usual_sizes(request.user.units)})

    @extend_schema(request=NewCardSerializer, responses={201: _MadeSchema}, operation_id="create_card")
    def post(self, request: Request) -> Response:
        """Make a card."""
        given = NewCardSerializer(data=request.data)
        given.is_valid(raise_exception=True)
        card = actions.create_card(request.user, **given.validated_data)
        return Response({"id": card.pk}, status=status.HTTP_201_CREATED)


class CardMends(APIView):
    """What would mend the checks of a card."""

    @extend_schema(responses=MendsSerializer(many=True), operation_id="mends")
    def get(self, request: Request, pk: int) -> Response:
        """For the first checks that do not hold, the worst first, the changes with which each would."""
        card = one(cards_of(request.user), pk=pk)
        return Response(views.mends(card, catalogue_for(request.user), request.user))


class OneCard(APIView):
    """A card."""

    @extend_schema(responses=CardSerializer, operation_id="card")
    def get(self, request: Request, pk: int) -> Response:
        """The card with its palette table, checks and look."""
        card = one(cards_of(request.user), pk=pk)
        return _view(request, card, catalogue_for(request.user))

    @extend_schema(responses={204: None}, operation_id="delete_card")
    def delete(self, request: Request, pk: int) -> Response:
        """Delete the card."""
        actions.delete_card(one(cards_of(request.user), pk=pk))
        return Response(status=status.HTTP_204_NO_CONTENT)


class CardChanges(APIView):
    """Changing a card."""

    @extend_schema(
        request=inline_serializer(
            "ChangeRequest", {"version": serializers.IntegerField(), "change": _ChangeSchema}
        ),
        responses=CardSerializer,
        operation_id="change_card",
    )
    def post(self, request: Request, pk: int) -> Response:
        """Make one change; 409 where the card has another version by now."""
        card = one(cards_of(request.user), pk=pk)
        catalogue = catalogue_for(request.user)
        version = _version(request.data)
        change = read_change(request.data.get("change"), catalogue, request.user)
        actions.change_card(card, version, change, ResolvedPlan(card.plan, catalogue).pairs)
        return _view(request, card, catalogue)


class CardUndo(APIView):
    """Undo."""

    @extend_schema(request=_VersionSchema, responses=CardSerializer, operation_id="undo_card")
    def post(self, request: Request, pk: int) -> Response:
        """Take the last change back."""
        return _step(request, pk, -1)


class CardRedo(APIView):
    """Redo."""

    @extend_schema(request=_VersionSchema, responses=CardSerializer, operation_id="redo_card")
    def post(self, request: Request, pk: int) -> Response:
        """Make the change again that was taken back last."""
        return _step(request, pk, +1)


def _step(request: Request, pk: int, step: int) -> Response:
    card = one(cards_of(request.user), pk=pk)
    actions.step_card(card, _version(request.data), step)
    return _view(request, card, catalogue_for(request.user))


class AlternativesQuery(serializers.Serializer):
    """Which cell, and how to filter."""

    key = serializers.IntegerField()
    column = serializers.ChoiceField(choices=COLUMN_CHOICES)
    range = serializers.IntegerField(required=False, allow_null=True, default=None)
    owned = serializers.BooleanField(default=False)
    made = serializers.BooleanField(default=False)


class Alternatives(APIView):
    """The nearest supplies for a cell of the palette table."""

    @extend_schema(
        parameters=[AlternativesQuery], responses=AlternativesSerializer, operation_id="alternatives"
    )
    def get(self, request: Request, pk: int) -> Response:
        """The 12 nearest, filtered by range, drawer, and still made (or owned)."""
        card = one(cards_of(request.user), pk=pk)
        given = AlternativesQuery(data=request.query_params)
        given.is_valid(raise_exception=True)
        wanted = given.validated_data
        resolved = ResolvedPlan(card.plan, catalogue_for(request.user))
        wanted["range_id"] = wanted.pop("range")
        return Response(views.alternatives(resolved, **wanted))
