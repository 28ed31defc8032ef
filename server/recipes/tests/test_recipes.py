"""A recipe goes from one person to another, as a file or by a link, and is a card there."""

import base64
import io
import json

import jsonschema
import numpy as np
from django.core.files.uploadedfile import SimpleUploadedFile
from PIL import Image

from jindle_core.card.references import named
from jindle_core.layers.pieces import Kind
from jindle_core.line_art.drawing import LineDrawing, Shape
from jindle_core.travelling.schema import recipe_schema
from server.cards.models import StoredCard
from server.catalogue.models import Colour
from server.colouring.actions import store_drawing
from server.colouring.models import Drawing
from server.papers.actions import Named, store_paper
from server.recipes.management.commands.recipe_schema import PUBLISHED
from server.recipes.models import SharedRecipe
from server.records.models import RecordPhoto
from server.tests.helpers import ApiTestCase, make_range

FERNS = "code,name,L,a,b\nFERN-1,pale fern,85,-18,24\nFERN-2,fern,68,-24,32\nFERN-3,dark fern,50,-26,33\n"
SEDGES = FERNS.replace("FERN", "SEDGE").replace("fern", "sedge").replace("85,", "86,")
POND = LineDrawing(100, 100, (Shape("fin", "M0 0 50 0 50 50Z", 0.5, ()),), ())


class TravelTestCase(ApiTestCase):
    def setUp(self):
        super().setUp()
        self.ferns = make_range(self.ann, "Ferns", "alcohol marker", FERNS)
        self.ids |= {one.key: one.pk for one in Colour.objects.filter(range=self.ferns)}
        self.drawing = store_drawing(self.ann, "pond", POND)
        card = self.full_card()
        card = self.change(card, kind="set_drawing", drawing=self.drawing.pk)
        tones = [self.ids[f"FERN-{n}"] for n in (1, 2, 3)]
        card = self.change(card, kind="set_families", families=[{"key": 1, "colours": tones}])
        card = self.change(card, kind="set_ground", pads=[{"colour": self.ids["SKY-1"]}])
        self.card = self.change(card, kind="start_layout", layout="framed")

    def file(self, path=None):
        path = path or f"cards/{self.card['id']}/recipe/file"
        answer = self.client.get(f"/api/{path}")
        self.assertEqual(answer.status_code, 200)
        return answer.content

    def send(self, path, status=200, content=None, **told):
        sent = told if content is None else told | {"file": SimpleUploadedFile("recipe.json", content)}
        answer = self.client.post(f"/api/{path}", sent)
        self.assertEqual(answer.status_code, status, answer.content[:300])
        return answer.json()

    def as_ben(self):
        self.client.force_login(self.ben)

    def start(self, **told):
        pk = self.send("recipes/cards", 201, name="Hers, mine", **told)["id"]
        return StoredCard.objects.get(pk=pk)


