"""Which two to five pads give the full circle of hues with clean overlaps?"""

from dataclasses import dataclass
from itertools import combinations

import numpy as np
from numpy.typing import NDArray

from jindle_core import figures
from jindle_core.blending.inks import Inks, seen_on
from jindle_core.blending.joins import measure_join, strips
from jindle_core.colorimetry.spaces import Array
from jindle_core.prediction.stocks import WHITE_CARD

Sets = NDArray[np.intp]  # of pads, by their places


@dataclass(frozen=True, slots=True)
class Rainbow:
    """Pads by their places, in the order of their hues.

    ``gap`` is the widest stretch of the circle (degrees) without a colour, ``whole`` whether that is
    none to speak of.
    """

    places: tuple[int, ...]
    gap: float
    whole: bool


def rainbows(inks: Inks, count: int = 5, card: Array = WHITE_CARD) -> list[Rainbow]:
    """The best sets of 2 to 5 of some pads (n,): whole circles first, of few pads, with the smallest gap.

    Counted are the pads' hues and those of what each two give where both lie, where that is clean and
    strong enough to have a hue. Ours: sets grow by a pad at a time, of which the best
    ``figures.grounds.RAINBOWS_KEPT`` are gone on with; of few pads that is every set (checked against all).
    """
    strong = np.flatnonzero(_chroma(seen_on(inks, card)) >= figures.grounds.MUD_ENDS_C)
    if len(strong) < 2:
        return []
    hues, between = _hues(inks[strong], card)
    sets = np.array(list(combinations(range(len(strong)), 2)), dtype=np.intp)
    found: list[Rainbow] = []
    while len(sets) and sets.shape[1] <= figures.grounds.RAINBOW_PADS:
        gaps = _gaps(sets, hues, between)
        order = np.argsort(gaps, kind="stable")[: figures.grounds.RAINBOWS_KEPT]
        sets, gaps = sets[order], gaps[order]
        for places, gap in zip(sets[:count], gaps[:count], strict=True):
            by_hue = tuple(int(strong[at]) for at in sorted(places, key=lambda at: hues[at]))
            found.append(Rainbow(by_hue, float(gap), bool(gap <= figures.grounds.RAINBOW_GAP)))
        sets = _grown(sets, len(strong))
    return sorted(found, key=lambda one: (not one.whole, len(one.places) if one.whole else 0, one.gap))[
        :count
    ]


def _chroma(labs: Array) -> Array:
    return np.asarray(np.hypot(labs[..., 1], labs[..., 2]))


def _hues(inks: Inks, card: Array) -> tuple[Array, Array]:
    """The hues (n,) of pads in degrees, and (n, n) of what each two give; NaN where that is not clean."""
    labs = seen_on(inks, card)
    hues = np.degrees(np.arctan2(labs[:, 2], labs[:, 1])) % 360
    between = np.full((len(labs), len(labs)), np.nan)
    for at in range(len(labs) - 1):
        lines = strips(inks[at], inks[at + 1 :], card)
        measured, middle = measure_join(lines, card), lines[:, lines.shape[1] // 2]
        clean = measured.clean & (_chroma(middle) >= figures.grounds.MUD_ENDS_C)
        seen = np.where(clean, np.degrees(np.arctan2(middle[:, 2], middle[:, 1])) % 360, np.nan)
        between[at, at + 1 :] = between[at + 1 :, at] = seen
    return hues, between


def _gaps(sets: Sets, hues: Array, between: Array) -> Array:
    """The widest gap (m,) of the circle, in degrees, that sets (m, k) leave."""
    pairs = list(combinations(range(sets.shape[1]), 2))
    first, second = (sets[:, [pair[end] for pair in pairs]] for end in (0, 1))
    every = np.concatenate([hues[sets], between[first, second]], axis=1)
    # What gives no hue stands for the first pad's, which is there already.
    every = np.sort(np.where(np.isnan(every), every[:, :1], every), axis=1)
    around = np.concatenate([every, every[:, :1] + 360], axis=1)
    return np.asarray(np.diff(around, axis=1).max(axis=1))


def _grown(sets: Sets, count: int) -> Sets:
    """Every set (m, k) with one pad more, each once."""
    more = np.arange(count)
    grown = np.concatenate([np.repeat(sets, count, axis=0), np.tile(more, len(sets))[:, None]], axis=1)
    new = (grown[:, :-1] != grown[:, -1:]).all(axis=1)
    return np.unique(np.sort(grown[new], axis=1), axis=0)
