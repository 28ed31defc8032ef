"""The API of a card's order of work."""

from drf_spectacular.utils import extend_schema
from rest_framework.response import Response
from rest_framework.views import APIView

from jindle_core.planning.schedule import Aim, schedule
from jindle_core.planning.tasks import Habits, tasks
from server.access import own_card
from server.cards.held import checked_card, told_once
from server.cards.json.plan import plan_told
from server.cards.planning.serializers import PlanQuery, PlanSerializer
from server.catalogue.arrays import catalogue_for
from server.requests import Request

_KEPT = 32  # orders of one person's cards: a few kilobytes each


class CardPlan(APIView):
    """The order of work of a card."""

    @extend_schema(parameters=[PlanQuery], responses=PlanSerializer, operation_id="plan")
    def get(self, request: Request, pk: int) -> Response:
        """Every step that the card asks, in the order in which waits are filled best."""
        given = PlanQuery(data=request.query_params)
        given.is_valid(raise_exception=True)
        asked, card, supplies = given.validated_data, own_card(request.user, pk), catalogue_for(request.user)
        checked = checked_card(card, supplies, request.user)

        def tell() -> dict[str, object]:
            listed = tasks(checked, Habits(asked["cut_first"]))
            breaks = given.breaks()
            return plan_told(schedule(listed, Aim(asked["aim"]), breaks), breaks, checked.seen.palette)

        key = (pk, card.version, frozenset(checked.seen.drawings), tuple(sorted(asked.items())))
        return Response(told_once(supplies, "plan", key, tell, _KEPT))
