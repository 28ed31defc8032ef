import unittest
from dataclasses import replace

import numpy as np

from jindle_core import figures
from jindle_core.blending.joins import Meeting
from jindle_core.blending.ways import WayKind
from jindle_core.card.changes.build import EditPiece, StartLayout
from jindle_core.card.changes.every import changed
from jindle_core.card.changes.ground import SetGround
from jindle_core.card.changes.palette import AddColour, AddPair, Choose
from jindle_core.card.changes.pictures import (
    AddArea,
    AreaFamily,
    EditAreas,
    SetDrawing,
    SetFamilies,
    areas_of,
)
from jindle_core.card.ground import PadUse
from jindle_core.card.whole import Anchor, Card
from jindle_core.checked.shading import proposed, tones_to_offer
from jindle_core.checked.whole import CheckedCard
from jindle_core.colorimetry.difference import delta_e
from jindle_core.contrast.rules import PairKind
from jindle_core.errors import BadInput
from jindle_core.layers.pieces import InkedOver, Kind
from jindle_core.lengths import read_size
from jindle_core.material import End
from jindle_core.media.medium import Medium
from jindle_core.offers.for_area import family_offers, tone_offers
from jindle_core.offers.for_colour import converted, instead_of
from jindle_core.offers.for_join import join_offers, together
from jindle_core.offers.for_piece import piece_offers
from jindle_core.offers.from_sheet import going, starts
from jindle_core.offers.new_colour import adding
from jindle_core.palettes.role import Role
from jindle_core.planning.cutting import Cutting
from jindle_core.seen.table import alternatives
from jindle_core.seen.whole import SeenCard
from jindle_core.supplies.alike import like, twins
from jindle_core.supplies.asked import anchor_of, check_named, place_of, tones_of
from jindle_core.supplies.choose import stocks
from jindle_core.supplies.colours import RangeFacts, SupplyColour
from jindle_core.supplies.matched import match_of, matches_of, nearest_in_each, swatch_of
from jindle_core.supplies.readings import off_label, settle
from jindle_core.supplies.whole import Supplies
from jindle_core.tests.drawn_changes import DRAWING
from jindle_core.tests.made import BOARDS, LABS, MARKERS, PADS, SHEET, some_supplies

SUPPLIES = some_supplies()
LEAF, NIGHT, MIST = (
    ((50.0, -26.0, 33.0), "leaf", Role.LEAD),
    ((15.0, 0.0, -5.0), "night", Role.DARK),
    ((93.0, 0.0, 2.0), "mist", Role.GROUND),
)


def a_card(*changes):
    card = Card("Fish", read_size("5 1/2", "4 1/4", "in"))
    for lab, name, role in (LEAF, NIGHT, MIST):
        card = changed(card, AddColour(Anchor(None, lab, "typed"), name, role))
    for change in changes:
        card = changed(card, change)
    return card


def seen(*changes, supplies=SUPPLIES):
    card = a_card(*changes)
    return SeenCard(card, supplies, {1: DRAWING})


DRAWN = (SetDrawing(1, areas_of(DRAWING), 1.0), EditAreas((1,), colour=1), EditAreas((2,), colour=1))


