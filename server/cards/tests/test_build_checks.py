from jindle_core.interchange.range_csv import read_range
from server.catalogue.drawer_actions import set_owned
from server.catalogue.range_actions import RangeDetails, store_range
from server.tests.helpers import ApiTestCase, make_range

PALETTE = {"pond": 1, "mist": 2, "slate": 3}


def of(name):
    return {"source": "palette", "id": PALETTE[name]} if name else {"source": "white"}


class BuildChecksTestCase(ApiTestCase):
    def add(self, card, name, kind="panel", material=None, status=200, **told):
        told = {"unit": "in", "material": of(material)} | told
        return self.change(card, status, kind="add_piece", piece_kind=kind, name=name, **told)

    def edit(self, card, key, status=200, **told):
        return self.change(card, status, kind="edit_piece", key=key, unit="in", **told)

    def built(self):
        """A slate mat on the card, a mist panel on it, a white strip with slate words on that."""
        card = self.add(self.full_card(), "mat", "mat", "slate", reveal="1/8")
        card = self.add(card, "panel", "panel", "mist", on=1, reveal="1/8")
        card = self.add(card, "strip", "strip", None, on=2, width="3", height="3/4")
        return self.add(card, "words", "lettering", "slate", on=3, reveal="1/16", text="hello")

    def check(self, card, key):
        return next((one for one in card["checks"] if one["id"] == key), None)

    def open(self, card):
        return {one["id"] for one in card["checks"] if one["status"] != "holds" and one["waived"] is None}

    def assertMends(self, card, key):
        """Every mend of a check, when it is sent, makes it hold with the figure that was promised."""
        mends = self.mends(card, key)
        self.assertTrue(mends, self.check(card, key))
        for mend in mends:
            with self.subTest(mend["words"]):
                after = self.change(card, **mend["change"])
                check = self.check(after, key)
                if check is not None:
                    self.assertEqual(check["status"], "holds")
                    if mend["figure"]:
                        self.assertEqual(check["figure"], mend["figure"])
                self.assertLess(len(self.open(after)), len(self.open(card)))
                undone = self.ask("post", f"cards/{card['id']}/undo", {"version": after["version"]})
                card["version"] = undone["version"]


