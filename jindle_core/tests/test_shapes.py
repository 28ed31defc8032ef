"""Pieces that are no sharp rectangles: shaped, framed, turned; what is drawn is what is judged."""

import unittest

import numpy as np
import shapely
from hypothesis import given, settings
from hypothesis import strategies as st

from jindle_core.card.changes.build import AddPiece, EditPiece, NudgePiece, SetBuild
from jindle_core.card.changes.every import changed
from jindle_core.card.whole import Card
from jindle_core.checked.whole import CheckedCard
from jindle_core.checks.finding import Status
from jindle_core.errors import BadInput
from jindle_core.layers.outlines import as_polygon, outlines
from jindle_core.layers.pieces import BASE, Kind, Opening, Piece, Place, Raised
from jindle_core.layers.shapes import BORDERS, Shape, Side, offset, outline
from jindle_core.layers.showing import as_areas, topmost, what_shows
from jindle_core.layers.sizing import edges, laid_out
from jindle_core.layers.stacking import heights
from jindle_core.layers.touching import lies_beside
from jindle_core.lengths import OF_PIECES, Length, read_size
from jindle_core.material import End
from jindle_core.seen.whole import SeenCard
from jindle_core.tests.made import BOARDS, some_supplies

CARD = read_size("5 1/2", "4 1/4", "in")
SHAPES = st.sampled_from(list(Shape))
SIDES = st.floats(4, 160)
EIGHTH = Length(8, "in")


def sized(wide="3", high="2", **told):
    return {"size": read_size(wide, high, "in", OF_PIECES), **told}


def a_card(*pieces, kind=Kind.PANEL):
    card = Card("Shapes", CARD)
    for number, told in enumerate(pieces):
        card = changed(card, AddPiece(told.pop("kind", kind), f"piece {number + 1}", told))
    return card


def seen(card):
    return SeenCard(card, some_supplies())


class ShapeTests(unittest.TestCase):
    @given(SHAPES, SIDES, SIDES)
    def test_every_shape_fills_its_box_and_no_more(self, shape, width, height):
        area = outline(shape, width, height)
        self.assertTrue(area.is_valid)
        left, top, right, bottom = area.bounds
        short = min(width, height)
        wide, high = (short, short) if shape is Shape.CIRCLE else (width, height)
        self.assertAlmostEqual(right - left, wide, delta=0.13 * short if shape in BORDERS else 0.01 * short)
        self.assertAlmostEqual(bottom - top, high, delta=0.13 * short if shape in BORDERS else 0.01 * short)
        self.assertGreaterEqual(min(left, top), -1e-9)
        self.assertLess(max(right - width, bottom - height), 1e-9)

    @settings(max_examples=50)
    @given(SHAPES, st.floats(20, 120), st.floats(20, 120), st.floats(0.5, 4))
    def test_a_reveal_is_even_all_round_whatever_the_shape(self, shape, width, height, reveal):
        area = outline(shape, width, height)
        left = offset(area, reveal)
        far = shapely.distance(shapely.points(shapely.get_coordinates(left)), area.exterior)
        np.testing.assert_allclose(far, reveal, atol=0.05)

    @given(st.sampled_from(BORDERS), st.sets(st.sampled_from(list(Side))))
    def test_a_border_is_straight_on_the_sides_that_are_not_chosen(self, shape, sides):
        area = outline(shape, 90.0, 60.0, tuple(sides))
        straight = {
            Side.TOP: shapely.LineString([(12, 0), (78, 0)]),
            Side.BOTTOM: shapely.LineString([(12, 60), (78, 60)]),
            Side.LEFT: shapely.LineString([(0, 12), (0, 48)]),
            Side.RIGHT: shapely.LineString([(90, 12), (90, 48)]),
        }
        for side, line in straight.items():
            self.assertEqual(area.boundary.intersection(line).length > 30, side not in sides)


