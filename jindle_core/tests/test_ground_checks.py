"""Checks of a card's ground, as its maker meets them, and what mends each."""

import unittest
from dataclasses import replace

from jindle_core.blending.effects import EffectKind
from jindle_core.blending.joins import Meeting
from jindle_core.blending.painting import GroundShape
from jindle_core.blending.standing import Wish
from jindle_core.blending.stencils import Stencil, StencilForm
from jindle_core.blending.ways import WayKind
from jindle_core.card.changes.every import changed
from jindle_core.card.changes.ground import SetGround
from jindle_core.card.changes.palette import AddColour
from jindle_core.card.changes.pictures import EditAreas, SetDrawing, areas_of
from jindle_core.card.ground import Effect, PadUse
from jindle_core.card.whole import Anchor, Card
from jindle_core.checked.whole import CheckedCard
from jindle_core.fullness import Kept
from jindle_core.lengths import read_size
from jindle_core.line_art.drawing import LineDrawing, Shape
from jindle_core.media.medium import Medium
from jindle_core.offers.for_join import join_offers, rainbow_offers, together
from jindle_core.palettes.role import Role
from jindle_core.prediction.behaviour import Hand
from jindle_core.seen.joins import joins_seen
from jindle_core.seen.whole import SeenCard
from jindle_core.supplies.colours import RangeFacts, SupplyColour
from jindle_core.supplies.whole import Supplies

PADS = {
    "sun": (88, -4, 78), "moss": (56, -44, 30), "plum": (40, 34, -40), "pond": (64, -28, -34), "rose": (66, 54, 2),
    "dusk": (46, -2, -46), "fog": (82, 0, 1), "coal": (14, 0, 0), "orchid": (62, 52, -24), "down": (84, 10, 8),
}  # fmt: skip
KEYS = {name: pk for pk, name in enumerate(PADS, start=1)}
COLOURS = (
    ("pond", Role.LEAD, (55.0, -5.0, -35.0)),
    ("mist", Role.GROUND, (80.0, -5.0, -18.0)),
    ("slate", Role.DARK, (20.0, 0.0, 0.0)),
)
WALL = LineDrawing(120.0, 100.0, (Shape("wall", "M0 0 120 0 120 100 0 100Z", 1.0, ()),), ())


def shelf(*owned):
    """The pads, some in the drawer; the last is of chalk."""
    rows = tuple(
        SupplyColour(
            KEYS[name], 2 if name == "down" else 1, f"OAR-{name}", name, "", "read", False, *map(float, lab)
        )
        for name, lab in PADS.items()
    )
    ranges = {
        1: RangeFacts(1, "Inks", "", Medium.DYE_PAD, own=False),
        2: RangeFacts(2, "Chalk", "", Medium.CHALK_PAD, own=False),
    }
    return Supplies(rows, ranges, {KEYS[name]: Kept("full", "") for name in owned})


