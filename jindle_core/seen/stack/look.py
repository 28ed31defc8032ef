"""Which colour is seen at any place of a card that is built of pieces?"""

from dataclasses import dataclass
from functools import cached_property, partial

import numpy as np
import shapely

from jindle_core.layers.pieces import BASE, Kind, Piece
from jindle_core.layers.showing import topmost
from jindle_core.layers.sizing import around, edges, in_order
from jindle_core.prediction.vellum import under_vellum
from jindle_core.seen.colouring import Coloured
from jindle_core.seen.desk import Part
from jindle_core.seen.pictures import Pictured
from jindle_core.seen.stack.materials import Materials
from jindle_core.seen.stamped import stamped_on

_UNSEEN = -2  # a place in the stack that is not known yet; −1 is beside everything


@dataclass(frozen=True)
class Face:
    """The pieces of the front or of the inside from the lowest up, those that are only ink left out.

    ``keys`` begins with the base's, ``sides`` are their edges, ``areas`` the
    polygons of those that are no plain boxes, by their places in the stack;
    ``parts`` are how the pieces are drawn, by key, and ``ink`` how many of the
    stack are drawn before each that is only ink.
    """

    pieces: tuple[Piece, ...]
    keys: tuple[int, ...]
    sides: np.ndarray
    areas: dict[int, shapely.Polygon]
    labs: np.ndarray
    parts: dict[int, Part]
    ink: dict[int, int]

    def place(self, key: int) -> int:
        """The place of a piece in the stack; of what is only ink, that of what is drawn next over it."""
        return self.ink[key] if key in self.ink else self.keys.index(key)


@dataclass(frozen=True)
class Look:
    """A card's faces as one looks at them, from above."""

    of: Materials

    @cached_property
    def faces(self) -> tuple[Face, Face]:
        """The front and the inside as stacks."""
        where = self.of.where
        front, inside = (self._face(*each) for each in zip(where.build.faces, where.parts, strict=True))
        return front, inside

    def _face(self, pieces: tuple[Piece, ...], parts: list[Part]) -> Face:
        keys, ink = [BASE], {}
        for piece in in_order(pieces):
            if piece.kind is Kind.LETTERING:
                ink[piece.key] = len(keys)
            else:
                keys.append(piece.key)
        where = self.of.where
        labs = np.array([self.of.lab(key) for key in keys])
        areas = {at: where.outlines[key].lies for at, key in enumerate(keys) if key in where.outlines}
        boxes = [around(areas[at].bounds) if at in areas else where.boxes[key] for at, key in enumerate(keys)]
        by_piece = {part.piece: part for part in parts}
        return Face(pieces, tuple(keys), edges(boxes), areas, labs, by_piece, ink)

    def face_of(self, key: int) -> Face:
        """The face that a piece lies on."""
        return self.faces[0] if self.of.where.piece(key) in self.of.where.build.pieces else self.faces[1]

    @cached_property
    def pictured(self) -> Pictured:
        """The card's pictures."""
        return Pictured(self.of.palette, self.of.coloured, self.stamped)

    @cached_property
    def _stamped(self) -> dict[int, Coloured]:
        return {}  # one at a time, from the lowest up: what is stamped may lie over what is

    def stamped(self, key: int) -> Coloured:
        """The picture of a piece that is stamped straight on what it lies on, as it is seen there."""
        if key not in self._stamped:
            face, coloured = self.face_of(key), self.of.shows(key)
            self._stamped[key] = stamped_on(coloured, face.parts[key], partial(self._under, face, key))
        return self._stamped[key]

    def _under(self, face: Face, key: int, x: np.ndarray, y: np.ndarray) -> np.ndarray:
        """CIELAB (k, 3) under a piece at points (k,) where they would lie if it were not turned."""
        x, y = self.of.where.as_turned(key, x, y)
        return self.seen_at(face, x, y, np.full(len(x), face.place(key)))[0]

    @cached_property
    def drawn(self) -> dict[int, Coloured]:
        """The pictures by the keys that parts name them by: those stamped straight on something too."""
        every = self.of.where.build.every
        pieces = [piece for piece in every if piece.kind is Kind.IMAGE and piece.stamped]
        return {one.picture.key: one for one in self.of.coloured} | {
            -piece.key: self.stamped(piece.key) for piece in pieces
        }

    def drawn_on(self, *faces: Face) -> tuple[Coloured, ...]:
        """The pictures whose drawings are on some faces, each once."""
        return self.pictured.shown(part for face in faces for part in face.parts.values())

    def seen_at(
        self, face: Face, x: np.ndarray, y: np.ndarray, below: np.ndarray
    ) -> tuple[np.ndarray, np.ndarray]:
        """For points (k,) in mm the CIELAB (k, 3) and the place in the stack of what shows there.

        Only what lies before the place ``below`` (k,) in the stack is looked at.
        """
        labs, places = np.zeros((len(x), 3)), np.full(len(x), _UNSEEN)
        looked, below, veiled = np.arange(len(x)), below.copy(), list[np.ndarray]()
        # From the uppermost down, and on below what one sees through, all such points together.
        while len(looked):
            tops, through = topmost(face.sides, x[looked], y[looked], below[looked], face.areas), []
            below[looked] = tops
            for at in np.unique(tops):
                here = looked[tops == at]
                colours, ends = self._shown_by(face, int(at), x[here], y[here])
                labs[here], past = colours, here[~ends]
                through.append(past)
                veil = at >= 0 and self._is_vellum(face.keys[at])
                veiled += [past] if veil else []
                placed = here if veil else here[ends]
                places[placed] = np.where(places[placed] == _UNSEEN, at, places[placed])
            looked = np.concatenate(through)
        for here in reversed(veiled):
            labs[here] = under_vellum(labs[here])
        return labs, places

    def _is_vellum(self, key: int) -> bool:
        return key != BASE and self.of.where.piece(key).kind is Kind.VELLUM

    def _shown_by(self, face: Face, at: int, x: np.ndarray, y: np.ndarray) -> tuple[np.ndarray, np.ndarray]:
        """For points (k,) on one thing of the stack CIELAB (k, 3), and whether one sees no further (k,)."""
        of, key, whole = self.of, face.keys[max(at, 0)], np.ones(len(x), dtype=bool)
        if at < 0 or not of.varies(key):
            return np.broadcast_to(face.labs[max(at, 0)], (len(x), 3)), whole
        if key == of.where.carrier:
            box = of.where.boxes[key]
            x, y = of.where.as_laid(key, x, y)
            across, down = (x - float(box.x)) / float(box.width), (y - float(box.y)) / float(box.height)
            return of.grounded.seen_at(across, down), whole
        if of.sheet(key) is not None:
            return of.pattern_at(key, x, y), whole
        if self._is_vellum(key):
            return np.zeros((len(x), 3)), ~whole
        covered, labs = self.pictured.at(face.parts[key], *of.where.as_laid(key, x, y))
        return labs, covered
