"""How ink, wax and card meet, in as many made-up worlds as one likes.

Shares no code with the predictor of the core and is richer: ink partly soaks
into the card and partly stays on it as a film, both absorb and scatter
(two-constant Kubelka–Munk), a swatch does not cover the card wholly, the
surface reflects before and after (Saunderson 1942); wax lies either as a film
with gaps or as grains whose light spreads under them (Yule and Nielsen 1951).
Nothing here is measured on real supplies. Reflectances are (…, 31), 400–700 nm.
"""

from collections.abc import Mapping
from dataclasses import dataclass, field, replace
from types import MappingProxyType

import numpy as np
from numpy.typing import NDArray

Array = NDArray[np.float64]
WAVES = np.arange(400, 701, 10)


@dataclass(frozen=True)
class Habit:
    """How a medium goes onto card.

    ``soak``: share of the ink that ends up in the card; ``depth``: how much
    the dyed part of white card scatters; ``scatter``: of the film that stays
    on it; ``cover``: share of the area that one layer wets;
    ``next``: what a further layer brings of the one before; ``hands``: amount
    for a light, middle, heavy hand; ``grains``: above 0 it lies as grains, and
    light spreads under them so far (n of Yule and Nielsen).
    """

    soak: float
    depth: float
    scatter: float
    cover: float
    next: float
    hands: tuple[float, float, float] = (0.36, 1.0, 1.55)
    grains: float = 0.0

    def weight(self, layers: int, hand: str = "middle") -> float:
        """How much ink so many layers bring, a middle one being 1."""
        amount = self.hands[("light", "middle", "heavy").index(hand)]
        return amount * sum(self.next**layer for layer in range(layers))


HABITS = MappingProxyType(
    {
        "alcohol marker": Habit(0.92, 2.2, 0.004, 0.995, 0.79),
        "water-based marker": Habit(0.85, 2.0, 0.006, 0.985, 0.77),
        "dye ink pad": Habit(0.88, 2.2, 0.006, 0.98, 0.76),
        "pigment ink pad": Habit(0.12, 1.0, 0.22, 0.985, 0.95),
        "chalk ink pad": Habit(0.06, 1.0, 0.55, 0.98, 0.95),
        "gel pen": Habit(0.02, 1.0, 0.60, 0.995, 0.98),
        "wax pencil": Habit(0.10, 1.0, 0.06, 0.86, 0.70),
        "oil pencil": Habit(0.0, 1.0, 0.30, 0.62, 0.80, grains=1.7),
    }
)


@dataclass(frozen=True)
class World:
    """Light at surfaces, thirst of card, and the habits of every medium."""

    habits: Mapping[str, Habit] = field(default_factory=lambda: HABITS)
    outside: float = 0.012  # of light, reflected at the surface from either side
    inside: float = 0.25
    thirst: tuple[float, float] = (0.35, 1.1)  # more of dark card, and of brown card
    spread: float = 0.7  # shorter waves scatter more, by this power

    def covered(self, ink: Array, weight: float, habit: Habit, card: Array) -> Array:
        """What an instrument sees of ``weight`` of an ink of absorption (…, 31) on a card (31,)."""
        wet, inner = 1 - (1 - habit.cover) ** max(weight, 0.05), self._into(card)
        if n := habit.grains:
            # A further layer fills gaps more than it lies on grains.
            on = self._out(self._stack(ink, (weight / wet) ** 0.5, habit, inner))
            return np.asarray((wet * on ** (1 / n) + (1 - wet) * card ** (1 / n)) ** n)
        return self._out(wet * self._stack(ink, weight / wet, habit, inner) + (1 - wet) * inner)

    def ink_of(self, known: Array, white: Array, habit: Habit) -> Array:
        """The absorption with which one layer on white card (31,) shows ``known`` (…, 31)."""
        low, high = np.full(known.shape, -14.0), np.full(known.shape, 7.0)
        for _ in range(48):
            middle = (low + high) / 2
            light = self.covered(np.exp(middle), 1.0, habit, white) > known
            low, high = np.where(light, middle, low), np.where(light, high, middle)
        return np.asarray(np.exp((low + high) / 2))

    def over(self, ink: Array, weight: float, under: Array, amount: float) -> tuple[Array, float]:
        """Ink laid over dry ink in one card: the mixture and how much of it there is."""
        # Pores that hold dry ink take up less of what comes after.
        taken = weight * (1 - 0.15 * min(1.0, amount))
        return (under * amount + ink * taken) / (amount + weight), amount + weight

    def _into(self, seen: Array) -> Array:
        """From what the instrument sees to the reflectance inside the surface (Saunderson 1942)."""
        return (seen - self.outside) / (1 - self.outside - self.inside * (1 - seen))

    def _out(self, inner: Array) -> Array:
        return self.outside + (1 - self.outside) * (1 - self.inside) * inner / (1 - self.inside * inner)

    def _stack(self, ink: Array, amount: float, habit: Habit, card: Array) -> Array:
        """Inner reflectance where ``amount`` of an ink lies in and on a card."""
        drinks = self._drinks(card)
        # The card's upper part takes up ink as deep as it drinks; below it stays bare.
        depth = habit.depth * drinks
        own = (1 - card) ** 2 / (2 * card)
        hidden = 1.0 - 0.5 * (drinks - 1.0)  # fibres lie above what sinks deep
        soaked = amount * habit.soak
        ground = _film((own + ink * soaked * hidden / habit.depth) * depth, np.full(31, depth), card)
        on_top = amount * (1 - habit.soak)
        scattering = habit.scatter * amount * (WAVES / 560) ** -self.spread + 1e-5
        return _film(ink * on_top, scattering, ground)

    def _drinks(self, card: Array) -> float:
        """How thirsty a card is, white card being 1: brown and dark stock drinks more."""
        mean, slope = float(card.mean()), float(card[20:].mean() - card[:10].mean())
        dark, brown = self.thirst
        return 1.0 + dark * max(0.0, 0.88 - mean) + brown * max(0.0, slope - 0.06)


