"""Predictions asked of made-up worlds: what is right, and what is said of it, kind by kind.

The stand-in's physics (``standins/world.py``) makes as many worlds as one likes. Constants were found on
``TUNED`` alone; what the bench shows is of ``bench/unseen.py``, whose worlds nothing was found on.
"""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass

import numpy as np

from jindle_core import figures
from jindle_core.colorimetry.difference import delta_e
from jindle_core.colorimetry.recovery import lab_to_reflectance
from jindle_core.colorimetry.spaces import reflectance_to_lab
from jindle_core.media.groups import LAID_MEDIA
from jindle_core.media.medium import Covering, Medium
from jindle_core.prediction.behaviour import Hand
from jindle_core.prediction.fitting import Laying, fit
from jindle_core.prediction.known import Known, usually
from jindle_core.prediction.near import Way, pulled
from standins.world import WAVES, dyes, made_up, noisy

TUNED = tuple(range(1, 9))
Layings = tuple[tuple[int, str], ...]
# Cards by their usual colour; every world's own lie a little off.
CARDS = {
    "white": figures.laying.PAPER_WHITE_LAB,
    "pale": (91.0, -3.0, -6.0),
    "cream": (91.0, 2.0, 13.0),
    "grey": (62.0, 0.0, 0.0),
    "kraft": (60.0, 9.0, 23.0),
    "black": (20.0, 0.0, 0.0),
}
MEDIA = [medium for medium in LAID_MEDIA if medium is not Medium.WATER_MARKER]
# The readings that a range gets, each of another colour: (layers, card).
TAUGHT: dict[Covering, Layings] = {
    Covering.TRANSPARENT: (
        (2, "white"),
        (3, "white"),
        (2, "kraft"),
        (1, "kraft"),
        (2, "white"),
        (1, "grey"),
    ),
    Covering.WAX: ((2, "white"), (2, "grey"), (2, "kraft"), (1, "kraft"), (3, "white"), (2, "cream")),
    Covering.FILM: ((1, "black"),),
}
_COLOURS, _LEARNT = 40, 6  # of a range; the first are those that are read
_DEEPER = 1.6  # pigment and wax are stronger than dye


@dataclass(frozen=True)
class Asked:
    """How far off predictions of many colours lay (ΔE00), and one sigma of what was said."""

    off: np.ndarray
    sigma: np.ndarray

    @property
    def inside(self) -> float:
        """How many lay within the stated 90 % band, the reading's own doubt with it."""
        return float(np.mean(self.off <= 1.645 * self.doubt))

    @property
    def doubt(self) -> np.ndarray:
        """One sigma of how far a reading may lie off what is said: its own doubt with that."""
        return np.hypot(self.sigma, figures.colour.UNCERTAINTY["read"])


