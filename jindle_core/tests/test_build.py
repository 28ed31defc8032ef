import unittest
from fractions import Fraction

from jindle_core import figures
from jindle_core.card.build import Build
from jindle_core.card.changes import palette as changes
from jindle_core.card.changes.build import (
    AddPiece,
    EditPiece,
    MovePiece,
    NudgePiece,
    RemovePiece,
    SetBuild,
    StartLayout,
)
from jindle_core.card.changes.every import changed
from jindle_core.card.changes.palette import SetCard
from jindle_core.card.layouts import STARTS, start
from jindle_core.card.references import named
from jindle_core.card.stored import card_from_json, card_to_json
from jindle_core.card.whole import Card
from jindle_core.errors import BadInput
from jindle_core.layers.folding import Fold
from jindle_core.layers.pieces import BASE, WHITE_END, Across, Down, InkedOver, Kind, Raised
from jindle_core.layers.sizing import cut_size, laid_out
from jindle_core.lengths import OF_PIECES, Length, Size, read_size
from jindle_core.material import End
from jindle_core.tests.test_plan import some_card

EIGHTH = Length(8, "in")


def built():
    """A mat on the card, a panel on the mat, a picture on the panel."""
    card = some_card()
    card = AddPiece(Kind.MAT, "mat", {"reveal": EIGHTH, "material": End("palette", 3)}).apply(card)
    card = AddPiece(Kind.PANEL, "panel", {"on": 1, "reveal": EIGHTH}).apply(card)
    size = Size(Length(64, "in"), Length(96, "in"))
    told = {"on": 2, "size": size, "raised": Raised.TAPE, "place": {"across": Across.LEFT_THIRD}}
    return AddPiece(Kind.IMAGE, "heron", told).apply(card)


def sizes(card):
    boxes = laid_out(card.size, card.build.pieces)
    return {
        piece.name: (float(boxes[piece.key].width), float(boxes[piece.key].height))
        for piece in card.build.pieces
    }


