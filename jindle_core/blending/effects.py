"""What do water, splashes, white, a stencil or a stamp do to a ground where they fall?"""

from dataclasses import dataclass
from enum import StrEnum

import numpy as np

from jindle_core import figures
from jindle_core.blending.inks import Inks, on_card, seen_on
from jindle_core.checks.finding import Finding, Status
from jindle_core.colorimetry.difference import delta_e
from jindle_core.colorimetry.spaces import Array, reflectance_to_lab
from jindle_core.limits import at_least, at_most
from jindle_core.prediction.kubelka_munk import film
from jindle_core.prediction.laying import SCATTER_SHAPE
from jindle_core.prediction.stocks import WHITE_CARD
from jindle_core.shown import shown


class EffectKind(StrEnum):
    """What can come over a ground, in the order in which it does."""

    STENCIL = "stencil-pattern"
    TEXT = "text-stamp"
    WATER = "water-drops"
    SPLASHES = "diluted-splashes"
    WHITE = "white-splashes"
    SHIMMER = "shimmer"


INKED = (EffectKind.STENCIL, EffectKind.TEXT, EffectKind.SPLASHES)  # these need a pad

# How many marks of each kind, and their radius from – to as shares of the panel's shorter side.
_MARKS = {
    EffectKind.STENCIL: (24, 0.055, 0.055),
    EffectKind.TEXT: (7, 0.05, 0.05),
    EffectKind.WATER: (16, 0.018, 0.05),
    EffectKind.SPLASHES: (26, 0.006, 0.02),
    EffectKind.WHITE: (30, 0.004, 0.012),
    EffectKind.SHIMMER: (28, 0.006, 0.012),
}
TURNS = (0.7548776662466927, 0.5698402909980532)  # of the plastic number: points that never crowd


@dataclass(frozen=True, slots=True)
class Marks:
    """Marks on a ground: centres and radii (m,), in shares of the panel and of its shorter side;
    CIELAB (m, 3) of them and of the ground under them, dry. ``seen`` is None where it is not predicted."""

    x: Array
    y: Array
    radius: Array
    seen: Array | None
    under: Array


def placed(kind: EffectKind) -> tuple[Array, Array, Array]:
    """Where the marks of a kind fall: x, y and radius (m,)."""
    count, least, most = _MARKS[kind]
    number = np.arange(count)
    x: Array
    y: Array
    if kind is EffectKind.STENCIL:
        columns = 6
        row = number // columns
        x, y = (number % columns + 0.25 + 0.5 * (row % 2)) / columns, (row + 0.5) / (count // columns)
    elif kind is EffectKind.TEXT:
        x, y = np.full(count, 0.5), (number + 0.5) / count
    else:
        start = 0.11 * list(EffectKind).index(kind)
        x, y = (0.04 + 0.92 * ((start + (number + 1) * turn) % 1) for turn in TURNS)
    sizes = np.asarray((number * 0.618) % 1, dtype=float)
    return x, y, least + (most - least) * sizes**2


def marks(kind: EffectKind, inks: Inks, leaves: Array, over: Inks | None, card: Array = WHITE_CARD) -> Marks:
    """The marks of an effect as predicted.

    ``inks`` (m,) lie at the marks' places; ``leaves`` (m,) is the share of them
    that water leaves there; ``over`` is one pad's ink, for effects that need one.
    """
    x, y, radius = placed(kind)
    under = seen_on(inks, card)
    seen: Array | None
    if kind is EffectKind.SHIMMER:
        seen = None
    elif kind is EffectKind.WATER:
        seen = seen_on(inks.times(leaves), card)
    elif kind is EffectKind.WHITE:
        scattering = figures.laying.FILM_SCATTER["opaque"] * figures.grounds.WHITE_COATS * SCATTER_SHAPE
        absorbing = np.full(31, figures.grounds.WHITE_ABSORPTION * figures.grounds.WHITE_COATS)
        seen = reflectance_to_lab(film(absorbing, scattering, on_card(inks, card)))
    else:
        if over is None:
            raise ValueError(f"{kind} needs a pad")
        strength = figures.grounds.SPLASH if kind is EffectKind.SPLASHES else 1.0
        seen = seen_on(inks.with_other(over.times(np.array(strength))), card)
    return Marks(x, y, radius, seen, under)


_TOO_FAINT = {
    EffectKind.STENCIL: "vanishes: lay it heavier, or with a deeper pad",
    EffectKind.TEXT: "vanishes: lay it heavier, or with a deeper pad",
    EffectKind.WATER: "hardly lifts anything here: these pads hold, or little ink lies there",
    EffectKind.SPLASHES: "hardly shows: less water, or a deeper pad",
    EffectKind.WHITE: "hardly shows on so light a ground",
}


def examine_marks(kind: EffectKind, found: Marks) -> Finding:
    """Whether an effect shows, and shows as texture."""
    shows, loud = figures.grounds.EFFECT_SHOWS, figures.grounds.EFFECT_LOUD
    if found.seen is None:
        return Finding(
            Status.HOLDS,
            "",
            "",
            "not predicted: it changes with every turn in the light",
        )
    off = float(np.median(delta_e(found.seen, found.under)))
    lighter = float(np.median(found.seen[:, 0] - found.under[:, 0]))
    figure = f"ΔE {shown(off, shows, loud)}, ΔL* {abs(lighter):.0f} {'lighter' if lighter > 0 else 'darker'}"
    if not at_least(off, shows):
        return Finding(Status.LOOK_AGAIN, figure, f"ΔE {shows:g}", _TOO_FAINT[kind])
    if kind in (EffectKind.STENCIL, EffectKind.TEXT) and not at_most(off, loud):
        return Finding(Status.LOOK_AGAIN, figure, f"at most ΔE {loud:.0f}", "a pattern, no longer a texture")
    return Finding(Status.HOLDS, figure, f"ΔE {shows:g}", "")
