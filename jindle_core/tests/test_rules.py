from itertools import permutations
from unittest import TestCase

import numpy as np
from hypothesis import given, settings
from hypothesis import strategies as st

from jindle_core import figures
from jindle_core.colorimetry.difference import delta_e
from jindle_core.colorimetry.spaces import hue_to_lab, lab_to_hue, on_screen
from jindle_core.palettes.landing import Landed, from_drawer, land, reasons
from jindle_core.palettes.rules import PALETTE_RULES, RULE, TRIOS, wanted
from jindle_core.palettes.standing import Landable, standing
from jindle_core.tests.strategies import LAB

BLUE = np.array([[48.0, -18.0, -26.0]])


def circle(count, lightness=(30, 60, 85), chroma=0.1):
    """Supplies all round the circle in some depths."""
    hues = np.arange(0, 360, 360 / count)
    return np.concatenate([hue_to_lab(np.full(count, float(one)), hues, chroma) for one in lightness])


class WantedTests(TestCase):
    def test_a_hue_and_a_lightness_give_the_colour_that_has_them(self):
        lightness, hue = np.array([40.0, 60, 80]), np.array([20.0, 140, 265])
        found = hue_to_lab(lightness, hue, 0.06)
        np.testing.assert_allclose(found[:, 0], lightness, atol=1.0)
        turned, chroma = lab_to_hue(found)
        np.testing.assert_allclose(turned, hue, atol=1.0)
        np.testing.assert_allclose(chroma, 0.06, atol=0.004)

    def test_what_no_screen_shows_loses_chroma_only(self):
        found = hue_to_lab(np.array([90.0]), np.array([265.0]), 0.3)
        self.assertTrue(on_screen(found * 0.999).all())
        self.assertAlmostEqual(float(found[0, 0]), 90, delta=1.5)

    def test_every_rule_starts_from_the_base_and_turns_from_its_hue(self):
        base_hue, _ = lab_to_hue(BLUE)
        for rule in (*PALETTE_RULES, *TRIOS):
            with self.subTest(rule.key):
                ((asked,),) = wanted((rule,), BLUE)
                np.testing.assert_array_equal(asked[0], BLUE[0])
                hue, _ = lab_to_hue(asked)
                off = (hue - base_hue - rule.turns + 180) % 360 - 180
                self.assertLess(np.abs(off[rule.hued]).max(), 12)  # what no screen shows bends a little

    def test_a_grey_base_still_gives_colours_round_it(self):
        ((asked,),) = wanted((RULE["three-around"],), np.array([[50.0, 0, 0]]))
        self.assertGreater(lab_to_hue(asked)[1][1], figures.palettes.RULE_COLOURED)

    def test_a_rainbow_has_light_yellows_and_deep_blues(self):
        ((asked,),) = wanted((RULE["rainbow"],), BLUE)
        hue, _ = lab_to_hue(asked)
        yellow = asked[np.argmin(np.abs(hue - 105)), 0]
        blue = asked[np.argmin(np.abs(hue - 285)), 0]
        self.assertGreater(yellow - blue, 25)


