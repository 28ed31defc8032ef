"""In which order is a ground laid, with which brush, and what waits for what?"""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from jindle_core import figures
from jindle_core.blending.effects import EffectKind
from jindle_core.blending.joins import Join, Meeting
from jindle_core.blending.meeting import Seam
from jindle_core.blending.painting import EDGED, LAYERED, GroundShape
from jindle_core.blending.stencils import StencilForm
from jindle_core.colorimetry.spaces import Array
from jindle_core.media.medium import Medium
from jindle_core.planning.step import Step, Wait
from jindle_core.prediction.behaviour import Hand
from jindle_core.seen.ground import Grounded
from jindle_core.words import in_words


@dataclass(frozen=True, slots=True)
class Worked:
    """A pad as it is worked with: its dab (3,), medium, hand, coats, and how it joins the next.

    ``layer`` counts the stencils that a stencilled ground goes through, ``form`` is what its own shows.
    """

    lab: Array
    medium: Medium
    hand: Hand
    coats: int
    seam: Seam
    join: Join | None = None
    layer: int = 0
    form: StencilForm = StencilForm.HILLS


def ground_steps(grounded: Grounded) -> list[Step]:
    """The steps of laying a card's ground, ``using`` the inks that are ``taken`` for it."""
    layer_of = {at: n for n, layer in enumerate(grounded.layers) for at in layer}
    worked = [
        Worked(
            grounded.supplies.lab[place],
            grounded.facts(place).medium,
            pad.hand,
            pad.coats,
            pad.seam,
            grounded.joins[at] if at < len(grounded.joins) else None,
            layer_of[at],
            grounded.pads[grounded.layers[layer_of[at]][0]].stencil.form,
        )
        for at, (pad, place) in enumerate(zip(grounded.pads, grounded.places, strict=True))
    ]
    over = [
        (one.kind, grounded.taken.index(one.colour) if one.colour in grounded.taken else None)
        for one in grounded.ground.effects
        if one.kind in grounded.marks
    ]
    plan = grounded.ground
    return laying(plan.shape, worked, over, plan.back, plan.one_side)


def laying(
    shape: GroundShape,
    pads: Sequence[Worked],
    effects: Sequence[tuple[EffectKind, int | None]],
    back: bool = True,
    one_side: bool = False,
) -> list[Step]:
    """The steps of a ground: lightest pad first, back through in reverse, then what comes over it.

    ``effects`` come with the place of their ink, after the ``pads`` if it is none of theirs. ``back`` goes
    back up through layered stencils, ``one_side`` is for who always comes in from the left.
    """
    steps = [Step(f"{_BEFORE[shape]}; {_ONE_SIDE if one_side else _ALL_SIDES}")] if pads else []
    if shape is GroundShape.STENCILS:
        steps += _through_stencils(pads, back)
    elif shape in EDGED or shape in LAYERED:
        steps += _apart(shape, pads)
    elif pads:
        steps += _blended(shape, pads)
    if any(pad.medium.traits.dusts for pad in pads):
        steps.append(
            Step("chalk: wipe the dust off damp rather than blow it, then let it set", wait=Wait.DRY)
        )
    steps += _over(pads, effects)
    if steps:
        lifting = _LIFTED.get(shape, "") if pads else ""
        steps.append(Step(f"{lifting}let the panel flatten under a weight", wait=Wait.DRY))
    return steps


def cautions(media: set[Medium], effects: set[EffectKind]) -> list[str]:
    """What to take care of; a product's label and safety sheet go before it."""
    found = []
    if any(one.traits.dusts for one in media) or EffectKind.SHIMMER in effects:
        found.append(
            "Chalk dust, shimmer, mica powder: do not breathe them, wipe up damp, keep from small children."
            " With asthma, skin trouble or in pregnancy ask a professional first."
        )
    if media:
        found.append(
            "To speed drying, a heat tool: it burns skin and scorches paper; keep it moving, and off anything"
            " damp with alcohol or solvent."
        )
    return found


_BEFORE = {
    GroundShape.BANDS: "tape the panel down along its edges",
    GroundShape.OMBRE: "tape the panel down along its edges",
    GroundShape.VIGNETTE: "lay the panel on scrap paper and come in over its edges; nothing is taped",
    GroundShape.SKY: "tape the panel down, and mark how far the stencil moves each time",
    GroundShape.STRIPES: "tape the panel, and lay strips of low-tack tape where it stays white",
    GroundShape.STENCILS: "tape the panel down, and lay every stencil against the same corner",
    GroundShape.WASH: "tape the panel down along its edges",
}
_TAPE = "lift the tape slowly, and "
# What was laid or taped down is taken away; a vignette has neither.
_LIFTED = {
    GroundShape.BANDS: _TAPE,
    GroundShape.OMBRE: _TAPE,
    GroundShape.SKY: "lift stencil and tape slowly, and ",
    GroundShape.STRIPES: _TAPE,
    GroundShape.STENCILS: "lift stencil and tape slowly, and ",
    GroundShape.WASH: _TAPE,
}
_ALL_SIDES = "come in over every edge in turn: where one always begins, ink lies twice"
_ONE_SIDE = "come in over the left edge: it takes ink twice, as predicted"
_HANDS = {Hand.LIGHT: "with a light hand ", Hand.MIDDLE: "", Hand.HEAVY: "with a heavy hand "}
_TIMES = {2: "a second", 3: "a second and a third"}


