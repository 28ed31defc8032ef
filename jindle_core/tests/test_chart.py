import unittest

import numpy as np

from jindle_core.matching.chart import gaps, order_of_use, points

GREEN, DEEP_GREEN, RED, GREY = [80.0, -20, 20], [40.0, -20, 20], [50.0, 40, 20], [60.0, 0, 1]


class ChartTests(unittest.TestCase):
    def test_a_neutral_has_no_hue(self):
        green, grey = points(np.array([GREEN, GREY]))
        self.assertAlmostEqual(green.hue, 135)
        self.assertIsNone(grey.hue)
        self.assertAlmostEqual(grey.chroma, 1)

    def test_a_colour_fills_its_field_and_a_neutral_none(self):
        empty = gaps(np.empty((0, 3)))
        self.assertIn("green", {gap.words for gap in empty})
        self.assertEqual(gaps(np.array([GREY])), empty)
        filled = gaps(np.array([GREEN]))
        (gone,) = [gap for gap in empty if gap not in filled]
        self.assertEqual((gone.hue, gone.lightness), ((120, 150), (80, 100)))

    def test_what_no_screen_can_show_is_no_gap(self):
        for gap in gaps(np.empty((0, 3))):
            self.assertFalse(gap.hue == (90, 120) and gap.lightness[1] <= 20)


class OrderTests(unittest.TestCase):
    def test_families_first_then_hues_then_neutrals_each_light_to_dark(self):
        lab = np.array([GREY, DEEP_GREEN, RED, GREEN, DEEP_GREEN, GREEN])
        order = order_of_use(lab, ["", "", "", "", "moss", "moss"])
        self.assertEqual(order, [5, 4, 2, 3, 1, 0])
        self.assertEqual(order_of_use(np.empty((0, 3)), []), [])
