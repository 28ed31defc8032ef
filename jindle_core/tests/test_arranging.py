"""Building quickly by hand: a mat under a piece, copies, what is scattered, aligned and spread."""

import unittest
from itertools import pairwise

import numpy as np
from hypothesis import given
from hypothesis import strategies as st

from jindle_core import figures
from jindle_core.card.changes.arranging import Along, Arrange, CopyPieces, How, MatUnder, Scatter
from jindle_core.card.changes.build import AddPiece, EditPiece, RemovePiece
from jindle_core.card.changes.every import changed
from jindle_core.card.whole import Card
from jindle_core.checks.finding import Status
from jindle_core.errors import BadInput
from jindle_core.layers.fitting import fits
from jindle_core.layers.letters import letters
from jindle_core.layers.outlines import as_polygon, outlines
from jindle_core.layers.pieces import WHITE_END, Kind
from jindle_core.layers.shapes import Shape
from jindle_core.layers.sizing import laid_out
from jindle_core.lengths import OF_PIECES, Length, read_size
from jindle_core.seen.whole import SeenCard
from jindle_core.tests.made import some_supplies

SIZE = read_size("5 1/2", "4 1/4", "in")
OFF = st.integers(-80, 80).map(lambda ticks: Length(ticks, "in"))


def sized(wide, high, **told):
    return {"size": read_size(wide, high, "in", OF_PIECES), **told}


def a_card(*pieces):
    card = Card("Coot", SIZE)
    for number, (kind, told) in enumerate(pieces):
        card = changed(card, AddPiece(kind, f"piece {number + 1}", told))
    return card


def boxes(card):
    return laid_out(card.size, card.build.pieces)


class MatTests(unittest.TestCase):
    @given(st.sampled_from([None, Shape.OVAL, Shape.TAG, Shape.SCALLOPED, Shape.HEART]), OFF, OFF)
    def test_an_even_frame_and_the_piece_stays_where_it_is(self, shape, right, below):
        told = sized("3", "2", shape=shape, place={"right": right, "below": below}, turn=12.0)
        card = a_card((Kind.PANEL, told))
        after = changed(card, MatUnder(1, WHITE_END))
        mat, piece = after.build.piece(2), after.build.piece(1)
        self.assertEqual((piece.on, mat.on), (2, 0))
        self.assertEqual(boxes(after)[1], boxes(card)[1])
        lies = [SeenCard(one, some_supplies()).stack.where.outlines for one in (card, after)]
        frame = float(Length(figures.building.MAT_FRAME["in"], "in").millimetres)
        grown = lies[1][2].lies.buffer(-frame + 0.3).difference(lies[1][1].lies.buffer(0.3))
        self.assertLess(grown.area, 0.05 * lies[1][2].lies.area)
        if shape is None:
            self.assertLess(lies[0][1].lies.symmetric_difference(lies[1][1].lies).area, 1e-6)

    @given(
        st.text(alphabet="aegijyWM8ÄßŒ.! -緑", min_size=1, max_size=24).filter(str.strip),
        st.booleans(),
        st.sampled_from([("3", "1"), ("1", "2"), ("5", "1/2")]),
    )
    def test_under_cut_out_words_it_follows_their_outline(self, text, bold, size):
        words = a_card((Kind.CUT_WORDS, sized(*size, text=text, bold=bold)))
        card = changed(words, MatUnder(1, WHITE_END))
        box, mat = boxes(card)[1], outlines(card.size, card.build.pieces)[2].lies
        area = letters(box, text, bold)
        self.assertTrue(as_polygon(box).buffer(1e-6).covers(area))
        self.assertEqual((mat.geom_type, len(mat.interiors)), ("Polygon", 0))
        self.assertTrue(as_polygon(boxes(card)[2]).buffer(0.1).covers(mat))
        frame = float(Length(figures.building.WORDS_FRAME["in"], "in").millimetres)
        self.assertTrue(mat.covers(area.buffer(frame - 0.1)))
        lies = outlines(card.size, card.build.pieces)
        found = {one.key: one.finding for one in fits(boxes(card), card.build.pieces, "in", lies)}
        self.assertEqual(found[1].status, Status.HOLDS, found[1].reason)
        said = changed(card, EditPiece(1, {"text": "or"}))
        self.assertNotEqual(outlines(said.size, said.build.pieces)[2].lies, mat)
        without = changed(card, RemovePiece(1))
        self.assertNotIn(2, outlines(without.size, without.build.pieces))

    def test_not_under_ink(self):
        card = a_card((Kind.LETTERING, sized("3", "1")))
        with self.assertRaises(BadInput):
            changed(card, MatUnder(1, WHITE_END))


