"""The API of the camera."""

import io
from collections.abc import Sequence

import numpy as np
from django.http import HttpResponse
from django.utils import timezone
from drf_spectacular.types import OpenApiTypes
from drf_spectacular.utils import extend_schema
from PIL import Image
from rest_framework import serializers
from rest_framework.response import Response
from rest_framework.views import APIView

from jindle_core.colorimetry.recovery import lab_to_reflectance
from jindle_core.errors import BadInput, Problem
from jindle_core.patterned.strip import strip
from jindle_core.prediction.stocks import WHITE_CARD
from jindle_core.supplies.whole import Supplies
from jindle_core.swatch_sheet import SHEETS, swatch_sheet
from server.access import one, papers_seen_by, ranges_seen_by
from server.accounts.models import Person
from server.accounts.stand_ins import check_stand_ins
from server.catalogue.api.reader import lying_there
from server.catalogue.arrays import catalogue_for
from server.catalogue.charts import chart_places
from server.catalogue.models import Colour
from server.catalogue.reading_actions import Laid
from server.catalogue.strips import strip_places
from server.papers.views import sheet
from server.parsing import StrictJSONParser
from server.requests import Request
from server.told.papers import Camera as CameraTold
from server.told.schema import component
from standins.camera import LIGHTS, Scene, SimulatedCamera
from standins.page import filled_chart, with_strip
from standins.reader import true_reflectance

_SCENE = 3  # times as fine as the drawing is the scene before the camera


class PhotographSerializer(serializers.Serializer):
    """What to photograph, and under which light."""

    paper = serializers.IntegerField()
    light = serializers.ChoiceField(choices=LIGHTS)
    card = serializers.BooleanField(default=True, help_text="with a piece of white card beside it")
    strip = serializers.BooleanField(default=False, help_text="with the person's strip on its lower edge")


class Camera(APIView):
    """The camera."""

    @extend_schema(responses=component(CameraTold), operation_id="camera")
    def get(self, request: Request) -> Response:
        """Which camera there is, its lights, and the drawn sheets that can be laid before it."""
        check_stand_ins(request.user)
        supplies = catalogue_for(request.user)
        drawn = papers_seen_by(request.user).filter(owner=None).select_related("range").defer("picture")
        return Response(
            CameraTold(
                name=SimulatedCamera.name,
                simulated=SimulatedCamera.simulated,
                lights=LIGHTS,
                papers=[sheet(paper, supplies, request.user) for paper in drawn],
            )
        )


class ChartSceneSerializer(serializers.Serializer):
    """Which filled page of which chart to photograph, and under which light."""

    range = serializers.IntegerField()
    owned = serializers.BooleanField(default=False)
    sheet = serializers.ChoiceField(choices=list(SHEETS), default="letter")
    page = serializers.IntegerField(min_value=1, default=1)
    light = serializers.ChoiceField(choices=LIGHTS)
    grey = serializers.BooleanField(default=False, help_text="with a grey card in its field")


class CameraChart(APIView):
    """Photographing a filled swatch chart."""

    parser_classes = [StrictJSONParser]

    @extend_schema(
        request=ChartSceneSerializer,
        responses={(200, "image/jpeg"): OpenApiTypes.BINARY},
        operation_id="photograph_chart",
    )
    def post(self, request: Request) -> HttpResponse:
        """A photograph (JPEG) of the page as if each box had been filled by hand."""
        check_stand_ins(request.user)
        given = ChartSceneSerializer(data=request.data)
        given.is_valid(raise_exception=True)
        values = given.validated_data
        one(ranges_seen_by(request.user), pk=values["range"])
        supplies = catalogue_for(request.user)
        printed = swatch_sheet(values["sheet"])
        size = len(printed.boxes)
        places = chart_places(supplies, values["range"], values["owned"])
        here = places[(values["page"] - 1) * size : values["page"] * size]
        if not len(here):
            raise BadInput(Problem(f"This chart has no page {values['page']}.", field="page"))
        swatches = _by_hand(supplies, here.tolist())
        scene = filled_chart(printed, swatches, supplies.label_lab[here], values["grey"])
        content = SimulatedCamera().photograph(scene, values["light"], seed=values["range"] + values["page"])
        return HttpResponse(content, content_type="image/jpeg")


def _by_hand(supplies: Supplies, places: Sequence[int]) -> list[np.ndarray]:
    """What is seen of colours that were laid once on white card today."""
    ids = [supplies.rows[place].id for place in places]
    colours, laid = Colour.objects.in_bulk(ids), Laid(timezone.localdate())
    return [true_reflectance(lying_there(supplies, colours[pk], laid)) for pk in ids]


def _strip(person: Person, supplies: Supplies) -> list[np.ndarray | None]:
    """What lies in each box of the person's strip; BadInput where there is none."""
    places = strip_places(person, supplies)
    if not places:
        raise BadInput(Problem("You have no strip of known swatches yet.", field="strip"))
    there = [place for place in places if place is not None]
    swatches = dict(zip(there, _by_hand(supplies, there), strict=True))
    return [None if place is None else swatches[place] for place in places]


class CameraPhotograph(APIView):
    """Taking a photograph."""

    parser_classes = [StrictJSONParser]

    @extend_schema(
        request=PhotographSerializer,
        responses={(200, "image/jpeg"): OpenApiTypes.BINARY},
        operation_id="photograph",
    )
    def post(self, request: Request) -> HttpResponse:
        """A photograph (JPEG) of a drawn sheet under a made-up light."""
        check_stand_ins(request.user)
        given = PhotographSerializer(data=request.data)
        given.is_valid(raise_exception=True)
        values = given.validated_data
        paper = one(papers_seen_by(request.user).filter(owner=None), pk=values["paper"])
        supplies = catalogue_for(request.user)
        drawing = Image.open(io.BytesIO(bytes(paper.picture)))
        labels = np.asarray(drawing).repeat(_SCENE, 0).repeat(_SCENE, 1)
        # The drawing's palette is in the order of the sheet's colours.
        places = supplies.sheets[paper.range_id, paper.title]
        reflectances = np.asarray(lab_to_reflectance(supplies.label_lab[places]), dtype=np.float64)
        scene = Scene(
            labels, reflectances, np.asarray(WHITE_CARD, dtype=np.float64) if values["card"] else None
        )
        if values["strip"]:
            scene = with_strip(scene, strip(), _strip(request.user, supplies))
        content = SimulatedCamera().photograph(scene, values["light"], seed=paper.pk)
        return HttpResponse(content, content_type="image/jpeg")
