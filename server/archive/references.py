"""Colours as an archive names them: by range and code, since ids mean nothing elsewhere."""

from collections.abc import Callable
from dataclasses import dataclass
from typing import Any

from jindle_core.card.references import Use, turned
from jindle_core.card.stored import upgraded
from server.access import colours_seen_by, gone_ranges_of
from server.accounts.models import Person
from server.catalogue.models import Colour

# A range's place in the archive ("own 2"), or the name of a shared one, and the colour's key.
Reference = list[str]


def names_of(person: Person, own: dict[int, str]) -> dict[int, Reference]:
    """The reference of every colour the person sees; ``own`` names their ranges in the archive."""
    found = colours_seen_by(person) | Colour.objects.filter(range__in=gone_ranges_of(person))
    rows = found.values_list("id", "range_id", "range__name", "key")
    return {pk: [named(range_id, name, own), key] for pk, range_id, name, key in rows}


@dataclass(frozen=True)
class Turns:
    """How ids of all that has one are turned to references, or back; None: it is gone."""

    colour: Callable[[Any], Any]
    range: Callable[[Any], Any]
    drawing: Callable[[Any], Any]
    sheet: Callable[[Any], Any]


def named(pk: int, name: str, own: dict[int, str]) -> str:
    """A range or drawing as an archive names it: by its place there, or by its name where it is shared."""
    return own.get(pk) or f"shared {name}"


def in_plan(stored: dict[str, Any], turns: Turns) -> dict[str, Any]:
    """A stored card, in today's form, with all that has an id turned."""
    others = {Use.LINE: turns.range, Use.DRAWING: turns.drawing, Use.SHEETS: turns.sheet}
    return turned(upgraded(stored), lambda use, pk: others.get(use, turns.colour)(pk))
