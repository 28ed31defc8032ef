from django.core.files.uploadedfile import SimpleUploadedFile

from server.catalogue.drawer_actions import set_owned
from server.catalogue.models import Colour
from server.catalogue.range_actions import delete_range
from server.tests.helpers import ApiTestCase, make_range

INKS = (
    "code,L,a,b\nSUN-1,88,-4,78\nMOSS-1,56,-44,30\nPLUM-1,40,34,-40\nPOND-1,64,-28,-34\nROSE-1,66,54,2\n"
    "DUSK-1,46,-2,-46\nFOG-1,82,0,1\nSNOW-1,96,0,1\nCOAL-1,14,0,0\nORCHID-1,62,52,-24\n"
)
CHALK = "code,L,a,b\nDOWN-1,84,10,8\nDOWN-2,60,20,20\n"
SCREEN = "code,hex\nGLOW-1,#3f8f4c\nGLOW-2,#6a3d9a\n"
NARROW = "code,L,a,b\nONLY-1,62,-30,44\n"


class GroundTestCase(ApiTestCase):
    @classmethod
    def setUpTestData(cls):
        super().setUpTestData()
        cls.inks = make_range(None, "Inks", content=INKS)
        cls.chalk = make_range(None, "Chalk", "chalk ink pad", CHALK)
        cls.screen = make_range(None, "Screen", content=SCREEN, provenance="screen")
        cls.markers = make_range(None, "Markers", "alcohol marker", "code,L,a,b\nNIB-1,50,0,0\n")
        cls.ids = {colour.key: colour.pk for colour in Colour.objects.all()}

    def use(self, *names, **more):
        return [{"colour": self.ids[name], **more} for name in names]

    def laid(self, *names, card=None, **settings):
        return self.change(card or self.full_card(), kind="set_ground", pads=self.use(*names), **settings)

    def ground(self, card):
        return self.ask("get", f"cards/{card['id']}/ground")

    def ways(self, card, at=0, owned="true"):
        return self.ask("get", f"cards/{card['id']}/ground/joins/{at}/ways", {"owned": owned})

    def finding(self, card, key):
        return next(one for one in card["checks"] if one["id"] == f"ground:{key}")


