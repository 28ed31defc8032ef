"""How well does a palette on real colours keep a rule, and how well does it stand by itself?"""

from collections.abc import Sequence
from dataclasses import dataclass
from functools import cached_property

import numpy as np
from numpy.typing import NDArray

from jindle_core import figures
from jindle_core.colorimetry.difference import din99o
from jindle_core.colorimetry.spaces import Array, lab_to_hue, luminance
from jindle_core.contrast.measures import Measures
from jindle_core.contrast.rules import PAIR_RULES, PairKind
from jindle_core.matching.nearest import Indices, NearestIndex
from jindle_core.palettes.rules import PaletteRule, wanted

LETTERING = PAIR_RULES[PairKind.LETTERING_SMALL]
_CELLS, _WIDER = 1 << 12, 1.3  # more cells than DIN99o is wide; how much wider the next grid is
_DIN99O_APART = 0.9  # ΔE00 a step of DIN99o is about worth: near enough to rank by


@dataclass(frozen=True, slots=True)
class PaletteStanding:
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
    reads: NDArray[np.bool_]
    cost: Array

    def only(self, at: int) -> "PaletteStanding":
        """The standing of one palette."""
        return PaletteStanding(
            *(getattr(self, name)[at] for name in ("off", "span", "closest", "reads", "cost"))
        )


class Landable:
    """Colours (m, 3) that palettes land on, with what is asked of each of them again and again.

    ``index`` finds the nearest of them; where a search tree stands already it is handed in.
    """

    def __init__(self, lab: Array, index: NearestIndex | None = None) -> None:
        self.lab = np.asarray(lab, dtype=float).reshape(-1, 3)
        self.index = index or NearestIndex(self.lab)
        hue, self.chroma = lab_to_hue(self.lab)
        self.towards = np.exp(1j * np.radians(hue))
        self.close = din99o(self.lab)
        self.luminance = luminance(self.lab) + figures.contrast.FLARE
        self._asked: dict[tuple[str, ...], list[Array]] = {}

    def __len__(self) -> int:
        return len(self.lab)

    @cached_property
    def leads(self) -> Indices:
        """Those that lead a palette: every one with a hue, or of very many the strongest of each kind."""
        found = np.flatnonzero(self.chroma >= figures.palettes.RULE_COLOURED)
        found = found[np.argsort(-self.chroma[found], kind="stable")]
        width = 1.0
        while len(found) > figures.palettes.DRAWER_LEADS:
            # The first of each cell of a grid, which is made wider until they are few enough.
            cells = np.floor(self.close[found] / width).astype(np.int64) + _CELLS // 2
            _, kept = np.unique(cells @ [_CELLS**2, _CELLS, 1], return_index=True)
            found = found[np.sort(kept)]
            width *= _WIDER
        return np.sort(found)

    def asked_by_leads(self, rules: Sequence[PaletteRule]) -> list[Array]:
        """What each rule asks for around each lead; found once, for they are asked again and again."""
        keys = tuple(rule.key for rule in rules)
        if keys not in self._asked:
            self._asked[keys] = wanted(rules, self.lab[self.leads])
        return self._asked[keys]


def _off(rule: PaletteRule, on: Landable, places: Indices) -> Array:
    """How far the hues of palettes, places (k, n), stand from the rule's in degrees: (n,).

    The rule may be turned: what counts is how the hues stand to one another.
    """
    hued = rule.hued[:, None]
    apart = on.towards[places] * np.exp(-1j * np.radians(rule.turns))[:, None]
    weight = hued & (on.chroma[places] >= figures.palettes.RULE_COLOURED)
    mean = (apart * weight).sum(axis=0)
    off = np.abs(np.degrees(np.angle(apart * mean.conj())))
    off = np.where(weight, off, figures.palettes.RULE_GREY_OFF)
    found: Array = (off * hued).sum(axis=0) / hued.sum()
    return found


def standing(
    rule: PaletteRule, on: Landable, chosen: Indices, asked: Array, asked_close: Array | None = None
) -> PaletteStanding:
    """How palettes (n, k) of places keep a rule that asked for colours (n, k, 3) or (k, 3).

    ``asked_close`` is the same in DIN99o, where it is known already.
    """
    places = np.atleast_2d(chosen).T  # along the first axis sums are quick: (k, n)
    size = len(places)
    asked_close = _first(din99o(asked) if asked_close is None else asked_close, 2)
    lightness, off = on.lab[places, 0], _off(rule, on, places)
    span = lightness.max(axis=0) - lightness.min(axis=0)
    close = on.close.T[:, places]
    first, second = np.triu_indices(size, 1)
    steps = np.sqrt(((close[:, first] - close[:, second]) ** 2).sum(axis=0))
    closest = _DIN99O_APART * steps.min(axis=0)
    light = on.luminance[places]
    reads = LETTERING.holds(Measures(light.max(axis=0) / light.min(axis=0), span, span))

    costs = figures.palettes.RULE_COSTS
    # What the rule wants lighter must land lighter.
    asked_lightness = _first(asked[..., 0], 1)
    lighter = asked_lightness[first] - asked_lightness[second]
    step = (lightness[first] - lightness[second]) * np.sign(lighter)
    short = np.maximum(0, figures.families.FAMILY_LEAST_STEP[0] - step)
    disorder = (short * (np.abs(lighter) > figures.palettes.RULE_ORDERED)).sum(axis=0)
    from_asked = np.sqrt(((asked_close - close) ** 2).sum(axis=0)).mean(axis=0)
    cost = (
        off / costs["off"]
        + disorder / costs["order"]
        + np.maximum(0, figures.contrast.PALETTE_SPAN - span) / costs["span"]
        + np.maximum(0, figures.palettes.RULE_APART - closest) / costs["apart"]
        + from_asked / costs["wanted"]
        + ~reads * costs["check"]
    )
    return PaletteStanding(off, span, closest, reads, cost)


def _first(values: Array, axes: int) -> Array:
    """Values (n, k, …) or (k, …) with their last ``axes`` axes first, in the other order: (…, k, n or 1)."""
    values = values if values.ndim > axes else values[None]
    return values.T if axes == 1 else np.moveaxis(values, (2, 1, 0), (0, 1, 2))
