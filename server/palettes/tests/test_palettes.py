from server.catalogue.drawer_actions import set_owned
from server.palettes.models import Combination
from server.tests.helpers import ApiTestCase, make_range

SIZE = {"width": "5", "height": "7", "unit": "in"}
MARKERS = """code,L,a,b
ALDER-1,92,-3,-6
ALDER-2,78,-12,-14
ALDER-3,48,-18,-26
ALDER-4,38,-15,-22
ALDER-5,24,-8,-14
QUINCE-2,74,20,50
QUINCE-3,60,32,40
"""


class PaletteWaysTests(ApiTestCase):
    def setUp(self):
        super().setUp()
        self.markers = make_range(self.ann, "Ann's markers", medium="alcohol marker", content=MARKERS)
        self.ids |= {colour.code: colour.pk for colour in self.markers.colours.all()}

    def rules(self, **query):
        return self.ask("get", "palettes/rules", {"value": "48, -18, -26", **query})

    def test_every_rule_lands_on_real_supplies(self):
        told = self.rules()
        self.assertEqual(told["base"]["hue_name"], "blue")
        titles = [one["rule"] for one in told["landings"]]
        self.assertEqual(titles, ["one-hue", "neighbours", "opposite", "three-around", "rainbow"])
        opposite = told["landings"][2]
        labels = [one["match"]["swatch"]["label"] for one in opposite["colours"]]
        self.assertEqual(labels[0], "ALDER-3")
        self.assertIn(labels[2], ("QUINCE-2", "QUINCE-3"))
        self.assertEqual(opposite["colours"][2]["role"], "accent")
        self.assertTrue(opposite["reasons"][0]["holds"])

    def test_a_rule_that_finds_too_few_says_so_and_the_others_stand(self):
        set_owned(self.ann, [self.ids[f"ALDER-{n}"] for n in range(1, 6)], True)
        told = self.rules(owned=True)
        self.assertEqual(len(told["landings"]), 4)
        self.assertIn("“Full rainbow in order” needs 7 colours; there are 5", told["missing"][0])
        for one in told["landings"][0]["colours"]:
            self.assertTrue(one["match"]["swatch"]["owned"])

    def test_a_base_that_is_no_colour_is_refused(self):
        told = self.ask("get", "palettes/rules", {"value": "mauve-ish"}, 400)
        self.assertEqual(told["problems"][0]["value"], "mauve-ish")

    def test_the_drawer_gives_three_and_an_accent(self):
        told = self.ask("get", "palettes/drawer", {"column": "marker", "owned": True})
        self.assertEqual((told["count"], told["landings"]), (0, []))
        set_owned(self.ann, [self.ids[one] for one in ("ALDER-1", "ALDER-3", "ALDER-5", "QUINCE-3")], True)
        told = self.ask("get", "palettes/drawer", {"column": "marker", "owned": True})
        self.assertEqual(told["count"], 4)
        best = told["landings"][0]
        self.assertEqual(best["rule"], "trio-one-hue")
        accent = next(one for one in best["colours"] if one["role"] == "accent")
        self.assertEqual(accent["match"]["swatch"]["label"], "QUINCE-3")

    def test_a_card_starts_with_a_palette_or_not_at_all(self):
        colours = [
            {"anchor": {"colour": self.ids["ALDER-3"]}, "name": "mere", "role": "lead"},
            {"anchor": {"value": "92, -3, -6"}, "name": "haze", "role": "ground"},
        ]
        made = self.ask("post", "palettes/start", {"name": "Grebe", "size": SIZE, "colours": colours}, 201)
        card = self.ask("get", f"cards/{made['id']}")
        self.assertEqual(
            [(one["name"], one["role"]) for one in card["colours"]], [("mere", "lead"), ("haze", "ground")]
        )
        before = len(self.ask("get", "cards")["cards"])
        colours.append({"anchor": {"value": "no colour"}, "name": "x", "role": "dark"})
        self.ask("post", "palettes/start", {"name": "Grebe", "size": SIZE, "colours": colours}, 400)
        self.ask("post", "palettes/start", {"name": "Grebe", "size": SIZE, "colours": []}, 400)
        self.assertEqual(len(self.ask("get", "cards")["cards"]), before)


class CombinationTests(ApiTestCase):
    def kept(self, **query):
        return self.ask("get", "palettes/combinations", {"column": "pad", **query})

    def test_a_cards_palette_is_kept_and_landed_anew(self):
        card = self.full_card()
        made = self.ask("post", "palettes/combinations", {"name": "Pond", "card": card["id"]}, 201)
        one = next(one for one in self.kept() if one["id"] == made["id"])
        self.assertTrue(one["own"])
        self.assertEqual([colour["name"] for colour in one["colours"]], ["pond", "mist", "slate"])
        self.assertEqual(one["colours"][0]["match"]["swatch"]["label"], "SKY-2")
        self.assertEqual(one["colours"][0]["match"]["verdict"], "same")
        self.ask("delete", f"cards/{card['id']}", None, 204)
        self.assertEqual(len(self.kept()), 1)
        self.ask("delete", f"palettes/combinations/{made['id']}", None, 204)
        self.assertEqual(self.kept(), [])

    def test_where_nothing_is_owned_the_colours_stand_alone(self):
        self.ask(
            "post",
            "palettes/combinations",
            {
                "name": "Two",
                "colours": [
                    {"anchor": {"value": "#336699"}, "name": "one", "role": "lead"},
                    {"anchor": {"value": "30, 2, 2"}, "name": "two", "role": "dark"},
                ],
            },
            201,
        )
        (one,) = self.kept(column="pencil")
        self.assertEqual([colour["match"] for colour in one["colours"]], [None, None])
        self.assertEqual(one["colours"][1]["lab"], [30, 2, 2])

    def test_nothing_to_keep_and_too_much_are_refused(self):
        self.ask("post", "palettes/combinations", {"name": "None", "colours": []}, 400)
        many = [{"anchor": {"value": "30, 2, 2"}, "name": "x", "role": "dark"}] * 25
        told = self.ask("post", "palettes/combinations", {"name": "Many", "colours": many}, 400)
        self.assertIn("at most 24", told["message"])

    def test_own_ones_are_private_and_shared_ones_stay(self):
        self.ask("post", "palettes/combinations", {"name": "Hers", "card": self.full_card()["id"]}, 201)
        stored = [{"name": "x", "role": "lead", "lab": [50, 0, 0], "provenance": "typed"}]
        shared = Combination.objects.create(owner=None, name="Everybody's", stored=stored)
        self.assertEqual([one["name"] for one in self.kept()], ["Hers", "Everybody's"])
        self.ask("delete", f"palettes/combinations/{shared.pk}", None, 403)
        self.client.force_login(self.ben)
        self.assertEqual([one["name"] for one in self.kept()], ["Everybody's"])
        hers = Combination.objects.get(name="Hers")
        self.ask("delete", f"palettes/combinations/{hers.pk}", None, 404)
