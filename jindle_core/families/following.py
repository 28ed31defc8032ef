"""Which family keeps every usual limit and lies nearest to tones as they are wanted?

Where ``convert`` keeps the steps of a family of another range, this keeps the limits that any family has,
with one tone near the colour that it is for. Ours: a dynamic programme over the steps that the limits
allow, which knows of every path whether it has come near that colour; the span is pressed for by a price on
lightness at both ends. Checked in the tests against every possible path.
"""

import numpy as np
from numpy.typing import NDArray

from jindle_core import figures
from jindle_core.colorimetry.difference import delta_e
from jindle_core.colorimetry.spaces import Array
from jindle_core.families.build import Builder, allowed_steps
from jindle_core.families.rule import USUAL, Allowance, wanted_span
from jindle_core.limits import at_least, at_most


def follow(
    tones: Array,
    builder: Builder,
    allowance: Allowance = USUAL,
    around: Array | None = None,
    reach: float = figures.colour.COUSIN,
) -> tuple[int, ...] | None:
    """Places among the builder's candidates, one for each tone (k, 3), light to dark; k is 2 to 5.

    One of them is within a ΔE00 of ``reach`` of the colour ``around`` (3,), if there is one; without it
    the middle tone is what they are a family for. None where the candidates hold no such family.
    """
    wanted = tones[len(tones) // 2] if around is None else around
    places = builder.of_hue(wanted)
    if len(places) < len(tones):
        return None
    labs = builder.candidates[places]
    costs = (delta_e(tones[:, None], labs[None]) / figures.families.FAMILY_DELTA_E) ** 2
    costs = costs + ((tones[:, None, 0] - labs[None, :, 0]) / figures.families.FOLLOWED_L) ** 2
    allowed = allowed_steps(labs, wanted, allowance)
    near = np.ones(len(labs), dtype=bool) if around is None else at_most(delta_e(around, labs), reach)
    span = float(wanted_span(len(tones), wanted, allowance))
    for price in figures.families.SPAN_PRICES:
        pressed = costs.copy()
        pressed[0] -= price * labs[:, 0]
        pressed[-1] += price * labs[:, 0]
        path = _cheapest(pressed, allowed, near)
        if path is None:
            return None
        if at_least(labs[path[0], 0] - labs[path[-1], 0], span):
            return tuple(int(places[at]) for at in path)
    return None


def _cheapest(costs: Array, allowed: NDArray[np.bool_], near: NDArray[np.bool_]) -> tuple[int, ...] | None:
    """The cheapest path (k,) of costs (k, n) along allowed steps (n, n) that has been at one that is near."""
    barred = np.where(allowed, 0.0, np.inf)
    # What it costs to be at each candidate, not having been near yet, and having been.
    still = np.where(near, np.inf, costs[0])
    been = np.where(near, costs[0], np.inf)
    back = []
    for cost in costs[1:]:
        from_been = (been[:, None] + barred).argmin(axis=0)
        from_still = (still[:, None] + barred).argmin(axis=0)
        at = np.arange(len(cost))
        reached_been = been[from_been] + barred[from_been, at]
        reached_still = still[from_still] + barred[from_still, at]
        # One that is near may be come to from either.
        fresh = near & (reached_still < reached_been)
        back.append((np.where(fresh, from_still, from_been), fresh, from_still))
        been = np.where(fresh, reached_still, reached_been) + cost
        still = np.where(near, np.inf, reached_still + cost)
    last = int(been.argmin())
    if not np.isfinite(been[last]):
        return None
    path, has_been = [last], True
    for through, fresh, from_still in reversed(back):
        here = path[-1]
        path.append(int(through[here] if has_been else from_still[here]))
        has_been = has_been and not fresh[here]
    return tuple(path[::-1])


def holding_one(builder: Builder, count: int, allowance: Allowance = USUAL) -> NDArray[np.bool_]:
    """Which candidates (n,) have a family of so many tones around them that keeps every limit."""
    return np.array(
        [_holds_one(builder, at, count, allowance) for at in range(len(builder.candidates))], bool
    )


def _holds_one(builder: Builder, own: int, count: int, allowance: Allowance) -> bool:
    wanted = builder.candidates[own]
    places = builder.of_hue(wanted)
    labs, at = builder.candidates[places], int(np.searchsorted(places, own))
    if len(labs) < count:
        return False
    allowed, lightness = allowed_steps(labs, wanted, allowance), labs[:, 0]
    span = float(wanted_span(count, wanted, allowance))
    # Those that so many steps up and down lead to: the lightest and the darkest of them.
    up = down = np.arange(len(labs)) == at
    lightest, darkest = [wanted[0]], [wanted[0]]
    for _ in range(count - 1):
        up, down = allowed[:, up].any(axis=1), allowed[down].any(axis=0)
        lightest.append(lightness[up].max(initial=-np.inf))
        darkest.append(lightness[down].min(initial=np.inf))
    return any(at_least(lightest[before] - darkest[count - 1 - before], span) for before in range(count))
