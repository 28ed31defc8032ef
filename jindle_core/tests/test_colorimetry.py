import math
import unittest
import warnings

import numpy as np
from colour import MSDS_CMFS, SDS_ILLUMINANTS, SpectralDistribution, sd_to_XYZ
from colour.recovery import XYZ_to_sd_Otsu2018
from hypothesis import given, settings
from hypothesis import strategies as st

from jindle_core import figures
from jindle_core.colorimetry import eyes, naming, spaces, views
from jindle_core.colorimetry.difference import components, delta_e, din99o, direction_words
from jindle_core.colorimetry.recovery import lab_to_reflectance
from jindle_core.colorimetry.typed import read_typed
from jindle_core.contrast.measures import weakest_eyes
from jindle_core.errors import BadInput
from jindle_core.tests.strategies import LAB, PUBLISHED_PAIRS, some_lab

CMFS = MSDS_CMFS["CIE 1931 2 Degree Standard Observer"].copy().align(spaces.BANDS)
D50 = SDS_ILLUMINANTS["D50"].copy().align(spaces.BANDS)
FOUR_PLACES = 1e-4
ROUND_TRIP = 1e-6  # Lab units, for transformations that lose nothing


class DifferenceTests(unittest.TestCase):
    def test_published_pairs(self):
        found = delta_e(PUBLISHED_PAIRS[:, :3], PUBLISHED_PAIRS[:, 3:6])
        self.assertEqual(len(found), 34)
        np.testing.assert_allclose(found, PUBLISHED_PAIRS[:, 6], atol=FOUR_PLACES)

    @settings(max_examples=50)
    @given(LAB, LAB)
    def test_symmetry_and_identity(self, first, second):
        there, back = delta_e(np.array([first, second]), np.array([second, first]))
        self.assertAlmostEqual(there, back, places=9)
        self.assertEqual(float(delta_e(np.array(first), np.array(first))), 0.0)

    def test_din99o_keeps_the_ends_of_the_neutral_axis_and_follows_delta_e(self):
        np.testing.assert_allclose(din99o(np.array([100.0, 0, 0])), [100, 0, 0], atol=0.01)
        np.testing.assert_allclose(din99o(np.zeros(3)), [0, 0, 0], atol=1e-12)
        lab = some_lab(2000)
        near = lab + np.random.default_rng(2).normal(0, 2, lab.shape)
        ratio = np.linalg.norm(din99o(lab) - din99o(near), axis=1) / delta_e(lab, near)
        self.assertGreater(ratio.min(), 0.5)
        self.assertLess(ratio.max(), 1 / min(factor for _, factor in figures.colour.DIN99O_BOUND))

    def test_components_have_the_signs_they_say(self):
        parts = components([50, 30, 0], [60, 0, 40])
        self.assertEqual(parts.lightness, 10)
        self.assertAlmostEqual(parts.chroma, 10)
        self.assertGreater(parts.hue, 0)
        whole = np.hypot(parts.chroma, parts.hue)
        self.assertAlmostEqual(whole, 50)  # ΔE*ab without ΔL*: √(30² + 40²)

    # CIELAB hue angles of plain colours round the circle, and what one would say of the next and the last from each.
    CIRCLE = (
        (20, "red", "more orange", "pinker"),
        (55, "orange", "yellower", "redder"),
        (90, "yellow", "greener", "more orange"),
        (125, "leaf", "greener", "yellower"),
        (155, "green", "bluer", "yellower"),
        (195, "petrol", "bluer", "greener"),
        (235, "water", "bluer", "greener"),
        (270, "blue", "more violet", "bluer"),
        (305, "violet", "pinker", "bluer"),
        (345, "pink", "redder", "more violet"),
    )

    def test_hues_all_round_the_circle_as_one_would_say_it(self):
        labs = {
            name: [55.0, 45 * math.cos(math.radians(hue)), 45 * math.sin(math.radians(hue))]
            for hue, name, *_ in self.CIRCLE
        }
        names = list(labs)
        for at, (hue, name, ahead, behind) in enumerate(self.CIRCLE):
            for on in range(1, len(names)):
                other, far = names[(at + on) % len(names)], self.CIRCLE[(at + on) % len(names)][0]
                said = direction_words(labs[name], labs[other])
                apart = abs((far - hue + 180) % 360 - 180)
                with self.subTest(f"{name} to {other}"):
                    if apart > 60:
                        self.assertIn("a different hue: ", said)
                        self.assertNotRegex(said, r"(green|blu|yellow|pink|redd)er|more ")
                    else:
                        self.assertNotIn("different hue", said)
                    if on == 1:
                        self.assertIn(ahead, said)
                    if on == len(names) - 1:
                        self.assertIn(behind, said)

    @settings(max_examples=200)
    @given(LAB, LAB)
    def test_far_hues_are_named_outright_and_the_same_both_ways(self, one, other):
        there, back = direction_words(one, other), direction_words(other, one)
        self.assertEqual("different hue" in there, "different hue" in back)
        if "different hue" in there:
            first, second = naming.hue_name(other), naming.hue_name(one)
            self.assertIn(f"a different hue: {first} against {second}", there)
            self.assertIn(f"a different hue: {second} against {first}", back)
            self.assertNotEqual(first, second)

    def test_kraft_is_not_on_the_way_to_petrol(self):
        kraft, petrol = [52, 11, 24], [38, -16, -18]
        self.assertEqual(
            direction_words(petrol, kraft), "a different hue: brown against blue, and much lighter"
        )
        self.assertEqual(
            direction_words(kraft, petrol), "a different hue: blue against brown, and much darker"
        )
        # Near the neutral axis a hue says little.
        self.assertNotIn("hue", direction_words([60, 5, 3], [60, -4, -5]))

    def test_direction_words(self):
        cases = (
            ([50, 0, -30], [51.5, 0, -30], "a touch lighter"),
            ([50, 0, -30], [30, 0, -30], "much darker"),
            ([60, 20, 50], [60, 30, 45], "redder"),
            ([60, -30, 20], [60, -20, 13], "duller"),
            ([60, -30, 30], [66, -40, 20], "bluer and lighter"),
            ([50, 10, 10], [50.1, 10, 10], ""),
            ([70, 0, 0], [70, 0, 8], "stronger"),
        )
        for target, other, words in cases:
            with self.subTest(words):
                self.assertEqual(direction_words(target, other), words)


