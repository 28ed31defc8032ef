"""A line drawing as plain shapes: what is closed can be coloured as an area."""

from dataclasses import dataclass
from typing import Any

from jindle_core.stored import plain, structured


@dataclass(frozen=True, slots=True)
class Shape:
    """A closed shape by its id, as an SVG path, with the share of the drawing that it shows (0–1)."""

    id: str
    path: str
    share: float
    touches: tuple[str, ...]


@dataclass(frozen=True, slots=True)
class LineDrawing:
    """Width and height of the drawing, its closed shapes from the lowest up, and its open lines as paths.

    ``notes`` say what of a file was left out.
    """

    width: float
    height: float
    shapes: tuple[Shape, ...]
    lines: tuple[str, ...]
    notes: tuple[str, ...] = ()


def drawing_to_json(drawing: LineDrawing) -> dict[str, Any]:
    """The drawing as plain JSON values."""
    return plain(drawing)


def drawing_from_json(stored: Any) -> LineDrawing:
    """The drawing that ``drawing_to_json`` wrote; BadInput where it is none."""
    return structured(stored, LineDrawing, "drawing")
