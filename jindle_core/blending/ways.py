"""What can be done about a join that is not clean, and what would each way give?"""

from collections.abc import Sequence
from dataclasses import dataclass, replace
from enum import StrEnum

import numpy as np

from jindle_core import defaults
from jindle_core.blending.bridges import bridges
from jindle_core.blending.inks import Inks, seen_on
from jindle_core.blending.joins import Join, Meeting, judge, laid_over, measure, strips
from jindle_core.blending.meeting import BLENDED, Joint, Seam
from jindle_core.blending.orders import best_order
from jindle_core.blending.painting import BRUSHED, LAYERED, GroundShape, between
from jindle_core.colorimetry.difference import delta_e
from jindle_core.colorimetry.spaces import Array


class WayKind(StrEnum):
    """The ways out, that which changes least of the colours first."""

    ORDER = "another order"
    LIGHT = "a lighter hand at the join"
    GAP = "a gap left white"
    BRIDGE = "a pad between"
    OTHER = "another pad near it"


@dataclass(frozen=True, slots=True)
class WayOut:
    """A way out: the pads by their places, candidates counted on behind them; all joints, and the
    joins that are new by the place of their first pad."""

    kind: WayKind
    pads: tuple[int, ...]
    joints: tuple[Joint, ...]
    joins: dict[int, Join]


@dataclass(frozen=True, slots=True)
class Row:
    """Pads in a row: inks (n,), how each joins the next (n,), the card (31,), and the shape they form."""

    inks: Inks
    joints: tuple[Joint, ...]
    card: Array
    shape: GroundShape = GroundShape.BANDS

    def strip(self, at: int) -> Array:
        """CIELAB (p, 3) from the pad at a place to the next."""
        if self.shape in LAYERED:
            below = self.inks.mixed(np.tri(len(self.joints))[at])
            return laid_over(below, self.inks[at + 1], self.card)
        weights = between(self.shape, self.joints[at])
        return strips(self.inks[at], self.inks[at + 1], self.card, weights)

    def join(self, at: int) -> Join:
        """How the pad at a place meets the next."""
        seam = self.joints[at].seam if self.shape in BRUSHED else Seam.BLEND
        return judge(self.strip(at), self.card, Seam.GAP if self.shape is GroundShape.STRIPES else seam)

    @property
    def joins(self) -> tuple[Join, ...]:
        """All of them."""
        return tuple(self.join(at) for at in range(len(self.joints) - 1))

    def made(self, pads: Sequence[int], joints: Sequence[Joint], kind: WayKind, new: Sequence[int]) -> WayOut:
        """The same with these pads and joints, ``new`` of whose joins are told."""
        row = Row(self.inks[list(pads)], tuple(joints), self.card, self.shape)
        return WayOut(kind, tuple(pads), row.joints, {at: row.join(at) for at in new})


def ways_out(row: Row, at: int, candidates: Inks) -> list[WayOut]:
    """Ways out for the join after the pad at a place; ``candidates`` (m,) are other pads to take.

    Only what is better than the join as it is, each with its joins as predicted.
    """
    count = len(row.joints)
    wide = Row(row.inks.joined(candidates), row.joints, row.card, row.shape)
    if row.shape in LAYERED or row.shape is GroundShape.STRIPES:
        return []
    found = [*_order(row), *(_seams(row, at) if row.shape in BRUSHED else [])]
    if count < defaults.GROUND_PADS:
        for bridge in bridges(row.inks[at], row.inks[at + 1], candidates, row.card, defaults.WAYS_OFFERED):
            pads = [*range(at + 1), count + bridge.place, *range(at + 1, count)]
            joints = [*row.joints[:at], BLENDED, BLENDED, *row.joints[at + 1 :]]
            found.append(wide.made(pads, joints, WayKind.BRIDGE, (at, at + 1)))
    for place in (at, at + 1):
        for other in _others(row, at, place, candidates):
            pads = list(range(count))
            pads[place] = count + other
            joints = [*row.joints[:at], BLENDED, *row.joints[at + 1 :]]
            new = [one for one in (place - 1, place) if 0 <= one < count - 1]
            found.append(wide.made(pads, joints, WayKind.OTHER, new))
    return found


def _order(row: Row) -> list[WayOut]:
    """The best order, where it has fewer muddy joins than there are."""
    if not 2 < len(row.joints) <= defaults.ORDER_PADS:
        return []
    best = best_order(row.inks, row.card)
    if _muddy(best.joins) >= _muddy(row.joins):
        return []
    joints = [replace(row.joints[place], seam=Seam.BLEND) for place in best.places]
    return [row.made(best.places, joints, WayKind.ORDER, range(len(joints) - 1))]


def _muddy(joins: Sequence[Join]) -> int:
    return sum(one.meeting is Meeting.MUDDY for one in joins)


def _seams(row: Row, at: int) -> list[WayOut]:
    """The join made otherwise: lighter, where that clears it, or left open."""
    now, found = row.join(at), []
    for seam, kind in ((Seam.LIGHT, WayKind.LIGHT), (Seam.GAP, WayKind.GAP)):
        joints = list(row.joints)
        joints[at] = replace(joints[at], seam=seam)
        made = row.made(range(len(joints)), joints, kind, (at,))
        if joints[at] != row.joints[at] and _rank(made.joins[at]) < _rank(now):
            found.append(made)
    return found


def _rank(found: Join) -> int:
    return list(Meeting).index(found.meeting)


def _others(row: Row, at: int, place: int, candidates: Inks) -> list[int]:
    """The candidate nearest to a pad with which this join is clean, and its other one no worse; or none.

    It is nearly as strong in colour, as a bridge must be: a greyer pad would dodge the question.
    """
    partner = at + 1 if place == at else at
    now, seen = seen_on(row.inks[place], row.card), seen_on(candidates, row.card)
    off = delta_e(now, seen)
    strong = np.hypot(seen[:, 1], seen[:, 2]) >= defaults.BRIDGE_SHARE * np.hypot(now[1], now[2])
    found = measure(strips(candidates, row.inks[partner][None], row.card), row.card)
    fits = strong & (off <= defaults.ANOTHER_PAD) & ~found.muddy & ~found.softens
    beyond = place - 1 if place == at else place + 1
    if 0 <= beyond < len(row.joints):
        joint = row.joints[min(place, beyond)]
        weights = between(row.shape, joint)
        labs = strips(candidates, row.inks[beyond][None], row.card, weights)
        before = judge(strips(row.inks[place], row.inks[beyond], row.card, weights), row.card, joint.seam)
        far = measure(labs, row.card)
        fits &= ~far.muddy if before.meeting is not Meeting.MUDDY else True
    order = np.argsort(off, kind="stable")
    return [int(one) for one in order if fits[one]][:1]
