"""Pieces that are cut out of patterned paper, with its pattern; words on them."""

import unittest

import numpy as np
from hypothesis import given
from hypothesis import strategies as st

from jindle_core.card.changes.build import AddPiece, EditPiece, PutOnStrip
from jindle_core.card.changes.every import changed
from jindle_core.card.changes.palette import AddColour
from jindle_core.card.references import named, turned
from jindle_core.card.stored import card_to_json
from jindle_core.card.whole import Anchor, Card
from jindle_core.checked.whole import CheckedCard
from jindle_core.checks.finding import Status
from jindle_core.colorimetry.spaces import lab_to_linear
from jindle_core.errors import BadInput
from jindle_core.layers.pieces import WHITE_END, Kind
from jindle_core.lengths import OF_PIECES, OF_SHEETS, Length, read_size
from jindle_core.material import End
from jindle_core.palettes.role import Role
from jindle_core.patterned.sheet import PAST, sheet_labels
from jindle_core.planning.cutting import Cutting
from jindle_core.seen.whole import SeenCard
from jindle_core.tests.made import LABS, SHEET, a_sheet, some_supplies

CARD = read_size("148", "105", "mm")
SUPPLIES = some_supplies()
ON_SHEET = End("sheet", 7)
PLACES = st.floats(-300, 300)
NOTHING = (0.0, 0.0)


def sized(wide, high, **told):
    return {"size": read_size(wide, high, "mm", OF_PIECES)} | told


def checked(card, sheet):
    return CheckedCard(SeenCard(card, SUPPLIES, sheets={7: sheet}))


def with_strip(**told):
    told = sized("100", "40", material=ON_SHEET) | told
    return changed(Card("Sheets", CARD), AddPiece(Kind.STRIP, "strip", told))


class SheetTests(unittest.TestCase):
    @given(PLACES, PLACES, st.floats(-360, 360), PLACES, PLACES)
    def test_a_pattern_comes_again_every_width_and_height_as_it_is_turned(self, x, y, turn, right, below):
        sheet = a_sheet(60.0)
        angle = np.deg2rad(turn)
        along, down = np.array([np.cos(angle), np.sin(angle)]), np.array([-np.sin(angle), np.cos(angle)])
        # In the middle of a part: on its edge rounding decides.
        start = np.array([right, below])
        point = start + (np.floor(x / 6) * 6 + 3) * along + (np.floor(y / 6) * 6 + 3) * down
        again = point + 60 * along - sheet.height * down
        found = sheet.at(np.array([point, again]), (right, below), turn, True)
        self.assertEqual(found[0], found[1])

    def test_without_repeating_it_ends_where_it_ends(self):
        sheet = a_sheet(60.0)
        points = np.array([(3, 3), (45, 3), (57, 3), (63, 3), (-1, 3), (3, 31)])
        self.assertEqual(sheet.at(points, NOTHING, 0.0, False).tolist(), [0, 1, 2, PAST, PAST, PAST])
        self.assertEqual(sheet.holds(points, NOTHING, 0.0).tolist(), [True] * 3 + [False] * 3)
        self.assertEqual(sheet.at(points, (20.0, 0.0), 90.0, False)[0], 0)
        np.testing.assert_allclose(sheet.shares, [0.6, 0.3, 0.1])

    def test_it_is_cut_out_of_a_sheet_of_its_own_size(self):
        stack = checked(with_strip(), a_sheet(304.8)).seen.stack
        cutting = Cutting(stack, read_size("210", "297", "mm", OF_SHEETS))
        sizes = {one.material: (one.width, one.height) for one in cutting.sheets}
        self.assertEqual(sizes[WHITE_END], (210, 297))
        np.testing.assert_allclose(sizes[ON_SHEET], (304.8, 152.4), atol=0.06)
        # A pattern that goes on is there on the large sheet too; one that does not ends with its own.
        for repeated, lacking in ((True, []), (False, ["strip"])):
            card = with_strip(pattern={"repeated": repeated})
            small = Cutting(checked(card, a_sheet(60.0)).seen.stack, cutting.sheet)
            self.assertEqual([name for name, _ in small.too_large], lacking)

    def test_labels_are_read_off_a_picture_however_large_it_is(self):
        labs = np.array([LABS[pk] for pk in SHEET], float)
        drawn = np.repeat(np.repeat(a_sheet(60.0).labels, 70, axis=0), 70, axis=1)
        labels = sheet_labels(lab_to_linear(labs)[drawn], labs)
        self.assertLessEqual(max(labels.shape), 256)
        shares = np.bincount(labels.ravel(), minlength=3) / labels.size
        np.testing.assert_allclose(shares, [0.6, 0.3, 0.1], atol=0.01)