class OutlineTests(unittest.TestCase):
    def test_a_sharp_rectangle_that_lies_straight_is_its_box(self):
        card = a_card({"reveal": EIGHTH}, sized(on=1, shape=Shape.RECTANGLE))
        self.assertEqual(outlines(CARD, card.build.pieces), {})

    def test_a_frame_is_seen_through_and_what_lies_in_it_rests_below(self):
        card = a_card(
            {"reveal": EIGHTH},
            sized("3", "3", on=1, shape=Shape.CIRCLE, opening=Opening(Length(16, "in")), raised=Raised.TAPE),
            sized("1", "1", on=1),
        )
        stack = seen(card).stack
        face = stack.look.faces[0]
        x, y = np.array([69.85, 69.85, 5.0]), np.array([53.975, 19.0, 5.0])
        _, places = stack.look.seen_at(face, x, y, np.full(3, 3))
        self.assertEqual([face.keys[at] for at in places], [1, 2, 1])
        self.assertEqual(stack.where.heights[3].bottom, stack.where.heights[1].top)
        self.assertEqual(stack.where.heights[2].bottom, stack.where.heights[1].top + 1.2)

    def test_what_turns_carries_along_what_lies_on_it(self):
        card = a_card(sized(turn=30.0), {"reveal": EIGHTH, "on": 1}, sized("1/2", "1/2", on=2, turn=-30.0))
        found = outlines(CARD, card.build.pieces)
        self.assertEqual(found[3].turn.steps, [(-30.0, 69.85, 53.975), (30.0, 69.85, 53.975)])
        box = laid_out(CARD, card.build.pieces)[3]
        self.assertLess(found[3].lies.symmetric_difference(as_polygon(box)).area, 1e-6)
        corner = np.array([[float(box.x), float(box.y)]])
        np.testing.assert_allclose(found[2].turn.laid_straight(found[2].turn.placed(corner)), corner)

    def test_what_is_dragged_goes_where_it_is_dragged_also_on_something_turned(self):
        card = a_card(sized(turn=90.0), sized("1", "1", on=1))
        moved = changed(card, NudgePiece(2, 10.0, 0.0))
        before, after = (outlines(CARD, one.build.pieces)[2].lies.centroid for one in (card, moved))
        self.assertAlmostEqual(after.x - before.x, 10.0, delta=0.3)
        self.assertAlmostEqual(after.y - before.y, 0.0, delta=0.3)

    @given(st.floats(-720, 720, allow_nan=False), st.integers(-3, 3))
    def test_a_whole_turn_changes_nothing(self, degrees, whole):
        one, other = (a_card(sized(turn=turn)).build.pieces for turn in (degrees, degrees + 360 * whole))
        self.assertLess(abs((one[0].turn - other[0].turn + 180) % 360 - 180), 0.11)
        area = shapely.area(outlines(CARD, one)[1].lies) if one[0].turn else 0
        self.assertAlmostEqual(area, 3 * 2 * 25.4**2 if one[0].turn else 0, places=6)

    def test_what_cannot_be_cut_is_said(self):
        for told, words in (
            (sized(opening=Opening(Length(64, "in"))), "opening of piece 1 is larger"),
            (sized(shape=Shape.STAR, opening=Opening(Length(40, "in"), Shape.HEART)), "opening of piece 1"),
        ):
            with self.subTest(words), self.assertRaisesRegex(BadInput, words):
                a_card(told)
        star = a_card(sized(shape=Shape.STAR))
        with self.assertRaisesRegex(BadInput, "leaves nothing of piece 2"):
            changed(star, AddPiece(Kind.MAT, "piece 2", {"on": 1, "reveal": Length(56, "in")}))


