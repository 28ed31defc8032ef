"""How is another card of a set built otherwise than one, and how as one is, in its own colours?"""

from collections.abc import Iterator
from dataclasses import fields, replace

from jindle_core.card.sound import sound
from jindle_core.card.waivers import still_waived
from jindle_core.card.whole import Card
from jindle_core.layers.pieces import Piece
from jindle_core.material import End

# What of a piece is its colour, and stays its own: all else is how it is made and where it lies.
_OF_COLOUR = ("key", "material", "inked", "pattern")


def differences(one: Card, other: Card) -> list[str]:
    """How another card is built otherwise than one, colours aside; empty where it is not."""
    return list(_differences(one, other))


def _differences(one: Card, other: Card) -> Iterator[str]:
    if one.size != other.size:
        yield f"the card is {other.size.text()}, not {one.size.text()}"
    if one.fold != other.fold:
        yield "it is folded otherwise"
    for face, (mine, theirs) in zip(
        ("", " inside"), zip(one.build.faces, other.build.faces, strict=True), strict=True
    ):
        known = {piece.key: piece for piece in theirs}
        for piece in mine:
            there = known.get(piece.key)
            if there is None:
                yield f"{piece.name}{face} is not there"
            elif what := _otherwise(piece, there):
                yield f"{piece.name}{face} differs in {what}"
        own = {piece.key for piece in mine}
        yield from (f"{piece.name}{face} is there besides" for piece in theirs if piece.key not in own)
        kept = [[piece.key for piece in pieces if piece.key in own & set(known)] for pieces in (mine, theirs)]
        if kept[0] != kept[1]:
            yield f"pieces{face} lie in another order"


def _otherwise(one: Piece, other: Piece) -> str:
    """What of a piece is otherwise, by the names of its fields."""
    names = [
        field.name.replace("_", " ")
        for field in fields(Piece)
        if field.name not in _OF_COLOUR and getattr(one, field.name) != getattr(other, field.name)
    ]
    return " and ".join(names[-2:]) if len(names) < 3 else f"{names[0]}, {names[1]} and more"


def carried(one: Card, other: Card) -> Card:
    """Another card built as one is, in its own colours.

    A piece that both have keeps what it is of; what is new takes what stands in the other card where
    its material stands in the first, or the same. BadInput where that cannot be built of what the other
    card has, as when it has no such picture.
    """
    theirs = {piece.key: piece for piece in other.build.every}
    instead: dict[End, End] = {one.build.base: other.build.base}
    for piece in one.build.every:
        if piece.key in theirs:
            instead.setdefault(piece.material, theirs[piece.key].material)

    def mine(piece: Piece) -> Piece:
        there = theirs.get(piece.key)
        if there is not None and there.kind is piece.kind:
            return replace(piece, material=there.material, inked=there.inked, pattern=there.pattern)
        return replace(piece, material=instead.get(piece.material, piece.material))

    build = one.build.with_pieces(lambda face: tuple(map(mine, face)))
    build = replace(build, base=other.build.base, next_key=max(build.next_key, other.build.next_key))
    return sound(still_waived(other, replace(other, size=one.size, build=build)))
