"""Do these tones make a shading family, and what is wrong with them if not?"""

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from jindle_core import figures
from jindle_core.colorimetry.difference import delta_e
from jindle_core.colorimetry.spaces import Array
from jindle_core.limits import at_least, at_most
from jindle_core.shown import shown


@dataclass(frozen=True, slots=True)
class FamilyLimits:
    """What a family's steps must keep: ΔL* least and most, hue and anchor drift in degrees, span in ΔL*."""

    lightness: tuple[float, float]
    hue: float
    anchor_hue: float
    span: float


@dataclass(frozen=True, slots=True)
class Allowance:
    """What a thing's family may do that others may not: other steps, another span, in ΔL*."""

    most_step: float | None = None
    least_step: float | None = None
    span: float | None = None


USUAL = Allowance()


def limits(tones: int, allowance: Allowance = USUAL, relaxed: bool = False) -> FamilyLimits:
    """The limits for a family of 2 to 5 tones; ``relaxed`` ones are for small drawers."""
    span = figures.families.FAMILY_SPAN[tones] if allowance.span is None else allowance.span
    least, most = figures.families.RELAXED_LIGHTNESS if relaxed else figures.families.STEP_LIGHTNESS[tones]
    lightness = (
        least if allowance.least_step is None else allowance.least_step,
        most if allowance.most_step is None else allowance.most_step,
    )
    if relaxed:
        span *= figures.families.RELAXED_SPAN
        return FamilyLimits(
            lightness, figures.families.RELAXED_HUE, figures.families.RELAXED_ANCHOR_HUE, span
        )
    return FamilyLimits(lightness, figures.families.STEP_HUE, figures.families.ANCHOR_HUE, span)


@dataclass(frozen=True, slots=True)
class Steps:
    """Steps from lighter to darker colours, arrays of one shape.

    ``lightness`` ΔL* (positive: darker), ``hue`` degrees, ``hue_distance``
    ΔH*, ``chroma`` |ΔC*| and ``strongest`` the larger C*.
    """

    lightness: Array
    hue: Array
    hue_distance: Array
    chroma: Array
    strongest: Array

    def hue_holds(self, most: float) -> NDArray[np.bool_]:
        """Whether the hue drifts by no more than ``most`` degrees, or by too little to see."""
        return at_most(self.hue, most) | at_most(self.hue_distance, figures.families.STEP_HUE_DISTANCE)

    @property
    def chroma_holds(self) -> NDArray[np.bool_]:
        """Whether the strengths go together."""
        least, share = figures.families.STEP_CHROMA
        return at_most(self.chroma, np.maximum(least, share * self.strongest))


def steps(lighter: Array, darker: Array) -> Steps:
    """The steps between colours (…, 3) and (…, 3), which broadcast."""
    lighter, darker = np.asarray(lighter, dtype=float), np.asarray(darker, dtype=float)
    chroma = [np.hypot(one[..., 1], one[..., 2]) for one in (lighter, darker)]
    angles = [np.degrees(np.arctan2(one[..., 2], one[..., 1])) for one in (lighter, darker)]
    turn = np.abs((angles[1] - angles[0] + 180) % 360 - 180)
    return Steps(
        lighter[..., 0] - darker[..., 0],
        turn,
        2 * np.sqrt(chroma[0] * chroma[1]) * np.sin(np.radians(turn) / 2),
        np.abs(chroma[0] - chroma[1]),
        np.maximum(*chroma),
    )


@dataclass(frozen=True, slots=True)
class Fault:
    """What is wrong with a family: at which step (None: with the whole), a key, and the words."""

    step: int | None
    key: str
    words: str


@dataclass(frozen=True, slots=True)
class FamilyJudgement:
    """A family's steps, its span and the one wanted in ΔL*, and what is wrong.

    ``lightness`` is ΔL* of each step, ``hue`` its turn in degrees, None where
    it is too near to grey for an angle to say anything; ``off`` the ΔE00 of
    the nearest tone from the colour wanted, None where none is.
    """

    lightness: tuple[float, ...]
    hue: tuple[float | None, ...]
    span: float
    wanted: float
    faults: tuple[Fault, ...]
    off: float | None = None

    @property
    def holds(self) -> bool:
        """Whether nothing is wrong."""
        return not self.faults


def judge_family(
    tones: Array,
    allowance: Allowance = USUAL,
    around: Array | None = None,
    reach: float = figures.colour.COUSIN,
    glazed: Array | None = None,
) -> FamilyJudgement:
    """What holds of tones (k, 3), light to dark, k 2 to 5.

    ``around`` is the colour (3,) that they are wanted for, of which one must
    come within a ΔE00 of ``reach``; ``glazed`` (3,) the darkest with a glaze
    over it, which deepens the whole.

    >>> judge_family(np.array([[80.0, 0, 30], [62, 4, 34], [45, 8, 36]])).holds
    True
    """
    tones = np.asarray(tones, dtype=float)
    kept = limits(len(tones), allowance)
    least, most = kept.lightness
    found = steps(tones[:-1], tones[1:])
    names = tone_names(len(tones))
    faults = []
    for at in range(len(tones) - 1):
        lighter, darker = names[at], names[at + 1]
        delta = float(found.lightness[at])
        if not at_least(delta, least):
            words = f"the {darker} is too near the {lighter} (ΔL* {shown(delta, least)})"
            if delta <= 0:
                words = f"the {darker} is not darker than the {lighter}"
            faults.append(Fault(at, "near", words))
        elif not at_most(delta, most):
            faults.append(
                Fault(at, "far", f"{lighter} and {darker} will not join (ΔL* {shown(delta, most)} apart)")
            )
        if not found.hue_holds(kept.hue)[at]:
            turn = float(found.hue[at])
            faults.append(
                Fault(at, "hue", f"the hue jumps by {shown(turn, kept.hue)}° from {lighter} to {darker}")
            )
        if not found.chroma_holds[at]:
            faults.append(
                Fault(at, "chroma", f"the {_duller(tones[at : at + 2], names[at:])} is much duller")
            )
    darkest = tones[-1, 0] if glazed is None else min(tones[-1, 0], glazed[0])
    span = float(tones[0, 0] - darkest)
    if not at_least(span, kept.span):
        faults.append(
            Fault(
                None,
                "flat",
                f"flat (ΔL* {shown(span, kept.span)} from light to dark, {kept.span:.0f} show form)",
            )
        )
    off = None if around is None else float(delta_e(np.asarray(around, dtype=float), tones).min())
    if off is not None and not at_most(off, reach):
        words = (
            f"its nearest tone is far from the colour wanted (ΔE {shown(off, reach)}, {reach:.0f} at most)"
        )
        faults.append(Fault(None, "off", words))
    turns = tuple(
        float(turn) if at_most(turn, kept.hue) or distance > figures.families.STEP_HUE_DISTANCE else None
        for turn, distance in zip(found.hue, found.hue_distance, strict=True)
    )
    return FamilyJudgement(tuple(map(float, found.lightness)), turns, span, kept.span, tuple(faults), off)


def tone_names(count: int) -> tuple[str, ...]:
    """What the tones are called, light to dark."""
    return {
        2: ("light", "dark"),
        3: ("light", "middle", "dark"),
        4: ("light", "middle", "dark", "deep shadow"),
        5: ("palest", "light", "middle", "dark", "deep shadow"),
    }[count]


def _duller(pair: Array, names: tuple[str, ...]) -> str:
    return names[int(np.argmin(np.hypot(pair[:, 1], pair[:, 2])))]
