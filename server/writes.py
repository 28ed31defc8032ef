"""How is something written, so that all of it is stored or nothing, and no two writers stop each other?"""

from collections.abc import Callable
from functools import wraps
from typing import Any, ParamSpec, TypeVar

from django.db import OperationalError, connection, transaction
from django.db.models import Model

from server.accounts.models import Person

Given = ParamSpec("Given")
Made = TypeVar("Made")

# MariaDB's numbers for a deadlock (of several servers, also for what another of them changed first), and for
# a lock that was waited for too long.
_DEADLOCK, _WAITED = 1213, 1205
_TRIES = 6


def write(action: Callable[Given, Made]) -> Callable[Given, Made]:
    """An action in one transaction, its person's row locked first, tried again after a deadlock.

    Its first argument is the person, or something of theirs; None, or what
    belongs to nobody, is shared and has no row to be locked.
    """

    @wraps(action)
    def written(*given: Given.args, **named: Given.kwargs) -> Made:
        before = [(one, dict(vars(one))) for one in given if isinstance(one, Model)]
        for tries_left in reversed(range(_TRIES)):
            try:
                with transaction.atomic():
                    lock(given[0])
                    return action(*given, **named)
            except OperationalError as error:
                # Also a transaction that came to its end may be refused: what was read into them is not so.
                for one, as_it_was in before:
                    vars(one).clear()
                    vars(one).update(as_it_was)
                # Inside another transaction the whole of it is gone: whoever began it begins anew.
                if error.args[0] != _DEADLOCK or not tries_left or connection.in_atomic_block:
                    raise
        raise AssertionError("the last try returns or raises")

    return written


def lock(owned: Any) -> None:
    """Wait until nobody else writes what is the person's; the transaction's end lets go."""
    owner = owned.pk if isinstance(owned, Person) else getattr(owned, "owner_id", None)
    if owner is None:
        return
    for tries_left in reversed(range(_TRIES)):
        try:
            Person.objects.select_for_update().filter(pk=owner).values_list("pk").first()
            return
        except OperationalError as error:
            # A long import may hold it; only the statement was rolled back, so waiting goes on.
            if error.args[0] != _WAITED or not tries_left:
                raise
