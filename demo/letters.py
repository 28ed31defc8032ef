"""Writes the outlines of the letters into the core, out of the title face that ships: ``./jindle letters``.

The core reads no files, and cut-out words are drawn, measured and matted by what the face really looks like.
"""

from collections.abc import Iterator
from pathlib import Path

import shapely
from fontTools.pens.basePen import BasePen
from fontTools.ttLib import TTFont

ROOT = Path(__file__).resolve().parent.parent
FACE = ROOT / "web" / "node_modules" / "@fontsource-variable" / "bricolage-grotesque" / "files"
FILES = [FACE / f"bricolage-grotesque-{part}-wght-normal.woff2" for part in ("latin", "latin-ext")]
WRITTEN = ROOT / "jindle_core" / "layers" / "letter_outlines.py"
WEIGHTS = (400, 700)
CHARACTERS = [*map(chr, range(0x20, 0x7F)), *map(chr, range(0xA1, 0x180)), *"–—‘’‚“”„…•€™ẞ"]
_CLOSE = 4.0  # thousandths of the type's size: less than a cutter follows
_STEPS = 8  # of a curve
_HEAD = '''"""How far each letter of the title face takes, and its outline: made by ./jindle letters.

In thousandths of the type's size, upwards from the base line; by weight (400, 700) and character the advance
and the rings: "x y x y; x y …", those of holes against the clock. The face is Bricolage Grotesque, under the
SIL Open Font License 1.1.
"""

OUTLINES: dict[int, dict[str, tuple[int, str]]] = {
'''


class _Flat(BasePen):
    """Collects rings of points; curves become short straight lines."""

    def __init__(self, glyphs: object) -> None:
        super().__init__(glyphs)
        self.rings: list[list[tuple[float, float]]] = []

    def _moveTo(self, point: tuple[float, float]) -> None:
        self.rings.append([point])

    def _lineTo(self, point: tuple[float, float]) -> None:
        self.rings[-1].append(point)

    def _qCurveToOne(self, control: tuple[float, float], end: tuple[float, float]) -> None:
        start = self.rings[-1][-1]
        for step in range(1, _STEPS + 1):
            t = step / _STEPS
            a, b, c = (1 - t) ** 2, 2 * t * (1 - t), t * t
            x, y = (a * p + b * q + c * r for p, q, r in zip(start, control, end, strict=True))
            self.rings[-1].append((x, y))


def written() -> str:
    """The module as it should stand."""
    fonts = [TTFont(file) for file in FILES]
    lines = [_HEAD]
    for weight in WEIGHTS:
        lines.append(f"    {weight}: {{\n")
        lines += [f"        {character!a}: {found},\n" for character, found in _letters(fonts, weight)]
        lines.append("    },\n")
    return "".join([*lines, "}\n"])


def _letters(fonts: list[TTFont], weight: int) -> Iterator[tuple[str, str]]:
    sets = [(font.getBestCmap(), font.getGlyphSet(location={"wght": weight})) for font in fonts]
    for character in CHARACTERS:
        for names, glyphs in sets:
            if (name := names.get(ord(character))) is None:
                continue
            pen = _Flat(glyphs)
            glyphs[name].draw(pen)
            rings = "; ".join(map(_told, _rings(pen.rings)))
            yield character, f'({round(glyphs[name].width)}, "{rings}")'
            break


def _rings(drawn: list[list[tuple[float, float]]]) -> Iterator[shapely.LinearRing]:
    """Those of the area alone: the strokes of a face that can be made bolder lie over one another."""
    rings = [shapely.LinearRing(ring) for ring in drawn]
    solid, holes = (
        shapely.union_all([shapely.make_valid(shapely.Polygon(ring)) for ring in rings if ring.is_ccw is ccw])
        for ccw in (False, True)
    )
    area = shapely.set_precision(solid.difference(holes).simplify(_CLOSE), 1)
    for part in shapely.get_parts(area):
        if part.geom_type == "Polygon":
            yield part.exterior if not part.exterior.is_ccw else part.exterior.reverse()
            yield from (hole if hole.is_ccw else hole.reverse() for hole in part.interiors)


def _told(ring: shapely.LinearRing) -> str:
    return " ".join(f"{round(x)} {round(y)}" for x, y in shapely.get_coordinates(ring)[:-1])


if __name__ == "__main__":
    WRITTEN.write_text(written(), encoding="utf-8")
