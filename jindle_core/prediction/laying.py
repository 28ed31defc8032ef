"""What does a colour look like laid in layers, by a hand, on a card, over another colour?

Reflectances are (…, 31). ``one`` is always one full layer of the colour, dry,
read on ``white``; ``card`` is what it is laid on now.
"""

from dataclasses import dataclass

import numpy as np

from jindle_core import figures
from jindle_core.colorimetry.spaces import BANDS, Array
from jindle_core.media.medium import Covering, Medium
from jindle_core.prediction.behaviour import Behaviour, Hand, layer_weight, usual_behaviour
from jindle_core.prediction.kubelka_munk import absorption, film, film_absorption, reflectance_of
from jindle_core.prediction.stocks import WHITE_CARD, uptake

_R0 = figures.laying.SURFACE_REFLECTION
_LEAST_GAP = 1e-6
SCATTER_SHAPE = (BANDS.wavelengths / 550) ** -0.6  # shorter waves scatter more


@dataclass(frozen=True, slots=True)
class Dye:
    """A transparent colour apart from its paper: log of what it lets pass, and its K/S; (…, 31)."""

    log_passed: Array
    gained: Array


def dye(one: Array, white: Array = WHITE_CARD) -> Dye:
    """The dye whose one layer on ``white`` shows ``one``."""
    passed = np.clip((one - _R0) / (white - _R0), *figures.laying.TRANSMITTANCE_RANGE)
    white_absorption = absorption(white)
    gained = np.maximum(
        absorption(one) - white_absorption, -figures.laying.LIGHTENING_LIMIT * white_absorption
    )
    return Dye(np.log(passed), gained)


def soaked(dyes: Dye, card: Array, share: float | Array) -> Array:
    """A card with dye in it, its amounts already multiplied in and summed.

    The mean, in logarithms, of a pure filter (light passes the dye twice) and
    of dye mixed into the paper (Kubelka–Munk): R = M^w · K^(1−w). Ours;
    checked against the stand-in reader's swatches (bench) and, for one layer
    on the reading's own paper, exact.
    """
    filtered = _R0 + (card - _R0) * np.exp(dyes.log_passed)
    mixed = reflectance_of(np.maximum(absorption(card) + dyes.gained, figures.laying.LEAST_ABSORPTION))
    return filtered**share * mixed ** (1 - share)


def laid(
    one: Array,
    medium: Medium,
    layers: int = 1,
    hand: Hand = Hand.MIDDLE,
    card: Array = WHITE_CARD,
    white: Array = WHITE_CARD,
    behaviour: Behaviour | None = None,
    below: Array | None = None,
) -> Array:
    """The reflectance (…, 31) of colours of a medium laid on a card (31,).

    ``below`` (…, 31) is what one layer of other colours shows on ``white``, over which they are laid once
    that is dry; a film or wax lies on it as on a card of that colour.

    Raises ValueError for a medium that is not laid on paper and for no layers.
    """
    behaviour = behaviour or usual_behaviour(medium)
    if below is not None:
        if medium.laid is Covering.TRANSPARENT:
            return glazed(dye(below, white), 1, dye(one, white), layers, behaviour, card, hand)
        card = below * card / white
    weight = behaviour.weight(hand) * layer_weight(layers, behaviour.decay)
    if medium.laid is Covering.FILM:
        # A film's layers lie on one another: each adds a whole film.
        return _film(one, behaviour.weight(hand) * layers, card, white, behaviour.scatter)
    if medium.laid is Covering.WAX:
        return _wax(one, weight, card, white, behaviour)
    alone = dye(one, white)
    weight *= uptake(card) ** behaviour.thirst
    return soaked(Dye(alone.log_passed * weight, alone.gained * weight), card, behaviour.share)


def _film(one: Array, weight: float, card: Array, white: Array, scatter: float) -> Array:
    scattering = scatter * SCATTER_SHAPE
    absorbing = film_absorption(one, scattering, white)
    return film(absorbing * weight, scattering * weight, card)


def _wax(one: Array, weight: float, card: Array, white: Array, behaviour: Behaviour) -> Array:
    """A film on the part of the paper that it covers; further layers close gaps and thicken it.

    Ours; checked against two kinds of pencils of made-up worlds (``docs/truth.md``).
    """
    # Light that spreads under grains mixes what they cover and what they leave bare in a root of it.
    spread = behaviour.grain
    on, between = one ** (1 / spread), white ** (1 / spread)
    # No gap is lighter than what the darkest band still shows.
    most = figures.laying.PENCIL_GAP_MOST * np.min(on / between, axis=-1, keepdims=True)
    bare = np.clip(most, _LEAST_GAP, behaviour.gap)
    scattering = behaviour.scatter * SCATTER_SHAPE
    least = (figures.colour.REFLECTANCE_FLOOR / 10) ** (1 / spread)
    alone = np.maximum((on - bare * between) / (1 - bare), least) ** spread
    absorbing = film_absorption(alone, scattering, white)
    still_bare = bare**weight
    thicker = weight * (1 - bare) / (1 - still_bare)
    covered = film(absorbing * thicker, scattering * thicker, card)
    mixed = (1 - still_bare) * covered ** (1 / spread) + still_bare * card ** (1 / spread)
    return np.asarray(mixed**spread)


def glazed(
    under: Dye,
    under_layers: int,
    over: Dye,
    over_layers: int,
    behaviour: Behaviour,
    card: Array = WHITE_CARD,
    hand: Hand = Hand.MIDDLE,
) -> Array:
    """Reflectance of transparent colours glazed over others; their dyes broadcast.

    What comes second sinks in less: ``behaviour.glaze`` of it counts.
    """
    taken = uptake(card) ** behaviour.thirst
    first = taken * layer_weight(under_layers, behaviour.decay)
    second = taken * behaviour.glaze * behaviour.weight(hand) * layer_weight(over_layers, behaviour.decay)
    together = Dye(
        first * under.log_passed + second * over.log_passed, first * under.gained + second * over.gained
    )
    return soaked(together, card, behaviour.share)
