"""What is cut out of which sheet, as its maker prints it."""

from jindle_core.cutting.grain import Grain
from jindle_core.layers.pieces import Across, Kind
from jindle_core.layers.shapes import Shape
from jindle_core.lengths import OF_SHEETS, read_size
from jindle_core.planning.cutting import Cutting
from jindle_core.tests.test_build_checks import MIST, POND, SLATE, BuildChecksTestCase


class CutListTests(BuildChecksTestCase):
    def built(self):
        """A slate mat, a mist panel on it, a pond strip on that: with the base four stocks."""
        card = self.add(self.full_card(), "mat", Kind.MAT, SLATE, reveal="1/8")
        card = self.add(card, "panel", Kind.PANEL, MIST, on=1, reveal="1/8")
        return self.add(card, "strip", Kind.STRIP, POND, on=2, width="3", height="3/4")

    def cutting(self, card, width="8 1/2", height="11", **how):
        return Cutting(self.checked(card).seen.stack, read_size(width, height, "in", OF_SHEETS), **how)

    def test_each_stock_by_itself_and_every_piece_once(self):
        card = self.built()
        one = self.cutting(card)
        self.assertEqual(len(one.sheets), 4)
        (base,) = one.sheets[0].cuts
        self.assertEqual((base.name, base.size.text()), ("base", "11 × 4 1/4 in"))
        self.assertAlmostEqual(base.place.width * base.place.height, 279.4 * 107.95, delta=1)
        four = self.cutting(card, count=4)
        self.assertEqual(sum(len(sheet.cuts) for sheet in four.sheets), 16)
        self.assertGreaterEqual(len(four.sheets), four.bound)

    def test_the_score_lies_where_the_base_lies(self):
        (base,) = self.cutting(self.built()).sheets[0].cuts
        self.assertTrue(base.turned)  # 11 in lie along the sheet
        self.assertAlmostEqual(base.score.y1, 139.7)
        self.assertEqual((base.score.x1, base.score.x2), (base.place.x, base.place.x + base.place.width))
        wide = self.cutting(self.built(), "12", "6").sheets[0].cuts[0]
        self.assertFalse(wide.turned)
        self.assertAlmostEqual(wide.score.x1, 139.7)

    def test_the_base_is_folded_along_the_grain_where_the_sheet_allows(self):
        card = self.built()
        along = self.cutting(card, "12", "12.5", grain=Grain.LONG)
        self.assertEqual(along.pieces[0].direction, "folded along the grain")
        self.assertFalse(along.sheets[0].cuts[0].turned)  # upright fold, upright grain
        short = self.cutting(card, "12", "12.5", grain=Grain.SHORT).sheets[0].cuts[0]
        self.assertTrue(short.turned)
        self.assertAlmostEqual(short.score.y1, short.place.y + 139.7)
        self.assertEqual(short.size.text(), "11 × 4 1/4 in")
        letter = self.cutting(card, grain=Grain.LONG)  # 11 in across do not go onto it
        self.assertEqual(letter.pieces[0].direction, "folded across the grain")

    def test_patterns_stay_upright_and_what_is_only_ink_is_not_cut(self):
        card = self.add(self.built(), "band", Kind.PAPER, on=2, width="4", height="1")
        card = self.add(card, "hello", Kind.LETTERING, on=4, reveal="1/8")
        card = self.add(card, "dot", Kind.FINISH, on=2, width="1/4", height="1/4")
        told = {one.name: one.direction for one in self.cutting(card).pieces}
        self.assertEqual((told["band"], told["mat"]), ("pattern upright", "either way"))
        self.assertFalse({"hello", "dot"} & set(told))

    def test_smaller_pieces_out_of_the_hidden_middles(self):
        card = self.add(self.built(), "label", Kind.STRIP, SLATE, on=2, width="3", height="1")
        plain = self.cutting(card)
        self.assertEqual({one.out_of for one in plain.pieces}, {""})
        self.assertFalse(any(cut.hole for sheet in plain.sheets for cut in sheet.cuts))
        saved = self.cutting(card, from_middles=True)
        self.assertEqual({one.name: one.out_of for one in saved.pieces}["label"], "the middle of mat")
        (mat,) = next(sheet for sheet in saved.sheets if sheet.material == SLATE).cuts
        left = mat.hole.x - mat.place.x
        right = mat.place.x + mat.place.width - mat.hole.x - mat.hole.width
        self.assertGreater(left, 0)
        self.assertAlmostEqual(left, right)

    def test_cuts_go_right_across_and_what_is_left_is_measured(self):
        sheet = self.cutting(self.built()).sheets[0]
        first = sheet.trims[0]
        reaches = (first.x2 - first.x1) / sheet.width, (first.y2 - first.y1) / sheet.height
        self.assertAlmostEqual(max(reaches), 1)
        self.assertEqual([one.words for one in sheet.left], ["4 1/4 × 11 in"])

    def test_what_is_trimmed_off_and_what_it_is_enough_for(self):
        band = {"width": "8", "height": "2", "across": Across.LEFT, "trimmed": True}
        card = self.add(self.built(), "band", Kind.STRIP, **band)
        card = self.add(card, "flag", Kind.STRIP, on=2, width="1", height="1")
        (off,) = self.checked(card).examined.trimmings
        self.assertEqual((off.name, off.text("in"), off.could_be), ("band", "2 1/2 × 2 in", ("flag",)))

    def test_what_no_trimmer_cuts_comes_out_of_a_blank(self):
        card = self.add(
            self.built(), "moon", Kind.PANEL, SLATE, on=2, width="1", height="1", shape=Shape.CIRCLE
        )
        card = self.add(card, "tilted", Kind.STRIP, SLATE, on=2, width="2", height="1", turn=20.0)
        listed = {one.name: one for one in self.cutting(card).pieces}
        self.assertEqual(
            (listed["moon"].size.text(), listed["moon"].blank.text()), ("1 × 1 in", "1 1/4 × 1 1/4 in")
        )
        self.assertEqual({name for name, one in listed.items() if one.blank}, {"moon"})
        cuts = [cut for sheet in self.cutting(card).sheets for cut in sheet.cuts]
        self.assertIn(("blank for moon", "1 1/4 × 1 1/4 in"), [(cut.name, cut.size.text()) for cut in cuts])

    def test_what_no_sheet_holds_is_told(self):
        small = self.cutting(self.built(), "5", "3")
        self.assertEqual([name for name, _ in small.too_large], ["base", "mat", "panel"])
        self.assertEqual([cut.name for sheet in small.sheets for cut in sheet.cuts], ["strip"])
