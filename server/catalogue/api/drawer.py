"""The API of the drawer: what a person owns, how full, by ticking, by list and by file."""

from collections import Counter
from dataclasses import asdict, fields

import numpy as np
from django.http import HttpResponse
from drf_spectacular.types import OpenApiTypes
from drf_spectacular.utils import extend_schema
from rest_framework import serializers, status
from rest_framework.parsers import MultiPartParser
from rest_framework.response import Response
from rest_framework.views import APIView

from jindle_core import figures
from jindle_core.errors import BadInput, Problem
from jindle_core.fullness import Kept
from jindle_core.interchange.code_list import read_list
from jindle_core.interchange.drawer_csv import KeptLine, read_drawer, write_drawer
from jindle_core.matching.search import SearchIndex, plain
from jindle_core.supplies.whole import Supplies
from server.access import asked_for_by, colours_seen_by, one, papers_seen_by, ranges_seen_by
from server.accounts.models import Person
from server.catalogue.arrays import catalogue_for
from server.catalogue.downloads import download
from server.catalogue.drawer_actions import Before, keep, put_back, say, set_asked, set_owned, there_of
from server.catalogue.models import FULLNESS_CHOICES
from server.catalogue.swatches import swatch
from server.requests import Request
from server.told.drawer import (
    AskedColours,
    Doubtful,
    DrawerBefore,
    DrawerEntry,
    DrawerThere,
    ListReport,
    Taken,
)
from server.told.drawer import Drawer as DrawerTold
from server.told.schema import component

_LIST_LIMIT = 200_000  # characters; more is a file's business


class DrawerRequestSerializer(serializers.Serializer):
    """Colours to put into the drawer or take out, or what to say of them; or a range, or a set of it."""

    colours = serializers.ListField(
        child=serializers.IntegerField(), max_length=figures.files.LARGEST_RANGE, default=list
    )
    range = serializers.IntegerField(required=False, help_text="every colour of it")
    family = serializers.CharField(required=False, help_text="only those of this set of the range")
    owned = serializers.BooleanField(default=True)
    fullness = serializers.ChoiceField(choices=FULLNESS_CHOICES, required=False, allow_null=True)
    note = serializers.CharField(max_length=200, required=False, allow_blank=True, allow_null=True)


class DrawerThereSerializer(serializers.Serializer):
    """A colour in the drawer."""

    colour = serializers.IntegerField()
    fullness = serializers.ChoiceField(choices=FULLNESS_CHOICES)
    note = serializers.CharField(max_length=200, allow_blank=True)


class DrawerBeforeSerializer(serializers.Serializer):
    """What the drawer held of some colours; sent back, it holds that again."""

    colours = serializers.ListField(
        child=serializers.IntegerField(), max_length=2 * figures.files.LARGEST_RANGE
    )
    entries = DrawerThereSerializer(many=True)


class AskedRequestSerializer(serializers.Serializer):
    """Colours to put on the shopping list, or to take off."""

    colours = serializers.ListField(child=serializers.IntegerField(), max_length=figures.files.LARGEST_RANGE)
    asked = serializers.BooleanField(default=True)


class ListRequestSerializer(serializers.Serializer):
    """Codes or names in any order; ``store`` puts what is understood into the drawer."""

    text = serializers.CharField(max_length=_LIST_LIMIT, allow_blank=True)
    range = serializers.IntegerField(required=False, allow_null=True, default=None)
    store = serializers.BooleanField(default=False)


class DrawerFileSerializer(serializers.Serializer):
    """A drawer's file."""

    file = serializers.FileField(allow_empty_file=True)


