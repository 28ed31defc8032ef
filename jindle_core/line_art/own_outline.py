"""Which outline does a person's own SVG cut, and how large is it?"""

import re
from dataclasses import dataclass

import numpy as np
import shapely

from jindle_core import figures
from jindle_core.errors import BadInput, Problem
from jindle_core.line_art.svg import shapes_drawn

_MEASURED = re.compile(r"\d\s*(mm|cm|in|pt|pc|q)\s*$", re.IGNORECASE)
_MM = 25.4 / 96  # of a CSS pixel


@dataclass(frozen=True, slots=True)
class OwnOutline:
    """``ring`` are its points as shares of its box, without the first again; ``shape`` is width by height.

    ``width`` is in mm, None where the file does not say its size; ``notes`` say
    what of it was left out.
    """

    ring: tuple[tuple[float, float], ...]
    shape: float
    width: float | None
    notes: tuple[str, ...]


def read_outline(content: bytes) -> OwnOutline:
    """The closed outline in an SVG file: holes in it are left out, points that say nothing too.

    Raises BadInput where there is none, or several side by side, where it crosses
    itself, or cannot be drawn with ``figures.building.OWN_POINTS``.
    """
    root, drawn, _ = shapes_drawn(content)
    rings = [ring for one in drawn for ring in one.rings if len(ring) > 2]
    if not rings:
        raise _bad("holds no closed outline", "one path that ends where it begins")
    polygons = [shapely.Polygon(ring) for ring in rings]
    outer = max(polygons, key=lambda one: shapely.area(shapely.convex_hull(one)))
    _check_simple(outer)
    inside = [one for one in polygons if one is not outer and outer.covers(one.exterior)]
    beside = len(polygons) - 1 - len(inside)
    if beside:
        raise _bad(f"holds {beside + 1} outlines side by side", "one of them in a file")
    low, high = np.array(outer.bounds).reshape(2, 2)
    if min(high - low) <= figures.drawings.DRAWING_FLAT / 1000 * max(high - low):
        raise _bad("is flat: it has no width, or no height")
    width = float((high - low)[0]) * _MM if _measured(root.get("width"), root.get("height")) else None
    ring, notes = _smooth((np.array(outer.exterior.coords)[:-1] - low) / (high - low))
    if inside:
        holes = "a hole in it is" if len(inside) == 1 else f"{len(inside)} holes in it are"
        notes.append(f"{holes} left out: make the piece a frame where it is to be open")
    return OwnOutline(ring, float((high - low)[0] / (high - low)[1]), width, tuple(notes))


def _check_simple(outer: shapely.Polygon) -> None:
    if outer.is_valid:
        return
    why = shapely.is_valid_reason(outer)
    found = re.search(r"\[(\S+) (\S+)\]", why)
    where = ""
    if found:
        left, top, right, bottom = outer.bounds
        across = (float(found[1]) - left) / max(right - left, 1e-9)
        down = (float(found[2]) - top) / max(bottom - top, 1e-9)
        where = f", at {100 * across:.0f} % across and {100 * down:.0f} % down"
    raise _bad(f"crosses or touches itself{where}", "an outline that a knife can follow once around")


def _smooth(points: np.ndarray) -> tuple[tuple[tuple[float, float], ...], list[str]]:
    """The ring (shares of its box) without points that say nothing, and what is to be told of that."""
    area = shapely.simplify(shapely.Polygon(points), figures.building.OWN_OFF)
    kept = np.clip(np.array(area.exterior.coords)[:-1], 0, 1).round(4)
    if len(kept) > figures.building.OWN_POINTS:
        words = f"has {len(points):,} points, and {len(kept):,} where it is smoothed"
        raise _bad(words, f"{figures.building.OWN_POINTS} at most, as a die has")
    if not (area.is_valid and len(kept) > 2 and shapely.Polygon(kept).is_valid):
        raise _bad("is too fine: smoothed to what a knife can cut it crosses itself")
    notes = []
    if len(points) > figures.building.OWN_POINTS:
        notes.append(
            f"its {len(points):,} points are drawn with {len(kept)}, none of it further off than "
            f"{figures.building.OWN_OFF:.1%} of its size"
        )
    return tuple((float(x), float(y)) for x, y in kept), notes


def _measured(*sides: str | None) -> bool:
    return all(side is not None and _MEASURED.search(side) for side in sides)


def _bad(trouble: str, expected: str = "an SVG with one closed outline") -> BadInput:
    return BadInput(Problem(f"The outline {trouble}.", field="file", expected=expected))
