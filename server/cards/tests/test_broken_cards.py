import io
import logging
from unittest import mock

from django.core.management import CommandError, call_command

from jindle_core.errors import BadInput, Problem
from server.cards.models import StoredCard
from server.tests.helpers import ApiTestCase


class BrokenCardTests(ApiTestCase):
    """A card that cannot be worked out stops nothing and can be left again."""

    def setUp(self):
        super().setUp()
        logging.disable(logging.ERROR)  # what cannot be shown is reported, and here it is meant
        self.addCleanup(logging.disable, logging.NOTSET)

    def damaged(self, **told):
        card = self.full_card()
        row = StoredCard.objects.get(pk=card["id"])
        row.stored = row.stored | told
        row.revisions.filter(number=row.head).update(stored=row.stored)
        row.save(update_fields=["stored"])
        return card

    def test_two_presses_with_nothing_but_defaults(self):
        card = self.new_card("Two colours")
        for value, role in (("#204060", "lead"), ("#f4efe0", "light")):
            card = self.change(card, kind="add_colour", anchor={"value": value}, name="", role=role)
        card = self.change(card, kind="start_layout", layout="framed")
        pieces = self.ask("get", f"cards/{card['id']}/build")["pieces"]
        words = next(one for one in pieces if one["kind"] == "lettering")
        self.assertEqual([one["name"] for one in pieces if not one["carries"]], ["words"])
        told = self.change(
            card,
            400,
            kind="add_piece",
            piece_kind="mat",
            name="mat",
            on=words["key"],
            unit="in",
            reveal="1/8",
        )
        self.assertIn("words is stamped", told["message"])
        self.change(card, 400, kind="edit_piece", key=pieces[1]["key"], unit="in", on=words["key"])
        for piece in pieces:  # what carries others does not become ink
            if any(one["on"] == piece["key"] for one in pieces):
                self.change(card, 400, kind="edit_piece", key=piece["key"], unit="in", piece_kind="lettering")
        self.assertEqual(self.ask("get", f"cards/{card['id']}")["version"], card["version"])
        self.assertEqual(len(self.ask("get", "cards")["cards"]), 1)

    def test_all_are_tried_before_a_new_version_takes_them(self):
        whole, said = self.full_card(), io.StringIO()
        call_command("try_cards", stdout=said)
        self.assertIn("All 1 cards can be shown.", said.getvalue())
        broken = self.damaged(choices=[{"key": 1.5}])
        with self.assertRaisesRegex(CommandError, f"1 of 2 cards cannot be shown: {broken['id']}$"):
            call_command("try_cards", stdout=said)
        self.ask("get", f"cards/{whole['id']}")

    def test_what_cannot_be_worked_out_is_not_stored(self):
        card = self.full_card()
        fault = BadInput(Problem("That leads nowhere."))
        with mock.patch("server.cards.actions.card_told", side_effect=fault):
            self.assertEqual(
                self.change(card, 400, kind="set_card", name="x")["message"], "That leads nowhere."
            )
        for at in (1, 2):  # and what leaves the transaction takes its revision along
            after = self.ask("get", f"cards/{card['id']}")
            self.assertEqual(
                (after["name"], after["version"], after["undo"]), (card["name"], 4, "adding a colour")
            )
            self.assertEqual(StoredCard.objects.get(pk=card["id"]).revisions.count(), 4, at)

    def test_it_stands_in_the_list_and_goes_back_to_any_state(self):
        whole = self.full_card()
        for told in ({"pairs": 7}, {"size": {"width": 1}}, {"choices": [{"key": 1}]}):
            with self.subTest(told):
                card = self.damaged(**told)
                listed = self.ask("get", "cards")
                self.assertIn(whole["id"], [one["id"] for one in listed["cards"]])
                (broken,) = [one for one in listed["broken"] if one["id"] == card["id"]]
                self.assertEqual(broken["name"], "Kingfisher")
                self.assertTrue(broken["reason"])
                answer = self.ask("get", f"cards/{card['id']}", status=422)
                self.assertEqual(answer["code"], "cannot_be_shown")
                for address in ("colouring", "ground", "build", "mends"):
                    self.ask("get", f"cards/{card['id']}/{address}", status=422)
                self.ask("get", "shopping")
                self.ask("get", "me/archive")
                states = self.ask("get", f"cards/{card['id']}/states")
                self.assertEqual([one["number"] for one in states["states"]], [3, 2, 1, 0])
                path, wanted = f"cards/{card['id']}/states", {"version": states["version"], "number": 1}
                self.ask("post", path, wanted | {"number": 9}, 400)
                self.ask("post", path, wanted | {"number": "1"}, 400)
                self.ask("post", path, wanted | {"version": 99}, 409)
                after = self.ask("post", path, wanted)
                self.assertEqual([one["number"] for one in after["states"] if one["now"]], [1])
                shown = self.ask("get", f"cards/{card['id']}")
                self.assertEqual((len(shown["colours"]), shown["redo"]), (1, "adding a colour"))

    def test_undo_take_along_and_delete(self):
        card = self.damaged(pairs=7)
        kept = self.client.get(f"/api/cards/{card['id']}/file").json()
        self.assertEqual((kept["plan"]["pairs"], len(kept["history"])), (7, 4))
        after = self.ask("post", f"cards/{card['id']}/undo", {"version": card["version"]})
        self.assertEqual(len(after["colours"]), 2)
        # Forward again it cannot be shown, and says so; it went there all the same.
        self.ask("post", f"cards/{card['id']}/redo", {"version": after["version"]}, 422)
        self.assertEqual(StoredCard.objects.get(pk=card["id"]).head, 3)
        self.ask("delete", f"cards/{card['id']}", status=204)
        self.assertEqual(self.ask("get", "cards")["broken"], [])
