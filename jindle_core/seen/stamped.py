"""How is a picture coloured that is stamped straight on what it lies on?"""

from collections.abc import Callable
from dataclasses import replace

import numpy as np

from jindle_core.colorimetry.recovery import lab_to_reflectance
from jindle_core.line_art.drawing import LineDrawing
from jindle_core.line_art.outline import inside_shapes
from jindle_core.seen.colouring import Coloured
from jindle_core.seen.desk import Part


def stamped_on(
    coloured: Coloured, part: Part, seen: Callable[[np.ndarray, np.ndarray], np.ndarray]
) -> Coloured:
    """The same picture with each shape over what is really under it, that on the whole.

    ``seen`` gives for points (k,) in mm, where ``part`` would lie if it were not
    turned, the CIELAB (k, 3) under it.
    """
    drawing = coloured.drawing
    if drawing is None:
        return coloured
    points, shapes = inside_shapes(drawing)
    places = on_part(drawing, part, points)
    labs = seen(*places.T)
    means = np.array([labs[shapes == at].mean(axis=0) for at in range(len(drawing.shapes))])
    laid_on = lab_to_reflectance(means)
    over = {shape.id: card for shape, card in zip(drawing.shapes, laid_on, strict=True)}
    return replace(coloured, over=over)


def on_part(drawing: LineDrawing, part: Part, points: np.ndarray) -> np.ndarray:
    """Points (k, 2) of a drawing in mm where a part shows it."""
    if part.mirrored:
        points = np.array([drawing.width, 0.0]) + points * [-1.0, 1.0]
    return np.array([part.x, part.y]) + points * (part.width / drawing.width)
