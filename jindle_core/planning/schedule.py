"""In which order is the work done, so that waits are filled? One pair of hands; what dries does so by itself.

The order is found by constraint programming (OR-Tools' CP-SAT), which proves that none is shorter; then,
with that end, the one with fewest changes of tools. It is bounded by the solver's deterministic time, so
that the same tasks have the same order on every machine; where a proof is not done by then, how far the
end can be from the shortest is told.
"""

from collections.abc import Sequence
from dataclasses import dataclass
from itertools import pairwise
from math import inf

from ortools.sat.python import cp_model

from jindle_core import figures
from jindle_core.planning.task import Task, Tool
from jindle_core.planning.timing import (
    Bounds,
    Break,
    Placed,
    changes_of,
    in_order,
    longest_first,
    one_after_another,
    set_up_of,
    timed,
)
from jindle_core.planning.wishes import Aim, broken, own_order


@dataclass(frozen=True, slots=True)
class Schedule:
    """An order of work. All are minutes: until everything is done, of which hands are at work; how long it
    would take one after another, each wait sat through; how much shorter it could be at most; and what
    taking up other tools takes besides, ``changes`` times. ``set_up_gap`` is how much less that could be
    at most with the same end, None where nobody looked.
    """

    placed: tuple[Placed, ...]
    minutes: float
    hands: float
    in_turn: float
    gap: float
    changes: int
    set_up: float = 0.0
    set_up_gap: float | None = None

    @property
    def minutes_told(self) -> float:
        """Minutes until everything is done, with taking up tools, which the search leaves out."""
        return self.minutes + self.set_up

    @property
    def saved(self) -> float:
        """How much the order saves against one after another."""
        return self.in_turn - self.minutes


def schedule(
    tasks: Sequence[Task],
    aim: Aim = Aim.SOONEST,
    bounds: Bounds | None = None,
    order: Sequence[str] = (),
) -> Schedule:
    """The best order of tasks, each once; or for ``Aim.OWN`` that of ``order``, whatever it breaks.

    BadInput where wishes cannot be kept.
    """
    bounds = bounds or Bounds()
    made = in_order(tasks, bounds.before)
    if not made:
        return Schedule((), 0.0, 0.0, 0.0, 0.0, 0)
    model = _Model(made, bounds)
    best, shortest = model.soonest()
    set_up_gap: float | None = None
    if aim is Aim.OWN:
        best = own_order(best, order)
    elif aim is Aim.TOOLS:
        best = _less_set_up(best, bounds)
        best, set_up_gap = model.least_set_up(best, _ends(best, bounds))
    placed = timed(best, bounds)
    minutes = max(one.end for one in placed)
    return Schedule(
        placed,
        minutes,
        sum(task.minutes for task in made),
        one_after_another(made, bounds),
        max(minutes - shortest, 0.0),
        changes_of(best),
        set_up_of(best),
        set_up_gap,
    )


def _less_set_up(order: list[Task], bounds: Bounds) -> list[Task]:
    """An order that ends no later, with tasks moved to others of their tool as long as that helps."""
    end = _ends(order, bounds)
    better = True
    while better:
        better = False
        for task in order:
            rest = [one for one in order if one is not task]
            for place, other in enumerate(rest, start=1):
                moved = [*rest[:place], task, *rest[place:]]
                if (
                    other.tool is task.tool
                    and set_up_of(moved) < set_up_of(order)
                    and not broken(moved, bounds.before)
                    and _ends(moved, bounds) <= end
                ):
                    order, better = moved, True
                    break
            if better:
                break
    return order


def _ends(order: Sequence[Task], bounds: Bounds) -> float:
    return max(one.end for one in timed(order, bounds))


def _not_before(tasks: Sequence[Task], bounds: Bounds) -> float:
    """The minutes that no order ends before: so long somebody must have been at the table.

    The search finds this by itself where there are no breaks, and hardly where there are many.
    """
    shortest = min(end - begin for begin, end in bounds.stretches)
    # What goes on into a break takes at least the stretch that it begins in.
    work = sum(min(task.minutes, shortest) if bounds.is_long(task) else task.minutes for task in tasks)
    for begin, end in bounds.stretches:
        work -= end - begin
        if work <= 0:
            break
    return begin


