"""In which order is the work done, so that waits are filled? One pair of hands; what dries does so by itself.

The order is found by constraint programming (OR-Tools' CP-SAT), which proves that none is shorter; then,
with that end, the one with fewest changes of tools. It is bounded by the solver's deterministic time, so
that the same tasks have the same order on every machine; where a proof is not done by then, how far the
end can be from the shortest is told.
"""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from enum import StrEnum
from itertools import pairwise

from ortools.sat.python import cp_model

from jindle_core import figures
from jindle_core.errors import BadInput, Problem
from jindle_core.planning.task import After, Task, Tool


class Aim(StrEnum):
    """What is wanted of an order."""

    SOONEST = "soonest-finished"
    TOOLS = "fewest-changes"


@dataclass(frozen=True, slots=True)
class Break:
    """When nobody is at the table, in minutes from the start of the work; what dries goes on."""

    start: float
    end: float


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


@dataclass(frozen=True, slots=True)
class Schedule:
    """An order of work. All are minutes: until everything is done, of which hands are at work; how long it
    would take one after another, each wait sat through; and how much shorter it could be at most.
    """

    placed: tuple[Placed, ...]
    minutes: float
    hands: float
    in_turn: float
    gap: float
    changes: int

    @property
    def saved(self) -> float:
        """How much the order saves against one after another."""
        return self.in_turn - self.minutes


def schedule(
    tasks: Sequence[Task],
    aim: Aim = Aim.SOONEST,
    breaks: Sequence[Break] = (),
    before: Sequence[tuple[str, str]] = (),
) -> Schedule:
    """The best order of tasks, each once.

    ``before`` are pairs of keys that a person wants one before the other. BadInput where those cannot be
    kept, or where a task is longer than any stretch between breaks.
    """
    tasks = in_order(tasks, before)
    if not tasks:
        return Schedule((), 0.0, 0.0, 0.0, 0.0, 0)
    made = _Model(tasks, breaks, before)
    order, gap = made.soonest()
    if aim is Aim.TOOLS:
        order = _fewer_changes(order, breaks, before)
        order = made.fewest_changes(order, _ends(order, breaks))
    placed = timed(order, breaks)
    return Schedule(
        placed,
        max(one.end for one in placed),
        sum(task.minutes for task in tasks),
        one_after_another(tasks),
        gap,
        changes_of(order),
    )


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


def timed(order: Sequence[Task], breaks: Sequence[Break] = ()) -> tuple[Placed, ...]:
    """When each task is done in this order, each as soon as hands and what it waits for allow.

    BadInput for a task that fits in no stretch between breaks.
    """
    ends: dict[str, float] = {}
    free, last, placed = 0.0, "", list[Placed]()
    for task in order:
        start, since, reason = free, last, "hands are at the step before" if last else ""
        for one in task.after:
            at = ends.get(one.key, 0.0) + one.minutes if one.key in ends else 0.0
            if at > start:
                start, since, reason = at, one.key, one.reason
        for pause in sorted(breaks, key=lambda one: one.start):
            if start < pause.end and start + task.minutes > pause.start:
                start, since, reason = pause.end, "", "nobody is at the table before"
        free = start + task.minutes
        ends[task.key], last = free, task.key
        placed.append(Placed(task, start, free, since, reason))
    return tuple(placed)


def one_after_another(tasks: Sequence[Task]) -> float:
    """Minutes until all is done as tasks stand, each waiting for the one before to dry, cool or set."""
    known = {task.key for task in tasks}
    waits = {task.key: 0.0 for task in tasks}
    for task in tasks:
        for one in task.after:
            if one.key in known:
                waits[one.key] = max(waits[one.key], one.minutes)
    return sum(task.minutes + waits[task.key] for task in tasks)


def changes_of(order: Sequence[Task]) -> int:
    """How often another tool is taken up."""
    tools = [task.tool for task in order if task.tool is not Tool.NOTHING]
    return sum(one is not other for one, other in pairwise(tools))


def _fewer_changes(
    order: list[Task], breaks: Sequence[Break], before: Sequence[tuple[str, str]]
) -> list[Task]:
    """An order that ends no later, with tasks moved to others of their tool as long as that helps."""
    end = _ends(order, breaks)
    better = True
    while better:
        better = False
        for task in order:
            rest = [one for one in order if one is not task]
            for place, other in enumerate(rest, start=1):
                moved = [*rest[:place], task, *rest[place:]]
                if (
                    other.tool is task.tool
                    and changes_of(moved) < changes_of(order)
                    and not broken(moved, before)
                    and _ends(moved, breaks) <= end
                ):
                    order, better = moved, True
                    break
            if better:
                break
    return order


def _ends(order: Sequence[Task], breaks: Sequence[Break]) -> float:
    return max(one.end for one in timed(order, breaks))


