"""What must hold between two colours, by what the one does on the other."""

from collections.abc import Callable, Sequence
from dataclasses import dataclass
from enum import StrEnum

import numpy as np
from numpy.typing import NDArray

from jindle_core import figures
from jindle_core.checks.finding import Finding, Status
from jindle_core.colorimetry.spaces import Array
from jindle_core.contrast.measures import Measures, measure, weakest_eyes
from jindle_core.limits import at_least, at_most
from jindle_core.media.groups import GROUND_MEDIA, LETTERING_MEDIA, MAT_MEDIA, PICTURE_MEDIA
from jindle_core.media.medium import Medium
from jindle_core.shown import shown

Holds = NDArray[np.bool_]


class PairKind(StrEnum):
    """What the upper colour does on the lower one."""

    LETTERING_SMALL = "small-lettering"
    LETTERING_LARGE = "large-lettering"
    PICTURE = "picture"
    MAT = "mat"
    QUIET = "quiet-pattern"


@dataclass(frozen=True, slots=True)
class PairRule:
    """A kind of pair: its test, what failing means, and what may give way.

    ``title`` names the pair on screen with {upper} and {lower}; ``remedies``
    lists the ends that may change, the likelier first, with the media that
    each may be changed to.
    """

    kind: PairKind
    title: str
    holds: Callable[[Measures], Holds]
    limit: str
    when_not: Status
    trouble: str
    figure: Callable[[float, float, float], str]
    remedies: tuple[tuple[str, tuple[Medium, ...]], ...]


def _at_least(limits: tuple[float, float]) -> Callable[[Measures], Holds]:
    ratio, delta_l = limits
    return lambda found: at_least(found.ratio, ratio) & at_least(found.delta_l, delta_l)


def _reads(limits: tuple[float, float]) -> Callable[[float, float, float], str]:
    least_ratio, least_l = limits
    return lambda ratio, delta_l, _: (
        f"{shown(ratio, least_ratio, digits=1)} : 1, ΔL* {shown(delta_l, least_l)}"
    )


def _stands(_: float, delta_l: float, distance: float) -> str:
    limits = figures.contrast
    return f"ΔE {shown(distance, limits.PICTURE_DELTA_E)}, ΔL* {shown(delta_l, limits.PICTURE_DELTA_L)}"


def _quiet_figure(ratio: float, delta_l: float, distance: float) -> str:
    limits = figures.contrast
    return (
        f"{shown(ratio, limits.QUIET_RATIO, digits=2)} : 1, ΔL* {shown(delta_l, limits.QUIET_DELTA_L)},"
        f" ΔE {shown(distance, limits.QUIET_DELTA_E)}"
    )


def _mat_figure(_: float, __: float, distance: float) -> str:
    return f"ΔE {shown(distance, figures.contrast.MAT_DELTA_E)}"


PAIR_RULES = {
    rule.kind: rule
    for rule in (
        PairRule(
            PairKind.LETTERING_SMALL,
            "Lettering in {upper} on {lower}",
            _at_least(figures.contrast.LETTERING_SMALL),
            "{:.0f} : 1 and ΔL* {:.0f}".format(*figures.contrast.LETTERING_SMALL),
            Status.FAILS,
            "cannot be read at arm's length",
            _reads(figures.contrast.LETTERING_SMALL),
            (("upper", LETTERING_MEDIA), ("lower", GROUND_MEDIA)),
        ),
        PairRule(
            PairKind.LETTERING_LARGE,
            "Large lettering in {upper} on {lower}",
            _at_least(figures.contrast.LETTERING_LARGE),
            "{:g} : 1 and ΔL* {:.0f}".format(*figures.contrast.LETTERING_LARGE),
            Status.FAILS,
            "cannot be read at arm's length",
            _reads(figures.contrast.LETTERING_LARGE),
            (("upper", LETTERING_MEDIA), ("lower", GROUND_MEDIA)),
        ),
        PairRule(
            PairKind.PICTURE,
            "Picture in {upper} on {lower}",
            lambda found: (
                at_least(found.delta_e, figures.contrast.PICTURE_DELTA_E)
                & at_least(found.delta_l, figures.contrast.PICTURE_DELTA_L)
            ),
            f"ΔE {figures.contrast.PICTURE_DELTA_E:.0f} and ΔL* {figures.contrast.PICTURE_DELTA_L:.0f}",
            Status.FAILS,
            "sinks into its ground",
            _stands,
            (("lower", GROUND_MEDIA), ("upper", PICTURE_MEDIA)),
        ),
        PairRule(
            PairKind.MAT,
            "Mat in {upper} around {lower}",
            lambda found: at_least(found.delta_e, figures.contrast.MAT_DELTA_E),
            f"ΔE {figures.contrast.MAT_DELTA_E:.0f}",
            Status.FAILS,
            "cannot be told from what it lies beside",
            _mat_figure,
            (("upper", MAT_MEDIA), ("lower", GROUND_MEDIA)),
        ),
        PairRule(
            PairKind.QUIET,
            "Pattern in {upper} on {lower}",
            lambda found: (
                at_most(found.delta_l, figures.contrast.QUIET_DELTA_L)
                & at_most(found.ratio, figures.contrast.QUIET_RATIO)
                & at_most(found.delta_e, figures.contrast.QUIET_DELTA_E)
            ),
            f"at most {figures.contrast.QUIET_RATIO} : 1, ΔL* {figures.contrast.QUIET_DELTA_L:.0f}"
            f" and ΔE {figures.contrast.QUIET_DELTA_E:.0f}",
            Status.LOOK_AGAIN,
            "competes with what lies on it",
            _quiet_figure,
            (("upper", GROUND_MEDIA), ("lower", GROUND_MEDIA)),
        ),
    )
}

