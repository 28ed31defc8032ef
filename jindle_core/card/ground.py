"""What is planned for a card's ground: pads, how they are laid, on what, and what comes over them?"""

from collections.abc import Sequence
from dataclasses import dataclass, field
from typing import Annotated, TypedDict

from jindle_core.blending.effects import EffectKind
from jindle_core.blending.meeting import Joint, Reach, Seam
from jindle_core.blending.painting import GroundShape
from jindle_core.blending.standing import Wish
from jindle_core.blending.stencils import Stencil
from jindle_core.naming import Names, Use
from jindle_core.prediction.behaviour import Hand


@dataclass(frozen=True, slots=True)
class PadUse:
    """A pad of the ground by its colour's id, how it is laid, and how it joins the next.

    Where a ground is stencilled it goes through ``stencil`` or, with ``same``, through
    that of the pad before.
    """

    colour: Annotated[int, Names(Use.PADS)]
    hand: Hand = Hand.MIDDLE
    coats: int = 1
    reach: Reach = Reach.MIDDLE
    seam: Seam = Seam.BLEND
    stencil: Stencil = field(default_factory=Stencil)
    same: bool = False

    @property
    def joint(self) -> Joint:
        """How it joins the next pad."""
        return Joint(self.reach, self.seam)


def layers(pads: Sequence[PadUse]) -> list[list[int]]:
    """The places of pads by the stencil that they go through; the first opens one whatever it says."""
    found: list[list[int]] = []
    for at, pad in enumerate(pads):
        if pad.same and found:
            found[-1].append(at)
        else:
            found.append([at])
    return found


@dataclass(frozen=True, slots=True)
class Effect:
    """Something over the ground, with the pad (a colour's id) and the hand where it needs one."""

    kind: EffectKind
    colour: Annotated[int | None, Names(Use.PADS, holds=True)] = None
    hand: Hand = Hand.MIDDLE


@dataclass(frozen=True, slots=True)
class InkedCard:
    """A card for mats that is inked by oneself: pad, hand, coats; whole, or its edges only.

    ``paper`` is a cardstock's id, None for white.
    """

    colour: Annotated[int, Names(Use.PADS)]
    hand: Hand = Hand.MIDDLE
    coats: int = 1
    whole: bool = False
    paper: Annotated[int | None, Names(Use.PAPERS)] = None


class GroundSettings(TypedDict, total=False):
    """Some of a ground's settings; pads and effects whole."""

    shape: GroundShape
    across: bool
    pads: tuple[PadUse, ...]
    paper: int | None
    tinted: bool
    wish: Wish
    lettered: bool
    effects: tuple[Effect, ...]
    mat: InkedCard | None
    back: bool
    one_side: bool


@dataclass(frozen=True, slots=True)
class Ground:
    """A card's ground.

    ``across`` lays bands side by side rather than one above the other,
    ``tinted`` lets a vignette's first pad cover its centre lightly,
    ``lettered`` puts the lettering straight on the ground, without its strip,
    ``back`` goes back up through layered stencils with what is left on the
    brushes, ``one_side`` says that the brush always comes in from the left.
    """

    shape: GroundShape = GroundShape.BANDS
    across: bool = False
    pads: tuple[PadUse, ...] = ()
    paper: Annotated[int | None, Names(Use.PAPERS)] = None
    tinted: bool = False
    wish: Wish = Wish.QUIET
    lettered: bool = False
    effects: tuple[Effect, ...] = ()
    mat: InkedCard | None = None
    back: bool = True
    one_side: bool = False

    @property
    def laid(self) -> bool:
        """Whether there is a ground at all."""
        return bool(self.pads or self.effects)
