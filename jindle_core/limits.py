"""On which side of its limit does a figure lie?

Every check asks here, and so does whoever tells its figure: what no eye and no ruler tells from a
limit keeps it, and is told as the limit itself.
"""

from typing import Any, overload

import numpy as np
from numpy.typing import NDArray

from jindle_core import figures

Array = NDArray[np.floating]


@overload
def at_least(value: float, limit: float) -> bool: ...
@overload
def at_least(value: Array, limit: float | Array) -> NDArray[np.bool_]: ...
def at_least(value: Any, limit: Any) -> Any:
    """Whether a figure reaches its limit, or comes within the tolerance of it.

    >>> at_least(44.8, 45), at_least(44.5, 45)
    (True, False)
    """
    return value >= limit - figures.limits.TOLERANCE * abs(limit)


@overload
def at_most(value: float, limit: float) -> bool: ...
@overload
def at_most(value: Array, limit: float | Array) -> NDArray[np.bool_]: ...
def at_most(value: Any, limit: Any) -> Any:
    """Whether a figure keeps its upper limit, or passes it within the tolerance only.

    >>> at_most(10.04, 10), at_most(10.2, 10)
    (True, False)
    """
    return value <= limit + figures.limits.TOLERANCE * abs(limit)


def side(value: float, limit: float) -> int:
    """1 above a limit, -1 below it, 0 where it cannot be told from it.

    >>> side(25.1, 25), side(25.3, 25), side(0.0, 0)
    (0, 1, 0)
    """
    return int(at_least(value, limit)) - int(at_most(value, limit))


def negligible(part: float, whole: float) -> bool:
    """Whether a part of a thing (in one unit) is so small that nothing fails for it."""
    return part < figures.limits.NEGLIGIBLE * whole
