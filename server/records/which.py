"""The API of “which was it?”: supplies that a colour in a photo of a card may have been."""

from dataclasses import asdict, replace
from typing import Any

import numpy as np
from drf_spectacular.utils import extend_schema
from PIL import Image
from rest_framework import serializers
from rest_framework.parsers import MultiPartParser
from rest_framework.response import Response
from rest_framework.views import APIView

from jindle_core import figures
from jindle_core.colorimetry.spaces import lab_to_hex
from jindle_core.errors import BadInput, Problem
from jindle_core.interchange.bare_picture import jpeg
from jindle_core.media.medium import Medium
from jindle_core.patterned.correction import correct, find_white
from jindle_core.patterned.patches import read_patches
from jindle_core.supplies.asked import place_of
from jindle_core.supplies.guessed import Guess, guessed
from jindle_core.supplies.whole import Supplies
from server.access import one, own_record, records_of
from server.catalogue.api.fields import JsonField, box_of
from server.catalogue.arrays import catalogue_for
from server.catalogue.downloads import data_url
from server.catalogue.swatches import swatch
from server.pictures import opened
from server.records.models import RecordUse
from server.requests import Request
from server.told.readings import Box
from server.told.records import Guess as GuessTold
from server.told.records import WhichAnswer
from server.told.schema import component


class WhichSerializer(serializers.Serializer):
    """A photo, as a file or of a record, and what is marked in it: the colour that is asked for, and what is
    known of the light by something white, or of a known colour."""

    file = serializers.FileField(required=False)
    record = serializers.IntegerField(required=False)
    photo = serializers.IntegerField(required=False)
    box = JsonField(required=False, help_text="JSON: left, top, width, height of the colour asked for")
    known = JsonField(required=False, help_text="JSON: the same of what is white, or of a known colour")
    colour = serializers.IntegerField(required=False, help_text="the supply that the known colour is of")
    medium = serializers.ChoiceField(
        required=False, choices=[(one.value, one.value) for one in Medium], allow_null=True
    )


class Which(APIView):
    """Which supply was it?"""

    parser_classes = (MultiPartParser,)

    @extend_schema(
        request={"multipart/form-data": WhichSerializer},
        responses=component(WhichAnswer),
        operation_id="which_was_it",
    )
    def post(self, request: Request) -> Response:
        """What a colour in a photo may have been; what was recorded comes first. Nothing is stored."""
        given = WhichSerializer(data=request.data)
        given.is_valid(raise_exception=True)
        asked = given.validated_data
        return Response(_answer(request, asked))


def _content(request: Request, asked: dict[str, Any]) -> bytes:
    if "file" in asked:
        content: bytes = asked["file"].read(figures.paper.LARGEST_PICTURE + 1)
        return content
    if "record" not in asked or "photo" not in asked:
        raise BadInput(Problem("Choose a photo.", field="file", expected="a PNG, JPEG or WebP picture"))
    return bytes(one(own_record(request.user, asked["record"]).photos.all(), pk=asked["photo"]).picture)


def _answer(request: Request, asked: dict[str, Any]) -> WhichAnswer:
    supplies = catalogue_for(request.user)
    picture = opened(_content(request, asked))
    known = box_of(asked["known"]) if asked.get("known") else find_white(picture.linear)
    white = figures.laying.PAPER_WHITE_LAB
    lab = supplies.lab_at(place_of(supplies, asked["colour"])) if asked.get("colour") else white
    corrected = correct(picture.linear, picture.clipped, known, lab)
    image = Image.fromarray(picture.pixels)
    told = WhichAnswer(
        preview=data_url(jpeg(image), "image/jpeg"),
        width=image.width,
        height=image.height,
        known=None if known is None else Box(**asdict(known)),
        uncertainty=corrected.doubt[0],
        hex="",
        lab=[],
        uneven=False,
        guesses=[],
    )
    if not asked.get("box"):
        return told
    (patch,) = read_patches(corrected, box_of(asked["box"]).corners[None], white)
    sigma = float(corrected.sigma(np.array(patch.lab)))
    noted, used = _known(request, supplies, asked.get("record"))
    media = [Medium(asked["medium"])] if asked.get("medium") else list(Medium)
    found = guessed(supplies, patch.lab, sigma, noted, used, media)
    return replace(
        told,
        uncertainty=sigma,
        hex=lab_to_hex(np.array([patch.lab]))[0],
        lab=[round(value, 1) for value in patch.lab],
        uneven=patch.uneven,
        guesses=[_told(supplies, guess) for guess in found],
    )


def _known(request: Request, supplies: Supplies, record: int | None) -> tuple[set[int], set[int]]:
    """The places of what went into a record, or into all that are there, and of what was ever used."""
    noted, used = set(), set()
    uses = RecordUse.objects.filter(record__in=records_of(request.user))
    for pk, label, name in uses.values_list("record_id", "label", "range_name"):
        place = supplies.named.get((label, name))
        if place is not None:
            used.add(place)
            if pk == record:
                noted.add(place)
    return noted, used


def _told(supplies: Supplies, guess: Guess) -> GuessTold:
    return GuessTold(
        swatch=swatch(supplies, guess.place),
        layers=guess.layers,
        sure=round(guess.sure, 3),
        distance=round(guess.distance, 1),
        known=guess.known,
    )