class GroundTests(GroundTestCase):
    def test_a_card_without_a_ground_says_nothing_of_one(self):
        card = self.full_card()
        self.assertNotIn("background", [one["stage"] for one in card["checks"]])
        self.assertIsNone(card["desk"]["ground"])
        told = self.ground(card)
        self.assertEqual((told["pads"], told["joins"], told["panel"], told["order"]), ([], [], None, []))
        self.assertEqual(told["cautions"], [])

    def test_pads_joins_and_panel_as_predicted_and_the_desk_shows_the_same(self):
        card = self.laid("SUN-1", "MOSS-1", "PLUM-1")
        told = self.ground(card)
        self.assertEqual([one["swatch"]["code"] for one in told["pads"]], ["SUN-1", "MOSS-1", "PLUM-1"])
        self.assertEqual([one["meeting"] for one in told["joins"]], ["clean", "muddy"])
        self.assertIn("opposite", told["joins"][1]["words"])
        strip = told["joins"][0]["strip"]
        self.assertEqual(strip[0], told["pads"][0]["shades"])
        self.assertEqual(strip[-1], told["pads"][1]["shades"])
        self.assertNotEqual(told["joins"][0]["wet"], strip)
        self.assertEqual(told["panel"], card["desk"]["ground"])
        (field,) = told["panel"]["parts"]
        self.assertEqual((field["path"], field["way"]), ("", "down"))
        self.assertEqual(field["stops"][0]["shades"], strip[0])
        self.assertNotEqual(told["wet"]["parts"], told["panel"]["parts"])
        self.assertIn("ground", [part["shape"] for part in card["desk"]["parts"]])
        self.assertIn("background", [one["stage"] for one in card["checks"] if one["status"] != "holds"])
        self.assertEqual(self.drawing_of(card)["desk"]["ground"], told["panel"])

    def test_hand_coats_reach_and_paper_change_what_is_seen(self):
        card = self.laid("MOSS-1", "POND-1")
        plain = self.ground(card)["pads"][0]["lightness"]
        for told, lighter in (({"hand": "light"}, True), ({"hand": "heavy"}, False), ({"coats": 3}, False)):
            card = self.change(card, kind="set_ground", pads=self.use("MOSS-1", **told) + self.use("POND-1"))
            seen = self.ground(card)["pads"][0]["lightness"]
            self.assertEqual(seen > plain, lighter, told)
        sure = []
        for coats in (1, 3):
            pads = self.use("MOSS-1", coats=coats) + self.use("POND-1")
            card = self.change(card, kind="set_ground", pads=pads)
            told = self.ground(card)
            sure.append(told["pads"][0]["uncertainty"])
            self.assertEqual(told["joins"][0]["uncertainty"], max(one["uncertainty"] for one in told["pads"]))
        self.assertLess(*sure)
        strips = []
        for reach in ("a-little", "far"):
            card = self.change(card, kind="set_ground", pads=self.use("MOSS-1", "POND-1", reach=reach))
            strips.append(self.ground(card)["joins"][0]["strip"])
        self.assertNotEqual(*strips)
        card = self.change(card, kind="set_ground", paper=self.ids["bread"])
        told = self.ground(card)
        self.assertEqual(told["paper"]["name"], "bread")
        self.assertNotEqual(told["joins"][0]["strip"], strips[1])

    def test_every_shape_is_painted(self):
        card = self.full_card()
        counts = {}
        for shape in (
            "bands",
            "ombre",
            "vignette",
            "stencilled-sky",
            "stripes",
            "layered-stencils",
            "plain-wash",
        ):
            card = self.laid("SUN-1", "MOSS-1", "POND-1", card=card, shape=shape)
            told = self.ground(card)
            counts[shape] = len(told["panel"]["parts"])
            self.assertEqual(len(told["joins"]), 2)
            self.assertTrue(told["order"])
        self.assertEqual((counts["bands"], counts["layered-stencils"]), (1, 3))
        self.assertGreater(counts["stencilled-sky"], 3)
        over = self.ground(card)["joins"][0]
        self.assertEqual(len(over["strip"]), 2)  # the one, and both

    def test_pads_go_through_stencils_of_ones_choice_several_through_one(self):
        leaf = '<svg xmlns="http://www.w3.org/2000/svg"><path d="M0 10 10 0 20 10 10 20Z"/></svg>'
        file = SimpleUploadedFile("leaf.svg", leaf.encode())
        own = self.client.post("/api/stencils", {"file": file}, format="multipart").json()
        self.assertEqual((own["form"], own["shape"], len(own["openings"])), ("own-openings", 1.0, 1))
        pads = self.use("SUN-1", "MOSS-1", "POND-1")
        pads[1] |= {"same": True, "hand": "light"}
        pads[2] |= {"stencil": own}
        card = self.full_card()
        card = self.change(card, kind="set_ground", shape="layered-stencils", pads=pads)
        told = self.ground(card)
        self.assertEqual([one["layer"] for one in told["pads"]], [0, 0, 1])
        self.assertEqual([one["brushed"] for one in told["joins"]], [True, False])
        self.assertEqual(told["pads"][2]["stencil"], own)
        self.assertTrue(told["panel"]["parts"][-1]["path"].startswith("M"))
        self.assertEqual(told["most_pads"], 12)
        card = self.change(card, kind="set_ground", one_side=True, back=False)
        self.assertGreater(len(self.ground(card)["panel"]["parts"]), len(told["panel"]["parts"]) + 3)
        for bad, words in ((b"<svg/>", "no closed outline"), (b"<p/>", "no SVG")):
            refused = self.client.post(
                "/api/stencils", {"file": SimpleUploadedFile("x.svg", bad)}, format="multipart"
            )
            self.assertEqual(refused.status_code, 400)
            self.assertIn(words, refused.json()["message"])

    def test_a_chalk_pad_veils_what_a_dye_does_not(self):
        def seen(over):
            card = self.laid("COAL-1", over, shape="plain-wash")
            return self.ground(card)["joins"][0]["strip"]

        self.assertNotEqual(seen("DOWN-1")[0], seen("DOWN-1")[1])
        coal, with_dye = seen("SUN-1")
        self.assertGreater(int(seen("DOWN-1")[1]["greys"][1:3], 16), int(with_dye["greys"][1:3], 16) + 20)
        self.assertLessEqual(int(with_dye["greys"][1:3], 16), int(coal["greys"][1:3], 16))

    def test_undo_and_what_is_left_out_stays(self):
        card = self.laid("SUN-1", "MOSS-1", shape="ombre", across=True)
        card = self.change(card, kind="set_ground", wish="dark")
        told = self.ground(card)
        self.assertEqual(
            (told["shape"], told["across"], told["wish"], len(told["pads"])), ("ombre", True, "dark", 2)
        )
        card = self.ask("post", f"cards/{card['id']}/undo", {"version": card["version"]})
        self.assertEqual((self.ground(card)["wish"], card["redo"]), ("quiet", "the ground"))

    def test_pads_that_left_the_supplies_stand_in_and_are_counted(self):
        own = make_range(self.ann, "Mine", content=NARROW)
        pk = own.colours.get().pk
        card = self.laid("SUN-1", card=self.full_card())
        card = self.change(card, kind="set_ground", pads=[*self.use("SUN-1"), {"colour": pk}],
                           effects=[{"effect": "text-stamp", "colour": pk}], mat={"colour": pk})  # fmt: skip
        self.assertEqual(len(self.ground(card)["pads"]), 2)
        before = self.ground(card)
        delete_range(own)
        told = self.ground(card)
        self.assertEqual((len(told["pads"]), told["lost"], told["mat"]["colour"]), (2, 1, pk))
        self.assertEqual(told["panel"], before["panel"])
        self.assertEqual([one["swatch"]["lost"] for one in told["pads"]], [False, True])
        pads = [{"colour": one["colour"], "hand": "light"} for one in told["pads"]]
        self.assertEqual(len(self.ground(self.change(card, kind="set_ground", pads=pads))["pads"]), 2)

    def test_bad_grounds_get_a_sentence_and_change_nothing(self):
        card = self.laid("SUN-1")
        for settings, words in (
            ({"pads": self.use(*["SUN-1"] * 40)}, "up to 6 pads; these are 40"),
            ({"pads": self.use("NIB-1")}, "alcohol marker, and card is inked with ink pads"),
            ({"pads": [{"colour": 10**9}]}, "not in your supplies"),
            ({"pads": self.use("SUN-1", coats=9)}, "1 to 3 coats"),
            ({"pads": self.use("SUN-1", hand="furious")}, 'pads.0.hand: "furious"'),
            ({"pads": "SUN-1"}, "pads: Expected a list"),
            ({"paper": self.ids["SUN-1"]}, "what is coloured or inked is cardstock"),
            ({"effects": [{"effect": "text-stamp"}]}, "with which pad"),
            ({"effects": [{"effect": "confetti"}]}, 'effects.0.effect: "confetti"'),
            ({"mat": {"colour": self.ids["SUN-1"], "paper": self.ids["MOSS-1"]}}, "cardstock"),
            ({"shape": "spiral"}, 'shape: "spiral"'),
        ):
            with self.subTest(settings=settings):
                told = self.change(card, 400, kind="set_ground", **settings)
                self.assertIn(words, told["message"] + str(told.get("problems")))
        self.assertEqual(len(self.ground(card)["pads"]), 1)


