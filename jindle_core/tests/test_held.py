"""What is held for many threads: so much at most, and never half."""

import sys
import unittest
from functools import partial
from threading import Barrier, Thread

import numpy as np

from jindle_core.held import Held
from jindle_core.media.medium import Medium
from jindle_core.prediction.behaviour import Hand
from jindle_core.prediction.near import Way
from jindle_core.prediction.stocks import WHITE_CARD
from jindle_core.tests.made import BOARDS, some_supplies


def at_once(count, work):
    """Let threads work, changing between them as often as can be; what they raised."""
    raised, start, before = [], Barrier(count), sys.getswitchinterval()

    def run(number):
        start.wait()
        try:
            work(number)
        except BaseException as error:
            raised.append(error)

    sys.setswitchinterval(1e-6)
    try:
        threads = [Thread(target=run, args=(number,)) for number in range(count)]
        for one in threads:
            one.start()
        for one in threads:
            one.join()
    finally:
        sys.setswitchinterval(before)
    return raised


class HeldTests(unittest.TestCase):
    def test_so_many_at_most_the_oldest_question_goes_first(self):
        held, made = Held(2), []
        for key in (1, 2, 1, 3, 1, 2):
            self.assertEqual(held.get(key, lambda key=key: made.append(key) or key * 10), key * 10)
        self.assertEqual(made, [1, 2, 3, 2])
        self.assertEqual(held.values, {1: 10, 2: 20})

    def test_threads_that_ask_at_once_are_all_answered_rightly(self):
        held = Held(3)

        def work(number):
            for turn in range(3000):
                key = (number + turn) % 7
                assert held.get(key, partial(pow, key, 2)) == key * key

        self.assertEqual(at_once(8, work), [])
        self.assertLessEqual(len(held.values), 3)

    def test_supplies_answer_sixteen_threads_as_one(self):
        calm, busy = some_supplies(), some_supplies()
        places = [None, *(busy.places[pk] for pk in BOARDS)]
        asked = [
            lambda it, at, medium=medium, owned=owned, layers=layers, paper=paper: it.families(
                medium, owned, layers, paper
            )[1].tolist()
            for medium in (Medium.ALCOHOL_MARKER, Medium.DYE_PAD)
            for owned in (True, False)
            for layers in (1, 2)
            for paper in places
        ]
        asked += [
            lambda it, at: it.reflectance(np.array([0, at])).tolist(),
            lambda it, at: it.predicted.sigma(0, Way(1 + at % 3)),
            lambda it, at: it.predicted.known(it.rows[at].range_id).sigma(
                it.reflectance(np.array([at])), 2, Hand.MIDDLE, WHITE_CARD
            ),
            lambda it, at: it.glazed.table(Medium.ALCOHOL_MARKER)[0].best(it.lab[at])[0].lab,
            lambda it, at: it.searched.landable("pad", bool(at % 2)).lab.tolist(),
        ]
        laid = [
            pk
            for pk in range(len(calm.rows))
            if calm.ranges[calm.rows[pk].range_id].medium.traits.covering is not None
        ]
        wanted = [[one(calm, at) for at in laid] for one in asked]

        def work(number):
            for turn in range(2 * len(asked)):
                one, at = (turn * (number + 1)) % len(asked), turn % len(laid)
                np.testing.assert_allclose(asked[one](busy, laid[at]), wanted[one][at], atol=1e-9)

        self.assertEqual(at_once(16, work), [])
