"""Is this a picture, and what does it show? PNG, JPEG and WebP."""

import io
import warnings
from dataclasses import dataclass

import numpy as np
from colour.models import eotf_sRGB
from PIL import Image, ImageCms, ImageOps, UnidentifiedImageError

from jindle_core import defaults
from jindle_core.colorimetry.spaces import Array
from jindle_core.errors import BadInput, Problem

_KINDS = ("PNG", "JPEG", "WEBP")
_SRGB = ImageCms.createProfile("sRGB")
_QUALITY = 88
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
    """The picture in a file: turned as the camera was held, its profile honoured, the first of its frames.

    Transparent parts show white paper. Raises BadInput for what is no such
    picture, is damaged, or has too many or too few pixels.
    """
    image = small_image(content)
    pixels = np.asarray(image)
    return Picture(pixels, _TO_LINEAR[pixels], (pixels >= 254).any(axis=-1), *_whole_size(content))


def jpeg(image: Image.Image) -> bytes:
    """The picture made anew: nothing that stood beside its pixels, such as a place, is kept."""
    out = io.BytesIO()
    image.save(out, "JPEG", quality=_QUALITY)
    return out.getvalue()


def small_image(content: bytes) -> Image.Image:
    """The same as an 8-bit sRGB image, no side longer than ``defaults.PICTURE_SIDE``."""
    if len(content) > defaults.LARGEST_PICTURE:
        raise _bad(f"has {len(content) / 2**20:.0f} MB; {defaults.LARGEST_PICTURE // 2**20} MB are the most")
    try:
        with warnings.catch_warnings():
            # How many pixels are too many is decided here, not by the library.
            warnings.simplefilter("ignore", Image.DecompressionBombWarning)
            with Image.open(io.BytesIO(content), formats=_KINDS) as opened:
                _check_size(*opened.size)
                # A JPEG can be decoded at a fraction of its size at once.
                opened.draft("RGB", (defaults.PICTURE_SIDE, defaults.PICTURE_SIDE))
                opened.load()
                return _small(opened)
    except (UnidentifiedImageError, Image.DecompressionBombError):
        raise _bad("is no PNG, JPEG or WebP picture") from None
    except (OSError, SyntaxError, ValueError, EOFError) as error:
        if isinstance(error, BadInput):
            raise
        raise _bad("is damaged or cut off") from None


def _small(opened: Image.Image) -> Image.Image:
    profile = opened.info.get("icc_profile")
    image = ImageOps.exif_transpose(opened)
    shrink = max(image.size) // defaults.PICTURE_SIDE
    if shrink > 1 and image.mode in ("RGB", "L", "RGBA", "CMYK"):
        image = image.reduce(shrink)
    if image.mode.startswith("I"):
        # 16 bits a channel: the upper eight are enough for what follows.
        image = Image.fromarray((np.asarray(image).astype(np.uint32) >> 8).clip(0, 255).astype(np.uint8))
    if image.mode in ("RGBA", "LA", "PA") or "transparency" in image.info:
        image = image.convert("RGBA")
        image = Image.alpha_composite(Image.new("RGBA", image.size, "white"), image)
    if profile and image.mode in ("RGB", "L", "CMYK"):
        try:
            image = ImageCms.profileToProfile(image, io.BytesIO(profile), _SRGB, outputMode="RGB")
        except ImageCms.PyCMSError:
            raise _bad("has a colour profile that cannot be read") from None
    elif image.mode == "CMYK":
        raise _bad("is in CMYK without a profile; save it as RGB")
    image = image.convert("RGB")
    image.thumbnail((defaults.PICTURE_SIDE, defaults.PICTURE_SIDE), Image.Resampling.BOX)
    return image


def _whole_size(content: bytes) -> tuple[int, int]:
    with Image.open(io.BytesIO(content), formats=_KINDS) as opened:
        width, height = opened.size
        turned = opened.getexif().get(0x0112, 1) >= 5  # EXIF orientation: lying on its side
    return (height, width) if turned else (width, height)


def _check_size(width: int, height: int) -> None:
    if width * height > defaults.PICTURE_PIXELS:
        millions = f"{width * height / 1e6:.0f} megapixels"
        raise _bad(f"has {millions}; {defaults.PICTURE_PIXELS // 10**6} are the most")
    if min(width, height) < defaults.PICTURE_LEAST:
        raise _bad(f"is {width} × {height} pixels; {defaults.PICTURE_LEAST} on a side are the least")


def _bad(trouble: str) -> BadInput:
    return BadInput(Problem(f"The picture {trouble}.", field="file", expected="a PNG, JPEG or WebP picture"))
