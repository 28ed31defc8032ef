import json

from django.core.files.uploadedfile import SimpleUploadedFile

from server.accounts.models import Person
from server.catalogue.arrays import catalogue_for
from server.catalogue.models import Colour, Range
from server.tests.helpers import ApiTestCase, make_range, told_lines

GOOD = "Nr.;Farbe;L*;a*;b*\n1;eins;52,5;1;2\n2;zwei;60;1;2\n"
DETAILS = {"name": "Mine", "medium": "wax pencil"}


class ImportTests(ApiTestCase):
    def upload(self, path, content, status=200, file_name="range.csv", **values):
        data = values | {
            "file": SimpleUploadedFile(file_name, content.encode() if isinstance(content, str) else content)
        }
        answer = self.client.post(f"/api/{path}", data)
        self.assertEqual(answer.status_code, status, answer.content[:400])
        return answer.json()

    def store(self, content, **values):
        """The shares that were told on the way, and the id of what was stored."""
        data = values | {"file": SimpleUploadedFile("range.csv", content.encode())}
        *steps, last = told_lines(self.client.post("/api/ranges/import", data))
        return [step["share"] for step in steps], last["id"]

    def test_preview_stores_nothing(self):
        told = self.upload("ranges/preview", GOOD, 200)
        self.assertEqual(
            (told["count"], told["problem_count"], told["kind"]), (2, 0, "CSV separated by semicolons")
        )
        self.assertEqual(told["columns"]["code"], "Nr.")
        self.assertEqual(told["entries"][0]["lab"], [52.5, 1, 2])
        self.assertEqual(Range.objects.count(), 2)

    def test_stored_and_at_once_usable(self):
        card = self.new_card()
        shares, pk = self.store(GOOD, **DETAILS, provenance="photographed")
        self.assertEqual((shares[0], shares[-1]), (0, 1))
        made = self.ask("get", f"ranges/{pk}")
        self.assertEqual((made["count"], made["own"]), (2, True))
        self.assertEqual([one["label"] for one in self.ask("get", "find", {"q": "zwei"})["colours"]], ["2"])
        card = self.change(card, kind="add_colour", anchor={"value": "52.5, 1, 2"}, name="x", role="lead")
        match = card["colours"][0]["cells"][2]["match"]
        self.assertEqual((match["swatch"]["label"], match["swatch"]["provenance"]), ("1", "photographed"))

    def test_nine_hundred_rows(self):
        rows = "".join(f"TOW-{n},name {n},{20 + n % 70},{n % 50 - 25},{n % 40 - 20}\n" for n in range(900))
        _, pk = self.store("code,name,L,a,b\n" + rows, **DETAILS)
        self.assertEqual(self.ask("get", f"ranges/{pk}")["count"], 900)

    def test_with_a_mistake_nothing_is_stored(self):
        before = Colour.objects.count()
        told = self.upload("ranges/import", GOOD + "2;drei;500;1;2\n", 400, **DETAILS)
        self.assertEqual([(one["row"], one["column"]) for one in told["problems"]], [(4, "L*"), (4, "Nr.")])
        self.assertEqual((Range.objects.count(), Colour.objects.count()), (2, before))

    def test_what_is_recognised_stays_when_a_column_is_chosen_by_hand(self):
        content = "Ref. maison,L*,a*,b*\nTAL-1,50,1,2\nTAL-2,60,3,4\n"
        seen = self.upload("ranges/preview", content)
        self.assertEqual(seen["columns"], {"L": "L*", "a": "a*", "b": "b*"})
        self.assertEqual(seen["sample"][1], ["TAL-2", "60", "3", "4"])
        columns = json.dumps(seen["columns"] | {"code": "Ref. maison"})
        self.assertEqual(self.upload("ranges/preview", content, columns=columns)["count"], 2)
        # The file is not taken as long as that is not said.
        told = self.upload("ranges/import", content, 400, name="Talweg", medium="gel pen")
        self.assertIn("No column was recognised", told["message"])

    def test_a_windows_file_is_read_and_that_is_said(self):
        content = "Nr.;Farbe;L*;a*;b*\nGRÜ-1;Flußgrün;50;-20;9\n".encode("cp1252")
        seen = self.upload("ranges/preview", content)
        self.assertEqual((seen["entries"][0]["code"], seen["sample"][0][1]), ("GRÜ-1", "Flußgrün"))
        self.assertTrue(seen["kind"].endswith("in Windows-1252"), seen["kind"])
        told = self.upload("ranges/preview", b"a;b\n\x81;1\n", 400)["problems"][0]
        self.assertEqual((told["row"], told["value"]), (2, "0x81"))

    def test_headings_for_codes_are_recognised_and_a_table_without_is_not_stored_unasked(self):
        for heading in ("Artikelnr.", "Artikel-Nr", "Kürzel", "KUERZEL", "kurzel", "Art.Nr."):
            seen = self.upload("ranges/preview", f"{heading};Name;L;a;b\nTAL-1;x;50;1;2\n")
            self.assertEqual((seen["columns"]["code"], seen["codes_asked"]), (heading, False))
        bare = "Name;L;a;b\nlow water;50;1;2\n"
        self.assertTrue(self.upload("ranges/preview", bare)["codes_asked"])
        told = {"name": "Talweg", "medium": "gel pen"}
        self.assertIn("No column of codes", self.upload("ranges/import", bare, 400, **told)["message"])
        self.assertFalse(Range.objects.filter(name="Talweg").exists())
        self.store(bare, without_codes="true", **told)
        self.assertEqual(Range.objects.get(name="Talweg").colours.count(), 1)

    def test_the_medium_is_what_the_name_speaks_of_and_else_asked_for(self):
        content = "code,L,a,b\nTAL-1,50,1,2\n"
        for name, medium in (
            ("my pads.csv", "dye ink pad"),
            ("Buntstifte 2.csv", "wax pencil"),
            ("list.csv", None),
        ):
            self.assertEqual(self.upload("ranges/preview", content, file_name=name)["medium"], medium)
        self.upload("ranges/import", content, 400, name="Talweg")

    def test_columns_can_be_said(self):
        content = "one,two\nTow,#aabbcc\n"
        seen = self.upload("ranges/preview", content)
        self.assertIn("recognised", seen["problems"][0]["message"])
        self.assertEqual((seen["columns"], seen["sample"], seen["count"]), ({}, [["Tow", "#aabbcc"]], 0))
        told = self.upload("ranges/preview", content, 200, columns='{"name": "one", "hex": "two"}')
        self.assertEqual(told["entries"][0]["name"], "Tow")
        for columns in ("[]", "{broken", '{"name": 3}'):
            self.upload("ranges/preview", content, 400, columns=columns)

    def test_what_cannot_be_read(self):
        for content in (b"", b"\x00\x01", "code,L,a,b".encode("utf-16"), b"x" * (20 * 1024 * 1024)):
            told = self.upload("ranges/preview", content, 400)
            self.assertEqual(told["code"], "bad_input")
        for values in ({}, {"name": "x", "medium": "crayon"}, {"name": "  ", "medium": "wax pencil"}):
            self.upload("ranges/import", GOOD, 400, **values)
        answer = self.client.post("/api/ranges/preview", {"name": "no file"})
        self.assertEqual(answer.json()["problems"][0]["field"], "file")

    def test_codes_are_exact(self):
        _, pk = self.store("code,hex\nred,#f00\nRED,#e00\nréd,#d00\n", **DETAILS)
        self.assertEqual(self.ask("get", f"ranges/{pk}")["count"], 3)


