"""What is planned for building a card: how it is folded, its pieces, what it is posted in?"""

from dataclasses import dataclass, replace
from typing import Any

from jindle_core.ends import End
from jindle_core.errors import BadInput, Problem
from jindle_core.formats import Length, Size
from jindle_core.layers.folding import Fold
from jindle_core.layers.pieces import WHITE, Across, Down, Kind, Piece, Place, Raised


@dataclass(frozen=True, slots=True)
class Build:
    """How a card is built.

    ``pieces`` are listed from the lowest up among those that lie on one thing;
    ``envelope`` None: the matching one; ``post_limit`` is the thickness in mm
    that the person's own post takes, None where it is not said.
    """

    fold: Fold = Fold.SIDE
    pieces: tuple[Piece, ...] = ()
    base: End = WHITE
    envelope: Size | None = None
    post_limit: float | None = None

    def piece(self, key: int) -> Piece:
        """The piece with this key; BadInput where there is none."""
        for piece in self.pieces:
            if piece.key == key:
                return piece
        raise BadInput(Problem(f"This card has no piece {key}.", field="key", value=str(key)))

    def with_piece(self, changed: Piece) -> "Build":
        """The same with one piece changed."""
        return replace(self, pieces=tuple(changed if one.key == changed.key else one for one in self.pieces))

    def without_piece(self, key: int) -> "Build":
        """The same without a piece; what lay on it lies on what it lay on."""
        gone = self.piece(key)
        kept = (one for one in self.pieces if one is not gone)
        return replace(self, pieces=tuple(replace(one, on=gone.on) if one.on == key else one for one in kept))

    def without_colour(self, key: int) -> "Build":
        """The same with nothing in a palette colour that is taken away: white instead."""
        gone = End("palette", key)
        pieces = tuple(replace(one, material=WHITE) if one.material == gone else one for one in self.pieces)
        return replace(self, pieces=pieces, base=WHITE if self.base == gone else self.base)

    @property
    def supplies(self) -> tuple[int, ...]:
        """The ids of the supplies that it is built of, each once."""
        ends = [self.base, *(piece.material for piece in self.pieces)]
        return tuple(dict.fromkeys(end.id for end in ends if end.source == "supply"))


def build_from_json(stored: dict[str, Any] | None) -> Build:
    """The build as stored in a plan; plans from before there was any have none."""
    if stored is None:
        return Build()
    return Build(
        Fold(stored["fold"]),
        tuple(_piece(one) for one in stored["pieces"]),
        End(**stored["base"]),
        _size(stored["envelope"]),
        stored["post_limit"],
    )


def _piece(stored: dict[str, Any]) -> Piece:
    place, reveal = stored["place"], stored["reveal"]
    return Piece(
        stored["key"],
        Kind(stored["kind"]),
        stored["name"],
        stored["on"],
        reveal and Length(**reveal),
        _size(stored["size"]),
        Place(
            Across(place["across"]), Down(place["down"]), Length(**place["right"]), Length(**place["below"])
        ),
        End(**stored["material"]),
        Raised(stored["raised"]),
        bool(stored["trimmed"]),
        bool(stored["tucked"]),
    )


def _size(stored: dict[str, Any] | None) -> Size | None:
    return stored and Size(Length(**stored["width"]), Length(**stored["height"]))
