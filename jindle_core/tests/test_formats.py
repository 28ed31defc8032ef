import unittest

from hypothesis import given
from hypothesis import strategies as st

from jindle_core.errors import BadInput
from jindle_core.lengths import USUAL_SIZES, Length, Size, read_length


class LengthTests(unittest.TestCase):
    def test_as_people_write_it(self):
        cases = (
            ("4 5/16", "in", 276, "in"), ("4.3125\"", "mm", 276, "in"), ("4½", "in", 288, "in"), ("4 1/4 in", "mm", 272, "in"),
            ("110 mm", "in", 1100, "mm"), ("11 cm", "in", 1100, "mm"), ("105", "mm", 1050, "mm"),
            ("110,5", "mm", 1105, "mm"), (" 5 ", "in", 320, "in"), ("17/4", "in", 272, "in"), ("4.33", "in", 277, "in"),
        )  # fmt: skip
        for text, unit, ticks, kept in cases:
            with self.subTest(text):
                self.assertEqual(read_length(text, unit), Length(ticks, kept))

    def test_what_is_no_length(self):
        for text, unit in (("", "in"), ("wide", "in"), ("4 1/0", "in"), ("4 1/3", "in"), ("4 furlongs", "in"),
                           ("0", "in"), ("-5", "in"), ("900", "mm"), ("105.55", "mm"), ("1e3", "mm"), ("x" * 500, "in")):  # fmt: skip
            with self.subTest(text), self.assertRaises(BadInput) as caught:
                read_length(text, unit, "width")
            self.assertEqual(caught.exception.problems[0].field, "width")
            self.assertLess(len(str(caught.exception)), 200)

    @given(st.integers(64, 64 * 24))
    def test_inches_shown_and_read_again_are_the_same(self, ticks):
        length = Length(ticks, "in")
        self.assertEqual(read_length(length.text(), "in"), length)

    @given(st.integers(250, 6100))
    def test_millimetres_shown_and_read_again_are_the_same(self, ticks):
        length = Length(ticks, "mm")
        self.assertEqual(read_length(length.text(), "mm"), length)

    def test_other_unit(self):
        self.assertEqual(Length(1050, "mm").text("in"), "4 1/8")
        self.assertEqual(Length(272, "in").text("mm"), "108")
        self.assertEqual(Length(64, "in").millimetres * 10, 254)


class SizeTests(unittest.TestCase):
    def test_orientation(self):
        size = Size(Length(352, "in"), Length(272, "in"))
        self.assertEqual(size.orientation, "landscape")
        self.assertEqual(size.turned().orientation, "portrait")
        self.assertEqual(size.turned().turned(), size)
        self.assertEqual(size.text(), "5 1/2 × 4 1/4 in")
        self.assertEqual(size.text("mm"), "140 × 108 mm")
        self.assertEqual(Size(size.width, size.width).orientation, "square")

    def test_usual_sizes_are_in_one_unit_each(self):
        for size in USUAL_SIZES:
            self.assertEqual(size.width.unit, size.height.unit)
