"""A ground's panel as it is told."""

from typing import Any

import numpy as np

from jindle_core.blending.inks import seen_on, wet
from jindle_core.colorimetry.views import shades
from jindle_core.seen.ground import Grounded


def panel_told(grounded: Grounded, is_wet: bool = False) -> dict[str, Any] | None:
    """The ground as ``PanelSerializer`` describes it; None while there is none."""
    if not grounded.ground.laid:
        return None
    laid = [grounded.inks.mixed(field.weights) for field in grounded.fields]
    labs = [seen_on(inks, grounded.card) for inks in laid]
    if is_wet:
        labs = [wet(dry, inks) for dry, inks in zip(labs, laid, strict=True)]
    over = [] if is_wet else list(grounded.marks.items())
    seen = [*labs, *(found.seen for _, found in over if found.seen is not None)]
    views = iter(shades(np.concatenate(seen)))
    return {
        "parts": [
            {
                "edge": [round(float(y), 4) for y in field.edge] if field.edge.any() else [],
                "way": field.way.value,
                "stops": [{"at": round(float(at), 4), "shades": next(views)} for at in field.at],
            }
            for field in grounded.fields
        ],
        "effects": [
            {
                "effect": kind.value,
                "marks": [
                    {
                        "x": round(float(x), 4),
                        "y": round(float(y), 4),
                        "radius": round(float(radius), 4),
                        "shades": None if found.seen is None else next(views),
                    }
                    for x, y, radius in zip(found.x, found.y, found.radius, strict=True)
                ],
            }
            for kind, found in over
        ],
    }
