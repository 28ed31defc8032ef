from django.apps import AppConfig


class ColouringConfig(AppConfig):
    """Line drawings and kept families."""

    name = "server.colouring"
    label = "colouring"
