"""What of a card does somebody need who has none of its supplies?

The card itself, in which supplies, the ranges of line inks, sheets and drawings are
numbered from 1, and a list of each that says what the numbers are: codes and CIELAB, so
that a supply is found again, or else something near it.
"""

from collections.abc import Callable, Mapping
from dataclasses import dataclass, field, replace
from typing import Any

from jindle_core import figures
from jindle_core.card.references import turned
from jindle_core.card.whole import Card
from jindle_core.line_art.drawing import LineDrawing
from jindle_core.media.medium import Medium
from jindle_core.naming import Use
from jindle_core.patterned.sheet import SIGNS, Sheet
from jindle_core.provenance import Provenance
from jindle_core.supplies.whole import Supplies

Lab = tuple[float, float, float]


@dataclass(frozen=True, slots=True)
class RangeTold:
    """A range that the card names something of."""

    name: str
    maker: str
    medium: Medium
    properties: dict[str, Any] = field(default_factory=dict)


@dataclass(frozen=True, slots=True)
class SupplyTold:
    """A supply: the number of its range, its code and name, and its colour on paper, dry.

    ``lab`` is CIELAB (D50, 2°), with where that comes from; ``reflectance`` (31 bands from 400 to 700 nm,
    0–1) stands where it was read.
    """

    range: int
    code: str
    name: str
    lab: Lab
    provenance: Provenance
    reflectance: tuple[float, ...] | None = None

    @property
    def label(self) -> str:
        """What it is called for short."""
        return self.code or self.name


@dataclass(frozen=True, slots=True)
class PatternTold:
    """What a sheet shows, coarsely: the numbers of its colours, and row by row which of them lies where.

    Each sign of a row is the place of a colour among ``supplies`` (0–9, then a–z); all is ``width`` mm wide.
    """

    supplies: tuple[int, ...]
    rows: tuple[str, ...]
    width: float


@dataclass(frozen=True, slots=True)
class SheetTold:
    """A sheet of patterned paper: the numbers of its range and of the supply that stands for most of it."""

    range: int
    title: str
    supply: int
    pattern: PatternTold | None = None


@dataclass(frozen=True, slots=True)
class DrawingTold:
    """A line drawing and its name."""

    name: str
    drawing: LineDrawing


@dataclass(frozen=True, slots=True)
class Travelling:
    """All of it; see above."""

    card: Card
    ranges: tuple[RangeTold, ...] = ()
    supplies: tuple[SupplyTold, ...] = ()
    sheets: tuple[SheetTold, ...] = ()
    drawings: tuple[DrawingTold, ...] = ()


@dataclass(frozen=True, slots=True)
class Belongings:
    """What is known by id of drawings, and of sheets, with the id of the range of each."""

    drawings: Mapping[int, DrawingTold] = field(default_factory=dict)
    sheets: Mapping[int, tuple[int, Sheet]] = field(default_factory=dict)


def travelling(card: Card, supplies: Supplies, known: Belongings) -> Travelling:
    """What is told of a card.

    Colours are told as its person sees them, by their own readings. What is no longer among the supplies is
    left out, as are waivers: whether something may be let be, everybody says for themselves.
    """
    return _Telling(supplies, known).told(card)


class _Telling:
    """One card on its way out: everything that it names gets a number the first time that it is met."""

    def __init__(self, supplies: Supplies, known: Belongings) -> None:
        self._supplies, self._known = supplies, known
        self._ranges: dict[int, int] = {}
        self._colours: dict[int, int] = {}
        self._sheets: dict[int, int] = {}
        self._drawings: dict[int, int] = {}

    def told(self, card: Card) -> Travelling:
        numbers: dict[Use, Callable[[int], int | None]] = {
            Use.LINE: self._range,
            Use.DRAWING: lambda pk: _number(self._drawings, pk) if pk in self._known.drawings else None,
            Use.SHEETS: self._sheet,
        }
        bare = replace(card, waivers=())
        numbered = turned(bare, lambda use, pk: numbers.get(use, self._colour)(pk))
        sheets = tuple(self._sheet_told(pk) for pk in self._sheets)
        supplies = tuple(self._supply_told(pk) for pk in self._colours)
        ranges = tuple(self._range_told(pk) for pk in self._ranges)
        drawings = tuple(self._known.drawings[pk] for pk in self._drawings)
        return Travelling(numbered, ranges, supplies, sheets, drawings)

    def _range(self, pk: int) -> int | None:
        return _number(self._ranges, pk) if pk in self._supplies.ranges else None

    def _colour(self, pk: int) -> int | None:
        return _number(self._colours, pk) if pk in self._supplies.places else None

    def _sheet(self, pk: int) -> int | None:
        if pk not in self._known.sheets:
            return None
        range_id, sheet = self._known.sheets[pk]
        if self._range(range_id) is None or any(self._colour(one) is None for one in sheet.colours):
            return None
        return _number(self._sheets, pk)

    def _range_told(self, pk: int) -> RangeTold:
        facts = self._supplies.ranges[pk]
        return RangeTold(facts.name, facts.maker, facts.medium, dict(facts.properties))

    def _supply_told(self, pk: int) -> SupplyTold:
        place = self._supplies.places[pk]
        row, spectrum = self._supplies.rows[place], self._supplies.spectra.get(pk)
        lightness, a, b = (round(one, 3) for one in self._supplies.lab_at(place))
        read = None if spectrum is None else tuple(round(float(one), 5) for one in spectrum)
        provenance = self._supplies.provenance(place)
        number = _number(self._ranges, row.range_id)
        return SupplyTold(number, row.code, row.name, (lightness, a, b), provenance, read)

    def _sheet_told(self, pk: int) -> SheetTold:
        range_id, sheet = self._known.sheets[pk]
        numbers = tuple(self._colours[one] for one in sheet.colours)
        pattern = None
        if len(numbers) <= len(SIGNS):
            pattern = PatternTold(numbers, sheet.rows(figures.files.RECIPE_PATTERN), sheet.width)
        return SheetTold(self._ranges[range_id], sheet.title, numbers[int(sheet.shares.argmax())], pattern)


def _number(numbers: dict[int, int], pk: int) -> int:
    return numbers.setdefault(pk, len(numbers) + 1)
