"""What would one call this colour aloud?"""

import math
from collections import Counter
from collections.abc import Sequence
from typing import TypeVar

import numpy as np
from numpy.typing import NDArray

from jindle_core.colorimetry.spaces import Array

_Some = TypeVar("_Some", float, Array)

# Hue angle (CIELAB, degrees) up to which a name holds; boundaries set half-way
# between the usual focal colours of each name, and checked like those below.
_HUES = (
    (15, "pink-red"),
    (42, "red"),
    (68, "orange"),
    (84, "golden yellow"),
    (104, "yellow"),
    (126, "yellow-green"),
    (168, "green"),
    (214, "blue-green"),
    (258, "blue"),
    (296, "blue-violet"),
    (326, "violet"),
    (352, "pink-violet"),
    (360, "pink-red"),
)
_NEUTRAL_CHROMA = 5.0
_GREYISH_CHROMA = 14.0
# Words that are of a depth as well as of a hue, as boxes: hue angle, L*, C* from … to. A brown is a
# dark orange or rust of no great strength; skin, peach and coral are no pinks. Set by the centroids of the
# ISCC–NBS names.
_BOXES = {
    "brown": (((35, 85), (0, 55), (0, 45)), ((28, 45), (0, 50), (0, 42)), ((40, 75), (55, 58), (0, 30))),
    "olive": (((85, 118), (23, 58), (9, 50)),),
    "pink": (((345, 385), (58, 101), (0, 200)), ((25, 45), (58, 101), (11, 45))),
}


def hue_family(lab: Sequence[float]) -> str:
    """A short name for a colour (3,), for speech and for people who do not see hue.

    >>> hue_family([45, -20, -28])
    'blue'
    """
    lightness, a, b = lab
    chroma, angle = math.hypot(a, b), math.degrees(math.atan2(b, a)) % 360
    if chroma < _NEUTRAL_CHROMA:
        if lightness >= 93:
            return "white"
        if lightness <= 20:
            return "black"
        if chroma < 1.5:
            return _depth(lightness) + "grey"
        return _depth(lightness) + ("warm grey" if -45 <= (angle + 180) % 360 - 180 <= 135 else "cool grey")
    name = hue_name(lab)
    if name == "brown":
        return _depth(lightness, 25, 70) + name
    greyish = "greyish " if chroma < _GREYISH_CHROMA else ""
    return _depth(lightness) + greyish + name


def hue_name(lab: Sequence[float]) -> str:
    """What one would call only the hue of a colour (3,) that has one.

    >>> hue_name([45, 12, 28])
    'brown'
    """
    lightness, a, b = lab
    chroma, angle = math.hypot(a, b), math.degrees(math.atan2(b, a)) % 360
    for name in _BOXES:
        if _lies(lightness, chroma, angle, name):
            return name
    return next(name for limit, name in _HUES if angle <= limit)


def own_names(labs: Array) -> list[str]:
    """What each of some colours (n, 3) is called by itself, so that no two are called the same.

    >>> own_names(np.array([[45, -20, -28], [60, -20, -28], [45, 50, 30]]))
    ['darker blue', 'lighter blue', 'red']
    """
    labs = np.asarray(labs, dtype=float).reshape(-1, 3)
    names = [hue_family(lab) for lab in labs.tolist()]
    for name, count in Counter(names).items():
        if count > 1:
            middle = [name, *(f"{name} {number}" for number in range(2, count - 1))][: count - 2]
            places = sorted((at for at, one in enumerate(names) if one == name), key=lambda at: -labs[at, 0])
            for at, told in zip(places, [f"lighter {name}", *middle, f"darker {name}"], strict=True):
                names[at] = told
    return names


def are_brown_or_grey(labs: Array) -> NDArray[np.bool_]:
    """Which of some colours (…, 3) one would call brown or grey (black and white too).

    >>> are_brown_or_grey(np.array([[45.0, 12, 28], [45, -20, -28], [60, 1, 2]])).tolist()
    [True, False, True]
    """
    lightness, a, b = np.moveaxis(np.asarray(labs, dtype=float), -1, 0)
    chroma, angle = np.hypot(a, b), np.degrees(np.arctan2(b, a))
    return np.asarray(_lies(lightness, chroma, angle, "brown") | (chroma < _NEUTRAL_CHROMA))


def _lies(lightness: _Some, chroma: _Some, angle: _Some, name: str) -> bool | NDArray[np.bool_]:
    """Whether a colour, or which of some, lies in the boxes of a name."""
    found: bool | NDArray[np.bool_] = False
    for (first, last), (dark, light), (dull, strong) in _BOXES[name]:
        there = (angle - first) % 360 <= last - first
        level = (lightness >= dark) & (lightness < light)
        found = found | (there & level & (chroma >= dull) & (chroma < strong))
    return found


def _depth(lightness: float, dark: float = 32, pale: float = 78) -> str:
    return "dark " if lightness < dark else "pale " if lightness > pale else ""
