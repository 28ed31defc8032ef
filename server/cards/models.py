"""A card and the states it has had."""

from typing import Any

from django.conf import settings
from django.db import models

from jindle_core.card.stored import card_from_json
from jindle_core.card.whole import Card
from jindle_core.errors import BadInput
from server.cards.packed import PackedJSONField
from server.errors import CannotBeShown
from server.shelf.models import Shelved


class StoredCard(Shelved):
    """One card of a person's.

    ``version`` counts every write and tells two windows apart; ``head`` is the
    number of the revision that stands now, which undo moves back.
    """

    owner = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="cards")
    stored = models.JSONField()
    version = models.PositiveIntegerField(default=1)
    head = models.PositiveIntegerField(default=0)
    created = models.DateTimeField(auto_now_add=True)
    changed = models.DateTimeField(auto_now=True)

    class Meta:
        db_table = "card"
        ordering = ("-changed", "-id")

    def __str__(self) -> str:
        return self.name

    @property
    def value(self) -> Card:
        """The card as it stands; CannotBeShown where it is none."""
        try:
            return card_from_json(self.stored)
        except BadInput as error:
            raise CannotBeShown(error) from error

    @property
    def name(self) -> str:
        """What it is called, whatever else can be read of it."""
        named = self.stored.get("name") if isinstance(self.stored, dict) else None
        return str(named or "a card without a name")

    def work_found(self) -> "Work | None":
        """The work on it as it is stored."""
        return CardWork.objects.filter(card=self).first()

    def keep_work(self, version: int, stored: object) -> None:
        """Store the work on it."""
        CardWork.objects.update_or_create(card=self, defaults={"version": version, "stored": stored})


class Revision(models.Model):
    """A state of a card and the change that led to it."""

    card = models.ForeignKey(StoredCard, on_delete=models.CASCADE, related_name="revisions")
    number = models.PositiveIntegerField()
    stored: "models.Field[Any, Any]" = PackedJSONField()
    label = models.CharField(max_length=80)

    class Meta:
        db_table = "card_revision"
        ordering = ("number",)
        constraints = [models.UniqueConstraint(fields=("card", "number"), name="revision_once")]

    def __str__(self) -> str:
        return f"{self.number}: {self.label}"


class Work(models.Model):
    """How a person wants to work on something, and how far they are: as ``jindle_core.planning`` says it.

    ``version`` counts every write and tells two devices apart.
    """

    version = models.PositiveIntegerField(default=0)
    stored = models.JSONField()

    class Meta:
        abstract = True


class CardWork(Work):
    """How a person wants to work on a card, and how far they are."""

    card = models.OneToOneField(StoredCard, on_delete=models.CASCADE, primary_key=True, related_name="work")

    class Meta:
        db_table = "card_work"

    def __str__(self) -> str:
        return f"work on card {self.card_id}"


class StepTaken(models.Model):
    """How long a step took a person, beside what is usual for it, in minutes.

    ``key`` is the step's on its card as long as that is being made.
    """

    owner = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="+")
    card = models.ForeignKey(StoredCard, on_delete=models.SET_NULL, null=True, related_name="+")
    key = models.CharField(max_length=40)
    work = models.CharField(max_length=16)
    usual = models.FloatField()
    took = models.FloatField()
    at = models.DateTimeField()

    class Meta:
        db_table = "step_taken"
        ordering = ("-at", "-id")
        constraints = [models.UniqueConstraint(fields=("card", "key"), name="step_taken_once")]

    def __str__(self) -> str:
        return f"{self.work}: {self.took:.1f} minutes"


class Glance(models.Model):
    """How a card looked and stood when it was last looked at; it can be told again at any time.

    ``seen_as`` is what that depends on besides the card's version; ``drawn`` of what drawing it is,
    ``pictured`` the drawing that ``picture``, a small WebP, was made of.
    """

    card = models.OneToOneField(StoredCard, on_delete=models.CASCADE, primary_key=True, related_name="glance")
    version = models.PositiveIntegerField()
    seen_as = models.CharField(max_length=64)
    told = models.JSONField()
    drawn = models.CharField(max_length=64)
    pictured = models.CharField(max_length=64, default="")
    picture = models.BinaryField(null=True)

    class Meta:
        db_table = "card_glance"

    def __str__(self) -> str:
        return f"glance at card {self.card_id}"
