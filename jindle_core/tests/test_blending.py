import csv
import unittest
from dataclasses import replace
from itertools import pairwise, permutations
from pathlib import Path

import numpy as np
from hypothesis import assume, given, settings
from hypothesis import strategies as st

from jindle_core import figures
from jindle_core.blending.bridges import bridges
from jindle_core.blending.inks import Ink, inks_of, on_card, seen_on, wet
from jindle_core.blending.joins import Meeting, join, judge_join, strips
from jindle_core.blending.meeting import Joint, Reach, Seam
from jindle_core.blending.orders import best_order, overlaps
from jindle_core.colorimetry.difference import delta_e
from jindle_core.colorimetry.naming import are_brown_or_grey
from jindle_core.colorimetry.recovery import lab_to_reflectance
from jindle_core.colorimetry.spaces import reflectance_to_lab
from jindle_core.errors import BadInput
from jindle_core.media.medium import Medium
from jindle_core.prediction.behaviour import Hand, usual_behaviour
from jindle_core.prediction.laying import laid
from jindle_core.tests.strategies import LAB

# The pads that data/joins.csv speaks of: clear colours all round, two neighbours, a grey.
PADS = {
    "sun": (88, -4, 78), "lagoon": (64, -28, -34), "rose": (66, 54, 2), "dusk": (46, -2, -46),
    "moss": (56, -44, 30), "plum": (40, 34, -40), "amber": (70, 40, 58), "brick": (50, 58, 34),
    "leaf": (70, -30, 50), "pewter": (62, 0, 0),
}  # fmt: skip
KINDS = (Medium.DYE_PAD, Medium.PIGMENT_PAD)


def ink(lab, medium=Medium.DYE_PAD, **more):
    return Ink(lab_to_reflectance(np.array(lab, dtype=float)), medium, usual_behaviour(medium), **more)


def pads(*names, medium=Medium.DYE_PAD):
    return inks_of([ink(PADS[name], medium) for name in names])


class StripTests(unittest.TestCase):
    @settings(max_examples=60)
    @given(LAB, LAB, st.sampled_from(KINDS), st.sampled_from(KINDS))
    def test_begins_and_ends_in_its_pads_and_turns_round(self, one, other, first, second):
        inks = inks_of([ink(one, first), ink(other, second)])
        strip = strips(inks[0], inks[1])
        alone = seen_on(inks)
        np.testing.assert_allclose(strip[0], alone[0], atol=1e-6)
        np.testing.assert_allclose(strip[-1], alone[1], atol=1e-6)
        np.testing.assert_allclose(strips(inks[1], inks[0]), strip[::-1], atol=1e-6)
        self.assertTrue(np.all((strip[:, 0] > 0) & (strip[:, 0] <= 105)))

    @settings(max_examples=40)
    @given(LAB, st.sampled_from(KINDS))
    def test_the_same_pad_on_both_sides_is_clean(self, lab, medium):
        inks = inks_of([ink(lab, medium)] * 2)
        self.assertIs(join(inks[0], inks[1]).meeting, Meeting.CLEAN)

    def test_one_dab_is_what_laying_says(self):
        kraft = lab_to_reflectance(np.array(figures.laying.STOCKS["kraft"][0]))
        for medium in KINDS:
            for hand, coats in ((Hand.MIDDLE, 1), (Hand.LIGHT, 1), (Hand.MIDDLE, 2), (Hand.HEAVY, 3)):
                one = ink(PADS["moss"], medium, hand=hand, coats=coats)
                expected = laid(one.one, medium, coats, hand, kraft)
                np.testing.assert_allclose(on_card(inks_of([one]), kraft)[0], expected, atol=1e-6)

    def test_weights_along_the_way(self):
        for reach in Reach:
            for seam in Seam:
                falling, rising = Joint(reach, seam).weights().T
                np.testing.assert_allclose(rising, falling[::-1])
                self.assertEqual(
                    (falling[0], falling[-1], len(falling)), (1, 0, figures.grounds.STRIP_PLACES)
                )
        middle = {seam: Joint(seam=seam).weights()[10].sum() for seam in Seam}
        self.assertGreater(middle[Seam.BLEND], 1)
        self.assertEqual(middle[Seam.GAP], 0)
        self.assertAlmostEqual(middle[Seam.LIGHT], middle[Seam.BLEND] * figures.grounds.SEAM_LIGHT)
        lies = [(Joint(reach).weights().min(axis=1) > 0).sum() for reach in Reach]
        self.assertEqual(lies, sorted(lies))  # the further it is carried, the more places have both

    def test_pigment_veils_a_dye_and_a_dye_does_not_veil_pigment_less(self):
        dark, pale = ink(PADS["dusk"]), ink((90, 0, 0), Medium.CHALK_PAD)
        inks = inks_of([dark, pale])
        together = reflectance_to_lab(on_card(inks[0].with_other(inks[1])))
        self.assertGreater(together[0], PADS["dusk"][0] + 5)

    def test_what_is_not_blended(self):
        with self.assertRaises(ValueError):
            inks_of([replace(ink(PADS["sun"]), medium=Medium.WAX_PENCIL)])
        with self.assertRaises(ValueError):
            inks_of([replace(ink(PADS["sun"]), medium=Medium.CARDSTOCK)])


