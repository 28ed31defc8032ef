import unittest

import numpy as np

from jindle_core.colorimetry.temperature import temperature
from jindle_core.palettes.from_paper import goes_with, lettering_for, neutrals_for, propose_roles
from jindle_core.palettes.role import Role
from jindle_core.palettes.roles import guess_role
from jindle_core.patterned.colours import SheetColour

CREAM, TEAL, CLAY, BERRY, NIGHT = (
    [91.0, 2, 12],
    [52.0, -22, -20],
    [62.0, 30, 38],
    [38.0, 55, 22],
    [22.0, 2, -10],
)


class GuessRoleTests(unittest.TestCase):
    def test_by_lightness_strength_and_what_is_wanting(self):
        black, white, grey, blush = [12.0, 0, 0], [97.0, 0, 1], [60.0, 1, 2], [80.0, 10, 8]
        lead, ground, support, dark, light = Role.LEAD, Role.GROUND, Role.SUPPORT, Role.DARK, Role.LIGHT
        for lab, taken, role in (
            (black, [], dark), (black, [lead, ground], dark), (black, [dark], Role.NEUTRAL),
            (white, [], light), (white, [light], ground), (white, [light, ground], Role.NEUTRAL),
            (grey, [], Role.NEUTRAL), (TEAL, [], lead), (TEAL, [dark, light], lead),
            (blush, [lead], ground), (blush, [lead, ground], support),
            (TEAL, [lead], support), (BERRY, [lead, support], dark), (BERRY, [lead, support, dark], Role.ACCENT), (CREAM, [], light),
            (BERRY, [lead, support, dark, Role.ACCENT], support), ([24.0, 30, -30], [], lead),
        ):  # fmt: skip
            with self.subTest(lab=lab, taken=taken):
                self.assertIs(guess_role(np.array(lab), taken), role)


class FromPaperTests(unittest.TestCase):
    def test_roles(self):
        sheet = [
            SheetColour(tuple(lab), share, part)
            for lab, share, part in (
                (CREAM, 0.5, "ground"), (TEAL, 0.3, "main"), (CLAY, 0.1, "support"), (NIGHT, 0.06, "support"),
                (BERRY, 0.02, "accent"), ([93.0, 0, 2], 0.01, "accent"), ([60.0, 1, 2], 0.01, "accent"),
            )
        ]  # fmt: skip
        self.assertEqual(
            propose_roles(sheet),
            [Role.GROUND, Role.LEAD, Role.SUPPORT, Role.DARK, Role.ACCENT, Role.LIGHT, Role.NEUTRAL],
        )
        self.assertEqual(propose_roles([]), [])

    def test_warm_and_cool(self):
        self.assertGreater(temperature(np.array([CLAY, CREAM]), np.array([0.5, 0.5])), 5)
        self.assertLess(temperature(np.array([TEAL, CREAM]), np.array([0.8, 0.2])), 0)

    def test_greys_lean_the_way_the_sheet_does(self):
        greys = np.array([[65.0, 2, 4], [65.0, -2, -4], [35.0, 2, 3], [35.0, -2, -3], [50.0, 40, 0]])
        self.assertEqual(neutrals_for(np.array([CLAY]), np.ones(1), greys), [0, 2])
        self.assertEqual(neutrals_for(np.array([TEAL]), np.ones(1), greys), [1, 3])
        self.assertEqual(neutrals_for(np.array([TEAL]), np.ones(1), greys[4:]), [])

    def test_lettering_reads_or_is_not_offered(self):
        self.assertEqual(
            lettering_for(np.array(CREAM), np.array([TEAL, NIGHT]), np.empty((0, 3))), ("own", 1)
        )
        inks = np.array([[20.0, 30, -30], [18.0, 0, -8]])
        self.assertEqual(lettering_for(np.array(CREAM), np.array([[70.0, 0, -10]]), inks), ("candidate", 1))
        self.assertIsNone(lettering_for(np.array([50.0, 0, 0]), np.array([TEAL]), np.array([CLAY])))

    def test_what_goes_with_a_palette(self):
        going = goes_with(
            np.array([CREAM, TEAL, CLAY]), np.array([0.5, 0.3, 0.2]), np.array([TEAL, NIGHT, CREAM])
        )
        self.assertAlmostEqual(going.agrees, 0.8)
        self.assertEqual((going.holds, going.stranger), ((0, 2), 2))
        ground_only = goes_with(np.array([CREAM, CLAY]), np.array([0.8, 0.2]), np.array([CREAM]))
        pattern_too = goes_with(
            np.array([CREAM, TEAL, CLAY]), np.array([0.5, 0.3, 0.2]), np.array([CREAM, TEAL])
        )
        self.assertAlmostEqual(ground_only.agrees, pattern_too.agrees)
        self.assertGreater(pattern_too.rank, ground_only.rank)
        self.assertIsNone(goes_with(np.array([TEAL]), np.ones(1), np.array([TEAL])).stranger)
