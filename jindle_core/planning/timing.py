"""When is each step done in an order, as soon as hands and what it waits for allow?

One pair of hands; what dries does so by itself, also while nobody is at the table.
"""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field
from itertools import pairwise
from math import inf

from jindle_core import figures
from jindle_core.errors import BadInput, Problem
from jindle_core.planning.task import After, Task, Tool
from jindle_core.planning.wishes import Wish


@dataclass(frozen=True, slots=True)
class Break:
    """When nobody is at the table, in minutes from the start of the work; what dries goes on."""

    start: float
    end: float


@dataclass(frozen=True, slots=True)
class Bounds:
    """What an order keeps to besides the job: breaks, one after another, wishes that can be kept, and by the
    key of a task from when it can be done at the soonest (its ``minutes``), for what still dries of
    what is past."""

    breaks: tuple[Break, ...] = ()
    before: tuple[Wish, ...] = ()
    ready: Mapping[str, After] = field(default_factory=dict)

    def is_long(self, task: Task) -> bool:
        """Whether a task fits between no two breaks: then it begins after one, and goes on into the next."""
        stretches = [after.start - before.end for before, after in pairwise(self.breaks)]
        return bool(stretches) and task.minutes > max(stretches)

    @property
    def stretches(self) -> list[tuple[float, float]]:
        """From when until when somebody is at the table; the last goes on."""
        begins = (0.0, *(one.end for one in self.breaks))
        ends = (*(one.start for one in self.breaks), inf)
        return [(begin, end) for begin, end in zip(begins, ends, strict=True) if end > begin]

    def allowed(self, task: Task, start: float) -> float:
        """When a task begins for which there would be time at ``start``."""
        if self.is_long(task):
            return next((begin for begin, _ in self.stretches if begin >= start), start)
        for pause in self.breaks:
            if start < pause.end and start + task.minutes > pause.start:
                start = pause.end
        return start


@dataclass(frozen=True, slots=True)
class Placed:
    """A task in the order: when hands are at it, in minutes from the start, and why it does not begin sooner.

    ``since`` is the key of what it waits for, empty where hands are simply free then.
    """

    task: Task
    start: float
    end: float
    since: str
    reason: str


def in_order(tasks: Sequence[Task], before: Sequence[tuple[str, str]] = ()) -> list[Task]:
    """The tasks so that each comes after what it needs, else as they stand; BadInput where none can be."""
    waiting, done, found = list(tasks), set[str](), list[Task]()
    known = {task.key for task in tasks}
    wanted: dict[str, set[str]] = {task.key: {one.key for one in task.after} & known for task in tasks}
    for first, then in before:
        if first in known and then in known:
            wanted[then].add(first)
    while waiting:
        free = next((task for task in waiting if wanted[task.key] <= done), None)
        if free is None:
            names = ", ".join(task.words for task in waiting[:3])
            words = f"These wait for one another, and none can be first: {names}. Undo one of your wishes."
            raise BadInput(Problem(words, field="before"))
        waiting.remove(free)
        done.add(free.key)
        found.append(free)
    return found


def timed(order: Sequence[Task], bounds: Bounds | None = None) -> tuple[Placed, ...]:
    """When each task is done in this order, each as soon as hands and what it waits for allow."""
    bounds = bounds or Bounds()
    ends: dict[str, float] = {}
    free, last, placed = 0.0, "", list[Placed]()
    for task in order:
        start, since, reason = free, last, "hands are at the step before" if last else ""
        waits = [(ends[one.key] + one.minutes, one) for one in task.after if one.key in ends]
        if task.key in bounds.ready:
            one = bounds.ready[task.key]
            waits.append((one.minutes, one))
        for at, one in waits:
            if at > start:
                start, since, reason = at, one.key, one.reason
        allowed = bounds.allowed(task, start)
        if allowed > start:
            start, since, reason = allowed, "", "nobody is at the table for long enough before"
        free = start + task.minutes
        ends[task.key], last = free, task.key
        placed.append(Placed(task, start, free, since, reason))
    return tuple(placed)


def one_after_another(tasks: Sequence[Task], bounds: Bounds | None = None) -> float:
    """Minutes until all is done as tasks stand, each waiting for the one before to dry, cool or set."""
    known = {task.key: 0.0 for task in tasks}
    for task in tasks:
        for one in task.after:
            if one.key in known:
                known[one.key] = max(known[one.key], one.minutes)
    still = max((one.minutes for one in bounds.ready.values()), default=0.0) if bounds else 0.0
    return still + sum(task.minutes + known[task.key] for task in tasks)


def changes_of(order: Sequence[Task]) -> int:
    """How often another tool is taken up."""
    tools = [task.tool for task in order if task.tool is not Tool.NOTHING]
    return sum(one is not other for one, other in pairwise(tools))


def set_up_of(order: Sequence[Task]) -> float:
    """The minutes that taking up other tools takes, which are not in the order's own."""
    tools = [task.tool for task in order if task.tool is not Tool.NOTHING]
    return sum(figures.work.SET_UP[then] for first, then in pairwise(tools) if first is not then)


def longest_first(tasks: Sequence[Task], bounds: Bounds | None = None) -> list[Task]:
    """A good order at once: of what could begin soonest always that after which most is still to come.

    ``tasks`` stand so that each comes after what it needs. Of a card it is a few per cent longer.
    """
    bounds = bounds or Bounds()
    needs = {task.key: {one.key: one.minutes for one in task.after} for task in tasks}
    for first, then in bounds.before:
        if then in needs:
            needs[then].setdefault(first, 0.0)
    tails = {task.key: task.minutes for task in tasks}
    for task in reversed(tasks):
        for key, wait in needs[task.key].items():
            if key in tails:
                still = next(one.minutes for one in tasks if one.key == key)
                tails[key] = max(tails[key], still + wait + tails[task.key])
    waiting, ends, now, found = list(tasks), dict[str, float](), 0.0, list[Task]()

    def begins(task: Task) -> float:
        ready = bounds.ready[task.key].minutes if task.key in bounds.ready else 0.0
        known = [ends[key] + wait for key, wait in needs[task.key].items() if key in ends]
        return bounds.allowed(task, max([now, ready, *known]))

    while waiting:
        open_keys = {task.key for task in waiting}
        free = [task for task in waiting if not needs[task.key].keys() & open_keys]
        following = min(free, key=lambda task: (begins(task), -tails[task.key]))
        now = ends[following.key] = begins(following) + following.minutes
        waiting.remove(following)
        found.append(following)
    return found
