from server.catalogue.drawer_actions import set_owned
from server.tests.helpers import ApiTestCase, make_range

PENS = "code,L,a,b\nPEN-1,85,5,20\nPEN-2,60,30,10\nPEN-3,40,-20,-20\n"


class SurenessTests(ApiTestCase):
    def setUp(self):
        super().setUp()
        self.pens = make_range(self.ann, "Mine", "gel pen", PENS)
        self.pen = dict(self.pens.colours.values_list("key", "pk"))
        set_owned(self.ann, list(self.pen.values()), True)

    def told(self):
        return {one["name"]: one for one in self.ask("get", "sureness")}

    def read(self, wanted):
        value = ", ".join(map(str, wanted["swatch"]["lab"]))
        given = {
            "value": value,
            "layers": wanted["layers"],
            "paper": wanted["paper"] and wanted["paper"]["id"],
        }
        self.ask("post", f"colours/{wanted['swatch']['id']}/readings", given, 201)

    def test_the_first_reading_wanted_of_a_pen_is_on_the_darkest_card_of_the_drawer(self):
        told = self.told()
        self.assertEqual(set(told), {"Mine", "Pads"})
        pens = told["Mine"]
        self.assertEqual((pens["readings"], pens["before"], pens["made"]), (0, None, 0))
        first = pens["wanted"][0]
        self.assertEqual(first["words"].split(" on ")[1], "Boards soot")
        self.assertLess(first["sigma"], 0.8 * pens["sigma"])
        self.read(first)
        after = self.told()["Mine"]
        self.assertEqual((after["readings"], after["after"]), (1, None))
        self.assertLess(after["sigma"], 0.85 * pens["sigma"])
        again = [
            (one["swatch"]["id"], one["layers"], one["paper"] and one["paper"]["id"])
            for one in after["wanted"]
        ]
        self.assertNotIn((first["swatch"]["id"], first["layers"], self.ids["soot"]), again)

    def test_what_cards_lay_is_what_counts(self):
        tows = make_range(self.ann, "Tows", "alcohol marker", PENS.replace("PEN", "TOW"))
        ids = list(tows.colours.values_list("pk", flat=True))
        self.assertNotIn("Tows", self.told())
        card = self.change(self.full_card(), kind="add_area", name="sail", extent="small")
        (area,) = self.ask("get", f"cards/{card['id']}/colouring")["pictures"][0]["areas"]
        card = self.change(card, kind="edit_areas", keys=[area["key"]], layers=3)
        self.change(card, kind="set_families", families=[{"key": area["key"], "colours": ids[:2]}])
        told = self.told()["Tows"]
        self.assertEqual(told["made"], 2)
        self.assertTrue(any(one["layers"] == 3 for one in told["wanted"]))

    def test_a_film_on_dark_card_asks_for_its_reading_where_it_is_used(self):
        films = make_range(self.ann, "Films", "pigment ink pad", PENS.replace("PEN", "FILM"))
        light, middle, _ = films.colours.values_list("pk", flat=True)
        card = self.change(self.full_card(), kind="add_area", name="moon", extent="small")
        path = f"cards/{card['id']}/colouring"
        area = self.ask("get", path)["pictures"][0]["areas"][0]["key"]
        card = self.change(card, kind="edit_areas", keys=[area], coloured_with="pigment ink pad")
        card = self.change(card, kind="set_families", families=[{"key": area, "colours": [light, middle]}])
        note = lambda: self.ask("get", path)["pictures"][0]["areas"][0]["note"]  # noqa: E731
        self.assertNotIn("guess", note())
        self.change(card, kind="set_colouring", paper=self.ids["soot"])
        self.assertIn("is a guess", note())
        for value in ("61, 0.4, 5.2", "60.5, 0.5, 5"):
            self.ask("post", f"colours/{light}/readings", {"value": value, "paper": self.ids["soot"]}, 201)
        self.assertNotIn("guess", note())

    def test_a_sheet_to_lay_them_on(self):
        whole = self.client.get("/api/sureness/sheet", {"sheet": "a4"})
        self.assertEqual((whole.status_code, whole["Content-Type"]), (200, "application/pdf"))
        self.assertTrue(whole.content.startswith(b"%PDF"))
        one = self.client.get("/api/sureness/sheet", {"range": self.pens.pk}).content
        self.assertLess(len(one), len(whole.content))

    def test_who_has_nothing_is_told_nothing(self):
        self.client.force_login(self.ben)
        self.assertEqual(self.ask("get", "sureness"), [])
        self.assertTrue(self.client.get("/api/sureness/sheet").content.startswith(b"%PDF"))
