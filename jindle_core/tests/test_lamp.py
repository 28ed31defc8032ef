"""What is left of a lamp once white is white."""

import unittest

import numpy as np

from jindle_core.colorimetry.difference import delta_e
from jindle_core.colorimetry.spaces import as_lab, lab_to_linear, linear_to_lab
from jindle_core.errors import BadInput
from jindle_core.figures.laying import PAPER_WHITE_LAB
from jindle_core.figures.paper import LAMP_DOUBT, LAMPS
from jindle_core.patterned.correction import PictureBox, correct, is_cut_off
from jindle_core.patterned.lamp import KnownSwatch, Light, relit

LABS = ((60.0, 50, 30), (50, -40, -20), (75, 5, 60), (40, 20, -45), (65, -25, 40), (55, 45, -10))
OTHERS = ((70.0, 20, 15), (45, -20, 10), (60, -5, -30))
WHITE = lab_to_linear(np.array(PAPER_WHITE_LAB))
# Channels that a lamp mixes, white being kept as gains keep it.
MIXED = np.array(((0.8, 0.3, -0.1), (0.1, 0.9, 0.0), (0.05, 0.15, 0.8)))
MIXED *= (WHITE / (WHITE @ MIXED.T))[:, None]


def picture(labs, mix=MIXED):
    """A row of swatches after white card, as the camera has it; its boxes."""
    linear = lab_to_linear(np.array([PAPER_WHITE_LAB, *labs])) @ mix.T
    row = np.repeat(np.clip(linear, 1e-3, 1), 20, axis=0)
    return np.tile(row, (20, 1, 1)), [PictureBox(20 * at + 4, 4, 12, 12) for at in range(1, len(labs) + 1)]


def read(labs, light=None, known=None, mix=MIXED, tone=1.0, sigma=0.5):
    linear, boxes = picture(labs, mix)
    linear = WHITE * (linear / WHITE) ** tone
    corrected = correct(linear, np.zeros(linear.shape[:2], dtype=bool), PictureBox(2, 2, 16, 16))
    laid = [KnownSwatch(boxes[at], lab, sigma) for at, lab in (known or {}).items()]
    found = relit(corrected, light, known=laid)
    seen = [found.picture.even[box.slices()].reshape(-1, 3).mean(axis=0) for box in boxes]
    return found, linear_to_lab(np.array(seen))


