"""How long does each step take for several cards, and how long is then still waited?

What is set up is set up once, the rest goes by card. A wait is each card's own: while the last card is
worked on, the first dries already.
"""

from collections.abc import Mapping, Sequence
from dataclasses import replace
from math import ceil

from jindle_core import figures
from jindle_core.planning.task import After, Task, Work


def for_cards(tasks: Sequence[Task], cards: int = 1, pace: Mapping[Work, float] | None = None) -> list[Task]:
    """Tasks of one card as they are for so many, with the share of the usual minutes that each work takes.

    Minutes come out on the grid that the search counts in.
    """
    pace = pace or {}
    shares = {task.key: pace.get(task.work, 1.0) for task in tasks}
    each = {task.key: (task.minutes - task.once) * shares[task.key] for task in tasks}
    found = []
    for task in tasks:
        usual = task.once + (task.minutes - task.once) * cards
        after = tuple(
            After(one.key, _still(one.minutes, cards, each[one.key], each[task.key]), one.reason)
            for one in task.after
        )
        minutes = _on_grid(usual * shares[task.key])
        found.append(replace(task, minutes=minutes, usual=usual, after=after))
    return found


def _still(wait: float, cards: int, before: float, each: float) -> float:
    """What is left of a wait, so that no card is gone on with before it has waited for so long.

    The cards are worked on in the same turn both times, ``before`` and then ``each`` minutes a card. When
    the last is done the first has waited for all the others, and the last waits while those are gone on
    with: the shorter of the two counts.
    """
    left = wait - (cards - 1) * min(before, each)
    return max(ceil(left * figures.work.GRID) / figures.work.GRID, 0.0)


def _on_grid(minutes: float) -> float:
    return max(round(minutes * figures.work.GRID), 1) / figures.work.GRID
