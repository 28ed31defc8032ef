"""How does a recipe name what a card is made of?"""

from jindle_core.checked.whole import CheckedCard
from jindle_core.layers.pieces import Kind, Piece
from jindle_core.material import End
from jindle_core.planning.recipe.lines import Ink


class Naming:
    """The supplies and materials of one card; lengths are told in ``units``."""

    def __init__(self, checked: CheckedCard, units: str) -> None:
        self.units, self.checked, self.stack = units, checked, checked.seen.stack
        self.palette, self.supplies = self.stack.palette, checked.seen.supplies

    def ink(self, place: int, shade: str = "") -> Ink:
        """A supply by its place, in a colour as it is laid or as it is."""
        row = self.supplies.rows[place]
        known = self.supplies.ranges[row.range_id]
        shown = shade or self.supplies.shades[place]["colour"]
        return Ink(row.id, row.label, row.name if row.code else "", known.name, known.medium.value, shown)

    def end(self, end: End) -> str:
        """An end in words, a supply with its range."""
        place = self.supplies.places.get(end.id) if end.source == "supply" else None
        words = self.palette.end_words(end)
        if place is None:
            return words
        row = self.supplies.rows[place]
        return f"{words}, {row.name}" if row.code and row.name not in ("", row.code) else words

    def of(self, piece: Piece) -> str:
        """Of what a piece is, as it is found in the drawer; what is only ink, of that ink."""
        inventory, stack = self.checked.inventory, self.stack
        if piece.kind is Kind.LETTERING:
            return inventory.ink_words(piece)
        if piece.is_ink:
            return "the line and its colours"
        if piece.kind is Kind.FINISH:
            return inventory.words_for(piece.material, "finish")
        return self.stock(stack.of.stock(piece.key))

    def stock(self, end: End) -> str:
        """What something is cut out of."""
        sheet = self.palette.sheet(end)
        at = self.supplies.places.get(sheet.colours[0]) if sheet else None
        if sheet and at is not None:
            return f"{sheet.title}, {self.supplies.ranges[int(self.supplies.range_ids[at])].name}"
        return self.checked.inventory.stock_words(end) if end.source == "palette" else self.end(end)
