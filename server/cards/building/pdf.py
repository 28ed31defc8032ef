"""What is to be cut as PDF: the list of pieces with a ruler, then every sheet in its true size."""

from typing import Any

from server.catalogue.printing import pdf

_RULERS = (("0 to 4 in", 101.6, 25.4), ("0 to 100 mm", 100.0, 10.0))


def cutting_pdf(title: str, built: dict[str, Any], cutting: dict[str, Any]) -> bytes:
    """The pages of one card, from the build and the cutting as the API tells them."""
    return cutting_pages(title, cutting | {"built": built})


def cutting_pages(title: str, cutting: dict[str, Any]) -> bytes:
    """The pages of what is cut, for one card or several."""
    sheets = [sheet | {"cuts": [_scored(cut) for cut in sheet["cuts"]]} for sheet in cutting["sheets"]]
    told = {"title": title, "rulers": [_ruler(*one) for one in _RULERS]}
    return pdf("print/cutting.html", told | cutting | {"sheets": sheets})


def _ruler(words: str, length: float, step: float) -> dict[str, Any]:
    return {"words": words, "length": length, "ticks": [n * step for n in range(round(length / step) + 1)]}


def _scored(cut: dict[str, Any]) -> dict[str, Any]:
    """A piece with the line on which a base is scored as a box without width, or height."""
    if not (line := cut["score"]):
        return cut
    wide, high = line["x2"] - line["x1"], line["y2"] - line["y1"]
    return cut | {"score": {"x": line["x1"], "y": line["y1"], "width": wide, "height": high}}
