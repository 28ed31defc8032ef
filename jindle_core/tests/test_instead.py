"""What was used otherwise than planned is told in words that stay true."""

import unittest

from jindle_core.errors import BadInput
from jindle_core.planning.instead import UsedInstead, used_instead
from jindle_core.stored import plain, structured
from jindle_core.tests.made import MARKERS, some_supplies


class InsteadTests(unittest.TestCase):
    def test_both_are_named_with_their_ranges(self):
        supplies = some_supplies()
        found = used_instead(supplies, "Colour breast", MARKERS[1], MARKERS[3])
        taken, was = (supplies.rows[supplies.places[pk]] for pk in (MARKERS[3], MARKERS[1]))
        self.assertEqual((found.label, found.range), (taken.label, supplies.ranges[taken.range_id].name))
        self.assertIn(f"{taken.called} of {found.range} instead of {was.label}", found.words)
        self.assertEqual(structured(plain(found), UsedInstead, "instead"), found)

    def test_what_is_no_supply_is_told(self):
        for was, taken, field in ((0, MARKERS[1], "was"), (MARKERS[1], 0, "taken")):
            with self.assertRaises(BadInput) as caught:
                used_instead(some_supplies(), "x", was, taken)
            self.assertEqual(caught.exception.problems[0].field, field)
