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
        """What is not well, but for what card it is cut from: of that there is little here."""
        found = (one for one in card["checks"] if one["status"] != "holds" and one["waived"] is None)
        return {one["id"] for one in found if one["kind"] != "cut"}

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
    def test_checks_and_what_mends_them_travel_and_come_back(self):
        card = self.built()
        self.assertEqual((card["pairs"], card["built"], self.open(card)), ([], True, set()))
        card = self.edit(card, 1, material=of("mist"))
        found = self.check(card, "stands:2")
        told = {name: found[name] for name in ("kind", "of", "pieces", "stage", "status", "ways", "waived")}
        kinds = {"kind": "stands", "of": "", "pieces": [2], "stage": "build"}
        self.assertEqual(told, kinds | {"status": "fails", "ways": [], "waived": None})
        self.assertMends(card, "stands:2")
        (listed,) = self.ask("get", "cards")["cards"]
        self.assertGreater(listed["failing"], 0)
        self.assertEqual(listed["checks"], len(card["checks"]))

    def test_a_check_is_let_be_and_one_that_there_is_not_is_not(self):
        card = self.edit(self.built(), 1, material=of("mist"))
        card = self.change(card, kind="waive", check="stands:2", reason="tone on tone")
        self.assertEqual(self.check(card, "stands:2")["waived"], "tone on tone")
        for nothing in ("stands:99", "melts:1:99", "spreads", "fit:", "ground:", "family:9", "thickness"):
            self.change(card, 400, kind="waive", check=nothing, reason="why")
        card = self.change(card, kind="unwaive", check="stands:2")
        self.assertIsNone(self.check(card, "stands:2")["waived"])


class MaterialTests(BuildChecksTestCase):
    def test_inked_by_oneself(self):
        own = make_range(self.ann, "Extra", content="code,L,a,b\nMOSS-2,50,-30,30\n").colours.get().pk
        card = self.built()
        white = self.check(card, "stands:3")
        self.assertNotIn("MOSS-2", [one["swatch"]["code"] for one in self.ask("get", "shopping")])
        card = self.edit(card, 3, inked={"colour": own, "hand": "heavy"})
        told = next(one for one in self.ask("get", f"cards/{card['id']}/build")["pieces"] if one["key"] == 3)
        self.assertEqual(told["material"]["words"], "white card, inked with Extra MOSS-2")
        self.assertGreater(told["inked_uncertainty"], 1)
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
        self.assertRegex(inked["note"], r"predicted \(± [0-9]+ ΔE\)")
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
        card = self.add(self.built(), "writing panel", "panel", "mist", inside=True, reveal="1/4")
        self.assertEqual(self.drawing_of(card)["desk"]["inside"], [])
