"""Where in a picture lies the printed strip of known swatches?

A strip of one's own swatches laid beside what is photographed says what its light did (see ``lamp``). It is
found by its four marks, which lie as no pattern's dots do: so far apart for their size, the first with a
hole.
"""

from dataclasses import dataclass
from typing import NamedTuple

import numpy as np

from jindle_core import figures
from jindle_core.colorimetry.spaces import Array
from jindle_core.patterned.correction import PictureBox
from jindle_core.patterned.marks import Mark, placed, plane, squares
from jindle_core.swatch_sheet import SheetArea

_LEAST = 1e-4


@dataclass(frozen=True, slots=True)
class Strip:
    """The printed strip: its corner marks clockwise, the field left white, a box a swatch, in mm."""

    marks: tuple[SheetArea, ...]
    white: SheetArea
    boxes: tuple[SheetArea, ...]

    @property
    def mark_centres(self) -> Array:
        """The middles (4, 2) of the marks, clockwise from the one with a hole."""
        return np.array([mark.corners.mean(axis=0) for mark in self.marks])


class FoundStrip(NamedTuple):
    """The strip in a picture: the white field, the middle of each box, all of it; in pixels."""

    white: PictureBox
    boxes: tuple[PictureBox, ...]
    whole: PictureBox


def strip() -> Strip:
    """How the strip is printed.

    >>> len(strip().boxes)
    8
    """
    width, height = figures.paper.STRIP
    side, gap, edge = figures.paper.SHEET_MARK, figures.paper.SHEET_GAP, figures.paper.STRIP_EDGE
    right, bottom = width - edge - side, height - edge - side
    marks = tuple(
        SheetArea(left, top, side, side)
        for left, top in ((edge, edge), (right, edge), (right, bottom), (edge, bottom))
    )
    fields = figures.paper.STRIP_SWATCHES + 1
    across = (width - 2 * (edge + side + gap) - (fields - 1) * gap) / fields
    white, *boxes = (
        SheetArea(
            edge + side + gap + at * (across + gap), figures.paper.STRIP_TOP, across, figures.paper.STRIP_BOX
        )
        for at in range(fields)
    )
    return Strip(marks, white, tuple(boxes))


def find_strip(linear: Array) -> FoundStrip | None:
    """The strip in a picture (h, w, 3) in linear sRGB, whichever way round it lies; or None.

    Ours: from each square with a hole along to another one the two marks
    across are foretold; of all that have squares there the one that fits
    best counts, if its field is white.
    """
    printed = strip()
    best: tuple[float, Array] | None = None
    marks = squares(linear)
    for first in (one for one in marks if one.hole >= figures.paper.MARK_HOLE):
        for second in marks:
            found = _from(printed, marks, first, second)
            if found is not None and (best is None or found[0] < best[0]):
                best = found
    if best is None:
        return None
    there = plane(printed.mark_centres, best[1])
    rim = [figures.paper.STRIP_RIM] * 4
    white, *boxes = (
        PictureBox.inside(placed(there, one.inset(*rim).corners)) for one in (printed.white, *printed.boxes)
    )
    whole = PictureBox.over(placed(there, SheetArea(0, 0, *figures.paper.STRIP).corners), linear.shape)
    large = min(min(one.width, one.height) for one in (white, *boxes)) >= figures.paper.REFERENCE_LEAST
    return FoundStrip(white, tuple(boxes), whole) if large and _is_white(linear, white) else None


def _from(printed: Strip, marks: list[Mark], first: Mark, second: Mark) -> tuple[float, Array] | None:
    """How far (in sides of a mark) four marks are from a strip's whose upper two these are, and where."""
    side = np.sqrt(first.area)
    corners = [np.array([first.x, first.y]), np.array([second.x, second.y])]
    along = corners[1] - corners[0]
    length = float(np.hypot(*along))
    width, height = printed.mark_centres[2] - printed.mark_centres[0]
    least, most = figures.paper.STRIP_SIDE
    if not least * length <= side * width / figures.paper.SHEET_MARK <= most * length:
        return None
    down = np.array([-along[1], along[0]]) * height / width
    off = 0.0
    for foretold in (corners[1] + down, corners[0] + down):
        away, mark = min(
            ((float(np.hypot(one.x - foretold[0], one.y - foretold[1])), one) for one in marks),
            key=lambda pair: pair[0],
        )
        if away > figures.paper.STRIP_AWAY * side:
            return None
        corners.append(np.array([mark.x, mark.y]))
        off += away / side
    return off, np.array(corners)


def _is_white(linear: Array, field: PictureBox) -> bool:
    patch = linear[field.slices()].reshape(-1, 3)
    lightest = np.percentile(linear.reshape(-1, 3), 99, axis=0)
    light = np.median(patch, axis=0)
    rough = patch.mean(axis=1).std() / max(float(patch.mean()), _LEAST)
    return bool((light >= figures.paper.STRIP_WHITE * lightest).all() and rough <= figures.paper.STRIP_ROUGH)
