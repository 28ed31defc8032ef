"""Is the word that is told of two colours the right one, and do its chances come as they are said?

Two made-up ranges whose true colours are known; what is told of them is read, or is a label that lies off as
far as labels do (one sigma of ΔE00, along all three axes alike as the eye sees them).
"""

import numpy as np

from bench.visitor import Row
from bench.worlds import CARDS
from jindle_core import figures
from jindle_core.colorimetry.difference import delta_e
from jindle_core.colorimetry.recovery import lab_to_reflectance
from jindle_core.colorimetry.spaces import Array, reflectance_to_lab
from jindle_core.matching.verdicts import VERDICTS, combined, judge_distance
from standins.world import dyes, made_up

_RANGES, _COLOURS = 12, 400
_CHANCES = np.array([0.5, 0.6, 0.7, 0.8, 0.9, 1.001])  # in groups of which they are looked at
_READ, _LABEL = (figures.colour.UNCERTAINTY[one] for one in ("read", "label"))


def nearness_rows() -> list[Row]:
    """Of the nearest of another range, by labels, by a reading and a label, by readings."""
    found = []
    asked = (("two labels", _LABEL, _LABEL, 0.45), ("a reading and a label", _READ, _LABEL, 0.5))
    for words, *known, least in (*asked, ("two readings", _READ, _READ, 0.83)):
        said, true, chances, came = _asked(*known)
        right, near = float(np.mean(said == true)), float(np.mean(true - said >= 2))
        name = f"The word for the nearest colour of another range, by {words}"
        found.append((f"{name}: right", f"≥ {least:.0%}", f"{right:.0%}", right >= least))
        found.append((f"{name}: two words too near", "≤ 3 %", f"{near:.1%}", near <= 0.03))
        off = _unreliable(chances, came)
        chance = f"Chances that are said of it by {words}, off what comes"
        found.append((chance, "≤ 8 points", f"{100 * off:.0f} points", off <= 0.08))
    return found


def _asked(first: float, second: float) -> tuple[np.ndarray, np.ndarray, np.ndarray, np.ndarray]:
    """What is said and true, as places of words; the chance that was said, and whether it came so."""
    random, rows = np.random.default_rng(3), []
    for seed in range(_RANGES):
        here, there = (_colours(9100 + seed * 2 + at) for at in range(2))
        told, other = _known(here, first, random), _known(there, second, random)
        distances = delta_e(told[:, None], other[None])
        nearest = distances.argmin(axis=1)
        true = delta_e(here, there[nearest])
        for at, place in enumerate(nearest):
            judged = judge_distance(float(distances[at, place]), combined(first, second))
            said, is_it = (VERDICTS.index(one.verdict) for one in (judged, judge_distance(float(true[at]))))
            came = is_it == said if judged.verdict is VERDICTS[-1] else is_it <= said
            rows.append((said, is_it, judged.chance, came))
    told = np.array(rows)
    return told[:, 0], told[:, 1], told[:, 2], told[:, 3]


def _colours(seed: int) -> Array:
    world = made_up(seed)
    habit, card = world.habits["alcohol marker"], lab_to_reflectance(np.array(CARDS["white"]))
    laid = [world.covered(ink, 1.0, habit, card) for ink in dyes(seed, _COLOURS)]
    return reflectance_to_lab(np.array(laid))


def _known(true: Array, sigma: float, random: np.random.Generator) -> Array:
    """Colours as they are told: off by an error whose ΔE00 has this one sigma."""
    off = random.normal(0, 1, true.shape) * (1, 1.4, 1.4)
    size = delta_e(true, true + off)
    wanted = sigma * np.sqrt(random.chisquare(3, len(true)) / 3)
    return true + off * (wanted / np.maximum(size, 1e-6))[:, None]


def _unreliable(chances: np.ndarray, came: np.ndarray) -> float:
    """By how much the chances that were said are off how often it came so, where it is most."""
    groups = np.digitize(chances, _CHANCES)
    off = [
        abs(float(chances[groups == one].mean() - came[groups == one].mean()))
        for one in np.unique(groups)
        if (groups == one).sum() >= 100
    ]
    return max(off)