_EYES_WORDS = {
    "protan": "eyes that lack the red cones",
    "deutan": "eyes that lack the green cones",
    "tritan": "eyes that lack the blue cones",
}


def holds(kind: PairKind, upper: Array, lower: Array) -> Holds:
    """Whether the rule of a kind holds for colours (n, 3) on colours (n, 3); (n,)."""
    return PAIR_RULES[kind].holds(measure(upper, lower))


def examine(kind: PairKind, upper: Array, lower: Array, outlined: bool = False) -> Finding:
    """What the rule of a kind finds on one pair (3,) on (3,).

    ``outlined`` says that a dark outline or a white cut edge parts a picture
    from its ground, which makes up for a want of lightness difference.
    """
    return examine_each([kind], np.atleast_2d(upper), np.atleast_2d(lower), [outlined])[0]


def examine_each(
    kinds: Sequence[PairKind], upper: Array, lower: Array, outlined: Sequence[bool]
) -> list[Finding]:
    """``examine`` for n pairs at once: colours (n, 3) on colours (n, 3)."""
    found = measure(upper, lower)
    return [judged(kind, found.only(at), upper[at], lower[at], outlined[at]) for at, kind in enumerate(kinds)]


def judged(kind: PairKind, found: Measures, upper: Array, lower: Array, outlined: bool = False) -> Finding:
    """``examine`` for a pair (3,) on (3,) that is measured already."""
    rule = PAIR_RULES[kind]
    ratio, delta_l, distance = (float(value[0]) for value in (found.ratio, found.delta_l, found.delta_e))
    figure = rule.figure(ratio, delta_l, distance)
    if rule.holds(found)[0]:
        return Finding(Status.HOLDS, figure, rule.limit, "")
    if rule.kind is PairKind.PICTURE:
        if outlined:
            return Finding(Status.HOLDS, figure, rule.limit, "held apart by its outline")
        if at_least(distance, figures.contrast.PICTURE_DELTA_E):
            return Finding(Status.LOOK_AGAIN, figure, rule.limit, _by_colour_only(upper, lower))
    return Finding(rule.when_not, figure, rule.limit, rule.trouble)


def _by_colour_only(upper: Array, lower: Array) -> str:
    kind, distance = weakest_eyes(upper, lower)
    reason = "stands out by colour only: the squint test melts it"
    if distance < figures.contrast.PICTURE_DELTA_E:
        reason += f", and {_EYES_WORDS[kind]} hardly see it (ΔE {distance:.0f})"
    return reason


def examine_span(lab: Array) -> Finding:
    """Whether a palette (n, 3) reaches from light to dark; n at least 1."""
    span = float(np.ptp(np.asarray(lab)[:, 0]))
    figure, limit = (
        f"ΔL* {shown(span, figures.contrast.PALETTE_SPAN)}",
        f"ΔL* {figures.contrast.PALETTE_SPAN:.0f}",
    )
    if at_least(span, figures.contrast.PALETTE_SPAN):
        return Finding(Status.HOLDS, figure, limit, "")
    return Finding(Status.LOOK_AGAIN, figure, limit, "has no full range from light to dark")
