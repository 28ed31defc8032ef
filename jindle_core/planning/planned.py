"""How does the work on a card stand: what is past, in which order is the rest done, and what stands against
what a person wants of it?"""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from math import ceil

from jindle_core import figures
from jindle_core.checked.whole import CheckedCard
from jindle_core.planning.hazards import cautions
from jindle_core.planning.pace import Pace
from jindle_core.planning.progress import How, Past, Progress
from jindle_core.planning.schedule import Schedule, schedule
from jindle_core.planning.task import After, Hazard, Task, Work
from jindle_core.planning.tasks import Habits, tasks
from jindle_core.planning.timing import Bounds, Break
from jindle_core.planning.wishes import Aim, Impossible, Wishes, broken, kept


@dataclass(frozen=True, slots=True)
class Running:
    """What dries, cools or sets after a task, and what is done meanwhile; in minutes of the plan."""

    task: Task
    reason: str
    start: float
    end: float
    meanwhile: tuple[Task, ...]


@dataclass(frozen=True, slots=True)
class Timer:
    """What dries, cools or sets after a step that is past, from and until which second, and for what."""

    task: Task
    reason: str
    since: float
    until: float


@dataclass(frozen=True)
class Planned:
    """The work on a card: all of it, what of it is past, by key, and the order of the rest.

    ``begins`` is the second that the minutes of ``schedule`` count from; ``wishes`` and ``progress`` are
    what they are of the steps that there are; ``broken`` is what an order of the person's own breaks.
    """

    tasks: tuple[Task, ...]
    wishes: Wishes
    progress: Progress
    past: Mapping[str, Past]
    schedule: Schedule
    begins: float
    breaks: tuple[Break, ...]
    impossible: tuple[Impossible, ...]
    broken: tuple[tuple[Task, str], ...]

    @property
    def changed(self) -> dict[str, str]:
        """By key as what a step was done that is another by now."""
        return {key: one.words for key, one in self.progress.past.items() if key not in self.past}

    @property
    def asks_for_child(self) -> bool:
        """Whether it is to be asked if the card is for a small child: it has what one could swallow."""
        return self.wishes.small_child is None and any(Hazard.SMALL in task.hazards for task in self.tasks)

    @property
    def cautions(self) -> list[str]:
        """All that is to be taken care of."""
        return cautions({hazard for task in self.tasks for hazard in task.hazards}, self.wishes.small_child)

    @property
    def too_long(self) -> list[Task]:
        """Steps that are longer than an evening: each has one of its own, and goes on into the night."""
        bounds = Bounds(self.breaks)
        return [one.task for one in self.schedule.placed if bounds.is_long(one.task)]

    @property
    def running(self) -> list[Running]:
        """Of each step the longest that something waits for it; of those that are past what is left of it."""
        last: dict[str, tuple[float, float, str]] = {}
        ends = {one.task.key: one.end for one in self.schedule.placed}
        known = {one.key: one for one in self.tasks}
        for placed in self.schedule.placed:
            for one in placed.task.after:
                if one.key in ends:
                    start, wait = ends[one.key], one.minutes
                else:
                    start, wait = 0.0, _still(one, self.progress, self.begins)
                if wait > 0 and start + wait > last.get(one.key, (0.0, 0.0, ""))[1]:
                    last[one.key] = (start, start + wait, one.reason)
        return [
            Running(known[key], reason, start, end, self._between(start, end))
            for key, (start, end, reason) in last.items()
        ]

    def next_at(self, now: float) -> Task | None:
        """The first step in the order that can be done at a second; None where all wait for something."""
        for placed in self.schedule.placed:
            at = self.free_at(placed.task)
            if at is not None and at <= now:
                return placed.task
        return None

    @property
    def timers(self) -> list[Timer]:
        """Of each step that is past the longest that something left still waits, or has waited, for it."""
        known = {one.key: one for one in self.tasks}
        found: dict[str, Timer] = {}
        for placed in self.schedule.placed:
            for one in placed.task.after:
                past = self.past.get(one.key)
                if past is None or (until := dry_at(past, one)) <= past.at:
                    continue
                if one.key not in found or found[one.key].until < until:
                    found[one.key] = Timer(known[one.key], one.reason, past.at, until)
        return sorted(found.values(), key=lambda one: one.until)

    def _between(self, start: float, end: float) -> tuple[Task, ...]:
        """What hands are at in between, at least half of it."""
        return tuple(
            one.task
            for one in self.schedule.placed
            if min(one.end, end) - max(one.start, start) >= one.task.minutes / 2
        )

    def free_at(self, task: Task) -> float | None:
        """The second from when a step can be done, after what it needs is past; None as long as it is not."""
        if any(one.key not in self.past for one in task.after):
            return None
        return max((dry_at(self.past[one.key], one) for one in task.after), default=0.0)


