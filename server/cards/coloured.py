"""The colouring of cards that are stored, with their drawings."""

from collections.abc import Sequence

from jindle_core.seen.colouring import Coloured
from jindle_core.seen.palette import SeenPalette
from jindle_core.supplies.colours import Supplies
from server.access import drawings_seen_by
from server.accounts.models import Person
from server.cards.models import StoredCard


def coloured_plans(cards: Sequence[StoredCard], catalogue: Supplies, person: Person) -> list[Coloured]:
    """The colouring of some cards, their drawings fetched all at once."""
    plans = [card.value for card in cards]
    wanted = {plan.colouring.drawing for plan in plans} - {None}
    drawings = drawings_seen_by(person).in_bulk(wanted) if wanted else {}
    found = {pk: drawing.shapes for pk, drawing in drawings.items()}
    return [
        Coloured(SeenPalette(plan, catalogue), found.get(plan.colouring.drawing), person.dark_first)
        for plan in plans
    ]
