"""What is planned for building a card: how it is folded, its pieces, what it is posted in?"""

from collections.abc import Callable
from dataclasses import dataclass, replace
from typing import TypedDict

from jindle_core.card.keys import above
from jindle_core.errors import BadInput, Problem
from jindle_core.layers.folding import Fold
from jindle_core.layers.pieces import BASE, WHITE_END, Kind, Piece
from jindle_core.layers.sizing import in_order
from jindle_core.lengths import Size
from jindle_core.material import End


class BuildSettings(TypedDict, total=False):
    """Some of the settings of how a card is built, but no pieces."""

    fold: Fold | None
    base: End
    ground_on: int | None
    envelope: Size | None
    post_limit: float | None


@dataclass(frozen=True, slots=True)
class Build:
    """How a card is built. ``fold`` None: as the usual sheets allow.

    ``pieces`` lie on the front, ``inside`` on the right (or lower) half inside,
    each listed from the lowest up among those that lie on one thing; keys are
    unique among both. ``ground_on`` is the key of the piece that carries the
    ground (0: the front itself), None: the first panel. ``envelope`` None: the
    matching one; ``post_limit`` is the thickness in mm that the person's own
    post takes, None where it is not said. ``next_key`` is above every key that
    a piece ever had, so that none is used again.
    """

    fold: Fold | None = None
    pieces: tuple[Piece, ...] = ()
    inside: tuple[Piece, ...] = ()
    base: End = WHITE_END
    ground_on: int | None = None
    envelope: Size | None = None
    post_limit: float | None = None
    next_key: int = BASE + 1

    def __post_init__(self) -> None:
        """Keep ``next_key`` above the pieces that there are."""
        object.__setattr__(self, "next_key", above(self.every, self.next_key))

    @property
    def every(self) -> tuple[Piece, ...]:
        """The pieces of both faces."""
        return self.pieces + self.inside

    @property
    def faces(self) -> tuple[tuple[Piece, ...], tuple[Piece, ...]]:
        """The pieces of the front, and those inside."""
        return self.pieces, self.inside

    @property
    def newest(self) -> int:
        """The key of the piece that was added last among those that there are; 0 where there is none."""
        return max((piece.key for piece in self.every), default=BASE)

    def piece(self, key: int) -> Piece:
        """The piece with this key; BadInput where there is none."""
        for piece in self.every:
            if piece.key == key:
                return piece
        raise BadInput(Problem(f"This card has no piece {key}.", field="key", value=str(key)))

    def face(self, key: int) -> tuple[Piece, ...]:
        """The pieces of the face that a piece lies on, itself too."""
        return self.inside if self.piece(key) in self.inside else self.pieces

    @property
    def carrier(self) -> int:
        """The key of what carries the ground: as said, the front's first panel, or else the front itself."""
        if self.ground_on is not None:
            return self.ground_on
        panels = (piece.key for piece in in_order(self.pieces) if piece.kind is Kind.PANEL)
        return next(panels, BASE)

    def with_pieces(self, change: Callable[[tuple[Piece, ...]], tuple[Piece, ...]]) -> "Build":
        """The same with each face's pieces changed."""
        return replace(self, pieces=change(self.pieces), inside=change(self.inside))

    def with_piece(self, changed: Piece) -> "Build":
        """The same with one piece changed."""
        return self.with_pieces(
            lambda face: tuple(changed if one.key == changed.key else one for one in face)
        )

    def without_piece(self, key: int) -> "Build":
        """The same without a piece; what lay on it lies on what it lay on."""
        gone = self.piece(key)
        kept = self.with_pieces(
            lambda face: tuple(
                replace(one, on=gone.on) if one.on == key else one for one in face if one is not gone
            )
        )
        return replace(kept, ground_on=None if self.ground_on == key else self.ground_on)

    def without_colour(self, key: int) -> "Build":
        """The same with nothing in a palette colour that is taken away: white instead."""
        gone = End("palette", key)
        return self.with_materials(lambda end: WHITE_END if end == gone else end)

    def with_materials(self, change: Callable[[End], End]) -> "Build":
        """The same with what the card and its pieces are of changed, or left as it is."""
        kept = self.with_pieces(
            lambda face: tuple(replace(one, material=change(one.material)) for one in face)
        )
        return replace(kept, base=change(self.base))
