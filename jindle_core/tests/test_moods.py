"""Seasons and places: told with their reason, landed like rules, and taken out of other colours."""

import unittest

import numpy as np
from hypothesis import assume, given
from hypothesis import strategies as st

from jindle_core import figures
from jindle_core.colorimetry.spaces import hue_to_lab, lab_to_hue
from jindle_core.errors import BadInput
from jindle_core.palettes.landing import land
from jindle_core.palettes.moods import MOODS, HueRegion, Mood, mood_of
from jindle_core.palettes.role import Role
from jindle_core.palettes.standing import Landable
from jindle_core.sets.schemes import Leading, Scheme, SchemeKind, recoloured
from jindle_core.tests.strategies import LAB, some_lab


def off(one, other):
    return np.abs((np.asarray(one) - other + 180) % 360 - 180)


class MoodTests(unittest.TestCase):
    def test_each_asks_for_a_lead_of_its_first_hue_and_spans_its_depths(self):
        for mood in MOODS:
            rule = mood.rule
            self.assertEqual((rule.places[0].role, rule.places[0].turn), (Role.LEAD, 0))
            hue, chroma = lab_to_hue(mood.base[None])
            # Where a colour cannot be so strong, its lightness is kept and its hue bends.
            self.assertLess(float(off(hue[0], mood.hues[0].middle)), 6)
            self.assertLess(abs(float(chroma[0]) - mood.chroma[1]), 0.04)
            levels = [place.lightness for place in rule.places]
            self.assertEqual((min(levels), max(levels)), mood.lightness)
            turns = {round((place.turn + mood.hues[0].middle) % 360) for place in rule.places if place.hued}
            self.assertEqual(turns, {round(one.middle) for one in mood.hues})
            self.assertGreater(len(mood.about), 40)

    def test_they_land_on_supplies_as_rules_do(self):
        on = Landable(some_lab(300, 4))
        for mood in MOODS:
            (landed,) = land([mood.rule], mood.base, on)
            self.assertEqual(len(set(landed.places)), len(mood.rule.places))

    @given(st.lists(LAB, min_size=1, max_size=9))
    def test_a_mood_out_of_colours_has_their_hues(self, labs):
        mood = mood_of(np.array(labs), "own", "Own", "taken from colours")
        hue, chroma = lab_to_hue(np.array(labs))
        coloured = chroma >= figures.palettes.RULE_COLOURED
        if mood is None:
            self.assertFalse(coloured.any())
            return
        self.assertTrue(coloured.any())
        for region in mood.hues:
            self.assertLess(off(hue[coloured], region.middle).min(), 0.01)

    @given(st.sampled_from(MOODS), st.lists(LAB, min_size=1, max_size=8), st.integers(0, 35))
    def test_a_card_after_a_mood_has_its_hues_and_keeps_its_depths(self, mood, labs, turn):
        labs = np.array(labs)
        coloured = lab_to_hue(labs)[1] >= figures.palettes.RULE_COLOURED
        assume(coloured.any())
        made = recoloured(Scheme(SchemeKind.AFTER, 10.0 * turn, 1.0, mood), Leading(40.0, 200.0, 0.2), labs)
        self.assertTrue(np.allclose(made[:, 0], labs[:, 0]))
        self.assertTrue((made[~coloured] == labs[~coloured]).all())
        # As asked: where a colour of that lightness cannot be so strong, CIELAB's L* is kept and hue bends.
        hue = lab_to_hue(made[coloured & (labs[:, 0] > 30) & (labs[:, 0] < 90)])[0]
        for one in hue:
            self.assertTrue(any(off(one, region.middle) <= region.reach + 6 for region in mood.hues))

    def test_what_is_no_mood_says_so(self):
        one = (HueRegion(30.0, 10.0),)
        for words, hues, lightness, chroma in (
            ("1 to 4 hues", (), (20, 90), (0.0, 0.1)),
            ("1 to 4 hues", one * 5, (20, 90), (0.0, 0.1)),
            ("at least L\\* 30", one, (60, 80), (0.0, 0.1)),
            ("from 0 to 100", one, (20, 101), (0.0, 0.1)),
            ("the weakest first", one, (20, 90), (0.2, 0.1)),
        ):
            with self.subTest(words), self.assertRaisesRegex(BadInput, words):
                Mood("own", "Own", "", hues, lightness, chroma)
        with self.assertRaisesRegex(BadInput, "0 to 359"):
            HueRegion(360.0, 5.0)
        with self.assertRaisesRegex(BadInput, "at most 45"):
            HueRegion(0.0, 60.0)
        self.assertIsNone(mood_of(hue_to_lab(np.array([50.0]), 0.0, np.array([0.0])), "k", "t", "a"))
