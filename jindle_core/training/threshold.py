"""How fine is an eye: from how far apart on does it answer right, and how hard is the next question to be?

One model for all exercises: everything is seen with the same error, normally distributed (Thurstone 1927,
case V); the one that seems right is chosen (Green and Swets 1966, m alternatives), and now and then an
answer is a slip. The spread of that error, by now, is found as Bayes would, on a grid of its logarithm
(King-Smith and others 1994; Watson and Pelli 1983) that holds as well how much finer the eye got while it was
asked and how often it slips: neither is known. The next question is so hard that ``figures.training.TARGET``
of such answers are right.
"""

from collections.abc import Sequence
from dataclasses import dataclass
from functools import cache

import numpy as np
from numpy.typing import NDArray
from scipy.optimize import brentq
from scipy.special import ndtr, ndtri

from jindle_core import figures
from jindle_core.colorimetry.spaces import Array
from jindle_core.training.question import ORDERS, Exercise

_NODES, _WEIGHTS = np.polynomial.hermite_e.hermegauss(18)
_WEIGHTS = _WEIGHTS / _WEIGHTS.sum()
_NEVER = 1e-9  # rarer than which nothing is taken for


@dataclass(frozen=True, slots=True)
class Trial:
    """One choice that was made: by how much the right one was ahead of each other (ΔL* or ΔE00); right?

    ``of`` so many that one order gave: an error in one colour spoils two of them, so that each says less.
    """

    margins: tuple[float, ...]
    right: bool
    of: int = 1

    @property
    def weight(self) -> float:
        """How much of a choice of its own it counts."""
        return float(min(1.0, figures.training.ALONE / self.of) ** 0.5)


@dataclass(frozen=True, slots=True)
class Threshold:
    """From how far apart on ``figures.training.TARGET`` are right, and within which interval; ΔL* or ΔE00.

    ``spread`` is one sigma of what is seen; ``answers`` how many choices it stands on, ``finest`` the
    threshold that the hardest of them was meant for (infinite where there are none).
    """

    value: float
    low: float
    high: float
    spread: float
    answers: int
    finest: float

    @property
    def beyond(self) -> bool:
        """Whether the eye is plainly finer than anything that could be asked."""
        return self.value < figures.training.BEYOND * self.finest


def right_share(margins: Array, spread: Array) -> Array:
    """How often the right one of m is chosen (…): it is ahead of the others by margins (…, m − 1).

    ``spread`` (…) is one sigma with which each is seen, in the same unit.

    >>> round(float(right_share(np.array([0.0, 0.0, 0.0]), np.array(1.0))), 3)
    0.25
    """
    ahead = np.asarray(margins, dtype=float) / np.asarray(spread, dtype=float)[..., None]
    if ahead.shape[-1] == 1:
        return np.asarray(ndtr(ahead[..., 0] / np.sqrt(2)))
    return np.asarray(np.prod(ndtr(ahead[..., None] + _NODES), axis=-2) @ _WEIGHTS)


def with_lapses(share: Array, choices: int, lapse: Array | float = figures.training.LAPSE) -> Array:
    """The same with slips, after which one of so many is chosen at random; how many broadcasts with it."""
    return np.asarray(lapse / choices + (1 - lapse) * share)


@cache
def _per_spread(choices: int, share: float) -> float:
    """How many spreads all others must be behind for a share of answers to be right."""
    if choices == 2:
        return float(np.sqrt(2) * ndtri(share))

    def over(margin: float) -> float:
        return float(right_share(np.full(choices - 1, margin), np.array(1.0))) - share

    return float(brentq(over, 0.0, 20.0))


def choices_of(exercise: Exercise) -> int:
    """Of how many each choice is: an order is judged two by two."""
    if exercise in ORDERS:
        return 2
    return figures.training.STRIPS if exercise is Exercise.JOIN else figures.training.CHOICES


