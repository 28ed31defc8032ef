"""What may a tone be to the next, and to the colour that its family is wanted for?

The one rule of shading families: judging, proposing, mending, moving and training all ask here. Its forms and
figures are what practitioners pick (``figures.families``), checked in the tests against families that people
use and families that nobody would.
"""

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from jindle_core import figures
from jindle_core.colorimetry.spaces import Array
from jindle_core.limits import at_least, at_most

Holds = NDArray[np.bool_]


@dataclass(frozen=True, slots=True)
class Allowance:
    """What a thing's family may do that others may not: a larger step, another span, in ΔL*.

    ``pale_span`` is the span where the colour wanted is lighter than a pale skin, ``grey_below`` the C* of
    a colour up to which its darker tones may turn grey when somebody chose them so.
    """

    most_step: float | None = None
    span: float | None = None
    pale_span: float | None = None
    grey_below: float = 0.0


USUAL = Allowance()


def polar(labs: Array) -> tuple[Array, Array]:
    """C* and the hue in degrees (0 to 360) of colours (…, 3)."""
    labs = np.asarray(labs, dtype=float)
    return np.hypot(labs[..., 1], labs[..., 2]), np.degrees(np.arctan2(labs[..., 2], labs[..., 1])) % 360


def turn(of: Array, to: Array) -> Array:
    """Degrees from one hue to another, −180 to 180; below 0 a yellow turns to orange."""
    return np.asarray((to - of + 180) % 360 - 180)


def _distance(chroma: Array, other: Array, turned: Array) -> Array:
    """ΔH* of two colours by their C* and the angle between them."""
    return np.asarray(2 * np.sqrt(chroma * other) * np.sin(np.radians(np.abs(turned)) / 2))


def is_yellow(wanted: Array) -> Holds:
    """Whether colours (…, 3) deepen to gold, as yellows do."""
    least, most = figures.families.YELLOW_HUES
    return np.asarray(at_least(polar(wanted)[1], least) & at_most(polar(wanted)[1], most))


def wanted_span(tones: int, wanted: Array, allowance: Allowance = USUAL) -> Array:
    """ΔL* that 2 to 5 tones for colours (…, 3) should span: less of what is pale."""
    lightness = np.asarray(wanted, dtype=float)[..., 0]
    if allowance.span is not None:
        return np.full(lightness.shape, allowance.span)
    least, share, white = figures.families.SPAN_OF_PALE
    span = np.minimum(figures.families.FAMILY_SPAN[tones], least + share * np.maximum(white - lightness, 0))
    if allowance.pale_span is not None:
        span = np.where(lightness >= figures.families.PALE_SKIN_L, allowance.pale_span, span)
    return np.asarray(span)


def keeps_hue(labs: Array, wanted: Array, most: float | None = None) -> Holds:
    """Whether tones (…, 3) are of the hue that is wanted (…, 3), as far as tones darker or lighter may be.

    ``most`` is how far either way at least, in degrees; a yellow does not turn to green for it.
    """
    labs, wanted = np.asarray(labs, dtype=float), np.asarray(wanted, dtype=float)
    (chroma, hue), (strength, of) = polar(labs), polar(wanted)
    turned = turn(of, hue)
    orange, green = figures.families.YELLOW_DARKER
    aside, lighter = figures.families.TURN_DARKER, figures.families.TURN_LIGHTER
    darker = labs[..., 0] < wanted[..., 0]
    yellow = is_yellow(wanted) & darker
    deepens = np.clip((wanted[..., 0] - labs[..., 0]) / figures.families.YELLOW_DEEPENS, 0.0, 1.0)
    least = np.where(yellow, aside + (orange - aside) * deepens, np.where(darker, aside, lighter))
    upper = np.where(yellow, green, np.where(darker, aside, lighter))
    if most is not None:
        least, upper = np.maximum(least, most), np.where(yellow, upper, np.maximum(upper, most))
    white = (labs[..., 0] > figures.families.NEARLY_WHITE_L) & (chroma < figures.families.NEARLY_WHITE_C)
    near = at_most(_distance(chroma, strength, turned), figures.families.HUE_DISTANCE)
    return np.asarray((at_least(turned, -least) & at_most(turned, upper)) | near | white)


def keeps_strength(labs: Array, wanted: Array, allowance: Allowance = USUAL) -> Holds:
    """Whether tones (…, 3) that are darker than what is wanted (…, 3) keep enough of its C*."""
    labs, wanted = np.asarray(labs, dtype=float), np.asarray(wanted, dtype=float)
    chroma, strength = polar(labs)[0], polar(wanted)[0]
    lighter = labs[..., 0] >= wanted[..., 0]
    alike = at_most(strength - chroma, figures.families.STEP_CHROMA_LEAST)
    may_grey = strength < allowance.grey_below
    return np.asarray(lighter | alike | may_grey | at_least(chroma, figures.families.DARKER_KEEPS * strength))


