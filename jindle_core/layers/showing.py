"""What shows of a stack of pieces: which one at a point, and how much of each?

Boxes are given by their ``edges`` (2, 2, n), from the lowest up; ``areas`` holds, by
their places, the polygons of those that are not their whole box.
"""

from collections.abc import Mapping, Sequence
from functools import lru_cache
from types import MappingProxyType

import numpy as np
import shapely
from numpy.typing import NDArray

from jindle_core.layers.sizing import RASTER

Floats = NDArray[np.float64]
Edges = NDArray[np.int64]
_MM = 2 * RASTER


Areas = Mapping[int, shapely.Polygon]
NO_AREAS: Areas = MappingProxyType({})


def topmost(
    sides: Edges, x: Floats, y: Floats, below: NDArray[np.intp] | None = None, areas: Areas = NO_AREAS
) -> NDArray[np.intp]:
    """For points (k,) in mm the place of the last of n pieces that holds them; −1 where none does.

    With ``below`` (k,) only the pieces before that place are looked at.
    """
    (left, right), (top, bottom) = sides
    count = len(left)
    across, down = x * _MM, y * _MM
    # Piece by piece, so that the points of one lie side by side.
    holds = (left[:, None] <= across) & (across < right[:, None])
    holds &= (top[:, None] <= down) & (down < bottom[:, None])
    if below is not None:
        holds &= np.arange(count)[:, None] < below
    near = holds.any(axis=1)
    for at, area in areas.items():
        if near[at]:
            there = np.flatnonzero(holds[at])
            holds[at, there] = shapely.contains_xy(area, x[there], y[there])
    last = count - 1 - holds[::-1].argmax(axis=0)
    return np.where(holds.any(axis=0), last, -1)


def what_shows(sides: Edges, areas: Areas = NO_AREAS) -> Floats:
    """How much (n,) in mm² shows of each of n pieces that lie one over the other, inside the first.

    Exact where all of them are boxes.
    """
    if areas:
        return shown_of(as_areas(sides, areas))
    across, down = (np.unique(np.clip(ends, ends[0, 0], ends[1, 0])) for ends in sides)
    middles = [(ends[:-1] + ends[1:]) // 2 for ends in (across, down)]
    x, y = (one.ravel() for one in np.meshgrid(*middles))
    shares = np.outer(np.diff(down), np.diff(across)).ravel() / _MM**2
    last = topmost(sides, x / _MM, y / _MM)
    return np.bincount(last, weights=shares, minlength=sides.shape[2]).astype(float)


def as_areas(sides: Edges, areas: Areas) -> list[shapely.Polygon]:
    """Every piece as a polygon."""
    (left, right), (top, bottom) = sides / _MM
    boxes = shapely.box(left, top, right, bottom)
    return [areas.get(at, box) for at, box in enumerate(boxes)]


def shown_of(areas: Sequence[shapely.Polygon]) -> Floats:
    """The same of areas one over the other, inside the first."""
    base, *pieces = areas
    found = np.zeros(len(pieces) + 1)
    every = np.array(pieces, dtype=object)
    lower, upper = shapely.STRtree(every).query(every, predicate="intersects")
    for at, area in enumerate(pieces):
        over = upper[(lower == at) & (upper > at)]
        found[at + 1] = _free(base, area, tuple(pieces[one] for one in sorted(over)))
    found[0] = max(base.area - found.sum(), 0.0)
    return found


@lru_cache(maxsize=1024)  # of the pieces of a card most show as they did before a change
def _free(base: shapely.Polygon, area: shapely.Polygon, over: tuple[shapely.Polygon, ...]) -> float:
    """How much (mm²) of an area inside the base is not covered."""
    return float(area.intersection(base).difference(shapely.union_all(over)).area)
