"""Which colours lie under words?"""

from collections.abc import Iterator

import numpy as np
import shapely

from jindle_core.layers.letters import extent
from jindle_core.layers.outlines import as_polygon
from jindle_core.layers.pieces import Piece
from jindle_core.layers.showing import as_areas
from jindle_core.limits import negligible
from jindle_core.seen.stack.look import Face, Look


def _grid(across: int, down: int) -> tuple[np.ndarray, np.ndarray]:
    x, y = np.meshgrid(np.linspace(0.05, 0.95, across), np.linspace(0.1, 0.9, down))
    return x.ravel(), y.ravel()


# Where one looks under words; more closely where there is a pattern.
_LOOKED, _CLOSELY = _grid(8, 4), _grid(28, 8)


def under_words(look: Look, face: Face, piece: Piece) -> tuple[np.ndarray, np.ndarray, np.ndarray]:
    """Points (2, k) on words, CIELAB (k, 3) of what is under them there, and its place in the stack.

    Evenly all over them; and one at least on whatever lies under a hundredth of them, found by outlines.
    """
    where = look.of.where
    box, place = extent(where.boxes[piece.key], piece.text, piece.bold), face.place(piece.key)
    across, down = _CLOSELY if any(map(look.of.sheet, face.keys)) else _LOOKED
    x = float(box.x) + across * float(box.width)
    y = float(box.y) + down * float(box.height)
    x, y = where.as_turned(piece.key, x, y)
    letters = shapely.transform(
        as_polygon(box), lambda points: np.stack(where.as_turned(piece.key, *points.T), 1)
    )
    slivers = np.array(list(_lying_under(look, face, place, letters))).reshape(-1, 2).T
    x, y = np.concatenate([np.stack([x, y]), slivers], axis=1)
    under, places = look.seen_at(face, x, y, np.full(len(x), place))
    return np.stack([x, y]), under, places


def _lying_under(
    look: Look, face: Face, place: int, letters: shapely.Polygon
) -> Iterator[tuple[float, float]]:
    """A point on each of the things that show under words, below a place in the stack."""
    left = letters
    for at, area in reversed(list(enumerate(as_areas(face.sides, face.areas)[:place]))):
        part = left.intersection(area)
        if negligible(part.area, letters.area):
            continue
        point = part.representative_point()
        yield point.x, point.y
        if not look.of.varies(face.keys[at]):
            left = left.difference(area)
