"""How far are predicted joins of pads from the stand-in's, and are its muddy ones foreseen?

The stand-in has a physical model of its own (``standins/reader.py``); a join is
called muddy there by the same test on what its perfect instrument reads.
"""

import csv

import numpy as np

from bench.prediction import SPECTRA
from bench.visitor import Row
from jindle_core.blending.bridges import bridges
from jindle_core.blending.inks import Ink, inks_of
from jindle_core.blending.joins import measure, strips
from jindle_core.blending.meeting import BLENDED
from jindle_core.colorimetry.difference import delta_e
from jindle_core.colorimetry.spaces import reflectance_to_lab
from jindle_core.media import Medium
from jindle_core.prediction.behaviour import usual_behaviour
from jindle_core.prediction.stocks import WHITE
from standins.device import Swatch
from standins.reader import true_reflectance, true_strip

_PADS, _PAIRS = 60, 400


def blending_rows() -> list[Row]:
    """Rows of the bench's table: strips against the desk, mud forecast, bridges."""
    with (SPECTRA / "brackwater.csv").open(newline="", encoding="utf-8") as lines:
        rows = list(csv.reader(lines))[1:]
    random = np.random.default_rng(11)
    white, medium = tuple(WHITE), Medium.DYE_PAD
    swatches = [_pad(rows[at], medium, white) for at in random.permutation(len(rows))[:_PADS]]
    # What a person has of a pad is a reading of one dab of it.
    behaviour = usual_behaviour(medium)
    inks = inks_of([Ink(true_reflectance(one), medium, behaviour) for one in swatches])
    pairs = [tuple(random.choice(_PADS, 2, replace=False)) for _ in range(_PAIRS)]
    first, second = (np.array(column) for column in zip(*pairs, strict=True))
    seen = reflectance_to_lab(
        np.array([true_strip(swatches[a], swatches[b], *BLENDED.weights().T) for a, b in pairs])
    )
    said = strips(inks[first], inks[second])
    return [_distance(said, seen), _mud(said, seen), _bridged(inks, first, second, measure(said).muddy)]


def _pad(row: list[str], medium: Medium, white: tuple[float, ...]) -> Swatch:
    known = tuple(map(float, row[1:]))
    return Swatch(f"brackwater/{row[0]}", medium.value, known, white, 0.5, white, 1, "middle")


def _distance(said: np.ndarray, seen: np.ndarray) -> Row:
    off = delta_e(said, seen)
    return (
        f"Joins of {_PAIRS} pairs of dye pads: ΔE00 from the stand-in's along the strip,"
        " median / 90th percentile",
        "told",
        f"{np.median(off):.1f} / {np.percentile(off, 90):.1f}",
        True,
    )


def _mud(said: np.ndarray, seen: np.ndarray, wanted: float = 0.95, most: float = 0.05) -> Row:
    forecast, there = measure(said).muddy, measure(seen).muddy
    found, alarms = int((forecast & there).sum()), int((forecast & ~there).sum())
    return (
        "The stand-in's muddy joins forecast; false alarms among its other joins",
        f"≥ {wanted:.0%}; ≤ {most:.0%}",
        f"{found} of {there.sum()}; {alarms} of {(~there).sum()}",
        found >= wanted * there.sum() and alarms <= most * (~there).sum(),
    )


def _bridged(inks, first: np.ndarray, second: np.ndarray, muddy: np.ndarray) -> Row:
    places = np.flatnonzero(muddy)
    found = sum(bool(bridges(inks[first[at]], inks[second[at]], inks, count=1)) for at in places)
    return (
        f"Muddy pairs for which {_PADS} pads hold a bridge that joins both cleanly",
        "told",
        f"{found} of {len(places)}",
        True,
    )
