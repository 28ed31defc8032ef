"""How is a change written in JSON, so that it can be offered and come back as it is?"""

from collections.abc import Mapping
from dataclasses import asdict
from enum import Enum
from typing import Any

from jindle_core.card.changes.build import AddPiece, EditPiece, MovePiece, PutOnStrip, RemovePiece, SetBuild
from jindle_core.card.changes.every import AnyChange
from jindle_core.card.changes.ground import SetGround
from jindle_core.card.changes.palette import EditPair
from jindle_core.card.ground import Effect, PadUse
from jindle_core.lengths import Length, Size
from jindle_core.material import End

Told = dict[str, Any]


def change_told(change: AnyChange, unit: str) -> Told:
    """The change as the API takes it; ``unit`` is the card's own. TypeError for one that is never offered."""
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
        case EditPair():
            ends = {name: getattr(change, name) for name in ("upper", "lower")}
            told = {name: _told(end) for name, end in ends.items() if end is not None}
            return {"kind": "edit_pair", "key": change.key} | told
        case SetBuild():
            return {"kind": "set_build"} | _fields(change.settings)
        case SetGround():
            return {"kind": "set_ground"} | {name: _told(value) for name, value in change.settings.items()}
    raise TypeError(f"{change} is not offered")


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
