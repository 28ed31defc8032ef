"""A sheet of patterned paper and its picture; its colours are those of its range with its title."""

from django.conf import settings
from django.db import models

from server.catalogue.models import Range

MIME_CHOICES = [("image/jpeg", "image/jpeg"), ("image/png", "image/png")]


class Paper(models.Model):
    """A sheet of a collection, which is a range of patterned paper.

    Its colours are the range's colours whose family is its title. Without an
    owner it is shared reference data, as its range is.
    """

    owner = models.ForeignKey(
        settings.AUTH_USER_MODEL, null=True, blank=True, on_delete=models.CASCADE, related_name="papers"
    )
    range = models.ForeignKey(Range, on_delete=models.CASCADE, related_name="papers")
    title = models.CharField(max_length=120)
    picture = models.BinaryField()
    mime = models.CharField(max_length=12, choices=MIME_CHOICES)
    # How wide (mm) what the picture shows is; unknown until somebody says.
    width_mm = models.FloatField(null=True)
    created = models.DateTimeField(auto_now_add=True)

    class Meta:
        db_table = "paper"
        ordering = ("range", "id")
        constraints = [models.UniqueConstraint(fields=("range", "title"), name="paper_once_in_range")]

    def __str__(self) -> str:
        return self.title
