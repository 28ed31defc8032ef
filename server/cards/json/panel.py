"""A ground's panel as it is told."""

from jindle_core.seen.panel import PanelSeen
from server.told.card import Field, LaidEffect, Mark, Panel, Stop


def panel_told(seen: PanelSeen | None) -> Panel | None:
    """The panel; None while there is none."""
    if seen is None:
        return None
    return Panel(
        parts=[
            Field(
                path="".join(f"M{'L'.join(f'{x:.4f} {y:.4f}' for x, y in ring)}Z" for ring in field.rings),
                way=field.way,
                stops=[Stop(at=round(at, 4), shades=shades) for at, shades in field.stops],
            )
            for field in seen.fields
        ],
        effects=[
            LaidEffect(
                effect=kind,
                marks=[
                    Mark(
                        x=round(one.x, 4),
                        y=round(one.y, 4),
                        radius=round(one.radius, 4),
                        shades=one.shades,
                    )
                    for one in marks
                ],
            )
            for kind, marks in seen.effects
        ],
    )
