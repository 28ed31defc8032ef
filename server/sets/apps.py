from django.apps import AppConfig


class SetsConfig(AppConfig):
    """The same card in other colours, and cards that are made together."""

    name = "server.sets"
    label = "sets"
