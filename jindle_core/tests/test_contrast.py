import unittest

import numpy as np

from jindle_core.checks.finding import Status
from jindle_core.colorimetry.difference import delta_e
from jindle_core.contrast.guess import guess_pairs
from jindle_core.contrast.measures import measure, weakest_eyes
from jindle_core.contrast.mending import mend
from jindle_core.contrast.rules import PairKind, examine, examine_span, holds
from jindle_core.contrast.stacked import (
    Neighbour,
    StackStanding,
    examine_finish,
    examine_melting,
    examine_once,
    examine_spread,
    examine_stack,
    examine_writing,
    melting,
)
from jindle_core.tests.strategies import some_lab

WHITE, BLACK, KRAFT, NAVY = [95, 0, 0], [17, 0, 0], [59, 8, 22], [34.5, 5, -30]


class MeasureTests(unittest.TestCase):
    def test_typical_figures(self):
        """Black on white about 12.6 : 1, ΔL* 78; black on kraft 4.4, 42; white on navy about 7."""
        cases = ((BLACK, WHITE, 12.6, 78), (BLACK, KRAFT, 4.4, 42), (WHITE, NAVY, 7.2, 60.5))
        for upper, lower, ratio, delta_l in cases:
            with self.subTest((upper, lower)):
                found = measure(upper, lower)
                self.assertAlmostEqual(found.ratio[0], ratio, delta=0.3)
                self.assertAlmostEqual(found.delta_l[0], delta_l, delta=0.5)

    def test_either_way_round(self):
        first, second = measure(WHITE, NAVY), measure(NAVY, WHITE)
        self.assertEqual(first.ratio[0], second.ratio[0])
        self.assertGreaterEqual(first.ratio[0], 1)

    def test_weakest_eyes(self):
        kind, distance = weakest_eyes([50, 50, 30], [50, -50, 35])
        self.assertIn(kind, ("deutan", "protan"))
        self.assertLess(distance, delta_e(np.array([50, 50, 30.0]), np.array([50, -50, 35.0])) / 3)


class RuleTests(unittest.TestCase):
    def test_each_kind_on_both_sides_of_its_limit(self):
        cases = (
            (PairKind.LETTERING_SMALL, BLACK, KRAFT, Status.HOLDS),
            (PairKind.LETTERING_SMALL, [58, 10, 60], WHITE, Status.FAILS),  # gold on white
            (PairKind.LETTERING_LARGE, [58, 10, 60], WHITE, Status.HOLDS),
            (PairKind.LETTERING_LARGE, [85, 0, 70], [93, 0, 8], Status.FAILS),  # yellow on cream
            (PairKind.PICTURE, [50, -20, -20], [85, -5, -8], Status.HOLDS),
            (PairKind.PICTURE, [80, -5, -8], [85, -5, -8], Status.FAILS),
            (PairKind.PICTURE, [50, 50, 30], [50, -50, 35], Status.LOOK_AGAIN),
            (PairKind.MAT, NAVY, [34, 5, -28], Status.FAILS),
            (PairKind.MAT, NAVY, WHITE, Status.HOLDS),
            (PairKind.QUIET, [82, 0, 3], [88, 0, 3], Status.HOLDS),
            (PairKind.QUIET, [50, 0, 3], [88, 0, 3], Status.LOOK_AGAIN),
        )
        for kind, upper, lower, status in cases:
            with self.subTest((kind, upper)):
                finding = examine(kind, upper, lower)
                self.assertIs(finding.status, status)
                self.assertEqual(finding.reason == "", status is Status.HOLDS)
                self.assertTrue(finding.figure and finding.limit)

    def test_an_outline_counts_for_a_picture_only(self):
        sinking = ([80, -5, -8], [85, -5, -8])
        outlined = examine(PairKind.PICTURE, *sinking, outlined=True)
        self.assertIs(outlined.status, Status.HOLDS)
        self.assertIn("outline", outlined.reason)
        self.assertIs(examine(PairKind.MAT, NAVY, [34, 5, -28], outlined=True).status, Status.FAILS)

    def test_by_colour_only_names_the_eyes_that_lose_it(self):
        self.assertIn("cones", examine(PairKind.PICTURE, [50, 50, 30], [50, -50, 35]).reason)

    def test_span(self):
        self.assertIs(examine_span(np.array([WHITE, BLACK])).status, Status.HOLDS)
        self.assertIs(examine_span(np.array([WHITE, [70, 0, 0]])).status, Status.LOOK_AGAIN)


