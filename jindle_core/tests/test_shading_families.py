import unittest
from itertools import pairwise, permutations

import numpy as np
from hypothesis import given, settings
from hypothesis import strategies as st

from jindle_core import figures
from jindle_core.colorimetry.difference import delta_e
from jindle_core.colorimetry.recovery import lab_to_reflectance
from jindle_core.families.build import Builder
from jindle_core.families.differing import differing
from jindle_core.families.judge import judge_family, tone_names
from jindle_core.families.mending import bridge, deeper, glazed_shadow, lighter
from jindle_core.families.part import part
from jindle_core.families.recipes import (
    Extent,
    Thing,
    recipe,
    suited,
    tones_wanted,
    white_of,
    whites,
)
from jindle_core.families.rule import (
    Allowance,
    holds_around_its_own,
    is_yellow,
    keeps_hue,
    keeps_strength,
    steps,
    wanted_span,
)
from jindle_core.media.medium import Medium
from jindle_core.prediction.behaviour import usual_behaviour
from jindle_core.tests.strategies import some_lab

GREENS = np.array([[86.0, -10, 12], [74, -16, 18], [61, -20, 22], [47, -22, 23], [33, -18, 19]])


def cost_of(tones, wanted, count):
    """What a family of a colour that is no yellow costs, written out the long way; None where a limit is broken."""
    span, total = float(wanted_span(count, wanted)), 0.0
    if not (keeps_hue(tones, wanted).all() and keeps_strength(tones, wanted).all()):
        return None
    for upper, lower in pairwise(tones):
        one = steps(upper, lower)
        if not (one.lightness_holds() and one.hue_holds() and one.chroma_holds()):
            return None
        strength = np.sqrt(np.hypot(*upper[1:]) * np.hypot(*lower[1:]))
        total += ((one.lightness - span / (count - 1) - 2) / 6) ** 2
        total += (min(strength / 30, 1) * one.turned / 15) ** 2 + (one.rise / 15) ** 2
    return total if tones[0][0] - tones[-1][0] >= span else None


def lch(*tones):
    """CIELAB (k, 3) of L*, C* and hue."""
    return np.array([(light, c * np.cos(np.radians(h)), c * np.sin(np.radians(h))) for light, c, h in tones])


# What people use, light to dark: L*, C*, hue.
USED = {
    "four neighbouring yellows": [(93, 32, 94), (89, 44, 92), (85, 50, 88), (75, 53, 78)],
    "two pale skins": [(88, 16, 66), (78, 20, 62)],
    "four pale skins": [(92, 10, 70), (88, 15, 66), (83, 19, 62), (76, 22, 58)],
    "cream white": [(95, 8, 92), (91, 10, 88), (85, 14, 84)],
    "three cool greys for black": [(58, 4, 250), (40, 4, 255), (24, 3, 250)],
    "five reds to wine": [(76, 34, 22), (64, 52, 28), (52, 58, 30), (42, 48, 24), (33, 36, 18)],
    "orange to rust": [(80, 45, 68), (69, 58, 60), (57, 52, 52), (45, 42, 48)],
    "three greens with a cool blue shadow": [(78, 30, 135), (65, 34, 140), (50, 28, 235)],
    "tiny, in two tones": [(72, 30, 300), (58, 36, 298)],
    "kraft brown": [(72, 24, 72), (60, 28, 68), (47, 26, 64)],
}
# What nobody would, and why not.
UNUSED = {
    "yellow with grey": ([(93, 32, 94), (84, 6, 100), (74, 3, 110)], "grey"),
    "yellow with moss": ([(90, 50, 95), (78, 40, 113), (65, 34, 118)], "hue"),
    "pink to grey": ([(80, 29, 5), (68, 15, 5), (52, 1, 300), (40, 1, 280)], "grey"),
    "blue beginning in grey": ([(78, 2, 250), (66, 28, 250), (54, 34, 252)], "chroma"),
    "leaf in the petal's pens": ([(82, 40, 132), (70, 50, 60), (56, 55, 45)], "hue"),
    "orange in beige": ([(76, 55, 62), (68, 18, 70), (58, 16, 70)], "grey"),
    "no order": ([(60, 40, 30), (64, 42, 30), (50, 40, 28)], "near"),
    "three that are one": ([(60, 30, 200), (58, 30, 200), (56, 30, 200)], "near"),
    "a jump that nothing joins": ([(85, 20, 200), (49, 28, 205), (40, 26, 205)], "far"),
    "flat": ([(62, 40, 30), (56, 42, 30), (51, 42, 28)], "flat"),
}


