"""How is a change of the build written in JSON, so that it can be offered?"""

from dataclasses import asdict
from enum import Enum
from typing import Any

from jindle_core.card.changes.build import AddPiece, EditPiece, MovePiece, RemovePiece
from jindle_core.lengths import Length, Size


def written(change: AddPiece | EditPiece | MovePiece | RemovePiece, unit: str) -> dict[str, Any]:
    """The change as the API takes it; ``unit`` is the card's own."""
    if isinstance(change, RemovePiece):
        return {"kind": "remove_piece", "key": change.key}
    if isinstance(change, MovePiece):
        return {"kind": "move_piece", "key": change.key, "to": change.to}
    if isinstance(change, EditPiece):
        return {"kind": "edit_piece", "key": change.key, "unit": unit} | _fields(change.told)
    named = {"piece_kind": change.kind.value, "name": change.name, "inside": change.inside}
    return {"kind": "add_piece", "unit": unit} | named | _fields(change.told)


def _fields(told: dict[str, Any]) -> dict[str, Any]:
    found: dict[str, Any] = {}
    for name, value in told.items():
        if isinstance(value, Size):
            found |= {"width": _length(value.width), "height": _length(value.height)}
        elif name == "place":
            found |= _fields(value)
        elif isinstance(value, Length):
            found[name] = _length(value)
        elif isinstance(value, Enum):
            found[name] = value.value
        elif name in ("material", "inked"):
            found[name] = value and asdict(value)
        else:
            found[name] = value
    return found


def _length(value: Length) -> str:
    return f"{value.text()} {value.unit}"
