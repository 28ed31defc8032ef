"""What does one call a distance, given how well both colours are known?"""

import math
from collections.abc import Sequence
from dataclasses import dataclass
from enum import StrEnum
from functools import cache

import numpy as np
from scipy.special import chndtr, chndtrix

from jindle_core import figures
from jindle_core.colorimetry.difference import direction_words
from jindle_core.colorimetry.spaces import Array


class Verdict(StrEnum):
    """How near two colours are, in the words used on every screen."""

    SAME = "same"
    VERY_NEAR = "very-near"
    NEAR = "near"
    COUSIN = "cousin"
    FAR = "far"


VERDICT_LIMITS = (
    (figures.colour.SAME_TO_THE_EYE, Verdict.SAME),
    (figures.colour.VERY_NEAR, Verdict.VERY_NEAR),
    (figures.colour.NEAR, Verdict.NEAR),
    (figures.colour.COUSIN, Verdict.COUSIN),
)
_FREE = 3  # L*, a*, b*
_EXACT = 1e-3  # of a ΔE00: less doubt than this is none
_IN_SIGMAS = np.linspace(0, 8, 161)  # beyond which nothing changes by a fortieth of σ any more


@dataclass(frozen=True, slots=True)
class Judgement:
    """A distance in words, with how sure one can be.

    ``chance`` is how likely the true distance is within the limit of the verdict's word (of *far*: beyond
    the last one), ``tentative`` that this is not sure enough to be said without *probably*. Four of five true
    distances lie between ``low`` and ``high`` (ΔE00), which are called ``nearest`` and ``farthest``.
    """

    verdict: Verdict
    uncertainty: float
    chance: float
    nearest: Verdict
    farthest: Verdict
    low: float
    high: float

    @property
    def tentative(self) -> bool:
        """Whether the word is said with *probably*."""
        return self.chance < figures.colour.VERDICT_SURE


def combined(first: float, second: float) -> float:
    """The uncertainty of a difference: two independent sigmas in quadrature."""
    return math.hypot(first, second)


def within(distance: float, uncertainty: float, limit: float) -> float:
    """How likely two colours that seem a ΔE00 apart are truly no farther apart than a limit.

    Each of L*, a*, b* of what is seen lies off by a normal error; so, the truth of any place being as likely
    as that of another, the square of the true distance is noncentral χ² with three degrees of freedom
    (Abramowitz and Stegun 1964, 26.4.25). How much of a σ in ΔE00 is an error's variance along one axis is
    ours (``figures.colour.VERDICT_VARIANCE``); how well the chances hold stands in ``docs/truth.md``.

    >>> round(within(3, 5.7, 5), 2)
    0.47
    """
    if uncertainty < _EXACT:
        return float(distance <= limit)
    variance = figures.colour.VERDICT_VARIANCE * uncertainty**2
    return float(chndtr(limit**2 / variance, _FREE, distance**2 / variance))


def judge_distance(distance: float, uncertainty: float = 0.0) -> Judgement:
    """The verdict on a ΔE00: the first word within whose limit the true distance lies as likely as not.

    Two colours that are not known surely are not nearer for that: what is measured between them is drawn
    apart in every direction, and more of these lead away than towards. So no two labels are ever the same to
    the eye, however near they lie.

    >>> judge_distance(1.1).verdict, judge_distance(1.1, 0.7).verdict, judge_distance(1.1, 5.7).verdict
    (<Verdict.VERY_NEAR: 'very-near'>, <Verdict.VERY_NEAR: 'very-near'>, <Verdict.NEAR: 'near'>)
    """
    if distance < 0:
        raise ValueError(f"a distance cannot be negative, got {distance}")
    chances = [within(distance, uncertainty, limit) for limit, _ in VERDICT_LIMITS]
    half, low, high = (_first(chances, least) for least in (0.5, *_BAND))
    at = VERDICTS.index(half)
    chance = chances[at] if half is not Verdict.FAR else 1 - chances[-1]
    lows, highs = (_true(distance, uncertainty, share) for share in _BAND)
    return Judgement(half, uncertainty, chance, low, high, lows, highs)


VERDICTS = tuple(Verdict)
_BAND = (figures.colour.VERDICT_BAND, 1 - figures.colour.VERDICT_BAND)


def _first(chances: Sequence[float], least: float) -> Verdict:
    """The first word whose chance reaches a least one."""
    told = (verdict for chance, (_, verdict) in zip(chances, VERDICT_LIMITS, strict=True) if chance >= least)
    return next(told, Verdict.FAR)


@cache
def _off(share: float) -> Array:
    """By distances in σ, how much farther, in σ, the true distance that so large a share lies below."""
    variance = figures.colour.VERDICT_VARIANCE
    true = np.sqrt(variance * chndtrix(share, _FREE, _IN_SIGMAS**2 / variance))
    return np.asarray(true - _IN_SIGMAS)


def _true(distance: float, uncertainty: float, share: float) -> float:
    """The true distance that so large a share of the likely ones is below."""
    if uncertainty < _EXACT:
        return distance
    return distance + uncertainty * float(np.interp(distance / uncertainty, _IN_SIGMAS, _off(share)))


def may_be(distance: float, uncertainty: float) -> Verdict:
    """The nearest word that two colours could be called at all: each limit is widened by their uncertainty.

    What is asked where something is only to be ruled out that surely cannot be.

    >>> may_be(9.5, 0.0), may_be(9.5, 4.0)
    (<Verdict.FAR: 'far'>, <Verdict.COUSIN: 'cousin'>)
    """
    widened = (verdict for limit, verdict in VERDICT_LIMITS if distance <= math.hypot(limit, uncertainty))
    return next(widened, Verdict.FAR)


def direction(target: Sequence[float], other: Sequence[float], distance: float, uncertainty: float) -> str:
    """Which way the other colour (3,) is off the target (3,), in words.

    Empty where their ΔE00 ``distance`` is within the combined uncertainty:
    nothing nearer than that is a difference.
    """
    return direction_words(target, other) if distance > uncertainty else ""
