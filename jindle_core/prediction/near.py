"""What does a reading of a colour say of other ways of laying the same colour?"""

from collections.abc import Sequence
from dataclasses import dataclass, field

import numpy as np

from jindle_core import figures
from jindle_core.colorimetry.spaces import Array
from jindle_core.media.medium import Covering
from jindle_core.prediction.behaviour import Hand, layer_weight
from jindle_core.prediction.known import Known
from jindle_core.prediction.stocks import WHITE_CARD, unlike


@dataclass(frozen=True, slots=True)
class Way:
    """How a colour is laid; ``below`` is the id of the colour that it lies over, 0 for none."""

    layers: int = 1
    hand: Hand = Hand.MIDDLE
    card: Array = field(default_factory=lambda: WHITE_CARD)
    below: int = 0

    def same_as(self, other: "Way") -> bool:
        """Whether the one is laid as the other."""
        alike = (self.layers, self.hand, self.below) == (other.layers, other.hand, other.below)
        return alike and np.array_equal(self.card, other.card)


USUAL = Way()  # in which colours are read to be known


def pulled(
    known: Known, way: Way, says: Array, read: Sequence[tuple[Way, Array, Array]]
) -> tuple[Array, float]:
    """What a colour shows laid some way, after its own readings; and the share of its sigma that is left.

    ``says`` (31,) is what is predicted, ``read`` has a way each with what was
    read there (31,) and what is predicted there (31,). A reading is kept as its
    ratio to that, in logarithms, and carried over by likeness (a Gaussian
    process without a mean): all of it to the very same way, the less the more
    unlike. ``USUAL``, in which colours are known, says that nothing is off
    there. Ours; how far it helps stands in ``docs/truth.md``.
    """
    ways: list[Way] = [USUAL]
    ratios: list[list[Array]] = [[np.zeros(31)]]
    for one, seen, said in read:
        ratio = np.log(np.maximum(seen, 1e-4) / np.maximum(said, 1e-4))
        at = next((at for at, other in enumerate(ways) if one.same_as(other)), None)
        if at is None:
            ways.append(one)
            ratios.append([ratio])
        else:
            ratios[at].append(ratio)
    weights, left = _weights(known, way, ways)
    most = figures.laying.NEAR_MOST
    off = np.stack([np.median(each, axis=0) for each in ratios])
    return np.clip(says * np.exp(np.clip(weights @ off, -most, most)), 0, 1), left


def left_open(known: Known, way: Way, read: Sequence[Way]) -> float:
    """The share of the sigma of a way of laying that is left once the same colour was read in others."""
    ways = [USUAL]
    ways += [
        one for at, one in enumerate(read) if not any(one.same_as(other) for other in (USUAL, *read[:at]))
    ]
    return _weights(known, way, ways)[1]


def _weights(known: Known, way: Way, ways: Sequence[Way]) -> tuple[Array, float]:
    """How much each of some ways, of which the first is the usual, says of another; what they leave open."""
    between = np.array([[_likeness(known, one, other) for other in ways] for one in ways])
    noise = np.diag([0.0] + [figures.laying.NEAR_NOISE] * (len(ways) - 1))
    to_this = np.array([_likeness(known, way, one) for one in ways])
    weights = np.linalg.solve(between + noise, to_this)
    # What the usual way alone leaves open is what the sigma says already.
    open_before = max(1 - to_this[0] ** 2, 1e-9)
    return weights, float(np.sqrt(np.clip((1 - weights @ to_this) / open_before, 0, 1)))


def _likeness(known: Known, one: Way, other: Way) -> float:
    """How much one way of laying says of another: 1 of itself, nothing over or under another colour."""
    if one.below != other.below:
        return 0.0
    covering = known.medium.laid
    amounts = [_amount(known, way, covering) for way in (one, other)]
    more = np.log(amounts[0] / amounts[1]) / figures.laying.NEAR_AMOUNT
    apart = unlike(one.card, other.card) / figures.laying.NEAR_CARD[covering]
    return float(np.exp(-(more**2 + apart**2) / 2))


def _amount(known: Known, way: Way, covering: Covering) -> float:
    film, behaviour = covering is Covering.FILM, known.behaviour
    return behaviour.weight(way.hand) * (way.layers if film else layer_weight(way.layers, behaviour.decay))
