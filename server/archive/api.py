"""The API of a person's whole archive."""

from collections.abc import Iterator

from django.core.files.uploadedfile import UploadedFile
from django.http import FileResponse, StreamingHttpResponse
from drf_spectacular.types import OpenApiTypes
from drf_spectacular.utils import extend_schema
from rest_framework import serializers
from rest_framework.parsers import MultiPartParser
from rest_framework.response import Response
from rest_framework.views import APIView

from server.accounts.models import Person
from server.archive.pack import pack
from server.archive.unpack import unpack, unpacking
from server.catalogue.downloads import download_from_disk
from server.requests import Request
from server.streams import MEDIA_TYPE, progress
from server.told.archive import Unpacked, UnpackedLine
from server.told.made import Streamed
from server.told.schema import component


class ArchiveFileSerializer(serializers.Serializer):
    """An archive's file."""

    file = serializers.FileField(allow_empty_file=True)


def _given(request: Request) -> UploadedFile:
    given = ArchiveFileSerializer(data=request.data)
    given.is_valid(raise_exception=True)
    found: UploadedFile = given.validated_data["file"]
    return found


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
        return Response(unpack(request.user, _given(request)))


class FollowedArchive(APIView):
    """Everything of the person's on its way back."""

    parser_classes = [MultiPartParser]

    @extend_schema(
        request={"multipart/form-data": ArchiveFileSerializer},
        responses={(200, MEDIA_TYPE): component(UnpackedLine)},
        operation_id="follow_bringing_back",
    )
    def post(self, request: Request) -> StreamingHttpResponse:
        """Bring an archive back, telling how far it is."""
        return progress(_followed(request.user, _given(request)))


def _followed(person: Person, file: UploadedFile) -> Iterator[Streamed]:
    back = yield from unpacking(person, file)
    yield UnpackedLine(share=1.0, back=back)
