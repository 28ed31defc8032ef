import unittest
from dataclasses import replace

import numpy as np

from standins.device import Measured, Progress, ReaderFault, State, Swatch
from standins.reader import SimulatedReader, true_reflectance, true_strip

WHITE = tuple(np.full(31, 0.88))
BLUE = tuple(np.linspace(0.7, 0.15, 31))
READY = State(calibrated=True)


def swatch(**changes) -> Swatch:
    return replace(
        Swatch("pond", "alcohol marker", BLUE, WHITE, 0.0, WHITE, layers=1, hand="middle"), **changes
    )


class ModelTests(unittest.TestCase):
    def test_one_layer_on_its_white_is_what_is_known(self):
        for medium in ("alcohol marker", "dye ink pad", "pigment ink pad", "wax pencil", "cardstock"):
            with self.subTest(medium):
                np.testing.assert_allclose(true_reflectance(swatch(medium=medium)), BLUE, atol=0.01)

    def test_more_is_darker_and_a_lighter_hand_lighter(self):
        mean = [true_reflectance(swatch(layers=layers)).mean() for layers in (1, 2, 3)]
        self.assertGreater(mean[0] - mean[1], mean[1] - mean[2])
        self.assertGreater(mean[1], mean[2])
        self.assertGreater(true_reflectance(swatch(hand="light")).mean(), mean[0])
        self.assertLess(true_reflectance(swatch(hand="heavy")).mean(), mean[0])

    def test_a_marker_shows_its_card_and_a_gel_pen_hides_it(self):
        black = tuple(np.full(31, 0.04))
        marker = true_reflectance(swatch(paper=black))
        pen = true_reflectance(swatch(paper=black, medium="gel pen"))
        self.assertLess(marker.mean(), 0.05)
        self.assertGreater(pen.mean(), 2 * marker.mean())

    def test_a_glaze_lies_between_and_below_both(self):
        yellow = swatch(identity="sun", known=tuple(np.linspace(0.2, 0.8, 31)))
        both = true_reflectance(swatch(below=yellow))
        self.assertTrue(np.all(both <= np.minimum(BLUE, yellow.known) + 0.02))
        other = true_reflectance(replace(yellow, below=swatch()))
        self.assertGreater(abs(both - other).max(), 0.003)  # which comes first matters

    def test_a_join_runs_from_one_pad_into_the_other_and_always_the_same(self):
        yellow = tuple(np.linspace(0.15, 0.8, 31))
        first, second = (
            swatch(medium="dye ink pad"),
            swatch(identity="sun", medium="dye ink pad", known=yellow),
        )
        falling = np.linspace(1, 0, 9)
        strip = true_strip(first, second, falling, falling[::-1])
        np.testing.assert_allclose(strip[0], true_reflectance(first), atol=0.06)
        np.testing.assert_allclose(strip[-1], true_reflectance(second), atol=0.06)
        self.assertLess(strip[4].max(), max(strip[0].max(), strip[-1].max()))
        np.testing.assert_array_equal(strip, true_strip(first, second, falling, falling[::-1]))

    def test_what_is_less_sure_is_further_off_and_always_the_same(self):
        off = {
            doubt: np.mean(
                [abs(true_reflectance(swatch(identity=f"{n}", doubt=doubt)) - BLUE).mean() for n in range(20)]
            )
            for doubt in (0.5, 4.0)
        }
        self.assertGreater(off[4.0], 3 * off[0.5])
        np.testing.assert_array_equal(
            true_reflectance(swatch(doubt=4.0)), true_reflectance(swatch(doubt=4.0))
        )


class ReaderTests(unittest.TestCase):
    def setUp(self):
        self.pauses: list[float] = []
        self.reader = SimulatedReader(self.pauses.append, seed=3)

    def read(self, swatch, state=READY) -> tuple[list[Progress], Measured]:
        *steps, last = self.reader.read(swatch, state)
        return steps, last

    def test_takes_about_a_second_and_tells_its_progress(self):
        steps, measured = self.read(swatch())
        self.assertEqual([step.share for step in steps], sorted(step.share for step in steps))
        self.assertEqual((steps[0].share, steps[-1].share), (0, 1))
        self.assertAlmostEqual(sum(self.pauses), 0.9)
        self.assertEqual(len(measured.reflectance), 31)
        self.assertEqual(measured.state.since_calibration, 1)

    def test_two_readings_differ_by_the_noise_of_an_instrument(self):
        first, second = (np.array(self.read(swatch())[1].reflectance) for _ in range(2))
        self.assertGreater(abs(first - second).max(), 0)
        self.assertLess(abs(first - second).max(), 0.02)

    def test_it_fails_as_real_ones_do(self):
        for state, under, code in (
            (State(), swatch(), "not-calibrated"),
            (State(calibrated=True, battery=0), swatch(), "flat-battery"),
            (State(calibrated=True, since_calibration=40), swatch(), "not-calibrated"),
            (READY, swatch(touching=False), "no-contact"),
        ):
            with self.subTest(code), self.assertRaises(ReaderFault) as raised:
                self.read(under, state)
            self.assertEqual(raised.exception.code, code)

    def test_calibrating_and_charging_mend_that(self):
        with self.assertRaises(ReaderFault):
            self.reader.calibrate(State(battery=0))
        state = self.reader.calibrate(self.reader.recharge(State(battery=0, since_calibration=40)))
        self.assertEqual((state.calibrated, state.since_calibration, state.battery), (True, 0, 100))

    def test_the_battery_runs_down(self):
        state = READY
        for _ in range(30):
            state = self.read(swatch(), state)[1].state
        self.assertLess(state.battery, 100)
        self.assertGreater(state.battery, 50)