def _film(absorbing: Array, scattering: Array, ground: Array) -> Array:
    """Two-constant Kubelka–Munk: a film of this K and S over a ground."""
    a = 1 + absorbing / scattering
    b = np.sqrt(a * a - 1) + 1e-9
    turned = b / np.tanh(np.clip(b * scattering, 1e-9, 25))
    return np.asarray((1 - ground * (a - turned)) / (a - ground + turned))


def made_up(seed: int) -> World:
    """A world of its own: other habits and surfaces, films from semi-opaque to opaque, wax of both kinds."""
    random, hand = np.random.default_rng(seed), np.random.default_rng((seed, 1))

    def near_hand(value: float, by: float) -> float:
        return float(value * np.exp(hand.normal(0, by)))

    def near(value: float, by: float) -> float:
        return float(value * np.exp(random.normal(0, by)))

    habits = {}
    for medium, usual in HABITS.items():
        opaque = near(1.0, 0.6) if usual.scatter > 0.1 and not usual.grains else near(1.0, 0.25)
        habits[medium] = replace(
            usual,
            soak=min(near(usual.soak, 0.06), 0.97),
            depth=near(usual.depth, 0.2),
            scatter=usual.scatter * opaque,
            cover=1 - min((1 - usual.cover) * near(1.0, 0.35), 0.6),
            next=min(near(usual.next, 0.05), 0.98),
            grains=random.uniform(1.2, 2.4) if usual.grains else 0.0,
            hands=(near_hand(usual.hands[0], 0.25), 1.0, near_hand(usual.hands[2], 0.12)),
        )
    return World(
        habits,
        outside=float(random.uniform(0.005, 0.02)),
        inside=float(random.uniform(0.1, 0.4)),
        thirst=(near(0.35, 0.3), near(1.1, 0.3)),
        spread=float(random.uniform(0.4, 1.0)),
    )


def dyes(seed: int, count: int) -> Array:
    """Absorptions (count, 31) of made-up colours: one to three broad bands over a little grey."""
    random = np.random.default_rng(seed)
    found = np.full((count, 31), 0.01)
    for at in range(count):
        found[at] += abs(random.normal(0, 0.05))
        for _ in range(random.integers(1, 4)):
            middle, wide = random.uniform(400, 690), random.uniform(25, 70)
            found[at] += random.gamma(1.5, 0.7) * np.exp(-(((WAVES - middle) / wide) ** 2) / 2)
    return found


def noisy(seen: Array, random: np.random.Generator) -> Array:
    """Readings (…, 31) as an instrument gives them: about ΔE00 0.3 apart."""
    drift = 1 + random.normal(0, 0.004, (*seen.shape[:-1], 1))
    offset = random.normal(0, 0.0004, (*seen.shape[:-1], 1))
    return np.clip(seen * drift + offset + random.normal(0, 0.0012, seen.shape), 0.001, 1.0)
