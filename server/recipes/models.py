"""Recipes that are shared by a link: as they were then, until the link is ended."""

from typing import Any

from django.conf import settings
from django.db import models

from jindle_core import figures
from server.cards.models import StoredCard
from server.cards.packed import PackedJSONField
from server.records.models import Record

TOKEN = 43  # characters of 32 random bytes in base64


class SharedRecipe(models.Model):
    """A recipe file under an address that nobody can guess; of a card or of what was made."""

    owner = models.ForeignKey(
        settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="shared_recipes"
    )
    card = models.OneToOneField(StoredCard, on_delete=models.CASCADE, null=True, related_name="shared")
    record = models.OneToOneField(Record, on_delete=models.CASCADE, null=True, related_name="shared")
    token = models.CharField(max_length=TOKEN, unique=True, db_collation="utf8mb4_bin")
    name = models.CharField(max_length=figures.palettes.NAME_LIMIT)
    file: "models.Field[Any, Any]" = PackedJSONField()
    created = models.DateTimeField(auto_now_add=True)

    class Meta:
        db_table = "shared_recipe"
        ordering = ("-id",)

    def __str__(self) -> str:
        return self.name
