"""A simulated swatch reader with a physical model of its own.

It shares no code with the predictor of the core and is richer: ink partly
soaks into the card and partly stays on it as a film, both absorb and
scatter (two-constant Kubelka–Munk), a swatch does not cover the card wholly,
every colour dries to another strength, the surface reflects before and after
(Saunderson 1942), and the instrument is noisy. Nothing here is measured on
real supplies.
"""

import hashlib
import time
from collections.abc import Callable, Iterator
from dataclasses import dataclass, replace

import numpy as np
from numpy.typing import NDArray

from standins.device import Measured, Progress, ReaderFault, State, Swatch

Array = NDArray[np.float64]
_WAVES = np.arange(400, 701, 10)
_OUTSIDE, _INSIDE = 0.012, 0.25  # of light, reflected at the surface from either side
_READINGS_A_CALIBRATION = 40
_READINGS_A_CHARGE = 200


@dataclass(frozen=True)
class Habit:
    """How a medium goes onto card.

    ``soak``: share of the ink that ends up in the card; ``depth``: how much
    the dyed part of white card scatters; ``scatter``: of the film that stays
    on it; ``cover``: share of the area that one layer wets;
    ``next``: what a further layer brings of the one before; ``hands``: amount
    for a light, middle, heavy hand.
    """

    soak: float
    depth: float
    scatter: float
    cover: float
    next: float
    hands: tuple[float, float, float] = (0.36, 1.0, 1.55)


_HABITS = {
    "alcohol marker": Habit(0.92, 2.2, 0.004, 0.995, 0.79),
    "water-based marker": Habit(0.85, 2.0, 0.006, 0.985, 0.77),
    "dye ink pad": Habit(0.88, 2.2, 0.006, 0.98, 0.76),
    "pigment ink pad": Habit(0.12, 1.0, 0.22, 0.985, 0.95),
    "chalk ink pad": Habit(0.06, 1.0, 0.55, 0.98, 0.95),
    "gel pen": Habit(0.02, 1.0, 0.60, 0.995, 0.98),
    "wax pencil": Habit(0.10, 1.0, 0.06, 0.86, 0.70),
    "oil pencil": Habit(0.14, 1.0, 0.056, 0.88, 0.72),
}
_BARE = ("cardstock", "patterned paper", "embossing powder", "finishing piece")


def _into(seen: Array) -> Array:
    """From what the instrument sees to the reflectance inside the surface (Saunderson 1942)."""
    return (seen - _OUTSIDE) / (1 - _OUTSIDE - _INSIDE * (1 - seen))


def _out(inner: Array) -> Array:
    return _OUTSIDE + (1 - _OUTSIDE) * (1 - _INSIDE) * inner / (1 - _INSIDE * inner)


def _random(identity: str) -> np.random.Generator:
    return np.random.default_rng(int.from_bytes(hashlib.sha256(identity.encode()).digest()[:8], "big"))


def _stack(ink: Array, amount: float, habit: Habit, card: Array) -> Array:
    """Inner reflectance where ``amount`` of an ink of absorption (31,) lies on a card (31,)."""
    drinks = _drinks(card)
    # The card's upper part takes up ink as deep as it drinks; below it stays bare.
    depth = habit.depth * drinks
    own = (1 - card) ** 2 / (2 * card)
    hidden = 1.0 - 0.5 * (drinks - 1.0)  # fibres lie above what sinks deep
    soaked = amount * habit.soak
    ground = _film((own + ink * soaked * hidden / habit.depth) * depth, np.full(31, depth), card)
    on_top = amount * (1 - habit.soak)
    scattering = habit.scatter * amount * (_WAVES / 560) ** -0.7 + 1e-5
    return _film(ink * on_top, scattering, ground)


def _film(absorbing: Array, scattering: Array, ground: Array) -> Array:
    """Two-constant Kubelka–Munk: a film of this K and S over a ground (all 31,)."""
    a = 1 + absorbing / scattering
    b = np.sqrt(a * a - 1) + 1e-9
    turned = b / np.tanh(np.clip(b * scattering, 1e-9, 25))
    return (1 - ground * (a - turned)) / (a - ground + turned)


def _drinks(card: Array) -> float:
    """How thirsty a card is, white card being 1: brown and dark stock drinks more."""
    mean, slope = float(card.mean()), float(card[20:].mean() - card[:10].mean())
    return 1.0 + 0.35 * max(0.0, 0.88 - mean) + 1.1 * max(0.0, slope - 0.06)


def _covered(ink: Array, weight: float, habit: Habit, card: Array) -> Array:
    """What the instrument sees: the wetted part and the bare part of the area."""
    inner = _into(card)
    wet = 1 - (1 - habit.cover) ** max(weight, 0.05)
    return _out(wet * _stack(ink, weight / wet, habit, inner) + (1 - wet) * inner)


def _ink_of(known: Array, white: Array, habit: Habit) -> Array:
    """The absorption (31,) with which one layer on white card (31,) shows ``known``."""
    low, high = np.full(31, -14.0), np.full(31, 7.0)
    for _ in range(48):
        middle = (low + high) / 2
        light = _covered(np.exp(middle), 1.0, habit, white) > known
        low, high = np.where(light, middle, low), np.where(light, high, middle)
    return np.asarray(np.exp((low + high) / 2))


