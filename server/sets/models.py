"""Cards that are made together, and how many of each."""

from django.conf import settings
from django.db import models

from jindle_core import figures
from server.cards.models import StoredCard, Work


class CardSet(models.Model):
    """Several cards of a person's; ``version`` counts every write of which and how many they are."""

    owner = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="sets")
    name = models.CharField(max_length=figures.palettes.NAME_LIMIT)
    version = models.PositiveIntegerField(default=1)
    created = models.DateTimeField(auto_now_add=True)
    changed = models.DateTimeField(auto_now=True)

    class Meta:
        db_table = "card_set"
        ordering = ("-changed", "-id")

    def __str__(self) -> str:
        return self.name

    def work_found(self) -> Work | None:
        """The work on it as it is stored."""
        return SetWork.objects.filter(of=self).first()

    def keep_work(self, version: int, stored: object) -> None:
        """Store the work on it."""
        SetWork.objects.update_or_create(of=self, defaults={"version": version, "stored": stored})


class _OfCardsThatAreThere(models.Manager["SetMember"]):
    """Those whose card is not deleted; brought back, it is where it was."""

    def get_queryset(self) -> models.QuerySet["SetMember"]:
        return super().get_queryset().filter(card__deleted=None)


class SetMember(models.Model):
    """A card of a set; the first by ``place`` is the one whose build the others can take."""

    of = models.ForeignKey(CardSet, on_delete=models.CASCADE, related_name="members")
    card = models.ForeignKey(StoredCard, on_delete=models.CASCADE, related_name="in_sets")
    place = models.PositiveIntegerField()
    count = models.PositiveIntegerField(default=1)

    objects = _OfCardsThatAreThere()

    class Meta:
        db_table = "set_member"
        ordering = ("place", "id")
        constraints = [models.UniqueConstraint(fields=("of", "card"), name="card_once_in_set")]

    def __str__(self) -> str:
        return f"{self.count} of card {self.card_id} in set {self.of_id}"


class SetWork(Work):
    """How a person wants to work on a set, and how far they are."""

    of = models.OneToOneField(CardSet, on_delete=models.CASCADE, primary_key=True, related_name="work")

    class Meta:
        db_table = "set_work"

    def __str__(self) -> str:
        return f"work on set {self.of_id}"
