"""What does each piece really lie beside, all along its edge?"""

from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass
from functools import lru_cache

import numpy as np
import shapely
from numpy.typing import NDArray

from jindle_core.layers.pieces import BASE, Piece
from jindle_core.layers.showing import NO_AREAS, Areas, Floats, as_areas, topmost
from jindle_core.layers.sizing import RASTER, Box, edges, in_order

_NEAR = 2 * RASTER // 10  # of the edges of boxes: a tenth of a millimetre
_STEP, _OFF = 1.0, 0.01  # mm from place to place along an outline, and how far beside it one looks
_LEAST = 48  # places along an outline, however short it is


@dataclass(frozen=True, slots=True)
class Beside:
    """A piece and what shows along a share of its visible edge (0–1)."""

    key: int
    beside: int
    share: float


def neighbours(boxes: dict[int, Box], pieces: Sequence[Piece]) -> list[Beside]:
    """For each piece what lies beside its edge, the most first; exact, not sampled.

    Only the edge that shows counts: not what is covered by a piece above, nor
    what runs along or over the card's own edge.
    """
    order = [BASE, *(piece.key for piece in in_order(pieces))]
    return lies_beside(order, edges([boxes[key] for key in order]))


def lies_beside(order: Sequence[int], sides: NDArray[np.int64], areas: Areas = NO_AREAS) -> list[Beside]:
    """The same of things (the base first, then from the lowest up) by their keys and ``edges`` (2, 2, n).

    ``areas`` are as in ``showing``; with any, edges are looked at every millimetre.
    """
    if areas:
        return _along_outlines(order, sides, areas)
    shares: list[dict[int, int]] = [{} for _ in order]
    for along, across in ((_Stretches(*sides[0]), sides[1]), (_Stretches(*sides[1]), sides[0])):
        for far in (False, True):
            for at, found in enumerate(_along(along, across, far), start=1):
                for length, under in found:
                    shares[at][under] = shares[at].get(under, 0) + length
    return [
        Beside(key, order[under], length / sum(found.values()))
        for key, found in zip(order[1:], shares[1:], strict=True)
        for under, length in sorted(found.items(), key=lambda one: -one[1])
    ]


def _along_outlines(order: Sequence[int], sides: NDArray[np.int64], areas: Areas) -> list[Beside]:
    found = []
    low, high = sides[:, 0], sides[:, 1]  # (2, n)
    for at, area in enumerate(as_areas(sides, areas)[1:], start=1):
        own = slice(at, at + 1)
        near = np.flatnonzero(((low <= high[:, own] + _NEAR) & (high >= low[:, own] - _NEAR)).all(axis=0))
        there = sides[:, :, near]
        shaped = tuple((place, areas[one]) for place, one in enumerate(near.tolist()) if one in areas)
        shares = _along_outline(area, int(np.searchsorted(near, at)), there.tobytes(), shaped)
        found += [Beside(order[at], order[near[one]], share) for one, share in shares]
    return found


@lru_cache(maxsize=1024)  # of the pieces of a card most lie as they did before a change
def _along_outline(
    area: shapely.Polygon, own: int, edges: bytes, shaped: tuple[tuple[int, shapely.Polygon], ...]
) -> list[tuple[int, float]]:
    """What shows beside the area at the place ``own`` among those near it, by its place, the most first.

    ``edges`` are those of all of them, (2, 2, n) of 8-byte numbers, ``shaped`` what is no box, by its place.
    """
    sides, areas = np.frombuffer(edges, dtype=np.int64).reshape(2, 2, -1), dict(shaped)
    inner, outer = rings(area)
    covered = topmost(sides, inner[:, 0], inner[:, 1], areas=areas) > own
    beside = topmost(sides, outer[:, 0], outer[:, 1], areas=areas)
    shows = beside[(beside >= 0) & (beside != own) & ~covered]
    under, counts = np.unique(shows, return_counts=True)
    by_count = sorted(zip(under.tolist(), counts.tolist(), strict=True), key=lambda one: -one[1])
    return [(one, count / len(shows)) for one, count in by_count]


@lru_cache(maxsize=512)
def rings(area: shapely.Polygon) -> tuple[Floats, Floats]:
    """Points (k, 2) just inside and just outside the edge of an area, a millimetre apart."""
    inside, outside = [], []
    for ring in (area.exterior, *area.interiors):
        way = np.linspace(0, ring.length, max(round(ring.length / _STEP), _LEAST), endpoint=False)
        on, ahead = (
            shapely.get_coordinates(shapely.line_interpolate_point(ring, way + by)) for by in (0.0, _OFF / 10)
        )
        along = ahead - on
        across = np.stack([-along[:, 1], along[:, 0]], axis=1)
        across *= _OFF / np.maximum(np.linalg.norm(across, axis=1), 1e-12)[:, None]
        holds = shapely.contains_xy(area, *(on + across).T)[:, None]
        inside.append(np.where(holds, on + across, on - across))
        outside.append(np.where(holds, on - across, on + across))
    return np.concatenate(inside), np.concatenate(outside)


class _Stretches:
    """Along one axis the stretches between all the ends of n boxes, and which boxes reach over each."""

    def __init__(self, low: NDArray[np.int64], high: NDArray[np.int64]) -> None:
        self.ends = np.unique(np.concatenate([low, high]))
        self.lengths = np.diff(self.ends)
        middles = (self.ends[:-1] + self.ends[1:]) // 2
        self.over = (low[:, None] < middles) & (middles < high[:, None])
        self.first, self.last = np.searchsorted(self.ends, low), np.searchsorted(self.ends, high)


def _along(along: _Stretches, across: NDArray[np.int64], far: bool) -> Iterator[Iterable[tuple[int, int]]]:
    """For every piece but the base the stretches of a side that show, with the place of what lies outside.

    ``along`` is the axis that the side runs along, ``across`` (2, n) where the
    boxes begin and end on the other; ``far`` is the right or the lower side.
    """
    near, end = across
    line = (end if far else near)[:, None]
    # Just to the one side of each line, and just to the other: (line, box).
    before, behind = (near < line) & (line <= end), (near <= line) & (line < end)
    inside, outside = (before, behind) if far else (behind, before)
    for at in range(1, len(near)):
        here = slice(along.first[at], along.last[at])
        over = along.over[:, here]
        covered = (over[at + 1 :] & inside[at, at + 1 :, None]).any(axis=0)
        there = over & outside[at, :, None]
        shows = there.any(axis=0) & ~covered
        top = len(there) - 1 - there[::-1].argmax(axis=0)
        yield zip(along.lengths[here][shows].tolist(), top[shows].tolist(), strict=True)
