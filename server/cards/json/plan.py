"""The order of work of a card, as it is told."""

from collections.abc import Mapping
from dataclasses import asdict

from jindle_core.planning.hazards import cautions
from jindle_core.planning.pace import Pace
from jindle_core.planning.planned import Planned
from jindle_core.planning.progress import Past
from jindle_core.planning.task import Task, Work
from jindle_core.planning.timing import Placed
from jindle_core.seen.palette import SeenPalette
from server.cards.json.step import step_told
from server.told.plan import (
    Dries,
    Impossible,
    MaterialUsed,
    Pause,
    PlanStanding,
    StepBefore,
    TaskLeft,
    TaskPast,
    Timer,
)
from server.told.plan import Pace as PaceTold
from server.told.plan import Task as TaskTold


def plan_told(work: Planned, paces: Mapping[Work, Pace], palette: SeenPalette, units: str) -> PlanStanding:
    """The work on a card, without what moves on by itself."""
    return _Telling(work, palette, units).plan(paces)


class _Telling:
    """The work on one card."""

    def __init__(self, work: Planned, palette: SeenPalette, units: str) -> None:
        self._work, self._palette, self._units = work, palette, units
        self._words = {task.key: task.words for task in work.tasks}

    def plan(self, paces: Mapping[Work, Pace]) -> PlanStanding:
        work, found = self._work, self._work.schedule
        wishes, progress = work.wishes, work.progress
        tasks = {task.key: task for task in work.tasks}
        past = sorted(work.past.items(), key=lambda one: one[1].at)
        return PlanStanding(
            begins=work.begins,
            aim=wishes.aim,
            cut_first=wishes.cut_first,
            evening=wishes.evening,
            cards=wishes.cards,
            small_child=wishes.small_child,
            asks_for_child=work.asks_for_child,
            wishes=[self._wish(*wish) for wish in wishes.before],
            impossible=[
                Impossible(reason=one.reason, **vars(self._wish(*one.wish))) for one in work.impossible
            ],
            hand=progress.hand,
            since=progress.since,
            spent=progress.spent.get(progress.hand, 0.0),
            tasks=[self._left(one) for one in found.placed],
            past=[self._past(tasks[key], one) for key, one in past],
            dries=self._dries(),
            timers=self._timers(),
            breaks=[Pause(**asdict(one)) for one in work.breaks if one.start < found.minutes],
            too_long=[task.words for task in work.too_long],
            minutes=round(found.minutes, 1),
            minutes_told=round(found.minutes_told, 1),
            hands=round(found.hands, 1),
            in_turn=round(found.in_turn, 1),
            gap=round(found.gap, 1),
            changes=found.changes,
            set_up=round(found.set_up, 1),
            set_up_gap=None if found.set_up_gap is None else round(found.set_up_gap, 1),
            paces=[
                PaceTold(work=one, share=round(pace.share, 2), steps=pace.steps)
                for one, pace in paces.items()
            ],
            cautions=work.cautions,
        )

    def _dries(self) -> list[Dries]:
        return [
            Dries(
                key=one.task.key,
                words=f"{one.task.words}: {one.reason}",
                start=round(one.start, 1),
                end=round(one.end, 1),
                meanwhile=[task.words for task in one.meanwhile],
            )
            for one in self._work.running
        ]

    def _timers(self) -> list[Timer]:
        return [
            Timer(
                key=one.task.key,
                words=one.task.words,
                reason=one.reason,
                since=one.since,
                until=one.until,
            )
            for one in self._work.timers
        ]

    def _wish(self, first: str, then: str) -> StepBefore:
        words = f"“{self._words[first]}” before “{self._words[then]}”"
        return StepBefore(first=first, then=then, words=words)

    def _task(self, task: Task) -> TaskTold:
        return TaskTold(
            key=task.key,
            work=task.work,
            words=task.words,
            tool=task.tool,
            minutes=task.minutes,
            supplies=[
                MaterialUsed(
                    id=end.id if end.source == "supply" else None,
                    words=self._palette.end_words(end),
                    shades=self._palette.end_shades(end),
                )
                for end in task.supplies
            ],
            steps=[step_told(step, self._units) for step in task.steps],
            cautions=cautions(task.hazards, self._work.wishes.small_child),
            pieces=list(task.to),
            areas=list(task.areas),
        )

    def _left(self, one: Placed) -> TaskLeft:
        task = one.task
        after = f" (after “{self._words[one.since]}”)" if one.since in self._words else ""
        needed = [each for each in task.after if each.key not in self._work.past]
        return TaskLeft(
            start=round(one.start, 1),
            end=round(one.end, 1),
            why=one.reason + after if one.reason else "",
            free_at=self._work.free_at(task),
            needs="; ".join(f"“{self._words[each.key]}”: {each.reason}" for each in needed),
            wrong=[words for wrong, words in self._work.broken if wrong.key == task.key],
            was=self._work.changed.get(task.key, ""),
            **vars(self._task(task)),
        )

    def _past(self, task: Task, past: Past) -> TaskPast:
        took = None if past.took is None else round(past.took, 1)
        return TaskPast(how=past.how, at=past.at, took=took, **vars(self._task(task)))
