"""Where does a printed sheet lie in a photograph? Found by the four marks in its corners."""

from dataclasses import dataclass

import numpy as np
from scipy import ndimage

from jindle_core import figures
from jindle_core.colorimetry.spaces import Array


@dataclass(frozen=True, slots=True)
class Mark:
    """A small dark filled square in a picture: its middle and area in pixels, which share of it is a hole."""

    x: float
    y: float
    area: int
    hole: float


def find_marks(linear: Array) -> Array | None:
    """The middles (4, 2) of the marks as x, y in pixels, clockwise from the one with a hole; or None.

    Ours: small dark filled squares; of these the outermost towards each
    corner of the picture, if the four are about equally large and one of
    them has a hole. The sheet may lie any way round and be seen a little
    from the side.
    """
    found = squares(linear)
    if len(found) < 4:
        return None
    places = np.array([(one.x, one.y) for one in found])
    corners = np.array([(-1, -1), (1, -1), (1, 1), (-1, 1)])
    outermost = [found[at] for at in (corners @ places.T).argmax(axis=1)]
    areas = [one.area for one in outermost]
    if len({(one.x, one.y) for one in outermost}) < 4 or max(areas) > figures.paper.MARK_ALIKE * min(areas):
        return None
    first = max(range(4), key=lambda at: outermost[at].hole)
    if outermost[first].hole < figures.paper.MARK_HOLE:
        return None
    turned = outermost[first:] + outermost[:first]
    return np.array([(one.x, one.y) for one in turned])


def squares(linear: Array) -> list[Mark]:
    """Everything in a picture (h, w, 3) that may be a mark."""
    light = linear.mean(axis=-1)
    dark = light < figures.paper.MARK_DARK * np.percentile(light, 95)
    labels, _ = ndimage.label(dark)
    least, most = (share * max(light.shape) for share in figures.paper.MARK_SIDE)
    found = []
    for number, where in enumerate(ndimage.find_objects(labels), start=1):
        height, width = (one.stop - one.start for one in where)
        if not (least <= min(height, width) and max(height, width) <= most):
            continue
        there = labels[where] == number
        whole = ndimage.binary_fill_holes(there)
        filled = int(whole.sum())
        squarish = min(height, width) / max(height, width) >= figures.paper.MARK_SQUARE
        if squarish and filled >= figures.paper.MARK_FILLED * height * width:
            y, x = (one.start + (one.stop - one.start - 1) / 2 for one in where)
            found.append(Mark(x, y, filled, 1 - int(there.sum()) / filled))
    return found


def plane(there: Array, here: Array) -> Array:
    """The projective map (3, 3) that takes four points (4, 2) to four others (4, 2).

    Solved as eight linear equations (Hartley and Zisserman 2004, 4.1).
    """
    rows, right = [], []
    for (x, y), (u, v) in zip(there, here, strict=True):
        rows += [[x, y, 1, 0, 0, 0, -u * x, -u * y], [0, 0, 0, x, y, 1, -v * x, -v * y]]
        right += [u, v]
    return np.append(np.linalg.solve(np.array(rows), np.array(right)), 1.0).reshape(3, 3)


def placed(mapping: Array, points: Array) -> Array:
    """Points (…, 2) taken through a projective map (3, 3)."""
    points = np.asarray(points, dtype=float)
    lifted = np.concatenate([points, np.ones((*points.shape[:-1], 1))], axis=-1) @ mapping.T
    return lifted[..., :2] / lifted[..., 2:]
