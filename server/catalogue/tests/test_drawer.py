from django.core.files.uploadedfile import SimpleUploadedFile

from jindle_core.fullness import Kept
from jindle_core.interchange.drawer_csv import KeptLine, read_drawer, write_drawer
from server.tests.helpers import ApiTestCase, make_range


class DrawerTests(ApiTestCase):
    def drawer(self):
        return {one["swatch"]["label"]: one for one in self.ask("get", "drawer")["entries"]}

    def set(self, *keys, status=200, **said):
        return self.ask("post", "drawer", {"colours": [self.ids[key] for key in keys], **said}, status)

    def file(self, content, status=200):
        answer = self.client.post("/api/drawer/file", {"file": SimpleUploadedFile("d.csv", content.encode())})
        self.assertEqual(answer.status_code, status, answer.content)
        return answer.json()

    def test_in_and_out(self):
        self.set("SKY-1", "SKY-2", owned=True)
        self.assertEqual(self.ask("get", f"ranges/{self.pads.pk}")["owned"], 2)
        self.set("SKY-1", "SKY-2", owned=False)
        self.assertEqual(self.ask("get", f"ranges/{self.pads.pk}")["owned"], 0)

    def test_unknown_colours_change_nothing(self):
        self.ask("post", "drawer", {"colours": [self.ids["SKY-1"], 10**9], "owned": True}, 400)
        self.assertEqual(self.ask("get", f"ranges/{self.pads.pk}")["owned"], 1)

    def test_how_full_and_a_note(self):
        self.set("SKY-2", "TAR-1", fullness="low", note="bought in spring")
        self.set("TAR-1", fullness="dry")
        self.set("SKY-2", owned=True)  # to tick it again changes nothing
        kept = {label: (one["swatch"]["fullness"], one["note"]) for label, one in self.drawer().items()}
        note = "bought in spring"
        self.assertEqual(kept, {"SKY-2": ("low", note), "TAR-1": ("dry", note), "soot": ("full", "")})
        counts = self.ask("get", "drawer")["counts"]
        self.assertEqual(counts, {"full": 1, "half": 0, "low": 1, "dry": 1})
        self.set("SKY-2", fullness="brimming", status=400)

    def test_what_was_told_is_taken_back_with_all_that_was_noted(self):
        self.set("SKY-2", fullness="low", note="bought in spring")
        held = self.drawer()
        before = self.set("SKY-2", "SKY-1", owned=False)
        self.assertEqual([one["note"] for one in before["entries"]], ["bought in spring"])
        self.assertNotIn("SKY-2", self.drawer())
        self.ask("put", "drawer", before, 204)
        self.assertEqual(self.drawer(), held)
        before = self.set("SKY-1", "TAR-1", owned=True)
        self.ask("put", "drawer", before, 204)
        self.assertEqual(self.drawer(), held)
        strange = {"colour": self.ids["TAR-1"], "fullness": "full", "note": ""}
        self.ask("put", "drawer", before | {"colours": before["colours"][:1], "entries": [strange]}, 400)
        self.assertEqual(self.drawer(), held)
        self.client.force_login(self.ben)
        self.ask("put", "drawer", before, 204)
        self.assertEqual(self.drawer(), {})

    def test_what_is_dry_is_mine_but_not_offered(self):
        card = self.full_card()
        self.ask("patch", "me", {"only_owned": True})
        self.set("SKY-1", fullness="full")
        self.set("SKY-2", fullness="dry")
        rows = self.ask("get", f"cards/{card['id']}")["colours"]
        self.assertEqual([row["cells"][1]["match"]["swatch"]["label"] for row in rows], ["SKY-1"] * 3)
        found = self.ask("get", "find", {"q": "SKY-2"})["colours"][0]
        self.assertEqual((found["owned"], found["fullness"]), (True, "dry"))

    def test_a_list_in_any_order_is_reported_before_it_is_kept(self):
        text = "sky 1, TAR1; sky-1\nskyy 2, nothing like it"
        told = self.ask("post", "drawer/list", {"text": text})
        self.assertEqual([one["label"] for one in told["understood"]], ["SKY-1", "TAR-1"])
        self.assertEqual((told["new"], told["repeated"], told["stored"]), (2, 1, False))
        self.assertEqual([one["text"] for one in told["doubtful"]], ["skyy 2", "nothing like it"])
        self.assertIn("SKY-2", [one["label"] for one in told["doubtful"][0]["suggestions"]])
        self.assertEqual(set(self.drawer()), {"SKY-2", "soot"})
        self.assertTrue(self.ask("post", "drawer/list", {"text": text, "store": True})["stored"])
        self.assertEqual(set(self.drawer()), {"SKY-1", "SKY-2", "TAR-1", "soot"})

    def test_a_list_for_one_range(self):
        make_range(None, "More", content="code,hex\nTAR-1,#222222\n")
        self.assertEqual(self.ask("post", "drawer/list", {"text": "tar 1"})["understood"], [])
        told = self.ask("post", "drawer/list", {"text": "tar 1", "range": self.pads.pk})
        self.assertEqual([one["range_name"] for one in told["understood"]], ["Pads"])
        self.ask("post", "drawer/list", {"text": " ,"}, 400)

    def test_a_file_goes_out_and_comes_back(self):
        self.set("SKY-2", fullness="half", note="=odd note")
        text = self.client.get("/api/drawer/file").content.decode()
        self.assertIn("Pads,SKY-2,half,'=odd note", text)
        before = self.drawer()
        self.set("SKY-2", "soot", owned=False)
        self.assertEqual(self.file(text)["count"], 2)
        self.assertEqual(self.drawer(), before)

    def test_a_file_with_a_mistake_changes_nothing(self):
        for content, words in (
            ("range,colour\nPads,SKY-1\nPads,SKY-9\n", "Row 3: “Pads SKY-9” is in none"),
            ("colour,full\nSKY-1,brimming\n", "“brimming” is no fullness"),
            ("colour,full\n,half\n", "names no colour"),
            ("a,b\n1,2\n", "No column holds the colours"),
        ):
            with self.subTest(words):
                self.assertIn(words, self.file(content, 400)["message"])
        self.assertEqual(set(self.drawer()), {"SKY-2", "soot"})
        make_range(None, "More", content="code,hex\nTAR-1,#222222\n")
        self.assertIn("means 2 colours", self.file("colour;full\nTAR-1;low\n", 400)["message"])
        self.file("Range;Code\nmore;tar 1\n")

    def test_lines_round_trip(self):
        lines = [KeptLine(2, "Pads", "-5 blue", Kept()), KeptLine(3, "", "a,b;c", Kept("dry", 'say "hi"'))]
        self.assertEqual(read_drawer(write_drawer(lines).encode()), lines)


class ShoppingTests(ApiTestCase):
    def test_what_cards_need_and_the_drawer_lacks(self):
        card = self.full_card()  # SKY-2 is owned; SKY-1 and TAR-1 are not
        self.change(card, kind="choose", key=1, column="cardstock", colour=self.ids["bread"])
        self.ask("post", "drawer", {"colours": [self.ids["SKY-2"]], "fullness": "low"})
        told = [(one["swatch"]["label"], one["why"], one["cards"]) for one in self.ask("get", "shopping")]
        self.assertEqual(
            told,
            [("SKY-1", "not in the drawer", ["Kingfisher"]), ("SKY-2", "running low", ["Kingfisher"]),
             ("TAR-1", "not in the drawer", ["Kingfisher"]), ("bread", "not in the drawer", ["Kingfisher"])],
        )  # fmt: skip
        text = self.client.get("/api/shopping/file").content.decode()
        self.assertIn("Pads,,dye ink pad,SKY-1,early sky,not in the drawer,no,Kingfisher", text)
