"""The API of cards."""

import json
from typing import Any

from django.http import HttpResponse
from drf_spectacular.types import OpenApiTypes
from drf_spectacular.utils import (
    PolymorphicProxySerializer,
    extend_schema,
    inline_serializer,
)
from rest_framework import serializers, status
from rest_framework.parsers import MultiPartParser
from rest_framework.response import Response
from rest_framework.views import APIView

from jindle_core.errors import BadInput, Problem
from jindle_core.offers.for_hole import ways_out
from jindle_core.offers.new_colour import adding
from jindle_core.seen.palette import SeenPalette
from jindle_core.seen.table import alternatives
from server.access import deleted_cards_of, one, own_card
from server.cards import actions, glances, views
from server.cards.changes import CHANGE_SERIALIZERS, read_change, read_colour
from server.cards.groups import Group, Order
from server.cards.json.offers import adding_told
from server.cards.models import Glance
from server.cards.serializers import (
    COLUMN_CHOICES,
    GROUP_CHOICES,
    ORDER_CHOICES,
    ROLE_CHOICES,
    NewCardSerializer,
    SmallPictureSerializer,
)
from server.cards.stage_serializers import AskedSerializer, StageField
from server.cards.stages import STAGES_TOLD
from server.catalogue.api.instead import glaze_told, inked_told
from server.catalogue.arrays import catalogue_for
from server.catalogue.downloads import download
from server.catalogue.swatches import match_told
from server.requests import Request
from server.shelf.actions import delete
from server.told.card import Adding, ColumnRange, Glances, Mends, States
from server.told.card import Alternatives as AlternativesTold
from server.told.card import Cards as CardsTold
from server.told.instead import WaysOut
from server.told.made import Made
from server.told.schema import component
from server.told.staged import CardWithStage

_ChangeSchema = PolymorphicProxySerializer(
    component_name="Change", serializers={**CHANGE_SERIALIZERS}, resource_type_field_name="kind"
)


def _version(data: Any) -> int:
    version = data.get("version") if isinstance(data, dict) else None
    if not isinstance(version, int) or isinstance(version, bool):
        raise BadInput(
            Problem("Say which version of the card this changes.", field="version", expected="a whole number")
        )
    return version


def _stage(data: Any) -> str | None:
    """The stage that is wanted along; one that there is not is none."""
    stage = data.get("stage") if isinstance(data, dict) else None
    return stage if stage in STAGES_TOLD else None


class CardsQuery(serializers.Serializer):
    """Which page of which cards, in which order."""

    page = serializers.IntegerField(default=1, min_value=1, max_value=10_000)
    words = serializers.CharField(default="", allow_blank=True, max_length=100, help_text="of its name")
    group = serializers.ChoiceField(choices=GROUP_CHOICES, default=Group.ALL)
    order = serializers.ChoiceField(choices=ORDER_CHOICES, default=Order.NEWEST)


class GlancesQuery(serializers.Serializer):
    """Which cards."""

    ids = serializers.ListField(child=serializers.IntegerField(), min_length=1, max_length=glances.AT_ONCE)


class DrawnQuery(serializers.Serializer):
    """Of which drawing."""

    drawn = serializers.CharField(max_length=64)


class Cards(APIView):
    """The person's cards."""

    @extend_schema(parameters=[CardsQuery], responses=component(CardsTold), operation_id="cards")
    def get(self, request: Request) -> Response:
        """A page of cards with their palette strips, small pictures and how their checks stand."""
        given = CardsQuery(data=request.query_params)
        given.is_valid(raise_exception=True)
        asked = given.validated_data
        group, order = Group(asked["group"]), Order(asked["order"])
        found = glances.listed(request.user, asked["page"], asked["words"], group, order)
        return Response(CardsTold(sizes=views.usual_sizes(request.user.units), **vars(found)))

    @extend_schema(request=NewCardSerializer, responses={201: component(Made)}, operation_id="create_card")
    def post(self, request: Request) -> Response:
        """Make a card."""
        given = NewCardSerializer(data=request.data)
        given.is_valid(raise_exception=True)
        card = actions.create_card(request.user, **given.validated_data)
        return Response(Made(id=card.pk), status=status.HTTP_201_CREATED)


