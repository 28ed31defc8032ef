"""The order of work of a card, and what is pressed while it is made, over the API."""

from unittest import mock

from server.cards.models import CardWork, StepTaken, StoredCard
from server.cards.planning import actions
from server.cards.planning import api as planning
from server.tests.helpers import ApiTestCase

EVENING = 1_700_000_000.0


class PlanTestCase(ApiTestCase):
    def setUp(self):
        super().setUp()
        clock = mock.patch.object(actions, "now", side_effect=lambda: self.second)
        clock.start()
        self.addCleanup(clock.stop)
        self.second = EVENING

    def built(self):
        card = self.full_card()
        card = self.change(card, kind="start_layout", layout="framed")
        return self.change(card, kind="set_ground", pads=[{"colour": self.ids["SKY-1"]}])

    def plan(self, card, status=200):
        return self.ask("get", f"cards/{card['id']}/plan", None, status)

    def want(self, card, plan, status=200, **wanted):
        told = {"version": plan["version"]} | wanted
        return self.ask("patch", f"cards/{card['id']}/plan", told, status)

    def press(self, card, plan, press, key, status=200, **more):
        told = {"version": plan["version"], "press": press, "key": key} | more
        return self.ask("post", f"cards/{card['id']}/plan/presses", told, status)

    def keys(self, plan):
        return [one["key"] for one in plan["tasks"]]


class PlanTests(PlanTestCase):
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
        self.assertTrue(ground["steps"] and ground["supplies"] and ground["pieces"])
        self.assertIn(ground["key"], [one["key"] for one in told["dries"]])
        self.assertTrue(any("Cut away from the hand" in one for one in told["cautions"]))
        self.assertLessEqual(told["minutes"], told["in_turn"])
        self.assertEqual(told["gap"], 0.0)

    def test_an_evening_is_kept_and_tools_change_less_where_that_is_wanted(self):
        card = self.built()
        whole = self.plan(card)
        split = self.want(card, whole, evening=10)
        self.assertEqual(
            split["breaks"][:2], [{"start": 10.0, "end": 610.0}, {"start": 620.0, "end": 1220.0}]
        )
        for one in split["tasks"]:
            for night in split["breaks"]:
                self.assertTrue(one["end"] <= night["start"] or one["start"] >= night["end"], one)
        self.assertEqual((split["too_long"], split["evening"]), ([], 10))
        short = self.want(card, split, evening=5)
        longest = max(split["tasks"], key=lambda one: one["minutes"])
        self.assertIn(longest["words"], short["too_long"])
        fewest = self.want(card, short, evening=None, aim="fewest-changes")
        self.assertEqual((fewest["minutes"], fewest["aim"]), (whole["minutes"], "fewest-changes"))
        self.assertLessEqual(fewest["changes"], whole["changes"])

    def test_it_is_worked_out_once_for_a_version(self):
        card = self.built()
        self.plan(card)
        with mock.patch.object(planning, "planned", side_effect=AssertionError):
            self.plan(card)
        card = self.change(card, kind="set_ground", pads=[])
        self.assertNotIn("ground", [one["work"] for one in self.plan(card)["tasks"]])

    def test_several_cards_take_longer_and_wait_once(self):
        card = self.built()
        one = self.plan(card)
        six = self.want(card, one, cards=6)
        self.assertEqual(six["cards"], 6)
        self.assertTrue(one["hands"] < six["hands"] < 6 * one["hands"])
        self.assertLess(six["minutes"], 6 * one["minutes"])

    def test_wishes_are_kept_and_what_cannot_be_is_told(self):
        card = self.built()
        plan = self.plan(card)
        last, first = plan["tasks"][-1], plan["tasks"][0]
        told = self.want(card, plan, before=[[last["key"], first["key"]]])
        (wish,) = told["impossible"]
        self.assertEqual(wish["words"], f"“{last['words']}” before “{first['words']}”")
        self.assertIn("comes after", wish["reason"])
        self.assertEqual(self.keys(told), self.keys(plan))
        self.assertEqual(self.want(card, told, before=[])["wishes"], [])

    def test_an_order_of_ones_own_is_shown_with_what_it_breaks(self):
        card = self.built()
        plan = self.plan(card)
        order = [self.keys(plan)[-1], *self.keys(plan)[:-1]]
        told = self.want(card, plan, aim="my-own-order", order=order)
        self.assertEqual(self.keys(told), order)
        self.assertTrue(told["tasks"][0]["wrong"])

    def test_what_is_said_of_who_it_is_for_changes_the_caution(self):
        card = self.built()
        dot = {"piece_kind": "finishing-piece", "name": "dot", "unit": "mm", "width": "4", "height": "4"}
        card = self.change(card, kind="add_piece", **dot)
        plan = self.plan(card)
        self.assertTrue(plan["asks_for_child"])
        small = self.want(card, plan, small_child=True)
        self.assertFalse(small["asks_for_child"])
        self.assertTrue(any("for a small child, who" in one for one in small["cautions"]))
        large = self.want(card, small, small_child=False)
        self.assertFalse(any("small child" in one for one in large["cautions"]))

    def test_wishes_that_are_none_are_refused(self):
        card = self.built()
        plan = self.plan(card)
        for wrong in (
            {"evening": 1},
            {"cards": 0},
            {"cards": 100_000},
            {"aim": "sometime"},
            {"before": [["base"]]},
            {"order": "base"},
            {"small_child": "perhaps"},
        ):
            self.assertEqual(self.want(card, plan, 400, **wrong)["code"], "bad_input")
        self.assertEqual(
            self.ask("patch", f"cards/{card['id']}/plan", {"cards": 2}, 400)["code"], "bad_input"
        )
        self.assertEqual(self.plan(card), plan)


