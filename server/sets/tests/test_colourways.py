"""A card is proposed in other colours, and what is taken is a card of its own."""

from server.cards.models import StoredCard
from server.catalogue.models import Colour
from server.tests.helpers import ApiTestCase, make_range, told_lines

PADS = "code,name,L,a,b\n" + "".join(
    f"OAR-{lightness}-{n},oar {lightness} {n},{lightness},{round(a)},{round(b)}\n"
    for lightness in (80, 55)
    for n, (a, b) in enumerate([(30, 10), (10, 35), (-25, 25), (-30, -5), (-8, -32), (25, -20)])
)


class ColourwayTests(ApiTestCase):
    def setUp(self):
        super().setUp()
        self.oars = make_range(self.ann, "Oars", "dye ink pad", PADS)
        card = self.full_card()
        card = self.change(
            card, kind="set_ground", pads=[{"colour": self.ids["SKY-1"]}, {"colour": self.ids["SKY-2"]}]
        )
        self.card = self.change(card, kind="start_layout", layout="framed")

    def proposals(self, **asked):
        address = f"/api/cards/{self.card['id']}/colourways"
        lines = told_lines(self.client.post(address, asked, content_type="application/json"))
        self.assertEqual(lines[-1]["share"], 1.0)
        return [line["colourway"] for line in lines if "colourway" in line]

    def take(self, one, status=201, **said):
        asked = {name: one[name] for name in ("scheme", "turn", "choice")} | {"name": "In green"} | said
        asked["took"] = one.get("like", "")
        return self.ask("post", f"cards/{self.card['id']}/colourways/take", asked, status)

    def test_proposals_come_one_by_one_and_what_is_taken_is_a_card(self):
        found = self.proposals()
        self.assertGreater(len(found), 1)
        first = found[0]
        self.assertEqual(len(first["strip"]), 4)  # two colours of the palette, a pad and what is cut
        self.assertGreaterEqual(first["held"], len(first["gives_way"]))
        self.assertEqual(StoredCard.objects.count(), 1)
        taken = self.take(first)
        pk = taken["id"]
        (together,) = self.ask("get", "sets")
        self.assertEqual((together["id"], together["cards"][1]), (taken["set"], "In green"))
        self.assertEqual(self.take(found[1], name="In rust")["set"], taken["set"])
        self.assertEqual(len(self.ask("get", f"sets/{taken['set']}")["cards"]), 3)
        made = StoredCard.objects.get(pk=pk)
        before = StoredCard.objects.get(pk=self.card["id"]).value
        self.assertEqual((made.owner, made.value.name), (self.ann, "In green"))
        self.assertEqual(len(made.value.build.every), len(before.build.every))
        self.assertNotEqual(
            [pad.colour for pad in made.value.ground.pads], [pad.colour for pad in before.ground.pads]
        )
        told = self.ask("get", f"cards/{pk}")
        colours = [one["shades"] for one in told["colours"]]
        self.assertEqual(colours[:2], first["strip"][:2])  # then what else took another colour

    def test_a_card_goes_by_a_season_a_combination_or_a_paper(self):
        colours = [{"anchor": {"value": one}, "role": "lead"} for one in ("60, 40, 30", "70, -30, 30")]
        kept = self.ask("post", "palettes/combinations", {"name": "Buoys", "colours": colours}, 201)
        told = self.ask("get", f"cards/{self.card['id']}/colourways")
        keys = {one["key"] for one in told["like"]}
        self.assertLessEqual({"hoar-frost", f"combination:{kept['id']}"}, keys)
        self.assertEqual(told["things"], [])  # nothing on it has a colour by nature
        for key in ("hoar-frost", f"combination:{kept['id']}"):
            found = self.proposals(like=key)
            self.assertEqual({one["like"] for one in found}, {key})
            self.take(found[0], like=key)
        address = f"cards/{self.card['id']}/colourways"
        self.ask("post", address, {"like": "combination:999999"}, 404)
        self.ask("post", address, {"like": "porridge"}, 400)
        self.client.force_login(self.ben)
        card = self.full_card()
        self.ask("post", f"cards/{card['id']}/colourways", {"like": f"combination:{kept['id']}"}, 404)

    def test_what_is_held_stays(self):
        for one in self.proposals(held=["pad:0", "colour:1"], bold=1.2):
            pk = self.take(one, held=["pad:0", "colour:1"], bold=1.2)["id"]
            made = StoredCard.objects.get(pk=pk).value
            self.assertEqual(made.ground.pads[0].colour, self.ids["SKY-1"])
            self.assertEqual(made.colour(1).anchor.colour, self.ids["SKY-2"])

    def test_what_cannot_be_is_told(self):
        everything = [f"colour:{key}" for key in (1, 2, 3)] + ["pad:0", "pad:1"]
        address = f"cards/{self.card['id']}/colourways"
        self.assertIn("held", self.ask("post", address, {"held": everything}, 400)["message"])
        self.ask("post", address, {"bold": 9}, 400)
        self.ask("post", address, {"things": ["porridge"]}, 400)
        one = {"scheme": "turned-hues", "turn": 60, "choice": 0}
        self.take(one, 400, name=" ")
        self.take(one | {"scheme": "plaid"}, 400)
        self.assertEqual(StoredCard.objects.count(), 1)
        self.client.force_login(self.ben)
        self.take(one, 404)

    def test_a_card_of_greys_alone_has_none(self):
        card = self.new_card("Greys")
        for value in ("20, 0, 0", "60, 0, 0", "95, 0, 0"):
            card = self.change(card, kind="add_colour", anchor={"value": value}, name="grey", role="neutral")
        told = self.ask("post", f"cards/{card['id']}/colourways", {}, 400)
        self.assertIn("Nothing is left that could take another colour", told["message"])
        self.assertEqual(Colour.objects.filter(range=self.oars).count(), 12)
