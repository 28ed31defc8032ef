"""Is everything up: the database, its tables, the disk? Asked by who watches over it, without an account."""

import shutil
from functools import cache
from pathlib import Path
from typing import Any

from django.apps import apps as global_apps
from django.conf import settings
from django.db import DatabaseError, connection
from django.db.migrations.loader import MigrationLoader
from django.db.migrations.recorder import MigrationRecorder
from drf_spectacular.utils import extend_schema
from rest_framework.permissions import AllowAny
from rest_framework.response import Response
from rest_framework.views import APIView

from server.requests import Request
from server.told.health import Health as HealthTold
from server.told.schema import component

_LEAST_FREE = 500 * 1024 * 1024  # bytes: a nightly backup and some days of growth still fit


class Health(APIView):
    """How it stands."""

    authentication_classes: list[Any] = []
    permission_classes = [AllowAny]

    @extend_schema(
        responses={200: component(HealthTold), 503: component(HealthTold)}, operation_id="health", auth=[]
    )
    def get(self, request: Request) -> Response:  # noqa: ARG002 (it is the same for everybody)
        """What is up; 503 where something is not."""
        told = health()
        return Response(told, 200 if told.up else 503, headers={"Cache-Control": "no-store"})


def health() -> HealthTold:
    """What is up."""
    try:
        with connection.cursor() as cursor:
            cursor.execute("SELECT 1")
        database, migrations = True, _migrated()
    except DatabaseError:
        database = migrations = False
    places = [place for place in (settings.ROOT, Path(settings.STATIC_ROOT).parent) if place.exists()]
    disk = min(shutil.disk_usage(place).free for place in places) >= _LEAST_FREE
    return HealthTold(
        up=database and migrations and disk,
        database=database,
        migrations=migrations,
        disk=disk,
    )


def _migrated() -> bool:
    """Neither older than this version of the program, nor newer: another machine may have been first."""
    apps = {one.label for one in global_apps.get_app_configs()}
    applied = {one for one in MigrationRecorder(connection).applied_migrations() if one[0] in apps}
    return applied == _of_program()


@cache
def _of_program() -> set[tuple[str, str]]:
    return set(MigrationLoader(None).disk_migrations)
