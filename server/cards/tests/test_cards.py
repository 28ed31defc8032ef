from datetime import timedelta
from unittest import mock

from django.utils import timezone

from server.cards.models import StoredCard
from server.catalogue.models import touch_catalogue
from server.catalogue.range_actions import delete_range
from server.tests.helpers import ApiTestCase, make_range


class CardTests(ApiTestCase):
    def test_a_clock_that_jumps_back_loses_nothing(self):
        card = self.change(self.new_card("Otter"), kind="set_card", name="Otter by day")
        before = timezone.now() - timedelta(days=3)
        with mock.patch("django.utils.timezone.now", return_value=before):
            card = self.change(card, kind="set_card", name="Otter by night")
            self.new_card("Heron")
            told = self.ask("post", f"cards/{card['id']}/undo", {"version": card["version"]})
            self.assertEqual(told["name"], "Otter by day")
        self.assertEqual(
            {one["name"] for one in self.ask("get", "cards")["cards"]}, {"Otter by day", "Heron"}
        )

    def test_made_listed_renamed_deleted(self):
        card = self.new_card()
        self.assertEqual(card["size"]["words"], "5 1/2 × 4 1/4 in")
        self.ask("patch", "me", {"units": "mm"})
        self.assertEqual(self.ask("get", f"cards/{card['id']}")["size"]["words"], "140 × 108 mm")
        size = {"width": "110 mm", "height": "155", "unit": "mm"}
        card = self.change(card, kind="set_card", name="  Otter  ", size=size)
        self.assertEqual((card["name"], card["size"]["orientation"]), ("Otter", "portrait"))
        (listed,) = self.ask("get", "cards")["cards"]
        self.assertEqual((listed["name"], listed["checks"]), ("Otter", 0))
        self.ask("delete", f"cards/{card['id']}", status=204)
        self.ask("get", f"cards/{card['id']}", status=404)

    def test_bad_sizes_name_the_field(self):
        for size in (
            {"width": "wide", "height": "4", "unit": "in"},
            {"width": "4", "height": "4 mm", "unit": "in"},
            {"width": "4"},
        ):
            told = self.ask("post", "cards", {"name": "x", "size": size}, 400)
            self.assertEqual(told["code"], "bad_input")
            self.assertTrue(told["problems"][0]["message"])

    def test_table_has_the_nearest_with_verdict_direction_and_provenance(self):
        card = self.full_card()
        pads = [next(cell for cell in row["cells"] if cell["column"] == "pad") for row in card["colours"]]
        self.assertEqual([cell["match"]["swatch"]["label"] for cell in pads], ["SKY-2", "SKY-1", "TAR-1"])
        self.assertEqual({cell["match"]["verdict"] for cell in pads}, {"same"})
        stock = card["colours"][2]["cells"][3]
        self.assertEqual(
            (stock["match"]["swatch"]["label"], stock["match"]["verdict"]), ("soot", "very-near")
        )
        self.assertEqual(stock["match"]["direction"], "a touch darker")
        self.assertEqual(stock["match"]["swatch"]["provenance_words"], "read")
        self.assertTrue(card["colours"][0]["cells"][3]["hole"])
        self.assertIsNone(card["colours"][0]["cells"][0]["match"])  # no markers at all

    def test_only_what_i_own(self):
        card = self.full_card()
        self.ask("patch", "me", {"only_owned": True})
        card = self.ask("get", f"cards/{card['id']}")
        labels = [row["cells"][1]["match"]["swatch"]["label"] for row in card["colours"]]
        self.assertEqual(labels, ["SKY-2"] * 3)

    def test_discontinued_only_where_asked_for_or_owned(self):
        card = self.full_card()
        path = f"cards/{card['id']}/alternatives"
        asked = {"key": card["colours"][1]["key"], "column": "pad"}
        labels = [match["swatch"]["label"] for match in self.ask("get", path, asked)["matches"]]
        self.assertEqual(labels, ["SKY-1", "SKY-3", "SKY-2", "TAR-1"])
        made = self.ask("get", path, asked | {"made": "true"})["matches"]
        self.assertNotIn("SKY-3", [match["swatch"]["label"] for match in made])
        owned = self.ask("get", path, asked | {"owned": "true"})["matches"]
        self.assertEqual([match["swatch"]["label"] for match in owned], ["SKY-2"])
        self.assertEqual(self.ask("get", path, asked | {"range": self.stock.pk})["matches"], [])
        self.ask("get", path, {"key": 99, "column": "pad"}, 400)
        self.ask("get", path, {"key": 1, "column": "crayon"}, 400)

    def test_choose_lock_and_go_back(self):
        card = self.full_card()
        key = card["colours"][0]["key"]
        card = self.change(card, kind="choose", key=key, column="pad", colour=self.ids["SKY-1"])
        self.assertEqual(card["colours"][0]["cells"][1]["state"], "chosen")
        card = self.change(card, kind="choose", key=key, column="pad", colour=self.ids["SKY-1"], locked=True)
        self.assertEqual(card["colours"][0]["cells"][1]["state"], "locked")
        self.change(card, 400, kind="choose", key=key, column="pad", colour=self.ids["SKY-2"])
        card = self.change(card, kind="clear_choice", key=key, column="pad")
        self.assertEqual(card["colours"][0]["cells"][1]["match"]["swatch"]["label"], "SKY-2")

    def test_what_adding_would_mean_is_told_and_can_be_left_out(self):
        """Black is for the words, wherever it comes in the order of adding."""
        card = self.new_card()
        for key in ("SKY-2", "SKY-1"):
            card = self.change(card, kind="add_colour", anchor={"colour": self.ids[key]})
        ask = f"cards/{card['id']}/adding"
        told = self.ask("get", ask, {"colour": self.ids["TAR-1"]})
        self.assertEqual(told["role"], "dark")
        self.assertTrue(told["changes"])
        self.assertEqual(self.ask("get", ask, {"value": "#050505"})["role"], "dark")
        self.assertEqual(self.ask("get", ask, {"value": "#050505", "role": "accent"})["role"], "accent")
        self.assertEqual(self.ask("get", f"cards/{card['id']}")["version"], card["version"])
        for wrong in ({"value": "blackish"}, {}, {"colour": 10**9}, {"value": "#050505", "role": "boss"}):
            self.ask("get", ask, wrong, 400)

        def pairs(of):
            return [(one["title"], one["status"]) for one in of["checks"] if " in " in one["title"]]

        new = {"kind": "add_colour", "anchor": {"colour": self.ids["TAR-1"]}}
        # Where pairs were said, also two of one kind, adding changes none of them.
        said = self.full_card()
        white = {"source": "white"}
        for lower in (said["colours"][1]["key"], said["colours"][2]["key"]):
            end = {"source": "palette", "id": lower}
            said = self.change(said, kind="add_pair", pair_kind="large-lettering", upper=white, lower=end)
        asked = self.ask("get", f"cards/{said['id']}/adding", {"value": "#050505"})
        self.assertEqual(asked["changes"], [])
        kept = self.change(card, **new, keep_pairs=True)
        self.assertEqual(pairs(kept), pairs(card))
        self.assertEqual(kept["colours"][-1]["role"], "dark")
        back = self.ask("post", f"cards/{card['id']}/undo", {"version": kept["version"]})
        self.assertNotEqual(pairs(self.change(back, **new)), pairs(card))

    def test_undo_and_redo_reach_every_state(self):
        card = self.full_card()
        self.assertEqual(card["undo"], "adding a colour")
        states = [len(card["colours"])]
        while card["undo"]:
            card = self.ask("post", f"cards/{card['id']}/undo", {"version": card["version"]})
            states.append(len(card["colours"]))
        self.assertEqual(states, [3, 2, 1, 0])
        self.ask("post", f"cards/{card['id']}/undo", {"version": card["version"]}, 400)
        for count in (1, 2):
            card = self.ask("post", f"cards/{card['id']}/redo", {"version": card["version"]})
            self.assertEqual(len(card["colours"]), count)
        card = self.change(card, kind="set_card", name="Turned another way")
        self.assertIsNone(card["redo"])

    def test_a_second_window_is_told_and_loses_nothing(self):
        first = second = self.full_card()
        self.change(first, kind="set_card", name="From the first")
        told = self.change(second, 409, kind="set_card", name="From the second")
        self.assertEqual(told["code"], "stale")
        self.ask("post", f"cards/{second['id']}/undo", {"version": second["version"]}, 409)
        self.assertEqual(StoredCard.objects.get(pk=first["id"]).value.name, "From the first")

    def test_a_colour_that_left_the_supplies_keeps_its_value(self):
        own = make_range(self.ann, "Mine", content="code,L,a,b\nOWN-1,40,30,20\n")
        pk = own.colours.get().pk
        card = self.new_card()
        card = self.change(card, kind="add_colour", anchor={"colour": pk}, name="", role="lead")
        self.assertEqual(card["colours"][0]["name"], "OWN-1")
        card = self.change(card, kind="choose", key=1, column="pad", colour=pk)
        delete_range(own)
        after = self.ask("get", f"cards/{card['id']}")["colours"][0]
        self.assertTrue(after["lost"])
        self.assertEqual(after["lab"], [40, 30, 20])
        self.assertEqual(after["cells"][1]["state"], "nearest")

    def test_values_as_anchors(self):
        card = self.new_card()
        card = self.change(card, kind="add_colour", anchor={"value": "#1a7c9b"}, name="", role="lead")
        self.assertEqual(card["colours"][0]["provenance_words"], "from a screen value")
        card = self.change(card, kind="reanchor", key=1, anchor={"value": "L 52, a -10, b 20"})
        self.assertEqual(card["colours"][0]["lab"], [52, -10, 20])
        for value in ("", "tarn", "L 520, a 0, b 0"):
            self.change(card, 400, kind="add_colour", anchor={"value": value}, name="x", role="lead")

    def test_malformed_requests_get_a_sentence(self):
        card = self.full_card()
        path = f"cards/{card['id']}/changes"
        for data in ({}, [], {"version": "1"}, {"version": True, "change": {}}, {"version": card["version"], "change": {"kind": "explode"}},
                     {"version": card["version"], "change": {"kind": "move_colour", "key": "x"}},
                     {"version": card["version"], "change": {"kind": "choose", "key": 1, "column": "pad", "colour": 10**9}},
                     {"version": card["version"], "change": "add"}, {"version": card["version"]}):  # fmt: skip
            told = self.ask("post", path, data, 400)
            self.assertTrue(told["message"])
        broken = self.client.post(f"/api/{path}", "{not json", content_type="application/json")
        self.assertEqual((broken.status_code, broken.json()["code"]), (400, "parse_error"))


