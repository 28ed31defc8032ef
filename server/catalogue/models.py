"""Ranges, their colours, drawers."""

from django.conf import settings
from django.db import models
from django.db.models import F, Q

from jindle_core import figures
from jindle_core.fullness import FULLNESS, Fullness
from jindle_core.media.medium import Medium
from jindle_core.prediction.behaviour import Hand
from jindle_core.provenance import Provenance
from server.accounts.models import Person
from server.told.choices import PROVENANCE_WORDS

MEDIUM_CHOICES = [(medium.value, medium.value) for medium in Medium]
PROVENANCE_CHOICES = list(PROVENANCE_WORDS.items())
FULLNESS_CHOICES = [(one, one) for one in FULLNESS]
HAND_CHOICES = [(hand.value, hand.value) for hand in Hand]
SPECTRUM_BYTES = 31 * 4  # bands from 400 to 700 nm as little-endian floats
LAYERS_LIMIT = figures.laying.READING_LAYERS
# Codes are exact: RED and red, é and e are different codes.
EXACT = "utf8mb4_bin"


class CatalogueStamp(models.Model):
    """A single row that counts the changes of the shared ranges."""

    version = models.PositiveIntegerField(default=0)

    class Meta:
        db_table = "catalogue_stamp"

    def __str__(self) -> str:
        return f"version {self.version}"


def touch_catalogue(owner: Person | None) -> None:
    """Say that the ranges or the readings of ``owner`` (None: the shared ranges) changed.

    Call it in the transaction of the change.
    """
    if owner is None:
        CatalogueStamp.objects.get_or_create(pk=1)
        CatalogueStamp.objects.filter(pk=1).update(version=F("version") + 1)
    else:
        Person.objects.filter(pk=owner.pk).update(catalogue_version=F("catalogue_version") + 1)
        owner.refresh_from_db(fields=["catalogue_version"])


def touch_drawer(owner: Person) -> None:
    """Say that the drawer of ``owner`` changed, and nothing else; in the transaction of the change."""
    Person.objects.filter(pk=owner.pk).update(drawer_version=F("drawer_version") + 1)
    owner.refresh_from_db(fields=["drawer_version"])


class Range(models.Model):
    """A maker's line of colours in one medium; without an owner it is shared reference data."""

    owner = models.ForeignKey(
        settings.AUTH_USER_MODEL, null=True, blank=True, on_delete=models.CASCADE, related_name="ranges"
    )
    name = models.CharField(max_length=figures.palettes.NAME_LIMIT)
    maker = models.CharField(max_length=figures.palettes.NAME_LIMIT, blank=True)
    medium = models.CharField(max_length=20, choices=MEDIUM_CHOICES)
    note = models.TextField(blank=True)
    # How it behaves with others: see jindle_core.compatibility.properties.
    properties = models.JSONField(default=dict, blank=True)
    # Counts every edit, so that of two windows the second is told.
    version = models.PositiveIntegerField(default=1)
    created = models.DateTimeField(auto_now_add=True)
    # Deleted: its colours only stand in where cards still name them. Since when, while it can be had again.
    gone = models.BooleanField(default=False)
    deleted = models.DateTimeField(null=True)

    class Meta:
        db_table = "colour_range"
        ordering = ("id",)
        constraints = [
            models.CheckConstraint(
                condition=Q(medium__in=[medium.value for medium in Medium]), name="range_medium_known"
            )
        ]

    def __str__(self) -> str:
        return self.name


class PutAway(models.Model):
    """A shared range that a person wants to see nowhere."""

    owner = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="put_away")
    range = models.ForeignKey(Range, on_delete=models.CASCADE, related_name="+")

    class Meta:
        db_table = "put_away"
        ordering = ("id",)
        constraints = [models.UniqueConstraint(fields=("owner", "range"), name="put_away_once")]

    def __str__(self) -> str:
        return f"range {self.range_id}, put away by {self.owner_id}"


class Colour(models.Model):
    """One entry of a range: its colour on paper, dry, in CIELAB (D50, 2°)."""

    range = models.ForeignKey(Range, on_delete=models.CASCADE, related_name="colours")
    # What tells it from the others of its range: the code, or the name where there is none.
    key = models.CharField(max_length=figures.palettes.NAME_LIMIT, db_collation=EXACT)
    code = models.CharField(max_length=60, blank=True, db_collation=EXACT)
    name = models.CharField(max_length=figures.palettes.NAME_LIMIT, blank=True)
    family = models.CharField(max_length=120, blank=True)
    paper = models.CharField(max_length=120, blank=True)
    lab_l = models.FloatField()
    lab_a = models.FloatField()
    lab_b = models.FloatField()
    provenance: "models.CharField[Provenance, Provenance]" = models.CharField(
        max_length=12, choices=PROVENANCE_CHOICES
    )
    discontinued = models.BooleanField(default=False)
    spectrum = models.BinaryField(null=True, max_length=SPECTRUM_BYTES)
    # Of a patterned paper: which share of its sheet (the family) this colour has.
    share = models.FloatField(null=True, blank=True)

    class Meta:
        db_table = "colour"
        ordering = ("id",)
        constraints = [
            models.UniqueConstraint(fields=("range", "key"), name="colour_once_in_range"),
            models.CheckConstraint(condition=Q(lab_l__gte=0, lab_l__lte=100), name="colour_l_in_range"),
            models.CheckConstraint(
                condition=Q(lab_a__gte=-128, lab_a__lte=127, lab_b__gte=-128, lab_b__lte=127),
                name="colour_ab_in_range",
            ),
        ]

    def __str__(self) -> str:
        return self.key


