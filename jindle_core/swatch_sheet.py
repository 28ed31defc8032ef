"""Where does each box of a printed swatch sheet stand? Its printer and its photograph's reader both ask."""

from dataclasses import dataclass

import numpy as np

from jindle_core import figures

SHEETS = {"letter": (215.9, 279.4), "a4": (210.0, 297.0)}  # mm


@dataclass(frozen=True, slots=True)
class SheetArea:
    """A rectangle on the sheet: left, top, width, height, in mm."""

    left: float
    top: float
    width: float
    height: float

    @property
    def corners(self) -> np.ndarray:
        """Its corners (4, 2) as x, y, clockwise from the upper left."""
        right, bottom = self.left + self.width, self.top + self.height
        return np.array([[self.left, self.top], [right, self.top], [right, bottom], [self.left, bottom]])

    def inset(self, left: float, top: float, right: float, bottom: float) -> "SheetArea":
        """The rectangle without a margin on each side."""
        return SheetArea(
            self.left + left, self.top + top, self.width - left - right, self.height - top - bottom
        )


@dataclass(frozen=True, slots=True)
class SwatchSheet:
    """One printed page: its size, the four corner marks, the fields for white and grey, the boxes in order.

    The first mark, at the upper left, has a hole, so that a photograph may lie any way round.
    """

    width: float
    height: float
    marks: tuple[SheetArea, ...]
    white: SheetArea
    grey: SheetArea
    boxes: tuple[SheetArea, ...]

    @property
    def mark_centres(self) -> np.ndarray:
        """The middles (4, 2) of the marks, clockwise from the upper left."""
        return np.array([mark.corners.mean(axis=0) for mark in self.marks])

    def pages(self, count: int) -> int:
        """How many pages ``count`` boxes take."""
        return max(1, -(-count // len(self.boxes)))

    def inked(self, box: SheetArea) -> SheetArea:
        """What of a box is surely ink: without its rim and the corner where the hint is printed."""
        rim, hint = figures.paper.SHEET_RIM, figures.paper.SHEET_HINT
        return box.inset(rim, rim, rim, hint + rim / 2)


def swatch_sheet(name: str) -> SwatchSheet:
    """The layout of "letter" or "a4"; KeyError for another.

    >>> sheet = swatch_sheet("a4")
    >>> len(sheet.boxes), sheet.pages(100)
    (48, 3)
    """
    width, height = SHEETS[name]
    margin, side = figures.paper.SHEET_MARGIN, figures.paper.SHEET_MARK
    right, bottom = width - margin - side, height - margin - side
    marks = tuple(
        SheetArea(left, top, side, side)
        for left, top in ((margin, margin), (right, margin), (right, bottom), (margin, bottom))
    )
    gap, columns = figures.paper.SHEET_GAP, figures.paper.SHEET_COLUMNS
    across = (width - 2 * margin - (columns - 1) * gap) / columns
    rows = int((bottom - gap - figures.paper.SHEET_TOP) // figures.paper.SHEET_PITCH)
    boxes = tuple(
        SheetArea(
            margin + column * (across + gap),
            figures.paper.SHEET_TOP + row * figures.paper.SHEET_PITCH,
            across,
            figures.paper.SHEET_BOX,
        )
        for row in range(rows)
        for column in range(columns)
    )
    field_left = right - gap - 2 * figures.paper.SHEET_FIELD[0] - gap
    white, grey = (
        SheetArea(field_left + at * (figures.paper.SHEET_FIELD[0] + gap), margin, *figures.paper.SHEET_FIELD)
        for at in (0, 1)
    )
    return SwatchSheet(width, height, marks, white, grey, boxes)
