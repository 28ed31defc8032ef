"""A card as the screens get it: table, pairs, checks, desk."""

import logging
from collections.abc import Sequence
from typing import Any

from django.db import DatabaseError
from rest_framework.exceptions import APIException

from jindle_core import figures
from jindle_core.card.changes.every import changed
from jindle_core.card.changes.palette import AddColour
from jindle_core.checked.card import pair_checks
from jindle_core.checked.check import Check
from jindle_core.checked.on_ground import OnGround
from jindle_core.checked.whole import CheckedCard
from jindle_core.checks.ids import pair_check
from jindle_core.colorimetry.naming import hue_family
from jindle_core.contrast.rules import Status
from jindle_core.lengths import USUAL_SIZES, Length, Size
from jindle_core.material import End
from jindle_core.media import COLUMNS
from jindle_core.seen.desk import Part
from jindle_core.seen.palette import SeenPalette, value_on_screen, value_shades
from jindle_core.seen.stack import VEIL_OPACITY, Stack
from jindle_core.seen.table import Cell, table
from jindle_core.supplies.colours import Supplies
from server.accounts.models import Person
from server.cards.held import checked_card, checked_cards
from server.cards.json.checks import check_told, mends_told
from server.cards.json.panel import panel_told
from server.cards.json.picture import picture
from server.cards.models import StoredCard
from server.catalogue.models import PROVENANCE_CHOICES
from server.catalogue.swatches import match, swatch
from server.errors import CannotBeShown

log = logging.getLogger(__name__)
_PROVENANCE_WORDS = dict(PROVENANCE_CHOICES)
_KNOWN = 200  # summaries that are held for one person: a few megabytes
_COLUMNS = [{"key": column.key, "title": column.title} for column in COLUMNS]


def whole_card(card: StoredCard, catalogue: Supplies, person: Person) -> dict[str, Any]:
    """The card as ``CardSerializer`` describes it; CannotBeShown where it cannot be worked out."""
    try:
        return worked_out(card, catalogue, person)
    except (APIException, DatabaseError):
        raise
    except Exception as error:
        log.exception("Card %s cannot be shown", card.pk)
        raise CannotBeShown(error) from error


def worked_out(card: StoredCard, catalogue: Supplies, person: Person) -> dict[str, Any]:
    """The same; whatever is wrong with it is raised as it is."""
    checked = checked_card(card, catalogue, person)
    resolved, units, only_owned = checked.seen.palette, person.units, person.only_owned
    labels = dict(card.revisions.filter(number__in=(card.head, card.head + 1)).values_list("number", "label"))
    return {
        "id": card.pk,
        "version": card.version,
        "name": resolved.card.name,
        "size": size(resolved.card.size, units),
        "undo": labels.get(card.head) if card.head else None,
        "redo": labels.get(card.head + 1),
        "columns": _COLUMNS,
        "colours": _colours(resolved, only_owned),
        "pairs": _pairs(resolved),
        "guessed": resolved.card.pairs is None,
        "nudge": _nudge(resolved.card.size),
        "built": bool(resolved.card.build.every),
        "checks": [check_told(one, resolved.card) for one in checked.checks],
        "desk": desk_told(checked.laid, checked.seen.stack),
    }


def mends(card: StoredCard, catalogue: Supplies, person: Person) -> list[dict[str, Any]]:
    """What would mend the checks of a card, as ``MendsSerializer`` describes it."""
    checked = checked_card(card, catalogue, person)
    return mends_told(checked.to_mend, checked.seen.card)


def card_summaries(cards: Sequence[StoredCard], catalogue: Supplies, person: Person) -> dict[str, Any]:
    """The cards for ``CardsSerializer``; those that cannot be shown stand by themselves and say why."""
    broken: list[dict[str, Any]] = []
    readable: list[StoredCard] = []
    for card in cards:
        try:
            card.value  # noqa: B018 (whether it can be read is what is asked)
            readable.append(card)
        except CannotBeShown as error:
            broken.append(_broken(card, error))
    found = []
    for card, checked in zip(readable, checked_cards(readable, catalogue, person), strict=True):
        try:
            found.append(_summary_held(card, checked, person.units))
        except Exception as error:
            log.exception("Card %s cannot be shown", card.pk)
            broken.append(_broken(card, CannotBeShown(error)))
    for key in list(catalogue.worked_out)[:-_KNOWN]:
        catalogue.worked_out.pop(key, None)  # the oldest go
    return {"cards": found, "broken": broken}


