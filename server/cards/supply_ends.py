"""What could stand in for something on a card: the palette's colours, and supplies?"""

from collections.abc import Iterator, Sequence

import numpy as np

from jindle_core import figures
from jindle_core.colorimetry.difference import delta_e
from jindle_core.layers.pieces import WHITE
from jindle_core.material import End
from jindle_core.media import Medium
from jindle_core.prediction.stocks import stock_kind
from jindle_core.supplies.colours import Supplies
from server.cards.resolve import ResolvedPlan


def palette_ends(resolved: ResolvedPlan, without: Sequence[End]) -> tuple[list[End], np.ndarray]:
    """The palette's colours with their CIELAB (n, 3), but for some."""
    ends = [End("palette", colour.key) for colour in resolved.plan.colours]
    kept = [place for place, end in enumerate(ends) if end not in without]
    return [ends[place] for place in kept], resolved.lab[kept]


def supply_ends(catalogue: Supplies, media: Sequence[Medium]) -> tuple[list[End], np.ndarray]:
    """Supplies of some media with their CIELAB (n, 3): those owned, or all that can be had where none is."""
    places = catalogue.of_media(media)
    owned = places[catalogue.usable[places]]
    places = owned if len(owned) else places
    return [End("supply", catalogue.rows[place].id) for place in places], catalogue.lab[places]


def stocks(catalogue: Supplies) -> Iterator[tuple[str, End]]:
    """White, black, kraft and metallic card, as far as there is any: owned ones first."""
    yield "white card", WHITE
    card = catalogue.columns["cardstock"]
    metallic = [key for key, facts in catalogue.ranges.items() if facts.properties.get("metallic")]
    metal = np.isin(catalogue.range_ids[card], metallic)
    lab = catalogue.lab[card]
    grey = np.hypot(lab[:, 1], lab[:, 2]) <= figures.paper.NEUTRAL_ROLE_C
    black = ~metal & grey & (lab[:, 0] <= figures.building.BLACK_CARD_L)
    kraft = ~metal & np.array([stock_kind(one) == "kraft" for one in lab], dtype=bool)
    off = delta_e(lab, np.array(figures.laying.STOCKS["kraft"][0])) if len(lab) else lab[:, 0]
    for words, fits, cost in (
        ("black card", black, lab[:, 0]),
        ("kraft card", kraft, off),
        ("metallic card", metal, -lab[:, 0]),
    ):
        mine = fits & catalogue.usable[card]
        places = np.flatnonzero(mine if mine.any() else fits & catalogue.to_be_had[card])
        if len(places):
            best = card[places[np.argmin(cost[places])]]
            yield words, End("supply", catalogue.rows[best].id)
