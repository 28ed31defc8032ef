"""Which pad, on which white card, comes nearest to a card that is not there?"""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from jindle_core.colorimetry.difference import delta_e
from jindle_core.colorimetry.spaces import Array, reflectance_to_lab
from jindle_core.media import Medium
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
    found = []
    for at, pad in enumerate(pads):
        predicted = [
            (
                card_at,
                hand,
                reflectance_to_lab(laid(pad.one, pad.medium, 1, hand, card, behaviour=pad.behaviour)),
            )
            for card_at, card in enumerate(cards)
            for hand in Hand
        ]
        if not predicted:
            continue
        distances = delta_e(np.asarray(target)[None], np.array([lab for *_, lab in predicted]))
        best = int(np.argmin(distances))
        card_at, hand, (lightness, a, b) = predicted[best]
        lab = (float(lightness), float(a), float(b))
        found.append(Inked(at, card_at, hand, lab, float(distances[best])))
    return sorted(found, key=lambda one: one.distance)[:count]
