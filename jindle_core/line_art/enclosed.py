"""Which area do the rings of a path enclose? By the even-odd rule, as the picture is filled."""

from collections.abc import Sequence

import numpy as np
import shapely
from numpy.typing import NDArray


def enclosed(rings: Sequence[NDArray[np.float64]]) -> shapely.Geometry:
    """The area (a valid polygon or several) that rings, each of points (n, 2), enclose.

    What lies in a second ring within a first is a hole, and so is where two
    overlap. All rings are cut at their crossings at once, and every face between
    the cuts is kept where an odd number of rings is around it.

    >>> square = np.array([[0.0, 0], [4, 0], [4, 4], [0, 4]])
    >>> enclosed([square, square / 2 + 1]).area
    12.0
    """
    outlines = [np.concatenate([ring, ring[:1]]) for ring in rings if len(ring) > 2]
    if not outlines:
        return shapely.Polygon()
    loops = shapely.make_valid(shapely.polygons([shapely.linearrings(one) for one in outlines]))
    if len(loops) == 1:
        return loops[0]
    faces = shapely.get_parts(shapely.polygonize([shapely.unary_union(shapely.boundary(loops))]))
    within = shapely.point_on_surface(faces)
    around, _ = shapely.STRtree(within).query(loops, predicate="contains")[::-1]
    odd = np.bincount(around, minlength=len(faces)) % 2 == 1
    return shapely.unary_union(faces[odd])
