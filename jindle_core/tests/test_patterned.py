import unittest

import numpy as np
from skimage.transform import ProjectiveTransform, warp

from jindle_core import figures
from jindle_core.colorimetry.difference import delta_e
from jindle_core.colorimetry.spaces import lab_to_linear
from jindle_core.errors import BadInput
from jindle_core.patterned.colours import sheet_colours, where, with_parts
from jindle_core.patterned.correction import PictureBox, correct, find_white
from jindle_core.patterned.straightening import straightened

CREAM, TEAL, CLAY, BERRY, WHITE = (
    [91.0, 2, 12], [52.0, -22, -20], [62.0, 30, 38], [38.0, 55, 22], list(figures.laying.PAPER_WHITE_LAB),
)  # fmt: skip
LAMP = np.array([1.0, 0.83, 0.55])
CARD = PictureBox(10, 10, 50, 40)


def sheet(*labs, side=300, berry=0.0):
    """Stripes of the colours on the first, a white card in the corner, perhaps a dot of berry; labels and linear."""
    labels = np.zeros((side, side), dtype=int)
    for number in range(1, len(labs)):
        for start in range(number * 24, side, 24 * len(labs)):
            labels[:, start : start + 14] = number
    y, x = np.mgrid[0:side, 0:side]
    colours = [*labs, WHITE]
    if berry:
        radius = side * np.sqrt(berry / np.pi)
        labels[(y - side * 0.7) ** 2 + (x - side * 0.6) ** 2 < radius**2] = len(colours)
        colours.append(BERRY)
    rows, columns = CARD.slices()
    labels[rows, columns] = len(labs)
    return labels, np.clip(lab_to_linear(np.array(colours)), 0, 1)[labels]


def lit(linear, light=LAMP, falling=0.0):
    """The sheet under a lamp of a colour, falling off towards one side, a little noisy."""
    across = np.linspace(0.5, -0.5, linear.shape[1])[None, :, None]
    noise = np.random.default_rng(2).normal(0, 0.003, linear.shape)
    return np.clip(linear * light * 0.9 * (1 + falling * across) + noise, 0, 1).astype(np.float32)


def unclipped(linear):
    return np.zeros(linear.shape[:2], dtype=bool)


class CorrectionTests(unittest.TestCase):
    def read(self, linear, box=CARD):
        return sheet_colours(correct(linear, unclipped(linear), box))

    def assert_holds(self, found, *labs, within=1.5):
        """Each of the colours is found, nearly."""
        labs_found = np.array([one.lab for one in found])
        for lab in labs:
            self.assertLess(delta_e(np.array(lab), labs_found).min(), within, (lab, labs_found.round(1)))

    def test_a_lamps_cast_is_taken_out(self):
        _, linear = sheet(CREAM, TEAL, CLAY)
        found = self.read(lit(linear))
        self.assertEqual(len(found), 3)
        self.assert_holds(found, CREAM, TEAL, CLAY)
        without = sheet_colours(correct(lit(linear), unclipped(linear), None))
        self.assertGreater(min(delta_e(np.array(CREAM), np.array(one.lab)) for one in without), 5)

    def test_unevenness_is_taken_out(self):
        _, linear = sheet(CREAM, TEAL, CLAY)
        corrected = correct(lit(linear, falling=0.4), unclipped(linear), CARD)
        self.assertAlmostEqual(corrected.uneven, 1.5, delta=0.15)
        self.assert_holds(sheet_colours(corrected), CREAM, TEAL, CLAY)

    def test_another_card_than_white_can_be_the_reference(self):
        labels, linear = sheet(CREAM, TEAL, CLAY)
        grey = [70.0, 0, 2]
        linear[labels == 3] = lab_to_linear(np.array(grey))
        found = sheet_colours(correct(lit(linear), unclipped(linear), CARD, tuple(grey)))
        self.assert_holds(found, CREAM, TEAL, CLAY)

    def test_what_is_no_reference(self):
        _, linear = sheet(CREAM, TEAL, CLAY)
        clipped = unclipped(linear)
        clipped[CARD.slices()] = True
        for box, mask, words in (
            (CARD, clipped, "overexposed"),
            (PictureBox(298, 298, 40, 40), unclipped(linear), "outside the picture"),
            (PictureBox(20, 20, 2, 2), unclipped(linear), "too small"),
        ):
            with self.subTest(words), self.assertRaisesRegex(BadInput, words):
                correct(linear, mask, box)
        with self.assertRaisesRegex(BadInput, "nearly black"):
            correct(linear * 0.001, unclipped(linear), CARD)

    def test_the_white_card_is_found_under_any_lamp(self):
        _, linear = sheet(CREAM, TEAL, CLAY)
        for light in (np.ones(3), LAMP, LAMP[::-1]):
            box = find_white(lit(linear, light, 0.2))
            self.assertTrue(CARD.left <= box.left and box.left + box.width <= CARD.left + CARD.width, box)
            self.assertTrue(CARD.top <= box.top and box.top + box.height <= CARD.top + CARD.height, box)

    def test_no_card_in_noise(self):
        self.assertIsNone(find_white(np.random.default_rng(1).random((200, 200, 3))))


