"""Which family of another range corresponds to this one, as a set?"""

from dataclasses import dataclass

import numpy as np
from scipy.optimize import linear_sum_assignment

from jindle_core import figures
from jindle_core.colorimetry.difference import delta_e
from jindle_core.colorimetry.spaces import Array
from jindle_core.errors import BadInput, Problem


@dataclass(frozen=True, slots=True)
class ToneStep:
    """A step from one tone to the next darker one, ΔL* here and there, and whether it gives way."""

    here: float
    there: float
    gives_way: bool


@dataclass(frozen=True, slots=True)
class Converted:
    """A family in another range.

    ``order`` places the given tones light to dark; ``places`` are the chosen
    candidates in that order, ``distances`` their ΔE00 from the tones, and
    ``nearest`` the mean ΔE00 that five separate nearest ones would have had.
    """

    order: tuple[int, ...]
    places: tuple[int, ...]
    distances: tuple[float, ...]
    steps: tuple[ToneStep, ...]
    nearest: float


def convert(tones: Array, candidates: Array) -> Converted | None:
    """The path through ``candidates`` (n, 3) that keeps the steps of ``tones`` (k, 3).

    Ours: a dynamic programme over all candidates for every tone, whose cost
    is how far each colour is off and how far each step differs from the
    original's, in lightness and in a, b; checked in the tests against every
    possible path. Always distinct and from light to dark; None where the
    candidates cannot hold such a path. Raises BadInput for fewer than 2 or
    more than 5 tones.
    """
    tones = np.asarray(tones, dtype=float).reshape(-1, 3)
    candidates = np.asarray(candidates, dtype=float).reshape(-1, 3)
    least, most = figures.families.FAMILY_SIZES
    if not least <= len(tones) <= most:
        raise BadInput(
            Problem(
                f"A family has {least} to {most} colours; these are {len(tones)}.",
                field="colours",
                value=str(len(tones)),
                expected=f"{least} to {most} colours",
            )
        )
    order = np.argsort(-tones[:, 0], kind="stable")
    tones = tones[order]
    if not len(candidates):
        return None
    off = delta_e(tones[:, None], candidates[None])
    places = _path(tones, candidates, off)
    if places is None:
        return None
    there = -np.diff(candidates[places, 0])
    here = -np.diff(tones[:, 0])
    steps = tuple(
        ToneStep(float(one), float(other), bool(abs(one - other) > figures.families.FAMILY_GIVES_WAY))
        for one, other in zip(here, there, strict=True)
    )
    distances = tuple(float(off[at, place]) for at, place in enumerate(places))
    return Converted(
        tuple(map(int, order)), tuple(map(int, places)), distances, steps, float(off.min(axis=1).mean())
    )


def _path(tones: Array, candidates: Array, off: Array) -> list[int] | None:
    """The cheapest path, one candidate a tone, or None."""
    # [i, j]: the step from candidate i to candidate j.
    there = candidates[None, :] - candidates[:, None]
    cost = (off[0] / figures.families.FAMILY_DELTA_E) ** 2
    came_from = []
    for at in range(1, len(tones)):
        here = tones[at] - tones[at - 1]
        bend = there - here
        step_cost = (bend[..., 0] / figures.families.FAMILY_STEP_L) ** 2
        step_cost += (bend[..., 1:] ** 2).sum(axis=-1) / figures.families.FAMILY_STEP_AB
        floor, share = figures.families.FAMILY_LEAST_STEP
        step_cost[-there[..., 0] < max(floor, share * abs(here[0]))] = np.inf
        reached = cost[:, None] + step_cost
        came_from.append(np.argmin(reached, axis=0))
        cost = reached.min(axis=0) + (off[at] / figures.families.FAMILY_DELTA_E) ** 2
    last = int(np.argmin(cost))
    if not np.isfinite(cost[last]):
        return None
    path = [last]
    for back in reversed(came_from):
        path.append(int(back[path[-1]]))
    return path[::-1]


def assign(targets: Array, candidates: Array) -> list[int]:
    """For each target (m, 3) a candidate (n, 3), no candidate twice while there are enough.

    The least sum of squared ΔE00 (Hungarian method, by scipy). Where the
    candidates are fewer than the targets, what is left takes its nearest.
    """
    off = delta_e(np.asarray(targets)[:, None], np.asarray(candidates)[None])
    chosen = np.argmin(off, axis=1)
    rows, columns = linear_sum_assignment(off**2)
    chosen[rows] = columns
    return [int(one) for one in chosen]
