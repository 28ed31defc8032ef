"""What colour is it, after several readings; and what was read of it laid otherwise?"""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from jindle_core import figures
from jindle_core.colorimetry.difference import delta_e, direction_words
from jindle_core.colorimetry.recovery import lab_to_reflectance
from jindle_core.colorimetry.spaces import Array, Lab
from jindle_core.matching.verdicts import combined, judge_distance
from jindle_core.prediction.behaviour import Hand
from jindle_core.prediction.near import Way
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

    ``card`` (31,) is the reflectance of what it was laid on, None for white; ``lab`` is what was seen,
    ``reflectance`` (31,) the same where an instrument read it. ``below`` is the id of the colour that it was
    laid over, dry.
    """

    colour: int
    layers: int
    hand: Hand
    card: Array | None
    lab: Lab
    reflectance: Array | None = None
    below: int = 0

    @property
    def way(self) -> Way:
        """How it was laid."""
        return Way(self.layers, self.hand, WHITE_CARD if self.card is None else self.card, self.below)

    @property
    def seen(self) -> Array:
        """What was seen (31,), read or recovered."""
        return lab_to_reflectance(np.array(self.lab)) if self.reflectance is None else self.reflectance
