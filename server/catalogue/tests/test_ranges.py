import io
import json
from base64 import b64decode
from datetime import timedelta
from urllib.parse import unquote

from django.core.files.uploadedfile import SimpleUploadedFile
from django.core.management import call_command
from django.utils import timezone

from jindle_core import figures
from jindle_core.interchange.any_file import read_any_range
from server.catalogue.chart_pdf import PrintedBox, PrintedPart, chart_pdf
from server.catalogue.models import Colour, Range
from server.catalogue.range_actions import entry_of
from server.streams import finished
from server.tests.helpers import ApiTestCase, make_range, told_lines

PALE = {"code": "OAR-1", "name": "pale oar", "L": "80", "a": "2", "b": "10", "provenance": "label"}


class ByHandTests(ApiTestCase):
    def setUp(self):
        super().setUp()
        given = {"name": " Oars ", "medium": "wax pencil", "note": "by hand"}
        self.range = self.ask("post", "ranges", given, 201)

    def put(self, *texts, status=200, **more):
        change = {"version": self.range["version"], "put": [{"texts": one} for one in texts], **more}
        told = self.ask("post", f"ranges/{self.range['id']}/changes", change, status)
        if status == 200:
            self.range = told
        return told

    def test_made_filled_changed_emptied(self):
        self.put(PALE, {"name": "dark oar", "hex": "#332211"})
        self.assertEqual([one["label"] for one in self.range["colours"]], ["OAR-1", "dark oar"])
        self.assertEqual([one["provenance"] for one in self.range["colours"]], ["label", "screen"])
        typed = self.ask("get", f"ranges/{self.range['id']}/changes")["rows"]
        self.assertEqual(typed[0]["texts"]["value"], "80.00, 2.00, 10.00")
        changed = typed[0] | {"texts": typed[0]["texts"] | {"code": "OAR-2", "value": "L 75,5 a 2 b 10"}}
        told = self.put(put=[changed], details={"name": "Oars and sculls", "medium": "oil pencil"})
        self.assertEqual((told["name"], told["medium"]), ("Oars and sculls", "oil pencil"))
        self.assertEqual((told["colours"][0]["label"], told["colours"][0]["lab"][0]), ("OAR-2", 75.5))
        self.assertEqual(told["colours"][0]["id"], typed[0]["id"])
        self.assertEqual(self.put(remove=[typed[0]["id"]])["count"], 1)
        self.assertEqual(
            [one["label"] for one in self.ask("get", "find", {"q": "oar"})["colours"]], ["dark oar"]
        )

    def test_mistakes_name_the_row_and_nothing_is_changed(self):
        self.put(PALE)
        for texts, words in (
            ({**PALE, "name": "again"}, "stands in this range already"),
            ({"code": "OAR-3", "L": "500", "a": "0", "b": "0"}, "out of range"),
            ({"L": "50", "a": "0", "b": "0"}, "neither code nor name"),
            ({"code": "OAR-4"}, "no colour"),
            ({"code": "OAR-4", "value": "oar brown"}, "no colour value"),
        ):
            with self.subTest(words):
                told = self.put({"code": "OAR-9", "hex": "#123456"}, texts, status=400)
                self.assertIn(words, told["message"])
                self.assertEqual(told["problems"][0]["row"], 2)
        self.assertEqual(Colour.objects.filter(range=self.range["id"]).count(), 1)

    def test_two_windows_on_one_range(self):
        first = self.range
        self.put(PALE)
        self.range = first
        told = self.put({**PALE, "code": "OAR-2"}, status=409)
        self.assertEqual(told["code"], "stale")
        self.assertIn("range", told["message"])

    def test_another_ranges_colour_is_no_part_of_it(self):
        self.put(remove=[self.ids["SKY-1"]], status=400)
        self.put(put=[{"id": self.ids["SKY-1"], "texts": PALE}], status=400)
        self.assertEqual(Colour.objects.get(pk=self.ids["SKY-1"]).code, "SKY-1")


