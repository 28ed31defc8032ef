"""What did a check find?"""

from dataclasses import dataclass
from enum import StrEnum


class Status(StrEnum):
    """What a check found."""

    HOLDS = "holds"
    LOOK_AGAIN = "look-again"
    FAILS = "fails"

    def worse_than(self, other: "Status") -> bool:
        """Whether less holds."""
        order = list(Status)
        return order.index(self) > order.index(other)


@dataclass(frozen=True, slots=True)
class Finding:
    """What a rule found: status, figure, limit and the reason in words."""

    status: Status
    figure: str
    limit: str
    reason: str
