"""Prepares everything for a start, in one process: to begin another takes longer than most of its steps."""

from typing import Any

from django.core.management import call_command
from django.core.management.base import BaseCommand, CommandParser


class Command(BaseCommand):
    """``manage.py prepare``."""

    help = "Bring the tables up to date, clear out what is over, load what comes with Jindle."

    def add_arguments(self, parser: CommandParser) -> None:
        """Whether the client's files are collected too."""
        parser.add_argument("--collect", action="store_true", help="collect the client's files anew")

    def handle(self, *args: Any, **options: Any) -> None:
        """All of it; what fails is told as by itself."""
        call_command("migrate", interactive=False, verbosity=0)
        call_command("clear_out")
        call_command("load_demo")
        if options["collect"]:
            call_command("collectstatic", interactive=False, clear=True, verbosity=0)
