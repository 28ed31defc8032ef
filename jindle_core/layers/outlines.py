"""Which outline has every piece where it lies: shaped, framed, turned?

A sharp rectangle that is not turned is its box, exactly, and has no outline
here. All others are polygons in mm from the card's upper left corner. What a
piece lies on carries it along when it is turned.
"""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from functools import lru_cache
from types import MappingProxyType

import numpy as np
import shapely
from numpy.typing import NDArray
from shapely.affinity import translate

from jindle_core import figures
from jindle_core.errors import BadInput, Problem
from jindle_core.layers.letters import around
from jindle_core.layers.pieces import SHAPED, Kind, Opening, Piece
from jindle_core.layers.shapes import Shape, offset, outline
from jindle_core.layers.sizing import Box, in_order, laid_out
from jindle_core.lengths import Length, Size

Points = NDArray[np.float64]
_FACES = 64
_Words = tuple[tuple[Piece, Box], ...]  # cut out, and where they lie


@dataclass(frozen=True, slots=True, eq=False)
class Turn:
    """How what was laid straight lies: turned (degrees, clockwise) about a point, then as ``after``."""

    degrees: float
    x: float
    y: float
    after: "Turn | None" = None

    def placed(self, points: Points) -> Points:
        """Points (k, 2) where they come to lie."""
        found = self._about(points, self.degrees)
        return self.after.placed(found) if self.after else found

    def laid_straight(self, points: Points) -> Points:
        """Where points (k, 2) of what is turned would lie if it were not: ``placed`` undone."""
        found = self.after.laid_straight(points) if self.after else points
        return self._about(found, -self.degrees)

    def _about(self, points: Points, degrees: float) -> Points:
        turn = np.deg2rad(degrees)
        matrix = np.array([[np.cos(turn), -np.sin(turn)], [np.sin(turn), np.cos(turn)]])
        middle = np.array([self.x, self.y])
        found: Points = (points - middle) @ matrix.T + middle
        return found

    @property
    def steps(self) -> list[tuple[float, float, float]]:
        """The turns one after the other: degrees, and the point about which."""
        return [(self.degrees, self.x, self.y), *(self.after.steps if self.after else ())]


@dataclass(frozen=True, slots=True, eq=False)
class Outline:
    """The area of a piece laid ``straight``, and as it ``lies``; ``turn`` is None where that is the same."""

    straight: shapely.Polygon
    lies: shapely.Polygon
    turn: Turn | None


NO_OUTLINES: Mapping[int, Outline] = MappingProxyType({})


def outlines(card: Size, pieces: Sequence[Piece]) -> Mapping[int, Outline]:
    """By key the outlines of those pieces of a face that are no plain boxes.

    BadInput for a piece whose opening, or what it lies on, leaves nothing of it.
    """
    return _outlines(card, tuple(pieces))


@lru_cache(maxsize=_FACES)
def _outlines(card: Size, pieces: tuple[Piece, ...]) -> Mapping[int, Outline]:
    boxes = laid_out(card, pieces)
    words: dict[int, _Words] = {}
    for piece in pieces:
        if piece.kind is Kind.CUT_WORDS:
            words[piece.on] = (*words.get(piece.on, ()), (piece, boxes[piece.key]))
    found: dict[int, Outline] = {}
    for piece in in_order(pieces):
        under, box = found.get(piece.on), boxes[piece.key]
        if (made := _outline(piece, box, boxes[piece.on], under, words.get(piece.key, ()))) is not None:
            found[piece.key] = made
    return found


