"""Which pad, on which white card, comes nearest to a card that is not there?"""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from jindle_core.colorimetry.difference import delta_e
from jindle_core.colorimetry.spaces import Array, reflectance_to_lab
from jindle_core.media.medium import Medium
from jindle_core.prediction.behaviour import Behaviour, Hand
from jindle_core.prediction.laying import laid


@dataclass(frozen=True, slots=True)
class Pad:
    """A pad: one full dab's reflectance (31,) on white, its medium and its range's behaviour."""

    one: Array
    medium: Medium
    behaviour: Behaviour


@dataclass(frozen=True, slots=True)
class Inked:
    """A card inked whole: places of pad and card, the hand, the predicted Lab and ΔE00 off."""

    pad: int
    card: int
    hand: Hand
    lab: tuple[float, float, float]
    distance: float


def ink_your_own(target: Array, pads: Sequence[Pad], cards: Array, count: int = 3) -> list[Inked]:
    """The ``count`` nearest to a target (3,), each pad once; ``cards`` (m, 31) are white cards."""
    if not pads or not len(cards):
        return []
    ways = [(card, hand) for card in range(len(cards)) for hand in Hand]
    labs = np.empty((len(pads), len(ways), 3))
    for medium, behaviour in dict.fromkeys((pad.medium, pad.behaviour) for pad in pads):
        those = [at for at, pad in enumerate(pads) if (pad.medium, pad.behaviour) == (medium, behaviour)]
        ones = np.stack([pads[at].one for at in those])
        for n, (card, hand) in enumerate(ways):
            seen = laid(ones, medium, 1, hand, cards[card], behaviour=behaviour)
            labs[those, n] = reflectance_to_lab(seen)
    distances = delta_e(np.asarray(target), labs)
    best = np.argmin(distances, axis=1)
    found = []
    for pad in np.argsort(distances.min(axis=1), kind="stable")[:count].tolist():
        card, hand = ways[best[pad]]
        lightness, a, b = labs[pad, best[pad]].tolist()
        found.append(Inked(pad, card, hand, (lightness, a, b), float(distances[pad, best[pad]])))
    return found
