"""Every change of a card's ground; see ``changes`` for what a change is."""

from collections.abc import Sequence
from dataclasses import dataclass, replace

from jindle_core import figures
from jindle_core.blending.effects import INKED
from jindle_core.blending.painting import GroundShape
from jindle_core.blending.stencils import Stencil
from jindle_core.card.ground import Ground, GroundSettings, layers
from jindle_core.card.whole import Card
from jindle_core.errors import BadInput, Problem
from jindle_core.stored import declared
from jindle_core.words import in_words


@dataclass(frozen=True, slots=True)
class SetGround:
    """Change what is said of the ground; what is left out stays.

    ``settings`` holds some of Ground's fields; pads and effects are given whole.
    """

    settings: GroundSettings

    label = "the ground"

    def apply(self, card: Card) -> Card:
        """The card with this ground."""
        settings = declared(self.settings, Ground, "the ground")
        return replace(card, ground=checked(replace(card.ground, **settings)))


@dataclass(frozen=True, slots=True)
class UsePad:
    """Lay another pad, a colour's id, at a place of the ground (from 0), as the one there was laid."""

    at: int
    colour: int

    label = "a pad of the ground"

    def apply(self, card: Card) -> Card:
        """The card with that pad; effects that were of the one before stay with it."""
        pads = card.ground.pads
        if not 0 <= self.at < len(pads):
            raise BadInput(Problem(f"The ground has no pad {self.at + 1}.", field="at", value=str(self.at)))
        laid = replace(pads[self.at], colour=self.colour)
        kept = tuple(laid if at == self.at else pad for at, pad in enumerate(pads))
        return replace(card, ground=replace(card.ground, pads=kept))


def checked(ground: Ground) -> Ground:
    """The ground, or BadInput where nobody could lay it so."""
    stencilled = ground.shape is GroundShape.STENCILS
    most = figures.grounds.STENCIL_PADS if stencilled else figures.grounds.GROUND_PADS
    if len(ground.pads) > most:
        raise BadInput(
            Problem(
                f"A ground of this kind is laid with up to {most} pads; these are {len(ground.pads)}.",
                field="pads",
                value=str(len(ground.pads)),
                expected=f"at most {most}",
            )
        )
    count = len(layers(ground.pads))
    if stencilled and count > figures.grounds.STENCIL_LAYERS:
        words = f"{figures.grounds.STENCIL_LAYERS} stencils are the most; these are {count}."
        raise BadInput(Problem(words, field="pads", value=str(count)))
    _check_openings([pad.stencil for pad in ground.pads])
    coats = [pad.coats for pad in ground.pads] + ([ground.mat.coats] if ground.mat else [])
    if not all(1 <= each <= figures.grounds.PAD_COATS for each in coats):
        raise BadInput(Problem(f"A pad has 1 to {figures.grounds.PAD_COATS} coats.", field="coats"))
    kinds = [effect.kind for effect in ground.effects]
    if len(set(kinds)) < len(kinds):
        raise BadInput(Problem("Each effect comes once.", field="effects"))
    for effect in ground.effects:
        if effect.kind in INKED and effect.colour is None:
            raise BadInput(Problem(f"Say with which pad: {in_words(effect.kind)}.", field="effects"))
    return ground


def _check_openings(stencils: Sequence[Stencil]) -> None:
    """BadInput for openings that nobody could cut, or that are more than can be shown at once."""
    openings = [ring for stencil in stencils for ring in stencil.openings]
    points = sum(map(len, openings))
    if len(openings) > figures.grounds.STENCIL_OPENINGS or points > figures.grounds.STENCIL_POINTS:
        words = (
            f"The stencils of a ground have up to {figures.grounds.STENCIL_OPENINGS} openings of your own,"
            f" drawn with {figures.grounds.STENCIL_POINTS:,} points; these have {len(openings)}, with"
            f" {points:,}."
        )
        raise BadInput(Problem(words, field="pads"))
    inside = all(0 <= x <= 1 and 0 <= y <= 1 for ring in openings for x, y in ring)
    shapes = all(0.1 <= stencil.shape <= 10 for stencil in stencils)
    if not inside or not shapes or any(len(ring) < 3 for ring in openings):
        raise BadInput(Problem("A stencil's openings are rings that lie on its sheet.", field="pads"))
