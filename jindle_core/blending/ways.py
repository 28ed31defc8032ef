"""What can be done about a join that is not clean, and what would each way give?"""

from collections.abc import Sequence
from dataclasses import dataclass, replace
from enum import StrEnum

import numpy as np

from jindle_core import figures
from jindle_core.blending.bridges import bridges
from jindle_core.blending.inks import Inks, seen_on
from jindle_core.blending.joins import Join, Meeting, judge_each, judge_join, laid_over, measure_join, strips
from jindle_core.blending.meeting import BLENDED, Joint, Seam
from jindle_core.blending.orders import best_order
from jindle_core.blending.painting import BRUSHED, LAYERED, GroundShape, between
from jindle_core.colorimetry.difference import delta_e
from jindle_core.colorimetry.spaces import Array

_AT_A_TIME = 24  # candidates, nearest first, until one fits


class WayKind(StrEnum):
    """The ways out, that which changes least of the colours first."""

    ORDER = "another-order"
    LIGHT = "lighter-join"
    GAP = "white-join"
    BRIDGE = "pad-between"
    OTHER = "another-pad"


@dataclass(frozen=True, slots=True)
class WayOut:
    """A way out: the pads by their places, candidates counted on behind them; all joints, and the
    joins that are new by the place of their first pad."""

    kind: WayKind
    pads: tuple[int, ...]
    joints: tuple[Joint, ...]
    joins: dict[int, Join]


@dataclass(frozen=True, slots=True)
class PadRow:
    """Pads in a row: inks (n,), how each joins the next (n,), the card (31,), and the shape they form.

    ``together`` are the places of those that, where pads lie over one another, are brushed into the next.
    """

    inks: Inks
    joints: tuple[Joint, ...]
    card: Array
    shape: GroundShape = GroundShape.BANDS
    together: frozenset[int] = frozenset()

    def is_over(self, at: int) -> bool:
        """Whether the pad after the one at a place lies over it, and all before it."""
        return self.shape in LAYERED and at not in self.together

    def strip(self, at: int) -> Array:
        """CIELAB (p, 3) from the pad at a place to the next."""
        return np.asarray(self.strips([at])[0])

    def strips(self, places: Sequence[int]) -> list[Array]:
        """CIELAB (p, 3) from each of some pads to the next; p is 3 where the next lies over it."""
        brushed = np.array([at for at in places if not self.is_over(at)], dtype=np.intp)
        weights = np.array([between(self.shape, self.joints[at]) for at in brushed])
        weights = weights.reshape(len(brushed), figures.grounds.STRIP_PLACES, 2)
        side_by_side = iter(strips(self.inks[brushed], self.inks[brushed + 1], self.card, weights))
        return [
            laid_over(self._below(at), self.inks[at + 1], self.card)
            if self.is_over(at)
            else next(side_by_side)
            for at in places
        ]

    def _below(self, at: int) -> Inks:
        """What lies where all pads up to a place lie; of those that go through one stencil the last."""
        kept = [n for n in range(at + 1) if n == at or n not in self.together]
        return self.inks[kept].mixed(np.ones(len(kept)))

    def join(self, at: int) -> Join:
        """How the pad at a place meets the next."""
        return self.joins_at([at])[0]

    def joins_at(self, places: Sequence[int]) -> list[Join]:
        """How each of some pads meets the next."""
        found, seams = self.strips(places), [self._seam(at) for at in places]
        if any(map(self.is_over, places)):  # these are not of one length
            return [judge_join(strip, self.card, seam) for strip, seam in zip(found, seams, strict=True)]
        return judge_each(np.array(found), self.card, seams)

    def is_brushed(self, at: int) -> bool:
        """Whether the pad at a place is brushed into the next, so that it can be joined otherwise."""
        return self.shape in BRUSHED or at in self.together

    def _seam(self, at: int) -> Seam:
        if self.shape is GroundShape.STRIPES:
            return Seam.GAP
        return self.joints[at].seam if self.is_brushed(at) else Seam.BLEND

    @property
    def joins(self) -> tuple[Join, ...]:
        """All of them."""
        return tuple(self.joins_at(range(len(self.joints) - 1)))

    def made(self, pads: Sequence[int], joints: Sequence[Joint], kind: WayKind, new: Sequence[int]) -> WayOut:
        """The same with these pads and joints, ``new`` of whose joins are told."""
        row = PadRow(self.inks[list(pads)], tuple(joints), self.card, self.shape)
        return WayOut(kind, tuple(pads), row.joints, dict(zip(new, row.joins_at(new), strict=True)))