class AreaTests(unittest.TestCase):
    def test_the_best_families_are_around_the_colour_and_only_of_what_is_owned(self):
        coloured = seen(*DRAWN).coloured[0]
        area = coloured.area(1)
        for owned in (True, False):
            offers = family_offers(coloured, area, owned)
            self.assertTrue(offers)
            for one in offers:
                self.assertEqual(len(one.places), tones_to_offer(area, None))
                self.assertEqual(
                    sorted(one.labs[:, 0], reverse=True), one.labs[:, 0].tolist()
                )  # light to dark
                self.assertLess(delta_e(np.array(LEAF[0]), one.labs).min(), figures.colour.COUSIN)
                self.assertTrue(not owned or all(SUPPLIES.usable[place] for place in one.places))
        five = family_offers(coloured, area, False, tones=4)
        self.assertTrue(all(len(one.places) == 4 for one in five))

    def test_what_is_proposed_fills_what_has_none_and_takes_what_is_offered_first(self):
        coloured = seen(*DRAWN).coloured[0]
        change = proposed([coloured], [], owned=True)
        self.assertEqual([one.key for one in change.families], [1, 2])
        first = family_offers(coloured, coloured.area(1), True)[0]
        self.assertEqual(change.families[0].colours, tuple(SUPPLIES.rows[at].id for at in first.places))
        with self.assertRaisesRegex(BadInput, "no area 9"):
            proposed([coloured], [9], owned=True)
        bare = seen(AddArea("fin")).coloured[0]
        with self.assertRaisesRegex(BadInput, "build a family around"):
            proposed([bare], [], owned=True)
        self.assertEqual(family_offers(bare, bare.area(1), True), [])

    def test_tones_that_would_help_go_where_they_belong(self):
        families = SetFamilies((AreaFamily(1, (22, 23), Medium.ALCOHOL_MARKER),))
        coloured = seen(*DRAWN, families).coloured[0]
        area = coloured.area(1)
        helped = tone_offers(coloured, area, owned=False)
        self.assertTrue(helped)
        for one in helped:
            self.assertNotIn(SUPPLIES.rows[one.place].id, (22, 23))
            if one.family is not None:
                lightness = [LABS[pk][0] for pk in one.family]
                self.assertEqual(lightness, sorted(lightness, reverse=True), one.words)
                self.assertEqual(len(one.family), 3)
        self.assertEqual(tone_offers(seen(*DRAWN).coloured[0], seen(*DRAWN).coloured[0].area(2), False), [])


class PieceTests(unittest.TestCase):
    def test_each_way_is_tried_and_its_change_makes_it(self):
        checked = CheckedCard(seen(StartLayout("three mats")))
        piece = checked.seen.card.build.pieces[0]
        offers = list(piece_offers(checked.examined, piece))
        self.assertEqual((offers[0].words, offers[0].change), ("as it is", None))
        self.assertIn("follows", offers[1].note)
        words = " ".join(one.words for one in offers)
        for wanted in ("without", "inked with", "white card", "black card"):
            self.assertIn(wanted, words)
        for one in offers[1:]:
            after = CheckedCard(checked.seen.after(one.change))
            self.assertEqual(one.stack.where.parts, after.seen.stack.where.parts, one.words)
            if one.stands:
                on_it = [each.key for each in after.seen.card.build.every if each.on == piece.key]
                found = [
                    after.examined.stands[key].finding
                    for key in (piece.key, *on_it)
                    if key in after.examined.stands
                ]
                self.assertIn(one.stands.finding, found, one.words)
                self.assertFalse(any(each.status.worse_than(one.stands.finding.status) for each in found))

    def test_what_is_not_of_card_is_only_left_out(self):
        built = seen(StartLayout("framed"))
        words = next(one for one in built.card.build.every if one.kind is Kind.LETTERING)
        self.assertEqual(
            [one.words[:7] for one in piece_offers(CheckedCard(built).examined, words)],
            ["as it i", "without"],
        )


class JoinTests(unittest.TestCase):
    def test_ways_out_of_a_muddy_join_are_better_and_brought_pads_are_told(self):
        ground = seen(SetGround({"pads": (PadUse(2), PadUse(3))})).ground
        self.assertIs(ground.joins[0].meeting, Meeting.MUDDY)
        offers = join_offers(ground, 0, owned=False)
        self.assertTrue(offers)
        for one in offers:
            self.assertTrue(all(join.meeting is not Meeting.MUDDY for join in one.joins.values()), one.words)
            self.assertEqual(
                one.brought is not None, any(pad.colour not in (2, 3) for pad in one.after.ground.pads)
            )
            for at, join in one.joins.items():
                self.assertEqual(one.after.joins[at].meeting, join.meeting)
        bridges = [one for one in offers if one.kind is WayKind.BRIDGE]
        self.assertEqual({SUPPLIES.rows[one.brought].id for one in bridges}, {1} if bridges else set())
        with self.assertRaisesRegex(BadInput, "no join 1"):
            join_offers(ground, 1, owned=True)

    def test_what_the_pads_make_together(self):
        self.assertEqual(together(seen().ground).words, "Two pads at least make something.")
        made = together(seen(SetGround({"pads": tuple(PadUse(pk) for pk in PADS)})).ground)
        self.assertEqual((len(made.overlaps), len(made.best.joins)), (3, 2))
        self.assertEqual(sorted(pad.colour for pad in made.best.after.ground.pads), list(PADS))
        self.assertIn(f"of {len(made.overlaps)} overlaps", made.words)


