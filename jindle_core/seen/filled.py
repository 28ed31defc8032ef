"""What is each shape of a picture's line drawing filled with?"""

from dataclasses import dataclass

from jindle_core.card.pictures import Area
from jindle_core.colorimetry.views import Shades
from jindle_core.families.recipes import recipe
from jindle_core.families.shading import BARE, away, stops
from jindle_core.line_art.drawing import LineDrawing
from jindle_core.material import End
from jindle_core.seen.colouring import Coloured
from jindle_core.seen.palette import value_shades


@dataclass(frozen=True, slots=True)
class Filled:
    """A shape's path, the keys of its area and of that one's palette colour (0: none), and its colours.

    ``stops`` go from the light (0) to the shadow (1); none where the shape is bare.
    """

    path: str
    key: int = 0
    colour: int = 0
    stops: tuple[tuple[float, Shades], ...] = ()


@dataclass(frozen=True, slots=True)
class PictureSeen:
    """A line drawing coloured as predicted, its lines drawn where there is a line.

    Where nothing is laid ``paper`` shows or, where it is ``stamped`` on something, whatever that is.
    ``away`` is the direction (x, y) from the light, None for light all around.
    """

    drawing: LineDrawing
    paper: Shades
    stamped: bool
    outlined: bool
    away: tuple[float, float] | None
    shapes: tuple[Filled, ...]


def picture_seen(coloured: Coloured) -> PictureSeen | None:
    """The drawing of a picture as it would look; None without one."""
    drawing = coloured.drawing
    if drawing is None:
        return None
    paper = value_shades(tuple(coloured.paper_lab))
    areas = {area.shape: area for area in coloured.areas if area.shape}
    shapes = tuple(_filled(coloured, shape.path, areas.get(shape.id)) for shape in drawing.shapes)
    outlined = coloured.line is not None
    return PictureSeen(drawing, paper, bool(coloured.over), outlined, away(coloured.picture.light), shapes)


def _filled(coloured: Coloured, path: str, area: Area | None) -> Filled:
    """Stops of its area's family, one of its palette colour, or none."""
    if area is None:
        return Filled(path)
    views = coloured.tone_shades[area.key]
    found: tuple[tuple[float, Shades], ...] = ()
    if views:
        bare = value_shades(coloured.bare(area.shape))
        laid = stops(len(views), recipe(area.thing).bare)
        found = tuple((at, bare if tone == BARE else views[tone]) for at, tone in laid)
    elif area.colour is not None:
        found = ((0.0, coloured.palette.end_shades(End("palette", area.colour))),)
    return Filled(path, area.key, area.colour or 0, found)
