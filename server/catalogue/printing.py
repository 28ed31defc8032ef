"""A template as a PDF to print, or as one HTML page, in our own typefaces ("Text" and "Head")."""

from base64 import b64encode
from functools import cache
from io import BytesIO
from pathlib import Path
from typing import Any

from django.conf import settings
from django.template.loader import render_to_string
from PIL import ImageFile

_FONTS = settings.ROOT / "server" / "fonts"


def _face(name: str, alphabet: str, weight: int) -> Path:
    return _FONTS / f"{name}-{alphabet}-{weight}-normal.woff2"


# By family and weight; "More" and "Rest" have letters that "Text" lacks, the rest Greek, Cyrillic and others.
FACES = {
    ("Text", 400): _face("atkinson-hyperlegible-next", "latin", 400),
    ("Text", 700): _face("atkinson-hyperlegible-next", "latin", 700),
    ("More", 400): _face("atkinson-hyperlegible-next", "latin-ext", 400),
    ("More", 700): _face("atkinson-hyperlegible-next", "latin-ext", 700),
    ("Rest", 400): _FONTS / "DejaVuSans.ttf",
    ("Rest", 700): _FONTS / "DejaVuSans-Bold.ttf",
    ("Head", 600): _face("bricolage-grotesque", "latin", 600),
}


# What a page to look at brings along: the letters of most words.
_ALONG = (("Text", 400), ("Text", 700), ("Head", 600))


def page(template: str, told: dict[str, Any]) -> str:
    """A template as one HTML file that needs nothing else; Django escapes what people typed."""
    return render_to_string(template, told | {"faces": [_carried(*face) for face in _ALONG]})


@cache
def _carried(family: str, weight: int) -> dict[str, Any]:
    source = b64encode(FACES[family, weight].read_bytes()).decode()
    return {"family": family, "weight": weight, "source": f"data:font/woff2;base64,{source}"}


@cache
def _unpacked(path: Path) -> str:
    """A face as it is set with, unpacked once: that takes a quarter of the time of a page."""
    if path.suffix != ".woff2":
        return path.as_uri()
    from fontTools.ttLib.woff2 import decompress  # noqa: PLC0415 (it comes with what sets pages)

    plain = BytesIO()
    decompress(BytesIO(path.read_bytes()), plain)
    return f"data:font/ttf;base64,{b64encode(plain.getvalue()).decode()}"


def pdf(template: str, told: dict[str, Any]) -> bytes:
    """A template as pages; Django escapes what people typed."""
    # The library takes a second to load, and only who prints wants it.
    from weasyprint import HTML  # noqa: PLC0415

    # It makes Pillow take pictures that are cut off, everywhere in this process; ours must be whole.
    ImageFile.LOAD_TRUNCATED_IMAGES = False
    faces = [
        {"family": family, "weight": weight, "source": _unpacked(path)}
        for (family, weight), path in FACES.items()
    ]
    whole = render_to_string(template, told | {"faces": faces})
    made: bytes = HTML(string=whole, base_url=str(_FONTS)).write_pdf()
    return made