class LampTests(unittest.TestCase):
    def off(self, seen, labs):
        return delta_e(seen, np.array(labs, dtype=float))

    def test_known_swatches_undo_a_lamp_for_those_that_are_not_known(self):
        labs = (*LABS, *OTHERS)
        _, before = read(labs)
        found, after = read(labs, known=dict(enumerate(LABS)))
        self.assertGreater(np.median(self.off(before, labs)[6:]), 3.5)
        self.assertLess(np.median(self.off(after, labs)[6:]), 1.6)
        self.assertEqual((found.used, found.trouble), ((True,) * 6, ""))
        self.assertLess(found.picture.doubt, read(LABS)[0].picture.doubt)

    def test_white_stays_white_whatever_is_known(self):
        found, _ = read(LABS, Light.BULB, dict(enumerate(LABS)))
        white = linear_to_lab(found.picture.even[8, 8])
        self.assertLess(delta_e(white, np.array(PAPER_WHITE_LAB)), 0.2)

    def test_a_light_that_is_said_is_taken_out_as_it_usually_is(self):
        for light in Light:
            mix = np.linalg.inv(np.array(LAMPS[light]))
            found, after = read(LABS, light, mix=mix)
            self.assertLess(np.median(self.off(after, LABS)), 1.0, light)
            self.assertEqual(found.picture.doubt, LAMP_DOUBT[light])
            # It keeps white to what three figures say.
            np.testing.assert_allclose(np.array(LAMPS[light]) @ WHITE, WHITE, rtol=0.02)

    def test_known_swatches_undo_the_tone_that_a_camera_gives(self):
        labs = (*LABS, *OTHERS)
        known = dict(enumerate(LABS))
        plain = self.off(read(labs, known=known, mix=np.eye(3))[1], labs)[6:]
        for tone in (0.8, 1.2):
            before = self.off(read(labs, mix=np.eye(3), tone=tone)[1], labs)[6:]
            found, after = read(labs, known=known, mix=np.eye(3), tone=tone)
            self.assertEqual(found.trouble, "")
            self.assertLess(self.off(after, labs)[6:].max(), plain.max() + 0.6, tone)
            self.assertGreater(before.max(), plain.max() + 2, tone)

    def test_a_swatch_known_by_its_label_counts_for_less_than_one_that_was_read(self):
        wrong = dict(enumerate((lab[0], lab[1] + 8, lab[2] + 8) for lab in LABS))
        plain, surely, guessed = (
            read(LABS, known=known, mix=np.eye(3), sigma=sigma)[1]
            for known, sigma in ((None, 0.5), (wrong, 0.5), (wrong, 6.0))
        )
        self.assertLess(np.abs(guessed - plain).max(), 0.95 * np.abs(surely - plain).max())

    def test_a_strong_colour_by_a_lamp_is_less_sure_than_a_grey(self):
        for light in (*Light, None):
            sure = read(LABS, light)[0].picture.sigma(np.array([(60, 0, 0), (60, 40, 0), (60, 0, 80.0)]))
            self.assertTrue((np.diff(sure) > 0).all())
            self.assertLessEqual(sure[0], read(LABS)[0].picture.sigma(np.array([60, 0, 0])))

    def test_what_is_none_of_them_is_not_gone_by(self):
        found, after = read(LABS, known=dict(enumerate(LABS)) | {2: (30.0, -30.0, -30.0)})
        self.assertEqual(found.used, (True, True, False, True, True, True))
        self.assertIn("Known swatch 3 looks like something else", found.trouble)
        self.assertLess(np.median(self.off(after, LABS)), 0.6 * np.median(self.off(read(LABS)[1], LABS)))

    def test_swatches_that_are_all_something_else_change_nothing(self):
        wrong = {at: LABS[(at + 3) % 6] for at in range(6)}
        found, after = read(LABS, known=wrong)
        self.assertEqual(set(found.used), {False})
        self.assertIn("look like none", found.trouble)
        np.testing.assert_allclose(after, read(LABS)[1])

    def test_too_few_and_all_alike_are_told(self):
        two, _ = read(LABS, known={0: LABS[0], 1: LABS[1]})
        self.assertEqual((set(two.used), two.trouble), ({False}, "Known swatches help from three on."))
        alike = tuple((60.0 + n, 20.0 + n, 10.0) for n in range(6))
        found, after = read(alike, known=dict(enumerate(alike)))
        self.assertIn("much alike", found.trouble)
        self.assertTrue(np.isfinite(after).all())

    def test_colours_that_are_cut_off_are_noticed_and_the_white_card_is_not(self):
        clipped = np.zeros((100, 100), dtype=bool)
        clipped[:20, :20] = True
        self.assertTrue(is_cut_off(clipped, None))
        self.assertFalse(is_cut_off(clipped, PictureBox(0, 0, 20, 20)))

    def test_a_box_outside_is_told(self):
        linear, _ = picture(LABS)
        corrected = correct(linear, np.zeros(linear.shape[:2], dtype=bool), PictureBox(2, 2, 16, 16))
        with self.assertRaises(BadInput) as raised:
            relit(corrected, None, known=[KnownSwatch(PictureBox(900, 4, 12, 12), as_lab(np.array(LABS[0])))])
        self.assertEqual(raised.exception.problems[0].field, "known")
        self.assertIs(relit(correct(linear, linear[..., 0] > 2, None), Light.SHADE).picture.reference, None)
