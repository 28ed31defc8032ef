"""Which supplies of a column are nearest, of all or of what is owned?"""

import numpy as np

from jindle_core.held import Held
from jindle_core.matching.nearest import NearestIndex
from jindle_core.media.groups import EVERY_COLUMN
from jindle_core.palettes.standing import Landable

_Key = tuple[str, bool]  # a column; only what is owned
Searched = tuple[NearestIndex, np.ndarray]  # a search tree, and the places it searches


class Searching:
    """Search trees of every column (by its key), over all that can be had and over what is usable.

    ``lab`` (n, 3) are all colours, ``columns`` the places in each column, ``to_be_had`` and ``usable`` (n,)
    which are.
    """

    def __init__(
        self, lab: np.ndarray, columns: dict[str, np.ndarray], to_be_had: np.ndarray, usable: np.ndarray
    ) -> None:
        self._lab, self._columns, self._kept = lab, columns, (to_be_had, usable)
        self._trees = Held[_Key, Searched](2 * len(EVERY_COLUMN))
        self._landables = Held[_Key, Landable](2 * len(EVERY_COLUMN))
        self._earlier: dict[_Key, Searched] = {}

    def after(self, earlier: "Searching") -> None:
        """Need not make the trees again that an earlier one made of the same colours."""
        self._earlier |= earlier._earlier | earlier._trees.values

    def tree(self, column: str, only_owned: bool) -> Searched:
        """The tree of a column and the places that it searches."""

        def made() -> Searched:
            places = self._columns[column]
            kept = places[self._kept[only_owned][places]]
            earlier = self._earlier.get((column, only_owned))
            if earlier is not None and np.array_equal(kept, earlier[1]):
                return earlier
            return NearestIndex(self._lab[kept]), kept

        return self._trees.get((column, only_owned), made)

    def landable(self, column: str, only_owned: bool) -> Landable:
        """The same colours of a column as a palette lands on them."""
        tree, _ = self.tree(column, only_owned)
        return self._landables.get((column, only_owned), lambda: Landable(tree.lab, tree))
