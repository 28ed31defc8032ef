"""A simulated camera: photographs a sheet with a piece of white card under made-up lamps.

It has a physical model of its own and shares no code with what reads its
pictures: light falls unevenly and may be mixed, the sensor's three channels
overlap, the lens darkens the corners, the sheet lies a little askew, and
every pixel is noisy. Its own channels are made up; for the bench there are
measured ones too, and the lamps are those that were measured for the CIE and others.
"""

import io
from dataclasses import dataclass

import numpy as np
from colour import (
    MSDS_CAMERA_SENSITIVITIES,
    MSDS_CMFS,
    SDS_ILLUMINANTS,
    SDS_LIGHT_SOURCES,
    SpectralDistribution,
    SpectralShape,
)
from numpy.typing import NDArray
from PIL import Image

Array = NDArray[np.float64]
_WAVES = np.arange(400, 701, 10)
_BANDS = SpectralShape(400, 700, 10)
_HEAD = 4096  # bytes of a picture among which its comment stands
# Stands in every picture that it takes, so that whoever reads one knows: nothing was before a lens.
MARK = b"made up by a simulated camera"
LIGHTS = ("daylight", "shade", "bulb", "warm LED", "cool LED", "fluorescent", "mixed light")


def is_made_up(picture: bytes) -> bool:
    """Whether a picture (a file) says that the simulated camera took it."""
    return MARK in picture[:_HEAD]


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


def black_body(kelvin: float) -> Array:
    """Planck's law over the bands, 1 at 560 nm."""
    metres = _WAVES * 1e-9
    power = metres**-5 / (np.exp(0.014388 / (metres * kelvin)) - 1)
    return np.asarray(power / power[16])


def _day(kelvin: float, blue: float) -> Array:
    sky = 1 + blue * (560 - _WAVES) / 160
    return black_body(kelvin) * np.maximum(sky, 0.1)


def _bump(centre: float, width: float) -> Array:
    return np.asarray(np.exp(-0.5 * ((_WAVES - centre) / width) ** 2))


def power_of(lamp: SpectralDistribution) -> Array:
    """A lamp's light over the bands, 1 at 560 nm."""
    power = lamp.copy().align(_BANDS).values
    return np.asarray(power / power[16])


_SPECTRA = {
    "daylight": _day(5600, 0.05),
    "shade": _day(7500, 0.18),
    "bulb": black_body(2900),
    "warm LED": power_of(SDS_ILLUMINANTS["LED-B2"]),
    "cool LED": power_of(SDS_ILLUMINANTS["LED-B4"]),
    "fluorescent": power_of(SDS_ILLUMINANTS["FL11"]),
    # Those that the bench photographs under: nothing was found on them.
    "bulb of 2800 K": power_of(SDS_LIGHT_SOURCES["Incandescent"]),
    "LED of 3000 K": power_of(SDS_LIGHT_SOURCES["PHOS-1"]),
    "LED of 6800 K": power_of(SDS_LIGHT_SOURCES["Phosphor LED YAG"]),
    "tube of 3400 K": power_of(SDS_LIGHT_SOURCES["Triphosphor FL"]),
    "tube of 4300 K": power_of(SDS_LIGHT_SOURCES["Cool White FL"]),
}
LAMPS = tuple(_SPECTRA)


@dataclass(frozen=True, eq=False)
class Sensor:
    """The channels (31, 3) of a camera, its software's matrix towards sRGB, and how it makes pictures.

    ``balanced``: how much of a light's cast its software takes out by itself; ``curve``: how much steeper
    than it should be it makes the middle of the scale, 0 to 1.
    """

    channels: Array
    matrix: Array
    balanced: float = 0.8
    quality: int = 93
    vignette: float = 0.28
    curve: float = 0.0

    @property
    def white(self) -> Array:
        """What it sees of a perfect white by daylight (3,)."""
        return np.asarray(np.ones(31) @ (self.channels * _SPECTRA["daylight"][:, None]))

    def shown(self, reflectances: Array, light: str) -> Array:
        """What the camera's software makes of each reflectance under a light: linear RGB."""
        return self.shown_by(reflectances, _SPECTRA[light])

    def shown_by(self, reflectances: Array, spectrum: Array) -> Array:
        """The same under the light of a spectrum (31,), linear RGB (n, 3)."""
        raw = reflectances @ (self.channels * spectrum[:, None])
        white = np.ones(31) @ (self.channels * spectrum[:, None])
        balance = (self.white / white) ** self.balanced
        return np.maximum(raw * balance / self.white @ self.matrix, 0)


