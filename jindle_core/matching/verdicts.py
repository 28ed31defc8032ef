"""What does one call a distance, given how well both colours are known?"""

import math
from collections.abc import Sequence
from dataclasses import dataclass
from enum import StrEnum

from jindle_core import figures
from jindle_core.colorimetry.difference import direction_words


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


@dataclass(frozen=True, slots=True)
class Judgement:
    """A distance in words, with how sure one can be.

    ``tentative`` says that the uncertainty alone decided: measured exactly,
    the same figure would have been called further.
    """

    verdict: Verdict
    uncertainty: float
    tentative: bool


def combined(first: float, second: float) -> float:
    """The uncertainty of a difference: two independent sigmas in quadrature."""
    return math.hypot(first, second)


def judge_distance(distance: float, uncertainty: float = 0.0) -> Judgement:
    """The verdict on a ΔE00, each limit widened by the combined uncertainty.

    An uncertain pair scatters: the expected square of what is measured is the
    true square plus sigma². So limits widen in quadrature, and two colours
    nearer than their uncertainty are always the same to the eye.

    >>> judge_distance(1.1).verdict, judge_distance(1.1, 0.7).verdict
    (<Verdict.VERY_NEAR: 'very-near'>, <Verdict.SAME: 'same'>)
    """
    if distance < 0:
        raise ValueError(f"a distance cannot be negative, got {distance}")
    verdict = _first(distance, uncertainty)
    return Judgement(verdict, uncertainty, verdict is not _first(distance, 0.0))


def _first(distance: float, uncertainty: float) -> Verdict:
    for limit, verdict in VERDICT_LIMITS:
        if distance <= math.hypot(limit, uncertainty):
            return verdict
    return Verdict.FAR


def direction(target: Sequence[float], other: Sequence[float], distance: float, uncertainty: float) -> str:
    """Which way the other colour (3,) is off the target (3,), in words.

    Empty where their ΔE00 ``distance`` is within the combined uncertainty:
    nothing nearer than that is a difference.
    """
    return direction_words(target, other) if distance > uncertainty else ""
