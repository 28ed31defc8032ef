"""How sets of cards travel in an archive."""

from server.access import sets_of
from server.cards.planning.actions import read_work, written
from server.parcel import Packing, Unpacking, whole_number
from server.sets.actions import make_set


def pack_sets(parcel: Packing) -> None:
    """Every set with the cards that can be shown, and the work on it."""
    told = []
    for one in sets_of(parcel.person).order_by("changed", "id"):
        members = [
            {"card": parcel.cards[member.card_id], "count": member.count}
            for member in one.members.all()
            if member.card_id in parcel.cards
        ]
        if members:
            work = one.work_found()
            told.append({"name": one.name, "cards": members, "work": work.stored if work else None})
    parcel.tell("sets.json", told)


def unpack_sets(parcel: Unpacking) -> dict[str, int]:
    """Store them."""
    lines = parcel.later("sets.json")
    for one in lines:
        cards = {parcel.cards[each["card"]]: whole_number(each["count"]) for each in one["cards"]}
        # All its cards may be deleted by now: it is kept, for others can be put into it.
        made = make_set(parcel.person, one["name"], cards)
        if one["work"] is not None:
            made.keep_work(1, written(read_work(one["work"], 1)))
    return {"sets": len(lines)}