class LandingTests(TestCase):
    def test_comes_near_the_best_of_every_possible_choice(self):
        rule = RULE["opposite"]
        random = np.random.default_rng(4)
        found, best = [], []
        for _ in range(8):
            supplies = circle(9)[random.choice(27, 8, replace=False)]
            (landed,) = land((rule,), BLUE, Landable(supplies))
            lead = int(np.argmin(delta_e(BLUE[0], supplies)))
            rest = [at for at in range(8) if at != lead]
            every = np.array([(lead, *others) for others in permutations(rest, 4)])
            (asked,) = wanted((rule,), BLUE)
            best.append(standing(rule, Landable(supplies), every, asked[0]).cost.min())
            found.append(float(landed.standing.cost))
        reached = np.array(found) / np.array(best)
        self.assertAlmostEqual(float(reached.max()), 1.0, places=6)

    @settings(max_examples=12)
    @given(st.lists(LAB, min_size=7, max_size=20, unique=True), LAB)
    def test_no_supply_twice_and_the_lead_is_the_nearest(self, supplies, base):
        supplies = np.array(supplies)
        for rule, landed in zip(
            PALETTE_RULES, land(PALETTE_RULES, np.array(base), Landable(supplies)), strict=True
        ):
            self.assertEqual(len(set(landed.places)), len(rule.places))
            off = delta_e(np.array(base), supplies)
            self.assertAlmostEqual(off[landed.places[0]], off.min(), places=9)

    def test_too_few_supplies_say_how_many_are_wanted(self):
        rules = (RULE["neighbours"], TRIOS[0])
        for count in (3, 4):
            few, four = land(rules, BLUE, Landable(circle(4)[:count]))
            self.assertIn(f"“Neighbours” needs 5 colours; there are {count}", few.message)
            self.assertEqual(isinstance(four, Landed), count == 4)

    def test_a_full_circle_keeps_every_rule_and_says_so(self):
        supplies = np.concatenate([circle(36), circle(12, (24, 92), 0.03)])
        for rule, landed in zip(PALETTE_RULES, land(PALETTE_RULES, BLUE, Landable(supplies)), strict=True):
            kept = reasons(landed)[0]
            self.assertTrue(kept.holds, f"{rule.key}: {kept.words}")
            self.assertEqual(kept.words, "hues as the rule has them")

    def test_supplies_of_one_hue_do_not_keep_a_rule_of_opposites(self):
        ones = hue_to_lab(np.linspace(20, 95, 12), np.full(12, 250.0), 0.08)
        (landed,) = land((RULE["opposite"],), BLUE, Landable(ones))
        told = reasons(landed)
        self.assertFalse(told[0].holds)
        self.assertIn("off the rule", told[0].words)

    def test_a_flat_palette_is_told(self):
        (landed,) = land((RULE["three-around"],), BLUE, Landable(circle(12, (58, 60))))
        holding = {reason.words.split(" (")[0]: reason.holds for reason in reasons(landed)}
        self.assertFalse(holding["light to dark only a little"])
        self.assertFalse(holding["lettering in the darkest cannot be read on the lightest"])


class DrawerTests(TestCase):
    def test_best_first_and_none_nearly_the_same(self):
        found = from_drawer(TRIOS, Landable(circle(12)), 6)
        costs = [float(one.standing.cost) for one in found]
        self.assertEqual(costs, sorted(costs))
        self.assertEqual(len(found), 6)
        for at, one in enumerate(found):
            for other in found[:at]:
                self.assertLessEqual(len(set(one.places) & set(other.places)), figures.palettes.DRAWER_SHARED)

    def test_greys_alone_give_none(self):
        greys = np.stack([np.linspace(10, 95, 8), np.zeros(8), np.zeros(8)], axis=1)
        self.assertEqual(from_drawer(TRIOS, Landable(greys), 6), [])

    def test_of_very_many_the_strongest_of_each_kind_lead(self):
        random = np.random.default_rng(7)
        many = random.uniform((10, -50, -50), (95, 50, 60), (20_000, 3))
        on = Landable(many)
        self.assertLessEqual(len(on.leads), figures.palettes.DRAWER_LEADS)
        self.assertGreater(len(on.leads), figures.palettes.DRAWER_LEADS / 3)
        hue, chroma = lab_to_hue(many[on.leads])
        self.assertLess(np.diff(np.sort(hue)).max(), 25)  # all round the circle
        self.assertGreater(np.median(chroma), np.median(lab_to_hue(many)[1]))
        found = from_drawer(TRIOS, on, 6)
        self.assertEqual(len(found), 6)
        self.assertLess(found[0].standing.cost, 1.0)
        self.assertEqual(len(Landable(circle(9)).leads), 27)
