"""Do these tones make a shading family, and what is wrong with them if not?"""

from collections.abc import Iterator
from dataclasses import dataclass

import numpy as np

from jindle_core import figures
from jindle_core.colorimetry.difference import delta_e
from jindle_core.colorimetry.spaces import Array
from jindle_core.families.rule import (
    USUAL,
    Allowance,
    Steps,
    is_cool_shadow,
    keeps_hue,
    keeps_strength,
    most_turn,
    polar,
    steps,
    turn,
    wanted_span,
)
from jindle_core.limits import at_least, at_most
from jindle_core.shown import shown


@dataclass(frozen=True, slots=True)
class Fault:
    """What is wrong with a family: at which step (None: with the whole), a key, and the words."""

    step: int | None
    key: str
    words: str


@dataclass(frozen=True, slots=True)
class FamilyJudgement:
    """A family's steps, its span and the one wanted in ΔL*, what is wrong, and what is only worth knowing.

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
    hints: tuple[Fault, ...] = ()

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
    """What holds of tones (k, 3), light to dark, k 1 to 5.

    ``around`` is the colour (3,) that they are wanted for, of which one must
    come within a ΔE00 of ``reach``; without it, or where none does, they are
    judged around that of their own that suits them best. ``glazed`` (3,) is
    the darkest with a glaze over it, which deepens the whole.

    >>> judge_family(np.array([[80.0, 0, 30], [62, 4, 34], [45, 8, 36]])).holds
    True
    """
    tones = np.asarray(tones, dtype=float)
    off = None if around is None else float(delta_e(np.asarray(around, dtype=float), tones).min())
    if around is not None and off is not None and at_most(off, reach):
        return _judged(tones, allowance, np.asarray(around, dtype=float), glazed, off, ())
    far: tuple[Fault, ...] = ()
    if off is not None:
        words = (
            f"its nearest tone is far from the colour wanted (ΔE {shown(off, reach)}, {reach:.0f} at most)"
        )
        far = (Fault(None, "off", words),)
    each = (_judged(tones, allowance, own, glazed, off, far) for own in tones)
    return min(each, key=lambda one: len(one.faults))


def _judged(
    tones: Array,
    allowance: Allowance,
    wanted: Array,
    glazed: Array | None,
    off: float | None,
    far: tuple[Fault, ...],
) -> FamilyJudgement:
    """What holds of tones around a colour (3,)."""
    if len(tones) == 1:
        alone = Fault(None, "flat", "one tone: nothing here is lighter or darker of its hue")
        return FamilyJudgement((), (), 0.0, 0.0, (alone, *far), off)
    found, names = steps(tones[:-1], tones[1:]), tone_names(len(tones))
    faults = [*_of_lightness(found, names, allowance), *_of_colour(tones, found, names, wanted, allowance)]
    hints = tuple(one for one in faults if one.key == "close")
    faults = [one for one in faults if one.key != "close"]
    darkest = tones[-1, 0] if glazed is None else min(tones[-1, 0], glazed[0])
    span, least = float(tones[0, 0] - darkest), float(wanted_span(len(tones), wanted, allowance))
    if not at_least(span, least):
        words = f"flat (ΔL* {shown(span, least)} from light to dark, {least:.0f} show form)"
        faults.append(Fault(None, "flat", words))
    said = at_most(np.abs(found.turned), float(most_turn(wanted))) | (
        found.hue_distance > figures.families.HUE_DISTANCE
    )
    turns = tuple(
        float(abs(turned)) if says else None for turned, says in zip(found.turned, said, strict=True)
    )
    lightness = tuple(map(float, found.lightness))
    return FamilyJudgement(lightness, turns, span, least, (*faults, *far), off, hints)


def _of_lightness(found: Steps, names: tuple[str, ...], allowance: Allowance) -> Iterator[Fault]:
    """Steps that are too small or too large; "close" ones are only worth knowing."""
    most = found.most(allowance)
    for at, delta in enumerate(map(float, found.lightness)):
        lighter, darker, least = names[at], names[at + 1], float(found.least[at])
        if delta <= 0:
            yield Fault(at, "near", f"the {darker} is not darker than the {lighter}")
        elif not at_least(delta, least):
            close = found.near_is_a_hint[at]
            words = f"the {darker} is {'' if close else 'too '}near the {lighter} (ΔL* {shown(delta, least)})"
            yield Fault(at, "close" if close else "near", words)
        elif not at_most(delta, most):
            words = f"{lighter} and {darker} will not join (ΔL* {shown(delta, most)} apart)"
            yield Fault(at, "far", words)


def _of_colour(
    tones: Array, found: Steps, names: tuple[str, ...], wanted: Array, allowance: Allowance
) -> Iterator[Fault]:
    """Tones of another hue or turned to grey, and steps of hue or strength; of each tone the gravest."""
    hue, strong = keeps_hue(tones, wanted), keeps_strength(tones, wanted, allowance)
    turns, joined = found.hue_holds(most_turn(wanted)), found.chroma_holds(allowance)
    if is_cool_shadow(tones[-1], tones[-2], wanted):
        hue[-1] = turns[-1] = True
    strength, of = polar(wanted)
    chroma, own = polar(tones)
    for at, name in enumerate(names):
        step = max(at - 1, 0)
        if not strong[at]:
            least = figures.families.DARKER_KEEPS * float(strength)
            words = (
                f"the {name} turns grey (C* {shown(float(chroma[at]), least)}, {least:.0f} keep the colour)"
            )
            yield Fault(step, "grey", words)
        elif not hue[at]:
            off = float(turn(of, own[at]))
            yield Fault(step, "hue", f"the {name} is of another hue ({abs(off):.0f}° off)")
        elif at and not turns[at - 1]:
            words = f"the hue jumps by {abs(float(found.turned[at - 1])):.0f}° from {names[at - 1]} to {name}"
            yield Fault(step, "hue", words)
        elif at and not joined[at - 1]:
            dull = names[at - 1] if found.rise[at - 1] > 0 else name
            yield Fault(step, "chroma", f"the {dull} is much duller")


def tone_names(count: int) -> tuple[str, ...]:
    """What the tones are called, light to dark."""
    return {
        2: ("light", "dark"),
        3: ("light", "middle", "dark"),
        4: ("light", "middle", "dark", "deep shadow"),
        5: ("palest", "light", "middle", "dark", "deep shadow"),
    }[count]
