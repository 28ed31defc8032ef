import json
import unittest
from dataclasses import replace

from jindle_core import figures
from jindle_core.card.changes import palette as changes
from jindle_core.card.changes.every import changed
from jindle_core.card.stored import card_from_json, card_to_json
from jindle_core.card.whole import Anchor, Card, Choice, End, Pair, PaletteColour
from jindle_core.contrast.rules import PairKind
from jindle_core.errors import BadInput
from jindle_core.lengths import USUAL_SIZES
from jindle_core.palettes.role import Role
from jindle_core.seen.desk import desk


def anchor(colour=None, lightness=50.0):
    return Anchor(colour, (lightness, 0.0, 0.0), "read" if colour else "typed")


def some_card():
    card = Card("Kingfisher", USUAL_SIZES[0])
    for number, (name, role) in enumerate(
        (("pond", Role.LEAD), ("mist", Role.GROUND), ("slate", Role.DARK)), 1
    ):
        card = changes.AddColour(anchor(number), name, role).apply(card)
    card = changes.Choose(1, "pad", 70).apply(card)
    card = changes.AddPair(PairKind.PICTURE, End("palette", 1), End("palette", 2)).apply(card)
    return changes.AddPair(PairKind.LETTERING_SMALL, End("palette", 3), End("white")).apply(card)


class PlanTests(unittest.TestCase):
    def test_stored_as_json_and_back(self):
        card = changes.Waive("pair:1", "on purpose").apply(some_card())
        self.assertEqual(card_from_json(json.loads(json.dumps(card_to_json(card)))), card)
        empty = Card("x", USUAL_SIZES[-1])
        self.assertEqual(card_from_json(json.loads(json.dumps(card_to_json(empty)))), empty)


