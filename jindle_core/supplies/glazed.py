"""What do two usable colours look like, one laid over the other?"""

import numpy as np

from jindle_core import figures
from jindle_core.held import Held
from jindle_core.media.medium import Medium
from jindle_core.substitutes.glaze import GlazeTable
from jindle_core.supplies.colours import Colours
from jindle_core.supplies.predicted import Predicted


class Glazing:
    """Tables of glazes, a medium each, of the colours (n,) that are usable."""

    def __init__(self, colours: Colours, predicted: Predicted, usable: np.ndarray) -> None:
        self._colours, self._predicted, self._usable = colours, predicted, usable
        self._tables = Held[Medium, tuple[GlazeTable, np.ndarray]](len(Medium))
        self._earlier: dict[Medium, GlazeTable] = {}

    def after(self, earlier: "Glazing") -> None:
        """Need not work out again what an earlier one knows."""
        made = {medium: table for medium, (table, _) in earlier._tables.values.items()}
        self._earlier |= earlier._earlier | made

    def table(self, medium: Medium) -> tuple[GlazeTable, np.ndarray]:
        """Every glaze of two usable colours of a transparent medium, and the places they speak of.

        Of very many colours the first ``figures.laying.GLAZE_OWNED``, in the order of their ranges.
        """

        def made() -> tuple[GlazeTable, np.ndarray]:
            places = np.flatnonzero(self._usable)
            places = places[self._colours.in_media((medium,))[places]][: figures.laying.GLAZE_OWNED]
            ranges = self._colours.range_ids[places].tolist()
            behaviours = [self._predicted.behaviour(one) for one in ranges]
            earlier = self._earlier.pop(medium, None)
            return GlazeTable(self._colours.reflectance(places), behaviours, earlier), places

        return self._tables.get(medium, made)
