"""Cards as they are seen and checked, each worked out once for the change, its mends and its stages.

What is held is taken only where the card is stored exactly as it was then and
the supplies are the same object: no other worker's write makes it wrong.
"""

from collections import OrderedDict
from collections.abc import Callable, Hashable, Sequence
from dataclasses import dataclass
from threading import Lock
from typing import Any, TypeVar
from weakref import WeakKeyDictionary

from jindle_core.card.whole import Card
from jindle_core.checked.whole import CheckedCard
from jindle_core.line_art.drawing import LineDrawing
from jindle_core.seen.whole import SeenCard
from jindle_core.supplies.whole import Supplies
from server.access import drawings_seen_by
from server.accounts.models import Person
from server.cards.models import StoredCard
from server.cards.sheets import sheets_of

Told = TypeVar("Told")
_MOST = 64  # cards held at once in one process: those of the demo take a quarter of a megabyte each


@dataclass(frozen=True)
class _Held:
    stored: Any
    checked: CheckedCard


_held: OrderedDict[tuple[int, int], _Held] = OrderedDict()
_told: WeakKeyDictionary[Supplies, dict[str, OrderedDict[Hashable, Any]]] = WeakKeyDictionary()
_holding = Lock()


def checked_card(
    card: StoredCard, supplies: Supplies, person: Person, value: Card | None = None
) -> CheckedCard:
    """One card as it is seen and checked; CannotBeShown where it cannot be read.

    ``value`` is what is stored of it, where that is known already.
    """
    key = (person.pk, card.pk)
    with _holding:
        known = _held.get(key)
    if known and known.stored == card.stored and _is_so(known.checked.seen, supplies, person):
        return known.checked
    (made,) = _checked([value or card.value], supplies, person)
    with _holding:
        _held[key] = _Held(card.stored, made)
        _held.move_to_end(key)
        while len(_held) > _MOST:
            _held.popitem(last=False)
    return made


def checked_cards(cards: Sequence[StoredCard], supplies: Supplies, person: Person) -> list[CheckedCard]:
    """Some cards; they are not held."""
    return _checked([card.value for card in cards], supplies, person)


def _checked(values: Sequence[Card], supplies: Supplies, person: Person) -> list[CheckedCard]:
    """Their drawings are fetched all at once."""
    wanted = {picture.drawing for value in values for picture in value.pictures} - {None}
    drawings = drawings_seen_by(person).in_bulk(wanted) if wanted else {}
    found = {pk: drawing.shapes for pk, drawing in drawings.items()}
    sheets = sheets_of(values, supplies, person)
    return [
        CheckedCard(SeenCard(value, supplies, _of(value, found), person.dark_first, sheets))
        for value in values
    ]


def _of(value: Card, drawings: dict[int, LineDrawing]) -> dict[int, LineDrawing]:
    """Those drawings that a card shows."""
    wanted = {picture.drawing for picture in value.pictures}
    return {pk: drawing for pk, drawing in drawings.items() if pk in wanted}


def told_once(supplies: Supplies, what: str, key: Hashable, tell: Callable[[], Told], most: int) -> Told:
    """What is told of something with these supplies: once, for it is so as long as they are.

    ``most`` of a kind are kept for one person, the latest.
    """
    with _holding:
        known = _told.setdefault(supplies, {}).setdefault(what, OrderedDict())
        found: Told | None = known.get(key)
    if found is None:
        found = tell()
    with _holding:
        known[key] = found
        known.move_to_end(key)
        while len(known) > most:
            known.popitem(last=False)
    return found


def _is_so(seen: SeenCard, supplies: Supplies, person: Person) -> bool:
    """Whether what was seen would be seen now: with these supplies, by this person, with its drawings."""
    if seen.supplies is not supplies or seen.dark_first != person.dark_first:
        return False
    wanted = {pk for one in seen.card.pictures if (pk := one.drawing) is not None}
    there = drawings_seen_by(person).filter(pk__in=wanted).values_list("pk", flat=True) if wanted else ()
    return set(there) == seen.drawings.keys()
