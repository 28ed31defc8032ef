"""How is what a rule found told as a check of a card?"""

from collections.abc import Callable, Iterable
from dataclasses import dataclass
from typing import Any

from jindle_core.card.whole import Card
from jindle_core.contrast.rules import Finding, Status
from jindle_core.material import End

Told = dict[str, Any]

_MENDED = 8  # checks whose mends are sought: nobody reads on before these are mended


@dataclass(frozen=True)
class Check:
    """A check of a card: at which stage it is mended, its id and title, what was found.

    ``to_mend`` looks for what would make it hold; it takes its time.
    """

    stage: str
    key: str
    title: str
    finding: Finding
    to_mend: Callable[[], list[Told]] = list

    def told(self, plan: Card) -> Told:
        """As ``CheckSerializer`` describes it, let be where the plan says so."""
        waiver = plan.waiver(self.key)
        return {
            "id": self.key,
            "stage": self.stage,
            "title": self.title,
            **finding_told(self.finding),
            "waived": waiver.reason if waiver else None,
        }


def finding_told(found: Finding) -> Told:
    """A finding as it is written in JSON."""
    return {
        "status": found.status.value,
        "figure": found.figure,
        "limit": found.limit,
        "reason": found.reason,
    }


def mends_told(found: Iterable[Check], plan: Card) -> list[Told]:
    """What mends the first checks that do not hold, the worst first, as ``MendsSerializer`` describes it."""
    open_now = [one for one in found if one.finding.status is not Status.HOLDS and not plan.waiver(one.key)]
    open_now.sort(key=lambda one: one.finding.status is not Status.FAILS)
    return [{"id": one.key, "mends": one.to_mend()} for one in open_now[:_MENDED]]


def mend(words: str, figure: str, change: Told, shades: dict[str, str] | None = None) -> Told:
    """What would make a check hold: in words, with the figure that it then has, and the change to be sent."""
    return {"words": words, "figure": figure, "shades": shades, "change": change}


def told_end(end: End) -> Told:
    """An end as it is written in JSON."""
    return {"source": end.source, "id": end.id}
