"""Which real supplies keep a rule best, and how well do they keep it?"""

from dataclasses import dataclass

import numpy as np
from scipy.optimize import linear_sum_assignment

from jindle_core import defaults
from jindle_core.colorimetry.difference import delta_e, din99o
from jindle_core.colorimetry.spaces import Array, lab_to_hue
from jindle_core.contrast.rules import PairKind, holds
from jindle_core.errors import BadInput, Problem
from jindle_core.palettes.rules import Rule, wanted

_FIXED = 1e4  # ΔE00: more than any sum of differences
_DIN99O_APART = 0.9  # ΔE00 a step of DIN99o is about worth: near enough to rank by


@dataclass(frozen=True, slots=True)
class Standing:
    """How palettes of k colours stand; every field an array over the palettes.

    ``off``: mean deviation in degrees from the rule, turned as suits them
    best. ``span``: ΔL* from lightest to darkest. ``closest``: about the ΔE00
    of the two nearest to one another. ``reads``: whether small lettering in
    the darkest reads on the lightest. ``cost``: what they are ranked by, the
    less the better.
    """

    off: Array
    span: Array
    closest: Array
    reads: Array
    cost: Array

    def only(self, at: int) -> "Standing":
        """The standing of one palette."""
        return Standing(*(getattr(self, name)[at] for name in ("off", "span", "closest", "reads", "cost")))


@dataclass(frozen=True, slots=True)
class Landed:
    """A palette on supplies: the rule, what it asked for (k, 3), and the places of the supplies (k,)."""

    rule: Rule
    wanted: Array
    places: tuple[int, ...]
    standing: Standing


@dataclass(frozen=True, slots=True)
class Reason:
    """One thing that counts in a palette's standing: whether it is as it should be, and the words."""

    holds: bool
    words: str


def reasons(one: Landed) -> list[Reason]:
    """What speaks for and against a palette, the rule first."""
    found = one.standing
    off, span, closest = float(found.off), float(found.span), float(found.closest)
    kept, wide, distinct = (
        off <= defaults.RULE_KEPT,
        span >= defaults.PALETTE_SPAN,
        closest >= defaults.RULE_APART,
    )
    return [
        Reason(
            kept,
            f"hues within {off:.0f}° of the rule"
            if kept
            else f"hues {off:.0f}° off the rule: nothing nearer here",
        ),
        Reason(
            wide,
            f"light to dark ΔL* {span:.0f}"
            if wide
            else f"light to dark only ΔL* {span:.0f}; {defaults.PALETTE_SPAN:.0f} make a picture",
        ),
        Reason(
            bool(found.reads),
            "lettering in the darkest reads on the lightest"
            if found.reads
            else "lettering in the darkest cannot be read on the lightest",
        ),
        Reason(
            distinct,
            f"all at least ΔE {closest:.0f} apart"
            if distinct
            else f"two of them are only ΔE {closest:.0f} apart",
        ),
    ]


def standing(rule: Rule, labs: Array, asked: Array) -> Standing:
    """How palettes (n, k, 3) keep a rule that asked for colours (n, k, 3) or (k, 3)."""
    labs = np.asarray(labs, dtype=float)
    hue, chroma = lab_to_hue(labs)
    # The rule may be turned: what counts is how the hues stand to one another.
    apart = np.radians(hue - rule.turns)
    weight = np.where(rule.hued & (chroma >= defaults.RULE_COLOURED), 1.0, 0.0)
    mean = np.angle((np.exp(1j * apart) * weight).sum(axis=-1, keepdims=True))
    off = np.abs(np.degrees(np.angle(np.exp(1j * (apart - mean)))))
    off = np.where(weight > 0, off, defaults.RULE_GREY_OFF)
    off = (off * rule.hued).sum(axis=-1) / rule.hued.sum()

    lightness = labs[..., 0]
    span = np.ptp(lightness, axis=-1)
    close = din99o(labs)
    steps = np.linalg.norm(close[..., :, None, :] - close[..., None, :, :], axis=-1)
    closest = _DIN99O_APART * (steps + np.eye(labs.shape[-2]) * 1e3).min(axis=(-2, -1))
    rows = np.arange(len(labs))
    darkest, lightest = labs[rows, lightness.argmin(axis=-1)], labs[rows, lightness.argmax(axis=-1)]
    reads = holds(PairKind.LETTERING_SMALL, darkest, lightest)

    costs = defaults.RULE_COSTS
    # What the rule wants lighter must land lighter.
    lighter = asked[..., :, None, 0] - asked[..., None, :, 0] > defaults.RULE_ORDERED
    step = lightness[..., :, None] - lightness[..., None, :]
    disorder = np.where(lighter, np.maximum(0, defaults.FAMILY_LEAST_STEP[0] - step), 0).sum(axis=(-2, -1))
    cost = (
        off / costs["off"]
        + disorder / costs["order"]
        + np.maximum(0, defaults.PALETTE_SPAN - span) / costs["span"]
        + np.maximum(0, defaults.RULE_APART - closest) / costs["apart"]
        + np.linalg.norm(din99o(asked) - close, axis=-1).mean(axis=-1) / costs["wanted"]
        + ~reads * costs["check"]
    )
    return Standing(off, span, closest, reads, cost)


