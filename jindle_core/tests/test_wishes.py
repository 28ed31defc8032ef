"""What a person wants of the order: kept where it can be, else told what stands against it."""

import unittest
from itertools import permutations

from hypothesis import given, settings
from hypothesis import strategies as st

from jindle_core.errors import BadInput
from jindle_core.planning.timing import in_order
from jindle_core.planning.wishes import Wishes, broken, kept, own_order
from jindle_core.stored import plain, structured
from jindle_core.tests.test_schedule import some_tasks, task


class WishesTests(unittest.TestCase):
    @settings(deadline=None, max_examples=60)
    @given(some_tasks(most=5), st.data())
    def test_what_is_kept_can_be_and_what_is_not_cannot(self, tasks, data):
        keys = st.sampled_from([one.key for one in tasks])
        wanted = data.draw(st.lists(st.tuples(keys, keys), max_size=5))
        possible, impossible = kept(tasks, wanted)
        self.assertEqual(sorted([*possible, *(one.wish for one in impossible)]), sorted(wanted))
        self.assertEqual(broken(in_order(tasks, possible), possible), [])
        for one in impossible:
            both = [*possible, one.wish]
            self.assertTrue(
                one.wish[0] == one.wish[1] or all(broken(order, both) for order in permutations(tasks)), one
            )
            self.assertTrue(one.reason)

    def test_what_stands_against_a_wish_is_told_by_the_shortest_way(self):
        tasks = [task("cut"), task("stamp", 1, ("cut", 0)), task("colour", 2, ("stamp", 5))]
        possible, ((wish, words),) = (
            kept(tasks, [("stamp", "colour"), ("colour", "cut")])[0],
            [(one.wish, one.reason) for one in kept(tasks, [("colour", "cut")])[1]],
        )
        self.assertEqual((possible, wish), ([("stamp", "colour")], ("colour", "cut")))
        self.assertEqual(words, "“colour” comes after “stamp”: wet; “stamp” comes after “cut”: wet")

    def test_of_two_wishes_against_each_other_the_earlier_is_kept(self):
        possible, impossible = kept([task("a"), task("b")], [("a", "b"), ("b", "a"), ("a", "gone")])
        self.assertEqual(possible, [("a", "b")])
        self.assertEqual(
            [(one.wish, one.reason) for one in impossible],
            [(("b", "a"), "“b” comes after “a”: you want it so")],
        )

    @settings(deadline=None, max_examples=40)
    @given(some_tasks(), st.data())
    def test_an_order_of_ones_own_holds_every_task_once_and_keeps_what_it_names(self, tasks, data):
        named = data.draw(st.lists(st.sampled_from([one.key for one in tasks]), unique=True))
        found = [one.key for one in own_order(tasks, [*named, "gone"])]
        self.assertEqual(sorted(found), sorted(one.key for one in tasks))
        self.assertEqual([key for key in found if key in named], named)
        self.assertEqual(own_order(tasks, []), tasks)

    def test_what_an_order_breaks_is_told_at_what_comes_too_early(self):
        stamp, colour = task("stamp"), task("colour", 2, ("stamp", 5))
        self.assertEqual(broken([stamp, colour]), [])
        self.assertEqual(broken([colour, stamp]), [(colour, "after “stamp”: wet")])
        self.assertEqual(
            broken([stamp, colour], [("colour", "stamp")]), [(stamp, "after “colour”: you want it so")]
        )

    def test_they_are_stored_and_what_cannot_be_is_said(self):
        wishes = Wishes(evening=90, cards=6, before=(("a", "b"), ("a", "gone")), order=("b", "b", "a"))
        self.assertEqual(structured(plain(wishes), Wishes, "plan"), wishes)
        of_these = wishes.among([task("a"), task("b")])
        self.assertEqual((of_these.before, of_these.order), ((("a", "b"),), ("b", "a")))
        for wrong, words in (({"cards": 0}, "From 1 to 200"), ({"evening": 2}, "5 to 720 minutes")):
            with self.assertRaisesRegex(BadInput, words):
                Wishes(**wrong)
