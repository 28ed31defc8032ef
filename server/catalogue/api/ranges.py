"""The API of ranges: seeing, making, changing, comparing and deleting them."""

from collections import Counter
from dataclasses import asdict
from typing import Any

import numpy as np
from drf_spectacular.utils import OpenApiParameter, extend_schema
from rest_framework import serializers, status
from rest_framework.response import Response
from rest_framework.views import APIView

from jindle_core import figures
from jindle_core.compatibility.materials import SURFACES
from jindle_core.compatibility.properties import MOST_LAYERS
from jindle_core.errors import BadInput, Problem
from jindle_core.interchange.entries import FIELDS
from jindle_core.matching.chart import gaps, points
from jindle_core.media.medium import Medium
from jindle_core.supplies.alike import twins
from jindle_core.supplies.whole import Supplies
from server.access import deleted_ranges_of, one, own_range, ranges_seen_by
from server.catalogue import range_actions
from server.catalogue.arrays import catalogue_for
from server.catalogue.models import MEDIUM_CHOICES, Range
from server.catalogue.swatches import match_told, swatch, swatch_told
from server.catalogue.within import DOTS, TYPED_PAGE, page_of, spread, within
from server.requests import Request
from server.told.ranges import Comparison, Dot, Fit, Gap, RangeSet, Twin, TypedColour, TypedPage, WholeRange
from server.told.ranges import Range as RangeTold
from server.told.ranges import RangeDots as RangeDotsTold
from server.told.schema import component
from server.told.shelf import Deleted

_STRIP = 24  # colours shown of a range in the list
_MOST_AWAY = 500  # ranges at once: many times those that come with Jindle


SURFACE_CHOICES = [(one, one) for one in SURFACES]


class PropertiesSerializer(serializers.Serializer):
    """How a range behaves with others, as far as it is said; else as its medium usually does."""

    surface = serializers.ChoiceField(choices=SURFACE_CHOICES, required=False, help_text="of cardstock")
    wet_layers = serializers.IntegerField(
        required=False, min_value=1, max_value=MOST_LAYERS, help_text="that a cardstock takes"
    )
    solvent_proof = serializers.BooleanField(required=False, help_text="of a line ink")
    waterproof = serializers.BooleanField(required=False, help_text="of a line ink")
    slow = serializers.BooleanField(required=False, help_text="of a line ink: open for hours")
    metallic = serializers.BooleanField(required=False, help_text="of pads and card: it turns with the light")


class WithinQuery(serializers.Serializer):
    """What is looked for within a range, and which page of it."""

    words = serializers.CharField(max_length=200, allow_blank=True, default="")
    owned = serializers.BooleanField(default=False, help_text="only what the person owns")
    page = serializers.IntegerField(min_value=1, max_value=figures.files.LARGEST_RANGE, default=1)


class RangeDetailsSerializer(serializers.Serializer):
    """A range apart from its colours."""

    name = serializers.CharField(max_length=figures.palettes.NAME_LIMIT)
    maker = serializers.CharField(max_length=figures.palettes.NAME_LIMIT, allow_blank=True, default="")
    medium = serializers.ChoiceField(choices=MEDIUM_CHOICES)
    note = serializers.CharField(max_length=2000, allow_blank=True, default="")
    properties = PropertiesSerializer(default=dict)


class PutSerializer(serializers.Serializer):
    """A colour as typed; ``id`` of the one it replaces, or none for a new one."""

    id = serializers.IntegerField(required=False, allow_null=True)
    texts = serializers.DictField(
        child=serializers.CharField(allow_blank=True),
        help_text="by field: value (Lab or #rrggbb), " + ", ".join(FIELDS),
    )


class RangeChangeSerializer(serializers.Serializer):
    """A change of an own range: all of it is made, or none."""

    version = serializers.IntegerField()
    details = RangeDetailsSerializer(required=False)
    put = PutSerializer(many=True, default=list)
    remove = serializers.ListField(child=serializers.IntegerField(), default=list)


def _listed(found: Range, supplies: Supplies, person_id: int) -> RangeTold:
    places = within(supplies, found.pk)
    shown = spread(places, _STRIP)
    return RangeTold(
        id=found.pk,
        version=found.version,
        name=found.name,
        maker=found.maker,
        medium=Medium(found.medium),
        note=found.note,
        properties=found.properties,
        own=found.owner_id == person_id,
        away=supplies.ranges[found.pk].away,
        count=len(places),
        owned=int(supplies.owned[places].sum()),
        discontinued=int(supplies.discontinued[places].sum()),
        strip=[supplies.shades[place]["colour"] for place in shown],
    )


