"""What lies where on a card that is built of pieces, and in which colour is it seen?"""

from collections.abc import Iterator
from dataclasses import dataclass, replace
from functools import cached_property, partial

import numpy as np
import shapely

from jindle_core import figures
from jindle_core.blending.inks import seen_on
from jindle_core.card.build import Build
from jindle_core.card.changes.arranging import ArrangeChange
from jindle_core.card.changes.build import BuildChange
from jindle_core.card.changes.every import Several
from jindle_core.colorimetry.recovery import lab_to_reflectance
from jindle_core.colorimetry.views import Shades
from jindle_core.layers.letters import extent
from jindle_core.layers.making import MadeOn, Making
from jindle_core.layers.outlines import Outline, Turn, as_polygon, outlines
from jindle_core.layers.pieces import BASE, RIBBON_END, VELLUM_END, WHITE_END, Kind, Piece
from jindle_core.layers.showing import as_areas, topmost
from jindle_core.layers.sizing import Box, around, cut_size, edges, in_order, laid_out
from jindle_core.layers.stacking import Height, heights
from jindle_core.lengths import Size
from jindle_core.limits import negligible
from jindle_core.material import End
from jindle_core.media.medium import Medium
from jindle_core.patterned.sheet import Sheet
from jindle_core.prediction.near import Way
from jindle_core.prediction.vellum import under_vellum, veil
from jindle_core.seen.colouring import Coloured
from jindle_core.seen.desk import Drawings, Part, built_desk
from jindle_core.seen.ground import Grounded
from jindle_core.seen.palette import EndSeen, SeenPalette, value_shades
from jindle_core.seen.pictures import Pictured
from jindle_core.seen.stamped import stamped_on

_VEIL, VEIL_OPACITY = veil()
# What does not show the same all over: what lies beside it is looked at place by place.
_SHOWN = (Kind.IMAGE, Kind.FINISH)


def _no_paper(piece: Piece) -> End:
    """What a piece is cut out of; vellum is a stock of its own, and so is ribbon of no colour."""
    if piece.kind is Kind.VELLUM:
        return VELLUM_END
    return RIBBON_END if (piece.kind, piece.material) == (Kind.RIBBON, WHITE_END) else piece.material


def _grid(across: int, down: int) -> tuple[np.ndarray, np.ndarray]:
    x, y = np.meshgrid(np.linspace(0.05, 0.95, across), np.linspace(0.1, 0.9, down))
    return x.ravel(), y.ravel()


_UNSEEN = -2  # a place in the stack that is not known yet; −1 is beside everything

