"""A simulated camera: photographs a sheet with a piece of white card under made-up lamps.

It has a physical model of its own and shares no code with what reads its
pictures: light falls unevenly and may be mixed, the sensor's three channels
overlap, the lens darkens the corners, the sheet lies a little askew, and
every pixel is noisy. Nothing here is measured on a real camera.
"""

import io
from dataclasses import dataclass

import numpy as np
from colour import MSDS_CMFS, SpectralShape
from numpy.typing import NDArray
from PIL import Image

Array = NDArray[np.float64]
_WAVES = np.arange(400, 701, 10)
LIGHTS = ("daylight", "shade", "warm lamp", "mixed light")


@dataclass(frozen=True)
class Scene:
    """What lies before the camera.

    ``labels`` (h, w) say which of the ``reflectances`` (n, 31) each place has;
    ``white`` (31,) is the card laid beside it, or None. ``on_table`` says that
    the whole sheet is in the picture, with some table around it, seen a little
    from the side.
    """

    labels: NDArray[np.uint8]
    reflectances: Array
    white: Array | None = None
    on_table: bool = False


def _black_body(kelvin: float) -> Array:
    """Planck's law over the bands, 1 at 560 nm."""
    metres = _WAVES * 1e-9
    power = metres**-5 / (np.exp(0.014388 / (metres * kelvin)) - 1)
    return np.asarray(power / power[16])


def _day(kelvin: float, blue: float) -> Array:
    sky = 1 + blue * (560 - _WAVES) / 160
    return _black_body(kelvin) * np.maximum(sky, 0.1)


_SPECTRA = {"daylight": _day(5600, 0.05), "shade": _day(7500, 0.18), "warm lamp": _black_body(2900)}


def _bump(centre: float, width: float) -> Array:
    return np.asarray(np.exp(-0.5 * ((_WAVES - centre) / width) ** 2))


# Channels of the sensor, and the matrix of its own software towards sRGB (found
# by least squares over smooth colours under daylight, as makers do).
_SENSOR = np.stack([_bump(602, 36) + 0.12 * _bump(445, 20), _bump(540, 40), _bump(455, 28)], axis=1)


def _towards_srgb() -> Array:
    random = np.random.default_rng(1)
    smooth = np.clip(
        np.cumsum(random.normal(0, 0.09, (600, 31)), axis=1) + random.uniform(0.1, 0.9, (600, 1)), 0.02, 0.98
    )
    light = _SPECTRA["daylight"]
    seen = smooth @ (_SENSOR * light[:, None])
    eye = MSDS_CMFS["CIE 1931 2 Degree Standard Observer"].copy().align(SpectralShape(400, 700, 10)).values
    xyz = smooth @ (eye * light[:, None])
    white_seen, white_xyz = (np.ones(31) @ (_SENSOR * light[:, None]), np.ones(31) @ (eye * light[:, None]))
    to_rgb = np.array([[3.2406, -1.5372, -0.4986], [-0.9689, 1.8758, 0.0415], [0.0557, -0.2040, 1.0570]])
    rgb = (xyz / white_xyz * np.array([0.9505, 1.0, 1.089])) @ to_rgb.T
    return np.asarray(np.linalg.lstsq(seen / white_seen, rgb, rcond=None)[0])


_MATRIX = _towards_srgb()
_BALANCED = 0.8
_WHITE_SEEN = np.ones(31) @ (_SENSOR * _SPECTRA["daylight"][:, None])


