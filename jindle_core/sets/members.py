"""Which cards are made together, and how many of each?"""

from collections.abc import Hashable, Sequence
from dataclasses import dataclass

from jindle_core import figures
from jindle_core.checked.whole import CheckedCard
from jindle_core.errors import BadInput, Problem
from jindle_core.material import End
from jindle_core.seen.palette import SeenPalette
from jindle_core.seen.uses import card_of


@dataclass(frozen=True, eq=False)
class Member:
    """A card of a set: a key that stays its own there, the card, and how many of it are made."""

    key: int
    checked: CheckedCard
    count: int = 1

    @property
    def name(self) -> str:
        """What the card is called."""
        return self.checked.seen.card.name

    @property
    def palette(self) -> SeenPalette:
        """Its palette."""
        return self.checked.seen.palette


def check_counts(counts: Sequence[int]) -> None:
    """BadInput where so many cards are not made together."""
    if not 1 <= len(counts) <= figures.sets.MOST_MEMBERS:
        words = f"A set has 1 to {figures.sets.MOST_MEMBERS} cards."
        raise BadInput(Problem(words, field="cards", value=str(len(counts))))
    if any(count < 1 for count in counts) or sum(counts) > figures.work.MOST_CARDS:
        words = f"From 1 to {figures.work.MOST_CARDS} cards are made at once."
        raise BadInput(Problem(words, field="count", value=str(sum(counts))))


def stuff(palette: SeenPalette, end: End) -> Hashable:
    """What tells whether two cards can be cut, inked or coloured out of one thing: a supply by its id, a
    palette colour by the card that was chosen for it, else by its colour."""
    if end.source != "palette":
        return end
    chosen = card_of(palette, end)
    if chosen is not None:
        return End("supply", chosen.colour)
    colour = palette.card.colour(end.id)
    place = palette.place(colour)
    if place is not None:
        return End("supply", palette.supplies.rows[place].id)
    return tuple(round(float(one), 1) for one in palette.end_lab(end))
