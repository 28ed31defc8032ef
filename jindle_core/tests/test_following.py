"""A family that follows keeps every limit, comes near its colour, and is the cheapest that does."""

import unittest
from itertools import permutations

import numpy as np
from hypothesis import given, settings
from hypothesis import strategies as st

from jindle_core import figures
from jindle_core.colorimetry.difference import delta_e
from jindle_core.families.build import Builder
from jindle_core.families.following import follow, holding_one
from jindle_core.families.judge import judge_family
from jindle_core.tests.strategies import some_lab


def some_family(seed, count=7):
    """Colours of one hue, so that some families hold and none turns to a cool shadow."""
    random = np.random.default_rng(seed)
    lightness = random.uniform(15, 95, count)
    hue, chroma = np.radians(random.uniform(131, 149, count)), random.uniform(20, 40, count)
    return np.column_stack([lightness, chroma * np.cos(hue), chroma * np.sin(hue)])


def cost(tones, family):
    off = (delta_e(tones, family) / figures.families.FAMILY_DELTA_E) ** 2
    return float((off + ((tones[:, 0] - family[:, 0]) / figures.families.FOLLOWED_L) ** 2).sum())


def keeps_all(tones, wanted):
    """Whether tones are a family for a colour as one is proposed: without what is only let pass."""
    found = judge_family(tones, around=wanted, reach=np.inf)
    return found.holds and not found.hints


class FollowTests(unittest.TestCase):
    @settings(max_examples=40)
    @given(st.integers(0, 10**6), st.integers(2, 3), st.booleans())
    def test_nothing_that_holds_is_cheaper(self, seed, count, near):
        candidates = some_family(seed)
        tones = some_family(seed + 1, count)
        tones = tones[np.argsort(-tones[:, 0])]
        around = candidates[seed % len(candidates)] if near else None
        wanted = tones[count // 2] if around is None else around
        every = [
            places
            for places in permutations(range(len(candidates)), count)
            if around is None or delta_e(around, candidates[list(places)]).min() <= figures.colour.COUSIN
        ]
        held = [places for places in every if keeps_all(candidates[list(places)], wanted)]
        found = follow(tones, Builder(candidates), around=around)
        if found is None:
            self.assertFalse(held)
            return
        self.assertIn(found, held)
        # Where the span presses, the cheapest at that price is taken; it may cost a little more.
        least = min(cost(tones, candidates[list(one)]) for one in held)
        judged = {
            places: judge_family(candidates[list(places)], around=wanted, reach=np.inf) for places in every
        }
        free = min(
            cost(tones, candidates[list(places)])
            for places, one in judged.items()
            if not one.hints and {fault.key for fault in one.faults} <= {"flat"}
        )
        if free == least:
            self.assertAlmostEqual(cost(tones, candidates[list(found)]), least)

    @given(st.integers(0, 10**6), st.integers(2, 3))
    def test_what_holds_one_is_all_that_has_any_around_it(self, seed, count):
        candidates = some_family(seed)
        there = {
            place
            for places in permutations(range(len(candidates)), count)
            for place in places
            if keeps_all(candidates[list(places)], candidates[place])
        }
        self.assertEqual(set(np.flatnonzero(holding_one(Builder(candidates), count))), there)

    def test_few_or_none_hold_nothing(self):
        self.assertIsNone(follow(some_lab(3, 1), Builder(some_lab(2, 1))))
        self.assertIsNone(follow(some_lab(2, 1), Builder(np.zeros((0, 3)))))
        self.assertFalse(holding_one(Builder(np.zeros((0, 3))), 3).any())
