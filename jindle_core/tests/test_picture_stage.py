"""A picture as its maker colours it: families, papers, layers, things, materials, the order of work."""

import unittest

from jindle_core.card.changes.every import changed
from jindle_core.card.changes.palette import AddColour, Waive
from jindle_core.card.changes.pictures import (
    AreaFamily,
    EditAreas,
    SetColouring,
    SetDrawing,
    SetFamilies,
    areas_of,
)
from jindle_core.card.whole import Anchor, Card
from jindle_core.checked.shading import proposed, tones_to_offer
from jindle_core.checked.whole import CheckedCard
from jindle_core.errors import BadInput
from jindle_core.families.judge import tone_names
from jindle_core.families.recipes import Extent, Thing
from jindle_core.families.shading import Light, away
from jindle_core.fullness import Kept
from jindle_core.lengths import read_size
from jindle_core.line_art.svg import read_svg
from jindle_core.media.medium import Medium
from jindle_core.offers.for_area import family_offers, tone_offers
from jindle_core.palettes.role import Role
from jindle_core.planning.colouring import area_steps, picture_steps
from jindle_core.planning.step import Wait
from jindle_core.seen.whole import SeenCard
from jindle_core.supplies.asked import check_named
from jindle_core.supplies.choose import papers_to_try
from jindle_core.supplies.colours import RangeFacts, SupplyColour
from jindle_core.supplies.whole import Supplies

DRAWING = read_svg(
    b"""<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 100 50">
<rect id="pond" width="100" height="50"/><circle id="leaf" cx="30" cy="25" r="12"/>
<circle id="bud" cx="80" cy="25" r="4"/></svg>"""
)
POND, LEAF, BUD = 1, 2, 3
HUES = {"FERN": (-22, 20), "POND": (-12, -24), "ASH": (-0.5, -2)}
DEPTHS = (88, 76, 63, 51, 38, 26)
PENCILS = {"TRAY-1": (85, -8, 8), "TRAY-2": (62, -16, 15), "TRAY-3": (40, -18, 16)}
PAPERS = {"wrapping": (60, 9, 23), "soot": (18, 0, 0)}


def shelf():
    told = {
        f"{word}-{depth}": (1, (lightness, a * depth / 4, b * depth / 4))
        for word, (a, b) in HUES.items()
        for depth, lightness in enumerate(DEPTHS, start=1)
    }
    told |= {code: (2, lab) for code, lab in PENCILS.items()} | {
        name: (3, lab) for name, lab in PAPERS.items()
    }
    rows = tuple(
        SupplyColour(pk, range_id, code, "", "", "read", False, *map(float, lab))
        for pk, (code, (range_id, lab)) in enumerate(told.items(), start=1)
    )
    media = {1: Medium.ALCOHOL_MARKER, 2: Medium.WAX_PENCIL, 3: Medium.CARDSTOCK}
    return rows, {key: RangeFacts(key, medium.value, "", medium, own=False) for key, medium in media.items()}


ROWS, RANGES = shelf()
IDS = {row.code: row.id for row in ROWS}


