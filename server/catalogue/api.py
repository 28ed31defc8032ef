"""The API of ranges, the drawer and finding colours."""

import json

import numpy as np
from drf_spectacular.utils import OpenApiParameter, extend_schema
from rest_framework import serializers, status
from rest_framework.parsers import MultiPartParser
from rest_framework.request import Request
from rest_framework.response import Response
from rest_framework.views import APIView

from jindle_core import defaults
from jindle_core.colorimetry.naming import hue_family
from jindle_core.colorimetry.spaces import lab_to_hex, on_screen
from jindle_core.colorimetry.typed import read_typed
from jindle_core.errors import BadInput, Problem
from jindle_core.interchange.range_csv import FIELDS, RangeFile, read_range
from server.access import one, own_range, ranges_seen_by
from server.catalogue import actions
from server.catalogue.arrays import Catalogue, catalogue_for
from server.catalogue.models import MEDIUM_CHOICES, PROVENANCE_CHOICES, Colour, Range
from server.catalogue.swatches import SwatchSerializer, swatch
from server.errors import ProblemSerializer

_STRIP = 24  # colours shown of a range in the list
_PREVIEWED = 12
_PROBLEMS_TOLD = 200
_FOUND = 24
# Where the L, a, b of a file may come from; a hex value is always from a screen.
FILE_PROVENANCE = [choice for choice in PROVENANCE_CHOICES if choice[0] in ("read", "photographed", "label")]


class RangeSerializer(serializers.ModelSerializer):
    """A range without its colours."""

    own = serializers.BooleanField(help_text="the person's own, so that they may change it")
    count = serializers.IntegerField()
    owned = serializers.IntegerField(help_text="how many of its colours are in the drawer")
    discontinued = serializers.IntegerField()
    strip = serializers.ListField(child=serializers.CharField(), help_text="#rrggbb, spread over the range")

    class Meta:
        model = Range
        fields = ("id", "name", "maker", "medium", "note", "own", "count", "owned", "discontinued", "strip")


class WholeRangeSerializer(RangeSerializer):
    """A range with its colours."""

    colours = SwatchSerializer(many=True)

    class Meta(RangeSerializer.Meta):
        fields = (*RangeSerializer.Meta.fields, "colours")


class ColumnsField(serializers.JSONField):
    """Which header stands for which field, as JSON text: {"code": "Nr."}."""

    def to_internal_value(self, data):
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

    name = serializers.CharField(max_length=defaults.NAME_LIMIT)
    maker = serializers.CharField(max_length=defaults.NAME_LIMIT, allow_blank=True, default="")
    medium = serializers.ChoiceField(choices=MEDIUM_CHOICES)
    note = serializers.CharField(max_length=2000, allow_blank=True, default="")


class PreviewEntrySerializer(serializers.Serializer):
    """A row as it would be stored."""

    row = serializers.IntegerField()
    code = serializers.CharField()
    name = serializers.CharField()
    lab = serializers.ListField(child=serializers.FloatField())
    hex = serializers.CharField()
    on_screen = serializers.BooleanField()
    family = serializers.CharField()
    paper = serializers.CharField()
    discontinued = serializers.BooleanField()


class PreviewSerializer(serializers.Serializer):
    """What a file holds and what is wrong with it; nothing is stored."""

    header = serializers.ListField(child=serializers.CharField())
    columns = serializers.DictField(child=serializers.CharField())
    fields_known = serializers.ListField(child=serializers.ChoiceField(choices=FIELDS))
    delimiter = serializers.CharField()
    count = serializers.IntegerField()
    entries = PreviewEntrySerializer(many=True)
    problem_count = serializers.IntegerField()
    problems = ProblemSerializer(many=True)


class FoundValueSerializer(serializers.Serializer):
    """A colour that was typed as a value."""

    lab = serializers.ListField(child=serializers.FloatField())
    hex = serializers.CharField()
    provenance = serializers.CharField()
    on_screen = serializers.BooleanField()
    hue_name = serializers.CharField()


class FoundSerializer(serializers.Serializer):
    """What a typed text may mean."""

    value = FoundValueSerializer(allow_null=True)
    colours = SwatchSerializer(many=True)
    more = serializers.BooleanField()


class DrawerRequestSerializer(serializers.Serializer):
    """Colours to put into the drawer or take out."""

    colours = serializers.ListField(child=serializers.IntegerField(), max_length=defaults.LARGEST_RANGE)
    owned = serializers.BooleanField()


def _listed(found: Range, catalogue: Catalogue, person_id: int) -> dict:
    places = np.flatnonzero(catalogue.range_ids == found.pk)
    shown = (
        places[np.linspace(0, len(places) - 1, min(_STRIP, len(places))).astype(int)] if len(places) else ()
    )
    return {
        "id": found.pk,
        "name": found.name,
        "maker": found.maker,
        "medium": found.medium,
        "note": found.note,
        "own": found.owner_id == person_id,
        "count": len(places),
        "owned": int(catalogue.owned[places].sum()),
        "discontinued": int(catalogue.discontinued[places].sum()),
        "strip": [catalogue.shades[place]["colour"] for place in shown],
    }


def _read_file(given: dict) -> RangeFile:
    upload = given["file"]
    # One byte more than is taken is enough to know that it is too large.
    content = upload.read(defaults.LARGEST_FILE + 1)
    return read_range(content, given.get("columns"), given["provenance"])


