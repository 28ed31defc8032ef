"""What would one call this colour aloud?"""

import math
from collections.abc import Sequence

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
    if 35 <= angle <= 85 and lightness < 55 and chroma < 45:
        return "brown"
    return next(name for limit, name in _HUES if angle <= limit)


def _depth(lightness: float, dark: float = 32, pale: float = 78) -> str:
    return "dark " if lightness < dark else "pale " if lightness > pale else ""
