"""How far one is: what was pressed comes back as it was, and no jump of a clock makes what dries dry for ever."""

import unittest

from hypothesis import given
from hypothesis import strategies as st

from jindle_core.errors import BadInput
from jindle_core.planning.planned import dry_at
from jindle_core.planning.progress import How, Press, Progress
from jindle_core.planning.task import After
from jindle_core.stored import plain, structured
from jindle_core.tests.test_schedule import task

GROUND, DUCKS = task("ground", 5), task("ducks", 15)
WAIT = After("ground", 20, "wet")
EVENING = 1_700_000_000.0


def pressed(*presses, start=None):
    now, found = EVENING, start or Progress()
    for press, one, minutes in presses:
        now += 60 * minutes
        found = found.after(press, one, now)
    return found


class ProgressTests(unittest.TestCase):
    def test_a_step_takes_from_when_it_was_begun_without_what_it_lay_aside(self):
        found = pressed(
            (Press.BEGIN, GROUND, 0),
            (Press.PUT_DOWN, GROUND, 2),
            (Press.BEGIN, GROUND, 30),
            (Press.BEGIN, GROUND, 1),  # pressed twice
            (Press.DONE, GROUND, 1),
        )
        self.assertEqual((found.past["ground"].took, found.past["ground"].how), (4.0, How.DONE))
        self.assertEqual((found.hand, found.spent), ("", {}))

    def test_who_begins_another_puts_down_the_one_in_hand(self):
        found = pressed((Press.BEGIN, GROUND, 0), (Press.BEGIN, DUCKS, 3))
        self.assertEqual((found.hand, found.spent), ("ducks", {"ground": 3.0}))

    def test_what_nobody_saw_begin_took_nobody_knows_how_long(self):
        for press, how in ((Press.DONE, How.DONE), (Press.ALREADY, How.ALREADY), (Press.SKIP, How.SKIPPED)):
            one = pressed((press, GROUND, 0)).past["ground"]
            self.assertEqual((one.how, one.took), (how, None))
        left_out = pressed((Press.BEGIN, GROUND, 0), (Press.SKIP, GROUND, 3)).past["ground"]
        self.assertIsNone(left_out.took)

    def test_taken_back_it_goes_on_where_it_was(self):
        found = pressed((Press.BEGIN, GROUND, 0), (Press.DONE, GROUND, 4), (Press.BACK, GROUND, 1))
        self.assertEqual((found.past, found.spent), ({}, {"ground": 4.0}))
        with self.assertRaisesRegex(BadInput, "not done yet"):
            pressed((Press.BACK, GROUND, 0))
        with self.assertRaisesRegex(BadInput, "done already"):
            pressed((Press.DONE, GROUND, 0), (Press.BEGIN, GROUND, 1))

    def test_only_what_was_done_here_dries_and_for_as_long_as_is_said(self):
        def minutes(found, wait=WAIT):
            return (dry_at(found.past["ground"], wait) - found.past["ground"].at) / 60

        done = pressed((Press.DONE, GROUND, 0))
        self.assertEqual(minutes(done), 20)
        self.assertEqual(minutes(done.after(Press.LONGER, GROUND, EVENING + 60, 5)), 25)
        self.assertEqual(minutes(done.after(Press.LONGER, GROUND, EVENING + 60, -50)), 0)
        self.assertEqual(minutes(done.after(Press.DRY, GROUND, EVENING + 60)), 0)
        self.assertEqual(minutes(done.after(Press.LONGER, GROUND, EVENING, 5), After("ground", 0, "cut")), 0)
        for press in (Press.ALREADY, Press.SKIP):
            self.assertEqual(minutes(pressed((press, GROUND, 0))), 0)

    def test_an_evening_begins_with_the_first_press_after_a_long_time(self):
        found = pressed((Press.DONE, GROUND, 0), (Press.BEGIN, DUCKS, 100))
        self.assertEqual(found.sat_down, EVENING)
        later = pressed((Press.DONE, GROUND, 0), (Press.BEGIN, DUCKS, 12 * 60))
        self.assertEqual(later.sat_down, EVENING + 12 * 3600)

    @given(st.floats(-1e8, 1e8), st.floats(0, 1e4))
    def test_a_clock_that_jumps_back_leaves_running_what_runs(self, jump, elapsed):
        done = pressed((Press.BEGIN, DUCKS, 0), (Press.DONE, GROUND, 0))
        now = EVENING + jump
        seen = done.as_of(now)
        self.assertLessEqual(dry_at(seen.past["ground"], WAIT) - now, 20 * 60 + 1e-3)
        self.assertLessEqual(seen.since, now)
        then = done.after(Press.DONE, DUCKS, now).after(Press.BACK, DUCKS, now + elapsed)
        self.assertGreaterEqual(then.spent["ducks"], 0.0)

    def test_it_is_stored_and_forgets_what_is_not_there_any_more(self):
        found = pressed((Press.BEGIN, DUCKS, 0), (Press.PUT_DOWN, DUCKS, 1), (Press.DONE, GROUND, 1))
        self.assertEqual(structured(plain(found), Progress, "plan"), found)
        self.assertEqual((found.among([DUCKS]).past, found.among([GROUND]).spent), ({}, {}))
        self.assertEqual(pressed((Press.BEGIN, DUCKS, 0)).among([GROUND]).hand, "")
