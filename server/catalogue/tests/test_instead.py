import numpy as np

from jindle_core.colorimetry.recovery import lab_to_reflectance
from jindle_core.colorimetry.spaces import reflectance_to_lab
from jindle_core.media.medium import Medium
from jindle_core.prediction.behaviour import Hand, usual_behaviour
from jindle_core.prediction.laying import dye, glazed, laid
from server.catalogue.drawer_actions import set_owned
from server.catalogue.models import Colour
from server.tests.helpers import ApiTestCase, make_range

YELLOW, BLUE = [88.0, -6, 60], [62.0, -12, -35]


def row(code, lab):
    return f"{code}," + ",".join(f"{value:.2f}" for value in lab) + "\n"


class InsteadTests(ApiTestCase):
    def setUp(self):
        super().setUp()
        ones = [dye(lab_to_reflectance(np.array(lab))) for lab in (YELLOW, BLUE)]
        green = reflectance_to_lab(glazed(ones[0], 1, ones[1], 1, usual_behaviour(Medium.ALCOHOL_MARKER)))
        rows = row("DAY-1", YELLOW) + row("SEA-1", BLUE) + row("WEED-1", green) + row("NIGHT-1", [20, 0, -10])
        self.markers = make_range(self.ann, "Markers", "alcohol marker", "code,L,a,b\n" + rows)
        self.pk = dict(self.markers.colours.values_list("key", "pk"))
        set_owned(self.ann, [self.pk[key] for key in ("DAY-1", "SEA-1", "NIGHT-1")], True)

    def ask_instead(self, pk):
        return self.ask("get", f"colours/{pk}/instead")

    def test_a_glaze_of_two_owned_beats_the_nearest(self):
        told = self.ask_instead(self.pk["WEED-1"])
        self.assertEqual(told["wanting"], "not in your drawer")
        self.assertNotIn("WEED-1", [one["swatch"]["label"] for one in told["nearest"]])
        best = told["glazes"][0]
        self.assertEqual((best["under"]["label"], best["over"]["label"]), ("DAY-1", "SEA-1"))
        self.assertLess(best["distance"], 1)
        self.assertAlmostEqual(best["gain"], told["nearest"][0]["distance"] - best["distance"], delta=0.02)
        self.assertGreaterEqual(best["uncertainty"], 2.5)

    def test_a_glaze_is_not_offered_where_it_gains_nothing(self):
        told = self.ask_instead(self.pk["NIGHT-1"])
        self.assertEqual((told["wanting"], told["glazes"]), ("", []))
        self.assertIn("worth it", told["glaze_note"])
        set_owned(self.ann, [self.pk["SEA-1"], self.pk["NIGHT-1"]], False)
        self.assertIn("takes two", self.ask_instead(self.pk["WEED-1"])["glaze_note"])

    def test_dry_low_and_discontinued_say_so(self):
        for fullness, words in (("dry", "dry"), ("low", "running low"), ("half", "")):
            self.ask("post", "drawer", {"colours": [self.pk["DAY-1"]], "fullness": fullness})
            self.assertEqual(self.ask_instead(self.pk["DAY-1"])["wanting"], words)
        self.assertIn("discontinued", self.ask_instead(self.ids["SKY-3"])["wanting"])

    def test_ink_your_own_card(self):
        pad = Colour.objects.get(pk=self.ids["SKY-2"])
        one = lab_to_reflectance(np.array([pad.lab_l, pad.lab_a, pad.lab_b]))
        milk = lab_to_reflectance(np.array([95.0, 0, 3]))
        wanted = reflectance_to_lab(laid(one, Medium.DYE_PAD, 1, Hand.LIGHT, milk))
        stock = make_range(None, "Lost card", "cardstock", "code,L,a,b\n" + row("FAIR-1", wanted))
        self.assertIn("white card", self.ask_instead(stock.colours.get().pk)["ink_note"])
        set_owned(self.ann, [self.ids["milk"]], True)
        best = self.ask_instead(stock.colours.get().pk)["inked"][0]
        self.assertEqual(
            (best["pad"]["label"], best["card"]["label"], best["hand"]), ("SKY-2", "milk", "light")
        )
        self.assertLess(best["distance"], 1)

    def test_a_hole_of_a_palette_has_the_same_ways_out_and_what_is_to_be_had_nearer(self):
        card = self.new_card()
        colour = {"anchor": {"colour": self.pk["WEED-1"]}, "name": "weed", "role": "lead"}
        card = self.change(card, kind="add_colour", **colour)
        haze = {"anchor": {"value": "L 70, a -5, b -25"}, "name": "haze", "role": "ground"}
        card = self.change(card, kind="add_colour", **haze)

        def ways(column, status=200, key=1):
            return self.ask("get", f"cards/{card['id']}/hole", {"key": key, "column": column}, status)

        marker = ways("marker")
        self.assertIn(marker["nearest"]["swatch"]["label"], ("DAY-1", "SEA-1"))
        self.assertEqual((marker["buy"]["swatch"]["label"], marker["example"]), ("WEED-1", False))
        self.assertEqual(marker["glazes"][0], self.ask_instead(self.pk["WEED-1"])["glazes"][0])
        self.assertEqual(marker["inked"], [])
        set_owned(self.ann, [self.pk["WEED-1"]], True)
        self.assertEqual((ways("marker")["buy"], ways("marker")["glazes"]), (None, []))
        self.assertEqual(ways("cardstock", key=2)["inked"], [], "there is no white card yet")
        set_owned(self.ann, [self.ids["milk"]], True)
        cards = ways("cardstock", key=2)
        self.assertEqual([one["pad"]["label"] for one in cards["inked"]], ["SKY-2"])
        self.assertGreater(cards["inked"][0]["gain"], 0)
        self.assertEqual((cards["glazes"], ways("paper")["nearest"]), ([], None))
        ways("nothing", 400)
        ways("pad", 400, key=9)