class UnknownPadTests(GroundTestCase):
    def test_one_pad_and_the_same_thrice(self):
        self.assertEqual(self.ground(self.laid("MOSS-1"))["joins"], [])
        told = self.ground(self.laid("MOSS-1", "MOSS-1", "MOSS-1"))
        self.assertEqual([one["meeting"] for one in told["joins"]], ["clean", "clean"])

    def test_white_and_metallic_are_not_predicted_and_say_so(self):
        card = self.laid("MOSS-1", "SNOW-1", "PLUM-1")
        told = self.ground(card)
        self.assertEqual([one["meeting"] for one in told["joins"]], [None, None])
        self.assertIn("white: not predicted", told["pads"][1]["notes"][0])
        self.assertEqual(self.ways(card), [])
        metal = make_range(self.ann, "Gilt", content=NARROW)
        details = {"name": "Gilt", "medium": "dye ink pad", "properties": {"metallic": True}}
        self.ask("post", f"ranges/{metal.pk}/changes", {"version": 1, "details": details})
        card = self.change(card, kind="set_ground", pads=[{"colour": metal.colours.get().pk}])
        self.assertIn("metallic", self.ground(card)["pads"][0]["notes"][0])

    def test_a_screen_value_makes_it_rough_and_black_swallows(self):
        told = self.ground(self.laid("GLOW-1", "COAL-1"))
        self.assertTrue(told["joins"][0]["rough"])
        self.assertIn("known roughly (± 5)", told["pads"][0]["notes"][0])
        self.assertIn("swallows", told["pads"][1]["notes"][0])
        self.assertEqual(told["joins"][0]["meeting"], "clean")  # black has no hue to lose


