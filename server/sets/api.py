"""The API of sets: cards that are made together."""

from typing import Any

from django.http import HttpResponse
from drf_spectacular.types import OpenApiTypes
from drf_spectacular.utils import extend_schema
from rest_framework import status
from rest_framework.response import Response
from rest_framework.views import APIView

from jindle_core.errors import BadInput, Problem
from jindle_core.planning.planned import shares, standing
from jindle_core.sets.batch import batched
from jindle_core.sets.members import Member
from jindle_core.sets.shared_sheets import SetCutting
from server.access import own_set, sets_of
from server.cards.building.cutting_serializers import SheetsQuery
from server.cards.planning.api import Bench, begun_anew, pressed, wanted
from server.cards.planning.serializers import (
    PressSerializer,
    StartOverSerializer,
    WishesSerializer,
)
from server.catalogue.arrays import catalogue_for
from server.catalogue.downloads import download
from server.records.actions import Said
from server.requests import Request
from server.sets import actions
from server.sets.models import CardSet
from server.sets.pdf import set_cutting_pdf, set_pdf
from server.sets.serializers import (
    CarriedSerializer,
    ChangedSetSerializer,
    NewSetSerializer,
    SetSaidSerializer,
)
from server.sets.views import readable, set_cutting_told, set_told
from server.told.made import Made
from server.told.plan import Plan
from server.told.schema import component
from server.told.sets import Set, SetSummary
from server.told.sets import SetCutting as SetCuttingTold
from server.told.sets import SetRecords as SetRecordsTold

_PDF = {(200, "application/pdf"): OpenApiTypes.BINARY}


def _told(request: Request, of: CardSet) -> Response:
    return Response(set_told(of, catalogue_for(request.user)))


def _members(request: Request, of: CardSet) -> list[Member]:
    """Its cards; BadInput where one cannot be shown, for then nothing can be said of all of them."""
    cards, broken = readable(of, catalogue_for(request.user))
    if broken:
        words = f"“{broken[0]}” cannot be shown: open it to go back to an earlier state, or take it out."
        raise BadInput(Problem(words, field="cards"))
    if not cards:
        raise BadInput(Problem("Its cards were deleted: put others into it.", field="cards"))
    return [member for _, member in cards]


def _counts(given: list[dict[str, Any]]) -> dict[int, int]:
    found = {one["card"]: one["count"] for one in given}
    if len(found) < len(given):
        raise BadInput(Problem("A card is in a set once; say how many of it are made.", field="cards"))
    return found


class Sets(APIView):
    """The sets of a person."""

    @extend_schema(responses=component(SetSummary, many=True), operation_id="sets")
    def get(self, request: Request) -> Response:
        """Every one, the latest first."""
        found = sets_of(request.user).prefetch_related("members__card")
        return Response(
            [
                SetSummary(
                    id=one.pk,
                    name=one.name,
                    cards=[member.card.name for member in one.members.all()],
                    count=sum(member.count for member in one.members.all()),
                )
                for one in found
            ]
        )

    @extend_schema(request=NewSetSerializer, responses={201: component(Made)}, operation_id="make_set")
    def post(self, request: Request) -> Response:
        """Put some cards together."""
        given = NewSetSerializer(data=request.data)
        given.is_valid(raise_exception=True)
        made = actions.make_set(
            request.user, given.validated_data["name"], _counts(given.validated_data["cards"])
        )
        return Response(Made(id=made.pk), status.HTTP_201_CREATED)


class OneSet(APIView):
    """A set."""

    @extend_schema(responses=component(Set), operation_id="set")
    def get(self, request: Request, pk: int) -> Response:
        """Its cards as they look, what they share, and what is to be bought for all of them."""
        return _told(request, own_set(request.user, pk))

    @extend_schema(request=ChangedSetSerializer, responses=component(Set), operation_id="change_set")
    def patch(self, request: Request, pk: int) -> Response:
        """Call it otherwise, or make other cards of it, or more."""
        given = ChangedSetSerializer(data=request.data)
        given.is_valid(raise_exception=True)
        asked, of = given.validated_data, own_set(request.user, pk)
        cards = _counts(asked["cards"]) if "cards" in asked else None
        actions.change_set(of, asked["version"], asked.get("name"), cards)
        return _told(request, of)

    @extend_schema(responses={204: None}, operation_id="delete_set")
    def delete(self, request: Request, pk: int) -> Response:
        """Part its cards; they stay."""
        actions.delete_set(own_set(request.user, pk))
        return Response(status=status.HTTP_204_NO_CONTENT)


