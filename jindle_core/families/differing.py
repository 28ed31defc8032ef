"""Which few of many families are worth a look beside the best, and what is each?"""

from collections.abc import Callable, Sequence

import numpy as np
from numpy.typing import NDArray

from jindle_core import figures
from jindle_core.colorimetry.spaces import Array
from jindle_core.families.build import Builder, Family
from jindle_core.families.rule import is_yellow, polar

_SECOND_BEST = {"relaxed": "wider steps than usual", "best": "the best there is"}


def differing(builder: Builder, families: Sequence[Family], wanted: Array) -> list[tuple[Family, str]]:
    """The best of families, the best first, and the best of another range, softer, stronger, deeper, paler.

    Each with a few words for it. Ours: what differs by less than the figures of
    ``figures.families.DIFFERS`` in the mean of its tones is the same to whoever looks.
    """
    if not families:
        return []
    best, *others = families
    chosen = [(best, _why(builder, best, wanted))]
    for words, is_so in _ways(builder, best):
        had = [one for one, _ in chosen]
        found = next((one for one in others if one not in had and is_so(one)), None)
        if found is not None:
            chosen.append((found, ", ".join(filter(None, (_SECOND_BEST.get(found.kept), words)))))
    return chosen[: figures.families.FAMILIES_OFFERED]


def _why(builder: Builder, family: Family, wanted: Array) -> str:
    if family.kept != "whole":
        return _SECOND_BEST[family.kept]
    colour = "deepens to gold" if is_yellow(wanted) else "keeps its hue"
    return colour if len(set(_ranges(builder, family))) > 1 else f"{colour}, all of one range"


def _ways(builder: Builder, best: Family) -> list[tuple[str, Callable[[Family], bool]]]:
    """How a family may differ from the best, in words and as a question."""
    chroma, lightness = figures.families.DIFFERS
    strength, own = _mean(builder, best), set(_ranges(builder, best))

    def depth(one: Family, at: int) -> float:
        return float(builder.candidates[one.places[at], 0] - builder.candidates[best.places[at], 0])

    return [
        ("another range", lambda one: not own & set(_ranges(builder, one))),
        ("softer", lambda one: _mean(builder, one) <= strength - chroma),
        ("stronger", lambda one: _mean(builder, one) >= strength + chroma),
        ("deeper", lambda one: depth(one, -1) <= -lightness),
        ("paler", lambda one: depth(one, 0) >= lightness),
    ]


def _ranges(builder: Builder, family: Family) -> list[int]:
    ranges: NDArray[np.integer] = builder.ranges[list(family.places)]
    return [int(one) for one in ranges]


def _mean(builder: Builder, family: Family) -> float:
    """The mean C* of a family's tones."""
    return float(polar(builder.candidates[list(family.places)])[0].mean())
