"""What of a card that is built of pieces shows, and what do other pieces cover?"""

from collections.abc import Iterator
from dataclasses import dataclass
from functools import cached_property, lru_cache
from typing import Any

import numpy as np
import shapely

from jindle_core import figures
from jindle_core.layers.outlines import as_polygon
from jindle_core.layers.pieces import BASE, Kind, Piece
from jindle_core.layers.showing import shown_of
from jindle_core.layers.sizing import in_order
from jindle_core.line_art.drawing import LineDrawing
from jindle_core.line_art.outline import silhouette, visible_shapes
from jindle_core.seen.desk import Part
from jindle_core.seen.stack.whole import Stack
from jindle_core.seen.stamped import on_part

_DISC = shapely.Point(0, 0).buffer(0.5, quad_segs=12)
_THROUGH = (Kind.VELLUM, Kind.CUT_WORDS)  # what one sees through, or between
_OVERLAP = 0.01  # mm²: less than that is rounding
_WHOLE = 1 - 1e-6


@dataclass(frozen=True, slots=True)
class AreaShows:
    """How much (0 to 1) of an area of a picture shows where a piece, by its key, shows it.

    ``lies`` is where that is in mm, None where all of it shows.
    """

    shows: float
    piece: int
    lies: shapely.Polygon | None = None


