"""In which batches is the work on several cards done: one set-up, one pad, one stamp for all of them?

Tasks of the same kind on the same thing become one, which goes from card to card in the set's order; what a
card waits for is waited for from where it stands in the batch before to where it stands in the next.
"""

from collections import Counter, defaultdict
from collections.abc import Hashable, Mapping, Sequence
from dataclasses import dataclass, replace
from functools import cached_property
from math import ceil

import numpy as np
from scipy.sparse import coo_array
from scipy.sparse.csgraph import connected_components

from jindle_core import figures
from jindle_core.material import End
from jindle_core.planning.step import Step, Wait, listed
from jindle_core.planning.task import After, Task, Work
from jindle_core.planning.tasks import Habits, tasks
from jindle_core.sets.members import Member, stuff

# What each kind of work is called where cards differ in what is done in particular.
_TITLES = {
    Work.BASE: "Cut, score and fold the bases",
    Work.CUT: "Cut out of {of}",
    Work.DIE: "Die-cut out of {of}",
    Work.STAMP: "Stamp",
    Work.COLOUR: "Colour with {of}",
    Work.CUT_OUT: "Cut out",
    Work.EDGE: "Touch up the white edges",
    Work.GROUND: "Lay the grounds, pad by pad",
    Work.INK: "Ink pieces with {of}",
    Work.LAY: "Lay everything dry, and mark where the words go",
    Work.WORDS: "Put the words on",
    Work.INSIDE: "Glue the insides",
    Work.GLUE: "Glue flat",
    Work.RAISE: "Raise on foam",
    Work.TRIM: "Trim what hangs over the edges",
    Work.FINISH: "Set on the finishing pieces",
    Work.POST: "Write inside, and into their envelopes",
}
# What is done to all the cards at one go, whatever it is done to.
_AT_ONE_GO = frozenset(
    {Work.BASE, Work.LAY, Work.INSIDE, Work.GLUE, Work.RAISE, Work.TRIM, Work.FINISH, Work.POST}
)


@dataclass(frozen=True, slots=True)
class _Node:
    """A task of one of the cards."""

    member: Member
    task: Task

    @property
    def key(self) -> tuple[int, str]:
        """What it is known by among all of them."""
        return self.member.key, self.task.key

    @property
    def after(self) -> list[tuple[tuple[int, str], After]]:
        """What it comes after, each by the key of its task."""
        return [((self.member.key, each.key), each) for each in self.task.after]


def batched(
    members: Sequence[Member], cut_first: bool = False, pace: Mapping[Work, float] | None = None
) -> list[Task]:
    """All that is to be done for some cards, those of a batch as one, in the order in which one might.

    Minutes are on the grid that the search counts in; their steps say what is done to which card.
    """
    nodes = [_Node(member, task) for member in members for task in tasks(member.checked, Habits(cut_first))]
    groups = _without_rounds(nodes, [_batch(one) for one in nodes])
    together: dict[Hashable, list[_Node]] = defaultdict(list)
    for one, group in zip(nodes, groups, strict=True):
        together[group].append(one)
    batches = [_Batch(found, pace or {}) for found in together.values()]
    of = {one.key: batch for batch in batches for one in batch.nodes}
    return [batch.task(of) for batch in batches]


def _batch(one: _Node) -> Hashable:
    """What a task must share with others to be done with them."""
    member, task = one.member, one.task
    number, palette = task.key.partition(":")[2], member.palette
    if task.work in _AT_ONE_GO:
        return task.work, task.key.partition(":")[0]
    if task.work is Work.GROUND:
        return task.work, number
    if task.work in (Work.STAMP, Work.CUT_OUT, Work.EDGE):
        picture = palette.card.picture(int(number))
        return task.work, picture.drawing or picture.name
    if task.work is Work.COLOUR:
        return task.work, tuple(task.supplies), bool(task.supplies) or one.key
    if task.work is Work.WORDS:
        (piece,) = task.to
        made = palette.card.build.piece(piece)
        return task.work, made.text, made.made
    return task.work, tuple(stuff(palette, end) for end in task.supplies)


def _without_rounds(nodes: Sequence[_Node], batches: list[Hashable]) -> list[Hashable]:
    """The batches, parted card by card where two would each have to wait for the other."""
    groups = list(batches)
    at = {one.key: place for place, one in enumerate(nodes)}
    edges = [(at[before], place) for place, one in enumerate(nodes) for before, _ in one.after]
    while True:
        numbers = {group: number for number, group in enumerate(dict.fromkeys(groups))}
        found = np.array([(numbers[groups[a]], numbers[groups[b]]) for a, b in edges], dtype=int).reshape(
            -1, 2
        )
        graph = coo_array((np.ones(len(found)), (found[:, 0], found[:, 1])), shape=(len(numbers),) * 2)
        count, part = connected_components(graph, connection="strong")
        loops = {int(a) for a, b in found if a == b}
        sizes = np.bincount(part, minlength=count)
        bad = {group for group, number in numbers.items() if sizes[part[number]] > 1 or number in loops}
        if not bad:
            return groups
        largest = max(bad, key=lambda group: sum(one == group for one in groups))
        groups = [
            (group, one.key) if group == largest else group for group, one in zip(groups, nodes, strict=True)
        ]


