"""What to read next: what makes the most of what is made surer."""

import unittest

import numpy as np

from jindle_core.colorimetry.recovery import lab_to_reflectance
from jindle_core.media.medium import Medium
from jindle_core.prediction.known import usually
from jindle_core.prediction.near import Way
from jindle_core.supplies.teaching import Laid, lessons, mean_sigma

BLACK = lab_to_reflectance(np.array([20.0, 0, 0]))
KRAFT = lab_to_reflectance(np.array([60.0, 9, 23]))
ONES = lab_to_reflectance(np.array([[85.0, 5, 20], [60, 30, 10], [40, -20, -20], [70, -10, 40]]))


def laid(at, *way, **how):
    return Laid(at, ONES[at], Way(*way, **how))


class TeachingTests(unittest.TestCase):
    def test_each_lesson_makes_what_is_made_surer_than_the_one_before(self):
        for medium in (Medium.ALCOHOL_MARKER, Medium.PIGMENT_PAD, Medium.WAX_PENCIL):
            known = usually(medium)
            made = [laid(at, 2, card=KRAFT) for at in range(3)]
            offered = [
                laid(at, layers, card=card) for at in range(4) for layers in (1, 2) for card in (KRAFT, BLACK)
            ]
            found = lessons(known, made, offered, {})
            sigmas = [mean_sigma(known, made, {}), *(one.sigma for one in found)]
            self.assertEqual(len(found), 6)
            self.assertEqual(sigmas, sorted(sigmas, reverse=True))
            self.assertLess(sigmas[2], 0.8 * sigmas[0])

    def test_the_first_is_the_best_of_all_that_are_offered(self):
        known = usually(Medium.PIGMENT_PAD)
        made = [laid(at, 1, card=BLACK) for at in range(4)]
        offered = [laid(0, 2), laid(0, 1, card=BLACK), laid(2, 1, card=BLACK), laid(1, 1, card=KRAFT)]
        (best,) = lessons(known, made, offered, {}, count=1)
        alone = {id(one): lessons(known, made, [one], {}, count=1)[0].sigma for one in offered}
        self.assertEqual(alone[id(best.laid)], min(alone.values()))
        self.assertIs(best.laid.way.card, BLACK)  # a film shows on black how far it covers

    def test_what_was_read_itself_is_as_sure_as_a_reading(self):
        known = usually(Medium.WAX_PENCIL)
        (one,) = made = [laid(1, 2, card=KRAFT)]
        self.assertLess(mean_sigma(known, made, {1: [one.way]}), 0.8)
        self.assertGreater(mean_sigma(known, made, {}), 2)

    def test_nothing_is_taught_where_nothing_is_made_or_offered(self):
        known = usually(Medium.GEL_PEN)
        self.assertEqual(lessons(known, [], [laid(1, 2)], {}), [])
        self.assertEqual(lessons(known, [laid(1, 2)], [], {}), [])
