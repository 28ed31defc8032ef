import io
import json
import re
import zipfile

from django.core.files.uploadedfile import SimpleUploadedFile
from PIL import Image

from jindle_core.line_art.drawing import LineDrawing, Shape
from server.accounts.models import Person
from server.archive.pack import pack
from server.cards.models import Card
from server.catalogue.models import Range, Reading
from server.colouring.actions import store_drawing
from server.papers.actions import Named, store_paper
from server.papers.models import Paper
from server.tests.helpers import ApiTestCase, make_range


def picture() -> bytes:
    out = io.BytesIO()
    Image.new("RGB", (60, 40), "#7799aa").save(out, "JPEG")
    return out.getvalue()


PICTURE = picture()


class ArchiveTests(ApiTestCase):
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
            card, kind="add_pair", pair_kind="small lettering", upper=end, lower={"source": "white"}
        )
        self.ask("post", f"cards/{card['id']}/undo", {"version": card["version"]})
        self.ask("post", "drawer", {"colours": [pen], "fullness": "half", "note": "gift"}, 204)
        self.ask("post", f"colours/{pen}/readings", {"value": "95, 1, -6", "layers": 2}, 201)
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
            {"kind": "edit_area", "key": 1, "glaze": self.ids["SKY-2"]},
            {"kind": "set_colouring", "paper": self.ids["milk"], "line_range": self.own.pk},
        ):
            card = self.change(card, **change)
        self.ask("post", "families/kept", {"name": "canvas", "colours": tones}, 201)
        self.ask("patch", "me", {"units": "mm", "surround": "dark"})
        self.ann.refresh_from_db()

    def bring_back(self, content, status=200):
        upload = SimpleUploadedFile("archive.zip", content)
        answer = self.client.post("/api/me/archive", {"file": upload})
        self.assertEqual(answer.status_code, status, answer.content)
        return answer.json()

    def with_changed(self, name, change):
        """Ann's archive with one of its files put through ``change``."""
        out = io.BytesIO()
        with zipfile.ZipFile(io.BytesIO(pack(self.ann))) as old, zipfile.ZipFile(out, "w") as new:
            for one in old.namelist():
                content = old.read(one)
                new.writestr(
                    one, change(content.decode("latin-1")).encode("latin-1") if one == name else content
                )
        return out.getvalue()

    def test_out_and_back_into_an_empty_account_is_the_same(self):
        whole = self.client.get("/api/me/archive").content
        with zipfile.ZipFile(io.BytesIO(whole)) as archive:
            self.assertEqual(
                archive.namelist(),
                [
                    "about.json",
                    "ranges/own 1.json",
                    "ranges/own 2.json",
                    "ranges/own 3.json",
                    "papers/0001.jpg",
                    "papers.json",
                    "drawer.json",
                    "readings.json",
                    "combinations.json",
                    "drawings.json",
                    "families.json",
                    "cards/0001.json",
                ],
            )
            self.assertEqual(json.loads(archive.read("readings.json"))[0]["colour"], ["own 1", "PEN-1"])
        self.client.force_login(self.ben)
        self.assertEqual(
            self.bring_back(whole),
            {
                "ranges": 3,
                "papers": 1,
                "drawer": 3,
                "readings": 1,
                "combinations": 1,
                "drawings": 1,
                "families": 1,
                "cards": 1,
            },
        )
        self.assertEqual(pack(Person.objects.get(name="Ben")), whole)
        (paper,) = Paper.objects.filter(owner=self.ben)
        self.assertEqual((bytes(paper.picture), paper.range.owner), (PICTURE, self.ben))
        self.assertEqual([colour.share for colour in paper.range.colours.all()], [0.75, 0.25])
        (card,) = self.ask("get", "cards")["cards"]
        card = self.ask("get", f"cards/{card['id']}")
        self.assertEqual((len(card["colours"]), card["undo"]), (4, "how the picture is coloured"))
        told = self.ask("get", f"cards/{card['id']}/colouring")
        self.assertEqual([one["swatch"]["code"] for one in told["areas"][0]["tones"]], ["TRAY-1", "TRAY-2"])
        self.assertEqual((told["areas"][0]["shape"], told["paper"]["name"]), ("sail", "milk"))
        self.assertEqual(told["line_range"], Range.objects.get(owner=self.ben, name="Mine").pk)
        self.assertEqual(card["colours"][0]["cells"][1]["state"], "chosen")
        self.assertFalse(any(colour["lost"] for colour in card["colours"]))

    def test_only_into_an_empty_account(self):
        self.assertIn("not empty", self.bring_back(pack(self.ann), 400)["message"])

    def test_what_is_damaged_stores_nothing(self):
        about = "about.json"
        self.client.force_login(self.ben)
        cases = (
            (b"no zip", "no zip archive"),
            (
                self.with_changed(about, lambda text: text.replace("jindle archive", "other")),
                "no Jindle archive",
            ),
            (
                self.with_changed(about, lambda text: text.replace('"version": 1', '"version": 9')),
                "version 9",
            ),
            (self.with_changed(about, lambda text: text.replace('"mm"', '"miles"')), "not as it was written"),
            (self.with_changed("papers/0001.jpg", lambda text: "no picture"), "no PNG, JPEG or WebP"),
            (self.with_changed("papers.json", lambda text: text.replace("own 2", "own 7")), "papers.json"),
            (self.with_changed("readings.json", lambda text: text[:40]), "not well-formed"),
            (self.with_changed("readings.json", lambda text: text.replace("PEN-1", "PEN-9")), "own 1 PEN-9"),
            (self.with_changed("drawer.json", lambda text: text.replace("half", "brimming")), "drawer.json"),
            (
                self.with_changed("cards/0001.json", lambda text: text.replace('"lead"', '"hero"')),
                "cards/0001.json",
            ),
            (self.with_changed("cards/0001.json", lambda text: "{}"), "cards/0001.json"),
            (self.with_changed("cards/0001.json", lambda text: "[" * 100_000), "not well-formed"),
            (
                self.with_changed("cards/0001.json", lambda text: text.replace('"number": 1', '"number": 0')),
                "cards/0001.json",
            ),
            (
                self.with_changed(
                    "cards/0001.json", lambda text: re.sub('"head": [0-9]+', '"head": 99', text)
                ),
                "cards/0001.json",
            ),
            (
                self.with_changed("ranges/own 1.json", lambda text: text.replace('"PEN-2"', '"PEN-1"')),
                "stands in row 1",
            ),
            (
                self.with_changed("ranges/own 1.json", lambda text: text.replace('"gel pen"', '"crayon"')),
                "own 1.json",
            ),
        )
        for content, words in cases:
            with self.subTest(words):
                self.assertIn(words, self.bring_back(content, 400)["message"])
                self.assertEqual(Card.objects.filter(owner=self.ben).count(), 0)
                self.assertEqual(Reading.objects.filter(owner=self.ben).count(), 0)
                self.assertEqual(self.ben.ranges.count(), 0)