class BuildTests(unittest.TestCase):
    def test_the_cheapest_of_all_families(self):
        tried = 0
        for seed in range(120):
            candidates, wanted = (
                some_lab(11, seed) * [1, 0.2, 0.2],
                some_lab(1, seed + 500)[0] * [1, 0.2, 0.2],
            )
            off = delta_e(wanted, candidates)
            found = Builder(candidates).best(wanted, 3)
            whole = found and found[0].kept == "whole" and len(found[0].places) == 3
            if is_yellow(wanted) or off.min() > figures.colour.COUSIN:
                continue
            fits = np.flatnonzero(keeps_hue(candidates, wanted) & keeps_strength(candidates, wanted))
            near = fits[np.argsort(off[fits])][: figures.families.ANCHORS_TRIED]
            costs = {}
            for anchor in [one for one in near if off[one] <= figures.colour.COUSIN or one == near[0]]:
                for path in permutations(range(11), 3):
                    cost = None if anchor not in path else cost_of(candidates[list(path)], wanted, 3)
                    if cost is not None:
                        cost += (off[anchor] / figures.families.ANCHOR_COST) ** 2
                        cost += figures.families.OFF_MIDDLE_COST * abs(path.index(anchor) - 1)
                        costs[path] = min(cost, costs.get(path, np.inf))
            self.assertEqual(bool(costs), bool(whole))
            if costs:
                tried += 1
                self.assertEqual(found[0].places, min(costs, key=costs.get))
                self.assertAlmostEqual(found[0].cost, min(costs.values()), places=6)
        self.assertGreater(tried, 10)

    @settings(max_examples=60)
    @given(st.integers(0, 10_000), st.integers(2, 5), st.integers(2, 40))
    def test_always_ordered_distinct_and_of_the_hue(self, seed, tones, owned):
        candidates, wanted = some_lab(owned, seed), some_lab(1, seed + 1)[0]
        for found in Builder(candidates).best(wanted, tones, count=4):
            labs = candidates[list(found.places)]
            self.assertLessEqual(len(found.places), min(tones, owned))
            self.assertEqual(len(set(found.places)), len(found.places))
            self.assertTrue(np.all(np.diff(labs[:, 0]) < 0))
            self.assertIn(found.anchor, found.places)
            self.assertTrue(keeps_strength(labs, wanted).all())
            if found.kept == "whole":
                self.assertTrue(keeps_hue(labs, wanted).all())
                self.assertLessEqual({fault.key for fault in found.judgement.faults}, {"off"})

    def test_what_people_use_holds_and_is_found(self):
        for name, tones in USED.items():
            with self.subTest(name):
                thing = {"skins": Thing.SKIN, "white": Thing.WHITE}.get(name.split()[-1], Thing.OTHER)
                allowance = recipe(thing).allowance
                labs = lch(*tones)
                self.assertEqual(judge_family(labs, allowance).faults, ())
                self.assertTrue(holds_around_its_own(labs, allowance))
                # One that turns cool is held when chosen, and never proposed.
                each = (Builder(labs).best(one, len(labs), allowance=allowance) for one in labs)
                found = max(len(families[0].places) for families in each)
                self.assertEqual(found, len(labs) - ("shadow" in name))

    def test_what_nobody_would_use_fails_for_its_reason_and_is_never_proposed(self):
        for name, (tones, why) in UNUSED.items():
            with self.subTest(name):
                labs = lch(*tones)
                self.assertIn(why, {fault.key for fault in judge_family(labs, around=labs[0]).faults})
                for family in Builder(labs).best(labs[0], len(labs)):
                    self.assertLess(len(family.places), len(labs))

    def test_the_best_there_is_is_of_the_hue_or_one_tone(self):
        few = np.array([[60.0, 40, 30], [52, -30, -20], [90, 2, 3]])
        (found,) = Builder(few).best(few[0], 3)
        self.assertEqual((found.kept, found.places), ("best", (0,)))
        self.assertIn("one tone", found.judgement.faults[0].words)
        level = Builder(np.array([[88.0, 0, 1], [88, 1, 0], [76, 0, 1], [76, 0, 2]])).best(few[2], 4)
        self.assertEqual(
            [len(family.places) for family in level], [2]
        )  # two depths are no more than two tones
        self.assertEqual([one.places for one in Builder(few[:1]).best(few[0], 3)], [(0,)])
        self.assertEqual(Builder(few[1:2]).best(few[0], 3), [])
        self.assertEqual(Builder(np.empty((0, 3))).best(few[0], 3), [])

    def test_of_very_many_candidates_those_alike_are_looked_at(self):
        many = np.concatenate([some_lab(figures.families.FAMILY_CANDIDATES * 4, 3), GREENS])
        (found,) = Builder(many).best(GREENS[2], 3)
        self.assertEqual(found.kept, "whole")
        self.assertEqual(found.judgement, judge_family(many[list(found.places)], around=GREENS[2]))
        self.assertLess(delta_e(many[found.anchor], GREENS[2]), figures.colour.COUSIN)

    def test_wide_steps_for_a_small_drawer(self):
        drawer = np.array([[88.0, -10, 12], [58, -20, 22], [30, -18, 20]])
        (found,) = Builder(drawer).best(drawer[1], 3)
        self.assertEqual((found.kept, found.places), ("relaxed", (0, 1, 2)))
        self.assertEqual({fault.key for fault in found.judgement.faults}, {"far"})

    def test_one_range_goes_before_two_that_step_a_little_better(self):
        other = GREENS[3] + [0.3, 0.5, 0]
        builder = Builder(np.vstack([GREENS, other]), np.array([0, 0, 0, 0, 0, 1]))
        self.assertNotIn(5, builder.best(GREENS[2], 4)[0].places)


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
        near = self.faults(GREENS[0], GREENS[2], [58, -20, 22])["near"]
        self.assertEqual(near.step, 1)
        self.assertIn("too near the middle (ΔL* 3)", near.words)
        self.assertEqual(self.faults(GREENS[0], GREENS[4])["far"].step, 0)
        self.assertIn("not darker", self.faults(GREENS[2], GREENS[0])["near"].words)
        self.assertIn("of another hue", self.faults(GREENS[1], [55, 20, 20])["hue"].words)
        self.assertIn("turns grey", self.faults([70, 60, 40], [55, 2, 1.3])["grey"].words)
        self.assertIn("is much duller", self.faults([78, 1, 2], [66, 30, 20])["chroma"].words)
        self.assertIsNone(self.faults(GREENS[2], [56, -21, 22], GREENS[3])["flat"].step)

    def test_pale_tones_may_lie_close_which_is_only_worth_knowing(self):
        pale = lch((92, 20, 95), (90.4, 26, 93), (76, 34, 86))
        found = judge_family(pale)
        self.assertEqual((found.faults, [one.step for one in found.hints]), ((), [0]))
        self.assertIn("near", self.faults(pale[0], pale[0] - [0.5, 0, 0], pale[2]))

    def test_the_paler_a_colour_the_less_it_spans(self):
        spans = [float(wanted_span(4, np.array([lightness, 0, 0]))) for lightness in (95, 85, 75, 65, 30)]
        np.testing.assert_allclose(spans, [12, 18, 24, 30, 30])

    def test_a_yellow_turns_as_it_deepens(self):
        yellow, peach, gold = lch((90, 44, 92), (86, 40, 64), (72, 48, 64))
        self.assertEqual(keeps_hue(np.array([peach, gold]), yellow).tolist(), [False, True])

    def test_metal_may_jump(self):
        bright, dark = [88.0, 0, 0], [46.0, 0, 0]
        self.assertIn("far", self.faults(bright, dark))
        self.assertEqual(self.faults(bright, dark, allowance=Allowance(most_step=45)), {})

    @settings(max_examples=200)
    @given(st.integers(0, 100_000), st.integers(2, 5))
    def test_at_once_it_is_judged_as_one_by_one(self, seed, count):
        many = np.sort(some_lab(count * 8, seed).reshape(8, count, 3) * [1, 0.3, 0.3], axis=1)[:, ::-1]
        one_by_one = [judge_family(tones).holds for tones in many]
        self.assertEqual(holds_around_its_own(many).tolist(), one_by_one)


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
        self.assertTrue(68 <= beside[:, 0].min() < white[:, 0].min())
        made = recipe(Thing.WHITE, beside_black=True)
        (found,) = Builder(beside).best(np.array(made.around), 3, allowance=made.allowance)
        self.assertTrue(68 <= beside[found.places[-1], 0] <= 72)
        black = everything[suited(Thing.BLACK, everything, warm=1, beside_black=False)]
        self.assertTrue(np.all(black[:, 0] <= 58) and np.all(black[:, 2] < 0))  # cool, whatever is around
        np.testing.assert_array_equal(everything[suited(Thing.SKIN, everything, 0, False)], skin)
        self.assertTrue(np.all(everything[suited(Thing.GLASS, everything, 0, False)][:, 0] >= 58))
        self.assertTrue(suited(Thing.LEAF, everything, 0, False).all())

    def test_brown_fur_may_turn_grey_and_a_yellow_chick_may_not(self):
        fur = recipe(Thing.FUR).allowance
        brown, yellow = (
            lch((72, 15, 70), (60, 14, 70), (46, 1, 90)),
            lch((90, 40, 92), (80, 20, 92), (66, 2, 90)),
        )
        self.assertEqual(judge_family(brown, fur, around=brown[0]).faults, ())
        self.assertIn("grey", {one.key for one in judge_family(brown, around=brown[0]).faults})
        self.assertIn("grey", {one.key for one in judge_family(yellow, fur, around=yellow[0]).faults})

    def test_of_which_white_a_white_thing_is_may_be_chosen(self):
        lightness = np.array([94.0, 90, 86, 81, 76])
        every = {"cool grey": (-1, -3), "toned grey": (1, 3), "cream": (0, 10), "palest pink": (7, 2)}
        labs = np.vstack([np.column_stack([lightness, *np.full((5, 2), lean).T]) for lean in every.values()])
        for beside_black in (False, True):
            for words, around, among in whites(labs, beside_black):
                (found,) = Builder(labs).best(around, 2, among=among, allowance=recipe(Thing.WHITE).allowance)
                tones = labs[list(found.places)]
                self.assertEqual((found.kept, white_of(tones)), ("whole", words))
                self.assertTrue(judge_family(tones, recipe(Thing.WHITE).allowance).holds)

    def test_white_things_stay_mostly_bare(self):
        self.assertGreater(recipe(Thing.WHITE).bare, recipe(Thing.GLASS).bare)
        self.assertEqual(recipe(Thing.FUR).bare, 0)


