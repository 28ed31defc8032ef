"""The API of recipes that travel."""

from typing import Any

from csp.decorators import csp_replace
from django.db.models import QuerySet
from django.http import HttpResponse
from django.utils.decorators import method_decorator
from django.views.decorators.clickjacking import xframe_options_sameorigin
from drf_spectacular.types import OpenApiTypes
from drf_spectacular.utils import extend_schema
from rest_framework import status
from rest_framework.parsers import MultiPartParser
from rest_framework.permissions import AllowAny
from rest_framework.response import Response
from rest_framework.views import APIView

from jindle_core import figures
from jindle_core.checked.whole import CheckedCard
from jindle_core.planning.recipe.whole import recipe_of
from jindle_core.supplies.whole import Supplies
from jindle_core.travelling.foreign import Foreign
from jindle_core.travelling.recipe_file import RecipeFile
from server.access import one, own_card, own_record, shared_recipe, shared_recipes_of
from server.cards.models import StoredCard
from server.catalogue.downloads import download
from server.recipes import actions
from server.recipes.models import SharedRecipe
from server.recipes.serializers import (
    RecipeSourceSerializer,
    StartFromSerializer,
)
from server.recipes.views import brought_told, link_told
from server.records.api import CARRIED
from server.records.models import Record
from server.records.serializers import SheetQuery
from server.records.sheet import Paper, recipe_page, recipe_pdf
from server.requests import Request
from server.told.made import Made
from server.told.recipes import Brought, Link
from server.told.recipes import OneLink as OneLinkTold
from server.told.recipes import Shared as SharedTold
from server.told.schema import component

_FILE = {(200, "application/json"): OpenApiTypes.OBJECT}


def _downloaded(recipe: RecipeFile) -> HttpResponse:
    return download(actions.text_of(recipe), "application/json", f"{recipe.told.card.name}.json")


class CardRecipeFile(APIView):
    """A card's recipe to take along."""

    @extend_schema(responses=_FILE, operation_id="card_recipe_file")
    def get(self, request: Request, pk: int) -> HttpResponse:
        """The file, which any Jindle reads."""
        return _downloaded(actions.recipe_of_card(own_card(request.user, pk)))


class RecordRecipeFile(APIView):
    """The recipe of what was made, to take along."""

    @extend_schema(responses=_FILE, operation_id="record_recipe_file")
    def get(self, request: Request, pk: int) -> HttpResponse:
        """The same as it was then, with its photos."""
        return _downloaded(actions.recipe_of_record(own_record(request.user, pk)))


def _link(found: QuerySet[SharedRecipe]) -> Response:
    link = found.first()
    return Response(OneLinkTold(link=None if link is None else link_told(link)))


def _shared(request: Request, of: StoredCard | Record) -> Response:
    made = actions.share(request.user, of)
    return Response(link_told(made), status.HTTP_201_CREATED)


class CardLink(APIView):
    """The link to a card's recipe, off until it is made."""

    @extend_schema(responses=component(OneLinkTold), operation_id="card_link")
    def get(self, request: Request, pk: int) -> Response:
        """The link, if there is one."""
        return _link(shared_recipes_of(request.user).filter(card=own_card(request.user, pk)))

    @extend_schema(request=None, responses={201: component(Link)}, operation_id="share_card")
    def post(self, request: Request, pk: int) -> Response:
        """Make one, to the recipe as it is now; what there was before ends."""
        return _shared(request, own_card(request.user, pk))


class RecordLink(APIView):
    """The link to the recipe of what was made, off until it is made."""

    @extend_schema(responses=component(OneLinkTold), operation_id="record_link")
    def get(self, request: Request, pk: int) -> Response:
        """The link, if there is one."""
        return _link(shared_recipes_of(request.user).filter(record=own_record(request.user, pk)))

    @extend_schema(request=None, responses={201: component(Link)}, operation_id="share_record")
    def post(self, request: Request, pk: int) -> Response:
        """Make one, to the recipe as it is now; what there was before ends."""
        return _shared(request, own_record(request.user, pk))


