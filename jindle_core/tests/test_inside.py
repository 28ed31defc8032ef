"""The inside repeats the front, keeps room to write, and says how much."""

import unittest
from itertools import product

import numpy as np
from hypothesis import given
from hypothesis import strategies as st

from jindle_core import figures
from jindle_core.card.changes.build import AddPiece, SetBuild
from jindle_core.card.changes.every import changed
from jindle_core.card.sound import sound
from jindle_core.card.whole import Card
from jindle_core.checked.room import _largest, room
from jindle_core.checked.whole import CheckedCard
from jindle_core.checks.finding import Status
from jindle_core.layers.pieces import WHITE_END, Across, Down, Kind
from jindle_core.lengths import read_size
from jindle_core.material import End
from jindle_core.offers.inside import inside_offers, repeated
from jindle_core.seen.whole import SeenCard
from jindle_core.sets.colourways import Colourways, Wanted
from jindle_core.tests.test_colourways import SEEN


class RoomTests(unittest.TestCase):
    @given(st.integers(0, 2**32), st.integers(1, 6), st.integers(1, 6))
    def test_no_free_rectangle_is_larger(self, seed, rows, columns):
        free = np.random.default_rng(seed).random((rows, columns)) < 0.7
        areas = [
            (bottom - top) * (right - left)
            for top, left in product(range(rows), range(columns))
            for bottom, right in product(range(top + 1, rows + 1), range(left + 1, columns + 1))
            if free[top:bottom, left:right].all()
        ]
        found = _largest(free)
        if found is None:
            self.assertEqual(areas, [])
            return
        top, left, high, wide = found
        self.assertTrue(free[top : top + high, left : left + wide].all())
        self.assertEqual(high * wide, max(areas))

    def test_what_lies_inside_is_not_written_over(self):
        white = changed(SEEN.card, SetBuild({"base": WHITE_END}))
        before = room(SeenCard(white, SEEN.supplies).stack)
        wide = {
            "size": read_size("5 1/2", "2", "in"),
            "place": {"down": Down.BOTTOM},
            "material": End("palette", 2),
        }
        card = changed(white, AddPiece(Kind.STRIP, "foot", wide, inside=True))
        after = room(SeenCard(card, SEEN.supplies).stack)
        self.assertLess(after.height, before.height - 45)
        self.assertLess(after.y + after.height, 108 - 2 * 25.4)
        counts = [one.count for one in after.lines]
        self.assertEqual(
            counts, [int(after.height / apart) for apart in figures.building.HANDWRITING.values()]
        )

    def test_a_dark_inside_has_none(self):
        told = {"size": read_size("5 1/2", "4 1/4", "in"), "material": End("palette", 2)}
        card = changed(SEEN.card, AddPiece(Kind.PANEL, "night", told, inside=True))
        self.assertIsNone(room(SeenCard(card, SEEN.supplies).stack))


class InsideTests(unittest.TestCase):
    def test_each_way_repeats_a_picture_and_a_colour_and_can_be_written_on(self):
        found = list(inside_offers(CheckedCard(SEEN), "with love"))
        self.assertGreater(len(found), 1)
        front = {piece.material for piece in SEEN.card.build.pieces}
        for one in found:
            card = one.checked.seen.card
            self.assertEqual(sound(card), card)
            kinds = {piece.kind: piece for piece in card.build.inside}
            self.assertLessEqual({Kind.STRIP, Kind.IMAGE, Kind.LETTERING}, set(kinds))
            self.assertIn(kinds[Kind.STRIP].material, front)
            self.assertEqual(kinds[Kind.STRIP].material, repeated(SEEN.stack))
            self.assertEqual(kinds[Kind.LETTERING].text, "with love")
            self.assertEqual(one.checked.examined.writing.status, Status.HOLDS)
            self.assertGreaterEqual(one.room.lines[1].count, figures.building.LEAST_LINES)
            self.assertEqual(card.build.pieces, SEEN.card.build.pieces)

    def test_what_lay_inside_gives_way_and_nothing_else_does(self):
        told = {"size": read_size("1", "1", "in"), "place": {"across": Across.LEFT}}
        card = changed(SEEN.card, AddPiece(Kind.STRIP, "tag", told, inside=True))
        for one in inside_offers(CheckedCard(SeenCard(card, SEEN.supplies, SEEN.drawings))):
            names = [piece.name for piece in one.checked.seen.card.build.inside]
            self.assertNotIn("tag", names)
            self.assertNotIn("words inside", names)

    def test_a_card_without_a_front_has_nothing_to_repeat(self):
        bare = Card("Blank", read_size("5 1/2", "4 1/4", "in"))
        self.assertEqual(list(inside_offers(CheckedCard(SeenCard(bare, SEEN.supplies)))), [])

    def test_it_is_in_every_colourway_in_its_colours(self):
        first = next(inside_offers(CheckedCard(SEEN)))
        seen = first.checked.seen
        strip = next(piece for piece in seen.card.build.inside if piece.kind is Kind.STRIP)
        same = next(one.key for one in seen.card.build.pieces if one.material == strip.material)
        for one in Colourways(seen, Wanted()).proposals():
            card, stack = one.seen.card, one.seen.stack
            self.assertEqual(len(card.build.inside), len(seen.card.build.inside))
            self.assertTrue(np.allclose(stack.lab(strip.key), stack.lab(same)))
            self.assertIsNotNone(room(stack))
