"""What does a picture show, as light?"""

from dataclasses import dataclass

import numpy as np
from colour.models import eotf_inverse_sRGB, eotf_sRGB
from PIL import Image

from jindle_core.colorimetry.spaces import Array
from jindle_core.interchange.small_picture import SmallPicture, small_picture

_TO_LINEAR = eotf_sRGB(np.arange(256) / 255).astype(np.float32)


@dataclass(frozen=True)
class Picture:
    """A picture upright and made small enough to work on.

    ``pixels`` (h, w, 3) are 8-bit sRGB and ``linear`` the same linear, 0–1;
    ``clipped`` (h, w) says where a channel is at its end; ``width`` and
    ``height`` are those of the file.
    """

    pixels: np.ndarray
    linear: Array
    clipped: np.ndarray
    width: int
    height: int


def read_picture(content: bytes) -> Picture:
    """The picture in a file. Raises BadInput as ``small_picture`` does."""
    return in_light(small_picture(content))


def in_light(small: SmallPicture) -> Picture:
    """A picture that was opened already, perhaps by a process of its own."""
    pixels = small.pixels
    return Picture(
        pixels, _TO_LINEAR[pixels], np.asarray((pixels >= 254).any(axis=-1)), small.width, small.height
    )


def as_image(linear: Array) -> Image.Image:
    """Light (h, w, 3), 0–1, as a picture: 8-bit sRGB."""
    encoded = eotf_inverse_sRGB(np.clip(linear, 0, 1))
    return Image.fromarray(np.rint(encoded * 255).astype(np.uint8))
