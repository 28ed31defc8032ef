"""What are all the changes that can be made to a card, and what is the card after one?"""

from jindle_core.card.changes.build import BuildChange
from jindle_core.card.changes.everywhere import Several, UseInstead
from jindle_core.card.changes.ground import SetGround, UsePad
from jindle_core.card.changes.palette import AddColour, Change, PairChange
from jindle_core.card.changes.pictures import PictureChange
from jindle_core.card.waivers import still_waived
from jindle_core.card.whole import Card, Pair

AnyChange = Change | PictureChange | SetGround | UsePad | BuildChange | UseInstead | Several


def changed(card: Card, change: AnyChange, guessed: tuple[Pair, ...] = ()) -> Card:
    """The card after a change, or BadInput: what was let be of things that it touches counts again.

    ``guessed`` are the pairs that stand while none were said; a change of
    pairs makes them the person's own.
    """
    keeps = isinstance(change, AddColour) and change.keep_pairs
    before = card.settled(guessed) if keeps or isinstance(change, PairChange) else card
    return still_waived(before, change.apply(before))