class JoinTests(unittest.TestCase):
    def test_the_reference_pairs(self):
        with (Path(__file__).parent / "data" / "joins.csv").open(newline="") as lines:
            pairs = list(csv.DictReader(lines))
        self.assertGreater(len(pairs), 10)
        for pair in pairs:
            for medium in KINDS:
                with self.subTest(pair=pair, medium=medium):
                    inks = pads(pair["first"], pair["second"], medium=medium)
                    self.assertEqual(join(inks[0], inks[1]).meeting, pair["meeting"])

    def test_why_in_words(self):
        inks = pads("moss", "plum", "sun", "lagoon", "brick")
        muddy = join(inks[0], inks[1])
        self.assertIn("the two are opposite", muddy.words)
        self.assertTrue(0 < muddy.at < 1)
        self.assertLess(np.hypot(*muddy.lab[1:]), 20)
        self.assertIn("115° apart", join(inks[0], inks[4]).words)
        self.assertNotIn(":", join(inks[2], inks[3]).words)

    def test_the_limits_of_mud(self):
        def strip(kept, dip, ends=40.0):
            labs = np.array([[60.0, ends, 0]] * 11 + [[60.0, 0, ends]] * 10)
            labs[10] = [60 - dip, ends * kept, 0]
            found = judge_join(labs)
            self.assertEqual(found.kept < found.wanted, found.meeting is Meeting.MUDDY or ends < 12)
            return found.meeting, "probably" in found.words

        self.assertEqual(strip(0.50, 0), (Meeting.MUDDY, False))
        self.assertEqual(strip(0.54, 0), (Meeting.MUDDY, True))
        self.assertEqual(strip(0.60, 0), (Meeting.SOFTENS, False))
        self.assertEqual(strip(0.71, 0), (Meeting.CLEAN, False))
        self.assertEqual(strip(0.70, 3.1), (Meeting.MUDDY, False))
        self.assertEqual(strip(0.74, 3.1), (Meeting.MUDDY, True))
        self.assertEqual(strip(0.80, 3.1), (Meeting.CLEAN, False))
        self.assertEqual(strip(0.1, 9, ends=11), (Meeting.CLEAN, False))

    def test_brown_between_two_that_are_none_is_never_clean(self):
        def strip(first, middle, last):
            return judge_join(np.array([[*first]] * 10 + [[*middle]] + [[*last]] * 10, dtype=float))

        red, olive, brown = (45, 55, 30), (52, -8, 40), (42, 22, 34)
        met = strip(red, brown, olive)
        self.assertEqual((met.meeting, met.lab), (Meeting.BROWN, brown))
        self.assertTrue(met.words.startswith("brown, which neither of them is"), met.words)
        for first, last in ((brown, olive), (red, (42, 5, 1)), (red, (45, 40, 40))):
            self.assertNotEqual(
                strip(first, brown, last).meeting, Meeting.BROWN
            )  # an end is; or hardly apart
        self.assertEqual(strip(red, (60, 40, 60), olive).meeting, Meeting.CLEAN)
        self.assertEqual(strip(red, (42, 8, 14), olive).meeting, Meeting.MUDDY)  # its figures say so

    @settings(max_examples=60)
    @given(LAB, LAB)
    def test_no_clean_join_shows_brown_or_grey_that_neither_end_is(self, one, other):
        inks = inks_of([ink(one), ink(other)])
        labs = strips(inks[0], inks[1])
        found = judge_join(labs)
        there = are_brown_or_grey(labs) & (labs[:, 0] <= max(labs[0, 0], labs[-1, 0]))
        there &= delta_e(labs, np.array([97.0, 0, 0])) > 2 * figures.grounds.MUD_SEEN
        if found.meeting in (Meeting.CLEAN, Meeting.SOFTENS) and not (there[0] or there[-1]):
            chroma = np.hypot(*labs[[0, -1], 1:].T).min()
            turn = abs(
                (np.degrees(np.subtract(*np.arctan2(labs[[0, -1], 2], labs[[0, -1], 1]))) + 180) % 360 - 180
            )
            same = chroma < figures.grounds.MUD_ENDS_C or turn < figures.grounds.MUD_APART
            self.assertTrue(same or not there.any())


