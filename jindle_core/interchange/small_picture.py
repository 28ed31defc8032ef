"""Is this a picture, and of what size? PNG, JPEG and WebP.

It loads little, so that a process of its own that opens a foreign file starts quickly.
"""

import io
import warnings
from dataclasses import dataclass

import numpy as np
from PIL import Image, ImageCms, ImageOps, UnidentifiedImageError

from jindle_core import figures
from jindle_core.errors import BadInput, Problem

_KINDS = ("PNG", "JPEG", "WEBP")
_SRGB = ImageCms.createProfile("sRGB")


@dataclass(frozen=True)
class SmallPicture:
    """``pixels`` (h, w, 3), 8-bit sRGB, and the file's own size."""

    pixels: np.ndarray
    width: int
    height: int


def small_picture(content: bytes, side: int = figures.paper.PICTURE_SIDE) -> SmallPicture:
    """The picture in a file: turned as the camera was held, its profile honoured, the first of its frames.

    No side of it is above ``side`` pixels. Transparent parts show white paper. Raises
    BadInput for what is no such picture, is damaged, or has too many or too few pixels.
    """
    return SmallPicture(np.asarray(_small_image(content, side)), *_whole_size(content))


def _small_image(content: bytes, side: int) -> Image.Image:
    if len(content) > figures.paper.LARGEST_PICTURE:
        raise _bad(
            f"has {len(content) / 2**20:.0f} MB; {figures.paper.LARGEST_PICTURE // 2**20} MB are the most"
        )
    try:
        with warnings.catch_warnings():
            # How many pixels are too many is decided here, not by the library.
            warnings.simplefilter("ignore", Image.DecompressionBombWarning)
            with Image.open(io.BytesIO(content), formats=_KINDS) as opened:
                _check_size(*opened.size)
                # A JPEG can be decoded at a fraction of its size at once.
                opened.draft("RGB", (side, side))
                opened.load()
                return _small(opened, side)
    except (UnidentifiedImageError, Image.DecompressionBombError):
        raise _bad("is no PNG, JPEG or WebP picture") from None
    except (OSError, SyntaxError, ValueError, EOFError) as error:
        if isinstance(error, BadInput):
            raise
        raise _bad("is damaged or cut off") from None


def _small(opened: Image.Image, side: int) -> Image.Image:
    profile = opened.info.get("icc_profile")
    image: Image.Image = opened
    if image.mode.startswith("I"):
        # 16 bits a channel: the upper eight are enough for what follows.
        image = Image.fromarray((np.asarray(image) >> 8).clip(0, 255).astype(np.uint8))
        image.info.update(opened.info)
    transparent = image.has_transparency_data
    if image.mode not in (("RGBA",) if transparent else ("RGB", "L", "CMYK")):
        image = image.convert("RGBA" if transparent else "RGB")
    # Small first: what follows makes copies.
    shrink = max(image.size) // side
    if shrink > 1:
        image = image.reduce(shrink)
    image = ImageOps.exif_transpose(image)
    if transparent:
        image = Image.alpha_composite(Image.new("RGBA", image.size, "white"), image)
    if profile and image.mode in ("RGB", "L", "CMYK"):
        try:
            turned = ImageCms.profileToProfile(image, io.BytesIO(profile), _SRGB, outputMode="RGB")
            image = turned or image  # it gives nothing only where it works in place
        except ImageCms.PyCMSError:
            raise _bad("has a colour profile that cannot be read") from None
    elif image.mode == "CMYK":
        raise _bad("is in CMYK without a profile; save it as RGB")
    image = image.convert("RGB")
    image.thumbnail((side, side), Image.Resampling.BOX)
    return image


def _whole_size(content: bytes) -> tuple[int, int]:
    with Image.open(io.BytesIO(content), formats=_KINDS) as opened:
        width, height = opened.size
        turned = opened.getexif().get(0x0112, 1) >= 5  # EXIF orientation: lying on its side
    return (height, width) if turned else (width, height)


def _check_size(width: int, height: int) -> None:
    if width * height > figures.paper.PICTURE_PIXELS:
        millions = f"{width * height / 1e6:.0f} megapixels"
        raise _bad(f"has {millions}; {figures.paper.PICTURE_PIXELS // 10**6} are the most")
    if min(width, height) < figures.paper.PICTURE_LEAST:
        raise _bad(f"is {width} × {height} pixels; {figures.paper.PICTURE_LEAST} on a side are the least")


def _bad(trouble: str) -> BadInput:
    return BadInput(Problem(f"The picture {trouble}.", field="file", expected="a PNG, JPEG or WebP picture"))
