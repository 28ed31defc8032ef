"""Which closed shapes does an SVG line drawing hold? Nothing of the file is kept but their points."""

import io
import math
import re
import warnings
from collections.abc import Iterator
from dataclasses import dataclass
from xml.etree.ElementTree import Element, ParseError, SubElement, tostring

import numpy as np
from defusedxml import DefusedXmlException
from defusedxml.ElementTree import fromstring
from shapely.errors import ShapelyError
from shapely.geometry.base import BaseGeometry
from shapely.ops import unary_union
from svgelements import SVG, Close, Line, Move, Path
from svgelements import Shape as SvgShape

from jindle_core import figures
from jindle_core.errors import BadInput, Problem
from jindle_core.line_art.drawing import LineDrawing, Shape
from jindle_core.line_art.enclosed import enclosed

# What draws a line, with the attributes that say where; everything else of a file is left out.
_SHAPES = {
    "path": ("d",),
    "rect": ("x", "y", "width", "height", "rx", "ry"),
    "circle": ("cx", "cy", "r"),
    "ellipse": ("cx", "cy", "rx", "ry"),
    "polygon": ("points",),
    "polyline": ("points",),
    "line": ("x1", "y1", "x2", "y2"),
}
_GROUPS = ("svg", "g")
_SPAN = {"svg": ("width", "height", "viewBox", "preserveAspectRatio")}
_CURVE_POINTS = 12
SIDE = 1000.0  # the longer side of every drawing
_NUMBER = re.compile(r"(?<![\d.])\d{8,}|[eE][+-]?\d{2,}|nan|inf", re.IGNORECASE)


@dataclass(frozen=True)
class Drawn:
    """One shape of the file: its id, its closed rings and its open lines, each an array (n, 2)."""

    id: str
    rings: tuple[np.ndarray, ...]
    lines: tuple[np.ndarray, ...]


def read_svg(content: bytes) -> LineDrawing:
    """The shapes of an SVG file, from the lowest up, scaled to 1000 on the longer side.

    Scripts, styles, texts, pictures and links are left out. Raises BadInput
    for what is no SVG, holds entities, has numbers out of all measure, too many
    shapes, or no closed one.
    """
    _, drawn, left = shapes_drawn(content)
    most = max((len(shape.rings) for shape in drawn), default=0)
    if most > figures.drawings.DRAWING_RINGS:
        raise _bad(f"has a path with {most:,} rings; {figures.drawings.DRAWING_RINGS:,} are the most")
    rings = [one for one in drawn if one.rings]
    if not rings:
        raise BadInput(
            Problem(
                "The drawing has no closed shape, so there is nothing to colour.",
                field="file",
                expected="outlines that close, such as a path that ends where it begins",
            )
        )
    try:
        return _fitted(drawn, left)
    except ShapelyError:
        raise _bad("has shapes whose areas cannot be told") from None


def shapes_drawn(content: bytes) -> tuple[Element, list[Drawn], dict[str, int]]:
    """An SVG file's first element, the shapes in it, and what else there is, counted by its kind.

    Points are in CSS pixels where it says its size, else as they stand. Raises
    BadInput as ``read_svg`` does, but for a file without closed shapes.
    """
    if len(content) > figures.drawings.LARGEST_DRAWING:
        raise _bad(f"is larger than {figures.drawings.LARGEST_DRAWING // 2**20} MB")
    try:
        root = fromstring(content, forbid_dtd=False, forbid_entities=True, forbid_external=True)
    except DefusedXmlException:
        raise _bad("holds entities or links to elsewhere") from None
    except (ParseError, ValueError, LookupError):
        raise _bad("is no well-formed SVG") from None
    if _tag(root) != "svg":
        raise _bad("is no SVG: its first element is not <svg>")
    left: dict[str, int] = {}
    clean = _cleaned(root, left)
    drawn = list(_drawn(clean))
    points = sum(len(one) for shape in drawn for one in (*shape.rings, *shape.lines))
    if points > figures.drawings.DRAWING_POINTS:
        raise _bad(f"has {points:,} points; {figures.drawings.DRAWING_POINTS:,} are the most")
    return root, drawn, left


def _tag(element: Element) -> str:
    tag = element.tag if isinstance(element.tag, str) else ""
    return tag.rpartition("}")[2]


def _cleaned(root: Element, left: dict[str, int]) -> Element:
    """The tree with nothing in it but groups and shapes; ``left`` counts what else there was."""
    made = Element("svg", {"xmlns": "http://www.w3.org/2000/svg"} | _kept(root, _SPAN["svg"]))
    count, waiting = 0, [(root, made, 0)]
    while waiting:
        source, target, depth = waiting.pop()
        if depth > figures.drawings.DRAWING_DEPTH:
            raise _bad(f"has groups nested deeper than {figures.drawings.DRAWING_DEPTH}")
        for child in source:
            tag = _tag(child)
            if tag in _GROUPS:
                inner = SubElement(target, "g", _kept(child, ("transform",)))
                waiting.append((child, inner, depth + 1))
            elif tag in _SHAPES:
                count += 1
                SubElement(target, tag, _kept(child, (*_SHAPES[tag], "transform", "id")))
            elif tag:
                left[tag] = left.get(tag, 0) + 1
    if count > figures.drawings.DRAWING_SHAPES:
        raise _bad(f"has {count} shapes; {figures.drawings.DRAWING_SHAPES} are the most")
    return made


def _kept(element: Element, names: tuple[str, ...]) -> dict[str, str]:
    found = {}
    for name in names:
        value = element.get(name)
        if value is None:
            continue
        if name not in ("id", "d") and _NUMBER.search(value):
            raise _bad(f"has a number out of all measure in {name}")
        found[name] = value
    return found