class Drawer(APIView):
    """What the person owns."""

    @extend_schema(responses=component(DrawerTold), operation_id="drawer")
    def get(self, request: Request) -> Response:
        """Every colour in the drawer, by range."""
        supplies = catalogue_for(request.user)
        kept = supplies.all_kept
        papers = papers_seen_by(request.user).values_list("range_id", "title", "pk")
        sheets = {
            place: pk
            for range_id, title, pk in papers
            for place in supplies.sheets.get((range_id, title), ())
        }
        entries = [
            DrawerEntry(swatch=swatch(supplies, place), note=one.note, sheet=sheets.get(place))
            for place, one in kept
        ]
        counts = Counter(one.fullness for _, one in kept)
        return Response(
            DrawerTold(entries=entries, counts={name: counts[name] for name, _ in FULLNESS_CHOICES})
        )

    @extend_schema(request=DrawerBeforeSerializer, responses={204: None}, operation_id="put_drawer_back")
    def put(self, request: Request) -> Response:
        """Take back what was told: of these colours the drawer holds exactly these entries."""
        given = DrawerBeforeSerializer(data=request.data)
        given.is_valid(raise_exception=True)
        values = given.validated_data
        wanted = _seen(request.user, values["colours"])
        entries = {one.pop("colour"): one for one in values["entries"]}
        if not set(entries) <= set(wanted):
            raise BadInput(Problem("An entry is of none of these colours.", field="entries"))
        put_back(request.user, Before(tuple(wanted), {pk: Kept(**one) for pk, one in entries.items()}))
        return Response(status=status.HTTP_204_NO_CONTENT)

    @extend_schema(
        request=DrawerRequestSerializer, responses=component(DrawerBefore), operation_id="set_owned"
    )
    def post(self, request: Request) -> Response:
        """Put colours into the drawer, say how full they are, or take them out; tells what was before."""
        given = DrawerRequestSerializer(data=request.data)
        given.is_valid(raise_exception=True)
        values = given.validated_data
        wanted = _seen(request.user, values["colours"])
        if "range" in values:
            of = one(ranges_seen_by(request.user), pk=values["range"]).colours.order_by("pk")
            of = of.filter(family=values["family"]) if "family" in values else of
            wanted = list(of.values_list("pk", flat=True))
        before = there_of(request.user, wanted)
        said = {one.name: values[one.name] for one in fields(Kept) if values.get(one.name) is not None}
        if values["owned"] and said:
            say(request.user, [(pk, said) for pk in wanted])
        else:
            set_owned(request.user, wanted, values["owned"])
        return Response(_before(before))


class AskedFor(APIView):
    """What the person puts on the shopping list, whether a card needs it or not."""

    @extend_schema(responses=component(AskedColours), operation_id="asked")
    def get(self, request: Request) -> Response:
        """All of it, by the colours' ids."""
        return Response(
            AskedColours(colours=list(asked_for_by(request.user).values_list("colour_id", flat=True)))
        )

    @extend_schema(request=AskedRequestSerializer, responses={204: None}, operation_id="set_asked")
    def post(self, request: Request) -> Response:
        """Put colours on the shopping list, or take them off; all or none."""
        given = AskedRequestSerializer(data=request.data)
        given.is_valid(raise_exception=True)
        wanted = _seen(request.user, given.validated_data["colours"])
        set_asked(request.user, wanted, given.validated_data["asked"])
        return Response(status=status.HTTP_204_NO_CONTENT)


def _before(there: Before) -> DrawerBefore:
    entries = [DrawerThere(colour=pk, **asdict(kept)) for pk, kept in there.entries.items()]
    return DrawerBefore(colours=there.colours, entries=entries)


def _seen(person: Person, ids: list[int]) -> list[int]:
    """The ids, each once and in order; BadInput where one of them is not the person's to see."""
    wanted = set(ids)
    if colours_seen_by(person).filter(pk__in=wanted).count() != len(wanted):
        raise BadInput(Problem("One of these colours is not in any of your ranges.", field="colours"))
    return sorted(wanted)