def _summary_held(card: StoredCard, checked: CheckedCard, units: str) -> dict[str, Any]:
    known = checked.seen.supplies.worked_out
    key = (card.pk, card.version, units, checked.seen.drawing is None)
    told = known.get(key) or _summary(card, checked, units)
    known[key] = told
    return told


def _broken(card: StoredCard, error: CannotBeShown) -> dict[str, Any]:
    return {"id": card.pk, "name": card.name, "reason": error.reason}


def states(card: StoredCard) -> list[dict[str, Any]]:
    """The states that a card can be brought back to, the newest first, for ``StateSerializer``."""
    listed = card.revisions.order_by("-number").values("number", "label")
    return [one | {"now": one["number"] == card.head} for one in listed]


def document(card: StoredCard) -> dict[str, Any]:
    """A card with its states as it is stored, whether or not it can be shown."""
    history = [{"number": one.number, "label": one.label, "plan": one.stored} for one in card.revisions.all()]
    return {"format": "jindle card", "version": 1, "plan": card.stored, "head": card.head, "history": history}


def _summary(card: StoredCard, checked: CheckedCard, units: str) -> dict[str, Any]:
    resolved, found = checked.seen.palette, checked.checks
    counted = [one.finding.status for one in found if not resolved.card.waiver(one.key)]
    return {
        "id": card.pk,
        "version": card.version,
        "name": resolved.card.name,
        "size": size(resolved.card.size, units),
        "strip": [
            {
                "key": colour.key,
                "name": colour.name,
                "shades": resolved.end_shades(End("palette", colour.key)),
            }
            for colour in resolved.card.colours
        ],
        "failing": counted.count(Status.FAILS),
        "doubtful": counted.count(Status.LOOK_AGAIN),
        "checks": len(found),
        "desk": desk_told(checked.laid, checked.seen.stack, inside=False),
    }


def size(given: Size, units: str) -> dict[str, Any]:
    """The size as ``SizeSerializer`` describes it."""
    return {
        "words": given.text(units),
        "exact": given.text(),
        "width": given.width.text(),
        "height": given.height.text(),
        "unit": given.width.unit,
        "orientation": given.orientation,
    }


def _nudge(given: Size) -> dict[str, float]:
    """How far an arrow key moves a piece of a card, as ``NudgeSerializer`` describes it."""
    unit = given.width.unit
    coarse, fine = (float(Length(ticks, unit).millimetres) for ticks in figures.building.NUDGE[unit])
    return {"coarse": coarse, "fine": fine}


def usual_sizes(units: str) -> list[dict[str, Any]]:
    """The usual sizes, the person's unit first."""
    ordered = sorted(USUAL_SIZES, key=lambda one: one.width.unit != units)
    return [
        {
            "words": one.text(),
            "width": one.width.text(),
            "height": one.height.text(),
            "unit": one.width.unit,
        }
        for one in ordered
    ]


def alternatives(
    resolved: SeenPalette, key: int, column: str, range_id: int | None, owned: bool, made: bool
) -> dict[str, Any]:
    """The nearest supplies in a column for a palette colour, as ``AlternativesSerializer`` describes."""
    catalogue = resolved.supplies
    at = resolved.card.colours.index(resolved.card.colour(key))
    target, sigma = resolved.lab[at], resolved.sigma[at]
    places = catalogue.columns[column]
    ranges = sorted({int(one) for one in catalogue.range_ids[places]})
    if range_id is not None:
        places = places[catalogue.range_ids[places] == range_id]
    if owned:
        places = places[catalogue.usable[places]]
    if made:
        places = places[catalogue.to_be_had[places]]
    found = catalogue.nearest(target[None], figures.palettes.ALTERNATIVES, places)[0]
    return {
        "matches": [
            match(catalogue, int(place), target.tolist(), sigma, float(distance))
            for place, distance in zip(found.indices, found.distances, strict=True)
        ],
        "ranges": [{"id": one, "name": catalogue.ranges[one].name} for one in ranges],
    }


def _colours(resolved: SeenPalette, only_owned: bool) -> list[dict[str, Any]]:
    return [_colour(resolved, at, cells) for at, cells in enumerate(table(resolved, only_owned))]


