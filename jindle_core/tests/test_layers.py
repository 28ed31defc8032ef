import unittest
from dataclasses import replace
from fractions import Fraction

import numpy as np
from hypothesis import assume, given
from hypothesis import strategies as st

from jindle_core import figures
from jindle_core.card.build import Build
from jindle_core.card.changes.build import EditPiece
from jindle_core.card.layouts import STARTS, start
from jindle_core.card.whole import Anchor, Card, PaletteColour
from jindle_core.checks.finding import Status
from jindle_core.contrast.rules import PairKind
from jindle_core.errors import BadInput
from jindle_core.layers.fitting import fits, to_use_elsewhere, ways_to_fit
from jindle_core.layers.lettering import capitals, font_size, lettering_rule
from jindle_core.layers.pieces import BASE, Across, Down, Kind, Piece, Place, Raised
from jindle_core.layers.showing import topmost, what_shows
from jindle_core.layers.sizing import RASTER, Box, as_read, cut_size, edges, in_order, laid_out, of_size
from jindle_core.layers.stacking import (
    Bulk,
    examine_envelope,
    examine_thickness,
    heights,
    matching_envelope,
    thickness,
)
from jindle_core.layers.touching import neighbours
from jindle_core.lengths import TICKS, USUAL_SIZES, Length, Limits, Size, read_length, read_size
from jindle_core.material import End
from jindle_core.palettes.role import Role

CARD = read_size("4 1/4", "5 1/2", "in")
SMALL = Limits(Fraction(0), Fraction(1000), "is no length", "0 to 1000 mm")
UNITS = st.sampled_from(("in", "mm"))
CARDS = st.sampled_from(USUAL_SIZES)
REVEALS = st.builds(Length, st.integers(1, 24), UNITS)


def length(text, unit="in"):
    return read_length(text, unit, limits=SMALL)


def size(wide, high, unit="in"):
    return read_size(wide, high, unit, SMALL)


def piece(key, on=BASE, **told):
    if "size" not in told:
        told.setdefault("reveal", length("1/8"))
    return Piece(key, told.pop("kind", Kind.PANEL), told.pop("name", f"piece {key}"), on, **told)


