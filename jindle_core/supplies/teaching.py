"""Which readings would teach most about a range, for what somebody makes with it?"""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace

import numpy as np

from jindle_core import figures
from jindle_core.colorimetry.spaces import Array, reflectance_to_lab
from jindle_core.prediction.behaviour import values_of, with_values
from jindle_core.prediction.known import Known
from jindle_core.prediction.near import Way, pulled

_STEP = 0.02  # of a parameter, to see how what is shown moves with it


@dataclass(frozen=True, eq=False)
class Laid:
    """A colour by its id, its single layer (31,), and a way of laying it."""

    colour: int
    one: Array
    way: Way


@dataclass(frozen=True, eq=False)
class Lesson:
    """What to read next; ``sigma`` is the mean of what is made once this and all before it are read."""

    laid: Laid
    sigma: float


def mean_sigma(known: Known, made: Sequence[Laid], read: Mapping[int, Sequence[Way]]) -> float:
    """The mean of one sigma, in ΔE00, of what is made (at least one); ``read`` are ways by colour."""
    return float(np.mean([_Item(known, one).sigma(known.spread, read.get(one.colour, ())) for one in made]))


def lessons(
    known: Known,
    made: Sequence[Laid],
    offered: Sequence[Laid],
    read: Mapping[int, Sequence[Way]],
    count: int = 6,
) -> list[Lesson]:
    """Of what is ``offered`` to be read, one after the other what makes the sigma of what is made least.

    A reading is taken to say what is predicted: then nothing moves but how sure it is (to first order in
    the parameters, as in a Kalman filter), and what it says of the same colour laid otherwise. Ours.
    """
    items, left = [_Item(known, one) for one in made], [_Item(known, one) for one in offered]
    spread, ways = known.spread, {colour: list(each) for colour, each in read.items()}
    found: list[Lesson] = []
    while items and left and len(found) < count:
        tried = []
        for one in left:
            told = {**ways, one.laid.colour: [*ways.get(one.laid.colour, ()), one.laid.way]}
            then = one.told(spread)
            sigmas = [item.sigma(then, told.get(item.laid.colour, ())) for item in items]
            tried.append((float(np.mean(sigmas)), then, told))
        best = int(np.argmin([sigma for sigma, *_ in tried]))
        sigma, spread, ways = tried[best]
        found.append(Lesson(left.pop(best).laid, sigma))
    return found


class _Item:
    """A colour laid some way, and how what it shows moves with the parameters of its range."""

    def __init__(self, known: Known, laid: Laid) -> None:
        self.laid, self._known = laid, known
        here, at = self._lab(known), values_of(known.behaviour, known.names)
        moved = [
            self._lab(replace(known, behaviour=with_values(known.behaviour, known.names, at + step)))
            for step in _STEP * np.eye(len(at))
        ]
        self._slope = (np.array(moved) - here).T / _STEP  # (3, p)
        # In ΔE00, as it is said now; what moves with the parameters shrinks with their spread.
        sure = replace(known, spread=np.zeros_like(known.spread), scale=1.0)
        self._open = float(self._sigma(sure)) ** 2
        moving = float(self._sigma(replace(known, scale=1.0))) ** 2 - self._open
        self._share = moving / max(float(np.sum((self._slope @ known.spread) ** 2)), 1e-12)

    def _lab(self, known: Known) -> Array:
        way = self.laid.way
        return reflectance_to_lab(known.says(self.laid.one[None], way.layers, way.hand, way.card))[0]

    def _sigma(self, known: Known) -> float:
        way = self.laid.way
        return float(known.sigma(self.laid.one[None], way.layers, way.hand, way.card)[0])

    def told(self, spread: Array) -> Array:
        """How far the parameters may lie off once this was read."""
        noise = figures.laying.FIT_NOISE
        sure = np.linalg.inv(spread @ spread.T) + self._slope.T @ self._slope / noise**2
        return np.asarray(np.linalg.cholesky(np.linalg.inv(sure)))

    def sigma(self, spread: Array, read: Sequence[Way]) -> float:
        """One sigma with such a spread, this colour having been read in some ways."""
        moving = self._share * float(np.sum((self._slope @ spread) ** 2))
        sigma = self._known.scale * float(np.sqrt(moving + self._open))
        if not read:
            return sigma
        white = np.ones(31)
        _, left = pulled(self._known, self.laid.way, white, [(way, white, white) for way in read])
        return float(np.hypot(sigma * left, figures.colour.UNCERTAINTY["read"]))
