"""What would one call this colour aloud?"""

import math
from collections import Counter
from collections.abc import Sequence

import numpy as np
from numpy.typing import NDArray

from jindle_core.colorimetry.spaces import Array

# Hue angle (CIELAB, degrees) up to which a name holds; boundaries set half-way
# between the usual focal colours of each name.
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
_BROWN_HUES, _BROWN_L, _BROWN_CHROMA = (35, 85), 55, 45  # a dark orange of no great strength


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
    if _BROWN_HUES[0] <= angle <= _BROWN_HUES[1] and lightness < _BROWN_L and chroma < _BROWN_CHROMA:
        return "brown"
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
    chroma, angle = np.hypot(a, b), np.degrees(np.arctan2(b, a)) % 360
    brown = (angle >= _BROWN_HUES[0]) & (angle <= _BROWN_HUES[1])
    brown &= (lightness < _BROWN_L) & (chroma < _BROWN_CHROMA)
    return np.asarray(brown | (chroma < _NEUTRAL_CHROMA))


def _depth(lightness: float, dark: float = 32, pale: float = 78) -> str:
    return "dark " if lightness < dark else "pale " if lightness > pale else ""
