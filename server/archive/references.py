"""Colours as an archive names them: by range and code, since ids mean nothing elsewhere."""

from collections.abc import Callable
from dataclasses import dataclass
from typing import Any

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
    """How colours, ranges and line drawings are turned from ids to references, or back; None: gone."""

    colour: Callable[[Any], Any]
    range: Callable[[Any], Any]
    drawing: Callable[[Any], Any]


def named(pk: int, name: str, own: dict[int, str]) -> str:
    """A range or drawing as an archive names it: by its place there, or by its name where it is shared."""
    return own.get(pk) or f"shared {name}"


def in_plan(stored: dict[str, Any], turns: Turns) -> dict[str, Any]:
    """A stored plan with all that has an id turned.

    Where it is gone, an anchor keeps its value, a choice is left out, a pair
    keeps its end with the id 0, which is no supply's, and a family loses a tone,
    and so does a ground its pad.
    """
    turn = turns.colour
    plan = dict(stored)
    plan["colours"] = [
        one | {"anchor": one["anchor"] | {"colour": _turned(one["anchor"]["colour"], turn)}}
        for one in stored["colours"]
    ]
    choices = [one | {"colour": _turned(one["colour"], turn)} for one in stored["choices"]]
    plan["choices"] = [one for one in choices if one["colour"] is not None]
    if stored["pairs"] is not None:
        plan["pairs"] = [
            pair | {side: _end(pair[side], turn) for side in ("upper", "lower")} for pair in stored["pairs"]
        ]
    if colouring := stored.get("colouring"):
        plan["colouring"] = colouring | {
            "paper": _turned(colouring["paper"], turn),
            "line_range": _turned(colouring["line_range"], turns.range),
            "drawing": _turned(colouring["drawing"], turns.drawing),
            "areas": [
                area
                | {"family": [found for one in area["family"] if (found := turn(one)) is not None]}
                | {"glaze": _turned(area.get("glaze"), turn)}
                for area in colouring["areas"]
            ],
        }
    if build := stored.get("build"):
        plan["build"] = build | {
            "base": _end(build["base"], turn),
            **{face: [_piece(one, turn) for one in build.get(face, ())] for face in ("pieces", "inside")},
        }
    if ground := stored.get("ground"):
        plan["ground"] = _in_ground(ground, turn)
    return plan


def _piece(piece: dict[str, Any], turn: Callable[[Any], Any]) -> dict[str, Any]:
    """A stored piece turned; where the pad that it is inked with is gone, it is bare."""
    inked = piece.get("inked")
    pad = turn(inked["colour"]) if inked else None
    return piece | {
        "material": _end(piece["material"], turn),
        "inked": None if pad is None else inked | {"colour": pad},
    }


def _in_ground(ground: dict[str, Any], turn: Callable[[Any], Any]) -> dict[str, Any]:
    """A stored ground turned; a pad that is gone is left out, and so is what needs it."""
    mat = ground["mat"]
    if mat:
        mat = mat | {name: _turned(mat[name], turn) for name in ("colour", "paper")}
    used = {
        name: [(one, _turned(one["colour"], turn)) for one in ground[name]] for name in ("pads", "effects")
    }
    return ground | {
        "paper": _turned(ground["paper"], turn),
        "mat": mat if mat and mat["colour"] is not None else None,
        **{
            name: [
                one | {"colour": found} for one, found in listed if found is not None or one["colour"] is None
            ]
            for name, listed in used.items()
        },
    }


def _turned(colour: Any, turn: Callable[[Any], Any]) -> Any:
    return None if colour is None else turn(colour)


def _end(end: dict[str, Any], turn: Callable[[Any], Any]) -> dict[str, Any]:
    return end | {"id": turn(end["id"]) or 0} if end["source"] == "supply" else end
