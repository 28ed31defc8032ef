"""Every write to a card, one action each; all go through ``_store``."""

from collections.abc import Sequence

from django.db import transaction
from django.db.models import F
from django.utils import timezone

from jindle_core import defaults
from jindle_core.changes import AddColour, PairChange, checked_name
from jindle_core.errors import BadInput, Problem
from jindle_core.every_change import AnyChange
from jindle_core.formats import Size
from jindle_core.plan import Pair, Plan, plan_to_json
from server.accounts.models import Person
from server.cards.models import Card, Revision
from server.errors import Stale


@transaction.atomic
def create_card(owner: Person, name: str, size: Size) -> Card:
    """Make a card with an empty palette."""
    stored = plan_to_json(Plan(checked_name(name), size))
    card = Card.objects.create(owner=owner, stored=stored)
    Revision.objects.create(card=card, number=0, stored=stored, label="the new card")
    return card


@transaction.atomic
def start_card(owner: Person, name: str, size: Size, colours: Sequence[AddColour]) -> Card:
    """Make a card whose palette starts with some colours; each can be undone by itself."""
    card = create_card(owner, name, size)
    for colour in colours:
        change_card(card, card.version, colour, ())
    return card


def delete_card(card: Card) -> None:
    """Delete a card with all its states."""
    card.delete()


@transaction.atomic
def change_card(card: Card, version: int, change: AnyChange, guessed: tuple[Pair, ...]) -> None:
    """Make one change; Stale where the card has another version by now.

    ``guessed`` are the pairs that stand while none were said.
    """
    plan = card.plan
    if isinstance(change, PairChange):
        plan = plan.settled(guessed)
    after = plan_to_json(change.apply(plan))
    _store(card, version, after, card.head + 1)
    card.revisions.filter(number__gte=card.head).delete()
    Revision.objects.create(card=card, number=card.head, stored=after, label=change.label)
    card.revisions.filter(number__lt=card.head - defaults.HISTORY_LIMIT).delete()


@transaction.atomic
def step_card(card: Card, version: int, step: int) -> None:
    """Undo (``step`` −1) or redo (+1) one change."""
    target = card.revisions.filter(number=card.head + step).first()
    if target is None:
        words = "undo" if step < 0 else "redo"
        raise BadInput(Problem(f"There is nothing to {words}."))
    _store(card, version, target.stored, target.number)


def _store(card: Card, version: int, stored: dict, head: int) -> None:
    # The condition is checked by the database, so two windows cannot both win.
    written = Card.objects.filter(pk=card.pk, version=version, head=card.head).update(
        stored=stored, version=F("version") + 1, head=head, changed=timezone.now()
    )
    if not written:
        raise Stale
    card.stored, card.version, card.head = stored, version + 1, head
