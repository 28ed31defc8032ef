"""Does each piece lie inside what it lies on, this way or turned, and what falls off where it is trimmed?"""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from fractions import Fraction
from functools import lru_cache

import shapely

from jindle_core import figures
from jindle_core.checks.finding import Finding, Status
from jindle_core.layers.letters import letters
from jindle_core.layers.outlines import NO_OUTLINES, Outline, as_polygon
from jindle_core.layers.pieces import BASE, WORDS, Across, Down, Piece, PieceSaid, Place, PlaceSaid
from jindle_core.layers.sizing import Box, around, put
from jindle_core.lengths import Length, Size
from jindle_core.limits import negligible
from jindle_core.shown import percent

_ROUNDED = 0.02  # mm
_GLUED = 0.02  # of its area must lie on what it is glued to


@dataclass(frozen=True, slots=True)
class Fit:
    """Whether a piece fits, whether it would turned by a quarter, and what is trimmed off it."""

    key: int
    finding: Finding
    fits_turned: bool
    trimmings: tuple[Box, ...] = ()


def fits(
    boxes: dict[int, Box],
    pieces: Sequence[Piece],
    unit: str,
    outlines: Mapping[int, Outline] = NO_OUTLINES,
) -> list[Fit]:
    """How each piece fits on what it lies on; lengths are told in a unit, ``outlines`` no plain boxes."""
    return [
        _outline_fits(
            *(piece, boxes[piece.key], boxes[piece.on], boxes[BASE], unit),
            _lies(piece, boxes[piece.key], outlines.get(piece.key)),
            outlines[piece.on].lies if piece.on in outlines else None,
        )
        if piece.key in outlines or piece.on in outlines
        else _fit(piece, boxes[piece.key], boxes[piece.on], boxes[BASE], unit)
        for piece in pieces
    ]


def _lies(piece: Piece, box: Box, outline: Outline | None) -> shapely.Geometry | None:
    """Where a piece is that is no plain box: words are where their letters are."""
    if piece.kind in WORDS and not piece.is_wanting_words:
        area = letters(box, piece.text, piece.bold)
        return shapely.transform(area, outline.turn.placed) if outline and outline.turn else area
    return outline.lies if outline else None


_KEPT = 1024  # of the pieces of a card most fit as they did before a change


@lru_cache(maxsize=_KEPT)
def _outline_fits(
    piece: Piece,
    box: Box,
    under_box: Box,
    base_box: Box,
    unit: str,
    outline: shapely.Geometry | None,
    under_outline: shapely.Polygon | None,
) -> Fit:
    """The same of what is shaped or turned, or lies on it, by the true outlines; None: its box."""
    lies, under = outline or as_polygon(box), under_outline or as_polygon(under_box)
    base = as_polygon(base_box)
    whole = shapely.Polygon(under.exterior)
    turned = box.height <= under_box.width and box.width <= under_box.height
    figure = f"{_read(box, unit)} on {_read(under_box, unit)}"
    over = lies.difference(base if piece.trimmed else whole)
    # What turning rounds is nothing that hangs over.
    hangs = shapely.buffer(over, -_ROUNDED).area > 0
    if piece.trimmed and hangs:
        trimmings = tuple(around(part.bounds) for part in shapely.get_parts(over))
        finding = Finding(Status.HOLDS, figure, "", "is trimmed at the card's edge")
        return Fit(piece.key, finding, turned, trimmings)
    if not piece.trimmed and not negligible(over.area, lies.area):
        share = over.area / lies.area
        reason = f"hangs over what it lies on, by {percent(share)} of its area"
        return Fit(piece.key, Finding(Status.FAILS, figure, _read(under_box, unit), reason), turned)
    if under.interiors and lies.intersection(under).area < _GLUED * lies.area:
        reason = "lies in the opening: there is nothing to glue it to"
        return Fit(piece.key, Finding(Status.FAILS, figure, "", reason), turned)
    return Fit(piece.key, Finding(Status.HOLDS, figure, "", ""), turned)


