from datetime import timedelta

from django.core.files.uploadedfile import SimpleUploadedFile
from django.utils import timezone

from jindle_core import figures
from server.colouring.models import Drawing
from server.papers.actions import Named, store_paper
from server.papers.models import Paper
from server.papers.tests.test_papers import picture
from server.tests.helpers import ApiTestCase, packed

BOAT = b"<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 90 90'><path id='hull' d='M10 60H80L60 80H30Z'/></svg>"


class ShelfTests(ApiTestCase):
    def setUp(self):
        super().setUp()
        colours = [Named((50.0, 40.0, 20.0), 0.7, "clay"), Named((90.0, 0.0, 5.0), 0.3, "linen")]
        self.paper = store_paper(self.ann, "Quayside", "Tiles", picture(), colours, "photographed")
        answer = self.client.post(
            "/api/drawings", {"file": SimpleUploadedFile("x.svg", BOAT), "name": "Boat"}
        )
        self.drawing = answer.json()["id"]

    def offered(self):
        """Whether the sheet's colour is what a palette finds for it, and whether it is found by its name."""
        card = self.new_card()
        card = self.change(card, kind="add_colour", anchor={"value": "50, 40, 20"}, name="x", role="lead")
        (cell,) = (one for one in card["colours"][0]["cells"] if one["column"] == "paper")
        return cell["match"] is not None, bool(self.ask("get", "find", {"q": "Tiles, clay"})["colours"])

    def papers(self):
        return [(one["title"], one["put_by"]) for one in self.ask("get", "papers")]

    def test_a_sheet_that_is_put_by_is_offered_nowhere(self):
        self.assertEqual(self.offered(), (True, True))
        self.ask("post", f"papers/{self.paper.pk}/put-by", {"away": True}, 204)
        self.assertEqual((self.papers(), self.offered()), ([("Tiles", True)], (False, False)))
        self.assertEqual(len(self.ask("get", f"papers/{self.paper.pk}")["colours"]), 2)
        self.ask("post", f"papers/{self.paper.pk}/put-by", {"away": False}, 204)
        self.assertEqual((self.papers(), self.offered()), ([("Tiles", False)], (True, True)))

    def test_cards_name_a_deleted_sheet_as_it_was_and_it_comes_back_with_its_colours(self):
        ids = [one.pk for one in self.paper.range.colours.all()]
        card = self.change(
            self.new_card(), kind="add_colour", anchor={"colour": ids[0]}, name="", role="lead"
        )
        self.ask("delete", f"papers/{self.paper.pk}", status=204)
        self.ask("get", f"papers/{self.paper.pk}", status=404)
        self.assertEqual((self.papers(), self.offered()), ([], (False, False)))
        (colour,) = self.ask("get", f"cards/{card['id']}")["colours"]
        self.assertEqual((colour["lab"], colour["lost"]), ([50, 40, 20], True))
        self.assertEqual([one["name"] for one in self.ask("get", "papers/deleted")], ["Tiles"])
        self.ask("post", f"papers/deleted/{self.paper.pk}", status=204)
        self.assertEqual((self.papers(), self.offered()), ([("Tiles", False)], (True, True)))
        self.assertFalse(self.ask("get", f"cards/{card['id']}")["colours"][0]["lost"])

    def test_of_a_deleted_title_it_is_said_where_it_is(self):
        self.ask("delete", f"papers/{self.paper.pk}", status=204)
        with self.assertRaisesMessage(ValueError, "was deleted: bring it back"):
            store_paper(self.ann, "Quayside", "Tiles", b"", [Named((50.0, 0.0, 0.0), 1.0, "x")], "screen")

    def test_a_deleted_drawing_is_on_its_cards_again_when_it_is_brought_back(self):
        card = self.change(self.new_card(), kind="set_drawing", drawing=self.drawing)
        shown = lambda: self.ask("get", f"cards/{card['id']}/colouring")["pictures"][0]["drawing"]  # noqa: E731
        self.assertEqual(shown(), self.drawing)
        self.ask("delete", f"drawings/{self.drawing}", status=204)
        self.assertIsNone(shown())
        self.assertEqual([one["name"] for one in self.ask("get", "drawings/deleted")], ["Boat"])
        self.ask("post", f"drawings/deleted/{self.drawing}", status=204)
        self.assertEqual(shown(), self.drawing)

    def test_it_is_nobody_elses(self):
        self.ask("delete", f"papers/{self.paper.pk}", status=204)
        self.ask("delete", f"drawings/{self.drawing}", status=204)
        self.client.force_login(self.ben)
        for kind, pk in (("papers", self.paper.pk), ("drawings", self.drawing)):
            self.assertEqual(self.ask("get", f"{kind}/deleted"), [])
            self.ask("post", f"{kind}/deleted/{pk}", status=404)
            self.ask("delete", f"{kind}/deleted/{pk}", status=404)
        self.assertEqual((Paper.objects.count(), Drawing.objects.filter(owner=self.ann).count()), (1, 1))

    def test_what_was_deleted_long_ago_goes_for_good_with_its_colours(self):
        other = store_paper(
            self.ann, "Quayside", "Oars", b"", [Named((20.0, 0.0, 0.0), 1.0, "tar")], "screen"
        )
        long_ago = timezone.now() - timedelta(days=figures.files.DELETED_DAYS, minutes=1)
        Paper.objects.filter(pk=self.paper.pk).update(deleted=long_ago)
        self.ask("delete", f"papers/{other.pk}", status=204)
        self.assertEqual([one.title for one in Paper.objects.all()], ["Oars"])
        self.assertEqual([one.name for one in other.range.colours.all()], ["Oars, tar"])

    def test_an_archive_brings_it_as_it_stood(self):
        self.ask("post", f"papers/{self.paper.pk}/put-by", {"away": True}, 204)
        self.ask("delete", f"drawings/{self.drawing}", status=204)
        whole = packed(self.ann)
        self.client.force_login(self.ben)
        answer = self.client.post("/api/me/archive", {"file": SimpleUploadedFile("a.zip", whole)})
        self.assertEqual(answer.status_code, 200, answer.content[:300])
        self.assertEqual(self.papers(), [("Tiles", True)])
        self.assertEqual([one["name"] for one in self.ask("get", "drawings/deleted")], ["Boat"])
