"""Outlines of one's own: read from an SVG, measured, and cut to."""

import unittest

import numpy as np
from hypothesis import given
from hypothesis import strategies as st

from jindle_core import figures
from jindle_core.card.changes.build import AddPiece, EditPiece
from jindle_core.card.changes.every import changed
from jindle_core.card.whole import Card
from jindle_core.errors import BadInput
from jindle_core.layers.outlines import outlines
from jindle_core.layers.pieces import Kind, Opening
from jindle_core.layers.shapes import Shape
from jindle_core.lengths import OF_PIECES, Length, read_size
from jindle_core.line_art.own_outline import read_outline

CARD = read_size("148", "105", "mm")
LEAF = ((0.5, 0.0), (1.0, 0.5), (0.5, 1.0), (0.0, 0.5))


def svg(*points, size=""):
    rings = "".join(f'<polygon points="{" ".join(f"{x},{y}" for x, y in ring)}"/>' for ring in points)
    return f'<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 200 100" {size}>{rings}</svg>'.encode()


def around(count, rough=0.0):
    turns = np.linspace(0, 2 * np.pi, count, endpoint=False)
    far = 40 + rough * (np.arange(count) % 2)
    return [(50 + r * np.cos(t), 50 + r * np.sin(t)) for r, t in zip(far, turns, strict=True)]


SQUARE = [(10, 10), (90, 10), (90, 50), (10, 50)]


class ReadTests(unittest.TestCase):
    def test_it_is_measured_where_the_file_says_its_size(self):
        for size, width in (('width="100mm" height="50mm"', 40.0), ('width="4in" height="2in"', 40.64)):
            found = read_outline(svg(SQUARE, size=size))
            self.assertAlmostEqual(found.width, width, places=3)
            self.assertAlmostEqual(found.shape, 2.0)
            self.assertEqual(set(found.ring), {(0.0, 0.0), (1.0, 0.0), (1.0, 1.0), (0.0, 1.0)})
        for size in ("", 'width="100" height="50"', 'width="100%" height="50mm"'):
            self.assertIsNone(read_outline(svg(SQUARE, size=size)).width)

    def test_many_points_are_smoothed_and_that_is_said(self):
        found = read_outline(svg(around(10_000)))
        self.assertLessEqual(len(found.ring), figures.building.OWN_POINTS)
        self.assertIn("10,000 points are drawn with", found.notes[0])
        off = np.abs(np.linalg.norm(np.array(found.ring) - 0.5, axis=1) - 0.5)
        self.assertLess(off.max(), 2 * figures.building.OWN_OFF)

    def test_holes_are_left_out_and_that_is_said(self):
        found = read_outline(svg(SQUARE, [(20, 20), (30, 20), (30, 30)]))
        self.assertEqual(len(found.ring), 4)
        self.assertIn("a hole in it is left out", found.notes[0])

    def test_what_cannot_be_cut_is_said(self):
        bow = [(0, 0), (80, 60), (80, 0), (0, 60)]
        for file, words in (
            (svg(), "no closed outline"),
            (b'<svg xmlns="http://www.w3.org/2000/svg"><path d="M0 0 L9 9"/></svg>', "no closed outline"),
            (svg(bow), "crosses or touches itself, at 50 % across and 50 % down"),
            (svg(SQUARE, [(110, 10), (150, 10), (150, 50)]), "2 outlines side by side"),
            (svg(around(10_000, rough=12.0)), "has 10,000 points, and"),
            (svg([(0, 5), (90, 5), (40, 5)]), "flat|crosses"),
            (b"<html/>", "no SVG"),
            (b"\x89PNG", "no well-formed SVG"),
        ):
            with self.subTest(words), self.assertRaisesRegex(BadInput, words):
                read_outline(file)


class CutTests(unittest.TestCase):
    def card(self, **told):
        told = {"size": read_size("60", "40", "mm", OF_PIECES), "own": LEAF} | told
        return changed(Card("Own", CARD), AddPiece(Kind.PANEL, "leaf", told))

    @given(st.integers(1, 160))
    def test_a_frame_of_it_is_even(self, ticks):
        card = self.card(opening=Opening(Length(ticks, "mm")))
        area = outlines(CARD, card.build.pieces)[1].straight
        self.assertAlmostEqual(area.exterior.distance(area.interiors[0]), ticks / 10, places=3)

    def test_it_fills_its_box_and_a_shape_takes_its_place(self):
        card = self.card()
        area = outlines(CARD, card.build.pieces)[1].straight
        self.assertAlmostEqual(area.area, 60 * 40 / 2)
        shaped = changed(card, EditPiece(1, {"shape": Shape.OVAL})).build.piece(1)
        self.assertEqual((shaped.own, shaped.shape), ((), Shape.OVAL))
        own = changed(changed(card, EditPiece(1, {"shape": Shape.OVAL})), EditPiece(1, {"own": LEAF}))
        self.assertEqual(own, card)

    def test_points_that_are_no_outline_are_refused(self):
        crossing = ((0.0, 0.0), (1.0, 1.0), (1.0, 0.0), (0.0, 1.0))
        for ring in (LEAF[:2], crossing, ((0.0, 0.0), (2.0, 0.0), (0.0, 1.0)), LEAF * 101):
            with self.subTest(len(ring)), self.assertRaisesRegex(BadInput, "none that can be cut"):
                self.card(own=ring)