class CopyTests(unittest.TestCase):
    def test_what_lies_on_it_comes_along(self):
        card = a_card((Kind.STRIP, sized("2", "1")), (Kind.LETTERING, sized("1", "1", on=1)))
        after = changed(card, CopyPieces((1,)))
        self.assertEqual(
            [(piece.key, piece.on) for piece in after.build.pieces], [(1, 0), (2, 1), (3, 0), (4, 3)]
        )
        self.assertNotEqual(boxes(after)[3], boxes(after)[1])

    @given(OFF, st.floats(-60, 60))
    def test_mirrored_twice_it_lies_where_it_lay(self, right, turn):
        card = a_card((Kind.IMAGE, sized("1", "2", place={"right": right}, turn=turn)))
        once = changed(card, CopyPieces((1,), mirrored=True))
        twice = changed(once, CopyPieces((2,), mirrored=True))
        first, last = once.build.piece(1), twice.build.piece(3)
        self.assertEqual((first.mirrored, once.build.piece(2).mirrored, last.mirrored), (False, True, False))
        self.assertEqual(boxes(twice)[1], boxes(twice)[3])
        self.assertAlmostEqual(first.turn, last.turn)

    def test_two_hundred_copies_are_refused_whole(self):
        card = a_card(*[(Kind.PANEL, sized("1", "1"))] * 40)
        with self.assertRaisesRegex(BadInput, "60 pieces are the most"):
            changed(card, CopyPieces(tuple(range(1, 41))))


class ScatterTests(unittest.TestCase):
    @given(st.sampled_from([1, 3, 5, 7, 15]), st.sampled_from(Along), st.integers(0, 50))
    def test_seeded_and_on_the_panel(self, count, along, seed):
        card = a_card((Kind.PANEL, sized("5", "3 1/2")), (Kind.IMAGE, sized("2", "2")))
        change = Scatter(count, along, WHITE_END, seed)
        after = changed(card, change)
        self.assertEqual(after, changed(card, change))
        dots = [piece for piece in after.build.pieces if piece.kind is Kind.FINISH]
        self.assertEqual(len(dots), count)
        self.assertTrue(all(boxes(after)[one.key].inside(boxes(after)[1]) for one in dots))

    @given(st.sampled_from(Along), st.integers(0, 50))
    def test_none_lies_on_a_picture_or_on_words(self, along, seed):
        words = (Kind.LETTERING, sized("2", "1/2", text="ahoy", on=1, place={"below": Length(80, "in")}))
        card = a_card((Kind.PANEL, sized("5", "3 1/2")), (Kind.IMAGE, sized("2", "2", on=1)), words)
        after = changed(card, Scatter(7, along, WHITE_END, seed))
        lie = boxes(after)
        for dot in (lie[piece.key] for piece in after.build.pieces if piece.kind is Kind.FINISH):
            off = [
                (
                    abs(float(dot.x + dot.width / 2 - box.x - box.width / 2)) / float(box.width / 2),
                    abs(float(dot.y + dot.height / 2 - box.y - box.height / 2)) / float(box.height / 2),
                )
                for box in (lie[2], lie[3])
            ]
            self.assertGreaterEqual(np.hypot(*off[0]), 1)
            self.assertGreaterEqual(max(off[1]), 1)

    def test_five_hundred_are_too_many(self):
        for count in (0, 16, 500):
            with self.assertRaisesRegex(BadInput, "scattered at once"):
                changed(a_card(), Scatter(count, Along.DIAGONAL, WHITE_END))


class ArrangeTests(unittest.TestCase):
    @given(st.lists(st.tuples(OFF, OFF), min_size=2, max_size=5), st.sampled_from(How))
    def test_in_line_or_evenly_apart(self, offsets, how):
        sizes = [("1", "1"), ("1 1/2", "1"), ("1", "2")]
        pieces = [
            (Kind.STRIP, sized(*sizes[at % 3], place={"right": right, "below": below}))
            for at, (right, below) in enumerate(offsets)
        ]
        card = a_card(*pieces)
        keys = tuple(piece.key for piece in card.build.pieces)
        after = boxes(changed(card, Arrange(keys, how)))
        across = how in (How.LEFT, How.CENTRE, How.RIGHT, How.ACROSS)
        spans = [
            (box.x, box.right) if across else (box.y, box.bottom) for box in (after[key] for key in keys)
        ]
        tick = Length(1, "in").millimetres
        if how in (How.ACROSS, How.DOWN):
            spans.sort(key=lambda span: span[0] + span[1])
            gaps = [later[0] - one[1] for one, later in pairwise(spans)]
            self.assertLessEqual(max(gaps) - min(gaps), 2 * tick)
        else:
            line = {How.LEFT: 0, How.TOP: 0, How.RIGHT: 1, How.BOTTOM: 1}.get(how)
            found = [sum(span) / 2 if line is None else span[line] for span in spans]
            self.assertLessEqual(max(found) - min(found), tick)

    def test_two_at_least_and_of_one_face(self):
        card = changed(
            a_card((Kind.STRIP, sized("1", "1"))), AddPiece(Kind.STRIP, "in", sized("1", "1"), True)
        )
        for keys in ((1,), (1, 1), (1, 2), (1, 9)):
            with self.assertRaises(BadInput):
                changed(card, Arrange(keys, How.LEFT))
