"""The same colours with another drawer are what they would be if they were worked out anew."""

from itertools import product
from unittest import TestCase

import numpy as np
from hypothesis import given, settings
from hypothesis import strategies as st

from jindle_core.fullness import Kept
from jindle_core.media.medium import Medium
from jindle_core.tests.made import LABS, some_supplies

DRAWERS = st.dictionaries(
    st.sampled_from(sorted(LABS)), st.builds(Kept, st.sampled_from(["full", "low", "dry"]), st.just(""))
)
ARRAYS = (
    "label_lab",
    "lab",
    "sigma",
    "owned",
    "usable",
    "discontinued",
    "range_ids",
    "lost",
    "to_be_had",
    "shown",
)


class MovedTests(TestCase):
    def same(self, one, other):
        for name in ARRAYS:
            np.testing.assert_array_equal(getattr(one, name), getattr(other, name), name)
        for name in ("places", "named", "shades", "sheets", "all_kept"):
            self.assertEqual(getattr(one, name), getattr(other, name), name)
        self.assertEqual(one.predicted.second_shades, other.predicted.second_shades)
        for key in product(one.columns, (False, True)):
            (index, places), (other_index, other_places) = one.searched.tree(*key), other.searched.tree(*key)
            np.testing.assert_array_equal(places, other_places)
            found = (each.query(one.lab[:5], 3) for each in (index, other_index) if len(places))
            for first, second in zip(*found, strict=True) if len(places) else ():
                np.testing.assert_array_equal(first.indices, second.indices)
        for medium in (Medium.ALCOHOL_MARKER, Medium.WATER_MARKER):
            (table, places), (other_table, other_places) = (
                one.glazed.table(medium),
                other.glazed.table(medium),
            )
            np.testing.assert_array_equal(places, other_places)
            if len(places) > 1:
                target = np.array([50.0, 20, 10])
                off = [[found.distance for found in each.best(target, 5)] for each in (table, other_table)]
                np.testing.assert_allclose(*off, atol=1e-4)
            for owned in (False, True):
                np.testing.assert_array_equal(
                    one.families(medium, owned, 1, None)[1], other.families(medium, owned, 1, None)[1]
                )

    @settings(max_examples=20)
    @given(st.lists(DRAWERS, min_size=1, max_size=4))
    def test_however_often_it_changes(self, drawers):
        moved = some_supplies()
        for drawer in drawers:
            self.same(moved, moved)  # all is worked out, and would show if it were carried over
            moved = moved.with_drawer(drawer)
        fresh = some_supplies(())
        fresh.drawer.update(drawers[-1])
        self.same(moved, fresh)
