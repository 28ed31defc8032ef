"""The list of cards: how each looks and stands, told once, and its small picture."""

from io import BytesIO
from unittest import mock

from django.core.files.uploadedfile import SimpleUploadedFile
from PIL import Image

from jindle_core.fullness import Kept
from server.cards import glances
from server.cards.glances import cannot_be_shown, look
from server.cards.models import Glance, StoredCard
from server.catalogue.drawer_actions import keep
from server.tests.helpers import ApiTestCase


def picture(side=60, kind="PNG"):
    made = BytesIO()
    Image.new("RGB", (side, side), (90, 120, 60)).save(made, kind)
    return made.getvalue()


class GlanceTests(ApiTestCase):
    def listed(self, **query):
        return self.ask("get", "cards", query)

    def send(self, card, drawn, content=None, status=204):
        file = SimpleUploadedFile("card.png", picture() if content is None else content)
        answer = self.client.post(
            f"/api/cards/{card['id']}/picture", {"file": file, "drawn": drawn}, format="multipart"
        )
        self.assertEqual(answer.status_code, status, answer.content[:300])
        return answer

    def test_a_picture_is_drawn_once_and_kept_while_the_card_looks_so(self):
        card = self.full_card()
        drawing = self.drawing_of(card)
        self.send(card, drawing["drawn"])
        (one,) = self.listed()["cards"]
        answer = self.client.get(one["picture"])
        self.assertEqual((answer.status_code, answer["Content-Type"]), (200, "image/webp"))
        self.assertEqual(Image.open(BytesIO(answer.content)).size, (60, 60))
        self.assertIn("private", answer["Cache-Control"])
        self.assertIsNone(self.drawing_of(card))
        keep(self.ann, [(self.ids["SKY-1"], Kept())])  # which changes nothing of how it looks
        (one,) = self.listed()["cards"]
        self.assertIsNotNone(one["picture"])
        self.change(card, kind="edit_colour", key=1, name="other")
        self.assertIsNotNone(self.listed()["cards"][0]["picture"])
        card = self.ask("get", f"cards/{card['id']}")
        self.change(card, kind="reanchor", key=1, anchor={"value": "#102030"})
        self.assertIsNone(self.listed()["cards"][0]["picture"])
        self.send(card, drawing["drawn"], status=400)  # what it looked like before

    def test_what_is_no_small_picture_is_refused_in_words(self):
        card = self.full_card()
        drawn = self.drawing_of(card)["drawn"]
        for content, words in (
            (b"<svg/>", "no PNG or WebP"),
            (picture(700), "640 pixels at most"),
            (picture(kind="GIF"), "no PNG or WebP"),
            (b"x" * 500_000, "400 kB"),
            (picture()[:70], "no PNG or WebP"),
        ):
            self.assertIn(words, self.send(card, drawn, content, 400).json()["message"])
        self.assertIsNone(self.listed()["cards"][0]["picture"])

    def test_glances_and_pictures_are_ones_own(self):
        card = self.full_card()
        drawn = self.drawing_of(card)["drawn"]
        self.send(card, drawn)
        self.client.force_login(self.ben)
        self.assertEqual(self.ask("get", "cards/glances", {"ids": card["id"]}), {"cards": [], "broken": []})
        self.send(card, drawn, status=404)
        self.assertEqual(self.client.get(f"/api/cards/{card['id']}/picture?drawn={drawn}").status_code, 404)

    def test_a_long_list_looks_at_a_few_and_tells_the_others_as_they_were(self):
        for number in range(4):
            self.new_card(f"card {number}")
        with mock.patch.object(glances, "AT_ONCE", 2):
            told = self.listed()["cards"]
            self.assertEqual([one["current"] for one in told], [True, True, False, False])
            self.assertEqual([one["name"] for one in told], [f"card {number}" for number in (3, 2, 1, 0)])
            told = self.listed()["cards"]
            self.assertEqual([one["current"] for one in told], [True] * 4)
            keep(self.ann, [(self.ids["SKY-1"], Kept("low"))])
            self.assertEqual([one["current"] for one in self.listed()["cards"]], [True, True, False, False])
            rest = [one["id"] for one in told[2:]]
            self.assertTrue(
                all(one["current"] for one in self.ask("get", "cards/glances", {"ids": rest})["cards"])
            )
        with mock.patch.object(glances, "PAGE", 3):
            first, second = self.listed(), self.listed(page=2)
            self.assertEqual((len(first["cards"]), first["more"], first["count"]), (3, True, 4))
            self.assertEqual(([one["name"] for one in second["cards"]], second["more"]), (["card 0"], False))
        self.ask("get", "cards", {"page": 0}, 400)
        self.ask("get", "cards/glances", {}, 400)

    def test_what_is_known_is_not_worked_out_again(self):
        self.full_card()
        self.listed()
        with mock.patch.object(glances, "checked_card", side_effect=AssertionError):
            self.assertEqual(len(self.listed()["cards"]), 1)
            self.assertEqual(cannot_be_shown(self.ann), set())
        others = mock.patch.object(glances, "_rules", return_value="others")
        with others, mock.patch.object(glances, "checked_card", wraps=glances.checked_card) as worked:
            self.listed()
        self.assertEqual(worked.call_count, 1)

    def test_a_card_that_is_deleted_meanwhile_stops_nobody(self):
        card = self.full_card()

        def gone(_):
            StoredCard.objects.filter(pk=card["id"]).delete()
            return {}

        gone_while_looked_at = mock.patch.object(glances, "_summary", side_effect=gone)
        with gone_while_looked_at, self.assertLogs("server.cards.glances", "INFO"):
            look(self.ann, [card["id"]])
        self.assertEqual(Glance.objects.count(), 0)
