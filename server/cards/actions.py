"""Every write to a card, one action each; all go through ``_store``.

A change is stored only once the changed card has been worked out whole.
"""

from collections.abc import Sequence
from copy import copy
from typing import Any

from django.db.models import F
from django.utils import timezone

from jindle_core import figures
from jindle_core.card.changes.every import AnyChange, changed
from jindle_core.card.changes.palette import AddColour, Waive, checked_name
from jindle_core.card.stored import card_to_json
from jindle_core.card.whole import Card
from jindle_core.errors import BadInput, Problem
from jindle_core.lengths import Size
from jindle_core.supplies.whole import Supplies
from server.accounts.models import Person
from server.cards.held import checked_card
from server.cards.models import Revision, StoredCard
from server.cards.views import card_told
from server.catalogue.arrays import catalogue_for
from server.errors import Stale
from server.quotas import check_room
from server.told.staged import CardWithStage
from server.writes import write


@write
def create_card(owner: Person, name: str, size: Size) -> StoredCard:
    """Make a card with an empty palette."""
    return keep_card(owner, Card(checked_name(name), size))


@write
def keep_card(owner: Person, value: Card) -> StoredCard:
    """Keep a card as it is; there is nothing of it to undo."""
    check_room(owner, "cards")
    stored = card_to_json(value)
    card = StoredCard.objects.create(owner=owner, stored=stored)
    Revision.objects.create(card=card, number=0, stored=stored, label="the new card")
    return card


@write
def start_card(owner: Person, name: str, size: Size, colours: Sequence[AddColour]) -> StoredCard:
    """Make a card whose palette starts with some colours; each can be undone by itself."""
    card, supplies = create_card(owner, name, size), catalogue_for(owner)
    for colour in colours:
        change_card(card, card.version, colour, supplies)
    return card


@write
def change_card(
    card: StoredCard, version: int, change: AnyChange, supplies: Supplies, stage: str | None = None
) -> CardWithStage:
    """Make one change; the card after it, as it is told, with a stage along.

    Stale where the card has another version by now. Whatever keeps the card
    from being worked out is raised, and nothing is changed.
    """
    before = checked_card(card, supplies, card.owner).seen
    after = changed(before.card, change, before.palette.pairs)
    made = copy(card)  # this one stays as it is where nothing is stored after all
    told = store_changed(made, version, after, change.label, supplies, stage)
    if isinstance(change, Waive) and all(one.id != change.check for one in told.checks):
        words = f"There is no check “{change.check}” on this card."
        raise BadInput(Problem(words, field="check", value=change.check))
    card.stored, card.version, card.head = made.stored, made.version, made.head
    return told


@write
def store_changed(
    card: StoredCard, version: int, after: Card, label: str, supplies: Supplies, stage: str | None = None
) -> CardWithStage:
    """Store what a card is after a change, once it has been worked out whole; the card as it is told."""
    head, stored = card.head + 1, card_to_json(after)
    version = _store(card, version, stored, head)
    card.revisions.filter(number__gte=head).delete()
    Revision.objects.create(card=card, number=head, stored=stored, label=label)
    if head > figures.palettes.UNDO_LIMIT:
        card.revisions.filter(number__lt=head - figures.palettes.UNDO_LIMIT).delete()
    made = copy(card)
    made.stored, made.version, made.head = stored, version, head
    checked = checked_card(made, supplies, card.owner, after)
    told = card_told(made, checked, card.owner, {head: label}, stage)
    card.stored, card.version, card.head = stored, version, head
    return told


def step_card(card: StoredCard, version: int, step: int) -> None:
    """Undo (``step`` −1) or redo (+1) one change."""
    if not card.revisions.filter(number=card.head + step).exists():
        words = "undo" if step < 0 else "redo"
        raise BadInput(Problem(f"There is nothing to {words}."))
    go_to_state(card, version, card.head + step)


@write
def go_to_state(card: StoredCard, version: int, number: int) -> None:
    """Bring a card back to one of its states, whether or not it can be shown as it is."""
    target = card.revisions.filter(number=number).first()
    if target is None:
        raise BadInput(Problem(f"This card has no state {number}.", field="number", value=str(number)))
    card.version = _store(card, version, target.stored, number)
    card.stored, card.head = target.stored, number


def _store(card: StoredCard, version: int, stored: dict[str, Any], head: int) -> int:
    """Store a state; the version that the card has from now on."""
    # The condition is checked by the database, so two windows cannot both win.
    written = StoredCard.objects.filter(pk=card.pk, version=version, head=card.head).update(
        stored=stored, version=F("version") + 1, head=head, changed=timezone.now()
    )
    if not written:
        raise Stale
    return version + 1
