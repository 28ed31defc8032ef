"""Line drawings, and shading families kept under a name."""

from django.conf import settings
from django.db import models

from jindle_core import figures
from jindle_core.line_art.drawing import LineDrawing, drawing_from_json
from server.shelf.models import Shelved


class Drawing(Shelved):
    """A line drawing as plain shapes; the file that it came from is not kept.

    Without an owner it is shared reference data.
    """

    owner = models.ForeignKey(
        settings.AUTH_USER_MODEL, null=True, blank=True, on_delete=models.CASCADE, related_name="drawings"
    )
    name = models.CharField(max_length=figures.palettes.NAME_LIMIT)
    stored = models.JSONField()
    created = models.DateTimeField(auto_now_add=True)

    class Meta:
        db_table = "drawing"
        ordering = ("id",)

    def __str__(self) -> str:
        return self.name

    @property
    def shapes(self) -> LineDrawing:
        """The drawing as the core knows it."""
        return drawing_from_json(self.stored)


class KeptFamily(models.Model):
    """A shading family under a name; ``colours`` are ids of supplies, light to dark."""

    owner = models.ForeignKey(
        settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="kept_families"
    )
    name = models.CharField(max_length=figures.palettes.NAME_LIMIT)
    colours = models.JSONField()
    created = models.DateTimeField(auto_now_add=True)

    class Meta:
        db_table = "kept_family"
        ordering = ("name", "id")

    def __str__(self) -> str:
        return self.name
