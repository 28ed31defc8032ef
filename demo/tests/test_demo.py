import csv
import json
import re
import unittest

import numpy as np

from demo import letters
from demo.make import DATA, files
from demo.papers import PATTERNS, draw_sheet
from jindle_core.colorimetry.difference import delta_e
from jindle_core.colorimetry.spaces import reflectance_to_lab
from jindle_core.interchange.range_csv import read_range
from jindle_core.line_art.svg import read_svg

# Letters and figures alone, such as one or two letters before figures, are how known ranges are numbered.
LOOKS_KNOWN = re.compile(r"[A-Za-z]{1,2}-?\d+|\d+[A-Za-z]{1,2}")


class DemoDataTests(unittest.TestCase):
    def setUp(self):
        self.about = json.loads((DATA / "ranges.json").read_text())
        self.ranges = {
            one["slug"]: read_range((DATA / "ranges" / f"{one['slug']}.csv").read_bytes())
            for one in self.about
        }

    def test_the_committed_files_are_what_the_program_makes(self):
        for name, text in files().items():
            with self.subTest(name):
                self.assertEqual((DATA / name).read_text(encoding="utf-8"), text)

    def test_the_committed_letters_are_those_of_the_face_that_ships(self):
        self.assertEqual(letters.WRITTEN.read_text(encoding="utf-8"), letters.written())

    def test_every_area_of_the_drawings_has_a_name_and_is_closed(self):
        listed = json.loads((DATA / "drawings" / "drawings.json").read_text())
        self.assertGreaterEqual(len(listed), 5)
        for one in listed:
            found = read_svg((DATA / "drawings" / one["file"]).read_bytes())
            self.assertGreaterEqual(len(found.shapes), 9, one["name"])
            self.assertFalse([shape.id for shape in found.shapes if re.search(r"\d|^shape", shape.id)])
            self.assertEqual(found.notes, ())

    def test_enough_of_everything(self):
        self.assertGreaterEqual(sum(len(file.entries) for file in self.ranges.values()), 600)
        for word in ("marker", "pad", "pencil", "cardstock"):
            self.assertGreaterEqual(sum(word in one["medium"] for one in self.about), 2)
        self.assertEqual([file.problems for file in self.ranges.values()], [()] * len(self.ranges))

    def test_spectra_and_lab_agree(self):
        for path in (DATA / "spectra").glob("*.csv"):
            with path.open(newline="", encoding="utf-8") as file:
                rows = list(csv.reader(file))[1:]
            spectra = np.array([row[1:] for row in rows], dtype=float)
            entries = self.ranges[path.stem].entries
            self.assertEqual([row[0] for row in rows], [entry.key for entry in entries])
            lab = np.array([entry.lab for entry in entries])
            self.assertLess(delta_e(reflectance_to_lab(spectra), lab).max(), 0.02)

    def test_no_code_looks_like_a_known_ranges(self):
        for slug, file in self.ranges.items():
            for entry in file.entries:
                self.assertIsNone(LOOKS_KNOWN.fullmatch(entry.code), f"{slug} {entry.code}")


class SheetTests(unittest.TestCase):
    def test_every_pattern_shows_every_colour(self):
        for seed in range(len(PATTERNS)):
            with self.subTest(PATTERNS[seed]):
                labels = draw_sheet(5, seed, 400)
                shares = np.bincount(labels.ravel(), minlength=5) / labels.size
                self.assertEqual(len(shares), 5)
                self.assertGreater(shares.min(), 0.005)

    def test_an_accent_has_the_share_that_was_asked_for(self):
        for share in (0.01, 0.005):
            labels = draw_sheet(5, 1, 1000, share)
            self.assertAlmostEqual((labels == 4).mean(), share, delta=share / 8)

    def test_the_same_for_the_same_seed(self):
        np.testing.assert_array_equal(draw_sheet(4, 3, 200), draw_sheet(4, 3, 200))