def threshold(exercise: Exercise, trials: Sequence[Trial]) -> Threshold:
    """How fine an eye is by now in an exercise, from the choices that it made, the latest last.

    The mean of the logarithm, and the interval that holds ``figures.training.BAND`` of what is likely.
    That choices of one order count for less each is ours: with full weight the interval of orders held the
    truth of 79 of 100 made-up learners instead of 90 (the bench measures it as it is now).
    """
    logs = _grid()
    in_orders = exercise in ORDERS
    told = figures.training.FINER_IN_ORDERS if in_orders else figures.training.FINER_IN_CHOICES
    finer, slips = (np.array(list(one)) for one in (told, figures.training.SLIPS))
    usual = np.log(figures.training.USUAL_SPREAD[exercise.value])
    likely = -0.5 * ((logs - usual) / figures.training.SPREAD_SIGMA) ** 2
    likely = likely + np.log(list(told.values()))[:, None]
    likely = likely[..., None] + np.log(list(figures.training.SLIPS.values()))
    question = _questions(trials)
    count = question[-1] + 1 if trials else 0
    # By question how likely its answer is of who looked, for each way to get finer and each spread by now,
    # and of who slipped; and how much it counts.
    looked, slipped, counts = np.zeros((count, len(finer), len(logs))), np.zeros(count), np.ones(count)
    for others in {len(trial.margins) for trial in trials}:
        these = [at for at, trial in enumerate(trials) if len(trial.margins) == others]
        of = question[these]
        ago = (count - 1 - of)[:, None, None] / figures.training.FINER_OVER
        then = np.exp(logs + np.log(2) * finer[:, None] * ago)
        margins = np.array([trials[at].margins for at in these])
        share = right_share(margins[:, None, None], then).clip(_NEVER, 1 - _NEVER)
        right = np.array([trials[at].right for at in these])
        np.add.at(looked, of, np.log(np.where(right[:, None, None], share, 1 - share)))
        by_chance = 1 / (others + 1)
        np.add.at(slipped, of, np.log(np.where(right, by_chance, 1 - by_chance)))
        counts[of] = [trials[at].weight for at in these]
    either = np.logaddexp(looked[..., None] + np.log1p(-slips), slipped[:, None, None, None] + np.log(slips))
    likely += (counts[:, None, None, None] * either).sum(axis=0)
    weights = np.exp(likely - likely.max()).sum(axis=(0, 2))
    weights /= weights.sum()
    summed = np.cumsum(weights)
    half = (1 - figures.training.BAND) / 2
    low, high = np.exp(np.interp([half, 1 - half], summed, logs))
    spread = float(np.exp(weights @ logs))
    per = _per_spread(choices_of(exercise), figures.training.TARGET)
    finest = min((_meant_for(trial) for trial in trials), default=float("inf"))
    return Threshold(spread * per, float(low) * per, float(high) * per, spread, len(trials), finest)


def _questions(trials: Sequence[Trial]) -> NDArray[np.intp]:
    """Of which question (n,) each choice is, counted from the first."""
    before = np.cumsum([1 / trial.of for trial in trials])
    return np.asarray(np.ceil(np.round(before, 6)) - 1, dtype=np.intp)


def _meant_for(trial: Trial) -> float:
    """The threshold (ΔL* or ΔE00) at which a question with such a choice is right as often as is aimed at."""
    if len(trial.margins) > 1:
        return min(trial.margins)
    target = figures.training.TARGET
    return min(trial.margins) * _per_spread(2, target) / _per_spread(2, target ** (1 / trial.of))


def wanted_margin(exercise: Exercise, spread: float, count: int) -> float:
    """How far apart the next question is to be (ΔL* or ΔE00), if it puts ``count`` in order."""
    if exercise not in ORDERS:
        return spread * _per_spread(choices_of(exercise), figures.training.TARGET)
    return spread * _per_spread(2, figures.training.TARGET ** (1 / (count - 1)))


@cache
def _grid() -> Array:
    least, most, steps = figures.training.SPREAD_GRID
    return np.linspace(np.log(least), np.log(most), steps)