# Where one looks under words; more closely where there is a pattern.
_LOOKED, _CLOSELY = _grid(8, 4), _grid(28, 8)


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
class Stack:
    """The pieces of a card with their places and colours, and the pictures that they show."""

    palette: SeenPalette
    coloured: tuple[Coloured, ...]

    @property
    def build(self) -> Build:
        """How it is planned to be built."""
        return self.palette.card.build

    @property
    def unit(self) -> str:
        """The card's own unit, in which everything is cut."""
        return self.palette.unit

    def after(self, change: BuildChange | ArrangeChange | Several) -> "Stack":
        """The same card after a change."""
        palette = replace(self.palette, card=change.apply(self.palette.card))
        return Stack(palette, tuple(replace(one, palette=palette) for one in self.coloured))

    @cached_property
    def boxes(self) -> dict[int, Box]:
        """By key where everything lies, on its own face."""
        front, inside = (laid_out(self.palette.card.size, face) for face in self.build.faces)
        return front | inside

    @cached_property
    def outlines(self) -> dict[int, Outline]:
        """By key the outlines of what is no plain box."""
        front, inside = (outlines(self.palette.card.size, face) for face in self.build.faces)
        return {**front, **inside}

    def as_laid(self, key: int, x: np.ndarray, y: np.ndarray) -> tuple[np.ndarray, np.ndarray]:
        """Where points (k,) on a piece would lie if nothing were turned."""
        turn = self.turn(key)
        across, down = (x, y) if turn is None else turn.laid_straight(np.stack([x, y], axis=1)).T
        return across, down

    def as_turned(self, key: int, x: np.ndarray, y: np.ndarray) -> tuple[np.ndarray, np.ndarray]:
        """Where points (k,) of a piece that is laid straight come to lie."""
        turn = self.turn(key)
        across, down = (x, y) if turn is None else turn.placed(np.stack([x, y], axis=1)).T
        return across, down

    def turn(self, key: int) -> Turn | None:
        """How a piece is turned, by itself or by what it lies on; None where it lies straight."""
        return self.outlines[key].turn if key in self.outlines else None

    @cached_property
    def stacks(self) -> tuple[dict[int, Height], dict[int, Height]]:
        """How high everything stands on the front, and inside."""
        front, inside = (heights(self.boxes, face, self.outlines) for face in self.build.faces)
        return front, inside

    @cached_property
    def heights(self) -> dict[int, Height]:
        """The same of both faces together."""
        return self.stacks[0] | self.stacks[1]

    @cached_property
    def parts(self) -> tuple[list[Part], list[Part]]:
        """The front and the inside as they are drawn."""
        front, inside = (
            built_desk(
                *(self.palette.card, face, self.drawings, self.boxes, stands, self.outlines),
                self.palette.sheets,
            )
            for face, stands in zip(self.build.faces, self.stacks, strict=True)
        )
        return front, inside

    @cached_property
    def drawings(self) -> Drawings:
        """The sizes of the pictures' drawings, by the pictures' keys."""
        return {
            one.picture.key: (one.drawing.width, one.drawing.height) for one in self.coloured if one.drawing
        }

    @cached_property
    def grounded(self) -> Grounded:
        """The card's ground."""
        return Grounded(self.palette)

    @cached_property
    def pictured(self) -> Pictured:
        """The card's pictures."""
        return Pictured(self.palette, self.coloured, self.stamped)

    @cached_property
    def _stamped(self) -> dict[int, Coloured]:
        return {}  # one at a time, from the lowest up: what is stamped may lie over what is

    def stamped(self, key: int) -> Coloured:
        """The picture of a piece that is stamped straight on what it lies on, as it is seen there."""
        if key not in self._stamped:
            face, coloured = self.face_of(key), self.shows(key)
            self._stamped[key] = stamped_on(coloured, face.parts[key], partial(self._under, face, key))
        return self._stamped[key]

    def _under(self, face: Face, key: int, x: np.ndarray, y: np.ndarray) -> np.ndarray:
        """CIELAB (k, 3) under a piece at points (k,) where they would lie if it were not turned."""
        x, y = self.as_turned(key, x, y)
        return self.seen_at(face, x, y, np.full(len(x), face.place(key)))[0]

    @cached_property
    def drawn(self) -> dict[int, Coloured]:
        """The pictures by the keys that parts name them by: those stamped straight on something too."""
        pieces = [piece for piece in self.build.every if piece.kind is Kind.IMAGE and piece.stamped]
        return {one.picture.key: one for one in self.coloured} | {
            -piece.key: self.stamped(piece.key) for piece in pieces
        }

    @cached_property
    def carrier(self) -> int | None:
        """The key of what carries the ground; None where none is laid."""
        return self.build.carrier if self.palette.card.ground.laid else None

    # --- What things are of.

    @cached_property
    def _by_key(self) -> dict[int, Piece]:
        return {piece.key: piece for piece in self.build.every}

    def piece(self, key: int) -> Piece:
        """The piece with a key; BadInput where there is none."""
        return self._by_key.get(key) or self.build.piece(key)

    def name(self, key: int) -> str:
        """What a piece, or the base, is called."""
        return "the card" if key == BASE else self.piece(key).name

    def sheet(self, key: int) -> Sheet | None:
        """The patterned paper that a piece is cut out of; what carries the ground shows none."""
        return None if key in (BASE, self.carrier) else self.palette.sheet(self.piece(key).material)

    def pattern_at(self, key: int, x: np.ndarray, y: np.ndarray) -> np.ndarray:
        """CIELAB (k, 3) of a piece that is cut out of a sheet, at points (k,) in mm."""
        sheet, piece, box = self.sheet(key), self.piece(key), self.boxes[key]
        if sheet is None:
            raise ValueError(f"{piece.name} is of no sheet")
        points = np.stack(self.as_laid(key, x, y), axis=1) - [float(box.x), float(box.y)]
        laid = piece.pattern
        start = float(laid.right.millimetres), float(laid.below.millimetres)
        found = sheet.at(points, start, laid.turn, laid.repeated)
        labs = np.array([*self.palette.sheet_labs(sheet), figures.laying.PAPER_WHITE_LAB])
        return np.asarray(labs[found])  # PAST it is the last

    def material(self, key: int) -> End:
        """What a piece, or the base, is said to be of."""
        return self.build.base if key == BASE else self.piece(key).material

    def stock(self, key: int) -> End:
        """What it is cut out of: under a coloured picture and under a ground it is their paper."""
        card = self.palette.card
        shown = None if key == BASE or self.piece(key).kind is not Kind.IMAGE else self.shows(key).picture
        if key == self.carrier and key != BASE:
            paper = card.ground.paper
        elif shown and shown.drawing is not None:
            paper = shown.paper
        else:
            return _no_paper(self.piece(key)) if key != BASE else self.material(key)
        return WHITE_END if paper is None else End("supply", paper)

    def shows(self, key: int) -> Coloured:
        """The picture that a piece of kind image shows."""
        card = self.palette.card
        return self.coloured[card.pictures.index(card.picture(self.piece(key).picture))]

    @cached_property
    def _inked(self) -> dict[int, np.ndarray]:
        """By key the CIELAB (3,) of pieces that are inked by oneself, as predicted."""
        found = {}
        for piece in self.build.every:
            inked = piece.inked
            place = self.palette.supplies.places.get(inked.colour) if inked else None
            if inked and place is not None:
                card = self._reflectance(piece.material)
                ink = self.grounded.inks_at([place], [(inked.hand, inked.coats)])
                found[piece.key] = seen_on(ink, card)[0]
        return found

    def inked_sigma(self, key: int) -> float | None:
        """One sigma (ΔE00) of a piece that is inked by oneself; None for another."""
        piece = self.piece(key)
        place = self.palette.supplies.places.get(piece.inked.colour) if piece.inked else None
        if piece.inked is None or place is None:
            return None
        way = Way(piece.inked.coats, piece.inked.hand, self._reflectance(piece.material))
        return self.palette.supplies.predicted.sigma(place, way)

    def _reflectance(self, end: End) -> np.ndarray:
        if end.source == "palette":
            return lab_to_reflectance(self.palette.end_lab(end))
        return self.grounded.card_of(end.id if end.source == "supply" else None)

    @cached_property
    def made(self) -> dict[Piece, MadeOn]:
        """The words of which it is said how they are made, with what and on what that is done."""
        found = {}
        for face in self.faces:
            for piece in face.pieces:
                if piece.kind is Kind.LETTERING and piece.made is not None:
                    found[piece] = MadeOn(piece.made, self._medium(piece), *self._made_on(face, piece))
        return found

    def _medium(self, piece: Piece) -> Medium | None:
        """The medium of the supply that a piece is of; None where it is of none."""
        supplies, end = self.palette.supplies, piece.material
        place = supplies.places.get(end.id) if end.source == "supply" else None
        return None if place is None else supplies.ranges[int(supplies.range_ids[place])].medium

    def _made_on(self, face: Face, piece: Piece) -> tuple[bool, bool]:
        """Whether words lie on vellum, and whether on ink that may be damp."""
        _, _, places = self.under_words(face, piece)
        keys = {face.keys[at] for at in np.unique(places) if at > 0}
        vellum = any(self.piece(key).kind is Kind.VELLUM for key in keys)
        inked = {piece.key for piece in self.build.every if piece.inked}
        return vellum, bool(keys & (inked | {self.carrier}))

    def under_words(self, face: Face, piece: Piece) -> tuple[np.ndarray, np.ndarray, np.ndarray]:
        """Points (2, k) on words, CIELAB (k, 3) of what is under them there, and its place in the stack.

        Evenly all over them; and one at least on whatever lies under a hundredth of them, found by outlines.
        """
        box, place = extent(self.boxes[piece.key], piece.text, piece.bold), face.place(piece.key)
        across, down = _CLOSELY if any(map(self.sheet, face.keys)) else _LOOKED
        x = float(box.x) + across * float(box.width)
        y = float(box.y) + down * float(box.height)
        x, y = self.as_turned(piece.key, x, y)
        letters = shapely.transform(
            as_polygon(box), lambda points: np.stack(self.as_turned(piece.key, *points.T), 1)
        )
        slivers = np.array(list(self._lying_under(face, place, letters))).reshape(-1, 2).T
        x, y = np.concatenate([np.stack([x, y]), slivers], axis=1)
        under, places = self.seen_at(face, x, y, np.full(len(x), place))
        return np.stack([x, y]), under, places

    def _lying_under(self, face: Face, place: int, letters: shapely.Polygon) -> Iterator[tuple[float, float]]:
        """A point on each of the things that show under words, below a place in the stack."""
        left = letters
        for at, area in reversed(list(enumerate(as_areas(face.sides, face.areas)[:place]))):
            part = left.intersection(area)
            if negligible(part.area, letters.area):
                continue
            point = part.representative_point()
            yield point.x, point.y
            if not self.varies(face.keys[at]):
                left = left.difference(area)

    @cached_property
    def _written(self) -> dict[int, np.ndarray]:
        """By key the CIELAB (3,) of words by how they are made: what lets through, on what is under it."""
        found = {}
        supplies = self.palette.supplies
        for face in self.faces:
            for piece in face.pieces:
                if piece.kind is not Kind.LETTERING or piece.made is None:
                    continue
                medium = self._medium(piece)
                if piece.made is Making.WHITE:
                    found[piece.key] = np.array(figures.building.EMBOSSED_WHITE)
                elif medium is not None and medium.traits.covering is not None:
                    _, under, _ = self.under_words(face, piece)
                    place = np.array([supplies.places[piece.material.id]])
                    card = lab_to_reflectance(under.mean(axis=0))
                    found[piece.key] = supplies.predicted.laid(place, Way(1, card=card))[0]
        return found

    def lab(self, key: int) -> np.ndarray:
        """The colour (3,) of a piece by itself, or of the base; of words as they are made."""
        if key in self._inked:
            return self._inked[key]
        if key != BASE and self.piece(key).kind is Kind.LETTERING and key in self._written:
            return self._written[key]
        return self.palette.end_lab(self.material(key))

    def shades(self, key: int) -> Shades:
        """The same in every view."""
        if key != BASE and (key in self._inked or self.piece(key).kind is Kind.LETTERING):
            return value_shades(tuple(map(float, self.lab(key))))
        if key != BASE and self.piece(key).kind is Kind.VELLUM:
            return value_shades(_VEIL)
        return self.palette.end_shades(self.material(key))

    def words(self, key: int) -> str:
        """What it is of, in words."""
        stock = self.palette.end_words(self.material(key))
        piece = None if key == BASE else self.piece(key)
        if piece is None or piece.inked is None:
            return stock
        return f"{stock}, inked with {self.palette.end_words(End('supply', piece.inked.colour))}"

    def seen(self, key: int) -> EndSeen:
        """What it is of, in words and in every view; what carries the ground is of the ground's card."""
        if key == self.carrier and key != BASE:
            return self.palette.seen_end(self.stock(key))
        return EndSeen(self.material(key), self.words(key), self.shades(key))

    def cut_to(self, piece: Piece) -> Size:
        """The size that a piece is cut to."""
        return cut_size(piece, self.boxes[piece.on], self.unit)

    # --- What is seen.

    @cached_property
    def faces(self) -> tuple[Face, Face]:
        """The front and the inside as stacks."""
        front, inside = (self._face(*each) for each in zip(self.build.faces, self.parts, strict=True))
        return front, inside

    def _face(self, pieces: tuple[Piece, ...], parts: list[Part]) -> Face:
        keys, ink = [BASE], {}
        for piece in in_order(pieces):
            if piece.kind is Kind.LETTERING:
                ink[piece.key] = len(keys)
            else:
                keys.append(piece.key)
        labs = np.array([self.lab(key) for key in keys])
        areas = {at: self.outlines[key].lies for at, key in enumerate(keys) if key in self.outlines}
        boxes = [around(areas[at].bounds) if at in areas else self.boxes[key] for at, key in enumerate(keys)]
        by_piece = {part.piece: part for part in parts}
        return Face(pieces, tuple(keys), edges(boxes), areas, labs, by_piece, ink)

    def face_of(self, key: int) -> Face:
        """The face that a piece lies on."""
        return self.faces[0] if self.piece(key) in self.build.pieces else self.faces[1]

    def drawn_on(self, *faces: Face) -> tuple[Coloured, ...]:
        """The pictures whose drawings are on some faces, each once."""
        return self.pictured.shown(part for face in faces for part in face.parts.values())

    def varies(self, key: int) -> bool:
        """Whether a thing is not of one colour all over."""
        kinds = (*_SHOWN, Kind.VELLUM)
        return key == self.carrier or (
            key != BASE and (self.piece(key).kind in kinds or self.sheet(key) is not None)
        )

    def takes_colour(self, key: int) -> bool:
        """Whether another material makes it another colour."""
        if key == BASE or self.piece(key).kind is not Kind.IMAGE:
            return key != self.carrier and (key == BASE or self.piece(key).kind is not Kind.VELLUM)
        return self.shows(key).drawing is None

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
                veil = at >= 0 and face.keys[at] != BASE and self.piece(face.keys[at]).kind is Kind.VELLUM
                veiled += [past] if veil else []
                placed = here if veil else here[ends]
                places[placed] = np.where(places[placed] == _UNSEEN, at, places[placed])
            looked = np.concatenate(through)
        for here in reversed(veiled):
            labs[here] = under_vellum(labs[here])
        return labs, places

    def _shown_by(self, face: Face, at: int, x: np.ndarray, y: np.ndarray) -> tuple[np.ndarray, np.ndarray]:
        """For points (k,) on one thing of the stack CIELAB (k, 3), and whether one sees no further (k,)."""
        key, whole = face.keys[max(at, 0)], np.ones(len(x), dtype=bool)
        if at < 0 or not self.varies(key):
            return np.broadcast_to(face.labs[max(at, 0)], (len(x), 3)), whole
        if key == self.carrier:
            box = self.boxes[key]
            x, y = self.as_laid(key, x, y)
            across, down = (x - float(box.x)) / float(box.width), (y - float(box.y)) / float(box.height)
            return self.grounded.seen_at(across, down), whole
        if self.sheet(key) is not None:
            return self.pattern_at(key, x, y), whole
        if self.piece(key).kind is Kind.VELLUM:
            return np.zeros((len(x), 3)), ~whole
        covered, labs = self.pictured.at(face.parts[key], *self.as_laid(key, x, y))
        return labs, covered
