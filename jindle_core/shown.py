"""With how many digits is a figure told, so that it never contradicts the verdict beside it?"""

from jindle_core.limits import side

_MOST = 4  # digits after the point: finer than any reading


def shown(value: float, *limits: float, digits: int = 0) -> str:
    """A figure rounded to so few digits that it still lies on its own side of every limit.

    A figure at its limit, or within the tolerance of it, is told as the limit is; ``digits`` are the least.

    >>> shown(24.7, 25), shown(25.3, 25), shown(31.4, 25), shown(24.9, 25)
    ('24.7', '25.3', '31', '25')
    >>> shown(1.346, 1.4, digits=1), shown(5.91, 6, 20)
    ('1.3', '5.9')
    """
    for more in range(digits, _MOST + 1):
        rounded = round(value, more)
        if all(side(rounded, limit) == side(value, limit) for limit in limits):
            break
    return f"{value:.{more}f}"


def percent(share: float, *limits: float) -> str:
    """The same of a share (0–1) as percent; limits are shares too.

    >>> percent(0.8), percent(0.797, 0.8), percent(0.494, 0.5)
    ('80 %', '80 %', '49 %')
    """
    return f"{shown(100 * share, *(100 * limit for limit in limits))} %"
