"""Ranges, their colours, drawers."""

from django.conf import settings
from django.db import models
from django.db.models import F, Q

from jindle_core import defaults
from jindle_core.media import Medium
from server.accounts.models import Person

MEDIUM_CHOICES = [(medium.value, medium.value) for medium in Medium]
PROVENANCE_CHOICES = [
    ("read", "read"),
    ("photographed", "photographed"),
    ("label", "from the label"),
    ("screen", "from a screen value"),
    ("predicted", "predicted"),
    ("typed", "typed"),
]
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
    """Say that the ranges or the drawer of ``owner`` (None: the shared ones) changed.

    Call it in the transaction of the change.
    """
    if owner is None:
        CatalogueStamp.objects.get_or_create(pk=1)
        CatalogueStamp.objects.filter(pk=1).update(version=F("version") + 1)
    else:
        Person.objects.filter(pk=owner.pk).update(catalogue_version=F("catalogue_version") + 1)
        owner.refresh_from_db(fields=["catalogue_version"])


class Range(models.Model):
    """A maker's line of colours in one medium; without an owner it is shared reference data."""

    owner = models.ForeignKey(
        settings.AUTH_USER_MODEL, null=True, blank=True, on_delete=models.CASCADE, related_name="ranges"
    )
    name = models.CharField(max_length=defaults.NAME_LIMIT)
    maker = models.CharField(max_length=defaults.NAME_LIMIT, blank=True)
    medium = models.CharField(max_length=20, choices=MEDIUM_CHOICES)
    note = models.TextField(blank=True)
    created = models.DateTimeField(auto_now_add=True)

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


class Colour(models.Model):
    """One entry of a range: its colour on paper, dry, in CIELAB (D50, 2°)."""

    range = models.ForeignKey(Range, on_delete=models.CASCADE, related_name="colours")
    # What tells it from the others of its range: the code, or the name where there is none.
    key = models.CharField(max_length=defaults.NAME_LIMIT, db_collation=EXACT)
    code = models.CharField(max_length=60, blank=True, db_collation=EXACT)
    name = models.CharField(max_length=defaults.NAME_LIMIT, blank=True)
    family = models.CharField(max_length=120, blank=True)
    paper = models.CharField(max_length=120, blank=True)
    lab_l = models.FloatField()
    lab_a = models.FloatField()
    lab_b = models.FloatField()
    provenance = models.CharField(max_length=12, choices=PROVENANCE_CHOICES)
    discontinued = models.BooleanField(default=False)

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

    class Meta:
        db_table = "drawer_entry"
        constraints = [models.UniqueConstraint(fields=("owner", "colour"), name="owned_once")]

    def __str__(self) -> str:
        return f"{self.colour_id} of {self.owner_id}"