class MendTests(unittest.TestCase):
    def test_the_nearest_candidate_that_holds(self):
        upper, lower, candidates = np.array([70.0, 20, 40]), np.array([93.0, 0, 8]), some_lab(300)
        for end in ("upper", "lower"):
            with self.subTest(end):
                found = mend(PairKind.LETTERING_SMALL, upper, lower, end, candidates)
                now = upper if end == "upper" else lower
                good = [
                    place
                    for place, one in enumerate(candidates)
                    if holds(PairKind.LETTERING_SMALL, *((one, lower) if end == "upper" else (upper, one)))[0]
                ]
                nearest = min(good, key=lambda place: delta_e(now, candidates[place]))
                self.assertEqual(found.index, nearest)
                self.assertIs(found.finding.status, Status.HOLDS)
                self.assertAlmostEqual(found.distance, float(delta_e(now, candidates[nearest])))

    def test_none_where_nothing_holds(self):
        for candidates in (np.empty((0, 3)), np.array([[92.0, 0, 0]])):
            self.assertIsNone(mend(PairKind.LETTERING_SMALL, WHITE, WHITE, "upper", candidates))


class GuessTests(unittest.TestCase):
    def test_from_full_roles(self):
        roles = ["lead", "accent", "ground", "dark", "light", "ground"]
        found = {
            guess.kind: (guess.upper, guess.lower) for guess in guess_pairs(roles, [50, 60, 85, 25, 95, 80])
        }
        self.assertEqual(
            found,
            {
                PairKind.LETTERING_SMALL: (3, 4),
                PairKind.PICTURE: (0, 2),
                PairKind.MAT: (3, 2),
                PairKind.QUIET: (5, 2),
            },
        )

    def test_white_paper_stands_in_for_a_missing_light(self):
        (guess,) = guess_pairs(["lead"], [40])
        self.assertEqual((guess.kind, guess.upper, guess.lower), (PairKind.LETTERING_SMALL, 0, None))

    def test_nothing_lies_on_itself(self):
        for roles in (["ground"], ["ground", "light"], ["dark", "ground"], [], ["light"]):
            for guess in guess_pairs(roles, [30] * len(roles)):
                self.assertNotEqual(guess.upper, guess.lower)


def examine_beside(lab, *beside):
    return examine_stack([StackStanding(tuple(lab), beside)])[0]


