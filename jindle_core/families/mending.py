"""What makes a family whole: a deeper shadow, a lighter light, a tone in between?"""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from jindle_core import figures
from jindle_core.colorimetry.spaces import Array, as_lab, reflectance_to_lab
from jindle_core.families.rule import is_yellow, keeps_hue, keeps_strength, most_turn, steps
from jindle_core.limits import at_least
from jindle_core.prediction.behaviour import Behaviour
from jindle_core.prediction.laying import dye, glazed
from jindle_core.prediction.stocks import WHITE_CARD


def deeper(tones: Array, candidates: Array, wanted: Array | None = None) -> int | None:
    """The candidate (n, 3) that deepens tones (k, 3), light to dark, best; or None.

    ``wanted`` is the colour (3,) that they are a family for: without it the lightest of them.
    """
    return _beyond(np.asarray(tones)[-1], candidates, _of(tones, wanted), darker=True)


def lighter(tones: Array, candidates: Array, wanted: Array | None = None) -> int | None:
    """The candidate (n, 3) that gives tones (k, 3) a lighter light; or None."""
    return _beyond(np.asarray(tones)[0], candidates, _of(tones, wanted), darker=False)


def bridge(
    lighter_tone: Array, darker_tone: Array, candidates: Array, wanted: Array | None = None
) -> int | None:
    """The candidate (n, 3) that joins two tones (3,) which lie too far apart; or None."""
    candidates = np.asarray(candidates, dtype=float).reshape(-1, 3)
    of = _of([lighter_tone, darker_tone], wanted)
    upper, lower = steps(lighter_tone, candidates), steps(candidates, darker_tone)
    fits = upper.lightness_holds() & lower.lightness_holds() & keeps_hue(candidates, of)
    fits &= keeps_strength(candidates, of)
    cost = np.maximum(upper.lightness, lower.lightness) + upper.hue_distance + lower.hue_distance
    return _cheapest(cost, fits)


def _of(tones: Sequence[Array] | Array, wanted: Array | None) -> Array:
    return np.asarray(tones[0] if wanted is None else wanted, dtype=float)


def _beyond(end: Array, candidates: Array, wanted: Array, darker: bool) -> int | None:
    candidates = np.asarray(candidates, dtype=float).reshape(-1, 3)
    found = steps(end, candidates) if darker else steps(candidates, end)
    least, aim = figures.families.DEEPEN
    fits = found.lightness_holds() & at_least(found.lightness, least) & found.chroma_holds()
    fits &= found.hue_holds(most_turn(wanted))
    fits &= keeps_hue(candidates, wanted) & keeps_strength(candidates, wanted)
    # A yellow's turn to gold is no drift.
    drift = np.where(is_yellow(wanted) & (found.turned < 0) & darker, 0.0, found.hue_distance)
    return _cheapest(np.abs(found.lightness - aim) + drift + np.abs(found.rise) / 2, fits)


def _cheapest(cost: Array, fits: np.ndarray) -> int | None:
    return int(np.argmin(np.where(fits, cost, np.inf))) if fits.any() else None


@dataclass(frozen=True, slots=True)
class FamilyGlaze:
    """A neutral, by its place, laid over the darkest tone, and the Lab predicted of it."""

    place: int
    lab: tuple[float, float, float]


def glazed_over(
    dark: Array, neutrals: Array, behaviour: Behaviour, layers: int = 1, card: Array = WHITE_CARD
) -> Array:
    """CIELAB (n, 3) predicted of a tone (31,) in layers with a layer of each neutral (n, 31) over it."""
    return reflectance_to_lab(glazed(dye(dark), layers, dye(neutrals), 1, behaviour, card))


def glazed_shadow(
    dark: Array, neutrals: Array, behaviour: Behaviour, layers: int = 1, card: Array = WHITE_CARD
) -> FamilyGlaze | None:
    """The neutral that deepens a dark tone best when it is laid over it dry; a prediction.

    ``dark`` (31,) and ``neutrals`` (n, 31) are one layer's reflectances of
    transparent colours. None where none deepens it enough.
    """
    neutrals = np.asarray(neutrals).reshape(-1, 31)
    if not len(neutrals):
        return None
    # Nothing over it, and the tone itself once more.
    alone, before = glazed_over(dark, np.stack([WHITE_CARD, dark]), behaviour, layers, card)
    seen = glazed_over(dark, neutrals, behaviour, layers, card)
    deeper_by = alone[0] - seen[:, 0]
    least, aim = figures.families.DEEPEN
    # Two layers of the tone itself are no glaze; the neutral must do more.
    fits = (deeper_by >= least) & (seen[:, 0] < before[0] + 1.0)
    at = _cheapest(np.abs(deeper_by - aim), fits)
    return None if at is None else FamilyGlaze(at, as_lab(seen[at]))
