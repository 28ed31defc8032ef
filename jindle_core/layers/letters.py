"""Which outline have words on a card, and what is cut to lie under them?

Words stand on one line in the middle of their box, in the title face that ships, without kerning. Outlines
are areas in mm, from the card's upper left corner.
"""

from fractions import Fraction
from functools import lru_cache

import shapely
from shapely.affinity import affine_transform

from jindle_core import figures
from jindle_core.layers.lettering import EM, font_size, told_of
from jindle_core.layers.sizing import Box

_CUT = 0.05  # mm: nearer no outline is followed
# Parts of the type's size: gaps are closed until all is one piece.
_CLOSINGS = (0.1, 0.25, 0.5, 1.0, 2.0)


@lru_cache(maxsize=256)
def letters(box: Box, text: str, bold: bool) -> shapely.Geometry:
    """The area of the letters of words in their box."""
    size, text = font_size(box, text), text.strip()
    across, found = 0.0, []
    for character in text:
        advance, area = _letter(character, bold)
        found.append(affine_transform(area, (1, 0, 0, 1, across, 0)))
        across += advance
    scale = size / EM
    left = float(box.x + box.width / 2) - across * scale / 2
    # Capitals stand in the middle of the box.
    down = float(box.y + box.height / 2) + size * figures.building.TYPE_CAPITALS / 2
    return affine_transform(shapely.union_all(found), (scale, 0, 0, -scale, left, down))


def extent(box: Box, text: str, bold: bool) -> Box:
    """Where in their box the letters of words stand; all of it where nobody said yet what they say."""
    found = letters(box, text, bold)
    if found.is_empty:
        return box
    left, top, right, bottom = map(Fraction, found.bounds)
    return Box(left, top, right - left, bottom - top)


@lru_cache(maxsize=256)
def around(words: tuple[tuple[Box, str, bool], ...], margin: float) -> shapely.Polygon | None:
    """What is cut to lie under words: their outline, wider by a margin (mm), in one piece without holes.

    Gaps between words and beside dots are closed as far as it takes. None where there are no words.
    """
    if not words:
        return None
    wide = shapely.union_all([letters(*one) for one in words]).buffer(margin)
    for part in _CLOSINGS:
        closing = part * max(font_size(box, text) for box, text, _ in words)
        closed = wide.buffer(closing).buffer(-closing)
        if closed.geom_type == "Polygon":
            break
    else:
        closed = wide.convex_hull
    return shapely.Polygon(closed.simplify(_CUT).exterior)


@lru_cache(maxsize=512)
def _letter(character: str, bold: bool) -> tuple[float, shapely.Geometry]:
    """How far a letter takes, and its area, in thousandths of the type's size; of an unknown one a tile."""
    advance, told = told_of(character, bold)
    if told is None:
        return advance, shapely.box(0.1 * advance, 0, 0.9 * advance, figures.building.TYPE_CAPITALS * EM)
    rings = [_ring(ring) for ring in told.split("; ") if ring]
    solid = [shapely.Polygon(ring) for ring in rings if not ring.is_ccw]
    holes = [shapely.Polygon(ring) for ring in rings if ring.is_ccw]
    return advance, shapely.difference(shapely.union_all(solid), shapely.union_all(holes))


def _ring(told: str) -> shapely.LinearRing:
    figures_told = list(map(float, told.split()))
    return shapely.LinearRing(list(zip(figures_told[::2], figures_told[1::2], strict=True)))