class BridgeTests(unittest.TestCase):
    def test_both_halves_are_clean_and_the_bridge_is_a_colour(self):
        ends = pads("moss", "plum")
        names = ("lagoon", "dusk", "pewter", "sun", "brick", "amber")
        found = bridges(ends[0], ends[1], pads(*names))
        self.assertTrue(found)
        for one in found:
            self.assertNotEqual(names[one.place], "pewter")  # grey would be no mud, and look it
            middle = pads(names[one.place])[0]
            self.assertEqual(one.first, join(ends[0], middle))
            self.assertEqual((one.first.meeting, one.second.meeting), (Meeting.CLEAN, Meeting.CLEAN))
        self.assertIn(names[found[0].place], ("lagoon", "dusk"))

    def test_none_where_there_is_none(self):
        ends = pads("moss", "plum")
        self.assertEqual(bridges(ends[0], ends[1], pads("brick", "pewter")), [])


class OrderTests(unittest.TestCase):
    def test_the_fewest_muddy_joins_of_all_orders(self):
        names = ("moss", "plum", "sun", "dusk", "brick")
        inks = pads(*names)
        found = best_order(inks)
        self.assertEqual(sorted(found.places), list(range(5)))
        fewest = min(
            sum(join(inks[a], inks[b]).meeting is Meeting.MUDDY for a, b in pairwise(order))
            for order in permutations(range(5))
        )
        self.assertEqual(sum(one.meeting is Meeting.MUDDY for one in found.joins), fewest)
        labs = reflectance_to_lab(on_card(inks))
        self.assertGreaterEqual(labs[found.places[0], 0], labs[found.places[-1], 0])

    def test_one_pad_the_same_pad_and_too_many(self):
        self.assertEqual(best_order(pads("sun")).joins, ())
        self.assertEqual(len(best_order(pads("sun", "sun", "sun")).joins), 2)
        for names in ((), ("sun",) * 8):
            with self.subTest(names=names), self.assertRaises(BadInput):
                best_order(pads(*names))

    def test_three_pads_make_a_rainbow_or_do_not(self):
        rainbow = overlaps(pads("sun", "lagoon", "rose"))
        self.assertEqual([one.places for one in rainbow], [(0, 1), (0, 2), (1, 2)])
        green = rainbow[0]
        self.assertLess(green.lab[1], -20)
        self.assertGreater(delta_e(np.array(green.lab), np.array(PADS["sun"], dtype=float)), 10)
        self.assertEqual({one.join.meeting for one in overlaps(pads("moss", "plum"))}, {Meeting.MUDDY})


