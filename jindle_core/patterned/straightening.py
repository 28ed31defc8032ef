"""What does a photographed sheet look like lying straight, by itself?"""

import numpy as np
import shapely
from skimage.transform import ProjectiveTransform, warp

from jindle_core import figures
from jindle_core.colorimetry.spaces import Array
from jindle_core.errors import BadInput, Problem
from jindle_core.patterned.correction import Corrected, PictureBox


def straightened(picture: Corrected, corners: Array) -> Corrected:
    """What lies between four corners (4, 2), in pixels clockwise from the upper left, as a rectangle.

    Its sides are as long as the longer of two that lie opposite. A white card
    that lies on it stays marked. Raises BadInput where the corners cross, lie
    outside the picture, or leave too little.
    """
    corners = np.asarray(corners, float)
    height, width = picture.linear.shape[:2]
    _check(corners, width, height)
    sides = np.linalg.norm(np.roll(corners, -1, axis=0) - corners, axis=1)
    wide, high = max(sides[0], sides[2]), max(sides[1], sides[3])
    scale = min(1.0, figures.paper.PICTURE_SIDE / max(wide, high))
    wide, high = (max(round(side * scale), 1) for side in (wide, high))
    square = np.array([(0, 0), (wide, 0), (wide, high), (0, high)], float)
    # Pixels lie half a pixel from the corners of the picture.
    into = ProjectiveTransform.from_estimate(square - 0.5, corners - 0.5)
    even = warp(picture.even, into, output_shape=(high, wide), order=1, mode="edge", preserve_range=True)
    card = None if picture.reference is None else _card(picture.reference, into, wide, high)
    return Corrected(even.astype(picture.linear.dtype), card, np.zeros((5, 3)), picture.doubt)


def _check(corners: Array, width: int, height: int) -> None:
    frame = shapely.Polygon(corners)
    if not frame.is_valid or not frame.equals(frame.convex_hull) or not frame.exterior.is_ccw:
        raise _bad("do not go once around the sheet: upper left, upper right, lower right, lower left")
    if corners.min() < -1 or (corners > [width + 1, height + 1]).any():
        raise _bad("lie outside the picture")
    if np.linalg.norm(np.roll(corners, -1, axis=0) - corners, axis=1).min() < figures.paper.PICTURE_LEAST:
        raise _bad(f"leave less than {figures.paper.PICTURE_LEAST} pixels of the sheet")


def _card(card: PictureBox, into: ProjectiveTransform, wide: int, high: int) -> PictureBox | None:
    """Where a white card comes to lie; None where that is beside the sheet."""
    found = np.clip(into.inverse(card.corners), 0, [wide - 1, high - 1])
    left, top = np.floor(found.min(axis=0)).astype(int)
    right, bottom = np.ceil(found.max(axis=0)).astype(int)
    if right - left < 2 or bottom - top < 2:
        return None
    return PictureBox(int(left), int(top), int(right - left), int(bottom - top))


def _bad(trouble: str) -> BadInput:
    return BadInput(Problem(f"The corners {trouble}.", field="corners"))
