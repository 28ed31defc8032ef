"""The API of how sure predictions are, and of what to read next."""

from django.http import HttpResponse
from drf_spectacular.types import OpenApiTypes
from drf_spectacular.utils import OpenApiParameter, extend_schema
from rest_framework.response import Response
from rest_framework.views import APIView

from jindle_core.offers.for_reading import Reading, Sureness, sureness
from jindle_core.prediction.behaviour import Hand
from jindle_core.supplies.whole import Supplies
from jindle_core.swatch_sheet import SHEETS
from jindle_core.words import in_words
from server.access import cards_of
from server.accounts.models import Person
from server.cards.supplies import is_readable
from server.catalogue.arrays import catalogue_for
from server.catalogue.downloads import download
from server.catalogue.printing import pdf
from server.catalogue.swatches import swatch
from server.requests import Request
from server.told.schema import component
from server.told.supplies import Sureness as SurenessTold
from server.told.supplies import WantedReading


class Surenesses(APIView):
    """How sure predictions are."""

    @extend_schema(responses=component(SurenessTold, many=True), operation_id="sureness")
    def get(self, request: Request) -> Response:
        """Of every range that is owned, laid on cards or read, the least sure first."""
        return Response(_told(request.user))


class SurenessSheet(APIView):
    """A sheet to lay swatches on."""

    @extend_schema(
        parameters=[OpenApiParameter("sheet", str, enum=list(SHEETS)), OpenApiParameter("range", int)],
        responses={(200, "application/pdf"): OpenApiTypes.BINARY},
        operation_id="sureness_sheet",
    )
    def get(self, request: Request) -> HttpResponse:
        """A box for every reading that would teach most, of all ranges or of one, with how it is laid."""
        sheet = request.query_params.get("sheet", "letter")
        width, height = SHEETS[sheet if sheet in SHEETS else "letter"]
        wanted = request.query_params.get("range", "")
        ranges = [one for one in _told(request.user) if one.wanted and wanted in ("", str(one.range_id))]
        told = {"title": "Swatches to read", "ranges": ranges, "width": width, "height": height}
        return download(pdf("print/readings.html", told), "application/pdf", "swatches to read.pdf")


def _told(person: Person) -> list[SurenessTold]:
    supplies = catalogue_for(person)
    cards = [card.value for card in cards_of(person) if is_readable(card)]
    return [_one(supplies, found) for found in sureness(cards, supplies)]


def _one(supplies: Supplies, found: Sureness) -> SurenessTold:
    facts, known = supplies.ranges[found.range_id], found.known
    return SurenessTold(
        range_id=found.range_id,
        name=facts.name,
        medium=facts.medium.value,
        readings=known.readings,
        before=round(known.before, 2) if known.readings else None,
        after=None if known.after is None else round(known.after, 2),
        made=found.made,
        sigma=round(found.sigma, 1),
        wanted=[
            WantedReading(
                swatch=swatch(supplies, one.colour),
                layers=one.layers,
                hand=one.hand,
                paper=None if one.card is None else swatch(supplies, one.card),
                words=_words(supplies, one),
                sigma=round(one.sigma, 1),
            )
            for one in found.wanted
        ],
    )


def _words(supplies: Supplies, one: Reading) -> str:
    layers = "1 layer" if one.layers == 1 else f"{one.layers} layers"
    if one.hand is not Hand.MIDDLE:
        layers += f" by a {in_words(one.hand)} hand"
    if one.card is None:
        return f"{layers} on white card"
    row = supplies.rows[one.card]
    return f"{layers} on {supplies.ranges[row.range_id].name} {row.label}"
