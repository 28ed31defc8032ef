"""The card's line drawing as it would look, coloured, on its own paper and on others."""

from dataclasses import replace
from typing import Any

from jindle_core.card.pictures import Area
from jindle_core.families.recipes import recipe
from jindle_core.families.shading import BARE, away, stops
from jindle_core.material import End
from jindle_core.seen.colouring import Coloured
from jindle_core.seen.palette import SeenPalette, value_shades


def picture(coloured: Coloured) -> dict[str, Any] | None:
    """The drawing coloured as predicted, as ``PictureSerializer`` describes it; None without one."""
    drawing = coloured.drawing
    if drawing is None:
        return None
    areas = {area.shape: area for area in coloured.colouring.areas if area.shape}
    towards = away(coloured.colouring.light)
    return {
        "width": drawing.width,
        "height": drawing.height,
        "paper": _paper(coloured),
        "outlined": coloured.line is not None,
        "away": None if towards is None else list(towards),
        "shapes": [{"path": shape.path} | _filled(coloured, areas.get(shape.id)) for shape in drawing.shapes],
        "lines": list(drawing.lines),
    }


def on_paper(coloured: Coloured, paper: int | None) -> dict[str, Any] | None:
    """The same on the card at a place of the supplies; None: white marker paper."""
    resolved = coloured.resolved
    pk = None if paper is None else resolved.supplies.rows[paper].id
    plan = replace(resolved.card, colouring=replace(coloured.colouring, paper=pk))
    return picture(Coloured(SeenPalette(plan, resolved.supplies), coloured.drawing))


def _filled(coloured: Coloured, area: Area | None) -> dict[str, Any]:
    """What a shape is filled with: stops of its family, one of its palette colour, or none."""
    if area is None:
        return {"key": 0, "colour": 0, "stops": []}
    told = {"key": area.key, "colour": area.colour or 0}
    views = coloured.tone_shades[area.key]
    if views:
        paper = _paper(coloured)
        laid = stops(len(views), recipe(area.thing).bare)
        found = [{"at": at, "shades": paper if tone == BARE else views[tone]} for at, tone in laid]
        return told | {"stops": found}
    if area.colour is None:
        return told | {"stops": []}
    flat = coloured.resolved.end_shades(End("palette", area.colour))
    return told | {"stops": [{"at": 0.0, "shades": flat}]}


def _paper(coloured: Coloured) -> dict[str, str]:
    return value_shades(tuple(coloured.paper_lab))
