import unittest
from fractions import Fraction

import numpy as np
from hypothesis import given
from hypothesis import strategies as st

from jindle_core.checks.finding import Status
from jindle_core.contrast.rules import examine_span
from jindle_core.layers.fitting import fits
from jindle_core.layers.pieces import BASE, Kind, Piece
from jindle_core.layers.sizing import Box
from jindle_core.layers.stacking import examine_thickness
from jindle_core.lengths import read_size
from jindle_core.limits import at_least, at_most
from jindle_core.shown import percent, shown


class ShownTests(unittest.TestCase):
    @given(
        st.floats(0, 200).map(lambda value: round(value, 3)),
        st.lists(st.integers(0, 100).map(float) | st.sampled_from([1.35, 4.0, 2.5]), max_size=3),
        st.integers(0, 2),
    )
    def test_a_figure_lies_on_its_own_side_of_every_limit(self, value, limits, digits):
        told = shown(value, *limits, digits=digits)
        for limit in limits:
            for keeps in (at_least, at_most):
                self.assertEqual(keeps(float(told), limit), keeps(value, limit))
        self.assertGreaterEqual(len(told.partition(".")[2]), digits)
        self.assertLessEqual(abs(float(told) - value), 0.5)

    def test_no_more_digits_than_are_needed(self):
        self.assertEqual(
            [shown(one, 25) for one in (24.4, 24.6, 24.96, 25, 25.3, 26.2)],
            ["24", "24.6", "25", "25", "25.3", "26"],
        )
        self.assertEqual((percent(0.596, 0.6), percent(0.59, 0.6), percent(0.31)), ("60 %", "59 %", "31 %"))

    def test_within_a_hundredth_of_its_limit_nothing_fails_and_beyond_it_everything(self):
        dark = np.array([20.0, 0, 0])
        for span, holds in ((45.0, True), (44.6, True), (44.4, False)):
            found = examine_span(np.stack([dark, dark + np.array([span, 0, 0])]))
            self.assertEqual(found.status is Status.HOLDS, holds, found)
            self.assertEqual(found.figure == "ΔL* 45", holds)
        for thick, status in ((4.03, Status.HOLDS), (4.1, Status.FAILS)):
            self.assertIs(examine_thickness(thick, 4.0).status, status)

    def test_what_hangs_over_by_under_a_hundredth_of_its_area_fits(self):
        under = Box(Fraction(0), Fraction(0), Fraction(100), Fraction(100))
        for wide, status in ((100.9, Status.HOLDS), (101.1, Status.FAILS)):
            size = read_size(str(wide), "50", "mm")
            piece = Piece(1, Kind.PANEL, "panel", size=size)
            box = Box(Fraction(0), Fraction(0), Fraction(wide), Fraction(50))
            (fit,) = fits({BASE: under, 1: box}, [piece], "mm")
            self.assertIs(fit.finding.status, status)
