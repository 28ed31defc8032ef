"""With which colours does a palette stand best? A search place by place.

Ours: the first place is given and stays. The others start on the nearest that
are free, and then take, place by place, that of their nearest few with which
the whole palette stands best. Held against every possible choice from small
drawers in the tests, a search for a few palettes mostly finds the best; what
it is measured against on the demo's supplies stands in the bench.
"""

from dataclasses import dataclass
from itertools import combinations

import numpy as np

from jindle_core import figures
from jindle_core.colorimetry.difference import din99o
from jindle_core.colorimetry.spaces import Array
from jindle_core.matching.nearest import Indices
from jindle_core.palettes.rules import PaletteRule
from jindle_core.palettes.standing import Landable, PaletteStanding, standing


@dataclass(frozen=True, slots=True)
class Effort:
    """How hard is searched.

    ``few``: colours tried for each place. ``rounds``: of trying them.
    ``back``: from the last place to the first too. ``starts``: more beginnings,
    at random. ``paired``: two places at once at last.
    """

    few: int
    rounds: int
    back: bool = True
    starts: int = 0
    paired: bool = False


ROUGH = Effort(figures.palettes.RULE_FEW[0], 1, back=False)
MANY = Effort(figures.palettes.RULE_FEW[1], figures.palettes.RULE_ROUNDS)
FEW = Effort(
    figures.palettes.RULE_FEW[2],
    figures.palettes.RULE_ROUNDS,
    starts=figures.palettes.RULE_STARTS,
    paired=True,
)


@dataclass(frozen=True)
class Search:
    """A search for n palettes of a rule with k places at once.

    ``asked`` (n, k, 3) is what the rule asks for, ``close`` the same in
    DIN99o, ``first`` (n,) the leads, ``tried`` (n, k, c) each place's nearest few.
    """

    rule: PaletteRule
    on: Landable
    asked: Array
    close: Array
    first: Indices
    tried: Indices

    @classmethod
    def of(cls, rule: PaletteRule, on: Landable, asked: Array, first: Indices, effort: Effort) -> "Search":
        """A search with the few of an effort."""
        close = din99o(asked)
        # Each of k places may find all but one of its few taken.
        few = min(max(effort.few, asked.shape[1]), len(on))
        tried = np.array(on.index.handfuls(close.reshape(-1, 3), few)).reshape(*asked.shape[:2], few)
        return cls(rule, on, asked, close, first, tried)

    def only(self, at: Indices) -> "Search":
        """The search for some of its palettes, or some more than once."""
        asked, close = self.asked[at], self.close[at]
        return Search(self.rule, self.on, asked, close, self.first[at], self.tried[at])

    def standing(self, chosen: Indices) -> PaletteStanding:
        """How palettes (n, k) stand."""
        return standing(self.rule, self.on, chosen, self.asked, self.close)

    def costs(self, chosen: Indices) -> Array:
        """What they are ranked by (n,)."""
        return self.standing(chosen).cost

    def ends(self, effort: Effort) -> Indices:
        """The palettes (n, k) that are found."""
        count, size = self.asked.shape[:2]
        forth = np.arange(1, size)
        orders = [forth, forth[::-1]] if effort.back else [forth]
        begun = [self._begun(self.tried, order) for order in orders]
        random = np.random.default_rng(figures.palettes.RULE_SEED)
        for order in (orders * effort.starts)[: effort.starts]:
            begun.append(self._begun(random.permuted(self.tried, axis=2), order))
            orders.append(order)
        # All that is begun is gone on with at once.
        here = self.only(np.tile(np.arange(count), len(begun)))
        ends = here._settled(np.concatenate(begun), np.repeat(orders, count, axis=0), effort.rounds)
        costs = here.costs(ends).reshape(-1, count)
        found: Indices = ends.reshape(-1, count, size)[costs.argmin(axis=0), np.arange(count)]
        if effort.paired:
            return np.array([self.only(np.array([at]))._paired(found[at]) for at in range(count)])
        return found

    def _begun(self, tried: Indices, order: Indices) -> Indices:
        """Palettes to begin with: the lead, then place by place the first of its few that is free."""
        chosen = np.full(tried.shape[:2], -1)
        chosen[:, 0] = self.first
        for place in order:
            free = (tried[:, place, :, None] != chosen[:, None]).all(axis=-1)
            chosen[:, place] = tried[np.arange(len(tried)), place, free.argmax(axis=1)]
        return chosen

    def _settled(self, chosen: Indices, orders: Indices, rounds: int) -> Indices:
        """The palettes once no place would take another of its few, each asked in an order (n, k − 1)."""
        chosen, moving = chosen.copy(), np.arange(len(chosen))
        for _ in range(rounds):
            before = chosen[moving]
            here = self.only(moving)
            for place in orders[moving].T:
                chosen[moving] = here._better(chosen[moving], place)
            moving = moving[(chosen[moving] != before).any(axis=1)]
            if not len(moving):
                break
        return chosen

    def _better(self, chosen: Indices, place: Indices) -> Indices:
        """The palettes, each with the best of its few in one place (n,).

        Where another place has that one, the two change places; the first keeps its own.
        """
        rows = np.arange(len(chosen))
        staying = chosen[rows, place][:, None]
        tried = np.concatenate([staying, self.tried[rows, place]], axis=1)  # staying as it is comes first
        others = np.repeat(chosen[:, None], tried.shape[1], axis=1)
        others = np.where(others == tried[..., None], staying[:, None], others)
        others[rows, :, place] = tried
        each = self.only(np.repeat(rows, tried.shape[1]))
        costs = each.costs(others.reshape(-1, chosen.shape[1])).reshape(len(chosen), -1)
        costs = costs + np.where(tried == chosen[:, [0]], np.inf, 0)
        best: Indices = others[rows, np.argmin(costs, axis=1)]
        return best

    def _paired(self, chosen: Indices) -> Indices:
        """One palette (k,) once no two places together would take others of their few either."""
        (cost,) = self.costs(chosen[None])
        pairs = list(combinations(range(1, len(chosen)), 2))
        for _ in range(figures.palettes.RULE_ROUNDS):
            others = np.concatenate([self._with_pair(chosen, *pair) for pair in pairs])
            others = others[(np.diff(np.sort(others, axis=1), axis=1) > 0).all(axis=1)]
            costs = self.costs(others) if len(others) else np.array([np.inf])
            if costs.min() >= cost:
                break
            chosen, cost = others[costs.argmin()], costs.min()
        return chosen

    def _with_pair(self, chosen: Indices, first: int, second: int) -> Indices:
        """A palette with every two of their few in two places."""
        one, other = self.tried[0, first], self.tried[0, second]
        others = np.repeat(chosen[None], len(one) * len(other), axis=0)
        others[:, first], others[:, second] = np.repeat(one, len(other)), np.tile(other, len(one))
        return others
