import unittest

import numpy as np

from jindle_core.colorimetry.difference import delta_e
from jindle_core.colorimetry.recovery import lab_to_reflectance
from jindle_core.colorimetry.spaces import reflectance_to_lab
from jindle_core.media import Medium
from jindle_core.prediction.behaviour import Hand, usual_behaviour
from jindle_core.prediction.laying import dye, glazed, laid
from jindle_core.prediction.stocks import WHITE_CARD
from jindle_core.substitutes.glaze import LAYERS, GlazeTable
from jindle_core.substitutes.inked import Pad, ink_your_own

MARKER = usual_behaviour(Medium.ALCOHOL_MARKER)
YELLOW, BLUE, PINK = (
    lab_to_reflectance(np.array(lab)) for lab in ([88.0, -6, 60], [62, -12, -35], [70, 40, 5])
)
ONES = np.stack([YELLOW, BLUE, PINK])


class GlazeTests(unittest.TestCase):
    def test_the_best_of_every_pair_and_number_of_layers(self):
        target = np.array([55.0, -35, 20])
        tried = {
            (under, over, *layers): float(
                delta_e(
                    target,
                    reflectance_to_lab(
                        glazed(dye(ONES[under]), layers[0], dye(ONES[over]), layers[1], MARKER)
                    ),
                )
            )
            for under in range(3)
            for over in range(3)
            if under != over
            for layers in LAYERS
        }
        (found,) = GlazeTable(ONES, MARKER).best(target)
        key = min(tried, key=tried.__getitem__)
        self.assertEqual((found.under, found.over, found.under_layers, found.over_layers), key)
        self.assertAlmostEqual(found.distance, tried[key], delta=0.02)
        self.assertEqual({found.under, found.over}, {0, 1})  # yellow and blue make green

    def test_each_pair_once_nearest_first(self):
        found = GlazeTable(ONES, MARKER).best(np.array([60.0, 0, 0]), 3)
        self.assertEqual(len({frozenset((one.under, one.over)) for one in found}), len(found))
        self.assertEqual(found, sorted(found, key=lambda one: one.distance))

    def test_one_colour_or_none_makes_no_glaze(self):
        for ones in (ONES[:1], ONES[:0]):
            self.assertEqual(GlazeTable(ones, MARKER).best(np.array([60.0, 0, 0])), [])


class InkedTests(unittest.TestCase):
    def pads(self):
        return [Pad(one, Medium.DYE_PAD, usual_behaviour(Medium.DYE_PAD)) for one in ONES]

    def test_finds_the_pad_and_the_hand(self):
        for hand in Hand:
            with self.subTest(hand):
                target = reflectance_to_lab(laid(BLUE, Medium.DYE_PAD, 1, hand))
                found = ink_your_own(target, self.pads(), WHITE_CARD[None])
                self.assertEqual((found[0].pad, found[0].card, found[0].hand), (1, 0, hand))
                self.assertLess(found[0].distance, 0.5)
                self.assertEqual(len({one.pad for one in found}), 3)

    def test_nothing_to_ink_with_or_on(self):
        self.assertEqual(ink_your_own(np.array([50.0, 0, 0]), [], WHITE_CARD[None]), [])
        self.assertEqual(ink_your_own(np.array([50.0, 0, 0]), self.pads(), np.empty((0, 31))), [])