class _Batch:
    """Tasks that are done as one."""

    def __init__(self, nodes: Sequence[_Node], pace: Mapping[Work, float]) -> None:
        self.nodes, self._first = nodes, nodes[0].task
        self._share = pace.get(self._first.work, 1.0)
        # Setting up is done once, for the one that takes longest to set up.
        self._once = max(one.task.once for one in nodes)
        # When hands begin and end with each card of each task, in minutes from when the batch is set up.
        self._spans: dict[tuple[int, str], list[tuple[float, float]]] = {}
        at = 0.0
        for one in nodes:
            each = (one.task.usual - one.task.once) * self._share
            spans = [(at + n * each, at + (n + 1) * each) for n in range(one.member.count)]
            self._spans[one.key] = spans
            at = spans[-1][1]
        self._worked = at

    @property
    def _key(self) -> str:
        return f"{self._first.key}@{self.nodes[0].member.key}"

    def task(self, of: Mapping[tuple[int, str], "_Batch"]) -> Task:
        """The batch as a task; ``of`` are all batches by what is done in them."""
        minutes = self._once * self._share + self._worked
        return replace(
            self._first,
            key=self._key,
            words=self._words,
            minutes=max(round(minutes * figures.work.GRID), 1) / figures.work.GRID,
            usual=self._once + self._worked / self._share,
            once=self._once,
            after=tuple(self._after(of)),
            to=(),
            areas=(),
            supplies=self._supplies,
            steps=tuple(self._steps),
            hazards=frozenset().union(*(one.task.hazards for one in self.nodes)),
        )

    def _after(self, of: Mapping[tuple[int, str], "_Batch"]) -> list[After]:
        """What it comes after, each once: the longest that is waited for it."""
        found: dict[str, After] = {}
        for one in self.nodes:
            for key, each in one.after:
                before = of[key]
                left = self._left(one.key, key, each.minutes, before)
                if before._key not in found or found[before._key].minutes < left:
                    found[before._key] = After(before._key, left, each.reason)
        return list(found.values())

    def _left(self, mine: tuple[int, str], theirs: tuple[int, str], wait: float, before: "_Batch") -> float:
        """What is waited between two batches so that no card is gone on with before it has waited enough."""
        most = max(
            wait - (before._worked - ended) - began
            for (_, ended), (began, _) in zip(before._spans[theirs], self._spans[mine], strict=True)
        )
        return max(ceil(most * figures.work.GRID) / figures.work.GRID, 0.0)

    @cached_property
    def _supplies(self) -> tuple[End, ...]:
        """What it takes of supplies; what is in a palette colour is another one in each card."""
        every = (end for one in self.nodes for end in one.task.supplies if end.source == "supply")
        return tuple(dict.fromkeys(every))

    @property
    def _cards(self) -> int:
        return sum({one.member.key: one.member.count for one in self.nodes}.values())

    @property
    def _words(self) -> str:
        same = {one.task.words for one in self.nodes}
        inventory = self.nodes[0].member.checked.inventory
        of = listed(inventory.stock_words(end) for end in self._first.supplies)
        words = self._first.words if len(same) == 1 else _TITLES[self._first.work].format(of=of)
        return f"{words}, {self._cards} cards" if self._cards > 1 else f"{words}, {self.nodes[0].member.name}"

    @property
    def _steps(self) -> list[Step]:
        """What is done to which card: for a ground pad by pad, else card by card."""
        if self._first.work is Work.GROUND:
            return _pad_by_pad(self.nodes, self._supplies)
        alike = len({one.task.steps for one in self.nodes}) == 1
        found = []
        for one in self.nodes:
            times = f", {one.member.count} times" if one.member.count > 1 else ""
            found.append(Step(f"{one.member.name}{times}: {one.task.words}"))
            if not alike or one is self.nodes[-1]:
                found += [_of_batch(step, one.task, self._supplies) for step in one.task.steps]
        return found


def _of_batch(step: Step, task: Task, supplies: Sequence[End]) -> Step:
    """A step of one card as it is of a batch: with the same thing, which has another place among theirs."""
    used = None if step.using is None else task.supplies[step.using]
    return replace(step, using=supplies.index(used) if used in supplies else None, to=())


def _pad_by_pad(nodes: Sequence[_Node], supplies: Sequence[End]) -> list[Step]:
    """The steps of several grounds, each in its own order: the pad that most go on with comes next."""
    left = [(one, list(one.task.steps)) for one in nodes]
    found = []
    while any(steps for _, steps in left):
        pads = Counter(_pad(one, steps[0]) for one, steps in left if steps)
        pad = max(pads, key=lambda key: (key is None, pads[key]))
        said: dict[str, list[str]] = {}
        waits: dict[str, Wait | None] = {}
        for one, steps in left:
            if steps and _pad(one, steps[0]) == pad:
                step = steps.pop(0)
                said.setdefault(step.words, []).append(one.member.name)
                waits[step.words] = waits.get(step.words) or step.wait
        every = len(nodes) > 1
        using = None if pad is None else supplies.index(End("supply", pad))
        found += [
            Step(f"{', '.join(names)}: {words}" if every else words, using, waits[words])
            for words, names in said.items()
        ]
    return found


def _pad(one: _Node, step: Step) -> int | None:
    """The id of the pad that a step is done with, if it is done with one."""
    return None if step.using is None else one.task.supplies[step.using].id
