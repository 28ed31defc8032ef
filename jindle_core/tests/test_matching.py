import unittest

import numpy as np
from hypothesis import given, settings
from hypothesis import strategies as st

from jindle_core import figures
from jindle_core.colorimetry.difference import delta_e
from jindle_core.matching.nearest import NearestIndex, query_each
from jindle_core.matching.search import SearchIndex
from jindle_core.matching.verdicts import Verdict, combined, direction, judge_distance, may_be, within
from jindle_core.tests.strategies import some_lab


def brute_force(lab, target, k):
    distances = delta_e(target[None], lab)
    return np.lexsort((np.arange(len(lab)), distances))[:k]


class NearestTests(unittest.TestCase):
    def test_the_same_as_brute_force(self):
        lab = some_lab(3000)
        # Targets inside, outside and exactly on the set.
        targets = np.vstack([some_lab(60, seed=2), [[2, 0, 0], [99, 0, 90], [50, 80, -90]], lab[:5]])
        for k in (1, 12, 40):
            for target, found in zip(targets, NearestIndex(lab).query(targets, k), strict=True):
                np.testing.assert_array_equal(found.indices, brute_force(lab, target, k))

    @settings(max_examples=25)
    @given(st.integers(0, 120), st.integers(1, 15), st.integers(0, 1000))
    def test_sets_of_any_size(self, count, k, seed):
        lab, target = some_lab(count, seed), some_lab(1, seed + 1)
        (found,) = NearestIndex(lab).query(target, k)
        np.testing.assert_array_equal(found.indices, brute_force(lab, target[0], k) if count else [])
        self.assertTrue(np.all(np.diff(found.distances) >= 0))

    def test_equal_colours_keep_their_order(self):
        lab = np.vstack([some_lab(200), np.tile([50.0, 10, 10], (4, 1))])
        (found,) = NearestIndex(lab).query(np.array([[50.0, 10, 10]]), 4)
        self.assertEqual(found.indices.tolist(), [200, 201, 202, 203])

    def test_several_sets_at_once_are_as_one_by_one(self):
        sets = [NearestIndex(some_lab(count, count)) for count in (0, 5, 33, 400)]
        targets = some_lab(7, seed=9)
        for index, together in zip(sets, query_each(sets, targets, 3), strict=True):
            for one, other in zip(index.query(targets, 3), together, strict=True):
                np.testing.assert_array_equal(one.indices, other.indices)

    def test_no_targets(self):
        self.assertEqual(NearestIndex(some_lab(50)).query(np.empty((0, 3))), [])


class VerdictTests(unittest.TestCase):
    def test_limits_belong_to_the_nearer_verdict(self):
        cases = ((0, "same"), (1, "same"), (1.01, "very-near"), (2.5, "very-near"),
                 (5, "near"), (9, "cousin"), (9.01, "far"))  # fmt: skip
        for distance, words in cases:
            with self.subTest(distance):
                self.assertEqual(judge_distance(distance).verdict, words)

    @given(st.floats(0, 20), st.floats(0, 1))
    def test_what_is_nearer_than_the_uncertainty_may_be_the_same_and_goes_no_way(self, uncertainty, part):
        distance = uncertainty * part
        self.assertIs(may_be(distance, uncertainty), Verdict.SAME)
        self.assertEqual(direction([50, 0, 0], [60, 20, 5], distance, uncertainty), "")

    def test_no_two_labels_are_the_same_to_the_eye(self):
        label, photo = (figures.colour.UNCERTAINTY[one] for one in ("label", "photographed"))
        self.assertIs(judge_distance(0.0, combined(label, label)).verdict, Verdict.NEAR)
        self.assertIs(judge_distance(0.0, combined(photo, 0.5)).verdict, Verdict.VERY_NEAR)
        self.assertIs(judge_distance(0.3, combined(0.5, 0.5)).verdict, Verdict.SAME)

    @given(st.floats(0, 40), st.floats(0, 40), st.floats(0, 12), st.floats(0, 12))
    def test_what_is_farther_or_less_sure_is_never_called_nearer(self, one, other, doubt, more):
        near, far = sorted((one, other))
        words = list(Verdict)
        nearer, farther = (words.index(judge_distance(each, doubt).verdict) for each in (near, far))
        self.assertLessEqual(nearer, farther)
        sure, unsure = (words.index(judge_distance(near, each).verdict) for each in sorted((doubt, more)))
        self.assertLessEqual(sure, unsure)

    @given(st.floats(0, 60), st.floats(0, 12))
    def test_the_word_lies_between_the_two_that_are_told(self, distance, doubt):
        told, words = judge_distance(distance, doubt), list(Verdict)
        places = [words.index(one) for one in (told.nearest, told.verdict, told.farthest)]
        self.assertEqual(places, sorted(places))
        self.assertLessEqual(told.low, told.high)
        self.assertGreaterEqual(told.chance, 0.5 - 1e-6)
        self.assertEqual(told.tentative, told.chance < 0.8)

    def test_chances_come_as_they_are_said(self):
        # Two colours, each read off its place by an error along three axes; all places as likely.
        random, sigma = np.random.default_rng(5), 5.7
        along = sigma * figures.colour.VERDICT_VARIANCE**0.5
        true = random.uniform(-20, 20, (1_000_000, 3))
        seen = np.linalg.norm(true + random.normal(0, along, true.shape), axis=1)
        far = np.linalg.norm(true, axis=1)
        for distance in (2.0, 5.0, 9.0):
            those = far[abs(seen - distance) < 0.4]
            told = judge_distance(distance, sigma)
            self.assertAlmostEqual(within(distance, sigma, 5.0), (those <= 5).mean(), delta=0.06)
            self.assertAlmostEqual(((those >= told.low) & (those <= told.high)).mean(), 0.8, delta=0.06)

    def test_uncertainties_add_in_quadrature(self):
        self.assertEqual(combined(3, 4), 5)
        self.assertEqual(combined(figures.colour.UNCERTAINTY["read"], 0), 0.5)

    def test_negative_distance(self):
        with self.assertRaises(ValueError):
            judge_distance(-1)


class SearchTests(unittest.TestCase):
    labels = [
        ("TARN-4", "noon eddy"),
        ("TARN-14", "wet eddy"),
        ("3.07", "old tarn"),
        ("", "Café lamp"),
        ("118", ""),
    ]

    def test_as_typed(self):
        index = SearchIndex(self.labels)
        cases = (("tarn 4", [0, 1]), ("Tarn–4", [0]), ("tarn", [0, 1, 2]), ("307", [2]), ("cafe", [3]),
                 ("eddy", [0, 1]), ("wet tarn", [1]), ("18", [4]), ("  ", []), ("zzz", []))  # fmt: skip
        for typed, places in cases:
            with self.subTest(typed):
                self.assertEqual(index.find(typed, 9), places)

    def test_whole_code_comes_first_and_the_limit_holds(self):
        index = SearchIndex([("RED-11", "a"), ("RED-1", "b"), ("RED-12", "c")])
        self.assertEqual(index.find("red 1", 2), [1, 0])

    def test_a_slip_is_forgiven_where_nothing_fits(self):
        index = SearchIndex([("MOSS-3", "noon charcoal"), ("", "Heather bank"), ("118", "sedge")])
        cases = (("chrcoal", [0]), ("heathr", [1]), ("heatherbnak", [1]), ("mosss3", [0]), ("sege", [2]),
                 ("char", [0]), ("xyz", []), ("qwertyuiop", []))  # fmt: skip
        for typed, places in cases:
            with self.subTest(typed):
                self.assertEqual(index.find(typed, 3), places)
