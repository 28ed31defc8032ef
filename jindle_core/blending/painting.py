"""Which pad lies where on a ground, and how much of it?"""

from collections.abc import Sequence
from dataclasses import dataclass
from enum import StrEnum
from itertools import pairwise

import numpy as np
import shapely
from numpy.typing import NDArray
from shapely.geometry.base import BaseGeometry

from jindle_core import figures
from jindle_core.blending.meeting import Joint, Seam
from jindle_core.colorimetry.spaces import Array


class GroundShape(StrEnum):
    """How the pads of a ground are laid out."""

    BANDS = "bands"
    OMBRE = "ombre"
    VIGNETTE = "vignette"
    SKY = "stencilled-sky"
    STRIPES = "stripes"
    STENCILS = "layered-stencils"
    WASH = "plain-wash"


EDGED = (GroundShape.SKY, GroundShape.STRIPES, GroundShape.STENCILS)  # laid along a stencil's edge
BRUSHED = (GroundShape.BANDS, GroundShape.OMBRE, GroundShape.VIGNETTE)  # one pad into the next
TURNING = (GroundShape.BANDS, GroundShape.OMBRE, GroundShape.STRIPES)  # down, or from left to right
LAYERED = (GroundShape.STENCILS, GroundShape.WASH)  # each pad over the whole of those before it


class Way(StrEnum):
    """Along which way a field runs through its colours."""

    DOWN = "down"
    ACROSS = "across"
    OUT = "out"  # from the middle to the corners


@dataclass(frozen=True, slots=True)
class Field:
    """A part of the panel, painted over what came before; all measures are shares of the panel.

    ``within`` is where it lies, None all over. ``at`` (m,) are places
    along its way, rising, and ``weights`` (m, n) how much of each pad lies there.
    """

    within: BaseGeometry | None
    way: Way
    at: Array
    weights: Array

    def holds(self, x: Array, y: Array) -> NDArray[np.bool_]:
        """Whether it covers points (k,)."""
        if self.within is None:
            return np.ones(len(x), dtype=bool)
        return np.asarray(shapely.intersects_xy(self.within, x, y))

    def at_points(self, x: Array, y: Array) -> Array:
        """How much of each pad lies at points (k,); (k, n)."""
        along = {Way.DOWN: y, Way.ACROSS: x}.get(self.way)
        if along is None:
            along = np.hypot(x - 0.5, y - 0.5) / np.hypot(0.5, 0.5)
        pads = [np.interp(along, self.at, pad) for pad in self.weights.T]
        return np.array(pads).reshape(len(pads), len(x)).T


def painting(
    shape: GroundShape, joints: Sequence[Joint], across: bool = False, tinted: bool = False
) -> tuple[Field, ...]:
    """The fields of a ground, from the lowest up, for as many pads as there are ``joints``.

    A joint says how its pad meets the next; the last one's is not used. With
    no pads there is one bare field. What goes through stencils is painted by ``stencilled``.
    """
    way = Way.ACROSS if across else Way.DOWN
    count = len(joints)
    if not count:
        return (_whole(way, [0.0, 1.0], np.zeros((2, 0))),)
    if shape is GroundShape.WASH:
        return (_whole(way, [0.0, 1.0], np.ones((2, count))),)
    if shape is GroundShape.SKY:
        return _sky(count)
    if shape is GroundShape.STRIPES:
        return (_whole(way, *_stripes(count)),)
    if shape is GroundShape.VIGNETTE:
        return (_whole(Way.OUT, *_vignette(joints, tinted)),)
    if shape is GroundShape.OMBRE:
        if count == 1:
            ramp = np.linspace(figures.grounds.OMBRE_LEAST, 1, figures.grounds.FIELD_PLACES)
            return (_whole(way, np.linspace(0, 1, len(ramp)), ramp[:, None]),)
        return (_whole(way, *run(joints, np.linspace(0, 1, count))),)
    return (_whole(way, *run(joints, (np.arange(count) + 0.5) / count)),)


def between(shape: GroundShape, joint: Joint) -> Array:
    """How much of two neighbours lies on the way from the one to the other in this shape, (21, 2)."""
    if shape is GroundShape.STRIPES:
        return Joint(seam=Seam.GAP).weights()
    if shape is GroundShape.SKY:
        # Above the edge the first is dense and a little of the second reaches it; below, the second alone.
        over = (figures.grounds.SKY_REACH - 1) / figures.grounds.SKY_REACH
        half = figures.grounds.STRIP_PLACES // 2
        above = np.stack([np.ones(half), np.linspace(0, over, half)], axis=1)
        below = np.linspace(over, 1, figures.grounds.STRIP_PLACES - half)
        return np.concatenate([above, np.stack([0 * below, below], axis=1)])
    return joint.weights()


def at_points(fields: Sequence[Field], x: Array, y: Array) -> Array:
    """How much of each pad lies at points (k,) of the panel; (k, n)."""
    x, y = np.asarray(x, dtype=float), np.asarray(y, dtype=float)
    found = fields[0].at_points(x, y)
    for field in fields[1:]:
        there = field.holds(x, y)
        found[there] = field.at_points(x[there], y[there])
    return found


