import unittest

from hypothesis import given, settings
from hypothesis import strategies as st

from jindle_core import figures
from jindle_core.errors import BadInput
from jindle_core.interchange.cgats import read_cgats
from jindle_core.interchange.entries import Entry
from jindle_core.interchange.range_csv import look, read_range, recognise, write_range
from jindle_core.tests.strategies import LAB

EUROPEAN = "\ufeffNr.;Farbe;L*;a*;b*;Discontinued\r\n101;Schleuse;52,5;-10,25;3,1;nein\r\n102;„Kahn“;60;1;−2,5;ja\r\n"

MISTAKES = """code,name,L,a,b,hex,discontinued
OAR-1,one,50,1,2,,no
OAR-1,two,50,1,2,,no
OAR-3,three,150,1,2,,no
OAR-4,four,50,200,2,,no
OAR-5,five,50,1,-300,,no
OAR-6,six,fifty,1,2,,no
OAR-7,seven,50,,2,,no
,,50,1,2,,no
OAR-9,nine,,,,,no
OAR-10,ten,,,,#12345,no
OAR-11,=HYPERLINK("x"),50,1,2,,no
OAR-12,twelve,50,1,2,,perhaps
OAR-13,thirteen,50,1,2,,no,extra
OAR-14,nan,nan,1,2,,no
"""


class ReadingTests(unittest.TestCase):
    def test_a_european_spreadsheet(self):
        file = read_range(EUROPEAN.encode())
        self.assertEqual((file.problems, file.kind), ((), "CSV separated by semicolons"))
        first, second = file.entries
        self.assertEqual((first.code, first.name, first.lab), ("101", "Schleuse", (52.5, -10.25, 3.1)))
        self.assertEqual((second.lab, second.discontinued, second.row), ((60, 1, -2.5), True, 3))

    def test_hex_is_a_screen_value_and_lab_wins_over_it(self):
        file = read_range(
            b"code\thex\tL\ta\tb\nA one\t#1a7c9b\t\t\t\nA two\t#1a7c9b\t40\t0\t0\n", provenance="read"
        )
        self.assertEqual([entry.provenance for entry in file.entries], ["screen", "read"])
        self.assertAlmostEqual(file.entries[0].lab[0], 47.8, delta=0.1)

    def test_every_mistake_has_its_row_column_value_and_what_was_expected(self):
        file = read_range(MISTAKES.encode())
        found = [(one.row, one.column, one.value) for one in file.problems]
        self.assertEqual(
            found,
            [
                (3, "code", "OAR-1"), (4, "L", "150"), (5, "a", "200"), (6, "b", "-300"), (7, "L", "fifty"),
                (8, "a", ""), (9, "", ""), (10, "", ""), (11, "hex", "#12345"), (12, "name", '=HYPERLINK("x")'),
                (13, "discontinued", "perhaps"), (14, "", "extra"), (15, "L", "nan"),
            ],
        )  # fmt: skip
        self.assertTrue(all(one.expected for one in file.problems))
        self.assertEqual([entry.code for entry in file.entries], ["OAR-1"])

    def test_what_is_no_such_file(self):
        cases = {
            "empty": b"  \n ",
            "UTF-16": "code,L,a,b\nx,1,2,3".encode("utf-16"),
            "NUL byte": b"code,L,a,b\nx,1,2,3\ny,1,\x002,3",
            "neither in UTF-8": "code,L,a,b\nGr\x81n,1,2,3".encode("latin-1"),
            "does not look like a CSV": b"GIF89a\n",
            "quotation": b'code,L,a,b\n"x,1,2,3\ny,1,2,3',
            "No column was recognised": b"one,two\n1,2",
            "no rows": b"code,L,a,b\n",
            "MB": b"code,L,a,b\n" + b"x" * (20 * 1024 * 1024),
        }
        for words, content in cases.items():
            with self.subTest(words):
                try:
                    problems = read_range(content).problems
                except BadInput as error:
                    problems = error.problems
                self.assertIn(words.casefold(), " ".join(one.message for one in problems).casefold())

    def test_too_many_rows(self):
        rows = "".join(f"x{n},1,2,3\n" for n in range(figures.files.LARGEST_RANGE + 1))
        with self.assertRaisesRegex(BadInput, "50000"):
            read_range(("code,L,a,b\n" + rows).encode())

    def test_columns_that_were_chosen(self):
        content = b"x;y;z;q\nTow,50;1;2".replace(b",", b";")
        file = read_range(content, {"name": "x", "L": "y", "a": "z", "b": "q"})
        self.assertEqual(file.entries[0].key, "Tow")
        with self.assertRaisesRegex(BadInput, "no column “w”"):
            read_range(content, {"name": "w", "L": "y", "a": "z", "b": "q"})

    def test_still_made_says_the_opposite(self):
        file = read_range(b"name,hex,Still made\none,#fff,yes\ntwo,#fff,no\n")
        self.assertEqual([entry.discontinued for entry in file.entries], [False, True])

    def test_usual_spellings(self):
        self.assertEqual(recognise(["Colour Code", "COLOR", "CIE L", "lab_a", "LAB b", "Set"]),
                         {"code": "Colour Code", "name": "COLOR", "L": "CIE L", "a": "lab_a", "b": "LAB b", "family": "Set"})  # fmt: skip

    def test_formula_like_cells(self):
        for cell in ("=1+1", "+cmd", "@sum", "-2+3"):
            file = read_range(f"name,hex\n{cell},#fff\n".encode())
            self.assertIn("formula", file.problems[0].message)
        self.assertEqual(read_range(b"name,hex\n- dash,#fff\n").problems, ())

    @settings(max_examples=40)
    @given(st.lists(st.tuples(st.text(st.characters(categories=["L", "N", "So"]), min_size=1, max_size=30), LAB),
                    min_size=1, max_size=8, unique_by=lambda one: one[0]))  # fmt: skip
    def test_written_and_read_again_is_the_same(self, colours):
        entries = [
            Entry(row, "", name, tuple(round(value, 2) + 0.0 for value in lab), "label", 'a "quoted", family')
            for row, (name, lab) in enumerate(colours, start=2)
        ]
        self.assertEqual(list(read_range(write_range(entries).encode()).entries), entries)


