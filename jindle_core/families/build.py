"""Which colours make the best shading family around a colour?"""

from dataclasses import dataclass, replace
from functools import cached_property

import numpy as np

from jindle_core import figures
from jindle_core.colorimetry.difference import delta_e
from jindle_core.colorimetry.spaces import Array
from jindle_core.families.judge import (
    USUAL,
    Allowance,
    FamilyJudgement,
    FamilyLimits,
    Steps,
    judge_family,
    limits,
    steps,
)
from jindle_core.limits import at_least, at_most


@dataclass(frozen=True, slots=True)
class Family:
    """Places of its tones among the candidates, light to dark; the cost; how strict the limits were.

    ``kept`` is "whole" where every usual limit holds, "relaxed" where only
    those for small drawers do, "best" where not even they do.
    """

    places: tuple[int, ...]
    anchor: int
    cost: float
    kept: str
    judgement: FamilyJudgement


_Places = tuple[int, ...]
_Path = tuple[float, _Places]  # with what it costs


class _Costs:
    """What the steps between candidates (n, 3) cost; each way of asking is worked out once."""

    def __init__(self, candidates: Array) -> None:
        self._candidates = candidates
        self._near: dict[float, np.ndarray] = {}
        self._costs: dict[tuple[int, FamilyLimits, bool], Array] = {}

    @cached_property
    def _steps(self) -> Steps:
        """[i, j]: from candidate i down to candidate j."""
        return steps(self._candidates[:, None], self._candidates[None])

    def hue_holds(self, hue: float) -> np.ndarray:
        """[i, j]: whether the hue drifts little enough between two candidates."""
        if hue not in self._near:
            self._near[hue] = self._steps.hue_holds(hue)
        return self._near[hue]

    def cost(self, tones: int, wanted: FamilyLimits, kept: str) -> Array:
        """What each step between two candidates costs, infinite where it may not be taken."""
        key = (tones, wanted, kept == "best")
        if key not in self._costs:
            found, costs = self._steps, figures.families.STEP_COST
            aim = wanted.span / (tones - 1) + figures.families.STEP_AIM
            chroma = np.maximum(0, found.chroma - costs["free chroma"])
            cost = (
                ((found.lightness - aim) / costs["lightness"]) ** 2
                + (found.hue_distance / costs["hue"]) ** 2
                + (chroma / costs["chroma"]) ** 2
            )
            if kept == "best":
                allowed = found.lightness >= figures.families.FAMILY_LEAST_LIGHTNESS
            else:
                least, most = wanted.lightness
                allowed = at_least(found.lightness, least) & at_most(found.lightness, most)
                allowed &= found.hue_holds(wanted.hue) & found.chroma_holds
            self._costs[key] = np.where(allowed, cost, np.inf)
        return self._costs[key]


