"""Which supplies are offered: those owned first, of each kind of card the best?"""

from collections.abc import Iterator, Sequence

import numpy as np

from jindle_core import figures
from jindle_core.colorimetry.difference import delta_e
from jindle_core.layers.pieces import WHITE_END
from jindle_core.material import End
from jindle_core.media.medium import Medium
from jindle_core.prediction.stocks import stock_kind
from jindle_core.supplies.whole import Supplies

_CALLED_SO = 100.0  # ΔE00: more than any two colours are apart


def supply_ends(supplies: Supplies, media: Sequence[Medium]) -> tuple[list[End], np.ndarray]:
    """Supplies of some media with their CIELAB (n, 3): those owned, or all that can be had where none is."""
    places = supplies.of_media(media)
    owned = places[supplies.usable[places]]
    places = owned if len(owned) else places
    return [End("supply", supplies.rows[place].id) for place in places], supplies.lab[places]


def stocks(supplies: Supplies) -> Iterator[tuple[str, End]]:
    """White, black, kraft and metallic card, as far as there is any: owned ones first."""
    yield "white card", WHITE_END
    card = supplies.columns["cardstock"]
    metallic = [key for key, facts in supplies.ranges.items() if facts.properties.get("metallic")]
    metal = np.isin(supplies.range_ids[card], metallic)
    lab = supplies.lab[card]
    grey = np.hypot(lab[:, 1], lab[:, 2]) <= figures.paper.NEUTRAL_ROLE_C
    black = ~metal & grey & (lab[:, 0] <= figures.building.BLACK_CARD_L)
    off = delta_e(lab, np.array(figures.laying.STOCKS["kraft"][0])) if len(lab) else lab[:, 0]
    # What calls itself so is; else what looks like it, not merely more so than like the other stocks.
    named = np.array(["kraft" in supplies.rows[place].name.casefold() for place in card], dtype=bool)
    kraft = ~metal & (named | (off <= figures.colour.COUSIN))
    for words, fits, cost in (
        ("black card", black, lab[:, 0]),
        ("kraft card", kraft, np.where(named, off - _CALLED_SO, off)),
        ("metallic card", metal, -lab[:, 0]),
    ):
        mine = fits & supplies.usable[card]
        places = np.flatnonzero(mine if mine.any() else fits & supplies.to_be_had[card])
        if len(places):
            best = card[places[np.argmin(cost[places])]]
            yield words, End("supply", supplies.rows[best].id)


def papers_to_try(supplies: Supplies) -> list[tuple[str, int | None]]:
    """White marker paper, and of each kind of cardstock the one most like it, owned ones first."""
    stock = supplies.columns["cardstock"]
    mine = stock[supplies.usable[stock]]
    found: list[tuple[str, int | None]] = [("white marker paper", None)]
    for kind, (lab, _) in figures.laying.STOCKS.items():
        for places in (mine, stock) if kind != "white" else ():
            off = delta_e(np.array(lab), supplies.lab[places])
            if len(places) and stock_kind(supplies.lab[places[off.argmin()]]) == kind:
                found.append((kind, int(places[off.argmin()])))
                break
    return found
