"""What do a card's pictures show at a place, and what are they along their outlines?"""

from collections.abc import Callable, Iterable
from dataclasses import dataclass
from functools import cached_property

import numpy as np

from jindle_core.line_art.drawing import LineDrawing
from jindle_core.line_art.outline import outline, shapes_at
from jindle_core.material import End
from jindle_core.seen.colouring import Coloured
from jindle_core.seen.desk import Part
from jindle_core.seen.palette import SeenPalette
from jindle_core.seen.stamped import on_part

_BARE = "bare paper"
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
class _Filled:
    """What the shapes of one picture's drawing are filled with."""

    coloured: Coloured

    @cached_property
    def shapes(self) -> dict[str, tuple[np.ndarray, str]]:
        """By a shape's id: the colours (t, 3) that it is filled with, and its name."""
        coloured = self.coloured
        found = {
            shape.id: (np.array([coloured.bare(shape.id)]), _BARE)
            for shape in (coloured.drawing.shapes if coloured.drawing else ())
        }
        for area in coloured.areas:
            labs = coloured.tones[area.key].lab
            if not len(labs) and area.colour is not None:
                labs = coloured.palette.end_lab(End("palette", area.colour))[None]
            if area.shape and len(labs):
                found[area.shape] = (labs, area.name)
        return found

    @cached_property
    def covering(self) -> frozenset[str]:
        """The ids of the shapes that cover what is under them: of a stamped picture those coloured."""
        cut_out = not self.coloured.over
        return frozenset(one for one, (_, name) in self.shapes.items() if cut_out or name != _BARE)

    @cached_property
    def means(self) -> dict[str, np.ndarray]:
        """By a shape's id its colour (3,) from afar."""
        if not self.shapes:
            return {}
        every = [labs for labs, _ in self.shapes.values()]
        counts = np.array([len(labs) for labs in every])
        # All at once: a picture has many shapes, of few colours each.
        sums = np.add.reduceat(np.concatenate(every), np.cumsum(counts) - counts)
        return dict(zip(self.shapes, sums / counts[:, None], strict=True))


@dataclass(frozen=True)
class Pictured:
    """The pictures of a card as they are coloured, where parts of the desk show them.

    ``stamped`` says how the piece with a key, which is stamped straight on what
    it lies on, is coloured there; parts name it by that key below 0.
    """

    palette: SeenPalette
    coloured: tuple[Coloured, ...]
    stamped: Callable[[int], Coloured] | None = None

    @cached_property
    def _known(self) -> dict[int, _Filled]:
        return {one.picture.key: _Filled(one) for one in self.coloured}

    def _filled(self, key: int) -> _Filled:
        if key not in self._known and self.stamped is not None:
            self._known[key] = _Filled(self.stamped(-key))
        return self._known[key]

    def _of(self, part: Part) -> tuple[LineDrawing, _Filled] | None:
        """The drawing that a part shows, and what it is filled with."""
        if part.shape != "drawing":
            return None
        filled = self._filled(part.picture)
        drawing = filled.coloured.drawing
        return None if drawing is None else (drawing, filled)

    def shown(self, parts: Iterable[Part]) -> tuple[Coloured, ...]:
        """The pictures whose drawings some parts show, each once."""
        found: dict[int, Coloured] = {}
        for part in parts:
            if part.shape == "drawing":
                one = self._filled(part.picture).coloured
                found.setdefault(one.picture.key, one)
        return tuple(found.values())

    def labs(self, picture: int) -> np.ndarray:
        """CIELAB (k, 3) of what a drawing is coloured with, large shapes more often; k is 0 without one.

        ``picture`` is as in ``Part``.
        """
        filled = self._filled(picture)
        drawing = filled.coloured.drawing
        shapes = drawing.shapes if drawing else ()
        found = [np.repeat(filled.shapes[one.id][0], 1 + round(40 * one.share), axis=0) for one in shapes]
        return np.concatenate([*found, np.zeros((0, 3))])

    def at(self, part: Part, x: np.ndarray, y: np.ndarray) -> tuple[np.ndarray, np.ndarray]:
        """For points (k,) in mm whether a part that shows a picture covers them, and CIELAB (k, 3) there."""
        found = self._of(part)
        if found is None:
            across = (x - part.x - part.width / 2) / (part.width / 2)
            down = (y - part.y - part.height / 2) / (part.height / 2)
            lab = self.palette.end_lab(part.end)
            return across**2 + down**2 <= 1, np.broadcast_to(lab, (len(x), 3))
        drawing, filled = found
        across = part.x + part.width - x if part.mirrored else x - part.x
        points = np.stack([across, y - part.y], axis=1) * (drawing.width / part.width)
        shapes = shapes_at(drawing, points)
        labs = [np.zeros(3) if shape is None else filled.means[shape] for shape in shapes]
        return np.array([shape in filled.covering for shape in shapes], dtype=bool), np.array(labs).reshape(
            -1, 3
        )

    def edge(self, part: Part) -> Edge:
        """The outline of a part that shows a picture."""
        if found := self._of(part):
            drawing, filled = found
            points, shapes = outline(drawing)
            places = on_part(drawing, part, points)
            labs = np.array([filled.means[shape] for shape in shapes])
            return Edge(places, labs, tuple(filled.shapes[shape][1] for shape in shapes))
        half = np.array([part.width, part.height]) / 2
        places = np.array([part.x, part.y]) + half * (1 + np.stack([np.cos(_RING), np.sin(_RING)], axis=1))
        lab = self.palette.end_lab(part.end)
        name = self.palette.end_words(part.end)
        return Edge(places, np.repeat(lab[None], len(_RING), axis=0), (name,) * len(_RING))

    def outlined(self, part: Part) -> bool:
        """Whether a drawn or stamped line, or a white cut edge, holds a part apart from its ground."""
        found = self._of(part)
        return part.rim > 0 or (found is not None and found[1].coloured.line is not None)