class CardGlances(APIView):
    """A few of the person's cards as they are now."""

    @extend_schema(parameters=[GlancesQuery], responses=component(Glances), operation_id="glances")
    def get(self, request: Request) -> Response:
        """How they stand, and their drawing where there is no small picture of it yet."""
        given = GlancesQuery(data={"ids": request.query_params.getlist("ids")})
        given.is_valid(raise_exception=True)
        return Response(glances.glances(request.user, given.validated_data["ids"]))


class CardPicture(APIView):
    """The small picture of a card."""

    parser_classes = (MultiPartParser,)

    @extend_schema(
        parameters=[DrawnQuery],
        responses={(200, "image/webp"): OpenApiTypes.BINARY},
        operation_id="card_picture",
    )
    def get(self, request: Request, pk: int) -> HttpResponse:
        """The picture that was made of a drawing; 404 where that is another by now."""
        drawn = request.query_params.get("drawn", "")
        glance = one(Glance.objects.filter(card=own_card(request.user, pk)), pictured=drawn)
        answer = HttpResponse(bytes(glance.picture or b""), content_type="image/webp")
        answer["Cache-Control"] = "private, max-age=31536000, immutable"
        return answer

    @extend_schema(
        request={"multipart/form-data": SmallPictureSerializer},
        responses={204: None},
        operation_id="keep_picture",
    )
    def post(self, request: Request, pk: int) -> Response:
        """Keep what was drawn of a card, so that it need not be drawn again."""
        given = SmallPictureSerializer(data=request.data)
        given.is_valid(raise_exception=True)
        content = given.validated_data["file"].read(glances.LARGEST + 1)
        glances.keep_picture(own_card(request.user, pk), given.validated_data["drawn"], content)
        return Response(status=status.HTTP_204_NO_CONTENT)


class CardMends(APIView):
    """What would mend the checks of a card."""

    @extend_schema(responses=component(Mends, many=True), operation_id="mends")
    def get(self, request: Request, pk: int) -> Response:
        """For the first checks that do not hold, the worst first, the changes with which each would."""
        card = own_card(request.user, pk)
        return Response(views.mends(card, catalogue_for(request.user), request.user))


class OneCard(APIView):
    """A card."""

    @extend_schema(responses=component(CardWithStage), operation_id="card")
    def get(self, request: Request, pk: int) -> Response:
        """The card with its palette table, checks and look."""
        card = own_card(request.user, pk)
        return Response(views.whole_card(card, catalogue_for(request.user), request.user))

    @extend_schema(responses={204: None}, operation_id="delete_card")
    def delete(self, request: Request, pk: int) -> Response:
        """Delete the card; for some time it can be brought back."""
        delete(own_card(request.user, pk), deleted_cards_of(request.user))
        return Response(status=status.HTTP_204_NO_CONTENT)


class CardChanges(APIView):
    """Changing a card."""

    @extend_schema(
        request=inline_serializer(
            "ChangeRequest",
            {"version": serializers.IntegerField(), "stage": StageField(), "change": _ChangeSchema},
        ),
        responses=component(CardWithStage),
        operation_id="change_card",
    )
    def post(self, request: Request, pk: int) -> Response:
        """Make one change; 409 where the card has another version by now."""
        card = own_card(request.user, pk)
        supplies = catalogue_for(request.user)
        version = _version(request.data)
        given = request.data.get("change") if isinstance(request.data, dict) else None
        change = read_change(given, supplies, request.user)
        return Response(actions.change_card(card, version, change, supplies, _stage(request.data)))


class AddingQuery(serializers.Serializer):
    """Which colour, by its id or its value, and in which role if one is said."""

    colour = serializers.IntegerField(required=False, allow_null=True, default=None)
    value = serializers.CharField(required=False, allow_blank=True, default="", max_length=100)
    role = serializers.ChoiceField(choices=ROLE_CHOICES, required=False, allow_blank=True, default="")


class CardAdding(APIView):
    """Adding a colour, before it is done."""

    @extend_schema(parameters=[AddingQuery], responses=component(Adding), operation_id="adding")
    def get(self, request: Request, pk: int) -> Response:
        """The role that a colour would have, and what it would change; nothing is changed by asking."""
        card = own_card(request.user, pk)
        given = AddingQuery(data=request.query_params)
        given.is_valid(raise_exception=True)
        asked = given.validated_data
        supplies = catalogue_for(request.user)
        anchor = {"value": asked["value"]} if asked["colour"] is None else {"colour": asked["colour"]}
        told = {"anchor": anchor, "name": "new", "role": asked["role"] or None}
        change = read_colour(told, supplies, request.user)
        return Response(adding_told(adding(SeenPalette(card.value, supplies), change)))


