"""The API of a person's whole archive."""

from django.http import FileResponse
from drf_spectacular.types import OpenApiTypes
from drf_spectacular.utils import extend_schema
from rest_framework import serializers
from rest_framework.parsers import MultiPartParser
from rest_framework.response import Response
from rest_framework.views import APIView

from server.archive.pack import pack
from server.archive.unpack import unpack
from server.catalogue.downloads import download_from_disk
from server.requests import Request
from server.told.archive import Unpacked
from server.told.schema import component


class ArchiveFileSerializer(serializers.Serializer):
    """An archive's file."""

    file = serializers.FileField(allow_empty_file=True)


class Archive(APIView):
    """Everything of the person's."""

    parser_classes = [MultiPartParser]

    @extend_schema(responses={(200, "application/zip"): OpenApiTypes.BINARY}, operation_id="archive")
    def get(self, request: Request) -> FileResponse:
        """Take out everything as a zip of open files."""
        return download_from_disk(pack(request.user), "application/zip", "jindle archive.zip")

    @extend_schema(
        request={"multipart/form-data": ArchiveFileSerializer},
        responses=component(Unpacked),
        operation_id="bring_back",
    )
    def post(self, request: Request) -> Response:
        """Bring an archive back into an empty account: all of it, or nothing."""
        given = ArchiveFileSerializer(data=request.data)
        given.is_valid(raise_exception=True)
        return Response(unpack(request.user, given.validated_data["file"]))
