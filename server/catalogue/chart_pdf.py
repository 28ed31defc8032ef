"""A printable swatch chart: an empty box a colour, to be filled with one's own marker and photographed.

Thousands of small texts in places that are known: they are set directly, a
hundred times faster than by laying out a page of HTML.
"""

from collections.abc import Generator, Sequence
from dataclasses import dataclass
from itertools import groupby
from typing import NamedTuple

from fpdf import FPDF
from fpdf.fonts import TTFFont

from jindle_core import figures
from jindle_core.swatch_sheet import SheetArea, SwatchSheet, swatch_sheet
from server.catalogue.printing import FACES
from server.told.made import Streamed

_POINT = 25.4 / 72  # mm
_HOW = (
    "Fill each box with the colour itself, one layer, on the card you use, up to the rim; let it dry before "
    "you judge or photograph it. The small corner is only what a printer makes of the colour."
)
_BOLD = 700
_LINES = 2  # of name and note under a box


@dataclass(frozen=True)
class PrintedBox:
    """A box to fill: the printed hint of the colour, its code and name, how full it is."""

    shade: str
    label: str
    name: str
    note: str


class Font(NamedTuple):
    """A typeface: its family, "B" for bold, its size in points."""

    family: str
    style: str
    size: float


@dataclass(frozen=True)
class PrintedPart:
    """The boxes of one range, on pages of its own."""

    title: str
    about: str
    boxes: tuple[PrintedBox, ...]


def chart_pdf(title: str, parts: Sequence[PrintedPart], name: str) -> Generator[Streamed, None, bytes]:
    """The chart as PDF pages of a sheet ("letter" or "a4"); tells its progress page by page."""
    sheet = swatch_sheet(name)
    chart = _Chart(sheet, title, "".join(_words(part) for part in parts))
    whole = sum(len(part.boxes) for part in parts)
    done = 0
    for part in parts:
        pages, size = sheet.pages(len(part.boxes)), len(sheet.boxes)
        for page in range(pages):
            boxes = part.boxes[page * size : (page + 1) * size]
            chart.page(part, f"page {page + 1} of {pages}", boxes)
            done += len(boxes)
            yield Streamed(share=0.9 * done / max(whole, 1), words=f"{done:,} of {whole:,} boxes")
    return bytes(chart.pdf.output())


def _words(part: PrintedPart) -> str:
    return part.title + part.about + "".join(box.label + box.name + box.note for box in part.boxes)