class DrawerEntry(models.Model):
    """A colour that a person owns."""

    owner = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="drawer")
    colour = models.ForeignKey(Colour, on_delete=models.CASCADE, related_name="+")
    fullness: "models.CharField[Fullness, Fullness]" = models.CharField(
        max_length=4, choices=FULLNESS_CHOICES, default="full"
    )
    note = models.CharField(max_length=200, blank=True)

    class Meta:
        db_table = "drawer_entry"
        constraints = [models.UniqueConstraint(fields=("owner", "colour"), name="owned_once")]

    def __str__(self) -> str:
        return f"{self.colour_id} of {self.owner_id}"


class AskedFor(models.Model):
    """A colour that a person put on the shopping list, whether a card needs it or not."""

    owner = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="asked_for")
    colour = models.ForeignKey(Colour, on_delete=models.CASCADE, related_name="+")

    class Meta:
        db_table = "asked_for"
        ordering = ("id",)
        constraints = [models.UniqueConstraint(fields=("owner", "colour"), name="asked_once")]

    def __str__(self) -> str:
        return f"{self.colour_id} for {self.owner_id}"


class StripColour(models.Model):
    """A colour on a person's strip of known swatches, in the box that its place says, from 0 on."""

    owner = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="strip")
    place = models.PositiveSmallIntegerField()
    colour = models.ForeignKey(Colour, on_delete=models.CASCADE, related_name="+")

    class Meta:
        db_table = "strip_colour"
        ordering = ("place",)
        constraints = [models.UniqueConstraint(fields=("owner", "place"), name="one_colour_in_box")]

    def __str__(self) -> str:
        return f"{self.colour_id} in {self.place} of {self.owner_id}"


class Reading(models.Model):
    """A colour that a person read from a swatch of their own; it outranks the range's figure for them.

    ``paper`` is the card it was laid on, None being the white card that swatches are made on; ``below`` a
    colour that it was laid over, dry. What is simulated counts among the ranges that Jindle made up, and
    never against the label of a range that somebody has.
    """

    owner = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="readings")
    colour = models.ForeignKey(Colour, on_delete=models.CASCADE, related_name="readings")
    paper = models.ForeignKey(Colour, null=True, blank=True, on_delete=models.SET_NULL, related_name="+")
    below = models.ForeignKey(Colour, null=True, blank=True, on_delete=models.CASCADE, related_name="+")
    layers = models.PositiveSmallIntegerField(default=1)
    hand = models.CharField(max_length=6, choices=HAND_CHOICES, default=Hand.MIDDLE)
    lab_l = models.FloatField()
    lab_a = models.FloatField()
    lab_b = models.FloatField()
    spectrum = models.BinaryField(null=True, max_length=SPECTRUM_BYTES)
    provenance: "models.CharField[Provenance, Provenance]" = models.CharField(
        max_length=12, choices=PROVENANCE_CHOICES
    )
    taken_with = models.CharField(max_length=120, blank=True)
    taken = models.DateField()
    note = models.CharField(max_length=200, blank=True)
    simulated = models.BooleanField(default=False)  # by a stand-in: no eye and no instrument saw the swatch

    class Meta:
        db_table = "reading"
        ordering = ("taken", "id")
        constraints = [
            models.CheckConstraint(condition=Q(lab_l__gte=0, lab_l__lte=100), name="reading_l_in_range"),
            models.CheckConstraint(
                condition=Q(layers__gte=1, layers__lte=LAYERS_LIMIT), name="reading_layers_in_range"
            ),
        ]

    def __str__(self) -> str:
        return f"{self.colour_id}: {self.lab_l:.1f}, {self.lab_a:.1f}, {self.lab_b:.1f}"


class ReaderState(models.Model):
    """What a person's swatch reader remembers between readings."""

    owner = models.OneToOneField(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="reader")
    calibrated = models.BooleanField(default=False)
    since_calibration = models.PositiveIntegerField(default=0)
    battery = models.PositiveSmallIntegerField(default=100)

    class Meta:
        db_table = "reader_state"

    def __str__(self) -> str:
        return f"battery {self.battery} %"