class ChartAndTwinsTests(ApiTestCase):
    def test_points_and_gaps(self):
        found = self.ask("get", f"ranges/{self.pads.pk}/dots")
        dots = {one["swatch"]["id"]: one for one in found["dots"]}
        tar = dots[self.ids["TAR-1"]]
        self.assertIsNone(tar["hue"])
        blue = dots[self.ids["SKY-2"]]
        self.assertTrue(240 < blue["hue"] < 300)
        fields = [(gap["hue"][0], gap["lightness"][0]) for gap in found["gaps"]]
        self.assertNotIn((240, 40), fields)  # SKY-2 stands there
        self.assertIn((90, 60), fields)
        self.assertTrue(all(gap["words"] for gap in found["gaps"]))

    def test_twins(self):
        told = self.ask("get", f"ranges/{self.stock.pk}/compare", {"other": self.pads.pk})
        here = {one["swatch"]["label"]: one for one in told["here"]}
        self.assertTrue(here["soot"]["twin"])
        self.assertEqual(here["soot"]["match"]["swatch"]["label"], "TAR-1")
        self.assertFalse(here["bread"]["twin"])
        distances = [one["match"]["distance"] for one in told["there"]]
        self.assertEqual(distances, sorted(distances, reverse=True))
        self.ask("get", f"ranges/{self.stock.pk}/compare", {"other": "x"}, 404)


class LikeTests(ApiTestCase):
    def test_every_other_range_nearest_first(self):
        make_range(self.ann, "Mine", "wax pencil", "code,L,a,b\nWAX-1,21,0,0\n", "label")
        told = self.ask("get", "like", {"colour": self.ids["TAR-1"]})
        self.assertEqual(told["target"]["label"], "Pads TAR-1")
        self.assertEqual([one["range_name"] for one in told["ranges"]], ["Mine", "Boards"])
        self.assertEqual(told["ranges"][0]["matches"][0]["swatch"]["label"], "WAX-1")
        self.assertTrue(told["ranges"][0]["own"])
        owned = self.ask("get", "like", {"value": "#222222", "owned": "true"})
        self.assertEqual({one["range_name"] for one in owned["ranges"]}, {"Pads", "Boards"})
        self.assertEqual(owned["target"]["provenance_words"], "from a screen value")

    def test_what_is_no_colour(self):
        for query in (
            {},
            {"value": "tarn"},
            {"colour": 10**9},
            {"colour": "x"},
            {"value": "L 500, a 0, b 0"},
        ):
            self.ask("get", "like", query, 400)

    def test_a_slip_is_forgiven(self):
        self.assertEqual(
            [one["name"] for one in self.ask("get", "find", {"q": "eraly sky"})["colours"]][:1], ["early sky"]
        )


class FileTests(ApiTestCase):
    def file(self, kind, pk=None, status=200):
        answer = self.client.get(f"/api/ranges/{pk or self.pads.pk}/file/{kind}")
        self.assertEqual(answer.status_code, status)
        return answer

    def test_every_kind_reads_back(self):
        entries = [entry_of(colour) for colour in self.pads.colours.all()]
        for kind in ("csv", "json", "txt"):
            with self.subTest(kind):
                _, file = read_any_range(self.file(kind).content, provenance="read")
                self.assertEqual(file.problems, ())
                same = [(one.key, one.name, one.lab, one.provenance) for one in entries]
                self.assertEqual([(one.key, one.name, one.lab, one.provenance) for one in file.entries], same)
        self.assertIn('filename="Pads.json"', self.file("json")["Content-Disposition"])
        self.assertEqual(len(read_any_range(self.file("gpl").content)[1].entries), len(entries))
        self.assertIn("SKY-1", json.loads(self.file("tokens.json").content)["Pads"])
        self.file("exe", status=404)

    def test_json_brings_spectra_and_details_in(self):
        spectrum = [round(0.2 + 0.01 * band, 3) for band in range(31)]
        whole = {"name": "Tows", "colours": [{"code": "TOW-1", "lab": [52, 1, 2], "reflectance": spectrum}]}
        upload = SimpleUploadedFile("tows.csv", json.dumps(whole).encode())
        preview = self.client.post("/api/ranges/preview", {"file": upload}).json()
        self.assertEqual((preview["kind"], preview["name"], preview["count"]), ("JSON", "Tows", 1))
        upload.seek(0)
        lines = told_lines(
            self.client.post("/api/ranges/import", {"file": upload, "name": "Tows", "medium": "gel pen"})
        )
        stored = entry_of(Range.objects.get(pk=lines[-1]["id"]).colours.get())
        self.assertEqual([round(value, 3) for value in stored.reflectance], spectrum)

    def test_printable_charts(self):
        for path, boxes in (
            (f"ranges/{self.pads.pk}/chart?sheet=a4", 4),
            (f"ranges/{self.pads.pk}/chart?owned=true", 1),
            ("drawer/chart", 2),
        ):
            answer = self.client.get(f"/api/{path}")
            self.assertEqual((answer.status_code, answer["Content-Type"]), (200, "application/pdf"))
            self.assertTrue(answer.content.startswith(b"%PDF"))
            self.assertGreater(len(answer.content), 5000)
            *steps, last = map(json.loads, self.client.post(f"/api/{path}").streaming_content)
            self.assertEqual([one["words"] for one in steps[-1:]], [f"{boxes} of {boxes} boxes"])
            made = b64decode(last["pdf"])
            self.assertEqual(len(made), len(answer.content))
            self.assertIn(last["name"], unquote(answer["Content-Disposition"]))
        self.ask("post", "ranges/999999/chart", None, 404)

    def test_a_chart_in_any_alphabet(self):
        names = ("plain", "Żółty Ťapka", "Мох Χαῖρε", "緑 🎨", "w" * 200, "a b " * 60, "")
        boxes = tuple(PrintedBox("#336699", name, name, name) for name in names * 30)
        parts = [PrintedPart("緑" * 60, "Żółty", boxes), PrintedPart("", "", ())]
        steps = chart_pdf("A title", parts, "letter")
        self.assertTrue(finished(steps).startswith(b"%PDF"))