class Ranges(APIView):
    """Ranges: all that the person may match against."""

    @extend_schema(responses=component(RangeTold, many=True), operation_id="ranges")
    def get(self, request: Request) -> Response:
        """Every range, shared and own, with a strip of its colours."""
        supplies = catalogue_for(request.user)
        found = ranges_seen_by(request.user)
        return Response([_listed(each, supplies, request.user.pk) for each in found])

    @extend_schema(
        request=RangeDetailsSerializer, responses={201: component(RangeTold)}, operation_id="make_range"
    )
    def post(self, request: Request) -> Response:
        """Make an own range without colours, to be filled by hand."""
        given = RangeDetailsSerializer(data=request.data)
        given.is_valid(raise_exception=True)
        made = range_actions.make_range(request.user, range_actions.RangeDetails(**given.validated_data))
        answer = _listed(made, catalogue_for(request.user), request.user.pk)
        return Response(answer, status=status.HTTP_201_CREATED)


def _whole(found: Range, supplies: Supplies, person_id: int, asked: dict[str, Any]) -> WholeRange:
    page = page_of(within(supplies, found.pk, asked["words"], asked["owned"]), asked["page"])
    return WholeRange(
        colours=[swatch(supplies, int(place)) for place in page.places],
        before=page.before,
        found=page.found,
        more=page.more,
        sets=_sets(found, supplies),
        fit=_fit(found, supplies),
        **vars(_listed(found, supplies, person_id)),
    )


def _sets(found: Range, supplies: Supplies) -> list[RangeSet]:
    every, owned = Counter[str](), Counter[str]()
    for place in np.flatnonzero(supplies.range_ids == found.pk):
        if family := supplies.rows[place].family:
            every[family] += 1
            owned[family] += bool(supplies.owned[place])
    return [RangeSet(name=name, count=count, owned=owned[name]) for name, count in every.items()]


def _fit(found: Range, supplies: Supplies) -> Fit | None:
    fit = supplies.predicted.known(found.pk) if Medium(found.medium).traits.covering is not None else None
    if fit is None or not fit.readings:
        return None
    after = None if fit.after is None else round(fit.after, 2)
    return Fit(readings=fit.readings, before=round(fit.before, 2), after=after)


def _asked(request: Request) -> dict[str, Any]:
    given = WithinQuery(data=request.query_params)
    given.is_valid(raise_exception=True)
    found: dict[str, Any] = given.validated_data
    return found


class AwaySerializer(serializers.Serializer):
    """Shared ranges, and whether they are put away."""

    ranges = serializers.ListField(child=serializers.IntegerField(), max_length=_MOST_AWAY, allow_empty=False)
    away = serializers.BooleanField()


class RangesAway(APIView):
    """What of the shared ranges a person wants to see."""

    @extend_schema(
        request=AwaySerializer, responses=component(RangeTold, many=True), operation_id="put_ranges_away"
    )
    def post(self, request: Request) -> Response:
        """Put some away, or take them out again; all ranges then. One's own are deleted instead."""
        given = AwaySerializer(data=request.data)
        given.is_valid(raise_exception=True)
        wanted = set(given.validated_data["ranges"])
        shared = ranges_seen_by(request.user).filter(owner=None, pk__in=wanted)
        if shared.count() != len(wanted):
            words = "Only ranges that come with Jindle are put away; your own can be deleted."
            raise BadInput(Problem(words, field="ranges"))
        range_actions.put_away(request.user, sorted(wanted), given.validated_data["away"])
        supplies = catalogue_for(request.user)
        return Response([_listed(each, supplies, request.user.pk) for each in ranges_seen_by(request.user)])


class OneRange(APIView):
    """A range with its colours."""

    @extend_schema(parameters=[WithinQuery], responses=component(WholeRange), operation_id="range")
    def get(self, request: Request, pk: int) -> Response:
        """The range, and a page of its colours."""
        found = one(ranges_seen_by(request.user), pk=pk)
        return Response(_whole(found, catalogue_for(request.user), request.user.pk, _asked(request)))

    @extend_schema(responses={204: None}, operation_id="delete_range")
    def delete(self, request: Request, pk: int) -> Response:
        """Delete an own range."""
        range_actions.delete_range(own_range(request.user, pk))
        return Response(status=status.HTTP_204_NO_CONTENT)


