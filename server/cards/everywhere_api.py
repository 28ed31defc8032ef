"""The API of a card as one thing: what it uses, what takes its place, what follows, moves and copies."""

from typing import Any

from drf_spectacular.utils import extend_schema
from rest_framework import status
from rest_framework.response import Response
from rest_framework.views import APIView

from jindle_core.card.copies import Part, copied
from jindle_core.checked.supplied import instead_mends
from jindle_core.checked.whole import CheckedCard
from jindle_core.errors import BadInput, Problem
from jindle_core.media.groups import PICTURE_MEDIA
from jindle_core.offers.following import following, moving_to
from jindle_core.offers.places import Glaze, Shading, Substitute
from jindle_core.supplies.asked import anchor_of, place_of, tones_of
from jindle_core.supplies.whole import Supplies
from server.access import cards_of, own_card, ranges_seen_by
from server.cards.actions import keep_card
from server.cards.everywhere_serializers import (
    CopySerializer,
    FollowQuery,
    MoveQuery,
    PlacesQuery,
    ThingQuery,
)
from server.cards.held import checked_card
from server.cards.json.uses import following_told, mends_of_thing_told, uses_told
from server.cards.supplies import places_on
from server.catalogue.arrays import catalogue_for
from server.requests import Request
from server.told.everywhere import CardPlaces, Following, ThingInstead, Uses
from server.told.made import Made
from server.told.schema import component


def _checked(request: Request, pk: int) -> CheckedCard:
    return checked_card(own_card(request.user, pk), catalogue_for(request.user), request.user)


class CardUses(APIView):
    """What a card uses."""

    @extend_schema(responses=component(Uses), operation_id="card_uses")
    def get(self, request: Request, pk: int) -> Response:
        """Everything by medium with its places, and what of it other pieces cover."""
        return Response(uses_told(_checked(request, pk), request.user.units))


class CardInstead(APIView):
    """What takes the place of something."""

    @extend_schema(parameters=[ThingQuery], responses=component(ThingInstead), operation_id="use_instead")
    def get(self, request: Request, pk: int) -> Response:
        """The nearest of the drawer, and card inked by oneself; each as a change that does it everywhere."""
        given = ThingQuery(data=request.query_params)
        given.is_valid(raise_exception=True)
        checked = _checked(request, pk)
        found = instead_mends(checked.inventory, given.validated_data)
        return Response(ThingInstead(mends=mends_of_thing_told(found, checked.seen.card.size.width.unit)))


class CardFollow(APIView):
    """A palette colour becomes another."""

    @extend_schema(request=FollowQuery, responses=component(Following), operation_id="follow_colour")
    def post(self, request: Request, pk: int) -> Response:
        """The card before and after, and what follows; nothing is changed by asking."""
        given = FollowQuery(data=request.data)
        given.is_valid(raise_exception=True)
        asked, checked = given.validated_data, _checked(request, pk)
        anchor, _ = anchor_of(checked.seen.supplies, asked.get("colour"), asked.get("value", ""))
        found = following(checked.seen, asked["key"], anchor, frozenset(asked["held"]))
        named = {"value": asked.get("value", "")} if anchor.colour is None else {"colour": anchor.colour}
        return Response(following_told(checked, found, [], named))


class CardMove(APIView):
    """Moving a card to other ranges."""

    @extend_schema(request=MoveQuery, responses=component(Following), operation_id="move_card")
    def post(self, request: Request, pk: int) -> Response:
        """The whole card with only these ranges, before and after; nothing is changed by asking."""
        given = MoveQuery(data=request.data)
        given.is_valid(raise_exception=True)
        asked, checked = given.validated_data, _checked(request, pk)
        ids = set(asked["ranges"])
        if ranges_seen_by(request.user).filter(pk__in=ids).count() != len(ids):
            raise BadInput(Problem("One of these ranges is not among yours.", field="ranges"))
        found, unserved = moving_to(checked.seen, sorted(ids), asked["owned"], frozenset(asked["held"]))
        return Response(following_told(checked, found, unserved))


class CardCopy(APIView):
    """Copying a card."""

    @extend_schema(
        request=CopySerializer,
        responses={201: component(Made)},
        operation_id="copy_card",
    )
    def post(self, request: Request, pk: int) -> Response:
        """The whole card, or a new one with its palette or its pieces, under another name."""
        given = CopySerializer(data=request.data)
        given.is_valid(raise_exception=True)
        card = own_card(request.user, pk)
        value = copied(card.value, given.validated_data["name"], Part(given.validated_data["part"]))
        return Response(Made(id=keep_card(request.user, value).pk), status=status.HTTP_201_CREATED)


class Places(APIView):
    """Where something could be taken."""

    @extend_schema(
        request=PlacesQuery, responses=component(CardPlaces, many=True), operation_id="places_on_cards"
    )
    def post(self, request: Request) -> Response:
        """One's cards on which a substitute, a glaze or a family could be taken, the newest first."""
        given = PlacesQuery(data=request.data)
        given.is_valid(raise_exception=True)
        asked = given.validated_data
        wanted = _wanted(asked, catalogue_for(request.user))
        cards = [own_card(request.user, asked["card"])] if "card" in asked else cards_of(request.user)
        return Response(places_on(cards, wanted))


def _wanted(asked: dict[str, Any], supplies: Supplies) -> Substitute | Glaze | Shading:
    """What is to be taken, of supplies that are there; BadInput where it is said of none."""
    if "family" in asked:
        medium, colours = tones_of(supplies, asked["family"], "family")
        if medium not in PICTURE_MEDIA:
            raise BadInput(Problem("Areas are not shaded with that.", field="family"))
        return Shading(colours, medium, tuple(asked["instead"]))
    told = {name: asked[name] for name in ("old", "new", "under", "colour") if name in asked}
    for name, pk in told.items():
        place_of(supplies, pk, name)
    if told.keys() == {"old", "new"}:
        return Substitute(told["old"], told["new"])
    if told.keys() == {"old", "under", "colour"}:
        return Glaze(**told, under_layers=asked["under_layers"], layers=asked["layers"])
    if told.keys() == {"under", "colour"} and {"card", "wanting"} <= asked.keys():
        layers = {name: asked[name] for name in ("under_layers", "layers", "wanting")}
        return Glaze(None, **told, **layers)
    words = "Say what is to be taken: a family, one supply for another, or two over one another for a third."
    raise BadInput(Problem(words, field="old", expected="old and new; old, under and colour; or family"))