@lru_cache(maxsize=1024)  # of the pieces of a card most lie as they did before a change
def _outline(
    piece: Piece, box: Box, under_box: Box, under: Outline | None, words: _Words = ()
) -> Outline | None:
    straight = _letters(box, words) if piece.shape is Shape.LETTERS else None
    straight = straight or _straight(piece, box, under_box, under)
    turn = under.turn if under else None
    if piece.turn:
        turn = Turn(piece.turn, float(box.x + box.width / 2), float(box.y + box.height / 2), turn)
    if straight is None and turn is None:
        return None
    area = as_polygon(box) if straight is None else straight
    lies = area if turn is None else shapely.transform(area, turn.placed)
    shapely.prepare(lies)  # many points will be asked for
    return Outline(area, lies, turn)


@lru_cache(maxsize=1024)
def as_polygon(box: Box) -> shapely.Polygon:
    """A box as an area."""
    return shapely.box(float(box.x), float(box.y), float(box.right), float(box.bottom))


@lru_cache(maxsize=1024)
def as_path(area: shapely.Geometry) -> str:
    """An area as SVG writes it, to a hundredth of a millimetre; holes are rings within."""
    parts = shapely.get_parts(area)
    rings = [shapely.get_coordinates(ring) for part in parts for ring in (part.exterior, *part.interiors)]
    return "".join("M" + " ".join(f"{x:.2f} {y:.2f}" for x, y in ring[:-1]) + "Z" for ring in rings)


def _letters(box: Box, words: _Words) -> shapely.Polygon | None:
    """What follows the cut-out words that lie on it, as wide around them as its box is around theirs."""
    told = [(one, lies) for one, lies in words if not one.is_wanting_words]
    sides = [
        min(lies.x - box.x, box.right - lies.right, lies.y - box.y, box.bottom - lies.bottom)
        for _, lies in told
    ]
    margin = max(float(min(sides, default=0)), figures.building.WORDS_MARGIN)
    return around(tuple((lies, one.text, one.bold) for one, lies in told), margin)


def _straight(piece: Piece, box: Box, under_box: Box, under: Outline | None) -> shapely.Polygon | None:
    """The area of a piece before anything is turned; None where it is its box."""
    if piece.kind not in SHAPED:
        return None
    area = None
    if piece.own:
        corner, size = np.array([box.x, box.y], float), np.array([box.width, box.height], float)
        area = shapely.Polygon(np.array(piece.own) * size + corner)
    elif piece.shape not in (None, Shape.RECTANGLE, Shape.LETTERS):
        made = outline(piece.shape, float(box.width), float(box.height), piece.sides)
        area = translate(made, float(box.x), float(box.y))
    elif piece.reveal is not None and under is not None and piece.shape is None:
        area = _framed(piece, piece.reveal, under)
        across = box.x - under_box.x + (box.width - under_box.width) / 2
        down = box.y - under_box.y + (box.height - under_box.height) / 2
        area = translate(area, float(across), float(down))
    return area if piece.opening is None else _opened(piece, piece.opening, area or as_polygon(box))


def _framed(piece: Piece, reveal: Length, under: Outline) -> shapely.Polygon:
    """What an even frame leaves of what a piece lies on."""
    left = offset(under.straight, float(reveal.millimetres))
    if left.is_empty:
        words = f"A reveal of {reveal.text()} {reveal.unit} leaves nothing of {piece.name}."
        raise BadInput(Problem(words, field="reveal", value=reveal.text()))
    return left


def _opened(piece: Piece, opening: Opening, area: shapely.Polygon) -> shapely.Polygon:
    """A frame: the area with an opening that leaves a rim."""
    rim = float(opening.rim.millimetres)
    inner: shapely.Geometry = offset(area, rim)
    if not inner.is_empty and opening.shape is not None:
        left, top, right, bottom = inner.bounds
        hole = outline(opening.shape, right - left, bottom - top)
        inner = translate(hole, left, top).intersection(inner)
    if inner.is_empty or inner.geom_type != "Polygon":
        words = (
            f"The opening of {piece.name} is larger than it: its rim is less than half of its narrower side."
        )
        raise BadInput(Problem(words, field="rim", value=opening.rim.text()))
    return area.difference(shapely.Polygon(inner.exterior))
