import unittest

import numpy as np
from hypothesis import given, settings
from hypothesis import strategies as st

from jindle_core import defaults
from jindle_core.colorimetry.difference import delta_e
from jindle_core.prediction import absorption, laid, layer_weight, light_hand, reflectance_of, second_layer
from jindle_core.tests.strategies import LAB, some_lab

PAPER = np.array(defaults.PAPER_WHITE_LAB)


class PredictionTests(unittest.TestCase):
    @given(st.floats(0.01, 0.99))
    def test_absorption_and_back(self, reflectance):
        self.assertAlmostEqual(float(reflectance_of(absorption(reflectance))), reflectance, places=9)

    def test_layer_weights_fall_off(self):
        weights = [layer_weight(count, 0.75) for count in (1, 2, 3, 4)]
        self.assertEqual(weights[:3], [1, 1.75, 2.3125])
        steps = np.diff(weights)
        self.assertTrue(np.all(np.diff(steps) < 0))
        with self.assertRaises(ValueError):
            layer_weight(0, 0.75)

    def test_one_layer_is_the_reading_itself(self):
        lab = some_lab(200)
        lab = lab[(np.hypot(lab[:, 1], lab[:, 2]) < 25) & (lab[:, 0] < 75)]
        self.assertLess(np.percentile(delta_e(laid(lab, 1.0), lab), 95), 1.0)

    @settings(max_examples=60, deadline=None)
    @given(LAB)
    def test_more_is_never_lighter_and_always_finite(self, lab):
        depths = [light_hand(np.array(lab)), laid(np.array(lab), 1.0), second_layer(np.array(lab))]
        self.assertTrue(np.isfinite(depths).all())
        if lab[0] < 85:
            self.assertLessEqual(depths[2][0], depths[1][0] + 0.3)
            self.assertLessEqual(depths[1][0], depths[0][0] + 0.3)

    def test_no_weight_is_paper(self):
        np.testing.assert_allclose(laid(np.array([50.0, 20, 10]), 0.0), PAPER, atol=0.6)