class DrawerList(APIView):
    """Marking what one owns by a list of codes."""

    @extend_schema(request=ListRequestSerializer, responses=component(ListReport), operation_id="read_list")
    def post(self, request: Request) -> Response:
        """What the list means; with ``store`` what was understood goes into the drawer."""
        given = ListRequestSerializer(data=request.data)
        given.is_valid(raise_exception=True)
        values = given.validated_data
        supplies = catalogue_for(request.user)
        places = np.arange(len(supplies.rows))
        if values["range"] is not None:
            found = one(ranges_seen_by(request.user), pk=values["range"])
            places = np.flatnonzero(supplies.range_ids == found.pk)
        labels = _labels(supplies, places)
        search = supplies.search if values["range"] is None else SearchIndex([label[1:] for label in labels])
        read = read_list(values["text"], labels, search)
        understood = [int(places[part.place]) for part in read.understood]
        answer = ListReport(
            understood=[swatch(supplies, place) for place in understood],
            new=sum(not supplies.owned[place] for place in understood),
            numbers=sorted(
                {
                    supplies.ranges[int(supplies.range_ids[place])].name
                    for place, part in zip(understood, read.understood, strict=True)
                    if part.text.isdecimal()
                }
            ),
            doubtful=[
                Doubtful(
                    text=part.text,
                    reason=part.reason,
                    suggestions=[swatch(supplies, int(places[at])) for at in part.places],
                )
                for part in read.doubtful
            ],
            repeated=read.repeated,
            stored=values["store"],
        )
        if values["store"]:
            set_owned(request.user, [supplies.rows[place].id for place in understood], True)
        return Response(answer)


def _labels(supplies: Supplies, places: np.ndarray) -> list[tuple[str, str, str]]:
    """Range, code and name of each; what is put away is meant by nothing."""
    rows = [(place, supplies.rows[place]) for place in places]
    return [
        ("", "", "") if supplies.lost[place] else (supplies.ranges[row.range_id].name, row.code, row.name)
        for place, row in rows
    ]


class DrawerFile(APIView):
    """The drawer as a CSV file, out and in."""

    parser_classes = [MultiPartParser]

    @extend_schema(responses={(200, "text/csv"): OpenApiTypes.STR}, operation_id="drawer_file")
    def get(self, request: Request) -> HttpResponse:
        """The drawer as range, colour, full, note."""
        return download(write_drawer(drawer_lines(catalogue_for(request.user))), "text/csv", "drawer.csv")

    @extend_schema(
        request={"multipart/form-data": DrawerFileSerializer},
        responses=component(Taken),
        operation_id="import_drawer",
    )
    def post(self, request: Request) -> Response:
        """Put a file's colours into the drawer: all, or none where a line cannot be taken."""
        given = DrawerFileSerializer(data=request.data)
        given.is_valid(raise_exception=True)
        lines = read_drawer(given.validated_data["file"].read(figures.files.LARGEST_FILE + 1))
        kept = ids_of(catalogue_for(request.user), lines)
        before = there_of(request.user, sorted(set(kept)))
        keep(request.user, [(pk, line.kept) for pk, line in zip(kept, lines, strict=True)])
        return Response(Taken(count=len(set(kept)), before=_before(before)))


def drawer_lines(supplies: Supplies) -> list[KeptLine]:
    """The drawer as lines of its file."""
    lines = []
    for place, kept in supplies.all_kept:
        row = supplies.rows[place]
        name = supplies.ranges[row.range_id].name
        lines.append(KeptLine(0, name, row.label, kept))
    return lines


def ids_of(supplies: Supplies, lines: list[KeptLine]) -> list[int]:
    """The colour that each line means; BadInput for every line that means none, or several."""
    known: dict[tuple[str, str], list[int]] = {}
    for row in supplies.rows:
        range_name = plain(supplies.ranges[row.range_id].name)
        for key in {plain(row.label), plain(row.name)} - {""}:
            known.setdefault((range_name, key), []).append(row.id)
            known.setdefault(("", key), []).append(row.id)
    found, problems = [], []
    for line in lines:
        ids = known.get((plain(line.range), plain(line.colour)), [])
        exact = [pk for pk in ids if _key(supplies, pk) == line.colour]
        ids = exact or ids
        if len(ids) == 1:
            found.append(ids[0])
            continue
        told = f"means {len(ids)} colours; name its range" if ids else "is in none of your ranges"
        words = " ".join((line.range, line.colour)).strip()[:80]
        expected = "a range and a colour of it, as under Supplies"
        problems.append(
            Problem(f"Row {line.row}: “{words}” {told}.", "", line.row, "colour", words, expected)
        )
    if problems:
        raise BadInput(*problems)
    return found


def _key(supplies: Supplies, pk: int) -> str:
    row = supplies.rows[supplies.places[pk]]
    return row.label