class ColourChangeTests(unittest.TestCase):
    def test_keys_are_never_used_twice(self):
        card = changes.RemoveColour(3).apply(some_card())
        card = changes.AddColour(anchor(9), "new", Role.LIGHT).apply(card)
        self.assertEqual([colour.key for colour in card.colours], [1, 2, 4])

    def test_moving(self):
        for to, order in ((0, [3, 1, 2]), (1, [1, 3, 2]), (99, [1, 2, 3]), (-4, [3, 1, 2])):
            moved = changes.MoveColour(3, to).apply(some_card())
            self.assertEqual([colour.key for colour in moved.colours], order)

    def test_removing_takes_choices_and_pairs_along(self):
        card = changes.RemoveColour(1).apply(some_card())
        self.assertEqual(card.choices, ())
        self.assertEqual([pair.kind for pair in card.pairs], [PairKind.LETTERING_SMALL])

    def test_many_choices_at_once_leave_locked_cells_alone(self):
        card = changes.Choose(2, "pad", 71, locked=True).apply(some_card())
        many = changes.ChooseMany((Choice(1, "pad", 80), Choice(2, "pad", 81), Choice(3, "marker", 82)))
        chosen = {(one.key, one.column): one.colour for one in many.apply(card).choices}
        self.assertEqual(chosen, {(1, "pad"): 80, (2, "pad"): 71, (3, "marker"): 82})
        with self.assertRaises(BadInput):
            changes.ChooseMany((Choice(9, "pad", 80),)).apply(card)

    def test_another_anchor_drops_choices_unless_locked(self):
        card = changes.Choose(1, "pencil", 71, locked=True).apply(some_card())
        card = changes.Reanchor(1, anchor(8)).apply(card)
        self.assertEqual([choice.column for choice in card.choices], ["pencil"])

    def test_what_cannot_be(self):
        card = some_card()
        full = replace(card, colours=card.colours * (figures.palettes.PALETTE_LIMIT // 3))
        cases = (
            (card, changes.AddColour(anchor(1), "again", Role.LEAD), "already, as 1 pond"),
            (full, changes.AddColour(anchor(99), "one more", Role.LEAD), "full"),
            (card, changes.AddColour(anchor(5), "   ", Role.LEAD), "name is wanted"),
            (card, changes.EditColour(1, name="x" * 501), "501"),
            (card, changes.EditColour(77), "key 77"),
            (card, changes.Choose(1, "crayon", 3), "crayon"),
            (card, changes.EditPair(9), "pair 9"),
            (card, changes.AddPair(PairKind.MAT, End("palette", 1), End("palette", 1)), "itself"),
            (card, changes.AddPair(PairKind.MAT, End("palette", 50), End("white")), "not in the palette"),
            (card, changes.Waive("pair:9", "why"), "pair:9"),
            (card, changes.Waive("span", " "), "wanted"),
        )
        for before, change, words in cases:
            with self.subTest(words), self.assertRaisesRegex(BadInput, words):
                change.apply(before)

    def test_two_equal_values_are_two_colours(self):
        card = changes.AddColour(anchor(), "one", Role.LEAD).apply(Card("x", USUAL_SIZES[0]))
        self.assertEqual(len(changes.AddColour(anchor(), "two", Role.LEAD).apply(card).colours), 2)

    def test_names_lose_stray_space(self):
        self.assertEqual(
            changes.EditColour(1, name="  still \n water ").apply(some_card()).colour(1).name, "still water"
        )


class ChoiceTests(unittest.TestCase):
    def test_a_locked_cell_stays(self):
        card = changes.Choose(1, "pad", 70, locked=True).apply(some_card())
        with self.assertRaisesRegex(BadInput, "locked"):
            changes.Choose(1, "pad", 71).apply(card)
        unlocked = changes.Choose(1, "pad", 70).apply(card)
        self.assertEqual(changes.Choose(1, "pad", 71).apply(unlocked).choice(1, "pad").colour, 71)

    def test_further_columns_are_shown_where_they_are_wanted_and_take_their_choices_along(self):
        card = some_card()
        with self.assertRaisesRegex(BadInput, "no column “gel”"):
            changes.Choose(1, "gel", 70).apply(card)
        wide = changes.ShowColumns(("gel", "water", "gel")).apply(card)
        self.assertEqual([one.key for one in wide.columns][-2:], ["water", "gel"])
        chosen = changes.Choose(1, "gel", 70).apply(wide)
        self.assertEqual(card_from_json(card_to_json(chosen)), chosen)
        narrow = changes.ShowColumns(("water",)).apply(chosen)
        self.assertIsNone(narrow.choice(1, "gel"))
        self.assertEqual(changes.ShowColumns(()).apply(narrow), card)
        with self.assertRaisesRegex(BadInput, "no further column “marker”"):
            changes.ShowColumns(("marker",)).apply(card)

    def test_back_to_the_nearest(self):
        self.assertIsNone(changes.ClearChoice(1, "pad").apply(some_card()).choice(1, "pad"))


class PairChangeTests(unittest.TestCase):
    def test_changing_a_pair_ends_its_waiver(self):
        card = changes.Waive("pair:1", "on purpose").apply(some_card())
        for change in (changes.EditPair(1, outlined=True), changes.RemovePair(1), changes.Unwaive("pair:1")):
            self.assertIsNone(changed(card, change).waiver("pair:1"), change)

    def test_guesses_become_the_persons_own(self):
        guess = (Pair(1, PairKind.MAT, End("palette", 3), End("palette", 2)),)
        card = changes.GuessPairs().apply(some_card())
        self.assertIsNone(card.pairs)
        settled = changes.EditPair(1, outlined=True).apply(card.settled(guess))
        self.assertEqual(settled.pairs, (replace(guess[0], outlined=True),))
        self.assertIs(settled.settled(()), settled)


class DeskTests(unittest.TestCase):
    def test_every_part_lies_on_the_card(self):
        card = changes.AddPair(PairKind.MAT, End("palette", 3), End("palette", 2)).apply(some_card())
        for size in USUAL_SIZES:
            for turned in (size, size.turned()):
                wide, high = float(turned.width.millimetres), float(turned.height.millimetres)
                parts = desk(replace(card, size=turned), card.pairs)
                self.assertEqual(
                    {part.name for part in parts}, {"base", "mat", "panel", "picture", "strip", "lettering"}
                )
                for part in parts:
                    self.assertGreaterEqual(min(part.x, part.y), 0)
                    self.assertLessEqual(part.x + part.width, wide)
                    self.assertLessEqual(part.y + part.height, high)

    def test_a_mat_shows_evenly_on_all_sides(self):
        card = changes.AddPair(PairKind.MAT, End("palette", 3), End("palette", 2)).apply(some_card())
        parts = {part.name: part for part in desk(card, card.pairs)}
        mat, panel = parts["mat"], parts["panel"]
        self.assertAlmostEqual(panel.x - mat.x, panel.y - mat.y)
        self.assertAlmostEqual(mat.width - panel.width, mat.height - panel.height)

    def test_an_empty_plan_is_a_white_card(self):
        (base,) = desk(Card("bare", USUAL_SIZES[0]), ())
        self.assertEqual((base.name, base.end.source), ("base", "white"))


class DrawnDeskTests(unittest.TestCase):
    def test_a_drawing_takes_the_place_of_the_pebbles_inside_the_panel(self):
        size = USUAL_SIZES[0]
        colours = (PaletteColour(1, "lead", Role.LEAD, Anchor(None, (50.0, 0.0, 0.0), "typed")),)
        pairs = (Pair(1, PairKind.PICTURE, End("palette", 1), End("white")),)
        for shape in ((1000.0, 500.0), (500.0, 1000.0), (1000.0, 1000.0)):
            with self.subTest(shape):
                parts = desk(Card("drawn", size, colours), pairs, {1: shape})
                self.assertNotIn("disc", [part.shape for part in parts])
                (drawn,) = [part for part in parts if part.shape == "drawing"]
                (panel,) = [part for part in parts if part.name == "panel"]
                self.assertAlmostEqual(drawn.width / drawn.height, shape[0] / shape[1])
                self.assertGreater(drawn.x, panel.x)
                self.assertGreater(drawn.y, panel.y)
                self.assertLess(drawn.x + drawn.width, panel.x + panel.width)
                self.assertLess(drawn.y + drawn.height, panel.y + panel.height)
        # Without anything said of a picture it lies on the base.
        self.assertEqual(
            [part.shape for part in desk(Card("drawn", size), (), {1: (4.0, 3.0)})], ["rect", "drawing"]
        )