class ColourTests(unittest.TestCase):
    def place(self, pk, supplies=SUPPLIES):
        return place_of(supplies, pk)

    def test_what_can_be_used_instead(self):
        found = instead_of(SUPPLIES, self.place(25))
        self.assertEqual(found.wanting, "not in your drawer")
        self.assertTrue(all(one.swatch.fullness for one in found.nearest))
        distances = [one.near.distance for one in found.nearest]
        self.assertEqual(distances, sorted(distances))
        for one in found.glazes:
            self.assertGreaterEqual(one.predicted.gain, figures.laying.GLAZE_GAIN)
        self.assertEqual(bool(found.glaze_note), not found.glazes)
        self.assertEqual((found.inked, found.ink_note), ((), ""))
        self.assertEqual(instead_of(SUPPLIES, self.place(21)).wanting, "")

    def test_card_can_be_inked_where_there_is_a_pad_and_a_white_card(self):
        found = instead_of(SUPPLIES, self.place(13))
        self.assertTrue(found.inked)
        self.assertEqual({one.card.id for one in found.inked}, {11})
        self.assertTrue({one.pad.id for one in found.inked} <= {1, 2})
        bare = some_supplies(owned=(21,))
        self.assertIn("must hold a pad", instead_of(bare, self.place(13, bare)).ink_note)

    def test_a_family_in_another_range_keeps_its_steps(self):
        here = [self.place(pk) for pk in (23, 21, 22)]
        same = converted(SUPPLIES, here, 3, owned=False)
        self.assertEqual([one.swatch.id for one in same.found], [21, 22, 23])
        self.assertEqual((same.mean, same.note), (0.0, ""))
        none = converted(SUPPLIES, here, 4, owned=True)
        self.assertEqual(([one.id for one in none.tones], none.found), ([21, 22, 23], ()))
        self.assertIn("What you own", none.note)

    def test_what_is_told_of_a_colour_and_how_near_it_is(self):
        told = swatch_of(SUPPLIES, self.place(31))
        self.assertEqual(
            (told.label, told.share, len(told.sheet), told.medium), ("oar 31", 0.6, 3, Medium.PATTERNED_PAPER)
        )
        own = match_of(SUPPLIES, self.place(22), LABS[22], 0.0, 0.0)
        self.assertEqual(
            (own.near.verdict.value, own.near.direction, own.swatch.fullness), ("same", "", "full")
        )
        labs = np.array([LABS[22], LABS[3]], dtype=float)
        for one, places in zip(
            nearest_in_each(SUPPLIES, labs, np.ones(len(labs))), ((22, 2), (23, 3)), strict=True
        ):
            ids = {match.swatch.medium: match.swatch.id for match in one}
            self.assertLessEqual(set(ids), {Medium.ALCOHOL_MARKER, Medium.DYE_PAD, Medium.CARDSTOCK})
            self.assertEqual(ids[Medium.ALCOHOL_MARKER] == 22, places[0] == 22)
        together = matches_of(SUPPLIES, np.array([self.place(22)] * 2), labs, [0.0, 0.0])
        self.assertAlmostEqual(together[1].near.distance, float(delta_e(labs[1], labs[0])), places=6)


