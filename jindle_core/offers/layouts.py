"""How would this card look, begun from each of the layouts?"""

from collections.abc import Iterator

from jindle_core.card.changes.build import StartLayout
from jindle_core.card.layouts import STARTS, Start
from jindle_core.checked.desk import Desk
from jindle_core.checked.whole import CheckedCard
from jindle_core.errors import BadInput
from jindle_core.seen.whole import SeenCard


def layout_offers(seen: SeenCard) -> Iterator[tuple[Start, Desk]]:
    """Each layout that the card is large enough for, with the card as it would lie on the desk."""
    for one in STARTS:
        try:
            after = seen.after(StartLayout(one.key))
        except BadInput:
            continue  # nothing is left of one of its pieces
        yield one, CheckedCard(after).desk
