"""The API of patterned papers."""

from collections.abc import Generator, Iterator
from dataclasses import asdict, dataclass

import numpy as np
from django.http import HttpResponse, StreamingHttpResponse
from drf_spectacular.types import OpenApiTypes
from drf_spectacular.utils import OpenApiParameter, extend_schema
from PIL import Image
from rest_framework import serializers, status
from rest_framework.parsers import JSONParser, MultiPartParser
from rest_framework.response import Response
from rest_framework.views import APIView

from jindle_core import figures
from jindle_core.errors import BadInput, Problem
from jindle_core.interchange.picture import as_image, jpeg
from jindle_core.lengths import OF_SHEETS, read_length
from jindle_core.offers.from_sheet import going, starts
from jindle_core.patterned.colours import SheetColour, sheet_colours, usual_names
from jindle_core.patterned.correction import Corrected, PictureBox, correct, find_white, is_cut_off
from jindle_core.patterned.editing import WAYS, Edit, edited
from jindle_core.patterned.lamp import Light, Relit, relit
from jindle_core.patterned.straightening import straightened
from jindle_core.provenance import Provenance
from jindle_core.seen.palette import SeenPalette
from jindle_core.supplies.asked import place_of
from jindle_core.supplies.colours import Supplies
from server.access import (
    deleted_papers_of,
    one,
    own_card,
    own_paper,
    papers_offered_to,
    papers_on_shelf,
    papers_seen_by,
)
from server.accounts.models import Person
from server.cards.actions import start_card
from server.cards.serializers import SizeRequestSerializer
from server.catalogue.api.fields import LIGHT_CHOICES, BoxSerializer, JsonField
from server.catalogue.arrays import catalogue_for
from server.catalogue.downloads import data_url
from server.catalogue.strips import strip_seen
from server.catalogue.swatches import MatchSerializer, SwatchSerializer, swatch
from server.papers.actions import Named, set_width, store_paper
from server.papers.views import VIEWS, found_colours, in_view, sheet
from server.pictures import opened
from server.requests import Request
from server.shelf.actions import delete
from server.streams import MEDIA_TYPE, finished, progress


class KnownBoxSerializer(BoxSerializer):
    """A box on a swatch, and the colour that it is."""

    colour = serializers.IntegerField()


class EditSerializer(serializers.Serializer):
    """An edit of the colours found."""

    way = serializers.ChoiceField(choices=WAYS)
    places = serializers.ListField(child=serializers.IntegerField(), min_length=1, max_length=30)


class ReadPaperSerializer(serializers.Serializer):
    """A picture, where its white card lies, and what to do with the colours found.

    ``white`` is "auto" (find the white card), "box" (it is where ``box`` says)
    or "none" (there is no card).
    """

    file = serializers.FileField(allow_empty_file=True)
    white = serializers.ChoiceField(choices=("auto", "box", "none"), default="auto")
    box = JsonField(required=False, help_text="JSON: left, top, width, height")
    reference = serializers.IntegerField(required=False, help_text="the cardstock that the card is of")
    light = serializers.ChoiceField(choices=LIGHT_CHOICES, required=False, help_text="none: nobody said")
    known = JsonField(
        required=False, help_text="JSON: a list of boxes on swatches that are known, each with its colour"
    )
    strip = serializers.ChoiceField(
        choices=("auto", "none"),
        default="auto",
        help_text="auto: the person's strip of known swatches counts where it is found; none: it does not",
    )
    corners = JsonField(
        required=False, help_text="JSON: the sheet's corners, [x, y] in pixels clockwise from the upper left"
    )
    edits = JsonField(required=False, help_text="JSON: a list of {way, places}")


class StorePaperSerializer(ReadPaperSerializer):
    """The same, to be kept."""

    title = serializers.CharField(max_length=120)
    collection = serializers.CharField(max_length=figures.palettes.NAME_LIMIT)
    names = JsonField(required=False, help_text="JSON: a name for each colour, or nothing")
    width = serializers.CharField(
        required=False, allow_blank=True, max_length=40, help_text="of what the picture shows, with its unit"
    )


