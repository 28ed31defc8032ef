"""The ground of a card, its pads laid on its card as predicted."""

from dataclasses import dataclass, replace
from functools import cached_property

import numpy as np

from jindle_core import figures
from jindle_core.blending.effects import INKED, EffectKind, Marks, marks, placed
from jindle_core.blending.inks import Inks, seen_on
from jindle_core.blending.joins import Join
from jindle_core.blending.painting import Field, GroundShape, at_points, from_one_side, painting
from jindle_core.blending.stencils import Layer, stencilled
from jindle_core.blending.ways import PadRow
from jindle_core.card.ground import Ground, layers
from jindle_core.prediction.near import Way
from jindle_core.prediction.stocks import card_lab
from jindle_core.seen.pads import Pads

_LOOKED = 80  # places a side of the panel, where openings of stencils are looked at


@dataclass(frozen=True)
class Grounded(Pads):
    """The ground of a card, as its pads lie on it."""

    def with_ground(self, ground: Ground) -> "Grounded":
        """The same card with another ground."""
        return Grounded(replace(self.palette, card=replace(self.palette.card, ground=ground)))

    @cached_property
    def taken(self) -> tuple[int, ...]:
        """The ids of all the inks that are taken up for it: of its pads, then of what comes over them."""
        over = (one.colour for one in self.ground.effects if one.kind in self.marks)
        there = [pk for pk in over if pk in self.supplies.places]
        return (
            *(pad.colour for pad in self.pads),
            *dict.fromkeys(pk for pk in there if pk not in self._of_pads),
        )

    @cached_property
    def _of_pads(self) -> frozenset[int]:
        return frozenset(pad.colour for pad in self.pads)

    @cached_property
    def card_lab(self) -> np.ndarray:
        """Its CIELAB (3,)."""
        return card_lab(self.card)

    @cached_property
    def row(self) -> PadRow:
        """The pads as they follow one another."""
        joints = tuple(pad.joint for pad in self.pads)
        return PadRow(self.inks, joints, self.card, self.ground.shape, self.together)

    @cached_property
    def layers(self) -> list[list[int]]:
        """The places of the pads by the stencil that they go through, where the ground is stencilled."""
        return layers(self.pads)

    @cached_property
    def together(self) -> frozenset[int]:
        """The places of pads that go through one stencil with the next."""
        if self.ground.shape is not GroundShape.STENCILS:
            return frozenset()
        return frozenset(at for layer in self.layers for at in layer[:-1])

    @cached_property
    def joins(self) -> list[Join]:
        """How each pad meets the next."""
        return list(self.row.joins)

    @cached_property
    def unmet(self) -> frozenset[int]:
        """The places of pads that do not meet the next: their stencils' openings lie beside each other."""
        if self.ground.shape is not GroundShape.STENCILS or len(self.pads) < 2:
            return frozenset()
        side = (np.arange(_LOOKED) + 0.5) / _LOOKED
        x, y = (one.ravel() for one in np.meshgrid(side, side))
        there = at_points(self._stencilled(back=False), x, y) > 0
        least = figures.limits.NEGLIGIBLE
        return frozenset(
            at
            for at in range(len(self.pads) - 1)
            if at not in self.together
            and (there[:, at] & there[:, at + 1]).sum()
            < least * min(there[:, at].sum(), there[:, at + 1].sum())
        )

    @cached_property
    def fields(self) -> tuple[Field, ...]:
        """Which pad lies where."""
        plan, joints = self.ground, self.row.joints
        if plan.shape is GroundShape.STENCILS and joints:
            found = self._stencilled(plan.back)
        else:
            found = painting(plan.shape, joints, plan.across, plan.tinted)
        return from_one_side(found) if plan.one_side and joints else found

    def _stencilled(self, back: bool) -> tuple[Field, ...]:
        size, joints = self.palette.card.size, self.row.joints
        laid = [Layer(self.pads[at[0]].stencil, tuple(joints[n] for n in at)) for at in self.layers]
        return stencilled(laid, float(size.width.millimetres / size.height.millimetres), back)

    def inks_on(self, x: np.ndarray, y: np.ndarray) -> Inks:
        """What lies at points (k,) of the panel."""
        return self.inks.mixed(at_points(self.fields, x, y))

    def seen_at(self, x: np.ndarray, y: np.ndarray) -> np.ndarray:
        """CIELAB (k, 3) at points of the panel, dry, without what comes over it."""
        return seen_on(self.inks_on(x, y), self.card)

    @cached_property
    def marks(self) -> dict[EffectKind, Marks]:
        """What comes over it, as far as its pads are there."""
        found = {}
        leaves = np.array([self.facts(place).medium.pad.water_leaves for place in self.places])
        for effect in sorted(self.ground.effects, key=lambda one: list(EffectKind).index(one.kind)):
            place = self.supplies.places.get(effect.colour or 0)
            if effect.kind in INKED and place is None:
                continue
            over = None if place is None else self.inks_at([place], [(effect.hand, 1)])[0]
            x, y, _ = placed(effect.kind)
            weights = at_points(self.fields, x, y)
            lifted = (weights @ leaves) / np.maximum(weights.sum(axis=1), 1e-9)
            found[effect.kind] = marks(effect.kind, self.inks.mixed(weights), lifted, over, self.card)
        return found

    @property
    def mat_sigma(self) -> float | None:
        """One sigma of that, in ΔE00; None where it is not inked."""
        mat = self.ground.mat
        if mat is None or mat.colour not in self.supplies.places:
            return None
        way = Way(mat.coats, mat.hand, self.card_of(mat.paper))
        return self.supplies.predicted.sigma(self.supplies.places[mat.colour], way)

    @cached_property
    def mat_lab(self) -> np.ndarray | None:
        """CIELAB (3,) of the card for mats that is inked by oneself, if it is and its pad is there."""
        mat = self.ground.mat
        place = None if mat is None else self.supplies.places.get(mat.colour)
        if mat is None or place is None:
            return None
        return seen_on(self.inks_at([place], [(mat.hand, mat.coats)])[0], self.card_of(mat.paper))
