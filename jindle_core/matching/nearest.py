"""The k nearest colours by ΔE00, exactly, out of many."""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray
from scipy.spatial import cKDTree

from jindle_core import figures
from jindle_core.colorimetry.difference import delta_e, din99o
from jindle_core.colorimetry.spaces import Array

Indices = NDArray[np.intp]


@dataclass(frozen=True, slots=True)
class Nearest:
    """Positions in the searched array and their ΔE00, nearest first; both (found,)."""

    indices: Indices
    distances: Array


class NearestIndex:
    """Answers "the k nearest by ΔE00" over a fixed set of colours (n, 3).

    ΔE00 is no metric, so no tree can hold it. The tree stands in DIN99o: a
    first handful is ranked by ΔE00, and the k-th distance d bounds how far
    in DIN99o any nearer colour can lie (``figures.colour.DIN99O_BOUND``). Where no
    bound is known the whole set is compared. Equal distances keep the order
    of the set.
    """

    def __init__(self, lab: Array) -> None:
        self.lab = np.asarray(lab, dtype=float).reshape(-1, 3)
        # Made anew with every change of a drawer: made fast, for it answers as fast as one that is balanced.
        places = din99o(self.lab).reshape(-1, 3)
        self._tree = cKDTree(places, balanced_tree=False, compact_nodes=False)

    def __len__(self) -> int:
        return len(self.lab)

    def query(self, targets: Array, k: int = 1) -> list[Nearest]:
        """For each target (m, 3) its ``k`` nearest, or as many as there are; none for none."""
        return query_each([self], targets, k)[0]

    def handfuls(self, places: Array, count: int) -> list[Indices]:
        """For each place (m, 3) in DIN99o the ``count`` colours nearest there, or all."""
        if len(self) <= count:
            return [np.arange(len(self))] * len(places)
        return list(self._tree.query(places, k=count)[1].reshape(len(places), count))

    def balls(self, places: Array, radii: Array) -> list[Indices]:
        """For each place (m, 3) in DIN99o the colours within a radius (m,); all where it is infinite."""
        everything = np.arange(len(self))
        finite = np.isfinite(radii)
        found = iter(self._tree.query_ball_point(places[finite], radii[finite], return_sorted=True))
        return [np.array(next(found), dtype=np.intp) if known else everything for known in finite]


def query_each(indexes: Sequence[NearestIndex], targets: Array, k: int = 1) -> list[list[Nearest]]:
    """The ``k`` nearest of each target (m, 3) in each of several indexes, index by index.

    Every comparison of all of them goes into two calls: for small sets the
    calls cost more than the arithmetic.
    """
    targets = np.asarray(targets, dtype=float).reshape(-1, 3)
    if not len(targets) or k < 1:
        nothing = Nearest(np.empty(0, np.intp), np.empty(0))
        return [[nothing] * len(targets) for _ in indexes]
    places = din99o(targets)
    count = max(figures.colour.FIRST_CANDIDATES, k)
    first = [index.handfuls(places, count) for index in indexes]
    ranked = _rank_all(indexes, targets, first, k)
    # A set no larger than the handful is answered; the others look again, in
    # the ball within which every nearer colour lies.
    large = [number for number, index in enumerate(indexes) if len(index) > count]
    second = [
        indexes[number].balls(places, _radii(np.array([one.distances[-1] for one in ranked[number]])))
        for number in large
    ]
    for number, answer in zip(large, _rank_all([indexes[n] for n in large], targets, second, k), strict=True):
        ranked[number] = answer
    return ranked


def _rank_all(
    indexes: Sequence[NearestIndex], targets: Array, candidates: list[list[Indices]], k: int
) -> list[list[Nearest]]:
    sizes = np.array([[len(one) for one in row] for row in candidates], dtype=np.intp).reshape(
        -1, len(targets)
    )
    if not sizes.sum():
        return [[Nearest(np.array([], dtype=np.intp), np.array([])) for _ in targets] for _ in indexes]
    there = np.concatenate(
        [index.lab[one] for index, row in zip(indexes, candidates, strict=True) for one in row]
    )
    here = np.concatenate([np.repeat(targets, row, axis=0) for row in sizes])
    distances = np.split(delta_e(here, there), np.cumsum(sizes.ravel())[:-1])
    parts = iter(distances)
    return [[_ranked(one, next(parts), k) for one in row] for row in candidates]


def _radii(kth: Array) -> Array:
    """How far in DIN99o a colour within ΔE00 ``kth`` (m,) can lie; infinite where no bound is known."""
    radii = np.full(len(kth), np.inf)
    for limit, factor in reversed(figures.colour.DIN99O_BOUND):
        radii = np.where(kth <= limit, kth / factor + 1e-9, radii)
    return radii


def _ranked(indices: Indices, distances: Array, k: int) -> Nearest:
    """The ``k`` nearest, ties in the order of the set: cut first, since a ball can be large."""
    if k == 1 and len(distances):  # indices ascend, so the first of equals is the right one
        best = np.array([np.argmin(distances)])
        return Nearest(indices[best], distances[best])
    if len(distances) > 4 * k:
        kept = np.flatnonzero(distances <= np.partition(distances, k - 1)[k - 1])
        indices, distances = indices[kept], distances[kept]
    order = np.lexsort((indices, distances))[:k]
    return Nearest(indices[order], distances[order])
