"""What is cut out of which sheets, as it is told."""

from dataclasses import asdict
from typing import Any

from jindle_core import figures
from jindle_core.checked.build import Examined
from jindle_core.checked.supplied import Inventory
from jindle_core.lengths import Size
from jindle_core.planning.cutting import Cutting, PieceCut, SheetCut, SheetPlace
from jindle_core.planning.cutting import Line as StraightLine
from jindle_core.seen.palette import SeenPalette
from server.told.build import PlacedBox, SheetToCut
from server.told.card import StockView
from server.told.cutting import CutPiece, Left, Line, Middle, Sheet
from server.told.cutting import Cutting as CuttingTold
from server.told.cutting import SheetCut as SheetCutTold

Told = dict[str, Any]


def cutting_told(cutting: Cutting) -> CuttingTold:
    """All of it."""
    words = Inventory(Examined(cutting.stack)).stock_words
    return CuttingTold(
        sheets=[sheet_told(cutting.stack.palette, one, words(one.material)) for one in cutting.sheets],
        pieces=[
            CutPiece(
                name=one.name,
                size=one.size.text(),
                count=cutting.count,
                material=words(one.material),
                direction=one.direction,
                out_of=one.out_of,
                blank="" if one.blank is None else one.blank.text(),
            )
            for one in cutting.pieces
        ],
        too_large=[sized(*one) for one in cutting.too_large],
        middles=[sized(*one) for one in cutting.middles],
        bound=cutting.bound,
    )


def sheets_to_cut() -> list[SheetToCut]:
    """The usual sheets."""
    return [
        SheetToCut(words=f"{name}{wide} × {high} {unit}", width=wide, height=high, unit=unit)
        for name, wide, high, unit in figures.cutting.SHEETS_TO_CUT
    ]


def sized(name: str, size: Size) -> Middle:
    """Something by its name and size."""
    return Middle(name=name, size=size.text())


def sheet_told(palette: SeenPalette, sheet: SheetCut, words: str) -> Sheet:
    """A sheet, its material in words."""
    end = sheet.material
    return Sheet(
        material=StockView(source=end.source, id=end.id, words=words, shades=palette.end_shades(end)),
        width=sheet.width,
        height=sheet.height,
        cuts=[_cut(one) for one in sheet.cuts],
        trims=[Line(**_rounded(one)) for one in sheet.trims],
        left=[Left(size=one.words, **_rounded(one.place)) for one in sheet.left],
        used=round(sheet.used, 3),
    )


def _cut(cut: PieceCut) -> SheetCutTold:
    return SheetCutTold(
        key=cut.key,
        name=cut.name,
        turned=cut.turned,
        size=cut.size.text(),
        score=None if cut.score is None else Line(**_rounded(cut.score)),
        hole=None if cut.hole is None else PlacedBox(**_rounded(cut.hole)),
        **_rounded(cut.place),
    )


def _rounded(one: SheetPlace | StraightLine) -> dict[str, float]:
    return {name: round(value, 3) for name, value in asdict(one).items()}
