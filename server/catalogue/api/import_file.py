"""Bringing in a range from a file: looking at it first, then storing it with its progress."""

import json
from collections.abc import Generator, Iterator
from dataclasses import asdict, replace
from typing import Any

import numpy as np
from django.http import StreamingHttpResponse
from drf_spectacular.utils import extend_schema
from rest_framework import serializers
from rest_framework.parsers import MultiPartParser
from rest_framework.response import Response
from rest_framework.views import APIView

from jindle_core import figures
from jindle_core.colorimetry.spaces import lab_to_hex, on_screen
from jindle_core.errors import BadInput, Problem
from jindle_core.interchange.any_file import read_any_range
from jindle_core.interchange.entries import FIELDS, SAMPLE, RangeFile
from jindle_core.interchange.file_name import medium_of
from jindle_core.interchange.range_csv import look
from server.catalogue import range_actions
from server.catalogue.models import MEDIUM_CHOICES, PROVENANCE_CHOICES, Range
from server.requests import Request
from server.streams import MEDIA_TYPE, progress
from server.told.error import Problem as ProblemTold
from server.told.ranges import ImportLine, Preview, PreviewEntry
from server.told.schema import component

_PREVIEWED = 12
_PROBLEMS_TOLD = 200
# Where the L, a, b of a file may come from; a hex value is always from a screen.
FILE_PROVENANCE = [choice for choice in PROVENANCE_CHOICES if choice[0] in ("read", "photographed", "label")]


class ColumnsField(serializers.JSONField):
    """Which header stands for which field, as JSON text: {"code": "Nr."}."""

    def to_internal_value(self, data: Any) -> Any:
        try:
            read = json.loads(data) if isinstance(data, str) and data else data or {}
        except ValueError:
            raise serializers.ValidationError("Columns are no well-formed JSON.") from None
        if not isinstance(read, dict) or not all(isinstance(title, str) for title in read.values()):
            raise serializers.ValidationError("Columns are an object of field and header.")
        return {field: title for field, title in read.items() if title}


class PreviewRequestSerializer(serializers.Serializer):
    """A file to look at, and how to read it."""

    file = serializers.FileField(allow_empty_file=True)
    columns = ColumnsField(required=False, help_text='JSON text, field → header: {"code": "Nr."}')
    provenance = serializers.ChoiceField(choices=FILE_PROVENANCE, default="label")


class ImportRequestSerializer(PreviewRequestSerializer):
    """A file to store as a range."""

    name = serializers.CharField(max_length=figures.palettes.NAME_LIMIT)
    maker = serializers.CharField(max_length=figures.palettes.NAME_LIMIT, allow_blank=True, default="")
    medium = serializers.ChoiceField(choices=MEDIUM_CHOICES)
    note = serializers.CharField(max_length=2000, allow_blank=True, default="")
    without_codes = serializers.BooleanField(default=False, help_text="the range has names alone")


def _read_file(given: dict, partly: bool = False) -> tuple[dict[str, Any], RangeFile]:
    """The range's details and colours; ``partly``: what can be told where columns are not recognised."""
    upload = given["file"]
    # One byte more than is taken is enough to know that it is too large.
    content = upload.read(figures.files.LARGEST_FILE + 1)
    try:
        return read_any_range(content, given.get("columns"), given["provenance"])
    except BadInput as error:
        if partly and all(problem.field == "columns" for problem in error.problems):
            # What was recognised stays, and the first rows show what stands where.
            return {}, replace(look(content, given.get("columns"), SAMPLE), problems=error.problems)
        raise


def _lacks_codes(file: RangeFile) -> bool:
    """Whether a table has no column of codes that was recognised: it may have one all the same."""
    return file.kind.startswith("CSV") and "code" not in file.columns


class RangePreview(APIView):
    """Looking at a file before it becomes a range."""

    parser_classes = [MultiPartParser]

    @extend_schema(
        request={"multipart/form-data": PreviewRequestSerializer},
        responses=component(Preview),
        operation_id="preview_range",
    )
    def post(self, request: Request) -> Response:
        """What the file holds, line by line where something is wrong; stores nothing."""
        given = PreviewRequestSerializer(data=request.data)
        given.is_valid(raise_exception=True)
        details, file = _read_file(given.validated_data, partly=True)
        shown = file.entries[:_PREVIEWED]
        lab = np.array([entry.lab for entry in shown]).reshape(-1, 3)
        rows = zip(shown, lab_to_hex(lab), on_screen(lab), strict=True)
        fields = ("row", "code", "name", "lab", "family", "paper", "discontinued")
        answer = Preview(
            header=file.header,
            columns=file.columns,
            sample=file.sample,
            fields_known=FIELDS,
            kind=file.kind,
            name=details.get("name", ""),
            medium=details.get("medium") or medium_of(given.validated_data["file"].name or ""),
            codes_asked=_lacks_codes(file),
            count=len(file.entries),
            entries=[
                PreviewEntry(
                    hex=shade, on_screen=bool(fits), **{name: getattr(entry, name) for name in fields}
                )
                for entry, shade, fits in rows
            ],
            problem_count=len(file.problems),
            problems=[ProblemTold(**asdict(one)) for one in file.problems[:_PROBLEMS_TOLD]],
        )
        return Response(answer)


class RangeImport(APIView):
    """Storing a file as an own range."""

    parser_classes = [MultiPartParser]

    @extend_schema(
        request={"multipart/form-data": ImportRequestSerializer},
        responses={(200, MEDIA_TYPE): component(ImportLine)},
        operation_id="import_range",
    )
    def post(self, request: Request) -> StreamingHttpResponse:
        """Store a CSV, JSON, CGATS or .gpl file as an own range: whole, or not at all."""
        given = ImportRequestSerializer(data=request.data)
        given.is_valid(raise_exception=True)
        values = given.validated_data
        told, file = _read_file(values)
        if _lacks_codes(file) and not values["without_codes"]:
            words = "No column of codes was recognised: say which it is, or that the range has names alone."
            raise BadInput(Problem(words, field="columns", expected="a column for code"))
        # What a file says of how its medium behaves says nothing of another one.
        properties = told.get("properties", {}) if told.get("medium") == values["medium"] else {}
        details = range_actions.RangeDetails(
            values["name"], values["medium"], values["maker"], values["note"], properties
        )
        return progress(_lines(range_actions.storing_range(request.user, details, file)))


def _lines(steps: Generator[float, None, Range]) -> Iterator[ImportLine]:
    while True:
        try:
            yield ImportLine(share=next(steps))
        except StopIteration as end:
            made: Range = end.value
            yield ImportLine(id=made.pk)
            return
