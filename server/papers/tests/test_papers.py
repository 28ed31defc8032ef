import io
import json

import numpy as np
from django.core.files.uploadedfile import SimpleUploadedFile
from PIL import Image

from jindle_core.colorimetry.difference import delta_e
from jindle_core.colorimetry.recovery import lab_to_reflectance
from jindle_core.colorimetry.spaces import hex_to_lab
from jindle_core.interchange.range_json import read_range_json, write_range_json
from jindle_core.prediction.stocks import WHITE_CARD
from server.catalogue.drawer_actions import set_owned
from server.catalogue.models import Colour, Range, touch_catalogue
from server.catalogue.range_actions import entry_of
from server.papers.models import Paper
from server.tests.helpers import ApiTestCase, make_range, told_lines
from standins.camera import Scene, SimulatedCamera

SHADES = ("#e9e2cf", "#2a7f8a", "#c8643a", "#8c1f3f")


def drawing() -> np.ndarray:
    """Stripes on a ground, and a dot of the last colour."""
    labels = np.zeros((600, 600), dtype=np.uint8)
    for start in range(0, 600, 120):
        labels[:, start : start + 40] = 1
        labels[:, start + 60 : start + 90] = 2
    labels[400:445, 300:345] = 3
    return labels


def photograph(light="bulb", card=True) -> bytes:
    reflectances = lab_to_reflectance(np.array([hex_to_lab(shade) for shade in SHADES]))
    return SimulatedCamera().photograph(Scene(drawing(), reflectances, WHITE_CARD if card else None), light)


def picture(**how) -> bytes:
    out = io.BytesIO()
    Image.new("RGB", (80, 80), SHADES[1]).save(out, "JPEG", **how)
    return out.getvalue()


class PaperTestCase(ApiTestCase):
    @classmethod
    def setUpTestData(cls):
        super().setUpTestData()
        cls.photo = photograph()

    def send(self, path="papers/read", content=None, status=200, **values):
        data = {
            name: json.dumps(one) if isinstance(one, list | dict) else one for name, one in values.items()
        }
        data["file"] = SimpleUploadedFile("sheet.jpg", self.photo if content is None else content)
        answer = self.client.post(f"/api/{path}", data)
        if not answer.streaming:
            self.assertEqual(answer.status_code, status, answer.content[:300])
            return answer.json()
        *steps, last = told_lines(answer)
        shares = [step["share"] for step in steps]
        self.assertEqual(shares, sorted(shares))
        self.assertEqual("error" in last, status == 400, last)
        return last["error"] if "error" in last else last["reading"]

    def store(self, title="Quay stripes", status=201, **values):
        return self.send("papers", status=status, title=title, collection="Quayside", **values)


