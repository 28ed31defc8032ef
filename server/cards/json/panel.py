"""A ground's panel as it is told."""

from typing import Any

from jindle_core.seen.panel import PanelSeen


def panel_told(seen: PanelSeen | None) -> dict[str, Any] | None:
    """The panel as ``PanelSerializer`` describes it; None while there is none."""
    if seen is None:
        return None
    return {
        "parts": [
            {
                "path": "".join(f"M{'L'.join(f'{x:.4f} {y:.4f}' for x, y in ring)}Z" for ring in field.rings),
                "way": field.way.value,
                "stops": [{"at": round(at, 4), "shades": shades} for at, shades in field.stops],
            }
            for field in seen.fields
        ],
        "effects": [
            {
                "effect": kind.value,
                "marks": [
                    {
                        "x": round(one.x, 4),
                        "y": round(one.y, 4),
                        "radius": round(one.radius, 4),
                        "shades": one.shades,
                    }
                    for one in marks
                ],
            }
            for kind, marks in seen.effects
        ],
    }
