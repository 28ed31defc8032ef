"""A combination of colours that is kept for when one is stuck."""

from django.conf import settings
from django.db import models

from jindle_core import figures


class KeptMood(models.Model):
    """A season or a place of a person's own: a ``jindle_core.palettes.moods.Mood`` as JSON."""

    owner = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="moods")
    name = models.CharField(max_length=figures.palettes.NAME_LIMIT)
    stored = models.JSONField()

    class Meta:
        db_table = "kept_mood"
        ordering = ("id",)

    def __str__(self) -> str:
        return self.name


class Combination(models.Model):
    """A few colours with names and roles, tied to no supply.

    ``stored`` is a list of {name, role, lab, provenance}. Without an owner it
    is shared reference data.
    """

    owner = models.ForeignKey(
        settings.AUTH_USER_MODEL, null=True, blank=True, on_delete=models.CASCADE, related_name="combinations"
    )
    name = models.CharField(max_length=figures.palettes.NAME_LIMIT)
    stored = models.JSONField()
    created = models.DateTimeField(auto_now_add=True)

    class Meta:
        db_table = "combination"
        ordering = ("-created", "id")

    def __str__(self) -> str:
        return self.name
