"""What do cards use, or a person want, and what of it does the drawer lack?"""

from collections.abc import Iterable, Mapping
from dataclasses import dataclass
from types import MappingProxyType

from jindle_core.card.references import named
from jindle_core.card.whole import Card
from jindle_core.fullness import TO_BUY
from jindle_core.patterned.sheet import Sheet
from jindle_core.supplies.whole import Supplies


@dataclass(frozen=True, slots=True)
class Wanted:
    """A colour to be bought: its place, why, for which cards, and whether the person asked for it."""

    place: int
    why: str
    cards: tuple[str, ...]
    asked: bool = False


def _users(cards: Iterable[Card], sheets: Mapping[int, Sheet], asked: Iterable[int]) -> dict[int, list[str]]:
    """The names of the cards that use each colour, and of none for what is only asked for."""
    users: dict[int, list[str]] = {pk: [] for pk in asked}
    for card in cards:
        cut = (
            sheets.get(piece.material.id) for piece in card.build.every if piece.material.source == "sheet"
        )
        for pk in named(card).every | {sheet.colours[0] for sheet in cut if sheet is not None}:
            users.setdefault(pk, []).append(card.name)
    return users


def _there(supplies: Supplies, pk: int) -> bool:
    return pk in supplies.places and not supplies.lost[supplies.places[pk]]


def shopping(
    cards: Iterable[Card],
    supplies: Supplies,
    sheets: Mapping[int, Sheet] = MappingProxyType({}),
    asked: Iterable[int] = (),
) -> list[Wanted]:
    """What cards use, by choice, as a palette colour or for colouring, and is not there to use.

    What is low is on the list too, as running out. By range and code; of
    patterned paper one buys the sheet, not each of its colours. ``sheets`` are those, by
    their ids, that pieces are cut out of; ``asked`` are ids of colours that are
    wanted whether a card needs them or not, until they are in the drawer.
    """
    asked_for = frozenset(asked)
    users = {pk: dict.fromkeys(names) for pk, names in _users(cards, sheets, asked_for).items()}
    users = {pk: names for pk, names in users.items() if _there(supplies, pk)}
    found, listed = [], set()
    for pk, its_cards in sorted(users.items()):
        place, names, by_hand = supplies.places[pk], its_cards, pk in asked_for
        row = supplies.rows[place]
        sheet = (row.range_id, row.family)
        if sheet in supplies.sheets:
            if sheet in listed:
                continue
            listed.add(sheet)
            on_it = {supplies.rows[at].id for at in supplies.sheets[sheet]}
            names = {name: None for each in sorted(on_it & users.keys()) for name in users[each]}
            by_hand = bool(on_it & asked_for)
        kept = supplies.kept(place)
        why = "not in the drawer" if kept is None else TO_BUY.get(kept.fullness)
        if why:
            found.append(Wanted(place, why, tuple(names), by_hand))
    return sorted(found, key=lambda one: (supplies.rows[one.place].range_id, one.place))