def _drawn(clean: Element) -> Iterator[Drawn]:
    try:
        with warnings.catch_warnings():
            warnings.simplefilter("ignore")
            parsed = SVG.parse(io.StringIO(tostring(clean, encoding="unicode")), reify=True)
            shapes = [one for one in parsed.elements() if isinstance(one, SvgShape)]
            for number, one in enumerate(shapes, start=1):
                rings, lines = _flattened(abs(Path(one)))  # a turned rectangle keeps its turn apart
                if rings or lines:
                    name = str(one.values.get("attributes", {}).get("id") or one.id or f"shape {number}")
                    yield Drawn(name[: figures.drawings.AREA_NAME], tuple(rings), tuple(lines))
    except BadInput:
        raise
    except (ValueError, TypeError, AttributeError, IndexError, ZeroDivisionError, OverflowError):
        raise _bad("has a shape that cannot be read") from None


def _flattened(path: Path) -> tuple[list[np.ndarray], list[np.ndarray]]:
    """The path's closed rings and open lines as points, curves by short chords."""
    rings, lines = [], []
    for part in path.as_subpaths():
        points: list[tuple[float, float]] = []
        closed = False
        for segment in part:
            if isinstance(segment, Move):
                points.append((segment.end.x, segment.end.y))
            elif isinstance(segment, Close):
                closed = True
            elif isinstance(segment, Line):
                points.append((segment.end.x, segment.end.y))
            else:
                steps = np.linspace(0, 1, _CURVE_POINTS + 1)[1:]
                points += [(float(x), float(y)) for x, y in segment.npoint(steps)]
        found = np.array(points, dtype=float).reshape(-1, 2)
        if len(found) < 2:
            continue
        if not np.isfinite(found).all() or np.abs(found).max() > figures.drawings.DRAWING_FAR:
            raise _bad("has a number out of all measure")
        if closed or math.dist(found[0], found[-1]) < 1e-6 * max(1.0, float(np.ptp(found))):
            rings.append(found)
        else:
            lines.append(found)
    return rings, lines


def _fitted(drawn: list[Drawn], left: dict[str, int]) -> LineDrawing:
    """The drawing moved and scaled, with what shows of each shape and what touches what."""
    everything = np.concatenate([points for one in drawn for points in (*one.rings, *one.lines)])
    low, high = everything.min(axis=0), everything.max(axis=0)
    scale = SIDE / max(float((high - low).max()), 1e-9)
    width, height = (high - low) * scale
    if min(width, height) < figures.drawings.DRAWING_FLAT:
        raise _bad("is flat: it has no width, or no height")

    def moved(points: np.ndarray) -> np.ndarray:
        return np.asarray((points - low) * scale)

    areas: list[tuple[str, str, BaseGeometry]] = []
    lines: list[str] = []
    small = 0
    for one in drawn:
        lines += [as_path(moved(points), closed=False) for points in one.lines]
        rings = [moved(ring) for ring in one.rings if len(ring) > 2]
        shape = enclosed(rings)
        if shape.area < figures.drawings.AREA_LEAST * width * height:
            small += len(rings)
            lines += [as_path(ring, closed=True) for ring in rings]
            continue
        areas.append((one.id, "".join(as_path(ring, closed=True) for ring in rings), shape))
    if not areas:
        raise _bad("has only closed shapes that are too small to colour")
    kept = areas[-figures.drawings.DRAWING_AREAS :]
    notes = [f"{count} × <{tag}> left out" for tag, count in sorted(left.items()) if tag not in _QUIET]
    if small:
        notes.append(f"{small} shapes too small to colour are kept as lines")
    if len(areas) > len(kept):
        notes.append(f"only the uppermost {len(kept)} of {len(areas)} shapes are kept")
    return LineDrawing(
        float(width), float(height), shown_shapes(kept, width * height), tuple(lines), tuple(notes)
    )


_QUIET = ("title", "desc", "defs", "metadata", "style", "namedview")


def shown_shapes(areas: list[tuple[str, str, BaseGeometry]], whole: float) -> tuple[Shape, ...]:
    """The shapes with the share that shows from under those above, and with what they touch."""
    seen: list[BaseGeometry] = []
    for at, (_, _, shape) in enumerate(areas):
        above = [over for _, _, over in areas[at + 1 :] if over.intersects(shape)]
        seen.append(shape.difference(unary_union(above)))
    names = _distinct([name for name, _, _ in areas])
    near = [one.buffer(figures.drawings.AREA_TOUCH) for one in seen]
    found = []
    for at, (_, path, _) in enumerate(areas):
        touches = tuple(
            names[other] for other in range(len(areas)) if other != at and near[at].intersects(seen[other])
        )
        found.append(Shape(names[at], path, round(seen[at].area / whole, 5), touches))
    return tuple(found)


def _distinct(names: list[str]) -> list[str]:
    """The names, with a number behind those that come again."""
    counts: dict[str, int] = {}
    found = []
    for name in names:
        counts[name] = counts.get(name, 0) + 1
        found.append(name if counts[name] == 1 else f"{name} {counts[name]}")
    return found


def as_path(points: np.ndarray, closed: bool) -> str:
    """Points as an SVG path of straight lines, to a tenth."""
    text = " ".join(f"{x:.1f} {y:.1f}" for x, y in points)
    return f"M{text}{'Z' if closed else ''}"


def _bad(trouble: str) -> BadInput:
    return BadInput(Problem(f"The drawing {trouble}.", field="file", expected="an SVG line drawing"))