class AtTheDeskTests(PlanTestCase):
    def test_a_step_is_done_and_what_dries_after_it_is_known_to_the_server(self):
        card = self.built()
        plan = self.plan(card)
        for key in [one["key"] for one in plan["tasks"] if one["work"] in ("base", "cut")]:
            plan = self.press(card, plan, "done", key)
        ground = next(one["key"] for one in plan["tasks"] if one["work"] == "ground")
        plan = self.press(card, plan, "begin", ground)
        self.assertEqual((plan["hand"], plan["since"]), (ground, EVENING))
        self.second += 300
        plan = self.press(card, plan, "done", ground)
        (timer,) = plan["timers"]
        self.assertEqual((timer["key"], timer["since"]), (ground, EVENING + 300))
        self.assertGreater(timer["until"], EVENING + 300)
        self.second += 240
        again = self.plan(card)
        self.assertEqual((again["timers"], again["now"]), (plan["timers"], EVENING + 540))
        longer = self.press(card, again, "longer", ground, minutes=5)
        self.assertEqual(longer["timers"][0]["until"], timer["until"] + 300)
        dry = self.press(card, longer, "dry", ground)
        self.assertEqual(dry["timers"], [])
        self.assertNotIn(ground, self.keys(dry))
        back = self.press(card, dry, "back", ground)
        self.assertIn(ground, self.keys(back))

    def test_one_press_ends_a_step_and_begins_the_next(self):
        card = self.built()
        plan = self.plan(card)
        first, then = self.keys(plan)[:2]
        plan = self.press(card, plan, "done", first, go_on=True)
        self.assertEqual((plan["hand"], [one["key"] for one in plan["past"]]), (then, [first]))
        self.assertEqual(plan["tasks"][0]["key"], then)
        self.assertEqual(self.press(card, plan, "put-down", then)["hand"], "")

    def test_where_everything_still_dries_nothing_is_begun(self):
        card = self.built()
        plan = self.plan(card)
        for one in plan["tasks"][:-1]:
            plan = self.press(card, plan, "done", one["key"], go_on=True)
            self.second += 1
            if not plan["hand"]:
                break
        self.assertEqual(plan["hand"], "")
        free = [one["free_at"] for one in plan["tasks"]]
        self.assertTrue(all(at is None or at > plan["now"] for at in free))

    def test_of_two_devices_the_later_is_told_and_nothing_is_pressed_twice(self):
        card = self.built()
        plan = self.plan(card)
        first, then = self.keys(plan)[:2]
        self.press(card, plan, "done", first)
        told = self.press(card, plan, "done", then, status=409)
        self.assertIn("another window or device", told["message"].lower())
        self.assertEqual(self.want(card, plan, 409, cards=3)["code"], "stale")
        self.assertEqual([one["key"] for one in self.plan(card)["past"]], [first])

    def test_what_is_not_there_or_not_done_is_said(self):
        card = self.built()
        plan = self.plan(card)
        for press, key, words in (
            ("done", "colour:9:9", "not in the plan any more"),
            ("back", "base", "not done yet"),
            ("dry", "base", "not done yet"),
            ("juggle", "base", "juggle"),
        ):
            self.assertIn(words, self.press(card, plan, press, key, 400)["message"])
        self.press(card, plan, "longer", "base", 400, minutes=1e9)
        self.assertEqual(CardWork.objects.count(), 0)

    def test_what_a_step_became_is_to_be_done_again(self):
        card = self.built()
        plan = self.plan(card)
        ground = next(one for one in plan["tasks"] if one["work"] == "ground")
        plan = self.press(card, plan, "done", ground["key"])
        piece = ground["pieces"][0]
        cut = next(one for one in plan["tasks"] if one["work"] == "cut" and piece in one["pieces"])
        plan = self.press(card, plan, "done", cut["key"])
        card = self.change(card, kind="edit_piece", key=piece, name="the sky", unit="mm")
        plan = self.plan(card)
        again = next(one for one in plan["tasks"] if one["key"] == cut["key"])
        self.assertEqual(again["was"], cut["words"])
        plan = self.press(card, plan, "already", cut["key"])
        self.assertNotIn(cut["key"], self.keys(plan))

    def test_a_clock_that_is_put_back_leaves_running_what_runs(self):
        card = self.built()
        plan = self.plan(card)
        ground = next(one["key"] for one in plan["tasks"] if one["work"] == "ground")
        plan = self.press(card, plan, "done", ground)
        left = plan["timers"][0]["until"] - plan["now"]
        self.second -= 86_400
        plan = self.plan(card)
        self.assertAlmostEqual(plan["timers"][0]["until"] - plan["now"], left)
        plan = self.press(card, plan, "begin", self.keys(plan)[0])
        self.assertEqual(plan["since"], self.second)

    def test_the_same_card_is_made_once_more(self):
        card = self.built()
        plan = self.plan(card)
        plan = self.want(card, plan, cards=3)
        plan = self.press(card, plan, "done", self.keys(plan)[0])
        plan = self.ask("post", f"cards/{card['id']}/plan/anew", {"version": plan["version"]})
        self.assertEqual((plan["past"], plan["cards"]), ([], 3))

    def test_it_is_nobody_elses(self):
        card = self.built()
        plan = self.plan(card)
        self.press(card, plan, "begin", self.keys(plan)[0])
        self.client.force_login(self.ben)
        self.plan(card, 404)
        self.press(card, plan, "done", self.keys(plan)[0], 404)
        self.want(card, plan, 404, cards=2)
        self.ask("post", f"cards/{card['id']}/plan/anew", {"version": 1}, 404)


