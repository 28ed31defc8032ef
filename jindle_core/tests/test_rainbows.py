"""Which pads give the full circle: the best sets, as trying all of them finds them."""

import unittest
from itertools import combinations

import numpy as np
from hypothesis import given, settings
from hypothesis import strategies as st

from jindle_core import figures
from jindle_core.blending.inks import seen_on
from jindle_core.blending.joins import Meeting
from jindle_core.blending.orders import is_rainbow, overlaps
from jindle_core.blending.rainbows import rainbows
from jindle_core.media.medium import Medium
from jindle_core.supplies.colours import RangeFacts, SupplyColour
from jindle_core.supplies.whole import Supplies

PRIMARIES = ((58, -30, -38), (52, 62, 5), (88, -6, 80))  # cyan, rose and yellow
PADS = st.lists(
    st.tuples(st.integers(35, 85), st.integers(-50, 60), st.integers(-50, 70)), min_size=2, max_size=7
)


def dabs(labs):
    rows = tuple(
        SupplyColour(n, 1, f"NET-{n}", "", "", "read", False, *map(float, lab))
        for n, lab in enumerate(labs, start=1)
    )
    supplies = Supplies(rows, {1: RangeFacts(1, "Nets", "", Medium.DYE_PAD, own=True)})
    return supplies.predicted.dabs(np.arange(len(rows)))


class RainbowTests(unittest.TestCase):
    def test_three_pads_whose_overlaps_come_out_clean(self):
        found = rainbows(dabs([(30, 0, 0), *PRIMARIES, (50, 2, 4)]))
        self.assertEqual((set(found[0].places), found[0].whole), ({1, 2, 3}, True))
        self.assertLessEqual(found[0].gap, 100)

    @settings(max_examples=25, deadline=None)
    @given(PADS)
    def test_none_is_better_than_the_best_and_each_is_what_it_says(self, labs):
        inks = dabs(labs)
        found = rainbows(inks, count=500)
        whole = {frozenset(one.places) for one in found if one.whole}
        seen = seen_on(inks)
        strong = np.flatnonzero(np.hypot(seen[:, 1], seen[:, 2]) >= figures.grounds.MUD_ENDS_C).tolist()
        for size in range(2, min(len(strong), 5) + 1):
            for places in combinations(strong, size):
                some = inks[np.array(places)]
                clean = [one.lab for one in overlaps(some) if one.join.meeting is Meeting.CLEAN]
                rainbow = is_rainbow(np.array([*seen_on(some), *clean]))
                self.assertEqual(rainbow, frozenset(places) in whole)
        self.assertEqual([one.whole for one in found], sorted((one.whole for one in found), reverse=True))

    def test_greys_have_no_hue(self):
        self.assertEqual(rainbows(dabs([(30, 0, 0), (60, 1, 1), (80, 0, 2)])), [])
