"""The API of readings: a person's own measurements of a colour, typed, from a file, or from a reader."""

from collections.abc import Collection

import numpy as np
from django.http import HttpResponse
from django.utils import timezone
from drf_spectacular.types import OpenApiTypes
from drf_spectacular.utils import extend_schema
from rest_framework import serializers, status
from rest_framework.parsers import MultiPartParser
from rest_framework.response import Response
from rest_framework.views import APIView

from jindle_core import figures
from jindle_core.colorimetry.spaces import lab_to_hex
from jindle_core.colorimetry.typed import read_typed
from jindle_core.errors import BadInput, Problem
from jindle_core.interchange.cgats import read_cgats, write_cgats
from jindle_core.interchange.entries import Entry
from jindle_core.matching.search import plain
from jindle_core.media.medium import Medium
from jindle_core.prediction.behaviour import Hand
from jindle_core.provenance import Provenance
from jindle_core.supplies.readings import off_label
from jindle_core.supplies.whole import Supplies
from server.access import colours_seen_by, one, ranges_seen_by, readings_of
from server.accounts.models import Person
from server.catalogue.arrays import catalogue_for
from server.catalogue.downloads import download
from server.catalogue.models import HAND_CHOICES, LAYERS_LIMIT, Colour, Reading
from server.catalogue.reading_actions import (
    Laid,
    Value,
    add_readings,
    delete_reading,
)
from server.catalogue.readings import counts, from_bytes, is_usual, settled_of
from server.catalogue.swatches import swatch
from server.requests import Request
from server.told.choices import PROVENANCE_WORDS
from server.told.readings import Count, Readings
from server.told.readings import Reading as ReadingTold
from server.told.schema import component

READ_CHOICES = [("read", "with an instrument"), ("photographed", "from a photograph")]


class LaidSerializer(serializers.Serializer):
    """How the swatch was laid: on which cardstock (none: the white swatch card), and so on."""

    paper = serializers.IntegerField(required=False, allow_null=True, default=None)
    below = serializers.IntegerField(
        required=False, allow_null=True, default=None, help_text="a colour that it was laid over, dry"
    )
    layers = serializers.IntegerField(min_value=1, max_value=LAYERS_LIMIT, default=1)
    hand = serializers.ChoiceField(choices=HAND_CHOICES, default="middle")
    taken = serializers.DateField(required=False, allow_null=True, default=None)
    note = serializers.CharField(max_length=200, allow_blank=True, default="")


class TypedReadingSerializer(LaidSerializer):
    """A reading as typed."""

    value = serializers.CharField(max_length=100, help_text="Lab or #rrggbb")
    provenance = serializers.ChoiceField(choices=READ_CHOICES, default="read")
    taken_with = serializers.CharField(max_length=120, allow_blank=True, default="")


class CgatsRequestSerializer(serializers.Serializer):
    """A CGATS.17 file with readings of a range's colours."""

    file = serializers.FileField(allow_empty_file=True)


def told(reading: Reading, supplies: Supplies, outliers: set[int]) -> ReadingTold:
    """A reading; ``outliers`` are ids."""
    lab = (reading.lab_l, reading.lab_a, reading.lab_b)
    paper, below = (supplies.places.get(pk or 0) for pk in (reading.paper_id, reading.below_id))
    return ReadingTold(
        id=reading.pk,
        lab=[round(value, 2) for value in lab],
        hex=lab_to_hex(np.array([lab]))[0],
        provenance_words=PROVENANCE_WORDS[reading.provenance],
        taken_with=reading.taken_with,
        taken=reading.taken,
        paper=None if paper is None else swatch(supplies, paper),
        below=None if below is None else swatch(supplies, below),
        layers=reading.layers,
        hand=Hand(reading.hand),
        note=reading.note,
        spectrum=reading.spectrum is not None,
        usual=is_usual(reading),
        simulated=reading.simulated,
        counts=counts(reading),
        outlier=reading.pk in outliers,
    )


def _readings(person: Person, colour: Colour) -> Readings:
    supplies = catalogue_for(person)
    place = supplies.places[colour.pk]
    kept = list(readings_of(person).filter(colour=colour).select_related("colour__range"))
    usual = [reading for reading in kept if is_usual(reading) and counts(reading)]
    label = (colour.lab_l, colour.lab_a, colour.lab_b)
    outliers: set[int] = set()
    off, words = None, ""
    if usual:
        settled, _ = settled_of(usual)
        outliers = {usual[at].pk for at in settled.outliers}
        off, words = off_label(settled, label, colour.provenance)
    return Readings(
        swatch=swatch(supplies, place),
        label_lab=[round(value, 2) for value in label],
        label_hex=lab_to_hex(np.array([label]))[0],
        label_provenance=PROVENANCE_WORDS[colour.provenance],
        off=None if off is None else round(off, 2),
        off_words=words,
        readings=[told(reading, supplies, outliers) for reading in kept],
    )


