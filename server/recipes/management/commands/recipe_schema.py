"""Writes the JSON Schema of recipe files, as it is published."""

from typing import Any

from django.conf import settings
from django.core.management.base import BaseCommand

from jindle_core.travelling.schema import recipe_schema

PUBLISHED = settings.ROOT / "docs" / "recipe.schema.json"


class Command(BaseCommand):
    """``manage.py recipe_schema``."""

    help = "Write docs/recipe.schema.json anew."

    def handle(self, *args: Any, **options: Any) -> None:
        """Write it."""
        PUBLISHED.write_text(recipe_schema())