class WidthSerializer(serializers.Serializer):
    """How wide what a picture shows is, with its unit."""

    width = serializers.CharField(max_length=40)


class FoundColourSerializer(serializers.Serializer):
    """A colour found on the sheet."""

    lab = serializers.ListField(child=serializers.FloatField())
    hex = serializers.CharField()
    hue_name = serializers.CharField()
    share = serializers.FloatField()
    part = serializers.CharField()
    where = serializers.CharField(help_text="a picture (data URL) that veils everything else")
    matches = MatchSerializer(many=True, help_text="the nearest in each medium, mine first")


class KnownSeenSerializer(serializers.Serializer):
    """A known swatch in the picture; ``of_strip``: it was found by itself, with the strip."""

    swatch = SwatchSerializer()
    box = BoxSerializer()
    of_strip = serializers.BooleanField()
    off = serializers.FloatField(help_text="ΔE00 from what the other swatches make of it")
    used = serializers.BooleanField()


class PaperReadingSerializer(serializers.Serializer):
    """What was read from a picture; nothing is stored."""

    preview = serializers.CharField(help_text="data URL")
    known = KnownSeenSerializer(many=True)
    sheet = serializers.CharField(
        help_text="data URL: the sheet alone, straightened; blank: the whole picture"
    )
    width = serializers.IntegerField()
    height = serializers.IntegerField()
    box = BoxSerializer(allow_null=True)
    uncertainty = serializers.FloatField()
    uneven = serializers.FloatField()
    warning = serializers.CharField()
    colours = FoundColourSerializer(many=True)


class PaperLineSerializer(serializers.Serializer):
    """How far it has come, or at last what was read."""

    share = serializers.FloatField(required=False)
    words = serializers.CharField(required=False)
    reading = PaperReadingSerializer(required=False)


class PaperSerializer(serializers.Serializer):
    """A sheet on the shelf."""

    id = serializers.IntegerField()
    title = serializers.CharField()
    collection = serializers.CharField()
    range_id = serializers.IntegerField()
    own = serializers.BooleanField()
    put_by = serializers.BooleanField()
    width = serializers.CharField(allow_null=True, help_text="of what its picture shows; none: nobody said")
    colours = SwatchSerializer(many=True)


class GoingSerializer(serializers.Serializer):
    """How well a sheet goes with a card's palette, and why."""

    paper = PaperSerializer()
    agrees = serializers.FloatField(help_text="share of its area that the palette knows")
    reason = serializers.CharField()


class StartSerializer(serializers.Serializer):
    """A card to be started from a sheet."""

    name = serializers.CharField(max_length=figures.palettes.NAME_LIMIT)
    size = SizeRequestSerializer()
    colours = serializers.ListField(child=serializers.IntegerField(), min_length=1, max_length=12)


class StartedSerializer(serializers.Serializer):
    """The card that was started."""

    id = serializers.IntegerField()


@dataclass(frozen=True)
class _Read:
    """The sheet corrected, its colours found and edited, the whole picture, and what to warn of.

    ``box`` is the white card's in the whole picture; ``straight`` says that the sheet is a part of it;
    ``known`` are swatches as the picture has them, each with how far it is off and whether it counted.
    """

    corrected: Corrected
    colours: list[SheetColour]
    image: Image.Image
    warning: str
    box: PictureBox | None
    uneven: float
    straight: bool
    known: list[dict]