class WaysOutTests(GroundTestCase):
    def test_each_way_is_applied_by_one_press_and_does_what_it_said(self):
        card = self.laid("MOSS-1", "PLUM-1")
        self.assertEqual(self.ground(card)["joins"][0]["meeting"], "muddy")
        found = self.ways(card, owned="false")
        self.assertIn("white-join", [one["way"] for one in found])
        self.assertIn("pad-between", [one["way"] for one in found])
        for way in found:
            with self.subTest(way["words"]):
                after = self.change(card, kind="set_ground", pads=way["pads"])
                joins = self.ground(after)["joins"]
                for said, is_now in zip(way["joins"], joins, strict=False):
                    for part in ("meeting", "words", "rough"):
                        self.assertEqual(said[part], is_now[part])
                    self.assertEqual(said["strip"], is_now["strip"][::2])
                self.assertNotIn("muddy", [one["meeting"] for one in joins])
                card = self.ask("post", f"cards/{card['id']}/undo", {"version": after["version"]})

    def test_a_bridge_from_the_drawer_first_else_one_to_buy(self):
        card = self.laid("MOSS-1", "PLUM-1")
        bought = [one for one in self.ways(card) if one["way"] == "pad-between"]
        self.assertTrue(bought)
        self.assertFalse(any(one["swatch"]["owned"] for one in bought))
        set_owned(self.ann, [self.ids["POND-1"]], True)
        owned = [one for one in self.ways(card) if one["way"] == "pad-between"]
        self.assertTrue(all(one["swatch"]["owned"] for one in owned))
        self.assertIn("between them", owned[0]["words"])

    def test_another_order(self):
        card = self.laid("MOSS-1", "PLUM-1", "POND-1")
        order = next(one for one in self.ways(card) if one["way"] == "another-order")
        self.assertIn("POND-1", order["words"])
        self.assertEqual(len(order["joins"]), 2)
        made = self.ask("get", f"cards/{card['id']}/ground/make")
        self.assertEqual(made["best"]["pads"], order["pads"])
        self.assertFalse(made["best"]["same"])
        card = self.change(card, kind="set_ground", pads=made["best"]["pads"])
        self.assertTrue(self.ask("get", f"cards/{card['id']}/ground/make")["best"]["same"])

    def test_what_three_make(self):
        card = self.laid("SUN-1", "POND-1", "ORCHID-1")
        made = self.ask("get", f"cards/{card['id']}/ground/make")
        self.assertEqual(len(made["overlaps"]), 3)
        self.assertTrue(made["rainbow"])
        self.assertIn("a rainbow", made["words"])
        self.assertIn("green", made["overlaps"][0]["hue_name"])
        self.assertIn(made["overlaps"][0]["like"]["name"], ("pond", "mist", "slate"))
        one = self.ask("get", f"cards/{self.laid('SUN-1')['id']}/ground/make")
        self.assertEqual((one["best"], one["overlaps"]), (None, []))

    def test_there_is_no_such_join(self):
        card = self.laid("SUN-1", "MOSS-1")
        self.ask("get", f"cards/{card['id']}/ground/joins/1/ways", status=400)
        self.assertEqual(self.ways(self.laid("SUN-1", "MOSS-1", shape="plain-wash")), [])


