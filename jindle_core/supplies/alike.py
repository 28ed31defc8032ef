"""What of every range is like a colour, and which colours of two ranges are twins?"""

from dataclasses import dataclass

import numpy as np

from jindle_core.colorimetry.spaces import Lab
from jindle_core.matching.nearest import NearestIndex, query_each
from jindle_core.matching.verdicts import Verdict, may_be
from jindle_core.supplies.colours import RangeFacts
from jindle_core.supplies.matched import Match, Swatch, match_of, swatch_of
from jindle_core.supplies.whole import Supplies

_IN_EACH_RANGE = 3
_TWINS = (Verdict.SAME, Verdict.VERY_NEAR)


@dataclass(frozen=True, slots=True)
class LikeInRange:
    """What of one range is like a colour, the nearest first; one at least."""

    facts: RangeFacts
    matches: tuple[Match, ...]


def like(
    supplies: Supplies, target: Lab, sigma: float, own_range: int | None, owned: bool
) -> list[LikeInRange]:
    """What is like a colour known to ``sigma`` in every other range; the one with the nearest first."""
    kept = supplies.usable if owned else np.ones(len(supplies.rows), dtype=bool)
    places = {
        range_id: np.flatnonzero((supplies.range_ids == range_id) & kept)
        for range_id, facts in supplies.ranges.items()
        if not facts.lost and range_id != own_range
    }
    indexes = [NearestIndex(supplies.lab[one]) for one in places.values()]
    found = query_each(indexes, np.array([target]), _IN_EACH_RANGE)
    groups = []
    for (range_id, there), (nearest,) in zip(places.items(), found, strict=True):
        if len(nearest.indices):
            matches = tuple(
                match_of(supplies, int(there[at]), target, sigma, float(distance))
                for at, distance in zip(nearest.indices, nearest.distances, strict=True)
            )
            groups.append(LikeInRange(supplies.ranges[range_id], matches))
    return sorted(groups, key=lambda one: one.matches[0].near.distance)


@dataclass(frozen=True, slots=True)
class Twin:
    """A colour of a range, its nearest in another (None where that is empty), and whether one may stand for
    the other: where both are known by their labels only reading them tells whether it does."""

    swatch: Swatch
    nearest: Match | None
    is_twin: bool


def twins(supplies: Supplies, range_id: int, other_id: int) -> list[Twin]:
    """The colours of a range with their nearest in another, those that are farthest from theirs first."""
    here, there = (np.flatnonzero(supplies.range_ids == one) for one in (range_id, other_id))
    found = []
    for place, nearest in zip(here.tolist(), supplies.nearest(supplies.lab[here], 1, there), strict=True):
        match = None
        if len(nearest.indices):
            other, distance = int(nearest.indices[0]), float(nearest.distances[0])
            lab, sigma = supplies.lab_at(place), float(supplies.sigma[place])
            match = match_of(supplies, other, lab, sigma, distance)
        is_twin = match is not None and may_be(match.near.distance, match.near.judged.uncertainty) in _TWINS
        found.append(Twin(swatch_of(supplies, place), match, is_twin))
    return sorted(found, key=lambda one: -np.inf if one.nearest is None else -one.nearest.near.distance)
