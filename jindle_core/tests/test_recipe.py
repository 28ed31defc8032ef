"""A recipe says all that is needed to make a card again, and nothing that the card does not."""

import unittest

from jindle_core.card.whole import Card
from jindle_core.checked.whole import CheckedCard
from jindle_core.lengths import read_size
from jindle_core.planning.planned import planned
from jindle_core.planning.recipe.whole import recipe_of
from jindle_core.planning.wishes import Wishes
from jindle_core.seen.whole import SeenCard
from jindle_core.stored import plain
from jindle_core.tests.drawn_changes import DRAWING
from jindle_core.tests.made import some_supplies
from jindle_core.tests.test_tasks import full_card


class RecipeTests(unittest.TestCase):
    @classmethod
    def setUpClass(cls):
        cls.card = CheckedCard(SeenCard(full_card(), some_supplies(), {1: DRAWING}))
        cls.recipe = recipe_of(cls.card, "in")

    def test_every_area_stands_once_with_its_tones_from_light_to_dark(self):
        areas = {area.key: area for one in self.card.seen.coloured for area in one.areas if area.family}
        listed = [name for one in self.recipe.pictures for area in one.areas for name in area.names]
        self.assertEqual(sorted(listed), sorted(area.name for area in areas.values()))
        told = {name: area for one in self.recipe.pictures for area in one.areas for name in area.names}
        for area in areas.values():
            self.assertEqual(tuple(ink.id for _, ink in told[area.name].tones), area.family)

    def test_every_piece_has_its_size_and_what_it_is_cut_of(self):
        stack = self.card.seen.stack
        pieces = {one.name: one for one in (*self.recipe.pieces, *self.recipe.inside)}
        self.assertEqual(set(pieces), {piece.name for piece in stack.where.build.every})
        for piece in stack.where.build.every:
            self.assertEqual(pieces[piece.name].size, stack.where.cut_to(piece).text("in"))
        listed = {name for one in self.recipe.stocks for name in one.pieces}
        cut = {piece.name for piece in stack.where.build.every if piece.is_cut}
        self.assertTrue(all(any(name in one for one in listed) for name in cut))
        self.assertRegex(self.recipe.score, "in from the (left|top)")
        self.assertTrue(self.recipe.base.endswith("in"))

    def test_the_order_of_work_is_that_of_the_plan(self):
        work = planned(self.card)
        self.assertEqual(
            [one.words for one in self.recipe.steps], [one.task.words for one in work.schedule.placed]
        )
        self.assertEqual(self.recipe.minutes, work.schedule.minutes_told)
        self.assertEqual(self.recipe.cautions, tuple(work.cautions))
        several = recipe_of(self.card, "in", planned(self.card, Wishes(cards=5)))
        self.assertGreater(several.hands, self.recipe.hands)

    def test_pads_stand_in_their_order_with_how_they_meet(self):
        ground = self.card.seen.stack.of.grounded
        self.assertEqual([one.ink.id for one in self.recipe.pads], [pad.colour for pad in ground.pads])
        self.assertEqual([bool(one.join) for one in self.recipe.pads].count(True), len(ground.pads) - 1)

    def test_what_is_offered_instead_is_owned_of_another_range_and_near(self):
        supplies = self.card.seen.supplies
        for one in self.recipe.instead:
            place = supplies.places[one.instead.id]
            self.assertTrue(supplies.usable[place])
            self.assertNotEqual(one.instead.range, one.ink.range)
            self.assertEqual(one.instead.medium, one.ink.medium)
            self.assertNotIn("far", one.nearness)

    def test_lengths_are_in_the_unit_that_is_asked_for(self):
        metric = recipe_of(self.card, "mm")
        self.assertTrue(metric.size.endswith("mm") and metric.base.endswith("mm"))
        self.assertTrue(all(one.size.endswith("mm") for one in metric.pieces))

    def test_a_card_of_nothing_has_a_recipe_of_nothing(self):
        bare = Card("Heron", read_size("5", "7", "in"))
        recipe = recipe_of(CheckedCard(SeenCard(bare, some_supplies())), "in")
        self.assertEqual((recipe.pieces, recipe.pictures, recipe.pads, recipe.steps), ((), (), (), ()))
        self.assertEqual(plain(recipe)["name"], "Heron")
