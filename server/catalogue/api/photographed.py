"""The API of swatches that are read from a photograph."""

from collections.abc import Iterator
from dataclasses import asdict, dataclass, field
from typing import Any

import numpy as np
from django.http import StreamingHttpResponse
from drf_spectacular.utils import extend_schema
from PIL import Image
from rest_framework import serializers, status
from rest_framework.parsers import MultiPartParser
from rest_framework.response import Response
from rest_framework.views import APIView

from jindle_core import figures
from jindle_core.colorimetry.difference import delta_e
from jindle_core.colorimetry.spaces import lab_to_hex
from jindle_core.errors import BadInput, Problem
from jindle_core.interchange.bare_picture import jpeg
from jindle_core.interchange.picture import Picture
from jindle_core.patterned.correction import PictureBox, correct, find_white
from jindle_core.patterned.lamp import KnownSwatch, Light, relit
from jindle_core.patterned.marks import find_marks, placed, plane
from jindle_core.patterned.patches import Patch, read_patches, strange
from jindle_core.supplies.asked import place_of
from jindle_core.supplies.whole import Supplies
from jindle_core.swatch_sheet import SHEETS, swatch_sheet
from server.access import one, ranges_seen_by
from server.accounts.models import Person
from server.catalogue.api.fields import LIGHT_CHOICES, BoxSerializer, JsonField, box_of
from server.catalogue.api.readings import LaidSerializer, laid_as_said
from server.catalogue.arrays import catalogue_for
from server.catalogue.charts import chart_places
from server.catalogue.downloads import data_url
from server.catalogue.models import Colour
from server.catalogue.reading_actions import Value, add_readings
from server.catalogue.strips import StripSeen, known_swatches, strip_seen
from server.catalogue.swatches import swatch
from server.pictures import opened
from server.requests import Request
from server.streams import MEDIA_TYPE, progress
from server.told.made import Streamed
from server.told.photographed import Photographed, SwatchesLine, SwatchesRead
from server.told.readings import Box, Count
from server.told.schema import component
from standins.camera import is_made_up

TAKEN_WITH = "a photograph"
_FIELD_RIM = (2.0, 2.0, 2.0, 5.0)  # mm of a field that are left out: its edge, and the words in it
_MOST = 300  # swatches in one go


class MarkedSerializer(BoxSerializer):
    """A swatch that the person marked, and the colour it is of."""

    colour = serializers.IntegerField()


class ReadSwatchesSerializer(serializers.Serializer):
    """A photograph of swatches: a page of a printed chart, or swatches that are marked.

    A chart is named by ``range``, ``owned``, ``sheet`` and ``page``; marked
    swatches come as ``patches``, with the ``white`` card's box (found where it
    is left out). ``grey`` says that grey card lies in the chart's field, or
    where it is marked; ``grey_card`` which cardstock it is.
    """

    file = serializers.FileField(allow_empty_file=True)
    range = serializers.IntegerField(required=False)
    owned = serializers.BooleanField(default=False)
    sheet = serializers.ChoiceField(choices=list(SHEETS), default="letter")
    page = serializers.IntegerField(min_value=1, default=1)
    patches = JsonField(required=False, help_text="JSON: a list of boxes, each with its colour")
    white = JsonField(required=False, help_text="JSON: left, top, width, height")
    white_card = serializers.IntegerField(required=False, help_text="the cardstock that it is of")
    grey = serializers.BooleanField(default=False)
    grey_box = JsonField(required=False, help_text="JSON: left, top, width, height")
    grey_card = serializers.IntegerField(required=False)
    light = serializers.ChoiceField(choices=LIGHT_CHOICES, required=False, help_text="none: nobody said")


class KeptSwatchSerializer(serializers.Serializer):
    """A swatch to be kept as a reading."""

    colour = serializers.IntegerField()
    lab = serializers.ListField(child=serializers.FloatField(), min_length=3, max_length=3)

    def validate_lab(self, lab: list[float]) -> list[float]:
        """Within CIELAB."""
        if not (0 <= lab[0] <= 100 and max(map(abs, lab[1:])) <= 150):
            raise serializers.ValidationError("L is 0 to 100, a and b are −150 to 150.")
        return lab


class KeepSwatchesSerializer(LaidSerializer):
    """Swatches to be kept, all laid in one way."""

    readings = KeptSwatchSerializer(many=True)
    simulated = serializers.BooleanField(default=False, help_text="as the picture's answer said")