class FileTests(TravelTestCase):
    def test_somebody_else_makes_it_of_what_they_have(self):
        content = self.file()
        self.as_ben()
        sedges = make_range(self.ben, "Sedges", "alcohol marker", SEDGES)
        told = self.send("recipes", content=content)
        self.assertEqual((told["name"], told["supplies"], told["same"]), ("Kingfisher", 6, 3))
        self.assertEqual(told["drawings"], ["pond"])
        after = {one["id"]: one["labels"] for one in told["followers"]}
        self.assertEqual(after["area:1"], ["SEDGE-1", "SEDGE-2", "SEDGE-3"])
        self.assertGreater(told["held"], len(told["gives_way"]))
        self.assertEqual(StoredCard.objects.filter(owner=self.ben).count(), 0)
        card = self.start(content=content)
        self.assertEqual((card.owner, card.value.name), (self.ben, "Hers, mine"))
        seen = {one.pk for one in Colour.objects.filter(range__in=[sedges, self.pads, self.stock])}
        self.assertLessEqual(named(card.value).every, seen)
        drawing = Drawing.objects.get(pk=card.value.pictures[0].drawing)
        self.assertEqual((drawing.owner, drawing.shapes), (self.ben, POND))
        self.assertEqual(self.ask("get", f"cards/{card.pk}")["name"], "Hers, mine")

    def test_who_does_not_have_its_patterned_paper_sees_it_all_the_same(self):
        out = io.BytesIO()
        Image.fromarray(np.tile(np.uint8([[40] * 30 + [220] * 30]), (40, 1))).save(out, "PNG")
        sheet = [Named((16.0, 0.0, 0.0), 0.5, "dark"), Named((88.0, 0.0, 0.0), 0.5, "light")]
        paper = store_paper(self.ann, "Quayside", "Halves", out.getvalue(), sheet, "photographed", 100.0)
        pieces = StoredCard.objects.get(pk=self.card["id"]).value.build.pieces
        key = next(one.key for one in pieces if one.kind is Kind.MAT)
        material = {"source": "sheet", "id": paper.pk}
        self.card = self.change(self.card, kind="edit_piece", key=key, unit="in", material=material)
        content = self.file()
        self.assertEqual(self.send("recipes", content=content)["patterns"], [])
        self.as_ben()
        told = self.send("recipes", content=content)
        (part,) = [one for one in told["before"]["parts"] if one["pattern"]]
        (pattern,) = told["patterns"]
        self.assertEqual(part["pattern"]["sheet"], pattern["sheet"])
        self.assertEqual(told["supplies"], 7)  # one for the sheet, whatever it shows
        seen = Image.open(io.BytesIO(base64.b64decode(pattern["pictures"]["colour"].partition(",")[2])))
        left, right = (seen.convert("L").getpixel((x, 5)) for x in (5, 55))
        self.assertLess(left, 60)
        self.assertGreater(right, 200)
        # A sheet of hers that nobody may cut here is no sheet of the card that is started.
        self.assertFalse([one for one in told["after"]["parts"] if one["pattern"]])
        self.assertEqual(self.start(content=content).owner, self.ben)

    def test_it_comes_home_as_it_went(self):
        content = self.file()
        mine = StoredCard.objects.get(pk=self.card["id"]).value
        card = self.start(content=content)
        there = card.value
        self.assertEqual((there.colours, there.pictures, there.ground, there.build),
                         (mine.colours, mine.pictures, mine.ground, mine.build))  # fmt: skip
        self.as_ben()
        hers = self.start(content=content)
        back = self.file(f"cards/{hers.pk}/recipe/file")
        self.client.force_login(self.ann)
        home = self.start(content=back).value
        self.assertEqual([one.anchor.lab for one in home.colours], [one.anchor.lab for one in mine.colours])
        self.assertEqual(home.build, mine.build)

    def test_who_has_nothing_in_the_drawer_gets_values(self):
        content = self.file()
        self.as_ben()
        told = self.send("recipes", content=content, owned=True)
        self.assertEqual([one["after"] for one in told["followers"] if one["id"] == "area:1"], [[]])
        card = self.start(content=content, owned=True).value
        self.assertEqual(named(card).every, named(card).every & {one.anchor.colour for one in card.colours})
        self.assertEqual(len(card.colours), 3)

    def test_what_was_made_goes_as_it_was_with_its_photos(self):
        made = self.ask("post", f"cards/{self.card['id']}/records", {"version": 0, "made": "2026-04-20"}, 201)
        out = io.BytesIO()
        Image.new("RGB", (80, 60), "#557799").save(out, "JPEG")
        RecordPhoto.objects.create(record_id=made["id"], picture=out.getvalue())
        self.ferns.delete()
        self.ask("delete", f"cards/{self.card['id']}", status=204)
        told = self.send("recipes", content=self.file(f"records/{made['id']}/recipe/file"))
        self.assertEqual([one["words"] for one in told["pictures"]], ["as it was made"])
        self.assertEqual(told["before"]["pictures"][0]["key"], 1)

    def test_it_is_as_the_published_schema_says(self):
        published = PUBLISHED.read_text()
        self.assertEqual(recipe_schema(), published, "run ./jindle schema")
        schema = jsonschema.Draft202012Validator(json.loads(published))
        schema.check_schema(schema.schema)
        told = json.loads(self.file())
        self.assertEqual(list(schema.iter_errors(told)), [])
        told["card"]["pictures"][0]["areas"][0]["layers"] = "two"
        self.assertEqual(len(list(schema.iter_errors(told))), 1)

    def test_nothing_of_the_person_is_in_it(self):
        plain = json.loads(self.file())
        self.assertNotIn(self.ann.name, json.dumps(plain))
        self.assertLessEqual({one["range"] for one in plain["supplies"]}, set(range(1, 4)))
        self.assertEqual(max(plain["card"]["pictures"][0]["areas"][0]["family"]), 6)

    def test_what_is_no_recipe_is_told_and_nothing_is_kept(self):
        for content, told in (
            (b"", "recipe's|empty|file"),
            (b"nonsense", "JSON"),
            (b" " * (9 * 2**20), "MB"),
            (self.file().replace(b'"version": 1', b'"version": 2', 1), "versions up to 1"),
            (self.file().replace(b'"alcohol marker"', b'"porridge"'), "Medium"),
        ):
            problems = self.send("recipes/cards", 400, content=content, name="x")["problems"]
            self.assertRegex(problems[0]["message"], told)
        self.send("recipes", 400)
        self.send("recipes/cards", 400, content=self.file(), name=" ")
        self.assertEqual(StoredCard.objects.count(), 1)
        self.assertEqual(Drawing.objects.count(), 1)


