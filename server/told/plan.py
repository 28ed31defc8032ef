"""In which order is a card made?"""

from collections.abc import Sequence
from typing import Annotated

from jindle_core.colorimetry.views import Shades
from jindle_core.planning.progress import How
from jindle_core.planning.task import Tool, Work
from jindle_core.planning.wishes import Aim
from server.told.answer import Answer
from server.told.card import Step


class MaterialUsed(Answer):
    """What is taken for a task; its id where it is a supply."""

    id: int | None
    words: str
    shades: Shades


class Task(Answer):
    """A piece of work."""

    key: str
    work: Work
    words: str
    tool: Tool
    minutes: Annotated[float, "of hands, for all cards"]
    supplies: Sequence[MaterialUsed]
    steps: Sequence[Step]
    cautions: Sequence[str]
    pieces: Annotated[Sequence[int], "keys; the base is 0"]
    areas: Annotated[Sequence[int], "keys"]


class TaskLeft(Task):
    """One that is to be done: when (minutes from the start of the plan), and why it does not begin sooner."""

    start: float
    end: float
    why: Annotated[str, "why not sooner; blank: nothing is in the way of it"]
    free_at: Annotated[
        float | None, "the second from when it can be done; null: something must be done before"
    ]
    needs: Annotated[str, "what is to be done or waited for before it; blank: nothing is"]
    wrong: Annotated[Sequence[str], "what its place breaks"]
    was: Annotated[str, "as what it was done before, where the card was changed since"]


class TaskPast(Task):
    """One that is past: how, when, and the minutes it took, null where nobody saw it begin."""

    how: How
    at: float
    took: float | None


class Dries(Answer):
    """What runs by itself after a task: from when until when, for what, and what is done meanwhile."""

    key: Annotated[str, "of the task"]
    words: str
    start: float
    end: float
    meanwhile: Sequence[str]


class Timer(Answer):
    """What runs by itself after a task that is past: from which second until which."""

    key: Annotated[str, "of the task"]
    words: str
    reason: str
    since: float
    until: float


class Pause(Answer):
    """When nobody is at the table."""

    start: float
    end: float


class StepBefore(Answer):
    """A wish: the first is wanted before the other."""

    first: str
    then: str
    words: str


class Impossible(StepBefore):
    """A wish that cannot be kept, as words of its two steps, and what stands against it."""

    reason: str


class Pace(Answer):
    """A person's own pace at a kind of work, the median of so many steps: the share of the usual minutes."""

    work: Work
    share: float
    steps: int


class UsedInstead(Answer):
    """What was used otherwise than planned."""

    of: str
    was: str
    label: str
    range: str
    medium: str
    shade: str
    hue: str
    name: str


class PlanStanding(Answer):
    """An order of work without what moves on by itself."""

    begins: Annotated[float, "the second that the plan counts from; 0: nothing is begun"]
    aim: Aim
    cut_first: bool
    evening: int | None
    cards: int
    small_child: bool | None
    asks_for_child: bool
    wishes: Sequence[StepBefore]
    impossible: Sequence[Impossible]
    hand: Annotated[str, "the key of the step that hands are at; blank: none"]
    since: Annotated[float, "the second since when they are"]
    spent: Annotated[float, "minutes that it took before it was put down"]
    tasks: Sequence[TaskLeft]
    past: Sequence[TaskPast]
    dries: Sequence[Dries]
    timers: Sequence[Timer]
    breaks: Sequence[Pause]
    too_long: Annotated[Sequence[str], "steps longer than an evening: each has one of its own"]
    minutes: Annotated[float, "until all is done, without taking up other tools"]
    minutes_told: Annotated[float, "the same with it"]
    hands: Annotated[float, "of which hands are at work"]
    in_turn: Annotated[float, "if each wait were sat through"]
    gap: Annotated[float, "by how much it could be shorter at most; 0: proven shortest"]
    changes: Annotated[int, "of tools"]
    set_up: Annotated[float, "minutes that those take besides"]
    set_up_gap: Annotated[float | None, "by how much that could be less at most; null: nobody looked"]
    paces: Sequence[Pace]
    cautions: Sequence[str]


class Plan(PlanStanding):
    """The order of work; times are minutes from ``begins`` unless they are said to be seconds."""

    version: int
    now: Annotated[float, "the second that it is"]
    instead: Sequence[UsedInstead]
