"""How do the colours of a range behave when they are laid: how they build up, cover and let through?"""

from collections.abc import Sequence
from dataclasses import dataclass, replace
from enum import StrEnum
from typing import assert_never

import numpy as np

from jindle_core import figures
from jindle_core.colorimetry.spaces import Array
from jindle_core.media.medium import Covering, Medium


class Hand(StrEnum):
    """How heavily a colour is laid."""

    LIGHT = "light"
    MIDDLE = "middle"
    HEAVY = "heavy"


_HANDS = (Hand.LIGHT.value, Hand.HEAVY.value)


@dataclass(frozen=True, slots=True)
class Behaviour:
    """The parameters of a range.

    ``decay`` (b): a layer brings b times what the one before brought.
    ``share`` (w): how much of a transparent colour acts as a filter on the
    paper rather than as dye in it; ``thirst``: the power of a card's uptake;
    ``glaze``: what counts of a layer over a dry colour. ``scatter`` (S at
    550 nm): how far a film, or the grains of a pencil, cover. ``gap``: the
    share of the area that one layer of a pencil leaves bare; ``grain``: how far
    light spreads under its grains (n of Yule and Nielsen 1951). ``light`` and
    ``heavy``: how much such a hand brings, a middle one being 1.
    """

    decay: float
    share: float = figures.laying.TRANSPARENT_SHARE
    thirst: float = 1.0
    glaze: float = figures.laying.GLAZE_WEIGHT
    scatter: float = figures.laying.FILM_SCATTER["semi-opaque"]
    gap: float = figures.laying.PENCIL_GAP
    grain: float = figures.laying.PENCIL_GRAIN
    light: float = figures.laying.HAND_WEIGHT["light"]
    heavy: float = figures.laying.HAND_WEIGHT["heavy"]

    def weight(self, hand: Hand) -> float:
        """How much colour a hand brings."""
        match hand:
            case Hand.LIGHT:
                return self.light
            case Hand.MIDDLE:
                return 1.0
            case Hand.HEAVY:
                return self.heavy
            case _:
                assert_never(hand)


_IN_LOGARITHMS = ("scatter", "grain", *_HANDS)  # of these twice as much is as likely as half


def usual_behaviour(medium: Medium) -> Behaviour:
    """The defaults of a medium; ValueError for one that is not laid on paper."""
    covering = medium.laid
    films = figures.laying.FILM_SCATTER["opaque" if medium.traits.opaque else "semi-opaque"]
    return Behaviour(
        decay=figures.laying.LAYER_DECAY[covering],
        scatter=figures.laying.PENCIL_SCATTER if covering is Covering.WAX else films,
    )


def values_of(behaviour: Behaviour, names: Sequence[str]) -> Array:
    """Parameters as they are fitted: what is thought of in multiples in logarithms."""
    told = [getattr(behaviour, name) for name in names]
    return np.array(
        [np.log(one) if name in _IN_LOGARITHMS else one for name, one in zip(names, told, strict=True)]
    )


def with_values(behaviour: Behaviour, names: Sequence[str], values: Array) -> Behaviour:
    """The behaviour with other parameters, given as ``values_of`` gives them and kept within their limits."""
    changed = {}
    for name, value in zip(names, values.tolist(), strict=True):
        told = np.exp(value) if name in _IN_LOGARITHMS else value
        changed[name] = float(np.clip(told, *figures.laying.FIT_LIMITS[name]))
    return replace(behaviour, **changed)


def layer_weight(layers: int, decay: float) -> float:
    """How much colour ``layers`` layers bring, one layer being 1: each next one brings less.

    >>> layer_weight(2, 0.75)
    1.75
    """
    if layers < 1:
        raise ValueError(f"layers must be 1 or more, not {layers}")
    return (1 - decay**layers) / (1 - decay)
