"""Where does everything lie on a card that is built of pieces?"""

from collections.abc import Mapping
from dataclasses import dataclass
from functools import cached_property

import numpy as np

from jindle_core.card.build import Build
from jindle_core.card.whole import Card
from jindle_core.layers.outlines import Outline, Turn, outlines
from jindle_core.layers.pieces import BASE, Piece
from jindle_core.layers.sizing import Box, cut_size, laid_out
from jindle_core.layers.stacking import Height, heights
from jindle_core.lengths import Size
from jindle_core.material import End
from jindle_core.patterned.sheet import Sheet
from jindle_core.seen.desk import Drawings, Part, built_desk


@dataclass(frozen=True)
class Where:
    """The pieces of a card with their places; ``unit`` is the card's own, in which everything is cut.

    ``drawings`` are the sizes of the pictures' drawings, by the pictures' keys.
    """

    card: Card
    unit: str
    drawings: Drawings
    sheets: Mapping[int, Sheet]

    @property
    def build(self) -> Build:
        """How it is planned to be built."""
        return self.card.build

    @cached_property
    def boxes(self) -> dict[int, Box]:
        """By key where everything lies, on its own face."""
        front, inside = (laid_out(self.card.size, face) for face in self.build.faces)
        return front | inside

    @cached_property
    def outlines(self) -> dict[int, Outline]:
        """By key the outlines of what is no plain box."""
        front, inside = (outlines(self.card.size, face) for face in self.build.faces)
        return {**front, **inside}

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
            built_desk(self.card, face, self.drawings, self.boxes, stands, self.outlines, self.sheets)
            for face, stands in zip(self.build.faces, self.stacks, strict=True)
        )
        return front, inside

    def turn(self, key: int) -> Turn | None:
        """How a piece is turned, by itself or by what it lies on; None where it lies straight."""
        return self.outlines[key].turn if key in self.outlines else None

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

    @cached_property
    def carrier(self) -> int | None:
        """The key of what carries the ground; None where none is laid."""
        return self.build.carrier if self.card.ground.laid else None

    @cached_property
    def _by_key(self) -> dict[int, Piece]:
        return {piece.key: piece for piece in self.build.every}

    def piece(self, key: int) -> Piece:
        """The piece with a key; BadInput where there is none."""
        return self._by_key.get(key) or self.build.piece(key)

    def name(self, key: int) -> str:
        """What a piece, or the base, is called."""
        return "the card" if key == BASE else self.piece(key).name

    def material(self, key: int) -> End:
        """What a piece, or the base, is said to be of."""
        return self.build.base if key == BASE else self.piece(key).material

    def cut_to(self, piece: Piece) -> Size:
        """The size that a piece is cut to."""
        return cut_size(piece, self.boxes[piece.on], self.unit)
