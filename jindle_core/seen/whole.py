"""What would a card look like, with some supplies?"""

from dataclasses import dataclass, replace
from functools import cached_property

from jindle_core.card.changes.every import AnyChange, changed
from jindle_core.card.whole import Card
from jindle_core.line_art.drawing import LineDrawing
from jindle_core.seen.colouring import Coloured
from jindle_core.seen.ground import Grounded
from jindle_core.seen.palette import SeenPalette
from jindle_core.seen.stack import Stack
from jindle_core.supplies.colours import Supplies


@dataclass(frozen=True, eq=False)
class SeenCard:
    """A card, stored or not, with supplies: each part is worked out once, when it is asked for.

    ``drawing`` is its line drawing, None where it has none, or it is gone;
    ``dark_first`` is what its person does where the card says nothing.
    """

    card: Card
    supplies: Supplies
    drawing: LineDrawing | None = None
    dark_first: bool = False

    @cached_property
    def palette(self) -> SeenPalette:
        """Its colours, and what lies on what."""
        return SeenPalette(self.card, self.supplies)

    @cached_property
    def coloured(self) -> Coloured:
        """Its picture as it is coloured."""
        return Coloured(self.palette, self.drawing, self.dark_first)

    @cached_property
    def stack(self) -> Stack:
        """Its pieces with their places and colours."""
        return Stack(self.coloured)

    @property
    def ground(self) -> Grounded:
        """Its ground as it is laid."""
        return self.stack.grounded

    def after(self, change: AnyChange) -> "SeenCard":
        """The same after a change; BadInput where it cannot be made."""
        return replace(self, card=changed(self.card, change, self.palette.pairs))