class SizingTests(unittest.TestCase):
    def test_three_mats_and_a_panel_as_on_a_ruler(self):
        pieces = [
            piece(1),
            piece(2, 1, reveal=length("1/16")),
            piece(3, 2, reveal=length("1/16")),
            piece(4, 3),
        ]
        boxes = laid_out(CARD, pieces)
        found = [cut_size(one, boxes[one.on], "in").text() for one in pieces]
        self.assertEqual(found, ["4 × 5 1/4 in", "3 7/8 × 5 1/8 in", "3 3/4 × 5 in", "3 1/2 × 4 3/4 in"])
        turned = laid_out(CARD.turned(), pieces)
        self.assertEqual((turned[4].width, turned[4].height), (boxes[4].height, boxes[4].width))

    @given(CARDS, st.lists(REVEALS, min_size=1, max_size=5))
    def test_frames_are_equal_on_all_sides_and_never_narrower_than_said(self, card, reveals):
        unit = card.width.unit
        pieces = [piece(key, key - 1, reveal=reveal) for key, reveal in enumerate(reveals, start=1)]
        boxes = laid_out(card, pieces)
        for one in pieces:
            box, under = boxes[one.key], boxes[one.on]
            left, right = box.x - under.x, under.right - box.right
            top, bottom = box.y - under.y, under.bottom - box.bottom
            self.assertEqual((left, top), (right, bottom))
            tick = Length(1, unit).millimetres
            for frame in (left, top):
                self.assertTrue(0 <= frame - one.reveal.millimetres < tick / 2)
            if one.reveal.unit == unit:
                self.assertEqual(left, top)
            self.assertEqual(left + box.width + right, under.width)
            # What is cut is a whole number of ticks.
            ticks = box.width / Length(1, unit).millimetres
            self.assertEqual(ticks.denominator, 1)

    @given(st.integers(200, 3000), st.lists(st.integers(1, 100), min_size=1, max_size=8), UNITS, UNITS)
    def test_what_is_read_off_a_ruler_adds_up_to_the_whole(self, ticks, weights, unit, shown):
        whole = Length(ticks, unit)
        parts = [whole.millimetres * weight / sum(weights) for weight in weights]
        found = as_read(whole, parts, shown)
        self.assertEqual(sum(one.ticks for one in found), as_read(whole, [whole.millimetres], shown)[0].ticks)
        step = Length(4 if shown == "in" else 10, shown).millimetres
        for part, one in zip(parts, found, strict=True):
            self.assertLess(abs(one.millimetres - part), 1.5 * step)

    def test_another_unit_on_screen_changes_nothing_that_is_cut(self):
        pieces = [piece(1, reveal=length("3", "mm"))]
        box = laid_out(CARD, pieces)[1]
        self.assertEqual(cut_size(pieces[0], of_size(CARD), "in").text(), "4 × 5 1/4 in")
        self.assertEqual(box.width, read_length("4", "in").millimetres)

    def test_places_by_edges_thirds_middle_and_offsets(self):
        small = size("1", "1")
        base = of_size(CARD)
        for across, wanted in ((Across.LEFT, 0), (Across.CENTRE, (base.width - Fraction(254, 10)) / 2),
                               (Across.RIGHT, base.width - Fraction(254, 10)),
                               (Across.LEFT_THIRD, base.width / 3 - Fraction(127, 10))):  # fmt: skip
            box = laid_out(CARD, [piece(1, size=small, place=Place(across, Down.TOP))])[1]
            self.assertLessEqual(abs(box.x - wanted), Fraction(1, 2 * RASTER))
            self.assertEqual(box.y, 0)
        moved = Place(Across.RIGHT, Down.BOTTOM, Length(-16, "in"), Length(5, "mm"))
        box = laid_out(CARD, [piece(1, size=small, place=moved)])[1]
        self.assertEqual(box.right, base.right - Fraction(254, 40))
        self.assertEqual(box.bottom, base.bottom + Fraction(1, 2))

    def test_what_cannot_be_says_what_and_where(self):
        for pieces, words in (
            ([piece(1, 2), piece(2, 1)], "in a circle: piece 1, piece 2"),
            ([piece(1, 1)], "in a circle"),
            ([piece(1, 7)], "lies on a piece that is not there"),
            ([piece(1, reveal=length("2 1/8"))], "leaves nothing of piece 1"),
            ([replace(piece(1), reveal=None)], "neither a reveal nor a size"),
        ):
            with self.subTest(words), self.assertRaises(BadInput) as caught:
                laid_out(CARD, pieces)
            self.assertIn(words, str(caught.exception))
        for text in ("-1", "four and a quarter", "0 cards"):
            with self.assertRaises(BadInput):
                length(text)
        with self.assertRaises(BadInput):
            read_length("3000 mm", "mm")

    def test_order_is_from_the_lowest_up_and_tucked_goes_under(self):
        pieces = [piece(3, 1, size=size("1", "1")), piece(1), piece(2, 1, size=size("1", "1"), tucked=True)]
        self.assertEqual([one.key for one in in_order(pieces)], [1, 2, 3])

    @given(st.integers(0, 5000), UNITS, UNITS)
    def test_floor_is_the_longest_in_whole_ticks(self, ticks, unit, other):
        exact = Length(ticks, unit).millimetres
        found = Length.floor(exact, other)
        self.assertTrue(0 <= exact - found.millimetres < Length(1, other).millimetres)
        self.assertEqual(Length.floor(exact, unit), Length(ticks, unit))
        self.assertEqual(set(TICKS), {"in", "mm"})