class _Chart:
    """Pages of boxes."""

    def __init__(self, sheet: SwatchSheet, title: str, words: str) -> None:
        self.pdf = FPDF(format=(sheet.width, sheet.height))
        self.sheet = sheet
        self._known: dict[tuple[str, str], str] = {}
        self.pdf.set_title(title)
        self.pdf.set_auto_page_break(False)
        self.pdf.set_margin(0)
        letters = {ord(letter) for letter in words}
        self._add("Text", "Head")
        # Faces for letters that ours lacks: few names want them.
        for family in ("More", "Rest"):
            if letters - self._letters:
                self._add(family)

    def _add(self, *families: str) -> None:
        for (family, weight), path in FACES.items():
            if family in families:
                self.pdf.add_font(family, "B" if weight == _BOLD else "", fname=path)

    def _faces(self) -> dict[str, TTFFont]:
        """Our own faces; no other is added."""
        return {name: font for name, font in self.pdf.fonts.items() if isinstance(font, TTFFont)}

    @property
    def _letters(self) -> set[int]:
        return {letter for font in self._faces().values() for letter in font.cmap}

    def page(self, part: PrintedPart, number: str, boxes: Sequence[PrintedBox]) -> None:
        """One page: what it is, what to do, the marks by which a photograph is read, the boxes."""
        self.pdf.add_page()
        left = figures.paper.SHEET_MARGIN + figures.paper.SHEET_MARK + figures.paper.SHEET_GAP
        self.pdf.set_text_color(17)
        self._lines(SheetArea(left, 9, 110, 6), part.title, Font("Head", "", 15), most=1)
        self.pdf.set_text_color(85)
        self._lines(SheetArea(left, 15.5, 110, 4), f"{part.about}, {number}", Font("Text", "", 8), most=1)
        self.pdf.set_text_color(68)
        self._lines(SheetArea(left, 22.5, 118, 4), _HOW, Font("Text", "", 7.5), most=3)
        for mark in self.sheet.marks:
            self._fill(mark, 0)
        self._fill(self.sheet.marks[0].inset(*[self.sheet.marks[0].width / 3] * 4), 255)
        self.pdf.set_text_color(119)
        self.pdf.set_draw_color(153)
        self.pdf.set_line_width(0.2)
        self.pdf.set_dash_pattern(0.6, 0.6)
        for field, words in (
            (self.sheet.white, "leave white"),
            (self.sheet.grey, "grey card, if any"),
        ):
            self.pdf.rect(field.left, field.top, field.width, field.height)
            self._lines(
                field.inset(1, field.height - 3, 1, 0), words, Font("Text", "", 6), most=1, right=True
            )
        self.pdf.set_dash_pattern()
        self.pdf.set_draw_color(17)
        self.pdf.set_line_width(0.3)
        for box, area in zip(boxes, self.sheet.boxes, strict=False):
            self._box(box, area)

    def _box(self, box: PrintedBox, area: SheetArea) -> None:
        self.pdf.rect(area.left, area.top, area.width, area.height)
        hint = area.inset(area.width - figures.paper.SHEET_HINT, area.height - figures.paper.SHEET_HINT, 0, 0)
        self.pdf.set_fill_color(box.shade)
        self.pdf.rect(hint.left, hint.top, hint.width, hint.height, style="F")
        under = area.top + area.height + 0.8
        self.pdf.set_text_color(17)
        self._lines(SheetArea(area.left, under, area.width, 0), box.label, Font("Text", "B", 8), most=1)
        self.pdf.set_text_color(68)
        words = f"{box.name} {box.note}".strip()
        self._lines(SheetArea(area.left, under + 3.6, area.width, 0), words, Font("Text", "", 7), most=_LINES)

    def _fill(self, area: SheetArea, grey: int) -> None:
        self.pdf.set_fill_color(grey)
        self.pdf.rect(area.left, area.top, area.width, area.height, style="F")

    def _lines(self, area: SheetArea, words: str, font: Font, most: int, right: bool = False) -> None:
        """Words from the top of an area down, in so many lines at most."""
        height = font.size * _POINT * 1.25
        lines = self._broken(words, area.width, font)
        if len(lines) > most:
            lines = [*lines[: most - 1], self._cut(" ".join(lines[most - 1 :]), area.width, font)]
        for at, line in enumerate(lines):
            left = area.left + (area.width - self._width(line, font) if right else 0)
            self._text(left, area.top + at * height + font.size * _POINT, line, font)

    def _broken(self, words: str, width: float, font: Font) -> list[str]:
        """The words in lines; one that is wider than a line stands alone."""
        lines: list[str] = []
        for word in words.split():
            longer = f"{lines[-1]} {word}" if lines else ""
            if longer and self._width(longer, font) <= width:
                lines[-1] = longer
            else:
                lines.append(self._cut(word, width, font))
        return lines

    def _cut(self, words: str, width: float, font: Font) -> str:
        """The words, or as much of them as fits and a sign that there is more."""
        if self._width(words, font) <= width:
            return words
        while words and self._width(f"{words}…", font) > width:
            words = words[:-1]
        return f"{words.rstrip()}…"

    def _width(self, words: str, font: Font) -> float:
        return sum(self._set(family, font).get_string_width(run) for family, run in self._runs(words, font))

    def _text(self, left: float, baseline: float, words: str, font: Font) -> None:
        for family, run in self._runs(words, font):
            self._set(family, font).text(left, baseline, run)
            left += self.pdf.get_string_width(run)

    def _runs(self, words: str, font: Font) -> list[tuple[str, str]]:
        """Parts of words by the family that has their letters."""
        return [
            (family, "".join(run))
            for family, run in groupby(words, lambda letter: self._having(font.family, letter))
        ]

    def _having(self, family: str, letter: str) -> str:
        """The family itself, or the first other that has the letter."""
        found = self._known.get((family, letter))
        if found is None:
            fonts = self._faces()
            others = [one for one in (family, "Text", "More", "Rest") if one.lower() in fonts]
            having = (one for one in others if ord(letter) in fonts[one.lower()].cmap)
            found = self._known[family, letter] = next(having, family)
        return found

    def _set(self, family: str, font: Font) -> FPDF:
        self.pdf.set_font(family, font.style if family != "Head" else "", font.size)
        return self.pdf