def from_one_side(fields: Sequence[Field]) -> tuple[Field, ...]:
    """The same laid by a brush that always comes in from the left: along that edge up to twice the ink."""
    steps, found = figures.grounds.ONE_SIDE_STEPS, []
    for field in fields:
        found.append(field)
        for step in range(steps):
            strip = shapely.box(0, 0, figures.grounds.ONE_SIDE_REACH * (steps - step) / steps, 1)
            within = strip if field.within is None else shapely.intersection(strip, field.within)
            more = 1 + (figures.grounds.ONE_SIDE_TWICE - 1) * (step + 1) / steps
            if not within.is_empty:
                found.append(Field(within, field.way, field.at, field.weights * more))
    return tuple(found)


def spread(fields: Sequence[Field], side: int = figures.grounds.GROUND_SAMPLES) -> Array:
    """How much of each pad lies at an even raster of the panel; (side², n)."""
    places = (np.arange(side) + 0.5) / side
    x, y = (one.ravel() for one in np.meshgrid(places, places))
    return at_points(fields, x, y)


def _whole(way: Way, at: Sequence[float] | Array, weights: Array) -> Field:
    return Field(None, way, np.asarray(at, dtype=float), weights)


def run(joints: Sequence[Joint], centres: Array) -> tuple[Array, Array]:
    """Pads one after the other with their middles at ``centres``, joined in between."""
    count = len(joints)
    places, weights = [0.0, centres[0]], [np.eye(count)[0]] * 2
    for at, (start, end) in enumerate(pairwise(centres)):
        strip = joints[at].weights(figures.grounds.FIELD_PLACES)
        row = np.zeros((len(strip), count))
        row[:, at : at + 2] = strip
        places += list(np.linspace(start, end, len(strip)))
        weights += list(row)
    return np.array([*places, 1.0]), np.array([*weights, np.eye(count)[-1]])


def _vignette(joints: Sequence[Joint], tinted: bool) -> tuple[Array, Array]:
    """From a bare or lightly tinted centre outwards through the pads."""
    bare, full = figures.grounds.VIGNETTE_CENTRE
    count = len(joints)
    centre = np.zeros(count)
    centre[0] = figures.laying.HAND_WEIGHT["light"] if tinted else 0.0
    centres = np.array([full]) if count == 1 else np.linspace(full, 1, count)
    at, weights = run(joints, centres)
    return np.array([0.0, bare, *at[1:]]), np.array([centre, centre, *weights[1:]])


def _stripes(count: int) -> tuple[Array, Array]:
    """Flat stripes, each pad in turn, with bare card between them."""
    stripes = max(count, -(-figures.grounds.STRIPES // count) * count)
    gap = figures.grounds.STRIPE_GAP / 2
    places, weights = [], []
    for at in range(stripes):
        there = np.eye(count)[at % count]
        for inside, weight in ((0.0, 0), (gap, 0), (gap, 1), (1 - gap, 1), (1 - gap, 0)):
            places.append((at + inside) / stripes)
            weights.append(there * weight)
    return np.array([*places, 1.0]), np.array([*weights, np.zeros(count)])


def _sky(count: int) -> tuple[Field, ...]:
    """A stencil's edge, moved down time after time: dense along it, running out above it.

    What runs out reaches a little over the edge before.
    """
    times = max(figures.grounds.SKY_EDGES, count)
    pads = [at * count // times for at in range(times)]
    step, reach = 1 / times, figures.grounds.SKY_REACH
    found = []
    for at in range(times):
        above = np.array([1.0, 0.0])  # shares of the step above this edge
        weights = np.zeros((2, count))
        weights[:, pads[at]] = np.maximum(1 - above / reach, 0)
        if at + 1 < times:
            weights[:, pads[at + 1]] += np.maximum(1 - (above + 1) / reach, 0)
        within = None if at == 0 else beneath(wave(at * step, step, at))
        found.append(Field(within, Way.DOWN, np.array([at * step, (at + 1) * step]), weights))
    return tuple(found)


def beneath(edge: Array) -> BaseGeometry:
    """What lies below an edge, its heights at even places from left to right."""
    points = np.stack([np.linspace(0, 1, len(edge)), edge], axis=1)
    return shapely.Polygon([*points, (1.0, 1.0), (0.0, 1.0)])


def wave(base: float, step: float, number: int) -> Array:
    """A stencil's edge, another each time it is moved."""
    x = np.linspace(0, 1, figures.grounds.EDGE_PLACES)
    turn = number * figures.grounds.EDGE_OFFSET
    wave = np.sin(2 * np.pi * (1.5 * x + turn)) + 0.5 * np.sin(2 * np.pi * (3.5 * x + 2 * turn))
    return base + figures.grounds.EDGE_HEIGHT * min(step, figures.grounds.EDGE_STEP) * wave
