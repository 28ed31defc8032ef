"""What does a sheet of vellum leave of the colours under it?"""

import numpy as np
from colour.models import eotf_inverse_sRGB, eotf_sRGB

from jindle_core import figures
from jindle_core.colorimetry.spaces import WHITE, Array, lab_to_linear, lab_to_xyz, linear_to_lab, xyz_to_lab


def under_vellum(lab: Array) -> Array:
    """CIELAB (n, 3) as it is seen through a neutral sheet of vellum that lies on it.

    A sheet that reflects R and lets T through, on a ground g, gives
    R + T² g / (1 − R g): light goes to and fro between the two (Kubelka 1954).
    Since the sheet is neutral it is applied to XYZ over the white's.
    """
    back, through = figures.building.VELLUM
    ground = lab_to_xyz(np.asarray(lab, dtype=float)) / WHITE
    return xyz_to_lab(WHITE * (back + through**2 * ground / (1 - back * ground)))


def veil() -> tuple[tuple[float, float, float], float]:
    """The grey (CIELAB) and the opacity (0–1) with which a screen that mixes in sRGB draws vellum.

    The best straight line through what greys from black to white paper become;
    none is drawn off by more than a sixteenth of the screen's range.
    """
    lightness = np.linspace(0, figures.laying.PAPER_WHITE_LAB[0], 20)
    under = np.stack([lightness, 0 * lightness, 0 * lightness], axis=1)
    below, seen = (eotf_inverse_sRGB(lab_to_linear(one))[:, 0] for one in (under, under_vellum(under)))
    left, added = np.polyfit(below, seen, 1)
    grey, _, _ = linear_to_lab(np.asarray(eotf_sRGB(np.full(3, added / (1 - left))), dtype=float)).tolist()
    return (grey, 0.0, 0.0), float(1 - left)
