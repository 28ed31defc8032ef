"""Which two transparent colours, one over the other, come nearest to a third?"""

from collections.abc import Sequence
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

    ``ones`` (n, 31) are single layers, ``behaviours`` (n) those of their ranges; a glaze goes by that of
    what is laid over. The table holds 4·n·(n − 1) predictions and answers for any number of targets. What an
    ``earlier`` table knows of pairs that are still there is taken from it.
    """

    def __init__(
        self, ones: Array, behaviours: Sequence[Behaviour], earlier: "GlazeTable | None" = None
    ) -> None:
        ones = np.asarray(ones, dtype=np.float32).reshape(-1, ones.shape[-1])
        self._keys = [(one.tobytes(), how) for one, how in zip(ones, behaviours, strict=True)]
        self._labs = np.empty((len(LAYERS), len(ones), len(ones), 3))
        unknown = ~np.eye(len(ones), dtype=bool)
        if earlier is not None:
            then = {key: at for at, key in enumerate(earlier._keys)}
            here = np.array([at for at, key in enumerate(self._keys) if key in then], dtype=np.intp)
            there = np.array([then[self._keys[at]] for at in here], dtype=np.intp)
            self._labs[:, here[:, None], here] = earlier._labs[:, there[:, None], there]
            unknown[here[:, None], here] = False
        alone = dye(ones)
        for behaviour in dict.fromkeys(behaviours):
            so = np.array([one == behaviour for one in behaviours], dtype=bool)
            first, second = np.nonzero(unknown & so)
            under, over = (Dye(alone.log_passed[one], alone.gained[one]) for one in (first, second))
            for at, (lower, upper) in enumerate(LAYERS):
                self._labs[at, first, second] = reflectance_to_lab(
                    glazed(under, lower, over, upper, behaviour)
                )
        self._pairs = np.argwhere(~np.eye(len(ones), dtype=bool))
        self._index = NearestIndex(self._labs[:, self._pairs[:, 0], self._pairs[:, 1]].reshape(-1, 3))

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