def _read(person: Person, values: dict, content: bytes) -> Generator[dict, None, _Read]:
    """Tells its progress and comes to what was read."""
    yield {"share": 0.05, "words": "opening the picture"}
    picture = opened(content)
    box, reference = None, figures.laying.PAPER_WHITE_LAB
    supplies = catalogue_for(person)
    strip = None
    if values["strip"] == "auto" and values["white"] != "none":
        yield {"share": 0.25, "words": "looking for your strip"}
        strip = strip_seen(person, supplies, picture.linear)
    if values["white"] == "auto":
        yield {"share": 0.3, "words": "looking for the white card"}
        box = strip.found.white if strip else find_white(picture.linear)
    elif values["white"] == "box":
        given = BoxSerializer(data=values.get("box"))
        given.is_valid(raise_exception=True)
        box = PictureBox(**given.validated_data)
    if values.get("reference") is not None:
        reference = supplies.lab_at(place_of(supplies, values["reference"], "reference"))
    yield {"share": 0.4, "words": "taking the light out"}
    corners, trouble = _corners(values), ""

    light = Light(values["light"]) if values.get("light") else None
    of_strip = strip.known if strip else []
    known = of_strip + _known(values, supplies)
    beside = [strip.found.whole] if strip else []

    def taken(box: PictureBox | None) -> tuple[Corrected, Corrected, Relit]:
        whole = correct(picture.linear, picture.clipped, box, reference)
        laid = [(one, supplies.lab_at(place)) for one, place in known]
        lit = relit(whole, light, reference, laid, beside)
        return whole, lit.picture if corners is None else straightened(lit.picture, corners), lit

    try:
        whole, corrected, lit = taken(box)
        yield {"share": 0.55, "words": "finding its colours"}
        found = sheet_colours(corrected)
    except BadInput as error:
        if values["white"] == "box" or any(one.field in ("corners", "known") for one in error.problems):
            raise
        # What was found by itself is no card to go by: read it without one, and say so.
        box, trouble = None, f"{error} "
        whole, corrected, lit = taken(None)
        found = sheet_colours(corrected)
    wanted = EditSerializer(data=values.get("edits") or [], many=True)
    wanted.is_valid(raise_exception=True)
    edits = [Edit(one["way"], tuple(one["places"])) for one in wanted.validated_data]
    colours = edited(corrected, found, edits)
    by_itself = values["white"] == "auto" and reference == figures.laying.PAPER_WHITE_LAB
    warnings = [
        f"{trouble}No white card is marked, so the colours are only as good as the light was."
        if box is None
        else "The white card was found by itself: look whether the frame lies on it."
        if by_itself and not strip
        else "",
        "The white card looks yellowish: was it a lamp? Say which light it was."
        if box is not None and light is None and whole.cast > figures.paper.CAST
        else "",
        "Known swatches help only beside white card." if box is None and known else lit.trouble,
        "Some strong colours were too bright for the camera and are cut off: they are stronger than they look"
        " here. A darker picture shows them."
        if is_cut_off(picture.clipped, box)
        else "",
        "The whole sheet is of one colour." if len(colours) == 1 else "",
    ]
    warning = " ".join(filter(None, warnings))
    image = Image.fromarray(picture.pixels)
    told = [
        {
            "swatch": swatch(supplies, place),
            "box": asdict(one_box),
            "of_strip": at < len(of_strip),
            "off": round(off, 1),
            "used": used,
        }
        for at, ((one_box, place), off, used) in enumerate(zip(known, lit.off, lit.used, strict=False))
    ]
    return _Read(corrected, colours, image, warning, box, whole.uneven, corners is not None, told)


def _known(values: dict, supplies: Supplies) -> list[tuple[PictureBox, int]]:
    """The boxes that are said to be swatches, and the places of their colours."""
    given = KnownBoxSerializer(data=values.get("known") or [], many=True)
    given.is_valid(raise_exception=True)
    found = []
    for one_box in given.validated_data[: figures.paper.KNOWN_MOST]:
        colour = one_box.pop("colour")
        found.append((PictureBox(**one_box), place_of(supplies, colour, "known")))
    return found


def _corners(values: dict) -> np.ndarray | None:
    """Where the sheet's corners lie, as said; BadInput for what is no four points."""
    given = values.get("corners")
    if not given:
        return None
    try:
        found = np.array(given, dtype=float)
    except (TypeError, ValueError):
        found = np.zeros(0)
    if found.shape != (4, 2) or not np.isfinite(found).all():
        raise BadInput(Problem("Corners are four points, each [x, y].", field="corners"))
    return found


