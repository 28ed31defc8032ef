"""What can be put by, and deleted and had again, as it is stored."""

from django.db import models


class Shelved(models.Model):
    """Something of a person's: since when it is out of the way, and since when it is deleted."""

    put_by = models.DateTimeField(null=True)
    deleted = models.DateTimeField(null=True)

    class Meta:
        abstract = True

    def settle(self) -> None:
        """Bring along what depends on whether it is there."""

    def remove(self) -> None:
        """Delete it for good."""
        self.delete()
