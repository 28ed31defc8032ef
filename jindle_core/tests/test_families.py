import unittest
from itertools import product

import numpy as np
from hypothesis import given, settings
from hypothesis import strategies as st

from jindle_core import figures
from jindle_core.colorimetry.difference import delta_e
from jindle_core.errors import BadInput
from jindle_core.families.convert import assign, convert
from jindle_core.tests.strategies import some_lab

TONES = np.array([[86.0, -8, -14], [66, -16, -24], [45, -18, -27], [28, -12, -22]])


def cost(tones, path):
    """What the conversion minimises, written out the long way."""
    total = sum(
        (delta_e(tone, one) / figures.families.FAMILY_DELTA_E) ** 2
        for tone, one in zip(tones, path, strict=True)
    )
    for at in range(1, len(tones)):
        bend = (path[at] - path[at - 1]) - (tones[at] - tones[at - 1])
        total += (bend[0] / figures.families.FAMILY_STEP_L) ** 2 + (
            bend[1:] ** 2
        ).sum() / figures.families.FAMILY_STEP_AB
    return total


class ConvertTests(unittest.TestCase):
    def test_the_cheapest_of_all_paths(self):
        candidates, tones = some_lab(14, 5), TONES[:3]
        found = convert(tones, candidates)
        floors = [max(3, 0.35 * (tones[at][0] - tones[at + 1][0])) for at in range(2)]
        allowed = [
            path
            for path in product(range(14), repeat=3)
            if all(candidates[path[at]][0] - candidates[path[at + 1]][0] >= floors[at] for at in range(2))
        ]
        best = min(allowed, key=lambda path: cost(tones, candidates[list(path)]))
        self.assertEqual(found.places, best)

    @settings(max_examples=40)
    @given(st.integers(0, 10_000), st.integers(2, 5))
    def test_always_distinct_and_ordered(self, seed, count):
        tones, candidates = some_lab(count, seed), some_lab(60, seed + 1)
        found = convert(tones, candidates)
        if found is None:
            return
        lightness = candidates[list(found.places), 0]
        self.assertTrue(np.all(np.diff(lightness) < 0))
        self.assertEqual(len(set(found.places)), count)
        self.assertEqual(sorted(found.order), list(range(count)))
        self.assertGreaterEqual(np.mean(found.distances) + 1e-9, found.nearest)

    def test_a_family_in_its_own_range_is_itself(self):
        candidates = np.vstack([some_lab(40, 2), TONES[::-1]])
        found = convert(TONES, candidates)
        self.assertEqual(found.places, (43, 42, 41, 40))
        self.assertFalse(any(step.gives_way for step in found.steps))

    def test_where_it_gives_way(self):
        candidates = np.array([[86.0, -8, -14], [78, -14, -22], [45, -18, -27]])
        found = convert(TONES[:3], candidates)
        self.assertEqual([step.gives_way for step in found.steps], [True, True])
        self.assertAlmostEqual(found.steps[0].here, 20)

    def test_what_cannot_hold_a_family(self):
        self.assertIsNone(convert(TONES, np.array([[50.0, 0, 0], [49, 0, 0]])))
        self.assertIsNone(convert(TONES, np.empty((0, 3))))
        for count in (1, 6):
            with self.assertRaises(BadInput):
                convert(some_lab(count), some_lab(20))


class AssignTests(unittest.TestCase):
    def test_no_candidate_twice(self):
        targets = np.array([[50.0, 10, 10], [51, 10, 10], [80, 0, 0]])
        candidates = np.array([[50.5, 10, 10], [55, 12, 10], [82, 0, 0]])
        self.assertEqual(assign(targets, candidates), [0, 1, 2])

    def test_fewer_candidates_than_targets(self):
        chosen = assign(some_lab(5), some_lab(2, 3))
        self.assertEqual(set(chosen), {0, 1})
