import io
import json
import unittest
from dataclasses import replace

import numpy as np
from hypothesis import given, settings
from hypothesis import strategies as st
from PIL import Image

from jindle_core import figures
from jindle_core.colorimetry.difference import delta_e
from jindle_core.colorimetry.spaces import lab_to_xyz, reflectance_to_lab
from jindle_core.errors import BadInput
from jindle_core.interchange.any_file import read_any_range
from jindle_core.interchange.bare_picture import bared, jpeg
from jindle_core.interchange.cgats import read_cgats, write_cgats
from jindle_core.interchange.code_list import read_list
from jindle_core.interchange.entries import Entry
from jindle_core.interchange.palette_text import read_gpl, write_gpl, write_tokens
from jindle_core.interchange.range_csv import read_range, write_range
from jindle_core.interchange.range_json import read_range_json, write_range_json
from jindle_core.matching.search import SearchIndex
from jindle_core.provenance import FILE_PROVENANCES
from jindle_core.tests.strategies import LAB

GREY = np.linspace(0.3, 0.6, 31)
TEXT = st.text(st.characters(exclude_categories=["C", "Zl", "Zp"]), max_size=30).map(
    lambda text: " ".join(text.split())
)
ENTRIES = st.lists(
    st.builds(
        Entry,
        row=st.just(0),
        code=TEXT,
        name=TEXT,
        lab=LAB,
        provenance=st.sampled_from(FILE_PROVENANCES),
        family=TEXT,
        paper=TEXT,
        discontinued=st.booleans(),
    ).filter(lambda one: one.key),
    min_size=1,
    max_size=6,
    unique_by=lambda one: one.key,
)


def bare(entries):
    """Without the row, which only says where in the file it stood."""
    return [replace(one, row=0) for one in entries]


def cgats(fields: str, data: str, *keywords: str) -> bytes:
    lines = [
        "CGATS.17",
        *keywords,
        "BEGIN_DATA_FORMAT",
        fields,
        "END_DATA_FORMAT",
        "BEGIN_DATA",
        data,
        "END_DATA",
        "",
    ]
    return "\n".join(lines).encode()


class RoundTripTests(unittest.TestCase):
    @settings(max_examples=60)
    @given(ENTRIES)
    def test_csv(self, entries):
        file = read_range(write_range(entries).encode())
        self.assertEqual(file.problems, ())
        self.assertEqual(bare(file.entries), bare(entries))

    def test_a_formula_is_neutralised_on_the_way_out_and_comes_back(self):
        entry = Entry(0, "=1+1", "-cmd", (50.0, 0.0, 0.0), "label")
        written = write_range([entry])
        self.assertIn("'=1+1,'-cmd", written)
        self.assertEqual(bare(read_range(written.encode()).entries), [entry])

    @settings(max_examples=40)
    @given(ENTRIES, st.lists(st.floats(0, 1), min_size=31, max_size=31))
    def test_json_with_spectra(self, entries, spectrum):
        entries = [replace(entries[0], reflectance=tuple(spectrum)), *entries[1:]]
        details = {"name": "Quay", "maker": "", "medium": "gel pen", "note": "ünï"}
        told, file = read_range_json(write_range_json(details, entries).encode())
        self.assertEqual(file.problems, ())
        self.assertEqual((told, bare(file.entries)), (details, bare(entries)))

    def test_cgats_with_spectra(self):
        entries = [
            Entry(
                0,
                "OAR 1",
                'the "first"',
                tuple(map(float, reflectance_to_lab(GREY))),
                "read",
                reflectance=tuple(GREY),
            ),
            Entry(
                0,
                "OAR 2",
                "",
                tuple(map(float, reflectance_to_lab(GREY / 2))),
                "read",
                reflectance=tuple(GREY / 2),
            ),
        ]
        file = read_cgats(write_cgats("Oars", entries).encode())
        self.assertEqual(
            [(one.code, one.name) for one in file.entries], [("OAR 1", 'the "first"'), ("OAR 2", "")]
        )
        for one, other in zip(file.entries, entries, strict=True):
            np.testing.assert_allclose(one.reflectance, other.reflectance, atol=1e-6)
            self.assertLess(delta_e(np.array(one.lab), np.array(other.lab)), 0.01)

    def test_gpl_keeps_screen_colours_and_names(self):
        file = read_range(b"code,name,hex\nTOW-1,rope,#8a6b4c\nTOW-2,,#0a0b0c\n")
        text = write_gpl("Tow", file.entries)
        details, back = read_gpl(text.encode())
        self.assertEqual(details["name"], "Tow")
        self.assertEqual([one.name for one in back.entries], ["TOW-1 rope", "TOW-2"])
        for one, other in zip(back.entries, file.entries, strict=True):
            np.testing.assert_allclose(one.lab, other.lab, atol=1e-9)
            self.assertEqual(one.provenance, "screen")

    def test_tokens(self):
        entries = [
            Entry(0, "TOW.1", "rope", (50.0, 10.0, 20.0), "read"),
            Entry(0, "", "$night {x}", (20.0, 0.0, 0.0), "read"),
        ]
        group = json.loads(write_tokens("My.tows", entries))["My-tows"]
        self.assertEqual(group["$type"], "color")
        self.assertEqual(group["TOW-1"]["$value"]["components"], [50, 10, 20])
        self.assertEqual(group["TOW-1"]["$description"], "rope")
        self.assertIn("night -x-", group)


