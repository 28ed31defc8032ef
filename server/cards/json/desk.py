"""The card on the desk as it is told."""

from collections.abc import Iterable
from dataclasses import asdict
from typing import Any

from jindle_core.checked.desk import Desk, Drawn
from server.cards.json.panel import panel_told
from server.cards.json.picture import picture_told


def desk_told(desk: Desk, inside: bool = True) -> dict[str, Any]:
    """The card as ``DeskSerializer`` describes it; its inside where that is wanted."""
    return {
        "width": desk.width,
        "height": desk.height,
        "parts": parts_told(desk.front),
        "inside": parts_told(desk.inside) if inside else [],
        "fold": desk.fold.value,
        "pictures": [{"key": key} | picture_told(one) for key, one in desk.pictures.items()],
        "ground": panel_told(desk.panel),
    }


def parts_told(parts: Iterable[Drawn]) -> list[dict[str, Any]]:
    """Some parts of the desk as ``PartSerializer`` describes them."""
    return [
        {
            "name": one.part.name,
            "shape": one.part.shape,
            "x": round(one.part.x, 3),
            "y": round(one.part.y, 3),
            "width": round(one.part.width, 3),
            "height": round(one.part.height, 3),
            "key": one.part.end.id if one.part.end.source == "palette" else 0,
            "piece": one.part.piece,
            "raised": round(one.part.raised, 2),
            "rim": one.part.rim,
            "text": one.part.text,
            "size": round(one.part.size, 3),
            "bold": one.part.bold,
            "trimmed": one.part.trimmed,
            "picture": one.part.picture,
            "mirrored": one.part.mirrored,
            "path": one.part.path,
            "stitches": one.part.stitches,
            "pattern": one.part.pattern and asdict(one.part.pattern),
            "turns": [list(turn) for turn in one.part.turns],
            "opacity": round(one.opacity, 3),
            "shades": one.shades,
        }
        for one in parts
    ]
