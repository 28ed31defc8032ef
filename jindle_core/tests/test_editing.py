import unittest

import numpy as np

from jindle_core.colorimetry.difference import delta_e
from jindle_core.errors import BadInput
from jindle_core.patterned.colours import sheet_colours
from jindle_core.patterned.correction import correct
from jindle_core.patterned.editing import Edit, edited
from jindle_core.tests.test_patterned import CARD, CLAY, CREAM, TEAL, lit, sheet, unclipped


class EditingTests(unittest.TestCase):
    @classmethod
    def setUpClass(cls):
        _, linear = sheet(CREAM, TEAL, CLAY)
        cls.picture = correct(lit(linear, np.ones(3)), unclipped(linear), CARD)
        cls.found = sheet_colours(cls.picture)

    def edit(self, *edits):
        return edited(self.picture, self.found, [Edit(way, places) for way, places in edits])

    def test_none_leaves_all_as_it_is(self):
        self.assertEqual(self.edit(), self.found)

    def test_a_merge_lies_between_by_share(self):
        merged = self.edit(("merge", (1, 2)))
        self.assertEqual(len(merged), 2)
        first, second = self.found[1:]
        both = next(one for one in merged if one.part != "ground")
        self.assertAlmostEqual(both.share, first.share + second.share)
        expected = np.average([first.lab, second.lab], axis=0, weights=[first.share, second.share])
        np.testing.assert_allclose(both.lab, expected)

    def test_a_dropped_colour_leaves_its_share_to_the_others(self):
        dropped = self.edit(("drop", (2,)))
        self.assertEqual(len(dropped), 2)
        self.assertAlmostEqual(sum(one.share for one in dropped), 1)
        self.assertAlmostEqual(dropped[0].share / dropped[1].share, self.found[0].share / self.found[1].share)

    def test_a_split_parts_what_was_merged(self):
        merged = self.edit(("merge", (1, 2)))
        at = next(place for place, one in enumerate(merged) if one.part != "ground")
        parted = self.edit(("merge", (1, 2)), ("split", (at,)))
        labs = np.array([one.lab for one in parted])
        for lab in (TEAL, CLAY):
            self.assertLess(delta_e(np.array(lab), labs).min(), 12)
        self.assertAlmostEqual(sum(one.share for one in parted), 1)

    def test_edits_follow_one_another(self):
        self.assertEqual(len(self.edit(("drop", (2,)), ("merge", (0, 1)))), 1)

    def test_what_cannot_be(self):
        for edit in (("merge", (0,)), ("drop", (0, 1, 2)), ("drop", (7,)), ("split", (-1,)), ("merge", ())):
            with self.subTest(edit), self.assertRaises(BadInput):
                self.edit(edit)
        with self.assertRaises(BadInput):  # places count in the list as it is by then
            self.edit(("drop", (2,)), ("split", (2,)))