class SetCarry(APIView):
    """One build for all."""

    @extend_schema(request=CarriedSerializer, responses=component(Set), operation_id="carry_build")
    def post(self, request: Request, pk: int) -> Response:
        """Build some of its cards as the first is, in their own colours; each can take it back by itself."""
        given = CarriedSerializer(data=request.data)
        given.is_valid(raise_exception=True)
        of = own_set(request.user, pk)
        versions = {one["card"]: one["version"] for one in given.validated_data["cards"]}
        actions.carry(of, versions, catalogue_for(request.user))
        return _told(request, of)


def _cutting(request: Request, of: CardSet) -> SetCutting:
    given = SheetsQuery(data=request.query_params)
    given.is_valid(raise_exception=True)
    return SetCutting(_members(request, of), **given.asked())


class CutSet(APIView):
    """What is cut for a set."""

    @extend_schema(parameters=[SheetsQuery], responses=component(SetCuttingTold), operation_id="set_cutting")
    def get(self, request: Request, pk: int) -> Response:
        """The pieces of all its cards on sheets that they share."""
        return Response(set_cutting_told(_cutting(request, own_set(request.user, pk))))


class CutSetSheet(APIView):
    """The same, to print."""

    @extend_schema(parameters=[SheetsQuery], responses=_PDF, operation_id="set_cutting_sheet")
    def get(self, request: Request, pk: int) -> HttpResponse:
        """The list with a ruler, then every sheet in its true size."""
        of = own_set(request.user, pk)
        made = set_cutting_pdf(of.name, _cutting(request, of))
        return download(made, "application/pdf", f"{of.name}, cutting.pdf")


class SetPage(APIView):
    """A set on paper."""

    @extend_schema(responses=_PDF, operation_id="set_sheet")
    def get(self, request: Request, pk: int) -> HttpResponse:
        """Its cards with their pictures and palettes, how many of each, what to buy, and the work."""
        of = own_set(request.user, pk)
        work = _bench(request, of).now(request)[0]
        told = set_told(of, catalogue_for(request.user))
        return download(set_pdf(of, told, work), "application/pdf", f"{of.name}.pdf")


def _bench(request: Request, of: CardSet) -> Bench:
    """The work on a set, in batches."""
    members = _members(request, of)
    versions = tuple(of.members.order_by("place").values_list("card", "card__version", "count"))
    return Bench(
        of,
        versions,
        members[0].palette,
        lambda going, paces, now: standing(
            batched(members, going.wishes.cut_first, shares(paces)), going.wishes, going.progress, now
        ),
    )


class SetPlan(APIView):
    """The work on a set."""

    @extend_schema(responses=component(Plan), operation_id="set_plan")
    def get(self, request: Request, pk: int) -> Response:
        """Every batch, what of it is past, and the rest in its order."""
        return Response(_bench(request, own_set(request.user, pk)).now(request)[1])

    @extend_schema(request=WishesSerializer, responses=component(Plan), operation_id="want_of_set_plan")
    def patch(self, request: Request, pk: int) -> Response:
        """Change what is wanted of the order."""
        return wanted(request, _bench(request, own_set(request.user, pk)))


class SetPlanPresses(APIView):
    """What is pressed at the table."""

    @extend_schema(request=PressSerializer, responses=component(Plan), operation_id="press_batch")
    def post(self, request: Request, pk: int) -> Response:
        """A batch is begun, done, left out or taken back, or what dries after it is."""
        return pressed(request, _bench(request, own_set(request.user, pk)))


class SetPlanAnew(APIView):
    """The same set once more."""

    @extend_schema(request=StartOverSerializer, responses=component(Plan), operation_id="start_set_over")
    def post(self, request: Request, pk: int) -> Response:
        """Nothing is done yet; what is wanted of the order stays."""
        return begun_anew(request, _bench(request, own_set(request.user, pk)))


class SetRecords(APIView):
    """What was made of a set."""

    @extend_schema(
        request=SetSaidSerializer, responses={201: component(SetRecordsTold)}, operation_id="record_set"
    )
    def post(self, request: Request, pk: int) -> Response:
        """Keep all its cards as they are made now, together."""
        given = SetSaidSerializer(data=request.data)
        given.is_valid(raise_exception=True)
        told, of = dict(given.validated_data), own_set(request.user, pk)
        version = told.pop("version")
        made = actions.record_set(of, version, Said(**told), _members(request, of))
        return Response(SetRecordsTold(ids=[one.pk for one in made]), status.HTTP_201_CREATED)
