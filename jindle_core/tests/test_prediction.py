import unittest
from dataclasses import replace
from itertools import pairwise

import numpy as np
from hypothesis import given, settings
from hypothesis import strategies as st

from jindle_core import figures
from jindle_core.colorimetry.difference import delta_e
from jindle_core.colorimetry.recovery import lab_to_reflectance
from jindle_core.colorimetry.spaces import reflectance_to_lab
from jindle_core.media.groups import LAID_MEDIA
from jindle_core.media.medium import Medium
from jindle_core.prediction.behaviour import Behaviour, Hand, layer_weight, usual_behaviour
from jindle_core.prediction.fitting import Laying, fit
from jindle_core.prediction.known import usually
from jindle_core.prediction.kubelka_munk import absorption, film, film_absorption, reflectance_of
from jindle_core.prediction.laying import dye, glazed, laid
from jindle_core.prediction.near import USUAL, Way, pulled
from jindle_core.prediction.stocks import WHITE_CARD, stock_kind, uptake
from jindle_core.tests.strategies import LAB, some_lab

BLACK = np.full(31, 0.04)
KRAFT = lab_to_reflectance(np.array(figures.laying.STOCKS["kraft"][0]))
# Colours that a white card with something laid on it can have.
LAID = some_lab(200)
LAID = lab_to_reflectance(LAID[(np.hypot(LAID[:, 1], LAID[:, 2]) < 25) & (LAID[:, 0] < 75)])


class KubelkaMunkTests(unittest.TestCase):
    @given(st.floats(0.01, 0.99))
    def test_absorption_and_back(self, reflectance):
        self.assertAlmostEqual(float(reflectance_of(absorption(reflectance))), reflectance, places=9)

    def test_a_film_between_nothing_and_opaque(self):
        ground = np.array([0.1, 0.5, 0.9])
        np.testing.assert_allclose(film(np.full(3, 1e-6), np.full(3, 1e-6), ground), ground, atol=1e-4)
        thick = film(np.full(3, 2.0) * 50, np.full(3, 4.0) * 50, ground)
        np.testing.assert_allclose(thick, reflectance_of(np.full(3, 0.5)), atol=1e-6)

    @given(st.floats(0.05, 0.8), st.floats(0.05, 1.0))
    def test_film_absorption_finds_what_made_the_film(self, absorbing, scattering):
        seen = film(np.array([absorbing]), np.array([scattering]), np.array([0.9]))
        found = film_absorption(seen, np.array([scattering]), np.array([0.9]))
        self.assertAlmostEqual(float(found[0]), absorbing, delta=1e-6)


