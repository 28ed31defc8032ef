"""The five demo cards are made, as a stranger would make them: in order, out of what is named, into an envelope."""

import re

from django.test import TestCase

from jindle_core.planning.planned import planned
from jindle_core.planning.recipe.whole import recipe_of
from jindle_core.planning.task import Work
from jindle_core.planning.tasks import Habits, tasks
from jindle_core.sets.batch import batched
from jindle_core.sets.members import Member
from jindle_core.tests.worked import before_each, faults
from server.access import cards_of
from server.accounts.models import Person
from server.cards.held import checked_card
from server.catalogue.arrays import catalogue_for
from server.demo.studio import DEMO_NAME, load


class MadeTests(TestCase):
    @classmethod
    def setUpTestData(cls):
        load()

    @classmethod
    def setUpClass(cls):
        super().setUpClass()
        studio = Person.objects.get(name=DEMO_NAME)
        supplies = catalogue_for(studio)
        cls.cards = [checked_card(card, supplies, studio) for card in cards_of(studio)]

    def test_the_work_on_each_can_be_done_as_it_stands(self):
        self.assertEqual(len(self.cards), 5)
        for checked in self.cards:
            for cut_first in (False, True):
                found = tasks(checked, Habits(cut_first))
                self.assertEqual(faults(checked, found, cut_first), [], checked.seen.card.name)

    def test_a_stranger_finds_every_thing_and_can_take_every_step_of_the_recipe(self):
        for checked in self.cards:
            recipe = recipe_of(checked, "in")
            names = {colour.name for colour in checked.seen.card.colours}
            for line in (*recipe.stocks, *recipe.pieces, *recipe.inside):
                with self.subTest(card=recipe.name, line=line):
                    self.assertNotIn(line.material, names)  # what a colour is called here is sold nowhere
            for step in recipe.steps:
                with self.subTest(card=recipe.name, step=step.words):
                    self.assertTrue(step.tool)
                    if step.tool in ("trimmer", "die machine", "scissors", "stamps and block"):
                        said = step.words + " ".join(step.how)
                        self.assertTrue(
                            "words" in step.words or "“" in said or re.search(r"\d.* (in|mm)\b", said)
                        )
                    if "ground" in step.words:
                        self.assertTrue(step.how)
            self.assertTrue(all(picture.printed for picture in recipe.pictures), recipe.name)
            written = [piece for piece in recipe.pieces if any("“" in note for note in piece.notes)]
            self.assertTrue(
                written and all("(" in one.material or "powder" in one.material for one in written)
            )
        used = {one.ink.label for checked in self.cards for one in recipe_of(checked, "in").used}
        self.assertIn("Swing bridge", used)  # a patterned sheet is a supply like any other
        said = [one for checked in self.cards for one in recipe_of(checked, "in").pieces]
        self.assertTrue(any("stamped straight on it" in one.notes for one in said))

    def test_the_ducklings_gull_is_coloured_before_its_panel_is_glued(self):
        (ducklings,) = [one for one in self.cards if one.seen.card.name.startswith("Five ducklings")]
        placed = [one.task.key for one in planned(ducklings).schedule.placed]
        self.assertEqual(placed[-1], "post")
        gull = [key for key in placed if key.startswith("colour:4:")]
        self.assertGreater(len(gull), 3)
        self.assertLess(max(map(placed.index, gull)), placed.index("flat"))

    def test_a_set_names_its_pads_and_tones_and_each_stock(self):
        found = batched([Member(n, one) for n, one in enumerate(self.cards, start=1)])
        before = before_each(found)
        posted = [one.key for one in found if one.work is Work.POST]
        self.assertEqual(set().union(*(before[key] for key in posted), posted), set(before))
        for work in ("ground", "colour"):
            steps = [(one, step) for one in found if one.work == work for step in one.steps]
            used = [one.supplies[step.using] for one, step in steps if step.using is not None]
            self.assertGreater(len(used), len(steps) / 3, work)
        ground = [one for one in found if one.work is Work.GROUND]
        used = {one.supplies[step.using] for one in ground for step in one.steps if step.using is not None}
        self.assertEqual(used, {end for one in ground for end in one.supplies})
