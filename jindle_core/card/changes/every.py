"""What are all the changes that can be made to a card, and what is the card after one?"""

from dataclasses import dataclass
from enum import StrEnum

from jindle_core import figures
from jindle_core.card.changes.arranging import ArrangeChange
from jindle_core.card.changes.build import BuildChange
from jindle_core.card.changes.everywhere import GlazeInstead, UseInstead
from jindle_core.card.changes.ground import SetGround, UsePad
from jindle_core.card.changes.palette import AddColour, Change, PairChange
from jindle_core.card.changes.pictures import PictureChange
from jindle_core.card.waivers import still_waived
from jindle_core.card.whole import Card, Pair
from jindle_core.errors import BadInput, Problem


class Purpose(StrEnum):
    """What several changes at once are for."""

    FOLLOW = "following a colour"
    MOVE = "moving to other ranges"
    INK = "inking card by oneself"
    CUT = "cutting from another card"
    ARRANGE = "arranging pieces"
    INSIDE = "laying out the inside"


@dataclass(frozen=True, slots=True)
class Several:
    """Several changes as one, that is taken back as one."""

    purpose: Purpose
    changes: "tuple[AnyChange, ...]"

    @property
    def label(self) -> str:
        """What they are for."""
        return self.purpose.value

    def apply(self, card: Card) -> Card:
        """The card after all of them; none is made where one cannot be."""
        if not 0 < len(self.changes) <= figures.palettes.CHANGES_AT_ONCE:
            most = figures.palettes.CHANGES_AT_ONCE
            raise BadInput(Problem(f"1 to {most} changes are made at once.", field="changes"))
        for change in self.changes:
            if isinstance(change, Several):
                raise BadInput(Problem("Several changes are made one after the other.", field="changes"))
            card = change.apply(card)
        return card


AnyChange = (
    Change
    | PictureChange
    | SetGround
    | UsePad
    | BuildChange
    | ArrangeChange
    | UseInstead
    | GlazeInstead
    | Several
)


def changed(card: Card, change: AnyChange, guessed: tuple[Pair, ...] = ()) -> Card:
    """The card after a change, or BadInput: what was let be of things that it touches counts again.

    ``guessed`` are the pairs that stand while none were said; a change of
    pairs makes them the person's own.
    """
    before = card.settled(guessed) if _keeps_pairs(change) else card
    return still_waived(before, change.apply(before))


def _keeps_pairs(change: AnyChange) -> bool:
    if isinstance(change, Several):
        return any(_keeps_pairs(one) for one in change.changes)
    return isinstance(change, PairChange) or (isinstance(change, AddColour) and change.keep_pairs)
