"""What is the outline of a shape of a size, in mm from its upper left corner?

All of them fill their box, but for a circle, which is as large as it goes into it, and for letters: what
follows the words that lie on it (``letters.around``), and is its box where there are none.
"""

from collections.abc import Callable
from enum import StrEnum
from functools import lru_cache

import numpy as np
import shapely
from numpy.typing import NDArray
from shapely.affinity import translate

from jindle_core import figures

Points = NDArray[np.float64]
_ROUND = np.linspace(0, 2 * np.pi, 96, endpoint=False)
_FINE = _ROUND[::3]  # of a bow, of which there are many
_HALF = np.linspace(0, np.pi, 33)


class Shape(StrEnum):
    """What something is cut to."""

    RECTANGLE = "rectangle"
    ROUNDED = "rounded"
    CIRCLE = "circle"
    OVAL = "oval"
    HEXAGON = "hexagon"
    TAG = "tag"
    BANNER = "banner"
    ARCH = "arch"
    LABEL = "label"
    HEART = "heart"
    STAR = "star"
    SCALLOPED = "scalloped"
    CLOUD = "cloud"
    HILL = "hill"
    LETTERS = "letters"


class Side(StrEnum):
    """A side of a rectangle."""

    TOP = "top"
    RIGHT = "right"
    BOTTOM = "bottom"
    LEFT = "left"


BORDERS = (Shape.SCALLOPED, Shape.CLOUD, Shape.HILL)  # rectangles with an edge on chosen sides
EVERY_SIDE = tuple(Side)


@lru_cache(maxsize=1024)
def outline(
    shape: Shape, width: float, height: float, sides: tuple[Side, ...] = EVERY_SIDE
) -> shapely.Polygon:
    """The area of a shape in a box (mm). ``sides`` are those of a border that are not straight.

    >>> outline(Shape.HEXAGON, 40.0, 30.0).area
    900.0
    """
    if shape in BORDERS:
        return _bordered(shape, width, height, sides)
    return _MADE[shape](width, height)


def offset(area: shapely.Polygon, by: float) -> shapely.Polygon:
    """What is left of an area where a frame of an even width (mm) is taken off all round; the largest part.

    A true offset: every point of its edge is exactly that far from the outer
    edge of the area, whose holes do not count.
    """
    left = shapely.buffer(shapely.Polygon(area.exterior), -by, quad_segs=12)
    return max(shapely.get_parts(left), key=lambda part: part.area, default=shapely.Polygon())


def _box(width: float, height: float) -> shapely.Polygon:
    return shapely.box(0, 0, width, height)


def _scaled(points: Points, width: float, height: float) -> shapely.Polygon:
    """A ring of points (n, 2), stretched to fill a box."""
    low, high = points.min(axis=0), points.max(axis=0)
    return shapely.Polygon((points - low) / (high - low) * [width, height])


def _oval(width: float, height: float) -> shapely.Polygon:
    return _scaled(np.stack([np.cos(_ROUND), np.sin(_ROUND)], axis=1), width, height)


def _circle(width: float, height: float) -> shapely.Polygon:
    across = min(width, height)
    return translate(_oval(across, across), (width - across) / 2, (height - across) / 2)


def _rounded(width: float, height: float) -> shapely.Polygon:
    radius = min(figures.building.ROUNDING * min(width, height), figures.building.ROUNDING_MOST)
    return shapely.box(radius, radius, width - radius, height - radius).buffer(radius, quad_segs=16)


def _hexagon(width: float, height: float) -> shapely.Polygon:
    points = np.array([[1, 0], [3, 0], [4, 1], [3, 2], [1, 2], [0, 1]], dtype=float)
    return _scaled(points, width, height)


def _tag(width: float, height: float) -> shapely.Polygon:
    """A luggage tag, standing or lying, with two corners off and an eyelet."""
    if width > height:
        return shapely.transform(_tag(height, width), lambda xy: xy[:, ::-1])
    cut = width * figures.building.TAG_CORNER
    body = [(cut, 0), (width - cut, 0), (width, cut), (width, height), (0, height), (0, cut)]
    eyelet = shapely.Point(width / 2, cut).buffer(width * figures.building.TAG_EYELET, quad_segs=12)
    return shapely.Polygon(body).difference(eyelet)


def _banner(width: float, height: float) -> shapely.Polygon:
    """A banner whose end is cut to a swallow tail."""
    if height > width:
        return shapely.transform(_banner(height, width), lambda xy: xy[:, ::-1])
    notch = min(height * figures.building.SWALLOW_TAIL, width / 2)
    return shapely.Polygon([(0, 0), (width, 0), (width - notch, height / 2), (width, height), (0, height)])


