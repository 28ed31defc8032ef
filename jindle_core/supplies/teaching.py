"""Which readings would teach most about a range, for what somebody makes with it?"""

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass, replace

import numpy as np

from jindle_core import figures
from jindle_core.colorimetry.spaces import Array, reflectance_to_lab
from jindle_core.prediction.behaviour import values_of, with_values
from jindle_core.prediction.known import Known
from jindle_core.prediction.near import Way, left_open

_STEP = 0.02  # of a parameter, to see how what is shown moves with it


@dataclass(frozen=True, eq=False)
class Laid:
    """A colour by its id, its single layer (31,) with how surely that is known, and a way of laying it."""

    colour: int
    one: Array
    way: Way
    own: float = figures.colour.UNCERTAINTY["read"]


@dataclass(frozen=True, eq=False)
class Lesson:
    """What to read next; ``sigma`` is the mean of what is made once this and all before it are read."""

    laid: Laid
    sigma: float


def mean_sigma(known: Known, made: Sequence[Laid], read: Mapping[int, Sequence[Way]]) -> float:
    """The mean of one sigma, in ΔE00, of what is made (at least one); ``read`` are ways by colour."""
    return float(
        np.mean([one.sigma(known.spread, read.get(one.laid.colour, ())) for one in _items(known, made)])
    )


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
    items, left = _items(known, made), _items(known, offered)
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


def _items(known: Known, all_laid: Sequence[Laid]) -> list["_Item"]:
    """Those that are laid the same way are worked out together."""
    ways: list[tuple[Way, list[Laid]]] = []
    for laid in all_laid:
        for way, there in ways:
            if way.same_as(laid.way):
                there.append(laid)
                break
        else:
            ways.append((laid.way, [laid]))
    found = {id(item.laid): item for way, there in ways for item in _of_way(known, way, there)}
    return [found[id(one)] for one in all_laid]


def _of_way(known: Known, way: Way, all_laid: Sequence[Laid]) -> Iterator["_Item"]:
    given = (np.stack([one.one for one in all_laid]), way.layers, way.hand, way.card)
    at = values_of(known.behaviour, known.names)
    here = reflectance_to_lab(known.says(*given))
    moved = [
        reflectance_to_lab(
            replace(known, behaviour=with_values(known.behaviour, known.names, at + step)).says(*given)
        )
        for step in _STEP * np.eye(len(at))
    ]
    slopes = np.moveaxis((np.array(moved) - here) / _STEP, 0, -1)  # (m, 3, p)
    sure = replace(known, spread=np.zeros_like(known.spread), scale=1.0).sigma(*given) ** 2
    moving = replace(known, scale=1.0).sigma(*given) ** 2 - sure
    shares = moving / np.maximum(np.sum((slopes @ known.spread) ** 2, axis=(1, 2)), 1e-12)
    for laid, slope, left, share in zip(all_laid, slopes, sure.tolist(), shares.tolist(), strict=True):
        yield _Item(known, laid, slope, left, share)


@dataclass(frozen=True, eq=False)
class _Item:
    """A colour laid some way: how its Lab moves with the parameters (3, p), what the formula leaves open
    (squared), and how much of a ΔE00 (squared) what moves is."""

    known: Known
    laid: Laid
    slope: Array
    open: float
    share: float

    def told(self, spread: Array) -> Array:
        """How far the parameters may lie off once this was read."""
        way = self.laid.way
        noise = self.known.noise(way.layers, way.hand, way.card, bool(way.below), self.laid.own)
        sure = np.linalg.inv(spread @ spread.T) + self.slope.T @ self.slope / noise**2
        return np.asarray(np.linalg.cholesky(np.linalg.inv(sure)))

    def sigma(self, spread: Array, read: Sequence[Way]) -> float:
        """One sigma with such a spread, this colour having been read in some ways."""
        moving = self.share * float(np.sum((self.slope @ spread) ** 2))
        sigma = self.known.scale * float(np.sqrt(moving + self.open))
        if not read:
            return sigma
        left = left_open(self.known, self.laid.way, read)
        return float(np.hypot(sigma * left, figures.colour.UNCERTAINTY["read"]))
