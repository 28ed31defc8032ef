"""What does one ink, or several of them together, look like on a card?"""

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Self

import numpy as np

from jindle_core import figures
from jindle_core.colorimetry.spaces import Array, reflectance_to_lab
from jindle_core.media.medium import Covering, Medium
from jindle_core.prediction.behaviour import Behaviour, Hand, layer_weight
from jindle_core.prediction.kubelka_munk import film, film_absorption
from jindle_core.prediction.laying import SCATTER_SHAPE, Dye, dye, soaked
from jindle_core.prediction.stocks import WHITE_CARD, uptake

_NOTHING = 1e-6  # S below which no film lies on the card, dabs below which no ink does


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
    """Inks apart from their paper: dye that sinks in, film that stays on. Everything adds up.

    ``log_passed`` and ``gained`` are the dye's, ``absorbing`` and
    ``scattering`` the film's; (…, 31). ``amount`` is how much lies there in
    full dabs, ``filtering`` how much of that filters (the dye's share w),
    ``drying`` the amount times the ΔL* by which it dries lighter, ``drinking`` the
    amount times the power of a card's uptake; (…, 1).
    """

    log_passed: Array
    gained: Array
    absorbing: Array
    scattering: Array
    amount: Array
    filtering: Array
    drying: Array
    drinking: Array

    def __len__(self) -> int:
        return len(self.amount)

    def __getitem__(self, at: object) -> Self:
        """Some of them, or one."""
        return type(self)(*(getattr(self, name)[at] for name in self.__slots__))

    def times(self, weights: Array) -> Self:
        """So much of them; ``weights`` broadcast against (…,)."""
        weights = np.asarray(weights)[..., None]
        return type(self)(*(getattr(self, name) * weights for name in self.__slots__))

    def with_other(self, other: Self) -> Self:
        """Both in one another; they broadcast."""
        return type(self)(*(getattr(self, name) + getattr(other, name) for name in self.__slots__))

    def mixed(self, weights: Array) -> Self:
        """Of inks (n,): so much of each together, by weights (m, n); inks (m,)."""
        return type(self)(*(weights @ getattr(self, name) for name in self.__slots__))

    def joined(self, other: Self) -> Self:
        """Inks (n,) and after them others (m,)."""
        return type(self)(
            *(np.concatenate([getattr(self, name), getattr(other, name)]) for name in self.__slots__)
        )

    @property
    def share(self) -> Array:
        """How much of the dye filters (…, 1)."""
        some = np.maximum(self.amount, _NOTHING)
        return np.where(self.amount > _NOTHING, self.filtering / some, figures.laying.TRANSPARENT_SHARE)

    @property
    def thirst(self) -> Array:
        """The power of a card's uptake (…, 1)."""
        some = np.maximum(self.amount, _NOTHING)
        return np.where(self.amount > _NOTHING, self.drinking / some, 1.0)


def inks_of(given: Sequence[Ink]) -> Inks:
    """Inks (n,) as arrays; raises ValueError for a medium that no pad is of."""
    ones = np.array([ink.one for ink in given]).reshape(-1, 31)
    dabs = one_dab(ones, [ink.medium for ink in given], [ink.behaviour for ink in given])
    dabbed = [amount(ink.medium, ink.behaviour, ink.hand, ink.coats) for ink in given]
    return dabs.times(np.array(dabbed))


def amount(medium: Medium, behaviour: Behaviour, hand: Hand, coats: int) -> float:
    """How many full dabs so many coats by a hand bring; a film's coats lie whole on one another."""
    film_like = medium.laid is Covering.FILM
    return behaviour.weight(hand) * (coats if film_like else layer_weight(coats, behaviour.decay))


def one_dab(ones: Array, media: Sequence[Medium], behaviours: Sequence[Behaviour]) -> Inks:
    """A full dab each of pads that are read as ``ones`` (n, 31) on white; inks (n,).

    Raises ValueError for a medium that no pad is of.
    """
    films = np.array([medium.laid is Covering.FILM for medium in media], dtype=bool)[:, None]
    alone = dye(ones)
    scatter = np.array([behaviour.scatter for behaviour in behaviours]).reshape(-1, 1)
    scattering = np.where(films, scatter * SCATTER_SHAPE, 0.0)
    absorbing = np.zeros_like(scattering)
    laid = films[:, 0]
    absorbing[laid] = film_absorption(ones[laid], scattering[laid], WHITE_CARD)
    shares, thirsts = (
        np.array([getattr(one, name) for one in behaviours]).reshape(-1, 1) for name in ("share", "thirst")
    )
    dries = np.array([medium.pad.dry_down for medium in media]).reshape(-1, 1)
    log_passed, gained = (np.where(films, 0.0, part) for part in (alone.log_passed, alone.gained))
    return Inks(log_passed, gained, absorbing, scattering, np.ones_like(shares), shares, dries, thirsts)


def on_card(inks: Inks, card: Array = WHITE_CARD) -> Array:
    """Reflectance (…, 31) of inks on a card (31,), dry: dye in the paper, film over it.

    Ours, out of ``prediction``'s two formulas; for one dab of one ink on white
    it gives the ink's own reflectance back (tested).
    """
    taken = uptake(card) ** inks.thirst
    found = soaked(Dye(inks.log_passed * taken, inks.gained * taken), card, inks.share)
    there = (inks.scattering > _NOTHING).any(axis=-1)
    if there.any():
        scattering = np.maximum(inks.scattering[there], _NOTHING)
        found[there] = film(inks.absorbing[there], scattering, found[there])
    return found


def seen_on(inks: Inks, card: Array = WHITE_CARD) -> Array:
    """CIELAB (…, 3) of inks on a card (31,), dry."""
    return reflectance_to_lab(on_card(inks, card))


def wet(labs: Array, inks: Inks) -> Array:
    """How inks that dry to CIELAB (…, 3) look while they are wet: darker, by kind of pad."""
    darker = inks.drying / np.maximum(inks.amount, 1)  # less than a full dab wets less
    return np.concatenate([np.maximum(labs[..., :1] - darker, 0), labs[..., 1:]], axis=-1)
