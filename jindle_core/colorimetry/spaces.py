"""Between reflectance, XYZ, CIELAB and what a screen can show."""

from collections.abc import Iterable

import numpy as np
from colour import MSDS_CMFS, SDS_ILLUMINANTS, SpectralShape
from colour.adaptation import matrix_chromatic_adaptation_VonKries
from colour.models import (
    Lab_to_XYZ,
    Oklab_to_XYZ,
    RGB_COLOURSPACE_sRGB,
    XYZ_to_Lab,
    XYZ_to_Oklab,
    eotf_inverse_sRGB,
    eotf_sRGB,
)
from colour.models import xy_to_XYZ as _xy_to_xyz
from numpy.typing import NDArray

Array = NDArray[np.floating]  # float64, but where a table would be too large
Lab = tuple[float, float, float]  # one colour, in CIELAB

BANDS = SpectralShape(400, 700, 10)
WHITE_XY = np.array([0.34567, 0.35850])  # D50, CIE 15:2018
WHITE = _xy_to_xyz(WHITE_XY)
_CMFS = MSDS_CMFS["CIE 1931 2 Degree Standard Observer"].copy().align(BANDS).values
_TO_D65 = matrix_chromatic_adaptation_VonKries(
    WHITE, _xy_to_xyz(RGB_COLOURSPACE_sRGB.whitepoint), transform="Bradford"
)
_XYZ_TO_RGB = RGB_COLOURSPACE_sRGB.matrix_XYZ_to_RGB @ _TO_D65
_RGB_TO_XYZ = np.linalg.inv(_XYZ_TO_RGB)
_IN_GAMUT = 1e-4  # linear RGB; less than a quarter of an 8-bit step near black
_BISECTIONS = 18  # leaves an error in chroma below 0.001


def weights(illuminant: str = "D50") -> Array:
    """Weights (31, 3) that turn a reflectance into XYZ under an illuminant.

    Summed over the bands they give the light's own XYZ with Y = 1
    (CIE 15:2018, 7.1; bands outside 400–700 nm are left out).
    """
    light = SDS_ILLUMINANTS[illuminant].copy().align(BANDS).values
    weighted = _CMFS * light[:, None]
    return np.asarray(weighted / weighted[:, 1].sum())


# The bands that are left out shift the sums a little; scaled, a perfect white
# has exactly the standard D50 white point and so Lab (100, 0, 0).
D50_WEIGHTS = weights("D50")
D50_WEIGHTS = D50_WEIGHTS * (WHITE / D50_WEIGHTS.sum(axis=0))


def reflectance_to_lab(reflectance: Array) -> Array:
    """CIELAB (…, 3) of a reflectance (…, 31), each band 0–1.

    >>> [round(float(value)) for value in reflectance_to_lab(np.ones(31))]
    [100, 0, 0]
    """
    return xyz_to_lab(np.asarray(reflectance) @ D50_WEIGHTS)


def as_lab(values: Iterable[float]) -> Lab:
    """One colour out of an array (3,) or anything of three numbers."""
    lightness, a, b = (float(value) for value in values)
    return lightness, a, b


def xyz_to_lab(xyz: Array) -> Array:
    """CIELAB of XYZ (…, 3) relative to D50 with Y = 1 for white (CIE 15:2018, 8.2.1)."""
    return np.asarray(XYZ_to_Lab(xyz, WHITE_XY), dtype=float)


def lab_to_xyz(lab: Array) -> Array:
    """XYZ (…, 3), Y = 1 for white, of CIELAB under D50."""
    return np.asarray(Lab_to_XYZ(lab, WHITE_XY), dtype=float)


def lab_to_linear(lab: Array) -> Array:
    """Linear sRGB (…, 3), unclipped, adapted D50 → D65 with Bradford (IEC 61966-2-1)."""
    return lab_to_xyz(lab) @ _XYZ_TO_RGB.T


def linear_to_lab(rgb: Array) -> Array:
    """CIELAB under D50 of linear sRGB (…, 3)."""
    return xyz_to_lab(np.asarray(rgb) @ _RGB_TO_XYZ.T)


