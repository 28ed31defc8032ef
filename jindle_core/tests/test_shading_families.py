import unittest
from itertools import pairwise, permutations

import numpy as np
from hypothesis import given, settings
from hypothesis import strategies as st

from jindle_core import figures
from jindle_core.colorimetry.difference import delta_e
from jindle_core.colorimetry.recovery import lab_to_reflectance
from jindle_core.families.build import Builder
from jindle_core.families.judge import Allowance, judge_family, limits, steps, tone_names
from jindle_core.families.mending import bridge, deeper, glazed_shadow, lighter
from jindle_core.families.recipes import Extent, Thing, recipe, suited, tones_wanted
from jindle_core.media.medium import Medium
from jindle_core.prediction.behaviour import usual_behaviour
from jindle_core.tests.strategies import some_lab

GREENS = np.array([[86.0, -10, 12], [74, -16, 18], [61, -20, 22], [47, -22, 23], [33, -18, 19]])


def cost_of(tones, wanted, count):
    """What a family costs, written out the long way; None where a limit is broken."""
    kept, total = limits(count), 0.0
    aim = kept.span / (count - 1) + figures.families.STEP_AIM
    for upper, lower in pairwise(tones):
        one = steps(upper, lower)
        if not (kept.lightness[0] <= one.lightness <= kept.lightness[1]):
            return None
        if not (one.hue_holds(kept.hue) and one.chroma_holds):
            return None
        total += ((one.lightness - aim) / 8) ** 2 + (one.hue_distance / 6) ** 2
        total += (max(0, one.chroma - 12) / 10) ** 2
    return total if tones[0][0] - tones[-1][0] >= kept.span else None


class BuildTests(unittest.TestCase):
    def test_the_cheapest_of_all_families(self):
        tried = 0
        for seed in range(60):
            candidates, wanted = (
                some_lab(11, seed) * [1, 0.3, 0.3],
                some_lab(1, seed + 500)[0] * [1, 0.3, 0.3],
            )
            (found,) = Builder(candidates).best(wanted, 3)
            if found.kept != "whole":
                continue
            tried += 1
            off = delta_e(wanted, candidates)
            anchors = np.argsort(off)[: figures.families.ANCHORS_TRIED]
            costs = {}
            for anchor in anchors[(off[anchors] <= figures.colour.COUSIN) | (anchors == anchors[0])]:
                for path in permutations(range(11), 3):
                    drift = steps(candidates[anchor], candidates[list(path)])
                    if anchor not in path or not drift.hue_holds(figures.families.ANCHOR_HUE).all():
                        continue
                    cost = cost_of(candidates[list(path)], wanted, 3)
                    if cost is not None:
                        cost += (off[anchor] / figures.families.ANCHOR_COST) ** 2
                        cost += figures.families.OFF_MIDDLE_COST * abs(path.index(anchor) - 1)
                        costs[path] = min(cost, costs.get(path, np.inf))
            best = min(costs, key=costs.get)
            self.assertEqual(found.places, best)
            self.assertAlmostEqual(found.cost, costs[best], places=6)
        self.assertGreater(tried, 10)

    @settings(max_examples=60)
    @given(st.integers(0, 10_000), st.integers(2, 5), st.integers(2, 40))
    def test_always_ordered_and_distinct(self, seed, tones, owned):
        candidates, wanted = some_lab(owned, seed), some_lab(1, seed + 1)[0]
        for found in Builder(candidates).best(wanted, tones, count=4):
            self.assertLessEqual(len(found.places), min(tones, owned))
            self.assertEqual(len(set(found.places)), len(found.places))
            self.assertTrue(np.all(np.diff(candidates[list(found.places), 0]) < 0))
            self.assertIn(found.anchor, found.places)
            if found.kept == "whole":
                self.assertLessEqual({fault.key for fault in found.judgement.faults}, {"off"})

    def test_the_best_there_is_and_what_is_wrong_with_it(self):
        few = np.array([[60.0, 40, 30], [52, -30, -20], [90, 2, 3]])
        (found,) = Builder(few).best(few[0], 3)
        self.assertEqual((found.kept, found.places), ("best", (2, 0, 1)))
        self.assertIn("the hue jumps", " ".join(fault.words for fault in found.judgement.faults))
        level = Builder(np.array([[88.0, 0, 1], [88, 1, 0], [76, 0, 1], [76, 0, 2]])).best(few[2], 4)
        self.assertEqual(
            [len(family.places) for family in level], [2]
        )  # two depths are no more than two tones
        self.assertEqual(Builder(few[:1]).best(few[0], 3), [])
        self.assertEqual(Builder(np.empty((0, 3))).best(few[0], 3), [])

    def test_of_very_many_candidates_those_alike_are_looked_at(self):
        many = np.concatenate([some_lab(figures.families.FAMILY_CANDIDATES * 4, 3), GREENS])
        (found,) = Builder(many).best(GREENS[2], 3)
        self.assertEqual(found.kept, "whole")
        self.assertEqual(found.judgement, judge_family(many[list(found.places)], around=many[found.anchor]))
        self.assertLess(delta_e(many[found.anchor], GREENS[2]), figures.colour.COUSIN)

    def test_wide_limits_for_a_small_drawer(self):
        drawer = np.array([[88.0, -10, 12], [58, -20, 22], [30, -18, 20]])
        (found,) = Builder(drawer).best(drawer[1], 3)
        self.assertEqual((found.kept, found.places), ("relaxed", (0, 1, 2)))
        self.assertEqual({fault.key for fault in found.judgement.faults}, {"far"})