class CheckTests(ApiTestCase):
    def checks(self, card):
        return {check["title"]: check for check in card["checks"]}

    def test_guessed_from_the_roles_until_said(self):
        card = self.full_card()
        self.assertTrue(card["guessed"])
        titles = self.checks(card)
        self.assertEqual(titles["Mat in slate around mist"]["status"], "holds")
        self.assertIn("ΔL* 76", titles["Lettering in slate on white card"]["figure"])
        card = self.change(card, kind="edit_colour", key=2, role="light")
        self.assertTrue(card["guessed"])
        card = self.change(card, kind="remove_pair", key=card["pairs"][0]["key"])
        self.assertFalse(card["guessed"])
        self.assertTrue(self.change(card, kind="guess_pairs")["guessed"])

    def test_a_mend_holds_when_it_is_applied(self):
        card = self.full_card()
        ends = {"upper": {"source": "palette", "id": 2}, "lower": {"source": "white"}}
        card = self.change(card, kind="add_pair", pair_kind="small-lettering", **ends)
        check = self.checks(card)["Lettering in mist on white card"]
        self.assertEqual(check["status"], "fails")
        mend = self.mends(card, check["id"])[0]
        self.assertEqual(
            (mend["change"]["kind"], mend["change"]["upper"]["source"]), ("edit_pair", "palette")
        )
        card = self.change(card, **mend["change"])
        (mended,) = [one for one in card["checks"] if one["id"] == check["id"]]
        new, _, old = mend["words"].removeprefix("take ").partition(" instead of ")
        self.assertEqual((mended["title"], old), (f"Lettering in {new} on white card", "mist"))
        self.assertEqual((mended["status"], mended["figure"]), ("holds", mend["figure"]))

    def test_waived_with_a_reason(self):
        card = self.full_card()
        ends = {"upper": {"source": "palette", "id": 2}, "lower": {"source": "white"}}
        card = self.change(card, kind="add_pair", pair_kind="mat", **ends)
        check = card["checks"][-2]["id"]
        self.change(card, 400, kind="waive", check=check, reason=" ")
        self.change(card, 400, kind="waive", check="pair:77", reason="why")
        card = self.change(card, kind="waive", check=check, reason="tone on tone")
        waived = next(one for one in card["checks"] if one["id"] == check)
        self.assertEqual((waived["waived"], self.mends(card, check)), ("tone on tone", []))
        card = self.change(card, kind="unwaive", check=check)
        self.assertIsNone(next(one for one in card["checks"] if one["id"] == check)["waived"])

    def test_the_list_counts_what_fails(self):
        card = self.full_card()
        ends = {"upper": {"source": "palette", "id": 2}, "lower": {"source": "white"}}
        self.change(card, kind="add_pair", pair_kind="small-lettering", **ends)
        (listed,) = self.ask("get", "cards")["cards"]
        self.assertEqual((listed["failing"], len(listed["strip"])), (1, 3))

    def test_the_list_is_new_after_every_change_of_card_supplies_or_units(self):
        card = self.full_card()

        def listed():
            return next(one for one in self.ask("get", "cards")["cards"] if one["id"] == card["id"])

        before = listed()
        self.assertEqual(listed(), before)
        self.change(card, kind="set_card", name="Heron")
        self.assertEqual(listed()["name"], "Heron")
        self.ask("patch", "me", {"units": "mm"})
        self.assertIn("mm", listed()["size"]["words"])
        self.pads.colours.filter(pk=self.ids["SKY-2"]).update(lab_l=20)
        touch_catalogue(None)
        self.assertNotEqual(listed()["strip"][0], before["strip"][0])
