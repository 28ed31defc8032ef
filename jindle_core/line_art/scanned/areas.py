"""Which areas does a scanned outline hold, how are they mended by hand, and what could not be closed?"""

from collections.abc import Sequence
from dataclasses import dataclass
from enum import StrEnum

import numpy as np
import shapely
from numpy.typing import NDArray
from scipy.ndimage import gaussian_filter1d
from scipy.spatial import cKDTree
from skimage.morphology import skeletonize

from jindle_core import figures
from jindle_core.errors import BadInput, Problem
from jindle_core.line_art.drawing import LineDrawing
from jindle_core.line_art.scanned.gaps import Ends, closed, draw, free_ends
from jindle_core.line_art.scanned.ink import find_ink, no_outline
from jindle_core.line_art.scanned.threads import Mask, Points, Thread, pruned, threads
from jindle_core.line_art.svg import SIDE, as_path, shown_shapes


class MendWay(StrEnum):
    """What a stroke of the hand does."""

    LINE = "line"  # it closes a gap
    JOIN = "join"  # the pieces that its points lie in are one


@dataclass(frozen=True, eq=False)
class MendStroke:
    """A stroke of the hand: what it does, and its points (k, 2) as shares of the picture's longer side."""

    way: MendWay
    points: Points


@dataclass(frozen=True, eq=False)
class Scanned:
    """What was found, in shares of the picture's longer side.

    ``areas`` are polygons, the largest first; ``lines`` what bounds none of them;
    ``loose`` (n, 2, 2) where a line stops that may have to be closed, and the nearest
    place on another, the likeliest first.
    """

    areas: tuple[shapely.Polygon, ...]
    lines: tuple[Points, ...]
    loose: Points


def scanned(pixels: NDArray[np.uint8], mends: Sequence[MendStroke] = ()) -> Scanned:
    """The areas of an outline in a picture (h, w, 3), 8-bit, with mends by hand.

    Raises BadInput where there is no outline in it, none closed, or nothing but texture.
    """
    ink = find_ink(pixels)
    skeleton, found = pruned(ink.skeleton, figures.scans.SPUR * ink.width)
    side = max(skeleton.shape)
    strokes = [np.clip(mend.points, 0, 1) * side for mend in mends if mend.way is MendWay.LINE]
    if strokes:
        skeleton = skeleton.copy()
        for points in strokes:
            draw(skeleton, _snapped(points, skeleton, ink.width))
        skeleton = skeletonize(skeleton)
        found = threads(skeleton)
    ends = free_ends(found, ink.width)
    linked, done = closed(skeleton, found, ends, ink.width)
    lines = [_smoothed(one, ink.width) for one in threads(skeletonize(linked))]
    strings = [shapely.LineString(points) for points in lines if len(points) > 1]
    faces = shapely.get_parts(shapely.polygonize([shapely.unary_union(strings)]))
    faces = [one for one in faces if one.area >= figures.scans.AREA * ink.width**2]
    for mend in mends:
        if mend.way is MendWay.JOIN:
            faces = _joined(faces, mend.points * side)
    if not faces:
        raise no_outline("shows lines, but no area that they close")
    faces = sorted(faces, key=lambda one: -one.area)[: figures.drawings.DRAWING_AREAS]
    return Scanned(
        tuple(shapely.transform(one, lambda points: points / side) for one in faces),
        tuple(points / side for points in _loose_lines(strings, faces, ink.width)),
        _likeliest(ends, done, found, ink.width) / side,
    )


def _snapped(points: Points, skeleton: Mask, width: float) -> Points:
    """A stroke with its ends on the lines that they are near to."""
    rows, columns = np.nonzero(skeleton)
    tree = cKDTree(np.stack([columns, rows], axis=1))
    snapped = points.copy()
    for at in (0, -1):
        off, nearest = tree.query(points[at])
        if off <= figures.scans.FACING * width:
            snapped[at] = tree.data[nearest]
    return snapped


