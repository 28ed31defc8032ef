"""Is a picture nothing but its pixels? What stands beside them can tell where somebody lives.

It loads little, for the same reason as ``small_picture``.
"""

import io

from PIL import Image

from jindle_core.interchange.small_picture import small_picture

_QUALITY = 88
_JPEG, _END = b"\xff\xd8", b"\xff\xd9"
# The segments that pixels need (ITU-T T.81, table B.1): frames, tables, restarts, and the scan.
_NEEDED = (0xC0, 0xC1, 0xC2, 0xC4, 0xDB, 0xDD)
_SCAN, _JFIF = 0xDA, 0xE0
_CHUNKS = (b"VP8 ", b"VP8L", b"VP8X", b"ALPH")  # of WebP (RFC 9649), without profile, EXIF and XMP


def jpeg(image: Image.Image) -> bytes:
    """The picture made anew: nothing that stood beside its pixels, such as a place, is kept."""
    out = io.BytesIO()
    image.save(out, "JPEG", quality=_QUALITY, comment=b"")  # the library keeps what was opened with it
    return out.getvalue()


def bared(content: bytes) -> bytes:
    """The picture as it is where nothing stands beside its pixels, else made anew of them alone.

    BadInput as ``small_picture``, for what is no picture.
    """
    pixels = small_picture(content).pixels  # a picture, and surely one
    if _is_bare_jpeg(content) or _is_bare_webp(content):
        return content
    image = Image.fromarray(pixels)
    if not content.startswith(b"RIFF"):
        return jpeg(image)
    out = io.BytesIO()
    image.save(out, "WEBP", quality=82, method=4)
    return out.getvalue()


def _is_bare_jpeg(content: bytes) -> bool:
    if not content.startswith(_JPEG):
        return False
    at = len(_JPEG)
    while at + 4 <= len(content) and content[at] == 0xFF:
        marker, length = content[at + 1], int.from_bytes(content[at + 2 : at + 4])
        if marker == _SCAN:
            # Inside a scan 0xFF is followed by 0 or a restart: the first end is the end.
            return content.find(_END, at) == len(content) - len(_END)
        is_plain = marker == _JFIF and length == 16 and content[at + 4 : at + 9] == b"JFIF\0"
        if marker not in _NEEDED and not is_plain:
            return False
        at += 2 + length
    return False


def _is_bare_webp(content: bytes) -> bool:
    if content[:4] != b"RIFF" or int.from_bytes(content[4:8], "little") + 8 != len(content):
        return False
    at = 12
    while at + 8 <= len(content):
        length = int.from_bytes(content[at + 4 : at + 8], "little")
        if content[at : at + 4] not in _CHUNKS:
            return False
        at += 8 + length + length % 2
    return at == len(content)
