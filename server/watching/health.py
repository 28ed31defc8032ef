"""Is everything up: the database, its tables, the disk? Asked by who watches over it, without an account."""

import shutil
from typing import Any

from django.conf import settings
from django.db import DatabaseError, connection
from django.db.migrations.executor import MigrationExecutor
from drf_spectacular.utils import extend_schema
from rest_framework import serializers
from rest_framework.permissions import AllowAny
from rest_framework.response import Response
from rest_framework.views import APIView

from server.requests import Request

_LEAST_FREE = 500 * 1024 * 1024  # bytes: a nightly backup and some days of growth still fit


class HealthSerializer(serializers.Serializer):
    """What is up."""

    up = serializers.BooleanField(help_text="all of it")
    database = serializers.BooleanField(help_text="it answers")
    migrations = serializers.BooleanField(
        help_text="its tables are as this version of the program wants them"
    )
    disk = serializers.BooleanField(help_text="there is room left")


class Health(APIView):
    """How it stands."""

    authentication_classes: list[Any] = []
    permission_classes = [AllowAny]

    @extend_schema(responses={200: HealthSerializer, 503: HealthSerializer}, operation_id="health", auth=[])
    def get(self, request: Request) -> Response:  # noqa: ARG002 (it is the same for everybody)
        """What is up; 503 where something is not."""
        told = health()
        return Response(told, 200 if told["up"] else 503, headers={"Cache-Control": "no-store"})


def health() -> dict[str, bool]:
    """What is up, as ``HealthSerializer`` describes it."""
    try:
        with connection.cursor() as cursor:
            cursor.execute("SELECT 1")
        database, migrations = True, _migrated()
    except DatabaseError:
        database = migrations = False
    disk = shutil.disk_usage(settings.ROOT).free >= _LEAST_FREE
    return {
        "up": database and migrations and disk,
        "database": database,
        "migrations": migrations,
        "disk": disk,
    }


def _migrated() -> bool:
    """Looked for until it is so: to look is slow, and nobody takes migrations back while it runs."""
    global _found  # noqa: PLW0603 (of the process, as the program's version is)
    if not _found:
        executor = MigrationExecutor(connection)
        _found = not executor.migration_plan(executor.loader.graph.leaf_nodes())
    return _found


_found = False
