"""The API of the demo studio."""

from django.conf import settings
from drf_spectacular.utils import extend_schema
from rest_framework.exceptions import NotFound
from rest_framework.permissions import AllowAny
from rest_framework.response import Response
from rest_framework.views import APIView

from server.accounts.actions import come_in
from server.accounts.api import PersonSerializer
from server.accounts.door import TokenAtTheDoor
from server.demo.studio import opened
from server.requests import Request


class OpenDemo(APIView):
    """Open the demo studio."""

    authentication_classes = [TokenAtTheDoor]
    permission_classes = [AllowAny]

    @extend_schema(request=None, responses=PersonSerializer, operation_id="open_demo", auth=[])
    def post(self, request: Request) -> Response:
        """Sign in to the demo studio; 404 unless the server runs in demo mode."""
        studio = opened() if settings.DEMO else None
        if studio is None:
            raise NotFound
        come_in(request._request, studio)
        return Response(PersonSerializer(studio).data)