def broken(order: Sequence[Task], before: Sequence[tuple[str, str]] = ()) -> list[tuple[Task, str]]:
    """What an order of one's own breaks: each task that comes too early, and why it must not.

    ``before`` are pairs of keys that a person wants one before the other.
    """
    at = {task.key: place for place, task in enumerate(order)}
    words = {task.key: task.words for task in order}
    wishes = [(then, After(first, 0, "you want it so")) for first, then in before]
    return [
        (task, f"after “{words[one.key]}”: {one.reason}")
        for task in order
        for one in (*task.after, *(wish for key, wish in wishes if key == task.key))
        if one.key in at and at[one.key] > at[task.key]
    ]


class _Model:
    """The constraints of an order, in parts of a minute."""

    def __init__(
        self, tasks: Sequence[Task], breaks: Sequence[Break], before: Sequence[tuple[str, str]]
    ) -> None:
        self._tasks, self._model = tasks, cp_model.CpModel()
        longest = max((one.end for one in breaks), default=0.0)
        horizon = _ticks(longest + one_after_another(tasks))
        self._starts = {task.key: self._model.new_int_var(0, horizon, task.key) for task in tasks}
        self._end = self._model.new_int_var(0, horizon, "end")
        self._literals: Mapping[tuple[int, int], cp_model.IntVar] = {}
        hands = [
            self._model.new_fixed_size_interval_var(self._starts[task.key], _ticks(task.minutes), task.key)
            for task in tasks
        ]
        hands += [
            self._model.new_fixed_size_interval_var(
                _ticks(one.start), _ticks(one.end) - _ticks(one.start), ""
            )
            for one in breaks
        ]
        self._model.add_no_overlap(hands)
        for task in tasks:
            start = self._starts[task.key]
            self._model.add(self._end >= start + _ticks(task.minutes))
            for one in task.after:
                if one.key in self._starts:
                    length = self._length(one.key) + _ticks(one.minutes)
                    self._model.add(start >= self._starts[one.key] + length)
        for first, then in before:
            if first in self._starts and then in self._starts:
                self._model.add(self._starts[then] >= self._starts[first] + self._length(first))
        self._solver = cp_model.CpSolver()
        self._solver.parameters.num_workers = 1
        self._solver.parameters.random_seed = 1
        self._solver.parameters.max_deterministic_time = figures.work.SEARCH

    def _length(self, key: str) -> int:
        return _ticks(next(task.minutes for task in self._tasks if task.key == key))

    def soonest(self) -> tuple[list[Task], float]:
        """An order that ends soonest, and by how many minutes one might end sooner still.

        BadInput where there is none.
        """
        self._model.minimize(self._end)
        if self._solver.solve(self._model) not in _FOUND:
            raise BadInput(Problem("No order keeps to all of this: undo one of your wishes.", field="before"))
        end, bound = self._solver.value(self._end), int(self._solver.best_objective_bound)
        return self._order(), max(end - bound, 0) / figures.work.GRID

    def fewest_changes(self, order: list[Task], minutes: float) -> list[Task]:
        """Of the orders that end by then one with fewer changes of tools; the given one if none is found."""
        self._model.add(self._end <= _ticks(minutes))
        places = {task.key: place for place, task in enumerate(self._tasks)}
        arcs, changes = [], []
        for one in range(len(self._tasks) + 1):
            for other in range(len(self._tasks) + 1):
                if one == other:
                    continue
                follows = self._model.new_bool_var(f"{one}-{other}")
                arcs.append((one, other, follows))
                if one and other:
                    first, then = self._tasks[one - 1], self._tasks[other - 1]
                    start = self._starts[then.key]
                    end = self._starts[first.key] + _ticks(first.minutes)
                    self._model.add(start >= end).only_enforce_if(follows)
                    if Tool.NOTHING not in (first.tool, then.tool) and first.tool is not then.tool:
                        changes.append(follows)
        self._model.add_circuit(arcs)
        chain = [0, *(places[task.key] + 1 for task in order), 0]
        linked = set(pairwise(chain))
        for one, other, follows in arcs:
            self._model.add_hint(follows, (one, other) in linked)
        self._model.minimize(sum(changes))
        self._solver.parameters.max_deterministic_time = figures.work.SEARCH_TOOLS
        if self._solver.solve(self._model) not in _FOUND:
            return order
        found = self._order()
        return found if changes_of(found) < changes_of(order) else order

    def _order(self) -> list[Task]:
        """The tasks by when they begin."""
        return sorted(self._tasks, key=lambda task: (self._solver.value(self._starts[task.key]), task.key))


_FOUND = (cp_model.OPTIMAL, cp_model.FEASIBLE)


def _ticks(minutes: float) -> int:
    return round(minutes * figures.work.GRID)
