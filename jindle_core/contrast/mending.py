"""Which change, the smallest that would do, makes a failing pair hold?"""

from dataclasses import dataclass

import numpy as np

from jindle_core.checks.finding import Finding
from jindle_core.colorimetry.difference import delta_e
from jindle_core.colorimetry.spaces import Array
from jindle_core.contrast.rules import PairKind, examine, holds


@dataclass(frozen=True, slots=True)
class Recoloured:
    """A change of one end of a pair.

    ``end`` is "upper" or "lower"; ``index`` the candidate's place in the array
    given; ``distance`` how far (ΔE00) it is from what stands there now; and
    ``finding`` what the rule then says.
    """

    end: str
    index: int
    distance: float
    finding: Finding


def mend(kind: PairKind, upper: Array, lower: Array, end: str, candidates: Array) -> Recoloured | None:
    """The candidate (of (n, 3)) nearest to one end's colour with which the pair holds.

    None where no candidate holds. ``upper`` and ``lower`` are single colours (3,).
    """
    candidates = np.asarray(candidates, dtype=float).reshape(-1, 3)
    now = np.asarray(upper if end == "upper" else lower, dtype=float)
    ends = (candidates, lower) if end == "upper" else (upper, candidates)
    kept = np.flatnonzero(holds(kind, *ends)) if len(candidates) else np.arange(0)
    if not len(kept):
        return None
    distances = delta_e(now[None], candidates[kept])
    best = int(np.argmin(distances))
    chosen = candidates[kept[best]]
    after = examine(kind, chosen, lower) if end == "upper" else examine(kind, upper, chosen)
    return Recoloured(end, int(kept[best]), float(distances[best]), after)