@dataclass(frozen=True)
class Covered:
    """What shows of the pieces of a card; pictures and finishing pieces by their own outlines.

    What one sees through covers nothing, nor does what is only ink; what hangs over the card's
    edge does not show.
    """

    stack: Stack

    @cached_property
    def bodies(self) -> dict[int, shapely.Polygon]:
        """By key the area of what can be covered or cover, in mm; the base is each face's first."""
        found = {BASE: as_polygon(self.stack.where.boxes[BASE])}
        for piece in self.stack.where.build.every:
            if not piece.is_ink and piece.kind not in _THROUGH:
                found[piece.key] = self._body(piece)
        return found

    def _body(self, piece: Piece) -> shapely.Polygon:
        stack = self.stack
        if piece.kind not in (Kind.IMAGE, Kind.FINISH):
            box = as_polygon(stack.where.boxes[piece.key])
            return stack.where.outlines[piece.key].lies if piece.key in stack.where.outlines else box
        part = stack.look.face_of(piece.key).parts[piece.key]
        drawing = self._drawn(part)
        if drawing is None:
            body = _disc(part.x, part.y, part.width, part.height)
        else:
            body = _placed(silhouette(drawing), drawing, part).buffer(part.rim)
        turn = stack.where.turn(piece.key)
        return body if turn is None else shapely.transform(body, turn.placed)

    def _drawn(self, part: Part) -> LineDrawing | None:
        return self.stack.look.drawn[part.picture].drawing if part.shape == "drawing" else None

    @cached_property
    def _orders(self) -> list[list[int]]:
        """Of each face the keys of its bodies, from the base up."""
        return [
            [BASE, *(piece.key for piece in in_order(face) if piece.key in self.bodies)]
            for face in self.stack.where.build.faces
        ]

    @cached_property
    def areas(self) -> tuple[dict[int, float], dict[int, float]]:
        """Of the front and the inside, by key, how many mm² show; together they are the whole face."""
        front, inside = (
            dict(zip(order, shown_of([self.bodies[key] for key in order]).tolist(), strict=True))
            for order in self._orders
        )
        return front, inside

    @cached_property
    def pieces(self) -> dict[int, float]:
        """By key how much of each piece shows (0 to 1); not of what is only ink, or is seen through."""
        return {
            key: min(shows / self.bodies[key].area, 1.0)
            for face in self.areas
            for key, shows in face.items()
            if key != BASE and self.bodies[key].area
        }

    @cached_property
    def _above(self) -> dict[int, list[int]]:
        """By key of every piece those of what can cover and is laid after it, also of what is only ink."""
        found = {}
        for face in self.stack.where.build.faces:
            above: list[int] = []
            for piece in reversed(in_order(face)):
                found[piece.key] = above[::-1]
                if piece.key in self.bodies:
                    above.append(piece.key)
        return found

    def over(self, key: int, area: shapely.Polygon | None = None) -> list[int]:
        """The keys of what covers a piece, or an area of it, the most first."""
        area = self.bodies[key] if area is None else area
        above = np.array(self._above[key], dtype=np.intp)
        bodies = np.array([self.bodies[one] for one in above], dtype=object)
        near = shapely.intersects(area, bodies)
        above, bodies = above[near], bodies[near]
        shared = shapely.area(shapely.intersection(area, bodies))
        found, left = [], area
        for at in sorted(np.flatnonzero(shared > _OVERLAP).tolist(), key=lambda at: -shared[at]):
            if left.intersection(bodies[at]).area > _OVERLAP:
                found.append(int(above[at]))
                left = left.difference(bodies[at])
        return found

    @property
    def ground(self) -> float | None:
        """How much of the ground shows (0 to 1); None where none is laid on a piece."""
        carrier = self.stack.where.carrier
        if carrier is None:
            return None
        if carrier == BASE:
            return self.areas[0][BASE] / float(self.bodies[BASE].area)
        return self.pieces.get(carrier)

    @cached_property
    def of_pictures(self) -> dict[int, AreaShows]:
        """By key of an area, for those that some piece shows, the one that shows the most of it."""
        found: dict[int, AreaShows] = {}
        for piece in self.stack.where.build.every:
            if piece.kind is Kind.IMAGE:
                for area, shown in self._of_picture(piece):
                    if area not in found or found[area].shows < shown.shows:
                        found[area] = shown
        return found

    def _of_picture(self, piece: Piece) -> Iterator[tuple[int, AreaShows]]:
        coloured, base = self.stack.of.shows(piece.key), self.bodies[BASE]
        drawing = coloured.drawing
        keys = {area.shape: area.key for area in coloured.areas if area.shape}
        if drawing is None or not keys:
            return
        if self.pieces.get(piece.key, 0.0) > _WHOLE:
            yield from ((key, AreaShows(1.0, piece.key)) for key in keys.values())
            return
        part, turn = self.stack.look.face_of(piece.key).parts[piece.key], self.stack.where.turn(piece.key)
        lie = _placed(np.array(visible_shapes(drawing)), drawing, part)
        lie = lie if turn is None else shapely.transform(lie, turn.placed)
        above = self._above[piece.key]
        whole = shapely.box(*shapely.total_bounds(lie))
        near = tuple(self.bodies[key] for key in above if self.bodies[key].intersects(whole))
        free = shapely.difference(shapely.intersection(lie, base), _together(near))
        sizes, shown = shapely.area(lie), shapely.area(free)
        for shape, area, size, shows in zip(drawing.shapes, lie, sizes, shown, strict=True):
            if shape.id in keys and size:
                yield keys[shape.id], AreaShows(float(shows / size), piece.key, area)

    @cached_property
    def needless(self) -> frozenset[int]:
        """The keys of areas that are covered so far that nobody need colour them."""
        most = figures.building.COVERED
        return frozenset(key for key, one in self.of_pictures.items() if 1 - one.shows >= most)


@lru_cache(maxsize=256)  # over most pictures lies what lay there before a change
def _together(areas: tuple[shapely.Polygon, ...]) -> shapely.Geometry:
    return shapely.union_all(areas)


def _disc(x: float, y: float, width: float, height: float) -> shapely.Polygon:
    return shapely.transform(_DISC, lambda points: (points + 0.5) * [width, height] + [x, y])


def _placed(areas: Any, drawing: LineDrawing, part: Part) -> Any:
    """An area of a drawing, or an array of them, where a part shows it, before anything is turned."""
    return shapely.transform(areas, lambda points: on_part(drawing, part, points))