class CgatsTests(unittest.TestCase):
    def one(self, content: bytes) -> Entry:
        (entry,) = read_cgats(content).entries
        return entry

    def test_quoted_or_bare_percent_or_share_over_several_lines(self):
        shares = " ".join(f"{value:.4f}" for value in GREY)
        percents = "\n".join(f"{value * 100:.2f}" for value in GREY)
        for fields, data in (
            (
                "SAMPLE_ID " + " ".join(f"SPECTRAL_NM{wave}" for wave in range(400, 701, 10)),
                f'"OAR 1" {shares}',
            ),
            (
                '"SAMPLE_ID" ' + " ".join(f'"nm{wave}"' for wave in range(400, 701, 10)),
                f'"OAR 1"\n{percents}',
            ),
        ):
            entry = self.one(cgats(fields, data, "LGOROWLENGTH 12", 'KEYWORD "INSTRUMENT"'))
            self.assertEqual(entry.code, "OAR 1")
            np.testing.assert_allclose(entry.reflectance, GREY, atol=1e-4)

    def test_other_steps_are_brought_to_ours(self):
        waves = range(380, 731, 5)
        values = np.interp(list(waves), np.arange(400, 701, 10), GREY)
        entry = self.one(
            cgats(
                "SAMPLE_NAME " + " ".join(f"NM_{wave}" for wave in waves), "mud " + " ".join(map(str, values))
            )
        )
        np.testing.assert_allclose(entry.reflectance, GREY, atol=2e-3)

    def test_xyz_and_lab(self):
        lab = np.array([52.0, -10, 20])
        xyz = " ".join(map(str, lab_to_xyz(lab) * 100))
        for fields, data in (
            ("SAMPLE_ID XYZ_X XYZ_Y XYZ_Z", f"A-one {xyz}"),
            ("SAMPLE_ID LAB_L LAB_A LAB_B", "A-one 52 -10 20"),
        ):
            np.testing.assert_allclose(self.one(cgats(fields, data)).lab, lab, atol=1e-6)

    def test_another_illuminant_is_converted_never_taken_as_d50(self):
        fields, data = "SAMPLE_ID LAB_L LAB_A LAB_B", "A-one 60 40 30"
        plain = self.one(cgats(fields, data, 'ILLUMINANT "D50"')).lab
        for keyword in (
            'ILLUMINANT "D65"',
            'MEASUREMENT_SOURCE "Illumination=D65 ObserverAngle=2"',
            'WEIGHTING_FUNCTION "ILLUMINANT, D65"',
        ):
            with self.subTest(keyword):
                other = self.one(cgats(fields, data, keyword)).lab
                self.assertGreater(delta_e(np.array(plain), np.array(other)), 0.5)
                self.assertAlmostEqual(other[0], 60, delta=2)
        grey = self.one(cgats(fields, "A-one 60 0 0", 'ILLUMINANT "D65"')).lab
        np.testing.assert_allclose(grey, (60, 0, 0), atol=0.05)

    def test_what_cannot_be_taken_says_why(self):
        lab = "SAMPLE_ID LAB_L LAB_A LAB_B"
        short = "SAMPLE_ID " + " ".join(f"NM_{wave}" for wave in range(420, 701, 10))
        spectral = "SAMPLE_ID " + " ".join(f"NM_{wave}" for wave in range(400, 701, 10))
        for content, words in (
            (cgats(lab, "A-one 60 4 3", 'OBSERVER "10 degree"'), "10°"),
            (cgats(lab, "A-one 60 4 3", 'ILLUMINANT "F11"'), "F11"),
            (cgats(lab, "A-one 60 4"), "3 of 4 values"),
            (cgats(lab, "A-one 60 four 3"), "“four” is not a number"),
            (cgats("SAMPLE_ID CMYK_C", "A-one 60"), "No colour columns"),
            (cgats("LAB_L LAB_A LAB_B", "60 4 3"), "names the samples"),
            (cgats(short, "A-one " + "0.5 " * 29), "420 to 700"),
            (cgats(spectral, "A-one -0.2 " + "0.5 " * 30), "“-0.2” is no reflectance"),
            (cgats(spectral, "A-one 180 " + "50 " * 30), "“180” is no reflectance"),
            (b"BEGIN_DATA_FORMAT\nEND_DATA_FORMAT\n", "names no fields"),
            (b"BEGIN_DATA_FORMAT\nSAMPLE_ID\nEND_DATA_FORMAT\n", "holds no data"),
        ):
            with self.subTest(words), self.assertRaises(BadInput) as raised:
                read_cgats(content)
            self.assertIn(words, str(raised.exception))


