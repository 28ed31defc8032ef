import io
import json

from django.core.files.uploadedfile import SimpleUploadedFile
from django.core.management import call_command
from django.test import TestCase

from server.accounts.models import Person
from server.catalogue.arrays import forget_catalogues
from server.catalogue.drawer_actions import set_owned
from server.catalogue.models import Colour, Range
from server.papers.models import Paper
from server.tests.helpers import make_range, told_lines


class StripTests(TestCase):
    @classmethod
    def setUpTestData(cls):
        call_command("load_demo", stdout=io.StringIO())
        cls.ann, cls.ben = (
            Person.objects.create_user(name, "long-enough-9", stand_ins=True) for name in ("Ann", "Ben")
        )
        markers = Range.objects.filter(owner=None, medium="alcohol marker").first()
        set_owned(cls.ann, markers.colours.values_list("pk", flat=True), True)
        cls.paper = Paper.objects.get(title="Swing bridge")

    def setUp(self):
        forget_catalogues()
        self.client.force_login(self.ann)

    def put(self, status=200, **said):
        answer = self.client.put("/api/strip", said, "application/json")
        self.assertEqual(answer.status_code, status, answer.content[:300])
        return answer.json()

    def photograph(self, **said):
        said = {"paper": self.paper.pk, "light": "bulb", "card": False, "strip": True} | said
        return self.client.post("/api/camera/photograph", said, "application/json")

    def read(self, photo, path="papers/read", **said):
        answer = self.client.post(f"/api/{path}", {"file": SimpleUploadedFile("sheet.jpg", photo)} | said)
        last = told_lines(answer)[-1]
        return last.get("reading") or last["read"]

    def test_it_is_chosen_found_and_undoes_the_lamp(self):
        self.assertEqual(self.client.get("/api/strip").json()["boxes"], [])
        boxes = self.put()["boxes"]
        self.assertEqual(len({one["id"] for one in boxes}), 8)
        self.assertEqual({one["medium"] for one in boxes}, {"alcohol marker"})
        self.assertEqual(self.client.get("/api/strip").json()["boxes"], boxes)
        photo = self.photograph().content
        told = self.read(photo)
        self.assertEqual([one["swatch"]["id"] for one in told["known"]], [one["id"] for one in boxes])
        self.assertEqual({(one["of_strip"], one["used"]) for one in told["known"]}, {(True, True)})
        self.assertEqual(len(told["colours"]), self.paper.range.colours.filter(family="Swing bridge").count())
        self.assertNotIn("look whether the frame", told["warning"])
        without = self.read(photo, strip="none")
        self.assertEqual(without["known"], [])
        self.assertLess(told["uncertainty"], without["uncertainty"])
        self.assertEqual(self.read(photo, white="none")["known"], [])

    def test_swatches_that_are_marked_go_by_it_too(self):
        colour = self.put()["boxes"][0]["id"]
        patches = json.dumps([{"left": 300, "top": 200, "width": 40, "height": 40, "colour": colour}])
        photo = self.photograph(card=True).content
        told = self.read(photo, "swatches/read", patches=patches)
        self.assertTrue(told["strip"])
        self.put(colours=[])
        self.assertFalse(self.read(photo, "swatches/read", patches=patches)["strip"])

    def test_it_is_hers_alone(self):
        self.put()
        photo = self.photograph().content
        self.client.force_login(self.ben)
        self.assertEqual(self.client.get("/api/strip").json()["boxes"], [])
        self.assertEqual(self.read(photo)["known"], [])
        self.assertEqual(self.client.get("/api/strip/sheet").status_code, 400)
        self.assertEqual(self.photograph().status_code, 400)
        theirs = make_range(self.ann, "Hers", "gel pen", "code,L,a,b\nPEN-1,50,30,30\n").colours.get().pk
        self.assertIn("not in your supplies", str(self.put(400, colours=[theirs])))

    def test_what_is_no_strip_is_told(self):
        ids = list(Colour.objects.filter(range__medium="alcohol marker").values_list("pk", flat=True)[:9])
        self.assertIn("8 colours at most", str(self.put(400, colours=ids)))
        self.assertIn("each once", str(self.put(400, colours=[ids[0], ids[0]])))
        card = Colour.objects.filter(range__medium="cardstock").first().pk
        self.assertIn("what one lays on white card", str(self.put(400, colours=[card])))
        pens = make_range(self.ben, "Two", "gel pen", "code,L,a,b\nPEN-1,50,30,30\nPEN-2,50,30,31\n")
        self.client.force_login(self.ben)
        set_owned(self.ben, pens.colours.values_list("pk", flat=True), True)
        self.assertIn("hold fewer", str(self.put(400)))

    def test_a_colour_that_is_gone_leaves_its_box_empty(self):
        pens = make_range(self.ann, "Pens", "gel pen", "code,L,a,b\nPEN-1,50,60,30\nPEN-2,60,-50,30\n")
        first, second = pens.colours.values_list("pk", flat=True)
        markers = [one["id"] for one in self.put()["boxes"]][:5]
        self.put(colours=[first, *markers])
        Colour.objects.filter(pk=first).delete()
        forget_catalogues()
        boxes = self.client.get("/api/strip").json()["boxes"]
        self.assertEqual([one and one["id"] for one in boxes], [None, *markers])
        told = self.read(self.photograph().content)
        self.assertEqual([one["swatch"]["id"] for one in told["known"]], markers)
        self.assertEqual({one["used"] for one in told["known"]}, {True})
        self.assertEqual(self.client.get("/api/strip/sheet?sheet=a4").content[:5], b"%PDF-")
        self.put(colours=[second])
        self.assertIn("from three on", self.read(self.photograph().content)["warning"])
