"""Which of many things make an order whose steps are about as large as wanted, and sure?"""

import numpy as np

from jindle_core import figures
from jindle_core.colorimetry.spaces import Array
from jindle_core.training.question import off_by


def _climbed(
    values: Array,
    sigmas: Array,
    gap: float,
    count: int,
    random: np.random.Generator,
    start: int,
    unlike: np.ndarray | None,
) -> list[int]:
    """One try: rungs above and below a place, as many as there are, ``count`` at most."""
    found, ends_left = [start], [True, True]
    while len(found) < count and any(ends_left):
        up = bool(random.integers(2)) if all(ends_left) else ends_left[1]
        at = found[-1] if up else found[0]
        rise = values - values[at] if up else values[at] - values
        fits = rise > np.maximum(gap, figures.training.SURE * np.hypot(sigmas, sigmas[at]))
        if unlike is not None:
            fits &= unlike[found].all(axis=0)
        if not fits.any():
            ends_left[up] = False
            continue
        over = np.where(fits, rise, np.inf)
        near = np.flatnonzero(over <= max(float(over.min()), figures.training.RUNG * gap))
        chosen = int(random.choice(near))
        found = [*found, chosen] if up else [chosen, *found]
    return found


def ladder(
    values: Array,
    sigmas: Array,
    gap: float,
    count: int,
    random: np.random.Generator,
    first: np.ndarray,
    unlike: np.ndarray | None = None,
) -> list[int] | None:
    """Places of ``count`` of some values (n,), from the least up, each surely above the one before.

    Their uncertainties (n,) are one sigma each. It goes up and down from one of the places ``first``;
    [i, j] of ``unlike`` (n, n) says whether two may stand in one order. None where there are not three. Of
    ``figures.training.TRIES`` tries the one whose least step is nearest to ``gap``.
    """
    best: tuple[int, float, list[int]] | None = None
    for _ in range(figures.training.TRIES):
        found = _climbed(values, sigmas, gap, count, random, int(random.choice(first)), unlike)
        if len(found) < figures.training.ORDER[0]:
            continue
        off = off_by(np.diff(values[found]).tolist(), gap)
        rank = (-len(found), off, found)
        if best is None or rank[:2] < best[:2]:
            best = rank
        if len(found) == count and off <= figures.training.ENOUGH:
            break
    return None if best is None else best[2]