class CardUndo(APIView):
    """Undo."""

    @extend_schema(request=AskedSerializer, responses=component(CardWithStage), operation_id="undo_card")
    def post(self, request: Request, pk: int) -> Response:
        """Take the last change back."""
        return _step(request, pk, -1)


class CardRedo(APIView):
    """Redo."""

    @extend_schema(request=AskedSerializer, responses=component(CardWithStage), operation_id="redo_card")
    def post(self, request: Request, pk: int) -> Response:
        """Make the change again that was taken back last."""
        return _step(request, pk, +1)


def _step(request: Request, pk: int, step: int) -> Response:
    card = own_card(request.user, pk)
    actions.step_card(card, _version(request.data), step)
    supplies = catalogue_for(request.user)
    return Response(views.whole_card(card, supplies, request.user, _stage(request.data)))


class CardStates(APIView):
    """The states that a card has had."""

    @extend_schema(responses=component(States), operation_id="card_states")
    def get(self, request: Request, pk: int) -> Response:
        """Every state that is kept, the newest first, also of a card that cannot be shown."""
        card = own_card(request.user, pk)
        return Response(States(version=card.version, name=card.name, states=views.states(card)))

    @extend_schema(
        request=inline_serializer(
            "GoToState", {"version": serializers.IntegerField(), "number": serializers.IntegerField()}
        ),
        responses=component(States),
        operation_id="go_to_state",
    )
    def post(self, request: Request, pk: int) -> Response:
        """Bring the card back to a state; undo and redo go on from there."""
        card = own_card(request.user, pk)
        number = request.data.get("number") if isinstance(request.data, dict) else None
        if not isinstance(number, int) or isinstance(number, bool):
            raise BadInput(Problem("Say which state.", field="number", expected="a whole number"))
        actions.go_to_state(card, _version(request.data), number)
        return self.get(request, pk)


class CardFile(APIView):
    """A card as a file."""

    @extend_schema(responses={(200, "application/json"): OpenApiTypes.OBJECT}, operation_id="card_file")
    def get(self, request: Request, pk: int) -> HttpResponse:
        """The card with its states as it is stored, as JSON."""
        told = json.dumps(views.document(own_card(request.user, pk)), ensure_ascii=False, indent=1)
        return download(told, "application/json", "card.json")


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
        parameters=[AlternativesQuery], responses=component(AlternativesTold), operation_id="alternatives"
    )
    def get(self, request: Request, pk: int) -> Response:
        """The 12 nearest, filtered by range, drawer, and still made (or owned)."""
        card = own_card(request.user, pk)
        given = AlternativesQuery(data=request.query_params)
        given.is_valid(raise_exception=True)
        wanted = given.validated_data
        palette = SeenPalette(card.value, catalogue_for(request.user))
        wanted["range_id"] = wanted.pop("range")
        found, ranges = alternatives(palette, **wanted)
        names = [ColumnRange(id=one, name=palette.supplies.ranges[one].name) for one in ranges]
        return Response(AlternativesTold(matches=[match_told(one) for one in found], ranges=names))


class HoleQuery(serializers.Serializer):
    """Which cell."""

    key = serializers.IntegerField()
    column = serializers.ChoiceField(choices=COLUMN_CHOICES)


class HoleWays(APIView):
    """A cell of the palette table where nothing comes near."""

    @extend_schema(parameters=[HoleQuery], responses=component(WaysOut), operation_id="hole_ways")
    def get(self, request: Request, pk: int) -> Response:
        """Its ways out; nothing is changed by asking."""
        card = own_card(request.user, pk)
        given = HoleQuery(data=request.query_params)
        given.is_valid(raise_exception=True)
        supplies = catalogue_for(request.user)
        found = ways_out(SeenPalette(card.value, supplies), **given.validated_data)
        return Response(
            WaysOut(
                nearest=None if found.nearest is None else match_told(found.nearest),
                buy=None if found.buy is None else match_told(found.buy),
                example=found.buy is not None and not supplies.ranges[found.buy.swatch.range_id].own,
                glazes=[glaze_told(one) for one in found.glazes],
                inked=[inked_told(one) for one in found.inked],
            )
        )