class AnyFileTests(unittest.TestCase):
    def test_told_apart_by_what_stands_in_them(self):
        entry = Entry(0, "OAR-1", "oar", (50.0, 10.0, 10.0), "label")
        for text, kind in (
            (write_range([entry]), "CSV separated by commas"),
            (write_range_json({}, [entry]), "JSON"),
            (write_cgats("x", [entry]), "CGATS text"),
            (write_gpl("x", [entry]), ".gpl palette"),
        ):
            self.assertEqual(read_any_range(text.encode())[1].kind, kind)

    def test_json_that_is_no_range(self):
        for text in (
            "{",
            "[]",
            "{}",
            '{"colours": [3]}',
            '{"colours": [{"lab": 3}]}',
            '{"colours": [{"code": "x", "lab": [1,2,3], "reflectance": [2]}]}',
        ):
            with self.subTest(text), self.assertRaises(BadInput):
                read_any_range(text.encode())
        with self.assertRaisesRegex(BadInput, "nested too deeply"):
            read_any_range(b'{"colours":' + b"[" * 100_000)
        _, file = read_any_range(b'{"colours": [{"code": "x", "lab": [500, 0, 0]}]}')
        self.assertIn("out of range", file.problems[0].message)

    def test_gpl_that_is_wrong(self):
        for line in ("1 2", "1 2 300 x", "red"):
            with self.subTest(line), self.assertRaises(BadInput):
                read_any_range(f"GIMP Palette\n{line}\n".encode())
        _, file = read_any_range(b"GIMP Palette\n#\n1 2 3 Untitled\n4 5 6 Untitled\n")
        self.assertEqual([one.name for one in file.entries], ["Untitled", "Untitled (2)"])


