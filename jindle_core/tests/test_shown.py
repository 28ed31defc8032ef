import unittest

from hypothesis import given
from hypothesis import strategies as st

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
            self.assertEqual(float(told) < limit, value < limit)
            self.assertEqual(float(told) > limit, value > limit)
        self.assertGreaterEqual(len(told.partition(".")[2]), digits)
        self.assertLessEqual(abs(float(told) - value), 0.5)

    def test_no_more_digits_than_are_needed(self):
        self.assertEqual(
            [shown(one, 25) for one in (24.4, 24.6, 24.96, 25, 25.04, 26.2)],
            ["24", "24.6", "24.96", "25", "25.04", "26"],
        )
        self.assertEqual(
            (percent(0.5996, 0.6), percent(0.6, 0.6), percent(0.31)), ("59.96 %", "60 %", "31 %")
        )
