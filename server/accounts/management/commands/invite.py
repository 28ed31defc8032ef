"""Invite somebody to make an account."""

from typing import Any

from django.core.management.base import BaseCommand

from server.accounts.actions import invite


class Command(BaseCommand):
    """The command."""

    help = "Print a code with which one account can be made"

    def handle(self, *args: Any, **options: Any) -> None:
        """Make it and print it; it is shown this once."""
        self.stdout.write(invite())
