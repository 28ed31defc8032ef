"""Several cards at once: what is set up is set up once, waits are each card's own, and a pace is a median."""

import unittest

from hypothesis import given, settings
from hypothesis import strategies as st

from jindle_core import figures
from jindle_core.planning.batches import for_cards
from jindle_core.planning.pace import Pace, Taken, paces
from jindle_core.planning.task import After, Task, Tool, Work
from jindle_core.planning.timing import timed

MINUTES = st.sampled_from([0.5, 1.0, 2.5, 6.0])


def two(first, then, wait, once=0.0):
    return [
        Task("lay", Work.GROUND, "lay", once + first, Tool.BRUSHES, once=once),
        Task("glue", Work.GLUE, "glue", then, Tool.GLUE, (After("lay", wait, "wet"),)),
    ]


class BatchesTests(unittest.TestCase):
    @settings(max_examples=80)
    @given(MINUTES, MINUTES, st.sampled_from([0.0, 5.0, 30.0]), st.integers(1, 30), MINUTES)
    def test_every_card_waits_for_as_long_as_one_and_none_waits_longer_than_it_must(
        self, first, then, wait, cards, once
    ):
        lay, glue = timed(for_cards(two(first, then, wait, once), cards))
        self.assertEqual(lay.end, once + cards * first)
        waits = [
            (glue.start + number * then) - (lay.start + once + (number + 1) * first)
            for number in range(cards)
        ]
        self.assertGreaterEqual(min(waits), wait - 1e-9)
        self.assertTrue(min(waits) < wait + 1 / figures.work.GRID or glue.start == lay.end)

    def test_for_one_card_everything_is_as_it_stands(self):
        (lay, glue) = for_cards(two(3.0, 1.0, 20.0, 2.0))
        self.assertEqual((lay.minutes, lay.usual, glue.after[0].minutes), (5.0, 5.0, 20.0))

    def test_a_pace_stretches_hands_and_no_wait(self):
        (lay, glue) = for_cards(two(3.0, 1.0, 20.0), pace={Work.GROUND: 1.5})
        self.assertEqual((lay.minutes, lay.usual, glue.minutes, glue.after[0].minutes), (4.5, 3.0, 1.0, 20.0))


class PaceTests(unittest.TestCase):
    def test_it_is_the_median_of_what_can_be_believed(self):
        took = [8.0, 2.0, 12.0, 600.0, 0.1]  # left lying over night, and ticked off afterwards
        self.assertEqual(paces(Taken(Work.COLOUR, 4.0, one) for one in took), {Work.COLOUR: Pace(2.0, 3)})

    def test_too_few_tell_nothing_and_old_ones_are_forgotten(self):
        few = [Taken(Work.CUT, 4.0, 8.0)] * (figures.work.PACE_LEAST - 1)
        self.assertEqual(paces([*few, Taken(Work.CUT, 0.0, 8.0)]), {})
        old = [Taken(Work.CUT, 4.0, 12.0)] * 100
        found = paces([Taken(Work.CUT, 4.0, 4.0)] * figures.work.PACE_LATEST + old)
        self.assertEqual(found[Work.CUT].share, 1.0)