class PictureTests(unittest.TestCase):
    def setUp(self):
        self.supplies = Supplies(ROWS, RANGES)

    def own(self, *codes):
        self.supplies = Supplies(ROWS, RANGES, drawer={IDS[code]: Kept("full", "") for code in codes})

    def drawn(self, *changes):
        """A card with the drawing, its leaf fern, its pond blue."""
        card = Card("Pond", read_size("5 1/2", "4 1/4", "in"))
        for code, name in (("FERN-3", "fern"), ("POND-4", "deep")):
            row = ROWS[IDS[code] - 1]
            anchor = Anchor(row.id, (row.lightness, row.a, row.b), "read")
            card = changed(card, AddColour(anchor, name, Role.LEAD))
        for change in (
            SetDrawing(1, areas_of(DRAWING), 2.0),
            EditAreas((POND,), colour=2),
            EditAreas((LEAF,), colour=1),
            *changes,
        ):
            card = changed(card, change)
        return card

    def checked(self, card, dark_first=False):
        return CheckedCard(SeenCard(card, self.supplies, {1: DRAWING}, dark_first))

    def coloured(self, card, dark_first=False):
        return self.checked(card, dark_first).seen.coloured[0]

    def propose(self, card, *areas):
        return changed(card, proposed([self.coloured(card)], areas, owned=False))

    def family(self, key, *codes):
        return SetFamilies((AreaFamily(key, tuple(IDS[code] for code in codes), Medium.ALCOHOL_MARKER),))

    def codes(self, card, key):
        return [ROWS[pk - 1].code for pk in card.area(key).family]

    def lightness(self, card, key):
        return self.coloured(card).tones[key].lab[:, 0]

    def conflicts(self, card):
        return [one.of for one in self.checked(card).judged if one.kind == "conflict"]

    def test_a_chosen_family_is_judged_at_once_and_can_be_let_be(self):
        card = self.drawn(self.family(LEAF, "FERN-3", "FERN-4"))
        self.assertEqual(self.coloured(card).judgement(card.area(LEAF)).faults, ())
        card = changed(card, self.family(LEAF, "POND-2", "FERN-3", "FERN-4"))
        (family,) = [one for one in self.checked(card).judged if one.id == "family:2"]
        self.assertEqual((family.finding.status, family.stage), ("look-again", "colouring"))
        self.assertIn("the hue jumps", family.finding.reason)
        card = changed(card, Waive("family:2", "a cold leaf on purpose"))
        (family,) = [one for one in self.checked(card).judged if one.id == "family:2"]
        self.assertEqual(family.waived, "a cold leaf on purpose")

    def test_one_family_for_several_areas_is_told_once_and_let_be_once(self):
        families = [self.family(key, "POND-2", "FERN-3", "FERN-4") for key in (LEAF, BUD)]
        card = self.drawn(
            EditAreas((BUD,), colour=1), *families, self.family(POND, "POND-1", "POND-3", "POND-4")
        )
        found = {one.id: one for one in self.checked(card).judged if one.kind == "family"}
        self.assertEqual(set(found), {"family:1", "family:2"})
        self.assertEqual(found["family:2"].title, "Family of leaf and 1 more")
        card = changed(card, Waive("family:2", "cold on purpose"))
        card = changed(card, self.family(LEAF, "FERN-2", "FERN-3", "FERN-5"))
        found = {one.id: one.waived for one in self.checked(card).judged if one.kind == "family"}
        self.assertIsNone(
            found["family:3"]
        )  # what was let be is another now, and the rest has a name of its own
        card = changed(card, Waive("family:3", "cold on purpose"))
        card = changed(card, families[0])
        found = {one.id: one.waived for one in self.checked(card).judged if one.kind == "family"}
        self.assertEqual((found.get("family:2"), found["family:3"]), (None, "cold on purpose"))

    def test_what_helps_a_flat_family_and_a_glaze_over_it(self):
        flat = ("FERN-2", "FERN-3", "FERN-4")
        card = self.drawn(self.family(LEAF, *flat))
        coloured = self.coloured(card)
        offers = {one.words: one for one in tone_offers(coloured, card.area(LEAF), owned=False)}
        self.assertEqual(ROWS[offers["a deeper shadow"].place].code, "FERN-5")
        self.assertEqual(offers["a lighter light"].family[1:], tuple(IDS[code] for code in flat))
        (glaze,) = [one for one in offers.values() if one.family is None]
        self.assertTrue(ROWS[glaze.place].code.startswith("ASH"))
        card = changed(card, EditAreas((LEAF,), glaze=ROWS[glaze.place].id))
        coloured = self.coloured(card)
        self.assertLess(coloured.glazes[LEAF][1][0], coloured.tones[LEAF].lab[-1, 0] - 5)
        last = area_steps(coloured, card.area(LEAF))[-1]
        self.assertIn("over the deepest shadow", last.words)
        self.assertIs(last.wait, Wait.DRY)
        again = tone_offers(coloured, card.area(LEAF), owned=False)
        self.assertFalse([one for one in again if one.family is None])  # one glaze is enough
        with self.assertRaisesRegex(BadInput, "is no glaze"):
            check_named(EditAreas((LEAF,), glaze=IDS["TRAY-3"]), self.supplies)
        with self.assertRaisesRegex(BadInput, "no family yet"):
            changed(card, EditAreas((BUD,), glaze=IDS["ASH-3"]))

    def test_a_drawer_without_its_hue_gives_one_tone_and_no_grey(self):
        self.own("FERN-3", "ASH-4")
        card = self.drawn()
        (offer,) = family_offers(self.coloured(card), card.area(LEAF), owned=True)
        self.assertEqual([ROWS[place].code for place in offer.places], ["FERN-3"])
        self.own("FERN-3", "ASH-4", "ASH-5")
        offers = family_offers(self.coloured(card), card.area(LEAF), owned=True)
        self.assertTrue(all(one.family.judgement.faults for one in offers))
        self.assertEqual({one.family.kept for one in offers}, {"best"})

    def test_areas_of_one_thing_share_their_lightest_and_their_base(self):
        card = self.drawn(
            EditAreas((BUD,), colour=self.drawn().area(LEAF).colour, extent=Extent.TINY),
            EditAreas((LEAF,), focal=True, extent=Extent.LARGE),
        )
        card = self.propose(card)
        leaf, bud = self.codes(card, LEAF), self.codes(card, BUD)
        self.assertLess(len(bud), len(leaf))
        self.assertLessEqual(set(bud), set(leaf))
        self.assertEqual(bud[0], leaf[0])
        # What is asked for alone takes part in what the others have.
        alone = self.propose(changed(card, SetFamilies((AreaFamily(BUD, ()),))), BUD)
        self.assertEqual(self.codes(alone, BUD), bud)
        # And what the others have is gone on with where more tones are asked for.
        more = self.propose(changed(card, SetFamilies((AreaFamily(LEAF, ()),))), LEAF)
        self.assertGreater(len(self.codes(more, LEAF)), len(bud))
        self.assertLessEqual(set(bud), set(self.codes(more, LEAF)))
        # Of what has no colour nothing is taken on.
        bare = changed(card, EditAreas((LEAF, BUD), colour=0))
        bare = changed(bare, SetFamilies((AreaFamily(LEAF, card.area(LEAF).family, Medium.ALCOHOL_MARKER),)))
        with self.assertRaises(BadInput):
            self.propose(bare, BUD)

    def test_a_family_that_turns_grey_is_told_with_what_mends_it(self):
        ids = tuple(row.id for row in ROWS if row.code in ("FERN-3", "ASH-4", "ASH-5"))
        card = changed(self.drawn(), SetFamilies((AreaFamily(LEAF, ids, Medium.ALCOHOL_MARKER),)))

        def family_of(card):
            (found,) = [one for one in self.checked(card).checks if one.id.kind == "family"]
            return found

        family = family_of(card)
        self.assertIn("turns grey", family.finding.reason)
        (mend,) = family.to_mend()
        self.assertIn("shade", mend.words)
        mended = family_of(changed(card, mend.change))
        self.assertEqual((mended.finding.status, mended.to_mend()), ("holds", []))

    def test_two_colours_on_the_same_tones_are_told_once(self):
        card = self.propose(self.drawn())
        leaf, pond = card.area(LEAF), card.area(POND)
        same = changed(card, SetFamilies((AreaFamily(POND, leaf.family, leaf.medium),)))
        for one, told in ((card, []), (same, [f"pens:{leaf.colour}:{pond.colour}"])):
            self.assertEqual([check.id for check in self.checked(one).judged if check.kind == "pens"], told)

    def test_white_and_black_things_are_built_from_greys_and_lean_on_their_neighbours(self):
        card = self.propose(
            self.drawn(EditAreas((LEAF,), thing=Thing.BLACK), EditAreas((BUD,), thing=Thing.WHITE))
        )
        for key in (LEAF, BUD):
            self.assertTrue(all(code.startswith("ASH") for code in self.codes(card, key)))
        picture = self.checked(card).desk.pictures[1]
        self.assertEqual(picture.shapes[2].stops[0][1], picture.paper)  # most of it stays bare
        white = self.propose(self.drawn(EditAreas((LEAF,), thing=Thing.WHITE)), LEAF)
        beside = self.propose(changed(white, EditAreas((POND,), thing=Thing.BLACK)), LEAF)
        self.assertLessEqual(self.lightness(beside, LEAF)[-1], self.lightness(white, LEAF)[-1])

    def test_paper_and_layers_change_what_is_seen(self):
        card = self.propose(self.drawn())
        deeper = changed(card, EditAreas((LEAF,), layers=3))
        self.assertEqual(self.codes(deeper, LEAF), self.codes(card, LEAF))
        self.assertTrue((self.lightness(deeper, LEAF) < self.lightness(card, LEAF)).all())
        sigma = [self.coloured(one).tones[LEAF].sigma[0] for one in (card, deeper)]
        self.assertGreater(sigma[1], sigma[0])
        brown = changed(deeper, SetColouring({"paper": IDS["wrapping"]}))
        self.assertEqual(self.coloured(brown).surface.title, "kraft")
        self.assertLess(self.lightness(brown, LEAF)[0], self.lightness(deeper, LEAF)[0])
        self.assertIn("kraft", [words for words, _ in papers_to_try(self.supplies)])
        with self.assertRaisesRegex(BadInput, "is cardstock"):
            check_named(SetColouring({"paper": IDS["FERN-3"]}), self.supplies)

    def test_another_medium_another_family(self):
        card = changed(self.propose(self.drawn()), EditAreas((LEAF,), medium=Medium.WAX_PENCIL))
        self.assertEqual(self.codes(card, LEAF), [])
        card = self.propose(card, LEAF)
        self.assertEqual(self.codes(card, LEAF), ["TRAY-1", "TRAY-2", "TRAY-3"])
        self.assertIn("wax bloom", str(area_steps(self.coloured(card), card.area(LEAF))))
        card = changed(card, self.family(LEAF, "FERN-2", "FERN-4"))
        self.assertIs(card.area(LEAF).medium, Medium.ALCOHOL_MARKER)
        with self.assertRaisesRegex(BadInput, "not coloured with"):
            changed(card, EditAreas((LEAF,), medium=Medium.GEL_PEN))

    def test_areas_are_inked_through_stencils_instead(self):
        inks = RangeFacts(1, "Inks", "", Medium.DYE_PAD, own=False)
        self.supplies = Supplies(ROWS, RANGES | {1: inks})
        card = self.drawn(EditAreas((POND, LEAF), medium=Medium.DYE_PAD), SetColouring({"line": "pigment"}))
        card = self.propose(card, POND, LEAF)
        self.assertEqual(len(self.codes(card, LEAF)), 3)
        told = str(area_steps(self.coloured(card), card.area(LEAF)))
        self.assertIn("small brush", told)
        self.assertIn("what is left on its brush", told)
        self.assertIn("stencil smears", self.conflicts(card))
        waits = [one.wait for one in picture_steps(self.coloured(card))]
        self.assertEqual(waits, [None, Wait.NEIGHBOUR_DRY])
        self.assertTrue(self.checked(card).desk.pictures[1].shapes[1].stops)

    def test_order_of_work_as_the_card_says_or_its_maker_is_used_to(self):
        card = self.propose(self.drawn())

        def first(card, dark_first=False):
            return area_steps(self.coloured(card, dark_first), card.area(LEAF))[0].using

        self.assertEqual((first(card), first(card, dark_first=True)), (0, len(self.codes(card, LEAF)) - 1))
        self.assertEqual(first(changed(card, SetColouring({"dark_first": False})), dark_first=True), 0)
        steps = picture_steps(self.coloured(card))
        self.assertEqual(
            [(one.to, one.wait) for one in steps], [((POND,), None), ((LEAF,), Wait.NEIGHBOUR_DRY)]
        )
        pencil = self.propose(changed(card, EditAreas((LEAF,), medium=Medium.WAX_PENCIL)), LEAF)
        self.assertEqual([one.wait for one in picture_steps(self.coloured(pencil))], [None, None])
        self.assertEqual(
            self.checked(changed(card, SetColouring({"light": "top"}))).desk.pictures[1].away, away(Light.TOP)
        )

    def test_materials_that_will_not_get_on(self):
        card = self.drawn(SetColouring({"line": "dye", "finishes": ("glitter",)}))
        self.assertEqual(self.conflicts(card), ["line bleeds"])
        (bleeds,) = [one for one in self.checked(card).judged if one.kind == "conflict"]
        self.assertEqual((bleeds.finding.status, bool(bleeds.ways)), ("fails", True))
        pills = self.drawn(EditAreas((POND,), medium=Medium.WATER_MARKER), SetColouring({"line": "solvent"}))
        self.assertIn("pills", self.conflicts(pills))
        proof = changed(pills, SetColouring({"surface": "watercolour paper"}))
        self.assertEqual(self.coloured(proof).surface.wet_layers, 6)
        self.assertNotIn("pills", self.conflicts(proof))
        heavy = SetColouring({"surface": "heavy cardstock"})
        wet = self.drawn(EditAreas((POND,), layers=3), heavy)
        self.assertEqual(self.conflicts(wet), [])
        back_and_forth = self.propose(wet, POND)
        (wears,) = [one for one in self.checked(back_and_forth).judged if one.kind == "conflict"]
        self.assertEqual(wears.finding.status, "look-again")
        self.assertEqual(
            wears.finding.figure,
            f"{len(self.coloured(back_and_forth).tones[POND].places) + 3} wet strokes over one another",
        )

    def test_five_tones_and_one_and_how_near_they_are(self):
        card = self.propose(
            self.drawn(EditAreas((LEAF,), thing=Thing.FUR, extent=Extent.LARGE, focal=True)), LEAF
        )
        area = card.area(LEAF)
        self.assertEqual((len(area.family), tones_to_offer(area, None)), (5, 5))
        self.assertEqual(tone_names(5), ("palest", "light", "middle", "dark", "deep shadow"))
        full = tone_offers(self.coloured(card), area, owned=False)
        self.assertTrue(all(one.family is None for one in full))  # it is full
        lone = self.drawn(self.family(LEAF, "FERN-4"))
        self.assertIsNone(self.coloured(lone).judgement(lone.area(LEAF)))
        self.assertTrue(area_steps(self.coloured(lone), lone.area(LEAF)))
        for card, verdict in (
            (self.propose(self.drawn()), "same"),
            (self.drawn(self.family(LEAF, "POND-3", "POND-5")), "far"),
        ):
            self.assertEqual(self.coloured(card).likeness(card.area(LEAF)), verdict)
        black = self.propose(self.drawn(EditAreas((BUD,), thing=Thing.BLACK, colour=1)), BUD)
        self.assertIsNone(self.coloured(black).likeness(black.area(BUD)))  # greys stand for it
