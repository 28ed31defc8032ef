"""Clears out what nobody needs any more."""

from typing import Any

from django.core.management import call_command
from django.core.management.base import BaseCommand

from server.accounts.models import Person
from server.catalogue.range_actions import clear_out_ranges
from server.shelf import actions
from server.shelf.api import KINDS


class Command(BaseCommand):
    """The command."""

    help = "Delete for good what was deleted too long ago, with its pictures, and sessions that are over"

    def handle(self, *args: Any, **options: Any) -> None:
        """Say how much it was."""
        gone = sum(
            actions.clear_out(kind.deleted(person))
            for person in Person.objects.iterator()
            for kind in KINDS.values()
        )
        gone += sum(clear_out_ranges(person) for person in Person.objects.iterator())
        call_command("clearsessions")
        if gone:
            self.stdout.write(f"{gone} deleted long ago went for good.")
