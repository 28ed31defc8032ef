"""Which was it: what was noted first, one's own before what one never had, and as sure as is said."""

import unittest

import numpy as np

from jindle_core import figures
from jindle_core.colorimetry.difference import delta_e
from jindle_core.fullness import Kept
from jindle_core.media.medium import Medium
from jindle_core.provenance import Provenance
from jindle_core.supplies.colours import RangeFacts, SupplyColour
from jindle_core.supplies.guessed import Acquaintance, guessed
from jindle_core.supplies.whole import Supplies
from jindle_core.tests.strategies import some_lab

COUNT = 240
RANGES = {1: RangeFacts(1, "Sedges", "", Medium.ALCOHOL_MARKER, True), 2: RangeFacts(2, "Barks", "", Medium.CARDSTOCK, True)}  # fmt: skip


def supplies(owned=range(COUNT)):
    """Markers and card of random colours, ids from 1."""
    read: Provenance = "read"
    rows = tuple(
        SupplyColour(n + 1, 1 + n % 2, f"SEDGE-{n}", "", "", read, False, *map(float, lab))
        for n, lab in enumerate(some_lab(COUNT))
    )
    return Supplies(rows, RANGES, drawer={n + 1: Kept("full", "") for n in owned})


class GuessedTests(unittest.TestCase):
    def test_a_colour_as_it_is_read_is_that_supply(self):
        found = guessed(supplies(), tuple(some_lab(COUNT)[7]), 0.5)
        self.assertEqual((found[0].place, found[0].layers), (7, 1))
        self.assertGreater(found[0].sure, 0.9)

    def test_two_layers_are_told_from_one(self):
        mine = supplies()
        dark = mine.predicted.in_layers(np.array([4]), 2, None)[0]
        (first, *_) = guessed(mine, tuple(dark), 0.5, noted=[4])
        self.assertEqual((first.place, first.layers), (4, 2))

    def test_what_was_noted_comes_first_where_it_may_have_been(self):
        mine = supplies()
        lab = mine.lab[10]
        off = np.linalg.norm(mine.lab - lab, axis=1)
        second = int(off.argsort()[1])
        found = guessed(mine, tuple(lab), 4.0, noted=[second], used=[10])
        self.assertEqual(found[0].known, Acquaintance.NOTED)
        self.assertEqual(found[0].place, second)
        far = int(off.argmax())
        self.assertNotIn(far, [one.place for one in guessed(mine, tuple(lab), 3.0, noted=[far])])

    def test_ones_own_are_likelier_than_what_one_never_had(self):
        lab = tuple(some_lab(COUNT)[20])
        mine, hers = supplies(owned=[20]), supplies(owned=[21])
        self.assertGreater(guessed(mine, lab, 3.0)[0].sure, guessed(hers, lab, 3.0)[0].sure)

    def test_only_of_the_media_that_are_asked_for(self):
        mine = supplies()
        found = guessed(mine, tuple(mine.lab[7]), 3.0, media=[Medium.ALCOHOL_MARKER])
        self.assertTrue(all(mine.rows[one.place].range_id == 1 for one in found))
        self.assertEqual(guessed(mine, tuple(mine.lab[7]), 3.0, media=[Medium.GEL_PEN]), [])

    def test_nothing_is_nearly_sure_of_a_colour_that_nothing_has(self):
        found = guessed(supplies(), (50.0, 120.0, 90.0), 3.0)
        self.assertEqual(found, [])
        self.assertLess(sum(one.sure for one in guessed(supplies(), (60.0, 10.0, 10.0), 3.0)), 1.0)

    def test_it_is_right_as_often_as_it_is_sure(self):
        random = np.random.default_rng(3)
        mine = supplies()
        said, right, among = [], [], []
        for _ in range(300):
            noted = random.choice(COUNT, 12, replace=False).tolist()
            true = noted[int(random.integers(12))] if random.random() < 0.8 else int(random.integers(COUNT))
            layers = 1 + int(random.choice(3, p=figures.colour.WHICH_LAYERS)) if true % 2 == 0 else 1
            lab = mine.predicted.in_layers(np.array([true]), layers, None)[0]
            off = random.normal(0, 3.0 / np.sqrt(3), 3)
            # As far off in ΔE00 as it would be in CIELAB.
            read = lab + off * np.linalg.norm(off) / delta_e(lab, lab + off)
            found = guessed(mine, tuple(read), 3.0, noted=noted, used=range(COUNT // 2))
            for one in found:
                said.append(one.sure)
                right.append(one.place == true)
            among.append(true in [one.place for one in found[:3]])
        self.assertGreater(np.mean(among), 0.8)
        said, right = np.array(said), np.array(right)
        for low, high in ((0.0, 0.3), (0.7, 0.9), (0.9, 1.0)):
            there = (said >= low) & (said < high)
            self.assertGreater(there.sum(), 20)
            self.assertAlmostEqual(right[there].mean(), said[there].mean(), delta=0.12)
