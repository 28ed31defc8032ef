"""Finishing pieces as a flow: do they lead, balance, come back?"""

import unittest

import numpy as np
from hypothesis import given
from hypothesis import strategies as st

from jindle_core.card.changes.arranging import Along, LayAlong, Scatter
from jindle_core.card.changes.every import changed
from jindle_core.checks.ids import OnWhole, Whole
from jindle_core.errors import BadInput
from jindle_core.layers.flow import examine_flow, off_middle, reach
from jindle_core.layers.pieces import WHITE_END, Kind
from jindle_core.layers.sizing import laid_out
from jindle_core.tests.test_build_checks import BuildChecksTestCase

WIDE, HIGH = 148.0, 105.0
PLACES = st.lists(st.tuples(st.floats(0, WIDE), st.floats(0, HIGH)), min_size=1, max_size=9).map(np.array)


def flow(*middles, kinds=None, areas=None):
    count = len(middles)
    return examine_flow(
        np.array(middles, float), np.ones(count) if areas is None else np.array(areas, float),
        kinds or ["blue"] * count, WIDE, HIGH,
    )  # fmt: skip


class FlowTests(unittest.TestCase):
    @given(PLACES)
    def test_measures_are_shares_and_no_wiser_on_the_other_side(self, middles):
        areas = np.ones(len(middles))
        for one in (reach(middles, WIDE, HIGH), off_middle(middles, areas, WIDE, HIGH)):
            self.assertTrue(0 <= one <= 1 + 1e-9, one)
        turned = np.array([WIDE, HIGH]) - middles
        self.assertAlmostEqual(reach(turned, WIDE, HIGH), reach(middles, WIDE, HIGH))
        off = [off_middle(some, areas, WIDE, HIGH) for some in (middles, turned)]
        self.assertAlmostEqual(*off)

    def test_three_from_corner_to_corner_lead(self):
        self.assertEqual(flow((20, 15), (74, 52), (128, 90)).status, "holds")

    def test_what_is_the_matter_is_said(self):
        for found, words in (
            (flow((74, 52)), "too few"),
            (flow((20, 15), (24, 15), (22, 20)), "lead nowhere"),
            (flow((5, 5), (80, 5), (140, 5)), "on one side"),
            (flow((20, 15), (74, 52), (128, 90), areas=(90, 1, 1)), "on one side"),
            (flow((20, 15), (74, 52), (128, 90), kinds=["blue", "blue", "red"]), "comes once"),
        ):
            self.assertEqual(found.status, "look-again")
            self.assertIn(words, found.reason)


class OnCardTests(BuildChecksTestCase):
    """On a card that is built of pieces."""

    def flow(self, card):
        return self.check(card, str(OnWhole(Whole.FLOW)))

    def test_without_any_there_is_nothing_to_say(self):
        self.assertIsNone(self.flow(self.built()))

    def test_too_few_are_joined_by_others_and_laid_along_a_line(self):
        card = changed(self.built(), Scatter(1, Along.DIAGONAL, WHITE_END))
        self.assertIn("too few", self.flow(card).finding.reason)
        self.assertMends(card, str(OnWhole(Whole.FLOW)))

    def test_laying_along_moves_those_and_nothing_else(self):
        card = changed(self.built(), Scatter(3, Along.RISING, WHITE_END))
        keys = tuple(piece.key for piece in card.build.pieces if piece.kind is Kind.FINISH)
        laid = changed(card, LayAlong(keys, Along.DIAGONAL))
        before, after = (laid_out(one.size, one.build.pieces) for one in (card, laid))
        self.assertEqual({key for key in before if before[key] != after[key]}, set(keys))
        self.assertTrue(all(before[key].width == after[key].width for key in keys))
        self.assertEqual(changed(laid, LayAlong(keys, Along.DIAGONAL)), laid)
        for wrong, words in ((keys[:0], "Say which"), ((1,), "no finishing piece")):
            with self.assertRaisesRegex(BadInput, words):
                LayAlong(wrong, Along.DIAGONAL).apply(card)