class ConvertTests(ApiTestCase):
    def setUp(self):
        super().setUp()
        blues = [[85, -8, -12], [66, -12, -22], [45, -14, -28]]
        near = [[84, -9, -10], [68, -10, -24], [47, -12, -26], [46, -13, -27]]
        here = make_range(
            None,
            "Here",
            "alcohol marker",
            "code,L,a,b\n" + "".join(row(f"IN-{n}x", lab) for n, lab in enumerate(blues)),
        )
        self.there = make_range(
            None,
            "There",
            "alcohol marker",
            "code,L,a,b\n" + "".join(row(f"OUT-{n}x", lab) for n, lab in enumerate(near)),
        )
        self.tones = list(here.colours.values_list("pk", flat=True))

    def convert(self, status=200, **changes):
        data = {"colours": self.tones, "range": self.there.pk} | changes
        return self.ask("post", "families/convert", data, status)

    def test_a_family_as_a_set_in_order(self):
        told = self.convert(colours=self.tones[::-1])
        self.assertEqual([one["label"] for one in told["tones"]], ["IN-0x", "IN-1x", "IN-2x"])
        self.assertEqual([one["swatch"]["label"] for one in told["found"]][:2], ["OUT-0x", "OUT-1x"])
        self.assertEqual(len(told["steps"]), 2)
        self.assertGreaterEqual(told["mean"], told["separate"])

    def test_what_holds_no_such_family_says_so(self):
        told = self.convert(range=self.stock.pk)
        self.assertEqual(told["found"] != [] or "Boards" in told["note"], True)
        self.assertIn("What you own of it", self.convert(owned=True)["note"])
        self.assertIn("2 to 5", self.convert(400, colours=self.tones[:1])["message"])
        self.convert(404, range=10**9)

    def test_a_card_moves_to_other_ranges(self):
        card = self.new_card()
        for pk in self.tones:
            card = self.change(card, kind="add_colour", anchor={"colour": pk}, name="", role="support")
        card = self.change(card, kind="choose", key=1, column="marker", colour=self.tones[0], locked=True)
        path = f"cards/{card['id']}/move"
        told = self.ask("post", path, {"ranges": [self.there.pk, self.stock.pk]})
        markers = {one["id"]: one["labels"] for one in told["followers"] if one["id"].endswith(":marker")}
        self.assertEqual(set(markers), {"cell:2:marker", "cell:3:marker"})  # the first is locked
        self.assertNotEqual(*markers.values())
        self.assertEqual(told["unserved"], ["Ink pad", "Pencil", "Patterned paper"])
        card = self.change(card, **told["change"])
        cells = [row["cells"][0] for row in card["colours"]]
        self.assertEqual([cell["state"] for cell in cells], ["locked", "chosen", "chosen"])
        self.assertEqual(card["undo"], "moving to other ranges")
        for ranges in ([], ["x"], [999999999]):
            self.ask("post", path, {"ranges": ranges}, 400)
