"""How much may be kept? The demo studio is everybody's, so that nobody may fill it."""

from django.db.models import Model, QuerySet

from jindle_core.errors import BadInput, Problem
from server.accounts.models import Person

# Several times what the studio begins with, and little enough to be worked out and shown.
LIMITS = {
    "cards": 60,
    "ranges": 20,
    "colours": 20_000,
    "papers": 40,
    "drawings": 40,
    "readings": 1_000,
    "combinations": 60,
    "families": 60,
    "records": 60,
    "links": 60,
    "sets": 30,
    "moods": 30,
}


def check_room(owner: Person | None, what: str, there: QuerySet[Model], more: int = 1) -> None:
    """BadInput where so many more would be too many for the demo studio; others have room."""
    if owner is None or not owner.everybodys or there.count() + more <= LIMITS[what]:
        return
    words = f"The demo studio is everybody's and keeps {LIMITS[what]} {what} at most. "
    raise BadInput(Problem(words + "Delete some, or make an account of your own.", field=what))


def refuse_in_demo(person: Person, what: str) -> None:
    """BadInput for what is only done in an account of one's own."""
    if person.everybodys:
        words = f"The demo studio is everybody's: {what} into an account of your own."
        raise BadInput(Problem(words, field="file"))
