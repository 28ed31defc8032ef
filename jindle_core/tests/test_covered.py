"""What shows of a card's pieces, and what of its pictures nobody need colour."""

import unittest

from hypothesis import given
from hypothesis import strategies as st

from jindle_core.card.changes.build import AddPiece
from jindle_core.card.changes.every import changed
from jindle_core.card.changes.ground import SetGround
from jindle_core.card.changes.palette import Waive
from jindle_core.card.changes.pictures import AreaFamily, SetDrawing, SetFamilies, areas_of
from jindle_core.card.ground import PadUse
from jindle_core.card.whole import Card
from jindle_core.checked.covering import covered_areas
from jindle_core.checked.whole import CheckedCard
from jindle_core.checks.finding import Status
from jindle_core.layers.pieces import Kind
from jindle_core.layers.shapes import Shape
from jindle_core.lengths import OF_PIECES, Length, read_size
from jindle_core.seen.whole import SeenCard
from jindle_core.tests.drawn_changes import DRAWING
from jindle_core.tests.made import MARKERS, some_supplies

SIZE = read_size("5 1/2", "4 1/4", "in")
KINDS = (Kind.PANEL, Kind.STRIP, Kind.IMAGE, Kind.FINISH, Kind.VELLUM, Kind.LETTERING)
LONG = st.integers(20, 120).map(lambda mm: Length(mm * 10, "mm"))
OFF = st.integers(-90, 90).map(lambda mm: Length(mm * 10, "mm"))


def sized(wide, high, **told):
    return {"size": read_size(wide, high, "in", OF_PIECES), **told}


def a_card(*pieces):
    """A card with a coloured picture, and pieces of kinds as told."""
    card = changed(Card("Tern", SIZE), SetDrawing(1, areas_of(DRAWING), 1.0))
    families = tuple(AreaFamily(area.key, tuple(MARKERS[:3])) for area in card.areas)
    card = changed(card, SetFamilies(families))
    for number, (kind, told) in enumerate(pieces):
        card = changed(card, AddPiece(kind, f"piece {number + 1}", told))
    return card


def checked(card):
    return CheckedCard(SeenCard(card, some_supplies(), {1: DRAWING}))


def checks_of(card, kind):
    return [one for one in checked(card).checks if one.id.kind == kind]


class CoveredTests(unittest.TestCase):
    @given(
        st.lists(st.tuples(st.sampled_from(KINDS), LONG, LONG, OFF, OFF, st.sampled_from(Shape)), max_size=6)
    )
    def test_what_shows_of_all_pieces_is_the_whole_card(self, drawn):
        card = a_card()
        for number, (kind, wide, high, right, below, shape) in enumerate(drawn):
            told = {"size": type(SIZE)(wide, high), "place": {"right": right, "below": below}, "shape": shape}
            card = changed(card, AddPiece(kind, f"piece {number}", told))
        covered = checked(card).examined.covered
        whole = covered.bodies[0].area
        for face in covered.areas:
            self.assertAlmostEqual(sum(face.values()) / whole, 1, places=6)
            self.assertGreaterEqual(min(face.values()), 0)
        for shows in (*covered.pieces.values(), *(one.shows for one in covered.of_pictures.values())):
            self.assertTrue(-1e-9 <= shows <= 1 + 1e-9)

    def test_a_mat_whose_frame_vanishes_and_a_strip_below_a_panel(self):
        card = a_card(
            (Kind.MAT, sized("4", "3")), (Kind.STRIP, sized("3", "1")), (Kind.PANEL, sized("4 1/2", "3 1/2"))
        )
        mat, strip = checks_of(card, "shows")
        self.assertEqual((mat.title, mat.finding.status), ("piece 1 under piece 3", Status.FAILS))
        self.assertEqual(
            (mat.finding.reason, strip.finding.reason), ("its frame vanishes", "nothing of it shows")
        )
        up, gone = strip.to_mend()
        self.assertEqual(up.words, "bring piece 2 up")
        self.assertNotIn(strip.key, [one.key for one in checks_of(changed(card, up.change), "shows")])
        self.assertEqual(len(changed(card, gone.change).build.pieces), 2)

    def test_an_area_under_the_words_is_left_uncoloured(self):
        over = (Kind.PANEL, sized("3", "2", place={"below": Length(-32, "in")}))
        card = a_card((Kind.IMAGE, sized("3", "3")), over)
        covered = checked(card).examined.covered
        found = checks_of(card, "covered")
        # What several areas have in common is said once, and mended at once.
        (one,) = found
        self.assertIn(one.id.key, covered.needless)
        self.assertGreater(len(covered.needless), 1)
        self.assertIn(f"and {len(covered.needless) - 1} more under piece 2", one.title)
        self.assertEqual(one.finding.reason, "leave them uncoloured")
        (mend,) = one.to_mend()
        after = changed(card, mend.change)
        self.assertEqual(checks_of(after, "covered"), [])
        self.assertFalse(any(after.area(key).family for key in covered.needless))
        listed = covered_areas(checked(card).examined)
        self.assertEqual({one.area for one in listed}, covered.needless)
        for one in listed:
            self.assertEqual((one.picture, one.words, one.by), (1, card.area(one.area).name, "piece 2"))
            self.assertAlmostEqual(one.covered, 1 - covered.of_pictures[one.area].shows)
            self.assertGreater(one.covered, 0.5)
        waived = changed(card, Waive(found[0].key, "it is lifted up"))
        self.assertEqual(len(waived.waivers), 1)
        self.assertEqual(changed(waived, mend.change).waivers, ())

    def test_patterned_paper_goes_under_what_lies_there(self):
        card = a_card((Kind.IMAGE, sized("3", "3")), (Kind.PAPER, sized("5", "4")))
        self.assertEqual([one.kind for one in card.build.pieces], [Kind.PAPER, Kind.IMAGE])
        self.assertEqual(checked(card).examined.covered.needless, frozenset())

    def test_shown_twice_an_area_is_needed_where_one_of_them_shows_it(self):
        over = (Kind.PANEL, sized("2", "2", place={"right": Length(-100, "in")}))
        first = (Kind.IMAGE, sized("2", "2", place={"right": Length(-100, "in")}))
        second = (Kind.IMAGE, sized("2", "2", place={"right": Length(100, "in")}))
        self.assertTrue(checked(a_card(first, over)).examined.covered.needless)
        self.assertEqual(checked(a_card(first, second, over)).examined.covered.needless, frozenset())

    def test_a_stamped_picture_is_covered_too(self):
        over = (Kind.PANEL, sized("3", "2", place={"below": Length(-32, "in")}))
        under = (Kind.PANEL, sized("5", "4"))
        card = a_card(under, (Kind.IMAGE, sized("3", "3", on=1, stamped=True)), over)
        self.assertTrue(checked(card).examined.covered.needless)

    def test_what_one_sees_through_covers_nothing(self):
        for kind in (Kind.VELLUM, Kind.LETTERING, Kind.CUT_WORDS):
            card = a_card((Kind.IMAGE, sized("3", "3")), (kind, sized("4", "4")))
            self.assertEqual(checked(card).examined.covered.needless, frozenset())

    def test_the_share_of_the_ground_that_stays_visible(self):
        half = (Kind.STRIP, sized("4", "1", place={"below": Length(0, "in")}))
        card = a_card((Kind.PANEL, sized("4", "2")), half)
        self.assertIsNone(checked(card).examined.covered.ground)
        laid = changed(card, SetGround({"pads": (PadUse(1),)}))
        self.assertAlmostEqual(checked(laid).examined.covered.ground, 0.5)
