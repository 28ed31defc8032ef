"""Which colours make the best shading family around a colour?"""

from collections.abc import Iterator
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from jindle_core import figures
from jindle_core.colorimetry.difference import delta_e
from jindle_core.colorimetry.spaces import Array
from jindle_core.families.judge import FamilyJudgement, judge_family
from jindle_core.families.rule import (
    USUAL,
    Allowance,
    Holds,
    Steps,
    is_yellow,
    keeps_hue,
    keeps_strength,
    most_turn,
    polar,
    steps,
    wanted_span,
)
from jindle_core.held import Held
from jindle_core.limits import at_least, at_most


@dataclass(frozen=True, slots=True)
class Family:
    """Places of its tones among the candidates, light to dark; the cost; how strict the limits were.

    ``kept`` is "whole" where every usual limit holds, "relaxed" where only
    the steps are those of a small drawer, "best" where its hue turns farther
    than usual, or one tone is all there is.
    """

    places: tuple[int, ...]
    anchor: int
    cost: float
    kept: str
    judgement: FamilyJudgement


_ANSWERS = 64  # of a builder: the colours of some cards, which are asked about again and again
_Places = tuple[int, ...]
_Path = tuple[float, _Places]  # with what it costs


class Builder:
    """Candidates (n, 3), and which range each is of (n,), to be asked for many families."""

    def __init__(self, candidates: Array, ranges: NDArray[np.integer] | None = None) -> None:
        self.candidates = np.asarray(candidates, dtype=float).reshape(-1, 3)
        self.ranges = np.zeros(len(self.candidates), dtype=np.intp) if ranges is None else ranges
        self._answered = Held[tuple[object, ...], list[Family]](_ANSWERS)

    def best(
        self,
        wanted: Array,
        tones: int,
        count: int = 1,
        allowance: Allowance = USUAL,
        off: Array | None = None,
        reach: float = figures.colour.COUSIN,
        among: Holds | None = None,
    ) -> list[Family]:
        """The best families of 2 to 5 tones around a wanted colour (3,), best first.

        A family holds one of the candidates nearest to the wanted colour,
        rather in its middle than at an end. ``off`` are the ΔE00 of the wanted
        colour from every candidate, (n,), where they are known already; how
        near one tone must come, as ``judge_family`` takes it, is ``reach``;
        ``among`` says which candidates may be taken at all.

        Ours: a dynamic programme outwards from the anchor, to both sides,
        that keeps both ends of every path, so that the span is exact; checked
        in the tests against every possible family of a small drawer. Where
        there is none, fewer tones that keep the limits go before as many that
        do not, then one tone alone; another hue, or a grey, is never taken.
        None where nothing is of the hue at all. Of very many candidates only
        those most like the wanted colour in hue and strength are looked at.
        """
        wanted = np.asarray(wanted, dtype=float)
        if off is None:
            off = delta_e(wanted, self.candidates)
        may = np.ones(len(self.candidates), dtype=bool) if among is None else among
        tones = min(tones, figures.families.FAMILY_SIZES[1])
        asked = (wanted.tobytes(), tones, count, allowance, reach, may.tobytes())
        return list(
            self._answered.get(asked, lambda: self._found(wanted, tones, count, allowance, off, reach, may))
        )

    def _found(
        self,
        wanted: Array,
        tones: int,
        count: int,
        allowance: Allowance,
        off: Array,
        reach: float,
        may: Holds,
    ) -> list[Family]:
        for kept in ("whole", "relaxed", "best"):
            around = _Around.of(self, wanted, may, off, reach, kept, allowance)
            if around is None:
                continue
            for fewer in range(tones, figures.families.FAMILY_SIZES[0] - 1, -1):
                if found := around.families(fewer, count):
                    return [self._family(one, kept, wanted, allowance, reach) for one in found]
        return [] if around is None else [self._alone(around.anchors[0], wanted, allowance, reach)]

    def _family(
        self, found: "_Found", kept: str, wanted: Array, allowance: Allowance, reach: float
    ) -> Family:
        judged = judge_family(self.candidates[list(found.places)], allowance, wanted, reach)
        return Family(found.places, found.anchor, found.cost, kept, judged)

    def _alone(self, anchor: int, wanted: Array, allowance: Allowance, reach: float) -> Family:
        judged = judge_family(self.candidates[[anchor]], allowance, wanted, reach)
        return Family((anchor,), anchor, 0.0, "best", judged)

    def of_hue(self, wanted: Array) -> NDArray[np.intp]:
        """The places (m,) of what may be in a family for a colour (3,); of very many those most like it."""
        places = np.flatnonzero(keeps_hue(self.candidates, wanted) & keeps_strength(self.candidates, wanted))
        return _most_alike(self.candidates, places, wanted)


def _most_alike(candidates: Array, places: NDArray[np.intp], wanted: Array) -> NDArray[np.intp]:
    most = figures.families.FAMILY_CANDIDATES
    if len(places) <= most:
        return places
    apart = ((candidates[places, 1:] - wanted[1:]) ** 2).sum(axis=1)
    return np.sort(places[np.argpartition(apart, most)[:most]])


@dataclass(frozen=True, slots=True)
class _Found:
    cost: float
    places: _Places
    anchor: int


