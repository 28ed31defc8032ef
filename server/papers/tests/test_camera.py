import io

import numpy as np
from django.core.files.uploadedfile import SimpleUploadedFile
from django.core.management import call_command
from django.test import TestCase
from PIL import Image

from jindle_core.interchange.bare_picture import jpeg
from jindle_core.interchange.picture import read_picture
from jindle_core.patterned.colours import sheet_colours
from jindle_core.patterned.correction import correct, find_white
from server.accounts.models import Person
from server.catalogue.arrays import forget_catalogues
from server.catalogue.models import Colour
from server.papers.models import Paper
from standins.camera import LIGHTS


class CameraTests(TestCase):
    @classmethod
    def setUpTestData(cls):
        call_command("load_demo", stdout=io.StringIO())
        cls.ann = Person.objects.create_user("Ann", "long-enough-9", stand_ins=True)

    def setUp(self):
        forget_catalogues()
        self.client.force_login(self.ann)

    def photograph(self, status=200, **said):
        answer = self.client.post("/api/camera/photograph", said, "application/json")
        self.assertEqual(answer.status_code, status)
        return answer

    def test_the_demo_sheets_have_pictures_and_shares(self):
        self.assertEqual(Paper.objects.filter(owner=None).count(), 18)
        for paper in Paper.objects.select_related("range"):
            shares = list(paper.range.colours.filter(family=paper.title).values_list("share", flat=True))
            self.assertAlmostEqual(sum(shares), 1, places=3)
            drawing = Image.open(io.BytesIO(bytes(paper.picture)))
            self.assertEqual(np.asarray(drawing).max(), len(shares) - 1)
        self.assertFalse(
            Colour.objects.exclude(range__medium="patterned paper").filter(share__isnull=False).exists()
        )

    def test_says_that_it_is_simulated(self):
        told = self.client.get("/api/camera").json()
        self.assertTrue(told["simulated"])
        self.assertEqual((told["lights"], len(told["papers"])), (list(LIGHTS), 18))

    def test_a_photograph_reads_back_as_the_sheet(self):
        paper = Paper.objects.filter(title="Swing bridge").get()
        for light in LIGHTS:
            with self.subTest(light):
                answer = self.photograph(paper=paper.pk, light=light)
                self.assertEqual(answer["Content-Type"], "image/jpeg")
                picture = read_picture(answer.content)
                box = find_white(picture.linear)
                self.assertIsNotNone(box)
                found = sheet_colours(correct(picture.linear, picture.clipped, box))
                shares = paper.range.colours.filter(family=paper.title).values_list("share", flat=True)
                self.assertEqual(len(found), len(shares))
                for one, share in zip(sorted(one.share for one in found), sorted(shares), strict=True):
                    self.assertAlmostEqual(one, share, delta=0.04)

    def test_what_cannot_be_photographed(self):
        pk = Paper.objects.first().pk
        self.photograph(400, paper=pk, light="moonlight")
        self.photograph(400, light="shade")
        self.photograph(404, paper=10**9, light="shade")

    def test_a_sheet_of_its_picture_stays_marked(self):
        paper = Paper.objects.filter(owner=None).first()
        content = self.photograph(paper=paper.pk, light="daylight").content
        for picture, marked in ((content, True), (jpeg(Image.open(io.BytesIO(content))), False)):
            told = {
                "file": SimpleUploadedFile("sheet.jpg", picture),
                "title": f"Marked {marked}",
                "collection": "Tried out",
            }
            answer = self.client.post("/api/papers", told)
            self.assertEqual(answer.status_code, 201, answer.content)
            self.assertEqual(answer.json()["simulated"], marked)
