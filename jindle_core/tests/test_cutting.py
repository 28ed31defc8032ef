import unittest
from itertools import combinations
from random import Random

import shapely
from hypothesis import given, settings
from hypothesis import strategies as st

from jindle_core import figures
from jindle_core.cutting.grain import Grain, turned_for_grain
from jindle_core.cutting.middles import filled, middles
from jindle_core.cutting.packing import ToCut, area_bound, grains, pack
from jindle_core.cutting.sheet import Cut, Sheet
from jindle_core.cutting.trimming import TrimPart, trimmed
from jindle_core.errors import BadInput
from jindle_core.layers.folding import Fold, flat
from jindle_core.layers.outlines import outlines
from jindle_core.layers.pieces import Kind, Place
from jindle_core.layers.shapes import Shape
from jindle_core.layers.sizing import laid_out
from jindle_core.lengths import USUAL_SIZES, Length, Size, read_size
from jindle_core.tests.test_layers import CARD, length, piece, size

LETTER = read_size("8 1/2", "11", "in")
A4 = read_size("210", "297", "mm")
SIZES = st.builds(Size, *[st.builds(Length, st.integers(16, 540), st.just("in"))] * 2)


def cuts(*sizes, turns=True):
    return [ToCut(key, f"piece {key}", one, turns) for key, one in enumerate(sizes, start=1)]


def overlap(one, other):
    return (
        one.x < other.x + other.width
        and other.x < one.x + one.width
        and one.y < other.y + other.height
        and other.y < one.y + one.height
    )


class PackingTests(unittest.TestCase):
    @settings(max_examples=15)
    @given(st.lists(SIZES, min_size=1, max_size=14))
    def test_nothing_overlaps_everything_is_there_and_a_trimmer_can_cut_it(self, sizes):
        wanted = cuts(*sizes)
        sheets = pack(wanted, LETTER)
        self.assertEqual(
            sorted(cut.key for sheet in sheets for cut in sheet.cuts), [one.key for one in wanted]
        )
        self.assertGreaterEqual(len(sheets), area_bound(wanted, LETTER))
        by_key = {one.key: one for one in wanted}
        for sheet in sheets:
            self.assertLessEqual(sheet.used, 1)
            for cut in sheet.cuts:
                asked = by_key[cut.key].size
                sides = (grains(asked.width), grains(asked.height))
                self.assertEqual((cut.width, cut.height), sides[::-1] if cut.turned else sides)
                self.assertTrue(cut.x >= 0 and cut.y >= 0)
                self.assertTrue(cut.x + cut.width <= sheet.width and cut.y + cut.height <= sheet.height)
            self.assertFalse(any(overlap(*pair) for pair in combinations(sheet.cuts, 2)))
            self.assertIsNotNone(trimmed(sheet))

    def test_half_sheets_fill_a_sheet_exactly(self):
        sheets = pack(cuts(*[read_size("4 1/4", "11", "in")] * 4), LETTER)
        self.assertEqual([sheet.used for sheet in sheets], [1.0, 1.0])
        sheets = pack(cuts(*[read_size("105", "148", "mm")] * 4), A4)
        self.assertEqual(len(sheets), 1)

    def test_inches_on_metric_sheets_are_exact(self):
        sheets = pack(cuts(read_size("4 1/4", "5 1/2", "in")), A4)
        (cut,) = sheets[0].cuts
        self.assertEqual({cut.width, cut.height}, {272 * 127, 352 * 127})
        self.assertEqual((sheets[0].width, sheets[0].height), (2100 * 32, 2970 * 32))

    def test_grain_and_pattern_are_not_turned(self):
        strip = size("8", "1")
        turned = pack(cuts(*[strip] * 8, turns=True), read_size("4", "8", "in"))
        self.assertTrue(all(cut.turned for sheet in turned for cut in sheet.cuts))
        for sheet in pack(cuts(*[strip] * 8, turns=False), LETTER):
            self.assertFalse(any(cut.turned for cut in sheet.cuts))
        with self.assertRaises(BadInput):
            pack(cuts(strip, turns=False), read_size("4", "8", "in"))

    def test_the_same_set_is_laid_the_same_way_every_time(self):
        random = Random(4)
        wanted = cuts(
            *(
                Size(Length(random.randint(32, 300), "in"), Length(random.randint(32, 300), "in"))
                for _ in range(12)
            )
        )
        self.assertEqual(pack(wanted, LETTER), pack(wanted, LETTER))

    def test_what_cannot_be_laid_is_refused_in_words(self):
        with self.assertRaises(BadInput) as caught:
            pack(cuts(read_size("9", "12", "in")), LETTER)
        self.assertIn("No sheet is big enough for piece 1, 9 × 12 in", str(caught.exception))
        with self.assertRaises(BadInput) as caught:
            pack(cuts(*[size("1", "1")] * (figures.cutting.SHEET_PIECES + 1)), LETTER)
        self.assertIn("501 pieces", str(caught.exception))
        self.assertEqual(pack([], LETTER), [])