class SpacesTests(unittest.TestCase):
    def test_reflectance_agrees_with_colour_science(self):
        reflectance = lab_to_reflectance(some_lab(20))
        for one in reflectance:
            sd = SpectralDistribution(dict(zip(range(400, 701, 10), one, strict=True)))
            whole = sd_to_XYZ(sd, CMFS, D50, method="Integration") / 100
            # Theirs is relative to the bands' own white, ours to the standard D50 white: under 0.2 %.
            np.testing.assert_allclose(one @ spaces.D50_WEIGHTS, whole, rtol=0.004, atol=1e-3)

    def test_white_and_grey(self):
        np.testing.assert_allclose(spaces.reflectance_to_lab(np.ones(31)), [100, 0, 0], atol=ROUND_TRIP)
        lightness, a, b = spaces.reflectance_to_lab(np.full(31, 0.184187))
        self.assertAlmostEqual(lightness, 50, places=3)
        self.assertLess(abs(a) + abs(b), 1e-3)

    @settings(max_examples=60)
    @given(st.integers(0, 0xFFFFFF))
    def test_hex_round_trip(self, number):
        text = f"#{number:06x}"
        self.assertEqual(spaces.lab_to_hex(spaces.hex_to_lab(text)[None]), [text])

    @settings(max_examples=60)
    @given(LAB)
    def test_lab_round_trips(self, lab):
        back = spaces.xyz_to_lab(spaces.lab_to_xyz(np.array(lab)))
        np.testing.assert_allclose(back, lab, atol=ROUND_TRIP)
        np.testing.assert_allclose(spaces.linear_to_lab(spaces.lab_to_linear(np.array(lab))), lab, atol=1e-5)

    def test_out_of_gamut_is_flagged_and_shown_at_its_own_lightness(self):
        wild = np.array([[60.0, -90, 40], [40, 20, -100], [60, 10, 10]])
        self.assertEqual(spaces.on_screen(wild).tolist(), [False, False, True])
        shown = spaces.linear_to_lab(spaces.lab_to_shown(wild))
        np.testing.assert_allclose(shown[:, 0], wild[:, 0], atol=0.05)
        self.assertTrue(spaces.on_screen(shown * [1, 0.999, 0.999]).all())
        self.assertGreater(np.hypot(*shown[0, 1:]), 40)

    def test_bad_hex(self):
        for text in ("#12", "12345g", "", "#1234567"):
            with self.subTest(text), self.assertRaises(ValueError):
                spaces.hex_to_lab(text)


