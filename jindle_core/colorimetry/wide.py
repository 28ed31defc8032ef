"""How does a screen with a wider gamut than sRGB show what sRGB cannot?"""

from functools import lru_cache

import numpy as np
from colour.adaptation import matrix_chromatic_adaptation_VonKries
from colour.models import RGB_COLOURSPACE_DISPLAY_P3, eotf_inverse_sRGB, xy_to_XYZ

from jindle_core.colorimetry.spaces import WHITE, Lab, lab_to_xyz, on_screen

_TO_D65 = matrix_chromatic_adaptation_VonKries(
    WHITE, xy_to_XYZ(RGB_COLOURSPACE_DISPLAY_P3.whitepoint), transform="Bradford"
)
_XYZ_TO_P3 = RGB_COLOURSPACE_DISPLAY_P3.matrix_XYZ_to_RGB @ _TO_D65
_SHARES = np.linspace(1, 0, 257)  # of the chroma that is wanted: a step is less than anybody sees


@lru_cache(maxsize=20_000)
def wide_shade(lab: Lab) -> str | None:
    """``color(display-p3 r g b)`` of a colour that sRGB cannot show; None where ``#rrggbb`` is right.

    Where it lies outside Display P3 too its chroma is lowered at constant lightness and hue until it
    fits, as ``lab_to_shown`` does for sRGB. Checked against published primaries in the tests.

    >>> wide_shade((50.0, 0.0, 0.0)) is None
    True
    """
    if on_screen(np.array(lab)):
        return None
    lightness, a, b = lab
    rgb = lab_to_xyz(np.array([(lightness, share * a, share * b) for share in _SHARES])) @ _XYZ_TO_P3.T
    fits = np.flatnonzero(np.all((rgb >= -1e-4) & (rgb <= 1 + 1e-4), axis=-1))
    first = rgb[fits[0]] if len(fits) else rgb[-1]
    r, g, blue = eotf_inverse_sRGB(np.clip(first, 0, 1))
    return f"color(display-p3 {r:.4f} {g:.4f} {blue:.4f})"
