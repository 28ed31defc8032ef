"""What would a card look like, with some supplies?"""

from collections.abc import Mapping
from dataclasses import dataclass, field, replace
from functools import cached_property

from jindle_core.card.changes.every import AnyChange, changed
from jindle_core.card.whole import Card
from jindle_core.line_art.drawing import LineDrawing
from jindle_core.patterned.sheet import Sheet
from jindle_core.seen.colouring import Coloured
from jindle_core.seen.ground import Grounded
from jindle_core.seen.palette import SeenPalette
from jindle_core.seen.stack.whole import Stack
from jindle_core.supplies.whole import Supplies


@dataclass(frozen=True, eq=False)
class SeenCard:
    """A card, stored or not, with supplies: each part is worked out once, when it is asked for.

    ``drawings`` are line drawings and ``sheets`` patterned papers by their ids; what is not
    among them is seen without. ``dark_first`` is what its person does where the card says nothing.
    """

    card: Card
    supplies: Supplies
    drawings: Mapping[int, LineDrawing] = field(default_factory=dict)
    dark_first: bool = False
    sheets: Mapping[int, Sheet] = field(default_factory=dict)

    @cached_property
    def palette(self) -> SeenPalette:
        """Its colours, and what lies on what."""
        return SeenPalette(self.card, self.supplies, self.sheets)

    @cached_property
    def coloured(self) -> tuple[Coloured, ...]:
        """Its pictures as they are coloured."""
        return tuple(
            Coloured(self.palette, one, self.drawings.get(one.drawing or 0), self.dark_first)
            for one in self.card.pictures
        )

    def picture(self, key: int | None) -> Coloured:
        """One of them by its key, None: the first; BadInput where there is none."""
        return self.coloured[self.card.pictures.index(self.card.picture(key))]

    def picture_of(self, area: int) -> Coloured:
        """The picture that an area is of; BadInput where there is none."""
        return self.picture(self.card.picture_of(area).key)

    @cached_property
    def stack(self) -> Stack:
        """Its pieces with their places and colours."""
        return Stack(self.palette, self.coloured)

    @property
    def ground(self) -> Grounded:
        """Its ground as it is laid."""
        return self.stack.of.grounded

    def after(self, change: AnyChange) -> "SeenCard":
        """The same after a change; BadInput where it cannot be made."""
        return replace(self, card=changed(self.card, change, self.palette.pairs))