class BuildTests(unittest.TestCase):
    def test_stored_and_read_again(self):
        card = SetBuild({"fold": Fold.TOP, "post_limit": 6.0, "base": End("supply", 9),
                         "envelope": read_size("5", "7", "in")}).apply(built())  # fmt: skip
        self.assertEqual(card_from_json(card_to_json(card)), card)
        self.assertEqual(named(card).pieces, (9,))

    def test_another_size_or_reveal_and_everything_follows(self):
        card = built()
        before = sizes(card)
        turned = changes.SetCard(size=card.size.turned()).apply(card)
        self.assertEqual(sizes(turned)["panel"], before["panel"][::-1])
        self.assertEqual(sizes(turned)["heron"], before["heron"])
        wider = EditPiece(1, {"reveal": Length(16, "in")}).apply(card)
        for side in (0, 1):
            self.assertAlmostEqual(before["panel"][side] - sizes(wider)["panel"][side], 25.4 / 4)
        with self.assertRaises(BadInput) as caught:
            changes.SetCard(size=read_size("1", "1", "in")).apply(
                EditPiece(1, {"reveal": Length(32, "in")}).apply(card)
            )
        self.assertIn("leaves nothing of mat", str(caught.exception))

    def test_a_size_takes_the_reveal_away_and_the_other_way_round(self):
        size = Size(Length(128, "in"), Length(128, "in"))
        card = EditPiece(2, {"size": size}).apply(built())
        self.assertEqual((card.build.piece(2).reveal, card.build.piece(2).size), (None, size))
        card = EditPiece(2, {"reveal": EIGHTH}).apply(card)
        self.assertEqual((card.build.piece(2).reveal, card.build.piece(2).size), (EIGHTH, None))

    def test_a_place_is_changed_in_parts(self):
        card = EditPiece(3, {"place": {"down": Down.TOP}}).apply(built())
        place = card.build.piece(3).place
        self.assertEqual((place.across, place.down), (Across.LEFT_THIRD, Down.TOP))

    def test_what_lay_on_a_piece_that_goes_lies_on_what_that_lay_on(self):
        card = RemovePiece(2).apply(built())
        self.assertEqual([(one.key, one.on) for one in card.build.pieces], [(1, BASE), (3, 1)])
        self.assertEqual([one.on for one in RemovePiece(1).apply(card).build.pieces], [BASE])

    def test_a_colour_that_leaves_the_palette_leaves_white(self):
        card = changes.RemoveColour(3).apply(built())
        self.assertEqual(card.build.piece(1).material, WHITE_END)

    def test_moved_among_its_neighbours(self):
        card = AddPiece(
            Kind.STRIP, "strip", {"on": 2, "size": Size(Length(200, "in"), Length(32, "in"))}
        ).apply(built())
        self.assertEqual([one.key for one in MovePiece(4, 0).apply(card).build.pieces], [4, 1, 2, 3])
        self.assertEqual([one.key for one in MovePiece(1, 99).apply(card).build.pieces], [2, 3, 4, 1])

    def test_every_layout_starts_anew_in_the_palettes_roles(self):
        for one in STARTS:
            card = StartLayout(one.key).apply(built())
            self.assertTrue(card.build.pieces)
            self.assertEqual({piece.name for piece in card.build.pieces} & {"heron"}, set())
            if one.key != "halves":  # which leaves the card bare
                self.assertIn(End("palette", 2), [piece.material for piece in card.build.pieces])

    def test_what_cannot_be_is_refused_in_words_and_leaves_the_plan(self):
        card = built()
        for change, words in (
            (EditPiece(1, {"on": 3}), "in a circle"),
            (EditPiece(1, {"on": 77}), "not there"),
            (EditPiece(9, {}), "no piece 9"),
            (EditPiece(2, {"reveal": Length(200, "in")}), "leaves nothing of panel"),
            (EditPiece(1, {"material": End("palette", 77)}), "no colour with key 77"),
            (AddPiece(Kind.MAT, " ", {"reveal": EIGHTH}), "A name is wanted"),
            (AddPiece(Kind.MAT, "x", {}), "neither a reveal nor a size"),
            (StartLayout("pyramid"), "no layout “pyramid”"),
            (RemovePiece(8), "no piece 8"),
            (MovePiece(8, 0), "no piece 8"),
        ):
            with self.subTest(words), self.assertRaises(BadInput) as caught:
                change.apply(card)
            self.assertIn(words, str(caught.exception))
        full = card
        for number in range(figures.building.PIECES_LIMIT - len(card.build.pieces)):
            full = AddPiece(
                Kind.FINISH, f"dot {number}", {"size": Size(Length(40, "mm"), Length(40, "mm"))}
            ).apply(full)
        with self.assertRaises(BadInput):
            AddPiece(Kind.FINISH, "one more", {"size": Size(Length(40, "mm"), Length(40, "mm"))}).apply(full)
        self.assertEqual(laid_out(full.size, full.build.pieces)[60].width, Fraction(4))


