from django.apps import AppConfig


class CatalogueConfig(AppConfig):
    """Ranges, colours, drawers."""

    name = "server.catalogue"
    label = "catalogue"
