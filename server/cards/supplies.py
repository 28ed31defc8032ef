"""What cards need of the supplies: what is to be bought, and how a card moves to other ranges."""

from collections.abc import Iterable, Sequence
from dataclasses import dataclass, fields
from typing import Any

import numpy as np

from jindle_core.card.references import named
from jindle_core.colorimetry.difference import delta_e
from jindle_core.families.convert import assign
from jindle_core.media import COLUMNS
from jindle_core.seen.palette import SeenPalette
from jindle_core.supplies.colours import Supplies
from server.cards.models import StoredCard
from server.catalogue.swatches import match, swatch
from server.errors import CannotBeShown


@dataclass(frozen=True)
class Wanted:
    """A colour that cards need and the drawer lacks: its place, why, and for which cards."""

    place: int
    why: str
    cards: tuple[str, ...]


def shopping(cards: Iterable[StoredCard], catalogue: Supplies) -> list[Wanted]:
    """What cards use, by choice, as a palette colour or for colouring, and is not there to use.

    What is low is on the list too, as running out. By range and code.
    """
    users: dict[int, dict[str, None]] = {}
    for card in cards:
        try:
            plan = card.value
        except CannotBeShown:
            continue
        for pk in named(plan).every:
            if pk in catalogue.places and not catalogue.lost[catalogue.places[pk]]:
                users.setdefault(pk, {})[plan.name] = None
    found, sheets = [], set()
    for pk, its_cards in sorted(users.items()):
        place, names = catalogue.places[pk], its_cards
        row = catalogue.rows[place]
        sheet = (row.range_id, row.family)
        if sheet in catalogue.sheets:  # one buys the sheet, not each of its colours
            if sheet in sheets:
                continue
            sheets.add(sheet)
            on_it = {catalogue.rows[at].id for at in catalogue.sheets[sheet]}
            names = {name: None for each in sorted(on_it & users.keys()) for name in users[each]}
        kept = catalogue.kept(place)
        why = "not in the drawer" if kept is None else {"dry": "dry", "low": "running low"}.get(kept.fullness)
        if why:
            found.append(Wanted(place, why, tuple(names)))
    return sorted(found, key=lambda one: (catalogue.rows[one.place].range_id, one.place))


def moved(
    resolved: SeenPalette, range_ids: Sequence[int], owned: bool
) -> tuple[list[dict[str, Any]], list[str]]:
    """Where each cell of the table would go if only some ranges were there, and columns that none serves.

    In each column the palette's colours are given to the ranges' colours as a
    set: none is used twice while there are enough. Locked cells stay.
    """
    catalogue, colours = resolved.supplies, resolved.card.colours
    cells, unserved = [], []
    for column in COLUMNS:
        places = catalogue.columns[column.key]
        kept = catalogue.usable if owned else catalogue.to_be_had
        places = places[np.isin(catalogue.range_ids[places], list(range_ids)) & kept[places]]
        choices = {colour.key: resolved.card.choice(colour.key, column.key) for colour in colours}
        locked = {key: one.colour for key, one in choices.items() if one and one.locked}
        free = [at for at, colour in enumerate(colours) if colour.key not in locked]
        taken = {catalogue.places[pk] for pk in locked.values() if pk in catalogue.places}
        places = np.array([place for place in places if place not in taken], dtype=np.intp)
        if not len(places):
            unserved.append(column.title)
            continue
        if not free:
            continue
        chosen = assign(resolved.lab[free], catalogue.lab[places])
        for at, picked in zip(free, chosen, strict=True):
            place = int(places[picked])
            target = resolved.lab[at]
            distance = float(delta_e(target, catalogue.lab[place]))
            told = match(catalogue, place, target.tolist(), resolved.sigma[at], distance)
            cells.append({"key": colours[at].key, "column": column.key, "match": told})
    return cells, unserved


def wanted_told(catalogue: Supplies, found: Sequence[Wanted]) -> list[dict[str, Any]]:
    """The list as ``ShoppingSerializer`` describes its items."""
    return [{"swatch": _as_bought(catalogue, one.place), "why": one.why, "cards": one.cards} for one in found]


def _as_bought(catalogue: Supplies, place: int) -> dict[str, Any]:
    """A colour as it is bought: of patterned paper the sheet by its title."""
    told, row = swatch(catalogue, place), catalogue.rows[place]
    if (row.range_id, row.family) in catalogue.sheets:
        title = row.family or told["label"]
        told |= {"code": "", "name": title, "label": title}
    return told


def uses(cards: Iterable[StoredCard], ids: frozenset[int]) -> list[dict[str, Any]]:
    """What cards name of some colours, for ``CardUsesSerializer``; cards that name none are left out."""
    found = []
    for card in cards:
        try:
            what = named(card.value)
        except CannotBeShown:
            continue
        counts = {one.name: sum(pk in ids for pk in getattr(what, one.name)) for one in fields(what)}
        if any(counts.values()):
            found.append({"name": card.name} | counts)
    return found
