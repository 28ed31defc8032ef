"""Are colours warm or cool together?"""

import numpy as np

from jindle_core import figures
from jindle_core.colorimetry.spaces import Array


def temperature(labs: Array, shares: Array) -> float:
    """How warm colours (n, 3) are together by their shares: above 0 warm, below 0 cool, in CIELAB."""
    return float(np.average(warmth(labs), weights=shares))


def warmth(labs: Array) -> Array:
    """How warm each of colours (n, 3) is, (n,): the part that points from blue-green towards orange."""
    angle = np.radians(figures.paper.WARM_HUE)
    found: Array = np.asarray(labs)[:, 1:] @ np.array([np.cos(angle), np.sin(angle)])
    return found