class StraighteningTests(unittest.TestCase):
    CORNERS = np.array([(60.0, 30.0), (270.0, 50.0), (250.0, 280.0), (40.0, 240.0)])

    def photographed(self):
        """Upright bands between the corners, grey desk around them."""
        _, linear = sheet(CREAM, TEAL, CLAY, side=200)
        linear = linear[60:, 60:]  # without the card
        into = ProjectiveTransform.from_estimate(
            self.CORNERS, np.array([(0, 0), (140, 0), (140, 140), (0, 140)])
        )
        return linear, warp(linear, into, output_shape=(300, 300), order=1, cval=0.2, preserve_range=True)

    def test_what_lies_between_its_corners_is_straight_again(self):
        bands, photo = self.photographed()
        found = straightened(correct(photo, unclipped(photo), None), self.CORNERS)
        high, wide = found.linear.shape[:2]
        self.assertAlmostEqual(wide, np.linalg.norm(self.CORNERS[1] - self.CORNERS[0]), delta=6)
        across = ((np.arange(140) + 0.5) / 140 * wide).astype(int)
        off = np.abs(found.linear[high // 2, across] - bands[70])
        self.assertLess(np.median(off), 0.01)
        self.assertLess(np.quantile(off, 0.8), 0.05)  # but for the bands' blurred edges

    def test_it_is_as_light_as_it_was_corrected_to_and_keeps_a_card_that_lies_on_it(self):
        linear = lit(sheet(CREAM, TEAL, CLAY, side=300)[1], falling=0.5)
        corrected = correct(linear, unclipped(linear), CARD)
        whole = np.array([(0.0, 0.0), (300.0, 0.0), (300.0, 300.0), (0.0, 300.0)])
        found = straightened(corrected, whole)
        np.testing.assert_allclose(found.lab, corrected.lab, atol=0.3)
        np.testing.assert_allclose(found.reference.corners, CARD.corners, atol=1)
        self.assertIsNone(
            straightened(corrected, np.array([(90, 90), (300, 90), (300, 300), (90, 300)])).reference
        )

    def test_corners_that_are_none_are_said(self):
        picture = correct(np.full((200, 200, 3), 0.5), np.zeros((200, 200), bool), None)
        for corners, words in (
            ([(10, 10), (150, 150), (150, 10), (10, 150)], "once around"),
            ([(10, 10), (10, 150), (150, 150), (150, 10)], "once around"),
            ([(10, 10), (150, 10), (60, 60), (10, 150)], "once around"),
            ([(10, 10), (250, 10), (250, 150), (10, 150)], "outside"),
            ([(10, 10), (20, 10), (20, 20), (10, 20)], "leave less than"),
        ):
            with self.subTest(words), self.assertRaisesRegex(BadInput, words):
                straightened(picture, np.array(corners, float))


class ColourTests(unittest.TestCase):
    def read(self, *labs, **how):
        labels, linear = sheet(*labs, **how)
        return labels, sheet_colours(correct(lit(linear, np.ones(3)), unclipped(linear), CARD))

    def test_shares_are_those_of_the_drawing(self):
        labels, found = self.read(CREAM, TEAL, CLAY)
        outside = labels.copy()
        outside[0:67, 0:77] = 3  # the card and the margin that is left out with it
        counted = np.bincount(outside.ravel())[:3] / (outside != 3).sum()
        by_lab = {
            min(range(3), key=lambda at: delta_e(np.array((CREAM, TEAL, CLAY)[at]), np.array(one.lab))): one
            for one in found
        }
        for at in range(3):
            self.assertAlmostEqual(by_lab[at].share, counted[at], delta=0.015)
        self.assertAlmostEqual(sum(one.share for one in found), 1, places=6)
        self.assertEqual(found[0].part, "ground")

    def test_a_small_strong_accent_is_kept(self):
        for share in (0.01, 0.005):
            _, found = self.read(CREAM, TEAL, CLAY, berry=share, side=420)
            accent = min(found, key=lambda one: delta_e(np.array(BERRY), np.array(one.lab)))
            self.assertLess(delta_e(np.array(BERRY), np.array(accent.lab)), 3)
            self.assertEqual(accent.part, "accent")
            self.assertAlmostEqual(accent.share, share, delta=0.004)

    def test_what_the_eye_would_not_part_is_one(self):
        _, found = self.read(CREAM, [91.5, 2, 13], TEAL)
        self.assertEqual(len(found), 2)

    def test_tonal_papers_keep_their_tones(self):
        _, found = self.read([88.0, -4, -6], [82.0, -5, -8], [76.0, -7, -10])
        self.assertEqual(len(found), 3)

    def test_a_sheet_of_one_colour_and_one_of_noise(self):
        plain = np.full((200, 200, 3), 0.4, dtype=np.float32)
        (only,) = sheet_colours(correct(plain, unclipped(plain), None))
        self.assertEqual((only.share, only.part), (1.0, "ground"))
        noise = np.random.default_rng(3).random((200, 200, 3)).astype(np.float32)
        found = sheet_colours(correct(noise, unclipped(noise), None))
        self.assertAlmostEqual(sum(one.share for one in found), 1, places=6)

    def test_where_each_stands(self):
        labels, linear = sheet(CREAM, TEAL, CLAY)
        corrected = correct(lit(linear, np.ones(3)), unclipped(linear), CARD)
        found = where(corrected.lab, np.array([CREAM, TEAL, CLAY]))
        sheet_only = labels < 3
        self.assertGreater((found == labels)[sheet_only].mean(), 0.97)

    def test_the_parts(self):
        labs = np.array([CREAM, TEAL, CLAY, BERRY])
        found = with_parts(labs, np.array([0.6, 0.25, 0.12, 0.03]))
        self.assertEqual([one.part for one in found], ["ground", "main", "support", "accent"])
        self.assertEqual([one.part for one in with_parts(labs[:1], np.array([1.0]))], ["ground"])