class ReadTests(PaperTestCase):
    def test_the_card_is_found_and_the_lamp_taken_out(self):
        told = self.send()
        self.assertIsNotNone(told["box"])
        self.assertIn("found by itself", told["warning"])
        labs = np.array([one["lab"] for one in told["colours"]])
        for shade in SHADES:
            self.assertLess(delta_e(hex_to_lab(shade), labs).min(), 8, shade)
        self.assertEqual(told["colours"][0]["part"], "ground")
        self.assertAlmostEqual(sum(one["share"] for one in told["colours"]), 1, places=2)
        self.assertTrue(told["preview"].startswith("data:image/jpeg"))
        self.assertTrue(all(one["where"].startswith("data:image/png") for one in told["colours"]))
        self.assertEqual((Paper.objects.count(), Range.objects.filter(owner=self.ann).count()), (0, 0))

    def test_each_colour_is_matched_at_once(self):
        media = {one["swatch"]["medium"] for one in self.send()["colours"][0]["matches"]}
        self.assertEqual(media, {"dye ink pad", "cardstock"})

    def test_without_a_card_it_says_what_that_means(self):
        told = self.send(white="none")
        self.assertIsNone(told["box"])
        self.assertIn("only as good as the light", told["warning"])
        self.assertGreater(told["uncertainty"], self.send()["uncertainty"])

    def test_a_card_that_is_overexposed_is_told_and_done_without(self):
        image = Image.new("RGB", (300, 300), SHADES[1])
        image.paste("#ffffff", (20, 20, 110, 110))
        out = io.BytesIO()
        image.save(out, "PNG")
        told = self.send(content=out.getvalue())
        self.assertIsNone(told["box"])
        self.assertIn("overexposed", told["warning"])
        box = {"left": 30, "top": 30, "width": 60, "height": 60}
        marked = self.send(content=out.getvalue(), white="box", box=box, status=400)
        self.assertIn("overexposed", marked["message"])

    def test_a_card_that_is_marked(self):
        box = self.send()["box"]
        told = self.send(white="box", box=box)
        self.assertEqual((told["box"], "yellowish" in told["warning"]), (box, True))
        milk = self.send(white="box", box=box, reference=self.ids["milk"])
        self.assertNotEqual(milk["colours"][0]["lab"], told["colours"][0]["lab"])
        for values, words in (
            ({"box": {"left": 0, "top": 0, "width": 2, "height": 2}}, "too small"),
            ({"box": {"left": 9999, "top": 0, "width": 90, "height": 90}}, "outside"),
            ({"box": {"left": 1}}, "required"), ({}, "no data"), ({"box": "[1"}, "JSON"),
            ({"box": box, "reference": 10**9}, "not in your supplies"),
        ):  # fmt: skip
            with self.subTest(words):
                told = self.send(white="box", status=400, **values)
                self.assertIn(words.lower(), str(told["problems"]).lower())

    def test_the_light_that_is_said_and_swatches_that_are_known(self):
        plain = self.send()
        self.assertIn("yellowish", plain["warning"])
        lit = self.send(light="bulb")
        self.assertNotIn("yellowish", lit["warning"])
        self.assertLess(lit["uncertainty"], plain["uncertainty"])
        self.assertNotEqual(lit["colours"][1]["lab"], plain["colours"][1]["lab"])
        self.send(light="moonlight", status=400)
        keys = ("SKY-1", "SKY-2", "TAR-1")
        known = [
            {"left": 200, "top": 60 + 40 * at, "width": 12, "height": 12, "colour": self.ids[key]}
            for at, key in enumerate(keys)
        ]
        told = self.send(known=known)
        self.assertEqual([one["swatch"]["code"] for one in told["known"]], list(keys))
        self.assertEqual({one["used"] for one in told["known"]}, {False})
        self.assertIn("look like none", told["warning"])
        self.assertIn("only beside white card", self.send(known=known, white="none")["warning"])
        theirs = make_range(self.ben, "Hers", content="code,L,a,b\nX-1,40,0,0\n").colours.get().pk
        for wrong, words in (
            ([known[0] | {"colour": theirs}], "not in your supplies"),
            ([{"left": 1}], "required"),
            ([known[0] | {"left": 9000}], "outside"),
        ):
            self.assertIn(words, str(self.send(known=wrong, status=400)["problems"]).lower())

    def test_merged_split_dropped(self):
        before = self.send()["colours"]
        count = len(before)
        merged = self.send(edits=[{"way": "merge", "places": [0, 1]}])["colours"]
        self.assertEqual(len(merged), count - 1)
        self.assertAlmostEqual(merged[0]["share"], before[0]["share"] + before[1]["share"], places=3)
        dropped = self.send(edits=[{"way": "drop", "places": [count - 1]}])["colours"]
        self.assertEqual(len(dropped), count - 1)
        self.assertAlmostEqual(sum(one["share"] for one in dropped), 1, places=3)
        self.assertEqual(len(self.send(edits=[{"way": "split", "places": [0]}])["colours"]), count + 1)
        for edit in ({"way": "merge", "places": [0]}, {"way": "drop", "places": [99]}, {"way": "dye", "places": [0]},
                     {"way": "drop", "places": list(range(count))}):  # fmt: skip
            self.send(edits=[edit], status=400)

    def test_what_is_no_picture(self):
        for content in (b"", b"words", self.photo[:2000]):
            self.assertEqual(self.send(content=content, status=400)["problems"][0]["field"], "file")

    def test_a_picture_cut_off_is_refused_after_a_chart_was_printed_too(self):
        self.assertEqual(self.client.get(f"/api/ranges/{self.pads.pk}/chart").status_code, 200)
        self.assertIn("cut off", self.send(content=self.photo[:-2000], status=400)["message"])

    def test_a_page_that_is_all_white_card(self):
        out = io.BytesIO()
        Image.new("RGB", (200, 200), "#e4e4e4").save(out, "PNG")
        told = self.send(content=out.getvalue())
        self.assertIn("covers the whole picture", told["warning"])
        self.assertEqual(len(told["colours"]), 1)

    def test_a_sheet_of_one_colour(self):
        told = self.send(content=picture(), white="none")
        self.assertEqual(len(told["colours"]), 1)
        self.assertIn("of one colour", told["warning"])


