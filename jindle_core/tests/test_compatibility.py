import unittest

from jindle_core.checks.finding import Status
from jindle_core.compatibility.materials import FINISHES, LINE_INKS, SURFACES
from jindle_core.compatibility.properties import checked_properties, line_ink_of, surface_of
from jindle_core.compatibility.rules import CONFLICTS, Used, cautions, conflicts
from jindle_core.errors import BadInput
from jindle_core.media.medium import Medium

ALCOHOL, WATER, WAX, OIL = Medium.ALCOHOL_MARKER, Medium.WATER_MARKER, Medium.WAX_PENCIL, Medium.OIL_PENCIL

PAD = Medium.DYE_PAD


def used(line="alcohol-proof", media=(ALCOHOL,), paper="smooth marker paper", strokes=1, finishes=()):
    return Used(LINE_INKS.get(line), frozenset(media), SURFACES[paper], strokes, frozenset(finishes))


def keys(**given):
    return {one.key for one in conflicts(used(**given))}


class RuleTests(unittest.TestCase):
    CASES = (
        ({}, set()),
        ({"line": None, "media": (WAX,)}, set()),
        ({"line": "dye"}, {"line bleeds"}),
        ({"line": "dye", "finishes": ("embossed line",)}, set()),
        ({"line": "pigment"}, {"line bleeds", "line smears"}),
        ({"media": (WATER,), "paper": "watercolour paper"}, {"line runs", "breaks the line"}),
        ({"line": "solvent", "media": (WATER,)}, {"pills"}),
        ({"strokes": 4, "paper": "heavy cardstock"}, set()),
        ({"strokes": 5, "paper": "heavy cardstock"}, {"wears"}),
        ({"strokes": 6, "paper": "heavy cardstock"}, {"wears"}),
        ({"strokes": 7, "paper": "heavy cardstock"}, {"feathers"}),
        ({"strokes": 3, "paper": "heavy cardstock"}, set()),
        ({"strokes": 4, "paper": "heavy cardstock", "media": (OIL,)}, set()),
        ({"line": "pigment", "media": (PAD,)}, {"line smears", "stencil smears"}),
        ({"paper": "vellum"}, {"sits on top"}),
        ({"paper": "vellum", "media": (OIL,), "finishes": ("embossing",)}, {"warps"}),
        ({"finishes": ("embossing",)}, {"powder sticks"}),
        ({"line": "solvent", "media": (WATER,), "paper": "watercolour paper", "finishes": ("gloss",)}, {"gloss lifts", "breaks the line"}),
        ({"media": (WAX,)}, {"wax dulls"}),
        ({"line": None, "media": (WAX, ALCOHOL)}, {"wax under marker"}),
        ({"media": (ALCOHOL, OIL), "finishes": ("solvent",)}, {"wax under marker", "solvent wakes marker"}),
    )  # fmt: skip

    def test_each_conflict_and_where_there_is_none(self):
        for given, wanted in self.CASES:
            with self.subTest(given=given):
                self.assertEqual(keys(**given), wanted)

    def test_every_rule_is_tried_and_has_a_reason_and_a_way_out(self):
        tried = set().union(*(wanted for _, wanted in self.CASES))
        self.assertEqual(tried, {rule.conflict.key for rule in CONFLICTS})
        for rule in CONFLICTS:
            self.assertTrue(rule.conflict.why and rule.conflict.ways, rule.conflict.key)

    def test_failing_ones_first(self):
        found = conflicts(used(line="pigment", strokes=9, finishes=("embossing",)))
        self.assertEqual(
            [one.status for one in found],
            sorted((one.status for one in found), key=lambda s: s is not Status.FAILS),
        )

    def test_cautions_where_it_can_hurt(self):
        self.assertIn("no flame", " ".join(cautions(used())))
        self.assertIn("ask a professional", " ".join(cautions(used(finishes=("fixative",)))))
        self.assertIn("burns", " ".join(cautions(used(finishes=("embossing",)))))
        self.assertEqual(cautions(used(media=(WAX,))), [])
        for finish in FINISHES:
            if finish != "gloss":
                self.assertTrue(cautions(used(media=(WAX,), finishes=(finish,))), finish)


class PropertyTests(unittest.TestCase):
    def test_what_a_range_says_goes_before_what_is_usual(self):
        self.assertEqual(surface_of({}, "kraft").title, "kraft")
        self.assertEqual(surface_of({}, "white").title, "heavy cardstock")
        said = surface_of({"surface": "hard smooth board", "wet_layers": 7}, "kraft")
        self.assertEqual((said.title, said.wet_layers), ("hard smooth board", 7))
        self.assertFalse(line_ink_of("Inks", Medium.DYE_PAD, {}).solvent_proof)
        self.assertTrue(line_ink_of("Inks", Medium.DYE_PAD, {"solvent_proof": True}).solvent_proof)
        self.assertFalse(line_ink_of("Inks", Medium.PIGMENT_PAD, {"slow": False, "metallic": True}).slow)

    def test_what_does_not_fit_is_refused(self):
        good = {"surface": "kraft", "wet_layers": 3}
        self.assertEqual(checked_properties(Medium.CARDSTOCK, good), good)
        for medium, given in (
            (Medium.CARDSTOCK, {"surface": "velvet"}),
            (Medium.CARDSTOCK, {"wet_layers": 0}),
            (Medium.CARDSTOCK, {"wet_layers": "3"}),
            (Medium.CARDSTOCK, {"slow": True}),
            (Medium.DYE_PAD, {"waterproof": "yes"}),
            (Medium.ALCOHOL_MARKER, {"waterproof": True}),
        ):
            with self.subTest(given=given), self.assertRaisesRegex(BadInput, next(iter(given))):
                checked_properties(medium, given)
