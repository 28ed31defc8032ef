"""How cards with all their states, the work on them, and a person's own pace travel in an archive."""

from collections.abc import Callable
from typing import Any

from jindle_core import figures
from jindle_core.card.references import turned
from jindle_core.card.sound import sound
from jindle_core.card.stored import card_from_json, card_to_json, upgraded
from jindle_core.naming import Use
from jindle_core.planning.pace import Taken
from jindle_core.planning.task import Work
from server.access import cards_of, steps_taken_by
from server.cards.glances import cannot_be_shown
from server.cards.held import checked_card
from server.cards.history import differences, whole
from server.cards.models import CardWork, Revision, StoredCard
from server.cards.planning.actions import keep_taken, read_work, written
from server.cards.views import card_told, document
from server.catalogue.arrays import read_catalogue
from server.parcel import NOT_AS_WRITTEN, Packing, Turn, Unpacking, among, minutes, shelved, since_now, when


def pack_cards(parcel: Packing) -> None:
    """Every card with its states; one that cannot be shown comes along as it is stored, not to be read."""
    broken = cannot_be_shown(parcel.person)
    ids = cards_of(parcel.person).order_by("changed", "id").values_list("pk", flat=True)
    turns = _turns(parcel.colours.get, parcel.ranges.get, parcel.drawings.get, parcel.sheets.get)
    for number, pk in enumerate(list(ids), start=1):
        card = cards_of(parcel.person).get(pk=pk)
        if pk in broken:
            parcel.tell(f"cannot be shown/{number:04}.json", document(card))
        else:
            parcel.cards[pk] = f"cards/{number:04}.json"
            parcel.tell(parcel.cards[pk], _card(card, turns))


_Turns = Callable[[Use, Any], Any]


def _turns(colour: Turn, of_range: Turn, drawing: Turn, sheet: Turn) -> _Turns:
    """How ids of all that has one are turned to what an archive calls it, or back; None: it is gone."""
    others = {Use.LINE: of_range, Use.DRAWING: drawing, Use.SHEETS: sheet}
    return lambda use, pk: others.get(use, colour)(pk)


def _in_plan(stored: dict[str, Any], turns: _Turns) -> dict[str, Any]:
    """A stored card, in today's form, with all that has an id turned."""
    return turned(upgraded(stored), turns)


def _card(card: StoredCard, turns: _Turns) -> dict[str, Any]:
    revisions, plans = [], []
    for revision in card.revisions.all():
        try:
            plans.append(_in_plan(revision.stored, turns))
            revisions.append(revision)
        except NOT_AS_WRITTEN:
            continue  # a state that could not be shown again
    work = CardWork.objects.filter(card=card).first()
    return {
        "head": card.head,
        "put_by": shelved(card)["put_by"],
        "work": work.stored if work else None,
        "plan": _in_plan(card.stored, turns),
        "history": [
            {"number": one.number, "label": one.label} | told
            for one, told in zip(revisions, differences(plans), strict=True)
        ],
    }


def unpack_cards(parcel: Unpacking) -> dict[str, int]:
    """Store them, each once it was seen and checked whole."""
    turns = _turns(parcel.colour, parcel.ranges.get, parcel.drawings.get, parcel.sheets.get)
    supplies = read_catalogue(parcel.person)

    def plan(told: dict[str, Any]) -> dict[str, Any]:
        return card_to_json(sound(card_from_json(_in_plan(told, turns))))

    for at in parcel.each("cards/"):
        told = parcel.read(at)
        history = told["history"]
        head = among(told["head"], [one["number"] for one in history])
        states = [plan(state) for state in whole(history)]
        near = range(head - figures.palettes.UNDO_LIMIT, head + figures.palettes.UNDO_LIMIT + 1)
        card = StoredCard(owner=parcel.person, stored=plan(told["plan"]), head=head, **since_now(told))
        card.save()
        Revision.objects.bulk_create(
            [
                Revision(card=card, number=one["number"], label=str(one["label"])[:80], stored=stored)
                for one, stored in zip(history, states, strict=True)
                if among(type(one["number"]), (int,)) and one["number"] in near
            ],
            batch_size=100,
        )
        card_told(card, checked_card(card, supplies, parcel.person), parcel.person, {})
        if told.get("work") is not None:
            CardWork.objects.create(card=card, version=1, stored=written(read_work(told["work"], 1)))
        parcel.cards[at] = card.pk
    return {"cards": len(parcel.cards)}


def pack_times(parcel: Packing) -> None:
    """How long steps took: the person's own pace."""
    parcel.tell(
        "times.json",
        [
            {"work": one.work, "usual": one.usual, "took": one.took, "at": one.at.isoformat()}
            for one in steps_taken_by(parcel.person)
        ],
    )


def unpack_times(parcel: Unpacking) -> dict[str, int]:
    """Store them."""
    lines = parcel.later("times.json")
    taken = [Taken(Work(one["work"]), minutes(one["usual"]), minutes(one["took"])) for one in lines]
    keep_taken(parcel.person, list(zip(taken, [when(one["at"]) for one in lines], strict=True)))
    return {}
