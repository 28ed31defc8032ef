"""A simulated swatch reader over a physical model of its own (``standins/world.py``).

Every colour dries to another strength, every range covers otherwise, and the
instrument is noisy. Nothing here is measured on real supplies.
"""

import hashlib
import time
from collections.abc import Callable, Iterator
from dataclasses import replace

import numpy as np
from numpy.typing import NDArray

from standins.device import Measured, Progress, ReaderFault, State, Swatch
from standins.world import WAVES, Habit, World

Array = NDArray[np.float64]
WORLD = World()
_OPACITY = 0.4  # one sigma of how much more or less ranges of a medium cover, in logarithms
_BARE = ("cardstock", "patterned paper", "embossing powder", "finishing piece")
_READINGS_A_CALIBRATION = 40
_READINGS_A_CHARGE = 200


def _random(identity: str) -> np.random.Generator:
    return np.random.default_rng(int.from_bytes(hashlib.sha256(identity.encode()).digest()[:8], "big"))


def true_reflectance(swatch: Swatch) -> Array:
    """What a perfect instrument would read of a swatch (31,).

    The ink in the pot is not quite what is known of it: the less sure that
    is, the further off; and every colour dries to a strength of its own.
    """
    random = _random(swatch.identity)
    off = 0.035 * swatch.doubt
    strength = np.exp(random.normal(0, 0.4 * off))
    tint = 1 + off * random.normal() * np.sin((WAVES - 400) / 300 * np.pi * random.uniform(0.7, 2.2))
    known = np.array(swatch.known)
    if swatch.medium in _BARE:
        return np.clip(known * (1 + (tint - 1) * 0.35), 0.005, 1)
    ink, weight, habit = _laid(swatch, random, np.clip(tint, 0.5, 2) * strength)
    if swatch.below is not None:
        under, amount, _ = _laid(swatch.below, _random(swatch.below.identity), np.ones(31))
        ink, weight = WORLD.over(ink, weight, under, amount)
    return WORLD.covered(ink, weight, habit, np.array(swatch.paper))


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
        read.append(WORLD.covered((one * here + other * taken) / whole, whole, habit, card))
    return np.array(read)


def _laid(swatch: Swatch, random: np.random.Generator, pot: Array) -> tuple[Array, float, Habit]:
    """The ink of a swatch (31,), changed by what is in the ``pot``, how much of it lies there, its habit."""
    habit = WORLD.habits[swatch.medium]
    opaque = np.exp(_random(swatch.identity.rpartition("/")[0]).normal(0, _OPACITY))
    habit = replace(
        habit, next=habit.next * np.exp(random.normal(0, 0.03)), scatter=habit.scatter * float(opaque)
    )
    ink = WORLD.ink_of(np.array(swatch.known), np.array(swatch.white), habit) * pot
    return ink, habit.weight(swatch.layers, swatch.hand), habit


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
