"""The order of work of a card, over the API."""

from unittest import mock

from server.cards.planning import api as planning
from server.tests.helpers import ApiTestCase


class PlanTests(ApiTestCase):
    def built(self):
        card = self.full_card()
        card = self.change(card, kind="start_layout", layout="framed")
        return self.change(card, kind="set_ground", pads=[{"colour": self.ids["SKY-1"]}])

    def plan(self, card, status=200, **query):
        return self.ask("get", f"cards/{card['id']}/plan", query, status)

    def test_a_card_of_no_pieces_asks_for_nothing(self):
        told = self.plan(self.new_card("bare"))
        self.assertEqual((told["tasks"], told["dries"], told["minutes"]), ([], [], 0.0))

    def test_everything_is_told_in_its_order_with_why_not_sooner(self):
        told = self.plan(self.built())
        tasks = told["tasks"]
        self.assertEqual([one["start"] for one in tasks], sorted(one["start"] for one in tasks))
        self.assertEqual(tasks[-1]["key"], "post")
        self.assertIn("(after “", tasks[-1]["why"])
        ground = next(one for one in tasks if one["work"] == "ground")
        self.assertTrue(ground["steps"] and ground["supplies"])
        self.assertIn(ground["key"], [one["key"] for one in told["dries"]])
        self.assertTrue(any("Cut away from the hand" in one for one in told["cautions"]))
        self.assertLessEqual(told["minutes"], told["in_turn"])
        self.assertEqual(told["gap"], 0.0)

    def test_an_evening_is_kept_and_tools_change_less_where_that_is_wanted(self):
        card = self.built()
        split = self.plan(card, evening=10)
        self.assertEqual(
            split["breaks"][:2], [{"start": 10.0, "end": 610.0}, {"start": 620.0, "end": 1220.0}]
        )
        for one in split["tasks"]:
            for night in split["breaks"]:
                self.assertTrue(one["end"] <= night["start"] or one["start"] >= night["end"], one)
        fewest = self.plan(card, aim="fewest-changes")
        self.assertEqual(fewest["minutes"], self.plan(card)["minutes"])
        self.assertLessEqual(fewest["changes"], self.plan(card)["changes"])
        self.assertEqual((split["too_long"], self.plan(card)["too_long"]), ([], []))
        longest = max(split["tasks"], key=lambda one: one["end"] - one["start"])
        self.assertIn(longest["words"], self.plan(card, evening=5)["too_long"])
        self.assertEqual(self.plan(card, 400, evening=1)["code"], "bad_input")

    def test_it_is_worked_out_once_for_a_version(self):
        card = self.built()
        self.plan(card)
        with mock.patch.object(planning, "schedule", side_effect=AssertionError):
            self.plan(card)
        card = self.change(card, kind="set_ground", pads=[])
        self.assertNotIn("ground", [one["work"] for one in self.plan(card)["tasks"]])
