"""Which colours stand on a range's swatch chart, and in which order: printer and reader ask the same."""

import numpy as np

from jindle_core.matching.chart import order_of_use
from jindle_core.supplies.whole import Supplies


def chart_places(supplies: Supplies, range_id: int, owned: bool) -> np.ndarray:
    """The places of a range's colours, all or only those in the drawer, as one reaches for them."""
    places = np.flatnonzero(supplies.range_ids == range_id)
    if owned:
        places = places[supplies.owned[places]]
    # The order must not move when a colour is read, or a chart that was printed before could not be read.
    families = [supplies.rows[place].family for place in places]
    return places[order_of_use(supplies.label_lab[places], families)]