def is_cool_shadow(labs: Array, lighter: Array, wanted: Array) -> Holds:
    """Whether tones (…, 3), the darkest of theirs, are cool shadows below the next lighter (…, 3)."""
    labs, lighter, wanted = (np.asarray(one, dtype=float) for one in (labs, lighter, wanted))
    towards, most, deeper = figures.families.COOL_SHADOW
    (chroma, hue), (strength, of) = polar(labs), polar(wanted)
    turned, way = turn(of, hue), turn(of, np.asarray(towards))
    cooler = (turned * way >= 0) & (np.abs(turn(hue, np.asarray(towards))) <= np.abs(way))
    enough = at_least(chroma, figures.families.DARKER_KEEPS * strength)
    falls = at_least(lighter[..., 0] - labs[..., 0], deeper)
    return np.asarray(cooler & at_most(np.abs(turned), most) & enough & falls)


@dataclass(frozen=True, slots=True)
class Steps:
    """Steps from lighter to darker colours, arrays of one shape.

    ``from_l`` and ``from_c`` are L* and C* of the lighter, ``lightness`` ΔL*
    (positive: darker), ``turned`` degrees with their sign, ``hue_distance``
    ΔH*, ``rise`` ΔC* with its sign and ``strongest`` the larger C*.
    """

    from_l: Array
    from_c: Array
    lightness: Array
    turned: Array
    hue_distance: Array
    rise: Array
    strongest: Array

    @property
    def least(self) -> Array:
        """ΔL* that each needs at least."""
        pale = self.from_l > figures.families.STEP_PALE_L
        return np.where(pale, figures.families.STEP_LEAST_PALE, figures.families.STEP_LEAST)

    def most(self, allowance: Allowance = USUAL) -> float:
        """ΔL* that each may have."""
        return figures.families.STEP_MOST if allowance.most_step is None else allowance.most_step

    def lightness_holds(self, allowance: Allowance = USUAL) -> Holds:
        """Whether each is darker by enough to be seen and by little enough to blend."""
        return np.asarray(
            at_least(self.lightness, self.least) & at_most(self.lightness, self.most(allowance))
        )

    @property
    def near_is_a_hint(self) -> Holds:
        """Whether each is too small, yet between tones so pale that it is usual."""
        pale = self.from_l > figures.families.STEP_PALE_L
        small = at_least(self.lightness, figures.families.STEP_NONE) & ~at_least(self.lightness, self.least)
        return np.asarray(pale & small)

    def hue_holds(self, most: float | Array = figures.families.STEP_TURN) -> Holds:
        """Whether the hue turns by no more than ``most`` degrees, or by too little to see."""
        few = at_most(np.abs(self.turned), most)
        return np.asarray(few | at_most(self.hue_distance, figures.families.HUE_DISTANCE))

    def chroma_holds(self, allowance: Allowance = USUAL) -> Holds:
        """Whether the strengths go together."""
        most, share = figures.families.STEP_CHROMA
        usual = np.maximum(np.minimum(most, share * self.strongest), figures.families.STEP_CHROMA_LEAST)
        pale = (self.from_l > figures.families.PALE_L) & (self.from_c < figures.families.PALE_C)
        may_grey = (self.rise < 0) & (self.strongest < allowance.grey_below)
        allowed = np.where(may_grey, self.strongest, np.where(pale & (self.rise > 0), most, usual))
        return np.asarray(at_most(np.abs(self.rise), allowed))


def steps(lighter: Array, darker: Array) -> Steps:
    """The steps between colours (…, 3) and (…, 3), which broadcast."""
    lighter, darker = np.asarray(lighter, dtype=float), np.asarray(darker, dtype=float)
    (before, hue), (after, other) = polar(lighter), polar(darker)
    turned = turn(hue, other)
    apart = lighter[..., 0] - darker[..., 0]
    return Steps(
        np.broadcast_to(lighter[..., 0], apart.shape),
        np.broadcast_to(before, apart.shape),
        apart,
        turned,
        _distance(before, after, turned),
        after - before,
        np.maximum(before, after),
    )


def most_turn(wanted: Array) -> Array:
    """Degrees that a step of a family for colours (…, 3) may turn."""
    yellow = max(figures.families.YELLOW_DARKER[0], figures.families.STEP_TURN)
    return np.where(is_yellow(wanted), yellow, figures.families.STEP_TURN)


def holds_around_its_own(tones: Array, allowance: Allowance = USUAL) -> Holds:
    """Whether tones (…, k, 3), light to dark, are a family for one of their own: as ``judge_family`` says."""
    tones = np.asarray(tones, dtype=float)
    step, count = steps(tones[..., :-1, :], tones[..., 1:, :]), tones.shape[-2]
    span = tones[..., 0, 0] - tones[..., -1, 0]
    fits = (step.lightness_holds(allowance) | step.near_is_a_hint) & step.chroma_holds(allowance)
    found = np.zeros(span.shape, dtype=bool)
    for own in range(count):
        wanted = tones[..., own : own + 1, :]
        turns, hue = step.hue_holds(most_turn(wanted)), keeps_hue(tones, wanted)
        cool = is_cool_shadow(tones[..., -1, :], tones[..., -2, :], wanted[..., 0, :])
        turns[..., -1] |= cool
        hue[..., -1] |= cool
        its = (turns & fits).all(axis=-1) & (hue & keeps_strength(tones, wanted, allowance)).all(axis=-1)
        found |= its & at_least(span, wanted_span(count, wanted[..., 0, :], allowance))
    return found