class FittingTests(unittest.TestCase):
    def fit(self, one, *more):
        pieces = [one, *more]
        return fits(laid_out(CARD, pieces), pieces, "in")[0]

    def test_inside_too_large_and_hanging_over(self):
        self.assertIs(self.fit(piece(1)).finding.status, Status.HOLDS)
        wide = self.fit(piece(1, size=size("5", "2")))
        self.assertEqual((wide.finding.status, wide.fits_turned), (Status.FAILS, True))
        self.assertEqual(wide.finding.reason, "is larger than what it lies on: it fits turned by a quarter")
        self.assertEqual(wide.finding.figure, "5 in × 2 in on 4 1/4 in × 5 1/2 in")
        huge = self.fit(piece(1, size=size("6", "6")))
        self.assertEqual(
            (huge.fits_turned, huge.finding.reason), (False, "is larger than what it lies on, turned too")
        )
        off = Place(Across.RIGHT, Down.TOP, Length(16, "in"), Length(-8, "in"))
        moved = self.fit(piece(1, size=size("2", "2"), place=off))
        self.assertEqual(moved.finding.reason, "hangs 1/8 in over the top, 1/4 in over the right")

    def test_what_is_trimmed_off_can_fill_elsewhere(self):
        bunch = piece(1, size=size("6", "4"), trimmed=True)
        found = self.fit(bunch)
        self.assertEqual((found.finding.status, len(found.trimmings)), (Status.HOLDS, 2))
        self.assertIn("trimmed", found.finding.reason)
        area = sum(one.width * one.height for one in found.trimmings)
        self.assertEqual(area, of_size(size("6", "4")).width * of_size(size("6", "4")).height
                         - of_size(CARD).width * of_size(size("6", "4")).height)  # fmt: skip
        self.assertEqual(len(to_use_elsewhere(found.trimmings)), 2)
        self.assertEqual(to_use_elsewhere([Box(Fraction(0), Fraction(0), Fraction(5), Fraction(90))]), [])

    @given(st.integers(1, 600), st.integers(1, 600), st.integers(-300, 300), st.integers(-300, 300))
    def test_trimmings_and_what_stays_make_up_the_piece(self, wide, high, right, below):
        place = Place(Across.LEFT, Down.TOP, Length(right, "in"), Length(below, "in"))
        one = piece(1, size=Size(Length(wide, "in"), Length(high, "in")), place=place, trimmed=True)
        box, base = laid_out(CARD, [one])[1], of_size(CARD)
        found = self.fit(one)
        stays = box.shared(base)
        area = sum(part.width * part.height for part in found.trimmings)
        self.assertEqual(area + (stays.width * stays.height if stays else 0), box.width * box.height)


