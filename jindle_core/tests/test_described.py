"""Colour words find what one would call so; half of a name finds it too; own things come first."""

import unittest
from dataclasses import replace

import numpy as np
from hypothesis import given
from hypothesis import strategies as st

from jindle_core import figures
from jindle_core.colorimetry.naming import hue_family
from jindle_core.fullness import Kept
from jindle_core.interchange.code_list import read_list
from jindle_core.matching.described import described, like, off, otherwise
from jindle_core.matching.search import SearchIndex
from jindle_core.supplies.looked_for import by_looks, own_first
from jindle_core.tests.strategies import LAB, some_lab
from jindle_core.tests.test_colourways import SUPPLIES

ALL = np.ones(len(SUPPLIES.rows), bool)


class DescribedTests(unittest.TestCase):
    def test_what_is_found_is_called_so(self):
        labs = some_lab(4000, seed=8)
        for words, called in (
            ("grey", ("grey",)),
            ("green", ("green",)),
            ("dark green", ("green",)),
            ("brown", ("brown", "orange", "red")),
            ("yellow", ("yellow",)),
            ("violet", ("violet",)),
            ("teal", ("blue-green", "blue", "green")),
            ("warm grey", ("grey", "greyish", "brown")),
        ):
            with self.subTest(words):
                nearest = labs[np.argsort(off(described(words), labs))[:5]]
                for lab in nearest:
                    self.assertTrue(any(one in hue_family(lab) for one in called), hue_family(lab))

    def test_words_beside_it_move_it(self):
        plain_green, dark, pale, dull = (
            described(words) for words in ("green", "dark green", "pale green", "greyish green")
        )
        self.assertLess(dark.lab[0], plain_green.lab[0])
        self.assertGreater(pale.lab[0], plain_green.lab[0])
        self.assertLess(np.hypot(*dull.lab[1:]), np.hypot(*plain_green.lab[1:]))
        self.assertEqual((plain_green.level, dark.level, described("navy").level), (False, True, True))
        self.assertEqual(described("Purple"), described("violet"))
        for words in ("", "porridge", "dark porridge green", "dark", "12"):
            self.assertIsNone(described(words))

    @given(LAB)
    def test_like_is_half_a_step_that_way(self, lab):
        self.assertEqual(like("like moss 4, but a bit bluer"), ("moss 4", ("bluish",)))
        self.assertEqual(like("like moss"), ("moss", ()))
        self.assertIsNone(like("moss"))
        self.assertIsNone(like("like moss but louder"))
        self.assertLess(otherwise(np.array(lab), ("bluish",)).lab[2], lab[2])
        self.assertEqual(float(off(otherwise(np.array(lab), ()), np.array([lab]))[0]) < 3, True)


class LookedForTests(unittest.TestCase):
    def test_what_is_like_it_is_near_and_not_it_itself(self):
        code = SUPPLIES.rows[5].code
        found = by_looks(SUPPLIES, f"like {code} but darker", ALL)
        self.assertNotIn(5, found)
        self.assertTrue(found)
        meant = otherwise(SUPPLIES.lab[5], ("dark",))
        self.assertLessEqual(off(meant, SUPPLIES.lab[found]).max(), figures.colour.DESCRIBED_OFF)
        self.assertEqual(by_looks(SUPPLIES, "porridge", ALL), [])
        self.assertEqual(by_looks(SUPPLIES, "green", ~ALL), [])

    def test_own_things_come_first_unless_another_is_named_to_the_letter(self):
        rows = SUPPLIES.rows
        drawer = {rows[9].id: Kept("full", "")}
        supplies = replace(SUPPLIES, drawer=drawer)
        self.assertEqual(own_first(supplies, "oar", [7, 8, 9]), [9, 7, 8])
        self.assertEqual(own_first(supplies, rows[8].code, [7, 8, 9]), [8, 9, 7])

    @given(st.integers(0, 2**32))
    def test_what_is_put_away_is_found_by_nothing(self, seed):
        gone = 100 + 1 + seed % 3
        ranges = {pk: replace(one, away=pk == gone) for pk, one in SUPPLIES.ranges.items()}
        supplies = replace(SUPPLIES, ranges=ranges)
        for place in supplies.search.find("oar", len(supplies.rows)):
            self.assertNotEqual(supplies.rows[place].range_id, gone)


class ListTests(unittest.TestCase):
    LABELS = (("Nets", "HB-10", "reed"), ("Nets", "HB-20", "rush"), ("Hulls", "105", "morning red"))

    def read(self, text):
        return read_list(text, self.LABELS, SearchIndex([label[1:] for label in self.LABELS]))

    def test_codes_are_parted_by_spaces_where_the_whole_is_none(self):
        for text in ("hb10 hb20", "HB-10  hb 20", "reed hb20", "Nets HB-10 rush"):
            with self.subTest(text):
                found = self.read(text)
                self.assertEqual([one.place for one in found.understood], [0, 1])
                self.assertEqual(found.doubtful, ())

    def test_a_code_with_its_name_is_one(self):
        for text in ("105 morning red", "morning red 105", "105 Morning-Red"):
            self.assertEqual([one.place for one in self.read(text).understood], [2])

    def test_of_a_row_what_is_known_is_read_and_the_unknown_named(self):
        found = self.read("hb10 hb99 of mine Nets hb-20 xx")
        self.assertEqual([one.place for one in found.understood], [0, 1])
        self.assertEqual([one.text for one in found.doubtful], ["hb99 of mine", "xx"])
        self.assertEqual(
            [one.text for one in self.read("quite another list").doubtful], ["quite another list"]
        )

    def test_numbers_count_as_they_do_on_the_cap(self):
        labels = (("Quay", "TARN-4", ""), ("Quay", "1.09", "eddy"), ("Quay", "1.9", ""), ("Nets", "08", "x"))
        search = SearchIndex([label[1:] for label in labels], [label[0] for label in labels])
        for text, place in (
            ("tarn4", 0),
            ("TARN 04", 0),
            ("1.09", 1),
            ("1.9", 2),
            ("1/09", 1),
            ("8", 3),
            ("nets 8", 3),
        ):
            with self.subTest(text):
                places = [one.place for one in read_list(text, labels, search).understood]
                self.assertIn(place, places or read_list(text, labels, search).doubtful[0].places)
                self.assertIn(place, search.find(text, 2))
        one_nine = labels[:2]
        self.assertEqual(
            read_list("1.9", one_nine, SearchIndex([one[1:] for one in one_nine])).understood[0].place, 1
        )

    def test_a_range_may_stand_before_what_is_looked_for(self):
        ranges = ["Wherry", "Wherry", "Lockside", "Lockside"]
        search = SearchIndex([("TARN-4", ""), ("TARN-40", ""), ("8", "sky"), ("18", "sky")], ranges)
        self.assertEqual(search.find("wherry tarn-4", 4)[0], 0)
        self.assertEqual(search.find("lockside 8", 4)[0], 2)
        self.assertEqual(search.find("wherry 8", 4), [])
        self.assertEqual(search.find("wherry", 4), [])
