"""What does a ground's panel look like, dry or wet?"""

from dataclasses import dataclass

import numpy as np
import shapely
from shapely.geometry.base import BaseGeometry

from jindle_core.blending.effects import EffectKind
from jindle_core.blending.inks import seen_on, wet
from jindle_core.blending.painting import Way
from jindle_core.colorimetry.spaces import Array
from jindle_core.colorimetry.views import Shades, shades
from jindle_core.seen.ground import Grounded


@dataclass(frozen=True, slots=True)
class FieldSeen:
    """A part of the panel: its outlines (rings in shares of the panel; none: all over), the way its colours
    run, and those, each where it stands between 0 and 1."""

    rings: tuple[Array, ...]
    way: Way
    stops: tuple[tuple[float, Shades], ...]


@dataclass(frozen=True, slots=True)
class MarkSeen:
    """A mark of an effect, in shares of the panel; None: it has no colour of its own."""

    x: float
    y: float
    radius: float
    shades: Shades | None


@dataclass(frozen=True, slots=True)
class PanelSeen:
    """The panel of a ground, and what lies over it."""

    fields: tuple[FieldSeen, ...]
    effects: tuple[tuple[EffectKind, tuple[MarkSeen, ...]], ...]


def panel_seen(grounded: Grounded, is_wet: bool = False) -> PanelSeen | None:
    """The panel as predicted; while it is wet without what comes over it. None where nothing is laid."""
    if not grounded.ground.laid:
        return None
    laid = [grounded.inks.mixed(field.weights) for field in grounded.fields]
    labs = [seen_on(inks, grounded.card) for inks in laid]
    if is_wet:
        labs = [wet(dry, inks) for dry, inks in zip(labs, laid, strict=True)]
    over = [] if is_wet else list(grounded.marks.items())
    seen = [*labs, *(found.seen for _, found in over if found.seen is not None)]
    # All at once: views cost as much for one colour as for a hundred.
    views = iter(shades(np.concatenate(seen)) if seen else [])
    fields = tuple(
        FieldSeen(
            _rings(field.within),
            field.way,
            tuple((float(at), next(views)) for at in field.at),
        )
        for field in grounded.fields
    )
    effects = tuple(
        (
            kind,
            tuple(
                MarkSeen(float(x), float(y), float(radius), None if found.seen is None else next(views))
                for x, y, radius in zip(found.x, found.y, found.radius, strict=True)
            ),
        )
        for kind, found in over
    )
    return PanelSeen(fields, effects)


def _rings(within: BaseGeometry | None) -> tuple[Array, ...]:
    """The outlines of a part, those of its holes too; none where it lies all over."""
    if within is None or within.covers(_PANEL):
        return ()
    parts = [part for part in shapely.get_parts(within) if isinstance(part, shapely.Polygon)]
    return tuple(np.asarray(ring.coords)[:-1] for part in parts for ring in (part.exterior, *part.interiors))


_PANEL = shapely.box(0, 0, 1, 1)
