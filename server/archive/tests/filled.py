"""An account with something of everything, and how an archive is brought into another."""

import io

from django.core.files.uploadedfile import SimpleUploadedFile
from PIL import Image

from jindle_core.line_art.drawing import LineDrawing, Shape
from server.colouring.actions import store_drawing
from server.papers.actions import Named, store_paper
from server.tests.answers import hold
from server.tests.helpers import ApiTestCase, make_range


def picture() -> bytes:
    out = io.BytesIO()
    Image.new("RGB", (60, 40), "#7799aa").save(out, "JPEG")
    return out.getvalue()


PICTURE = picture()


class FilledTestCase(ApiTestCase):
    def setUp(self):
        super().setUp()
        self.own = make_range(
            self.ann, "Mine", "gel pen", "code,name,hex\nPEN-1,moon,#f0f0ff\nPEN-2,,#102030\n"
        )
        pen = self.own.colours.first().pk
        card = self.full_card()
        card = self.change(card, kind="add_colour", anchor={"colour": pen}, name="moonlight", role="light")
        card = self.change(card, kind="choose", key=1, column="pad", colour=self.ids["SKY-1"])
        end = {"source": "supply", "id": pen}
        card = self.change(
            card, kind="add_pair", pair_kind="small-lettering", upper=end, lower={"source": "white"}
        )
        self.ask("post", f"cards/{card['id']}/undo", {"version": card["version"]})
        self.ask("post", "drawer", {"colours": [pen], "fullness": "half", "note": "gift"})
        self.ask("post", "shopping/asked", {"colours": [self.ids["SKY-2"]]}, 204)
        self.ask("post", f"colours/{pen}/readings", {"value": "95, 1, -6", "layers": 2}, 201)
        below = {"value": "60, 1, -6", "below": self.ids["SKY-1"]}
        self.ask("post", f"colours/{pen}/readings", below, 201)
        self.ask("put", "strip", {"colours": [self.ids["SKY-2"], pen]})
        sheet = [Named((50.0, 1.0, 2.0), 0.75, "ground"), Named((30.0, 4.0, 5.0), 0.25, "main")]
        store_paper(self.ann, "Quayside", "Stripes", PICTURE, sheet, "photographed")
        self.ask("post", "palettes/combinations", {"name": "Moonrise", "card": card["id"]}, 201)
        pencils = make_range(self.ann, "Tray", "wax pencil", "code,L,a,b\nTRAY-1,80,0,9\nTRAY-2,50,0,9\n")
        tones = [one.pk for one in pencils.colours.all()]
        drawing = LineDrawing(100.0, 100.0, (Shape("sail", "M0 0 90 0 90 90Z", 0.4, ()),), ())
        card = self.ask("get", f"cards/{card['id']}")
        for change in (
            {"kind": "set_drawing", "drawing": store_drawing(self.ann, "Boat", drawing).pk},
            {"kind": "set_families", "families": [{"key": 1, "colours": tones}]},
            {"kind": "edit_areas", "keys": [1], "glaze": self.ids["SKY-2"]},
            {"kind": "set_colouring", "paper": self.ids["milk"], "line_range": self.own.pk},
        ):
            card = self.change(card, **change)
        self.ask("post", "families/kept", {"name": "canvas", "colours": tones}, 201)
        card = self.change(card, kind="start_layout", layout="framed")
        said = {"version": 0, "made": "2026-05-06", "count": 3, "person": "Ida"}
        record = self.ask("post", f"cards/{card['id']}/records", said, 201)
        self.client.post(f"/api/records/{record['id']}/photos", {"file": SimpleUploadedFile("x", PICTURE)})
        for version, press in ((1, "begin"), (2, "done")):
            told = {"press": press, "key": "base", "version": version}
            self.ask("post", f"cards/{card['id']}/plan/presses", told)
        wanted = {"version": 3, "cards": 4, "before": [["flat", "post"]]}
        self.ask("patch", f"cards/{card['id']}/plan", wanted)
        self.ask("patch", "me", {"units": "mm", "surround": "dark"})
        self.ann.refresh_from_db()

    def bring_back(self, content, status=200):
        upload = SimpleUploadedFile("archive.zip", content)
        answer = self.client.post("/api/me/archive", {"file": upload})
        self.assertEqual(answer.status_code, status, answer.content)
        hold("post", "/api/me/archive", status, answer.json())
        return answer.json()