class CgatsAgainTests(unittest.TestCase):
    def test_lab_comes_back_as_it_was_written_beside_its_spectrum(self):
        reflectance = tuple(np.round(np.linspace(0.1, 0.7, 31), 4).tolist())
        lab = tuple(round(float(one), 2) for one in reflectance_to_lab(np.array([reflectance]))[0])
        entry = Entry(1, "OAR-1", "", lab, "read", reflectance=reflectance)
        text = write_cgats("Oars", [entry])
        (again,) = read_cgats(text.encode()).entries
        self.assertEqual((again.lab, again.reflectance), (lab, reflectance))
        self.assertEqual(write_cgats("Oars", [again]), text)
        # A colour that is not the spectrum's is not believed.
        other = text.replace(f" {lab[0]:.2f} ", " 50 ")
        (seen,) = read_cgats(other.encode()).entries
        self.assertAlmostEqual(seen.lab[0], lab[0], delta=0.05)


class BarePictureTests(unittest.TestCase):
    PLACE = "48 51 30 N"

    def made(self, kind, **how):
        pixels = np.random.default_rng(1).integers(0, 255, (60, 80, 3), dtype=np.uint8)
        out = io.BytesIO()
        Image.fromarray(pixels).save(out, kind, **how)
        return out.getvalue()

    def test_what_is_bare_stays_as_it_is(self):
        for content in (
            jpeg(Image.open(io.BytesIO(self.made("JPEG")))),
            self.made("JPEG", progressive=True),
            self.made("WEBP"),
        ):
            self.assertEqual(bared(content), content)

    def test_what_stands_beside_the_pixels_goes(self):
        exif = Image.Exif()
        exif[0x010E] = self.PLACE
        bare = self.made("JPEG")
        for content in (
            self.made("JPEG", exif=exif),
            self.made("JPEG", comment=self.PLACE.encode()),
            self.made("WEBP", exif=exif),
            bare + b"<script>" + self.PLACE.encode(),
            self.made("WEBP") + self.PLACE.encode(),
            bare[:2] + b"\xff\xfe" + (2 + len(self.PLACE)).to_bytes(2) + self.PLACE.encode() + bare[2:],
        ):
            self.assertIn(self.PLACE.encode(), content)
            made = bared(content)
            self.assertNotIn(self.PLACE.encode(), made)
            self.assertNotIn(b"script", made)
            self.assertEqual(Image.open(io.BytesIO(made)).size, (80, 60))
            self.assertEqual(bared(made), made)
        with self.assertRaises(BadInput):
            bared(b"no picture")


class CodeListTests(unittest.TestCase):
    LABELS = (
        ("Wherry", "MOSS-3", "noon reed"),
        ("Wherry", "MOSS-4", ""),
        ("Wherry", "ROOK-7", "soot"),
        ("Quay", "MOSS-4", "x"),
        ("Quay", "", "soot"),
    )

    def read(self, text):
        return read_list(text, self.LABELS, SearchIndex([label[1:] for label in self.LABELS]))

    def test_in_any_order_and_spelling(self):
        found = self.read("moss 3, rook7;\n quay Moss4, Wherry moss-4\tMOSS-3")
        self.assertEqual([one.place for one in found.understood], [0, 2, 3, 1])
        self.assertEqual((found.repeated, found.doubtful), (1, ()))

    def test_a_code_to_the_letter_comes_before_one_that_reads_alike(self):
        labels = (("Tray", "1.14", ""), ("Boards", "114", ""), ("Names", "", "114"))
        (found,) = read_list("114", labels, SearchIndex([label[1:] for label in labels])).understood
        self.assertEqual(found.place, 1)

    def test_what_was_not_understood_is_told(self):
        found = self.read("moss 4, soot, mos 3, zzzz")
        self.assertEqual(found.understood, ())
        told = [(one.text, one.places, one.reason) for one in found.doubtful]
        self.assertEqual(told[0], ("moss 4", (1, 3), "stands in 2 places"))
        self.assertEqual(told[1][1], (2, 4))
        self.assertIn(0, told[2][1])
        self.assertEqual(told[3][1], ())

    def test_nothing_and_too_much(self):
        for text in ("", " ,;\n", "x," * (figures.files.LARGEST_RANGE + 1)):
            with self.assertRaises(BadInput):
                self.read(text)