class JudgeTests(unittest.TestCase):
    def faults(self, *tones, allowance=None):
        found = judge_family(np.array(tones, dtype=float), *([] if allowance is None else [allowance]))
        return {fault.key: fault for fault in found.faults}

    def test_a_good_family_holds(self):
        found = judge_family(GREENS)
        self.assertTrue(found.holds)
        np.testing.assert_allclose(found.lightness, [12, 13, 14, 14])
        self.assertEqual(found.span, 53)
        self.assertEqual(judge_family(np.array([[80.0, 1, 2], [60, -2, -1]])).hue, (None,))
        for count in range(2, 6):
            self.assertEqual(len(set(tone_names(count))), count)

    def test_each_fault_is_named_at_its_step(self):
        self.assertEqual(self.faults(GREENS[0], GREENS[2], [57, -20, 22])["near"].step, 1)
        self.assertIn(
            "too near the middle (ΔL* 4)", self.faults(GREENS[0], GREENS[2], [57, -20, 22])["near"].words
        )
        self.assertEqual(self.faults(GREENS[0], GREENS[4])["far"].step, 0)
        self.assertIn("not darker", self.faults(GREENS[2], GREENS[0])["near"].words)
        self.assertIn("the hue jumps by", self.faults(GREENS[1], [55, 20, 20])["hue"].words)
        self.assertIn("the dark is much duller", self.faults([70, 60, 40], [55, 2, 1.3])["chroma"].words)
        self.assertIsNone(self.faults(GREENS[0], GREENS[1], [66, -17, 19])["flat"].step)

    def test_metal_may_jump(self):
        bright, dark = [88.0, 0, 0], [46.0, 0, 0]
        self.assertIn("far", self.faults(bright, dark))
        self.assertEqual(self.faults(bright, dark, allowance=Allowance(most_step=45)), {})


class RecipeTests(unittest.TestCase):
    def test_how_many_tones(self):
        wanted = [
            tones_wanted(Thing.LEAF, Extent.TINY, True),
            tones_wanted(Thing.CLOTH, Extent.LARGE, False),
            tones_wanted(Thing.CLOTH, Extent.SMALL, True),
            tones_wanted(Thing.SKIN, Extent.SMALL, False),
            tones_wanted(Thing.SKIN, Extent.LARGE, True),
            tones_wanted(Thing.BLACK, Extent.LARGE, True),
        ]
        self.assertEqual(wanted, [2, 3, 4, 4, 5, 3])

    def test_what_each_thing_is_shaded_with(self):
        lightness = np.linspace(10, 96, 44)
        warm, cool = (
            np.stack([lightness, 0 * lightness + a, 0 * lightness + b], axis=1) for a, b in ((2, 3), (-2, -3))
        )
        skin = np.array([[80.0, 14, 18], [60, 20, 24], [40, 16, 18]])
        everything = np.concatenate([warm, cool, skin, GREENS])
        white = everything[suited(Thing.WHITE, everything, warm=-1, beside_black=False)]
        self.assertTrue(np.all(white[:, 0] >= 72) and np.all(white[:, 2] < 0))  # cool, like what is around
        self.assertTrue(np.all(everything[suited(Thing.WHITE, everything, 1, False)][:, 2] > 0))
        beside = everything[suited(Thing.WHITE, everything, warm=-1, beside_black=True)]
        self.assertLess(beside[:, 0].min(), white[:, 0].min())
        black = everything[suited(Thing.BLACK, everything, warm=1, beside_black=False)]
        self.assertTrue(np.all(black[:, 0] <= 58))
        np.testing.assert_array_equal(everything[suited(Thing.SKIN, everything, 0, False)], skin)
        self.assertTrue(np.all(everything[suited(Thing.GLASS, everything, 0, False)][:, 0] >= 58))
        self.assertTrue(suited(Thing.LEAF, everything, 0, False).all())

    def test_white_things_stay_mostly_bare(self):
        self.assertGreater(recipe(Thing.WHITE).bare, recipe(Thing.GLASS).bare)
        self.assertEqual(recipe(Thing.FUR).bare, 0)


