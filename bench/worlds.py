"""Predictions asked of made-up worlds: what is right, and what is said of it, kind by kind.

The stand-in's physics (``standins/world.py``) makes as many worlds as one likes. No colour of a range is laid
quite as the next one, no swatch quite as the one before, and every reading has its noise. Constants were
found on ``TUNED`` alone; what the bench shows is of ``bench/unseen.py``, whose worlds nothing was found on.
"""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace
from itertools import chain

import numpy as np

from jindle_core import figures
from jindle_core.blending.standing import examine_lettering
from jindle_core.checks.finding import Status
from jindle_core.colorimetry.difference import delta_e
from jindle_core.colorimetry.recovery import lab_to_reflectance
from jindle_core.colorimetry.spaces import reflectance_to_lab
from jindle_core.contrast.rules import PairKind, holds
from jindle_core.media.groups import LAID_MEDIA
from jindle_core.media.medium import Covering, Medium
from jindle_core.prediction.behaviour import Hand
from jindle_core.prediction.fitting import Laying, fit
from jindle_core.prediction.known import Known, usually
from jindle_core.prediction.near import Way, pulled
from jindle_core.supplies.teaching import Laid, lessons
from standins.world import WAVES, Habit, dyes, made_up, noisy

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
SIX = 6  # readings that a range gets, where it has so many ways that matter
_COLOURS, _LEARNT = 40, 6  # of a range; the first are those that are read
_ON_A_CARD = 4  # colours of a range that a card is made of
_DEEPER = 1.6  # pigment and wax are stronger than dye
# By how much (one sigma of its logarithm) a colour soaks in, covers and is drawn otherwise than the next one
# of its range, a stroke than the one before, and what is taken up by a colour below.
_UNLIKE, _STROKES, _TAKEN = 0.08, 0.05, 0.08


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
        self._habits = {medium: [self._own(medium) for _ in self._inks[medium]] for medium in MEDIA}
        self.ones = {medium: self._read(self._true(medium, 1, "white")) for medium in MEDIA}

    def _card(self, name: str, usual: tuple[float, float, float]) -> np.ndarray:
        if name == "white":
            return lab_to_reflectance(np.array(usual))
        lab = np.array(usual) + self._random.normal(0, 1.2, 3)
        wave = 1 + 0.02 * self._random.normal() * np.sin(WAVES / 60 + self._random.uniform(0, 6))
        return np.clip(lab_to_reflectance(lab) * wave, 0.01, 0.98)

    def _read(self, seen: np.ndarray) -> np.ndarray:
        return noisy(seen, self._random)

    def _own(self, medium: Medium) -> tuple[Habit, float]:
        """How one colour of a range lies, and how much of it a stroke brings."""
        usual, (soak, cover, drawn) = self._world.habits[medium.value], self._near(_UNLIKE, 3)
        bare = min((1 - usual.cover) * cover, 0.6)
        return replace(usual, soak=min(usual.soak * soak, 0.97), cover=1 - bare), drawn

    def _near(self, by: float, count: int) -> np.ndarray:
        return np.exp(self._random.normal(0, by, count))

    def _true(self, medium: Medium, layers: int, card: str, hand: Hand = Hand.MIDDLE) -> np.ndarray:
        strokes = self._near(_STROKES, len(self._inks[medium]))
        each = zip(self._inks[medium], self._habits[medium], strokes, strict=True)
        return np.array(
            [
                self._world.covered(
                    ink, drawn * stroke * habit.weight(layers, hand.value), habit, self.cards[card]
                )
                for ink, (habit, drawn), stroke in each
            ]
        )

    def _card_of(self, card: str) -> np.ndarray | None:
        return None if card == "white" else self.cards[card]

    def learnt(self, medium: Medium, count: int) -> Known:
        """What a range's first readings say of it."""
        read = [
            Laying(
                self.ones[medium][at],
                layers,
                Hand.MIDDLE,
                self.cards[card],
                reflectance_to_lab(self._read(self._true(medium, layers, card)[at])),
            )
            for at, (layers, card) in enumerate(TAUGHT[medium.traits.covering][:count])
        ]
        return fit(medium, read)

    def asked(self, known: Known, layers: int, card: str, hand: Hand = Hand.MIDDLE) -> Asked:
        """Every colour that was not read, laid in layers on a card."""
        ones, on = self.ones[known.medium][_LEARNT:], self._card_of(card)
        seen = reflectance_to_lab(self._read(self._true(known.medium, layers, card, hand))[_LEARNT:])
        said = reflectance_to_lab(known.says(ones, layers, hand, card=on))
        own = figures.colour.UNCERTAINTY["read"]
        return Asked(delta_e(said, seen), np.hypot(known.sigma(ones, layers, hand, card=on), own))

    def on_dark(self, known: Known, card: str) -> tuple[np.ndarray, np.ndarray, np.ndarray, np.ndarray]:
        """The same once on a dark card: what is said (m, 3), seen, one sigma (m,), and the card's CIELAB."""
        ones, on = self.ones[known.medium][_LEARNT:], self.cards[card]
        seen = reflectance_to_lab(self._true(known.medium, 1, card)[_LEARNT:])
        said, sigma = reflectance_to_lab(known.says(ones, card=on)), known.sigma(ones, card=on)
        own = figures.colour.UNCERTAINTY["read"]
        return said, seen, np.hypot(sigma, own), reflectance_to_lab(on)

    def glazed(self, known: Known) -> Asked:
        """Every such colour over its neighbour, one layer each on white."""
        habits, inks = self._habits[known.medium], self._inks[known.medium]
        under, over = (self.ones[known.medium][_LEARNT + step : -1 + step or None] for step in (0, 1))
        seen = []
        for at in range(_LEARNT, len(inks) - 1):
            (lower, much), (_, drawn) = habits[at], habits[at + 1]
            second, first = drawn * self._near(_TAKEN, 1)[0], much * self._near(_STROKES, 1)[0]
            ink, weight = self._world.over(inks[at + 1], second, inks[at], first)
            seen.append(self._read(self._world.covered(ink, weight, lower, self.cards["white"])))
        said, own = reflectance_to_lab(known.says(over, below=under)), figures.colour.UNCERTAINTY["read"]
        sigma = np.hypot(known.sigma(over, below=under), 2**0.5 * own)
        return Asked(delta_e(said, reflectance_to_lab(np.array(seen))), sigma)

    def pulled(self, medium: Medium, read: tuple[int, str], asked: tuple[int, str]) -> Asked:
        """Every such colour after one reading of itself, nothing else being known of its range."""
        known = usually(medium)
        way, there = (Way(layers, card=self.cards[card]) for layers, card in (read, asked))
        seen, true = (self._read(self._true(medium, *one)) for one in (read, asked))
        true = reflectance_to_lab(true)
        off, sigma = [], []
        for at in range(_LEARNT, len(seen)):
            one = self.ones[medium][at][None]
            said = [known.says(one, each.layers, card=each.card)[0] for each in (way, there)]
            shown, left = pulled(known, there, said[1], [(way, seen[at], said[0])])
            off.append(delta_e(reflectance_to_lab(shown), true[at]))
            sigma.append(left * known.sigma(one, there.layers, card=there.card)[0])
        return Asked(np.array(off), np.hypot(sigma, figures.colour.UNCERTAINTY["read"]))

    def proposed(self, medium: Medium, layings: Layings) -> Asked:
        """What a card lays of a few colours, once the six layings that were proposed for it are read."""
        known, ways = usually(medium), [Way(layers, card=self.cards[card]) for layers, card in layings]
        made = [
            Laid(at, self.ones[medium][at], way)
            for at in range(_LEARNT, _LEARNT + _ON_A_CARD)
            for way in ways
        ]
        # What is read is a swatch of its own: the card's has other strokes.
        swatches, cards = (
            {id(way): self._read(self._true(medium, *one)) for way, one in zip(ways, layings, strict=True)}
            for _ in range(2)
        )
        proposed = [one.laid for one in lessons(known, made, made, {}, SIX)]
        read = [(one, swatches[id(one.way)][one.colour]) for one in proposed]
        known = fit(
            medium,
            [
                Laying(one.one, one.way.layers, Hand.MIDDLE, one.way.card, reflectance_to_lab(there))
                for one, there in read
            ],
        )
        off, sigma = [], []
        for one in made:
            same = [(each, there) for each, there in read if each.colour == one.colour]
            own = [(each.way, there, self._said(known, each)) for each, there in same]
            shown, left = pulled(known, one.way, self._said(known, one), own)
            true = cards[id(one.way)][one.colour]
            off.append(delta_e(reflectance_to_lab(shown), reflectance_to_lab(true)))
            sigma.append(left * known.sigma(one.one[None], one.way.layers, card=one.way.card)[0])
        return Asked(np.array(off), np.hypot(sigma, figures.colour.UNCERTAINTY["read"]))

    @staticmethod
    def _said(known: Known, laid: Laid) -> np.ndarray:
        return np.asarray(known.says(laid.one[None], laid.way.layers, card=laid.way.card)[0])


