"""How large are the letters of words on a card, and by which rule must they be readable?"""

from fractions import Fraction

from jindle_core import figures
from jindle_core.contrast.rules import PairKind
from jindle_core.layers.sizing import Box


def font_size(box: Box, text: str) -> float:
    """The size of type (mm) in which a text fits into its box on one line."""
    letters = max(len(text), figures.building.WORDS_LEAST)
    return min(float(box.height) * figures.building.TYPE_HEIGHT, float(box.width) / letters / _wide(text))


def extent(box: Box, text: str) -> Box:
    """Where in their box the letters of words stand: in its middle, as wide and high as type of that size."""
    size = font_size(box, text)
    wide = min(Fraction((len(text.strip()) or figures.building.WORDS_LEAST) * _wide(text) * size), box.width)
    high = min(Fraction(size), box.height)
    return Box(box.x + (box.width - wide) / 2, box.y + (box.height - high) / 2, wide, high)


def _wide(text: str) -> float:
    return figures.building.TYPE_WIDTH_CAPITALS if text.isupper() else figures.building.TYPE_WIDTH


def capitals(size: float) -> float:
    """How high its capitals are (mm)."""
    return size * figures.building.TYPE_CAPITALS


def lettering_rule(size: float, bold: bool) -> PairKind:
    """By which rule words of a size (mm) are judged: only what is large and bold may be paler."""
    large = bold and capitals(size) >= figures.building.LARGE_CAPITALS
    return PairKind.LETTERING_LARGE if large else PairKind.LETTERING_SMALL
