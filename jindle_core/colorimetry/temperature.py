"""Are colours warm or cool together?"""

import numpy as np

from jindle_core import defaults
from jindle_core.colorimetry.spaces import Array


def temperature(labs: Array, shares: Array) -> float:
    """How warm colours (n, 3) are together by their shares: above 0 warm, below 0 cool, in CIELAB.

    The part of their mean that points from blue-green towards orange (hue 55°).
    """
    mean = np.average(np.asarray(labs)[:, 1:], axis=0, weights=shares)
    angle = np.radians(defaults.WARM_HUE)
    return float(mean @ np.array([np.cos(angle), np.sin(angle)]))