class RecoveryTests(unittest.TestCase):
    def test_round_trip_of_colours_that_surfaces_have(self):
        lab = some_lab(400)
        lab = lab[spaces.on_screen(lab) & (np.hypot(lab[:, 1], lab[:, 2]) < 45)]
        back = spaces.reflectance_to_lab(lab_to_reflectance(lab))
        self.assertGreater(len(lab), 100)
        self.assertLess(np.percentile(delta_e(lab, back), 99), 0.5)

    def test_smoother_than_and_near_to_otsu(self):
        for lab in np.array([[60.0, 10, 30], [45, -25, 10], [70, -5, -20]]):
            with self.subTest(lab):
                with warnings.catch_warnings():
                    warnings.simplefilter("ignore")  # it aligns shapes aloud
                    theirs = XYZ_to_sd_Otsu2018(spaces.lab_to_xyz(lab), cmfs=CMFS, illuminant=D50)
                theirs = np.clip(theirs.align(spaces.BANDS).values, 0, 1)
                ours = lab_to_reflectance(lab)
                self.assertLessEqual(np.sum(np.diff(ours) ** 2), np.sum(np.diff(theirs) ** 2))
                self.assertLess(np.sqrt(np.mean((ours - theirs) ** 2)), 0.08)


class ViewsTests(unittest.TestCase):
    def test_greys_have_no_hue_and_keep_lightness(self):
        lab = some_lab(30)
        seen = views.shades(lab)
        for one, before in zip(seen, lab, strict=True):
            red, green, blue = one["greys"][1:3], one["greys"][3:5], one["greys"][5:7]
            self.assertTrue(red == green == blue)
            after = spaces.hex_to_lab(one["greys"])
            self.assertLess(abs(after[0] - before[0]), 0.5)

    def test_lamp_warms_white_and_leaves_lightness_of_greys(self):
        white = views.lamp(np.array([95.0, 0, 0]))
        self.assertAlmostEqual(white[0], 95, delta=1.5)
        self.assertGreater(white[2], 3)
        self.assertLess(white[2], 15)

    def test_red_and_green_of_equal_lightness_melt_for_deutan_eyes(self):
        pair = np.array([[50.0, 50, 30], [50, -50, 35]])
        self.assertGreater(delta_e(pair[0], pair[1]), 60)
        seen = eyes.eyes(pair, "deutan")
        self.assertLess(delta_e(seen[0], seen[1]), 15)
        tritan = eyes.eyes(pair, "tritan")
        self.assertGreater(delta_e(tritan[0], tritan[1]), 40)

    def test_without_blue_cones_what_they_alone_part_melts_and_the_anchors_stay(self):
        greys = np.linspace(0.05, 0.95, 7)[:, None] * np.ones(3)
        np.testing.assert_allclose(eyes.shown_to("tritan", greys), greys, atol=0.003)
        # Anchors of the model: 485 and 660 nm, as much of them as a screen shows beside grey.
        for anchor in (eyes._SHORT, eyes._LONG):
            inside = np.linalg.inv(eyes._TO_CONES) @ (eyes._WHITE * 0.4 + 0.02 * anchor / anchor.max())
            np.testing.assert_allclose(eyes.shown_to("tritan", inside), inside, atol=0.003)
        other_blue = np.linalg.inv(eyes._TO_CONES) @ (eyes._TO_CONES @ np.full(3, 0.4) * [1, 1, 0.5])
        seen = eyes.shown_to("tritan", np.array([other_blue, np.full(3, 0.4)]))
        self.assertGreater(np.abs(other_blue - 0.4).max(), 0.15)
        np.testing.assert_allclose(seen[0], seen[1], atol=0.003)

    @given(LAB, LAB)
    def test_what_is_judged_is_never_milder_than_what_is_shown(self, one, other):
        _, least = weakest_eyes(np.array(one), np.array(other))
        for kind in eyes.EYES:
            pair = eyes.eyes(np.array([one, other]), kind)
            self.assertLessEqual(least, delta_e(pair[0], pair[1]) + 1e-9)

    def test_no_colours(self):
        self.assertEqual(views.shades(np.empty((0, 3))), [])


