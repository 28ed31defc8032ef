import unittest

import numpy as np
from hypothesis import given

from jindle_core import figures
from jindle_core.colorimetry.spaces import lab_to_hex, luminance
from jindle_core.prediction.vellum import under_vellum, veil
from jindle_core.tests.strategies import LAB


class VellumTests(unittest.TestCase):
    def test_over_black_only_what_the_sheet_reflects_is_left(self):
        back, through = figures.building.VELLUM
        black, white = luminance(under_vellum(np.array([[0.0, 0, 0], [100, 0, 0]])))
        self.assertAlmostEqual(black, back)
        self.assertAlmostEqual(white, back + through**2 / (1 - back))

    def test_two_sheets_are_one_of_both(self):
        """R = R1 + T1² R2 / (1 − R1 R2) and T = T1 T2 / (1 − R1 R2) (Kubelka 1954)."""
        back, through = figures.building.VELLUM
        both = back + through**2 * back / (1 - back**2), through**2 / (1 - back**2)
        ground = np.array([[60.0, 0, 0]])
        twice = luminance(under_vellum(under_vellum(ground)))
        once = both[0] + both[1] ** 2 * luminance(ground) / (1 - both[0] * luminance(ground))
        np.testing.assert_allclose(twice, once, rtol=1e-9)

    @given(LAB, LAB)
    def test_it_lightens_dark_and_brings_everything_nearer_together(self, one, other):
        seen = under_vellum(np.array([one, other]))
        self.assertLessEqual(abs(seen[0, 0] - seen[1, 0]), abs(one[0] - other[0]) + 1e-9)

    def test_as_a_screen_draws_it(self):
        grey, opacity = veil()
        under = np.array([figures.laying.PAPER_WHITE_LAB, (0.0, 0.0, 0.0), (50.0, 0.0, 0.0)])
        for lab in under:
            wanted, below, over = (
                int(lab_to_hex(np.atleast_2d(one))[0][1:3], 16)
                for one in (under_vellum(lab[None]), lab, grey)
            )
            self.assertLessEqual(abs(opacity * over + (1 - opacity) * below - wanted), 255 / 16)