class AlikeTests(unittest.TestCase):
    def test_every_other_range_is_asked_and_the_nearest_comes_first(self):
        own = place_of(SUPPLIES, 23)
        found = like(SUPPLIES, SUPPLIES.lab_at(own), 0.5, 3, owned=False)
        self.assertEqual({one.facts.id for one in found}, {1, 2, 4})
        first = [one.matches[0].near.distance for one in found]
        self.assertEqual(first, sorted(first))
        for one in found:
            self.assertLessEqual(len(one.matches), 3)
            self.assertTrue(all(each.swatch.range_id == one.facts.id for each in one.matches))
        mine = like(SUPPLIES, SUPPLIES.lab_at(own), 0.5, None, owned=True)
        self.assertTrue(all(each.swatch.fullness for one in mine for each in one.matches))

    def test_twins_are_so_both_ways_and_the_farthest_stand_first(self):
        rows = (*SUPPLIES.rows, SUPPLIES.rows[0]._replace(id=90, range_id=3, code="OAR-90"))
        more = replace(SUPPLIES, rows=rows)
        here, there = twins(more, 1, 3), twins(more, 3, 1)
        self.assertEqual([one.swatch.id for one in here if one.is_twin], [1])
        self.assertEqual([one.swatch.id for one in there if one.is_twin], [90])
        for listed in (here, there):
            far = [one.nearest.near.distance for one in listed]
            self.assertEqual(far, sorted(far, reverse=True))
        self.assertTrue(all(one.nearest is None and not one.is_twin for one in twins(more, 1, 9)))

    def test_a_label_that_is_off_is_said_in_words(self):
        settled = settle([(50, 0, 0), (50, 0, 0)], ["read", "read"])
        off, words = off_label(settled, (70.0, 0.0, 0.0), "screen")
        self.assertGreater(off, 10)
        self.assertTrue(words.startswith("far"), words)
        self.assertIn("within what both are sure of", off_label(settled, (50.1, 0.0, 0.0), "screen")[1])


class AskedTests(unittest.TestCase):
    def test_anchors_tones_and_what_changes_name(self):
        self.assertEqual(anchor_of(SUPPLIES, 22, "")[0].colour, 22)
        self.assertEqual(anchor_of(SUPPLIES, None, " #ffffff ")[1], "white")
        with self.assertRaisesRegex(BadInput, "neither a colour"):
            anchor_of(SUPPLIES, None, "greenish")
        self.assertEqual(tones_of(SUPPLIES, (23, 21), "families"), (Medium.ALCOHOL_MARKER, (21, 23)))
        self.assertEqual(tones_of(SUPPLIES, (), "families"), (None, ()))
        for change, words in (
            (Choose(1, "marker", 99), "not in your supplies"),
            (AddPair(PairKind.MAT, End("supply", 99), End("palette", 1)), "not in your supplies"),
            (EditAreas((1,), glaze=11), "is no glaze"),
            (SetGround({"pads": (PadUse(22),)}), "inked with ink pads"),
            (SetGround({"paper": 22}), "is cardstock"),
            (EditPiece(1, {"material": End("supply", 99)}), "not in your supplies"),
            (EditPiece(1, {"inked": InkedOver(21)}), "inked with ink pads"),
        ):
            with self.subTest(change=change), self.assertRaisesRegex(BadInput, words):
                check_named(change, SUPPLIES)
        for change in (
            Choose(1, "marker", 22),
            EditAreas((1,), glaze=25),
            EditAreas((1,), name="fin"),
            SetGround({"pads": (PadUse(1),)}),
        ):
            check_named(change, SUPPLIES)
        with self.assertRaisesRegex(BadInput, "one medium"):
            tones_of(SUPPLIES, (21, 1), "families")

    def test_alternatives_for_a_cell(self):
        palette = seen().palette
        found, ranges = alternatives(palette, 1, "marker", None, owned=False, made=False)
        self.assertEqual((ranges, found[0].swatch.id, len(found)), ([3], 23, len(MARKERS)))
        mine, _ = alternatives(palette, 1, "marker", None, owned=True, made=False)
        self.assertEqual({one.swatch.id for one in mine}, {21, 22, 23, 24})
        self.assertEqual(alternatives(palette, 1, "marker", 1, owned=False, made=True)[0], [])


