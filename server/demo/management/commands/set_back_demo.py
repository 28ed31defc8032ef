"""Sets the demo studio back."""

from typing import Any

from django.core.management.base import BaseCommand

from server.accounts.models import Person
from server.demo.studio import DEMO_NAME, load, set_back


class Command(BaseCommand):
    """``manage.py set_back_demo``."""

    help = "Set the demo studio back to what it was at first."

    def handle(self, *args: Any, **options: Any) -> None:
        """Set back what is there, or load it."""
        if not load():
            set_back(Person.objects.get(name=DEMO_NAME))
        self.stdout.write("The demo studio is as it was at first.")
