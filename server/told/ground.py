"""What is a card's ground, and what would better it?"""

from collections.abc import Sequence
from typing import Annotated

from jindle_core.blending.effects import EffectKind
from jindle_core.blending.joins import Meeting
from jindle_core.blending.meeting import Reach, Seam
from jindle_core.blending.painting import GroundShape
from jindle_core.blending.standing import Wish
from jindle_core.blending.stencils import StencilForm
from jindle_core.blending.ways import WayKind
from jindle_core.colorimetry.views import Shades
from jindle_core.matching.verdicts import Verdict
from jindle_core.prediction.behaviour import Hand
from server.told.answer import Answer, Long
from server.told.card import Panel, Step
from server.told.swatch import Swatch


class Stencil(Answer):
    """A stencil; one's own by its openings, rings in shares of its sheet."""

    form: StencilForm
    openings: Sequence[Sequence[Annotated[Sequence[float], Long(2, 2)]]]
    shape: Annotated[float, "the sheet's width by its height"]


class PadUse(Answer):
    """A pad of the ground: its colour, how it is laid, and how it joins the next."""

    colour: int
    hand: Hand
    coats: int
    reach: Annotated[Reach, "how far it is carried into the next"]
    seam: Seam
    stencil: Stencil
    same: Annotated[bool, "on a stencilled ground: through the stencil of the pad before"]


class Pad(PadUse):
    """A pad as it is laid here."""

    swatch: Swatch
    shades: Annotated[Shades, "as laid, dry"]
    lightness: Annotated[float, "L* as laid, dry"]
    uncertainty: Annotated[float, "one sigma of the prediction, in ΔE00"]
    predicted: Annotated[bool, "or not to be predicted at all"]
    layer: Annotated[int, "the stencil that it goes through, counted from 0"]
    notes: Sequence[str]


class Join(Answer):
    """How a pad meets the next; ``meeting`` is none where it is not predicted."""

    meeting: Meeting | None
    words: str
    rough: Annotated[bool, "one of the two is not well enough known"]
    brushed: Annotated[bool, "one pad into the next: it can be joined otherwise"]
    uncertainty: Annotated[float, "one sigma of the prediction, in ΔE00"]
    strip: Sequence[Shades]
    wet: Annotated[Sequence[Shades], "the same while it is wet, where that is told"]


class Effect(Answer):
    """Something over the ground."""

    effect: EffectKind
    colour: int | None
    hand: Hand
    swatch: Swatch | None


class NearestColour(Answer):
    """The palette colour that is nearest to something."""

    key: int
    name: str
    verdict: Verdict
    distance: Annotated[float, "ΔE00"]


class InkedCard(Answer):
    """A card for mats, inked by oneself, as predicted."""

    colour: int
    hand: Hand
    coats: int
    whole: Annotated[bool, "or its edges only"]
    paper: int | None
    swatch: Swatch
    paper_swatch: Swatch | None
    shades: Shades
    lightness: float
    uncertainty: Annotated[float, "one sigma of the prediction, in ΔE00"]
    like: NearestColour | None


class Ground(Answer):
    """A card's ground."""

    shape: GroundShape
    across: bool
    tinted: bool
    wish: Wish
    lettered: bool
    most_pads: int
    back: bool
    one_side: bool
    stencilled: Annotated[bool, "its pads go through stencils, layer by layer"]
    turns: Annotated[bool, "whether it can run from left to right"]
    inked_effects: Sequence[EffectKind]
    most_coats: int
    paper: Swatch | None
    paper_shades: Shades
    pads: Sequence[Pad]
    lost: Annotated[int, "pads that have left the supplies"]
    joins: Sequence[Join]
    panel: Panel | None
    wet: Panel | None
    built: Annotated[bool, "of pieces: then words lie where Build has them"]
    effects: Sequence[Effect]
    mat: InkedCard | None
    inks: Annotated[Sequence[Swatch], "all that are taken up for it, which ``order`` uses"]
    order: Sequence[Step]
    cautions: Sequence[str]


class WayOut(Answer):
    """A way out of a join that is not clean: post its pads as ``set_ground``."""

    way: WayKind
    words: str
    swatch: Annotated[Swatch | None, "the pad that it brings in"]
    joins: Sequence[Join]
    pads: Sequence[PadUse]


class Overlap(Answer):
    """What two of the pads give where both lie fully."""

    words: Annotated[str, "the two pads"]
    shades: Shades
    hue_name: str
    uncertainty: Annotated[float, "one sigma of the prediction, in ΔE00"]
    meeting: Meeting
    like: NearestColour | None


class BestOrder(Answer):
    """The best order of the pads; ``same``: they stand so already."""

    same: bool
    words: str
    pads: Sequence[PadUse]
    joins: Sequence[Join]


class Rainbow(BestOrder):
    """Pads that go all round the circle of hues, or leave a gap of so many degrees."""

    whole: bool
    gap: int


class TogetherMake(Answer):
    """What the chosen pads can make."""

    best: BestOrder | None
    overlaps: Sequence[Overlap]
    rainbow: bool
    words: str
