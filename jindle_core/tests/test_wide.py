"""What a wide screen is sent."""

import re
from unittest import TestCase

import numpy as np
from colour import RGB_to_XYZ, XYZ_to_Lab
from hypothesis import given
from hypothesis import strategies as st

from jindle_core.colorimetry.spaces import WHITE_XY, on_screen
from jindle_core.colorimetry.wide import wide_shade


def parts(shade):
    return [float(one) for one in re.fullmatch(r"color\(display-p3 (\S+) (\S+) (\S+)\)", shade).groups()]


def p3_lab(rgb):
    """By the library alone, from another side: encoded Display P3 to CIELAB under D50."""
    xyz = RGB_to_XYZ(rgb, "Display P3", WHITE_XY, "Bradford", apply_cctf_decoding=True)
    return tuple(float(one) for one in XYZ_to_Lab(xyz, WHITE_XY))


class WideTests(TestCase):
    def test_the_primaries_of_the_wide_screen_come_back_and_srgb_stays_as_it_is(self):
        for rgb in ((0.0, 1.0, 0.0), (1.0, 0.0, 0.0)):
            np.testing.assert_allclose(parts(wide_shade(p3_lab(np.array(rgb)))), rgb, atol=0.02)
        self.assertIsNone(wide_shade((53.0, 40.0, 20.0)))

    @given(st.floats(5, 98), st.floats(-180, 180), st.floats(0, 150))
    def test_what_no_screen_shows_keeps_its_lightness(self, lightness, hue, chroma):
        lab = (lightness, float(chroma * np.cos(np.radians(hue))), float(chroma * np.sin(np.radians(hue))))
        shade = wide_shade(lab)
        self.assertEqual(shade is None, bool(on_screen(np.array(lab))))
        if shade is None:
            return
        shown = p3_lab(np.array(parts(shade)))
        self.assertAlmostEqual(shown[0], lightness, delta=0.3)
        self.assertLess(np.hypot(*shown[1:]), chroma + 0.5)
