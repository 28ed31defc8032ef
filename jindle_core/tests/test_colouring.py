import unittest
from dataclasses import replace

import numpy as np

from jindle_core.card.changes.palette import RemoveColour
from jindle_core.card.changes.pictures import (
    AddArea,
    AreaFamily,
    EditAreas,
    RemoveArea,
    SetColouring,
    SetDrawing,
    SetFamilies,
    areas_of,
)
from jindle_core.card.pictures import Area
from jindle_core.card.stored import card_from_json, card_to_json
from jindle_core.card.whole import Anchor, Card, PaletteColour
from jindle_core.errors import BadInput
from jindle_core.families.recipes import Extent, Thing
from jindle_core.families.shading import BARE, Light, away, edge_tone, stops
from jindle_core.families.strokes import wet_strokes
from jindle_core.lengths import USUAL_SIZES
from jindle_core.line_art.drawing import LineDrawing, Shape
from jindle_core.media.medium import Medium
from jindle_core.palettes.role import Role
from jindle_core.planning.colouring import laying, sessions, wet_neighbours
from jindle_core.planning.step import Wait

FISH = LineDrawing(
    100, 60, (Shape("big-fin", "", 0.2, ()), Shape("scale", "", 0.05, ()), Shape("eye", "", 0.002, ())), ()
)
COLOUR = PaletteColour(1, "weed", Role.LEAD, Anchor(None, (50.0, -20.0, 20.0), "typed"))


def card(*changes):
    made = Card("Pike", USUAL_SIZES[0], (COLOUR,), next_key=2)
    for change in (SetDrawing(7, areas_of(FISH)), *changes):
        made = change.apply(made)
    return made


class ChangeTests(unittest.TestCase):
    def test_areas_of_a_drawing(self):
        found = card().areas
        self.assertEqual([one.name for one in found], ["big fin", "scale", "eye"])
        self.assertEqual([one.extent for one in found], [Extent.LARGE, Extent.SMALL, Extent.TINY])

    def test_an_edit_keeps_what_is_not_named_and_drops_a_family_that_no_longer_fits(self):
        made = card(
            EditAreas((1,), colour=1, focal=True),
            SetFamilies((AreaFamily(1, (5, 6)),)),
            EditAreas((1,), layers=2),
        )
        area = made.area(1)
        self.assertEqual((area.colour, area.focal, area.layers, area.family), (1, True, 2, (5, 6)))
        for edit in (
            EditAreas((1,), colour=0),
            EditAreas((1,), thing=Thing.FUR),
            EditAreas((1,), medium=Medium.OIL_PENCIL),
        ):
            self.assertEqual(edit.apply(made).area(1).family, ())

    def test_another_drawing_keeps_what_was_said_of_the_same_names_and_of_listed_areas(self):
        made = card(EditAreas((2,), colour=1), AddArea("bank"))
        other = LineDrawing(10, 10, (Shape("scale", "", 0.1, ()), Shape("tail", "", 0.1, ())), ())
        areas = SetDrawing(8, areas_of(other)).apply(made).areas
        self.assertEqual(
            [(one.key, one.name, one.colour) for one in areas],
            [(2, "scale", 1), (5, "tail", None), (4, "bank", None)],
        )
        listed = SetDrawing(None).apply(made).pictures[0]
        self.assertEqual(
            [(one.name, one.shape) for one in listed.areas],
            [("big fin", ""), ("scale", ""), ("eye", ""), ("bank", "")],
        )

    def test_a_colour_taken_from_the_palette_leaves_its_areas(self):
        made = RemoveColour(1).apply(card(EditAreas((1,), colour=1)))
        self.assertIsNone(made.area(1).colour)

    def test_stored_and_read_back(self):
        made = card(
            EditAreas((1,), colour=1, thing=Thing.METAL),
            SetColouring({"light": Light.CENTRE, "finishes": ("gloss",), "dark_first": True}),
        )
        self.assertEqual(card_from_json(card_to_json(made)), made)

    def test_what_cannot_be(self):
        for change in (
            EditAreas((9,)),
            EditAreas((1,), colour=4),
            EditAreas((1,), layers=0),
            EditAreas((1,), medium=Medium.CARDSTOCK),
            EditAreas((1,), name=" "),
            RemoveArea(9),
            AddArea(""),
            SetFamilies((AreaFamily(1, (5, 5)),)),
            SetFamilies((AreaFamily(1, (1, 2, 3, 4, 5, 6)),)),
            SetFamilies((AreaFamily(1, (5, 6), Medium.GEL_PEN),)),
        ):
            with self.subTest(change=change), self.assertRaises(BadInput):
                change.apply(card())
        full = card()
        areas = tuple(replace(Area(key, f"area {key}")) for key in range(1, 121))
        with self.assertRaises(BadInput):
            AddArea("one more").apply(full.with_picture(replace(full.pictures[0], areas=areas)))


