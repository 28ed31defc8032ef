"""A sheet of patterned paper and its picture; its colours are those of its range with its title."""

from django.conf import settings
from django.db import models
from django.db.models.functions import Length

from server.catalogue.models import Range, touch_catalogue
from server.shelf.models import Shelved

MIME_CHOICES = [("image/jpeg", "image/jpeg"), ("image/png", "image/png")]


class Paper(Shelved):
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
    # Bytes: kept by the database beside the picture, which would all be read to be counted.
    weight = models.GeneratedField(
        expression=Length("picture"), output_field=models.PositiveIntegerField(), db_persist=True
    )
    mime = models.CharField(max_length=12, choices=MIME_CHOICES)
    # How wide (mm) what the picture shows is; unknown until somebody says.
    width_mm = models.FloatField(null=True)
    simulated = models.BooleanField(default=False)  # its picture is a stand-in's: no lens saw it
    created = models.DateTimeField(auto_now_add=True)

    class Meta:
        db_table = "paper"
        ordering = ("range", "id")
        constraints = [models.UniqueConstraint(fields=("range", "title"), name="paper_once_in_range")]

    def __str__(self) -> str:
        return self.title

    @property
    def name(self) -> str:
        """What it is called."""
        return self.title

    def settle(self) -> None:
        """What is put by or deleted is offered nowhere, and neither are its colours."""
        touch_catalogue(self.owner)

    def remove(self) -> None:
        """With its colours, and with its collection where it was the last."""
        owner, found = self.owner, self.range
        found.colours.filter(family=self.title).delete()
        self.delete()
        if not found.papers.exists() and not found.colours.exists():
            found.delete()
        touch_catalogue(owner)
