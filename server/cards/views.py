"""A card as the screens get it: table, pairs, checks, desk."""

import logging
from collections.abc import Mapping
from typing import Any, TypedDict

from django.db import DatabaseError
from rest_framework.exceptions import APIException

from jindle_core.checked.whole import CheckedCard
from jindle_core.layers.sizing import nudge
from jindle_core.lengths import USUAL_SIZES
from jindle_core.media.groups import FURTHER_COLUMNS
from jindle_core.offers.to_read import to_read
from jindle_core.seen.palette import SeenPalette
from jindle_core.seen.table import table
from jindle_core.supplies.whole import Supplies
from server.accounts.models import Person
from server.cards.held import checked_card, told_once
from server.cards.json.checks import check_told, mends_told
from server.cards.json.desk import desk_told
from server.cards.json.palette import pair_told, row_told
from server.cards.models import StoredCard
from server.cards.stages import along
from server.catalogue.swatches import swatch_told
from server.errors import CannotBeShown
from server.told.card import Column, FurtherColumn, Mends, Nudge, PaletteColour, Size, State, UsualSize
from server.told.staged import CardWithStage
from server.told.swatch import Swatch as SwatchTold

log = logging.getLogger(__name__)
_TABLES = 8  # held for one person: up to a quarter of a megabyte each


def whole_card(
    card: StoredCard, supplies: Supplies, person: Person, stage: str | None = None
) -> CardWithStage:
    """The card; CannotBeShown where it cannot be worked out."""
    try:
        return card_told(card, checked_card(card, supplies, person), person, labels_of(card), stage)
    except (APIException, DatabaseError):
        raise
    except Exception as error:
        log.exception("Card %s cannot be shown", card.pk)
        raise CannotBeShown(error) from error


def labels_of(card: StoredCard) -> dict[int, str]:
    """By the number of a state what led to it: of the one that stands, and of the next, if there is one."""
    around = card.revisions.filter(number__in=(card.head, card.head + 1))
    return dict(around.values_list("number", "label"))


def card_told(
    card: StoredCard,
    checked: CheckedCard,
    person: Person,
    labels: Mapping[int, str],
    stage: str | None = None,
) -> CardWithStage:
    """The same of a card that is checked; whatever is wrong with it is raised as it is."""
    palette, card_now = checked.seen.palette, checked.seen.card
    newest = card_now.build.newest
    coarse, fine = nudge(card_now.size.width.unit)
    return CardWithStage(
        id=card.pk,
        version=card.version,
        name=card_now.name,
        size=Size(**card_now.size.shown(person.units)._asdict()),
        undo=labels.get(card.head) if card.head else None,
        redo=labels.get(card.head + 1),
        columns=[Column(key=one.key, title=one.title) for one in card_now.columns],
        further=[
            FurtherColumn(key=one.key, title=one.title, shown=one.key in card_now.further)
            for one in FURTHER_COLUMNS
        ],
        **_table(palette, person.only_owned),
        pairs=[pair_told(one) for one in palette.pairs_seen],
        guessed=card_now.pairs is None,
        nudge=Nudge(coarse=coarse, fine=fine),
        newest_piece=newest,
        built=bool(newest),
        checks=[check_told(one) for one in checked.judged],
        desk=desk_told(checked.desk),
        **along(stage, checked, person),
    )


class _Table(TypedDict):
    """The palette's rows, and what to read of it."""

    colours: list[PaletteColour]
    to_read: list[SwatchTold]


def _table(palette: SeenPalette, only_owned: bool) -> _Table:
    """Most changes are of something else."""
    key = (palette.card.colours, palette.card.choices, palette.card.further, only_owned)

    def tell() -> _Table:
        rows = table(palette, only_owned)
        return {"colours": [row_told(one) for one in rows], "to_read": list(map(swatch_told, to_read(rows)))}

    return told_once(palette.supplies, "table", key, tell, _TABLES)


def mends(card: StoredCard, supplies: Supplies, person: Person) -> list[Mends]:
    """What would mend the checks of a card."""
    checked = checked_card(card, supplies, person)
    return mends_told(checked)


def states(card: StoredCard) -> list[State]:
    """The states that a card can be brought back to, the newest first."""
    listed = card.revisions.order_by("-number").values("number", "label")
    return [State(now=one["number"] == card.head, **one) for one in listed]


def document(card: StoredCard) -> dict[str, Any]:
    """A card with its states as it is stored, whether or not it can be shown."""
    history = [{"number": one.number, "label": one.label, "plan": one.stored} for one in card.revisions.all()]
    return {"format": "jindle card", "version": 1, "plan": card.stored, "head": card.head, "history": history}


def usual_sizes(units: str) -> list[UsualSize]:
    """The usual sizes, the person's unit first."""
    ordered = sorted(USUAL_SIZES, key=lambda one: one.width.unit != units)
    return [
        UsualSize(
            words=one.text(),
            width=one.width.text(),
            height=one.height.text(),
            unit=one.width.unit,
        )
        for one in ordered
    ]
