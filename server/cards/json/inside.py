"""The inside of a card as it is told."""

from dataclasses import asdict

from jindle_core.checked.room import Room, room
from jindle_core.checked.whole import CheckedCard
from jindle_core.offers.inside import inside_offers
from server.cards.json.changes import change_told
from server.cards.json.desk import desk_told
from server.told.everywhere import GivesWay
from server.told.inside import Inside, InsideOffer, Lines
from server.told.inside import Room as RoomTold


def inside_told(checked: CheckedCard, words: str) -> Inside:
    """The room there is and what could lie there."""
    unit = checked.seen.card.size.width.unit
    return Inside(
        room=None if (there := room(checked.seen.stack)) is None else _room(there),
        offers=[
            InsideOffer(
                words=one.words,
                desk=desk_told(one.checked.desk),
                change=change_told(one.change, unit),
                room=_room(one.room),
                gives_way=[GivesWay(title=lost.title, words=lost.finding.reason) for lost in one.gives_way],
            )
            for one in inside_offers(checked, words)
        ],
    )


def _room(there: Room) -> RoomTold:
    box = {name: round(getattr(there, name), 1) for name in ("x", "y", "width", "height")}
    return RoomTold(lines=[Lines(**asdict(one)) for one in there.lines], **box)
