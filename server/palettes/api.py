"""The API of the ways into a palette."""

import numpy as np
from drf_spectacular.utils import extend_schema
from rest_framework import serializers, status
from rest_framework.response import Response
from rest_framework.views import APIView

from jindle_core import figures
from jindle_core.card.changes.palette import AddColour
from jindle_core.errors import BadInput, Problem
from jindle_core.palettes.landing import Landed, from_drawer, land
from jindle_core.palettes.rules import PALETTE_RULES, TRIOS
from jindle_core.seen.palette import SeenPalette
from jindle_core.supplies.whole import Supplies
from server.access import combinations_seen_by, own_card, own_combination
from server.accounts.models import Person
from server.cards.actions import start_card
from server.cards.changes import read_colour
from server.cards.serializers import (
    COLUMN_CHOICES,
    ROLE_CHOICES,
    AnchorRequestSerializer,
    SizeRequestSerializer,
)
from server.catalogue.api.targets import target_of
from server.catalogue.arrays import catalogue_for
from server.palettes.actions import keep_combination
from server.palettes.views import combination, landings, places_of
from server.requests import Request
from server.told.made import Made
from server.told.palettes import Combination
from server.told.palettes import DrawerLandings as DrawerLandingsTold
from server.told.palettes import RuleLandings as RuleLandingsTold
from server.told.schema import component


class LandQuery(serializers.Serializer):
    """In which column of the palette table to land, and whether only on what is owned."""

    column = serializers.ChoiceField(choices=COLUMN_CHOICES, default="marker")
    owned = serializers.BooleanField(default=False)


class RulesQuery(LandQuery):
    """The same, with the colour that the rules start from."""

    colour = serializers.IntegerField(required=False, allow_null=True, default=None)
    value = serializers.CharField(required=False, allow_blank=True, default="", max_length=100)


class StartColourSerializer(serializers.Serializer):
    """A colour that a palette starts with."""

    anchor = AnchorRequestSerializer()
    name = serializers.CharField(allow_blank=True, default="")
    role = serializers.ChoiceField(choices=ROLE_CHOICES)


class StartCardSerializer(serializers.Serializer):
    """A card to be started with a palette."""

    name = serializers.CharField(max_length=figures.palettes.NAME_LIMIT)
    size = SizeRequestSerializer()
    colours = StartColourSerializer(many=True)


class KeepSerializer(serializers.Serializer):
    """Colours to be kept under a name: those given, or a card's palette."""

    name = serializers.CharField(max_length=figures.palettes.NAME_LIMIT)
    card = serializers.IntegerField(required=False, allow_null=True, default=None)
    colours = StartColourSerializer(many=True, required=False, default=list)


def _colours(given: list, supplies: Supplies, person: Person) -> list[AddColour]:
    return [read_colour(one, supplies, person) for one in given]


class RuleLandings(APIView):
    """Palettes from a rule."""

    @extend_schema(
        parameters=[RulesQuery], responses=component(RuleLandingsTold), operation_id="palettes_by_rule"
    )
    def get(self, request: Request) -> Response:
        """Every rule's palette around a colour, on the supplies of a column."""
        given = RulesQuery(data=request.query_params)
        given.is_valid(raise_exception=True)
        asked = given.validated_data
        supplies = catalogue_for(request.user)
        base = target_of(supplies, asked["colour"], asked["value"])
        places = places_of(supplies, asked["column"], asked["owned"])
        on = supplies.searched.landable(asked["column"], asked["owned"])
        landed = land(PALETTE_RULES, np.array(base.lab), on)
        found = [one for one in landed if isinstance(one, Landed)]
        missing = [one.message for one in landed if isinstance(one, Problem)]
        told = landings(supplies, places, found)
        return Response(RuleLandingsTold(base=base.told, landings=told, missing=missing))


class DrawerLandings(APIView):
    """Palettes from the drawer."""

    @extend_schema(
        parameters=[LandQuery], responses=component(DrawerLandingsTold), operation_id="palettes_by_drawer"
    )
    def get(self, request: Request) -> Response:
        """Three that go together and one accent, from what is owned in a column (or from all of it)."""
        given = LandQuery(data=request.query_params)
        given.is_valid(raise_exception=True)
        asked = given.validated_data
        supplies = catalogue_for(request.user)
        places = places_of(supplies, asked["column"], asked["owned"])
        on = supplies.searched.landable(asked["column"], asked["owned"])
        told = landings(supplies, places, from_drawer(TRIOS, on, figures.palettes.DRAWER_PALETTES))
        return Response(DrawerLandingsTold(count=len(places), landings=told))


class Combinations(APIView):
    """The shelf of combinations."""

    @extend_schema(
        parameters=[LandQuery], responses=component(Combination, many=True), operation_id="combinations"
    )
    def get(self, request: Request) -> Response:
        """Every combination, own ones first, each with the supplies of a column that it lands on."""
        given = LandQuery(data=request.query_params)
        given.is_valid(raise_exception=True)
        supplies = catalogue_for(request.user)
        places = places_of(supplies, given.validated_data["column"], given.validated_data["owned"])
        told = [
            combination(supplies, places, kept, request.user.pk)
            for kept in combinations_seen_by(request.user)
        ]
        return Response(sorted(told, key=lambda one: not one.own))

    @extend_schema(request=KeepSerializer, responses={201: component(Made)}, operation_id="keep_combination")
    def post(self, request: Request) -> Response:
        """Keep some colours, or those of a card's palette as they are now."""
        given = KeepSerializer(data=request.data)
        given.is_valid(raise_exception=True)
        asked = given.validated_data
        supplies = catalogue_for(request.user)
        if asked["card"] is None:
            colours = _colours(asked["colours"], supplies, request.user)
        else:
            card = own_card(request.user, asked["card"])
            colours = SeenPalette(card.value, supplies).as_added()
        kept = keep_combination(request.user, asked["name"], colours)
        return Response(Made(id=kept.pk), status=status.HTTP_201_CREATED)


class OneCombination(APIView):
    """A combination."""

    @extend_schema(responses={204: None}, operation_id="delete_combination")
    def delete(self, request: Request, pk: int) -> Response:
        """Take an own combination off the shelf."""
        own_combination(request.user, pk).delete()
        return Response(status=status.HTTP_204_NO_CONTENT)


class StartCard(APIView):
    """Starting a card with a palette."""

    @extend_schema(request=StartCardSerializer, responses={201: component(Made)}, operation_id="start_card")
    def post(self, request: Request) -> Response:
        """A card whose palette starts with some colours, all at once or not at all."""
        given = StartCardSerializer(data=request.data)
        given.is_valid(raise_exception=True)
        asked = given.validated_data
        if not asked["colours"]:
            raise BadInput(Problem("Choose at least one colour to start with.", field="colours"))
        colours = _colours(asked["colours"], catalogue_for(request.user), request.user)
        card = start_card(request.user, asked["name"], asked["size"], colours)
        return Response(Made(id=card.pk), status=status.HTTP_201_CREATED)
