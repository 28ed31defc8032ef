from django.apps import AppConfig


class CardsConfig(AppConfig):
    """Cards and their revisions."""

    name = "server.cards"
    label = "cards"