@dataclass(frozen=True)
class _Asked:
    """What was photographed: the colours, their frames, the white and the grey card, a strip."""

    places: list[int]
    quads: np.ndarray
    white: PictureBox | None
    white_lab: tuple[float, ...]
    grey: tuple[PictureBox, tuple[float, ...]] | None
    strip: list[KnownSwatch] = field(default_factory=list)

    def known(self, supplies: Supplies, bare: list[bool]) -> list[KnownSwatch]:
        """The swatches that say what the light does: those of a strip, or else the laid ones themselves."""
        boxes = [PictureBox.inside(quad) for quad in self.quads]
        laid = [
            (box, place)
            for box, place, nothing in zip(boxes, self.places, bare, strict=True)
            if not nothing and min(box.width, box.height) >= figures.paper.REFERENCE_LEAST
        ]
        return self.strip or known_swatches(supplies, laid)


class ReadSwatches(APIView):
    """Reading swatches from a photograph."""

    parser_classes = [MultiPartParser]

    @extend_schema(
        request={"multipart/form-data": ReadSwatchesSerializer},
        responses={(200, MEDIA_TYPE): component(SwatchesLine)},
        operation_id="read_swatches",
    )
    def post(self, request: Request) -> StreamingHttpResponse:
        """The colour of every swatch, its light corrected; tells its progress, stores nothing."""
        given = ReadSwatchesSerializer(data=request.data)
        given.is_valid(raise_exception=True)
        asked = given.validated_data
        if asked.get("range") is not None:
            one(ranges_seen_by(request.user), pk=asked["range"])
        content = asked["file"].read(figures.paper.LARGEST_PICTURE + 1)
        return progress(_reading(request.user, asked, content))


class KeepSwatches(APIView):
    """Keeping swatches that were read from a photograph."""

    @extend_schema(
        request=KeepSwatchesSerializer, responses={201: component(Count)}, operation_id="keep_swatches"
    )
    def post(self, request: Request) -> Response:
        """Keep them as readings "photographed": all, or none."""
        given = KeepSwatchesSerializer(data=request.data)
        given.is_valid(raise_exception=True)
        asked = given.validated_data
        supplies = catalogue_for(request.user)
        if not asked["readings"]:
            raise BadInput(Problem("No swatch is chosen.", field="readings"))
        for reading in asked["readings"]:
            place_of(supplies, reading["colour"])
        colours = Colour.objects.in_bulk([reading["colour"] for reading in asked["readings"]])
        values = [
            (
                colours[reading["colour"]],
                Value(tuple(reading["lab"]), "photographed", TAKEN_WITH, simulated=asked["simulated"]),
            )
            for reading in asked["readings"]
        ]
        add_readings(request.user, values, laid_as_said(request.user, asked, list(colours)))
        return Response(Count(count=len(values)), status=status.HTTP_201_CREATED)


def _reading(person: Person, asked: dict[str, Any], content: bytes) -> Iterator[Streamed]:
    yield Streamed(share=0.05, words="opening the picture")
    picture, supplies = opened(content), catalogue_for(person)
    yield Streamed(share=0.4, words="looking for the sheet" if "range" in asked else "looking for the white")
    if "range" in asked:
        found = _chart(supplies, asked, picture)
    else:
        found = _marked(supplies, asked, picture, strip_seen(person, supplies, picture.linear))
    if not found.places:
        doubt = figures.colour.UNCERTAINTY["photographed"]
        yield SwatchesLine(read=_told(supplies, found, [], doubt, picture, is_made_up(content)))
        return
    if found.white is None:
        raise BadInput(
            Problem(
                "No white card was found in the picture.", field="white", expected="a frame on the white card"
            )
        )
    yield Streamed(share=0.6, words="taking the light out")
    corrected = correct(picture.linear, picture.clipped, found.white, found.white_lab, found.grey)
    light = Light(asked["light"]) if asked.get("light") else None
    bare = [patch.bare for patch in read_patches(corrected, found.quads, found.white_lab)]
    lit = relit(corrected, light, found.white_lab, found.known(supplies, bare))
    yield Streamed(share=0.85, words="reading the swatches")
    patches = read_patches(lit.picture, found.quads, found.white_lab)
    sigma = float(np.median(lit.picture.sigma(np.array([patch.lab for patch in patches]))))
    trouble = lit.trouble if found.strip else ""  # of a chart it is told by how far its colours are off
    yield SwatchesLine(read=_told(supplies, found, patches, sigma, picture, is_made_up(content), trouble))


