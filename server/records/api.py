"""The API of recipes and records."""

from datetime import timedelta
from typing import Any

from csp.decorators import csp_replace
from django.http import Http404, HttpResponse
from django.utils import timezone
from django.utils.decorators import method_decorator
from django.views.decorators.clickjacking import xframe_options_sameorigin
from drf_spectacular.types import OpenApiTypes
from drf_spectacular.utils import extend_schema
from rest_framework import status
from rest_framework.parsers import MultiPartParser
from rest_framework.response import Response
from rest_framework.views import APIView

from jindle_core import figures
from jindle_core.planning.instead import UsedInstead
from jindle_core.planning.planned import Planned, planned
from jindle_core.planning.recipe.lines import Recipe
from jindle_core.planning.recipe.whole import recipe_of
from server.access import one, own_card, own_record, records_of
from server.cards.glances import picture_of
from server.cards.held import checked_card
from server.cards.models import StoredCard
from server.cards.planning.actions import going_on, paces_of
from server.catalogue.arrays import catalogue_for
from server.catalogue.downloads import download
from server.records import actions
from server.records.export import as_csv, as_json
from server.records.models import Record
from server.records.search import Asked, looked_for, media_used, most_used
from server.records.serializers import (
    ChangedRecordSerializer,
    ExportQuery,
    NewRecordSerializer,
    PhotoFileSerializer,
    RecordsQuery,
    SheetQuery,
    YearQuery,
)
from server.records.sheet import Paper, recipe_page, recipe_pdf
from server.records.views import kept_as, record_told, summaries
from server.records.year import year_pdf
from server.requests import Request
from server.told.records import Record as RecordTold
from server.told.records import Records as RecordsTold
from server.told.records import SuppliesUsed, SupplyUsed, Unused
from server.told.schema import component

# A page that carries all that it shows, is framed by ours alone, and runs nothing.
CARRIED = {
    "default-src": ["'none'"],
    "style-src": ["'unsafe-inline'"],
    "img-src": ["data:"],
    "font-src": ["data:"],
    "frame-ancestors": ["'self'"],
}
_SHEET = {(200, "application/pdf"): OpenApiTypes.BINARY, (200, "text/html"): OpenApiTypes.STR}
_PAGE, _YEAR = 60, timedelta(days=365)


def _work(request: Request, card: StoredCard) -> tuple[Any, Planned]:
    """A card as it is checked, and the work on it as a whole, as if nothing of it were done."""
    checked = checked_card(card, catalogue_for(request.user), request.user)
    return checked, planned(checked, going_on(card).wishes, None, paces_of(request.user))


def _sheet(request: Request, recipe: Recipe, **told: Any) -> HttpResponse:
    given = SheetQuery(data=request.query_params)
    given.is_valid(raise_exception=True)
    if given.validated_data["kind"] == "html":
        return HttpResponse(recipe_page(recipe, **told))
    paper = Paper(given.validated_data["paper"])
    return download(recipe_pdf(recipe, paper, **told), "application/pdf", f"{recipe.name}.pdf")


@method_decorator(csp_replace(CARRIED), "get")
@method_decorator(xframe_options_sameorigin, "get")
class CardRecipe(APIView):
    """The recipe sheet of a card."""

    @extend_schema(parameters=[SheetQuery], responses=_SHEET, operation_id="recipe_sheet")
    def get(self, request: Request, pk: int) -> HttpResponse:
        """All that is needed to make it again, on paper or as a page."""
        card = own_card(request.user, pk)
        checked, work = _work(request, card)
        recipe = recipe_of(checked, request.user.units, work)
        words = [one.words for one in going_on(card).instead]
        return _sheet(
            request, recipe, picture=picture_of(card), picture_words="as it is predicted", instead_used=words
        )


def _told(request: Request, record: Record) -> Any:
    return record_told(record, catalogue_for(request.user))