def true_reflectance(swatch: Swatch) -> Array:
    """What a perfect instrument would read of a swatch (31,).

    The ink in the pot is not quite what is known of it: the less sure that
    is, the further off; and every colour dries to a strength of its own.
    """
    random = _random(swatch.identity)
    off = 0.035 * swatch.doubt
    strength = np.exp(random.normal(0, 0.4 * off))
    tint = 1 + off * random.normal() * np.sin((_WAVES - 400) / 300 * np.pi * random.uniform(0.7, 2.2))
    known = np.array(swatch.known)
    if swatch.medium in _BARE:
        return np.clip(known * (1 + (tint - 1) * 0.35), 0.005, 1)
    ink, weight, habit = _laid(swatch, random, np.clip(tint, 0.5, 2) * strength)
    if swatch.below is not None:
        under, amount, _ = _laid(swatch.below, _random(swatch.below.identity), np.ones(31))
        # Pores that hold dry ink take up less of what comes after.
        taken = 1 - 0.15 * min(1.0, amount)
        ink = (under * amount + ink * weight * taken) / (amount + weight)
        weight += amount
    return _covered(ink, weight, habit, np.array(swatch.paper))


def true_strip(first: Swatch, second: Swatch, falling: Array, rising: Array) -> Array:
    """What a perfect instrument would read along a join (p, 31) of two pads of one medium, dry.

    ``falling`` and ``rising`` (p,) are how much of each was brushed on. No hand
    is that even: each pad comes out some per cent heavier here and lighter
    there, in a slow wave along the way.
    """
    one, amount, habit = _laid(first, _random(first.identity), np.ones(31))
    other, more, _ = _laid(second, _random(second.identity), np.ones(31))
    uneven = _random(f"{first.identity} into {second.identity}")
    card, way = np.array(first.paper), np.linspace(0, 2 * np.pi, len(falling))
    drifts = [
        np.exp(uneven.normal(0, 0.08) * np.sin(way * uneven.uniform(0.5, 1.5) + uneven.uniform(0, 6.3)))
        for _ in (first, second)
    ]
    read = []
    for here, there in zip(amount * falling * drifts[0], more * rising * drifts[1], strict=True):
        # Where the first lies already, the card takes up less of the second.
        taken = there * (1 - 0.1 * min(1.0, float(here)))
        whole = max(float(here + taken), 1e-6)
        read.append(_covered((one * here + other * taken) / whole, whole, habit, card))
    return np.array(read)


def _laid(swatch: Swatch, random: np.random.Generator, pot: Array) -> tuple[Array, float, Habit]:
    """The ink of a swatch (31,), changed by what is in the ``pot``, how much of it lies there, its habit."""
    habit = _HABITS[swatch.medium]
    habit = replace(habit, next=habit.next * np.exp(random.normal(0, 0.03)))
    ink = _ink_of(np.array(swatch.known), np.array(swatch.white), habit) * pot
    amount = habit.hands[("light", "middle", "heavy").index(swatch.hand)]
    return ink, amount * sum(habit.next**layer for layer in range(swatch.layers)), habit


class SimulatedReader:
    """A reader that is not there: it says so, takes its time, and can fail as real ones do."""

    name = "Simulated swatch reader"
    simulated = True

    def __init__(self, pause: Callable[[float], None] = time.sleep, seed: int | None = None) -> None:
        self._pause = pause
        self._noise = np.random.default_rng(seed)

    def calibrate(self, state: State) -> State:
        """Read the white tile."""
        self._power(state)
        self._pause(0.4)
        return replace(state, calibrated=True, since_calibration=0)

    def recharge(self, state: State) -> State:
        """Fill the battery."""
        return replace(state, battery=100)

    def read(self, swatch: Swatch, state: State) -> Iterator[Progress | Measured]:
        """Take a reading, in about a second."""
        self._power(state)
        if not state.calibrated or state.since_calibration >= _READINGS_A_CALIBRATION:
            raise ReaderFault("not-calibrated", "The reader wants its white tile: calibrate it first.")
        for share, words in ((0.0, "lamp on"), (0.3, "reading dark"), (0.6, "reading the swatch")):
            yield Progress(share, words)
            self._pause(0.3)
            if share and not swatch.touching:
                raise ReaderFault(
                    "no-contact", "Light came in at the side: hold the reader flat on the swatch."
                )
        seen = true_reflectance(swatch)
        # Lamp drift, a baseline and the noise of each band: about ΔE00 0.3 between two readings.
        seen = seen * (1 + self._noise.normal(0, 0.004)) + self._noise.normal(0, 0.0004)
        seen = np.clip(seen + self._noise.normal(0, 0.0012, 31), 0.001, 1.0)
        after = replace(
            state,
            since_calibration=state.since_calibration + 1,
            battery=max(0, state.battery - 100 // _READINGS_A_CHARGE - (state.since_calibration % 2)),
        )
        yield Progress(1.0, "done")
        yield Measured(tuple(float(value) for value in seen), after)

    @staticmethod
    def _power(state: State) -> None:
        if state.battery <= 0:
            raise ReaderFault("flat-battery", "The reader's battery is flat: put it on its charger.")