# Centroids of names of the ISCC–NBS system (a public standard), as sRGB, by the word that is the noun.
CENTROIDS = {
    "pink": "FFB5BA EA9399 E4717A F9CCCA DEA5A4 C08081 EAD8D7 C4AEAD FFB7A5 F99379 E66761 F4C2C2 D9A6A9 C48379"
    " ECD5C5 C7ADA3 C2AC99 FFC8D6 E68FAC DE6FA1 EFBBCC D597AE C17E91 E8CCD7 C3A6B1",
    "red": "BE0032 BC3F4A 841B2D AB4E52 722F37 905D5D AD8884",
    "orange": "E25822 D9603B CB6D51 B4745E F38400 ED872D D99058 FAB57F",
    "brown": "882D17 56070C A87C6D 79443B 3E1D1E 977F73 674C47 43302E 80461B 593319 A67B5B 6F4E37 422518 958070"
    " 635147 3E322C 996515 654522 826644 4B3621 7E6D5A 483C32 C19A6B",
    "olive": "867E36 665D1E 403D21 8C8767 5B5842 363527 967117 6C541E 3B3121 4A5D23 2B3D26 515744 404F00",
    "yellow": "F3C300 D4AF37 F8DE7E C9AE5D AB9144 F3E5AB C2B280 DCD300 E9E450",
    "green": "008856 3EB489 6AAB8E 1B4D3E 8DB600 7E9F2E 467129 8A9A5B 27A64C 83D37D 44944A 93C592",
    "blue": "00A1C2 4997D0 0067A5 A1CAF1 70A3CC 436B95",
    "violet": "9065CA 604E97 8C82B6 9A4EAE 875692 B695C0",
}


class NamingTests(unittest.TestCase):
    def test_most_colours_are_called_what_a_standard_calls_them(self):
        for word, shades in CENTROIDS.items():
            each = shades.split()
            named = [naming.hue_name(spaces.hex_to_lab(f"#{one}")) for one in each]
            # "brownish pink", "dark olive brown" and the like lie between two words.
            self.assertGreaterEqual(sum(word in name for name in named) / len(each), 0.6, (word, named))

    def test_skin_coral_and_peach_are_no_pink(self):
        for lab in ((79, 14, 20), (68, 40, 28), (85, 14, 26)):
            self.assertNotIn("pink", naming.hue_name(lab))

    @given(LAB)
    def test_many_colours_are_called_brown_as_each_by_itself(self, lab):
        called = naming.hue_name(lab) == "brown" or np.hypot(*lab[1:]) < 5
        self.assertEqual(bool(naming.are_brown_or_grey(np.array([lab]))[0]), called)

    def test_names(self):
        cases = (
            ([97, 0, 1], "white"), ([12, 1, 0], "black"), ([55, 0, 0], "grey"),
            ([55, 1, 3.5], "warm grey"), ([55, -1, -3.5], "cool grey"), ([50, 55, 30], "red"),
            ([85, 5, 75], "pale yellow"), ([40, -40, 25], "green"), ([25, 5, -40], "dark blue-violet"),
            ([35, 15, 22], "brown"), ([80, 20, -8], "pale pink-violet"),
        )  # fmt: skip
        for lab, name in cases:
            with self.subTest(name):
                self.assertEqual(naming.hue_family(lab), name)


class TypedTests(unittest.TestCase):
    def test_what_is_a_value(self):
        for text in ("52 -10 20", "52,-10,20", "L 52, a -10, b 20", "L*=52 a*=−10 b*=20", "lab(52; -10; 20)"):
            with self.subTest(text):
                self.assertEqual(read_typed(text).lab, (52, -10, 20))
        self.assertEqual(read_typed("52,5; -10,25; 20").lab, (52.5, -10.25, 20))
        self.assertEqual(read_typed(" #1A7C9B ").provenance, "screen")

    def test_what_is_none(self):
        for text in ("tarn 4", "3.07", "118", "#12345", "", "1 2", "mid reed"):
            with self.subTest(text):
                self.assertIsNone(read_typed(text))

    def test_out_of_range_names_the_value(self):
        with self.assertRaises(BadInput) as caught:
            read_typed("52, -10, 200")
        problem = caught.exception.problems[0]
        self.assertEqual((problem.column, problem.value), ("b", "200"))