class LayingTests(unittest.TestCase):
    def test_layer_weights_fall_off(self):
        weights = [layer_weight(count, 0.75) for count in (1, 2, 3, 4)]
        self.assertEqual(weights[:3], [1, 1.75, 2.3125])
        self.assertTrue(np.all(np.diff(np.diff(weights)) < 0))
        with self.assertRaises(ValueError):
            layer_weight(0, 0.75)

    def test_one_layer_on_its_own_paper_is_the_reading_itself(self):
        for medium in LAID_MEDIA:
            with self.subTest(medium):
                off = delta_e(reflectance_to_lab(laid(LAID, medium)), reflectance_to_lab(LAID))
                self.assertLess(np.percentile(off, 95), 1.0)

    @settings(max_examples=40)
    @given(LAB, st.sampled_from(sorted(LAID_MEDIA)))
    def test_more_is_never_lighter_and_always_finite(self, lab, medium):
        one = lab_to_reflectance(np.array(lab))
        depths = [
            laid(one, medium, 1, Hand.LIGHT),
            laid(one, medium),
            laid(one, medium, 2),
            laid(one, medium, 3),
        ]
        lightness = reflectance_to_lab(np.stack(depths))[:, 0]
        self.assertTrue(np.isfinite(lightness).all())
        if lab[0] < 80:
            self.assertTrue(np.all(np.diff(lightness) <= 0.3), lightness)

    @settings(max_examples=40)
    @given(LAB)
    def test_a_transparent_colour_never_lightens_a_black_card(self, lab):
        seen = laid(lab_to_reflectance(np.array(lab)), Medium.ALCOHOL_MARKER, card=BLACK)
        self.assertLessEqual(reflectance_to_lab(seen)[0], reflectance_to_lab(BLACK)[0] + 0.3)

    def test_an_opaque_pen_shows_on_black_where_a_marker_does_not(self):
        one = lab_to_reflectance(np.array([75.0, 5, 50]))
        marker, pen = (
            reflectance_to_lab(laid(one, medium, card=BLACK))[0]
            for medium in (Medium.ALCOHOL_MARKER, Medium.GEL_PEN)
        )
        self.assertGreater(pen, marker + 15)

    def test_kraft_shifts_every_transparent_colour(self):
        on_white, on_kraft = (
            reflectance_to_lab(laid(LAID, Medium.DYE_PAD, card=card)) for card in (WHITE_CARD, KRAFT)
        )
        pale = on_white[:, 0] > 60  # deep ones sink into kraft and may even end up lighter
        self.assertTrue(np.all(on_kraft[pale, 0] < on_white[pale, 0]))
        self.assertGreater(np.median(delta_e(on_white, on_kraft)), 5)

    def test_a_glaze_of_nothing_is_the_colour_below(self):
        below, behaviour = dye(LAID), usual_behaviour(Medium.ALCOHOL_MARKER)
        seen = glazed(below, 1, dye(WHITE_CARD), 2, behaviour)
        np.testing.assert_allclose(seen, laid(LAID, Medium.ALCOHOL_MARKER), atol=1e-9)

    def test_what_lies_on_no_paper_has_no_behaviour(self):
        with self.assertRaises(ValueError):
            usual_behaviour(Medium.CARDSTOCK)

    def test_stocks_by_their_colour(self):
        cases = (
            ((95, 0, -1), "white"),
            ((90, 3, 15), "cream"),
            ((58, 10, 25), "kraft"),
            ((50, 0, 1), "grey"),
        )
        for lab, kind in cases:
            self.assertEqual(stock_kind(np.array(lab, dtype=float)), kind)
        kraft, white = lab_to_reflectance(np.array([[58.0, 10, 25], [95.0, 0, 0]]))
        self.assertLess(uptake(kraft), uptake(white))

    def test_uncertainty_grows_with_each_step_from_the_reading(self):
        marker = usually(Medium.ALCOHOL_MARKER)
        np.testing.assert_array_equal(marker.sigma(LAID), 0)
        grey, black = lab_to_reflectance(np.array([[62.0, 0, 0], [20.0, 0, 0]]))
        steps = [marker.sigma(LAID, 2), marker.sigma(LAID, 3), marker.sigma(LAID, 3, card=KRAFT)]
        for less, more in pairwise(map(np.median, steps)):
            self.assertLess(1.2 * less, more)
        for medium in (Medium.PIGMENT_PAD, Medium.WAX_PENCIL):
            known = usually(medium)
            on = [np.median(known.sigma(LAID, card=card)) for card in (grey, black)]
            self.assertLess(*on)
            self.assertGreater(on[1], 4)  # nobody knows how a film covers before it was seen on black

    def test_a_pencil_covers_more_with_every_layer_and_leaves_its_own_reading_alone(self):
        for medium in (Medium.WAX_PENCIL, Medium.OIL_PENCIL):
            np.testing.assert_allclose(laid(LAID, medium), LAID, atol=0.01)
            black = lab_to_reflectance(np.array([20.0, 0, 0]))
            seen = [laid(LAID, medium, layers, card=black).mean() for layers in (1, 2, 3)]
            self.assertEqual(seen, sorted(seen))

    def test_over_another_colour_a_film_hides_it_and_a_dye_adds_to_it(self):
        blue, yellow = LAID[0], LAID[1]
        for medium in (Medium.ALCOHOL_MARKER, Medium.GEL_PEN):
            alone, over = laid(blue, medium), laid(blue, medium, below=yellow)
            self.assertLess(over.mean(), alone.mean())
        hidden = delta_e(*reflectance_to_lab(np.array([over, blue])))
        glazed_over = laid(blue, Medium.ALCOHOL_MARKER, below=yellow)
        self.assertLess(hidden, delta_e(*reflectance_to_lab(np.array([glazed_over, blue]))))


