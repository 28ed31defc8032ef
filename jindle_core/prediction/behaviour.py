"""How do the colours of a range behave when they are laid: how they build up, cover and let through?"""

from dataclasses import dataclass
from enum import StrEnum

from jindle_core import figures
from jindle_core.media import Medium


class Covering(StrEnum):
    """What a laid colour does to what lies under it."""

    TRANSPARENT = "transparent"  # a filter in the paper: markers, dye pads
    FILM = "film"  # a scattering film on the paper: pigment and chalk, gel pens
    WAX = "wax"  # grains that leave gaps: pencils


COVERING = {
    Medium.ALCOHOL_MARKER: Covering.TRANSPARENT,
    Medium.WATER_MARKER: Covering.TRANSPARENT,
    Medium.DYE_PAD: Covering.TRANSPARENT,
    Medium.PIGMENT_PAD: Covering.FILM,
    Medium.CHALK_PAD: Covering.FILM,
    Medium.GEL_PEN: Covering.FILM,
    Medium.WAX_PENCIL: Covering.WAX,
    Medium.OIL_PENCIL: Covering.WAX,
}


class Hand(StrEnum):
    """How heavily a colour is laid."""

    LIGHT = "light"
    MIDDLE = "middle"
    HEAVY = "heavy"


HAND_WEIGHT = {Hand(name): weight for name, weight in figures.laying.HAND_WEIGHT.items()}


@dataclass(frozen=True, slots=True)
class Behaviour:
    """The parameters of a range.

    ``decay`` (b): a layer brings b times what the one before brought.
    ``share`` (w): how much of a transparent colour acts as a filter on the
    paper rather than as dye in it. ``scatter`` (S at 550 nm): how far a film
    covers. ``cover`` (o): how much of a pencil's colour keeps its own on another
    paper.
    """

    decay: float
    share: float = figures.laying.TRANSPARENT_SHARE
    scatter: float = figures.laying.FILM_SCATTER["semi-opaque"]
    cover: float = figures.laying.PENCIL_COVER


# What readings of a range can say about it, by what its medium does.
FITTED = {
    Covering.TRANSPARENT: ("decay", "share"),
    Covering.FILM: ("scatter",),
    Covering.WAX: ("decay", "cover"),
}


def usual_behaviour(medium: Medium) -> Behaviour:
    """The defaults of a medium; ValueError for one that is not laid on paper."""
    if medium not in COVERING:
        raise ValueError(f"{medium} is not laid on paper")
    covering = COVERING[medium]
    opaque = medium in (Medium.GEL_PEN, Medium.CHALK_PAD)
    return Behaviour(
        decay=figures.laying.LAYER_DECAY[covering],
        scatter=figures.laying.FILM_SCATTER["opaque" if opaque else "semi-opaque"],
    )


def layer_weight(layers: int, decay: float) -> float:
    """How much colour ``layers`` layers bring, one layer being 1: each next one brings less.

    >>> layer_weight(2, 0.75)
    1.75
    """
    if layers < 1:
        raise ValueError(f"layers must be 1 or more, not {layers}")
    return (1 - decay**layers) / (1 - decay)