class SimulatedCamera:
    """A camera that is not there: it says so, and takes the same picture for the same seed."""

    name = "Simulated camera"
    simulated = True

    def photograph(self, scene: Scene, light: str, seed: int = 0) -> bytes:
        """A JPEG of the scene under one of ``LIGHTS``; ValueError for another light."""
        if light not in LIGHTS:
            raise ValueError(f"{light!r} is none of {', '.join(LIGHTS)}")
        random = np.random.default_rng(seed)
        labels, reflectances = _with_card(scene)
        if scene.on_table:
            labels, reflectances = _laid_on_table(labels, reflectances)
        height, width = labels.shape
        y, x = np.mgrid[0:height, 0:width]
        u, v = x / width - 0.5, y / height - 0.5
        if light == "mixed light":
            # A window on one side, a lamp on the other.
            lamp = 1 / (1 + np.exp(-(u + 0.2 * v) * 3.0))
            seen = _shown(reflectances, "daylight")[labels] * (1 - 0.45 * lamp)[..., None]
            seen += _shown(reflectances, "warm lamp")[labels] * (0.45 * lamp)[..., None]
        else:
            seen = _shown(reflectances, light)[labels]
        falling = 1 + random.uniform(-0.16, 0.16) * u + random.uniform(-0.16, 0.16) * v
        vignette = 1 - 0.28 * (u**2 + v**2)
        seen = seen * (falling * vignette)[..., None]
        # Twice as fine as the picture, so that edges come out mixed.
        half = (
            seen[: height // 2 * 2, : width // 2 * 2]
            .reshape(height // 2, 2, width // 2, 2, 3)
            .mean(axis=(1, 3))
        )
        exposure = 0.80 / np.percentile(half.max(axis=-1), 99.7)
        half = half * exposure
        half = half + random.normal(0, 1, half.shape) * np.sqrt(0.00012 * np.maximum(half, 0) + 0.000012)
        encoded = np.clip(half, 0, 1)
        encoded = np.where(encoded <= 0.0031308, 12.92 * encoded, 1.055 * encoded ** (1 / 2.4) - 0.055)
        image = Image.fromarray(np.rint(encoded * 255).astype(np.uint8))
        image = image.rotate(
            random.uniform(-1.2, 1.2), Image.Resampling.BICUBIC, fillcolor=image.getpixel((2, 2))
        )
        if scene.on_table:
            image = _from_the_side(image, random)
        out = io.BytesIO()
        image.save(out, "JPEG", quality=93)
        return out.getvalue()


def _shown(reflectances: Array, light: str) -> Array:
    """What the camera's software makes of each reflectance under a light: linear RGB.

    It balances the white by itself, though not wholly: it cannot know the lamp.
    """
    raw = reflectances @ (_SENSOR * _SPECTRA[light][:, None])
    white = np.ones(31) @ (_SENSOR * _SPECTRA[light][:, None])
    balance = (_WHITE_SEEN / white) ** _BALANCED
    return np.maximum(raw * balance / _WHITE_SEEN @ _MATRIX, 0)


def _with_card(scene: Scene) -> tuple[NDArray[np.uint8], Array]:
    """The scene with its white card laid on one corner, a tenth of the side wide."""
    if scene.white is None:
        return scene.labels, scene.reflectances
    labels = scene.labels.copy()
    side = min(labels.shape)
    card = slice(side // 30, side // 30 + side // 6)
    labels[card, card] = len(scene.reflectances)
    return labels, np.vstack([scene.reflectances, scene.white])


_TABLE = np.linspace(0.2, 0.34, 31)  # brown wood
_MARGIN = 0.05  # of the sheet's longer side
_ASIDE = 0.022  # of a side: how far a corner of the picture may be off


def _laid_on_table(labels: NDArray[np.uint8], reflectances: Array) -> tuple[NDArray[np.uint8], Array]:
    """The scene with the table's rim around it."""
    rim = int(_MARGIN * max(labels.shape))
    return np.pad(labels, rim, constant_values=len(reflectances)), np.vstack([reflectances, _TABLE])


def _from_the_side(image: Image.Image, random: np.random.Generator) -> Image.Image:
    """The picture as from a camera that is not held quite level: a projective map."""
    width, height = image.size
    square = np.array([(0, 0), (width, 0), (width, height), (0, height)], dtype=float)
    seen = square + random.uniform(-_ASIDE, _ASIDE, (4, 2)) * (width, height)
    rows = []
    for (x, y), (u, v) in zip(square, seen, strict=True):
        rows += [[x, y, 1, 0, 0, 0, -u * x, -u * y], [0, 0, 0, x, y, 1, -v * x, -v * y]]
    map_ = np.linalg.solve(np.array(rows), seen.ravel())
    return image.transform(image.size, Image.Transform.PERSPECTIVE, tuple(map_), Image.Resampling.BICUBIC)
