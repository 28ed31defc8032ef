"""Through which openings does each layer of a stencilled ground go, and what then lies where?"""

from collections import Counter
from collections.abc import Sequence
from dataclasses import dataclass
from enum import StrEnum
from functools import lru_cache

import numpy as np
import shapely
from shapely import affinity
from shapely.geometry.base import BaseGeometry

from jindle_core import figures
from jindle_core.blending.effects import TURNS
from jindle_core.blending.meeting import Joint
from jindle_core.blending.painting import Field, Way, beneath, run, wave
from jindle_core.colorimetry.spaces import Array

Ring = tuple[tuple[float, float], ...]


class StencilForm(StrEnum):
    """What a stencil's openings show."""

    HILLS = "hills"
    CLOUDS = "clouds"
    LEAVES = "leaves"
    FLOWERS = "flowers"
    DIAMONDS = "diamonds"
    OWN = "own-openings"


@dataclass(frozen=True, slots=True)
class Stencil:
    """A stencil by its form; one of a person's own by its openings.

    ``openings`` are rings in shares of the stencil's sheet, which is ``shape``
    times as wide as high; a ring inside another is a bridge that stays shut.
    """

    form: StencilForm = StencilForm.HILLS
    openings: tuple[Ring, ...] = ()
    shape: float = 1.0


@dataclass(frozen=True, slots=True)
class Layer:
    """What goes through one stencil: its inks from the opening's top down, by how each joins the next."""

    stencil: Stencil
    joints: tuple[Joint, ...]


def stencilled(layers: Sequence[Layer], proportion: float, back: bool) -> tuple[Field, ...]:
    """The fields of a panel ``proportion`` times as wide as high, from the lowest up.

    Each layer lies over all before it, where both are open. ``back``: one goes
    back up through the stencils, each with what the layer after it left on the
    brush. There are as many pads as the layers have joints together.
    """
    stencils = tuple(layer.stencil for layer in layers)
    opened = openings(stencils, proportion)
    inked = _inked(layers, opened, back)
    count = sum(len(layer.joints) for layer in layers)
    bare = Field(None, Way.DOWN, np.array([0.0, 1.0]), np.zeros((2, count)))
    found = [] if opened[0].covers(shapely.box(0, 0, 1, 1)) else [bare]
    for kept, within in _overlaps(stencils, proportion):
        at = np.unique(np.concatenate([inked[n][0] for n in kept]))
        weights = sum(
            np.array([np.interp(at, inked[n][0], pad) for pad in inked[n][1].T]).reshape(count, -1).T
            for n in kept
        )
        everywhere = len(kept) == 1 and not found
        found.append(Field(None if everywhere else within, Way.DOWN, at, np.asarray(weights)))
    return tuple(found)


@lru_cache(maxsize=64)
def openings(stencils: tuple[Stencil, ...], proportion: float) -> tuple[BaseGeometry, ...]:
    """What each of some stencils leaves open, in shares of the panel.

    Of stencils with one form each next one leaves less open, as sets are cut.
    """
    count = Counter(one.form for one in stencils)
    seen: Counter[StencilForm] = Counter()
    panel, found = shapely.box(0, 0, 1, 1), []
    for one in stencils:
        drawn = _own(one, proportion) if one.form is StencilForm.OWN else None
        if drawn is None:
            drawn = _DRAWN[one.form](seen[one.form], count[one.form], proportion)
        found.append(_areas(shapely.intersection(panel, shapely.set_precision(drawn, _GRID))))
        seen[one.form] += 1
    return tuple(found)


def _inked(layers: Sequence[Layer], opened: Sequence[BaseGeometry], back: bool) -> list[tuple[Array, Array]]:
    """How much of all pads each layer brings, (m, n), at places (m,) from the panel's top to its bottom."""
    count, first = sum(len(layer.joints) for layer in layers), 0
    found: list[tuple[Array, Array]] = []
    for layer, opening in zip(layers, opened, strict=True):
        inks = len(layer.joints)
        at, laid = run(layer.joints, (np.arange(inks) + 0.5) / inks)
        _, top, _, bottom = opening.bounds if not opening.is_empty else (0.0, 0.0, 1.0, 1.0)
        weights = np.zeros((len(at), count))
        weights[:, first : first + inks] = laid
        first += inks
        if back and first < count:
            weights[:, first] += figures.grounds.LEFT_ON_BRUSH
        found.append((np.asarray(top + at * (bottom - top)), weights))
    return found


@lru_cache(maxsize=64)
def _overlaps(
    stencils: tuple[Stencil, ...], proportion: float
) -> tuple[tuple[tuple[int, ...], BaseGeometry], ...]:
    """Which layers lie together somewhere, and what all of them leave open; those of fewer layers first.

    So each place shows the last that covers it.
    """
    panel, opened = shapely.box(0, 0, 1, 1), openings(stencils, proportion)
    apart: dict[tuple[int, ...], BaseGeometry] = {(): panel}  # where just these lie
    for number, opening in enumerate(opened):
        split = {}
        for kept, within in apart.items():
            split[*kept, number] = _areas(shapely.intersection(within, opening, grid_size=_GRID))
            split[kept] = _areas(shapely.difference(within, opening, grid_size=_GRID))
        apart = {kept: within for kept, within in split.items() if within.area > _NOTHING}
    return tuple(
        (kept, _areas(shapely.intersection_all([opened[n] for n in kept])))
        for kept in sorted(apart, key=len)
        if kept
    )


