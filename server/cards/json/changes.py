"""How is a change written in JSON, so that it can be offered and come back as it is?"""

from collections.abc import Mapping
from dataclasses import asdict
from enum import Enum
from typing import Any

from jindle_core.card.changes.arranging import LayAlong, Scatter
from jindle_core.card.changes.build import AddPiece, EditPiece, MovePiece, PutOnStrip, RemovePiece, SetBuild
from jindle_core.card.changes.every import AnyChange, Several
from jindle_core.card.changes.everywhere import GlazeInstead, UseInstead
from jindle_core.card.changes.ground import SetGround, UsePad
from jindle_core.card.changes.palette import ChooseMany, EditPair, Reanchor
from jindle_core.card.changes.pictures import SetColouring, SetFamilies
from jindle_core.card.ground import Effect, PadUse
from jindle_core.lengths import Length, Size
from jindle_core.material import End

Told = dict[str, Any]


def change_told(change: AnyChange, unit: str) -> Told:
    """The change as the API takes it; ``unit`` is the card's own. TypeError for one that is never offered."""
    match change:
        case Several():
            each = [change_told(one, unit) for one in change.changes]
            return {"kind": "several", "purpose": change.purpose.name.lower(), "changes": each}
        case RemovePiece() | PutOnStrip() | MovePiece() | EditPiece() | AddPiece() | SetBuild():
            return _of_build(change, unit)
        case SetGround():
            return {"kind": "set_ground"} | {name: _told(value) for name, value in change.settings.items()}
        case UsePad():
            return {"kind": "use_pad", "at": change.at, "colour": change.colour}
        case GlazeInstead():
            return {"kind": "glaze_instead"} | asdict(change) | {"areas": list(change.areas)}
        case UseInstead():
            ends = {name: end_told(getattr(change, name)) for name in ("old", "new")}
            return {"kind": "use_instead", "areas": list(change.areas)} | ends
        case Scatter() | LayAlong():
            return _of_line(change)
        case SetFamilies():
            families = [{"key": one.key, "colours": list(one.colours)} for one in change.families]
            return {"kind": "set_families", "families": families}
        case SetColouring():
            return {"kind": "set_colouring", "picture": change.picture} | dict(change.settings)
        case Reanchor() | ChooseMany() | EditPair():
            return _of_palette(change)
    raise TypeError(f"{change} is not offered")


def _of_build(
    change: RemovePiece | PutOnStrip | MovePiece | EditPiece | AddPiece | SetBuild, unit: str
) -> Told:
    match change:
        case RemovePiece():
            return {"kind": "remove_piece", "key": change.key}
        case PutOnStrip():
            return {"kind": "put_on_strip", "key": change.key, "material": _told(change.material)}
        case MovePiece():
            return {"kind": "move_piece", "key": change.key, "to": change.to}
        case EditPiece():
            return {"kind": "edit_piece", "key": change.key, "unit": unit} | _fields(change.told)
        case AddPiece():
            named = {"piece_kind": change.kind.value, "name": change.name, "inside": change.inside}
            return {"kind": "add_piece", "unit": unit} | named | _fields(change.told)
        case SetBuild():
            return {"kind": "set_build"} | _fields(change.settings)


def _of_line(change: Scatter | LayAlong) -> Told:
    told = {"along": change.along.value, "seed": change.seed}
    if isinstance(change, LayAlong):
        return {"kind": "lay_along", "keys": list(change.keys)} | told
    return {"kind": "scatter", "count": change.count, "material": end_told(change.material)} | told


def _of_palette(change: Reanchor | ChooseMany | EditPair) -> Told:
    match change:
        case Reanchor():
            lab = ", ".join(f"{value:.4f}" for value in change.anchor.lab)
            named: Told = {"value": lab} if change.anchor.colour is None else {"colour": change.anchor.colour}
            return {"kind": "reanchor", "key": change.key, "anchor": named}
        case ChooseMany():
            cells = [{"key": one.key, "column": one.column, "colour": one.colour} for one in change.choices]
            return {"kind": "choose_many", "choices": cells}
        case EditPair():
            ends = {name: getattr(change, name) for name in ("upper", "lower")}
            told = {name: _told(end) for name, end in ends.items() if end is not None}
            return {"kind": "edit_pair", "key": change.key} | told


def _fields(told: Mapping[str, Any]) -> Told:
    found: Told = {}
    for name, value in told.items():
        if isinstance(value, Size):
            found |= {"width": _told(value.width), "height": _told(value.height)}
        elif name == "place":
            found |= _fields(value)
        elif name == "pattern":
            found[name] = _fields(value)
        elif name == "inked":
            found[name] = value and asdict(value)
        else:
            found[name] = _told(value)
    return found


def _told(value: Any) -> Any:
    match value:
        case Length():
            return f"{value.text()} {value.unit}"
        case Enum():
            return value.value
        case End():
            return end_told(value)
        case PadUse() | Effect():
            return use_told(value)
        case tuple():
            return [_told(one) for one in value]
    return value


def end_told(end: End) -> Told:
    """An end as it is written in JSON."""
    return {"source": end.source, "id": end.id}


def use_told(one: PadUse | Effect) -> Told:
    """A pad or an effect as a change of the ground is written in JSON; there ``kind`` is the change's."""
    told = asdict(one)
    if isinstance(one, Effect):
        told["effect"] = told.pop("kind")
    return told
