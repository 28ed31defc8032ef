"""How does an eye come on: week by week, by exercise, by region, and against chance?"""

from collections.abc import Iterable
from dataclasses import dataclass
from itertools import groupby
from typing import NamedTuple, TypeVar

import numpy as np

from jindle_core import figures
from jindle_core.training.question import Exercise
from jindle_core.training.threshold import Threshold, Trial, right_share, threshold, with_lapses

DAYS = 7
Dated = TypeVar("Dated")


@dataclass(frozen=True, slots=True)
class Answered:
    """An answer: its day's number, right or not, how often a guess is, its choices, its regions.

    ``spread`` is how fine the eye was by then (see ``threshold``).
    """

    day: int
    exercise: Exercise
    right: bool
    chance: float
    trials: tuple[Trial, ...]
    regions: tuple[str, ...]
    spread: float
    value_only: bool = False


@dataclass(frozen=True, slots=True)
class Week:
    """A week of an exercise, by its first day: answers, right ones, and as many as guessing gives.

    The threshold is told where there are enough answers.
    """

    first_day: int
    count: int
    right: int
    by_chance: float
    threshold: Threshold | None


@dataclass(frozen=True, slots=True)
class RegionProgress:
    """How it went in a region, and how it would have gone were it like others; ``weak``: surely worse.

    Of each answer the choice that was hardest counts; its latest weeks have no threshold of their own.
    """

    region: str
    count: int
    right: int
    expected: float
    weak: bool
    weeks: tuple[Week, ...]


def weeks(exercise: Exercise, answers: Iterable[Answered], first_weekday: int = 0) -> list[Week]:
    """The latest weeks of an exercise in which anything was answered, the earliest first.

    Weeks begin on days whose number leaves ``first_weekday`` when it is divided by seven.
    """
    these = [(one.day, one) for one in answers if one.exercise is exercise]
    found = []
    for first, listed in _by_week(these, first_weekday):
        trials = [trial for one in listed if not one.value_only for trial in one.trials]
        enough = sum(not one.value_only for one in listed) >= figures.training.LEAST_ANSWERS
        found.append(
            Week(
                first,
                len(listed),
                sum(one.right for one in listed),
                sum(one.chance for one in listed),
                threshold(exercise, trials) if enough else None,
            )
        )
    return found


def by_region(answers: Iterable[Answered], first_weekday: int = 0) -> list[RegionProgress]:
    """How it goes in each region, the weakest first.

    What is expected is what the person's own eye, as fine as it was each time, makes of just these questions,
    so that a region is not weak because its questions were hard. Ours: the sum of what fell short, in its
    standard deviations.
    """
    counted: dict[str, list[tuple[int, _Hardest]]] = {}
    for one in answers:
        if not one.trials:
            continue
        trial = min(one.trials, key=lambda trial: min(trial.margins))
        choices = len(trial.margins) + 1
        share = right_share(np.array(trial.margins), np.array(one.spread))
        hardest = _Hardest(trial.right, float(with_lapses(share, choices)), 1 / choices)
        for region in one.regions:
            counted.setdefault(region, []).append((one.day, hardest))
    found = []
    for region, each in counted.items():
        right, expected = sum(one.right for _, one in each), sum(one.expected for _, one in each)
        spread = sum(one.expected * (1 - one.expected) for _, one in each) ** 0.5
        short = (expected - right) / spread
        weak = len(each) >= figures.training.WEAK_ANSWERS and short >= figures.training.WEAK
        its_weeks = tuple(
            Week(
                first, len(listed), sum(one.right for one in listed), sum(one.chance for one in listed), None
            )
            for first, listed in _by_week(each, first_weekday)
        )
        found.append((short, RegionProgress(region, len(each), right, expected, weak, its_weeks)))
    return [one for _, one in sorted(found, key=lambda pair: -pair[0])]


class _Hardest(NamedTuple):
    """The hardest choice of an answer: was it right, how likely was that, and by guessing?"""

    right: bool
    expected: float
    chance: float


def _by_week(dated: Iterable[tuple[int, Dated]], first_weekday: int) -> list[tuple[int, list[Dated]]]:
    """What belongs to each of the latest weeks, by its first day."""

    def begins(one: tuple[int, Dated]) -> int:
        return one[0] - (one[0] - first_weekday) % DAYS

    every = groupby(sorted(dated, key=begins), key=begins)
    listed = [(first, [one for _, one in group]) for first, group in every]
    return listed[-figures.training.WEEKS :]
