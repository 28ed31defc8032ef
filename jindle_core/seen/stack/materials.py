"""What are the pieces of a card of, each by itself?"""

from dataclasses import dataclass
from functools import cached_property

import numpy as np

from jindle_core import figures
from jindle_core.blending.inks import seen_on
from jindle_core.colorimetry.recovery import lab_to_reflectance
from jindle_core.layers.pieces import BASE, RIBBON_END, VELLUM_END, WHITE_END, Kind, Piece
from jindle_core.material import End
from jindle_core.media.medium import Medium
from jindle_core.patterned.sheet import Sheet
from jindle_core.prediction.near import Way
from jindle_core.seen.colouring import Coloured
from jindle_core.seen.ground import Grounded
from jindle_core.seen.palette import SeenPalette
from jindle_core.seen.stack.where import Where

# What does not show the same all over: what lies beside it is looked at place by place.
_VARIED = (Kind.IMAGE, Kind.FINISH, Kind.VELLUM)


@dataclass(frozen=True)
class Materials:
    """The pieces of a card with what they are of, and the pictures that they show."""

    where: Where
    palette: SeenPalette
    coloured: tuple[Coloured, ...]

    @cached_property
    def grounded(self) -> Grounded:
        """The card's ground."""
        return Grounded(self.palette)

    def shows(self, key: int) -> Coloured:
        """The picture that a piece of kind image shows."""
        card = self.palette.card
        return self.coloured[card.pictures.index(card.picture(self.where.piece(key).picture))]

    def sheet(self, key: int) -> Sheet | None:
        """The patterned paper that a piece is cut out of; what carries the ground shows none."""
        plain = key in (BASE, self.where.carrier)
        return None if plain else self.palette.sheet(self.where.piece(key).material)

    def stock(self, key: int) -> End:
        """What it is cut out of: under a coloured picture and under a ground it is their paper."""
        if key == BASE:
            return self.where.material(key)
        piece = self.where.piece(key)
        if key == self.where.carrier:
            return _paper(self.palette.card.ground.paper)
        if piece.kind is Kind.IMAGE and (shown := self.shows(key).picture).drawing is not None:
            return _paper(shown.paper)
        return _no_paper(piece)

    def medium(self, piece: Piece) -> Medium | None:
        """The medium of the supply that a piece is of; None where it is of none."""
        supplies, end = self.palette.supplies, piece.material
        place = supplies.places.get(end.id) if end.source == "supply" else None
        return None if place is None else supplies.ranges[int(supplies.range_ids[place])].medium

    def varies(self, key: int) -> bool:
        """Whether a thing is not of one colour all over."""
        return key == self.where.carrier or (
            key != BASE and (self.where.piece(key).kind in _VARIED or self.sheet(key) is not None)
        )

    def takes_colour(self, key: int) -> bool:
        """Whether another material makes it another colour."""
        kind = None if key == BASE else self.where.piece(key).kind
        if kind is Kind.IMAGE:
            return self.shows(key).drawing is None
        return key != self.where.carrier and kind is not Kind.VELLUM

    def pattern_at(self, key: int, x: np.ndarray, y: np.ndarray) -> np.ndarray:
        """CIELAB (k, 3) of a piece that is cut out of a sheet, at points (k,) in mm."""
        sheet, piece, box = self.sheet(key), self.where.piece(key), self.where.boxes[key]
        if sheet is None:
            raise ValueError(f"{piece.name} is of no sheet")
        points = np.stack(self.where.as_laid(key, x, y), axis=1) - [float(box.x), float(box.y)]
        laid = piece.pattern
        start = float(laid.right.millimetres), float(laid.below.millimetres)
        found = sheet.at(points, start, laid.turn, laid.repeated)
        labs = np.array([*self.palette.sheet_labs(sheet), figures.laying.PAPER_WHITE_LAB])
        return np.asarray(labs[found])  # PAST it is the last

    @cached_property
    def inked(self) -> dict[int, np.ndarray]:
        """By key the CIELAB (3,) of pieces that are inked by oneself, as predicted."""
        found = {}
        for piece in self.where.build.every:
            inked = piece.inked
            place = self.palette.supplies.places.get(inked.colour) if inked else None
            if inked and place is not None:
                ink = self.grounded.inks_at([place], [(inked.hand, inked.coats)])
                found[piece.key] = seen_on(ink, self._reflectance(piece.material))[0]
        return found

    def inked_sigma(self, key: int) -> float | None:
        """One sigma (ΔE00) of a piece that is inked by oneself; None for another."""
        piece = self.where.piece(key)
        place = self.palette.supplies.places.get(piece.inked.colour) if piece.inked else None
        if piece.inked is None or place is None:
            return None
        way = Way(piece.inked.coats, piece.inked.hand, self._reflectance(piece.material))
        return self.palette.supplies.predicted.sigma(place, way)

    def _reflectance(self, end: End) -> np.ndarray:
        if end.source == "palette":
            return lab_to_reflectance(self.palette.end_lab(end))
        return self.grounded.card_of(end.id if end.source == "supply" else None)

    def lab(self, key: int) -> np.ndarray:
        """The colour (3,) of a piece by itself, inked or not, or of the base."""
        return self.inked[key] if key in self.inked else self.palette.end_lab(self.where.material(key))

    def words(self, key: int) -> str:
        """What it is of, in words."""
        stock = self.palette.end_words(self.where.material(key))
        piece = None if key == BASE else self.where.piece(key)
        if piece is None or piece.inked is None:
            return stock
        return f"{stock}, inked with {self.palette.end_words(End('supply', piece.inked.colour))}"


def _paper(supply: int | None) -> End:
    return WHITE_END if supply is None else End("supply", supply)


def _no_paper(piece: Piece) -> End:
    """What a piece is cut out of; vellum is a stock of its own, and so is ribbon of no colour."""
    if piece.kind is Kind.VELLUM:
        return VELLUM_END
    return RIBBON_END if (piece.kind, piece.material) == (Kind.RIBBON, WHITE_END) else piece.material