class StackingTests(unittest.TestCase):
    def test_each_rests_on_the_highest_under_it(self):
        pieces = [
            piece(1),
            piece(2, 1, size=size("1", "1"), place=Place(Across.LEFT, Down.TOP), raised=Raised.TAPE),
            piece(3, 1, size=size("1", "1"), place=Place(Across.RIGHT, Down.BOTTOM)),
            piece(4, 1, size=size("4", "1/2"), place=Place(Across.CENTRE, Down.TOP), kind=Kind.VELLUM),
        ]
        found = heights(laid_out(CARD, pieces), pieces)
        card, foam, vellum = (
            figures.building.THICKNESS["card"],
            figures.building.FOAM["foam-tape"],
            figures.building.THICKNESS["vellum"],
        )
        self.assertAlmostEqual(found[1].top, card)
        self.assertAlmostEqual(found[2].bottom, card + foam)
        self.assertAlmostEqual(found[3].bottom, card)
        self.assertAlmostEqual(found[4].bottom, found[2].top)
        self.assertAlmostEqual(found[4].top, found[2].top + vellum)
        self.assertAlmostEqual(thickness(found), 2 * figures.building.THICKNESS["base"] + found[4].top)

    def test_a_bare_card_is_two_sheets_thick(self):
        self.assertAlmostEqual(
            thickness(heights(laid_out(CARD, []), [])), 2 * figures.building.THICKNESS["base"]
        )

    def test_the_post(self):
        self.assertIn("no postal limit", examine_thickness(4, None).reason)
        self.assertIs(examine_thickness(4, 5).status, Status.HOLDS)
        self.assertEqual(examine_thickness(6, 5).reason, "thicker than your post takes")

    def test_every_usual_card_has_an_envelope_and_a_thick_one_is_padded(self):
        for card in USUAL_SIZES:
            found = matching_envelope(card)
            self.assertIsNotNone(found, card.text())
            self.assertIs(examine_envelope(card.turned(), found).status, Status.HOLDS)
            for stands in (Bulk(4, 1), Bulk(4, 3)):  # layers, foam and drops
                self.assertIs(examine_envelope(card, found, stands).status, Status.HOLDS, card.text())
        self.assertIsNone(matching_envelope(read_size("12", "12", "in")))
        own = matching_envelope(CARD)
        self.assertEqual(own.text(), "4 3/8 × 5 3/4 in")
        self.assertIs(examine_envelope(CARD, CARD).status, Status.FAILS)
        for stands in (Bulk(12, 0), Bulk(4, 4)):
            found = examine_envelope(CARD, own, stands)
            self.assertEqual((found.status, "pad it" in found.reason), (Status.LOOK_AGAIN, True))

    def test_what_stands_in_the_middle_takes_half_of_what_exceeds_four_millimetres(self):
        for stands, room in ((Bulk(4, 3), 0), (Bulk(6, 0), 1), (Bulk(6, 5), 2), (Bulk(3, 3.5), 0.5)):
            self.assertEqual(stands.room, room)


class TouchingTests(unittest.TestCase):
    def beside(self, *pieces):
        found = {}
        for one in neighbours(laid_out(CARD, pieces), pieces):
            found.setdefault(one.key, {})[one.beside] = round(one.share, 3)
        return found

    def test_a_mat_lies_beside_the_base_and_a_panel_beside_its_mat(self):
        self.assertEqual(self.beside(piece(1), piece(2, 1)), {1: {BASE: 1.0}, 2: {1: 1.0}})

    def test_a_picture_across_two_bands_lies_beside_both(self):
        card = read_size("4", "4", "in")
        bands = [
            piece(key, size=size("4", "2"), place=Place(Across.LEFT, down))
            for key, down in ((1, Down.TOP), (2, Down.BOTTOM))
        ]
        pieces = [*bands, piece(3, size=size("2", "2"))]
        found = [one for one in neighbours(laid_out(card, pieces), pieces) if one.key == 3]
        self.assertEqual({one.beside: one.share for one in found}, {1: 0.5, 2: 0.5})
        # Bands reach the card's edge: only the line between them is an edge that shows.
        band = {one.beside for one in neighbours(laid_out(card, pieces), pieces) if one.key == 1}
        self.assertEqual(band, {2})

    def test_what_is_covered_does_not_count(self):
        under = piece(1, size=size("2", "2"), place=Place(Across.LEFT, Down.TOP))
        cover = piece(2, size=size("3", "3"), place=Place(Across.LEFT, Down.TOP))
        self.assertEqual(self.beside(under, cover), {2: {BASE: 1.0}})
        half = piece(2, size=size("1", "3"), place=Place(Across.LEFT, Down.TOP))
        self.assertEqual(self.beside(under, half)[1], {BASE: 1.0})

    def test_an_edge_under_another_lies_beside_that(self):
        left = piece(1, size=size("2", "5 1/2"), place=Place(Across.LEFT, Down.TOP))
        right = piece(2, size=size("2 1/4", "5 1/2"), place=Place(Across.RIGHT, Down.TOP))
        self.assertEqual(self.beside(left, right), {1: {2: 1.0}, 2: {1: 1.0}})

    @given(
        st.lists(st.tuples(*[st.integers(1, 200)] * 2, *[st.integers(0, 250)] * 2), min_size=1, max_size=6)
    )
    def test_shares_add_up_to_one(self, given_pieces):
        pieces = [
            piece(key, size=Size(Length(wide, "in"), Length(high, "in")),
                  place=Place(Across.LEFT, Down.TOP, Length(right, "in"), Length(below, "in")))
            for key, (wide, high, right, below) in enumerate(given_pieces, start=1)
        ]  # fmt: skip
        sums = {}
        for one in neighbours(laid_out(CARD, pieces), pieces):
            self.assertNotEqual(one.key, one.beside)
            sums[one.key] = sums.get(one.key, 0) + one.share
        assume(sums)
        for whole in sums.values():
            self.assertAlmostEqual(whole, 1)