class LinkTests(TravelTestCase):
    def link(self, of="cards"):
        return self.ask("post", f"{of}/{self.card['id']}/link", {}, 201)

    def test_a_link_is_off_until_it_is_made_and_ends_when_it_is_ended(self):
        path = f"cards/{self.card['id']}/link"
        self.assertIsNone(self.ask("get", path)["link"])
        link = self.link()
        self.assertEqual(self.ask("get", path)["link"], link)
        token = link["address"].rsplit("/", 1)[1]
        self.assertGreater(len(token), 40)
        self.client.logout()
        self.assertEqual(self.ask("get", f"shared/{token}")["name"], "Kingfisher")
        page = self.client.get(f"/api/shared/{token}/sheet")
        for address in (f"/api/shared/{token}/sheet", f"/api/shared/{token}/file", f"/shared/{token}"):
            self.assertEqual(self.client.get(address)["X-Robots-Tag"], "noindex, nofollow")
        self.assertNotIn("X-Robots-Tag", self.client.get("/api/door"))
        self.assertContains(page, "FERN-2")
        self.assertNotContains(page, self.ann.name)
        self.assertEqual(self.client.get(f"/api/shared/{token}/sheet?kind=pdf").content[:5], b"%PDF-")
        self.assertEqual(json.loads(self.file(f"shared/{token}/file"))["name"], "Kingfisher")
        self.ask("get", f"shared/{token[:-1]}", status=404)
        self.ask("get", f"shared/{token.swapcase()}", status=404)
        self.as_ben()
        self.assertEqual(self.send("recipes", token=token)["name"], "Kingfisher")
        self.assertEqual(self.ask("get", "links"), [])
        self.ask("delete", f"links/{link['id']}", status=404)
        self.client.force_login(self.ann)
        self.assertEqual(self.ask("get", "links"), [link])
        self.ask("delete", f"links/{link['id']}", status=204)
        for path in ("", "/sheet", "/file"):
            self.ask("get", f"shared/{token}{path}", status=404)
        self.send("recipes", 404, token=token)

    def test_it_shows_the_card_as_it_was_when_it_was_made(self):
        token = self.link()["address"].rsplit("/", 1)[1]
        self.change(self.card, kind="set_card", name="Another")
        self.assertEqual(self.ask("get", f"shared/{token}")["name"], "Kingfisher")
        other = self.link()["address"].rsplit("/", 1)[1]
        self.assertEqual(self.ask("get", f"shared/{other}")["name"], "Another")
        self.ask("get", f"shared/{token}", status=404)

    def test_it_rests_while_its_card_is_deleted_and_goes_with_it(self):
        token = self.link()["address"].rsplit("/", 1)[1]
        self.ask("delete", f"cards/{self.card['id']}", status=204)
        self.ask("get", f"shared/{token}", status=404)
        self.assertEqual(self.ask("get", "links"), [])
        self.ask("post", f"cards/deleted/{self.card['id']}", status=204)
        self.assertEqual(self.ask("get", f"shared/{token}")["name"], "Kingfisher")
        self.ask("delete", f"cards/{self.card['id']}", status=204)
        self.ask("delete", f"cards/deleted/{self.card['id']}", status=204)
        self.assertEqual(SharedRecipe.objects.count(), 0)

    def test_a_card_is_started_from_a_link(self):
        token = self.link()["address"].rsplit("/", 1)[1]
        self.as_ben()
        self.assertEqual(self.start(token=token).owner, self.ben)
        # Of what he has, once he has anything.
        self.assertFalse(self.send("recipes", token=token)["owned"])
        self.ask("post", "drawer", {"colours": [self.ids["SKY-1"]]})
        self.assertTrue(self.send("recipes", token=token)["owned"])
        self.assertFalse(self.send("recipes", token=token, owned=False)["owned"])