class ShelfTests(PaperTestCase):
    def test_kept_shown_matched_and_taken_off(self):
        made = self.store(names=["linen", "", "clay"])
        self.assertEqual((made["title"], made["collection"], made["own"]), ("Quay stripes", "Quayside", True))
        self.assertEqual(made["colours"][0]["name"], "Quay stripes, linen")
        self.assertEqual({one["provenance"] for one in made["colours"]}, {"photographed"})
        self.assertAlmostEqual(sum(one["share"] for one in made["colours"]), 1, places=3)
        card = self.new_card()
        card = self.change(card, kind="add_colour", anchor={"value": SHADES[2]}, name="x", role="lead")
        cell = card["colours"][0]["cells"][4]["match"]["swatch"]
        self.assertEqual((cell["family"], len(cell["sheet"])), ("Quay stripes", len(made["colours"])))
        self.assertGreater(cell["share"], 0.1)
        self.store("Second sheet")
        self.assertEqual(
            [one["title"] for one in self.ask("get", "papers")], ["Quay stripes", "Second sheet"]
        )
        for paper in self.ask("get", "papers"):
            self.ask("delete", f"papers/{paper['id']}", status=204)
            self.ask("delete", f"papers/deleted/{paper['id']}", status=204)
        self.assertEqual(
            (
                Colour.objects.filter(range__owner=self.ann).count(),
                Range.objects.filter(owner=self.ann).count(),
            ),
            (0, 0),
        )

    def test_what_she_photographed_is_on_her_shelf_and_so_hers_everywhere(self):
        made = self.store()
        ids = [one["id"] for one in made["colours"]]
        self.client.patch("/api/me", {"only_owned": True}, "application/json")
        card = self.new_card()
        card = self.change(card, kind="add_colour", anchor={"value": SHADES[2]}, name="x", role="lead")
        cell = card["colours"][0]["cells"][4]
        self.assertIn(cell["match"]["swatch"]["id"], ids)
        key = card["colours"][0]["key"]
        card = self.change(card, kind="choose", key=key, column="paper", colour=ids[0])
        self.assertTrue(card["colours"][0]["cells"][4]["match"]["swatch"]["owned"])
        self.assertEqual(self.ask("get", "shopping"), [])
        found = Paper.objects.get().range_id
        self.assertEqual({one["owned"] for one in self.ask("get", f"ranges/{found}")["colours"]}, {True})
        self.client.force_login(self.ben)
        self.ask("get", f"ranges/{found}", status=404)

    def test_one_sheet_is_one_thing_to_buy(self):
        lines = ["code,name,family,L,a,b,share"]
        lines += [f"ROW-{n},row {n},Harbour,{70 - 9 * n},{5 * n},{-8 * n},0.2" for n in range(4)]
        shared = make_range(None, "Shop papers", "patterned paper", "\n".join(lines))
        first, second, third, _ = shared.colours.order_by("id").values_list("id", flat=True)
        for name, ids in (("Gulls", (first, second)), ("Terns", (second, third))):
            card = self.new_card(name)
            for pk in ids:
                card = self.change(card, kind="add_colour", anchor={"colour": pk}, name=f"{pk}", role="lead")
        (listed,) = self.ask("get", "shopping")
        self.assertEqual((listed["why"], listed["cards"]), ("not in the drawer", ["Gulls", "Terns"]))
        # Whoever has one colour of the sheet has the sheet.
        self.ask("post", "drawer", {"colours": [third], "fullness": "low"})
        self.assertEqual([one["why"] for one in self.ask("get", "shopping")], ["running low"])
        self.assertEqual(len(self.ask("get", "drawer")["entries"]), 2 + 4)
        set_owned(self.ann, [first], False)
        self.assertEqual(len(self.ask("get", "drawer")["entries"]), 2)

    def test_twice_and_badly_named(self):
        self.store()
        self.assertIn("already", self.store(status=400)["message"])
        self.assertIn("Two colours", self.store("Other", status=400, names=["same", "same"])["message"])
        self.store(" ", status=400)
        self.store("Long", status=400, names=["x"] * 40)
        self.assertEqual(Paper.objects.count(), 1)

    def test_the_picture_is_made_anew_and_its_owners_alone(self):
        exif = Image.Exif()
        exif[0x010E] = "at our house"
        made = self.store("Plain", content=picture(exif=exif), white="none")
        path = f"/api/papers/{made['id']}/picture"
        answer = self.client.get(path)
        self.assertEqual(answer["Content-Type"], "image/jpeg")
        self.assertNotIn(b"our house", answer.content)
        self.assertEqual(dict(Image.open(io.BytesIO(answer.content)).getexif()), {})
        self.client.force_login(self.ben)
        for theirs in (path, f"/api/papers/{made['id']}"):
            self.assertEqual(self.client.get(theirs).status_code, 404)
        self.ask("delete", f"papers/{made['id']}", status=404)
        self.assertEqual(self.ask("get", "papers"), [])

    def test_shares_travel_with_the_range(self):
        made = self.store()
        entries = [entry_of(colour) for colour in Range.objects.get(pk=made["range_id"]).colours.all()]
        _, file = read_range_json(write_range_json({}, entries).encode())
        self.assertEqual([one.share for one in file.entries], [one.share for one in entries])


