"""The API of the camera."""

import io

import numpy as np
from django.http import HttpResponse
from drf_spectacular.types import OpenApiTypes
from drf_spectacular.utils import extend_schema
from PIL import Image
from rest_framework import serializers
from rest_framework.parsers import JSONParser
from rest_framework.request import Request
from rest_framework.response import Response
from rest_framework.views import APIView

from jindle_core.colorimetry.recovery import lab_to_reflectance
from jindle_core.prediction.stocks import WHITE
from server.access import one, papers_seen_by
from server.catalogue.arrays import catalogue_for
from server.papers.api import PaperSerializer
from server.papers.views import sheet
from standins.camera import LIGHTS, Scene, SimulatedCamera

_SCENE = 3  # times as fine as the drawing is the scene before the camera


class CameraSerializer(serializers.Serializer):
    """The camera, and the sheets that can be laid before it."""

    name = serializers.CharField()
    simulated = serializers.BooleanField()
    lights = serializers.ListField(child=serializers.CharField())
    papers = PaperSerializer(many=True)


class PhotographSerializer(serializers.Serializer):
    """What to photograph, and under which light."""

    paper = serializers.IntegerField()
    light = serializers.ChoiceField(choices=LIGHTS)
    card = serializers.BooleanField(default=True, help_text="with a piece of white card beside it")


class Camera(APIView):
    """The camera."""

    @extend_schema(responses=CameraSerializer, operation_id="camera")
    def get(self, request: Request) -> Response:
        """Which camera there is, its lights, and the drawn sheets that can be laid before it."""
        catalogue = catalogue_for(request.user)
        drawn = papers_seen_by(request.user).filter(owner=None).select_related("range").defer("picture")
        return Response(
            {
                "name": SimulatedCamera.name,
                "simulated": SimulatedCamera.simulated,
                "lights": LIGHTS,
                "papers": [sheet(paper, catalogue, request.user.pk) for paper in drawn],
            }
        )


class CameraPhotograph(APIView):
    """Taking a photograph."""

    parser_classes = [JSONParser]

    @extend_schema(
        request=PhotographSerializer,
        responses={(200, "image/jpeg"): OpenApiTypes.BINARY},
        operation_id="photograph",
    )
    def post(self, request: Request) -> HttpResponse:
        """A photograph (JPEG) of a drawn sheet under a made-up light."""
        given = PhotographSerializer(data=request.data)
        given.is_valid(raise_exception=True)
        values = given.validated_data
        paper = one(papers_seen_by(request.user).filter(owner=None), pk=values["paper"])
        catalogue = catalogue_for(request.user)
        drawing = Image.open(io.BytesIO(bytes(paper.picture)))
        labels = np.asarray(drawing).repeat(_SCENE, 0).repeat(_SCENE, 1)
        # The drawing's palette is in the order of the sheet's colours.
        places = catalogue.sheets[paper.range_id, paper.title]
        reflectances = lab_to_reflectance(catalogue.label_lab[places])
        scene = Scene(labels, reflectances, WHITE if values["card"] else None)
        content = SimulatedCamera().photograph(scene, values["light"], seed=paper.pk)
        return HttpResponse(content, content_type="image/jpeg")