def _towards_srgb(channels: Array) -> Array:
    """A matrix found by least squares over smooth colours under daylight, as makers do."""
    random = np.random.default_rng(1)
    smooth = np.clip(
        np.cumsum(random.normal(0, 0.09, (600, 31)), axis=1) + random.uniform(0.1, 0.9, (600, 1)), 0.02, 0.98
    )
    light = _SPECTRA["daylight"]
    seen = smooth @ (channels * light[:, None])
    eye = MSDS_CMFS["CIE 1931 2 Degree Standard Observer"].copy().align(_BANDS).values
    xyz = smooth @ (eye * light[:, None])
    white_seen, white_xyz = (np.ones(31) @ (channels * light[:, None]), np.ones(31) @ (eye * light[:, None]))
    to_rgb = np.array([[3.2406, -1.5372, -0.4986], [-0.9689, 1.8758, 0.0415], [0.0557, -0.2040, 1.0570]])
    rgb = (xyz / white_xyz * np.array([0.9505, 1.0, 1.089])) @ to_rgb.T
    return np.asarray(np.linalg.lstsq(seen / white_seen, rgb, rcond=None)[0])


_CHANNELS = np.stack([_bump(602, 36) + 0.12 * _bump(445, 20), _bump(540, 40), _bump(455, 28)], axis=1)
USUAL = Sensor(_CHANNELS, _towards_srgb(_CHANNELS))


def made_up(seed: int) -> Sensor:
    """A camera of its own: broader channels that overlap more, pictures that are packed harder."""
    random = np.random.default_rng(seed)
    channels = np.stack(
        [
            _bump(random.uniform(590, 612), random.uniform(36, 56))
            + random.uniform(0, 0.18) * _bump(random.uniform(430, 460), 22),
            _bump(random.uniform(528, 545), random.uniform(38, 58)) + random.uniform(0, 0.1) * _bump(610, 30),
            _bump(random.uniform(448, 468), random.uniform(26, 42))
            + random.uniform(0, 0.12) * _bump(540, 30),
        ],
        axis=1,
    )
    return Sensor(
        channels,
        _towards_srgb(channels),
        balanced=float(random.uniform(0.6, 1.0)),
        quality=80,
        vignette=float(random.uniform(0.2, 0.6)),
    )


def measured() -> tuple[Sensor, ...]:
    """Cameras with the sensitivities that colour-science ships: measured on real ones."""
    found = []
    for sensitivities in MSDS_CAMERA_SENSITIVITIES.values():
        channels = sensitivities.copy().align(_BANDS).values
        channels = channels / channels.max()
        found.append(Sensor(channels, _towards_srgb(channels)))
    return tuple(found)


class SimulatedCamera:
    """A camera that is not there: it says so, and takes the same picture for the same seed."""

    name = "Simulated camera"
    simulated = True

    def __init__(self, sensor: Sensor = USUAL) -> None:
        self._sensor = sensor

    def photograph(self, scene: Scene, light: str, seed: int = 0) -> bytes:
        """A JPEG of the scene under one of ``LIGHTS`` or ``LAMPS``; ValueError for another light."""
        if light not in (*LIGHTS, *LAMPS):
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
            seen = self._sensor.shown(reflectances, "daylight")[labels] * (1 - 0.45 * lamp)[..., None]
            seen += self._sensor.shown(reflectances, "bulb")[labels] * (0.45 * lamp)[..., None]
        else:
            seen = self._sensor.shown(reflectances, light)[labels]
        falling = 1 + random.uniform(-0.16, 0.16) * u + random.uniform(-0.16, 0.16) * v
        vignette = 1 - self._sensor.vignette * (u**2 + v**2)
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
        encoded = encoded + self._sensor.curve * encoded * (1 - encoded) * (2 * encoded - 1)
        image = Image.fromarray(np.rint(encoded * 255).astype(np.uint8))
        image = image.rotate(
            random.uniform(-1.2, 1.2), Image.Resampling.BICUBIC, fillcolor=image.getpixel((2, 2))
        )
        if scene.on_table:
            image = _from_the_side(image, random)
        out = io.BytesIO()
        image.save(out, "JPEG", quality=self._sensor.quality, comment=MARK)
        return out.getvalue()


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
