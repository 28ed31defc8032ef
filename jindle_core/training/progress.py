"""How does an eye come on: week by week, by exercise, by region, and against chance?"""

from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from itertools import groupby

import numpy as np

from jindle_core import figures
from jindle_core.training.question import Exercise
from jindle_core.training.threshold import Threshold, Trial, right_share, threshold, with_lapses

DAYS = 7


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
    """How it went in a region, and how it would have gone were it like others; ``weak``: surely worse."""

    region: str
    count: int
    right: int
    expected: float
    weak: bool


def weeks(exercise: Exercise, answers: Iterable[Answered], first_weekday: int = 0) -> list[Week]:
    """The latest weeks of an exercise in which anything was answered, the earliest first.

    Weeks begin on days whose number leaves ``first_weekday`` when it is divided by seven.
    """
    these = [one for one in answers if one.exercise is exercise]

    def begins(one: Answered) -> int:
        return one.day - (one.day - first_weekday) % DAYS

    found = []
    every = [(first, list(group)) for first, group in groupby(sorted(these, key=begins), key=begins)]
    for first, listed in every[-figures.training.WEEKS :]:
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


def by_region(answers: Sequence[Answered]) -> list[RegionProgress]:
    """How it goes in each region, the weakest first.

    What is expected is what the person's own eye, as fine as it was each time, makes of just these questions,
    so that a region is not weak because its questions were hard. Ours: the sum of what fell short, in its
    standard deviations.
    """
    counted: dict[str, list[tuple[bool, float]]] = {}
    for one in answers:
        if not one.trials:
            continue
        hardest = min(one.trials, key=lambda trial: min(trial.margins))
        share = right_share(np.array(hardest.margins), np.array(one.spread))
        expected = float(with_lapses(share, len(hardest.margins) + 1))
        for region in one.regions:
            counted.setdefault(region, []).append((hardest.right, expected))
    found = []
    for region, each in counted.items():
        right, expected = sum(one for one, _ in each), sum(share for _, share in each)
        spread = sum(share * (1 - share) for _, share in each) ** 0.5
        short = (expected - right) / spread
        weak = len(each) >= figures.training.WEAK_ANSWERS and short >= figures.training.WEAK
        found.append((short, RegionProgress(region, len(each), right, expected, weak)))
    return [one for _, one in sorted(found, key=lambda pair: -pair[0])]
