"""How far is each card, in how many sets is it, and which cards does a person look for?

Nobody keeps this up: it follows from the work that is pressed, the records and the sets.
"""

from enum import StrEnum
from typing import Any

from django.db.models import Count, Exists, IntegerField, OuterRef, Q, QuerySet
from django.db.models.fields.json import KT
from django.db.models.functions import Cast, Lower

from server.access import cards_of, deleted_cards_of
from server.accounts.models import Person
from server.cards.models import StoredCard


class HowFar(StrEnum):
    """How far a card is."""

    IDEA = "idea"
    MAKING = "making"
    MADE = "made"


class Group(StrEnum):
    """Which cards are looked at; those put by stand in no other group."""

    ALL = "all"
    IDEA = "idea"
    MAKING = "making"
    MADE = "made"
    SET = "set"
    PUT_BY = "put-by"


class Order(StrEnum):
    """Which comes first."""

    NEWEST = "newest"
    NAME = "name"
    MEND = "mend"


def _is_one(**which: Any) -> Exists:
    return Exists(StoredCard.objects.filter(pk=OuterRef("pk"), **which))


_STANDING = {
    "is_making": _is_one(work__stored__progress__pressed__gt=0)
    | _is_one(in_sets__of__work__stored__progress__pressed__gt=0),
    "was_made": _is_one(records__isnull=False),
    "in_set": _is_one(in_sets__isnull=False),
}
_FITS = {
    Group.ALL: Q(put_by=None),
    Group.IDEA: Q(put_by=None, is_making=False, was_made=False),
    Group.MAKING: Q(put_by=None, is_making=True),
    Group.MADE: Q(put_by=None, is_making=False, was_made=True),
    Group.SET: Q(put_by=None, in_set=True),
    Group.PUT_BY: Q(put_by__isnull=False),
}
_BY_CHECKS = [
    Cast(f"glance__told__{name}", IntegerField()).desc(nulls_last=True) for name in ("failing", "doubtful")
]
_ORDERS: dict[Order, list[Any]] = {
    Order.NEWEST: [],
    Order.NAME: [Lower(KT("stored__name"))],
    Order.MEND: _BY_CHECKS,
}


def looked_for(person: Person, words: str, group: Group, order: Order) -> QuerySet[StoredCard]:
    """The person's cards of a group that have all these words in their name, in order."""
    found = cards_of(person).alias(**_STANDING).filter(_FITS[group])
    for word in words.split():
        found = found.filter(stored__name__icontains=word)
    return found.order_by(*_ORDERS[order], "-changed", "-id")


def counts(person: Person) -> dict[str, int]:
    """How many cards stand in each group, and how many are deleted."""
    found = cards_of(person).alias(**_STANDING)
    told = found.aggregate(**{group.name.lower(): Count("pk", filter=fits) for group, fits in _FITS.items()})
    return told | {"deleted": deleted_cards_of(person).count()}


def stages(cards: QuerySet[StoredCard]) -> dict[int, dict[str, Any]]:
    """How far some cards are and in how many sets they stand, by their ids."""
    rows = cards.annotate(**_STANDING, sets=Count("in_sets")).values_list(
        "pk", "is_making", "was_made", "sets", "put_by"
    )
    return {
        pk: {
            "how_far": HowFar.MAKING if making else HowFar.MADE if made else HowFar.IDEA,
            "sets": sets,
            "put_by": put_by is not None,
        }
        for pk, making, made, sets, put_by in rows.order_by()
    }