@dataclass(frozen=True)
class _Around:
    """What may be of families around a colour: places (m,), their CIELAB and ranges.

    ``wanted`` is what they are judged around: the colour asked for or, where
    nothing comes near it, the nearest that there is. ``anchors`` are places,
    the nearest first, with their ΔE00 ``off``.
    """

    places: NDArray[np.intp]
    labs: Array
    ranges: NDArray[np.integer]
    wanted: Array
    anchors: list[int]
    off: Array
    kept: str
    allowance: Allowance

    @classmethod
    def of(
        cls,
        builder: Builder,
        wanted: Array,
        may: Holds,
        off: Array,
        reach: float,
        kept: str,
        allowance: Allowance,
    ) -> "_Around | None":
        """What is of a colour's hue; None where nothing is."""
        most = figures.families.RELAXED_TURN if kept == "best" else None

        def fitting(around: Array) -> Holds:
            return keeps_hue(builder.candidates, around, most) & keeps_strength(builder.candidates, around)

        fits = may & fitting(wanted)
        if not fits.any():
            return None
        nearest = int(np.where(fits, off, np.inf).argmin())
        if not at_most(float(off[nearest]), reach):
            wanted = builder.candidates[nearest]
            fits &= fitting(wanted)
        places = _most_alike(builder.candidates, np.flatnonzero(fits), wanted)
        near = places[np.argsort(off[places], kind="stable")][: figures.families.ANCHORS_TRIED]
        anchors = [int(one) for one in near if one == near[0] or off[one] <= figures.colour.COUSIN]
        return cls(
            places, builder.candidates[places], builder.ranges[places], wanted, anchors, off, kept, allowance
        )

    def families(self, tones: int, count: int) -> list[_Found]:
        """The best of so many tones, the best first."""
        if len(self.places) < tones:
            return []
        span = float(wanted_span(tones, self.wanted, self.allowance))
        cost = _cost(self.labs, self.ranges, self.wanted, span / (tones - 1), self.kept, self.allowance)
        if self.kept != "whole":
            span *= figures.families.RELAXED_SPAN
        found: dict[_Places, _Found] = {}
        for anchor in self.anchors:
            extra = float((self.off[anchor] / figures.families.ANCHOR_COST) ** 2)
            # No path costs less than nothing, so a farther anchor may be out of the running.
            if len(found) >= count and sorted(one.cost for one in found.values())[count - 1] < extra:
                break
            at = int(np.searchsorted(self.places, anchor))
            for path_cost, path in _through(at, cost, self.labs[:, 0], tones, span, count):
                one = _Found(path_cost + extra, tuple(int(self.places[step]) for step in path), anchor)
                if one.places not in found or one.cost < found[one.places].cost:
                    found[one.places] = one
        return sorted(found.values(), key=lambda one: (one.cost, one.places))[:count]


def _allowed(found: Steps, wanted: Array, kept: str, allowance: Allowance) -> Holds:
    """Which steps a family for a colour (3,) may take."""
    if kept == "whole":
        return (
            found.lightness_holds(allowance)
            & found.hue_holds(most_turn(wanted))
            & found.chroma_holds(allowance)
        )
    least, most = figures.families.RELAXED_LIGHTNESS
    apart = at_least(found.lightness, least) & at_most(found.lightness, max(most, found.most(allowance)))
    turns = most_turn(wanted) if kept == "relaxed" else figures.families.RELAXED_TURN
    return np.asarray(apart & found.hue_holds(turns) & found.chroma_holds(allowance))


def allowed_steps(labs: Array, wanted: Array, allowance: Allowance = USUAL) -> Holds:
    """[i, j]: whether a family for a colour (3,) may step from one of some colours (m, 3) down to another."""
    return _allowed(steps(labs[:, None], labs[None]), wanted, "whole", allowance)


def _cost(
    labs: Array, ranges: NDArray[np.integer], wanted: Array, share: float, kept: str, allowance: Allowance
) -> Array:
    """[i, j]: what a step from one of some colours (m, 3) down to another costs, or infinite."""
    found, costs = steps(labs[:, None], labs[None]), figures.families.STEP_COST
    chroma = polar(labs)[0]
    counts = np.minimum(np.sqrt(chroma[:, None] * chroma[None]) / figures.families.TURN_COUNTS_C, 1.0)
    turned, dull = found.turned, np.zeros(len(labs))
    if is_yellow(wanted):
        to_gold, duller = figures.families.YELLOW_COST
        turned = np.where(turned < 0, to_gold * turned, turned)
        darker = labs[:, 0] < wanted[0]
        dull = np.where(darker, duller * np.maximum(polar(wanted)[0] - chroma, 0), 0.0)
    cost = (
        ((found.lightness - share - figures.families.STEP_AIM) / costs["lightness"]) ** 2
        + (counts * turned / costs["turn"]) ** 2
        + (found.rise / costs["chroma"]) ** 2
        + (dull / costs["chroma"]) ** 2  # of the tone that is stepped to
        + figures.families.OTHER_RANGE_COST * (ranges[:, None] != ranges[None])
    )
    return np.where(_allowed(found, wanted, kept, allowance), cost, np.inf)


def _through(
    start: int, cost: Array, lightness: Array, tones: int, span: float, count: int
) -> Iterator[_Path]:
    """The cheapest paths of so many tones through one, at each place that it can have in them."""
    darker, lighter = _walk(cost, start, tones), _walk(cost.T, start, tones)
    for before in range(tones):
        after = tones - 1 - before
        lights, darks = (np.flatnonzero(np.isfinite(one)) for one in (lighter[before][0], darker[after][0]))
        if not len(lights) or not len(darks):
            continue
        total = lighter[before][0][lights, None] + darker[after][0][darks]
        total[~at_least(lightness[lights, None] - lightness[darks], span)] = np.inf
        flat = total.ravel()
        more = abs(before - (tones - 1) / 2) * figures.families.OFF_MIDDLE_COST
        for at in np.argpartition(flat, min(count, len(flat) - 1))[:count]:
            if np.isfinite(flat[at]):
                light, dark = divmod(int(at), len(darks))
                upper = _back(lighter, before, int(lights[light]))
                lower = _back(darker, after, int(darks[dark]))
                yield float(flat[at]) + more, (*upper, *lower[::-1][1:])


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
