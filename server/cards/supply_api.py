"""The API of what cards need: the shopping list, and moving a card to other ranges."""

import csv
import io

from django.http import HttpResponse
from drf_spectacular.types import OpenApiTypes
from drf_spectacular.utils import extend_schema
from rest_framework.response import Response
from rest_framework.views import APIView

from jindle_core.interchange.range_csv import neutral
from jindle_core.supplies.whole import Supplies
from server.access import asked_for_by, cards_of, drawer_of, own_range, readings_of
from server.accounts.models import Person
from server.cards.supplies import to_buy, uses, wanted_told
from server.catalogue.arrays import catalogue_for
from server.catalogue.downloads import download
from server.requests import Request
from server.told.schema import component
from server.told.supplies import RangeUses as RangeUsesTold
from server.told.supplies import Wanted
from server.told.supplies import Wanted as WantedTold


class Shopping(APIView):
    """The shopping list."""

    @extend_schema(responses=component(Wanted, many=True), operation_id="shopping")
    def get(self, request: Request) -> Response:
        """What the person's cards need, or the person wants, and the drawer lacks, by range."""
        supplies = catalogue_for(request.user)
        return Response(_listed(request.user, supplies))


class ShoppingFile(APIView):
    """The shopping list as a file."""

    @extend_schema(responses={(200, "text/csv"): OpenApiTypes.STR}, operation_id="shopping_file")
    def get(self, request: Request) -> HttpResponse:
        """CSV: range, maker, medium, code, name, why, cards."""
        supplies = catalogue_for(request.user)
        out = io.StringIO()
        writer = csv.writer(out, lineterminator="\n")
        writer.writerow(("range", "maker", "medium", "code", "name", "why", "discontinued", "cards"))
        for item in _listed(request.user, supplies):
            found = item.swatch
            maker = supplies.ranges[found.range_id].maker
            texts = (found.range_name, maker, found.medium, found.code, found.name, item.why)
            gone = "yes" if found.discontinued else "no"
            writer.writerow((*map(neutral, texts), gone, neutral("; ".join(item.cards))))
        return download(out.getvalue(), "text/csv", "shopping.csv")


def _listed(person: Person, supplies: Supplies) -> list[WantedTold]:
    asked = asked_for_by(person).values_list("colour_id", flat=True)
    return wanted_told(supplies, to_buy(cards_of(person), supplies, person, asked))


class RangeUses(APIView):
    """What a range is used for."""

    @extend_schema(responses=component(RangeUsesTold), operation_id="range_uses")
    def get(self, request: Request, pk: int) -> Response:
        """Which cards name its colours and for what, and what is in the drawer or was read of it."""
        found = own_range(request.user, pk)
        ids = frozenset(found.colours.values_list("pk", flat=True))
        return Response(
            RangeUsesTold(
                cards=uses(cards_of(request.user), ids),
                drawer=drawer_of(request.user).filter(colour__range=found).count(),
                readings=readings_of(request.user).filter(colour__range=found).count(),
            )
        )
