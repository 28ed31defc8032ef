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
    """Colours of about one hue, so that some families hold."""
    random = np.random.default_rng(seed)
    lightness = random.uniform(15, 95, count)
    hue, chroma = np.radians(random.normal(140, 12, count)), random.uniform(20, 40, count)
    return np.column_stack([lightness, chroma * np.cos(hue), chroma * np.sin(hue)])


def cost(tones, family):
    off = (delta_e(tones, family) / figures.families.FAMILY_DELTA_E) ** 2
    return float((off + ((tones[:, 0] - family[:, 0]) / figures.families.FOLLOWED_L) ** 2).sum())


class FollowTests(unittest.TestCase):
    @settings(max_examples=40)
    @given(st.integers(0, 10**6), st.integers(2, 3), st.booleans())
    def test_nothing_that_holds_is_cheaper(self, seed, count, near):
        candidates = some_family(seed)
        tones = some_family(seed + 1, count)
        tones = tones[np.argsort(-tones[:, 0])]
        around = candidates[seed % len(candidates)] if near else None
        held = [
            places
            for places in permutations(range(len(candidates)), count)
            if judge_family(candidates[list(places)], around=around).holds
        ]
        found = follow(tones, Builder(candidates), around=around)
        if found is None:
            self.assertFalse(held)
            return
        self.assertIn(found, held)
        # Where the span presses, the cheapest at that price is taken; it may cost a little more.
        least = min(cost(tones, candidates[list(one)]) for one in held)
        free = min(
            (
                cost(tones, candidates[list(places)])
                for places in permutations(range(len(candidates)), count)
                if not [
                    fault
                    for fault in judge_family(candidates[list(places)], around=around).faults
                    if fault.key != "flat"
                ]
            ),
        )
        if free == least:
            self.assertAlmostEqual(cost(tones, candidates[list(found)]), least)

    @given(st.integers(0, 10**6), st.integers(2, 3))
    def test_what_holds_one_is_all_that_is_in_any(self, seed, count):
        candidates = some_family(seed)
        there = {
            place
            for places in permutations(range(len(candidates)), count)
            if judge_family(candidates[list(places)]).holds
            for place in places
        }
        self.assertEqual(set(np.flatnonzero(holding_one(Builder(candidates), count))), there)

    def test_few_or_none_hold_nothing(self):
        self.assertIsNone(follow(some_lab(3, 1), Builder(some_lab(2, 1))))
        self.assertIsNone(follow(some_lab(2, 1), Builder(np.zeros((0, 3)))))
        self.assertFalse(holding_one(Builder(np.zeros((0, 3))), 3).any())
