"""How far apart are two colours, and in which direction?"""

import math
from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np
from colour.difference import delta_E_CIE2000

from jindle_core import figures
from jindle_core.colorimetry.naming import hue_name
from jindle_core.colorimetry.spaces import Array


def delta_e(target: Array, other: Array) -> Array:
    """ΔE00 (…) between CIELAB colours (…, 3); the two broadcast (CIE 142:2001, ISO/CIE 11664-6)."""
    return np.asarray(delta_E_CIE2000(target, other), dtype=float)


def din99o(lab: Array) -> Array:
    """DIN99o coordinates (…, 3) of CIELAB, kE = kCH = 1 (DIN 6176:2018).

    A Euclidean space close enough to ΔE00 to search in; colour-science has
    only its forerunners up to DIN99d. Checked in the tests by L 100 → 100,
    the neutral axis, and its agreement with ΔE00 on the published pairs.
    """
    lightness, a, b = np.moveaxis(np.asarray(lab, dtype=float), -1, 0)
    turn = np.radians(26)
    e = a * np.cos(turn) + b * np.sin(turn)
    f = 0.83 * (b * np.cos(turn) - a * np.sin(turn))
    chroma = np.log1p(0.075 * np.hypot(e, f)) / 0.0435
    hue = np.arctan2(f, e) + turn
    return np.stack(
        [303.67 * np.log1p(0.0039 * lightness), chroma * np.cos(hue), chroma * np.sin(hue)], axis=-1
    )


@dataclass(frozen=True, slots=True)
class Components:
    """A difference taken apart: what the other has more (+) or less (−) of.

    ``lightness`` ΔL*, ``chroma`` ΔC*ab, ``hue`` ΔH*ab, signed: positive turns
    counter-clockwise, from red to yellow to green to blue.
    """

    lightness: float
    chroma: float
    hue: float


def components(target: Sequence[float], other: Sequence[float]) -> Components:
    """The difference of one colour (3,) from a target (3,) (CIE 15:2018, 8.2.1.2)."""
    chroma_1, chroma_2 = math.hypot(*target[1:]), math.hypot(*other[1:])
    turn = math.atan2(other[2], other[1]) - math.atan2(target[2], target[1])
    turn = (turn + math.pi) % (2 * math.pi) - math.pi
    hue = 2 * math.sqrt(chroma_1 * chroma_2) * math.sin(turn / 2)
    return Components(other[0] - target[0], chroma_2 - chroma_1, hue)


_HUELESS = 4.0  # C*ab below which a colour has no hue to speak of
# What one says of a hue (CIELAB, up to an angle) that turns counter-clockwise, and of one that turns back:
# the next plain name on that side, which lies farther on than the hue itself.
_ON = (
    (10, "redder"),
    (50, "more orange"),
    (80, "yellower"),
    (130, "greener"),
    (255, "bluer"),
    (295, "more violet"),
    (335, "pinker"),
    (360, "redder"),
)
_BACK = (
    (45, "pinker"),
    (75, "redder"),
    (110, "more orange"),
    (170, "yellower"),
    (265, "greener"),
    (325, "bluer"),
    (360, "more violet"),
)


def direction_words(target: Sequence[float], other: Sequence[float]) -> str:
    """How the other colour (3,) differs from the target (3,), as one would say it.

    Names the largest component, and the second where it comes near the first;
    empty where none is large enough to name. Hues that lie far apart are not on
    the way to one another: both are named outright.

    >>> direction_words([50, 0, -30], [53, 0, -30])
    'a touch lighter'
    >>> direction_words([42, -14, -22], [60, 10, 26])
    'a different hue: golden yellow against blue, and much lighter'
    """
    parts = components(target, other)
    # A step in chroma or hue looks smaller than the same step in lightness the
    # stronger the colour is: the S_C and S_H of ΔE00.
    strength = math.hypot(target[1], target[2])
    named = [
        (abs(parts.lightness), "lighter" if parts.lightness > 0 else "darker"),
        (abs(parts.chroma) / (1 + 0.045 * strength), "stronger" if parts.chroma > 0 else "duller"),
    ]
    if _hues_apart(target, other) > figures.colour.DIRECTION_HUE:
        told = f"a different hue: {hue_name(other)} against {hue_name(target)}"
        beside = _worded(named)
        return f"{told}, and {beside}" if beside else told
    named.append((abs(parts.hue) / (1 + 0.015 * strength), _hue_word(target, other, parts.hue)))
    return _worded(named)


def _worded(named: list[tuple[float, str]]) -> str:
    ranked = sorted(named, key=lambda part: part[0], reverse=True)
    largest = ranked[0][0]
    if largest < figures.colour.DIRECTION_FLOOR:
        return ""
    least = max(figures.colour.DIRECTION_FLOOR, figures.colour.DIRECTION_SHARE * largest)
    told = " and ".join(word for size, word in ranked[:2] if size >= least)
    if largest < figures.colour.DIRECTION_TOUCH:
        return "a touch " + told
    return "much " + told if largest >= figures.colour.DIRECTION_MUCH else told


def _hues_apart(target: Sequence[float], other: Sequence[float]) -> float:
    """Degrees between two hues; 0 where either is too grey to have one."""
    if min(math.hypot(one[1], one[2]) for one in (target, other)) < figures.paper.NEUTRAL_ROLE_C:
        return 0.0
    turn = math.degrees(math.atan2(other[2], other[1]) - math.atan2(target[2], target[1]))
    return abs((turn + 180) % 360 - 180)


def _hue_word(target: Sequence[float], other: Sequence[float], turn: float) -> str:
    # Near the neutral axis the target has no hue to turn from: the other's counts.
    seen_from = target if math.hypot(target[1], target[2]) >= _HUELESS else other
    angle = math.degrees(math.atan2(seen_from[2], seen_from[1])) % 360
    return next(word for limit, word in (_ON if turn > 0 else _BACK) if angle <= limit)
