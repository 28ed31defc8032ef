"""How large is a base before it is folded, and where is it scored?"""

from dataclasses import dataclass
from enum import StrEnum
from fractions import Fraction

from jindle_core import figures
from jindle_core.checks.finding import Finding, Status
from jindle_core.lengths import Length, Size, read_size
from jindle_core.words import in_words


class Fold(StrEnum):
    """Along which edge a card is folded."""

    SIDE = "at-the-side"
    TOP = "at-the-top"


@dataclass(frozen=True, slots=True)
class Flat:
    """A base as it is cut: its size, and the score line, upright or level, so far from its left or top."""

    size: Size
    upright: bool
    score: Length


def flat(card: Size, fold: Fold) -> Flat:
    """The base of a card laid flat.

    >>> from jindle_core.lengths import read_size
    >>> flat(read_size("4 1/4", "5 1/2", "in"), Fold.TOP).size.text()
    '4 1/4 × 11 in'
    """
    if fold is Fold.SIDE:
        return Flat(Size(_doubled(card.width), card.height), True, card.width)
    return Flat(Size(card.width, _doubled(card.height)), False, card.height)


_SHEETS = tuple(read_size(*sheet[1:]) for sheet in figures.cutting.SHEETS_TO_CUT)


def usual_fold(card: Size) -> Fold:
    """The fold with which a usual sheet holds the base: at the side where that does, or neither.

    >>> usual_fold(read_size("7", "5", "in")), usual_fold(read_size("5", "7", "in"))
    (<Fold.TOP: 'at-the-top'>, <Fold.SIDE: 'at-the-side'>)
    """
    return next((fold for fold in Fold if fits_usual_sheet(flat(card, fold).size)), Fold.SIDE)


def fits_usual_sheet(base: Size) -> bool:
    """Whether a usual sheet holds a base laid flat, this way or turned."""
    sides = sorted(side.millimetres for side in (base.width, base.height))
    return any(
        all(side <= room for side, room in zip(sides, sorted(_sides(sheet)), strict=True))
        for sheet in _SHEETS
    )


def examine_base(card: Size, fold: Fold) -> Finding:
    """Whether a usual sheet holds a card's base before it is folded."""
    size = flat(card, fold).size
    figure = f"{size.text()} before it is folded {in_words(fold)}"
    limit = "a usual sheet"
    if fits_usual_sheet(size):
        return Finding(Status.HOLDS, figure, limit, "")
    reason = "is larger than the usual sheets: have a larger one, or glue it of two halves"
    return Finding(Status.LOOK_AGAIN, figure, limit, reason)


def _sides(size: Size) -> tuple[Fraction, Fraction]:
    return size.width.millimetres, size.height.millimetres


def _doubled(length: Length) -> Length:
    return Length(2 * length.ticks, length.unit)
