"""How much of the usual minutes does a kind of work take a person?"""

from collections import defaultdict
from collections.abc import Iterable
from dataclasses import dataclass
from statistics import median

from jindle_core import figures
from jindle_core.planning.task import Work


@dataclass(frozen=True, slots=True)
class Taken:
    """A step that was done: what is usual for it and what it took, in minutes."""

    work: Work
    usual: float
    took: float

    @property
    def believed(self) -> bool:
        """Whether it tells something of the work; not where it was left lying or ticked off afterwards."""
        least, most = figures.work.PACE_BELIEVED
        return self.usual > 0 and least <= self.took / self.usual <= most


@dataclass(frozen=True, slots=True)
class Pace:
    """The share of the usual minutes that a kind of work takes, and of how many steps that is the median."""

    share: float
    steps: int


def paces(taken: Iterable[Taken]) -> dict[Work, Pace]:
    """A person's own pace from what they did, the latest first; nothing where too few steps tell it."""
    shares: defaultdict[Work, list[float]] = defaultdict(list)
    for one in taken:
        if one.believed and len(shares[one.work]) < figures.work.PACE_LATEST:
            shares[one.work].append(one.took / one.usual)
    return {
        work: Pace(median(found), len(found))
        for work, found in shares.items()
        if len(found) >= figures.work.PACE_LEAST
    }