class JudgedTests(unittest.TestCase):
    @settings(max_examples=25)
    @given(
        st.lists(
            st.tuples(SHAPES, st.floats(-60, 60), st.integers(16, 200), st.integers(16, 200)),
            min_size=1,
            max_size=5,
        )
    )
    def test_what_shows_adds_up_to_the_card_and_is_what_is_on_top(self, drawn):
        pieces = tuple(
            Piece(
                number, Kind.PANEL, "piece", shape=shape, turn=turn,
                size=read_size("2", "1 1/2", "in"), place=Place(right=Length(right - 100, "in"), below=Length(below - 100, "in")),
            )
            for number, (shape, turn, right, below) in enumerate(drawn, start=1)
        )  # fmt: skip
        boxes, found = laid_out(CARD, pieces), outlines(CARD, pieces)
        keys = [BASE, *(piece.key for piece in pieces)]
        sides = edges([boxes[key] for key in keys])
        areas = {at: found[key].lies for at, key in enumerate(keys) if key in found}
        shown = what_shows(sides, areas)
        whole = float(boxes[BASE].width * boxes[BASE].height)
        self.assertAlmostEqual(shown.sum(), whole, places=3)
        x, y = (one.ravel() for one in np.meshgrid(np.linspace(0.3, 139, 60), np.linspace(0.3, 107, 46)))
        wide = {at: [*shapely.bounds(area)] for at, area in areas.items()}
        box_sides = edges([boxes[key] for key in keys])
        for at, (left, top, right, bottom) in wide.items():
            box_sides[:, :, at] = [[left * 1280 - 2, right * 1280 + 2], [top * 1280 - 2, bottom * 1280 + 2]]
        counted = np.bincount(topmost(box_sides, x, y, areas=areas), minlength=len(keys)) / len(x) * whole
        np.testing.assert_allclose(counted, shown, atol=0.02 * whole)

    def test_boxes_as_polygons_are_judged_as_boxes_are(self):
        card = a_card({"reveal": EIGHTH}, sized(on=1), sized("1", "3", on=1))
        boxes = laid_out(CARD, card.build.pieces)
        keys = [BASE, 1, 2, 3]
        sides = edges([boxes[key] for key in keys])
        areas = {1: as_areas(sides, {})[1]}
        np.testing.assert_allclose(what_shows(sides, areas), what_shows(sides))
        exact = {(one.key, one.beside): one.share for one in lies_beside(keys, sides)}
        sampled = {(one.key, one.beside): one.share for one in lies_beside(keys, sides, areas)}
        self.assertEqual(exact.keys(), sampled.keys())
        for pair, share in exact.items():
            self.assertAlmostEqual(sampled[pair], share, delta=0.01)
        found = outlines(CARD, a_card({"reveal": EIGHTH}, sized(on=1, shape=Shape.OVAL)).build.pieces)
        self.assertEqual(heights(boxes, card.build.pieces[:2], found), heights(boxes, card.build.pieces[:2]))

    def test_what_fits_is_asked_of_the_true_outline(self):
        square = {"kind": Kind.PANEL}
        for on, told, status in (
            (sized("2", "2", shape=Shape.CIRCLE), sized("1 5/8", "1 5/8", on=1), Status.FAILS),
            (sized("2", "2", shape=Shape.CIRCLE), sized("1 3/8", "1 3/8", on=1), Status.HOLDS),
            (sized("2", "2"), sized("1 3/4", "1 3/4", on=1, turn=45.0), Status.FAILS),
            (sized("2", "2"), sized("1 3/8", "1 3/8", on=1, turn=45.0), Status.HOLDS),
            (sized("3", "3", opening=Opening(EIGHTH)), sized("1", "1", on=1), Status.FAILS),
            (sized("2", "2", shape=Shape.CIRCLE), {"reveal": EIGHTH, "on": 1}, Status.HOLDS),
        ):
            with self.subTest(told):
                card = a_card(dict(on), told | square)
                self.assertEqual(CheckedCard(seen(card)).examined.fits[2].finding.status, status)
        hung = a_card(
            sized("5", "4"),
            sized("1", "1", on=1, trimmed=True, turn=20.0, place={"right": Length(150, "in")}),
        )
        fit = CheckedCard(seen(hung)).examined.fits[2]
        self.assertEqual((fit.finding.status, len(fit.trimmings)), (Status.HOLDS, 1))

    def test_a_round_window_on_another_colour_is_judged_where_its_edge_is(self):
        """A square of the window's own colour under its corners only: its round edge never meets it."""
        board, other = (End("supply", pk) for pk in BOARDS[:2])
        corner = sized("1/4", "1/4", on=1, material=board)
        window = sized("2", "2", on=1, shape=Shape.CIRCLE, material=board)
        card = a_card({"reveal": EIGHTH, "material": other}, corner, window)
        card = changed(
            card, EditPiece(2, {"place": {"right": Length(-60, "in"), "below": Length(-60, "in")}})
        )
        card = changed(card, SetBuild({"base": other}))
        self.assertEqual(CheckedCard(seen(card)).examined.stands[3].beside, "piece 1")
        square = changed(card, EditPiece(3, {"shape": Shape.RECTANGLE}))
        self.assertIn(2, CheckedCard(seen(square)).examined.stands[3].at)