def laid_as_said(person: Person, values: dict, colours: Collection[int]) -> Laid:
    """How swatches of some colours were laid, as ``LaidSerializer`` has it; BadInput where that cannot be."""
    paper, below = None, None
    if values["paper"] is not None:
        paper = one(colours_seen_by(person), pk=values["paper"])
        if paper.range.medium != Medium.CARDSTOCK:
            raise BadInput(Problem("A swatch is laid on cardstock; choose one.", field="paper"))
    if values["below"] is not None:
        below = one(colours_seen_by(person), pk=values["below"])
        if Medium(below.range.medium).traits.covering is None:
            words = "What lies below is itself laid on card: ink, marker, pencil or pen."
            raise BadInput(Problem(words, field="below"))
        if below.pk in colours:
            words = "A colour over itself is one more layer of it: say so many layers."
            raise BadInput(Problem(words, field="below"))
    taken = values["taken"] or timezone.localdate()
    if taken > timezone.localdate():
        raise BadInput(
            Problem("A reading cannot be of a day to come.", field="taken", value=taken.isoformat())
        )
    return Laid(taken, values["layers"], values["hand"], paper, values["note"], below)


class ColourReadings(APIView):
    """The person's readings of a colour."""

    @extend_schema(responses=component(Readings), operation_id="readings")
    def get(self, request: Request, pk: int) -> Response:
        """Every own reading, and how far off the range's figure was."""
        return Response(_readings(request.user, one(colours_seen_by(request.user), pk=pk)))

    @extend_schema(
        request=TypedReadingSerializer, responses={201: component(Readings)}, operation_id="add_reading"
    )
    def post(self, request: Request, pk: int) -> Response:
        """Keep a reading that was typed."""
        colour = one(colours_seen_by(request.user), pk=pk)
        given = TypedReadingSerializer(data=request.data)
        given.is_valid(raise_exception=True)
        values = given.validated_data
        typed = read_typed(values["value"])
        if typed is None:
            raise BadInput(
                Problem(
                    f"“{values['value']}” is no colour value.",
                    field="value",
                    value=values["value"],
                    expected="L, a, b such as 52, −10, 20, or #rrggbb",
                )
            )
        provenance: Provenance = "screen" if typed.provenance == "screen" else values["provenance"]
        value = Value(typed.lab, provenance, values["taken_with"])
        add_readings(request.user, [(colour, value)], laid_as_said(request.user, values, [pk]))
        return Response(_readings(request.user, colour), status=status.HTTP_201_CREATED)


class OneReading(APIView):
    """A reading."""

    @extend_schema(responses={204: None}, operation_id="delete_reading")
    def delete(self, request: Request, pk: int) -> Response:
        """Forget the reading."""
        delete_reading(one(readings_of(request.user), pk=pk))
        return Response(status=status.HTTP_204_NO_CONTENT)


class RangeReadings(APIView):
    """Readings of a whole range as CGATS.17 text."""

    parser_classes = [MultiPartParser]

    @extend_schema(responses={(200, "text/plain"): OpenApiTypes.STR}, operation_id="range_readings")
    def get(self, request: Request, pk: int) -> HttpResponse:
        """The person's readings laid in the usual way, in or out of spectra as they are."""
        found = one(ranges_seen_by(request.user), pk=pk)
        kept = readings_of(request.user).filter(colour__range=found).select_related("colour")
        usual = [reading for reading in kept if is_usual(reading)]
        entries = [_entry(reading) for reading in usual]
        return download(
            write_cgats(f"{found.name}, own readings", entries), "text/plain", f"{found.name} readings.txt"
        )

    @extend_schema(
        request={"multipart/form-data": CgatsRequestSerializer},
        responses={201: component(Count)},
        operation_id="import_readings",
    )
    def post(self, request: Request, pk: int) -> Response:
        """Keep a file's samples as readings of the range's colours: all, or none."""
        found = one(ranges_seen_by(request.user), pk=pk)
        given = CgatsRequestSerializer(data=request.data)
        given.is_valid(raise_exception=True)
        file = read_cgats(given.validated_data["file"].read(figures.files.LARGEST_FILE + 1))
        if file.problems:
            raise BadInput(*file.problems)
        colours: dict[str, Colour] = {}
        for colour in found.colours.all():
            colours.setdefault(plain(colour.name), colour)
        colours |= {plain(colour.key): colour for colour in found.colours.all()}
        values: list[tuple[Colour, Value]] = []
        problems: list[Problem] = []
        for entry in file.entries:
            named = colours.get(plain(entry.code)) or colours.get(plain(entry.name))
            if named is None:
                told = f"Line {entry.row}: {found.name} has no colour “{entry.key[:40]}”."
                problems.append(
                    Problem(told, "", entry.row, "SAMPLE_ID", entry.key[:200], "a code or name of it")
                )
            else:
                values.append((named, Value(entry.lab, "read", "from a file", entry.reflectance)))
        if problems:
            raise BadInput(*problems)
        add_readings(request.user, values, Laid(timezone.localdate()))
        return Response(Count(count=len(values)), status=status.HTTP_201_CREATED)


def _entry(reading: Reading) -> Entry:
    spectrum = from_bytes(reading.spectrum)
    return Entry(
        0,
        reading.colour.code or reading.colour.name,
        reading.colour.name,
        (reading.lab_l, reading.lab_a, reading.lab_b),
        reading.provenance,
        reflectance=None if spectrum is None else tuple(map(float, spectrum)),
    )
