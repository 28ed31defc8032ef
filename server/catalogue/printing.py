"""HTML as a PDF to print, in the application's own typefaces ("Text" and "Head")."""

from html import escape
from pathlib import Path

from django.conf import settings
from PIL import ImageFile

_MODULES = settings.ROOT / "web" / "node_modules"


def _face(name: str, alphabet: str, weight: int) -> Path:
    return _MODULES / f"@fontsource/{name}/files/{name}-{alphabet}-{weight}-normal.woff2"


# By family and weight; "More" and "Rest" have letters that "Text" lacks, the rest Greek, Cyrillic and others.
FACES = {
    ("Text", 400): _face("atkinson-hyperlegible-next", "latin", 400),
    ("Text", 700): _face("atkinson-hyperlegible-next", "latin", 700),
    ("More", 400): _face("atkinson-hyperlegible-next", "latin-ext", 400),
    ("More", 700): _face("atkinson-hyperlegible-next", "latin-ext", 700),
    ("Rest", 400): _MODULES / "dejavu-fonts-ttf/ttf/DejaVuSans.ttf",
    ("Rest", 700): _MODULES / "dejavu-fonts-ttf/ttf/DejaVuSans-Bold.ttf",
    ("Head", 600): _face("bricolage-grotesque", "latin", 600),
}


def pdf(title: str, style: str, body: str) -> bytes:
    """The pages; ``style`` and ``body`` are ours, what people typed in them is escaped by the caller."""
    # The library takes a second to load, and only who prints wants it.
    from weasyprint import HTML  # noqa: PLC0415

    # It makes Pillow take pictures that are cut off, everywhere in this process; ours must be whole.
    ImageFile.LOAD_TRUNCATED_IMAGES = False
    faces = "".join(
        f"@font-face {{ font-family: {family}; font-weight: {weight}; src: url('{path.as_uri()}') }}"
        for (family, weight), path in FACES.items()
    )
    whole = f"<!doctype html><html lang=en><title>{escape(title)}</title><style>{faces}{style}</style>{body}"
    made: bytes = HTML(string=f"{whole}</html>", base_url=str(_MODULES)).write_pdf()
    return made
