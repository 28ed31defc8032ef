"""What do two cards share, and how alike do they look when one squints?"""

from collections.abc import Sequence
from dataclasses import dataclass
from itertools import combinations

import numpy as np

from jindle_core import figures
from jindle_core.card.references import named
from jindle_core.checked.whole import CheckedCard
from jindle_core.colorimetry.spaces import Array
from jindle_core.sets.members import Member


@dataclass(frozen=True, slots=True)
class Alike:
    """Two cards by their places in the set: which supplies both use, and how alike they are in greys.

    ``off`` is the mean |ΔL*| of what shows at the same place of their fronts, ``pattern`` how well light
    and dark go together there, Pearson's r, None where one of them is of one lightness all over.
    """

    first: int
    second: int
    shared: frozenset[int]
    off: float
    pattern: float | None

    @property
    def words(self) -> str:
        """How alike the squint test finds them."""
        if self.pattern is None:
            return "one of them is of one lightness all over"
        same, like = figures.sets.PATTERN_SAME, figures.sets.PATTERN_LIKE
        if self.pattern >= same:
            return "the same pattern in greys"
        return "a similar pattern in greys" if self.pattern >= like else "another pattern in greys"


def greys(checked: CheckedCard) -> Array:
    """The L* (s, s) of what shows on a card's front, on a grid from its top left."""
    stack, side = checked.seen.stack, figures.sets.SQUINT_SIDE
    size = checked.seen.card.size
    across = (np.arange(side) + 0.5) / side
    x, y = (one.ravel() for one in np.meshgrid(across * float(size.width.millimetres),
                                               across * float(size.height.millimetres)))  # fmt: skip
    if not checked.seen.card.build.every:
        return np.full((side, side), np.nan)
    front = stack.look.faces[0]
    labs, _ = stack.look.seen_at(front, x, y, np.full(len(x), len(front.keys)))
    return np.asarray(labs[:, 0].reshape(side, side))


def alike(members: Sequence[Member]) -> list[Alike]:
    """Every two cards of a set that are built of pieces."""
    seen = [greys(one.checked) for one in members]
    used = [named(one.checked.seen.card).every for one in members]
    found = []
    for i, j in combinations(range(len(members)), 2):
        one, other = seen[i], seen[j]
        if np.isnan(one).any() or np.isnan(other).any():
            continue
        flat = min(one.std(), other.std()) < figures.sets.FLAT_L
        pattern = None if flat else float(np.corrcoef(one.ravel(), other.ravel())[0, 1])
        off = float(np.abs(one - other).mean())
        found.append(Alike(i, j, frozenset(used[i] & used[j]), off, pattern))
    return found
