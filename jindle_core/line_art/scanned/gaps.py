"""Where does a line stop that should go on, and what closes it?

Ends that face each other are linked first, then ends to lines.
"""

from collections.abc import Sequence
from dataclasses import dataclass
from itertools import pairwise

import numpy as np
from numpy.typing import NDArray
from scipy.spatial import cKDTree
from skimage.draw import line as pixels_between

from jindle_core import figures
from jindle_core.line_art.scanned.threads import Mask, Points, Thread


@dataclass(frozen=True, eq=False)
class Ends:
    """The free ends of threads: where they are, which way they point (n, 2), whose, and how long that is."""

    places: Points
    ways: Points
    of: NDArray[np.intp]
    lengths: NDArray[np.float64]


def free_ends(found: Sequence[Thread], width: float) -> Ends:
    """All free ends, each with the way in which its line would go on."""
    places, ways, of, lengths = [], [], [], []
    back = max(round(figures.scans.LOOK_BACK * width), 2)
    for number, one in enumerate(found):
        if one.loop:
            continue
        for end, points in ((one.ends[0], one.points), (one.ends[1], one.points[::-1])):
            if end < 0:
                way = points[0] - points[min(back, len(points) - 1)]
                places.append(points[0])
                ways.append(way / max(float(np.linalg.norm(way)), 1e-9))
                of.append(number)
                lengths.append(one.length)
    return Ends(
        np.array(places).reshape(-1, 2),
        np.array(ways).reshape(-1, 2),
        np.array(of, np.intp),
        np.array(lengths),
    )


def closed(
    skeleton: Mask, found: Sequence[Thread], ends: Ends, width: float
) -> tuple[Mask, NDArray[np.bool_]]:
    """The skeleton with its gaps closed, and which of its free ends (n,) are closed by that."""
    done = np.zeros(len(ends.places), dtype=bool)
    linked = skeleton.copy()
    for one, other in _facing(ends, width):
        if not (done[one] or done[other]):
            done[[one, other]] = True
            draw(linked, ends.places[[one, other]])
    for at in np.flatnonzero(~done):
        onto = _onto(ends, int(at), found, width)
        if onto is not None:
            done[at] = True
            draw(linked, np.array([ends.places[at], onto]))
    return linked, done


def draw(skeleton: Mask, points: Points) -> None:
    """Draw a line through points (k, 2) into a skeleton."""
    whole = np.rint(points).astype(int)
    for (x1, y1), (x2, y2) in pairwise(whole):
        rows, columns = pixels_between(y1, x1, y2, x2)
        held = (rows >= 0) & (rows < skeleton.shape[0]) & (columns >= 0) & (columns < skeleton.shape[1])
        skeleton[rows[held], columns[held]] = True


def _facing(ends: Ends, width: float) -> list[tuple[int, int]]:
    """Pairs of ends that face each other, the nearest and straightest first."""
    if len(ends.places) < 2:
        return []
    pairs = cKDTree(ends.places).query_pairs(figures.scans.FACING_FAR * width, output_type="ndarray")
    ranked, near = [], figures.scans.FACING * width
    for one, other in pairs.tolist():
        between = ends.places[other] - ends.places[one]
        gap = float(np.linalg.norm(between))
        way = between / max(gap, 1e-9)
        straight = min(float(ends.ways[one] @ way), float(ends.ways[other] @ -way)) if gap > 1.5 else 1.0
        same = ends.of[one] == ends.of[other]
        wanted = figures.scans.FACING_COSINE if gap <= near else figures.scans.FACING_STRAIGHT
        if straight > wanted and not (same and ends.lengths[one] < 3 * gap):
            ranked.append((gap * (2 - straight), one, other))
    return [(one, other) for _, one, other in sorted(ranked)]


def _onto(ends: Ends, at: int, found: Sequence[Thread], width: float) -> Points | None:
    """Where on another line an end meets it if it goes on; None where there is none near enough."""
    place, way = ends.places[at], ends.ways[at]
    reach = figures.scans.TO_LINE * width
    best: tuple[float, Points] | None = None
    for number, one in enumerate(found):
        low, high = one.points.min(axis=0) - reach, one.points.max(axis=0) + reach
        if (place < low).any() or (place > high).any():
            continue
        points = one.points
        if number == ends.of[at]:
            points = one.beyond(place, figures.scans.TO_LINE_DANGLING * reach)
        off = points - place
        gaps = np.linalg.norm(off, axis=1)
        ahead = off @ way > figures.scans.FACING_COSINE * gaps
        near = ahead & (gaps <= np.minimum(reach, ends.lengths[at] / figures.scans.TO_LINE_DANGLING))
        if near.any():
            nearest = int(np.flatnonzero(near)[gaps[near].argmin()])
            if best is None or gaps[nearest] < best[0]:
                best = (float(gaps[nearest]), points[nearest])
    return None if best is None else best[1]
