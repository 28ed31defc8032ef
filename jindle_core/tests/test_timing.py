"""When somebody is at the table, and when a step fits in."""

import unittest
from math import inf

from jindle_core.planning.hazards import CAUTIONS, FOR_SMALL_CHILD, cautions
from jindle_core.planning.task import After, Hazard, Tool
from jindle_core.planning.timing import Bounds, Break, changes_of, timed
from jindle_core.tests.test_schedule import task

EVENINGS = Bounds((Break(30, 630), Break(660, 1260), Break(1290, 1890)))


class BoundsTests(unittest.TestCase):
    def test_stretches_lie_between_breaks_and_the_last_goes_on(self):
        self.assertEqual(EVENINGS.stretches, [(0.0, 30), (630, 660), (1260, 1290), (1890, inf)])
        self.assertEqual(Bounds((Break(0, 600),)).stretches, [(600, inf)])
        self.assertEqual(Bounds().stretches, [(0.0, inf)])

    def test_a_step_begins_where_it_fits_before_the_next_break(self):
        short, long = task("short", 10), task("long", 45)
        for start, begins in ((0, 0), (20, 20), (25, 630), (100, 630), (655, 1260), (2000, 2000)):
            self.assertEqual(EVENINGS.allowed(short, start), begins, start)
        for start, begins in ((0, 0), (1, 630), (640, 1260), (1900, 1900)):
            self.assertEqual(EVENINGS.allowed(long, start), begins, start)
        self.assertEqual((EVENINGS.is_long(short), EVENINGS.is_long(long)), (False, True))

    def test_one_break_makes_no_step_long(self):
        bounds = Bounds((Break(5, 100),))
        self.assertFalse(bounds.is_long(task("long", 45)))
        self.assertEqual(bounds.allowed(task("long", 45), 0), 100)

    def test_why_a_step_does_not_begin_sooner_is_the_last_thing_in_its_way(self):
        order = [task("a", 5), task("b", 5, ("a", 0.0)), task("c", 20, ("a", 8.0)), task("d", 1)]
        ready = {"d": After("gone", 50.0, "glue must hold")}
        found = timed(order, Bounds((Break(30, 40),), (), ready))
        self.assertEqual([one.start for one in found], [0.0, 5.0, 40, 60.0])
        self.assertEqual(
            [(one.since, one.reason) for one in found],
            [
                ("", ""),
                ("a", "hands are at the step before"),
                ("", "nobody is at the table for long enough before"),
                ("c", "hands are at the step before"),
            ],
        )

    def test_taking_up_another_tool_counts_and_bare_hands_do_not(self):
        tools = (Tool.GLUE, Tool.NOTHING, Tool.GLUE, Tool.PEN, Tool.GLUE)
        self.assertEqual(changes_of([task(f"t{n}", tool=tool) for n, tool in enumerate(tools)]), 2)


class CautionTests(unittest.TestCase):
    def test_small_parts_are_spoken_of_as_the_card_is_for_a_child_or_not(self):
        hazards = {Hazard.SMALL, Hazard.BLADE}
        blade = CAUTIONS[Hazard.BLADE]
        self.assertEqual(cautions(hazards), [blade, CAUTIONS[Hazard.SMALL]])
        self.assertEqual(cautions(hazards, small_child=True), [blade, FOR_SMALL_CHILD])
        self.assertEqual(cautions(hazards, small_child=False), [blade])
        self.assertEqual(cautions(()), [])
