"""Which colour has each swatch in a photograph?"""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from jindle_core import figures
from jindle_core.colorimetry.difference import delta_e
from jindle_core.colorimetry.spaces import Array, as_lab
from jindle_core.errors import BadInput, Problem
from jindle_core.patterned.correction import Corrected

_GRID = 16  # points along each side of a swatch


@dataclass(frozen=True, slots=True)
class Patch:
    """A swatch as photographed: CIELAB, its spread (median ΔE00 from that), whether it seems bare card."""

    lab: tuple[float, float, float]
    spread: float
    bare: bool

    @property
    def uneven(self) -> bool:
        """Whether streaks, a shadow or a wrong frame make the colour doubtful."""
        return self.spread > figures.paper.PATCH_SPREAD


def read_patches(picture: Corrected, quads: Array, white: tuple[float, ...]) -> list[Patch]:
    """The colour within each four-cornered frame (n, 4, 2), x, y in pixels, clockwise.

    ``white`` (3,) is the bare card's colour. The outer tenth of a frame is
    left out. Raises BadInput where a frame leaves the picture.
    """
    height, width = picture.linear.shape[:2]
    along = np.linspace(0.1, 0.9, _GRID)
    u, v = (one.ravel() for one in np.meshgrid(along, along))
    weights = np.stack([(1 - u) * (1 - v), u * (1 - v), u * v, (1 - u) * v], axis=-1)
    points = np.rint(weights @ np.asarray(quads, dtype=float)).astype(int)
    if (points < 0).any() or (points[..., 0] >= width).any() or (points[..., 1] >= height).any():
        raise BadInput(
            Problem(
                "A swatch lies outside the picture.",
                field="patches",
                expected="the whole sheet in the picture, with all four corner marks",
            )
        )
    places = points[..., 1] * width + points[..., 0]
    # The middle one of nine is what the place is, noise apart.
    seen = np.median(picture.around(places.ravel()), axis=1).reshape(*places.shape, 3)
    labs = np.median(seen, axis=1)
    spreads = np.median(delta_e(seen, labs[:, None]), axis=1)
    bare = delta_e(labs, np.array(white)) < figures.paper.PATCH_BARE
    return [
        Patch(as_lab(lab), float(spread), bool(one))
        for lab, spread, one in zip(labs, spreads, bare, strict=True)
    ]


def strange(patches: Sequence[Patch], off: Array) -> str:
    """What is strange of swatches read, ``off`` (n,) in ΔE00 from what is known of them; empty: nothing."""
    laid = np.array([not patch.bare for patch in patches], dtype=bool)
    if len(patches) and not laid.any():
        return "Every swatch seems bare: is this the filled page?"
    if laid.any() and np.median(off[laid]) > figures.paper.PATCH_STRANGE:
        return (
            "These colours are far from what is known of them: is it this range, this page, and the same"
            " drawer as when the chart was printed?"
        )
    return ""
