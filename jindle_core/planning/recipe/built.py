"""What does a recipe say of the pieces of a card, and of what they are cut?"""

from collections.abc import Iterator

from jindle_core import figures
from jindle_core.layers.pieces import BASE, Kind, Piece, Raised
from jindle_core.lengths import read_size
from jindle_core.material import End
from jindle_core.planning.cutting import Cutting
from jindle_core.planning.recipe.lines import PieceLine, StockLine
from jindle_core.planning.recipe.naming import Naming
from jindle_core.seen.ruler import lies
from jindle_core.words import in_words


def piece_line(naming: Naming, piece: Piece) -> PieceLine:
    """A piece of the card, with all that is said of how it is made."""
    stack = naming.stack
    notes = []
    if piece.shape is not None:
        notes.append(in_words(piece.shape))
    if piece.opening is not None:
        notes.append(f"a frame with a rim of {piece.opening.rim.text(naming.units)} {naming.units}")
    if piece.turn:
        notes.append(f"turned by {piece.turn:g}°")
    if piece.raised is not Raised.FLAT:
        notes.append(f"on {in_words(piece.raised)}")
    if piece.trimmed:
        notes.append("trimmed at the edge" if piece.is_laid else "runs off the edge")
    if piece.kind is Kind.IMAGE and piece.stamped:
        notes.append("stamped straight on it")
    if piece.white_edge:
        notes.append("with a white edge")
    if piece.stitched:
        notes.append("stitched")
    if piece.inked is not None:
        notes.append(f"inked with {naming.end(End('supply', piece.inked.colour))}")
    if piece.kind is Kind.LETTERING and piece.made is not None:
        notes.append(in_words(piece.made))
    if piece.text:
        notes.insert(0, f"“{piece.text}”")
    place = lies(stack, piece, naming.units)
    under = "the base" if piece.on == BASE else stack.where.name(piece.on)
    return PieceLine(
        piece.name,
        stack.where.cut_to(piece).text(naming.units),
        naming.of(piece),
        f"on {under}: {place}" if place else f"on {under}",
        tuple(notes),
    )


def stocks(naming: Naming, count: int) -> Iterator[StockLine]:
    """By material what is cut out of how many sheets of a usual size, for so many cards."""
    usual = next(one for one in figures.cutting.SHEETS_TO_CUT if one[3] == naming.units)
    cutting = Cutting(naming.stack, read_size(*usual[1:]), count)
    counted: dict[End, int] = {}
    for sheet in cutting.sheets:
        counted[sheet.material] = counted.get(sheet.material, 0) + 1
    names: dict[End, list[str]] = {}
    for piece in cutting.pieces:
        names.setdefault(piece.material, []).append(piece.name)
    for end, pieces in names.items():
        size = cutting.sheet_of(end).text(naming.units)
        yield StockLine(naming.stock(end), counted.get(end, 0), size, tuple(pieces))
