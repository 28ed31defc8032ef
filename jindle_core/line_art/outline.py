"""Where does a drawing end, and which of its shapes lies there?"""

from functools import lru_cache

import numpy as np
import shapely
from numpy.typing import NDArray

from jindle_core import defaults
from jindle_core.line_art.drawing import LineDrawing

_NEAR = 1.5  # thousandths of the drawing's longer side: paths are stored to a tenth


@lru_cache(maxsize=64)
def outline(drawing: LineDrawing) -> tuple[NDArray[np.float64], tuple[str, ...]]:
    """Points (k, 2) evenly along the outer edge of all shapes together, and the shape's id at each."""
    polygons = [_polygon(shape.path) for shape in drawing.shapes]
    edge = shapely.union_all(polygons).boundary
    way = np.linspace(0, edge.length, defaults.OUTLINE_POINTS, endpoint=False)
    points = (
        shapely.line_interpolate_point(edge, way) if edge.geom_type == "LineString" else _along(edge, way)
    )
    off = shapely.distance(np.array(polygons)[:, None], points[None])
    # Of the shapes that reach a point, the uppermost is seen there.
    top = len(polygons) - 1 - (off < _NEAR)[::-1].argmax(axis=0)
    return shapely.get_coordinates(points), tuple(drawing.shapes[at].id for at in top)


def _along(edges: shapely.Geometry, way: NDArray[np.float64]) -> NDArray[np.object_]:
    """Points at distances along one or several edges, one after the other."""
    parts = shapely.get_parts(edges)
    ends = np.cumsum([part.length for part in parts])
    at = np.minimum(np.searchsorted(ends, way, side="right"), len(parts) - 1)
    before = np.concatenate([[0.0], ends])[at]
    return shapely.line_interpolate_point(parts[at], way - before)


def _polygon(path: str) -> shapely.Geometry:
    """The area of a path of straight lines as ``svg`` writes it; rings in rings are holes."""
    whole: shapely.Geometry = shapely.Polygon()
    for ring in path.replace("Z", "").split("M")[1:]:
        points = np.array(ring.split(), dtype=float).reshape(-1, 2)
        if len(points) > 2:
            whole = whole.symmetric_difference(shapely.make_valid(shapely.Polygon(points)))
    return whole