class Links(APIView):
    """The links that a person gave."""

    @extend_schema(responses=component(Link, many=True), operation_id="links")
    def get(self, request: Request) -> Response:
        """All of them, the newest first."""
        found = [link_told(one) for one in shared_recipes_of(request.user).defer("file")]
        return Response(found)


class OneLink(APIView):
    """A link that a person gave."""

    @extend_schema(responses={204: None}, operation_id="end_link")
    def delete(self, request: Request, pk: int) -> Response:
        """End it."""
        actions.end_link(one(shared_recipes_of(request.user), pk=pk))
        return Response(status=status.HTTP_204_NO_CONTENT)


class Shared(APIView):
    """What a link leads to, for whoever has it."""

    permission_classes = [AllowAny]

    @extend_schema(responses=component(SharedTold), operation_id="shared_recipe")
    def get(self, _: Request, token: str) -> Response:
        """What it is called."""
        found = shared_recipe(token)
        return Response(SharedTold(name=found.name, created=found.created))


@method_decorator(csp_replace(CARRIED), "get")
@method_decorator(xframe_options_sameorigin, "get")
class SharedSheet(APIView):
    """The recipe sheet behind a link."""

    permission_classes = [AllowAny]

    @extend_schema(
        parameters=[SheetQuery],
        responses={(200, "application/pdf"): OpenApiTypes.BINARY, (200, "text/html"): OpenApiTypes.STR},
        operation_id="shared_sheet",
    )
    def get(self, request: Request, token: str) -> HttpResponse:
        """As a page or a PDF, in the card's own unit; nothing of the person who shared it."""
        given = SheetQuery(data=request.query_params)
        given.is_valid(raise_exception=True)
        found = actions.recipe_behind(shared_recipe(token))
        seen = Foreign(found.told, Supplies((), {})).seen
        recipe = recipe_of(CheckedCard(seen), seen.card.size.width.unit)
        told: dict[str, Any] = {}
        if found.pictures:
            first = found.pictures[0]
            told = {"picture": (first.content, first.kind), "picture_words": first.words}
        if given.validated_data["kind"] == "html":
            return HttpResponse(recipe_page(recipe, **told))
        paper = Paper(given.validated_data["paper"])
        return download(recipe_pdf(recipe, paper, **told), "application/pdf", f"{recipe.name}.pdf")


class SharedFile(APIView):
    """The recipe file behind a link."""

    permission_classes = [AllowAny]

    @extend_schema(responses=_FILE, operation_id="shared_file")
    def get(self, _: Request, token: str) -> HttpResponse:
        """To take along."""
        found = shared_recipe(token)
        return download(found.file, "application/json", f"{found.name}.json")


def _recipe(given: dict[str, Any]) -> RecipeFile:
    if "token" in given:
        return actions.recipe_behind(shared_recipe(given["token"]))
    return actions.read(given["file"].read(figures.files.LARGEST_FILE + 1))


class Recipes(APIView):
    """Somebody else's recipe on its way."""

    parser_classes = (MultiPartParser,)

    @extend_schema(
        request={"multipart/form-data": RecipeSourceSerializer},
        responses=component(Brought),
        operation_id="look_at_recipe",
    )
    def post(self, request: Request) -> Response:
        """How it would arrive in one's own supplies, and what has to give way; nothing is kept by asking."""
        given = RecipeSourceSerializer(data=request.data)
        given.is_valid(raise_exception=True)
        recipe = _recipe(given.validated_data)
        found = actions.arriving(request.user, recipe.told, given.validated_data["owned"])
        return Response(brought_told(recipe, found, request.user.units))


class CardsFromRecipes(APIView):
    """Cards that are started from somebody else's recipe."""

    parser_classes = (MultiPartParser,)

    @extend_schema(
        request={"multipart/form-data": StartFromSerializer},
        responses={201: component(Made)},
        operation_id="start_from_recipe",
    )
    def post(self, request: Request) -> Response:
        """Start a card of one's own from it."""
        given = StartFromSerializer(data=request.data)
        given.is_valid(raise_exception=True)
        recipe = _recipe(given.validated_data)
        found = actions.arriving(request.user, recipe.told, given.validated_data["owned"])
        card = actions.start_from(request.user, found, given.validated_data["name"])
        return Response(Made(id=card.pk), status.HTTP_201_CREATED)
