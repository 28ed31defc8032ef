import io
import json

from django.core.files.uploadedfile import SimpleUploadedFile
from PIL import Image

from server.catalogue.models import Reading
from server.tests.helpers import ApiTestCase, make_range, told_lines

MARKERS = "code,L,a,b\n" + "".join(
    f"ALDER-{n},{30 + n},{(n * 7) % 50 - 25},{(n * 11) % 60 - 30}\n" for n in range(1, 53)
)


class PhotographedTests(ApiTestCase):
    @classmethod
    def setUpTestData(cls):
        super().setUpTestData()
        cls.markers = make_range(cls.ann, "Alders", medium="alcohol marker", content=MARKERS)

    def chart(self, **said):
        said = {"range": self.markers.pk, "light": "daylight", **said}
        answer = self.client.post("/api/camera/chart", said, "application/json")
        self.assertEqual(answer.status_code, 200)
        return answer.content

    def read(self, content, **said):
        data = {name: json.dumps(one) if isinstance(one, list | dict) else one for name, one in said.items()}
        answer = self.client.post("/api/swatches/read", data | {"file": SimpleUploadedFile("p.jpg", content)})
        if not answer.streaming:
            self.assertEqual(answer.status_code, 400)
            return answer.json()
        *steps, last = told_lines(answer)
        self.assertTrue(all(0 <= step["share"] < 1 for step in steps))
        return last.get("read") or last["error"]

    def test_a_filled_page_becomes_readings(self):
        for light in ("daylight", "bulb"):
            told = self.read(self.chart(light=light), range=self.markers.pk)
            self.assertEqual((len(told["swatches"]), told["warning"]), (48, ""))
            off = sorted(one["off"] for one in told["swatches"])
            self.assertLess(off[24], 3, light)
        readings = [{"colour": one["swatch"]["id"], "lab": one["lab"]} for one in told["swatches"][:3]]
        self.assertEqual(Reading.objects.count(), 0)
        # A picture of the made-up camera says so, and what is kept of it goes on saying it.
        self.assertTrue(told["simulated"])
        made_up = {"readings": readings, "simulated": True}
        self.ask("post", "swatches/keep", made_up, 201)
        colour = self.ask("get", f"colours/{readings[0]['colour']}/readings")
        self.assertEqual((colour["swatch"]["read"], colour["readings"][0]["simulated"]), (False, True))
        Reading.objects.all().delete()
        kept = self.ask("post", "swatches/keep", {"readings": readings, "layers": 1}, 201)
        self.assertEqual(kept, {"count": 3})
        reading = Reading.objects.first()
        self.assertEqual(
            (reading.provenance, reading.taken_with, reading.owner),
            ("photographed", "a photograph", self.ann),
        )
        colour = self.ask("get", f"colours/{readings[0]['colour']}/readings")["swatch"]
        self.assertEqual((colour["provenance_words"], colour["read"]), ("photographed", True))
        self.assertGreater(colour["uncertainty"], 2)

    def test_a_kept_reading_does_not_move_the_boxes_of_the_page(self):
        photo = self.chart()
        before = [one["swatch"]["label"] for one in self.read(photo, range=self.markers.pk)["swatches"]]
        dark = {"readings": [{"colour": self.markers.colours.first().pk, "lab": [5, 0, 0]}]}
        self.ask("post", "swatches/keep", dark, 201)
        after = [one["swatch"]["label"] for one in self.read(photo, range=self.markers.pk)["swatches"]]
        self.assertEqual(before, after)

    def test_the_second_page_and_a_grey_card(self):
        photo = self.chart(page=2, sheet="a4", grey=True)
        told = self.read(photo, range=self.markers.pk, page=2, sheet="a4", grey=True)
        self.assertEqual(len(told["swatches"]), 4)
        self.assertLess(max(one["off"] for one in told["swatches"]), 4)
        wrong = self.read(photo, range=self.markers.pk, page=3)
        self.assertIn("no page 3", wrong["message"])
        self.assertEqual(wrong["problems"][0]["expected"], "1 to 2")
        self.ask("post", "camera/chart", {"range": self.markers.pk, "page": 9, "light": "shade"}, 400)

    def test_another_page_than_the_one_named_is_noticed(self):
        told = self.read(self.chart(), range=self.pads.pk)
        self.assertIn("far from what is known", told["warning"])

    def test_a_picture_without_marks_is_refused(self):
        out = io.BytesIO()
        Image.new("RGB", (200, 300), "#cccccc").save(out, "PNG")
        told = self.read(out.getvalue(), range=self.markers.pk)
        self.assertIn("corner marks", told["message"])
        self.assertIn("no PNG, JPEG or WebP", self.read(b"nothing", range=self.markers.pk)["message"])

    def marked_photo(self):
        image = Image.new("RGB", (400, 300), "#8a8378")
        image.paste("#e8e8ea", (20, 20, 110, 110))
        image.paste("#2a6f97", (150, 40, 230, 120))
        out = io.BytesIO()
        image.save(out, "PNG")
        return out.getvalue()

    def test_swatches_that_are_marked(self):
        photo = self.marked_photo()
        told = self.read(photo)
        self.assertEqual((told["swatches"], told["width"]), ([], 400))
        self.assertIsNotNone(told["white"])
        patch = {"left": 160, "top": 50, "width": 60, "height": 60, "colour": self.ids["SKY-2"]}
        (one,) = self.read(photo, patches=[patch])["swatches"]
        self.assertEqual((one["swatch"]["label"], one["bare"]), ("SKY-2", False))
        marked = {"left": 30, "top": 30, "width": 60, "height": 60}
        self.assertEqual(self.read(photo, patches=[patch], white=marked)["swatches"][0]["lab"], one["lab"])
        bread = self.read(photo, patches=[patch], white=marked, white_card=self.ids["bread"])
        self.assertNotEqual(bread["swatches"][0]["hex"], one["hex"])

    def test_what_cannot_be_marked(self):
        photo, patch = self.marked_photo(), {"left": 1, "top": 1, "width": 9, "height": 9}
        for values, words in (
            ({"patches": [patch]}, "required"), ({"patches": "[1"}, "JSON"),
            ({"patches": [patch | {"colour": 10**9}]}, "not in your supplies"),
            ({"patches": [patch | {"colour": self.ids["SKY-1"], "left": 395}]}, "outside the picture"),
            ({"patches": [patch | {"colour": self.ids["SKY-1"]}], "grey_box": {"left": 40, "top": 40, "width": 50, "height": 50}}, "grey card"),
        ):  # fmt: skip
            with self.subTest(words):
                self.assertIn(words, json.dumps(self.read(photo, **values)))

    def test_only_readings_that_can_be_are_kept_and_all_or_none(self):
        good = {"colour": self.ids["SKY-1"], "lab": [50, 0, 0]}
        for bad in ({"colour": 10**9, "lab": [50, 0, 0]}, {"colour": self.ids["SKY-1"], "lab": [150, 0, 0]}):
            self.ask("post", "swatches/keep", {"readings": [good, bad]}, 400)
        self.ask("post", "swatches/keep", {"readings": []}, 400)
        self.assertEqual(Reading.objects.count(), 0)