def _chart(supplies: Supplies, asked: dict[str, Any], picture: Picture) -> _Asked:
    """A page of a printed chart, found by its marks."""
    sheet = swatch_sheet(asked["sheet"])
    places = chart_places(supplies, asked["range"], asked["owned"])
    pages, size = sheet.pages(len(places)), len(sheet.boxes)
    if asked["page"] > pages or not len(places):
        raise BadInput(
            Problem(f"This chart has no page {asked['page']}.", field="page", expected=f"1 to {pages}")
        )
    here = places[(asked["page"] - 1) * size : asked["page"] * size]
    marks = find_marks(picture.linear)
    if marks is None:
        raise BadInput(
            Problem(
                "The four corner marks of the chart were not found.",
                field="file",
                expected="the whole page in the picture, sharp and without shadows on the marks;"
                " or mark the swatches yourself",
            )
        )
    there = plane(sheet.mark_centres, marks)
    quads = placed(there, np.array([sheet.inked(box).corners for box in sheet.boxes[: len(here)]]))
    white, grey = (
        PictureBox.inside(placed(there, one.inset(*_FIELD_RIM).corners)) for one in (sheet.white, sheet.grey)
    )
    white_lab, grey_lab = _cards(supplies, asked)
    return _Asked(here.tolist(), quads, white, white_lab, (grey, grey_lab) if asked["grey"] else None)


def _marked(supplies: Supplies, asked: dict[str, Any], picture: Picture, strip: StripSeen | None) -> _Asked:
    """Swatches that the person marked, and the white card, marked or found, or their strip's."""
    given = MarkedSerializer(data=asked.get("patches") or [], many=True)
    given.is_valid(raise_exception=True)
    marked = given.validated_data
    if len(marked) > _MOST:
        raise BadInput(Problem(f"Mark at most {_MOST} swatches in the picture.", field="patches"))
    places = [place_of(supplies, one.pop("colour")) for one in marked]
    if asked.get("white"):
        white: PictureBox | None = box_of(asked["white"])
    else:
        white = strip.found.white if strip else find_white(picture.linear)
    white_lab, grey_lab = _cards(supplies, asked)
    grey = (box_of(asked["grey_box"]), grey_lab) if asked.get("grey_box") else None
    quads = np.array([PictureBox(**one).corners for one in marked], dtype=float).reshape(-1, 4, 2)
    known = known_swatches(supplies, strip.known) if strip else []
    return _Asked(places, quads, white, white_lab, grey, known)


def _cards(supplies: Supplies, asked: dict[str, Any]) -> tuple[tuple[float, ...], tuple[float, ...]]:
    """What is known of the white and the grey card: a cardstock's colour, or the usual one."""
    usual = {"white_card": figures.laying.PAPER_WHITE_LAB, "grey_card": figures.paper.GREY_CARD_LAB}
    white, grey = (
        supplies.lab_at(place_of(supplies, asked[name], name)) if asked.get(name) else lab
        for name, lab in usual.items()
    )
    return white, grey


def _told(
    supplies: Supplies,
    found: _Asked,
    patches: list[Patch],
    sigma: float,
    picture: Picture,
    simulated: bool,
    trouble: str = "",
) -> SwatchesRead:
    labs = np.array([patch.lab for patch in patches]).reshape(-1, 3)
    off = delta_e(labs, supplies.lab[found.places])
    warning = f"{strange(patches, off)} {trouble}".strip()
    image = Image.fromarray(picture.pixels)
    return SwatchesRead(
        preview=data_url(jpeg(image), "image/jpeg"),
        width=image.width,
        height=image.height,
        white=None if found.white is None else Box(**asdict(found.white)),
        uncertainty=round(sigma, 1),
        strip=bool(found.strip),
        warning=warning,
        swatches=[
            Photographed(
                swatch=swatch(supplies, place),
                corners=np.round(quad, 1).tolist(),
                lab=[round(value, 2) for value in patch.lab],
                hex=shade,
                off=round(float(distance), 2),
                bare=patch.bare,
                uneven=patch.uneven,
            )
            for place, quad, patch, shade, distance in zip(
                found.places, found.quads, patches, lab_to_hex(labs), off, strict=True
            )
        ],
        simulated=simulated,
    )