class StackedTests(unittest.TestCase):
    SKY = Neighbour("sky", (80.0, -5.0, -15.0), 0.6)
    WATER = Neighbour("water", (42.0, -10.0, -30.0), 0.4)
    LIKE_WATER, LIKE_SKY = (40.0, -8.0, -28.0), (80.0, -4.0, -15.0)

    def test_what_stands_beside_one_and_not_the_other_is_to_be_looked_at(self):
        finding, name = examine_beside(self.LIKE_WATER, self.SKY, self.WATER)
        self.assertEqual((finding.status, name), (Status.LOOK_AGAIN, "water"))
        self.assertIn("along 40 % of its edge", finding.reason)
        finding, name = examine_beside(self.LIKE_SKY, self.SKY, self.WATER)
        self.assertEqual((finding.status, name), (Status.FAILS, "sky"))  # along most of its edge
        finding, name = examine_beside((20.0, 20, 30), self.SKY, self.WATER)
        self.assertEqual((finding.status, name), (Status.HOLDS, "sky"))

    def test_what_lies_along_hardly_any_of_it_is_not_judged(self):
        sliver = Neighbour("corner", self.LIKE_WATER, 0.02)
        finding, _ = examine_beside(self.LIKE_WATER, self.SKY, sliver)
        self.assertIs(finding.status, Status.HOLDS)
        alone, name = examine_beside(self.LIKE_WATER, sliver)
        self.assertEqual((alone.status, name), (Status.FAILS, "corner"))
        with self.assertRaises(ValueError):
            examine_beside(self.LIKE_WATER)

    def test_many_at_once_are_what_each_is_alone(self):
        pieces = [
            StackStanding(self.LIKE_WATER, (self.SKY, self.WATER)),
            StackStanding(self.LIKE_SKY, (self.SKY,)),
            StackStanding((15.0, 0.0, 0.0), (self.WATER, self.SKY)),
        ]
        self.assertEqual(examine_stack(pieces), [examine_stack([one])[0] for one in pieces])
        self.assertEqual(examine_stack([]), [])

    def test_squinting_melts_colours_of_one_lightness_that_touch(self):
        labs = np.array([[50.0, 60, 30], [52, -50, 20], [80, 0, 0], [52, -50, 21]])
        self.assertEqual(melting(labs, [(0, 1), (1, 2), (0, 2), (1, 3)]), [(0, 1)])
        self.assertEqual(melting(labs, []), [])

    def test_what_melts_is_told_with_its_figures(self):
        found = examine_melting(np.array([50.0, 60, 30]), np.array([52.0, -50, 20]))
        self.assertEqual((found.status, found.limit), (Status.LOOK_AGAIN, "ΔL* 5"))
        self.assertRegex(found.figure, r"^ΔL\* 2, ΔE [5-9]\d$")

    def test_a_finishing_piece_repeats_or_sets_off_or_does_neither(self):
        card, names = np.array([[90.0, 0, 0], [45, 40, 30], [35, 5, -30]]), ["mist", "beak", "night"]
        cases = (
            ([46.0, 41, 31], Status.HOLDS, "repeats beak"),
            ([60.0, -60, 50], Status.HOLDS, "sets the card's colours off on purpose"),
            ([80.0, 3, 4], Status.LOOK_AGAIN, "neither repeats a colour of the card nor sets one off"),
        )
        for lab, status, reason in cases:
            with self.subTest(reason):
                found = examine_finish(np.array(lab), card, names)
                self.assertEqual((found.status, found.reason), (status, reason))
        self.assertIn("from mist", examine_finish(np.array([80.0, 3, 4]), card, names).figure)

    def test_an_accent_that_appears_once(self):
        self.assertEqual(examine_once(1).status, Status.LOOK_AGAIN)
        self.assertEqual((examine_once(1).figure, examine_once(3).figure), ("in 1 place", "in 3 places"))
        self.assertEqual(examine_once(2).status, Status.HOLDS)

    def test_the_spread_counts_what_shows(self):
        labs = np.array([[95.0, 0, 0], [60, 0, 0], [20, 0, 0]])
        found = examine_spread(labs, np.array([50.0, 30, 20]))
        self.assertEqual(
            (found.status, found.figure), (Status.HOLDS, "ΔL* 75: 50 % light, 30 % middle, 20 % dark")
        )
        speck = examine_spread(labs, np.array([50.0, 49.9, 0.1]))
        self.assertEqual((speck.status, speck.figure.split(":")[0]), (Status.LOOK_AGAIN, "ΔL* 35"))
        self.assertEqual(
            examine_spread(labs[:1], np.array([9.0])).figure, "ΔL* 0: 100 % light, 0 % middle, 0 % dark"
        )

    def test_room_to_write_takes_a_dark_pen(self):
        labs = np.array([[95.0, 0, 0], [30, 0, -20]])
        self.assertEqual(examine_writing(labs, np.array([40.0, 60])).status, Status.HOLDS)
        none = examine_writing(labs, np.array([20.0, 80]))
        self.assertEqual((none.status, none.figure), (Status.LOOK_AGAIN, "20 % takes a dark pen"))