class StartTests(unittest.TestCase):
    COLOURS = tuple(
        PaletteColour(key, role.value, role, Anchor(None, (50.0, 0.0, 0.0), "typed"))
        for key, role in enumerate(Role, start=1)
    )

    def test_every_layout_fits_every_usual_card_standing_and_lying(self):
        self.assertGreaterEqual(len(STARTS), 6)
        for one in STARTS:
            for card in USUAL_SIZES:
                for turned in (card, card.turned()):
                    with self.subTest(one.key, card=turned.text()):
                        pieces = start(one.key, turned, self.COLOURS)
                        self.assertEqual(len({piece.key for piece in pieces}), len(pieces))
                        boxes = laid_out(turned, pieces)
                        for fit in fits(boxes, pieces, turned.width.unit):
                            self.assertIs(fit.finding.status, Status.HOLDS, fit)

    def test_pieces_take_the_palettes_roles_or_are_white(self):
        keys = {colour.role: colour.key for colour in self.COLOURS}
        framed = {one.name: one.material for one in start("framed", CARD, self.COLOURS)}
        self.assertEqual(framed["mat 1"], End("palette", keys[Role.DARK]))
        self.assertEqual(framed["panel"], End("palette", keys[Role.GROUND]))
        self.assertEqual({one.material for one in start("framed", CARD, ())}, {End("white")})
        with self.assertRaises(KeyError):
            start("pyramid", CARD, ())


class ShowingTests(unittest.TestCase):
    PIECES = (piece(1), piece(2, 1, size=size("2", "2")), piece(3, 1, size=size("1", "4")))

    def boxes(self, pieces=PIECES):
        boxes = laid_out(CARD, pieces)
        return [boxes[key] for key in (BASE, *(one.key for one in pieces))]

    def sides(self, pieces=PIECES):
        return edges(self.boxes(pieces))

    def test_the_topmost_at_a_point_and_below_a_place(self):
        middle, corner, beside = (53.975, 69.85), (1.0, 1.0), (-5.0, 10.0)
        x, y = np.array([middle, corner, beside, middle]).T
        found = topmost(self.sides(), x, y)
        self.assertEqual(found.tolist(), [3, 0, -1, 3])
        found = topmost(self.sides(), x, y, np.array([3, 3, 3, 1]))
        self.assertEqual(found.tolist(), [2, 0, -1, 0])

    @given(
        st.lists(
            st.tuples(
                st.integers(16, 400), st.integers(16, 400), st.integers(-200, 200), st.integers(-200, 200)
            ),
            max_size=7,
        )
    )
    def test_what_shows_of_all_pieces_makes_up_the_card(self, given_pieces):
        pieces = [
            piece(
                key,
                size=Size(Length(wide, "in"), Length(high, "in")),
                place=Place(right=Length(x, "in"), below=Length(y, "in")),
            )
            for key, (wide, high, x, y) in enumerate(given_pieces, start=1)
        ]
        boxes = self.boxes(pieces)
        areas = what_shows(edges(boxes))
        card = float(boxes[0].width * boxes[0].height)
        self.assertAlmostEqual(areas.sum(), card, places=6)
        self.assertTrue((areas >= 0).all())
        if pieces:
            last = boxes[-1].shared(boxes[0])
            self.assertAlmostEqual(areas[-1], float(last.width * last.height) if last else 0.0, places=6)

    def test_a_frame_shows_its_reveal(self):
        areas = what_shows(self.sides([piece(1, reveal=length("1/4"))]))
        self.assertAlmostEqual(areas[0], (4.25 * 5.5 - 3.75 * 5) * 25.4**2, places=6)


