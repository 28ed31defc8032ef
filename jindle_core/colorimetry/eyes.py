"""How do colours look to eyes that lack one kind of cone?

By Machado, Oliveira and Fernandes (2009) at full severity. For eyes without blue cones that model is an
approximation, as its authors say, so for these stands beside it the one of Brettel, Viénot and Mollon (1997).
"""

from collections.abc import Callable

import numpy as np
from colour import MSDS_CMFS
from colour.blindness import matrix_cvd_Machado2009
from colour.models import RGB_COLOURSPACE_sRGB
from colour.utilities import suppress_warnings

from jindle_core.colorimetry.spaces import Array, lab_to_shown, linear_to_lab

# XYZ to the cones' responses (Smith and Pokorny 1975, as Viénot, Brettel and Mollon 1999 give them).
_CONES = np.array([[0.15514, 0.54312, -0.03286], [-0.15514, 0.45684, 0.03286], [0.0, 0.0, 0.01608]])
_TO_CONES = _CONES @ RGB_COLOURSPACE_sRGB.matrix_RGB_to_XYZ
# Lights that look the same with and without blue cones: white, and these two wavelengths (nm).
_WHITE = _TO_CONES @ np.ones(3)
_SHORT, _LONG = (
    _CONES @ MSDS_CMFS["CIE 1931 2 Degree Standard Observer"][wavelength] for wavelength in (485, 660)
)


def _brettel(linear: Array) -> Array:
    """Linear sRGB (…, 3): each colour moved along what blue cones alone part, to where they part nothing."""
    cones = linear @ _TO_CONES.T
    nearer_long = cones[..., 1] * _WHITE[0] < _WHITE[1] * cones[..., 0]
    # The plane through white and an anchor; a colour keeps what the other cones see of it.
    normal = np.where(nearer_long[..., None], np.cross(_WHITE, _LONG), np.cross(_WHITE, _SHORT))
    blue = -(normal[..., :2] * cones[..., :2]).sum(axis=-1) / normal[..., 2]
    seen = np.concatenate([cones[..., :2], blue[..., None]], axis=-1)
    return np.asarray(seen @ np.linalg.inv(_TO_CONES).T)


def _machado(deficiency: str) -> Callable[[Array], Array]:
    with suppress_warnings(colour_usage_warnings=True):
        matrix = matrix_cvd_Machado2009(deficiency, 1.0)
    return lambda linear: np.asarray(linear @ matrix.T)


# Linear sRGB to linear sRGB; the first of a kind is how it is shown.
_MODELS = {
    "protan": (_machado("Protanomaly"),),
    "deutan": (_machado("Deuteranomaly"),),
    "tritan": (_brettel, _machado("Tritanomaly")),
}
EYES = tuple(_MODELS)


def shown_to(kind: str, linear: Array) -> Array:
    """Linear sRGB (…, 3) as seen with one kind of colour blindness; KeyError for one that is none."""
    return np.asarray(np.clip(_MODELS[kind][0](linear), 0, 1))


def eyes(lab: Array, kind: str) -> Array:
    """The colours (…, 3) as seen with one kind of colour blindness; KeyError for one that is none."""
    return linear_to_lab(shown_to(kind, lab_to_shown(lab)))


def each_model(lab: Array) -> list[tuple[str, Array]]:
    """The colours (…, 3) as seen with each kind, by every model of it."""
    shown = lab_to_shown(lab)
    return [
        (kind, linear_to_lab(np.clip(model(shown), 0, 1)))
        for kind, models in _MODELS.items()
        for model in models
    ]
