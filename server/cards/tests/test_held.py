from unittest import mock

from jindle_core.checked.whole import CheckedCard
from jindle_core.line_art.svg import read_svg
from server.access import cards_of
from server.cards.held import checked_card
from server.cards.models import StoredCard
from server.catalogue.arrays import catalogue_for
from server.catalogue.drawer_actions import set_owned
from server.colouring.actions import store_drawing
from server.colouring.models import Drawing
from server.tests.helpers import ApiTestCase


class HeldTests(ApiTestCase):
    def setUp(self):
        super().setUp()
        self.card = self.full_card()

    def held(self, person=None):
        person = person or self.ann
        person.refresh_from_db()
        stored = StoredCard.objects.get(pk=self.card["id"])
        return checked_card(stored, catalogue_for(person), person)

    def test_a_change_its_stages_and_its_mends_work_one_card_out(self):
        with mock.patch("server.cards.held.CheckedCard", wraps=CheckedCard) as made:
            self.card = self.change(self.card, kind="start_layout", layout="three mats")
            for path in ("build", "ground", "colouring", "mends"):
                self.ask("get", f"cards/{self.card['id']}/{path}")
            self.ask("get", f"cards/{self.card['id']}")
        self.assertEqual(made.call_count, 1)

    def test_what_another_worker_stored_is_worked_out_anew(self):
        before = self.held()
        self.assertIs(self.held(), before)
        stored = StoredCard.objects.get(pk=self.card["id"])
        StoredCard.objects.filter(pk=stored.pk).update(
            stored=stored.stored | {"name": "Tern"}
        )  # no new version
        after = self.held()
        self.assertEqual((before.seen.card.name, after.seen.card.name), ("Kingfisher", "Tern"))

    def test_a_change_that_was_rolled_back_leaves_nothing_behind(self):
        version = self.card["version"]
        with mock.patch("server.cards.actions.card_told", side_effect=ValueError("broken")):
            self.client.raise_request_exception = False
            self.change(self.card, status=500, kind="set_card", name="Never stored")
        told = self.ask("get", f"cards/{self.card['id']}")
        self.assertEqual((told["name"], told["version"]), ("Kingfisher", version))
        told = self.change(told, kind="set_card", name="Stored")
        self.assertEqual((told["name"], told["version"]), ("Stored", version + 1))
        self.assertEqual(self.held().seen.card.name, "Stored")

    def test_other_supplies_are_seen_at_once(self):
        before = self.held()
        set_owned(self.ann, [self.ids["SKY-1"]], True)
        after = self.held()
        self.assertIsNot(after, before)
        place = after.seen.supplies.places[self.ids["SKY-1"]]
        self.assertIsNone(before.seen.supplies.kept(place))
        self.assertIsNotNone(after.seen.supplies.kept(place))

    def test_a_drawing_that_goes_and_how_she_lays_shadows(self):
        shapes = '<svg xmlns="http://www.w3.org/2000/svg"><path id="a" d="M0 0h40v40h-40z"/></svg>'

        drawing = store_drawing(self.ann, "heron", read_svg(shapes.encode()))
        self.card = self.change(self.card, kind="set_drawing", drawing=drawing.pk)
        self.assertEqual(list(self.held().seen.drawings), [drawing.pk])
        self.client.patch("/api/me", {"dark_first": True}, "application/json")
        self.assertTrue(self.held().seen.coloured[0].dark_first)
        Drawing.objects.filter(pk=drawing.pk).delete()
        self.assertEqual(self.held().seen.drawings, {})

    def test_nobody_is_given_anothers(self):
        self.held()
        self.assertFalse(cards_of(self.ben).filter(pk=self.card["id"]).exists())
        self.client.force_login(self.ben)
        for path in ("", "/build", "/ground", "/colouring", "/mends"):
            self.ask("get", f"cards/{self.card['id']}{path}", status=404)
