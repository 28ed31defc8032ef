"""The API of outlines that are photographed or scanned."""

from typing import Any

import numpy as np
from drf_spectacular.utils import extend_schema
from PIL import Image
from rest_framework import serializers, status
from rest_framework.parsers import MultiPartParser
from rest_framework.response import Response
from rest_framework.views import APIView

from jindle_core import figures
from jindle_core.errors import BadInput, Problem
from jindle_core.interchange.bare_picture import jpeg
from jindle_core.line_art.scanned.areas import MendStroke, MendWay, Scanned, as_drawing, scanned
from jindle_core.line_art.svg import as_path
from server.catalogue.api.fields import JsonField
from server.catalogue.downloads import data_url
from server.colouring.actions import store_drawing
from server.pictures import opened_scan
from server.requests import Request
from server.told.drawings import LoosePlace, ScanArea, ScanReading, StoredDrawing
from server.told.schema import component

_SHOWN = 1000  # pixels of the longer side of the picture as it is told


class MendStrokeSerializer(serializers.Serializer):
    """A stroke of the hand: a short line over a gap, or one through pieces that are one."""

    way = serializers.ChoiceField(choices=[(one.value, one.value) for one in MendWay])
    points = serializers.ListField(
        child=serializers.ListField(child=serializers.FloatField(), min_length=2, max_length=2),
        min_length=2,
        max_length=figures.scans.MEND_POINTS,
    )


class ScanFileSerializer(serializers.Serializer):
    """A picture of a stamped outline, by how many quarters it is turned, and what was mended by hand."""

    file = serializers.FileField(allow_empty_file=True)
    quarters = serializers.IntegerField(default=0, min_value=0, max_value=3)
    mends = JsonField(required=False, help_text="JSON: a list of {way, points}, in pixels of the picture")


class StoreScanSerializer(ScanFileSerializer):
    """The same, to be kept as a drawing."""

    name = serializers.CharField(max_length=figures.palettes.NAME_LIMIT)
    names = JsonField(required=False, help_text="JSON: a name for each area, or nothing")


def _read(values: dict[str, Any]) -> tuple[Image.Image, Scanned]:
    """The picture as it is told, and what it holds."""
    content = values["file"].read(figures.paper.LARGEST_PICTURE + 1)
    pixels = np.ascontiguousarray(np.rot90(opened_scan(content), -values["quarters"]))
    given = MendStrokeSerializer(data=values.get("mends") or [], many=True)
    given.is_valid(raise_exception=True)
    if len(given.validated_data) > figures.scans.MENDS:
        raise BadInput(Problem(f"{figures.scans.MENDS} strokes are the most.", field="mends"))
    mends = [
        MendStroke(MendWay(one["way"]), np.array(one["points"]) / _SHOWN) for one in given.validated_data
    ]
    found = scanned(pixels, mends)
    image = Image.fromarray(pixels)
    scale = _SHOWN / max(image.size)
    return image.resize((round(image.width * scale), round(image.height * scale))), found


class ScanRead(APIView):
    """Reading a picture of an outline."""

    parser_classes = (MultiPartParser,)

    @extend_schema(
        request={"multipart/form-data": ScanFileSerializer},
        responses=component(ScanReading),
        operation_id="read_scan",
    )
    def post(self, request: Request) -> Response:
        """The areas of an outline, and where its line could not be closed; stores nothing."""
        given = ScanFileSerializer(data=request.data)
        given.is_valid(raise_exception=True)
        image, found = _read(given.validated_data)
        return Response(
            ScanReading(
                picture=data_url(jpeg(image), "image/jpeg"),
                width=image.width,
                height=image.height,
                areas=[
                    ScanArea(
                        path=_path(one),
                        middle=(np.array(one.representative_point().coords[0]) * _SHOWN).tolist(),
                    )
                    for one in found.areas
                ],
                lines=[as_path(points * _SHOWN, closed=False) for points in found.lines],
                loose=[LoosePlace(end=end, onto=onto) for end, onto in found.loose * _SHOWN],
            )
        )


def _path(area: Any) -> str:
    rings = (area.exterior, *area.interiors)
    return "".join(as_path(np.array(ring.coords)[:-1] * _SHOWN, closed=True) for ring in rings)


class ScanStore(APIView):
    """Keeping what was read."""

    parser_classes = (MultiPartParser,)

    @extend_schema(
        request={"multipart/form-data": StoreScanSerializer},
        responses={201: component(StoredDrawing)},
        operation_id="store_scan",
    )
    def post(self, request: Request) -> Response:
        """Keep the areas of an outline as a drawing; the picture is not kept."""
        given = StoreScanSerializer(data=request.data)
        given.is_valid(raise_exception=True)
        values = given.validated_data
        _, found = _read(values)
        names = values.get("names") or []
        if not isinstance(names, list) or len(names) > len(found.areas):
            raise BadInput(Problem("Names are a list, one an area.", field="names"))
        drawing = as_drawing(found, [str(name or "") for name in names])
        stored = store_drawing(request.user, values["name"], drawing)
        told = StoredDrawing(id=stored.pk, areas=len(drawing.shapes), notes=drawing.notes)
        return Response(told, status=status.HTTP_201_CREATED)
