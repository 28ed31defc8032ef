from io import BytesIO

from django.core.files.uploadedfile import SimpleUploadedFile

from server.catalogue.models import Colour
from server.tests.helpers import ApiTestCase, make_range, told_lines

MARKERS = "code,L,a,b\n" + "\n".join(
    f"{word}-{depth},{lightness},{a * depth / 4:.1f},{b * depth / 4:.1f}"
    for word, a, b in (("FERN", -22, 20), ("POND", -12, -24), ("ASH", -0.5, -2))
    for depth, lightness in enumerate((88, 76, 63, 51, 38, 26), start=1)
)
PENCILS = "code,L,a,b\nTRAY-1,85,-8,8\nTRAY-2,62,-16,15\nTRAY-3,40,-18,16\n"
STOCK = "name,L,a,b\nwrapping,60,9,23\nsoot,18,0,0\n"
SVG = b"""<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 100 50">
<script>alert(1)</script><rect id="pond" width="100" height="50"/><circle id="leaf" cx="30" cy="25" r="12"/>
<circle id="bud" cx="80" cy="25" r="4"/></svg>"""


class ColouringTests(ApiTestCase):
    @classmethod
    def setUpTestData(cls):
        super().setUpTestData()
        cls.markers = make_range(None, "Markers", "alcohol marker", MARKERS)
        cls.pencils = make_range(None, "Pencils", "wax pencil", PENCILS)
        cls.papers = make_range(None, "Papers", "cardstock", STOCK)
        cls.ids |= {
            colour.key: colour.pk for colour in Colour.objects.filter(range__in=(cls.markers, cls.pencils))
        }
        cls.ids |= {f"paper {one.key}": one.pk for one in cls.papers.colours.all()}

    def upload(self, content=SVG, status=201, name="The pond"):
        file = SimpleUploadedFile("pond.svg", content)
        answer = self.client.post("/api/drawings", {"file": file, "name": name})
        self.assertEqual(answer.status_code, status, answer.content[:400])
        return answer.json()

    def drawn(self):
        """A card with the drawing, its leaf fern, its pond blue."""
        card = self.new_card()
        for key, name in (("FERN-3", "fern"), ("POND-4", "deep")):
            card = self.change(
                card, kind="add_colour", anchor={"colour": self.ids[key]}, name=name, role="lead"
            )
        card = self.change(card, kind="set_drawing", drawing=self.upload()["id"])
        for key, colour in ((1, 2), (2, 1)):
            card = self.change(card, kind="edit_areas", keys=[key], colour=colour)
        return card

    def conflicts(self, card):
        return [one for one in card["checks"] if one["kind"] == "conflict"]

    def colouring(self, card):
        """The first picture."""
        return self.ask("get", f"cards/{card['id']}/colouring")["pictures"][0]

    def propose(self, card, status=200, **asked):
        return self.ask(
            "post", f"cards/{card['id']}/colouring/propose", {"version": card["version"], **asked}, status
        )

    def area(self, card, key):
        return next(one for one in self.colouring(card)["areas"] if one["key"] == key)

    def labels(self, area):
        return [tone["swatch"]["code"] for tone in area["tones"]]

    def test_areas_come_from_the_drawing_and_the_drawing_lies_on_the_desk(self):
        card = self.drawn()
        told = self.colouring(card)
        self.assertEqual(
            [(one["name"], one["extent"], one["colour"]) for one in told["areas"]],
            [("pond", "large", 2), ("leaf", "small", 1), ("bud", "tiny", None)],
        )
        (part,) = [one for one in card["desk"]["parts"] if one["shape"] == "drawing"]
        self.assertAlmostEqual(part["width"] / part["height"], 2, places=1)
        shapes = card["desk"]["pictures"][0]["shapes"]
        self.assertEqual([len(one["stops"]) for one in shapes], [1, 1, 0])  # the palette's colours, and paper
        self.assertEqual(self.drawing_of(card)["desk"]["pictures"], card["desk"]["pictures"])
        self.assertNotIn("alert", str(self.ask("get", "drawings")))

    def test_families_are_proposed_at_once_and_undone_at_once(self):
        card = self.propose(self.drawn())
        pond, leaf = self.area(card, 1), self.area(card, 2)
        self.assertTrue(all(code.startswith("POND") for code in self.labels(pond)))
        self.assertTrue(all(code.startswith("FERN") for code in self.labels(leaf)))
        lightness = [tone["lightness"] for tone in leaf["tones"]]
        self.assertEqual((len(lightness), lightness), (3, sorted(lightness, reverse=True)))
        self.assertEqual(leaf["judgement"]["faults"], [])
        self.assertEqual(self.area(card, 3)["tones"], [])  # no palette colour, no family
        self.assertGreater(len(card["desk"]["pictures"][0]["shapes"][1]["stops"]), 3)
        card = self.ask("post", f"cards/{card['id']}/undo", {"version": card["version"]})
        self.assertEqual(self.area(card, 2)["tones"], [])

    def test_queries_do_not_grow_with_drawn_cards(self):
        for _ in range(2):
            self.drawn()
            self.ask("get", "cards")
            with self.assertNumQueries(10):
                self.ask("get", "cards")

    def test_a_chosen_family_is_judged_at_once(self):
        card = self.drawn()
        near = [self.ids["FERN-3"], self.ids["FERN-4"]]
        card = self.change(card, kind="set_families", families=[{"key": 2, "colours": near}])
        self.assertEqual(self.area(card, 2)["judgement"]["faults"], [])
        card = self.change(
            card, kind="set_families", families=[{"key": 2, "colours": [*near[::-1], self.ids["POND-2"]]}]
        )
        leaf = self.area(card, 2)
        self.assertEqual(self.labels(leaf), ["POND-2", "FERN-3", "FERN-4"])  # sorted, light to dark
        self.assertIn("the hue jumps", str(leaf["judgement"]["faults"]))
        family = next(one for one in card["checks"] if one["id"] == "family:2")
        self.assertEqual((family["status"], family["stage"]), ("look-again", "colouring"))
        self.assertIn("the hue jumps", family["reason"])
        card = self.change(card, kind="waive", check="family:2", reason="a cold leaf on purpose")
        family = next(one for one in card["checks"] if one["id"] == "family:2")
        self.assertEqual(family["waived"], "a cold leaf on purpose")

    def test_mends_of_a_flat_family(self):
        card = self.drawn()
        flat = [self.ids["FERN-2"], self.ids["FERN-3"], self.ids["FERN-4"]]
        card = self.change(card, kind="set_families", families=[{"key": 2, "colours": flat}])
        told = self.ask("get", f"cards/{card['id']}/areas/2/families", {"owned": "true"})
        self.assertEqual(told["wanted"], 3)
        mends = {one["words"]: one for one in told["mends"]}
        self.assertEqual(mends["a deeper shadow"]["swatch"]["code"], "FERN-5")
        self.assertEqual(mends["a lighter light"]["family"][1:], flat)
        glaze = next(one for one in told["mends"] if one["family"] is None)
        self.assertIn("predicted", glaze["words"])
        self.assertTrue(glaze["swatch"]["code"].startswith("ASH"))
        card = self.change(card, kind="edit_areas", keys=[2], glaze=glaze["swatch"]["id"])
        area = self.area(card, 2)
        self.assertEqual((area["glaze"]["swatch"]["code"], len(area["tones"])), (glaze["swatch"]["code"], 3))
        self.assertEqual(area["glaze"]["shades"], glaze["shades"])
        self.assertLess(area["glaze"]["lightness"], area["tones"][-1]["lightness"] - 5)
        self.assertIn(f"{glaze['swatch']['code']} over the deepest shadow", area["order"][-1]["words"])
        last = card["desk"]["pictures"][0]["shapes"][1]["stops"][-1]
        self.assertEqual(last["shades"], area["glaze"]["shades"])
        offered = self.ask("get", f"cards/{card['id']}/areas/2/families")["mends"]
        self.assertNotIn(None, [one["family"] for one in offered])  # one glaze is enough
        self.change(card, 400, kind="edit_areas", keys=[2], glaze=self.ids["TRAY-3"])
        self.change(card, 400, kind="edit_areas", keys=[3], glaze=self.ids["ASH-3"])
        card = self.change(card, kind="edit_areas", keys=[2], glaze=0)
        self.assertIsNone(self.area(card, 2)["glaze"])
        four = self.ask("get", f"cards/{card['id']}/areas/2/families", {"tones": 4})
        self.assertEqual({len(one["tones"]) for one in four["families"]}, {4})

    def test_paper_and_layers_change_what_is_seen(self):
        card = self.propose(self.drawn())
        before = self.area(card, 2)
        card = self.change(card, kind="edit_areas", keys=[2], layers=3)
        deeper = self.area(card, 2)
        self.assertEqual(self.labels(deeper), self.labels(before))
        for one, other in zip(deeper["tones"], before["tones"], strict=True):
            self.assertLess(one["lightness"], other["lightness"])
            self.assertGreater(one["uncertainty"], other["uncertainty"])
            self.assertTrue(one["predicted"])
        card = self.change(card, kind="set_colouring", paper=self.ids["paper wrapping"])
        self.assertEqual(self.colouring(card)["surface"], "kraft")
        self.assertLess(self.area(card, 2)["tones"][0]["lightness"], deeper["tones"][0]["lightness"])
        self.assertIn("Many wet layers", str(self.conflicts(card)))
        papers = self.ask("get", f"cards/{card['id']}/colouring/papers")
        self.assertEqual([one["words"] for one in papers], ["white marker paper", "cream", "grey", "kraft"])
        self.assertNotEqual(papers[0]["picture"]["shapes"], papers[3]["picture"]["shapes"])
        self.assertGreater(papers[3]["uncertainty"], papers[0]["uncertainty"])
        self.change(card, 400, kind="set_colouring", paper=self.ids["FERN-3"])

    def test_another_medium_another_family(self):
        card = self.propose(self.drawn())
        card = self.change(card, kind="edit_areas", keys=[2], coloured_with="wax pencil")
        self.assertEqual(self.area(card, 2)["tones"], [])
        card = self.propose(card, areas=[2])
        self.assertEqual(self.labels(self.area(card, 2)), ["TRAY-1", "TRAY-2", "TRAY-3"])
        self.assertIn("wax bloom", str(self.area(card, 2)["order"]))
        markers = [self.ids["FERN-2"], self.ids["FERN-4"]]
        card = self.change(card, kind="set_families", families=[{"key": 2, "colours": markers}])
        self.assertEqual(self.area(card, 2)["medium"], "alcohol marker")
        mixed = [self.ids["FERN-2"], self.ids["TRAY-3"]]
        self.change(card, 400, kind="set_families", families=[{"key": 2, "colours": mixed}])
        self.change(card, 400, kind="edit_areas", keys=[2], coloured_with="gel pen")

    def test_order_of_work(self):
        card = self.change(self.propose(self.drawn()), kind="set_colouring", dark_first=True, light="top")
        self.assertEqual(self.area(card, 2)["order"][0]["using"], 2)
        self.assertEqual(card["desk"]["pictures"][0]["away"], [0.0, 1.0])
        self.assertEqual(
            [(one["to"], bool(one["wait"])) for one in self.colouring(card)["sessions"]],
            [([1], False), ([2], True)],
        )
        card = self.change(card, kind="set_colouring", dark_first=False, light="centre")
        self.assertEqual((self.area(card, 2)["order"][0]["using"], self.area(card, 2)["edge"]), (0, 2))
        self.assertIsNone(card["desk"]["pictures"][0]["away"])

    def test_dark_first_as_the_person_is_used_to_unless_the_card_says_otherwise(self):
        card = self.propose(self.drawn())
        self.ask("patch", "me", {"dark_first": True})
        self.assertEqual(self.area(card, 2)["order"][0]["using"], 2)
        card = self.change(card, kind="set_colouring", dark_first=False)
        self.assertEqual(self.area(card, 2)["order"][0]["using"], 0)

    def test_materials(self):
        card = self.change(self.drawn(), kind="set_colouring", line="dye", finishes=["glitter"])
        (bleeds,) = self.conflicts(card)
        self.assertEqual((bleeds["of"], bleeds["status"]), ("line bleeds", "fails"))
        self.assertTrue(bleeds["ways"])
        self.assertTrue(any("Glitter" in one for one in self.colouring(card)["cautions"]))
        card = self.change(card, kind="set_colouring", line_range=self.pads.pk, line="laser")
        self.assertEqual(self.conflicts(card)[0]["of"], "line bleeds")  # the pads of the shelf are dye
        own = make_range(self.ann, "Proof")
        self.ask(
            "post",
            f"ranges/{own.pk}/changes",
            {
                "version": 1,
                "details": {"name": "Proof", "medium": "dye ink pad", "properties": {"solvent_proof": True}},
            },
        )
        card = self.change(card, kind="set_colouring", line_range=own.pk)
        self.assertEqual(self.conflicts(card), [])
        self.change(card, 400, kind="set_colouring", line_range=self.markers.pk)
        self.change(card, 400, kind="set_colouring", finishes=["varnish"])
        wrong = {"name": "Proof", "medium": "dye ink pad", "properties": {"surface": "kraft"}}
        told = self.ask("post", f"ranges/{own.pk}/changes", {"version": 2, "details": wrong}, 400)
        self.assertIn("surface", told["message"])

    def test_what_kind_of_paper_it_is_can_be_said_of_a_card(self):
        card = self.change(self.drawn(), kind="edit_areas", keys=[1], coloured_with="water-based marker")
        card = self.change(card, kind="set_colouring", line="solvent")
        self.assertIn("pills", [one["of"] for one in self.conflicts(card)])
        card = self.change(card, kind="set_colouring", surface="watercolour paper")
        told = self.colouring(card)
        self.assertEqual(
            (told["surface"], told["surface_said"], told["wet_layers"]), ("watercolour paper", True, 6)
        )
        self.assertNotIn("pills", [one["of"] for one in self.conflicts(card)])
        card = self.change(card, kind="set_colouring", paper=self.ids["paper wrapping"])
        self.assertEqual(self.colouring(card)["surface"], "watercolour paper")  # said, so it stays
        card = self.change(card, kind="set_colouring", surface="")
        self.assertEqual(self.colouring(card)["surface"], "kraft")
        self.change(card, 400, kind="set_colouring", surface="velvet")

    def test_a_list_of_areas_without_a_drawing(self):
        card = self.change(self.new_card(), kind="add_area", name="the boat", extent="large")
        card = self.change(card, kind="add_area", name="rope")
        self.propose(card, 400)
        self.assertEqual(card["desk"]["pictures"], [])
        card = self.change(card, kind="set_drawing", drawing=self.upload()["id"])
        self.assertEqual([one["name"] for one in self.colouring(card)["areas"]][-2:], ["the boat", "rope"])
        card = self.change(card, kind="remove_area", key=1)
        self.assertEqual(len(self.colouring(card)["areas"]), 4)
        self.change(card, 400, kind="remove_area", key=1)
        self.change(card, 400, kind="edit_areas", keys=[2], layers=4)
        self.change(card, 400, kind="edit_areas", keys=[2], colour=9)

    def test_what_leaves_the_supplies_is_told(self):
        own = make_range(
            self.ann, "Mine", "alcohol marker", "code,L,a,b\nMOSS-1,80,-10,10\nMOSS-2,60,-14,14\n"
        )
        ids = [one.pk for one in own.colours.all()]
        card = self.drawn()
        card = self.change(card, kind="set_families", families=[{"key": 2, "colours": ids}])
        kept = self.ask("post", "families/kept", {"name": "moss", "colours": ids[::-1]}, 201)["id"]
        (told,) = self.ask("get", "families/kept")
        self.assertEqual(([one["code"] for one in told["tones"]], told["id"]), (["MOSS-1", "MOSS-2"], kept))
        self.assertEqual(self.client.get("/api/families/kept/sheet").content[:5], b"%PDF-")
        self.assertEqual([one["why"] for one in self.ask("get", "shopping")], ["not in the drawer"] * 4)
        self.ask("post", "drawer", {"colours": ids[:1], "owned": True})
        told = self.ask("get", f"ranges/{own.pk}/uses")
        (used,) = told["cards"]
        self.assertEqual((used["name"], used["tones"], used["pads"], told["drawer"]), (card["name"], 2, 0, 1))
        before = self.area(card, 2)
        self.ask("delete", f"ranges/{own.pk}", status=204)
        after = self.area(card, 2)
        self.assertEqual(after["lost"], 2)
        self.assertEqual(
            [one["shades"] for one in after["tones"]], [one["shades"] for one in before["tones"]]
        )
        self.assertTrue(all(one["swatch"]["lost"] for one in after["tones"]))
        self.assertEqual(self.ask("get", "families/kept")[0]["lost"], 2)
        self.ask("delete", f"drawings/{self.ask('get', 'drawings')[0]['id']}", status=204)
        card = self.ask("get", f"cards/{card['id']}")
        self.assertEqual(card["desk"]["pictures"], [])
        self.assertEqual(len(self.colouring(card)["areas"]), 3)

    def test_kept_families_are_of_one_medium_and_of_ones_own_supplies(self):
        for keys in (["FERN-1"], ["FERN-1", "TRAY-1"], ["soot", "paper wrapping"], ["FERN-1", "FERN-1"]):
            self.ask("post", "families/kept", {"name": "x", "colours": [self.ids[key] for key in keys]}, 400)
        secret = make_range(self.ben, "Ben's", "alcohol marker", "code,L,a,b\nHID-1,80,0,0\nHID-2,60,0,0\n")
        hidden = [one.pk for one in secret.colours.all()]
        self.ask("post", "families/kept", {"name": "x", "colours": hidden}, 400)
        card = self.drawn()
        self.change(card, 400, kind="set_families", families=[{"key": 2, "colours": hidden}])
        self.client.force_login(self.ben)
        theirs = self.upload(name="Ben's")["id"]
        self.client.force_login(self.ann)
        self.change(card, 404, kind="set_drawing", drawing=theirs)
        self.assertNotIn("Ben's", [one["name"] for one in self.ask("get", "drawings")])

    def test_asking_for_what_is_not_there(self):
        card = self.drawn()
        self.ask("get", f"cards/{card['id']}/areas/9/families", status=400)
        self.ask("get", f"cards/{card['id']}/areas/2/families", {"tones": 6}, 400)
        self.propose(card, 400, areas=[9])
        self.assertIn("palette colour", self.propose(card, 400, areas=[3])["message"])
        self.propose(card | {"version": card["version"] - 1}, 409)
        for change in (
            {"kind": "set_drawing"},
            {"kind": "set_families", "families": [{"key": 9, "colours": []}]},
            {"kind": "set_families", "families": [{"key": 1, "colours": [0]}]},
            {"kind": "set_colouring", "light": "below"},
            {"kind": "set_colouring", "line": "blood"},
            {"kind": "edit_areas", "keys": [1], "thing": "ghost"},
            {"kind": "edit_areas", "keys": [1], "layers": 9},
            {"kind": "add_area", "name": "x" * 600},
        ):
            with self.subTest(change=change):
                told = self.change(card, 400, **change)
                self.assertTrue(told["problems"][0]["message"])

    def test_several_pictures_of_ones_own_drawings(self):
        card = self.change(self.drawn(), kind="add_picture", name="second", like=1)
        told = self.ask("get", f"cards/{card['id']}/colouring")["pictures"]
        self.assertEqual(
            [(one["key"], one["name"], len(one["areas"])) for one in told],
            [(1, "picture", 3), (2, "second", 3)],
        )
        self.assertEqual(
            [(one["like"], one["led_by"]) for one in told[1]["areas"]], [(n, [n]) for n in (1, 2, 3)]
        )
        card = self.change(card, kind="edit_areas", keys=[4, 5], colour=0)
        self.assertEqual([one["key"] for one in card["desk"]["pictures"]], [1, 2])
        (papers,) = {
            len(self.ask("get", f"cards/{card['id']}/colouring/papers", {"picture": n})) for n in (1, 2)
        }
        self.assertGreater(papers, 2)
        self.ask("get", f"cards/{card['id']}/colouring/papers", {"picture": 9}, 400)
        for wrong, words in (
            ({"kind": "add_picture", "name": "third", "like": 9}, "no picture 9"),
            ({"kind": "follow_area", "keys": [1], "like": 6}, ""),
            ({"kind": "follow_area", "keys": [3], "like": 6}, "coloured as"),
            ({"kind": "remove_picture", "picture": 9}, "no picture 9"),
            ({"kind": "edit_areas", "keys": []}, ""),
            ({"kind": "set_colouring", "picture": 9, "light": "top"}, "no picture 9"),
        ):
            with self.subTest(wrong):
                status = 200 if wrong.get("keys") == [1] else 400
                answer = self.change(card, status, **wrong)
                if status == 400:
                    self.assertIn(words, str(answer))
        hers = self.upload()["id"]
        self.client.force_login(self.ben)
        own = self.new_card()
        self.change(own, 404, kind="add_picture", name="hers", drawing=hers)
        self.change(own, 404, kind="set_drawing", drawing=hers)

    def test_a_family_of_five_tones_and_none_again(self):
        card = self.change(
            self.drawn(), kind="edit_areas", keys=[2], thing="fur-or-feathers", extent="large", focal=True
        )
        card = self.propose(card, areas=[2])
        area = self.area(card, 2)
        self.assertEqual(
            [tone["name"] for tone in area["tones"]], ["palest", "light", "middle", "dark", "deep shadow"]
        )
        self.assertEqual((len(area["judgement"]["lightness"]), area["judgement"]["wanted"]), (4, 31.2))
        self.assertEqual(
            self.ask("get", f"cards/{card['id']}/areas/2/families")["mends"][:-1], []
        )  # it is full
        card = self.change(card, kind="set_families", families=[{"key": 2, "colours": []}])
        self.assertEqual((self.area(card, 2)["tones"], self.area(card, 2)["order"]), ([], []))

    def test_what_a_range_says_of_itself_goes_out_and_comes_back(self):
        own = make_range(self.ann, "Boards of mine", "cardstock", STOCK)
        details = {
            "name": own.name,
            "medium": "cardstock",
            "properties": {"surface": "vellum", "wet_layers": 1},
        }
        self.ask("post", f"ranges/{own.pk}/changes", {"version": 1, "details": details})
        out = self.client.get(f"/api/ranges/{own.pk}/file/json").content
        for medium, wanted in (("cardstock", {"surface": "vellum", "wet_layers": 1}), ("gel pen", {})):
            file = SimpleUploadedFile("boards.json", out)
            answer = self.client.post(
                "/api/ranges/import", {"file": file, "name": f"Again as {medium}", "medium": medium}
            )
            pk = told_lines(answer)[-1]["id"]
            self.assertEqual(self.ask("get", f"ranges/{pk}")["properties"], wanted)
        card = self.change(self.drawn(), kind="set_colouring", paper=own.colours.first().pk)
        self.assertEqual([one["of"] for one in self.conflicts(card)], ["sits on top"])
        self.ask("delete", f"ranges/{own.pk}", status=204)
        # As it was known: the card goes on as it was planned, but nothing new can be on it.
        self.assertEqual(self.colouring(card)["surface"], "vellum")
        self.assertTrue(self.colouring(card)["paper"]["lost"])

    def test_bad_drawings_say_what_is_wrong(self):
        for content, words in (
            (b"", "no well-formed SVG"),
            (b"<svg xmlns='http://www.w3.org/2000/svg'><text>hello</text></svg>", "no closed shape"),
            (b"<!DOCTYPE svg [<!ENTITY a 'b'>]><svg>&a;</svg>", "entities"),
            (BytesIO(b"x" * (4 * 2**20 + 1)).read(), "larger than"),
        ):
            self.assertIn(words, self.upload(content, 400)["message"])
        self.assertEqual(self.ask("get", "drawings"), [])