class LetteringTests(unittest.TestCase):
    def test_words_fill_their_box_on_one_line(self):
        box = laid_out(CARD, [piece(1, size=size("4", "1/2"))])[1]
        short, long = font_size(box, "hello"), font_size(box, "with love from all of us at the ferry landing")
        self.assertAlmostEqual(short, 12.7 * figures.building.TYPE_HEIGHT)
        self.assertLess(long, short)
        self.assertLessEqual(long * figures.building.TYPE_WIDTH * 45, 4 * 25.4 + 1e-9)
        self.assertLess(font_size(box, "CONGRATULATIONS TO YOU"), font_size(box, "Congratulations to you"))

    def test_only_what_is_large_and_bold_may_be_paler(self):
        large = figures.building.LARGE_CAPITALS / figures.building.TYPE_CAPITALS
        self.assertAlmostEqual(capitals(large), 3.5)
        self.assertIs(lettering_rule(large + 0.01, True), PairKind.LETTERING_LARGE)
        self.assertIs(lettering_rule(large - 0.01, True), PairKind.LETTERING_SMALL)
        self.assertIs(lettering_rule(3 * large, False), PairKind.LETTERING_SMALL)


class MendingFitTests(unittest.TestCase):
    def ways(self, one, *others):
        pieces = [*others, one]
        return ways_to_fit(one, laid_out(CARD, pieces))

    @given(
        st.integers(16, 420),
        st.integers(16, 420),
        st.integers(-200, 200),
        st.integers(-200, 200),
        st.sampled_from(Across),
        st.sampled_from(Down),
    )
    def test_every_way_that_is_offered_fits(self, wide, high, right, below, across, down):
        place = Place(across, down, Length(right, "in"), Length(below, "in"))
        one = piece(1, size=Size(Length(wide, "in"), Length(high, "in")), place=place)
        card = Card("card", CARD, build=Build(pieces=(one,)))
        assume(fits(laid_out(CARD, [one]), [one], "in")[0].finding.status is not Status.HOLDS)
        ways = ways_to_fit(one, laid_out(CARD, [one]))
        self.assertTrue(ways)
        for words, told in ways:
            after = EditPiece(1, told).apply(card).build.pieces
            (fit,) = fits(laid_out(CARD, after), after, "in")
            self.assertIs(fit.finding.status, Status.HOLDS, words)

    def test_what_only_hangs_over_is_moved_back_to_where_it_belongs(self):
        place = Place(Across.LEFT_THIRD, Down.TOP, right=Length(-200, "in"))
        words, told = self.ways(piece(1, size=size("1", "1"), place=place))[0]
        self.assertEqual((words, told["place"]["across"]), ("move it back", Across.LEFT_THIRD))
        wide = Place(Across.LEFT_THIRD, Down.TOP)
        _, told = self.ways(piece(1, size=size("3", "1"), place=wide))[0]
        self.assertEqual(told["place"]["across"], Across.LEFT)

    def test_a_slimline_pattern_on_a_smaller_panel(self):
        slim = piece(2, 1, size=size("3 1/2", "8 1/2"))
        self.assertEqual(
            [words for words, _ in self.ways(slim, piece(1))],
            ["cut it to 3 1/2 × 5 1/4 in", "trim it at the card's edge"],
        )
