"""Which real supplies keep a rule best, and how well do they keep it?"""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from jindle_core import figures
from jindle_core.colorimetry.spaces import Array
from jindle_core.errors import Problem
from jindle_core.limits import at_least, at_most
from jindle_core.palettes.rules import PaletteRule, wanted
from jindle_core.palettes.searching import FEW, MANY, ROUGH, Effort, Search
from jindle_core.palettes.standing import Landable, PaletteStanding
from jindle_core.shown import shown


@dataclass(frozen=True, slots=True)
class Landed:
    """A palette on supplies: the rule, what it asked for (k, 3), and the places of the supplies (k,)."""

    rule: PaletteRule
    wanted: Array
    places: tuple[int, ...]
    standing: PaletteStanding


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
        at_most(off, figures.palettes.RULE_KEPT),
        at_least(span, figures.contrast.PALETTE_SPAN),
        at_least(closest, figures.palettes.RULE_APART),
    )
    return [
        Reason(
            kept,
            "hues as the rule has them" if kept else "hues off the rule: nothing nearer here",
        ),
        Reason(
            wide,
            f"light to dark as a picture wants it (ΔL* {shown(span, figures.contrast.PALETTE_SPAN)})"
            if wide
            else f"light to dark only a little (ΔL* {shown(span, figures.contrast.PALETTE_SPAN)},"
            f" and {figures.contrast.PALETTE_SPAN:.0f} make a picture)",
        ),
        Reason(
            bool(found.reads),
            "lettering in the darkest reads on the lightest"
            if found.reads
            else "lettering in the darkest cannot be read on the lightest",
        ),
        Reason(
            distinct,
            f"all well apart (ΔE {shown(closest, figures.palettes.RULE_APART)} at least)"
            if distinct
            else f"two of them are hardly apart (ΔE {shown(closest, figures.palettes.RULE_APART)})",
        ),
    ]


def land(rules: Sequence[PaletteRule], base: Array, on: Landable) -> list[Landed | Problem]:
    """For each rule its palette from a base (3,) on some colours, none twice, the nearest to the base first.

    A rule that has more places than there are colours has a problem instead.
    """
    bases = np.reshape(base, (1, 3))
    fitting = [rule for rule in rules if len(rule.places) <= len(on)]
    first = on.index.query(bases)[0].indices if fitting else np.arange(0)
    asked = dict(zip([rule.key for rule in fitting], wanted(fitting, bases), strict=True))
    return [
        _landed(Search.of(rule, on, asked[rule.key], first, FEW), FEW)[0]
        if rule.key in asked
        else Problem(
            f"“{rule.title}” needs {len(rule.places)} colours; there are {len(on)} to choose from.",
            field="column",
            expected="another medium, or all supplies instead of only mine",
        )
        for rule in rules
    ]


def from_drawer(rules: Sequence[PaletteRule], on: Landable, most: int) -> list[Landed]:
    """Palettes that some colours give by themselves, best first; no two are nearly the same.

    Every colour with a hue leads in each rule, or of very many the strongest
    of each kind: roughly at first, then the best leads with care. Palettes that
    share more than ``figures.palettes.DRAWER_SHARED`` colours with a better one are
    left out.
    """
    leads = on.leads
    rules = [rule for rule in rules if len(rule.places) <= len(on)]
    if not len(leads) or not rules:
        return []
    landed = []
    for rule, asked in zip(rules, on.asked_by_leads(rules), strict=True):
        rough = Search.of(rule, on, asked, leads, ROUGH)
        order = rough.costs(rough.ends(ROUGH)).argsort(kind="stable")[: figures.palettes.DRAWER_FINALISTS]
        landed += _landed(Search.of(rule, on, asked[order], leads[order], MANY), MANY)
    kept: list[Landed] = []
    for one in sorted(landed, key=lambda one: one.standing.cost):
        shared = max((len(set(one.places) & set(other.places)) for other in kept), default=0)
        if shared <= figures.palettes.DRAWER_SHARED:
            kept.append(one)
        if len(kept) == most:
            break
    return kept


def _landed(search: Search, effort: Effort) -> list[Landed]:
    chosen = search.ends(effort)
    found = search.standing(chosen)
    return [
        Landed(search.rule, asked, tuple(map(int, places)), found.only(at))
        for at, (asked, places) in enumerate(zip(search.asked, chosen, strict=True))
    ]
