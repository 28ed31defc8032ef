"""How is a card read off a ruler: its halves, and where its pieces lie?"""

from functools import lru_cache

from jindle_core.layers.folding import Flat
from jindle_core.layers.pieces import Piece
from jindle_core.layers.sizing import Box, as_read
from jindle_core.lengths import Length
from jindle_core.seen.stack.whole import Stack


def halves(laid: Flat, units: str) -> list[Length]:
    """The two halves of the base before it is folded: together as long as the base is."""
    whole = laid.size.width if laid.upright else laid.size.height
    return as_read(whole, [laid.score.millimetres] * 2, units)


def lies(stack: Stack, piece: Piece, units: str) -> str:
    """Where a piece lies on another, the parts adding up; blank where it hangs over."""
    return _lies(stack.where.boxes[piece.key], stack.where.boxes[piece.on], stack.where.unit, units)


@lru_cache(maxsize=1024)  # of the pieces of a card most lie where they lay before a change
def _lies(box: Box, under: Box, unit: str, units: str) -> str:
    if not box.inside(under):
        return ""
    told = []
    for words, whole, parts in (
        ("across", under.width, [box.x - under.x, box.width, under.right - box.right]),
        ("down", under.height, [box.y - under.y, box.height, under.bottom - box.bottom]),
    ):
        read = as_read(Length.near(whole, unit), parts, units)
        total = Length(sum(one.ticks for one in read), units)
        told.append(f"{words} {' + '.join(one.text() for one in read)} = {total.text()}")
    return f"{', '.join(told)} {units}"
