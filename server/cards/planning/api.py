"""The API of a card's order of work, and of what is pressed while it is made."""

from collections.abc import Callable, Hashable, Mapping
from dataclasses import dataclass, replace

from drf_spectacular.utils import extend_schema
from rest_framework import status
from rest_framework.response import Response
from rest_framework.views import APIView

from jindle_core.planning.instead import used_instead
from jindle_core.planning.pace import Pace
from jindle_core.planning.planned import Planned, begins_at, planned
from jindle_core.planning.progress import Press
from jindle_core.planning.task import Work
from jindle_core.planning.wishes import Aim
from jindle_core.seen.palette import SeenPalette
from jindle_core.stored import plain
from server.access import own_card
from server.cards.held import checked_card, told_once
from server.cards.json.plan import plan_told
from server.cards.planning import actions
from server.cards.planning.serializers import (
    InsteadRequestSerializer,
    PaceQuery,
    PressSerializer,
    StartOverSerializer,
    WishesSerializer,
)
from server.catalogue.arrays import catalogue_for
from server.requests import Request
from server.told.plan import Plan, PlanStanding, UsedInstead
from server.told.schema import component

_KEPT = 32  # plans of one person's cards: some kilobytes each


@dataclass(frozen=True)
class Bench:
    """What is worked on, and how the work on it is worked out; ``of`` is what that depends on besides."""

    place: actions.WorkPlace
    of: Hashable
    palette: SeenPalette
    work: Callable[[actions.Going, Mapping[Work, Pace], float], Planned]

    def now(self, request: Request) -> tuple[Planned, Plan]:
        """The work as it stands now, and as it is told; worked out once for what it depends on."""
        supplies, going, now = self.palette.supplies, actions.going_on(self.place), actions.now()
        units = request.user.units
        paces = actions.paces_of(request.user)

        def tell() -> tuple[Planned, PlanStanding]:
            found = self.work(going, paces, now)
            return found, plan_told(found, paces, self.palette, units)

        begins = begins_at(going.progress.as_of(now), now)
        kind = type(self.place).__name__
        key = (kind, self.place.pk, self.of, going.version, begins, units, tuple(paces.items()))
        found, told = told_once(supplies, "plan", key, tell, _KEPT)
        instead = [UsedInstead(**plain(one)) for one in going.instead]
        return found, Plan(version=going.version, now=now, instead=instead, **vars(told))


def card_bench(request: Request, pk: int) -> Bench:
    """The work on a card."""
    card = own_card(request.user, pk)
    checked = checked_card(card, catalogue_for(request.user), request.user)
    of = (card.version, frozenset(checked.seen.drawings))
    return Bench(
        card,
        of,
        checked.seen.palette,
        lambda going, paces, now: planned(checked, going.wishes, going.progress, paces, now),
    )


def wanted(request: Request, bench: Bench) -> Response:
    """Change what is wanted of the order."""
    given = WishesSerializer(data=request.data, partial=True)
    given.is_valid(raise_exception=True)
    told = dict(given.validated_data)
    version, work = told.pop("version"), bench.now(request)[0]
    if "aim" in told:
        told["aim"] = Aim(told["aim"])
    actions.want(bench.place, version, lambda wishes: replace(wishes, **told), work.tasks)
    return Response(bench.now(request)[1])


def pressed(request: Request, bench: Bench) -> Response:
    """A step is begun, done, left out or taken back, or what dries after it is."""
    given = PressSerializer(data=request.data)
    given.is_valid(raise_exception=True)
    asked = given.validated_data
    press = actions.Pressed(Press(asked["press"]), asked["key"], asked["minutes"], asked["go_on"])

    def then(going: actions.Going) -> Planned:
        return bench.work(going, actions.paces_of(request.user), actions.now())

    actions.press(bench.place, asked["version"], press, bench.now(request)[0], then)
    return Response(bench.now(request)[1])


def begun_anew(request: Request, bench: Bench) -> Response:
    """Nothing is done yet; what is wanted of the order stays."""
    given = StartOverSerializer(data=request.data)
    given.is_valid(raise_exception=True)
    actions.start_over(bench.place, given.validated_data["version"])
    return Response(bench.now(request)[1])


class CardPlan(APIView):
    """The order of work of a card."""

    @extend_schema(responses=component(Plan), operation_id="plan")
    def get(self, request: Request, pk: int) -> Response:
        """Every step that the card asks, what of it is past, and the rest in its order."""
        return Response(card_bench(request, pk).now(request)[1])

    @extend_schema(request=WishesSerializer, responses=component(Plan), operation_id="want_of_plan")
    def patch(self, request: Request, pk: int) -> Response:
        """Change what is wanted of the order."""
        return wanted(request, card_bench(request, pk))


class CardPlanPresses(APIView):
    """What is pressed at the table."""

    @extend_schema(request=PressSerializer, responses=component(Plan), operation_id="press_step")
    def post(self, request: Request, pk: int) -> Response:
        """A step is begun, done, left out or taken back, or what dries after it is."""
        return pressed(request, card_bench(request, pk))


class CardPlanAnew(APIView):
    """The same card once more."""

    @extend_schema(request=StartOverSerializer, responses=component(Plan), operation_id="start_over")
    def post(self, request: Request, pk: int) -> Response:
        """Nothing is done yet; what is wanted of the order stays."""
        return begun_anew(request, card_bench(request, pk))


class CardPlanInstead(APIView):
    """What is used otherwise than planned while a card is made."""

    @extend_schema(
        request=InsteadRequestSerializer, responses=component(Plan), operation_id="say_used_instead"
    )
    def post(self, request: Request, pk: int) -> Response:
        """Say so, or take it back."""
        given = InsteadRequestSerializer(data=request.data)
        given.is_valid(raise_exception=True)
        asked, card = given.validated_data, own_card(request.user, pk)
        used = list(actions.going_on(card).instead)
        if "drop" in asked:
            del used[asked["drop"] : asked["drop"] + 1]
        else:
            supplies = catalogue_for(request.user)
            used.append(used_instead(supplies, asked["of"], asked["was"], asked["taken"]))
        actions.take_instead(card, asked["version"], used)
        return Response(card_bench(request, pk).now(request)[1])


class OwnPace(APIView):
    """How long a person's steps take them."""

    @extend_schema(parameters=[PaceQuery], responses={204: None}, operation_id="forget_pace")
    def delete(self, request: Request) -> Response:
        """Forget it, of one kind of work or all: the usual minutes count again."""
        given = PaceQuery(data=request.query_params)
        given.is_valid(raise_exception=True)
        work = given.validated_data.get("work")
        actions.forget_pace(request.user, Work(work) if work else None)
        return Response(status=status.HTTP_204_NO_CONTENT)
