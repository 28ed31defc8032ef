"""How large are the letters of words on a card, and by which rule must they be readable?"""

from jindle_core import figures
from jindle_core.contrast.rules import PairKind
from jindle_core.layers.letter_outlines import OUTLINES
from jindle_core.layers.sizing import Box

EM = 1000


def font_size(box: Box, text: str) -> float:
    """The size of type (mm) in which a text fits into its box on one line."""
    letters = max(len(text), figures.building.WORDS_LEAST)
    wide = max(letters * _wide(text), sum(told_of(one, bold=True)[0] for one in text) / EM)
    return min(float(box.height) * figures.building.TYPE_HEIGHT, float(box.width) / wide)


def told_of(character: str, bold: bool) -> tuple[float, str | None]:
    """How far a letter takes, in thousandths of the type's size, and its outline, where the face has it."""
    return OUTLINES[700 if bold else 400].get(character, (figures.building.TYPE_WIDTH * EM, None))


def _wide(text: str) -> float:
    return figures.building.TYPE_WIDTH_CAPITALS if text.isupper() else figures.building.TYPE_WIDTH


def capitals(size: float) -> float:
    """How high its capitals are (mm)."""
    return size * figures.building.TYPE_CAPITALS


def lettering_rule(size: float, bold: bool) -> PairKind:
    """By which rule words of a size (mm) are judged: only what is large and bold may be paler."""
    large = bold and capitals(size) >= figures.building.LARGE_CAPITALS
    return PairKind.LETTERING_LARGE if large else PairKind.LETTERING_SMALL