def _lightest_first(pads: Sequence[Worked]) -> list[int]:
    return sorted(range(len(pads)), key=lambda place: -float(pads[place].lab[0]))


def _blended(shape: GroundShape, pads: Sequence[Worked]) -> list[Step]:
    steps, brush = [], None
    order = _lightest_first(pads)
    inwards = "from the edge inwards, " if shape is GroundShape.VIGNETTE else ""
    for place in order:
        said = [f"lay it {_HANDS[pads[place].hand]}{inwards}in small circles"]
        if len(pads) > 1:
            said += [_carried(pads, place), _brush(pads, brush, place)]
        steps.append(Step("; ".join(words for words in said if words), place))
        brush = place
    for place in order[-2::-1]:
        if _seams(pads, place) == {Seam.GAP}:
            continue  # nothing is joined there
        steps.append(Step("back through with it to smooth the joins, hardly any ink on the brush", place))
    for place in order:
        if pads[place].coats > 1:
            steps.append(Step(f"{_TIMES[pads[place].coats]} coat, once the first is dry", place, Wait.DRY))
    return steps


def _seams(pads: Sequence[Worked], place: int) -> set[Seam]:
    """How a pad meets those before and after it."""
    return {pads[at].seam for at in (place - 1, place) if 0 <= at < len(pads) - 1}


def _carried(pads: Sequence[Worked], place: int) -> str:
    """What happens at a pad's joins, those with neighbours before and after it."""
    seams = _seams(pads, place)
    if seams == {Seam.GAP}:
        return "stop a finger's breadth before the next colour: the gap stays white"
    words = "carry it a little into its neighbours"
    if Seam.LIGHT in seams:
        words += ", with a lighter hand at the join"
    return words + (", but leave the white gap" if Seam.GAP in seams else "")


def _brush(pads: Sequence[Worked], before: int | None, place: int) -> str:
    if before is None:
        return ""
    one, other = pads[before].lab, pads[place].lab
    turn = abs((np.degrees(np.arctan2(one[2], one[1]) - np.arctan2(other[2], other[1])) + 180) % 360 - 180)
    strong = min(np.hypot(*one[1:]), np.hypot(*other[1:])) >= figures.grounds.MUD_ENDS_C
    muddy = any(
        (met := pads[at].join) is not None and met.meeting is Meeting.MUDDY
        for at in (place - 1, place)
        if 0 <= at < len(pads) - 1
    )
    if muddy or (strong and turn >= figures.grounds.CLEAN_BRUSH):
        return "a clean brush"
    return "the same brush will do"


def _apart(shape: GroundShape, pads: Sequence[Worked]) -> list[Step]:
    steps = []
    how = {
        GroundShape.SKY: "along the stencil's edge, running out above it; then move the stencil",
        GroundShape.STRIPES: "in its stripes, tapping the brush off first",
        GroundShape.WASH: "over all of it, in small circles",
    }[shape]
    # Stripes can be laid lightest first; what lies over another has its place.
    order = range(len(pads)) if shape in LAYERED or shape is GroundShape.SKY else _lightest_first(pads)
    for number, place in enumerate(order):
        wait = Wait.DRY if number and shape is not GroundShape.STRIPES else None
        steps.append(Step(f"lay it {_HANDS[pads[place].hand]}{how}", place, wait))
        if pads[place].coats > 1:
            steps.append(Step(f"{_TIMES[pads[place].coats]} coat before anything is moved", place, Wait.DRY))
    return steps


def _through_stencils(pads: Sequence[Worked], back: bool) -> list[Step]:
    """Down through the stencils, the small brush for the last, and back up with what is on the brushes."""
    steps: list[Step] = []
    last = pads[-1].layer if pads else 0
    for place, pad in enumerate(pads):
        is_first = place == 0 or pads[place - 1].layer < pad.layer
        brush = "the small brush" if pad.layer == last and last else "the large brush"
        inside = "its first touch on the stencil" if is_first else "from where the last one ended"
        words = f"lay it {_HANDS[pad.hand]}through the {in_words(pad.form)} stencil, {inside}; {brush}"
        steps.append(Step(words, place, Wait.DRY if is_first and place else None))
        if pad.coats > 1:
            steps.append(Step(f"{_TIMES[pad.coats]} coat before the stencil is moved", place, Wait.DRY))
    for layer in range(last - 1, -1, -1) if back else ():
        form = next(pad.form for pad in pads if pad.layer == layer)
        next_up = next(place for place, pad in enumerate(pads) if pad.layer == layer + 1)
        words = f"back up through the {in_words(form)} stencil with what is left of it on the brush"
        steps.append(Step(words, next_up))
    return steps


_OVER = {
    EffectKind.STENCIL: "lay the stencil and brush the pattern on, dry",
    EffectKind.TEXT: "stamp the text into the ground, the panel lying flat",
    EffectKind.WATER: "flick water on, wait for a breath, dab it off with a cloth",
    EffectKind.SPLASHES: "dilute ink on a glass plate and flick it on, the rest covered with scrap paper",
    EffectKind.WHITE: "flick opaque white on, last of the wet things",
    EffectKind.SHIMMER: "flick or brush shimmer on; do not breathe dry powder, wipe up damp",
}


def _over(pads: Sequence[Worked], effects: Sequence[tuple[EffectKind, int | None]]) -> list[Step]:
    order = list(EffectKind)
    listed = sorted(effects, key=lambda one: order.index(one[0]))
    return [Step(_OVER[kind], pad, Wait.DRY if pads else None) for kind, pad in listed]