class GroundChecksTests(unittest.TestCase):
    def setUp(self):
        self.supplies = shelf()

    def checked(self, card):
        return CheckedCard(SeenCard(card, self.supplies, {card.pictures[0].drawing: WALL}))

    def use(self, *names, **more):
        return tuple(PadUse(KEYS[name], **more) for name in names)

    def laid(self, *names, card=None, **settings):
        if card is None:
            card = Card("Heron", read_size("5 1/2", "4 1/4", "in"))
            for name, role, lab in COLOURS:
                card = changed(card, AddColour(Anchor(None, lab, "read"), name, role))
        return changed(card, SetGround({"pads": self.use(*names)} | settings))

    def check(self, card, key):
        return next((one for one in self.checked(card).checks if one.key == f"ground:{key}"), None)

    def found(self, card, key):
        return self.check(card, key).finding

    def assertMended(self, card, key, mend):
        after = self.found(changed(card, mend.change), key)
        self.assertEqual((after.status, after.figure), ("holds", mend.figure), mend.words)

    def test_an_uneven_ombre_is_evened_by_a_coat(self):
        card = self.laid("sun", "fog", "moss", shape=GroundShape.OMBRE)
        self.assertEqual(self.found(card, "steps").reason, "hardly shows a step from band 1 to 2")
        (mend,) = self.check(card, "steps").to_mend()
        self.assertEqual(mend.words, "one more coat of OAR-fog fog")
        self.assertMended(card, "steps", mend)
        self.assertEqual(
            len(self.found(self.laid("moss", shape=GroundShape.OMBRE), "steps").figure.split(",")), 4
        )
        self.assertIn(
            "again", self.found(self.laid("coal", "sun", "dusk", shape=GroundShape.OMBRE), "steps").reason
        )

    def test_a_harsh_centre_is_mended_by_covering_it(self):
        card = self.laid("plum", shape=GroundShape.VIGNETTE)
        self.assertEqual(self.found(card, "centre").status, "look-again")
        self.assertMended(
            card, "centre", next(one for one in self.check(card, "centre").to_mend() if "cover" in one.words)
        )

    def test_ink_that_gathers_along_an_edge_wants_a_lighter_hand(self):
        card = self.laid(shape=GroundShape.STRIPES)
        card = changed(card, SetGround({"pads": self.use("moss", "sun", hand=Hand.HEAVY)}))
        self.assertEqual(self.found(card, "edge 0").status, "look-again")
        self.assertMended(card, "edge 0", self.check(card, "edge 0").to_mend()[0])

    def test_a_light_layer_over_a_dark_one_vanishes_and_comes_first_instead(self):
        card = self.laid("coal", "fog", shape=GroundShape.STENCILS)
        self.assertIn("light layers come first", self.found(card, "layer 1").reason)
        (mend,) = self.check(card, "layer 1").to_mend()
        self.assertMended(card, "layer 1", mend)
        turned = changed(card, mend.change).ground.pads
        self.assertEqual([pad.colour for pad in turned], [KEYS["fog"], KEYS["coal"]])

    def test_an_edge_brushed_twice_shows_where_the_ink_is_strong(self):
        card = self.laid("dusk", shape=GroundShape.WASH, one_side=True)
        check = self.check(card, "side")
        self.assertIn("double edge", check.finding.reason)
        (mend,) = check.to_mend()
        self.assertIsNone(self.check(changed(card, mend.change), "side"))
        pale = {"pads": self.use("fog", hand=Hand.LIGHT), "shape": GroundShape.WASH, "one_side": True}
        self.assertEqual(self.found(changed(card, SetGround(pale)), "side").status, "holds")

    def test_a_picture_that_sinks_in_and_what_mends_it(self):
        self.supplies = shelf("fog", "sun", "down")
        card = self.laid("dusk")
        self.assertEqual(self.found(card, "picture").status, "fails")
        self.assertIn("pond sinks into it", self.found(card, "picture").reason)
        mends = self.check(card, "picture").to_mend()
        self.assertTrue(mends)
        for mend in mends:
            self.assertMended(card, "picture", mend)

    def test_too_loud_too_quiet_and_right(self):
        card = self.laid("sun", "rose", "dusk")
        self.assertIn("too loud", self.found(card, "wish").reason)
        self.assertIn("pale grey pattern", str(self.check(card, "wish").to_mend()))
        card = self.laid("fog", card=card)
        self.assertEqual(self.found(card, "wish").reason, "right: it keeps still")
        card = self.laid("fog", card=card, wish=Wish.SHINE)
        self.assertIn("not dark enough", self.found(card, "wish").reason)
        card = self.laid("coal", card=card)
        self.assertEqual(self.found(card, "wish").status, "holds")
        self.assertEqual(
            self.check(self.laid("coal", card=card, wish=Wish.BRIGHT), "wish").title, "A bright ground"
        )

    def test_lettering_on_its_strip_or_straight_on_the_ground(self):
        def parts(card):
            return [one.part.name for one in self.checked(card).desk.front]

        card = self.laid("coal")
        strip = self.check(card, "lettering")
        self.assertIn("strip", strip.title)
        self.assertIn("strip", parts(card))
        card = self.laid("coal", card=card, lettered=True)
        straight = self.check(card, "lettering")
        self.assertEqual(straight.finding.status, "fails")
        self.assertNotIn("strip", parts(card))
        card = changed(card, straight.to_mend()[0].change)
        self.assertEqual(self.found(card, "lettering"), strip.finding)

    def test_lettering_that_lies_on_the_picture_is_judged_against_the_picture(self):
        card = self.laid("fog", lettered=True)
        self.assertEqual(self.found(card, "lettering").status, "holds")
        card = changed(card, SetDrawing(1, areas_of(WALL), 1.2))
        self.assertEqual(self.found(card, "lettering").status, "holds")  # still bare paper
        card = changed(card, EditAreas((1,), colour=3))  # slate, as the lettering is
        found = self.found(card, "lettering")
        self.assertEqual((found.status, found.figure), ("fails", "1.0 : 1, ΔL* 0"))

    def test_every_shape_is_seen_checked_and_worked(self):
        for shape in GroundShape:
            with self.subTest(shape):
                card = self.laid("sun", "moss", shape=shape)
                seen = self.checked(card).desk.panel
                self.assertTrue(all(0 <= at <= 1 for field in seen.fields for at, _ in field.stops))
                self.assertIsNotNone(self.check(card, "wish"))

    def test_effects_are_judged_where_they_lie(self):
        effects = (Effect(EffectKind.WATER), Effect(EffectKind.STENCIL, KEYS["dusk"], Hand.LIGHT))
        card = self.laid("dusk", effects=effects)
        self.assertEqual(
            [kind for kind, _ in self.checked(card).desk.panel.effects],
            [EffectKind.STENCIL, EffectKind.WATER],
        )
        for effect in effects:
            self.assertIsNotNone(self.check(card, f"effect {effect.kind}"))

    def test_each_way_out_of_a_muddy_join_does_what_it_said(self):
        self.supplies = shelf("sun", "pond")
        ground = self.checked(self.laid("moss", "plum")).seen.ground
        self.assertIs(ground.joins[0].meeting, Meeting.MUDDY)
        offers = join_offers(ground, 0, owned=True)
        self.assertTrue(offers)
        for one in offers:
            self.assertFalse(any(join.meeting is Meeting.MUDDY for join in one.joins.values()), one.words)
        bought = join_offers(ground, 0, owned=False)
        self.assertLessEqual({one.kind for one in offers}, {*WayKind})
        self.assertGreaterEqual(len(bought), len([one for one in offers if one.brought is None]))

    def test_where_openings_do_not_meet_no_join_is_judged(self):
        def half(left, right):
            ring = ((left, 0.1), (right, 0.1), (right, 0.9), (left, 0.9))
            return Stencil(StencilForm.OWN, (ring,), 5.5 / 4.25)

        def judged(first, second):
            pads = [
                replace(pad, stencil=one)
                for pad, one in zip(self.use("moss", "plum"), (first, second), strict=True)
            ]
            card = changed(self.laid("moss"), SetGround({"pads": tuple(pads), "shape": GroundShape.STENCILS}))
            ground = self.checked(card).seen.ground
            return self.check(card, "join 0"), joins_seen([(ground, dict(enumerate(ground.joins)))])[0][
                0
            ].words

        apart, words = judged(half(0.05, 0.45), half(0.55, 0.95))
        self.assertEqual((apart, words), (None, "they do not meet"))
        over, words = judged(half(0.05, 0.6), half(0.4, 0.95))
        self.assertIn("muddy", over.finding.reason)
        self.assertNotEqual(words, "they do not meet")

    def test_a_rainbow_is_laid_in_bands_whatever_the_ground_is_now(self):
        bands, stencils = (
            rainbow_offers(self.checked(self.laid("moss", shape=shape)).seen.ground, owned=False)
            for shape in (GroundShape.BANDS, GroundShape.STENCILS)
        )
        self.assertTrue(bands)
        self.assertEqual(
            [one.order.after.ground for one in bands], [one.order.after.ground for one in stencils]
        )

    def test_another_order_and_what_three_make(self):
        ground = self.checked(self.laid("moss", "plum", "pond")).seen.ground
        order = next(one for one in join_offers(ground, 0, owned=True) if one.kind is WayKind.ORDER)
        made = together(ground)
        self.assertEqual(made.best.after.ground.pads, order.after.ground.pads)
        self.assertFalse(made.best.same)
        self.assertTrue(together(made.best.after).best.same)
        three = together(self.checked(self.laid("sun", "pond", "orchid")).seen.ground)
        self.assertEqual((len(three.overlaps), three.rainbow), (3, True))
        self.assertIn("a rainbow", three.words)
