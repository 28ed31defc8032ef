"""What is left of a lamp once white is white: the matrices of ``figures.paper.LAMPS``, found anew.

``python -m bench.lamps`` prints them. Made-up cameras photograph made-up dyes and smooth spectra under lamps
that were measured for the CIE; those that ``bench.photos`` photographs with, and under, are others.
"""

import numpy as np
from colour import SDS_ILLUMINANTS

from jindle_core import figures
from jindle_core.colorimetry.spaces import Array, lab_to_linear, reflectance_to_lab
from jindle_core.patterned.lamp import Light
from jindle_core.prediction.stocks import WHITE_CARD
from standins.camera import Sensor, black_body, made_up, power_of
from standins.world import HABITS, World, dyes

CAMERAS, DYES, SMOOTH = 40, 6, 240
TUBES = ("FL2", "FL4", "FL7", "FL8", "FL11", "FL12", "FL3.4", "FL3.7", "FL3.8")


def _measured(*names: str) -> list[Array]:
    return [power_of(SDS_ILLUMINANTS[name]) for name in names]


SPECTRA = {
    Light.SHADE: [*_measured("D75"), black_body(7500) * (1 + 0.18 * np.linspace(1, -0.875, 31))],
    Light.BULB: [black_body(kelvin) for kelvin in (2500, 2700, 2856, 3000, 3200)],
    Light.WARM_LED: _measured("LED-B1", "LED-B2", "LED-BH1", "LED-V1", "LED-RGB1"),
    Light.COOL_LED: _measured("LED-B3", "LED-B4", "LED-B5", "LED-V2"),
    Light.FLUORESCENT: _measured(*TUBES),
}


def learnt(light: Light) -> Array:
    """The matrix (3, 3) that fits best what all cameras see under all lamps of a kind; it keeps white."""
    white, reflectances = lab_to_linear(reflectance_to_lab(WHITE_CARD)), _colours()
    seen = np.vstack(
        [
            _shown(made_up(seed), reflectances, spectrum, white)
            for seed in range(1, CAMERAS + 1)
            for spectrum in SPECTRA[light]
        ]
    )
    true = np.tile(lab_to_linear(reflectance_to_lab(reflectances)), (len(seen) // len(reflectances), 1))
    across = np.linalg.qr(np.column_stack([white, np.eye(3)]))[0][:, 1:3]
    more = []
    for channel in range(3):
        weights = np.maximum(true[:, channel], figures.paper.KNOWN_DARK) ** (-2 / 3)
        wanted = (true - seen)[:, channel] * weights
        more.append(across @ np.linalg.lstsq(seen @ across * weights[:, None], wanted, rcond=None)[0])
    return np.eye(3) + np.array(more)


def _colours() -> Array:
    """Reflectances (n, 31): dyes on white card, and smooth ones."""
    random = np.random.default_rng(5)
    steps = np.cumsum(random.normal(0, 0.09, (SMOOTH, 31)), axis=1)
    smooth = np.clip(steps + random.uniform(0.1, 0.9, (SMOOTH, 1)), 0.03, 0.95)
    laid = [
        World().covered(dyes(seed, 40), 1, HABITS["alcohol marker"], WHITE_CARD)
        for seed in range(100, 100 + DYES)
    ]
    return np.vstack([*laid, smooth])


def _shown(sensor: Sensor, reflectances: Array, spectrum: Array, white: Array) -> Array:
    """Linear sRGB (n, 3) once the white card is white."""
    shown = sensor.shown_by(np.vstack([WHITE_CARD, reflectances]), spectrum)
    return shown[1:] * white / shown[0]


if __name__ == "__main__":
    for light in SPECTRA:
        print(light, np.round(learnt(light), 3).tolist())