class HeadingTests(unittest.TestCase):
    def test_headings_of_six_languages(self):
        for header in (
            "Colour number;Colour name;L*;a*;b*;Family",
            "Farb-Nr.;Bezeichnung;L*;a*;b*;Farbfamilie",
            "Référence;Nom de la couleur;L*;a*;b*;Famille",
            "Kleurnummer;Kleurnaam;L*;a*;b*;Kleurgroep",
            "Código;Nombre del color;L*;a*;b*;Familia",
            "Codice;Nome del colore;L*;a*;b*;Famiglia",
        ):
            with self.subTest(header):
                (entry,) = read_range(f"{header}\nX-1;reed;50;1;2;bank\n".encode()).entries
                self.assertEqual(
                    (entry.code, entry.name, entry.lab, entry.family), ("X-1", "reed", (50, 1, 2), "bank")
                )

    def test_a_separator_line_and_titles_above_the_header(self):
        body = "Nr.;Name;L;a;b\nX-1;reed, wet;50;1;2\n"
        for head in (
            "sep=;\n",
            '"sep=;"\n',
            "Our river range\n\n",
            "sep=;\nRiver range;2026\n;printed;;in;May\n",
        ):
            with self.subTest(head):
                found = read_range((head + body).encode())
                self.assertEqual([(one.code, one.name) for one in found.entries], [("X-1", "reed, wet")])
                self.assertEqual(found.entries[0].row, 2 + head.count("\n"))

    def test_a_look_tells_what_is_there(self):
        found = look(
            b"what,L,a,b,x\nA,50,1,2,9\nB,51,1,2,9\nC,52,1,2,9\n", {"code": "what", "name": "gone"}, 2
        )
        self.assertEqual(found.columns, {"L": "L", "a": "a", "b": "b", "code": "what"})
        self.assertEqual(found.sample, (("A", "50", "1", "2", "9"), ("B", "51", "1", "2", "9")))


class SeveralTablesTests(unittest.TestCase):
    """Files with several tables in one, as measuring programs write them."""

    HEAD = 'CGATS.17\nORIGINATOR "bench"\n'

    def table(self, fields, *rows, named=True):
        shape = f"BEGIN_DATA_FORMAT\n{fields}\nEND_DATA_FORMAT\n" if named else ""
        return f"{shape}NUMBER_OF_SETS {len(rows)}\nBEGIN_DATA\n" + "\n".join(rows) + "\nEND_DATA\n"

    def test_the_table_that_says_more_of_a_sample_counts(self):
        waves = " ".join(f"SPECTRAL_NM{wave}" for wave in range(400, 710, 10))
        flat = " ".join(["0.5"] * 31)
        text = self.HEAD + self.table("SAMPLE_ID LAB_L LAB_A LAB_B", "A1 10 0 0", "A2 20 0 0")
        text += self.table(f"SAMPLE_ID {waves}", f"A1 {flat}", f"A3 {flat}")
        found = {one.code: one for one in read_cgats(text.encode()).entries}
        self.assertEqual(sorted(found), ["A1", "A2", "A3"])
        self.assertAlmostEqual(found["A1"].lab[0], 76.07, places=1)
        self.assertEqual((found["A2"].lab[0], found["A2"].reflectance), (20, None))
        self.assertEqual(len(found["A3"].reflectance), 31)

    def test_a_table_without_colours_is_left_out_and_fields_hold_on(self):
        text = self.HEAD + self.table("SAMPLE_ID DENSITY_C", "A1 1.2")
        text += self.table("SAMPLE_ID LAB_L LAB_A LAB_B", "A1 10 0 0")
        text += self.table("", "A2 20 0 0", named=False)
        self.assertEqual(
            [(one.code, one.lab[0]) for one in read_cgats(text.encode()).entries], [("A1", 10), ("A2", 20)]
        )

    def test_a_sample_that_is_cut_short_names_its_line(self):
        text = (
            self.HEAD
            + self.table("SAMPLE_ID LAB_L LAB_A LAB_B", "A1 10 0 0")
            + self.table("SAMPLE_ID LAB_L LAB_A LAB_B", "A2 20 0")
        )
        with self.assertRaisesRegex(BadInput, "Line 15: a sample has 3 of 4 values"):
            read_cgats(text.encode())
