"""What CONTRIBUTING says of a medium is all that it takes: made-up ones are added to a copy, and walked."""

import shutil
import subprocess
import sys
import tempfile
import unittest
from pathlib import Path

import jindle_core
from jindle_core.media.medium import Medium

ROWS = """
    SCENTED_MARKER = (
        "scented marker",
        Traits(
            form=Form.STROKE,
            column="water",
            covering=Covering.TRANSPARENT,
            carrier=Carrier.WATER,
            toning=Toning.BLENDED,
            runs=True,
        ),
    )
    VELVET_PAD = (
        "velvet ink pad",
        Traits(
            form=Form.DAB,
            column="pad",
            covering=Covering.FILM,
            toning=Toning.BRUSHED,
            writing=Writing.STAMPED,
            letters=True,
            line_ink="solvent",
            pad=Pad(dries=15.0, dry_down=4.0, water_leaves=0.9),
            dusts=True,
        ),
    )
    LACQUER_PEN = (
        "lacquer pen",
        Traits(
            form=Form.ROUND,
            column="gel",
            covering=Covering.FILM,
            writing=Writing.WRITTEN,
            letters=True,
            line_ink="fine pen",
        ),
    )
"""
NAMES = """
    (Medium.SCENTED_MARKER, "scent"),
    (Medium.VELVET_PAD, "velvet"),
    (Medium.LACQUER_PEN, "lacquer"),
"""


class MediumTests(unittest.TestCase):
    def test_a_new_one_goes_through_every_stage(self):
        with tempfile.TemporaryDirectory() as folder:
            core = Path(folder, "jindle_core")
            shutil.copytree(
                Path(jindle_core.__file__).parent, core, ignore=shutil.ignore_patterns("__pycache__")
            )
            rows = core / "media/medium.py"
            rows.write_text(rows.read_text() + ROWS)
            names, first = core / "interchange/file_name.py", "_SPOKEN: tuple[tuple[Medium, str], ...] = ("
            names.write_text(names.read_text().replace(first, first + NAMES))
            walk = [sys.executable, "-m", "jindle_core.tests.walked_media"]
            found = subprocess.run(walk, cwd=folder, capture_output=True, text=True, check=False)
        self.assertEqual((found.stderr, found.returncode), ("", 0))
        self.assertEqual(found.stdout, f"{len(Medium) + 3} media\n")

    def test_each_is_found_by_its_name_and_what_it_is_not_is_refused(self):
        self.assertIs(Medium("gel pen"), Medium.GEL_PEN)
        with self.assertRaisesRegex(ValueError, "cardstock is not laid"):
            _ = Medium.CARDSTOCK.laid
        with self.assertRaisesRegex(ValueError, "wax pencil is not blended"):
            _ = Medium.WAX_PENCIL.pad
