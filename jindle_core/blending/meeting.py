"""How do two pads that lie side by side meet: how far into one another, and with what hand?"""

from dataclasses import dataclass
from enum import StrEnum

import numpy as np

from jindle_core import figures
from jindle_core.colorimetry.spaces import Array


class Reach(StrEnum):
    """How far a pad is carried into the next."""

    SHORT = "a-little"
    MIDDLE = "halfway"
    FAR = "far"


class Seam(StrEnum):
    """What is done where two pads meet."""

    BLEND = "blended"
    LIGHT = "lighter-hand"
    GAP = "white-gap"


@dataclass(frozen=True, slots=True)
class Joint:
    """How two neighbours are joined."""

    reach: Reach = Reach.MIDDLE
    seam: Seam = Seam.BLEND

    def weights(self, places: int = figures.grounds.STRIP_PLACES) -> Array:
        """How much of the first and of the second pad lies at each place of the way, (places, 2)."""
        way = np.linspace(0, 1, places)
        if self.seam is Seam.GAP:
            start, end = figures.grounds.GAP_FALLS
        else:
            stretch = figures.grounds.REACH[self.reach.value]
            middle, half = np.mean(figures.grounds.STRIP_FALLS), np.ptp(figures.grounds.STRIP_FALLS) / 2
            start, end = middle - half * stretch, middle + half * stretch
        falling = np.clip((end - way) / (end - start), 0, 1)
        found = np.stack([falling, falling[::-1]], axis=1)
        if self.seam is Seam.LIGHT:
            inside = np.clip(np.minimum(way, 1 - way) / figures.grounds.SEAM_RAMP, 0, 1)
            found *= (1 - (1 - figures.grounds.SEAM_LIGHT) * inside)[:, None]
        return found


BLENDED = Joint()