def ways_out(row: PadRow, at: int, candidates: Inks) -> list[WayOut]:
    """Ways out for the join after the pad at a place; ``candidates`` (m,) are other pads to take.

    Only what is better than the join as it is, each with its joins as
    predicted; nothing for a join that is clean, or whose pads lie over one another.
    Inside a stencil's layer the join is made otherwise, or not at all.
    """
    count, joins = len(row.joints), row.joins
    if joins[at].meeting is Meeting.CLEAN or row.is_over(at):
        return []
    seams = _seams(row, at, joins[at]) if row.is_brushed(at) else []
    if row.shape in LAYERED:
        return seams
    wide = PadRow(row.inks.joined(candidates), row.joints, row.card, row.shape)
    found = [*_order(row, joins), *seams]
    if count < figures.grounds.GROUND_PADS:
        for bridge in bridges(
            row.inks[at], row.inks[at + 1], candidates, row.card, figures.grounds.WAYS_OFFERED
        ):
            pads = [*range(at + 1), count + bridge.place, *range(at + 1, count)]
            joints = [*row.joints[:at], BLENDED, BLENDED, *row.joints[at + 1 :]]
            new = {at: bridge.first, at + 1: bridge.second}
            found.append(WayOut(WayKind.BRIDGE, tuple(pads), tuple(joints), new))
    seen = seen_on(candidates, row.card)
    for place in (at, at + 1):
        other = _other(row, joins, at, place, candidates, seen)
        if other is not None:
            pads = list(range(count))
            pads[place] = count + other
            joints = [*row.joints[:at], BLENDED, *row.joints[at + 1 :]]
            new_joins = [one for one in (place - 1, place) if 0 <= one < count - 1]
            found.append(wide.made(pads, joints, WayKind.OTHER, new_joins))
    return found


def _order(row: PadRow, joins: Sequence[Join]) -> list[WayOut]:
    """The best order, blended, where its joins are better than those that there are."""
    if not 2 < len(row.joints) <= figures.grounds.ORDER_PADS:
        return []
    best = best_order(row.inks, row.card)
    if _troubles(best.joins) >= _troubles(joins):
        return []
    joints = (BLENDED,) * len(best.places)
    return [WayOut(WayKind.ORDER, best.places, joints, dict(enumerate(best.joins)))]


def _troubles(joins: Sequence[Join]) -> list[int]:
    """How many meet in each way, the worst first."""
    return [sum(one.meeting is way for one in joins) for way in reversed(Meeting) if way is not Meeting.CLEAN]


def _seams(row: PadRow, at: int, now: Join) -> list[WayOut]:
    """The join made otherwise: lighter, where that clears it, or left open."""
    kinds = {Seam.LIGHT: WayKind.LIGHT, Seam.GAP: WayKind.GAP}
    joints = [replace(row.joints[at], seam=seam) for seam in kinds]
    weights = np.array([joint.weights() for joint in joints])
    labs = strips(row.inks[[at, at]], row.inks[[at + 1, at + 1]], row.card, weights)
    found = []
    for joint, made in zip(joints, judge_each(labs, row.card, list(kinds)), strict=True):
        if _rank(made) < _rank(now):
            changed = (*row.joints[:at], joint, *row.joints[at + 1 :])
            found.append(WayOut(kinds[joint.seam], tuple(range(len(changed))), changed, {at: made}))
    return found


def _rank(found: Join) -> int:
    return list(Meeting).index(found.meeting)


def _other(
    row: PadRow, joins: Sequence[Join], at: int, place: int, candidates: Inks, seen: Array
) -> int | None:
    """The candidate nearest to a pad with which this join is clean, and its other one no worse.

    It is nearly as strong in colour, as a bridge must be: a greyer pad would
    dodge the question. ``seen`` (m, 3) is what the candidates look like.
    """
    partner = at + 1 if place == at else at
    now = seen_on(row.inks[place], row.card)
    off = delta_e(now, seen)
    strong = np.hypot(seen[:, 1], seen[:, 2]) >= figures.grounds.BRIDGE_SHARE * np.hypot(now[1], now[2])
    near = np.flatnonzero(strong & (off <= figures.grounds.ANOTHER_PAD))
    near = near[np.argsort(off[near], kind="stable")]
    beyond = place - 1 if place == at else place + 1
    for start in range(0, len(near), _AT_A_TIME):
        some = near[start : start + _AT_A_TIME]
        fits = measure_join(strips(candidates[some], row.inks[partner][None], row.card), row.card).clean
        first = min(place, beyond)
        if 0 <= beyond < len(row.joints) and joins[first].meeting is not Meeting.MUDDY:
            weights = between(row.shape, row.joints[first])
            labs = strips(candidates[some], row.inks[beyond][None], row.card, weights)
            fits &= ~measure_join(labs, row.card).muddy
        if fits.any():
            return int(some[fits.argmax()])
    return None