class PaletteTests(unittest.TestCase):
    def test_what_adding_a_colour_would_turn(self):
        palette = seen().palette
        same = adding(palette, AddColour(Anchor(None, (52.0, -24.0, 30.0), "typed"), "moss", None))
        self.assertIn(same.role, Role)
        dark = adding(palette, AddColour(Anchor(None, (22.0, 0.0, 0.0), "typed"), "soot", Role.GROUND))
        for one in dark.turned:
            self.assertTrue(one.after is None or one.after.finding.status is not one.before.finding.status)
        with self.assertRaisesRegex(BadInput, "already"):
            tied = changed(a_card(), AddColour(Anchor(22, LABS[22], "read"), "fern", None))
            adding(SeenCard(tied, SUPPLIES).palette, AddColour(Anchor(22, LABS[22], "read"), "fern", None))

    def test_a_palette_grows_from_a_sheet_and_the_sheet_goes_with_it(self):
        places = [place_of(SUPPLIES, pk) for pk in SHEET]
        greys = some_supplies(owned=(22, 25, 26))
        colours = starts(greys, "Bank", places)
        self.assertEqual({one.anchor.colour for one in colours} & set(SHEET), set(SHEET))
        self.assertIn("grey", " ".join(one.name for one in colours))
        card = Card("Bank", read_size("5", "7", "in"))
        for one in colours:
            card = changed(card, one)
        agrees, why = going(SeenCard(card, SUPPLIES).palette, places)
        self.assertAlmostEqual(agrees.agrees, 1.0)
        self.assertIn("has oar 31", why)
        stranger = SeenCard(replace(card, colours=card.colours[-1:]), SUPPLIES).palette
        self.assertIn("none of the palette", going(stranger, places[:1])[1])


class CuttingTests(unittest.TestCase):
    def test_every_piece_of_every_card_is_cut_once_inside_its_sheet(self):
        stack = seen(StartLayout("three mats")).stack
        for count in (1, 3):
            cutting = Cutting(stack, read_size("8 1/2", "11", "in"), count)
            cut = [one.key for sheet in cutting.sheets for one in sheet.cuts]
            self.assertEqual(len(cut), count * len(cutting.pieces))
            self.assertGreaterEqual(len(cutting.sheets), cutting.bound)
            for sheet in cutting.sheets:
                for one in sheet.cuts:
                    self.assertLessEqual(one.place.x + one.place.width, sheet.width + 1e-6)
                    self.assertLessEqual(one.place.y + one.place.height, sheet.height + 1e-6)
                    self.assertEqual(one.score is not None, one.key == 0)
        small = Cutting(stack, read_size("4", "4", "in"))
        self.assertIn("base", [name for name, _ in small.too_large])
        self.assertTrue(set(BOARDS).isdisjoint({sheet.material.id for sheet in small.sheets}))


class StockTests(unittest.TestCase):
    def kraft(self, *named):
        rows = tuple(
            SupplyColour(pk, 1, f"OAR-{pk}", name, "", "read", False, *lab)
            for pk, (name, lab) in enumerate(named, start=1)
        )
        supplies = Supplies(rows, {1: RangeFacts(1, "Boards", "", Medium.CARDSTOCK, own=True)})
        return {
            words: supplies.rows[supplies.places[end.id]].name for words, end in stocks(supplies) if end.id
        }

    def test_kraft_is_what_is_called_so_and_no_mustard(self):
        mustard, brown, called = (
            ("mustard", (62.0, 10.0, 45.0)),
            ("parcel", (61.0, 8.0, 22.0)),
            ("Kraft", (52.0, 12.0, 30.0)),
        )
        self.assertEqual(self.kraft(mustard), {})
        self.assertEqual(self.kraft(mustard, brown), {"kraft card": "parcel"})
        self.assertEqual(self.kraft(mustard, brown, called), {"kraft card": "Kraft"})
