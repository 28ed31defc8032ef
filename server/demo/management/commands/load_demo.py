"""Loads the demo data, once."""

from typing import Any

from django.core.management.base import BaseCommand

from server.catalogue.models import Colour, Range
from server.demo.studio import load


class Command(BaseCommand):
    """``manage.py load_demo``."""

    help = "Load the demo data, unless it is there."

    def handle(self, *args: Any, **options: Any) -> None:
        """Load everything or nothing."""
        if load():
            self.stdout.write(f"Loaded {Colour.objects.count()} colours in {Range.objects.count()} ranges.")