class NearTests(unittest.TestCase):
    """What was read of a colour holds where it was read."""

    known = usually(Medium.WAX_PENCIL)
    two_on_kraft = Way(2, card=KRAFT)

    def at(self, way):
        return self.known.says(LAID[:1], way.layers, way.hand, way.card)[0]

    def pulled(self, way, *read):
        return pulled(self.known, way, self.at(way), [(one, seen, self.at(one)) for one, seen in read])

    def test_the_very_way_shows_what_was_read_there_and_is_as_sure_as_a_reading(self):
        seen = np.clip(self.at(self.two_on_kraft) * 0.7, 0, 1)
        shown, left = self.pulled(self.two_on_kraft, (self.two_on_kraft, seen))
        self.assertLess(delta_e(*reflectance_to_lab(np.array([shown, seen]))), 0.1)
        self.assertLess(left, 0.15)

    def test_it_says_the_less_the_more_unlike_and_nothing_of_the_usual_way(self):
        seen = np.clip(self.at(self.two_on_kraft) * 0.7, 0, 1)
        pulls, lefts = [], []
        for way in (self.two_on_kraft, Way(1, card=KRAFT), Way(2), USUAL):
            shown, left = self.pulled(way, (self.two_on_kraft, seen))
            pulls.append(float(abs(np.log(shown / self.at(way))).mean()))
            lefts.append(left)
        self.assertEqual(pulls, sorted(pulls, reverse=True))
        self.assertAlmostEqual(pulls[-1], 0, places=6)
        self.assertEqual(lefts[:3], sorted(lefts[:3]))

    def test_readings_that_contradict_each_other_settle_in_their_middle(self):
        says = self.at(self.two_on_kraft)
        read = [(self.two_on_kraft, np.clip(says * factor, 0, 1)) for factor in (0.7, 0.8, 0.2)]
        shown, _ = self.pulled(self.two_on_kraft, *read)
        np.testing.assert_allclose(shown, read[0][1], atol=0.005)

    def test_over_another_colour_is_another_matter(self):
        over = Way(2, card=KRAFT, below=4)
        shown, left = self.pulled(self.two_on_kraft, (over, self.at(self.two_on_kraft) * 0.5))
        np.testing.assert_array_equal(shown, self.at(self.two_on_kraft))
        self.assertGreater(left, 0.3)


