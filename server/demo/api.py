"""The API of the demo studio."""

from django.conf import settings
from drf_spectacular.utils import extend_schema
from rest_framework import serializers, status
from rest_framework.exceptions import NotFound
from rest_framework.permissions import AllowAny
from rest_framework.response import Response
from rest_framework.views import APIView

from jindle_core import figures
from server.accounts.actions import come_in
from server.accounts.api import person_told
from server.accounts.door import TokenAtTheDoor
from server.demo.studio import example_names, keep_example, opened
from server.requests import Request
from server.told.accounts import Example, Person
from server.told.made import Made
from server.told.schema import component


class ExampleSerializer(serializers.Serializer):
    """A finished card by its name."""

    name = serializers.CharField(max_length=figures.palettes.NAME_LIMIT)


class Examples(APIView):
    """Finished cards to be taken apart."""

    @extend_schema(responses=component(Example, many=True), operation_id="examples")
    def get(self, _: Request) -> Response:
        """What they are called."""
        return Response([{"name": name} for name in example_names()])

    @extend_schema(request=ExampleSerializer, responses={201: component(Made)}, operation_id="copy_example")
    def post(self, request: Request) -> Response:
        """Make one of them a card of the person's own."""
        given = ExampleSerializer(data=request.data)
        given.is_valid(raise_exception=True)
        made = keep_example(request.user, given.validated_data["name"])
        return Response(Made(id=made.pk), status.HTTP_201_CREATED)


class OpenDemo(APIView):
    """Open the demo studio."""

    authentication_classes = [TokenAtTheDoor]
    permission_classes = [AllowAny]

    @extend_schema(request=None, responses=component(Person), operation_id="open_demo", auth=[])
    def post(self, request: Request) -> Response:
        """Sign in to the demo studio; 404 unless the server runs in demo mode."""
        studio = opened() if settings.DEMO else None
        if studio is None:
            raise NotFound
        come_in(request._request, studio)
        return Response(person_told(studio))
