"""Where is ink in a picture of a stamped outline, and how wide is its stroke?

Lengths are in stroke widths: the width is the ink's area by the length of its skeleton.
"""

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray
from PIL import Image
from scipy import ndimage
from skimage.filters import apply_hysteresis_threshold, threshold_otsu
from skimage.morphology import remove_small_holes, remove_small_objects, skeletonize

from jindle_core import figures
from jindle_core.errors import BadInput, Problem
from jindle_core.line_art.scanned.threads import Mask, beside

Floats = NDArray[np.float64]


@dataclass(frozen=True, eq=False)
class Ink:
    """The skeleton (h, w) of the ink, the width of its stroke, and how much smaller the picture was made."""

    skeleton: Mask
    width: float
    scale: float


def find_ink(pixels: NDArray[np.uint8]) -> Ink:
    """The ink in a picture (h, w, 3), at a size at which its stroke is ``figures.scans.STROKE`` wide.

    Raises BadInput where there is none, or nothing but texture.
    """
    # The strongest channel: black stays dark in all of them, warm light and most smudges do not.
    grey = Image.fromarray(np.maximum(np.maximum(pixels[..., 0], pixels[..., 1]), pixels[..., 2]))
    scale = min(1.0, figures.scans.FIRST_SIDE / max(grey.size))
    width = 0.0
    for _ in range(2):  # the second time at the size that the first found
        drawn = _sized(grey, scale)
        ink = _ink(drawn, width)
        skeleton = skeletonize(ink)
        length = float(skeleton.sum())
        if length < figures.scans.LEAST_LENGTH * max(drawn.shape):
            raise no_outline("shows no outline: there is hardly any ink, or it is too faint")
        width = float(ink.sum()) / length
        if ink.mean() > figures.scans.MOST_INK:
            raise no_outline("is more ink than paper; take the outline alone, uncoloured, on light paper")
        if (skeleton & (beside(skeleton) <= 1)).sum() > figures.scans.ENDS * length / (10 * width):
            raise no_outline("shows no outline that can be told from texture: lay the print on plain paper")
        found = Ink(skeleton, width, scale)
        scale = _next(grey.size, scale * figures.scans.STROKE / width)
    return found


def _sized(grey: Image.Image, scale: float) -> Floats:
    size = [max(round(side * scale), 1) for side in grey.size]
    small = grey.resize((size[0], size[1]), Image.Resampling.BOX if scale < 1 else Image.Resampling.BICUBIC)
    return np.asarray(small, float) / 255


def _next(size: tuple[int, int], scale: float) -> float:
    least, most = figures.scans.SIDES
    return min(max(scale, least / max(size)), most / max(size))


def _ink(grey: Floats, width: float) -> Mask:
    around = 2 * (round(figures.scans.PAPER_AROUND * max(grey.shape)) // 2) + 1
    paper = ndimage.grey_closing(grey, size=(around, around))
    paper = ndimage.uniform_filter(paper, around)
    even = np.clip(grey / np.maximum(paper, 1e-3), 0, 1)
    dark = threshold_otsu(even)
    if dark > figures.scans.FAINT:
        raise no_outline("shows no outline: there is hardly any ink, or it is too faint")
    sure, perhaps = 1 - dark, 1 - (dark + figures.scans.HYSTERESIS * (1 - dark))
    ink: Mask = apply_hysteresis_threshold(1 - even, perhaps, sure)
    ink = remove_small_holes(ink, max_size=round(figures.scans.HOLES * width**2))
    return np.asarray(remove_small_objects(ink, max_size=round(figures.scans.SPECKS * width**2)))


def no_outline(trouble: str) -> BadInput:
    """What is said where a picture is none of an outline."""
    return BadInput(Problem(f"The picture {trouble}.", field="file", expected="one outline on light paper"))
