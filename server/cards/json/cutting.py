"""What is cut out of which sheets, as it is told."""

from dataclasses import asdict
from typing import Any

from jindle_core import figures
from jindle_core.checked.build import Examined
from jindle_core.checked.supplied import Inventory
from jindle_core.lengths import Size
from jindle_core.planning.cutting import Cutting, Line, PieceCut, SheetCut, SheetPlace
from jindle_core.seen.palette import SeenPalette

Told = dict[str, Any]


def cutting_told(cutting: Cutting) -> Told:
    """All of it, as ``CuttingSerializer`` describes it."""
    words = Inventory(Examined(cutting.stack)).stock_words
    return {
        "sheets": [sheet_told(cutting.stack.palette, one, words(one.material)) for one in cutting.sheets],
        "pieces": [
            {
                "name": one.name,
                "size": one.size.text(),
                "count": cutting.count,
                "material": words(one.material),
                "direction": one.direction,
                "out_of": one.out_of,
                "blank": "" if one.blank is None else one.blank.text(),
            }
            for one in cutting.pieces
        ],
        "too_large": [sized(*one) for one in cutting.too_large],
        "middles": [sized(*one) for one in cutting.middles],
        "bound": cutting.bound,
    }


def sheets_to_cut() -> list[Told]:
    """The usual sheets, as ``SheetToCutSerializer`` describes them."""
    return [
        {"words": f"{name}{wide} × {high} {unit}", "width": wide, "height": high, "unit": unit}
        for name, wide, high, unit in figures.cutting.SHEETS_TO_CUT
    ]


def sized(name: str, size: Size) -> Told:
    """Something by its name and size."""
    return {"name": name, "size": size.text()}


def sheet_told(palette: SeenPalette, sheet: SheetCut, words: str) -> Told:
    """A sheet as ``SheetSerializer`` describes it, its material in words."""
    end = sheet.material
    return {
        "material": asdict(end) | {"words": words, "shades": palette.end_shades(end)},
        "width": sheet.width,
        "height": sheet.height,
        "cuts": [_cut(one) for one in sheet.cuts],
        "trims": [_rounded(one) for one in sheet.trims],
        "left": [_rounded(one.place) | {"size": one.words} for one in sheet.left],
        "used": round(sheet.used, 3),
    }


def _cut(cut: PieceCut) -> Told:
    return _rounded(cut.place) | {
        "key": cut.key,
        "name": cut.name,
        "turned": cut.turned,
        "size": cut.size.text(),
        "score": cut.score and _rounded(cut.score),
        "hole": cut.hole and _rounded(cut.hole),
    }


def _rounded(one: SheetPlace | Line) -> dict[str, float]:
    return {name: round(value, 3) for name, value in asdict(one).items()}
