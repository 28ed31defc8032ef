from django.apps import AppConfig


class RecordsConfig(AppConfig):
    """What was made."""

    name = "server.records"
    label = "records"
