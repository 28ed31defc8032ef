"""The order of work: waits are filled, nothing of the job is broken, and none is shorter."""

import random
import unittest
from itertools import permutations

from hypothesis import given, settings
from hypothesis import strategies as st

from jindle_core import figures
from jindle_core.errors import BadInput
from jindle_core.planning.schedule import schedule
from jindle_core.planning.task import After, Task, Tool, Work
from jindle_core.planning.timing import Bounds, Break, in_order, longest_first, one_after_another, timed
from jindle_core.planning.wishes import Aim, broken

TOOLS = st.sampled_from(list(Tool))
FOUND = st.sampled_from([Aim.SOONEST, Aim.TOOLS])
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
    def check(self, tasks, found, breaks=(), before=(), ready=None, long=()):
        """What is asked of any order, knowing only the tasks and their rules."""
        self.assertEqual(sorted(one.task.key for one in found.placed), sorted(one.key for one in tasks))
        at = {one.task.key: one for one in found.placed}
        for one in found.placed:
            self.assertAlmostEqual(one.end - one.start, one.task.minutes)
            for each in one.task.after:
                self.assertGreaterEqual(one.start, at[each.key].end + each.minutes - 1e-6, one)
            for pause in breaks:
                clear = one.end <= pause.start + 1e-6 or one.start >= pause.end - 1e-6
                goes_on = one.task.key in long and one.start in (0.0, *(each.end for each in breaks))
                self.assertTrue(clear or goes_on, one)
        for first, then in zip(found.placed, found.placed[1:], strict=False):
            self.assertGreaterEqual(then.start, first.end - 1e-6)
        for first, then in before:
            self.assertLess(at[first].start, at[then].start)
        for key, soonest in (ready or {}).items():
            self.assertGreaterEqual(at[key].start, soonest)
        self.assertAlmostEqual(found.minutes, max(one.end for one in found.placed))

    @settings(deadline=None, max_examples=40)
    @given(some_tasks(), FOUND)
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
        self.check(tasks, schedule(tasks, bounds=Bounds(breaks)), breaks)

    @settings(deadline=None, max_examples=25)
    @given(some_tasks(most=8), st.integers(0, 20), st.integers(1, 20))
    def test_a_task_longer_than_every_evening_has_one_of_its_own(self, tasks, first, evening):
        day = evening + 600
        breaks = tuple(Break(first + n * day, first + n * day + 600) for n in range(8))
        long = [one.key for one in tasks if one.minutes > evening]
        found = schedule(tasks, bounds=Bounds(breaks))
        self.check(tasks, found, breaks, long=long)
        self.assertEqual(long, [one.key for one in tasks if Bounds(breaks).is_long(one)])

    @settings(deadline=None, max_examples=25)
    @given(some_tasks(), st.integers(0, 30))
    def test_a_good_order_at_once_breaks_nothing_and_is_no_shorter_than_the_best(self, tasks, start):
        bounds = Bounds((Break(start, start + 100),))
        good, best = longest_first(tasks, bounds), schedule(tasks, bounds=bounds)
        self.assertEqual(broken(good), [])
        self.assertGreaterEqual(max(one.end for one in timed(good, bounds)), best.minutes - 1e-6)

    @settings(deadline=None, max_examples=25)
    @given(some_tasks(most=8), st.data())
    def test_what_is_still_wet_is_waited_for(self, tasks, data):
        keys = data.draw(st.lists(st.sampled_from([one.key for one in tasks]), unique=True))
        ready = {key: data.draw(st.sampled_from([0.5, 7.0, 40.0])) for key in keys}
        waits = {key: After("gone", minutes, "it is wet") for key, minutes in ready.items()}
        self.check(tasks, schedule(tasks, bounds=Bounds(ready=waits)), ready=ready)

    def test_sixty_steps_over_evenings_of_twenty_minutes(self):
        chance = random.Random(7)
        tasks = [
            task(f"t{n}", chance.choice([1, 4, 9, 25]), *([(f"t{n - 1}", 20)] if n % 3 else []))
            for n in range(60)
        ]
        breaks = tuple(Break(20 + n * 620, 620 + n * 620) for n in range(39))
        found = schedule(tasks, bounds=Bounds(breaks))
        self.check(tasks, found, breaks, long=[one.key for one in tasks if one.minutes > 20])
        self.assertLessEqual(found.gap, figures.work.NEAR_ENOUGH * found.minutes)

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
        found = schedule(tasks, bounds=Bounds(evening))
        self.assertEqual(found.placed[-1].task.key, "post")
        self.assertEqual(found.minutes, 601)

    def test_with_the_same_end_tools_are_changed_less(self):
        tools = [Tool.GLUE, Tool.PEN, Tool.HEAT] * 4
        tasks = [task(f"t{number}", 2, tool=tool) for number, tool in enumerate(tools)]
        tasks.append(task("last", 1, *((f"t{number}", 0.0) for number in range(12))))
        found = schedule(tasks, Aim.TOOLS)
        self.check(tasks, found)
        self.assertLessEqual(found.changes, 3)
        self.assertEqual((found.minutes, found.set_up_gap), (schedule(tasks).minutes, 0.0))
        self.assertEqual(found.set_up, 1.5)  # glue comes last, which the last step needs

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
        self.assertLess(fewest.set_up, 0.8 * soonest.set_up)
        self.assertIsNone(soonest.set_up_gap)
        self.assertLessEqual(fewest.set_up_gap, fewest.set_up)

    def test_a_wish_is_kept_or_said_to_be_impossible(self):
        tasks = [task("stamp"), task("colour", 2, ("stamp", 5)), task("ground", 3)]
        found = schedule(tasks, bounds=Bounds(before=(("colour", "ground"),)))
        self.check(tasks, found, before=[("colour", "ground")])
        with self.assertRaisesRegex(BadInput, "wait for one another.*colour"):
            schedule(tasks, bounds=Bounds(before=(("colour", "stamp"),)))

    def test_an_order_of_ones_own_is_timed_and_held_against_the_soonest(self):
        tasks = [task("ground", 5), task("flat", 1, ("ground", 20)), task("ducks", 15)]
        found = schedule(tasks, Aim.OWN, order=["ground", "flat", "ducks"])
        self.assertEqual([one.task.key for one in found.placed], ["ground", "flat", "ducks"])
        self.assertEqual((found.minutes, found.gap), (41, 15))
        self.assertEqual([one.key for one in in_order(tasks[1::-1])], ["ground", "flat"])

    def test_nothing_to_do_takes_no_time(self):
        found = schedule([])
        self.assertEqual((found.placed, found.minutes, found.saved), ((), 0.0, 0.0))