class StackTests(BuildChecksTestCase):
    def test_a_card_of_pieces_is_judged_by_what_lies_where_and_no_more_by_its_pairs(self):
        before = self.full_card()
        self.assertTrue(before["pairs"])
        card = self.built()
        self.assertEqual((card["pairs"], card["built"]), ([], True))
        self.assertEqual(self.open(card), set())
        self.assertEqual(self.check(card, "stands:2")["title"], "panel beside mat")
        (listed,) = [one for one in self.ask("get", "cards")["cards"] if one["id"] == card["id"]]
        self.assertEqual(
            (listed["failing"], listed["doubtful"], listed["checks"]), (0, 0, len(card["checks"]))
        )

    def test_a_mat_that_cannot_be_told_from_its_panel(self):
        card = self.edit(self.built(), 1, material=of("mist"))
        found = self.check(card, "stands:2")
        self.assertEqual((found["status"], found["stage"]), ("fails", "build"))
        self.assertIn("cannot be told", found["reason"])
        self.assertMends(card, "stands:2")
        (listed,) = self.ask("get", "cards")["cards"]
        self.assertGreater(listed["failing"], 0)

    def test_words_by_their_size_and_weight(self):
        own = make_range(self.ann, "Greys", "cardstock", "name,L,a,b\nfog,60,0,0\n")
        grey = {"source": "supply", "id": own.colours.get().pk}
        card = self.edit(self.built(), 4, material=grey)
        large = self.check(card, "stands:4")
        self.assertEqual((large["status"], large["limit"]), ("holds", "2.5 : 1 and ΔL* 30"))
        light = self.check(self.edit(card, 4, bold=False), "stands:4")
        self.assertEqual((light["status"], light["limit"]), ("fails", "4 : 1 and ΔL* 40"))
        card = self.ask("get", f"cards/{card['id']}")
        card = self.edit(card, 4, bold=True, text="a great many words that must all go onto one narrow strip")
        self.assertEqual(self.check(card, "stands:4")["status"], "fails")
        self.assertMends(card, "stands:4")

    def test_words_that_something_covers(self):
        card = self.add(self.built(), "leaf", "strip", "pond", on=3, width="1", height="3/4")
        found = self.check(card, "stands:4")
        self.assertEqual((found["status"], found["reason"]), ("fails", "is covered by leaf"))
        self.assertMends(card, "stands:4")
        words = [one["words"] for one in self.mends(card, "stands:4")]
        self.assertIn("bring it to the front", words)

    def test_words_over_a_picture_are_judged_as_they_are_drawn(self):
        card = self.edit(self.built(), 3, material=of("mist"))
        told = {"on": 2, "width": "3", "height": "2", "down": "bottom"}
        card = self.add(card, "heron", "image", "mist", **told)
        card = self.add(card, "hello", "lettering", "slate", on=2, width="2", height="1/2", down="bottom")
        over = self.check(card, "stands:6")
        self.assertEqual((over["status"], over["title"]), ("holds", "hello on panel and heron"))
        parts = [part["piece"] for part in card["desk"]["parts"]]
        self.assertLess(parts.index(5), parts.index(6))
        under = self.change(card, kind="move_piece", key=6, to=3)
        parts = [part["piece"] for part in under["desk"]["parts"]]
        self.assertLess(parts.index(6), parts.index(5))
        found = self.check(under, "stands:6")
        self.assertEqual((found["status"], found["reason"]), ("fails", "is covered by heron"))
        self.assertMends(under, "stands:6")
        # Another colour would leave it covered, so none is offered.
        self.assertFalse([one for one in self.mends(under, "stands:6") if one["shades"]])

    def test_what_is_trimmed_is_told_so_also_on_a_turned_card(self):
        told = {"width": "8", "height": "1", "trimmed": True}
        card = self.add(self.built(), "band", "strip", "pond", on=0, **told)
        for size in (None, {"width": "4 1/4", "height": "5 1/2", "unit": "in"}):
            card = self.change(card, kind="set_card", size=size) if size else card
            (band,) = [part for part in card["desk"]["parts"] if part["piece"] == 5]
            self.assertTrue(band["trimmed"])
            self.assertGreater(band["width"], card["desk"]["width"])
            self.assertEqual(self.check(card, "fit:5"), None)
        self.assertFalse(any(part["trimmed"] for part in card["desk"]["parts"] if part["piece"] != 5))

    def test_words_are_judged_through_vellum_and_on_the_picture(self):
        card = self.edit(self.built(), 4, material=of(None), on=1, reveal="1 1/2")  # white over a white strip
        self.assertEqual(self.check(card, "stands:4")["reason"], "cannot be read at arm's length")
        card = self.change(card, kind="move_piece", key=4, to=1)
        self.assertEqual(self.check(card, "stands:4")["reason"], "is covered by panel and strip")
        card = self.change(card, kind="move_piece", key=4, to=3)
        card = self.edit(card, 4, on=2, reveal="1 1/4", material=of("slate"))
        card = self.change(card, kind="remove_piece", key=3)
        clear = float(self.check(card, "stands:4")["figure"].split()[0])
        card = self.add(card, "veil", "vellum", None, on=1, width="4", height="3")
        card = self.change(card, kind="move_piece", key=5, to=2)
        card = self.edit(card, 2, material=of("slate"))
        card = self.edit(card, 4, on=5, reveal="1/4")
        through = self.check(card, "stands:4")
        self.assertEqual(through["title"], "words on veil")
        self.assertLess(float(through["figure"].split()[0]), clear)
        self.assertGreater(float(through["figure"].split()[0]), 2)  # slate under vellum is no longer dark
        veil = next(part for part in card["desk"]["parts"] if part["shape"] == "veil")
        self.assertLess(veil["opacity"], 1)

    def test_a_picture_across_two_pieces_is_judged_on_both(self):
        card = self.built()
        card = self.add(card, "band", "strip", "pond", on=2, width="2 1/2", height="3", across="left")
        card = self.add(card, "heron", "image", "pond", on=2, width="2", height="2")
        heron = self.check(card, "stands:6")
        self.assertIn("heron on", heron["title"])
        self.assertIn("band", heron["title"])
        self.assertNotEqual(heron["status"], "holds")
        self.assertIn("pond sinks", heron["reason"])
        card = self.edit(card, 6, white_edge=True)
        self.assertEqual(self.check(card, "stands:6")["reason"], "its line holds it apart")
        self.assertEqual(next(part for part in card["desk"]["parts"] if part["piece"] == 6)["rim"], 1)

    def test_what_sinks_is_mended_by_a_white_edge_or_another_ground(self):
        card = self.add(
            self.built(), "heron", "image", "mist", on=2, width="1", height="1", across="left", down="top"
        )
        self.assertEqual(self.check(card, "stands:5")["status"], "fails")
        self.assertMends(card, "stands:5")

    def test_what_is_held_apart_by_its_edge_does_not_hinder_a_mend(self):
        card = self.add(
            self.built(),
            "heron",
            "image",
            "slate",
            on=2,
            width="1",
            height="1",
            across="left",
            down="top",
            white_edge=True,
        )
        card = self.edit(card, 2, material=of("slate"))  # as the mat under it, and as the heron
        self.assertEqual(self.check(card, "stands:5")["status"], "holds")
        self.assertMends(card, "stands:2")

    def test_beside_its_left_edge_as_beside_its_right_one(self):
        told = {"on": 2, "width": "1/2", "height": "1/2", "material": "slate"}
        card = self.change(self.built(), kind="set_ground", pads=[{"colour": self.ids["SKY-1"]}])
        for across in ("left", "right"):
            card = self.add(card, f"{across} flag", "strip", across=across, **told)
            key = max(part["piece"] for part in card["desk"]["parts"])
            self.assertIn("mat", self.check(card, f"stands:{key}")["title"], across)  # slate on slate there
            self.assertEqual(self.check(card, f"stands:{key}")["status"], "look again")

    def test_what_hangs_over_is_mended_by_turning_moving_cutting_or_trimming(self):
        card = self.add(self.built(), "tall", "strip", "pond", on=2, width="1/2", height="4 1/2")
        self.assertIn("turn it by a quarter", str(self.mends(card, "fit:5")))
        self.assertMends(card, "fit:5")
        card = self.change(card, kind="remove_piece", key=5)
        card = self.add(card, "off", "strip", "pond", width="1", height="1/2", right="3", down="top")
        self.assertEqual(
            [one["words"] for one in self.mends(card, "fit:6")],
            ["move it back", "trim it at the card's edge"],
        )
        self.assertMends(card, "fit:6")

    def test_the_squint_test(self):
        own = make_range(self.ann, "Twins", "cardstock", "name,L,a,b\nrose,80,25,5\n")
        card = self.edit(self.built(), 3, material={"source": "supply", "id": own.colours.get().pk})
        found = self.check(card, "melts:2:3")
        self.assertEqual((found["title"], found["status"]), ("strip and panel", "look again"))
        self.assertRegex(found["figure"], r"^ΔL\* 0, ΔE \d+$")
        mends = self.mends(card, "melts:2:3")
        for mend in mends:
            self.assertIsNone(self.check(self.change(card, **mend["change"]), "melts:2:3"))
            card = self.ask("post", f"cards/{card['id']}/undo", {"version": card["version"] + 1})
        self.assertTrue(mends)

    def test_finishing_pieces_repeat_or_set_off(self):
        dot = {"on": 2, "width": "1/4", "height": "1/4", "across": "right", "right": "-1/4"}
        card = self.add(self.built(), "dot", "finishing piece", "slate", **dot)
        self.assertEqual(self.check(card, "finish:5")["reason"], "repeats mat")
        own = make_range(self.ann, "Dots", "cardstock", "name,L,a,b\nhaze,72,-8,-14\nflame,60,70,60\n")
        haze, flame = ({"source": "supply", "id": one.pk} for one in own.colours.order_by("pk"))
        card = self.edit(card, 5, material=flame)
        self.assertIn("sets the card's colours off", self.check(card, "finish:5")["reason"])
        card = self.edit(card, 5, material=haze)
        self.assertEqual(self.check(card, "finish:5")["status"], "look again")
        self.assertMends(card, "finish:5")

    def test_an_accent_returns(self):
        card = self.change(
            self.built(), kind="add_colour", anchor={"value": "#d9542b"}, name="bill", role="accent"
        )
        self.assertIsNone(self.check(card, "once:4"))  # it is nowhere yet
        card = self.edit(card, 4, material={"source": "palette", "id": 4})
        found = self.check(card, "once:4")
        self.assertEqual((found["status"], found["figure"]), ("look again", "in 1 place"))
        self.assertMends(card, "once:4")
        card = self.change(card, kind="waive", check="once:4", reason="one flame is enough")
        self.assertEqual(self.check(card, "once:4")["waived"], "one flame is enough")
        card = self.change(card, kind="remove_colour", key=4)
        card = self.change(card, kind="add_colour", anchor={"value": "#d9542b"}, name="bill", role="accent")
        self.assertNotIn("one flame", str(card["checks"]))

    def test_light_and_dark_are_spread(self):
        card = self.built()
        self.assertRegex(
            self.check(card, "spread")["figure"], r"^ΔL\* \d\d: \d+ % light, \d+ % middle, \d+ % dark$"
        )
        for key in (1, 4):
            card = self.edit(card, key, material=of("pond"))
        card = self.edit(card, 3, material=of("mist"))
        flat = self.edit(card, 2, material=of("mist"))
        flat = self.change(flat, kind="set_build", base=of("mist"))
        self.assertEqual(self.check(flat, "spread")["status"], "look again")
        self.assertMends(flat, "spread")

    def test_room_to_write_inside(self):
        card = self.built()
        self.assertEqual(self.check(card, "writing")["status"], "holds")
        card = self.change(card, kind="set_build", base=of("slate"))
        self.assertEqual(self.check(card, "writing")["reason"], "has no room for what you write")
        self.assertMends(card, "writing")

    def test_too_thick_for_the_post_and_for_its_envelope(self):
        card = self.edit(self.built(), 3, raised="double foam tape")
        card = self.change(card, kind="set_build", post_limit=2.5)
        self.assertEqual(self.check(card, "thickness")["status"], "fails")
        self.assertMends(card, "thickness")
        small = {"width": "5 1/2", "height": "4 1/4", "unit": "in"}
        card = self.change(card, kind="set_build", envelope=small, post_limit=None)
        self.assertIsNone(self.check(card, "thickness"))
        self.assertEqual(self.check(card, "envelope")["reason"], "does not go in")
        self.assertMends(card, "envelope")
        told = self.ask("get", f"cards/{card['id']}/build")
        self.assertEqual((told["envelope"], told["own_envelope"]), ("5 1/2 × 4 1/4 in", True))
        large = self.change(
            self.new_card(), kind="set_card", size={"width": "20", "height": "20", "unit": "in"}
        )
        self.assertIn("make one", self.check(self.add(large, "panel", reveal="1/4"), "envelope")["reason"])

    def test_let_be_until_the_piece_changes(self):
        card = self.edit(self.built(), 1, material=of("mist"))
        count = len(self.open(card))
        card = self.change(card, kind="waive", check="stands:2", reason="tone on tone")
        self.assertEqual(
            (self.check(card, "stands:2")["waived"], len(self.open(card))), ("tone on tone", count - 1)
        )
        self.assertEqual(self.check(self.edit(card, 2, name="ground"), "stands:2")["waived"], "tone on tone")
        card = self.ask("get", f"cards/{card['id']}")
        self.assertIsNone(self.check(self.edit(card, 2, reveal="1/4"), "stands:2")["waived"])
        card = self.ask("get", f"cards/{card['id']}")
        for nothing in ("stands:99", "melts:1:99", "spreads", "fit:", "ground:", "family:9"):
            self.change(card, 400, kind="waive", check=nothing, reason="why")

    def test_only_the_first_that_do_not_hold_are_told_with_mends(self):
        card = self.built()
        for number in range(12):
            card = self.add(
                card,
                f"flag {number}",
                "strip",
                "mist",
                on=2,
                width="1/4",
                height="1/4",
                across="left",
                down="top",
                right=f"{number * 5} mm",
            )
        mended = self.ask("get", f"cards/{card['id']}/mends")
        self.assertEqual(len(mended), 8)
        self.assertEqual([self.check(card, one["id"])["status"] for one in mended], ["fails"] * 8)
        self.assertGreater(len(self.open(card)), 11)


