import unittest

from hypothesis import given, settings
from hypothesis import strategies as st

from jindle_core.errors import BadInput
from jindle_core.fullness import FULLNESS, Kept
from jindle_core.interchange.drawer_csv import KeptLine, read_drawer, write_drawer

WORDS = st.text(st.characters(exclude_categories=["C", "Zl", "Zp"]), max_size=20).map(
    lambda text: " ".join(text.split())
)
LINES = st.lists(
    st.builds(
        KeptLine,
        st.just(0),
        WORDS,
        WORDS.filter(bool),
        st.builds(Kept, st.sampled_from(FULLNESS), WORDS),
    ),
    min_size=1,
    max_size=5,
)


class DrawerCsvTests(unittest.TestCase):
    @settings(max_examples=60)
    @given(LINES)
    def test_round_trip(self, lines):
        read = read_drawer(write_drawer(lines).encode())
        same = [(one.range, one.colour, one.kept) for one in lines]
        self.assertEqual([(one.range, one.colour, one.kept) for one in read], same)

    def test_usual_spellings_and_what_is_left_out(self):
        (line,) = read_drawer(b"\xef\xbb\xbfBrand;Nr.;How full\r\nQuay;12;HALF\r\n")
        self.assertEqual(line, KeptLine(2, "Quay", "12", Kept("half")))
        (line,) = read_drawer(b"code,note\nMOSS-3,from a friend\n")
        self.assertEqual(line, KeptLine(2, "", "MOSS-3", Kept("full", "from a friend")))

    def test_every_faulty_line_is_told(self):
        with self.assertRaises(BadInput) as raised:
            read_drawer(b"range,colour,full\nQuay,12,brimming\nQuay,,full\nQuay,13,\n")
        self.assertEqual(
            [(one.row, one.column) for one in raised.exception.problems], [(2, "full"), (3, "colour")]
        )

    def test_what_is_no_drawer(self):
        for content in (b"", b"one line", b"a,b\n1,2\n", b"\xff\xfea\x00"):
            with self.subTest(content), self.assertRaises(BadInput):
                read_drawer(content)
