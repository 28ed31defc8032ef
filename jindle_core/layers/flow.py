"""Do finishing pieces lead the eye across the card, balance, and come back?"""

from collections import Counter
from collections.abc import Hashable, Sequence

import numpy as np

from jindle_core import figures
from jindle_core.checks.finding import Finding, Status
from jindle_core.colorimetry.spaces import Array
from jindle_core.limits import at_least, at_most
from jindle_core.shown import percent


def reach(middles: Array, width: float, height: float) -> float:
    """How far apart the two outermost of some places (n, 2) are, as a share of the card's diagonal."""
    apart = np.linalg.norm(middles[:, None] - middles[None], axis=-1)
    return float(apart.max() / np.hypot(width, height))


def off_middle(middles: Array, areas: Array, width: float, height: float) -> float:
    """How far the weight of pieces (n,) lies off the card's middle, as a share of the way to its corner."""
    weight = np.average(middles, axis=0, weights=areas)
    return float(np.hypot(*(weight - [width / 2, height / 2])) / (np.hypot(width, height) / 2))


def examine_flow(
    middles: Array, areas: Array, kinds: Sequence[Hashable], width: float, height: float
) -> Finding:
    """What holds of the finishing pieces of a front ``width`` × ``height`` mm, at least one.

    ``middles`` (n, 2) in mm, ``areas`` (n,) in mm², ``kinds`` of what each is. Three or more make a
    line; the limits are ours, from what cardmakers call leading and balanced.
    """
    count = len(middles)
    far = reach(middles, width, height)
    off = off_middle(middles, areas, width, height)
    least, most = figures.building.FLOW_REACH, figures.building.FLOW_OFF
    alone = sum(1 for number in Counter(kinds).values() if number == 1)
    faults = []
    if count < figures.building.FLOW_COUNT:
        faults.append("too few to lead the eye: three, five or seven do")
    else:
        if not at_least(far, least):
            faults.append("they stay in one place, and lead nowhere")
        if not at_most(off, most):
            faults.append("all their weight lies on one side")
        if alone:
            faults.append("a colour that comes once looks like an accident")
    figure = f"{count}, over {percent(far, least)} of the diagonal, {percent(off, most)} off the middle"
    limit = f"three or more, over {100 * least:.0f} %, at most {100 * most:.0f} % off"
    return Finding(Status.LOOK_AGAIN if faults else Status.HOLDS, figure, limit, "; ".join(faults))
