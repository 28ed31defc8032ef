"""The strip of known swatches in a picture, and which colours one takes for it."""

from unittest import TestCase

import numpy as np
from hypothesis import given, settings
from hypothesis import strategies as st

from jindle_core import figures
from jindle_core.colorimetry.difference import delta_e
from jindle_core.patterned.strip import find_strip, strip
from jindle_core.supplies.colours import RangeFacts, SupplyColour
from jindle_core.supplies.unlike import most_unlike
from jindle_core.supplies.whole import Supplies
from jindle_core.swatch_sheet import SheetArea

SCALE = 2.4  # pixels a millimetre
PRINTED = strip()
SWATCHES = np.random.default_rng(4).uniform(0.05, 0.8, (len(PRINTED.boxes), 3))


def page(seed=0, left=40, top=30, white=0.85, without=()):
    """A patterned sheet with the strip on it, linear; ``without`` some of its marks."""
    random = np.random.default_rng(seed)
    picture = np.tile(random.uniform(0.2, 0.6, 3), (560, 640, 1))
    for _ in range(40):  # dots and squares as papers have them, some as dark and as large as a mark
        y, x, side = random.integers(0, 540), random.integers(0, 620), random.integers(4, 18)
        picture[y : y + side, x : x + side] = random.uniform(0.01, 0.7, 3)

    def fill(area, colour):
        rows, columns = (
            slice(round(at * SCALE) + by, round((at + size) * SCALE) + by)
            for at, size, by in ((area.top, area.height, top), (area.left, area.width, left))
        )
        picture[rows, columns] = colour

    width, height = figures.paper.STRIP
    fill(SheetArea(0, 0, width, height), white)
    for at, mark in enumerate(PRINTED.marks):
        if at not in without:
            fill(mark, 0.02)
    fill(PRINTED.marks[0].inset(2, 2, 2, 2), white)
    for box, swatch in zip(PRINTED.boxes, SWATCHES, strict=True):
        fill(box, swatch)
    return picture


class StripTests(TestCase):
    @settings(max_examples=10)
    @given(
        seed=st.integers(0, 10_000),
        turns=st.integers(0, 3),
        left=st.integers(10, 150),
        top=st.integers(10, 450),
    )
    def test_it_is_found_on_any_paper_whichever_way_round_it_lies(self, seed, turns, left, top):
        picture = np.rot90(page(seed, left, top), turns)
        found = find_strip(picture)
        for box, swatch in zip(found.boxes, SWATCHES, strict=True):
            self.assertTrue((picture[box.slices()] == swatch).all())
        self.assertTrue((picture[found.white.slices()] == 0.85).all())
        rows, columns = found.whole.slices()
        left_over = np.ones(picture.shape[:2], dtype=bool)
        left_over[rows, columns] = False
        for swatch in SWATCHES:
            self.assertFalse((picture[left_over] == swatch).all(axis=-1).any())

    def test_what_is_no_strip_is_none(self):
        for words, picture in (
            ("a mark is hidden", page(without=(2,))),
            ("no mark with a hole", page(without=(0,))),
            ("its white is dark: something lies on it", page(white=0.1)),
            ("nothing", np.full((400, 500, 3), 0.5)),
            ("it is far too small", page()[::6, ::6]),
        ):
            with self.subTest(words):
                self.assertIsNone(find_strip(picture))


class UnlikeTests(TestCase):
    def supplies(self, labs, medium="alcohol marker"):
        rows = tuple(
            SupplyColour(at + 1, 1, f"HUE-{at}", "", "", "label", False, *lab) for at, lab in enumerate(labs)
        )
        return Supplies(rows, {1: RangeFacts(1, "Hues", "", medium, True)})

    def test_they_are_unlike_one_another_and_white(self):
        labs = np.random.default_rng(2).uniform((20, -60, -60), (95, 60, 60), (200, 3))
        chosen = most_unlike(self.supplies(labs), 8)
        self.assertEqual(len(set(chosen)), 8)
        off = delta_e(labs[chosen][:, None], labs[chosen][None])
        by_chance = np.random.default_rng(0).permutation(200)[:8]
        other = delta_e(labs[by_chance][:, None], labs[by_chance][None])
        least = [one[~np.eye(8, dtype=bool)].min() for one in (off, other)]
        self.assertGreater(least[0], max(20, least[1]))

    def test_few_colours_and_colours_alike_make_a_short_strip(self):
        self.assertEqual(most_unlike(self.supplies([]), 8), [])
        self.assertEqual(most_unlike(self.supplies([(50, 40, 10)], "cardstock"), 8), [])
        self.assertEqual(most_unlike(self.supplies([(50, 40, 10), (50.5, 40, 10), (60, -40, 0)]), 8), [0, 2])
