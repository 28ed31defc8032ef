"""Which supplies do all the places of a card take together, so that what holds between them goes on holding?

Ours: each place has some candidates with a cost of their own, and each two places a cost of any two of
these. A beam over the places, the most bound first, gives a start; then one place after another takes what
is best with all the others, from several starts, until nothing changes. Equal to brute force on all small
cases of the tests.
"""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from functools import cached_property

import numpy as np
from numpy.typing import NDArray

from jindle_core import figures
from jindle_core.colorimetry.spaces import Array

Chosen = NDArray[np.intp]


@dataclass(frozen=True, eq=False)
class Joint:
    """Costs of n places: ``alone`` of each (c,), and of two (i < j) ``between`` (c_i, c_j)."""

    alone: Sequence[Array]
    between: Mapping[tuple[int, int], Array]

    def cost(self, chosen: Sequence[int]) -> float:
        """What a choice for every place costs."""
        found = sum(float(costs[at]) for costs, at in zip(self.alone, chosen, strict=True))
        return found + sum(float(costs[chosen[i], chosen[j]]) for (i, j), costs in self.between.items())

    def best(self) -> list[int]:
        """The cheapest choice that is found."""
        mended = [self._mended(start) for start in self._beam()]
        return min(mended, key=self.cost, default=[])

    @cached_property
    def _each(self) -> Array:
        """``alone`` of all places (n, c), what is no candidate at no price."""
        found = np.full((len(self.alone), max(map(len, self.alone), default=0)), np.inf)
        for at, costs in enumerate(self.alone):
            found[at, : len(costs)] = costs
        return found

    @cached_property
    def _two(self) -> Array:
        """``between`` both ways (n, n, c, c), 0 where nothing."""
        count, most = self._each.shape
        found = np.zeros((count, count, most, most))
        for (i, j), costs in self.between.items():
            found[i, j, : costs.shape[0], : costs.shape[1]] = costs
            found[j, i, : costs.shape[1], : costs.shape[0]] = costs.T
        return found

    def _beam(self) -> list[Chosen]:
        """The cheapest states that one comes to place by place, those that are bound to most others first."""
        bound = [sum(at in pair for pair in self.between) for at in range(len(self.alone))]
        order = sorted(range(len(self.alone)), key=lambda at: -bound[at])
        costs, states = np.zeros(1), np.zeros((1, 0), dtype=np.intp)
        for step, place in enumerate(order):
            before = np.array(order[:step], dtype=np.intp)
            reached = costs[:, None] + self._each[place]
            reached = reached + self._two[before, place, states].sum(axis=1)
            most = min(figures.sets.BEAM, int(np.isfinite(reached).sum()))
            kept = np.argsort(reached, axis=None, kind="stable")[:most]
            rows, candidates = np.unravel_index(kept, reached.shape)
            costs = reached[rows, candidates]
            states = np.concatenate([states[rows], candidates[:, None]], axis=1)
        back = np.argsort(order)
        return [state[back] for state in states[: figures.sets.STARTS]]

    def _mended(self, start: Chosen) -> list[int]:
        """The same where no place, and no two that are bound, take better with all the others as they are."""
        chosen, places = start.copy(), np.arange(len(start))
        for _ in range(figures.sets.ROUNDS):
            before = chosen.copy()
            for i, j in self.between:
                # What every candidate of each place costs with the others as they are, one another apart.
                one, other = (
                    self._each[at]
                    + self._two[at, places, :, chosen].sum(axis=0)
                    - self._two[at, but, :, chosen[but]]
                    for at, but in ((i, j), (j, i))
                )
                together = one[:, None] + other + self._two[i, j]
                chosen[i], chosen[j] = np.unravel_index(together.argmin(), together.shape)
            if (chosen == before).all():
                break
        return [int(one) for one in chosen]