@lru_cache(maxsize=_KEPT)
def _fit(piece: Piece, box: Box, under: Box, base: Box, unit: str) -> Fit:
    turned = box.height <= under.width and box.width <= under.height
    over = _over(box, base if piece.trimmed else under)
    figure = f"{_read(box, unit)} on {_read(under, unit)}"
    if not over or (not piece.trimmed and negligible(_area_over(box, under), float(box.width * box.height))):
        return Fit(piece.key, Finding(Status.HOLDS, figure, "", ""), turned)
    if piece.trimmed:
        trimmings = tuple(_off(box, base))
        reason = "is trimmed at the card's edge"
        return Fit(piece.key, Finding(Status.HOLDS, figure, "", reason), turned, trimmings)
    sides = ", ".join(f"{_text(length, unit)} over the {side}" for side, length in over.items())
    reason = f"hangs {sides}"
    if box.width > under.width or box.height > under.height:
        reason = "is larger than what it lies on"
        reason += ": it fits turned by a quarter" if turned else ", turned too"
    return Fit(piece.key, Finding(Status.FAILS, figure, _read(under, unit), reason), turned)


def _over(box: Box, under: Box) -> dict[str, Fraction]:
    """By side, how far a box hangs over another."""
    sides = {
        "left": under.x - box.x,
        "top": under.y - box.y,
        "right": box.right - under.right,
        "bottom": box.bottom - under.bottom,
    }
    return {side: length for side, length in sides.items() if length > 0}


def _area_over(box: Box, under: Box) -> float:
    wide = max(min(box.right, under.right) - max(box.x, under.x), Fraction(0))
    high = max(min(box.bottom, under.bottom) - max(box.y, under.y), Fraction(0))
    return float(box.width * box.height - wide * high)


def _off(box: Box, base: Box) -> list[Box]:
    """What a cut along the card's edges takes off a box: whole strips above and below, the rest beside."""
    left, right = max(box.x, base.x), min(box.right, base.right)
    top, bottom = max(box.y, base.y), min(box.bottom, base.bottom)
    if left >= right or top >= bottom:
        return [box]  # it lies beside the card altogether
    found = [
        Box(box.x, box.y, box.width, top - box.y),
        Box(box.x, bottom, box.width, box.bottom - bottom),
        Box(box.x, top, left - box.x, bottom - top),
        Box(right, top, box.right - right, bottom - top),
    ]
    return [one for one in found if one.width > 0 and one.height > 0]


def ways_to_fit(piece: Piece, boxes: dict[int, Box]) -> list[tuple[str, PieceSaid]]:
    """What makes a piece fit that does not: in words, and what is then said of it, as EditPiece takes it.

    Turned, moved back, cut smaller or trimmed, as far as each does.
    """
    found: list[tuple[str, PieceSaid]] = []
    box, under = boxes[piece.key], boxes[piece.on]
    larger = box.width > under.width or box.height > under.height
    if piece.size and larger and box.height <= under.width and box.width <= under.height:
        turned = Box(box.x, box.y, box.height, box.width)
        told: PieceSaid = {"size": piece.size.turned(), "place": _back(piece.place, turned, under)}
        found.append(("turn it by a quarter", told))
    if not larger:
        found.append(("move it back", {"place": _back(piece.place, box, under)}))
    elif piece.size:
        unit = piece.size.width.unit
        wide, high = min(box.width, under.width), min(box.height, under.height)
        size = Size(Length.floor(wide, unit), Length.floor(high, unit))
        cut = Box(box.x, box.y, size.width.millimetres, size.height.millimetres)
        found.append((f"cut it to {size.text()}", {"size": size, "place": _back(piece.place, cut, under)}))
    if not piece.trimmed and not box.inside(boxes[BASE]):
        found.append(("trim it at the card's edge", {"trimmed": True}))
    return found


_EDGES = {Across.LEFT_THIRD: Across.LEFT, Across.RIGHT_THIRD: Across.RIGHT}
_ENDS = {Down.UPPER_THIRD: Down.TOP, Down.LOWER_THIRD: Down.BOTTOM}


def _back(place: Place, box: Box, under: Box) -> PlaceSaid:
    """The same place without offsets; at the edge where the thirds would hang over."""
    back = Place(place.across, place.down)
    if not put(box, under, back).inside(under):
        back = Place(_EDGES.get(place.across, place.across), _ENDS.get(place.down, place.down))
    return {"across": back.across, "down": back.down, "right": back.right, "below": back.below}


def to_use_elsewhere(trimmings: Sequence[Box]) -> list[Box]:
    """The trimmings that are large enough to fill elsewhere, the largest first."""
    kept = [
        one for one in trimmings if min(one.width, one.height) >= Fraction(figures.cutting.TRIMMING_LEAST)
    ]
    return sorted(kept, key=lambda one: one.width * one.height, reverse=True)


def _read(box: Box, unit: str) -> str:
    return f"{_text(box.width, unit)} × {_text(box.height, unit)}"


def _text(length: Fraction, unit: str) -> str:
    return f"{Length.floor(length, unit).text()} {unit}"
