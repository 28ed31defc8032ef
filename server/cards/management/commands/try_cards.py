"""Tries whether every stored card can be shown."""

from typing import Any

from django.core.management.base import BaseCommand, CommandError

from server.accounts.models import Person
from server.cards.glances import cannot_be_shown
from server.cards.models import StoredCard


class Command(BaseCommand):
    """The command."""

    help = "Work out every stored card, and say which cannot be shown, by their numbers"

    def handle(self, *args: Any, **options: Any) -> None:
        """Say how many there are; CommandError where one cannot be shown."""
        broken = sorted(pk for person in Person.objects.iterator() for pk in cannot_be_shown(person))
        count = StoredCard.objects.count()
        if broken:
            raise CommandError(
                f"{len(broken)} of {count} cards cannot be shown: {', '.join(map(str, broken))}"
            )
        self.stdout.write(f"All {count} cards can be shown.")