class DifferingTests(unittest.TestCase):
    def test_what_is_offered_beside_the_best_differs_as_it_says(self):
        labs = np.vstack([GREENS, GREENS * [1, 0.6, 0.6] + [1, 0, 0], GREENS * [1, 1.5, 1.5] - [1, 0, 0]])
        builder = Builder(labs, np.repeat([0, 1, 2], len(GREENS)))
        families = builder.best(GREENS[2], 3, figures.families.FAMILIES_LOOKED_AT)
        (best, why), *others = differing(builder, families, GREENS[2])
        self.assertEqual((best, why), (families[0], "keeps its hue, all of one range"))
        self.assertLessEqual(len(others), figures.families.FAMILIES_OFFERED - 1)

        def strength(one):
            return np.hypot(*labs[list(one.places), 1:].T).mean()

        found = {words: one for one, words in others}
        self.assertLessEqual({"another range", "softer", "stronger"}, set(found))
        self.assertFalse(set(builder.ranges[list(found["another range"].places)]) & {0})
        self.assertLess(strength(found["softer"]), strength(best))
        self.assertGreater(strength(found["stronger"]), strength(best))
        self.assertEqual(len({one.places for one in (best, *found.values())}), len(others) + 1)
        self.assertEqual(differing(builder, [], GREENS[2]), [])

    def test_a_yellow_is_told_to_deepen_to_gold(self):
        yellows = lch(*USED["four neighbouring yellows"])
        builder = Builder(yellows)
        ((_, why),) = differing(builder, builder.best(yellows[0], 4), yellows[0])
        self.assertEqual(why, "deepens to gold, all of one range")


