"""How large is a base before it is folded, and where is it scored?"""

from dataclasses import dataclass
from enum import StrEnum

from jindle_core.formats import Length, Size


class Fold(StrEnum):
    """Along which edge a card is folded."""

    SIDE = "at the side"
    TOP = "at the top"


@dataclass(frozen=True, slots=True)
class Flat:
    """A base as it is cut: its size, and the score line, upright or level, so far from its left or top."""

    size: Size
    upright: bool
    score: Length


def flat(card: Size, fold: Fold) -> Flat:
    """The base of a card laid flat.

    >>> from jindle_core.formats import read_size
    >>> flat(read_size("4 1/4", "5 1/2", "in"), Fold.TOP).size.text()
    '4 1/4 × 11 in'
    """
    if fold is Fold.SIDE:
        return Flat(Size(_doubled(card.width), card.height), True, card.width)
    return Flat(Size(card.width, _doubled(card.height)), False, card.height)


def _doubled(length: Length) -> Length:
    return Length(2 * length.ticks, length.unit)