class MaterialTests(BuildChecksTestCase):
    def test_inked_by_oneself(self):
        own = make_range(self.ann, "Extra", content="code,L,a,b\nMOSS-2,50,-30,30\n").colours.get().pk
        card = self.built()
        white = self.check(card, "stands:3")
        self.assertNotIn("MOSS-2", [one["swatch"]["code"] for one in self.ask("get", "shopping")])
        card = self.edit(card, 3, inked={"colour": own, "hand": "heavy"})
        told = next(one for one in self.ask("get", f"cards/{card['id']}/build")["pieces"] if one["key"] == 3)
        self.assertEqual(told["material"]["words"], "white paper, inked with Extra MOSS-2")
        self.assertNotEqual(self.check(card, "stands:3")["figure"], white["figure"])
        part = next(part for part in card["desk"]["parts"] if part["piece"] == 3)
        self.assertEqual(part["shades"], told["material"]["shades"])
        self.assertIn("MOSS-2", [one["swatch"]["code"] for one in self.ask("get", "shopping")])
        card = self.edit(card, 3, inked={"colour": own, "coats": 2})
        self.assertEqual(self.check(self.edit(card, 3, inked=None), "stands:3")["figure"], white["figure"])
        card = self.ask("get", f"cards/{card['id']}")
        self.edit(card, 3, 400, inked={"colour": self.ids["soot"]})  # no pad
        self.edit(card, 3, 400, inked={"colour": own, "coats": 9})
        self.assertIn("not cut out of card", self.edit(card, 4, 400, inked={"colour": own})["message"])

    def test_the_ground_lies_on_the_piece_that_is_said(self):
        card = self.change(self.built(), kind="set_ground", pads=[{"colour": self.ids["TAR-1"]}])

        def ground(card):
            return next(part["piece"] for part in card["desk"]["parts"] if part["shape"] == "ground")

        self.assertEqual(ground(card), 2)  # the first panel
        card = self.change(card, kind="set_build", ground_on=3)
        self.assertEqual((ground(card), self.ask("get", f"cards/{card['id']}/build")["carrier"]), (3, 3))
        self.assertEqual(self.check(card, "stands:4")["status"], "fails")  # slate words on tar
        self.assertEqual(ground(self.change(card, kind="set_build", ground_on=0)), 0)
        card = self.ask("get", f"cards/{card['id']}")
        self.change(card, 400, kind="set_build", ground_on=77)
        card = self.change(card, kind="set_build", ground_on=3)
        self.assertEqual(ground(self.change(card, kind="remove_piece", key=3)), 2)

    def test_something_else_instead_each_shown_on_the_card(self):
        own = make_range(self.ann, "Stock", "cardstock", "name,L,a,b\nsack,60,9,23\nmilk,96,0,1\n")
        told = RangeDetails("Gleam", "cardstock", properties={"metallic": True})
        store_range(self.ann, told, read_range(b"name,L,a,b\ntin,75,0,2\n", None, "read"))
        set_owned(self.ann, [one.pk for one in own.colours.all()], True)
        card = self.built()
        path = f"cards/{card['id']}/build/pieces/1/instead"
        found = {one["words"]: one for one in self.ask("get", path)}
        self.assertEqual(list(found)[:2], ["as it is", "without mat"])
        self.assertEqual(found["as it is"]["parts"], card["desk"]["parts"])
        self.assertEqual(
            (found["kraft card"]["note"], found["black card"]["note"], found["metallic card"]["note"]),
            ("Stock sack", "Boards soot", "Gleam tin"),
        )
        inked = next(one for words, one in found.items() if words.startswith("inked with Pads"))
        self.assertRegex(inked["note"], "predicted, ± [0-9]+ ΔE")
        for words in ("without mat", "kraft card", "white card"):
            with self.subTest(words):
                after = self.change(card, **found[words]["change"])
                self.assertEqual(after["desk"]["parts"], found[words]["parts"])
                card["version"] = self.ask("post", f"cards/{card['id']}/undo", {"version": after["version"]})[
                    "version"
                ]
        self.assertEqual(found["white card"]["stands"]["status"], "fails")
        words = [one["words"] for one in self.ask("get", path.replace("/1/", "/4/"))]
        self.assertEqual(words, ["as it is", "without words"])
        self.ask("get", path.replace("/1/", "/77/"), status=400)
        self.client.force_login(self.ben)
        self.ask("get", path, status=404)


