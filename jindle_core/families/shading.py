"""Where on a shape does each tone of a family lie?"""

import math
from enum import StrEnum

from jindle_core import figures


class Light(StrEnum):
    """Where the light comes from; "centre" is the other school: light middles, dark edges."""

    UPPER_LEFT = "upper-left"
    TOP = "top"
    UPPER_RIGHT = "upper-right"
    LEFT = "left"
    RIGHT = "right"
    LOWER_LEFT = "lower-left"
    BOTTOM = "bottom"
    LOWER_RIGHT = "lower-right"
    CENTRE = "centre"


_TOWARDS = {"left": (-1.0, 0.0), "right": (1.0, 0.0), "top": (0.0, -1.0), "bottom": (0.0, 1.0)}
_TOWARDS |= {"upper": (0.0, -1.0), "lower": (0.0, 1.0)}


def away(light: Light) -> tuple[float, float] | None:
    """The unit vector (x right, y down) from the light into the shadow; None for "centre".

    >>> away(Light.TOP)
    (0.0, 1.0)
    """
    if light is Light.CENTRE:
        return None
    x, y = (sum(_TOWARDS[word][axis] for word in light.split("-")) for axis in (0, 1))
    length = math.hypot(x, y)
    return (-x / length + 0.0, -y / length + 0.0)


BARE = -1  # no tone: the paper itself


def stops(tones: int, bare: float = 0.0) -> list[tuple[float, int]]:
    """Where along the way from light to shadow (0–1) each tone, light to dark, begins and ends.

    Tones take equal parts and blend into one another between them, as markers
    do. The first ``bare`` part of the way is left as paper, told as ``BARE``.

    >>> stops(2)
    [(0.0, 0), (0.4, 0), (0.6, 1), (1.0, 1)]
    """
    if tones < 1:
        raise ValueError(f"tones must be 1 or more, not {tones}")
    part = (1 - bare) / tones
    blend = figures.families.BLEND_SHARE * part
    found = [(0.0, BARE), (round(bare - blend, 4), BARE)] if bare else []
    for tone in range(tones):
        start = 0.0 if tone == 0 and not bare else bare + tone * part + blend
        end = 1.0 if tone == tones - 1 else bare + (tone + 1) * part - blend
        found += [(round(start, 4), tone), (round(end, 4), tone)]
    return found


def edge_tone(tones: int, light: Light) -> int:
    """Which tone, light to dark, hides the white edge of a cut-out.

    With light middles the edge is the darkest; lit from one side it runs from
    light to dark, and the middle tone is nowhere far off.
    """
    return tones - 1 if light is Light.CENTRE else tones // 2