class DeletedTests(ApiTestCase):
    def setUp(self):
        super().setUp()
        self.own = make_range(self.ann, "Mine", "gel pen", "code,L,a,b\nPEN-1,80,5,5\nPEN-2,30,5,5\n")
        self.pen = self.own.colours.first().pk
        self.ask("post", "drawer", {"colours": [self.pen], "fullness": "low", "note": "gift"})
        self.ask("post", f"colours/{self.pen}/readings", {"value": "75, 5, 5"}, 201)
        self.before = [self.ask("get", path) for path in ("drawer", "ranges", f"colours/{self.pen}/readings")]
        self.ask("delete", f"ranges/{self.own.pk}", status=204)

    def test_a_range_is_nowhere_and_is_had_again_as_it_was(self):
        self.assertNotIn("Mine", [one["name"] for one in self.ask("get", "ranges")])
        self.assertEqual(self.ask("get", "drawer")["counts"]["low"], 0)
        self.assertEqual(self.ask("get", "find", {"q": "PEN-1"})["colours"], [])
        self.ask("get", f"colours/{self.pen}/readings", status=404)
        (told,) = self.ask("get", "ranges/deleted")
        self.assertEqual((told["id"], told["name"]), (self.own.pk, "Mine"))
        self.client.force_login(self.ben)
        self.assertEqual(self.ask("get", "ranges/deleted"), [])
        for method in ("post", "delete"):
            self.ask(method, f"ranges/deleted/{self.own.pk}", {}, 404)
        self.client.force_login(self.ann)
        self.ask("post", f"ranges/deleted/{self.own.pk}", {}, 204)
        after = [self.ask("get", path) for path in ("drawer", "ranges", f"colours/{self.pen}/readings")]
        self.assertEqual(after, self.before)
        self.assertEqual(self.ask("get", "ranges/deleted"), [])

    def test_a_month_later_it_goes_for_good_or_at_once_where_that_is_wanted(self):
        Range.objects.update(deleted=timezone.now() - timedelta(days=figures.files.DELETED_DAYS + 1))
        Range.objects.filter(owner=None).update(deleted=None)
        call_command("clear_out", stdout=io.StringIO())
        self.assertFalse(Range.objects.filter(pk=self.own.pk).exists())
        other = make_range(self.ann, "Mine", "gel pen", "code,L,a,b\nPEN-1,80,5,5\n")
        self.ask("delete", f"ranges/{other.pk}", status=204)
        self.ask("delete", f"ranges/deleted/{other.pk}", status=204)
        self.assertFalse(Range.objects.filter(pk=other.pk).exists())