def _content(values: dict) -> bytes:
    content: bytes = values["file"].read(figures.paper.LARGEST_PICTURE + 1)
    return content


def _millimetres(typed: str, person: Person) -> float | None:
    """A width as it is typed; None where nothing is."""
    if not typed.strip():
        return None
    return float(read_length(typed, person.units, "width", OF_SHEETS).millimetres)


class Papers(APIView):
    """The shelf of papers."""

    parser_classes = [MultiPartParser]

    @extend_schema(responses=PaperSerializer(many=True), operation_id="papers")
    def get(self, request: Request) -> Response:
        """Every sheet, own ones first; also those that were put by, which say so."""
        supplies = catalogue_for(request.user)
        found = papers_on_shelf(request.user).select_related("range").defer("picture")
        told = [sheet(paper, supplies, request.user) for paper in found]
        return Response(sorted(told, key=lambda one: not one["own"]))

    @extend_schema(
        request={"multipart/form-data": StorePaperSerializer},
        responses={201: PaperSerializer},
        operation_id="store_paper",
    )
    def post(self, request: Request) -> Response:
        """Read the picture and keep the sheet as it is corrected, made anew without what stood beside it."""
        given = StorePaperSerializer(data=request.data)
        given.is_valid(raise_exception=True)
        values = given.validated_data
        read = finished(_read(request.user, values, _content(values)))
        colours = read.colours
        names = values.get("names") or []
        if not isinstance(names, list) or len(names) > len(colours):
            raise BadInput(Problem("Names are a list, one a colour.", field="names"))
        names += [""] * (len(colours) - len(names))
        given_or_usual = zip(colours, names, usual_names(colours), strict=True)
        named = [
            Named(colour.lab, colour.share, str(name or "").strip() or usual)
            for colour, name, usual in given_or_usual
        ]
        provenance: Provenance = "photographed" if read.box else "screen"
        width = _millimetres(values.get("width", ""), request.user)
        picture = jpeg(as_image(read.corrected.even))
        paper = store_paper(
            request.user, values["collection"], values["title"], picture, named, provenance, width
        )
        answer = sheet(paper, catalogue_for(request.user), request.user)
        return Response(answer, status=status.HTTP_201_CREATED)


class PaperRead(APIView):
    """Reading a picture of paper."""

    parser_classes = [MultiPartParser]

    @extend_schema(
        request={"multipart/form-data": ReadPaperSerializer},
        responses={(200, MEDIA_TYPE): PaperLineSerializer},
        operation_id="read_paper",
    )
    def post(self, request: Request) -> StreamingHttpResponse:
        """The colours of a picture, each with where it stands and what is like it; stores nothing."""
        given = ReadPaperSerializer(data=request.data)
        given.is_valid(raise_exception=True)
        return progress(_told(request.user, given.validated_data, _content(given.validated_data)))


def _told(person: Person, values: dict, content: bytes) -> Iterator[dict]:
    read = yield from _read(person, values, content)
    yield {"share": 0.8, "words": "matching them in every medium"}
    box = read.box
    yield {
        "reading": {
            "preview": data_url(jpeg(read.image), "image/jpeg"),
            "sheet": data_url(jpeg(as_image(read.corrected.even)), "image/jpeg") if read.straight else "",
            "width": read.image.width,
            "height": read.image.height,
            "box": box and asdict(box),
            "uncertainty": round(read.corrected.sigma, 1),
            "uneven": round(read.uneven, 2),
            "known": read.known,
            "warning": read.warning,
            "colours": found_colours(catalogue_for(person), read.corrected, read.colours),
        }
    }


