"""What does a card's picture show at a place, and what is it along its outline?"""

from dataclasses import dataclass
from functools import cached_property

import numpy as np

from jindle_core.line_art.outline import outline, shapes_at
from jindle_core.material import End
from jindle_core.seen.colouring import Coloured
from jindle_core.seen.desk import Part

_RING = np.linspace(0, 2 * np.pi, 24, endpoint=False)


@dataclass(frozen=True)
class Edge:
    """Points (k, 2) of an outline in mm on the card, CIELAB (k, 3) inside it, and what that is (k,)."""

    places: np.ndarray
    labs: np.ndarray
    names: tuple[str, ...]

    def only(self, kept: np.ndarray) -> "Edge":
        """The points of a mask (k,)."""
        names = tuple(name for name, stays in zip(self.names, kept, strict=True) if stays)
        return Edge(self.places[kept], self.labs[kept], names)


@dataclass(frozen=True)
class Pictured:
    """The picture of a card as it is coloured, where parts of the desk show it."""

    coloured: Coloured

    @cached_property
    def _shapes(self) -> dict[str, tuple[np.ndarray, str]]:
        """By a shape's id: the colours (t, 3) that it is filled with, and its name."""
        coloured = self.coloured
        found = {
            shape.id: (np.array([coloured.paper_lab]), "bare paper")
            for shape in (coloured.drawing.shapes if coloured.drawing else ())
        }
        for area in coloured.colouring.areas:
            labs = coloured.tones[area.key].lab
            if not len(labs) and area.colour is not None:
                labs = coloured.palette.end_lab(End("palette", area.colour))[None]
            if area.shape and len(labs):
                found[area.shape] = (labs, area.name)
        return found

    @cached_property
    def _means(self) -> dict[str, np.ndarray]:
        return {shape: labs.mean(axis=0) for shape, (labs, _) in self._shapes.items()}

    @cached_property
    def labs(self) -> np.ndarray:
        """CIELAB (k, 3) of what the drawing is coloured with, large shapes more often; k is 0 without one."""
        shapes = self.coloured.drawing.shapes if self.coloured.drawing else ()
        found = [np.repeat(self._shapes[one.id][0], 1 + round(40 * one.share), axis=0) for one in shapes]
        return np.concatenate([*found, np.zeros((0, 3))])

    def at(self, part: Part, x: np.ndarray, y: np.ndarray) -> tuple[np.ndarray, np.ndarray]:
        """For points (k,) in mm whether a part that shows a picture covers them, and CIELAB (k, 3) there."""
        drawing = self.coloured.drawing
        if part.shape != "drawing" or drawing is None:
            across = (x - part.x - part.width / 2) / (part.width / 2)
            down = (y - part.y - part.height / 2) / (part.height / 2)
            lab = self.coloured.palette.end_lab(part.end)
            return across**2 + down**2 <= 1, np.broadcast_to(lab, (len(x), 3))
        scale = drawing.width / part.width
        shapes = shapes_at(drawing, np.stack([x - part.x, y - part.y], axis=1) * scale)
        labs = [np.zeros(3) if shape is None else self._means[shape] for shape in shapes]
        return np.array([shape is not None for shape in shapes]), np.array(labs).reshape(-1, 3)

    def edge(self, part: Part) -> Edge:
        """The outline of a part that shows a picture."""
        drawing = self.coloured.drawing
        if part.shape == "drawing" and drawing is not None:
            points, shapes = outline(drawing)
            places = np.array([part.x, part.y]) + points * (part.width / drawing.width)
            labs = np.array([self._means[shape] for shape in shapes])
            return Edge(places, labs, tuple(self._shapes[shape][1] for shape in shapes))
        half = np.array([part.width, part.height]) / 2
        places = np.array([part.x, part.y]) + half * (1 + np.stack([np.cos(_RING), np.sin(_RING)], axis=1))
        lab = self.coloured.palette.end_lab(part.end)
        name = self.coloured.palette.end_words(part.end)
        return Edge(places, np.repeat(lab[None], len(_RING), axis=0), (name,) * len(_RING))

    def outlined(self, part: Part) -> bool:
        """Whether a drawn or stamped line, or a white cut edge, holds a part apart from its ground."""
        return part.rim > 0 or (part.shape == "drawing" and self.coloured.line is not None)