class DepthTests(unittest.TestCase):
    """Hands, coats and cards: what is laid more is never lighter, and mud stays mud."""

    @settings(max_examples=40)
    @given(LAB, st.sampled_from(KINDS))
    def test_more_coats_and_a_heavier_hand_are_never_lighter_on_white(self, lab, medium):
        # A pad that is read as brighter than the card itself has nothing to deepen with.
        assume(lab[0] <= 85)
        by_coat = [on_card(inks_of([ink(lab, medium, coats=coats)]))[0] for coats in (1, 2, 3)]
        by_hand = [on_card(inks_of([ink(lab, medium, hand=hand)]))[0] for hand in Hand]
        for laid_ones in (by_coat, by_hand):
            lightness = reflectance_to_lab(np.array(laid_ones))[:, 0]
            self.assertTrue(np.all(np.diff(lightness) <= 0.3), lightness)

    def test_a_dye_is_never_lighter_than_a_black_card_and_pigment_is(self):
        black = np.full(31, 0.04)
        pale = [ink((90, 4, 20), medium) for medium in (Medium.DYE_PAD, Medium.CHALK_PAD)]
        dye, chalk = reflectance_to_lab(on_card(inks_of(pale), black))[:, 0]
        card = reflectance_to_lab(black)[0]
        self.assertLessEqual(dye, card + 0.01)
        self.assertGreater(chalk, card + 20)

    def test_joins_on_other_cards(self):
        for kind in ("cream", "kraft"):
            card = lab_to_reflectance(np.array(figures.laying.STOCKS[kind][0]))
            inks = pads("moss", "plum", "sun", "leaf")
            with self.subTest(kind):
                strip = strips(inks[0], inks[1], card)
                np.testing.assert_allclose(strip[0], seen_on(inks[0], card), atol=1e-6)
                self.assertIs(join(inks[2], inks[3], card).meeting, Meeting.CLEAN)
                found = best_order(inks, card)
                self.assertEqual(sorted(found.places), [0, 1, 2, 3])

    def test_a_light_hand_keeps_a_join_where_it_was_but_paler(self):
        heavy, light = (
            inks_of([ink(PADS[name], hand=hand) for name in ("moss", "plum")])
            for hand in (Hand.HEAVY, Hand.LIGHT)
        )
        one, other = join(heavy[0], heavy[1]), join(light[0], light[1])
        self.assertLess(one.lab[0], other.lab[0])
        self.assertLess(np.hypot(*other.lab[1:]), 25)


