"""Which of what was made does somebody look for? By words as they are typed, or by one thing exactly."""

import calendar
import re
from dataclasses import dataclass
from types import MappingProxyType
from typing import Any

from django.db.models import Count, Exists, Max, OuterRef, Q, QuerySet

from server.access import records_of
from server.accounts.models import Person
from server.records.models import Record, RecordUse

_MONTHS = tuple(month.lower() for month in calendar.month_name[1:])
# Of the northern half of the world; south of it a person searches by month.
_SEASONS = MappingProxyType(
    {
        "spring": (3, 4, 5),
        "summer": (6, 7, 8),
        "autumn": (9, 10, 11),
        "fall": (9, 10, 11),
        "winter": (12, 1, 2),
    }
)
_LEFT_OUT = frozenset({"in", "used", "with", "the", "a", "of", "for", "and"})
_MOST_WORDS = 12


@dataclass(frozen=True)
class Asked:
    """What is looked for; blank and None ask for nothing."""

    words: str = ""
    label: str = ""
    range: str = ""
    medium: str = ""
    stage: str = ""
    person: str = ""
    year: int | None = None
    month: int | None = None


def looked_for(person: Person, asked: Asked) -> QuerySet[Record]:
    """What a person has made that is so, the newest first."""
    found = records_of(person)
    for word in re.split(r"[\s,;]+", asked.words.strip().lower())[:_MOST_WORDS]:
        if word and word not in _LEFT_OUT:
            found = found.filter(_said(word))
    used = {"label": asked.label, "range_name": asked.range, "medium": asked.medium, "stage": asked.stage}
    if wanted := {name: value for name, value in used.items() if value}:
        found = found.filter(Exists(RecordUse.objects.filter(record=OuterRef("pk"), **wanted)))
    if asked.person:
        found = found.filter(person=asked.person)
    if asked.year:
        found = found.filter(made__year=asked.year)
    if asked.month:
        found = found.filter(made__month=asked.month)
    return found


def _said(word: str) -> Q:
    """A word that is anywhere in what is known: what was said, a supply, a colour word, a season or month."""
    if word in _SEASONS:
        return Q(made__month__in=_SEASONS[word])
    if word in _MONTHS:
        return Q(made__month=_MONTHS.index(word) + 1)
    if re.fullmatch(r"(19|20)\d\d", word):
        return Q(made__year=int(word))
    singular = word[:-1] if len(word) > 3 and word.endswith("s") else word
    uses = RecordUse.objects.filter(record=OuterRef("pk"))
    of_supply = (
        Q(label__icontains=word)
        | Q(range_name__icontains=word)
        | Q(hue__icontains=singular)
        | Q(medium__icontains=singular)
    )
    told = ("name", "occasion", "person", "went_well", "to_change")
    in_words = Q()
    for field in told:
        in_words |= Q(**{f"{field}__icontains": singular})
    return in_words | Q(Exists(uses.filter(of_supply)))


def media_used(person: Person) -> list[str]:
    """The media of which anything went into what was made."""
    found = RecordUse.objects.filter(record__in=records_of(person)).order_by("medium")
    return list(found.values_list("medium", flat=True).distinct())


def most_used(person: Person) -> list[dict[str, Any]]:
    """Every supply that went into something: how often, and when last; the most used first."""
    found = (
        RecordUse.objects.filter(record__in=records_of(person))
        .values("label", "range_name", "medium")
        .annotate(times=Count("record", distinct=True), last=Max("record__made"), shown=Max("shade"))
        .order_by("-times", "range_name", "label")
    )
    return [dict(one) for one in found]
