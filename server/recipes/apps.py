from django.apps import AppConfig


class RecipesConfig(AppConfig):
    """Recipes that travel."""

    name = "server.recipes"
    label = "recipes"
