"""The work on a card as it stands: what is past is not planned again, what still dries is waited for."""

import unittest

from jindle_core import figures
from jindle_core.checked.whole import CheckedCard
from jindle_core.planning.pace import Pace
from jindle_core.planning.planned import planned
from jindle_core.planning.progress import Press, Progress
from jindle_core.planning.task import Work
from jindle_core.planning.wishes import Aim, Wishes
from jindle_core.seen.whole import SeenCard
from jindle_core.tests.drawn_changes import DRAWING
from jindle_core.tests.made import some_supplies
from jindle_core.tests.test_tasks import full_card

NOW = 1_700_000_000.0


class PlannedTests(unittest.TestCase):
    @classmethod
    def setUpClass(cls):
        cls.card = CheckedCard(SeenCard(full_card(), some_supplies(), {1: DRAWING}))
        cls.plain = planned(cls.card)
        cls.known = {one.key: one for one in cls.plain.tasks}

    def planned(self, wishes=None, progress=None, paces=None, now=NOW):
        return planned(self.card, wishes, progress, paces, now)

    def order(self, found):
        return [one.task.key for one in found.schedule.placed]

    def done(self, *keys, press=Press.DONE, now=NOW):
        found = Progress()
        for key in keys:
            found = found.after(press, self.known[key], now)
        return found

    def test_what_is_past_is_not_planned_and_what_dries_of_it_is_waited_for(self):
        before = ["base", *(one for one in self.known if one.startswith(("cut", "ground")))]
        found = self.planned(progress=self.done(*before))
        self.assertEqual(set(before) & set(self.order(found)), set())
        self.assertEqual(sorted(found.past), sorted(before))
        last = max(one for one in self.known if one.startswith("ground"))
        wet = [one for one in found.running if one.task.key == last]
        self.assertEqual(
            [(one.start, one.end) for one in wet],
            [(0.0, figures.work.PAD_DRIES["dye ink pad"] + figures.work.PANEL_FLATTENS)],
        )
        glued = next(one for one in found.schedule.placed if one.task.key == "flat")
        self.assertGreaterEqual(glued.start, wet[0].end)
        already = self.planned(progress=self.done(*before, press=Press.ALREADY))
        self.assertNotIn(last, [one.task.key for one in already.running])

    def test_what_is_in_hand_comes_first_whatever_it_needs(self):
        for aim in Aim:
            progress = Progress().after(Press.BEGIN, self.known["flat"], NOW)
            self.assertEqual(self.order(self.planned(Wishes(aim=aim), progress))[0], "flat")

    def test_when_a_step_can_be_done_is_known_once_all_it_needs_is_past(self):
        flat = self.known["flat"]
        self.assertIsNone(self.planned().free_at(flat))
        self.assertEqual(self.planned().free_at(self.known["base"]), 0.0)
        found = self.planned(progress=self.done(*(one.key for one in flat.after)))
        longest = max(one.minutes for one in flat.after)
        self.assertEqual(found.free_at(flat), NOW + 60 * longest)

    def test_waits_are_filled_with_what_hands_do_meanwhile(self):
        found = self.plain
        at = {one.task.key: one for one in found.schedule.placed}
        filled = [one for one in found.running if one.meanwhile]
        self.assertTrue(filled)
        for one in filled:
            for task in one.meanwhile:
                self.assertLess(at[task.key].start, one.end)
                self.assertGreater(at[task.key].end, one.start)

    def test_a_wish_that_cannot_be_is_told_and_the_others_are_kept(self):
        wishes = Wishes(before=(("out:1", "base"), ("flat", "cut:1"), ("gone", "base")))
        found = self.planned(wishes)
        order = self.order(found)
        self.assertLess(order.index("out:1"), order.index("base"))
        self.assertEqual([one.wish for one in found.impossible], [("flat", "cut:1")])
        self.assertEqual(found.wishes.before, wishes.before[:2])
        self.assertEqual(found.broken, ())

    def test_an_order_of_ones_own_is_kept_and_told_what_it_breaks(self):
        order = tuple(self.order(self.plain))
        kept = self.planned(Wishes(aim=Aim.OWN, order=order))
        self.assertEqual((tuple(self.order(kept)), kept.broken), (order, ()))
        broken = self.planned(Wishes(aim=Aim.OWN, order=("post", *order[:-1])))
        self.assertEqual(self.order(broken)[0], "post")
        self.assertEqual({task.key for task, _ in broken.broken}, {"post"})

    def test_what_changed_since_it_was_done_is_to_be_done_again(self):
        progress = self.done("base", "out:1")
        renamed = planned(self.card, Wishes(), progress, now=NOW)
        self.assertEqual(renamed.changed, {})
        other = Progress(past={"base": progress.past["out:1"]}, pressed=NOW)
        found = self.planned(progress=other)
        self.assertEqual(found.changed, {"base": self.known["out:1"].words})
        self.assertIn("base", self.order(found))

    def test_an_evening_goes_on_from_when_one_sat_down(self):
        progress = Progress().after(Press.BEGIN, self.known["base"], NOW)
        progress = progress.after(Press.DONE, self.known["base"], NOW + 10 * 60)
        found = self.planned(Wishes(evening=30), progress, now=NOW + 11 * 60)
        self.assertEqual((found.begins, found.breaks[0].start), (NOW + 10 * 60, 20.0))
        tomorrow = self.planned(Wishes(evening=30), progress, now=NOW + 20 * 3600)
        self.assertEqual((tomorrow.begins, tomorrow.breaks[0].start), (NOW + 10 * 60 + 19 * 3600, 30.0))
        self.assertEqual(self.planned(Wishes(evening=30)).breaks[0].start, 30.0)

    def test_a_step_longer_than_an_evening_is_said(self):
        found = self.planned(Wishes(evening=5, cards=20))
        longest = max(found.tasks, key=lambda one: one.minutes)
        self.assertIn(longest, found.too_long)
        self.assertEqual(self.plain.too_long, [])

    def test_it_asks_once_whom_the_card_is_for(self):
        asked = [self.planned(Wishes(small_child=said)).asks_for_child for said in (None, True, False)]
        self.assertEqual(asked, [True, False, False])

    def test_ones_own_pace_counts(self):
        slow = self.planned(paces={Work.COLOUR: Pace(2.0, 3)})
        colour = [
            sum(one.minutes for one in found.tasks if one.work is Work.COLOUR) for found in (self.plain, slow)
        ]
        self.assertAlmostEqual(colour[1], 2 * colour[0], delta=1.0)
