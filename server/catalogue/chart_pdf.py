"""A printable swatch chart: an empty box a colour, to be filled with one's own marker and photographed."""

from collections.abc import Sequence
from dataclasses import dataclass
from html import escape

from jindle_core import defaults
from jindle_core.swatch_sheet import SHEETS, Area, SwatchSheet, swatch_sheet
from server.catalogue.printing import pdf


@dataclass(frozen=True)
class Box:
    """A box to fill: the printed hint of the colour, its code and name, how full it is."""

    shade: str
    label: str
    name: str
    note: str


@dataclass(frozen=True)
class Part:
    """The boxes of one range, on pages of its own."""

    title: str
    about: str
    boxes: tuple[Box, ...]


def chart_pdf(title: str, parts: Sequence[Part], name: str) -> bytes:
    """The chart as PDF pages of a sheet ("letter" or "a4")."""
    sheet = swatch_sheet(name)
    return pdf(title, _style(name), "".join(_part(part, sheet) for part in parts))


def _part(part: Part, sheet: SwatchSheet) -> str:
    pages, size = sheet.pages(len(part.boxes)), len(sheet.boxes)
    return "".join(
        _page(part, f"page {page + 1} of {pages}", part.boxes[page * size : (page + 1) * size], sheet)
        for page in range(pages)
    )


def _page(part: Part, number: str, boxes: Sequence[Box], sheet: SwatchSheet) -> str:
    marks = "".join(f"<i class=mark {_at(mark)}></i>" for mark in sheet.marks)
    hole = sheet.marks[0].inset(*[sheet.marks[0].width / 3] * 4)
    fields = "".join(
        f"<div class=field {_at(area)}>{words}</div>"
        for area, words in ((sheet.white, "leave white"), (sheet.grey, "grey card, if you have one"))
    )
    filled = "".join(_box(box, area) for box, area in zip(boxes, sheet.boxes, strict=False))
    return f"""<section><h1>{escape(part.title)} <small>{escape(part.about)}, {number}</small></h1>
<p>Fill each box with the colour itself, one layer, on the card you use, up to the rim; let it dry before you
judge or photograph it. The small corner is only what a printer makes of the colour.</p>
{marks}<i class=hole {_at(hole)}></i>{fields}{filled}</section>"""


def _box(box: Box, area: Area) -> str:
    text = Area(area.left, area.top + area.height, area.width, defaults.SHEET_PITCH - area.height - 1)
    hint = area.inset(area.width - defaults.SHEET_HINT, area.height - defaults.SHEET_HINT, 0, 0)
    return (
        f"<div class=fill {_at(area)}></div><i {_at(hint, f'background:{box.shade}')}></i>"
        f"<div class=text {_at(text)}><b>{escape(box.label)}</b> {escape(box.name)} "
        f"<em>{escape(box.note)}</em></div>"
    )


def _at(area: Area, more: str = "") -> str:
    return (
        f'style="left:{area.left:.3f}mm;top:{area.top:.3f}mm;width:{area.width:.3f}mm;'
        f'height:{area.height:.3f}mm;{more}"'
    )


def _style(name: str) -> str:
    width, height = SHEETS[name]
    inside = defaults.SHEET_MARGIN + defaults.SHEET_MARK + defaults.SHEET_GAP
    return f"""
@page {{ size: {width}mm {height}mm; margin: 0 }}
body {{ font: 8pt/1.25 Text, sans-serif; color: #111; margin: 0 }}
section {{ position: relative; width: {width}mm; height: {height}mm; overflow: hidden; break-after: page }}
section:last-child {{ break-after: auto }}
section > * {{ position: absolute; box-sizing: border-box }}
h1 {{ font: 600 15pt Head, sans-serif; margin: 0; left: {inside}mm; top: 9mm; width: 110mm; max-height: 13mm;
  overflow: hidden }}
small {{ font: 8pt Text; color: #555; display: block }}
p {{ margin: 0; left: {inside}mm; top: 22.5mm; width: 118mm; color: #444; font-size: 7.5pt }}
.mark {{ background: #000 }}
.hole {{ background: #fff }}
.field {{ border: 0.2mm dashed #999; font-size: 6pt; color: #777; padding: 0.4mm 1mm; text-align: right;
  display: flex; align-items: flex-end; justify-content: flex-end }}
.fill {{ border: 0.3mm solid #111 }}
.text {{ padding-top: 0.8mm; overflow: hidden; overflow-wrap: anywhere; font-size: 7pt; color: #444 }}
.text b {{ display: block; font-size: 8pt; color: #111 }}
.text em {{ font-style: normal }}
"""
