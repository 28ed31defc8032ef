"""Invented dyes and papers: the reflectance of a mixture on a sheet.

Single-constant Kubelka–Munk with a surface reflection. None of this is used
by the application: it only makes swatches whose spectra and Lab agree.
"""

import numpy as np
from numpy.typing import NDArray

Array = NDArray[np.float64]
BANDS = np.arange(400, 701, 10)
SURFACE = 0.012

# Each dye's absorption: (centre in nm, width in nm, strength) of its bumps.
_BUMPS = {
    "straw": ((425, 38, 1.0),),
    "amber": ((455, 42, 1.0), (500, 25, 0.25)),
    "rust": ((480, 48, 1.0), (545, 35, 0.35)),
    "berry": ((520, 45, 1.0), (430, 40, 0.35)),
    "mallow": ((548, 38, 1.0), (420, 30, 0.10)),
    "plum": ((572, 46, 1.0), (520, 40, 0.45)),
    "ink": ((608, 58, 1.0), (555, 48, 0.4), (430, 45, 0.12)),
    "tarn": ((638, 56, 1.0), (590, 40, 0.25), (420, 40, 0.12)),
    "leaf": ((655, 55, 0.9), (430, 42, 0.95)),
    "bark": ((420, 120, 1.0), (560, 90, 0.35)),
    "soot": ((550, 600, 1.0),),
}


def _curve(name: str) -> Array:
    return sum(
        strength * np.exp(-0.5 * ((BANDS - centre) / width) ** 2) for centre, width, strength in _BUMPS[name]
    )


DYES = {name: _curve(name) for name in _BUMPS}
SHEETS = {
    "smooth white": 0.90 - 0.06 * np.exp(-0.5 * ((BANDS - 400) / 14) ** 2),
    "white core": 0.86 - 0.05 * np.exp(-0.5 * ((BANDS - 400) / 18) ** 2),
}


def swatch(recipe: dict[str, float], sheet: str = "smooth white") -> Array:
    """Reflectance (31,) of a recipe (dye → amount) soaked into a sheet."""
    base = SHEETS[sheet]
    absorbed = (1 - base) ** 2 / (2 * base) + sum(amount * DYES[dye] for dye, amount in recipe.items())
    body = 1 + absorbed - np.sqrt(absorbed**2 + 2 * absorbed)
    return np.round(SURFACE + (1 - SURFACE) * body, 4)
