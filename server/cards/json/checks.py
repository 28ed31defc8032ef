"""Checks of a card, and what mends them, as they are told."""

from collections.abc import Iterable
from typing import Any

from jindle_core.card.whole import Card
from jindle_core.checked.check import Check
from jindle_core.contrast.rules import Finding
from server.cards.json.changes import change_told

Told = dict[str, Any]


def check_told(check: Check, card: Card) -> Told:
    """As ``CheckSerializer`` describes it, let be where the card says so."""
    waiver = card.waiver(check.key)
    return {
        "id": check.key,
        "kind": check.id.kind,
        "of": check.id.of,
        "pieces": list(check.id.pieces),
        "stage": check.stage,
        "title": check.title,
        **finding_told(check.finding),
        "ways": list(check.ways),
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


def mends_told(to_mend: Iterable[Check], card: Card) -> list[Told]:
    """What mends some checks, as ``MendsSerializer`` describes it."""
    unit = card.size.width.unit
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
                for one in check.to_mend()
            ],
        }
        for check in to_mend
    ]
