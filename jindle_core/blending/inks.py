"""What does one ink, or two of them together, look like on a card?"""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from jindle_core import defaults
from jindle_core.colorimetry.spaces import Array, reflectance_to_lab
from jindle_core.media import Medium
from jindle_core.prediction.behaviour import (
    COVERING,
    HAND_WEIGHT,
    Behaviour,
    Covering,
    Hand,
    layer_weight,
)
from jindle_core.prediction.kubelka_munk import film, film_absorption
from jindle_core.prediction.laying import SCATTER_SHAPE, Dye, dye, soaked
from jindle_core.prediction.stocks import WHITE, uptake

_NO_FILM = 1e-6  # S below which nothing lies on the card


@dataclass(frozen=True, slots=True)
class Ink:
    """A pad: one dab's reflectance (31,) on white, its medium and behaviour, and how it is used here."""

    one: Array
    medium: Medium
    behaviour: Behaviour
    hand: Hand = Hand.MIDDLE
    coats: int = 1


@dataclass(frozen=True, slots=True)
class Inks:
    """Inks apart from their paper, full strength: dye that sinks in, film that stays on; all (…, 31).

    ``log_passed`` and ``gained`` are the dye's, ``absorbing`` and
    ``scattering`` the film's; ``share`` (…, 1) is how much of a dye filters.
    """

    log_passed: Array
    gained: Array
    absorbing: Array
    scattering: Array
    share: Array

    def __getitem__(self, at: object) -> "Inks":
        """Some of them, or one."""
        return Inks(*(getattr(self, name)[at] for name in self.__slots__))

    def times(self, weights: Array) -> "Inks":
        """So much of them; ``weights`` broadcast against (…,)."""
        weights = np.asarray(weights)[..., None]
        parts = (getattr(self, name) * weights for name in self.__slots__[:-1])
        return Inks(*parts, self.share + 0 * weights)

    def with_other(self, other: "Inks") -> "Inks":
        """Both in one another; they broadcast."""
        parts = (getattr(self, name) + getattr(other, name) for name in self.__slots__[:-1])
        return Inks(*parts, (self.share + other.share) / 2)


def inks_of(given: Sequence[Ink]) -> Inks:
    """Inks (n,) as arrays; raises ValueError for a medium that no pad is of."""
    parts: list[tuple[Array, ...]] = []
    nothing = np.zeros(31)
    for ink in given:
        covering = COVERING.get(ink.medium)
        amount = HAND_WEIGHT[ink.hand]
        share = np.array([ink.behaviour.share])
        if covering is Covering.TRANSPARENT:
            amount *= layer_weight(ink.coats, ink.behaviour.decay)
            alone = dye(ink.one)
            parts.append((alone.log_passed * amount, alone.gained * amount, nothing, nothing, share))
        elif covering is Covering.FILM:
            amount *= ink.coats  # a film's coats lie on one another
            scattering = ink.behaviour.scatter * SCATTER_SHAPE
            absorbing = film_absorption(ink.one, scattering, WHITE)
            parts.append((nothing, nothing, absorbing * amount, scattering * amount, share))
        else:
            raise ValueError(f"{ink.medium} is not blended")
    widths = (31, 31, 31, 31, 1)
    return Inks(*(np.array([part[n] for part in parts]).reshape(-1, width) for n, width in enumerate(widths)))


def on_card(inks: Inks, card: Array = WHITE) -> Array:
    """Reflectance (…, 31) of inks on a card (31,): dye in the paper, film over it.

    Ours, out of ``prediction``'s two formulas; for one dab of one ink on white
    it gives the ink's own reflectance back (tested).
    """
    taken = uptake(reflectance_to_lab(card))
    ground = soaked(Dye(inks.log_passed * taken, inks.gained * taken), card, inks.share)
    scattering = np.maximum(inks.scattering, _NO_FILM)
    covered = film(inks.absorbing, scattering, ground)
    return np.where(inks.scattering > _NO_FILM, covered, ground)


def falling(places: int = defaults.STRIP_PLACES) -> Array:
    """How much of the first pad lies at each place of a join, 1 down to 0."""
    return 1 - _ramp(places, defaults.STRIP_FALLS)


def rising(places: int = defaults.STRIP_PLACES) -> Array:
    """How much of the second pad lies at each place of a join, 0 up to 1."""
    return _ramp(places, defaults.STRIP_RISES)


def _ramp(places: int, between: tuple[float, float]) -> Array:
    way = np.linspace(0, 1, places)
    return np.clip((way - between[0]) / (between[1] - between[0]), 0, 1)