class MendingTests(unittest.TestCase):
    def test_deeper_lighter_and_between(self):
        depths = GREENS[0] - np.array([[4, 0, 0], [20.0, 0, 0], [40, 0, 0]])
        self.assertEqual(deeper(GREENS[:1], depths), 1)
        self.assertEqual(lighter(depths[2:] - [6, 0, 0], depths), 1)
        self.assertIsNone(deeper(GREENS, np.array([[10.0, 40, -40]])))
        self.assertEqual(bridge(GREENS[0], GREENS[4], GREENS[1:4]), 1)
        self.assertIsNone(bridge(GREENS[0], GREENS[1], GREENS[2:]))

    def test_a_neutral_glazed_over_deepens_as_predicted(self):
        behaviour = usual_behaviour(Medium.ALCOHOL_MARKER)
        greys = lab_to_reflectance(np.array([[90.0, 0, 0], [70, 0, 0], [40, 0, 0]]))
        dark = lab_to_reflectance(GREENS[2])
        each = [glazed_shadow(dark, grey, behaviour) for grey in greys]
        gained = [GREENS[2][0] - one.lab[0] if one else np.inf for one in each]
        aimed = np.abs(np.array(gained) - figures.families.DEEPEN[1])
        found = glazed_shadow(dark, greys, behaviour)
        self.assertEqual(found.place, np.argmin(aimed))
        np.testing.assert_allclose(found.lab, each[found.place].lab)
        self.assertGreaterEqual(min(gained), figures.families.DEEPEN[0])
        self.assertIsNone(glazed_shadow(dark, greys[:1], behaviour))
        self.assertIsNone(glazed_shadow(dark, np.empty((0, 31)), behaviour))


class NearnessTests(unittest.TestCase):
    CREAM = np.array([92.0, 0.0, 12.0])
    ORANGES = np.array([[84.0, 18, 50], [68, 36, 62], [52, 44, 54]])

    def test_an_orange_trio_is_no_family_for_cream(self):
        (found,) = Builder(self.ORANGES).best(self.CREAM, 3)
        (fault,) = found.judgement.faults
        self.assertEqual((fault.key, fault.step), ("off", None))
        off = delta_e(self.CREAM, self.ORANGES).min()
        self.assertIn(f"far from the colour wanted (ΔE {off:.0f}", fault.words)
        self.assertAlmostEqual(found.judgement.off, off)
        self.assertTrue(judge_family(self.ORANGES).holds)

    def test_it_may_lie_as_far_as_the_colours_are_known(self):
        tones, off = self.ORANGES, delta_e(self.CREAM, self.ORANGES).min()
        for reach, holds in ((0.98 * off, False), (0.995 * off, True)):
            self.assertEqual(judge_family(tones, around=self.CREAM, reach=float(reach)).holds, holds)

    def test_what_is_nearer_goes_before_what_steps_better(self):
        creams = np.array([[94.0, 0, 8], [80, 3, 18], [64, 6, 26]])
        (found,) = Builder(np.concatenate([self.ORANGES, creams])).best(self.CREAM, 3)
        self.assertEqual(found.places, (3, 4, 5))

    def test_a_glaze_over_the_darkest_shows_form(self):
        flat = np.array([[80.0, -6, 12], [66, -8, 14]])
        self.assertEqual([one.key for one in judge_family(np.vstack([flat, [58, -8, 14]])).faults], ["flat"])
        three = np.vstack([flat, [58, -8, 14]])
        deep = judge_family(three, glazed=np.array([46.0, -4, 8]))
        self.assertTrue(deep.holds)
        self.assertAlmostEqual(deep.span, 34)
        self.assertAlmostEqual(judge_family(three, glazed=np.array([60.0, 0, 0])).span, 22)
