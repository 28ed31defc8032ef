"""The inside of a card as it is told."""

from dataclasses import asdict
from typing import Any

from jindle_core.checked.room import Room, room
from jindle_core.checked.whole import CheckedCard
from jindle_core.offers.inside import inside_offers
from server.cards.json.changes import change_told
from server.cards.json.desk import desk_told


def inside_told(checked: CheckedCard, words: str) -> dict[str, Any]:
    """The room there is and what could lie there, as ``InsideSerializer`` describes it."""
    unit = checked.seen.card.size.width.unit
    return {
        "room": _room(room(checked.seen.stack)),
        "offers": [
            {
                "words": one.words,
                "desk": desk_told(one.checked.desk),
                "change": change_told(one.change, unit),
                "room": _room(one.room),
                "gives_way": [{"title": lost.title, "words": lost.finding.reason} for lost in one.gives_way],
            }
            for one in inside_offers(checked, words)
        ],
    }


def _room(there: Room | None) -> dict[str, Any] | None:
    if there is None:
        return None
    box = {name: round(value, 1) for name, value in asdict(there).items()}
    return box | {"lines": [asdict(one) for one in there.lines]}
