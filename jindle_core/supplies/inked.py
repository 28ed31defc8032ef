"""Which white card of the drawer, inked with which of its pads, comes nearest to a colour?"""

from dataclasses import dataclass

import numpy as np

from jindle_core import figures
from jindle_core.matching.verdicts import combined
from jindle_core.media.groups import PAD_MEDIA
from jindle_core.prediction.behaviour import Hand
from jindle_core.prediction.stocks import WHITE_CARD
from jindle_core.substitutes.inked import Pad, ink_your_own
from jindle_core.supplies.whole import Supplies


@dataclass(frozen=True)
class InkedFound:
    """A pad and a white card by their places, the hand, the predicted CIELAB, ΔE00 off, one sigma of it.

    ``card`` is None for plain white card that is in no range.
    """

    pad: int
    card: int | None
    hand: Hand
    lab: tuple[float, float, float]
    distance: float
    sigma: float


def inked_cards(
    supplies: Supplies, target: tuple[float, ...], count: int = 3, plain: bool = False
) -> list[InkedFound] | None:
    """The nearest to a CIELAB (3,); None where the drawer holds no pad, or no white card.

    With ``plain``, plain white card does where the drawer holds none.
    """
    pads = supplies.of_media(PAD_MEDIA)
    pads = pads[supplies.usable[pads]]
    stock = supplies.columns["cardstock"]
    lab = supplies.lab[stock]
    white = (lab[:, 0] >= figures.laying.WHITE_CARD_L) & (
        np.hypot(lab[:, 1], lab[:, 2]) <= figures.laying.WHITE_CARD_C
    )
    cards = stock[white & supplies.usable[stock]]
    if not len(pads) or not (len(cards) or plain):
        return None
    whites = supplies.reflectance(cards) if len(cards) else WHITE_CARD[None]
    ranges = [supplies.ranges[int(supplies.range_ids[pad])] for pad in pads]
    given = [
        Pad(one, about.medium, supplies.predicted.behaviour(about.id))
        for about, one in zip(ranges, supplies.reflectance(pads), strict=True)
    ]
    found = []
    for one in ink_your_own(np.array(target), given, whites, count):
        pad = pads[one.pad : one.pad + 1]
        known = supplies.predicted.known(int(supplies.range_ids[pad[0]]))
        sigma = combined(
            float(supplies.sigma[pad[0]]),
            float(known.sigma(supplies.reflectance(pad), 1, one.hand, whites[one.card])[0]),
        )
        card = int(cards[one.card]) if len(cards) else None
        found.append(InkedFound(int(pads[one.pad]), card, one.hand, one.lab, one.distance, sigma))
    return found
