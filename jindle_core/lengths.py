"""How large is a card, exactly, and how does one write that?"""

import re
from dataclasses import dataclass
from fractions import Fraction
from functools import lru_cache
from typing import NamedTuple

from jindle_core.errors import BadInput, Problem

# A ruler's sixteenths with room to halve twice; a tenth of a millimetre is
# finer than any trimmer cuts.
TICKS = {"in": 64, "mm": 10}
_MM_PER_INCH = Fraction(254, 10)
SMALLEST_MM, LARGEST_MM = Fraction(25), Fraction(610)  # an inch; two 12 in sheets
_RULER = 16  # inches are shown to the nearest sixteenth, as a ruler has them


@dataclass(frozen=True, slots=True)
class Length:
    """An exact length: whole ticks of 1/64 in or of 0.1 mm."""

    ticks: int
    unit: str

    @property
    def millimetres(self) -> Fraction:
        """The length in millimetres, exactly."""
        return _millimetres(self.ticks, self.unit)

    @classmethod
    def floor(cls, millimetres: Fraction, unit: str) -> "Length":
        """The longest length in whole ticks that is no longer.

        >>> Length.floor(Fraction(1017, 10), "in").text()
        '4'
        """
        value = millimetres / _MM_PER_INCH if unit == "in" else millimetres
        return cls(value * TICKS[unit] // 1, unit)

    @classmethod
    def near(cls, millimetres: Fraction, unit: str) -> "Length":
        """The nearest length in whole ticks; also of what is negative."""
        value = millimetres / _MM_PER_INCH if unit == "in" else millimetres
        return cls(round(value * TICKS[unit]), unit)

    def text(self, unit: str | None = None) -> str:
        """As one reads it off a ruler, without the unit: ``4 5/16`` or ``110``.

        In the other unit it is rounded to a sixteenth or a whole millimetre.

        >>> Length(276, "in").text(), Length(276, "in").text("mm")
        ('4 5/16', '110')
        """
        return _read_off(self.ticks, self.unit, unit or self.unit)


# The same few lengths are asked for again and again, and fractions are slow.
@lru_cache(maxsize=4096)
def _millimetres(ticks: int, unit: str) -> Fraction:
    value = Fraction(ticks, TICKS[unit])
    return value * _MM_PER_INCH if unit == "in" else value


@lru_cache(maxsize=4096)
def _read_off(ticks: int, unit: str, shown: str) -> str:
    if shown == "mm":
        if unit == "mm" and ticks % 10:
            return f"{ticks / 10:.1f}"
        return str(round(_millimetres(ticks, unit)))
    inches = _millimetres(ticks, unit) / _MM_PER_INCH
    parts = TICKS["in"] if unit == "in" else _RULER
    sixty_fourths = Fraction(round(inches * parts), parts)
    whole, rest = divmod(sixty_fourths, 1)
    return f"{whole} {rest}" if whole and rest else str(rest if rest else whole)


_MIXED = re.compile(r"(?:(\d+)\s+)?(\d+)\s*/\s*(\d+)")
_DECIMAL = re.compile(r"\d+(?:[.,]\d+)?")
_UNITS = {
    "": None,
    "in": "in",
    "inch": "in",
    "inches": "in",
    '"': "in",
    "″": "in",
    "”": "in",
    "mm": "mm",
    "cm": "cm",
}
_VULGAR = {"½": "1/2", "¼": "1/4", "¾": "3/4", "⅛": "1/8", "⅜": "3/8", "⅝": "5/8", "⅞": "7/8"}


@dataclass(frozen=True, slots=True)
class Limits:
    """Between which lengths (mm) something lies, and how that is said."""

    least: Fraction
    most: Fraction
    trouble: str
    expected: str


OF_CARDS = Limits(SMALLEST_MM, LARGEST_MM, "is no size for a card", "1 to 24 in, or 25 to 610 mm")
OF_PIECES = Limits(Fraction(1, 2), LARGEST_MM, "is no measure of a piece", "1/32 to 24 in, or 0.5 to 610 mm")
OFFSETS = Limits(Fraction(0), LARGEST_MM, "is no offset", "0 to 24 in, or 0 to 610 mm, with − before it")
OF_ENVELOPES = Limits(
    Fraction(25), Fraction(1000), "is no size of an envelope", "1 to 39 in, or 25 to 1000 mm"
)
OF_SHEETS = Limits(Fraction(25), Fraction(1000), "is no size of a sheet", "1 to 39 in, or 25 to 1000 mm")


def read_length(text: str, unit: str, field: str = "length", limits: Limits = OF_CARDS) -> Length:
    """The length that a text names; ``unit`` ("in" or "mm") counts where it names none.

    Takes ``4 5/16``, ``4½``, ``4.3125"``, ``110 mm``, ``11 cm``. Raises
    BadInput for anything else, for what is finer than a 64th of an inch or a
    tenth of a millimetre, and for what lies outside the limits.
    """
    came, plain = text, text.strip().lower()
    for sign, fraction in _VULGAR.items():
        plain = plain.replace(sign, " " + fraction)
    match = re.fullmatch(r'\s*([\d\s.,/]+?)\s*([a-z"″”]*)\s*', plain)
    named = _UNITS.get(match[2], "?") if match else "?"
    value = _value(match[1]) if match else None
    if value is None or named == "?":
        raise _bad(field, came, "is not a length", "such as 4 5/16, 4.25 in or 110 mm")
    if named == "cm":
        value, named = value * 10, "mm"
    unit = named or unit
    ticks = value * TICKS[unit]
    if ticks.denominator != 1:
        # A decimal inch such as 4.33 has no place on the ruler: nearest 64th.
        if unit == "mm" or "/" in plain:
            finest = "1/64 in" if unit == "in" else "0.1 mm"
            raise _bad(field, came, "is finer than can be cut", f"steps of {finest}")
        ticks = Fraction(round(ticks))
    length = Length(int(ticks), unit)
    if not limits.least <= length.millimetres <= limits.most:
        raise _bad(field, came, limits.trouble, limits.expected)
    return length


def _bad(field: str, came: str, trouble: str, expected: str) -> BadInput:
    shown = came if len(came) <= 40 else came[:40] + "…"
    return BadInput(
        Problem(f"“{shown}” {trouble}; write it {expected}.", field=field, value=came, expected=expected)
    )


def _value(text: str) -> Fraction | None:
    if mixed := _MIXED.fullmatch(text):
        if int(mixed[3]) == 0:
            return None
        return int(mixed[1] or 0) + Fraction(int(mixed[2]), int(mixed[3]))
    return Fraction(text.replace(",", ".")) if _DECIMAL.fullmatch(text) else None


def read_offset(text: str, unit: str, field: str) -> Length:
    """How far something is moved, as ``read_length`` reads it: with − before it to the left, or up."""
    plain = text.strip()
    back = plain[:1] in ("-", "−")
    found = read_length(plain[1:] if back else plain, unit, field, OFFSETS)
    return Length(-found.ticks, found.unit) if back else found


@dataclass(frozen=True, slots=True)
class Size:
    """Width and height of a card as it stands, both in one unit."""

    width: Length
    height: Length

    @property
    def orientation(self) -> str:
        """ "portrait", "landscape" or "square"."""
        wide, high = self.width.millimetres, self.height.millimetres
        return "square" if wide == high else "landscape" if wide > high else "portrait"

    def turned(self) -> "Size":
        """The same card turned by a quarter."""
        return Size(self.height, self.width)

    def shown(self, unit: str) -> "SizeShown":
        """The size as it is shown to a person who measures in a unit."""
        sides = self.width.text(), self.height.text()
        return SizeShown(self.text(unit), self.text(), *sides, self.width.unit, self.orientation)

    def text(self, unit: str | None = None) -> str:
        """``5 1/2 × 4 1/4 in`` or ``140 × 108 mm``."""
        unit = unit or self.width.unit
        return f"{self.width.text(unit)} × {self.height.text(unit)} {unit}"


class SizeShown(NamedTuple):
    """A size in words in a person's unit and exactly, its sides as they are typed, which way it stands."""

    words: str
    exact: str
    width: str
    height: str
    unit: str
    orientation: str


def read_size(width: str, height: str, unit: str, limits: Limits = OF_CARDS) -> Size:
    """The size that two texts name, as ``read_length`` reads them."""
    return Size(read_length(width, unit, "width", limits), read_length(height, unit, "height", limits))


# Half a sheet scored and folded, and what else is common; A6 and DL where paper is metric.
USUAL_SIZES = (
    read_size("4 1/4", "5 1/2", "in"),
    read_size("5", "7", "in"),
    read_size("3 1/2", "8 1/2", "in"),
    read_size("4", "4", "in"),
    read_size("6", "6", "in"),
    read_size("105", "148", "mm"),
    read_size("99", "210", "mm"),
    read_size("148", "148", "mm"),
)
