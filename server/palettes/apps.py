from django.apps import AppConfig


class PalettesConfig(AppConfig):
    """Combinations of colours that were kept."""

    name = "server.palettes"
    label = "palettes"