class Many:
    """Several worlds, asked together."""

    def __init__(self, seeds: Sequence[int]) -> None:
        self._worlds = [MadeUp(seed) for seed in seeds]
        self._taught = {
            (world, medium, count): world.learnt(medium, count)
            for world in self._worlds
            for medium in MEDIA
            for count in (0, 1, SIX)
        }

    def _of(self, covering: Covering, readings: int) -> Iterator[tuple[MadeUp, Known]]:
        for (world, medium, count), known in self._taught.items():
            if medium.traits.covering is covering and count == readings:
                yield world, known

    def laid(
        self, covering: Covering, layings: Layings, readings: int, hands: Sequence[Hand] = (Hand.MIDDLE,)
    ) -> Asked:
        """Colours of some kind, laid in some ways, after so many readings of their range."""
        return _together(
            world.asked(known, *laying, hand)
            for world, known in self._of(covering, readings)
            for laying in layings
            for hand in hands
        )

    def wrongly_held(self, kind: PairKind, *coverings: Covering) -> float:
        """Of what is said to hold on dark card before any reading the share that truly does not."""
        held = wrong = 0
        for world, known in chain.from_iterable(self._of(one, 0) for one in coverings):
            for card in ("black", "kraft", "grey"):
                *each, on = world.on_dark(known, card)
                for said, seen, sigma in zip(*each, strict=True):
                    if examine_lettering(kind, said, on[None], float(sigma)).status is Status.HOLDS:
                        held += 1
                        wrong += not holds(kind, seen[None], on[None])[0]
        return wrong / max(held, 1)

    def glazed(self, readings: int) -> Asked:
        """One transparent colour over another."""
        return _together(world.glazed(known) for world, known in self._of(Covering.TRANSPARENT, readings))

    def proposed(self, covering: Covering, layings: Layings) -> Asked:
        """What cards lay in media of some kind, once what was proposed is read."""
        return _together(world.proposed(known.medium, layings) for world, known in self._of(covering, 0))

    def pulled(self, covering: Covering, read: tuple[int, str], asked: tuple[int, str]) -> Asked:
        """Colours of some kind laid one way, that were read laid another, or so."""
        return _together(world.pulled(known.medium, read, asked) for world, known in self._of(covering, 0))


def _together(parts: Iterator[Asked]) -> Asked:
    every = list(parts)
    return Asked(np.concatenate([one.off for one in every]), np.concatenate([one.sigma for one in every]))
