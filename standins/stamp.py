"""A stamped outline as a simulated scanner or camera takes it: from clean to dirty.

It knows nothing of how such pictures are read.
"""

import io

import numpy as np
from numpy.typing import NDArray
from PIL import Image, ImageDraw
from scipy import ndimage

# By condition: gaps in all the lines and their longest (in stroke widths), salt in the ink, how uneven the
# ink is, how much darker one side lies, blur (pixels), JPEG's quality, smudges.
CONDITIONS = {
    "clean": (0, 0.0, 0.0, 0.05, 0.0, 0.6, 92, 0),
    "usual": (4, 1.8, 0.02, 0.2, 0.15, 0.9, 82, 0),
    "poor": (6, 2.3, 0.04, 0.3, 0.25, 1.2, 70, 1),
    "dirty": (8, 2.6, 0.06, 0.35, 0.35, 1.4, 55, 4),
}
_LAMP = np.array([1.0, 0.9, 0.72])
_MARGIN = 0.06
_FINE = 3  # times as fine it is drawn


def stamped(
    rings: list[list[NDArray[np.float64]]], condition: str, seed: int, side: int = 1300, stroke: float = 6.5
) -> bytes:
    """A JPEG of shapes, each of closed rings (n, 2) in thousandths, from the lowest up; KeyError for an
    unknown condition. The stroke is so many pixels wide."""
    random = np.random.default_rng(seed)
    gaps, longest, salt, uneven, falling, blur, quality, smudges = CONDITIONS[condition]
    ink = _drawn(rings, side, stroke)
    _gaps(ink, random, gaps, longest * stroke)
    grain = ndimage.gaussian_filter(random.random(ink.shape), stroke / 4)
    ink[grain < np.quantile(grain, salt)] *= 0.05
    patches = ndimage.gaussian_filter(random.random(ink.shape), 8 * stroke)
    patches = (patches - patches.min()) / np.ptp(patches)
    ink = ndimage.gaussian_filter(ink * (1 - uneven * patches), blur)
    for _ in range(smudges):
        ink = np.maximum(ink, _smudge(ink.shape, random, stroke))
    fibres = 1 - 0.05 * ndimage.gaussian_filter(random.random(ink.shape), 1.2)
    light = 1 - falling * np.linspace(0, 1, side)[None, :, None]
    shade = (fibres * (1 - 0.88 * ink))[..., None] * _LAMP * light
    noisy = shade + random.normal(0, 0.012, shade.shape)
    out = io.BytesIO()
    Image.fromarray((np.clip(noisy, 0, 1) * 245).astype(np.uint8)).save(out, "JPEG", quality=quality)
    return out.getvalue()


def on_paper(points: NDArray[np.float64], side: int) -> NDArray[np.float64]:
    """Where points (n, 2) in thousandths lie in the picture, in pixels."""
    return (points / 1000 * (1 - 2 * _MARGIN) + _MARGIN) * side


def _drawn(rings: list[list[NDArray[np.float64]]], side: int, stroke: float) -> NDArray[np.float64]:
    image = Image.new("L", (side * _FINE, side * _FINE), 0)
    pen = ImageDraw.Draw(image)
    for shape in rings:
        for ring in shape:
            points = [tuple(one) for one in on_paper(ring, side) * _FINE]
            if len(points) > 2:
                pen.polygon(points, fill=0)
        for ring in shape:
            points = [tuple(one) for one in on_paper(np.vstack([ring, ring[:2]]), side) * _FINE]
            pen.line(points, fill=255, width=round(stroke * _FINE), joint="curve")
    return np.asarray(image.resize((side, side), Image.Resampling.BOX), float) / 255


def _gaps(ink: NDArray[np.float64], random: np.random.Generator, count: int, longest: float) -> None:
    rows, columns = np.nonzero(ink > 0.9)
    y, x = np.indices(ink.shape)
    for at in random.integers(0, len(rows), count):
        radius = random.uniform(0.35, 0.5) * longest
        ink[(x - columns[at]) ** 2 + (y - rows[at]) ** 2 < radius**2] = 0


def _smudge(shape: tuple[int, ...], random: np.random.Generator, stroke: float) -> NDArray[np.float64]:
    spot = np.zeros(shape)
    row, column = (random.integers(0, length) for length in shape)
    spot[row, column] = 1
    spot = ndimage.gaussian_filter(spot, random.uniform(3, 9) * stroke)
    return random.uniform(0.15, 0.3) * spot / spot.max()