class OnePaper(APIView):
    """A sheet."""

    @extend_schema(responses=PaperSerializer, operation_id="paper")
    def get(self, request: Request, pk: int) -> Response:
        """The sheet and its colours."""
        paper = one(papers_seen_by(request.user).select_related("range"), pk=pk)
        return Response(sheet(paper, catalogue_for(request.user), request.user))

    @extend_schema(request=WidthSerializer, responses=PaperSerializer, operation_id="measure_paper")
    def patch(self, request: Request, pk: int) -> Response:
        """Say how wide what the picture of an own sheet shows is."""
        paper = own_paper(request.user, pk)
        given = WidthSerializer(data=request.data)
        given.is_valid(raise_exception=True)
        width = _millimetres(given.validated_data["width"], request.user)
        if width is None:
            raise BadInput(Problem("Say how wide it is, such as 12 in or 300 mm.", field="width"))
        set_width(paper, width)
        return Response(sheet(paper, catalogue_for(request.user), request.user))

    @extend_schema(responses={204: None}, operation_id="delete_paper")
    def delete(self, request: Request, pk: int) -> Response:
        """Take an own sheet off the shelf; it can be brought back for some time."""
        delete(own_paper(request.user, pk), deleted_papers_of(request.user))
        return Response(status=status.HTTP_204_NO_CONTENT)


class PaperPicture(APIView):
    """The picture of a sheet."""

    @extend_schema(
        parameters=[OpenApiParameter("view", str, enum=VIEWS)],
        responses={(200, kind): OpenApiTypes.BINARY for kind in ("image/jpeg", "image/png")},
        operation_id="paper_picture",
    )
    def get(self, request: Request, pk: int) -> HttpResponse:
        """The picture in its colours or as a view shows them, for those who may see the sheet."""
        paper = one(papers_seen_by(request.user), pk=pk)
        view = request.query_params.get("view", "colour")
        content, mime = bytes(paper.picture), paper.mime
        if view in VIEWS and view != "colour":
            content, mime = in_view(content, view), "image/png"
        answer = HttpResponse(content, content_type=mime)
        answer["Cache-Control"] = "private, max-age=86400"
        return answer


class PaperStart(APIView):
    """Starting a card from a sheet."""

    parser_classes = [JSONParser]

    @extend_schema(
        request=StartSerializer, responses={201: StartedSerializer}, operation_id="start_from_paper"
    )
    def post(self, request: Request, pk: int) -> Response:
        """A card with these of the sheet's colours, greys that suit it, and lettering that reads on it."""
        paper = one(papers_seen_by(request.user).select_related("range"), pk=pk)
        given = StartSerializer(data=request.data)
        given.is_valid(raise_exception=True)
        values = given.validated_data
        supplies = catalogue_for(request.user)
        places = supplies.sheets.get((paper.range_id, paper.title), [])
        wanted = set(values["colours"])
        chosen = [place for place in places if supplies.rows[place].id in wanted]
        if len(chosen) != len(wanted):
            raise BadInput(Problem("One of these colours is not of this sheet.", field="colours"))
        card = start_card(request.user, values["name"], values["size"], starts(supplies, paper.title, chosen))
        return Response({"id": card.pk}, status=status.HTTP_201_CREATED)


class CardPapers(APIView):
    """Which sheets go with a card."""

    @extend_schema(responses=GoingSerializer(many=True), operation_id="papers_for_card")
    def get(self, request: Request, pk: int) -> Response:
        """Every sheet, ranked by how much of it the card's palette knows, with the reason."""
        card = own_card(request.user, pk)
        supplies = catalogue_for(request.user)
        palette = SeenPalette(card.value, supplies)
        if not palette.card.colours:
            return Response([])
        told = []
        for paper in papers_offered_to(request.user).select_related("range").defer("picture"):
            places = supplies.sheets.get((paper.range_id, paper.title), [])
            if places:
                found, why = going(palette, places)
                one_sheet = sheet(paper, supplies, request.user)
                told.append(
                    (found.rank, {"paper": one_sheet, "agrees": round(found.agrees, 3), "reason": why})
                )
        return Response([one for _, one in sorted(told, key=lambda ranked: -ranked[0])])