class OrderTests(unittest.TestCase):
    def test_both_schools_end_with_joins(self):
        dark = [step.using for step in laying(Medium.ALCOHOL_MARKER, 3, dark_first=True)]
        light = [step.using for step in laying(Medium.ALCOHOL_MARKER, 3, dark_first=False)]
        self.assertEqual(dark, [2, 1, 0, 1, 0])
        self.assertEqual(light, [0, 1, 2, 1, 0])
        self.assertEqual([one.using for one in laying(Medium.ALCOHOL_MARKER, 2, True)], [1, 0])

    def test_every_tone_is_used_in_every_medium(self):
        for medium in (Medium.ALCOHOL_MARKER, Medium.WATER_MARKER, Medium.WAX_PENCIL, Medium.OIL_PENCIL):
            for tones in range(1, 6):
                for dark_first in (False, True):
                    used = {one.using for one in laying(medium, tones, dark_first)} - {None}
                    self.assertEqual(used, set(range(tones)), (medium, tones, dark_first))

    def test_each_medium_has_its_own_rules(self):
        words = {
            m: " ".join(one.words for one in laying(m, 3, False, 2))
            for m in (Medium.WATER_MARKER, Medium.WAX_PENCIL, Medium.OIL_PENCIL)
        }
        self.assertIn("lift the highlight", words[Medium.WATER_MARKER])
        self.assertIs(laying(Medium.WATER_MARKER, 3, False, 2)[-1].wait, Wait.DRY)
        self.assertIsNone(laying(Medium.OIL_PENCIL, 3, False, 2)[-1].wait)
        self.assertIn("wax bloom", words[Medium.WAX_PENCIL])
        self.assertIn("blend dry", words[Medium.OIL_PENCIL])
        wet = laying(Medium.OIL_PENCIL, 3, False, solvent=True)
        self.assertIn("solvent", " ".join(one.words for one in wet))
        # With solvent the shadow may come first, roughly; dry, pencils are built up from the light.
        firsts = [laying(Medium.OIL_PENCIL, 3, True, solvent=one)[0].using for one in (True, False)]
        self.assertEqual(firsts, [2, 0])
        over = laying(Medium.ALCOHOL_MARKER, 3, False, glaze="STONE-6")[-1]
        self.assertEqual((over.using, over.words), (None, "STONE-6 over the deepest shadow"))
        self.assertIs(over.wait, Wait.DRY)
        self.assertTrue(all("white" in words[one] for one in (Medium.WAX_PENCIL, Medium.OIL_PENCIL)))
        with self.assertRaises(ValueError):
            laying(Medium.GEL_PEN, 3, False)

    def test_strokes_over_one_another_are_counted_as_they_are_laid(self):
        def busiest(tones, dark_first):
            """The strokes at each join, as the steps say it; its two tones meet there, and what goes over all."""
            using = [one.using for one in laying(Medium.ALCOHOL_MARKER, tones, dark_first)]
            if dark_first:
                return max(sum(tone in (at, at + 1, 0) for tone in using) for at in range(tones - 1))
            # Light first each tone lies over all lighter ones, and then goes back over its own join alone.
            return max(at + 2 + using[tones:].count(at) for at in range(tones - 1))

        for dark_first in (True, False):
            for tones in range(2, 6):
                counted = wet_strokes(Medium.ALCOHOL_MARKER, tones, dark_first)
                self.assertEqual(counted, busiest(tones, dark_first), (tones, dark_first))
        self.assertEqual(wet_strokes(Medium.WATER_MARKER, 3, False, layers=2), 5)
        self.assertEqual(wet_strokes(Medium.WAX_PENCIL, 3, False), 0)
        self.assertEqual([wet_strokes(Medium.ALCOHOL_MARKER, 1, first) for first in (True, False)], [1, 1])

    def test_one_family_together_and_no_wet_neighbours_where_it_can_be(self):
        families = [(1, 2), (3, 4), (1, 2), (5, 6)]
        order = sessions(families, {(0, 1)})
        self.assertEqual(order, [[0, 2], [3], [1]])
        self.assertEqual(wet_neighbours(order, {(0, 1)}), [])
        everything = {(a, b) for a in range(4) for b in range(4) if a != b}
        self.assertEqual(wet_neighbours(sessions(families, everything), everything), [1, 2])
        self.assertEqual(sessions([], set()), [])


class ShadingTests(unittest.TestCase):
    def test_the_light_is_opposite_the_shadow(self):
        for light in Light:
            if light is not Light.CENTRE:
                self.assertAlmostEqual(float(np.hypot(*away(light))), 1)
        self.assertEqual(away(Light.LEFT), (1.0, 0.0))
        self.assertTrue(all(part > 0 for part in away(Light.UPPER_LEFT)))
        self.assertIsNone(away(Light.CENTRE))

    def test_stops_run_once_from_light_to_shadow(self):
        for tones in range(1, 6):
            for bare in (0.0, 0.4):
                found = stops(tones, bare)
                places = [at for at, _ in found]
                self.assertEqual(places, sorted(places))
                self.assertEqual((places[0], places[-1]), (0, 1))
                order = [tone for _, tone in found]
                self.assertEqual(order, sorted(order))
                self.assertEqual(BARE in order, bool(bare))
        with self.assertRaises(ValueError):
            stops(0)

    def test_the_edge(self):
        self.assertEqual(edge_tone(3, Light.CENTRE), 2)
        self.assertEqual(edge_tone(3, Light.TOP), 1)
