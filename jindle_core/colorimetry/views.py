"""How do colours look squinted at, under the evening lamp, to other eyes?"""

from typing import TypedDict

import numpy as np
from colour.adaptation import CHROMATIC_ADAPTATION_TRANSFORMS

from jindle_core import figures
from jindle_core.colorimetry.eyes import EYES, shown_to
from jindle_core.colorimetry.recovery import lab_to_reflectance
from jindle_core.colorimetry.spaces import (
    WHITE,
    Array,
    lab_to_hex,
    lab_to_shown,
    linear_to_hex,
    luminance,
    weights,
    xyz_to_lab,
)


class Shades(TypedDict):
    """One colour as ``#rrggbb`` in each view."""

    colour: str
    greys: str
    lamp: str
    protan: str
    deutan: str
    tritan: str


def greys(lab: Array) -> Array:
    """The squint test: the colours (…, 3) with their lightness alone."""
    return np.asarray(np.multiply(lab, (1.0, 0.0, 0.0)))


def _neutral(lab: Array) -> Array:
    """``greys`` as linear sRGB, R = G = B to the last bit: rounding must not tint a grey."""
    return np.repeat(luminance(np.clip(lab, [0, -128, -128], [100, 127, 127]))[:, None], 3, axis=1)


def _lamp() -> tuple[Array, Array]:
    lamp_weights = weights(figures.colour.LAMP)
    cones = CHROMATIC_ADAPTATION_TRANSFORMS["CAT16"]
    gains = (cones @ WHITE) / (cones @ lamp_weights.sum(axis=0))
    degree = figures.colour.LAMP_ADAPTATION
    adapted = np.linalg.inv(cones) @ np.diag(degree * gains + 1 - degree) @ cones
    return lamp_weights, adapted


_LAMP_WEIGHTS, _LAMP_ADAPTED = _lamp()


def lamp(lab: Array) -> Array:
    """The colours (…, 3) under a warm evening lamp, eyes adapted for the most part.

    From the recovered reflectance under the CIE LED illuminant, adapted with
    CAT16 (Li et al. 2017) to the degree of ``figures.colour.LAMP_ADAPTATION``.
    """
    return xyz_to_lab(lab_to_reflectance(lab) @ _LAMP_WEIGHTS @ _LAMP_ADAPTED.T)


def shades(lab: Array) -> list[Shades]:
    """Each colour of an array (n, 3) in every view."""
    lab = np.asarray(lab, dtype=float).reshape(-1, 3)
    if not len(lab):
        return []
    shown = lab_to_shown(lab)
    views = [linear_to_hex(shown), linear_to_hex(_neutral(lab)), lab_to_hex(lamp(lab))]
    views += [linear_to_hex(shown_to(kind, shown)) for kind in EYES]
    return [
        Shades(colour=one, greys=grey, lamp=under, protan=first, deutan=second, tritan=third)
        for one, grey, under, first, second, third in zip(*views, strict=True)
    ]