class TrimmingTests(unittest.TestCase):
    def test_each_cut_goes_right_across_and_what_is_left_is_told(self):
        sheet = Sheet(100, 60, (Cut(1, 0, 0, 40, 30, False), Cut(2, 40, 0, 30, 30, False)))
        found = trimmed(sheet)
        self.assertEqual(found.left[0], TrimPart(0, 30, 100, 30))
        self.assertEqual(sum(part.width * part.height for part in found.left), 6000 - 40 * 30 - 30 * 30)
        self.assertEqual((found.trims[0].upright, found.trims[0].at), (False, 30))

    def test_a_pinwheel_cannot_be_cut_across(self):
        wheel = (
            Cut(1, 0, 0, 2, 1, False), Cut(2, 2, 0, 1, 2, False),
            Cut(3, 1, 2, 2, 1, False), Cut(4, 0, 1, 1, 2, False), Cut(5, 1, 1, 1, 1, False),
        )  # fmt: skip
        self.assertIsNone(trimmed(Sheet(3, 3, wheel)))

    def test_a_bare_sheet_is_all_left_over(self):
        self.assertEqual(trimmed(Sheet(10, 20, ())).left, (TrimPart(0, 0, 10, 20),))
        self.assertEqual(trimmed(Sheet(10, 20, (Cut(1, 0, 0, 10, 20, False),))).trims, ())


class ScoringTests(unittest.TestCase):
    def test_every_usual_card_is_scored_in_the_middle_of_twice_its_size(self):
        for card in USUAL_SIZES:
            side, top = flat(card, Fold.SIDE), flat(card, Fold.TOP)
            self.assertEqual(side.size.width.ticks, 2 * card.width.ticks)
            self.assertEqual((side.upright, side.score, side.size.height), (True, card.width, card.height))
            self.assertEqual(
                (top.upright, top.score, top.size.height.ticks), (False, card.height, 2 * card.height.ticks)
            )

    def test_half_a_sheet_scored_and_folded(self):
        self.assertEqual(flat(CARD, Fold.TOP).size.text(), "4 1/4 × 11 in")
        sheets = pack([ToCut(n, "base", flat(CARD, Fold.TOP).size) for n in range(2)], LETTER)
        self.assertEqual(len(sheets), 1)


