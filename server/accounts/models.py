"""A person with an account."""

from typing import Any

from django.contrib.auth.base_user import AbstractBaseUser, BaseUserManager
from django.db import models
from django.utils import timezone
from django.utils.crypto import salted_hmac

UNITS = [("in", "inches"), ("mm", "millimetres")]
SURROUNDS = [("light", "Light"), ("mid", "Mid"), ("dark", "Dark")]
EYES = [("", "as most eyes"), ("protan", "protan"), ("deutan", "deutan"), ("tritan", "tritan")]
PREFERENCES = (
    "units",
    "surround",
    "only_owned",
    "dark_first",
    "figures",
    "eyes",
    "value_only",
    "stand_ins",
)  # the fields that say how things are shown


class PersonManager(BaseUserManager["Person"]):
    """Makes accounts."""

    def create_user(self, name: str, password: str | None = None, **settings: Any) -> "Person":
        """A new person; without a password nobody can sign in with it."""
        person = self.model(name=name, **settings)
        person.set_password(password)
        person.save(using=self._db)
        return person


class Person(AbstractBaseUser):
    """Somebody who makes cards, and how they like things shown.

    ``catalogue_version`` counts the changes of what they alone have (own
    ranges, readings), ``drawer_version`` those of the drawer, so that arrays
    held in memory know when they are old.
    """

    # Two accounts whose names differ only in case or accents would be mistaken
    # for one another, so this column compares as people read.
    name = models.CharField(max_length=80, unique=True, db_collation="utf8mb4_unicode_ci")
    units = models.CharField(max_length=2, choices=UNITS, default="in")
    surround = models.CharField(max_length=5, choices=SURROUNDS, default="light")
    only_owned = models.BooleanField(default=False)
    dark_first = models.BooleanField(default=False)
    figures = models.BooleanField(default=False)
    # Which kind of colour vision; with ``value_only`` training asks such eyes for lightness alone where they
    # could not answer.
    eyes = models.CharField(max_length=6, choices=EYES, blank=True, default="")
    value_only = models.BooleanField(default=True)
    # Whether the made-up reader and camera are shown; the demo studio has them.
    stand_ins = models.BooleanField(default=False)
    email = models.EmailField(blank=True, default="")  # for a forgotten password, and for nothing else
    forgotten_at = models.DateTimeField(null=True)  # when a link for a new password was sent last
    # Counts how often they were signed out everywhere else.
    doors_shut = models.PositiveIntegerField(default=0)
    catalogue_version = models.PositiveIntegerField(default=0)
    drawer_version = models.PositiveIntegerField(default=0)
    created = models.DateTimeField(default=timezone.now)

    objects = PersonManager()
    USERNAME_FIELD = "name"

    class Meta:
        db_table = "person"

    def __str__(self) -> str:
        return self.name

    def _get_session_auth_hash(self, secret: str | None = None) -> str:
        """Goes with each session, which ends when it changes: by a new password, or by all doors shut."""
        salt = "django.contrib.auth.models.AbstractBaseUser.get_session_auth_hash"
        value = f"{self.password}{self.doors_shut or ''}"
        return salted_hmac(salt, value, secret=secret, algorithm="sha256").hexdigest()

    @property
    def device_key(self) -> str:
        """256 bits (hex) that only who is signed in as this person learns."""
        return salted_hmac("server.accounts.device_key", str(self.pk), algorithm="sha256").hexdigest()

    @property
    def everybodys(self) -> bool:
        """Whether anybody may come in without a password: so it is with the demo studio."""
        return not self.has_usable_password()


class Invitation(models.Model):
    """Leave to make one account, for who knows its code, of which only the digest is kept."""

    digest = models.CharField(max_length=64, unique=True)
    made = models.DateTimeField(default=timezone.now)
    used = models.BooleanField(default=False)

    class Meta:
        db_table = "invitation"

    def __str__(self) -> str:
        return f"of {self.made:%Y-%m-%d}"