def lab_to_hue(lab: Array) -> tuple[Array, Array]:
    """Hue angle in degrees, 0–360, and chroma (both …) of CIELAB (…, 3), in Oklab.

    Equal steps of this hue look more alike than CIELAB's, whose blues turn
    violet as they get paler (Ottosson 2020, by colour-science).
    """
    _, a, b = np.moveaxis(XYZ_to_Oklab(lab_to_xyz(lab) @ _TO_D65.T), -1, 0)
    return np.degrees(np.arctan2(b, a)) % 360, np.hypot(a, b)


def hue_to_lab(lightness: Array, hue: Array, chroma: Array) -> Array:
    """CIELAB (…, 3) of an Oklab hue (degrees) and chroma at about an L*: a screen can show it.

    Where no screen could, the chroma is lowered; the L* holds to within 1.
    """
    # Oklab's L of a grey of this L* is near the L of any colour of it; two rounds put the rest right.
    wanted = np.asarray(lightness, dtype=float)
    turned = np.radians(hue)
    aimed = wanted
    for _ in range(3):
        grey = np.stack([aimed, np.zeros_like(aimed), np.zeros_like(aimed)], axis=-1)
        level = XYZ_to_Oklab(lab_to_xyz(grey) @ _TO_D65.T)[..., 0]
        oklab = np.stack([level, chroma * np.cos(turned), chroma * np.sin(turned)], axis=-1)
        lab = xyz_to_lab(Oklab_to_XYZ(oklab) @ np.linalg.inv(_TO_D65).T)
        aimed = np.clip(aimed + wanted - lab[..., 0], 0, 100)
    return linear_to_lab(lab_to_shown(lab))


def on_screen(lab: Array) -> NDArray[np.bool_]:
    """Whether a screen can show the colours (…, 3): an honest flag, True or False (…)."""
    rgb = lab_to_linear(lab)
    return np.asarray(np.all((rgb >= -_IN_GAMUT) & (rgb <= 1 + _IN_GAMUT), axis=-1))


def lab_to_shown(lab: Array) -> Array:
    """The nearest thing to the colours (…, 3) that a screen can show, as linear sRGB.

    Where a colour lies outside, its chroma is lowered at constant lightness
    and hue until it fits, so that comparisons of lightness stay true.
    """
    lab = np.array(lab, dtype=float)
    lab[..., 0] = np.clip(lab[..., 0], 0, 100)
    outside = ~on_screen(lab)
    if outside.any():
        wanted = lab[outside]
        low, high = np.zeros(len(wanted)), np.ones(len(wanted))
        for _ in range(_BISECTIONS):
            middle = (low + high) / 2
            fits = on_screen(wanted * np.stack([np.ones_like(middle), middle, middle], axis=-1))
            low, high = np.where(fits, middle, low), np.where(fits, high, middle)
        wanted[:, 1:] *= low[:, None]
        lab[outside] = wanted
    return np.clip(lab_to_linear(lab), 0, 1)


def linear_to_hex(rgb: Array) -> list[str]:
    """``#rrggbb`` of each linear sRGB colour of an array (n, 3)."""
    encoded = np.rint(np.clip(eotf_inverse_sRGB(np.clip(rgb, 0, 1)), 0, 1) * 255).astype(np.uint8)
    flat = encoded.tobytes().hex()
    return ["#" + flat[start : start + 6] for start in range(0, len(flat), 6)]


def lab_to_hex(lab: Array) -> list[str]:
    """``#rrggbb`` of each colour of an array (n, 3) as a screen can best show it.

    >>> lab_to_hex(np.array([[100.0, 0, 0], [0, 0, 0]]))
    ['#ffffff', '#000000']
    """
    return linear_to_hex(lab_to_shown(lab))


def hex_to_lab(text: str) -> Array:
    """CIELAB (3,) under D50 of ``#rrggbb`` or ``#rgb``, read as sRGB under D65.

    Raises ValueError where the text is neither.
    """
    digits = text.strip().lstrip("#")
    if len(digits) == 3:
        digits = "".join(digit * 2 for digit in digits)
    if len(digits) != 6:
        raise ValueError(f"{text!r} is not #rrggbb")
    encoded = np.frombuffer(bytes.fromhex(digits), dtype=np.uint8) / 255
    return linear_to_lab(np.asarray(eotf_sRGB(encoded), dtype=float))


def luminance(lab: Array) -> Array:
    """Relative luminance Y (…), 0–1, of CIELAB (…, 3)."""
    return lab_to_xyz(lab)[..., 1]
