"""What could a piece be instead, each shown on the card?"""

from collections.abc import Iterator
from typing import Any

from jindle_core.card.changes.build import EditPiece, RemovePiece
from jindle_core.checked.build import Examined
from jindle_core.checked.on_ground import on_ground
from jindle_core.layers.pieces import OF_CARD, WHITE, InkedOver, Piece
from jindle_core.material import End
from jindle_core.supplies.choose import stocks
from server.cards.json.changes import change_told
from server.cards.json.checks import finding_told
from server.cards.views import told_parts
from server.catalogue.inked import inked_cards

_INKED = 2
_Way = tuple[str, str, EditPiece | RemovePiece]


def instead(examined: Examined, piece: Piece) -> list[dict[str, Any]]:
    """As it is, without it, and of what else it could be, as ``PieceInsteadSerializer`` describes it."""
    found = [_told(examined, piece, "as it is", examined.stack.words(piece.key), None)]
    return found + [_told(examined, piece, *way) for way in _ways(examined, piece)]


def _ways(examined: Examined, piece: Piece) -> Iterator[_Way]:
    stack = examined.stack
    note = "what lay on it follows" if any(one.on == piece.key for one in stack.build.every) else ""
    yield f"without {piece.name}", note, RemovePiece(piece.key)
    if piece.kind not in OF_CARD or piece.key == stack.carrier:
        return
    catalogue = stack.resolved.supplies
    for one in inked_cards(catalogue, tuple(map(float, stack.lab(piece.key))), _INKED, plain=True) or ():
        pad = catalogue.rows[one.pad].id
        card = WHITE if one.card is None else End("supply", catalogue.rows[one.card].id)
        told = {"material": card, "inked": InkedOver(pad, one.hand)}
        words = f"inked with {stack.resolved.end_words(End('supply', pad))}, {one.hand} hand"
        yield words, f"predicted, ± {2 * one.sigma:.0f} ΔE", EditPiece(piece.key, told)
    for words, end in stocks(catalogue):
        if end != piece.material or piece.inked:
            told = {"material": end, "inked": None}
            yield words, stack.resolved.end_words(end), EditPiece(piece.key, told)


def _told(
    examined: Examined, piece: Piece, words: str, note: str, change: EditPiece | RemovePiece | None
) -> dict[str, Any]:
    after = examined if change is None else Examined(examined.stack.after(change))
    stands = after.stands.get(piece.key)
    laid = on_ground(after.stack.coloured, after.stack)
    at = 1 if piece in examined.stack.build.inside else 0
    return {
        "words": words,
        "note": note,
        "stands": stands and finding_told(stands.finding),
        "parts": told_parts(after.stack.parts[at], laid, after.stack),
        "change": change and change_told(change, examined.stack.unit),
    }
