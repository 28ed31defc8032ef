"""The API of what is put by, deleted and had again: the same for cards, papers and line drawings."""

from collections.abc import Callable
from dataclasses import dataclass
from typing import Any

from django.db.models import QuerySet
from django.urls import register_converter
from drf_spectacular.utils import OpenApiParameter, extend_schema
from rest_framework import serializers, status
from rest_framework.response import Response
from rest_framework.views import APIView

from server import access
from server.access import one
from server.accounts.models import Person
from server.requests import Request
from server.shelf import actions
from server.shelf.models import Shelved
from server.told.schema import component
from server.told.shelf import Deleted as DeletedTold


@dataclass(frozen=True)
class _Kind:
    """How a person's own of a kind is had: one of those that are there, those that are deleted."""

    own: Callable[[Person, int], Shelved]
    deleted: Callable[[Person], QuerySet[Any]]


KINDS = {
    "cards": _Kind(access.own_card, access.deleted_cards_of),
    "papers": _Kind(access.own_paper, access.deleted_papers_of),
    "drawings": _Kind(access.own_drawing, access.deleted_drawings_of),
}


class KindConverter:
    """In an address: the kinds of what can be put by."""

    regex = "|".join(KINDS)

    def to_python(self, value: str) -> str:
        """As it stands."""
        return value

    def to_url(self, value: str) -> str:
        """As it stands."""
        return value


register_converter(KindConverter, "shelved")
_KIND = OpenApiParameter("kind", str, OpenApiParameter.PATH, enum=list(KINDS))


class PutBySerializer(serializers.Serializer):
    """Out of the way, or not."""

    away = serializers.BooleanField()


class PutBy(APIView):
    """Out of the way."""

    @extend_schema(parameters=[_KIND], request=PutBySerializer, responses={204: None}, operation_id="put_by")
    def post(self, request: Request, kind: str, pk: int) -> Response:
        """Put it by, or back among the others."""
        given = PutBySerializer(data=request.data)
        given.is_valid(raise_exception=True)
        actions.put_by(KINDS[kind].own(request.user, pk), given.validated_data["away"])
        return Response(status=status.HTTP_204_NO_CONTENT)


class Deleted(APIView):
    """What a person has deleted."""

    @extend_schema(parameters=[_KIND], responses=component(DeletedTold, many=True), operation_id="deleted")
    def get(self, request: Request, kind: str) -> Response:
        """All that can be brought back, the latest first."""
        found = KINDS[kind].deleted(request.user)
        return Response([DeletedTold(id=one.pk, name=one.name, deleted=one.deleted) for one in found])


class OneDeleted(APIView):
    """Something that was deleted."""

    @extend_schema(parameters=[_KIND], request=None, responses={204: None}, operation_id="bring_back_deleted")
    def post(self, request: Request, kind: str, pk: int) -> Response:
        """Have it again, as it was."""
        of = KINDS[kind]
        actions.bring_back(one(of.deleted(request.user), pk=pk), kind)
        return Response(status=status.HTTP_204_NO_CONTENT)

    @extend_schema(parameters=[_KIND], responses={204: None}, operation_id="delete_for_good")
    def delete(self, request: Request, kind: str, pk: int) -> Response:
        """Delete it for good, with its history."""
        actions.delete_for_good(one(KINDS[kind].deleted(request.user), pk=pk))
        return Response(status=status.HTTP_204_NO_CONTENT)
