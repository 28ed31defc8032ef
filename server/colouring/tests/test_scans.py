import io
import json

import numpy as np
from django.core.files.uploadedfile import SimpleUploadedFile
from PIL import Image

from server.colouring.models import Drawing
from server.tests.helpers import ApiTestCase
from standins.stamp import stamped


def box(left, top, right, bottom):
    return np.array([(left, top), (right, top), (right, bottom), (left, bottom)], float)


class ScanTests(ApiTestCase):
    @classmethod
    def setUpTestData(cls):
        super().setUpTestData()
        cls.photo = stamped([[box(100, 100, 500, 900)], [box(560, 300, 900, 900)]], "clean", 1, side=600)

    def ask_scan(self, status=200, path="scan", content=None, **told):
        data = {name: json.dumps(one) if isinstance(one, list) else one for name, one in told.items()}
        data["file"] = SimpleUploadedFile("stamp.jpg", self.photo if content is None else content)
        answer = self.client.post(f"/api/drawings/{path}", data)
        self.assertEqual(answer.status_code, status, answer.content[:300])
        return answer.json()

    def test_an_outline_is_read_mended_and_kept_as_a_drawing_of_ones_own(self):
        found = self.ask_scan()
        self.assertEqual((len(found["areas"]), found["loose"], found["width"]), (2, [], 1000))
        self.assertFalse(Drawing.objects.filter(owner=self.ann).exists())
        across = [{"way": "line", "points": [[130, 500], [480, 500]]}]
        self.assertEqual(len(self.ask_scan(mends=across)["areas"]), 3)
        far = [{"way": "line", "points": [[-1e12, 500], [1e12, 500]]}]
        self.assertEqual(len(self.ask_scan(mends=far)["areas"]), 4)
        halves = [*across, {"way": "join", "points": [[300, 300], [300, 800]]}]
        self.assertEqual(len(self.ask_scan(mends=halves)["areas"]), 2)
        stored = self.ask_scan(201, "scanned", name="Two boxes", mends=across, names=["low", "", "high"])
        drawing = Drawing.objects.get(pk=stored["id"], owner=self.ann).shapes
        self.assertEqual([one.id for one in drawing.shapes], ["low", "area 2", "high"])
        card = self.change(self.new_card(), kind="set_drawing", drawing=stored["id"])
        (picture,) = self.ask("get", f"cards/{card['id']}/colouring")["pictures"]
        self.assertEqual([one["name"] for one in picture["areas"]], ["low", "area 2", "high"])
        self.client.force_login(self.ben)
        mine = {one["id"] for one in self.ask("get", "drawings")}
        self.assertNotIn(stored["id"], mine)

    def test_it_is_turned_by_quarters(self):
        upright, turned = self.ask_scan(), self.ask_scan(quarters=1)
        (x, y), (left, down) = upright["areas"][0]["middle"], turned["areas"][0]["middle"]
        self.assertAlmostEqual(left, 1000 - y, delta=12)
        self.assertAlmostEqual(down, x, delta=12)

    def test_what_is_no_scan_or_mend_is_told(self):
        out = io.BytesIO()
        Image.fromarray(np.full((9000, 9001), 255, np.uint8)).save(out, "PNG")
        self.assertIn("81 megapixels", self.ask_scan(400, content=out.getvalue())["message"])
        noise = io.BytesIO()
        Image.fromarray(np.random.default_rng(1).integers(0, 256, (400, 400), np.uint8)).save(noise, "PNG")
        self.assertIn("ink than paper", self.ask_scan(400, content=noise.getvalue())["message"])
        self.assertIn("no PNG", self.ask_scan(400, content=b"<svg/>")["message"])
        stroke = {"way": "line", "points": [[1, 1], [2, 2]]}
        for told, words in (
            ({"mends": [stroke] * 61}, "60 strokes"),
            ({"mends": [{"way": "rub", "points": [[1, 1], [2, 2]]}]}, "rub"),
            ({"mends": [{"way": "line", "points": [[1, 1]]}]}, "points"),
            ({"mends": [{"way": "line", "points": [[float("nan"), 1], [2, 2]]}]}, "valid number"),
            ({"quarters": 7}, "quarters"),
        ):
            with self.subTest(words):
                self.assertIn(words, str(self.ask_scan(400, **told)["problems"]))
        self.assertIn("Names are a list", str(self.ask_scan(400, "scanned", name="x", names=["a"] * 5)))
