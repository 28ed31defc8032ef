"""Ranges and charts as files to take away."""

from base64 import b64encode
from collections.abc import Generator, Iterator

import numpy as np
from django.http import Http404, HttpResponse, StreamingHttpResponse
from drf_spectacular.types import OpenApiTypes
from drf_spectacular.utils import OpenApiParameter, extend_schema
from rest_framework.views import APIView

from jindle_core.interchange.cgats import write_cgats
from jindle_core.interchange.palette_text import write_gpl, write_tokens
from jindle_core.interchange.range_csv import write_range
from jindle_core.interchange.range_json import DETAILS, write_range_json
from jindle_core.supplies.whole import Supplies
from jindle_core.swatch_sheet import SHEETS
from server.access import one, ranges_seen_by
from server.catalogue.arrays import catalogue_for
from server.catalogue.chart_pdf import PrintedBox, PrintedPart, chart_pdf
from server.catalogue.charts import chart_places
from server.catalogue.downloads import download
from server.catalogue.models import Range
from server.catalogue.range_actions import entry_of
from server.requests import Request
from server.streams import MEDIA_TYPE, finished, progress
from server.told.made import Streamed
from server.told.ranges import ChartLine
from server.told.schema import component

KINDS = ("csv", "json", "txt", "gpl", "tokens.json")
# Its file name, and its pages in the making.
_Chart = tuple[str, Generator[Streamed, None, bytes]]
_SHEET = OpenApiParameter("sheet", str, enum=list(SHEETS), description="letter (as it is) or a4")


def range_text(found: Range, kind: str) -> tuple[str, str]:
    """A range in one of ``KINDS``, and its media type."""
    entries = [entry_of(colour) for colour in found.colours.all()]
    details = {field: getattr(found, field) for field in DETAILS}
    if kind == "csv":
        return write_range(entries), "text/csv"
    if kind == "json":
        return write_range_json(details, entries), "application/json"
    if kind == "txt":
        return write_cgats(found.name, entries), "text/plain"
    if kind == "gpl":
        return write_gpl(found.name, entries), "text/plain"
    return write_tokens(found.name, entries), "application/json"


class RangeFile(APIView):
    """A range as a file."""

    @extend_schema(
        responses={(200, "application/octet-stream"): OpenApiTypes.BINARY}, operation_id="range_file"
    )
    def get(self, request: Request, pk: int, kind: str) -> HttpResponse:
        """CSV, JSON, CGATS text (txt), .gpl palette or design tokens."""
        found = one(ranges_seen_by(request.user), pk=pk)
        if kind not in KINDS:
            raise Http404
        text, media_type = range_text(found, kind)
        return download(text, media_type, f"{found.name}.{kind}")


class RangeChart(APIView):
    """A range's swatch chart."""

    @extend_schema(
        parameters=[_SHEET, OpenApiParameter("owned", bool)],
        responses={(200, "application/pdf"): OpenApiTypes.BINARY},
        operation_id="range_chart",
    )
    def get(self, request: Request, pk: int) -> HttpResponse:
        """An empty box a colour, in the order of use; ``owned`` leaves out what is not in the drawer."""
        return _downloaded(_range_chart(request, pk))

    @extend_schema(
        parameters=[_SHEET, OpenApiParameter("owned", bool)],
        request=None,
        responses={(200, MEDIA_TYPE): component(ChartLine)},
        operation_id="follow_range_chart",
    )
    def post(self, request: Request, pk: int) -> StreamingHttpResponse:
        """The same, telling its progress."""
        return progress(_followed(_range_chart(request, pk)))


class DrawerChart(APIView):
    """The drawer's swatch chart."""

    @extend_schema(
        parameters=[_SHEET],
        responses={(200, "application/pdf"): OpenApiTypes.BINARY},
        operation_id="drawer_chart",
    )
    def get(self, request: Request) -> HttpResponse:
        """An empty box a colour that is owned, by range."""
        return _downloaded(_drawer_chart(request))

    @extend_schema(
        parameters=[_SHEET],
        request=None,
        responses={(200, MEDIA_TYPE): component(ChartLine)},
        operation_id="follow_drawer_chart",
    )
    def post(self, request: Request) -> StreamingHttpResponse:
        """The same, telling its progress."""
        return progress(_followed(_drawer_chart(request)))


def _range_chart(request: Request, pk: int) -> _Chart:
    found = one(ranges_seen_by(request.user), pk=pk)
    supplies = catalogue_for(request.user)
    places = chart_places(supplies, found.pk, request.query_params.get("owned") == "true")
    part = _part(supplies, places, found.name, f"{found.medium}, {len(places)} colours")
    return f"{found.name} chart.pdf", chart_pdf(found.name, [part], _sheet(request))


def _drawer_chart(request: Request) -> _Chart:
    supplies = catalogue_for(request.user)
    parts = []
    for range_id, facts in supplies.ranges.items():
        places = chart_places(supplies, range_id, owned=True)
        if len(places):
            about = f"{facts.medium.value}, {len(places)} colours"
            parts.append(_part(supplies, places, facts.name, about))
    return "drawer chart.pdf", chart_pdf("My drawer", parts, _sheet(request))


def _downloaded(chart: _Chart) -> HttpResponse:
    name, steps = chart
    return download(finished(steps), "application/pdf", name)


def _followed(chart: _Chart) -> Iterator[Streamed]:
    name, steps = chart
    content = yield from steps
    yield ChartLine(share=1.0, name=name, pdf=b64encode(content).decode())


def _sheet(request: Request) -> str:
    sheet = request.query_params.get("sheet", "letter")
    return sheet if sheet in SHEETS else "letter"


def _part(supplies: Supplies, places: np.ndarray, title: str, about: str) -> PrintedPart:
    boxes = []
    for place in places:
        row, kept = supplies.rows[place], supplies.kept(place)
        code, name = row.code, row.name
        notes: list[str] = [kept.fullness] if kept and kept.fullness != "full" else []
        if row.discontinued:
            notes.append("discontinued")
        shade = supplies.shades[place]["colour"]
        boxes.append(PrintedBox(shade, code or name, name if code else "", ", ".join(notes)))
    return PrintedPart(title, about, tuple(boxes))
