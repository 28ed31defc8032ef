"""What could a piece be instead, each shown on the card?"""

from collections.abc import Iterator
from dataclasses import dataclass

import numpy as np

from jindle_core.card.changes.build import EditPiece, RemovePiece
from jindle_core.checked.build import Examined
from jindle_core.checked.on_ground import OnGround, on_ground
from jindle_core.checked.standing import PieceStands
from jindle_core.colorimetry.difference import delta_e
from jindle_core.layers.pieces import BASE, OF_CARD, WHITE_END, InkedOver, Piece, PieceSaid
from jindle_core.material import End
from jindle_core.seen.stack.whole import Stack
from jindle_core.supplies.choose import stocks
from jindle_core.supplies.inked import inked_cards

_INKED = 2
_Way = tuple[str, str, EditPiece | RemovePiece]


@dataclass(frozen=True)
class PieceOffer:
    """A way for a piece to be: in words, with a note, and the change that makes it; None: as it is.

    ``stands`` is how the piece would stand then, ``stack`` are the card's
    pieces, ``laid`` is what lies on its ground.
    """

    words: str
    note: str
    change: EditPiece | RemovePiece | None
    stands: PieceStands | None
    stack: Stack
    laid: OnGround


def piece_offers(examined: Examined, piece: Piece) -> Iterator[PieceOffer]:
    """As it is, without it, and of what else it could be."""
    yield _tried(examined, piece, "as it is", examined.stack.of.words(piece.key), None)
    for way in _ways(examined, piece):
        yield _tried(examined, piece, *way)


def _ways(examined: Examined, piece: Piece) -> Iterator[_Way]:
    stack = examined.stack
    note = "what lay on it follows" if any(one.on == piece.key for one in stack.where.build.every) else ""
    yield f"without {piece.name}", note, RemovePiece(piece.key)
    if piece.kind not in OF_CARD or piece.key == stack.where.carrier:
        return
    supplies = stack.palette.supplies
    for one in inked_cards(supplies, tuple(map(float, stack.lab(piece.key))), _INKED, plain=True) or ():
        pad = supplies.rows[one.pad].id
        card = WHITE_END if one.card is None else End("supply", supplies.rows[one.card].id)
        inked: PieceSaid = {"material": card, "inked": InkedOver(pad, one.hand)}
        words = f"inked with {stack.palette.end_words(End('supply', pad))}, {one.hand} hand"
        yield words, f"predicted (± {one.sigma:.0f} ΔE)", EditPiece(piece.key, inked)
    for words, end in stocks(supplies):
        if end != piece.material or piece.inked:
            told: PieceSaid = {"material": end, "inked": None}
            yield words, stack.palette.end_words(end), EditPiece(piece.key, told)


def _tried(
    examined: Examined, piece: Piece, words: str, note: str, change: EditPiece | RemovePiece | None
) -> PieceOffer:
    after = examined if change is None else Examined(examined.stack.after(change))
    laid = on_ground(after.stack)
    return PieceOffer(words, note, change, _stands(after, piece), after.stack, laid)


def _stands(after: Examined, piece: Piece) -> PieceStands | None:
    """How a piece stands with everything that lies on it: the worst of it."""
    on_it = (one.key for one in after.stack.where.build.every if one.on == piece.key)
    found = [after.stands[key] for key in (piece.key, *on_it) if key in after.stands]
    worst: PieceStands | None = None
    for one in found:
        if worst is None or one.finding.status.worse_than(worst.finding.status):
            worst = one
    return worst


def mats_for(stack: Stack) -> dict[int, End]:
    """By key what a mat under each piece is of: the palette colour best told apart from both around it."""
    palette = stack.palette
    pieces = stack.where.build.every
    if not len(palette.lab) or not pieces:
        return {piece.key: WHITE_END for piece in pieces}
    keys = [BASE, *(piece.key for piece in pieces)]
    # All at once: what is asked of every piece is the same.
    off = dict(
        zip(keys, delta_e(np.array([stack.lab(key) for key in keys])[:, None], palette.lab), strict=True)
    )
    best = {piece.key: int(np.minimum(off[piece.key], off[piece.on]).argmax()) for piece in pieces}
    return {key: End("palette", palette.card.colours[at].key) for key, at in best.items()}
