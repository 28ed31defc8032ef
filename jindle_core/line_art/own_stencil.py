"""Which openings does a person's own SVG of a stencil cut?"""

from dataclasses import dataclass

import numpy as np
import shapely

from jindle_core import figures
from jindle_core.errors import BadInput, Problem
from jindle_core.line_art.svg import shapes_drawn


@dataclass(frozen=True, slots=True)
class OwnStencil:
    """``openings`` are rings in shares of the sheet, without their first points again; a ring inside another
    is what stays shut. ``shape`` is the sheet's width by its height."""

    openings: tuple[tuple[tuple[float, float], ...], ...]
    shape: float


def read_stencil(content: bytes) -> OwnStencil:
    """All closed outlines in an SVG file, the sheet as large as they reach together.

    Raises BadInput where there is none, they have no width or height, or there is more of them
    than ``figures.grounds`` allows a stencil.
    """
    _, drawn, _ = shapes_drawn(content)
    rings = [ring for one in drawn for ring in one.rings if len(ring) > 2]
    if not rings:
        raise _bad("holds no closed outline", "paths that end where they begin")
    if len(rings) > figures.grounds.STENCIL_OPENINGS:
        most = figures.grounds.STENCIL_OPENINGS
        raise _bad(f"holds {len(rings):,} outlines", f"{most} at most")
    points = np.concatenate(rings)
    low, high = points.min(axis=0), points.max(axis=0)
    wide, down = (float(side) for side in high - low)
    if not 0.1 * down <= wide <= 10 * down:
        raise _bad("is flat: it has no width, or no height")
    smooth = [_smooth((ring - low) / (high - low)) for ring in rings]
    kept = tuple(ring for ring in smooth if len(ring) > 2)
    count = sum(map(len, kept))
    if count > figures.grounds.STENCIL_POINTS:
        most = figures.grounds.STENCIL_POINTS
        raise _bad(f"has {count:,} points where it is smoothed", f"{most:,} at most")
    if not kept:
        raise _bad("has openings too fine to be cut")
    return OwnStencil(kept, wide / down)


def _smooth(ring: np.ndarray) -> tuple[tuple[float, float], ...]:
    """A ring without points that say nothing."""
    line = shapely.simplify(shapely.LinearRing(ring), figures.grounds.STENCIL_OFF)
    points = np.clip(np.asarray(line.coords)[:-1], 0, 1).round(4)
    return tuple((float(x), float(y)) for x, y in points)


def _bad(trouble: str, expected: str = "an SVG with closed outlines") -> BadInput:
    return BadInput(Problem(f"The stencil {trouble}.", field="file", expected=expected))