class FindingTests(GroundTestCase):
    def applied(self, card, mend):
        return self.change(card, **mend["change"])

    def test_an_uneven_ombre_is_evened_by_a_coat(self):
        card = self.laid("SUN-1", "FOG-1", "MOSS-1", shape="ombre")
        found = self.finding(card, "steps")
        self.assertEqual(found["reason"], "hardly shows a step from band 1 to 2")
        (mend,) = self.mends(card, found["id"])
        self.assertEqual(mend["words"], "one more coat of FOG-1")
        after = self.finding(self.applied(card, mend), "steps")
        self.assertEqual((after["status"], after["figure"]), ("holds", mend["figure"]))
        one = self.finding(self.laid("MOSS-1", shape="ombre"), "steps")
        self.assertEqual(len(one["figure"].split(",")), 4)
        back = self.finding(self.laid("COAL-1", "SUN-1", "DUSK-1", shape="ombre"), "steps")
        self.assertIn("again", back["reason"])

    def test_effects_are_judged_and_shown(self):
        card = self.laid("DUSK-1", effects=[
            {"effect": "water-drops"}, {"effect": "shimmer"}, {"effect": "white-splashes"},
            {"effect": "stencil-pattern", "colour": self.ids["DUSK-1"], "hand": "light"},
        ])  # fmt: skip
        told = self.ground(card)
        shown = {one["effect"]: one["marks"] for one in told["panel"]["effects"]}
        self.assertEqual(set(shown), {"water-drops", "shimmer", "white-splashes", "stencil-pattern"})
        self.assertIsNone(shown["shimmer"][0]["shades"])
        self.assertIsNotNone(shown["water-drops"][0]["shades"])
        self.assertEqual(self.finding(card, "effect water-drops")["status"], "holds")
        self.assertIn("not predicted", self.finding(card, "effect shimmer")["reason"])
        self.assertIn("do not breathe", " ".join(told["cautions"]))
        self.assertEqual(
            [step["words"].split()[0] for step in told["order"][-5:-1]], ["lay", "flick", "flick", "flick"]
        )
        self.assertEqual(told["wet"]["effects"], [])

    def test_a_mat_inked_by_oneself_stands_on_the_desk(self):
        card = self.laid("FOG-1", mat={"colour": self.ids["PLUM-1"], "hand": "heavy", "whole": True})
        told = self.ground(card)
        self.assertEqual(told["mat"]["swatch"]["code"], "PLUM-1")
        part = next(part for part in card["desk"]["parts"] if part["name"] == "mat")
        self.assertEqual(part["shades"], told["mat"]["shades"])
        self.assertEqual(self.finding(card, "mat")["status"], "holds")
        light = self.change(card, kind="set_ground", mat={"colour": self.ids["PLUM-1"], "hand": "light"})
        self.assertGreater(self.ground(light)["mat"]["lightness"], told["mat"]["lightness"] + 5)
        pad = self.ground(card)["pads"][0]
        dark = self.change(
            light, kind="set_ground", mat={"colour": self.ids["FOG-1"], "paper": self.ids["soot"]}
        )
        self.assertGreater(self.ground(dark)["mat"]["uncertainty"], pad["uncertainty"])
        bare = self.change(dark, kind="set_ground", mat=None)
        self.assertIsNone(self.ground(bare)["mat"])

    def test_what_a_ground_needs_is_on_the_shopping_list(self):
        self.laid("MOSS-1", mat={"colour": self.ids["PLUM-1"], "paper": self.ids["milk"]})
        listed = {one["swatch"]["label"]: one["cards"] for one in self.ask("get", "shopping")}
        self.assertTrue({"MOSS-1", "PLUM-1", "milk"} <= set(listed), listed)


class LonePadTests(ApiTestCase):
    def test_with_no_other_pad_to_take_there_is_still_an_answer(self):
        delete_range(self.pads)
        own = make_range(self.ann, "Two", content="code,L,a,b\nMOSS-1,56,-44,30\nPLUM-1,40,34,-40\n")
        card = self.new_card()
        card = self.change(card, kind="add_colour", anchor={"value": "#3a6b3a"}, name="leaf", role="lead")
        pads = [{"colour": one.pk} for one in own.colours.all()]
        card = self.change(card, kind="set_ground", pads=pads)
        told = self.ask("get", f"cards/{card['id']}/ground")
        self.assertEqual(
            (told["joins"][0]["meeting"], told["joins"][0]["brushed"], told["turns"]), ("muddy", True, True)
        )
        self.assertIn("too loud", next(one for one in card["checks"] if one["kind"] == "wish")["reason"])
        ways = self.ask("get", f"cards/{card['id']}/ground/joins/0/ways")
        self.assertEqual({one["swatch"] for one in ways}, {None})
        self.assertIn("white-join", [one["way"] for one in ways])


class PrivateTests(GroundTestCase):
    def test_of_nobody_else(self):
        card = self.laid("SUN-1", "MOSS-1")
        self.client.force_login(self.ben)
        for path in ("ground", "ground/make", "ground/joins/0/ways"):
            self.ask("get", f"cards/{card['id']}/{path}", status=404)
        mine = self.new_card()
        own = make_range(self.ann, "Hers", content=NARROW)
        told = self.change(mine, 400, kind="set_ground", pads=[{"colour": own.colours.get().pk}])
        self.assertTrue(told["message"])

    def test_it_goes_with_the_archive(self):
        own = make_range(self.ann, "Mine", content=NARROW)
        pk = own.colours.get().pk
        self.laid(
            "SUN-1", effects=[{"effect": "text-stamp", "colour": pk}], mat={"colour": pk}, shape="vignette"
        )
        packed = self.client.get("/api/me/archive").getvalue()
        self.client.force_login(self.ben)
        answer = self.client.post("/api/me/archive", {"file": SimpleUploadedFile("mine.zip", packed)})
        self.assertEqual(answer.status_code, 200, answer.content[:300])
        (card,) = self.ask("get", "cards")["cards"]
        told = self.ground(card)
        self.assertEqual((told["shape"], told["pads"][0]["swatch"]["code"]), ("vignette", "SUN-1"))
        self.assertEqual(told["mat"]["swatch"]["code"], "ONLY-1")
        self.assertNotEqual(told["mat"]["colour"], pk)