def _arch(width: float, height: float) -> shapely.Polygon:
    rise = min(width / 2, height)
    arc = np.stack([width / 2 * (1 + np.cos(_HALF)), rise * (1 - np.sin(_HALF))], axis=1)
    return shapely.Polygon([*arc, (0, height), (width, height)])


def _label(width: float, height: float) -> shapely.Polygon:
    """A label whose corners are hollowed."""
    radius = min(figures.building.LABEL_CORNER * min(width, height), figures.building.LABEL_CORNER_MOST)
    corners = [shapely.Point(x, y).buffer(radius, quad_segs=16) for x in (0, width) for y in (0, height)]
    return _box(width, height).difference(shapely.union_all(corners))


def _heart(width: float, height: float) -> shapely.Polygon:
    """A square on its corner with half a circle on each of its upper sides."""
    bows = [shapely.Point(x, -0.5).buffer(np.sqrt(0.5), quad_segs=24) for x in (-0.5, 0.5)]
    square = shapely.Polygon([(0, -1), (1, 0), (0, 1), (-1, 0)])
    return _scaled(shapely.get_coordinates(shapely.union_all([square, *bows])), width, height)


def _star(width: float, height: float) -> shapely.Polygon:
    turns = np.arange(10) * np.pi / 5
    far = np.where(np.arange(10) % 2, figures.building.STAR_HOLLOW, 1.0)
    return _scaled(np.stack([far * np.sin(turns), -far * np.cos(turns)], axis=1), width, height)


def _bordered(shape: Shape, width: float, height: float, sides: tuple[Side, ...]) -> shapely.Polygon:
    """A rectangle that ends in bows on the chosen sides."""
    size = figures.building.BOWS[shape.value] * min(width, height)
    deep = min(max(size, figures.building.BOW_LEAST), min(width, height) / 4)
    left, right = deep * (Side.LEFT in sides), width - deep * (Side.RIGHT in sides)
    top, bottom = deep * (Side.TOP in sides), height - deep * (Side.BOTTOM in sides)
    found = [shapely.box(left, top, right, bottom)]
    for side, start, end, length in (
        (Side.TOP, (left, top), (1, 0), right - left),
        (Side.BOTTOM, (left, bottom), (1, 0), right - left),
        (Side.LEFT, (left, top), (0, 1), bottom - top),
        (Side.RIGHT, (right, top), (0, 1), bottom - top),
    ):
        if side in sides:
            found += [
                _bow(np.array(start) + np.array(end) * middle, end, half, deep * high)
                for middle, half, high in _bows(shape, length, deep)
            ]
    whole = shapely.union_all(found)
    return max(shapely.get_parts(whole), key=lambda part: part.area)


def _bows(shape: Shape, length: float, deep: float) -> list[tuple[float, float, float]]:
    """Along a side: the middle of each bow, half its width, and how high it is as a share of the deepest."""
    wide = 2 * deep if shape is Shape.SCALLOPED else 4 * deep if shape is Shape.CLOUD else 10 * deep
    count = max(round(length / wide), 1)
    half = length / count / 2
    if shape is Shape.SCALLOPED:
        return [((2 * n + 1) * half, half, 1.0) for n in range(count)]
    heights = (1.0, 0.72, 0.88) if shape is Shape.CLOUD else (1.0, 0.62)
    return [
        ((2 * n + 1) * half, 1.25 * half if n not in (0, count - 1) else half, heights[n % len(heights)])
        for n in range(count)
    ]


def _bow(middle: Points, along: tuple[int, int], half: float, high: float) -> shapely.Polygon:
    """Half of it stands out of the side, the other lies in the rectangle."""
    wide, tall = (half, high) if along == (1, 0) else (high, half)
    points = np.stack([wide * np.cos(_FINE), tall * np.sin(_FINE)], axis=1)
    return shapely.Polygon(middle + points)


_MADE: dict[Shape, Callable[[float, float], shapely.Polygon]] = {
    Shape.RECTANGLE: _box,
    Shape.ROUNDED: _rounded,
    Shape.CIRCLE: _circle,
    Shape.OVAL: _oval,
    Shape.HEXAGON: _hexagon,
    Shape.TAG: _tag,
    Shape.BANNER: _banner,
    Shape.ARCH: _arch,
    Shape.LABEL: _label,
    Shape.HEART: _heart,
    Shape.STAR: _star,
    Shape.LETTERS: _box,
}
