"""What does a person want of the order of work, and which of their wishes can be kept?"""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from enum import StrEnum
from itertools import pairwise

from jindle_core import figures
from jindle_core.errors import BadInput, Problem
from jindle_core.planning.task import After, Task

Wish = tuple[str, str]  # the keys of two tasks, the first of which is wanted before the other


class Aim(StrEnum):
    """What is wanted of an order."""

    SOONEST = "soonest-finished"
    TOOLS = "fewest-changes"
    OWN = "my-own-order"


@dataclass(frozen=True, slots=True)
class Wishes:
    """How a person wants to work.

    ``evening`` is how many minutes an evening at the table has, None for all at once; ``small_child``
    whether the card is for one, None as long as nobody said; ``order`` the keys of tasks in
    the person's own order.
    """

    aim: Aim = Aim.SOONEST
    cut_first: bool = False
    evening: int | None = None
    cards: int = 1
    small_child: bool | None = None
    before: tuple[Wish, ...] = ()
    order: tuple[str, ...] = ()

    def __post_init__(self) -> None:
        if not 1 <= self.cards <= figures.work.MOST_CARDS:
            words = f"From 1 to {figures.work.MOST_CARDS} cards are made at once."
            raise BadInput(Problem(words, field="cards", value=str(self.cards)))
        shortest, longest = figures.work.EVENING
        if self.evening is not None and not shortest <= self.evening <= longest:
            words = f"An evening has {shortest} to {longest} minutes."
            raise BadInput(Problem(words, field="evening", value=str(self.evening)))

    def among(self, tasks: Sequence[Task]) -> "Wishes":
        """The same, with nothing said of what is not to be done any more."""
        keys = {task.key for task in tasks}
        before = tuple(dict.fromkeys(wish for wish in self.before if set(wish) <= keys))
        order = tuple(dict.fromkeys(key for key in self.order if key in keys))
        return replace(self, before=before, order=order)


@dataclass(frozen=True, slots=True)
class Impossible:
    """A wish that cannot be kept: what it is about, and what stands against it."""

    wish: Wish
    reason: str


def kept(tasks: Sequence[Task], before: Sequence[Wish]) -> tuple[list[Wish], list[Impossible]]:
    """The wishes that can be kept beside the job and those before them, and the ones that cannot."""
    known = {task.key: task for task in tasks}
    needs = {task.key: {one.key: one.reason for one in task.after if one.key in known} for task in tasks}
    possible, impossible = list[Wish](), list[Impossible]()
    for first, then in before:
        if first not in known or then not in known:
            continue
        chain = _chain(needs, first, then)
        if chain is None:
            needs[then].setdefault(first, "you want it so")
            possible.append((first, then))
        else:
            impossible.append(Impossible((first, then), _said(known, needs, chain)))
    return possible, impossible


def _chain(needs: Mapping[str, Mapping[str, str]], late: str, early: str) -> list[str] | None:
    """From a task back to one that it needs, by the fewest; None where it does not need it."""
    paths = [[late]]
    reached = {late}
    for path in paths:
        if path[-1] == early:
            return path
        for key in needs[path[-1]]:
            if key not in reached:
                reached.add(key)
                paths.append([*path, key])
    return None


def _said(known: Mapping[str, Task], needs: Mapping[str, Mapping[str, str]], chain: Sequence[str]) -> str:
    if len(chain) == 1:
        return "a step cannot be before itself"
    return "; ".join(
        f"“{known[late].words}” comes after “{known[early].words}”: {needs[late][early]}"
        for late, early in pairwise(chain)
    )


def own_order(tasks: Sequence[Task], order: Sequence[str]) -> list[Task]:
    """Tasks in a person's order; those that it does not name follow what they follow in ``tasks``."""
    known = {task.key: task for task in tasks}
    found = [known[key] for key in dict.fromkeys(order) if key in known]
    named = {task.key for task in found}
    place = 0
    for task in tasks:
        if task.key in named:
            place = found.index(task) + 1
        else:
            found.insert(place, task)
            place += 1
    return found


def broken(order: Sequence[Task], before: Sequence[Wish] = ()) -> list[tuple[Task, str]]:
    """What an order of one's own breaks: each task that comes too early, and why it must not."""
    at = {task.key: place for place, task in enumerate(order)}
    words = {task.key: task.words for task in order}
    wanted = [(then, After(first, 0, "you want it so")) for first, then in before]
    return [
        (task, f"after “{words[one.key]}”: {one.reason}")
        for task in order
        for one in (*task.after, *(wish for key, wish in wanted if key == task.key))
        if one.key in at and at[one.key] > at[task.key]
    ]
