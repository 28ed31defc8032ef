"""HTML as a PDF to print, in the application's own typefaces ("Text" and "Head")."""

from html import escape
from pathlib import Path

from django.conf import settings
from PIL import ImageFile

_FONTS = settings.ROOT / "web" / "node_modules" / "@fontsource-variable"


def pdf(title: str, style: str, body: str) -> bytes:
    """The pages; ``style`` and ``body`` are ours, what people typed in them is escaped by the caller."""
    # The library takes a second to load, and only who prints wants it.
    from weasyprint import HTML  # noqa: PLC0415

    # It makes Pillow take pictures that are cut off, everywhere in this process; ours must be whole.
    ImageFile.LOAD_TRUNCATED_IMAGES = False
    text = _font("atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-wght-normal.woff2")
    head = _font("bricolage-grotesque/files/bricolage-grotesque-latin-wght-normal.woff2")
    faces = f"@font-face {{ font-family: Text; src: url('{text}') }}"
    faces += f"@font-face {{ font-family: Head; src: url('{head}') }}"
    whole = f"<!doctype html><html lang=en><title>{escape(title)}</title><style>{faces}{style}</style>{body}"
    return HTML(string=f"{whole}</html>", base_url=str(_FONTS)).write_pdf()


def _font(name: str) -> str:
    return Path(_FONTS / name).as_uri()
