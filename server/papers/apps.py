from django.apps import AppConfig


class PapersConfig(AppConfig):
    """Pictures of patterned papers."""

    name = "server.papers"
    label = "papers"
