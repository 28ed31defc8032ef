"""What is read from a picture of patterned paper, told on the way; nothing is stored."""

from collections.abc import Generator, Iterator
from dataclasses import asdict, dataclass

import numpy as np
from django.http import StreamingHttpResponse
from drf_spectacular.utils import extend_schema
from PIL import Image
from rest_framework import serializers
from rest_framework.parsers import MultiPartParser
from rest_framework.views import APIView

from jindle_core import figures
from jindle_core.errors import BadInput, Problem
from jindle_core.interchange.bare_picture import jpeg
from jindle_core.interchange.picture import Picture, as_image
from jindle_core.patterned.colours import SheetColour, sheet_colours
from jindle_core.patterned.correction import Corrected, PictureBox, correct, find_white, is_cut_off
from jindle_core.patterned.editing import WAYS, Edit, edited
from jindle_core.patterned.lamp import Light, Relit, relit
from jindle_core.patterned.straightening import straightened
from jindle_core.supplies.asked import place_of
from jindle_core.supplies.whole import Supplies
from server.accounts.models import Person
from server.catalogue.api.fields import LIGHT_CHOICES, BoxSerializer, JsonField
from server.catalogue.arrays import catalogue_for
from server.catalogue.downloads import data_url
from server.catalogue.strips import StripSeen, known_swatches, strip_seen
from server.catalogue.swatches import swatch
from server.papers.views import found_colours
from server.pictures import opened
from server.requests import Request
from server.streams import MEDIA_TYPE, progress
from server.told.made import Streamed
from server.told.papers import KnownSeen, PaperLine, PaperReading
from server.told.readings import Box
from server.told.schema import component


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


@dataclass(frozen=True)
class Read:
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
    known: list[KnownSeen]


def read_sheet(person: Person, values: dict, content: bytes) -> Generator[Streamed, None, Read]:
    """Tells its progress and comes to what was read."""
    yield Streamed(share=0.05, words="opening the picture")
    picture = opened(content)
    supplies = catalogue_for(person)
    strip = None
    if values["strip"] == "auto" and values["white"] != "none":
        yield Streamed(share=0.25, words="looking for your strip")
        strip = strip_seen(person, supplies, picture.linear)
    if values["white"] == "auto":
        yield Streamed(share=0.3, words="looking for the white card")
    box = _white_card(values, strip, picture)
    reference = figures.laying.PAPER_WHITE_LAB
    if values.get("reference") is not None:
        reference = supplies.lab_at(place_of(supplies, values["reference"], "reference"))
    yield Streamed(share=0.4, words="taking the light out")
    corners, trouble = _corners(values), ""
    light = Light(values["light"]) if values.get("light") else None
    of_strip = strip.known if strip else []
    known = of_strip + _known(values, supplies)
    beside = [strip.found.whole] if strip else []

    def taken(box: PictureBox | None) -> tuple[Corrected, Corrected, Relit]:
        whole = correct(picture.linear, picture.clipped, box, reference)
        laid = known_swatches(supplies, known)
        lit = relit(whole, light, reference, laid, beside)
        return whole, lit.picture if corners is None else straightened(lit.picture, corners), lit

    try:
        whole, corrected, lit = taken(box)
        yield Streamed(share=0.55, words="finding its colours")
        found = sheet_colours(corrected)
    except BadInput as error:
        if values["white"] == "box" or any(one.field in ("corners", "known") for one in error.problems):
            raise
        # What was found by itself is no card to go by: read it without one, and say so.
        box, trouble = None, str(error)
        whole, corrected, lit = taken(None)
        found = sheet_colours(corrected)
    colours = edited(corrected, found, _edits(values))
    by_itself = values["white"] == "auto" and reference == figures.laying.PAPER_WHITE_LAB and not strip
    yellowish = light is None and whole.cast > figures.paper.CAST
    warnings = [
        (trouble, True),
        (_NO_WHITE, box is None),
        (_BY_ITSELF, box is not None and by_itself),
        (_YELLOWISH, box is not None and yellowish),
        (_NOT_ALONE if box is None and known else lit.trouble, True),
        (_CUT_OFF, is_cut_off(picture.clipped, box)),
        ("The whole sheet is of one colour.", len(colours) == 1),
    ]
    warning = " ".join(words for words, so in warnings if words and so)
    image = Image.fromarray(picture.pixels)
    told = _known_seen(supplies, known, lit, len(of_strip))
    return Read(corrected, colours, image, warning, box, whole.uneven, corners is not None, told)


