import unittest

from jindle_core import figures
from jindle_core.supplies.readings import settle


class SettleTests(unittest.TestCase):
    def test_one_reading_is_what_it_says(self):
        found = settle([[50, 10, 10]], ["photographed"])
        self.assertEqual(found.lab, (50, 10, 10))
        self.assertEqual(
            (found.sigma, found.provenance), (figures.colour.UNCERTAINTY["photographed"], "photographed")
        )

    def test_the_median_counts_and_an_outlier_is_left_out(self):
        found = settle([[50, 10, 10], [50.4, 10, 10], [50.2, 10.2, 10], [70, 0, 0]], ["read"] * 4)
        self.assertEqual(found.outliers, (3,))
        self.assertEqual(found.counted, (0, 1, 2))
        self.assertEqual(found.lab, (50.2, 10, 10))

    def test_with_two_nobody_can_say_which_is_off(self):
        found = settle([[50, 0, 0], [60, 0, 0]], ["read"] * 2)
        self.assertEqual((found.counted, found.outliers), ((0, 1), (0, 1)))
        self.assertEqual(found.lab[0], 55)

    def test_the_surest_kind_outranks_the_others(self):
        found = settle([[52, 0, 0], [51, 0, 0], [50, 0, 0]], ["screen", "read", "photographed"])
        self.assertEqual((found.lab, found.counted, found.outliers), ((51, 0, 0), (1,), ()))

    def test_none(self):
        with self.assertRaises(ValueError):
            settle([], [])