class OwnPaceTests(PlanTestCase):
    def at_work(self, card, plan, works, minutes):
        for key in [one["key"] for one in plan["tasks"] if one["work"] in works]:
            plan = self.press(card, plan, "begin", key)
            self.second += 60 * minutes
            plan = self.press(card, plan, "done", key)
        return plan

    def test_three_steps_tell_a_pace_which_can_be_forgotten(self):
        card = self.built()
        usual = {one["key"]: one["minutes"] for one in self.plan(card)["tasks"] if one["work"] == "base"}
        for _ in range(3):
            plan = self.at_work(card, self.plan(card), ["base"], 6)
            plan = self.ask("post", f"cards/{card['id']}/plan/anew", {"version": plan["version"]})
        self.assertEqual(plan["paces"], [{"work": "base", "share": 2.0, "steps": 3}])
        minutes = {one["key"]: one["minutes"] for one in plan["tasks"] if one["work"] == "base"}
        self.assertEqual(minutes, {key: 2 * one for key, one in usual.items()})
        self.ask("delete", "pace?work=stamp", None, 204)
        self.assertEqual(StepTaken.objects.count(), 3)
        self.client.force_login(self.ben)
        self.ask("delete", "pace", None, 204)
        self.client.force_login(self.ann)
        self.assertEqual(StepTaken.objects.count(), 3)
        self.ask("delete", "pace?work=base", None, 204)
        self.assertEqual(self.plan(card)["paces"], [])

    def test_what_is_taken_back_tells_nothing(self):
        card = self.built()
        plan = self.at_work(card, self.plan(card), ["base"], 6)
        self.assertEqual(StepTaken.objects.get().took, 6.0)
        plan = self.press(card, plan, "back", "base")
        self.assertEqual(StepTaken.objects.count(), 0)
        self.press(card, plan, "done", "base")
        self.assertEqual(StepTaken.objects.get().took, 6.0)

    def test_times_outlive_their_card(self):
        card = self.built()
        self.at_work(card, self.plan(card), ["base"], 6)
        StoredCard.objects.filter(pk=card["id"]).delete()
        self.assertEqual((StepTaken.objects.get().card, CardWork.objects.count()), (None, 0))
