"""How far is a card being made: what is done, what is in hand, and when was each begun and ended?

Times are seconds of any clock; every answer is a new value.
"""

from collections.abc import Mapping
from dataclasses import dataclass, field, replace
from enum import StrEnum

from jindle_core import figures
from jindle_core.errors import BadInput, Problem
from jindle_core.planning.task import Task


class How(StrEnum):
    """How a step came to be past: done here, done before, or left out."""

    DONE = "done"
    ALREADY = "already"
    SKIPPED = "skipped"


class Press(StrEnum):
    """What a person says of a step at the table."""

    BEGIN = "begin"
    PUT_DOWN = "put-down"
    DONE = "done"
    ALREADY = "already"
    SKIP = "skip"
    BACK = "back"
    LONGER = "longer"
    DRY = "dry"


_PAST = {Press.DONE: How.DONE, Press.ALREADY: How.ALREADY, Press.SKIP: How.SKIPPED}


@dataclass(frozen=True, slots=True)
class Past:
    """A step that is past: since when, and as what it was done.

    ``took`` are the minutes that hands were at it, None where nobody saw it begin; ``more`` those that
    what dries after it is given besides what is planned; ``dry`` says that it is dry already.
    """

    how: How
    at: float
    words: str
    took: float | None = None
    more: float = 0.0
    dry: bool = False


@dataclass(frozen=True, slots=True)
class Progress:
    """How far one is. ``hand`` is the key of the step that hands are at since ``since``, empty for none.

    ``spent`` are the minutes spent on steps that were put down again; ``pressed`` is when something was
    last said, ``sat_down`` when that evening's first was; 0 where nothing was.
    """

    past: Mapping[str, Past] = field(default_factory=dict[str, Past])
    spent: Mapping[str, float] = field(default_factory=dict[str, float])
    hand: str = ""
    since: float = 0.0
    pressed: float = 0.0
    sat_down: float = 0.0

    def as_of(self, now: float) -> "Progress":
        """The same, seen now. Where the clock was put back, what runs goes on for as long as before."""
        if now >= self.pressed:
            return self
        back = self.pressed - now
        past = {key: replace(one, at=one.at - back) for key, one in self.past.items()}
        return replace(self, past=past, since=self.since - back, pressed=now, sat_down=self.sat_down - back)

    def among(self, tasks: list[Task]) -> "Progress":
        """The same, with nothing said of what is not to be done any more."""
        keys = {task.key for task in tasks}
        return replace(
            self,
            past={key: one for key, one in self.past.items() if key in keys},
            spent={key: minutes for key, minutes in self.spent.items() if key in keys},
            hand=self.hand if self.hand in keys else "",
        )

    def after(self, press: Press, task: Task, now: float, minutes: float = 0.0) -> "Progress":
        """How far one is once something was said of a task; BadInput where that cannot be said of it.

        ``minutes`` are those that what dries after it is given besides.
        """
        then = self.as_of(now)
        anew = now - then.pressed > 60 * figures.work.NEW_EVENING
        then = replace(then, pressed=now, sat_down=now if anew else then.sat_down)
        if press is Press.BEGIN:
            return then._begun(task, now)
        if press is Press.PUT_DOWN:
            return then._put_down(now)
        if press in _PAST:
            return then._passed(_PAST[press], task, now)
        if task.key not in self.past:
            raise BadInput(Problem(f"“{task.words}” is not done yet.", field="key", value=task.key))
        if press is Press.BACK:
            return then._taken_back(task)
        one = then.past[task.key]
        longer = replace(one, more=one.more + minutes) if press is Press.LONGER else replace(one, dry=True)
        return replace(then, past={**then.past, task.key: longer})

    def _begun(self, task: Task, now: float) -> "Progress":
        if task.key in self.past:
            raise BadInput(Problem(f"“{task.words}” is done already.", field="key", value=task.key))
        if self.hand == task.key:
            return self
        return replace(self._put_down(now), hand=task.key, since=now)

    def _put_down(self, now: float) -> "Progress":
        if not self.hand:
            return self
        spent = self.spent.get(self.hand, 0.0) + (now - self.since) / 60
        return replace(self, spent={**self.spent, self.hand: spent}, hand="", since=0.0)

    def _passed(self, how: How, task: Task, now: float) -> "Progress":
        """A step is past. Only what was done with the clock running tells how long it took."""
        then = self._put_down(now) if self.hand == task.key else self
        spent = dict(then.spent)
        took = spent.pop(task.key, None)
        one = Past(how, now, task.words, took if how is How.DONE else None)
        return replace(then, past={**then.past, task.key: one}, spent=spent)

    def _taken_back(self, task: Task) -> "Progress":
        past = dict(self.past)
        took = past.pop(task.key).took
        return replace(self, past=past, spent=self.spent if took is None else {**self.spent, task.key: took})
