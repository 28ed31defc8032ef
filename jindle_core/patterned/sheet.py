"""What does a sheet of patterned paper show at a place, at its true scale?"""

from dataclasses import dataclass
from functools import cached_property
from string import ascii_lowercase, digits

import numpy as np
from numpy.typing import NDArray

from jindle_core import figures
from jindle_core.colorimetry.spaces import Array, linear_to_lab
from jindle_core.patterned.colours import where

PAST = -1  # where no sheet is
SIGNS = digits + ascii_lowercase  # for a colour by its place


@dataclass(frozen=True, eq=False)
class Sheet:
    """A sheet as it was read from its picture.

    ``labels`` (h, w) say which of its ``colours`` (their ids) each part of the
    picture is of, which shows a stretch of it that is ``width`` mm wide.
    """

    title: str
    colours: tuple[int, ...]
    labels: NDArray[np.uint8]
    width: float

    @property
    def height(self) -> float:
        """How high (mm) what its picture shows is."""
        rows, columns = self.labels.shape
        return self.width * float(rows) / float(columns)

    @cached_property
    def shares(self) -> Array:
        """How much (n,) of it each of its colours takes, 0–1."""
        return np.bincount(self.labels.ravel(), minlength=len(self.colours)) / self.labels.size

    def rows(self, most: int) -> tuple[str, ...]:
        """Row by row which of its colours lies where, a sign each, ``most`` along the longer side."""
        step = max(1, -(-max(self.labels.shape) // most))
        return tuple("".join(SIGNS[one] for one in row) for row in self.labels[::step, ::step])

    @classmethod
    def of_rows(cls, title: str, colours: tuple[int, ...], rows: tuple[str, ...], width: float) -> "Sheet":
        """The sheet of which ``rows`` were told."""
        labels = np.array([[SIGNS.index(one) for one in row] for row in rows], dtype=np.uint8)
        return cls(title, colours, labels, width)

    def at(self, points: Array, start: tuple[float, float], turn: float, repeated: bool) -> NDArray[np.intp]:
        """Which of its colours lies at points (k, 2) in mm, ``PAST`` beside a sheet that is not repeated.

        Its upper left corner lies at ``start`` and it is turned about that by degrees clockwise.
        """
        rows, columns = self.labels.shape
        across, down = (self._straight(points, start, turn) * (columns / self.width)).T
        x, y = np.floor(across).astype(np.intp), np.floor(down).astype(np.intp)
        found: NDArray[np.intp] = self.labels[y % rows, x % columns].astype(np.intp)
        if not repeated:
            found[(x < 0) | (y < 0) | (x >= columns) | (y >= rows)] = PAST
        return found

    def holds(self, points: Array, start: tuple[float, float], turn: float) -> NDArray[np.bool_]:
        """Whether points (k, 2) lie on a sheet that is laid so and not repeated, edges and all."""
        x, y = self._straight(points, start, turn).T
        off = figures.paper.SHEET_ROUNDED
        return np.asarray((x >= -off) & (y >= -off) & (x <= self.width + off) & (y <= self.height + off))

    def _straight(self, points: Array, start: tuple[float, float], turn: float) -> Array:
        angle = np.deg2rad(turn)
        matrix = np.array([[np.cos(angle), -np.sin(angle)], [np.sin(angle), np.cos(angle)]])
        return np.asarray((np.asarray(points, float) - start) @ matrix)


def sheet_labels(linear: Array, colours: Array) -> NDArray[np.uint8]:
    """Which of a sheet's colours, CIELAB (n, 3), each part of its picture (h, w, 3), linear, is of.

    No side of what it gives is above ``figures.paper.SHEET_PARTS``; it is looked at in even parts.
    """
    step = max(1, -(-max(linear.shape[:2]) // figures.paper.SHEET_PARTS))
    rows, columns = (max(side // step, 1) for side in linear.shape[:2])
    kept = linear[: rows * step, : columns * step].reshape(rows, step, columns, step, 3)
    # The middle one of what it holds: a mean would be a colour that is nowhere.
    middle = np.median(kept.transpose(0, 2, 1, 3, 4).reshape(rows, columns, -1, 3), axis=2)
    return where(linear_to_lab(middle), colours)
