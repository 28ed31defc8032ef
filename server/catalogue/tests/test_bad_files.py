"""What people's files have wrong with them: each is refused with what, where and what was expected."""

import json
from unittest import mock

from django.core.files.uploadedfile import SimpleUploadedFile

from server.catalogue import range_actions
from server.catalogue.models import Colour, Range
from server.tests.helpers import ApiTestCase, told_lines

HEAD = "code,name,L,a,b\n"
SPECTRAL = (
    "BEGIN_DATA_FORMAT\nSAMPLE_ID "
    + " ".join(f"NM_{wave}" for wave in range(400, 701, 10))
    + "\nEND_DATA_FORMAT\n"
)


def spectrum(first: str) -> str:
    return SPECTRAL + f"BEGIN_DATA\nOAR-1 {first} " + "0.5 " * 30 + "\nEND_DATA\n"


class BadFileTests(ApiTestCase):
    def send(self, content, path="ranges/import", **values):
        content = content.encode() if isinstance(content, str) else content
        data = {"name": "Mine", "medium": "gel pen", "file": SimpleUploadedFile("x.csv", content)} | values
        return self.client.post(f"/api/{path}", data)

    def refused(self, content, words, row=None, column="", value=""):
        """The file is refused with these words; the problem names row, column and value; nothing is stored."""
        before = Range.objects.count(), Colour.objects.count()
        answer = self.send(content)
        self.assertEqual(answer.status_code, 400)
        told = answer.json()
        self.assertIn(words, told["message"])
        first = told["problems"][0]
        self.assertEqual((first["row"], first["column"]), (row, column))
        if value:
            self.assertEqual(first["value"], value)
        self.assertEqual((Range.objects.count(), Colour.objects.count()), before)

    def test_utf_16(self):
        self.refused((HEAD + "x,y,1,2,3\n").encode("utf-16"), "UTF-16")

    def test_bytes_of_no_encoding(self):
        self.refused(
            (HEAD + "x,Bl\x9dte,50,2,3\n").encode("latin-1"), "neither in UTF-8 nor", 2, value="0x9d"
        )

    def test_nul_bytes(self):
        self.refused((HEAD + "x\x00,y,1,2,3\n").encode(), "NUL byte", 2)

    def test_an_open_quotation_mark(self):
        self.refused(HEAD + 'x,"y,1,2,3\n', "cannot be read as CSV", 2)

    def test_a_code_twice(self):
        self.refused(HEAD + "x-1,a,50,0,0\nx-1,b,60,0,0\n", "stands in row 2 already", 3, "code", "x-1")

    def test_lab_out_of_range(self):
        self.refused(HEAD + "x-1,a,100.5,0,0\n", "out of range", 2, "L", "100.5")
        self.refused(HEAD + "x-1,a,50,0,-129\n", "out of range", 2, "b", "-129")

    def test_reflectance_below_nothing_and_above_everything(self):
        self.refused(spectrum("-0.1"), "no reflectance", 5, "NM_400", "-0.1")
        self.refused(spectrum("1.4"), "no reflectance", 5, "NM_400", "1.4")

    def test_spectra_of_json(self):
        whole = {"colours": [{"code": "x-1", "lab": [50, 0, 0], "reflectance": [0.5] * 30 + [-1]}]}
        self.refused(json.dumps(whole), "reflectance is not", 1, "reflectance")

    def test_fifty_megabytes(self):
        self.refused(b"x" * (50 * 1024 * 1024), "8 MB are the most")

    def test_too_many_rows(self):
        rows = "".join(f"row-{n}x,#123456\n" for n in range(50_001))
        self.refused("code,hex\n" + rows, "at most 50000")

    def test_a_formula(self):
        self.refused(HEAD + "x-1,=1+1,50,0,0\n", "spreadsheet formula", 2, "name", "=1+1")

    def test_a_name_too_long(self):
        self.refused(HEAD + f"x-1,{'n' * 501},50,0,0\n", "has 501 characters", 2, "name")

    def test_a_header_alone(self):
        self.refused(HEAD, "no rows", 1)

    def test_a_picture_by_mistake(self):
        self.refused(b"\x89PNG\r\n\x1a\n" + bytes(range(256)), "not a text file", 3)

    def test_names_in_any_script_and_of_full_length_are_taken(self):
        names = ["Ünïcödé 🦆", "мельница", "水車", "النهر", "n" * 500, "'quoted'", "a;b|c"]
        rows = "".join(f'"{name}",#{40 + n}5060\n' for n, name in enumerate(names))
        *_, last = told_lines(self.send("name,hex\n" + rows, without_codes="true"))
        found = self.ask("get", f"ranges/{last['id']}")
        self.assertEqual([one["name"] for one in found["colours"]], names)
        self.assertEqual([one["label"] for one in self.ask("get", "find", {"q": "水"})["colours"]], ["水車"])

    def test_what_breaks_midway_leaves_nothing_and_says_so(self):
        rows = "".join(f"row-{n}x,#123456\n" for n in range(2500))
        real = Colour.objects.bulk_create
        calls = []

        def breaks(*args, **kwargs):
            calls.append(1)
            if len(calls) == 2:
                raise RuntimeError("the disk is full")
            return real(*args, **kwargs)

        before = Range.objects.count(), Colour.objects.count()
        with (
            mock.patch.object(range_actions.Colour.objects, "bulk_create", breaks),
            self.assertLogs("server.streams", "ERROR"),
        ):
            lines = told_lines(self.send("code,hex\n" + rows))
        self.assertEqual(lines[-1]["error"]["code"], "server_error")
        self.assertEqual(lines[0], {"share": 0})
        self.assertEqual((Range.objects.count(), Colour.objects.count()), before)

    def test_what_is_said_beside_the_file_is_checked_too(self):
        good = HEAD + "x-1,a,50,0,0\n"
        for values, field in (
            ({"name": " "}, "name"), ({"medium": "crayon"}, "medium"), ({"provenance": "guessed"}, "provenance"),
            ({"note": "n" * 2001}, "note"), ({"columns": "[1"}, "columns"),
        ):  # fmt: skip
            with self.subTest(field):
                answer = self.send(good, **values)
                self.assertEqual((answer.status_code, answer.json()["problems"][0]["field"]), (400, field))