class FittingTests(unittest.TestCase):
    def readings(self, medium, truth, count):
        random = np.random.default_rng(4)
        made = []
        for one in LAID[:count]:
            layers, card = int(random.integers(2, 4)), (WHITE_CARD, KRAFT)[int(random.integers(2))]
            seen = reflectance_to_lab(laid(one, medium, layers, Hand.MIDDLE, card, behaviour=truth))
            made.append(Laying(one, layers, Hand.MIDDLE, card, seen + random.normal(0, 0.3, 3)))
        return made

    def test_finds_the_habit_of_a_range(self):
        for medium, truth in (
            (Medium.ALCOHOL_MARKER, Behaviour(0.6, share=0.5)),
            (Medium.WAX_PENCIL, Behaviour(0.8, scatter=0.4, gap=0.05)),
            (Medium.PIGMENT_PAD, Behaviour(0.9, scatter=0.45)),
        ):
            with self.subTest(medium):
                found = fit(medium, self.readings(medium, truth, 10))
                self.assertLess(found.after, found.before)
                self.assertLess(found.after, 1.3)

    def test_one_reading_on_black_says_how_far_a_film_covers(self):
        truth, black = Behaviour(0.9, scatter=0.9), lab_to_reflectance(np.array([20.0, 0, 0]))
        light = LAID[np.argmax(LAID.mean(axis=1))]  # a dark one would not stand out from black
        seen = reflectance_to_lab(laid(light, Medium.PIGMENT_PAD, card=black, behaviour=truth))
        found = fit(Medium.PIGMENT_PAD, [Laying(light, 1, Hand.MIDDLE, black, seen)])
        self.assertAlmostEqual(found.behaviour.scatter, 0.9, delta=0.15)
        self.assertIsNone(found.after)
        usual = usually(Medium.PIGMENT_PAD)
        self.assertLess(
            3 * np.median(found.sigma(LAID, card=black)), np.median(usual.sigma(LAID, card=black))
        )

    def test_a_dye_on_black_says_next_to_nothing_and_breaks_nothing(self):
        black = lab_to_reflectance(np.array([20.0, 0, 0]))
        medium = Medium.ALCOHOL_MARKER
        found = fit(medium, [Laying(LAID[0], 2, Hand.MIDDLE, black, np.array([24.0, 3, -5]))])
        self.assertLess(abs(found.behaviour.decay - usual_behaviour(medium).decay), 0.1)
        self.assertTrue(np.isfinite(found.sigma(LAID, 2, card=KRAFT)).all())

    def test_readings_over_another_colour_say_how_much_of_a_glaze_counts(self):
        medium, truth = Medium.ALCOHOL_MARKER, Behaviour(0.75, glaze=0.7)
        readings = []
        for at in range(12):
            over, under = LAID[at], LAID[at + 1]
            seen = reflectance_to_lab(laid(over, medium, behaviour=truth, below=under))
            readings.append(Laying(over, 1, Hand.MIDDLE, WHITE_CARD, seen, under))
        found = fit(medium, readings).behaviour
        self.assertLess(abs(found.glaze - 0.7), 0.85 * abs(usual_behaviour(medium).glaze - 0.7))

    def test_a_hand_is_found_and_a_label_teaches_less_than_a_reading(self):
        medium, truth = Medium.PIGMENT_PAD, Behaviour(0.9, scatter=0.3, light=0.55)
        readings = [
            Laying(one, 1, Hand.LIGHT, WHITE_CARD, reflectance_to_lab(seen))
            for one, seen in zip(
                LAID[:6], laid(LAID[:6], medium, 1, Hand.LIGHT, behaviour=truth), strict=True
            )
        ]
        usual = usual_behaviour(medium).light
        read, labels = (fit(medium, [replace(one, own=own) for one in readings]) for own in (0.5, 4.0))
        self.assertLess(abs(read.behaviour.light - 0.55), 0.5 * abs(usual - 0.55))
        self.assertLess(abs(labels.behaviour.light - usual), abs(read.behaviour.light - usual))
        at = read.names.index("light")
        spread, loose = (np.hypot.reduce(one.spread[at]) for one in (read, labels))
        self.assertLess(spread, loose)
        # How another hand lays it is no matter of a middle one.
        sure = replace(read, spread=self.but(read, "light"))
        np.testing.assert_array_equal(read.sigma(LAID, 2), sure.sigma(LAID, 2))

    def but(self, known, name):
        """Its spread, were one of its parameters sure."""
        spread = known.spread.copy()
        spread[known.names.index(name)] = 0
        return spread

    def test_noise_is_not_taken_for_a_habit_and_bad_readings_earn_a_wider_band(self):
        medium = Medium.ALCOHOL_MARKER
        usual = usual_behaviour(medium)
        self.assertEqual(fit(medium, []).readings, 0)
        read = self.readings(medium, usual, 8)
        found = fit(medium, read)
        self.assertLess(abs(found.behaviour.decay - usual.decay), 0.05)
        random = np.random.default_rng(2)
        wild = fit(medium, [replace(one, seen=one.seen + random.normal(0, 9, 3)) for one in read])
        self.assertGreater(wild.scale, 2 * found.scale)