class CardRecords(APIView):
    """What was made of a card."""

    @extend_schema(
        request=NewRecordSerializer, responses={201: component(RecordTold)}, operation_id="record_card"
    )
    def post(self, request: Request, pk: int) -> Response:
        """Keep the card as it is made now, with what is said of it."""
        given = NewRecordSerializer(data=request.data)
        given.is_valid(raise_exception=True)
        told, card = dict(given.validated_data), own_card(request.user, pk)
        version = told.pop("version")
        checked, work = _work(request, card)
        said = actions.Said(**told, instead=going_on(card).instead)
        made = actions.record_card(card, version, said, checked, work)
        return Response(_told(request, made), status.HTTP_201_CREATED)


class Records(APIView):
    """The log."""

    @extend_schema(parameters=[RecordsQuery], responses=component(RecordsTold), operation_id="records")
    def get(self, request: Request) -> Response:
        """What was made, the newest first, as far as it is looked for."""
        given = RecordsQuery(data=request.query_params)
        given.is_valid(raise_exception=True)
        asked = dict(given.validated_data)
        start = (asked.pop("page") - 1) * _PAGE
        found = looked_for(request.user, Asked(**asked))
        every = records_of(request.user)
        years = every.dates("made", "year", order="DESC")
        total = found.count()
        told = summaries(found[start : start + _PAGE])
        more = total > start + _PAGE
        answer = RecordsTold(
            records=told,
            total=total,
            more=more,
            years=[one.year for one in years],
            people=list(
                every.exclude(person="").order_by("person").values_list("person", flat=True).distinct()
            ),
            media=media_used(request.user),
        )
        return Response(answer)


class YearPage(APIView):
    """A year of what was made, to print."""

    @extend_schema(
        parameters=[YearQuery],
        responses={(200, "application/pdf"): OpenApiTypes.BINARY},
        operation_id="year_page",
    )
    def get(self, request: Request, year: int) -> HttpResponse:
        """Month by month with small pictures, and what was used most; 404 where nothing was made."""
        given = YearQuery(data=request.query_params)
        given.is_valid(raise_exception=True)
        return download(
            year_pdf(request.user, year, Paper(given.validated_data["paper"])),
            "application/pdf",
            f"made-in-{year}.pdf",
        )


class OneRecord(APIView):
    """Something that was made."""

    @extend_schema(responses=component(RecordTold), operation_id="record")
    def get(self, request: Request, pk: int) -> Response:
        """All of it."""
        return Response(_told(request, own_record(request.user, pk)))

    @extend_schema(
        request=ChangedRecordSerializer, responses=component(RecordTold), operation_id="change_record"
    )
    def put(self, request: Request, pk: int) -> Response:
        """Say something else of it; the card as it was stays."""
        given = ChangedRecordSerializer(data=request.data)
        given.is_valid(raise_exception=True)
        told, record = dict(given.validated_data), own_record(request.user, pk)
        version = told.pop("version")
        told["instead"] = tuple(UsedInstead(**one) for one in told["instead"])
        actions.change_record(record, version, actions.Said(**told))
        return Response(_told(request, record))

    @extend_schema(responses={204: None}, operation_id="delete_record")
    def delete(self, request: Request, pk: int) -> Response:
        """Forget it, with its photos."""
        actions.delete_record(own_record(request.user, pk))
        return Response(status=status.HTTP_204_NO_CONTENT)


def _picture(content: bytes | memoryview, kind: str) -> HttpResponse:
    answer = HttpResponse(bytes(content), content_type=kind)
    answer["Cache-Control"] = "private, max-age=86400"
    return answer


class RecordPicture(APIView):
    """How the card was predicted to look."""

    @extend_schema(responses={(200, "image/webp"): OpenApiTypes.BINARY}, operation_id="record_picture")
    def get(self, request: Request, pk: int) -> HttpResponse:
        """The picture that it had in the list then."""
        record = own_record(request.user, pk)
        if record.picture is None:
            raise Http404
        return _picture(record.picture, "image/webp")