class PieceOfSheetTests(unittest.TestCase):
    def test_it_shows_the_sheets_colours_at_true_scale_where_it_lies(self):
        card = with_strip(pattern={"right": Length(60, "mm")})
        stack = checked(card, a_sheet(60.0)).seen.stack
        left, top = (float(getattr(stack.where.boxes[1], side)) for side in ("x", "y"))
        for off, pk in ((6 + 3, 31), (6 + 45, 32), (6 + 57, 33), (3, 33)):
            labs, _ = stack.look.seen_at(
                stack.look.faces[0], np.array([left + off]), np.array([top + 5]), np.array([2])
            )
            np.testing.assert_allclose(labs[0], LABS[pk], err_msg=f"{off} mm from its edge")
        self.assertEqual(stack.of.words(1), "Bank")

    def test_words_are_judged_by_the_worst_under_them_and_a_strip_is_the_first_mend(self):
        card = changed(
            changed(with_strip(), AddColour(Anchor(None, (15.0, 0.0, 0.0), "typed"), "soot", Role.DARK)),
            AddPiece(
                Kind.LETTERING,
                "words",
                sized("80", "12", on=1, material=End("palette", 1), text="with all good wishes to you"),
            ),
        )
        found = checked(card, a_sheet(60.0))
        (stands,) = (one for one in found.checks if one.key == "stands:2")
        self.assertIs(stands.finding.status, Status.FAILS)  # soot on dark blue, though most of it is green
        first, *_ = stands.to_mend()
        self.assertEqual(first.change, PutOnStrip(2, WHITE_END))
        after = checked(found.seen.after(first.change).card, a_sheet(60.0))
        self.assertIs(after.examined.stands[2].finding.status, Status.HOLDS)
        before, now = found.seen.stack.where.boxes[2], after.seen.stack.where.boxes[2]
        self.assertAlmostEqual(float(before.x - now.x), 0, delta=0.06)
        self.assertAlmostEqual(float(before.y - now.y), 0, delta=0.06)
        strip = after.seen.card.build.piece(3)
        self.assertEqual((strip.kind, strip.on, after.seen.card.build.piece(2).on), (Kind.STRIP, 1, 3))

    def test_past_the_sheets_edge_is_said_where_it_is_not_repeated(self):
        card = with_strip(pattern={"repeated": False})
        found = checked(card, a_sheet(60.0))
        (fits,) = (one for one in found.checks if one.key == "fit:1")
        self.assertIn("past its sheet", fits.finding.reason)
        self.assertEqual([mend.words for mend in fits.to_mend()], ["repeat the pattern"])
        self.assertEqual([one.id for one in checked(card, a_sheet(120.0)).checks if one.key == "fit:1"], [])
        turned_off = changed(card, EditPiece(1, {"pattern": {"turn": 90.0}}))
        (fits,) = (one for one in checked(turned_off, a_sheet(120.0)).checks if one.key == "fit:1")
        self.assertEqual(fits.to_mend()[0].words, "start at the sheet's corner")

    def test_what_lies_beside_it_is_judged_by_all_its_colours(self):
        card = changed(
            with_strip(), AddPiece(Kind.PANEL, "panel", sized("20", "20", on=1, material=End("supply", 32)))
        )
        stands = checked(card, a_sheet(60.0)).examined.stands[2]
        self.assertIs(stands.finding.status, Status.LOOK_AGAIN)
        self.assertIn("along 30 % of its edge", stands.finding.reason)

    def test_what_is_not_cut_out_of_sheets_is_said(self):
        for kind, told in ((Kind.RIBBON, {}), (Kind.LETTERING, {}), (Kind.IMAGE, {})):
            with self.assertRaisesRegex(BadInput, "not cut out of patterned paper"):
                changed(
                    Card("Sheets", CARD), AddPiece(kind, "it", sized("30", "5", material=ON_SHEET) | told)
                )

    def test_a_sheet_is_named_carried_along_and_may_go(self):
        card = with_strip()
        self.assertEqual(named(card).pieces, ())
        away = turned(card_to_json(card), lambda use, pk: None if use == "sheets" else pk)
        self.assertEqual(away["build"]["pieces"][0]["material"], {"source": "sheet", "id": 0})
        gone = CheckedCard(SeenCard(card, SUPPLIES))
        self.assertEqual(gone.seen.stack.of.words(1), "a sheet no longer on your shelf")
        self.assertIsNone(gone.desk.front[1].part.pattern)
