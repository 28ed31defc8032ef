"""Stencils of one's own: read from an SVG."""

import unittest

from jindle_core.errors import BadInput
from jindle_core.line_art.own_stencil import read_stencil
from jindle_core.tests.test_own_outlines import SQUARE, around, svg


class ReadTests(unittest.TestCase):
    def test_the_sheet_is_as_large_as_the_openings_reach(self):
        found = read_stencil(svg(SQUARE, [(110, 10), (150, 10), (150, 50)]))
        self.assertEqual((len(found.openings), found.shape), (2, 3.5))
        self.assertEqual(found.openings[0][0], (0.0, 0.0))
        self.assertEqual(max(x for x, _ in found.openings[1]), 1.0)

    def test_points_that_say_nothing_are_left_out(self):
        (ring,) = read_stencil(svg(around(5000))).openings
        self.assertLess(len(ring), 100)

    def test_what_nobody_could_cut_is_refused_in_words(self):
        for content, words in (
            (svg(*[SQUARE] * 61), "holds 61 outlines"),
            (svg([(0, 0), (200, 0), (200, 1)]), "flat"),
            (svg(), "no closed outline"),
            (svg(*[around(200, rough=6.0)] * 20), "points where it is smoothed"),
        ):
            with self.subTest(words), self.assertRaises(BadInput) as caught:
                read_stencil(content)
            self.assertIn(words, str(caught.exception))
