"""A printable swatch chart: an empty box a colour, to be filled with one's own marker."""

from collections.abc import Sequence
from dataclasses import dataclass
from html import escape
from pathlib import Path

from django.conf import settings
from PIL import ImageFile

SHEETS = {"letter": "8.5in 11in", "a4": "210mm 297mm"}
_FONTS = settings.ROOT / "web" / "node_modules" / "@fontsource-variable"


@dataclass(frozen=True)
class Box:
    """A box to fill: the printed hint of the colour, its code and name, how full it is."""

    shade: str
    label: str
    name: str
    note: str


@dataclass(frozen=True)
class Part:
    """The boxes of one range."""

    title: str
    about: str
    boxes: tuple[Box, ...]


def chart_pdf(title: str, parts: Sequence[Part], sheet: str) -> bytes:
    """The chart as PDF pages of a sheet ("letter" or "a4")."""
    # The library takes a second to load, and only who prints wants it.
    from weasyprint import HTML  # noqa: PLC0415

    # It makes Pillow take pictures that are cut off, everywhere in this process; ours must be whole.
    ImageFile.LOAD_TRUNCATED_IMAGES = False
    return HTML(string=_page(title, parts, sheet), base_url=str(_FONTS)).write_pdf()


def _page(title: str, parts: Sequence[Part], sheet: str) -> str:
    sections = "".join(
        f"<h2>{escape(part.title)} <small>{escape(part.about)}</small></h2><div class=boxes>"
        + "".join(_box(box) for box in part.boxes)
        + "</div>"
        for part in parts
    )
    return f"""<!doctype html><html lang=en><title>{escape(title)}</title><style>{_style(sheet)}</style>
<h1>{escape(title)}</h1>
<p>Fill each box with the colour itself, one layer, on the card you use; let it dry before you judge it.
The small corner is only what a printer makes of the colour.</p>{sections}</html>"""


def _box(box: Box) -> str:
    return (
        f'<div class=box><div class=fill><i style="background:{box.shade}"></i></div>'
        f"<b>{escape(box.label)}</b><span>{escape(box.name)}</span><em>{escape(box.note)}</em></div>"
    )


def _style(sheet: str) -> str:
    text = _font("atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-wght-normal.woff2")
    head = _font("bricolage-grotesque/files/bricolage-grotesque-latin-wght-normal.woff2")
    return f"""
@font-face {{ font-family: Text; src: url('{text}'); font-weight: 200 800 }}
@font-face {{ font-family: Head; src: url('{head}'); font-weight: 200 800 }}
@page {{ size: {SHEETS[sheet]}; margin: 12mm 12mm 15mm;
  @bottom-left {{ content: "{_css(sheet)}"; font: 8pt Text; color: #555 }}
  @bottom-right {{ content: counter(page) " / " counter(pages); font: 8pt Text; color: #555 }} }}
body {{ font: 8pt/1.25 Text, sans-serif; color: #111 }}
h1 {{ font: 600 17pt Head, sans-serif; margin: 0 0 1mm }}
h2 {{ font: 600 11pt Head, sans-serif; margin: 5mm 0 2mm; break-after: avoid }}
small {{ font: 8pt Text; color: #555 }}
p {{ margin: 0; max-width: 150mm; color: #444 }}
.boxes {{ display: grid; grid-template-columns: repeat(6, 1fr); gap: 3mm }}
.box {{ break-inside: avoid; overflow-wrap: anywhere }}
.box b, .box span, .box em {{ display: block; font-style: normal }}
.box span, .box em {{ font-size: 7pt; color: #444 }}
.fill {{ height: 15mm; border: 0.3mm solid #111; position: relative; margin-bottom: 0.8mm }}
.fill i {{ position: absolute; right: 0; bottom: 0; width: 4.5mm; height: 4.5mm }}
"""


def _font(name: str) -> str:
    return Path(_FONTS / name).as_uri()


def _css(sheet: str) -> str:
    return f"Jindle swatch chart, {'Letter' if sheet == 'letter' else 'A4'}"
