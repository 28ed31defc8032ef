"""How is what a rule found told as a check of a card?"""

from collections.abc import Iterable
from dataclasses import asdict
from typing import Any

from jindle_core.contrast.rules import Finding
from jindle_core.ends import End
from jindle_core.plan import Plan

Told = dict[str, Any]


def check(plan: Plan, stage: str, key: str, title: str, finding: Finding, mends: Iterable[Told] = ()) -> Told:
    """A check as ``CheckSerializer`` describes it, let be where the plan says so."""
    waiver = plan.waiver(key)
    return {
        "id": key,
        "stage": stage,
        "title": title,
        **asdict(finding),
        "status": finding.status.value,
        "waived": waiver.reason if waiver else None,
        "mends": [] if waiver else list(mends),
    }


def mend(words: str, figure: str, change: Told, shades: dict[str, str] | None = None) -> Told:
    """What would make a check hold: in words, with the figure that it then has, and the change to be sent."""
    return {"words": words, "figure": figure, "shades": shades, "change": change}


def told_end(end: End) -> Told:
    """An end as it is written in JSON."""
    return {"source": end.source, "id": end.id}