class PlaceTests(BuildChecksTestCase):
    def test_moved_by_keys_and_by_hand(self):
        card = self.change(self.built(), kind="nudge_piece", key=3, right=1.5875, below=-3.175)

        def piece(card):
            return next(
                one for one in self.ask("get", f"cards/{card['id']}/build")["pieces"] if one["key"] == 3
            )

        self.assertEqual((piece(card)["right"], piece(card)["below"]), ("1/16 in", "−1/8 in"))
        card = self.change(card, kind="nudge_piece", key=3, right=-1.5875, below=0)
        self.assertEqual((piece(card)["right"], piece(card)["below"]), ("", "−1/8 in"))
        self.assertEqual(card["undo"], "moving a piece")
        self.change(card, 400, kind="nudge_piece", key=3, right=9999, below=0)
        self.change(card, 400, kind="nudge_piece", key=99, right=1, below=0)

    def test_the_inside_has_pieces_of_its_own(self):
        card = self.add(self.built(), "writing panel", "panel", "mist", inside=True, reveal="1/4")
        card = self.add(
            card, "little heron", "image", "slate", on=5, inside=True, width="1", height="1", down="bottom"
        )
        told = self.ask("get", f"cards/{card['id']}/build")
        self.assertEqual([one["name"] for one in told["inside"]], ["writing panel", "little heron"])
        self.assertEqual([part["piece"] for part in card["desk"]["inside"]], [0, 5, 6])
        self.assertNotIn(5, [part["piece"] for part in card["desk"]["parts"]])
        self.assertEqual(self.check(card, "stands:6")["title"], "little heron on writing panel")
        sheets = self.ask(
            "get", f"cards/{card['id']}/build/cutting", {"width": "8 1/2", "height": "11", "unit": "in"}
        )
        self.assertIn("writing panel", [one["name"] for one in sheets["pieces"]])
        self.edit(card, 5, 400, on=2)  # it lies on the other face
        thick = told["thickness"]["figure"]
        after = self.change(card, kind="remove_piece", key=5)
        self.assertEqual(
            [(one["key"], one["on"]) for one in self.ask("get", f"cards/{card['id']}/build")["inside"]],
            [(6, 0)],
        )
        self.assertNotEqual(self.ask("get", f"cards/{after['id']}/build")["thickness"]["figure"], thick)

    def test_the_desk_of_a_list_leaves_the_inside_out(self):
        self.add(self.built(), "writing panel", "panel", "mist", inside=True, reveal="1/4")
        (listed,) = self.ask("get", "cards")["cards"]
        self.assertEqual(listed["desk"]["inside"], [])
