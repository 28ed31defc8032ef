"""What do a person's readings say about how a range behaves, and how well?"""

from collections.abc import Sequence
from dataclasses import dataclass, replace

import numpy as np
from scipy.optimize import least_squares

from jindle_core import figures
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
class BehaviourFit:
    """The fitted behaviour of a range.

    ``before`` and ``after`` are means in ΔE00 over the readings; ``after`` is
    from fits that left out the readings they were judged by (every sixth). ``taken`` says
    whether it is better, and so used.
    """

    behaviour: Behaviour
    before: float
    after: float
    readings: int
    taken: bool


def fit(medium: Medium, readings: Sequence[Laying]) -> BehaviourFit | None:
    """Fit a range's parameters to readings; None where there are too few to say.

    Least squares of the Lab errors, drawn towards the usual values as if each
    were known to ``figures.laying.FIT_PRIOR``, so that few readings cannot pull far.
    Of very many the last ``figures.laying.FIT_MOST`` count.
    """
    if len(readings) < figures.laying.FIT_READINGS:
        return None
    readings = readings[-figures.laying.FIT_MOST :]
    usual = usual_behaviour(medium)
    names = FITTED[COVERING[medium]]
    before = float(np.mean(_errors(medium, readings, usual)))
    left_out = []
    for start in range(figures.laying.FIT_READINGS):
        judged = readings[start :: figures.laying.FIT_READINGS]
        others = [one for at, one in enumerate(readings) if at % figures.laying.FIT_READINGS != start]
        left_out.append(_errors(medium, judged, _fitted(medium, others, usual, names)))
    after = float(np.mean(np.concatenate(left_out)))
    taken = after < before
    behaviour = _fitted(medium, readings, usual, names) if taken else usual
    return BehaviourFit(behaviour, before, after, len(readings), taken)


def _off(medium: Medium, readings: Sequence[Laying], behaviour: Behaviour) -> tuple[Array, Array]:
    """What was seen and what is predicted, both (n, 3), readings of one laying computed together."""
    groups: dict[tuple[int, Hand, bytes], list[Laying]] = {}
    for one in readings:
        groups.setdefault((one.layers, one.hand, one.card.tobytes()), []).append(one)
    seen, said = [], []
    for (layers, hand, _), group in groups.items():
        ones = np.stack([one.one for one in group])
        shown = laid(ones, medium, layers, hand, group[0].card, behaviour=behaviour)
        said.append(reflectance_to_lab(shown))
        seen.append(np.stack([one.seen for one in group]))
    return np.concatenate(seen), np.concatenate(said)


def _errors(medium: Medium, readings: Sequence[Laying], behaviour: Behaviour) -> Array:
    return delta_e(*_off(medium, readings, behaviour))


def _fitted(
    medium: Medium, readings: Sequence[Laying], usual: Behaviour, names: tuple[str, ...]
) -> Behaviour:
    start = np.array([getattr(usual, name) for name in names])
    low, high = (np.array([figures.laying.FIT_LIMITS[name][end] for name in names]) for end in (0, 1))
    loose = np.array([figures.laying.FIT_PRIOR[name] for name in names])

    def off(values: Array) -> Array:
        behaviour = replace(usual, **dict(zip(names, map(float, values), strict=True)))
        seen, said = _off(medium, readings, behaviour)
        return np.concatenate([(seen - said).ravel(), (values - start) / loose])

    found = least_squares(off, start, bounds=(low, high), xtol=1e-4, ftol=1e-4)
    return replace(usual, **dict(zip(names, map(float, found.x), strict=True)))
