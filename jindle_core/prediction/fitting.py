"""What do a person's readings say about how a range behaves, and how sure is that?"""

from collections.abc import Sequence
from dataclasses import dataclass, replace

import numpy as np
from scipy.optimize import least_squares

from jindle_core import figures
from jindle_core.colorimetry.difference import delta_e
from jindle_core.colorimetry.spaces import Array, reflectance_to_lab
from jindle_core.media.medium import Covering, Medium
from jindle_core.prediction.behaviour import Behaviour, Hand, values_of, with_values
from jindle_core.prediction.known import Known, usually


@dataclass(frozen=True, slots=True)
class Laying:
    """A swatch that was read: its one-layer reflectance (31,), how it was laid, and the Lab (3,) seen.

    ``below`` (31,) is one layer of the colour that it lies over, dry; None: over nothing. ``own`` is how
    surely (one sigma, ΔE00) the single layer is known: all that is read of it is off by that too.
    """

    one: Array
    layers: int
    hand: Hand
    card: Array
    seen: Array
    below: Array | None = None
    own: float = figures.colour.UNCERTAINTY["read"]


def fit(medium: Medium, readings: Sequence[Laying]) -> Known:
    """Fit a range's parameters to readings.

    Least squares of the Lab errors, drawn towards the usual values as if each
    were known to ``figures.laying.FIT_PRIOR``, so that few readings cannot pull far.
    Of very many the last ``figures.laying.FIT_MOST`` count.
    """
    usual = usually(medium)
    if not readings:
        return usual
    readings = readings[-figures.laying.FIT_MOST :]
    before = float(np.mean(_told(usual, readings)[0]))
    behaviour, spread = _fitted(usual, readings)
    found = replace(usual, behaviour=behaviour, spread=spread, readings=len(readings), before=before)
    folds = min(figures.laying.FIT_FOLDS, len(readings))
    left_out = []
    for start in range(folds):
        others = [one for at, one in enumerate(readings) if at % folds != start]
        taught, spread = _fitted(usual, others)
        left_out.append(_told(replace(usual, behaviour=taught, spread=spread), readings[start::folds]))
    errors, sigmas = map(np.concatenate, zip(*left_out, strict=True))
    prior = figures.laying.SCALE_PRIOR
    squares = np.sum((errors / sigmas) ** 2)
    scale = max(float(np.sqrt((squares + prior) / (len(errors) + prior))), figures.laying.SCALE_LEAST)
    return replace(found, scale=scale, after=float(np.mean(errors)) if folds > 1 else None)


def _groups(readings: Sequence[Laying]) -> list[list[Laying]]:
    """Readings of one laying together, for they are computed together."""
    found: dict[tuple[int, Hand, bytes, bool], list[Laying]] = {}
    for one in readings:
        found.setdefault((one.layers, one.hand, one.card.tobytes(), one.below is None), []).append(one)
    return list(found.values())


def _laying(group: Sequence[Laying]) -> tuple[Array, int, Hand, Array, Array | None]:
    first = group[0]
    below = None if first.below is None else np.stack([one.below for one in group if one.below is not None])
    return np.stack([one.one for one in group]), first.layers, first.hand, first.card, below


def _off(known: Known, readings: Sequence[Laying]) -> tuple[Array, Array]:
    """What was seen and what is predicted, both (n, 3)."""
    groups = _groups(readings)
    said = [reflectance_to_lab(known.says(*_laying(group))) for group in groups]
    return np.stack([one.seen for group in groups for one in group]), np.concatenate(said)


def _told(known: Known, readings: Sequence[Laying]) -> tuple[Array, Array]:
    """How far off each is (n,), in ΔE00, and how far it is said to be, with the reading's own doubt."""
    sigmas = np.concatenate([known.sigma(*_laying(group)) for group in _groups(readings)])
    own = np.array([one.own for group in _groups(readings) for one in group])
    doubt = np.hypot(own, figures.colour.UNCERTAINTY["read"])
    return delta_e(*_off(known, readings)), np.hypot(sigmas, doubt)


def _noise(known: Known, one: Laying) -> float:
    return known.noise(one.layers, one.hand, one.card, one.below is not None, one.own)


def _fitted(usual: Known, readings: Sequence[Laying]) -> tuple[Behaviour, Array]:
    """The behaviour that readings say, and how far it may lie off, as ``Known.spread``."""
    if not readings:
        return usual.behaviour, usual.spread
    names, start = usual.names, values_of(usual.behaviour, usual.names)
    loose = np.diag(usual.spread)
    doubts = np.repeat([_noise(usual, one) for group in _groups(readings) for one in group], 3)
    # Wax is off by so much otherwise that its own doubt would leave the usual values as they are.
    noise = np.full(len(doubts), figures.laying.FIT_NOISE) if usual.medium.laid is Covering.WAX else doubts

    def off(moved: Array) -> Array:
        behaviour = with_values(usual.behaviour, names, start + moved * loose)
        seen, said = _off(replace(usual, behaviour=behaviour), readings)
        return np.concatenate([(seen - said).ravel() / noise, moved])

    found = least_squares(
        off,
        np.zeros(len(names)),
        loss="huber",  # a reading that cannot be pulls no harder than one that is much off
        f_scale=figures.laying.FIT_FAR,
        xtol=1e-4,
        ftol=1e-4,
        diff_step=1e-3,
    )
    told = found.jac[: len(noise)] * (noise / doubts)[:, None]
    sure = np.linalg.inv(told.T @ told + np.eye(len(names)))
    spread = loose[:, None] * np.linalg.cholesky(sure)
    return with_values(usual.behaviour, names, start + found.x * loose), spread
