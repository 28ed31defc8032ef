"""Which of all colours has one person in the drawer, and what can be had?"""

from collections.abc import Collection
from dataclasses import dataclass, field, fields
from functools import cached_property

import numpy as np

from jindle_core import figures
from jindle_core.families.build import Builder
from jindle_core.fullness import Kept
from jindle_core.held import Held
from jindle_core.matching.nearest import Indices, Nearest, NearestIndex
from jindle_core.media.medium import Medium
from jindle_core.supplies.colours import Colours
from jindle_core.supplies.glazed import Glazing
from jindle_core.supplies.predicted import Predicted
from jindle_core.supplies.searched import Searching

_BUILDERS = 12  # media, drawers and papers whose families are held at once
_BuiltOf = tuple[Medium, bool, int, int | None]


@dataclass(frozen=True, eq=False)
class Supplies(Colours):
    """Colours as one person knows them, and the drawer, which goes by a colour's id."""

    drawer: dict[int, Kept] = field(default_factory=dict)

    def with_drawer(self, drawer: dict[int, Kept]) -> "Supplies":
        """The same colours with another drawer; what that has no part in stands as it was worked out."""
        made = Supplies(**{one.name: getattr(self, one.name) for one in fields(Colours)}, drawer=drawer)
        vars(made).update({name: found for name, found in vars(self).items() if name in _WITHOUT_DRAWER})
        return made.after(self)

    def worked_out(self) -> "Supplies":
        """The same, with what has no part in a drawer worked out, for many drawers to come."""
        for name in _WITHOUT_DRAWER:
            getattr(self, name)
        return self

    def after(self, earlier: "Supplies") -> "Supplies":
        """The same, which need not work out again what they were before."""
        self.glazed.after(earlier.glazed)
        if earlier.lab is self.lab:
            self.searched.after(earlier.searched)
        return self

    @cached_property
    def owned(self) -> np.ndarray:
        """Whether each is in the drawer, dry ones too."""
        return np.array([row.id in self.drawer for row in self.rows], dtype=bool)

    @cached_property
    def usable(self) -> np.ndarray:
        """Whether each is in the drawer and not dry: what "only what I own" offers."""
        ids = [row.id for row in self.rows]
        return np.array([pk in self.drawer and self.drawer[pk].fullness != "dry" for pk in ids], dtype=bool)

    @cached_property
    def to_be_had(self) -> np.ndarray:
        """Whether each colour is still made or owned."""
        return np.asarray((~self.discontinued | self.owned) & ~self.lost)

    def kept(self, place: int) -> Kept | None:
        """How the colour at a place stands in the drawer, if it does."""
        return self.drawer.get(self.rows[place].id)

    @property
    def all_kept(self) -> list[tuple[int, Kept]]:
        """The places of all that is in the drawer, and how it stands there."""
        return [(place, self.drawer[row.id]) for place, row in enumerate(self.rows) if row.id in self.drawer]

    def of_media(self, media: Collection[Medium]) -> np.ndarray:
        """The places of the colours, still made or owned, in any of some media."""
        return np.flatnonzero(self.in_media(media) & self.to_be_had)

    def nearest(self, targets: np.ndarray, k: int, places: np.ndarray) -> list[Nearest]:
        """For each target (m, 3) the ``k`` nearest colours among some places, by place."""
        found = NearestIndex(self.lab[places]).query(targets, k)
        return [Nearest(places[one.indices], one.distances) for one in found]

    @cached_property
    def predicted(self) -> Predicted:
        """What they look like laid."""
        return Predicted(self)

    @cached_property
    def searched(self) -> Searching:
        """The columns of the palette table, searched; what is no longer made and not owned is left out."""
        return Searching(self.lab, self.columns, self.to_be_had, self.usable)

    @cached_property
    def glazed(self) -> Glazing:
        """Two of what is usable, one over the other."""
        return Glazing(self, self.predicted, self.usable)

    @cached_property
    def _builders(self) -> Held[_BuiltOf, tuple[Builder, Indices]]:
        return Held(_BUILDERS)

    def families(
        self, medium: Medium, owned: bool, layers: int, paper: int | None
    ) -> tuple[Builder, np.ndarray]:
        """What families of a medium, laid in layers on a card, are built from; and its places.

        The card is a place, or None for white. Without two that are owned, all
        that can be had.
        """

        def made() -> tuple[Builder, Indices]:
            places = self.of_media((medium,))
            mine = places[self.usable[places]]
            enough = owned and len(mine) >= figures.families.FAMILY_SIZES[0]
            places = mine if enough else places[self.to_be_had[places]]
            return Builder(self.predicted.in_layers(places, layers, paper), self.range_ids[places]), places

        return self._builders.get((medium, owned, layers, paper), made)


_WITHOUT_DRAWER = frozenset(
    [name for name, one in vars(Colours).items() if isinstance(one, cached_property)] + ["predicted"]
)
