"""Every write to a set of cards."""

from collections.abc import Mapping, Sequence
from copy import copy
from dataclasses import replace

from django.db.models import F
from django.utils import timezone

from jindle_core.card.changes.palette import checked_name
from jindle_core.card.whole import Card
from jindle_core.errors import BadInput, Problem
from jindle_core.planning.planned import planned
from jindle_core.planning.progress import Progress
from jindle_core.sets.carrying import carried
from jindle_core.sets.members import Member, check_counts
from jindle_core.supplies.whole import Supplies
from server.access import cards_of, own_card
from server.accounts.models import Person
from server.cards.actions import keep_card, store_changed
from server.cards.models import StoredCard
from server.cards.planning.actions import keep_work, paces_of, work_there
from server.errors import StaleSet
from server.quotas import check_room
from server.records.actions import Said, keep_record, made_now
from server.records.models import MadeTogether, Record
from server.sets.models import CardSet, SetMember
from server.writes import write


@write
def make_set(owner: Person, name: str, cards: Mapping[int, int]) -> CardSet:
    """Put some of a person's cards, by their ids, together: so many of each."""
    check_room(owner, "sets")
    made = CardSet.objects.create(owner=owner, name=checked_name(name))
    _put_together(made, cards)
    return made


@write
def change_set(of: CardSet, version: int, name: str | None, cards: Mapping[int, int] | None) -> None:
    """Call it otherwise, or make other cards of it, in that order."""
    _next(of, version, **({} if name is None else {"name": checked_name(name)}))
    if cards is not None:
        of.members.all().delete()
        _put_together(of, cards)
    of.refresh_from_db()


@write
def delete_set(of: CardSet) -> None:
    """Part the cards; they stay."""
    of.delete()


@write
def take_colourway(card: StoredCard, value: Card) -> tuple[StoredCard, CardSet]:
    """Keep a card in other colours, in the set that the card is first of, or in a new one."""
    made = keep_card(card.owner, value)
    every = SetMember.objects.filter(card=card, of__owner=card.owner).order_by("-of__changed")
    is_first = (one.of for one in every if one.of.members.values_list("card", flat=True)[0] == card.pk)
    of = next(is_first, None)
    if of is None:
        return made, make_set(card.owner, f"{card.name}, in other colours"[:80], {card.pk: 1, made.pk: 1})
    check_counts([*of.members.values_list("count", flat=True), 1])
    SetMember.objects.create(of=of, card=made, place=of.members.count())
    _next(of, of.version)
    return made, of


@write
def carry(of: CardSet, versions: Mapping[int, int], supplies: Supplies) -> None:
    """Build some of its cards, by their ids and versions, as the first is; all of them or none."""
    cards = [one.card for one in of.members.select_related("card")]
    known = {card.pk: card for card in cards[1:]}
    if wrong := set(versions) - set(known):
        words = "This card is not in the set, or is its first."
        raise BadInput(Problem(words, field="cards", value=str(min(wrong))))
    for pk, version in versions.items():
        card = copy(known[pk])
        card.owner = of.owner
        try:
            after = carried(cards[0].value, card.value)
        except BadInput as error:
            told = (replace(one, message=f"{card.name}: {one.message}") for one in error.problems)
            raise BadInput(*told) from None
        store_changed(card, version, after, f"built as “{cards[0].name}”"[:80], supplies)


@write
def record_set(of: CardSet, work_version: int, said: Said, members: Sequence[Member]) -> list[Record]:
    """Keep all its cards as they are made now, together; the next time it is made begins anew."""
    going = work_there(of, work_version)
    check_room(of.owner, "records", len(members))
    together = MadeTogether.objects.create(owner=of.owner, name=of.name)
    found = []
    for one in members:
        card, count = own_card(of.owner, one.key), one.count
        work = planned(one.checked, paces=paces_of(of.owner))
        made = made_now(card, one.checked, work, Progress())
        found.append(keep_record(of.owner, card, replace(said, count=count), made, together))
    keep_work(of, replace(going, progress=Progress(), instead=()))
    return found


def _put_together(of: CardSet, cards: Mapping[int, int]) -> None:
    check_counts(list(cards.values()))
    there = set(cards_of(of.owner).filter(pk__in=cards).values_list("pk", flat=True))
    if lost := set(cards) - there:
        raise BadInput(
            Problem("One of these cards is not there any more.", field="cards", value=str(min(lost)))
        )
    SetMember.objects.bulk_create(
        SetMember(of=of, card_id=pk, place=place, count=count)
        for place, (pk, count) in enumerate(cards.items())
    )


def _next(of: CardSet, version: int, **told: str) -> None:
    written = CardSet.objects.filter(pk=of.pk, version=version).update(
        version=F("version") + 1, changed=timezone.now(), **told
    )
    if not written:
        raise StaleSet