class SeamTests(unittest.TestCase):
    def test_a_white_gap_is_always_clean_and_bare_in_the_middle(self):
        inks = pads("moss", "plum")
        gap = Joint(seam=Seam.GAP)
        found = join(inks[0], inks[1], joint=gap)
        self.assertEqual((found.meeting, found.words), (Meeting.CLEAN, "a white gap keeps them apart"))
        np.testing.assert_allclose(
            strips(inks[0], inks[1], weights=gap.weights())[10], figures.laying.PAPER_WHITE_LAB, atol=0.2
        )

    def test_a_lighter_hand_makes_the_join_paler_and_may_clear_it(self):
        inks = pads("sun", "plum", "moss")
        blended, lighter = (
            join(inks[0], inks[1], joint=Joint(seam=seam)) for seam in (Seam.BLEND, Seam.LIGHT)
        )
        self.assertIs(blended.meeting, Meeting.MUDDY)
        self.assertGreater(lighter.lab[0], blended.lab[0] + 5)
        ends = strips(inks[1], inks[2], weights=Joint(seam=Seam.LIGHT).weights())[[0, -1]]
        np.testing.assert_allclose(ends, seen_on(inks[1:3]), atol=1e-6)

    def test_what_is_paler_than_both_is_not_mud(self):
        labs = np.array([[50.0, 40, 0]] * 8 + [[86.0, 2, 0]] * 5 + [[50.0, -40, 0]] * 8)
        self.assertIs(judge_join(labs).meeting, Meeting.SOFTENS)
        labs[8:13, 0] = 46
        self.assertIs(judge_join(labs).meeting, Meeting.MUDDY)

    def test_wet_is_darker_by_kind_and_by_how_much_lies_there(self):
        kinds = (Medium.DYE_PAD, Medium.PIGMENT_PAD, Medium.CHALK_PAD)
        inks = inks_of([ink(PADS["moss"], kind) for kind in kinds])
        dry = seen_on(inks)
        darker = (dry - wet(dry, inks))[:, 0]
        np.testing.assert_allclose(darker, [figures.laying.DRY_DOWN[kind] for kind in kinds])
        half = inks.times(np.full(3, 0.5))
        np.testing.assert_allclose((seen_on(half) - wet(seen_on(half), half))[:, 0], darker / 2)
        none = inks.times(np.zeros(3))
        np.testing.assert_allclose(wet(seen_on(none), none), seen_on(none))

    def test_two_ranges_with_different_shares_end_as_themselves(self):
        usual = usual_behaviour(Medium.DYE_PAD)
        one = ink(PADS["moss"])
        other = replace(ink(PADS["lagoon"]), behaviour=replace(usual, share=0.8))
        kraft = lab_to_reflectance(np.array(figures.laying.STOCKS["kraft"][0]))
        inks = inks_of([one, other])
        strip = strips(inks[0], inks[1], kraft)
        for end, alone in ((strip[0], one), (strip[-1], other)):
            np.testing.assert_allclose(end, seen_on(inks_of([alone]), kraft)[0], atol=1e-6)


class ManyPadsTests(unittest.TestCase):
    def test_the_order_is_the_cheapest_of_all_written_out_the_long_way(self):
        random = np.random.default_rng(5)
        for _ in range(6):
            labs = random.uniform([35, -40, -40], [90, 50, 60], (4, 3))
            inks = inks_of([ink(lab) for lab in labs])
            seen = reflectance_to_lab(on_card(inks))

            def cost(order, inks=inks, seen=seen):
                total = 0.0
                for one, other in pairwise(order):
                    meeting = join(inks[one], inks[other]).meeting
                    total += {Meeting.MUDDY: 1000, Meeting.BROWN: 100, Meeting.SOFTENS: 10}.get(meeting, 0)
                    total += float(delta_e(seen[one], seen[other])) / 100
                return total

            best = min(cost(order) for order in permutations(range(4)))
            self.assertAlmostEqual(cost(best_order(inks).places), best, places=6)

    def test_bridges_come_the_shortest_way_first_and_no_more_than_asked_for(self):
        ends = pads("amber", "dusk")
        names = [name for name in PADS if name not in ("amber", "dusk")]
        found = bridges(ends[0], ends[1], pads(*names), count=2)
        self.assertLessEqual(len(found), 2)
        everything = bridges(ends[0], ends[1], pads(*names), count=20)
        self.assertEqual(found, everything[:2])
        ways = []
        for one in everything:
            lab = np.array(PADS[names[one.place]], dtype=float)
            ways.append(
                sum(float(delta_e(np.array(PADS[end], dtype=float), lab)) ** 2 for end in ("amber", "dusk"))
            )
        self.assertTrue(all(a <= b + 30 for a, b in pairwise(ways)), ways)  # of the pads as laid, not as read

    def test_overlaps_name_every_two_once(self):
        names = ("sun", "lagoon", "rose", "moss")
        found = overlaps(pads(*names))
        self.assertEqual(len({one.places for one in found}), 6)
        for one in found:
            inks = pads(*names)
            self.assertEqual(one.join, join(inks[one.places[0]], inks[one.places[1]]))
