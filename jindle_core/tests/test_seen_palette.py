"""A palette follows what its owner has read, and stands by itself where its supplies are gone."""

import unittest
from dataclasses import replace

from jindle_core import figures
from jindle_core.card.changes.every import changed
from jindle_core.card.changes.palette import AddColour
from jindle_core.card.whole import Anchor, Card
from jindle_core.lengths import read_size
from jindle_core.matching.verdicts import Verdict
from jindle_core.material import End
from jindle_core.media.medium import Medium
from jindle_core.offers.for_colour import Target, glazed
from jindle_core.offers.to_read import to_read
from jindle_core.palettes.role import Role
from jindle_core.seen.palette import SeenPalette
from jindle_core.seen.table import table
from jindle_core.supplies.readings import Settled
from jindle_core.tests.made import LABS, MARKERS, some_supplies

READ = (61.0, -20.0, 28.0)


def a_palette(supplies):
    card = Card("Tern", read_size("5", "7", "in"))
    for pk, name in ((MARKERS[1], "fern"), (None, "typed")):
        lab = tuple(map(float, LABS[MARKERS[1]]))
        card = changed(card, AddColour(Anchor(pk, lab, "typed" if pk is None else "read"), name, Role.LEAD))
    return SeenPalette(card, supplies)


class PaletteTests(unittest.TestCase):
    def test_its_colours_follow_ones_readings_and_typed_ones_do_not(self):
        as_labelled = a_palette(some_supplies())
        settled = {MARKERS[1]: Settled(READ, 0.7, "read", (0,), ())}
        read = a_palette(replace(some_supplies(), settled=settled))
        self.assertEqual(as_labelled.lab[0].tolist(), list(map(float, LABS[MARKERS[1]])))
        self.assertEqual((read.lab[0].tolist(), read.sigma[0]), (list(READ), 0.7))
        self.assertEqual(read.lab[1].tolist(), as_labelled.lab[1].tolist())
        self.assertEqual(read.sigma[1], figures.colour.UNCERTAINTY["typed"])
        self.assertNotEqual(read.end_shades(End("palette", 1)), as_labelled.end_shades(End("palette", 1)))
        self.assertEqual(read.end_shades(End("palette", 2)), as_labelled.end_shades(End("palette", 2)))
        self.assertEqual(read.as_added()[0].anchor.lab, READ)

    def test_what_is_gone_stands_as_it_was_when_it_was_taken(self):
        supplies = some_supplies()
        gone = replace(supplies, rows=tuple(row for row in supplies.rows if row.id != MARKERS[1]))
        palette = a_palette(gone)
        self.assertEqual(palette.lab[0].tolist(), list(map(float, LABS[MARKERS[1]])))
        self.assertIsNone(palette.place(palette.card.colours[0]))
        self.assertEqual(palette.end_words(End("supply", MARKERS[1])), "a colour no longer in your supplies")

    def test_a_supply_is_the_same_as_itself_however_it_is_known(self):
        labels = a_palette(some_supplies(known="label"))
        itself, other = (
            labels.match(0, labels.supplies.places[pk], off) for pk, off in ((22, 0.0), (21, 18.0))
        )
        self.assertEqual((itself.near.verdict, itself.near.judged.uncertainty), (Verdict.SAME, 0))
        self.assertGreater(other.near.judged.uncertainty, figures.colour.UNCERTAINTY["label"])
        # The same value, typed, is no supply: what is nearest to it is known by its label.
        typed = labels.match(1, labels.supplies.places[22], 0.0)
        self.assertIs(typed.near.verdict, Verdict.NEAR)
        self.assertTrue(typed.near.words.startswith("near"))

    def test_what_is_known_by_labels_says_what_to_read_and_what_is_read_asks_for_nothing(self):
        for known in ("label", "read"):
            palette = a_palette(some_supplies(known=known))
            found = to_read(table(palette, only_owned=False))
            self.assertEqual(bool(found), known == "label")
        asked = to_read(table(a_palette(some_supplies(known="label")), only_owned=False))
        self.assertEqual(asked[0].id, MARKERS[1])  # the palette colour itself stands behind its whole row
        self.assertEqual(len({one.id for one in asked}), len(asked))
        self.assertLessEqual(len(asked), figures.laying.LESSONS)

    def test_two_labels_laid_over_one_another_are_to_be_read_first(self):
        for known, unread in (("label", True), ("read", False)):
            supplies = some_supplies(known=known)
            target = Target((58.0, -27.0, 34.0), 0.0, Medium.ALCOHOL_MARKER)
            offers, _ = glazed(supplies, target, 99.0)
            self.assertTrue(offers)
            self.assertEqual({one.unread for one in offers}, {unread})
            least = figures.laying.GLAZE_SIGMA + (3 if unread else 0)
            self.assertGreater(min(one.predicted.near.judged.uncertainty for one in offers), least)
