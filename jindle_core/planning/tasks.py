"""What is to be done for a card, all of it derived from how it is planned?"""

from collections.abc import Mapping
from dataclasses import dataclass, field

from jindle_core.checked.whole import CheckedCard
from jindle_core.planning.batches import for_cards
from jindle_core.planning.making import cut
from jindle_core.planning.making.doing import joined
from jindle_core.planning.making.ground import ground, inking
from jindle_core.planning.making.pictures import pictures
from jindle_core.planning.making.together import assembling, finishing, post
from jindle_core.planning.making.words import words
from jindle_core.planning.task import Task, Work


@dataclass(frozen=True, slots=True)
class Habits:
    """How a person works: whether pictures are cut out before they are stamped, how many cards are made,
    and how much of the usual minutes each kind of work takes them."""

    cut_first: bool = False
    cards: int = 1
    pace: Mapping[Work, float] = field(default_factory=dict)


def tasks(checked: CheckedCard, habits: Habits | None = None) -> list[Task]:
    """Everything to be done for a card that is built of pieces, in the order in which one might; none of
    others. What is covered is not coloured."""
    habits = habits or Habits()
    if not checked.seen.stack.where.build.every:
        return []
    found = joined(
        [
            cut.base(checked),
            *cut.pieces(checked),
            *ground(checked),
            *inking(checked),
            *pictures(checked, habits.cut_first),
            *words(checked),
            *assembling(checked),
            *finishing(checked),
            post(),
        ]
    )
    return for_cards(found, habits.cards, habits.pace)
