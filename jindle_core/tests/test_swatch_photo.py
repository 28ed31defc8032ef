from unittest import TestCase

import numpy as np
from hypothesis import given
from hypothesis import strategies as st
from scipy import ndimage

from jindle_core import figures
from jindle_core.colorimetry.difference import delta_e
from jindle_core.colorimetry.spaces import lab_to_linear, on_screen
from jindle_core.errors import BadInput
from jindle_core.patterned.correction import PictureBox, correct
from jindle_core.patterned.marks import find_marks, placed, plane
from jindle_core.patterned.patches import read_patches
from jindle_core.swatch_sheet import SHEETS, swatch_sheet
from jindle_core.tests.strategies import some_lab

SCALE = 2.5  # pixels a millimetre
SHEET = swatch_sheet("letter")
_MANY = some_lab(400, seed=3)
COLOURS = _MANY[on_screen(_MANY)][: len(SHEET.boxes)]
WHITE = figures.laying.PAPER_WHITE_LAB


def drawn(tone=1.0, light=(1.0, 1.0, 1.0), shading=0.0, hole=True) -> np.ndarray:
    """The filled sheet as linear sRGB under a light, seen straight from above."""
    lab = np.tile(np.array(WHITE), (round(SHEET.height * SCALE), round(SHEET.width * SCALE), 1))

    def fill(area, colour):
        left, right = round(area.left * SCALE), round((area.left + area.width) * SCALE)
        lab[round(area.top * SCALE) : round((area.top + area.height) * SCALE), left:right] = colour

    for mark in SHEET.marks:
        fill(mark, (8, 0, 0))
    if hole:
        fill(SHEET.marks[0].inset(2, 2, 2, 2), WHITE)
    fill(SHEET.grey, figures.paper.GREY_CARD_LAB)
    for box, colour in zip(SHEET.boxes, COLOURS, strict=True):
        fill(box, (8, 0, 0))
        fill(box.inset(0.4, 0.4, 0.4, 0.4), colour)
    linear = np.clip(lab_to_linear(lab), 0, 1) * np.array(light) * 0.85
    across = np.linspace(1 - shading, 1 + shading, linear.shape[1])
    return (linear * across[None, :, None]) ** tone


def read(linear, grey=False):
    marks = find_marks(linear)
    there = plane(SHEET.mark_centres, marks)
    inside = [
        PictureBox.inside(placed(there, one.inset(2, 2, 2, 5).corners)) for one in (SHEET.white, SHEET.grey)
    ]
    tone = (inside[1], figures.paper.GREY_CARD_LAB) if grey else None
    corrected = correct(linear, np.zeros(linear.shape[:2], bool), inside[0], WHITE, tone)
    quads = placed(there, np.array([SHEET.inked(box).corners for box in SHEET.boxes]))
    return read_patches(corrected, quads, WHITE)


def errors(patches):
    return delta_e(np.array([patch.lab for patch in patches]), COLOURS)


class LayoutTests(TestCase):
    def test_nothing_overlaps_and_all_lies_on_the_sheet(self):
        for name in SHEETS:
            sheet = swatch_sheet(name)
            areas = (*sheet.marks, sheet.white, sheet.grey, *sheet.boxes)
            taken = np.zeros((round(sheet.height * 10), round(sheet.width * 10)), int)
            for area in areas:
                left, right = round(area.left * 10), round((area.left + area.width) * 10)
                self.assertLessEqual(right, taken.shape[1])
                taken[round(area.top * 10) : round((area.top + area.height) * 10), left:right] += 1
            self.assertEqual(taken.max(), 1, name)

    def test_pages(self):
        self.assertEqual([SHEET.pages(count) for count in (0, 1, 48, 49, 150)], [1, 1, 1, 2, 4])


class MarkTests(TestCase):
    @given(st.lists(st.floats(-0.15, 0.15), min_size=8, max_size=8))
    def test_a_plane_takes_the_corners_where_they_are(self, moved):
        square = np.array([[0.0, 0], [1, 0], [1, 1], [0, 1]])
        seen = square + np.reshape(moved, (4, 2))
        np.testing.assert_allclose(placed(plane(square, seen), square), seen, atol=1e-9)

    def test_found_upright_askew_and_any_way_round(self):
        plain = drawn()
        expected = SHEET.mark_centres * SCALE
        np.testing.assert_allclose(find_marks(plain), expected, atol=1.0)
        turned = np.rot90(plain, 2)
        size = np.array(plain.shape[1::-1])
        np.testing.assert_allclose(find_marks(turned), size - 1 - expected, atol=1.5)
        askew = ndimage.rotate(plain, 4, reshape=True, order=1, mode="constant", cval=0.3)
        self.assertLess(np.median(errors(read(np.clip(askew, 0, 1)))), 0.6)

    def test_a_picture_without_them_has_none(self):
        self.assertIsNone(find_marks(np.full((300, 200, 3), 0.8)))
        self.assertIsNone(find_marks(drawn(hole=False)))
        noise = np.random.default_rng(1).uniform(0, 1, (300, 200, 3))
        self.assertIsNone(find_marks(noise))


class PatchTests(TestCase):
    def test_lamp_and_unevenness_are_taken_out(self):
        off = errors(read(drawn(light=(1.0, 0.8, 0.55), shading=0.12)))
        self.assertLess(np.median(off), 0.8)
        self.assertLess(off.max(), 3)

    def test_a_grey_card_takes_the_cameras_tone_out(self):
        photo = drawn(tone=1.25, light=(0.95, 0.9, 0.8))
        without, with_grey = errors(read(photo)), errors(read(photo, grey=True))
        self.assertGreater(np.median(without), 3)
        self.assertLess(np.median(with_grey), 1.0)

    def test_what_is_no_grey_card_is_refused(self):
        linear = drawn()
        corrected = (linear, np.zeros(linear.shape[:2], bool), PictureBox(400, 30, 30, 20), WHITE)
        for box, words in ((PictureBox(400, 30, 30, 20), "grey card"), (PictureBox(5, 5, 2, 2), "too small")):
            with self.assertRaisesRegex(BadInput, words):
                correct(*corrected, grey=(box, figures.paper.GREY_CARD_LAB))

    def test_bare_and_streaky_boxes_are_told(self):
        linear = drawn()
        first, second = (SHEET.inked(box) for box in SHEET.boxes[:2])
        for area, step in ((first, 1), (second, 2)):
            rows = slice(int(area.top * SCALE) - 2, int((area.top + area.height) * SCALE) + 2, step)
            linear[rows, int(area.left * SCALE) : int((area.left + area.width) * SCALE)] = (
                0.85 * lab_to_linear(np.array(WHITE))
            )
        patches = read(linear)
        self.assertTrue(patches[0].bare)
        self.assertTrue(patches[1].uneven)
        self.assertFalse(any(patch.bare or patch.uneven for patch in patches[2:]))

    def test_a_frame_beyond_the_rim_is_refused(self):
        linear = drawn()
        corrected = correct(linear, np.zeros(linear.shape[:2], bool), None)
        with self.assertRaisesRegex(BadInput, "outside the picture"):
            read_patches(corrected, np.array([[[-9, 0], [9, 0], [9, 9], [-9, 9]]]), WHITE)