class Ranges(APIView):
    """Ranges: all that the person may match against."""

    parser_classes = [MultiPartParser]

    @extend_schema(responses=RangeSerializer(many=True), operation_id="ranges")
    def get(self, request: Request) -> Response:
        """Every range, shared and own, with a strip of its colours."""
        catalogue = catalogue_for(request.user)
        found = ranges_seen_by(request.user)
        return Response([_listed(each, catalogue, request.user.pk) for each in found])

    @extend_schema(
        request={"multipart/form-data": ImportRequestSerializer},
        responses={201: RangeSerializer},
        operation_id="import_range",
    )
    def post(self, request: Request) -> Response:
        """Store a CSV file as an own range: whole, or not at all."""
        given = ImportRequestSerializer(data=request.data)
        given.is_valid(raise_exception=True)
        values = given.validated_data
        details = actions.RangeDetails(values["name"], values["medium"], values["maker"], values["note"])
        made = actions.store_range(request.user, details, _read_file(values))
        answer = _listed(made, catalogue_for(request.user), request.user.pk)
        return Response(answer, status=status.HTTP_201_CREATED)


class RangePreview(APIView):
    """Looking at a file before it becomes a range."""

    parser_classes = [MultiPartParser]

    @extend_schema(
        request={"multipart/form-data": PreviewRequestSerializer},
        responses=PreviewSerializer,
        operation_id="preview_range",
    )
    def post(self, request: Request) -> Response:
        """What the file holds, line by line where something is wrong; stores nothing."""
        given = PreviewRequestSerializer(data=request.data)
        given.is_valid(raise_exception=True)
        file = _read_file(given.validated_data)
        shown = file.entries[:_PREVIEWED]
        lab = np.array([entry.lab for entry in shown]).reshape(-1, 3)
        rows = zip(shown, lab_to_hex(lab), on_screen(lab), strict=True)
        fields = ("row", "code", "name", "lab", "family", "paper", "discontinued")
        answer = {
            "header": file.header,
            "columns": file.columns,
            "fields_known": FIELDS,
            "delimiter": {";": "semicolons", ",": "commas", "\t": "tabs"}[file.delimiter],
            "count": len(file.entries),
            "entries": [
                {name: getattr(entry, name) for name in fields} | {"hex": shade, "on_screen": bool(fits)}
                for entry, shade, fits in rows
            ],
            "problem_count": len(file.problems),
            "problems": file.problems[:_PROBLEMS_TOLD],
        }
        return Response(PreviewSerializer(answer).data)


class OneRange(APIView):
    """A range with its colours."""

    @extend_schema(responses=WholeRangeSerializer, operation_id="range")
    def get(self, request: Request, pk: int) -> Response:
        """The range and every colour of it."""
        found = one(ranges_seen_by(request.user), pk=pk)
        catalogue = catalogue_for(request.user)
        places = np.flatnonzero(catalogue.range_ids == found.pk)
        colours = [swatch(catalogue, int(place)) for place in places]
        return Response(_listed(found, catalogue, request.user.pk) | {"colours": colours})

    @extend_schema(responses={204: None}, operation_id="delete_range")
    def delete(self, request: Request, pk: int) -> Response:
        """Delete an own range."""
        actions.delete_range(own_range(request.user, pk))
        return Response(status=status.HTTP_204_NO_CONTENT)


class Find(APIView):
    """Finding a colour by what somebody types."""

    @extend_schema(
        parameters=[OpenApiParameter("q", str, required=True, description="code, name, #rrggbb or Lab")],
        responses=FoundSerializer,
        operation_id="find",
    )
    def get(self, request: Request) -> Response:
        """Colours by code or name, and the value where the text is #rrggbb or Lab."""
        typed = request.query_params.get("q", "")[: defaults.NAME_LIMIT]
        catalogue = catalogue_for(request.user)
        value = read_typed(typed)
        places = [] if value else catalogue.search.find(typed, _FOUND + 1)
        answer = {
            "value": None,
            "colours": [swatch(catalogue, place) for place in places[:_FOUND]],
            "more": len(places) > _FOUND,
        }
        if value:
            lab = np.array(value.lab)
            answer["value"] = {
                "lab": [round(part, 2) for part in value.lab],
                "hex": lab_to_hex(lab[None])[0],
                "provenance": value.provenance,
                "on_screen": bool(on_screen(lab)),
                "hue_name": hue_family(value.lab),
            }
        return Response(answer)


class Drawer(APIView):
    """What the person owns."""

    @extend_schema(request=DrawerRequestSerializer, responses={204: None}, operation_id="set_owned")
    def post(self, request: Request) -> Response:
        """Put colours into the drawer or take them out; all or none."""
        given = DrawerRequestSerializer(data=request.data)
        given.is_valid(raise_exception=True)
        wanted = set(given.validated_data["colours"])
        seen = Colour.objects.filter(range__in=ranges_seen_by(request.user), pk__in=wanted).count()
        if seen != len(wanted):
            raise BadInput(Problem("One of these colours is not in any of your ranges.", field="colours"))
        actions.set_owned(request.user, sorted(wanted), given.validated_data["owned"])
        return Response(status=status.HTTP_204_NO_CONTENT)