_NO_WHITE = "No white card is marked, so the colours are only as good as the light was."
_BY_ITSELF = "The white card was found by itself: look whether the frame lies on it."
_YELLOWISH = "The white card looks yellowish: was it a lamp? Say which light it was."
_NOT_ALONE = "Known swatches help only beside white card."
_CUT_OFF = (
    "Some strong colours were too bright for the camera and are cut off: they are stronger than they look"
    " here. A darker picture shows them."
)


def _white_card(values: dict, strip: StripSeen | None, picture: Picture) -> PictureBox | None:
    """Where the white card lies, found or said."""
    if values["white"] == "auto":
        return strip.found.white if strip else find_white(picture.linear)
    if values["white"] == "none":
        return None
    given = BoxSerializer(data=values.get("box"))
    given.is_valid(raise_exception=True)
    return PictureBox(**given.validated_data)


def _edits(values: dict) -> list[Edit]:
    wanted = EditSerializer(data=values.get("edits") or [], many=True)
    wanted.is_valid(raise_exception=True)
    return [Edit(one["way"], tuple(one["places"])) for one in wanted.validated_data]


def _known_seen(
    supplies: Supplies, known: list[tuple[PictureBox, int]], lit: Relit, of_strip: int
) -> list[KnownSeen]:
    """The known swatches as the picture has them, those of the strip first."""
    return [
        KnownSeen(
            swatch=swatch(supplies, place),
            box=Box(**asdict(box)),
            of_strip=at < of_strip,
            off=round(off, 1),
            used=used,
        )
        for at, ((box, place), off, used) in enumerate(zip(known, lit.off, lit.used, strict=False))
    ]


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


def content_of(values: dict) -> bytes:
    """The file that was sent, and no more of it than is taken."""
    content: bytes = values["file"].read(figures.paper.LARGEST_PICTURE + 1)
    return content


class PaperRead(APIView):
    """Reading a picture of paper."""

    parser_classes = [MultiPartParser]

    @extend_schema(
        request={"multipart/form-data": ReadPaperSerializer},
        responses={(200, MEDIA_TYPE): component(PaperLine)},
        operation_id="read_paper",
    )
    def post(self, request: Request) -> StreamingHttpResponse:
        """The colours of a picture, each with where it stands and what is like it; stores nothing."""
        given = ReadPaperSerializer(data=request.data)
        given.is_valid(raise_exception=True)
        return progress(_told(request.user, given.validated_data, content_of(given.validated_data)))


def _told(person: Person, values: dict, content: bytes) -> Iterator[Streamed]:
    read = yield from read_sheet(person, values, content)
    yield Streamed(share=0.8, words="matching them in every medium")
    box, labs = read.box, np.array([one.lab for one in read.colours])
    yield PaperLine(
        reading=PaperReading(
            preview=data_url(jpeg(read.image), "image/jpeg"),
            sheet=data_url(jpeg(as_image(read.corrected.even)), "image/jpeg") if read.straight else "",
            width=read.image.width,
            height=read.image.height,
            box=None if box is None else Box(**asdict(box)),
            uncertainty=round(float(np.median(read.corrected.sigma(labs))), 1),
            uneven=round(read.uneven, 2),
            known=read.known,
            warning=read.warning,
            colours=found_colours(catalogue_for(person), read.corrected, read.colours),
        )
    )
