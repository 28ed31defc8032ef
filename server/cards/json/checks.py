"""Checks of a card, and what mends them, as they are told."""

from typing import Any

from jindle_core.checked.check import Judged
from jindle_core.checked.whole import CheckedCard
from jindle_core.contrast.rules import Finding
from jindle_core.training.exercises import PRACTISED
from server.cards.json.changes import change_told

Told = dict[str, Any]


def check_told(one: Judged) -> Told:
    """As ``CheckSerializer`` describes it, let be where the card says so."""
    told = one._asdict() | {"pieces": list(one.pieces), "ways": list(one.ways)}
    told["practise"] = PRACTISED.get(told["kind"])
    return told | finding_told(told.pop("finding"))


def finding_told(found: Finding) -> Told:
    """A finding as it is written in JSON."""
    return {
        "status": found.status.value,
        "figure": found.figure,
        "limit": found.limit,
        "reason": found.reason,
    }


def mends_told(checked: CheckedCard) -> list[Told]:
    """What mends the checks that are mended first, as ``MendsSerializer`` describes it."""
    unit = checked.seen.palette.unit
    return [
        {
            "id": check.key,
            "mends": [
                {
                    "words": one.words,
                    "figure": one.figure,
                    "shades": one.shades,
                    "change": change_told(one.change, unit),
                }
                for one in checked.mends(check)
            ],
        }
        for check in checked.to_mend
    ]