class SheetTests(PaperTestCase):
    """Sheets with their pattern: straightened, measured, cut up."""

    def strip_of(self, paper, status=200):
        told = {"piece_kind": "strip", "name": "strip", "unit": "mm", "width": "100", "height": "40"}
        end = {"source": "sheet", "id": paper}
        return self.change(self.new_card(), status, kind="add_piece", material=end, **told)

    def test_a_piece_is_cut_out_of_a_sheet_once_its_width_is_known(self):
        paper = self.store()
        told = self.strip_of(paper["id"], 400)
        self.assertIn("Say first how wide what the picture of Quay stripes shows is", told["message"])
        for width in ("", "much", "1 mm", "2000 mm", "-3 in"):
            self.assertIn("problems", self.ask("patch", f"papers/{paper['id']}", {"width": width}, 400))
        paper = self.ask("patch", f"papers/{paper['id']}", {"width": "150 mm"})
        self.assertEqual(paper["width"], "5 29/32 in")
        card = self.strip_of(paper["id"])
        (part,) = (one for one in card["desk"]["parts"] if one["piece"])
        self.assertEqual((part["pattern"]["sheet"], part["pattern"]["width"]), (paper["id"], 150.0))
        pattern = {"right": "-1/2 in", "turn": 90, "repeated": False}
        card = self.change(card, kind="edit_piece", key=1, unit="mm", pattern=pattern)
        (piece,) = self.ask("get", f"cards/{card['id']}/build")["pieces"]
        self.assertEqual(piece["pattern"], {"right": "−1/2 in", "below": "", "turn": 90.0, "repeated": False})
        self.assertEqual(piece["material"]["words"], "Quay stripes")
        self.ask("delete", f"papers/{paper['id']}", status=204)
        (piece,) = self.ask("get", f"cards/{card['id']}/build")["pieces"]
        self.assertEqual(
            (piece["pattern"], piece["material"]["words"]), (None, "a sheet no longer on your shelf")
        )

    def test_sheets_are_cut_up_by_those_alone_who_have_them(self):
        paper = self.store(width="6 in")
        self.assertEqual(paper["width"], "6 in")
        self.client.force_login(self.ben)
        self.strip_of(paper["id"], 404)
        self.client.force_login(self.ann)
        self.strip_of(paper["id"])

    def test_a_sheet_that_she_has_not_got_is_to_be_bought(self):
        paper = self.store(width="6 in")
        self.strip_of(paper["id"])
        self.assertEqual(self.ask("get", "shopping"), [])
        Range.objects.filter(pk=paper["range_id"]).update(owner=None)
        Paper.objects.filter(pk=paper["id"]).update(owner=None)
        touch_catalogue(None)  # now it is everybody's, and not in her drawer
        (item,) = self.ask("get", "shopping")
        self.assertEqual((item["swatch"]["label"], item["cards"]), ("Quay stripes", ["Kingfisher"]))

    def test_it_comes_along_in_the_archive(self):
        self.strip_of(self.store(width="6 in")["id"])
        whole = self.client.get("/api/me/archive").getvalue()
        self.client.force_login(self.ben)
        upload = SimpleUploadedFile("archive.zip", whole)
        self.assertEqual(self.client.post("/api/me/archive", {"file": upload}).status_code, 200)
        (card,) = self.ask("get", "cards")["cards"]
        (piece,) = self.ask("get", f"cards/{card['id']}/build")["pieces"]
        (paper,) = Paper.objects.filter(owner=self.ben)
        self.assertEqual((piece["material"]["id"], paper.width_mm), (paper.pk, 152.4))

    def test_it_is_straightened_by_its_corners_and_kept_so(self):
        read = self.send()
        self.assertEqual(read["sheet"], "")
        wide, high = read["width"], read["height"]
        corners = [[wide // 2, 20], [wide - 20, 20], [wide - 20, high - 20], [wide // 2, high - 20]]
        straight = self.send(corners=corners)
        self.assertTrue(straight["sheet"].startswith("data:image/jpeg"))
        self.assertEqual((straight["width"], straight["box"]), (wide, read["box"]))
        made = self.store(corners=corners)
        kept = self.client.get(f"/api/papers/{made['id']}/picture").content
        with Image.open(io.BytesIO(kept)) as image:
            self.assertAlmostEqual(image.width, wide - 20 - wide // 2, delta=2)
            light = np.asarray(image).reshape(-1, 3).max(axis=0)
        self.assertLess(light.max() - light.min(), 40)  # the lamp is taken out of the picture too
        for bad, words in (([[0, 0]], "four points"), ("x", "well-formed"), ([[0, 0]] * 4, "once around")):
            told = self.store("Other", 400, corners=bad)
            self.assertIn(words, str(told["problems"]))

    def test_the_picture_is_shown_in_every_view(self):
        made = self.store()
        seen = {}
        for view in ("colour", "greys", "lamp", "deutan"):
            answer = self.client.get(f"/api/papers/{made['id']}/picture?view={view}")
            with Image.open(io.BytesIO(answer.content)) as image:
                seen[view] = np.asarray(image.convert("RGB")).reshape(-1, 3).astype(int)
        self.assertEqual(np.ptp(seen["greys"], axis=1).max(), 0)
        self.assertGreater(np.ptp(seen["colour"], axis=1).max(), 60)
        self.assertLess(np.ptp(seen["deutan"], axis=1).max(), np.ptp(seen["colour"], axis=1).max())


class PaletteTests(PaperTestCase):
    def start(self, paper, status=201, **changes):
        data = {"name": "From paper", "size": {"width": "5", "height": "7", "unit": "in"}}
        data["colours"] = [one["id"] for one in paper["colours"]]
        return self.ask("post", f"papers/{paper['id']}/start", data | changes, status)

    def test_a_palette_grows_from_a_sheet(self):
        paper = self.store()
        card = self.ask("get", f"cards/{self.start(paper)['id']}")
        roles = [colour["role"] for colour in card["colours"]]
        self.assertEqual(roles[:2], ["ground", "lead"])
        names = [colour["name"] for colour in card["colours"]]
        self.assertEqual(names[0], "pale greyish yellow")  # what they are called, not what they do
        self.assertFalse([one for one in names if one in ("ground", "main", "support", "accent")])
        self.assertTrue(
            any(check["status"] == "holds" and "Lettering" in check["title"] for check in card["checks"])
        )

    def test_only_its_own_colours(self):
        paper = self.store()
        self.start(paper, 400, colours=[self.ids["SKY-1"]])
        self.start(paper, 400, colours=[])
        self.start(paper, 400, name=" ")

    def test_which_papers_go_with_a_palette(self):
        self.store()
        plain = self.store("Plain", content=picture(), white="none")
        card = self.new_card()
        self.assertEqual(self.ask("get", f"cards/{card['id']}/papers"), [])
        card = self.change(card, kind="add_colour", anchor={"value": SHADES[1]}, name="sea", role="lead")
        first, second = self.ask("get", f"cards/{card['id']}/papers")
        self.assertEqual(
            (first["paper"]["id"], first["agrees"], first["reason"]), (plain["id"], 1, "has sea")
        )
        self.assertIn("brings", second["reason"])
        self.assertLess(second["agrees"], 0.6)
