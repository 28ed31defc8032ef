"""What is to be cut as PDF: the list of pieces with a ruler, then every sheet, in its true size where a home
printer's page holds it."""

from typing import Any

from server.catalogue.printing import pdf
from server.told.build import Build
from server.told.cutting import Cutting
from server.told.encoder import as_json

_PAGE = (216.0, 297.0)  # mm: what letter and A4 printers take, either way round
_CLEAR = 6.0  # mm from the edge of a page that many printers leave white
_RULERS = (("0 to 4 in", 101.6, 25.4), ("0 to 100 mm", 100.0, 10.0))


def cutting_pdf(title: str, built: Build, cutting: Cutting) -> bytes:
    """The pages of one card, from the build and the cutting as the API tells them."""
    return cutting_pages(title, as_json(cutting) | {"built": as_json(built)})


def cutting_pages(title: str, cutting: dict[str, Any]) -> bytes:
    """The pages of what is cut, for one card or several."""
    sheets = [_on_page(sheet) for sheet in cutting["sheets"]]
    told = {"title": title, "rulers": [_ruler(*one) for one in _RULERS]}
    return pdf("print/cutting.html", told | cutting | {"sheets": sheets})


def _ruler(words: str, length: float, step: float) -> dict[str, Any]:
    return {"words": words, "length": length, "ticks": [n * step for n in range(round(length / step) + 1)]}


def _on_page(sheet: dict[str, Any]) -> dict[str, Any]:
    """A sheet with its cuts numbered; smaller where no page of a home printer holds it, which is said."""
    sides, page = sorted((sheet["width"], sheet["height"])), _PAGE
    scale = 1.0
    if sides[0] > page[0] or sides[1] > page[1]:
        scale = min((page[0] - 2 * _CLEAR) / sides[0], (page[1] - 2 * _CLEAR) / sides[1])
    trims = [_box(line) | {"number": n} for n, line in enumerate(sheet["trims"], start=1)]
    cuts = [_scored(cut) for cut in sheet["cuts"]]
    told: dict[str, Any] = _scaled(sheet | {"cuts": cuts, "trims": trims}, scale)
    return told | {"percent": 0 if scale == 1 else round(100 * scale)}


_MEASURED = ("x", "y", "width", "height")


def _scaled(told: Any, scale: float) -> Any:
    """The same with everything that is measured in millimetres so much smaller."""
    if isinstance(told, dict):
        return {
            name: value * scale if name in _MEASURED else _scaled(value, scale)
            for name, value in told.items()
        }
    return [_scaled(one, scale) for one in told] if isinstance(told, list) else told


def _box(line: dict[str, Any]) -> dict[str, float]:
    """A line as a box without width, or height."""
    return {
        "x": line["x1"],
        "y": line["y1"],
        "width": line["x2"] - line["x1"],
        "height": line["y2"] - line["y1"],
    }


def _scored(cut: dict[str, Any]) -> dict[str, Any]:
    """A piece with the line on which a base is scored as a box without width, or height."""
    if not (line := cut["score"]):
        return cut
    return cut | {"score": _box(line)}