class FacesTests(unittest.TestCase):
    def inside(self):
        card = AddPiece(Kind.PANEL, "inside panel", {"reveal": EIGHTH}, inside=True).apply(built())
        told = {"on": 4, "reveal": EIGHTH, "inked": InkedOver(77), "text": "wish you well"}
        return AddPiece(Kind.CUT_WORDS, "wish", told, inside=True).apply(card)

    def test_each_face_has_its_own_pieces_with_keys_of_their_own(self):
        card = self.inside()
        self.assertEqual([one.key for one in card.build.inside], [4, 5])
        self.assertEqual([one.key for one in card.build.pieces], [1, 2, 3])
        self.assertEqual(card.build.face(5), card.build.inside)
        self.assertEqual(card_from_json(card_to_json(card)), card)
        self.assertIn(77, named(card).pieces)
        self.assertEqual([one.key for one in MovePiece(5, 0).apply(card).build.inside], [5, 4])
        self.assertEqual([one.on for one in RemovePiece(4).apply(card).build.inside], [BASE])
        with self.assertRaises(BadInput):
            EditPiece(5, {"on": 2}).apply(card)  # it lies on the front

    def test_older_plans_have_nothing_inside(self):
        stored = card_to_json(built())
        for name in ("inside", "ground_on"):
            del stored["build"][name]
        for one in stored["build"]["pieces"]:
            for name in ("inked", "white_edge", "text", "bold"):
                del one[name]
        self.assertEqual(card_from_json(stored), built())

    def test_a_size_that_leaves_nothing_inside_is_refused(self):
        card = EditPiece(4, {"reveal": Length(60, "in")}).apply(self.inside())
        with self.assertRaises(BadInput) as caught:
            changes.SetCard(size=read_size("1 1/2", "1 1/2", "in")).apply(card)
        self.assertIn("leaves nothing of inside panel", str(caught.exception))

    def test_the_ground_lies_on_the_first_panel_unless_it_is_said_on_what(self):
        card = built()
        self.assertEqual((card.build.carrier, Build().carrier), (2, BASE))
        card = SetBuild({"ground_on": 1}).apply(card)
        self.assertEqual(card.build.carrier, 1)
        self.assertEqual(RemovePiece(1).apply(card).build.carrier, 2)
        for wrong in (9, 4):
            with self.assertRaises(BadInput):
                SetBuild({"ground_on": wrong}).apply(self.inside())

    def test_moved_by_whole_ticks_and_what_lies_on_it_goes_along(self):
        card = NudgePiece(2, 1.5875, -0.4).apply(built())
        place = card.build.piece(2).place
        self.assertEqual((place.right, place.below), (Length(4, "in"), Length(-1, "in")))
        before, after = (laid_out(one.size, one.build.pieces)[3] for one in (built(), card))
        self.assertEqual(float(after.x - before.x), 1.5875)
        back = NudgePiece(2, -1.5875, 0.4).apply(card).build.piece(2).place
        self.assertEqual((back.right.ticks, back.below.ticks), (0, 0))
        far = NudgePiece(2, 1e6, 0).apply(card).build.piece(2).place
        self.assertEqual(far.right, Length(1537, "in"))  # 610 mm

    def test_too_many_words_are_refused(self):
        with self.assertRaises(BadInput):
            EditPiece(5, {"text": "x" * 500}).apply(self.inside())

    def test_a_layouts_picture_takes_the_proportion_of_the_drawing(self):
        card = read_size("5 1/2", "4 1/4", "in")
        for layout in STARTS:
            for proportion in (0.4, 1.0, 2.5):
                (shaped,) = [
                    one for one in start(layout.key, card, (), 1, proportion) if one.kind is Kind.IMAGE
                ]
                (plain,) = [one for one in start(layout.key, card, ()) if one.kind is Kind.IMAGE]
                wide, high = shaped.size.width.millimetres, shaped.size.height.millimetres
                self.assertAlmostEqual(float(wide / high), proportion, delta=0.12 * proportion)
                self.assertLessEqual(wide, plain.size.width.millimetres)
                self.assertLessEqual(high, plain.size.height.millimetres)


CARD = read_size("5 1/2", "4 1/4", "in")


class SmallerTests(unittest.TestCase):
    def test_words_stay_as_large_when_their_strip_goes(self):
        card = changed(
            Card("Heron", CARD),
            AddPiece(Kind.STRIP, "strip", {"size": read_size("3", "3/4", "in", OF_PIECES)}),
        )
        card = changed(
            card, AddPiece(Kind.LETTERING, "words", {"on": 1, "reveal": Length(4, "in"), "text": "hi"})
        )
        before = cut_size(card.build.piece(2), laid_out(CARD, card.build.pieces)[1], "in")
        card = changed(card, RemovePiece(1))
        self.assertEqual((card.build.piece(2).size, card.build.piece(2).on), (before, 0))

    def test_on_a_smaller_card_finishing_pieces_lie_where_they_did_and_none_is_off_it(self):
        place = {"right": Length(152, "in"), "below": Length(-110, "in")}
        dot = {"size": read_size("1/8", "1/8", "in", OF_PIECES), "place": place}
        card = changed(Card("Heron", CARD), AddPiece(Kind.FINISH, "dot", dot))
        small = changed(card, SetCard(size=read_size("3", "2 1/2", "in")))
        box, base = (laid_out(small.size, small.build.pieces)[key] for key in (1, 0))
        self.assertTrue(box.inside(base))
        back = changed(small, SetCard(size=CARD)).build.piece(1).place
        self.assertLess(abs(back.right.ticks - 152), 3)