class MiddleTests(unittest.TestCase):
    def test_the_middle_of_a_mat_under_a_panel_can_be_cut_out(self):
        pieces = [piece(1, kind=Kind.MAT), piece(2, 1), piece(3, 2, kind=Kind.IMAGE, size=size("1", "1"))]
        (found,) = middles(laid_out(CARD, pieces), pieces, "in")
        self.assertEqual(found.key, 1)
        rim = 2 * figures.cutting.MIDDLE_RIM
        hidden = laid_out(CARD, pieces)[2]
        self.assertLessEqual(float(found.size.width.millimetres), float(hidden.width) - rim)
        self.assertGreater(float(found.size.width.millimetres), float(hidden.width) - rim - 1.6)
        self.assertEqual(found.size.width.ticks % 4, 0)

    def test_no_middle_where_nothing_hides_it_or_it_is_of_no_use(self):
        bare = [piece(1, kind=Kind.MAT)]
        self.assertEqual(middles(laid_out(CARD, bare), bare, "in"), [])
        small = [piece(1, kind=Kind.MAT), piece(2, 1, size=size("3/4", "3"))]
        self.assertEqual(middles(laid_out(CARD, small), small, "in"), [])
        over = [piece(1, kind=Kind.MAT, reveal=length("1")), piece(2, 1, size=size("4", "4"))]
        self.assertEqual(middles(laid_out(CARD, over), over, "in"), [])

    def test_what_one_sees_through_hides_nothing(self):
        for kind in (Kind.VELLUM, Kind.IMAGE, Kind.CUT_WORDS):
            pieces = [piece(1, kind=Kind.MAT), piece(2, 1, kind=kind, size=size("4", "3"))]
            self.assertEqual(middles(laid_out(CARD, pieces), pieces, "in"), [])

    def test_the_middle_under_a_shape_is_hidden_by_its_outline(self):
        for shape in (Shape.OVAL, Shape.TAG, Shape.HEART, Shape.LABEL):
            offset = Place(right=length("1/4"))
            pieces = [piece(1, kind=Kind.MAT), piece(2, 1, size=size("4", "3"), shape=shape, place=offset)]
            boxes, lie = laid_out(CARD, pieces), outlines(CARD, pieces)
            (found,) = middles(boxes, pieces, "in", lie)
            wide, high = (float(side.millimetres) for side in (found.size.width, found.size.height))
            mat = boxes[1]
            x, y = float(mat.x + mat.width / 2) + found.right, float(mat.y + mat.height / 2) + found.below
            hole = shapely.box(x - wide / 2, y - high / 2, x + wide / 2, y + high / 2)
            self.assertTrue(lie[2].lies.buffer(-figures.cutting.MIDDLE_RIM + 0.1).contains(hole), shape)
            self.assertGreater(wide * high, 0.1 * lie[2].lies.area)


class GrainTests(unittest.TestCase):
    def test_a_base_is_folded_along_the_grain(self):
        card = read_size("4 1/4", "5 1/2", "in")
        side, top = flat(card, Fold.SIDE), flat(card, Fold.TOP)
        cases = (
            (side, Grain.LONG, False),
            (side, Grain.SHORT, True),
            (top, Grain.LONG, None),  # 11 in across do not go onto Letter
            (top, Grain.SHORT, False),
            (top, Grain.UNKNOWN, None),
        )
        for base, grain, turned in cases:
            with self.subTest(grain=grain, base=base.size.text()):
                self.assertEqual(turned_for_grain(base, LETTER, grain), turned)

    def test_not_where_it_does_not_go_onto_the_sheet_that_way(self):
        base = flat(read_size("7", "5", "in"), Fold.SIDE)  # 14 × 5, scored upright
        self.assertIsNone(turned_for_grain(base, LETTER, Grain.LONG))
        self.assertIs(turned_for_grain(base, read_size("15", "12", "in"), Grain.SHORT), False)

    def test_a_wide_sheet_has_its_long_side_across(self):
        base = flat(read_size("5", "7", "in"), Fold.SIDE)
        self.assertIs(turned_for_grain(base, read_size("12", "10", "in"), Grain.LONG), True)


class FilledTests(unittest.TestCase):
    @given(st.lists(SIZES, max_size=6), st.lists(SIZES, max_size=8))
    def test_one_piece_a_hole_and_each_goes_in(self, holes, sizes):
        pieces = cuts(*sizes)
        taken = filled(holes, pieces)
        self.assertEqual(len(set(taken.values())), len(taken))
        for at, hole in taken.items():
            sides = sorted((pieces[at].size.width.ticks, pieces[at].size.height.ticks))
            room = sorted((holes[hole].width.ticks, holes[hole].height.ticks))
            self.assertTrue(sides[0] <= room[0] and sides[1] <= room[1])

    def test_the_largest_first_into_the_smallest_that_holds_it(self):
        holes = [size("4", "4"), size("2", "2")]
        pieces = cuts(size("1", "1"), size("2", "1 3/4"), size("3", "3"), size("5", "1"))
        self.assertEqual(filled(holes, pieces), {2: 0, 1: 1})

    def test_a_pattern_is_not_turned(self):
        hole = [size("3", "1")]
        self.assertEqual(filled(hole, cuts(size("1", "3"), turns=False)), {})
        self.assertEqual(filled(hole, cuts(size("1", "3"))), {0: 0})