class MadeUp:
    """One world: its cards, and the colours of one range a medium."""

    def __init__(self, seed: int) -> None:
        self._world, self._random = made_up(seed), np.random.default_rng(seed + 10_000)
        self.cards = {name: self._card(name, lab) for name, lab in CARDS.items()}
        deeper = {
            medium: _DEEPER if medium.traits.covering is not Covering.TRANSPARENT else 1 for medium in MEDIA
        }
        self._inks = {
            medium: dyes(seed * 100 + at, _COLOURS + _LEARNT) * deeper[medium]
            for at, medium in enumerate(MEDIA)
        }
        self.ones = {medium: self._read(self._true(medium, 1, "white")) for medium in MEDIA}

    def _card(self, name: str, usual: tuple[float, float, float]) -> np.ndarray:
        if name == "white":
            return lab_to_reflectance(np.array(usual))
        lab = np.array(usual) + self._random.normal(0, 1.2, 3)
        wave = 1 + 0.02 * self._random.normal() * np.sin(WAVES / 60 + self._random.uniform(0, 6))
        return np.clip(lab_to_reflectance(lab) * wave, 0.01, 0.98)

    def _read(self, seen: np.ndarray) -> np.ndarray:
        return noisy(seen, self._random)

    def _true(self, medium: Medium, layers: int, card: str) -> np.ndarray:
        habit = self._world.habits[medium.value]
        return self._world.covered(self._inks[medium], habit.weight(layers), habit, self.cards[card])

    def _card_of(self, card: str) -> np.ndarray | None:
        return None if card == "white" else self.cards[card]

    def learnt(self, medium: Medium) -> Known:
        """What a range's readings say of it."""
        read = [
            Laying(
                self.ones[medium][at],
                layers,
                Hand.MIDDLE,
                self.cards[card],
                reflectance_to_lab(self._read(self._true(medium, layers, card)[at])),
            )
            for at, (layers, card) in enumerate(TAUGHT[medium.traits.covering])
        ]
        return fit(medium, read)

    def asked(self, known: Known, layers: int, card: str) -> Asked:
        """Every colour that was not read, laid in layers on a card."""
        ones, on = self.ones[known.medium][_LEARNT:], self._card_of(card)
        seen = reflectance_to_lab(self._true(known.medium, layers, card)[_LEARNT:])
        said = reflectance_to_lab(known.says(ones, layers, card=on))
        return Asked(delta_e(said, seen), known.sigma(ones, layers, card=on))

    def glazed(self, known: Known) -> Asked:
        """Every such colour over its neighbour, one layer each on white."""
        habit, inks = self._world.habits[known.medium.value], self._inks[known.medium]
        under, over = (self.ones[known.medium][_LEARNT + step : -1 + step or None] for step in (0, 1))
        seen = []
        for at in range(_LEARNT, len(inks) - 1):
            ink, weight = self._world.over(inks[at + 1], 1.0, inks[at], 1.0)
            seen.append(self._world.covered(ink, weight, habit, self.cards["white"]))
        said = reflectance_to_lab(known.says(over, below=under))
        return Asked(delta_e(said, reflectance_to_lab(np.array(seen))), known.sigma(over, below=under))

    def pulled(self, medium: Medium, read: tuple[int, str], asked: tuple[int, str]) -> Asked:
        """Every such colour after one reading of itself, nothing else being known of its range."""
        known = usually(medium)
        way, there = (Way(layers, card=self.cards[card]) for layers, card in (read, asked))
        seen, true = self._read(self._true(medium, *read)), reflectance_to_lab(self._true(medium, *asked))
        off, sigma = [], []
        for at in range(_LEARNT, len(seen)):
            one = self.ones[medium][at][None]
            said = [known.says(one, each.layers, card=each.card)[0] for each in (way, there)]
            shown, left = pulled(known, there, said[1], [(way, seen[at], said[0])])
            off.append(delta_e(reflectance_to_lab(shown), true[at]))
            sigma.append(left * known.sigma(one, there.layers, card=there.card)[0])
        return Asked(np.array(off), np.hypot(sigma, figures.colour.UNCERTAINTY["read"]))


class Many:
    """Several worlds, asked together."""

    def __init__(self, seeds: Sequence[int]) -> None:
        self._worlds = [MadeUp(seed) for seed in seeds]
        self._taught = {(world, medium): world.learnt(medium) for world in self._worlds for medium in MEDIA}

    def _of(self, covering: Covering, taught: bool) -> Iterator[tuple[MadeUp, Known]]:
        for (world, medium), known in self._taught.items():
            if medium.traits.covering is covering:
                yield world, known if taught else usually(medium)

    def laid(self, covering: Covering, layings: Layings, *, taught: bool) -> Asked:
        """Colours of some kind, laid in some ways, before or after the readings of their range."""
        return _together(
            world.asked(known, *laying) for world, known in self._of(covering, taught) for laying in layings
        )

    def glazed(self, *, taught: bool) -> Asked:
        """One transparent colour over another."""
        return _together(world.glazed(known) for world, known in self._of(Covering.TRANSPARENT, taught))

    def pulled(self, covering: Covering, read: tuple[int, str], asked: tuple[int, str]) -> Asked:
        """Colours of some kind laid one way, that were read laid another, or so."""
        return _together(
            world.pulled(known.medium, read, asked) for world, known in self._of(covering, taught=False)
        )


def _together(parts: Iterator[Asked]) -> Asked:
    every = list(parts)
    return Asked(np.concatenate([one.off for one in every]), np.concatenate([one.sigma for one in every]))
