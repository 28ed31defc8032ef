"""Where does a drawing end, and which of its shapes lies at a place?"""

from functools import lru_cache

import numpy as np
import shapely
from numpy.typing import NDArray

from jindle_core import figures
from jindle_core.line_art.drawing import LineDrawing
from jindle_core.line_art.enclosed import enclosed

_INSIDE = 6  # points across the box of a shape, and down
_NEAR = 1.5  # thousandths of the drawing's longer side: paths are stored to a tenth


@lru_cache(maxsize=64)
def outline(drawing: LineDrawing) -> tuple[NDArray[np.float64], tuple[str, ...]]:
    """Points (k, 2) evenly along the outer edge of all shapes together, and the shape's id at each."""
    polygons = _polygons(drawing)
    edge = silhouette(drawing).boundary
    way = np.linspace(0, edge.length, figures.grounds.OUTLINE_POINTS, endpoint=False)
    points = (
        shapely.line_interpolate_point(edge, way) if edge.geom_type == "LineString" else _along(edge, way)
    )
    near = shapely.distance(polygons[:, None], points[None]) < _NEAR
    return shapely.get_coordinates(points), tuple(drawing.shapes[at].id for at in _uppermost(near))


def shapes_at(drawing: LineDrawing, points: NDArray[np.float64]) -> list[str | None]:
    """The id of the shape that is seen at each of some points (k, 2); None beside the drawing."""
    inside = shapely.contains_xy(_polygons(drawing)[:, None], points[None, :, 0], points[None, :, 1])
    there = inside.any(axis=0)
    top = _uppermost(inside)
    return [drawing.shapes[at].id if seen else None for at, seen in zip(top, there, strict=True)]


@lru_cache(maxsize=64)
def silhouette(drawing: LineDrawing) -> shapely.Geometry:
    """All shapes of a drawing together."""
    return shapely.union_all(_polygons(drawing))


@lru_cache(maxsize=64)
def visible_shapes(drawing: LineDrawing) -> tuple[shapely.Geometry, ...]:
    """Of each shape of a drawing what is seen of it: not what the shapes after it cover."""
    polygons = _polygons(drawing)
    return tuple(
        shapely.difference(one, shapely.union_all(polygons[at:])) for at, one in enumerate(polygons, start=1)
    )


@lru_cache(maxsize=64)
def inside_shapes(drawing: LineDrawing) -> tuple[NDArray[np.float64], NDArray[np.intp]]:
    """Points (k, 2) all over the drawing's shapes, and the place of the shape that each lies in.

    Every shape has some; one under others too, which may not show.
    """
    polygons = _polygons(drawing)
    found = []
    for polygon in polygons:
        left, top, right, bottom = polygon.bounds
        across, down = (one.ravel() for one in np.meshgrid(*(np.linspace(0.1, 0.9, _INSIDE),) * 2))
        x, y = left + across * (right - left), top + down * (bottom - top)
        held = shapely.contains_xy(polygon, x, y)
        surely = shapely.get_coordinates(shapely.point_on_surface(polygon))
        found.append(np.concatenate([np.stack([x, y], axis=1)[held], surely]))
    places = np.repeat(np.arange(len(found)), [len(one) for one in found])
    return np.concatenate(found), places


def _uppermost(there: NDArray[np.bool_]) -> NDArray[np.intp]:
    """Of the shapes (n, k) that are there, the last, which lies on top."""
    found: NDArray[np.intp] = len(there) - 1 - there[::-1].argmax(axis=0)
    return found


@lru_cache(maxsize=64)
def _polygons(drawing: LineDrawing) -> NDArray[np.object_]:
    found = np.array([_polygon(shape.path) for shape in drawing.shapes])
    shapely.prepare(found)  # many points will be asked for
    return found


def _along(edges: shapely.Geometry, way: NDArray[np.float64]) -> NDArray[np.object_]:
    """Points at distances along one or several edges, one after the other."""
    parts = shapely.get_parts(edges)
    ends = np.cumsum([part.length for part in parts])
    at = np.minimum(np.searchsorted(ends, way, side="right"), len(parts) - 1)
    before = np.concatenate([[0.0], ends])[at]
    found: NDArray[np.object_] = shapely.line_interpolate_point(parts[at], way - before)
    return found


def _polygon(path: str) -> shapely.Geometry:
    """The area of a path of straight lines as ``svg`` writes it; rings in rings are holes."""
    rings = path.replace("Z", "").split("M")[1:]
    return enclosed([np.array(ring.split(), dtype=float).reshape(-1, 2) for ring in rings])