class Builder:
    """Candidates (n, 3) with every step between two of them, to be asked for many families."""

    def __init__(self, candidates: Array) -> None:
        self.candidates = np.asarray(candidates, dtype=float).reshape(-1, 3)
        self._steps = _Costs(self.candidates)
        self._paths: dict[tuple[int, int, str, int, Allowance], list[_Path]] = {}

    def best(
        self,
        wanted: Array,
        tones: int,
        count: int = 1,
        allowance: Allowance = USUAL,
        off: Array | None = None,
        reach: float = figures.colour.COUSIN,
    ) -> list[Family]:
        """The best families of 2 to 5 tones around a wanted colour (3,), best first.

        A family holds one of the candidates nearest to the wanted colour,
        rather in its middle than at an end. ``off`` are the ΔE00 of the wanted
        colour from every candidate, (n,), where they are known already; how
        near one tone must come, as ``judge_family`` takes it, is ``reach``.

        Ours: a dynamic programme outwards from the anchor, to both sides,
        that keeps both ends of every path, so that the span is exact; checked
        in the tests against every possible family of a small drawer. Where
        the limits leave nothing, the relaxed ones are tried, then the best of
        what there is; fewer tones where the candidates hold no more depths, and
        none where they hold less than 2. Of very many candidates only those
        most like the wanted colour in hue and strength are looked at.
        """
        if len(self.candidates) > figures.families.FAMILY_CANDIDATES:
            return self._among_alike(np.asarray(wanted, dtype=float), tones, count, allowance, reach)
        tones = min(tones, len(self.candidates))
        if tones < figures.families.FAMILY_SIZES[0]:
            return []
        if off is None:
            off = delta_e(np.asarray(wanted, dtype=float), self.candidates)
        anchors = np.argsort(off, kind="stable")[: figures.families.ANCHORS_TRIED]
        anchors = anchors[(off[anchors] <= figures.colour.COUSIN) | (anchors == anchors[0])]
        for kept in ("whole", "relaxed", "best"):
            found: list[tuple[float, _Places, int]] = []
            for anchor in anchors:
                extra = float((off[anchor] / figures.families.ANCHOR_COST) ** 2)
                # No path costs less than nothing, so a farther anchor may be out of the running.
                if len(found) >= count and sorted(found)[count - 1][0] < extra:
                    break
                paths = self._around(int(anchor), tones, kept, count, allowance)
                found += [(cost + extra, places, int(anchor)) for cost, places in paths]
            if found:
                return self._families(found, kept, count, allowance, wanted, reach)
        return self.best(wanted, tones - 1, count, allowance, off, reach)

    def allowed(self, tones: int, allowance: Allowance = USUAL) -> np.ndarray:
        """[i, j]: whether a family of so many tones may step from candidate i down to candidate j."""
        return np.isfinite(self._steps.cost(tones, limits(tones, allowance), "whole"))

    def _among_alike(
        self, wanted: Array, tones: int, count: int, allowance: Allowance, reach: float
    ) -> list[Family]:
        """The best families of the candidates whose a, b come nearest to the wanted colour's."""
        apart = ((self.candidates[:, 1:] - wanted[1:]) ** 2).sum(axis=1)
        kept = np.sort(
            np.argpartition(apart, figures.families.FAMILY_CANDIDATES)[: figures.families.FAMILY_CANDIDATES]
        )
        return [
            replace(
                family,
                places=tuple(int(kept[place]) for place in family.places),
                anchor=int(kept[family.anchor]),
            )
            for family in Builder(self.candidates[kept]).best(wanted, tones, count, allowance, reach=reach)
        ]

    def _families(
        self,
        found: list[tuple[float, _Places, int]],
        kept: str,
        count: int,
        allowance: Allowance,
        wanted: Array,
        reach: float,
    ) -> list[Family]:
        families: dict[tuple[int, ...], Family] = {}
        for cost, places, anchor in sorted(found):
            if places not in families and len(families) < count:
                judged = judge_family(self.candidates[list(places)], allowance, wanted, reach)
                families[places] = Family(places, anchor, cost, kept, judged)
        return list(families.values())

    def _around(self, anchor: int, tones: int, kept: str, count: int, allowance: Allowance) -> list[_Path]:
        """The cheapest paths through an anchor, at each place that it can have in the family.

        They are the same whatever is wanted, and are kept for the next colour.
        """
        asked = (anchor, tones, kept, count, allowance)
        if asked not in self._paths:
            self._paths[asked] = self._found_around(*asked)
        return self._paths[asked]

    def _found_around(
        self, anchor: int, tones: int, kept: str, count: int, allowance: Allowance
    ) -> list[_Path]:
        wanted = limits(tones, allowance, relaxed=kept != "whole")
        rows = np.arange(len(self.candidates))
        near = rows
        if kept != "best":
            near = rows[self._steps.hue_holds(wanted.anchor_hue)[anchor]]
        step_cost = self._steps.cost(tones, wanted, kept)[np.ix_(near, near)]
        start = int(np.flatnonzero(near == anchor)[0])
        darker = _walk(step_cost, start, tones)
        lighter = _walk(step_cost.T, start, tones)
        lightness = self.candidates[near, 0]
        found: list[_Path] = []
        for before in range(tones):
            after = tones - 1 - before
            lights, darks = (
                np.flatnonzero(np.isfinite(one)) for one in (lighter[before][0], darker[after][0])
            )
            if not len(lights) or not len(darks):
                continue
            total = lighter[before][0][lights, None] + darker[after][0][darks]
            if kept != "best":
                total[~at_least(lightness[lights, None] - lightness[darks], wanted.span)] = np.inf
            flat = total.ravel()
            more = abs(before - (tones - 1) / 2) * figures.families.OFF_MIDDLE_COST
            for at in np.argpartition(flat, min(count, len(flat) - 1))[:count]:
                if np.isfinite(flat[at]):
                    light, dark = divmod(int(at), len(darks))
                    upper = _back(lighter, before, int(lights[light]))
                    lower = _back(darker, after, int(darks[dark]))
                    path = (*upper, *lower[::-1][1:])
                    found.append((float(flat[at]) + more, tuple(int(near[one]) for one in path)))
        return found


_Walk = list[tuple[Array, np.ndarray]]


def _walk(step_cost: Array, start: int, tones: int) -> _Walk:
    """For 0 to tones − 1 steps from the start: the least cost to reach each candidate, and from where."""
    cost = np.full(len(step_cost), np.inf)
    cost[start] = 0.0
    walked: _Walk = [(cost, np.full(len(step_cost), -1))]
    for _ in range(tones - 1):
        here = np.flatnonzero(np.isfinite(cost))
        here = here if len(here) else np.array([start])  # nothing is reached: all stays infinite
        reached = cost[here, None] + step_cost[here]
        cheapest = np.argmin(reached, axis=0)
        cost = reached[cheapest, np.arange(len(cost))]
        walked.append((cost, here[cheapest]))
    return walked


def _back(walked: _Walk, count: int, end: int) -> tuple[int, ...]:
    """The path of ``count`` steps that ends in ``end``, from there back to the start."""
    path = [end]
    for taken in range(count, 0, -1):
        path.append(int(walked[taken][1][path[-1]]))
    return tuple(path)