class RecordPhotos(APIView):
    """Photos of what was made."""

    parser_classes = (MultiPartParser,)

    @extend_schema(
        request={"multipart/form-data": PhotoFileSerializer},
        responses={201: component(RecordTold)},
        operation_id="add_photo",
    )
    def post(self, request: Request, pk: int) -> Response:
        """Keep one more."""
        given = PhotoFileSerializer(data=request.data)
        given.is_valid(raise_exception=True)
        record = own_record(request.user, pk)
        content = given.validated_data["file"].read(figures.paper.LARGEST_PICTURE + 1)
        actions.add_photo(record, content)
        return Response(_told(request, record), status.HTTP_201_CREATED)


class OnePhoto(APIView):
    """A photo of what was made."""

    @extend_schema(responses={(200, "image/jpeg"): OpenApiTypes.BINARY}, operation_id="photo")
    def get(self, request: Request, pk: int, photo: int) -> HttpResponse:
        """The photo."""
        found = one(own_record(request.user, pk).photos.all(), pk=photo)
        return _picture(found.picture, "image/jpeg")

    @extend_schema(responses={200: component(RecordTold)}, operation_id="delete_photo")
    def delete(self, request: Request, pk: int, photo: int) -> Response:
        """Take it away."""
        record = own_record(request.user, pk)
        actions.delete_photo(record, one(record.photos.all(), pk=photo).pk)
        return Response(_told(request, record))


@method_decorator(csp_replace(CARRIED), "get")
@method_decorator(xframe_options_sameorigin, "get")
class RecordRecipe(APIView):
    """The recipe sheet of what was made."""

    @extend_schema(parameters=[SheetQuery], responses=_SHEET, operation_id="record_sheet")
    def get(self, request: Request, pk: int) -> HttpResponse:
        """As it was then, with a photo where there is one, whatever became of the card."""
        record = own_record(request.user, pk)
        photo = record.photos.first()
        picture = (bytes(photo.picture), "image/jpeg") if photo else None
        if picture is None and record.picture is not None:
            picture = (bytes(record.picture), "image/webp")
        return _sheet(
            request,
            actions.recipe_as_made(record, request.user.units),
            picture=picture,
            picture_words="as it was made" if photo else "as it was predicted",
            about=_about(record),
            instead_used=[UsedInstead(**one).words for one in record.instead],
        )


def _about(record: Record) -> list[str]:
    for_whom = " for ".join(one for one in (record.occasion, record.person) if one)
    first = f"Made on {record.made:%-d %B %Y}, {record.count} of it"
    lines = [f"{first}; {for_whom}." if for_whom else f"{first}."]
    lines += [f"Went well: {record.went_well}"] if record.went_well else []
    lines += [f"To change: {record.to_change}"] if record.to_change else []
    return lines


class RecordExport(APIView):
    """The whole log as a file."""

    @extend_schema(
        parameters=[ExportQuery],
        responses={(200, "text/csv"): OpenApiTypes.STR, (200, "application/json"): OpenApiTypes.OBJECT},
        operation_id="export_log",
    )
    def get(self, request: Request) -> HttpResponse:
        """All of it, whatever is looked for."""
        given = ExportQuery(data=request.query_params)
        given.is_valid(raise_exception=True)
        records = records_of(request.user).defer("stored", "picture").prefetch_related("uses")
        if given.validated_data["kind"] == "csv":
            return download(as_csv(records), "text/csv", "log.csv")
        return download(as_json(records), "application/json", "log.json")


class RecordSupplies(APIView):
    """How supplies are used."""

    @extend_schema(responses=component(SuppliesUsed), operation_id="supplies_used")
    def get(self, request: Request) -> Response:
        """How often each was used and when last, and what of the drawer was not used for a year."""
        supplies, since = catalogue_for(request.user), timezone.localdate() - _YEAR
        used = [
            SupplyUsed(shade=one.pop("shown"), **kept_as(supplies, one), **one)
            for one in most_used(request.user)
        ]
        last = {(one.label, one.range_name): one.last for one in used}
        unused = []
        for place, _ in supplies.all_kept:
            row = supplies.rows[place]
            name = supplies.ranges[row.range_id].name
            when = last.get((row.label, name))
            if when is None or when < since:
                unused.append(Unused(id=row.id, label=row.label, range_name=name, last=when))
        return Response(SuppliesUsed(used=used, unused=unused))