def _smoothed(one: Thread, width: float) -> Points:
    """A thread without the steps of its pixels; its ends stay where they are."""
    if len(one.points) < 3:
        return one.points
    sigma = figures.scans.SMOOTHED * width
    mode = "wrap" if one.loop else "nearest"
    inner = one.points[:-1] if one.loop else one.points
    found = gaussian_filter1d(inner, sigma, axis=0, mode=mode)
    found = np.vstack([found, found[:1]]) if one.loop else np.vstack([inner[:1], found[1:-1], inner[-1:]])
    simple = shapely.simplify(shapely.LineString(found), figures.scans.SIMPLIFIED * width)
    return np.asarray(shapely.get_coordinates(simple))


def _joined(faces: list[shapely.Polygon], stroke: Points) -> list[shapely.Polygon]:
    """With those faces one that a stroke's points lie in; BadInput where they do not lie together."""
    over = [one for one in faces if shapely.contains_xy(one, *stroke.T).any()]
    if len(over) < 2:
        return faces
    whole = shapely.union_all(over)
    if whole.geom_type != "Polygon":
        raise BadInput(Problem("Pieces that are to be one lie side by side; these do not.", field="mends"))
    return [*(one for one in faces if one not in over), whole]


def _loose_lines(
    strings: list[shapely.LineString], faces: list[shapely.Polygon], width: float
) -> list[Points]:
    """The lines that bound no face, as far as they are more than a spur."""
    edges = shapely.buffer(shapely.union_all(shapely.boundary(faces)), width / 4)
    rest = shapely.difference(strings, edges)
    parts = shapely.get_parts(rest)
    return [shapely.get_coordinates(one) for one in parts if one.length >= 2 * width]


def _likeliest(ends: Ends, done: NDArray[np.bool_], found: Sequence[Thread], width: float) -> Points:
    """The free ends that were not closed, with the nearest place on another line, the nearest first."""
    ranked = []
    for at in np.flatnonzero(~done):
        place, own = ends.places[at], int(ends.of[at])
        others = [one.points for number, one in enumerate(found) if number != own]
        points = np.concatenate([*others, found[own].beyond(place, figures.scans.LIKELY * width)])
        if not len(points) or ends.lengths[at] < 2 * width:
            continue
        gaps = np.linalg.norm(points - ends.places[at], axis=1)
        nearest = int(gaps.argmin())
        # A tip whose two lines run together ends in a spur, and no line is missing there.
        tip = max(found[own].ends) >= 0 and gaps[nearest] > figures.scans.TIP * ends.lengths[at]
        if gaps[nearest] <= figures.scans.LIKELY * width and not tip:
            ranked.append((float(gaps[nearest]), int(at), points[nearest]))
    kept = sorted(ranked, key=lambda one: one[:2])[: figures.scans.PLACES]
    return np.array([(ends.places[at], onto) for _, at, onto in kept]).reshape(-1, 2, 2)


def as_drawing(found: Scanned, names: Sequence[str] = ()) -> LineDrawing:
    """What was found as a line drawing, 1000 on its longer side; areas without a name are numbered."""
    every = [*(shapely.get_coordinates(one) for one in found.areas), *found.lines]
    low, high = np.concatenate(every).min(axis=0), np.concatenate(every).max(axis=0)
    scale = SIDE / float((high - low).max())
    width, height = (high - low) * scale

    def moved(points: Points) -> Points:
        return np.asarray((points - low) * scale)

    named = [*names, *[""] * len(found.areas)]
    areas = []
    for number, one in enumerate(found.areas):
        laid = shapely.transform(one, moved)
        rings = [shapely.get_coordinates(ring)[:-1] for ring in (laid.exterior, *laid.interiors)]
        name = named[number].strip()[: figures.drawings.AREA_NAME] or f"area {number + 1}"
        areas.append((name, "".join(as_path(ring, closed=True) for ring in rings), laid))
    lines = tuple(as_path(moved(points), closed=False) for points in found.lines)
    return LineDrawing(float(width), float(height), shown_shapes(areas, float(width * height)), lines)
