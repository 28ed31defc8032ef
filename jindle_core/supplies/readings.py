"""What colour is it, after several readings, and how does its range behave?"""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

import numpy as np

from jindle_core import figures
from jindle_core.colorimetry.difference import delta_e, direction_words
from jindle_core.colorimetry.spaces import Array, Lab
from jindle_core.matching.verdicts import combined, judge_distance
from jindle_core.media import Medium
from jindle_core.prediction.behaviour import COVERING, Hand
from jindle_core.prediction.fitting import BehaviourFit, Laying, fit
from jindle_core.prediction.stocks import WHITE_CARD
from jindle_core.provenance import Provenance
from jindle_core.words import in_words


@dataclass(frozen=True, slots=True)
class Settled:
    """What several readings say together.

    ``lab`` is their median, ``sigma`` its uncertainty in ΔE00, ``provenance``
    that of the readings that count; ``counted`` and ``outliers`` are places
    in the readings given.
    """

    lab: Lab
    sigma: float
    provenance: Provenance
    counted: tuple[int, ...]
    outliers: tuple[int, ...]


def settle(labs: Array, provenances: Sequence[Provenance]) -> Settled:
    """The median of readings (n, 3), n at least 1, of one swatch laid in the usual way.

    Only the surest kind counts: one instrument reading outranks any number of
    photographs. An outlier is told, and with three or more left out.
    """
    labs = np.asarray(labs, dtype=float).reshape(-1, 3)
    if not len(labs):
        raise ValueError("there are no readings to settle")
    sigmas = np.array([figures.colour.UNCERTAINTY[one] for one in provenances])
    surest = np.flatnonzero(sigmas == sigmas.min())
    sigma = float(sigmas.min())
    distances = delta_e(labs[surest], np.median(labs[surest], axis=0)[None])
    far = distances > max(figures.laying.READING_OUTLIER, 3 * sigma)
    outliers = surest[far]
    counted = surest[~far] if len(surest) > 2 and not far.all() else surest
    lightness, a, b = (float(value) for value in np.median(labs[counted], axis=0))
    return Settled(
        (lightness, a, b), sigma, provenances[surest[0]], tuple(map(int, counted)), tuple(map(int, outliers))
    )


def off_label(settled: Settled, label: Lab, provenance: Provenance) -> tuple[float, str]:
    """How far (ΔE00) a range's figure is off what was read, and that in words."""
    off = float(delta_e(np.array(settled.lab), np.array(label)))
    words = in_words(judge_distance(off).verdict)
    if turned := direction_words(settled.lab, label):
        words += f", {turned}"
    if off <= combined(settled.sigma, figures.colour.UNCERTAINTY[provenance]):
        words += ", within what both are sure of"
    return off, words


@dataclass(frozen=True, slots=True, eq=False)
class LaidReading:
    """A reading of a colour (by its id) that was not laid in the usual way.

    ``card`` (31,) is the reflectance of what it was laid on, None for white; ``lab`` is what was seen.
    """

    colour: int
    layers: int
    hand: Hand
    card: Array | None
    lab: Lab


def fitted(
    medium: Medium, swatches: Sequence[LaidReading], one_layer: Mapping[int, Array]
) -> BehaviourFit | None:
    """How a range behaves, from readings not laid in the usual way; None where that cannot be said.

    ``one_layer`` gives a colour's usual reflectance (31,) by its id.
    """
    if medium not in COVERING:
        return None
    layings = [
        Laying(
            one_layer[one.colour],
            one.layers,
            one.hand,
            WHITE_CARD if one.card is None else one.card,
            np.array(one.lab),
        )
        for one in swatches
        if one.colour in one_layer
    ]
    return fit(medium, layings)
