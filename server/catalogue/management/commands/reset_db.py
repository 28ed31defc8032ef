"""Empties the database of everything, tables included."""

from typing import Any

from django.core.management.base import BaseCommand
from django.db import connection


class Command(BaseCommand):
    """``manage.py reset_db``: for scratch databases; there is no way back."""

    help = "Drop every table of the database named by JINDLE_DATABASE."

    def handle(self, *args: Any, **options: Any) -> None:
        """Drop and make the database."""
        name = connection.ops.quote_name(connection.settings_dict["NAME"])
        with connection.cursor() as cursor:
            cursor.execute(f"DROP DATABASE IF EXISTS {name}")
            cursor.execute(f"CREATE DATABASE {name} CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci")
