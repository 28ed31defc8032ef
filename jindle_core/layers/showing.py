"""What shows of a stack of pieces: which one at a point, and how much of each?

Boxes are given by their ``edges`` (2, 2, n), from the lowest up.
"""

import numpy as np
from numpy.typing import NDArray

from jindle_core.layers.sizing import RASTER

Floats = NDArray[np.float64]
Edges = NDArray[np.int64]
_MM = 2 * RASTER


def topmost(sides: Edges, x: Floats, y: Floats, below: NDArray[np.intp] | None = None) -> NDArray[np.intp]:
    """For points (k,) in mm the place of the last of n boxes that holds them; −1 where none does.

    With ``below`` (k,) only the boxes before that place are looked at.
    """
    (left, right), (top, bottom) = sides
    count = len(left)
    across, down = x[:, None] * _MM, y[:, None] * _MM
    holds = (left <= across) & (across < right) & (top <= down) & (down < bottom)
    if below is not None:
        holds &= np.arange(count) < below[:, None]
    last = count - 1 - holds[:, ::-1].argmax(axis=1)
    return np.where(holds.any(axis=1), last, -1)


def what_shows(sides: Edges) -> Floats:
    """How much (n,) in mm² shows of each of n boxes that lie one over the other, inside the first; exact."""
    across, down = (np.unique(np.clip(ends, ends[0, 0], ends[1, 0])) for ends in sides)
    middles = [(ends[:-1] + ends[1:]) // 2 for ends in (across, down)]
    x, y = (one.ravel() for one in np.meshgrid(*middles))
    areas = np.outer(np.diff(down), np.diff(across)).ravel() / _MM**2
    last = topmost(sides, x / _MM, y / _MM)
    return np.bincount(last, weights=areas, minlength=sides.shape[2]).astype(float)