class FindTests(ApiTestCase):
    def find(self, typed):
        return self.ask("get", "find", {"q": typed})

    def test_by_code_name_and_value(self):
        self.assertEqual([one["label"] for one in self.find("sky 2")["colours"]], ["SKY-2"])
        self.assertEqual([one["name"] for one in self.find("EARLY")["colours"]], ["early sky"])
        self.assertEqual(self.find("#fff")["value"]["hue_name"], "white")
        self.assertEqual(self.find("")["colours"], [])
        self.ask("get", "find", {"q": "L 500, a 0, b 0"}, 400)

    def test_only_among_the_supplies_of_one_column(self):
        def found(typed, column):
            told = self.ask("get", "find", {"q": typed, "column": column})
            self.assertIsNone(told["value"])
            return [one["label"] for one in told["colours"]]

        self.assertIn("SKY-1", found("sky", "pad"))
        self.assertEqual(found("sky", "cardstock"), [])
        self.assertEqual(found("soot", "cardstock"), ["soot"])
        self.assertEqual(found("L 19, a 0, b 0", "cardstock")[0], "soot")
        self.assertEqual(found("L 19, a 0, b 0", "pad")[0], "TAR-1")
        self.assertEqual(found("sky", "marker"), [])
        self.ask("get", "find", {"q": "sky", "column": "crayon"}, 400)


class CatalogueTests(ApiTestCase):
    def test_who_has_nothing_of_their_own_shares_what_is_worked_out_and_keeps_a_drawer_apart(self):
        ben = Person.objects.get(name="Ben")
        self.ask("post", "drawer", {"colours": [self.ids["SKY-1"]], "fullness": "full"})
        anns, bens = catalogue_for(Person.objects.get(name="Ann")), catalogue_for(ben)
        self.assertIs(anns.lab, bens.lab)
        self.assertIn(self.ids["SKY-1"], anns.drawer)
        self.assertEqual(bens.drawer, {})
        make_range(ben, "Ben's own", content="name,hex\none,#fff\n")
        self.assertEqual(len(catalogue_for(Person.objects.get(name="Ben")).rows), len(anns.rows) + 1)

    def test_held_until_something_changes(self):
        first = catalogue_for(self.ann)
        with self.assertNumQueries(1):
            self.assertIs(catalogue_for(self.ann), first)
        make_range(None, "More", content="name,hex\none,#fff\n")
        self.assertEqual(len(catalogue_for(self.ann).rows), len(first.rows) + 1)

    def test_queries_do_not_grow_with_colours(self):
        card = self.full_card()
        self.ask("get", f"cards/{card['id']}")
        with self.assertNumQueries(5):
            self.ask("get", f"cards/{card['id']}")
        rows = "".join(f"{n},{n % 90 + 5},0,{n % 30}\n" for n in range(500))
        make_range(None, "Many", "alcohol marker", "code,L,a,b\n" + rows)
        self.ask("get", f"cards/{card['id']}")
        with self.assertNumQueries(5):
            self.ask("get", f"cards/{card['id']}")

    def test_predicted_shades_go_with_markers_and_pads_only(self):
        swatches = {one["label"]: one for one in self.ask("get", f"ranges/{self.pads.pk}")["colours"]}
        self.assertNotEqual(swatches["SKY-2"]["second"]["colour"], swatches["SKY-2"]["shades"]["colour"])
        self.assertIsNone(self.ask("get", f"ranges/{self.stock.pk}")["colours"][0]["second"])