def _colour(resolved: SeenPalette, at: int, cells: list[Cell]) -> dict[str, Any]:
    colour = resolved.card.colours[at]
    place = resolved.place(colour)
    anchor = None if place is None else swatch(resolved.supplies, place)
    provenance = anchor["provenance"] if anchor else colour.anchor.provenance
    lab = resolved.lab[at].tolist()
    return {
        "key": colour.key,
        "name": colour.name,
        "role": colour.role.value,
        "lab": [round(value, 2) for value in lab],
        "shades": resolved.end_shades(End("palette", colour.key)),
        "hue_name": hue_family(lab),
        "on_screen": anchor["on_screen"] if anchor else value_on_screen(colour.anchor.lab),
        "provenance_words": _PROVENANCE_WORDS[provenance],
        "uncertainty": resolved.sigma[at],
        "anchor": anchor,
        "lost": colour.anchor.colour is not None and (place is None or bool(resolved.supplies.lost[place])),
        "cells": [_cell(resolved, at, cell) for cell in cells],
    }


def _cell(resolved: SeenPalette, at: int, cell: Cell) -> dict[str, Any]:
    told = None
    if cell.place is not None:
        target, sigma = resolved.lab[at].tolist(), resolved.sigma[at]
        told = match(resolved.supplies, cell.place, target, sigma, cell.distance)
    return {"column": cell.column, "state": cell.state, "hole": cell.hole, "match": told}


def adding(resolved: SeenPalette, change: AddColour) -> dict[str, Any]:
    """What adding a colour would mean, as ``AddingSerializer`` describes it; nothing is changed.

    Only guesses change, of which there is one of a kind; those that go on
    holding, or failing, may do so without a word.
    """
    after = SeenPalette(changed(resolved.card, change), resolved.supplies)
    now = {pair.kind: check for pair, check in zip(after.pairs, pair_checks(after), strict=True)}
    guessed = resolved.pairs if resolved.card.pairs is None else ()
    before = zip(guessed, pair_checks(resolved) if guessed else (), strict=True)
    changes = [
        {"before": _stands(check), "after": _stands(now[pair.kind]) if pair.kind in now else ""}
        for pair, check in before
        if pair.kind not in now or now[pair.kind].finding.status is not check.finding.status
    ]
    return {"role": after.card.colours[-1].role.value, "changes": changes}


def _stands(check: Check) -> str:
    found = check.finding
    words = "holds" if found.status is Status.HOLDS else found.reason
    return f"{check.title} ({words}, {found.figure})"


def _pairs(resolved: SeenPalette) -> list[dict[str, Any]]:
    return [
        {
            "key": pair.key,
            "kind": pair.kind.value,
            "upper": _end(resolved, pair.upper),
            "lower": _end(resolved, pair.lower),
            "outlined": pair.outlined,
            "check": pair_check(pair.key),
        }
        for pair in resolved.pairs
    ]


def _end(resolved: SeenPalette, end: End) -> dict[str, Any]:
    return {
        "source": end.source,
        "id": end.id,
        "words": resolved.end_words(end),
        "shades": resolved.end_shades(end),
    }


def desk_told(laid: OnGround, stack: Stack, inside: bool = True) -> dict[str, Any]:
    """The card as ``DeskSerializer`` describes it; its inside where that is wanted and there is one."""
    resolved = laid.coloured.resolved
    given = resolved.card.size
    built = resolved.card.build.every
    return {
        "width": float(given.width.millimetres),
        "height": float(given.height.millimetres),
        "parts": told_parts(laid.parts, laid, stack),
        "inside": told_parts(stack.parts[1], laid, stack) if inside and built else [],
        "fold": resolved.card.fold.value,
        "picture": picture(laid.coloured),
        "ground": panel_told(laid.grounded),
    }


def told_parts(parts: Sequence[Part], laid: OnGround, stack: Stack) -> list[dict[str, Any]]:
    """Some parts of the desk as ``PartSerializer`` describes them."""
    mat = None if laid.stack else laid.grounded.mat_lab
    inked = {} if mat is None else {"mat": value_shades(tuple(map(float, mat)))}
    return [
        {
            "name": part.name,
            "shape": part.shape,
            **{side: round(getattr(part, side), 3) for side in ("x", "y", "width", "height")},
            "key": part.end.id if part.end.source == "palette" else 0,
            "piece": part.piece,
            "raised": round(part.raised, 2),
            "rim": part.rim,
            "text": part.text,
            "size": round(part.size, 3),
            "bold": part.bold,
            "trimmed": part.trimmed,
            "opacity": round(VEIL_OPACITY, 3) if part.shape == "veil" else 1.0,
            "shades": inked.get(part.name) or _part_shades(stack, part),
        }
        for part in parts
    ]


def _part_shades(stack: Stack, part: Part) -> dict[str, str]:
    return stack.shades(part.piece) if part.piece else stack.resolved.end_shades(part.end)
