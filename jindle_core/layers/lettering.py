"""How large are the letters of words on a card, and by which rule must they be readable?"""

from jindle_core import figures
from jindle_core.contrast.rules import PairKind
from jindle_core.layers.sizing import Box


def font_size(box: Box, text: str) -> float:
    """The size of type (mm) in which a text fits into its box on one line."""
    letters = max(len(text), figures.building.WORDS_LEAST)
    wide = figures.building.TYPE_WIDTH_CAPITALS if text.isupper() else figures.building.TYPE_WIDTH
    return min(float(box.height) * figures.building.TYPE_HEIGHT, float(box.width) / letters / wide)


def capitals(size: float) -> float:
    """How high its capitals are (mm)."""
    return size * figures.building.TYPE_CAPITALS


def lettering_rule(size: float, bold: bool) -> PairKind:
    """By which rule words of a size (mm) are judged: only what is large and bold may be paler."""
    large = bold and capitals(size) >= figures.building.LARGE_CAPITALS
    return PairKind.LETTERING_LARGE if large else PairKind.LETTERING_SMALL
