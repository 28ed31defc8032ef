"""Cards, papers and line drawings put by, deleted and had again."""

from datetime import datetime, timedelta
from typing import Any

from django.db.models import QuerySet
from django.utils import timezone

from jindle_core import figures
from server.quotas import check_room
from server.shelf.models import Shelved
from server.writes import write


@write
def put_by(thing: Shelved, away: bool) -> None:
    """Out of the way, or back among the others; the thing is the same."""
    _stamp(thing, put_by=timezone.now() if away else None)


@write
def delete(thing: Shelved, others: QuerySet[Any]) -> None:
    """Delete it; it can be brought back for some time. ``others`` deleted before that go for good."""
    _stamp(thing, deleted=timezone.now())
    kept = list(others.values_list("pk", flat=True)[: figures.files.DELETED_KEPT])
    for one in others.exclude(pk__in=kept, deleted__gte=_long_ago()):
        one.remove()


def clear_out(deleted: QuerySet[Any]) -> int:
    """What was deleted too long ago goes for good; says how many."""
    found = list(deleted.filter(deleted__lt=_long_ago()))
    for one in found:
        delete_for_good(one)
    return len(found)


def _long_ago() -> datetime:
    return timezone.now() - timedelta(days=figures.files.DELETED_DAYS)


@write
def bring_back(thing: Shelved, kind: str) -> None:
    """Have it again, as it was, where there is room for one more of its kind."""
    check_room(getattr(thing, "owner", None), kind)
    _stamp(thing, deleted=None)


@write
def delete_for_good(thing: Shelved) -> None:
    """Delete it with all that it has."""
    thing.remove()


def _stamp(thing: Shelved, **times: datetime | None) -> None:
    """Not a change of the thing, so that its version and its place in a list stay."""
    type(thing)._default_manager.filter(pk=thing.pk).update(**times)
    thing.settle()