def land(rule: Rule, bases: Array, candidates: Array) -> list[Landed]:
    """For each base (n, 3) the palette of a rule on candidates (m, 3), no candidate twice.

    Ours: the first place lands on what is nearest to the base and stays. The
    others start on the candidates that are nearest as a set (Hungarian
    method) and then take, place by place, the one of their nearest few that
    makes the whole palette stand best. Held against every possible choice
    from small drawers in the tests, it mostly finds the best, and otherwise
    one that costs at most a quarter more. Raises BadInput where the
    candidates are fewer than the rule's places.
    """
    bases = np.asarray(bases, dtype=float).reshape(-1, 3)
    candidates = np.asarray(candidates, dtype=float).reshape(-1, 3)
    size = len(rule.places)
    if len(candidates) < size:
        raise BadInput(
            Problem(
                f"“{rule.title}” needs {size} colours; there are {len(candidates)} to choose from.",
                field="column",
                expected="another medium, or all supplies instead of only mine",
            )
        )
    asked = wanted(rule, bases)
    off = delta_e(asked[:, :, None], candidates)
    tried = np.argsort(off, axis=-1, kind="stable")[..., : defaults.RULE_CANDIDATES]
    off[np.arange(len(off)), 0, tried[:, 0, 0]] = -_FIXED
    chosen = np.array([linear_sum_assignment(one)[1] for one in off])
    for _ in range(defaults.RULE_ROUNDS):
        before = chosen
        for place in range(1, size):
            chosen = _better(rule, chosen, place, tried[:, place], candidates, asked)
        if np.array_equal(before, chosen):
            break
    found = standing(rule, candidates[chosen], asked)
    return [Landed(rule, asked[at], tuple(map(int, chosen[at])), found.only(at)) for at in range(len(bases))]


def _better(
    rule: Rule, chosen: np.ndarray, place: int, tried: np.ndarray, candidates: Array, asked: Array
) -> np.ndarray:
    """The palettes (n, k), each with the best of ``tried`` (n, c) in one place.

    Where another place has that candidate, the two change places; the first
    keeps its own.
    """
    count = len(chosen)
    tried = np.concatenate([chosen[:, [place]], tried], axis=1)  # staying as it is comes first
    others = np.repeat(chosen[:, None], tried.shape[1], axis=1)
    others = np.where(others == tried[..., None], chosen[:, None, [place]], others)
    others[..., place] = tried
    flat = others.reshape(-1, chosen.shape[1])
    costs = standing(rule, candidates[flat], np.repeat(asked, tried.shape[1], axis=0)).cost
    costs = costs.reshape(count, -1) + np.where(tried == chosen[:, [0]], np.inf, 0)
    return others[np.arange(count), np.argmin(costs, axis=1)]


def from_drawer(rules: tuple[Rule, ...], candidates: Array, most: int) -> list[Landed]:
    """Palettes that candidates (m, 3) give by themselves, best first; no two are nearly the same.

    Every candidate with a hue leads once in each rule. Those that share more
    than ``defaults.DRAWER_SHARED`` colours with a better one are left out.
    """
    candidates = np.asarray(candidates, dtype=float).reshape(-1, 3)
    leads = candidates[lab_to_hue(candidates)[1] >= defaults.RULE_COLOURED]
    if not len(leads):
        return []
    ranked = sorted(
        (one for rule in rules for one in land(rule, leads, candidates)), key=lambda one: one.standing.cost
    )
    kept: list[Landed] = []
    for one in ranked:
        shared = max((len(set(one.places) & set(other.places)) for other in kept), default=0)
        if shared <= defaults.DRAWER_SHARED:
            kept.append(one)
        if len(kept) == most:
            break
    return kept
