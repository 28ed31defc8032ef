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
from jindle_core.families.build import Builder
from jindle_core.families.judge import USUAL, Allowance, limits
from jindle_core.limits import at_least, at_most


def follow(
    tones: Array,
    builder: Builder,
    allowance: Allowance = USUAL,
    around: Array | None = None,
    reach: float = figures.colour.COUSIN,
) -> tuple[int, ...] | None:
    """Places among the builder's candidates, one for each tone (k, 3), light to dark; k is 2 to 5.

    One of them is within a ΔE00 of ``reach`` of the colour ``around`` (3,), if there is one. None where
    the candidates hold no such family.
    """
    candidates = builder.candidates
    if len(candidates) < len(tones) or len(candidates) > figures.families.FAMILY_CANDIDATES:
        return None
    costs = (delta_e(tones[:, None], candidates[None]) / figures.families.FAMILY_DELTA_E) ** 2
    costs = costs + ((tones[:, None, 0] - candidates[None, :, 0]) / figures.families.FOLLOWED_L) ** 2
    allowed = builder.allowed(len(tones), allowance)
    near = (
        np.ones(len(candidates), dtype=bool)
        if around is None
        else at_most(delta_e(around, candidates), reach)
    )
    span = limits(len(tones), allowance).span
    for price in figures.families.SPAN_PRICES:
        pressed = costs.copy()
        pressed[0] -= price * candidates[:, 0]
        pressed[-1] += price * candidates[:, 0]
        path = _cheapest(pressed, allowed, near)
        if path is None or at_least(candidates[path[0], 0] - candidates[path[-1], 0], span):
            return path
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
    """Which candidates (n,) are a tone of some family of so many tones that keeps every usual limit."""
    allowed = builder.allowed(count, allowance)
    lightness, span = builder.candidates[:, 0], limits(count, allowance).span
    # The lightest that so many steps up from each lead to, and the darkest that steps down do.
    lightest, darkest = [lightness], [lightness]
    for _ in range(count - 1):
        up = np.where(allowed, lightest[-1][:, None], -np.inf).max(axis=0, initial=-np.inf)
        down = np.where(allowed, darkest[-1][None], np.inf).min(axis=1, initial=np.inf)
        lightest.append(up)
        darkest.append(down)
    found = np.zeros(len(lightness), dtype=bool)
    for before in range(count):
        found |= at_least(lightest[before] - darkest[count - 1 - before], span)
    return found