def dry_at(past: Past, wait: After) -> float:
    """The second at which what dries after a step that is past has done so for what comes next."""
    minutes = wait.minutes + past.more if wait.minutes else 0.0
    return past.at + 60 * (0.0 if past.how is not How.DONE or past.dry else max(minutes, 0.0))


def planned(
    checked: CheckedCard,
    wishes: Wishes | None = None,
    progress: Progress | None = None,
    paces: Mapping[Work, Pace] | None = None,
    now: float = 0.0,
) -> Planned:
    """The work on a card, seen at a second ``now``; the same for the same hour after the last press."""
    wishes = wishes or Wishes()
    every = tasks(checked, Habits(wishes.cut_first, wishes.cards, shares(paces or {})))
    return standing(every, wishes, progress or Progress(), now)


def shares(paces: Mapping[Work, Pace]) -> dict[Work, float]:
    """How much of the usual minutes each kind of work takes."""
    return {work: one.share for work, one in paces.items()}


def standing(every: list[Task], wishes: Wishes, progress: Progress, now: float) -> Planned:
    """How the work stands where these are all the tasks."""
    progress = progress.as_of(now)
    wishes, progress = wishes.among(every), progress.among(every)
    begins = begins_at(progress, now)
    past = _past(every, progress)
    left = [_in_hand(task) if task.key == progress.hand else task for task in every if task.key not in past]
    possible, impossible = kept(left, wishes.before)
    first = [(progress.hand, task.key) for task in left if progress.hand and task.key != progress.hand]
    in_hand, _ = kept(left, [*first, *possible])
    ready = {
        task.key: max(waits, key=lambda one: one.minutes)
        for task in left
        if (waits := list(_waits(task, progress, past, begins)))
    }
    bounds = Bounds(_nights(wishes.evening, progress, begins), tuple(in_hand), ready)
    found = schedule(left, wishes.aim, bounds, (progress.hand, *wishes.order))
    own = [one.task for one in found.placed] if wishes.aim is Aim.OWN else []
    return Planned(
        tuple(every), wishes, progress, past, found, begins, bounds.breaks, tuple(impossible),
        tuple(broken(own, possible)),
    )  # fmt: skip


def begins_at(progress: Progress, now: float) -> float:
    """The second that a plan begins at: the last press, or whole hours after it once that is long ago."""
    hour = 60 * figures.work.AWAY
    return progress.pressed + max(now - progress.pressed, 0.0) // hour * hour if progress.pressed else 0.0


def _past(every: Sequence[Task], progress: Progress) -> dict[str, Past]:
    """What is past; a step that is another than it was done as is to be done again."""
    words = {task.key: task.words for task in every}
    return {key: one for key, one in progress.past.items() if words.get(key) == one.words}


def _in_hand(task: Task) -> Task:
    """What hands are at already waits for nothing."""
    return replace(task, after=())


def _still(wait: After, progress: Progress, begins: float) -> float:
    """The minutes that are still waited for what is past, on the grid that the search counts in."""
    past = progress.past.get(wait.key)
    left = (dry_at(past, wait) - begins) / 60 if past else 0.0
    return max(ceil(left * figures.work.GRID) / figures.work.GRID, 0.0)


def _waits(task: Task, progress: Progress, past: Mapping[str, Past], begins: float) -> list[After]:
    return [
        After(one.key, still, one.reason)
        for one in task.after
        if one.key in past and (still := _still(one, progress, begins))
    ]


def _nights(evening: int | None, progress: Progress, begins: float) -> tuple[Break, ...]:
    """When nobody is at the table; of this evening what is past since the person sat down."""
    if evening is None:
        return ()
    gone = (begins - progress.sat_down) / 60
    left = evening - gone if gone * 60 < 60 * figures.work.NEW_EVENING else float(evening)
    first = max(round(left * figures.work.GRID) / figures.work.GRID, 0.0)
    day = evening + figures.work.OVERNIGHT
    return tuple(
        Break(first + night * day, first + night * day + figures.work.OVERNIGHT)
        for night in range(figures.work.EVENINGS - 1)
    )