class _Model:
    """The constraints of an order, in parts of a minute."""

    def __init__(self, tasks: Sequence[Task], bounds: Bounds) -> None:
        self._tasks, self._model = tasks, cp_model.CpModel()
        self._shortest = _not_before(tasks, bounds)
        self._known = longest_first(tasks, bounds)
        known = timed(self._known, bounds)  # the best is no longer, which leaves less to search
        horizon = _ticks(max(one.end for one in known))
        breaks = [one for one in bounds.breaks if _ticks(one.start) < horizon]
        self._starts = {task.key: self._model.new_int_var(0, horizon, task.key) for task in tasks}
        self._end = self._model.new_int_var(_ticks(self._shortest), horizon, "end")
        self._one_at_a_time(bounds, breaks, horizon)
        self._in_order(bounds)
        for placed in known:
            self._model.add_hint(self._starts[placed.task.key], _ticks(placed.start))
        self._solver = cp_model.CpSolver()
        self._solver.parameters.num_workers = 1
        self._solver.parameters.random_seed = 1
        self._solver.parameters.max_deterministic_time = figures.work.SEARCH
        self._solver.parameters.relative_gap_limit = figures.work.NEAR_ENOUGH if breaks else 0.0

    def _one_at_a_time(self, bounds: Bounds, breaks: Sequence[Break], horizon: int) -> None:
        """There is one pair of hands, and none in a break."""
        hands = [
            self._model.new_fixed_size_interval_var(self._starts[task.key], _ticks(task.minutes), task.key)
            for task in self._tasks
        ]
        self._model.add_no_overlap(hands)
        pauses = [
            self._model.new_fixed_size_interval_var(
                _ticks(one.start), _ticks(one.end) - _ticks(one.start), ""
            )
            for one in breaks
        ]
        short = [hand for hand, task in zip(hands, self._tasks, strict=True) if not bounds.is_long(task)]
        self._model.add_no_overlap(short + pauses)
        for task in self._tasks:
            if bounds.is_long(task):
                starts = [
                    [_ticks(begin), _ticks(begin) if end < inf else max(_ticks(begin), horizon)]
                    for begin, end in bounds.stretches
                ]
                of_its_own = cp_model.Domain.from_intervals(starts)
                self._model.add_linear_expression_in_domain(self._starts[task.key], of_its_own)

    def _in_order(self, bounds: Bounds) -> None:
        """Nothing before what it waits for."""
        for task in self._tasks:
            start = self._starts[task.key]
            self._model.add(self._end >= start + _ticks(task.minutes))
            if task.key in bounds.ready:
                self._model.add(start >= _ticks(bounds.ready[task.key].minutes))
            for one in task.after:
                if one.key in self._starts:
                    length = self._length(one.key) + _ticks(one.minutes)
                    self._model.add(start >= self._starts[one.key] + length)
        for first, then in bounds.before:
            if first in self._starts and then in self._starts:
                self._model.add(self._starts[then] >= self._starts[first] + self._length(first))

    def _length(self, key: str) -> int:
        return _ticks(next(task.minutes for task in self._tasks if task.key == key))

    def soonest(self) -> tuple[list[Task], float]:
        """An order that ends soonest, and the minutes that no order can end before."""
        self._model.minimize(self._end)
        if self._solver.solve(self._model) not in _FOUND:
            return self._known, self._shortest
        return self._order(), int(self._solver.best_objective_bound) / figures.work.GRID

    def least_set_up(self, order: list[Task], minutes: float) -> tuple[list[Task], float]:
        """Of the orders that end by then one that takes up tools in less time, else the given one; and by
        how many minutes it could still be less."""
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
                        changes.append(_ticks(figures.work.SET_UP[then.tool]) * follows)
        self._model.add_circuit(arcs)
        chain = [0, *(places[task.key] + 1 for task in order), 0]
        linked = set(pairwise(chain))
        for one, other, follows in arcs:
            self._model.add_hint(follows, (one, other) in linked)
        self._model.minimize(sum(changes))
        self._solver.parameters.max_deterministic_time = figures.work.SEARCH_TOOLS
        if self._solver.solve(self._model) in _FOUND:
            found = self._order()
            order = found if set_up_of(found) < set_up_of(order) else order
        least = max(self._solver.best_objective_bound, 0.0) / figures.work.GRID
        return order, max(set_up_of(order) - least, 0.0)

    def _order(self) -> list[Task]:
        """The tasks by when they begin."""
        return sorted(self._tasks, key=lambda task: (self._solver.value(self._starts[task.key]), task.key))


_FOUND = (cp_model.OPTIMAL, cp_model.FEASIBLE)


def _ticks(minutes: float) -> int:
    return round(minutes * figures.work.GRID)
