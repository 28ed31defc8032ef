"""Where do a range's colours lie by hue and lightness, where are its gaps, in which order are they used?"""

import math
from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from jindle_core import figures
from jindle_core.colorimetry.naming import hue_family
from jindle_core.colorimetry.spaces import Array, on_screen


@dataclass(frozen=True, slots=True)
class Point:
    """A colour's place: hue angle 0–360 (None for a neutral, which has none), L* and C*."""

    hue: float | None
    lightness: float
    chroma: float


@dataclass(frozen=True, slots=True)
class Gap:
    """A field of the chart that holds no colour though one could stand there."""

    hue: tuple[float, float]
    lightness: tuple[float, float]
    words: str


def points(lab: Array) -> list[Point]:
    """The place of each colour of (n, 3)."""
    found = []
    for lightness, a, b in np.asarray(lab, dtype=float).reshape(-1, 3).tolist():
        chroma = math.hypot(a, b)
        hue = math.degrees(math.atan2(b, a)) % 360 if chroma >= figures.colour.CHART_NEUTRAL else None
        found.append(Point(hue, lightness, chroma))
    return found


def gaps(lab: Array) -> list[Gap]:
    """Fields of 30° by 20 L* that hold none of the colours (n, 3), by hue and then from dark to light.

    Only fields in whose middle a colour of middling chroma could be shown at
    all are told: there are no dark lemon yellows to miss.
    """
    placed = [(point.hue, point.lightness) for point in points(lab) if point.hue is not None]
    found = []
    for hue in range(0, 360, figures.colour.CHART_HUES):
        for low in range(
            figures.colour.CHART_LOWEST, 100 - figures.colour.CHART_STEP + 1, figures.colour.CHART_STEP
        ):
            high = low + figures.colour.CHART_STEP
            there = any(
                hue <= at < hue + figures.colour.CHART_HUES and low <= lightness < high
                for at, lightness in placed
            )
            angle = math.radians(hue + figures.colour.CHART_HUES / 2)
            chroma = figures.colour.CHART_CHROMA
            middle = np.array([(low + high) / 2, chroma * math.cos(angle), chroma * math.sin(angle)])
            if not there and on_screen(middle):
                found.append(
                    Gap((hue, hue + figures.colour.CHART_HUES), (low, high), hue_family(middle.tolist()))
                )
    return found


def order_of_use(lab: Array, families: Sequence[str]) -> list[int]:
    """Places of the colours (n, 3) as one reaches for them: family by family, light to dark in each.

    Families come in their own order; colours without one go by fields of hue
    round the circle, neutrals last.
    """
    known = {family: at for at, family in enumerate(dict.fromkeys(family for family in families if family))}

    def key(place: int) -> tuple[int, int, float, int]:
        point = placed[place]
        if families[place]:
            group = (0, known[families[place]])
        elif point.hue is None:
            group = (2, 0)
        else:
            group = (1, int(point.hue // figures.colour.CHART_HUES))
        return (*group, -point.lightness, place)

    placed = points(lab)
    return sorted(range(len(placed)), key=key)
