"""What is known of how a range behaves, and how far off may be what that says?"""

import math
from dataclasses import dataclass

import numpy as np

from jindle_core import figures
from jindle_core.colorimetry.difference import delta_e
from jindle_core.colorimetry.spaces import Array, reflectance_to_lab
from jindle_core.media.medium import Medium
from jindle_core.prediction.behaviour import Behaviour, Hand, usual_behaviour, values_of, with_values
from jindle_core.prediction.laying import laid
from jindle_core.prediction.stocks import unlike_white

_OF_HANDS = (Hand.LIGHT, Hand.HEAVY)


@dataclass(frozen=True, slots=True)
class Known:
    """What is known of how a range behaves.

    ``spread`` (p, p) has a column for each direction in which the parameters
    ``names`` (as ``values_of`` gives them) may lie off, one sigma long.
    ``scale`` is what its readings earned: how far they lay off, beside what had
    been said. ``before`` and ``after`` are means in ΔE00 over the ``readings``;
    ``after`` is from fits that left out the readings they were judged by, and
    nothing where there is but one.
    """

    medium: Medium
    behaviour: Behaviour
    names: tuple[str, ...]
    spread: Array
    scale: float = 1.0
    readings: int = 0
    before: float = 0.0
    after: float | None = None

    def says(
        self,
        ones: Array,
        layers: int = 1,
        hand: Hand = Hand.MIDDLE,
        card: Array | None = None,
        below: Array | None = None,
    ) -> Array:
        """The reflectances (m, 31) that it predicts; arguments as ``laid`` has them, no card being white."""
        return _shown(self.behaviour, self.medium, ones, layers, hand, card, below)

    def sigma(
        self,
        ones: Array,
        layers: int = 1,
        hand: Hand = Hand.MIDDLE,
        card: Array | None = None,
        below: Array | None = None,
    ) -> Array:
        """One sigma (m,), in ΔE00, of those; nothing for the way that colours are read in.

        The root of the sum of squares of how far they move when the parameters lie off, and of what the
        formula leaves open. Ours; how it holds stands in ``docs/truth.md``.
        """
        if (layers, hand) == (1, Hand.MIDDLE) and card is None and below is None:
            return np.zeros(len(ones))
        given = (self.medium, ones, layers, hand, card, below)
        here = reflectance_to_lab(_shown(self.behaviour, *given))
        squares = np.full(len(ones), self.left_open(layers, hand, card, below is not None) ** 2)
        other_hands = [name in _OF_HANDS and name != hand for name in self.names]
        for column in self.spread.T:
            if not np.any(column[~np.array(other_hands)]):
                continue  # no matter how another hand lays it
            moved = values_of(self.behaviour, self.names) + column
            there = reflectance_to_lab(_shown(with_values(self.behaviour, self.names, moved), *given))
            squares += delta_e(here, there) ** 2
        return np.asarray(self.scale * np.sqrt(squares))

    def left_open(self, layers: int, hand: Hand, card: Array | None, over: bool) -> float:
        """One sigma (ΔE00) of what the formula cannot say: layers, hand, card, one ``over`` another."""
        more, other, power = figures.laying.LEFT_OPEN[self.medium.laid]
        far = 0.0 if card is None else unlike_white(card) ** power
        parts = [more * (layers - 1), other * far * layers**0.5]
        parts.append(figures.laying.HAND_OPEN if hand is not Hand.MIDDLE else 0.0)
        parts.append(figures.laying.GLAZE_SIGMA if over else 0.0)
        return math.hypot(*parts)

    def noise(self, layers: int, hand: Hand, card: Array | None, over: bool, own: float) -> float:
        """One sigma of a reading laid so, along L*, a* or b*, of a colour that is known to ``own`` (ΔE00)."""
        parts = (figures.laying.FIT_NOISE, self.left_open(layers, hand, card, over), own)
        return math.hypot(*parts) * math.sqrt(3 / figures.laying.FIT_AXES)


def _shown(
    behaviour: Behaviour,
    medium: Medium,
    ones: Array,
    layers: int,
    hand: Hand,
    card: Array | None,
    below: Array | None,
) -> Array:
    on = {} if card is None else {"card": card}
    return laid(ones, medium, layers, hand, behaviour=behaviour, below=below, **on)


def usually(medium: Medium) -> Known:
    """What is known of a range that nothing was read of; ValueError for a medium that is not laid."""
    usual = usual_behaviour(medium)
    prior = figures.laying.FIT_PRIOR[medium.laid]
    return Known(medium, usual, tuple(prior), np.diag(list(prior.values())))
