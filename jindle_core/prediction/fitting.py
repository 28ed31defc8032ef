"""What do a person's readings say about how a range behaves, and how well?"""

from collections.abc import Sequence
from dataclasses import dataclass, replace

import numpy as np
from scipy.optimize import least_squares

from jindle_core import defaults
from jindle_core.colorimetry.difference import delta_e
from jindle_core.colorimetry.spaces import Array, reflectance_to_lab
from jindle_core.media import Medium
from jindle_core.prediction.behaviour import COVERING, FITTED, Behaviour, Hand, usual_behaviour
from jindle_core.prediction.laying import laid


@dataclass(frozen=True, slots=True)
class Laying:
    """A swatch that was read: its one-layer reflectance (31,), how it was laid, and the Lab (3,) seen."""

    one: Array
    layers: int
    hand: Hand
    card: Array
    seen: Array


@dataclass(frozen=True, slots=True)
class Fit:
    """The fitted behaviour of a range.

    ``before`` and ``after`` are means in ΔE00 over the readings; ``after`` is
    from fits that left out the reading they were judged by. ``taken`` says
    whether it is better, and so used.
    """

    behaviour: Behaviour
    before: float
    after: float
    readings: int
    taken: bool


def fit(medium: Medium, readings: Sequence[Laying]) -> Fit | None:
    """Fit a range's parameters to readings; None where there are too few to say.

    Least squares of the Lab errors, drawn towards the usual values as if each
    were known to ``defaults.FIT_PRIOR``, so that few readings cannot pull far.
    """
    if len(readings) < defaults.FIT_READINGS:
        return None
    usual = usual_behaviour(medium)
    names = FITTED[COVERING[medium]]
    left_out = [
        _errors(medium, [reading], _fitted(medium, [*readings[:at], *readings[at + 1 :]], usual, names))[0]
        for at, reading in enumerate(readings)
    ]
    before = float(np.mean(_errors(medium, readings, usual)))
    after = float(np.mean(left_out))
    taken = after < before
    behaviour = _fitted(medium, readings, usual, names) if taken else usual
    return Fit(behaviour, before, after, len(readings), taken)


def _seen(medium: Medium, reading: Laying, behaviour: Behaviour) -> Array:
    shown = laid(reading.one, medium, reading.layers, reading.hand, reading.card, behaviour=behaviour)
    return reflectance_to_lab(shown)


def _errors(medium: Medium, readings: Sequence[Laying], behaviour: Behaviour) -> list[float]:
    return [float(delta_e(one.seen, _seen(medium, one, behaviour))) for one in readings]


def _fitted(
    medium: Medium, readings: Sequence[Laying], usual: Behaviour, names: tuple[str, ...]
) -> Behaviour:
    start = np.array([getattr(usual, name) for name in names])
    low, high = (np.array([defaults.FIT_LIMITS[name][end] for name in names]) for end in (0, 1))
    loose = np.array([defaults.FIT_PRIOR[name] for name in names])

    def off(values: Array) -> Array:
        behaviour = replace(usual, **dict(zip(names, map(float, values), strict=True)))
        errors = [one.seen - _seen(medium, one, behaviour) for one in readings]
        return np.concatenate([*errors, (values - start) / loose])

    found = least_squares(off, start, bounds=(low, high), xtol=1e-4, ftol=1e-4)
    return replace(usual, **dict(zip(names, map(float, found.x), strict=True)))