class DeletedRanges(APIView):
    """The ranges that a person has deleted."""

    @extend_schema(responses=component(Deleted, many=True), operation_id="deleted_ranges")
    def get(self, request: Request) -> Response:
        """All that can be brought back, the latest first."""
        found = deleted_ranges_of(request.user)
        return Response(
            [
                Deleted(id=one.pk, name=one.name, deleted=one.deleted)
                for one in found
                if one.deleted is not None
            ]
        )


class OneDeletedRange(APIView):
    """A range that was deleted."""

    @extend_schema(request=None, responses={204: None}, operation_id="bring_back_range")
    def post(self, request: Request, pk: int) -> Response:
        """Have it again, with what was read and owned of it."""
        range_actions.bring_back_range(one(deleted_ranges_of(request.user), pk=pk))
        return Response(status=status.HTTP_204_NO_CONTENT)

    @extend_schema(responses={204: None}, operation_id="delete_range_for_good")
    def delete(self, request: Request, pk: int) -> Response:
        """Delete it for good; cards that name its colours look as they did."""
        range_actions.delete_range_for_good(one(deleted_ranges_of(request.user), pk=pk))
        return Response(status=status.HTTP_204_NO_CONTENT)


class RangeDots(APIView):
    """The chart of a range."""

    @extend_schema(responses=component(RangeDotsTold), operation_id="range_dots")
    def get(self, request: Request, pk: int) -> Response:
        """Its colours by hue and lightness, and its gaps."""
        found, supplies = one(ranges_seen_by(request.user), pk=pk), catalogue_for(request.user)
        every = within(supplies, found.pk)
        places = spread(every, DOTS)
        placed = zip(places, points(supplies.lab[places]), strict=True)
        dots = [Dot(swatch=swatch(supplies, int(place)), **asdict(point)) for place, point in placed]
        return Response(
            RangeDotsTold(dots=dots, gaps=[Gap(**asdict(gap)) for gap in gaps(supplies.lab[every])])
        )


class RangeChanges(APIView):
    """Changing an own range by hand."""

    @extend_schema(parameters=[WithinQuery], responses=component(TypedPage), operation_id="typed_colours")
    def get(self, request: Request, pk: int) -> Response:
        """A page of the colours of an own range as the texts that a change takes."""
        found, asked = own_range(request.user, pk), _asked(request)
        supplies = catalogue_for(request.user)
        page = page_of(within(supplies, found.pk, asked["words"], asked["owned"]), asked["page"], TYPED_PAGE)
        colours = found.colours.in_bulk([supplies.rows[place].id for place in page.places])
        typed = [
            TypedColour(id=key, texts=range_actions.typed(range_actions.entry_of(colour)))
            for key, colour in sorted(colours.items())
        ]
        return Response(TypedPage(rows=typed, found=page.found))

    @extend_schema(
        request=RangeChangeSerializer, responses=component(WholeRange), operation_id="change_range"
    )
    def post(self, request: Request, pk: int) -> Response:
        """Change details, put colours in or take them out; 409 where the range has moved on."""
        found = own_range(request.user, pk)
        given = RangeChangeSerializer(data=request.data)
        given.is_valid(raise_exception=True)
        values = given.validated_data
        details = values.get("details")
        range_actions.change_range(
            found,
            values["version"],
            range_actions.RangeDetails(**details) if details else None,
            [range_actions.Put(put["texts"], put.get("id")) for put in values["put"]],
            values["remove"],
        )
        return Response(_whole(found, catalogue_for(request.user), request.user.pk, _asked(request)))


class RangeComparison(APIView):
    """Two ranges compared."""

    @extend_schema(
        parameters=[OpenApiParameter("other", int, required=True)],
        responses=component(Comparison),
        operation_id="compare_ranges",
    )
    def get(self, request: Request, pk: int) -> Response:
        """For every colour of each range its nearest in the other, and whether that is a twin."""
        seen = ranges_seen_by(request.user)
        found = one(seen, pk=pk)
        given = request.query_params.get("other", "")
        other = one(seen, pk=int(given) if given.isdecimal() else 0)
        supplies = catalogue_for(request.user)
        return Response(
            Comparison(
                here=_twins(supplies, found.pk, other.pk),
                there=_twins(supplies, other.pk, found.pk),
                name=other.name,
            )
        )


def _twins(supplies: Supplies, range_id: int, other_id: int) -> list[Twin]:
    return [
        Twin(
            swatch=swatch_told(one.swatch),
            match=None if one.nearest is None else match_told(one.nearest),
            twin=one.is_twin,
        )
        for one in twins(supplies, range_id, other_id)
    ]
