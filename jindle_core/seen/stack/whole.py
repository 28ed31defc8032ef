"""What lies where on a card that is built of pieces, and in which colour is it seen?"""

from collections.abc import Iterator
from dataclasses import dataclass, replace
from functools import cached_property

import numpy as np

from jindle_core import figures
from jindle_core.card.changes.arranging import ArrangeChange
from jindle_core.card.changes.build import BuildChange
from jindle_core.card.changes.every import Several
from jindle_core.colorimetry.recovery import lab_to_reflectance
from jindle_core.colorimetry.views import Shades
from jindle_core.layers.making import MadeOn, Making
from jindle_core.layers.pieces import BASE, Kind, Piece
from jindle_core.prediction.near import Way
from jindle_core.prediction.stocks import unlike_white
from jindle_core.prediction.vellum import veil
from jindle_core.seen.colouring import Coloured
from jindle_core.seen.palette import EndSeen, SeenPalette, value_shades
from jindle_core.seen.stack.look import Face, Look
from jindle_core.seen.stack.materials import Materials
from jindle_core.seen.stack.under_words import under_words
from jindle_core.seen.stack.where import Where

_VEIL, VEIL_OPACITY = veil()


@dataclass(frozen=True)
class Stack:
    """The pieces of a card with their places and colours, and the pictures that they show."""

    palette: SeenPalette
    coloured: tuple[Coloured, ...]

    def after(self, change: BuildChange | ArrangeChange | Several) -> "Stack":
        """The same card after a change."""
        palette = replace(self.palette, card=change.apply(self.palette.card))
        return Stack(palette, tuple(replace(one, palette=palette) for one in self.coloured))

    @cached_property
    def where(self) -> Where:
        """Where everything lies."""
        drawings = {
            one.picture.key: (one.drawing.width, one.drawing.height) for one in self.coloured if one.drawing
        }
        return Where(self.palette.card, self.palette.unit, drawings, self.palette.sheets)

    @cached_property
    def of(self) -> Materials:
        """What each thing is of."""
        return Materials(self.where, self.palette, self.coloured)

    @cached_property
    def look(self) -> Look:
        """What is seen from above."""
        return Look(self.of)

    def lab(self, key: int) -> np.ndarray:
        """The colour (3,) of a piece by itself, or of the base; of words as they are made."""
        lettered = key != BASE and self.where.piece(key).kind is Kind.LETTERING
        return self._written[key] if lettered and key in self._written else self.of.lab(key)

    def shades(self, key: int) -> Shades:
        """The same in every view."""
        kind = None if key == BASE else self.where.piece(key).kind
        if key in self.of.inked or kind is Kind.LETTERING:
            return value_shades(tuple(map(float, self.lab(key))))
        if kind is Kind.VELLUM:
            return value_shades(_VEIL)
        return self.palette.end_shades(self.where.material(key))

    def seen(self, key: int) -> EndSeen:
        """What it is of, in words and in every view; what carries the ground is of the ground's card."""
        if key == self.where.carrier and key != BASE:
            return self.palette.seen_end(self.of.stock(key))
        return EndSeen(self.where.material(key), self.of.words(key), self.shades(key))

    # --- Words, on what is under them.

    @property
    def _lettering(self) -> Iterator[tuple[Face, Piece, Making]]:
        for face in self.look.faces:
            for piece in face.pieces:
                if piece.kind is Kind.LETTERING and piece.made is not None:
                    yield face, piece, piece.made

    @cached_property
    def made(self) -> dict[Piece, MadeOn]:
        """The words of which it is said how they are made, with what and on what that is done."""
        return {
            piece: MadeOn(made, self.of.medium(piece), *self._made_on(face, piece))
            for face, piece, made in self._lettering
        }

    def _made_on(self, face: Face, piece: Piece) -> tuple[bool, bool]:
        """Whether words lie on vellum, and whether on ink that may be damp."""
        _, _, places = under_words(self.look, face, piece)
        keys = {face.keys[at] for at in np.unique(places) if at > 0}
        vellum = any(self.where.piece(key).kind is Kind.VELLUM for key in keys)
        inked = {piece.key for piece in self.where.build.every if piece.inked}
        return vellum, bool(keys & (inked | {self.where.carrier}))

    def written_sigma(self, words: Piece) -> float:
        """One sigma (ΔE00) of words as they are made on what is under them; 0 where nothing is laid."""
        supplies, made = self.palette.supplies, words.made
        place = supplies.places.get(words.material.id) if words.material.source == "supply" else None
        if words.key not in self._written or (place is None and made is not Making.WHITE):
            return 0.0
        face = next(one for one in self.look.faces if words in one.pieces)
        _, under, _ = under_words(self.look, face, words)
        card = lab_to_reflectance(under.mean(axis=0))
        if made is Making.WHITE or place is None:
            return figures.contrast.EMBOSSED_SIGMA * min(float(unlike_white(card)), 1.0)
        return supplies.predicted.sigma(place, Way(1, card=card))

    @cached_property
    def _written(self) -> dict[int, np.ndarray]:
        """By key the CIELAB (3,) of words by how they are made: what lets through, on what is under it."""
        found, supplies = {}, self.palette.supplies
        for face, piece, made in self._lettering:
            medium = self.of.medium(piece)
            if made is Making.WHITE:
                found[piece.key] = np.array(figures.building.EMBOSSED_WHITE)
            elif medium is not None and medium.traits.covering is not None:
                _, under, _ = under_words(self.look, face, piece)
                place = np.array([supplies.places[piece.material.id]])
                card = lab_to_reflectance(under.mean(axis=0))
                found[piece.key] = supplies.predicted.laid(place, Way(1, card=card))[0]
        return found
