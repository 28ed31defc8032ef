"""What was made: a card as it was then, with what was used for it; it never changes when the card does."""

from typing import Any

from django.conf import settings
from django.db import models
from django.db.models.functions import Length

from jindle_core import figures
from server.cards.models import StoredCard
from server.cards.packed import PackedJSONField

MOST_PHOTOS = 6  # of what was made: front, inside, and some of its parts
FEW_WORDS, MANY_WORDS = 120, 4000  # characters: an occasion; what went well


class MadeTogether(models.Model):
    """Several cards that were made in one go, as a set; each has a record of its own."""

    owner = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="+")
    name = models.CharField(max_length=figures.palettes.NAME_LIMIT)

    class Meta:
        db_table = "made_together"

    def __str__(self) -> str:
        return self.name


class Record(models.Model):
    """Cards that were made in one go.

    ``stored`` is the card as it was, as it travels, ``recipes`` its recipe by unit of length,
    ``instead`` what was used otherwise than planned. ``version`` counts every write and
    tells two windows apart.
    """

    owner = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="records")
    card = models.ForeignKey(StoredCard, on_delete=models.SET_NULL, null=True, related_name="records")
    together = models.ForeignKey(MadeTogether, on_delete=models.SET_NULL, null=True, related_name="records")
    version = models.PositiveIntegerField(default=1)
    name = models.CharField(max_length=figures.palettes.NAME_LIMIT)
    made = models.DateField()
    count = models.PositiveIntegerField(default=1)
    occasion = models.CharField(max_length=FEW_WORDS, blank=True)
    person = models.CharField(max_length=FEW_WORDS, blank=True)
    went_well = models.TextField(blank=True)
    to_change = models.TextField(blank=True)
    stored: "models.Field[Any, Any]" = PackedJSONField()
    recipes: "models.Field[Any, Any]" = PackedJSONField()
    instead = models.JSONField(default=list)
    times = models.JSONField(default=list)
    picture = models.BinaryField(null=True)
    created = models.DateTimeField(auto_now_add=True)

    class Meta:
        db_table = "record"
        ordering = ("-made", "-id")

    def __str__(self) -> str:
        return self.name


class RecordPhoto(models.Model):
    """A person's own photo of what was made, made anew when it came."""

    record = models.ForeignKey(Record, on_delete=models.CASCADE, related_name="photos")
    picture = models.BinaryField()
    weight = models.GeneratedField(  # bytes
        expression=Length("picture"), output_field=models.PositiveIntegerField(), db_persist=True
    )

    class Meta:
        db_table = "record_photo"
        ordering = ("id",)

    def __str__(self) -> str:
        return f"photo {self.pk} of record {self.record_id}"


class RecordUse(models.Model):
    """A supply that went into what was made, as it was called and as it looked then, and for what.

    ``hue`` is what one would call its colour.
    """

    record = models.ForeignKey(Record, on_delete=models.CASCADE, related_name="uses")
    label = models.CharField(max_length=figures.palettes.NAME_LIMIT)
    range_name = models.CharField(max_length=figures.palettes.NAME_LIMIT)
    medium = models.CharField(max_length=20)
    stage = models.CharField(max_length=12)
    hue = models.CharField(max_length=40)
    shade = models.CharField(max_length=7)

    class Meta:
        db_table = "record_use"
        ordering = ("id",)

    def __str__(self) -> str:
        return f"{self.range_name} {self.label}"