def _areas(shape: BaseGeometry) -> BaseGeometry:
    """The areas of what two outlines share, without lines and points where they only touch."""
    return shapely.MultiPolygon(
        [part for part in shapely.get_parts(shape) if isinstance(part, shapely.Polygon) and part.area]
    )


_GRID = 1e-5  # of the panel: nobody cuts finer
_NOTHING = 1e-4  # of the panel's area


def _hills(at: int, of: int, _proportion: float) -> BaseGeometry:
    return shapely.box(0, 0, 1, 1) if at == 0 else beneath(wave(at / of, 1 / of, at))


def _clouds(at: int, of: int, proportion: float) -> BaseGeometry:
    """A bank of cloud: round tops side by side, lower with each stencil."""
    base, size = (at + 0.7) / (of + 0.7), figures.grounds.CLOUD_SIZE
    count = max(3, round(proportion / size))
    middles = (np.arange(count + 1) + 0.5 * (at % 2)) / count
    sizes = size * (0.7 + 0.5 * ((np.arange(count + 1) * 0.618 + 0.31 * at) % 1))
    tops = [
        affinity.scale(shapely.Point(x, base).buffer(one), 1 / proportion, 1, origin=(x, base))
        for x, one in zip(middles, sizes, strict=True)
    ]
    return shapely.union_all([shapely.box(0, min(base, 1), 1, 1), *tops])


def _strewn(motif: BaseGeometry, at: int, of: int, proportion: float) -> BaseGeometry:
    """A motif, a unit in size around where it is rooted, strewn evenly; smaller with each stencil."""
    count, size = figures.grounds.MOTIFS, figures.grounds.MOTIF_SIZE
    smaller = size * (1 - figures.grounds.STENCIL_LESS * at / of)
    found = []
    for number in range(count):
        x, y = (0.02 + 0.96 * ((number + 1) * turn % 1) for turn in TURNS)
        turned = affinity.rotate(motif, 137.5 * number, origin=(0, 0))
        laid = affinity.scale(turned, smaller / proportion, smaller, origin=(0, 0))
        found.append(affinity.translate(laid, x, y))
    return shapely.union_all(found)


def _leaves(at: int, of: int, proportion: float) -> BaseGeometry:
    way = np.linspace(0, 1, 13)
    half = 0.28 * np.sin(np.pi * way**0.8)
    sides = np.concatenate([np.stack([half, -way], axis=1), np.stack([-half, -way], axis=1)[-2:0:-1]])
    return _strewn(shapely.Polygon(sides), at, of, proportion)


def _flowers(at: int, of: int, proportion: float) -> BaseGeometry:
    turns = np.linspace(0, 2 * np.pi, 61)[:-1]
    out = 0.5 * (0.68 + 0.32 * np.cos(5 * turns))
    return _strewn(
        shapely.Polygon(np.stack([out * np.cos(turns), out * np.sin(turns)], axis=1)), at, of, proportion
    )


def _diamonds(at: int, of: int, proportion: float) -> BaseGeometry:
    """A lattice of diamonds, with bars between them that grow with each stencil."""
    down = figures.grounds.DIAMONDS
    across = max(2, round(down * proportion * 1.5))
    size = 0.5 * (1 - figures.grounds.STENCIL_LESS * at / of - 0.08)
    found = []
    for row in range(2 * down + 1):
        for column in range(across + 1):
            x, y = (column + 0.5 * (row % 2)) / across, row / (2 * down)
            wide, high = size / across, size / down
            found.append(shapely.Polygon([(x - wide, y), (x, y - high), (x + wide, y), (x, y + high)]))
    return shapely.union_all(found)


def _own(stencil: Stencil, proportion: float) -> BaseGeometry | None:
    """A stencil's own openings, as large as they lie whole on the panel; None where it has none."""
    rings = [shapely.LinearRing(ring) for ring in stencil.openings]
    found = shapely.build_area(shapely.node(shapely.MultiLineString(rings)))
    if found.is_empty:
        return None
    wide, high = min(1.0, stencil.shape / proportion), min(1.0, proportion / stencil.shape)
    laid = affinity.scale(found, wide, high, origin=(0, 0))
    return affinity.translate(laid, (1 - wide) / 2, (1 - high) / 2)


_DRAWN = {
    StencilForm.HILLS: _hills,
    StencilForm.CLOUDS: _clouds,
    StencilForm.LEAVES: _leaves,
    StencilForm.FLOWERS: _flowers,
    StencilForm.DIAMONDS: _diamonds,
    StencilForm.OWN: _hills,  # until it has openings
}
