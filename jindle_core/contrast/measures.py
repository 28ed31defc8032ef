"""The figures by which two colours that touch are told apart."""

from dataclasses import dataclass

import numpy as np

from jindle_core import figures
from jindle_core.colorimetry.difference import delta_e
from jindle_core.colorimetry.eyes import each_model
from jindle_core.colorimetry.spaces import Array, luminance


@dataclass(frozen=True, slots=True)
class Measures:
    """Luminance ratio (≥ 1), ΔL* (≥ 0) and ΔE00, each of shape (n,)."""

    ratio: Array
    delta_l: Array
    delta_e: Array

    def only(self, at: int) -> "Measures":
        """The figures of one of the pairs, each of shape (1,)."""
        return Measures(self.ratio[at : at + 1], self.delta_l[at : at + 1], self.delta_e[at : at + 1])


def measure(upper: Array, lower: Array) -> Measures:
    """The figures of colours (n, 3) lying on colours (n, 3); the two broadcast."""
    upper, lower = np.broadcast_arrays(np.atleast_2d(upper), np.atleast_2d(lower))
    first, second = luminance(np.stack([upper, lower])) + figures.contrast.FLARE
    return Measures(
        np.maximum(first, second) / np.minimum(first, second),
        np.abs(upper[:, 0] - lower[:, 0]),
        delta_e(upper, lower),
    )


def weakest_eyes(upper: Array, lower: Array) -> tuple[str, float]:
    """The kind of colour blindness that parts two colours (3,) least, by any model of it, and its ΔE00."""
    pair = np.stack([np.asarray(upper, float), np.asarray(lower, float)])
    seen = [(float(delta_e(*two)), kind) for kind, two in each_model(pair)]
    distance, kind = min(seen)
    return kind, distance
