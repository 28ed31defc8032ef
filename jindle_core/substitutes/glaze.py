"""Which two transparent colours, one over the other, come nearest to a third?"""

from dataclasses import dataclass
from itertools import product

import numpy as np

from jindle_core.colorimetry.spaces import Array, reflectance_to_lab
from jindle_core.matching.nearest import NearestIndex
from jindle_core.prediction.behaviour import Behaviour
from jindle_core.prediction.laying import Dye, dye, glazed

LAYERS = tuple(product((1, 2), (1, 2)))


@dataclass(frozen=True, slots=True)
class Glaze:
    """One colour laid over another: places in the colours given, layers, predicted Lab, ΔE00 off."""

    under: int
    over: int
    under_layers: int
    over_layers: int
    lab: tuple[float, float, float]
    distance: float


class GlazeTable:
    """Every ordered pair of n transparent colours on white card, one or two layers of each.

    ``ones`` (n, 31) are single layers. The table holds 4·n·(n − 1)
    predictions and answers for any number of targets.
    """

    def __init__(self, ones: Array, behaviour: Behaviour) -> None:
        alone = dye(np.asarray(ones, dtype=np.float32).reshape(-1, ones.shape[-1]))
        first, second = np.nonzero(~np.eye(len(ones), dtype=bool))
        under, over = (Dye(alone.log_passed[one], alone.gained[one]) for one in (first, second))
        predicted = [
            reflectance_to_lab(glazed(under, lower, over, upper, behaviour)) for lower, upper in LAYERS
        ]
        self._pairs = np.stack([first, second], axis=1)
        self._index = NearestIndex(np.concatenate(predicted) if predicted else np.empty((0, 3)))

    def best(self, target: Array, count: int = 1, without: int | None = None) -> list[Glaze]:
        """The ``count`` glazes nearest to a target (3,), each pair of colours once.

        The colour in the place ``without`` is in none of them: nothing is made of itself.
        """
        looked, best = 8 * count, dict[frozenset[int], Glaze]()
        while len(self._index):
            (found,) = self._index.query(np.asarray(target)[None], looked)
            for place, distance in zip(found.indices, found.distances, strict=True):
                how, pair = divmod(int(place), len(self._pairs))
                under, over = (int(one) for one in self._pairs[pair])
                lightness, a, b = (float(value) for value in self._index.lab[place])
                if without not in (under, over):
                    glaze = Glaze(under, over, *LAYERS[how], (lightness, a, b), float(distance))
                    best.setdefault(frozenset((under, over)), glaze)
            if len(best) >= count or looked >= len(self._index):
                break
            looked *= 4
        return list(best.values())[:count]
