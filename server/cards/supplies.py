"""What cards need of the supplies: what is to be bought, and how a card moves to other ranges."""

from collections.abc import Iterable, Sequence
from dataclasses import fields, replace

from jindle_core import figures
from jindle_core.card.references import named
from jindle_core.offers.places import Glaze, Shading, Substitute, places_for
from jindle_core.seen.uses import without_needless
from jindle_core.supplies.used import Wanted, shopping
from jindle_core.supplies.whole import Supplies
from server.accounts.models import Person
from server.cards.held import checked_cards
from server.cards.json.changes import change_told
from server.cards.models import StoredCard
from server.cards.sheets import sheets_of
from server.catalogue.swatches import swatch
from server.errors import CannotBeShown
from server.told.everywhere import CardPlaces, Place
from server.told.supplies import CardUses
from server.told.supplies import Wanted as WantedTold
from server.told.swatch import Swatch


def to_buy(
    cards: Iterable[StoredCard], supplies: Supplies, person: Person, asked: Iterable[int] = ()
) -> list[Wanted]:
    """What cards need, or is asked for, and the drawer lacks; cards that cannot be shown need nothing."""
    readable = [card for card in cards if is_readable(card)]
    needed = [
        without_needless(one.seen.card, one.examined.covered.needless)
        for one in checked_cards(readable, supplies, person)
    ]
    return shopping(needed, supplies, sheets_of(needed, supplies, person), asked)


def is_readable(card: StoredCard) -> bool:
    """Whether it can be shown at all."""
    try:
        card.value  # noqa: B018 (whether it can be read is what is asked)
    except CannotBeShown:
        return False
    return True


def wanted_told(supplies: Supplies, found: Sequence[Wanted]) -> list[WantedTold]:
    """The lists items."""
    return [
        WantedTold(
            swatch=_as_bought(supplies, one.place),
            why=one.why,
            example=not supplies.ranges[supplies.rows[one.place].range_id].own,
            cards=one.cards,
            asked=one.asked,
        )
        for one in found
    ]


def _as_bought(supplies: Supplies, place: int) -> Swatch:
    """A colour as it is bought: of patterned paper the sheet by its title."""
    told, row = swatch(supplies, place), supplies.rows[place]
    if (row.range_id, row.family) in supplies.sheets:
        title = row.family or told.label
        return replace(told, code="", name=title, label=title)
    return told


def uses(cards: Iterable[StoredCard], ids: frozenset[int]) -> list[CardUses]:
    """What cards name of some colours; cards that name none are left out."""
    found = []
    for card in (one.value for one in cards if is_readable(one)):
        what = named(card)
        counts = {one.name: sum(pk in ids for pk in getattr(what, one.name)) for one in fields(what)}
        if any(counts.values()):
            found.append(CardUses(name=card.name, **counts))
    return found


def places_on(cards: Iterable[StoredCard], wanted: Substitute | Glaze | Shading) -> list[CardPlaces]:
    """Where on cards something could be taken.

    Cards without a place are left out, and after so many that have one the rest is.
    """
    found: list[CardPlaces] = []
    for stored in cards:
        if len(found) == figures.palettes.PLACES_CARDS:
            break
        if not is_readable(stored):
            continue
        card, unit = stored.value, stored.value.size.width.unit
        places = [
            Place(words=one.words, change=change_told(one.change, unit)) for one in places_for(card, wanted)
        ]
        if places:
            found.append(CardPlaces(id=stored.pk, name=card.name, version=stored.version, places=places))
    return found