class PartTests(unittest.TestCase):
    @settings(max_examples=80)
    @given(st.integers(0, 10_000), st.integers(2, 5), st.integers(2, 5))
    def test_a_smaller_area_shares_the_lightest_and_the_base(self, seed, tones, count):
        wanted = some_lab(1, seed)[0]
        for found in Builder(some_lab(120, seed + 1)).best(wanted, tones):
            labs = some_lab(120, seed + 1)[list(found.places)]
            taken = part(labs, count, wanted)
            base = int(delta_e(wanted, labs).argmin())
            self.assertLessEqual({0, base}, set(taken))
            self.assertGreaterEqual(len(taken), min(count, len(labs)))
            if found.judgement.holds:
                self.assertTrue(judge_family(labs[list(taken)], around=wanted).holds)


class MendingTests(unittest.TestCase):
    def test_a_deeper_yellow_is_gold(self):
        yellow, gold, moss, grey = lch((88, 44, 92), (76, 52, 80), (76, 36, 113), (70, 2, 100))
        self.assertEqual(deeper(yellow[None], np.array([grey, moss, gold])), 2)
        self.assertIsNone(deeper(yellow[None], np.array([grey, moss])))

    def test_deeper_lighter_and_between(self):
        depths = GREENS[0] - np.array([[4, 0, 0], [20.0, 0, 0], [36, 0, 0]])
        self.assertEqual(deeper(GREENS[:1], depths), 1)
        self.assertEqual(lighter(depths[2:] - [6, 0, 0], depths), 1)
        self.assertIsNone(deeper(GREENS, np.array([[10.0, 40, -40]])))
        self.assertEqual(bridge(GREENS[1], GREENS[4], GREENS[2:] - [7, 0, 0]), 0)
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
        three = np.array([[72.0, -6, 12], [64, -8, 14], [54, -8, 14]])
        self.assertEqual([one.key for one in judge_family(three).faults], ["flat"])
        deep = judge_family(three, glazed=np.array([46.0, -4, 8]))
        self.assertTrue(deep.holds)
        self.assertAlmostEqual(deep.span, 26)
        self.assertAlmostEqual(judge_family(three, glazed=np.array([60.0, 0, 0])).span, 18)
