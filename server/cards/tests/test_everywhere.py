"""A card as one thing, over the API: what it uses, what takes its place, what follows, moves and copies."""

from jindle_core.fullness import Kept
from server.catalogue.drawer_actions import keep
from server.tests.helpers import ApiTestCase, make_range

MARKERS = "code,L,a,b\nFERN-1,85,-18,24\nFERN-2,68,-24,32\nFERN-3,50,-26,33\nFERN-4,32,-20,24\n"


class EverywhereTests(ApiTestCase):
    def setUp(self):
        super().setUp()
        found = make_range(self.ann, "Ferns", "alcohol marker", MARKERS)
        self.ferns = dict(found.colours.values_list("key", "pk"))
        keep(self.ann, [(pk, Kept()) for pk in self.ferns.values()])
        card = self.full_card()
        card = self.change(card, kind="add_area", name="leaf")
        card = self.change(card, kind="edit_areas", keys=[1], colour=1)
        tones = [self.ferns[f"FERN-{n}"] for n in (1, 2, 3)]
        card = self.change(card, kind="set_families", families=[{"key": 1, "colours": tones}])
        card = self.change(card, kind="set_ground", pads=[{"colour": self.ids["SKY-1"]}])
        board = {"source": "supply", "id": self.ids["milk"]}
        mat = {"piece_kind": "mat", "name": "mat", "unit": "in", "reveal": "1/8", "material": board}
        self.card = self.change(card, kind="add_piece", **mat)

    def asked(self, method, path, data=None, status=200):
        return self.ask(method, f"cards/{self.card['id']}/{path}", data, status)

    def dry(self, key):
        keep(self.ann, [(self.ferns[key], Kept("dry"))])

    def test_what_it_uses_is_told_in_her_unit(self):
        self.client.patch("/api/me", {"units": "mm"}, "application/json")
        told = self.asked("get", "uses")
        used = {one["words"]: one for one in told["used"]}
        self.assertEqual(used["Ferns FERN-2"]["usages"][0]["words"], "leaf, middle")
        self.assertIn("not in your drawer", [one["wanting"] for one in told["used"]])
        sizes = [usage["size"] for one in told["used"] for usage in one["usages"] if usage["size"]]
        self.assertTrue(sizes)
        self.assertTrue(all(size.endswith(" mm") for size in sizes))
        self.assertEqual(told["covered"], [])

    def test_vellum_and_ribbon_are_told_as_what_they_are(self):
        card = self.card
        for kind in ("vellum", "ribbon"):
            card = self.change(
                card, kind="add_piece", piece_kind=kind, name=kind, unit="in", on=0, width="2", height="1"
            )
        used = {one["end"]["source"]: one for one in self.asked("get", "uses")["used"]}
        self.assertEqual(
            {one: used[one]["medium"] for one in ("vellum", "ribbon")},
            {"vellum": "vellum", "ribbon": "ribbon"},
        )
        sheets = self.asked("get", "build/cutting?width=8 1/2&height=11&unit=in&count=1")["sheets"]
        self.assertIn("vellum", {one["material"]["source"] for one in sheets})
        self.assertNotIn("ribbon", {one["material"]["source"] for one in sheets})
        for kind in ("vellum", "ribbon"):
            self.asked("get", f"instead?source={kind}&id=0", status=400)
        self.ask("get", f"cards/{card['id']}/plan")

    def test_a_dry_marker_is_taken_out_of_the_whole_card(self):
        self.dry("FERN-2")
        card = self.ask("get", f"cards/{self.card['id']}")
        (check,) = [one for one in card["checks"] if one["kind"] == "supply"]
        self.assertEqual((check["stage"], check["reason"]), ("colouring", "dry"))
        thing = {"source": "supply", "id": self.ferns["FERN-2"]}
        offered = self.asked("get", "instead", thing)["mends"]
        self.assertEqual(offered, self.mends(card, check["id"]))
        card = self.change(card, **offered[0]["change"])
        self.assertEqual([one["id"] for one in card["checks"] if one["kind"] == "supply"], [])
        self.assertEqual(card["undo"], "using something instead")
        self.asked("get", "instead", {"source": "supply", "id": "x"}, 400)

    def test_what_does_other_work_takes_no_ones_place(self):
        marker = {"source": "supply", "id": self.ferns["FERN-2"]}
        pad = {"source": "supply", "id": self.ids["SKY-2"]}
        told = self.change(self.card, 400, kind="use_instead", old=marker, new=pad)
        self.assertIn("does not do the work", told["message"])
        self.change(self.card, 400, kind="use_instead", old=pad, new={"source": "supply", "id": 10**9})
        white = {"source": "white"}
        self.change(self.card, 400, kind="use_instead", old=white, new=marker)

    def test_following_is_shown_before_it_is_done(self):
        asked = {"key": 1, "value": "50, -26, 33"}
        told = self.asked("post", "follow", asked)
        self.assertEqual([one["id"] for one in told["followers"]], ["area:1"])
        self.assertEqual({"before", "after"} <= set(told), True)
        self.assertEqual(self.ask("get", f"cards/{self.card['id']}")["version"], self.card["version"])
        held = self.asked("post", "follow", asked | {"held": ["area:1"]})
        self.assertTrue(held["followers"][0]["held"])
        self.assertEqual([one["kind"] for one in held["change"]["changes"]], ["reanchor"])
        self.assertEqual(held["change"]["changes"][0]["anchor"], {"value": "50, -26, 33"})
        card = self.change(self.card, **told["change"])
        self.assertEqual(card["undo"], "following a colour")
        self.assertEqual(self.change(self.card, 409, **held["change"])["code"], "stale")
        for wrong in ({"key": 9, "value": "#112233"}, {"key": 1, "value": "no"}, {"key": 1, "colour": 10**9}):
            self.asked("post", "follow", wrong, 400)

    def test_several_changes_are_refused_whole(self):
        fine = {"kind": "add_area", "name": "stem"}
        for each in ([], [{"kind": "nonsense"}], [fine, {"kind": "use_pad", "at": 7, "colour": self.ids["SKY-1"]}],
                     [{"kind": "several", "purpose": "move", "changes": [fine]}], [fine] * 101, ["x"]):  # fmt: skip
            self.change(self.card, 400, kind="several", purpose="move", changes=each)
        card = self.change(self.card, kind="several", purpose="move", changes=[fine, fine | {"name": "root"}])
        self.assertEqual(
            (card["undo"], card["version"]), ("moving to other ranges", self.card["version"] + 1)
        )

    def test_copies_are_hers_and_count_as_cards(self):
        for part, pieces, colours in (("whole", 1, 3), ("palette", 0, 3), ("build", 1, 0)):
            pk = self.asked("post", "copy", {"name": f"Copy of {part}", "part": part}, 201)["id"]
            copy = self.ask("get", f"cards/{pk}")
            self.assertEqual(copy["name"], f"Copy of {part}")
            self.assertEqual(len(copy["colours"]), colours)
            self.assertEqual(len(self.ask("get", f"cards/{pk}/build")["pieces"]), pieces)
            self.assertIsNone(copy["undo"])
        self.asked("post", "copy", {"name": ""}, 400)
        self.asked("post", "copy", {"name": "x", "part": "half"}, 400)
        self.client.force_login(self.ben)
        self.asked("post", "copy", {"name": "mine now"}, 404)
        self.assertEqual(self.ask("get", "cards")["cards"], [])

    def test_what_was_found_is_taken_on_a_card_from_where_it_is_shown(self):
        old, new = self.ferns["FERN-3"], self.ferns["FERN-4"]
        card = self.card
        (found,) = self.ask("post", "places", {"old": old, "new": new})
        self.assertEqual((found["id"], found["version"]), (card["id"], card["version"]))
        change = found["places"][0]["change"]
        self.assertEqual(found["places"][0]["words"], "everywhere on the card")
        self.ask("post", f"cards/{card['id']}/changes", {"version": found["version"], "change": change})
        self.assertEqual(self.ask("post", "places", {"old": old, "new": new}), [])
        for wrong, words in (
            ({}, "what is to be taken"),
            ({"old": old}, "what is to be taken"),
            ({"old": old, "new": 10**9}, "not in your supplies"),
            ({"family": [self.ids["soot"]]}, "not shaded"),
        ):
            self.assertIn(words, self.ask("post", "places", wrong, 400)["message"])

    def test_places_are_on_ones_own_cards_only(self):
        self.client.force_login(self.ben)
        family = [self.ids["SKY-1"], self.ids["SKY-2"]]
        self.assertEqual(self.ask("post", "places", {"family": family}), [])
