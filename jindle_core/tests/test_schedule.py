"""The order of work: waits are filled, nothing of the job is broken, and none is shorter."""

import random
import unittest
from itertools import permutations

from hypothesis import given, settings
from hypothesis import strategies as st

from jindle_core.errors import BadInput
from jindle_core.planning.schedule import Aim, Break, broken, in_order, one_after_another, schedule, timed
from jindle_core.planning.task import After, Task, Tool, Work

TOOLS = st.sampled_from(list(Tool))
MINUTES = st.sampled_from([0.5, 1.0, 2.5, 6.0, 12.0])


@st.composite
def some_tasks(draw, most=12):
    made = []
    for number in range(draw(st.integers(1, most))):
        earlier = [one.key for one in made]
        needs = draw(st.lists(st.sampled_from(earlier), max_size=2, unique=True)) if earlier else []
        after = tuple(After(key, draw(st.sampled_from([0.0, 3.0, 30.0])), "it is wet") for key in needs)
        made.append(Task(f"t{number}", Work.GLUE, f"task {number}", draw(MINUTES), draw(TOOLS), after))
    return made


def task(key, minutes=1.0, *after, tool=Tool.GLUE):
    return Task(key, Work.GLUE, key, minutes, tool, tuple(After(one, wait, "wet") for one, wait in after))


class ScheduleTests(unittest.TestCase):
    def check(self, tasks, found, breaks=(), before=()):
        """What is asked of any order, knowing only the tasks and their rules."""
        self.assertEqual(sorted(one.task.key for one in found.placed), sorted(one.key for one in tasks))
        at = {one.task.key: one for one in found.placed}
        for one in found.placed:
            self.assertAlmostEqual(one.end - one.start, one.task.minutes)
            for each in one.task.after:
                self.assertGreaterEqual(one.start, at[each.key].end + each.minutes - 1e-6, one)
            for pause in breaks:
                self.assertTrue(one.end <= pause.start + 1e-6 or one.start >= pause.end - 1e-6, one)
        for first, then in zip(found.placed, found.placed[1:], strict=False):
            self.assertGreaterEqual(then.start, first.end - 1e-6)
        for first, then in before:
            self.assertLess(at[first].start, at[then].start)
        self.assertAlmostEqual(found.minutes, max(one.end for one in found.placed))

    @settings(deadline=None, max_examples=40)
    @given(some_tasks(), st.sampled_from(list(Aim)))
    def test_nothing_is_broken_and_it_is_never_longer_than_as_it_stands(self, tasks, aim):
        found = schedule(tasks, aim)
        self.check(tasks, found)
        as_it_stands = timed(tasks)[-1].end
        self.assertLessEqual(found.minutes, max(one.end for one in timed(tasks)) + 1e-6, as_it_stands)
        self.assertGreaterEqual(found.saved, -1e-6)
        self.assertGreaterEqual(found.minutes, found.hands - 1e-6)
        self.assertEqual(schedule(tasks, aim), found)

    @settings(deadline=None, max_examples=30)
    @given(some_tasks(most=6))
    def test_none_is_shorter(self, tasks):
        found = schedule(tasks)
        orders = [order for order in permutations(tasks) if not broken(order)]
        best = min(max(one.end for one in timed(order)) for order in orders)
        self.assertEqual((round(found.minutes, 6), found.gap), (round(best, 6), 0.0))

    @settings(deadline=None, max_examples=25)
    @given(some_tasks(most=8), st.integers(0, 30), st.integers(5, 300))
    def test_breaks_are_kept_and_what_dries_goes_on_in_them(self, tasks, start, length):
        breaks = (Break(start, start + length),)
        self.check(tasks, schedule(tasks, breaks=breaks), breaks)

    def test_a_wait_is_filled_with_what_waits_for_nothing(self):
        tasks = [task("ground", 5), task("flat", 1, ("ground", 20)), task("ducks", 15)]
        found = schedule(tasks)
        self.assertEqual([one.task.key for one in found.placed], ["ground", "ducks", "flat"])
        self.assertEqual((found.minutes, found.hands, found.in_turn, found.saved), (26, 21, 41, 15))
        last = found.placed[-1]
        self.assertEqual((last.since, last.reason), ("ground", "wet"))
        self.assertEqual(one_after_another(tasks), 41)

    def test_drying_overnight_is_used(self):
        tasks = [task("colour", 30), task("drops", 1), task("post", 1, ("drops", 60))]
        evening = (Break(40, 600),)
        found = schedule(tasks, breaks=evening)
        self.assertEqual(found.placed[-1].task.key, "post")
        self.assertEqual(found.minutes, 601)

    def test_with_the_same_end_tools_are_changed_less(self):
        tools = [Tool.GLUE, Tool.PEN, Tool.HEAT] * 4
        tasks = [task(f"t{number}", 2, tool=tool) for number, tool in enumerate(tools)]
        tasks.append(task("last", 1, *((f"t{number}", 0.0) for number in range(12))))
        found = schedule(tasks, Aim.TOOLS)
        self.check(tasks, found)
        self.assertLessEqual(found.changes, 3)
        self.assertEqual(found.minutes, schedule(tasks).minutes)

    def test_sixty_steps_keep_their_end_and_change_tools_less(self):
        chance, tasks = random.Random(4), []
        for number in range(60):
            earlier = chance.sample(range(number), min(number, chance.choice([0, 1, 2])))
            needs = [(f"t{one}", chance.choice([0.0, 5.0, 60.0])) for one in earlier]
            tasks.append(
                task(f"t{number}", chance.choice([0.5, 2, 8]), *needs, tool=chance.choice(list(Tool)))
            )
        soonest, fewest = schedule(tasks), schedule(tasks, Aim.TOOLS)
        self.check(tasks, fewest)
        self.assertEqual((soonest.gap, fewest.minutes), (0.0, soonest.minutes))
        self.assertLess(fewest.changes, 0.8 * soonest.changes)

    def test_a_wish_is_kept_or_said_to_be_impossible(self):
        tasks = [task("stamp"), task("colour", 2, ("stamp", 5)), task("ground", 3)]
        found = schedule(tasks, before=[("colour", "ground")])
        self.check(tasks, found, before=[("colour", "ground")])
        with self.assertRaisesRegex(BadInput, "wait for one another.*colour"):
            schedule(tasks, before=[("colour", "stamp")])

    def test_an_order_of_ones_own_is_told_what_it_breaks(self):
        stamp, colour = task("stamp"), task("colour", 2, ("stamp", 5))
        self.assertEqual(broken([stamp, colour]), [])
        ((late, words),) = broken([colour, stamp])
        self.assertEqual((late, words), (colour, "after “stamp”: wet"))
        self.assertEqual(in_order([colour, stamp]), [stamp, colour])

    def test_nothing_to_do_takes_no_time(self):
        found = schedule([])
        self.assertEqual((found.placed, found.minutes, found.saved), ((), 0.0, 0.0))
