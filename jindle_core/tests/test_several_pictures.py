"""Several pictures on one card: they follow one another, lie side by side, are stamped again and mirrored."""

import unittest
from dataclasses import replace

import numpy as np
from hypothesis import given
from hypothesis import strategies as st

from jindle_core.card.changes.build import AddPiece, EditPiece
from jindle_core.card.changes.every import changed
from jindle_core.card.changes.palette import AddColour
from jindle_core.card.changes.pictures import (
    AddArea,
    AddPicture,
    AreaFamily,
    EditAreas,
    FollowArea,
    NamePicture,
    RemoveArea,
    RemovePicture,
    SetColouring,
    SetDrawing,
    SetFamilies,
    areas_of,
)
from jindle_core.card.sound import sound
from jindle_core.card.whole import Anchor, Card
from jindle_core.checked.whole import CheckedCard
from jindle_core.checks.finding import Status
from jindle_core.colorimetry.difference import delta_e
from jindle_core.errors import BadInput
from jindle_core.layers.pieces import WHITE_END, Kind, Raised
from jindle_core.lengths import Length, read_size
from jindle_core.material import End
from jindle_core.palettes.role import Role
from jindle_core.planning.cutting import Cutting
from jindle_core.seen.stamped import on_part
from jindle_core.seen.whole import SeenCard
from jindle_core.tests.drawn_changes import DRAWING
from jindle_core.tests.made import BOARDS, LABS, MARKERS, some_supplies

SUPPLIES = some_supplies()
FIN, EYE, FIN_TOO, EYE_TOO = 1, 2, 3, 4
INSIDE = st.integers(0, 96).map(
    lambda n: (n + 0.37) / 97
)  # on no edge of the drawing, where rounding decides


def a_card(*changes):
    """A card with a bird, and a second that is coloured as the first."""
    card = Card("Two birds", read_size("5 1/2", "4 1/4", "in"))
    for change in (
        AddColour(Anchor(None, (46.0, -18.0, -26.0), "typed"), "teal", Role.LEAD),
        AddColour(Anchor(None, (45.0, 40.0, 40.0), "typed"), "rust", Role.ACCENT),
        SetDrawing(1, areas_of(DRAWING), 1.0),
        SetFamilies((AreaFamily(FIN, tuple(MARKERS[:3])),)),
        AddPicture("second bird", like=1),
        *changes,
    ):
        card = changed(card, change)
    return card


def seen(card):
    return SeenCard(card, SUPPLIES, {1: DRAWING})


def as_coloured(card, key):
    return card.followed(card.area(key))


class FollowingTests(unittest.TestCase):
    def test_a_picture_like_another_has_its_drawing_and_follows_its_areas(self):
        card = a_card()
        self.assertEqual(
            [(one.key, one.name, one.drawing) for one in card.pictures][1:], [(2, "second bird", 1)]
        )
        self.assertEqual(
            [(one.key, one.name, one.like) for one in card.pictures[1].areas], [(3, "fin", 1), (4, "eye", 2)]
        )
        later = changed(card, SetFamilies((AreaFamily(FIN, tuple(MARKERS[1:4])),)))
        self.assertEqual(as_coloured(later, FIN_TOO).family, tuple(MARKERS[1:4]))
        self.assertEqual(
            seen(later).coloured[1].tones[FIN_TOO].places, seen(later).coloured[0].tones[FIN].places
        )

    def test_what_is_said_of_an_area_ends_its_following_and_no_other(self):
        for change in (
            EditAreas((FIN_TOO,), colour=2),
            EditAreas((FIN_TOO,), layers=2),
            SetFamilies((AreaFamily(FIN_TOO, tuple(MARKERS[:2])),)),
        ):
            card = changed(a_card(), change)
            self.assertEqual([one.like for one in card.pictures[1].areas], [None, EYE])
        named = changed(a_card(), EditAreas((FIN_TOO,), name="flipper", focal=True))
        self.assertEqual(
            (named.area(FIN_TOO).like, as_coloured(named, FIN_TOO).family), (FIN, tuple(MARKERS[:3]))
        )

    def test_several_areas_are_said_at_once(self):
        card = a_card(EditAreas((FIN, EYE, EYE_TOO), colour=2))
        self.assertEqual([as_coloured(card, key).colour for key in (1, 2, 3, 4)], [2, 2, 2, 2])
        with self.assertRaisesRegex(BadInput, "at a time"):
            changed(card, EditAreas((FIN, EYE), name="both"))

    def test_what_is_followed_may_go_and_nothing_looks_other_for_it(self):
        drawn = a_card(EditAreas((EYE,), colour=2))
        for gone in (RemoveArea(EYE), RemovePicture(1), SetDrawing(None)):
            card = changed(drawn, gone)
            self.assertEqual(as_coloured(card, EYE_TOO).colour, 2)
            self.assertEqual(sound(card), card)
        self.assertIsNone(changed(drawn, RemovePicture(1)).area(EYE_TOO).like)

    def test_nothing_follows_itself(self):
        card = a_card()
        for keys, like in (((FIN,), FIN), ((FIN,), FIN_TOO), ((EYE, FIN), FIN_TOO)):
            with self.assertRaisesRegex(BadInput, "coloured as"):
                changed(card, FollowArea(keys, like))
        broken = card.with_areas(lambda area: replace(area, like=FIN_TOO) if area.key == FIN else area)
        with self.assertRaisesRegex(BadInput, "say of one how"):
            sound(broken)
        free = changed(card, FollowArea((FIN_TOO,), None))
        self.assertEqual((free.area(FIN_TOO).like, free.area(FIN_TOO).family), (None, tuple(MARKERS[:3])))
        chained = changed(changed(card, AddArea("wing", picture=2)), FollowArea((5,), FIN_TOO))
        self.assertEqual(as_coloured(chained, 5).family, tuple(MARKERS[:3]))

    def test_pictures_are_named_limited_and_one_is_always_left(self):
        card = changed(a_card(), NamePicture(2, "bird in rust"))
        self.assertEqual(card.picture(2).name, "bird in rust")
        with self.assertRaisesRegex(BadInput, "no picture 7"):
            changed(card, NamePicture(7, "bird"))
        for _ in range(28):
            card = changed(card, AddPicture("one more"))
        with self.assertRaisesRegex(BadInput, "30 pictures"):
            changed(card, AddPicture("one too many"))
        bare = Card("bare", card.size)
        self.assertEqual([one.key for one in changed(bare, RemovePicture(1)).pictures], [2])


class ShownTests(unittest.TestCase):
    def built(self, *changes):
        size = {"size": read_size("1", "1", "in")}
        return a_card(
            AddPiece(Kind.IMAGE, "first", size),
            AddPiece(Kind.IMAGE, "again", size | {"mirrored": True}),
            AddPiece(Kind.IMAGE, "other", size | {"picture": 2}),
            *changes,
        )

    def test_without_pieces_they_lie_side_by_side(self):
        card = a_card()
        first, second = (part for part in CheckedCard(seen(card)).laid.parts if part.shape == "drawing")
        self.assertEqual((first.picture, second.picture), (1, 2))
        self.assertAlmostEqual(first.x + first.width, second.x)
        self.assertEqual((first.y, first.height), (second.y, second.height))
        self.assertLess(second.x + second.width, float(card.size.width.millimetres))

    @given(INSIDE, INSIDE)
    def test_mirrored_it_shows_what_it_showed_on_the_other_side(self, across, down):
        stack = seen(self.built()).stack
        first, again, _ = (part for part in stack.where.parts[0] if part.shape == "drawing")
        x, y = np.array([first.x + across * first.width]), np.array([first.y + down * first.height])
        other = np.array([again.x + again.width - across * again.width])
        covered, labs = stack.look.pictured.at(first, x, y)
        covered_too, labs_too = stack.look.pictured.at(again, other, y)
        self.assertEqual(covered, covered_too)
        np.testing.assert_array_equal(labs, labs_too)
        np.testing.assert_array_equal(
            stack.look.pictured.at(replace(again, mirrored=False), x, y)[1],
            stack.look.pictured.at(first, x, y)[1],
        )

    def test_outlines_are_mirrored_too(self):
        stack = seen(self.built()).stack
        first, again, _ = (part for part in stack.where.parts[0] if part.shape == "drawing")
        edge, mirrored = stack.look.pictured.edge(first), stack.look.pictured.edge(again)
        np.testing.assert_allclose(edge.places[:, 0] - first.x, again.x + again.width - mirrored.places[:, 0])
        np.testing.assert_array_equal(edge.labs, mirrored.labs)

    def test_a_piece_shows_a_picture_that_there_is_and_goes_with_it(self):
        card = self.built()
        with self.assertRaisesRegex(BadInput, "no picture 9"):
            changed(card, EditPiece(1, {"picture": 9}))
        left = changed(card, RemovePicture(1))
        self.assertEqual([one.name for one in left.build.pieces], ["other"])
        self.assertEqual(sound(left), left)

    def test_each_is_cut_out_of_its_own_paper_and_checked_by_itself(self):
        card = self.built(
            SetColouring({"line": "dye"}, 2), EditAreas((FIN_TOO,), colour=2), NamePicture(2, "rust")
        )
        stack = seen(card).stack
        self.assertEqual([one.picture.key for one in stack.look.drawn_on(*stack.look.faces)], [1, 2])
        checks = {str(one.id): one.title for one in CheckedCard(seen(card)).checks}
        (clash,) = [title for key, title in checks.items() if key.startswith("conflict:")]
        self.assertIn("in rust", clash)
        self.assertIn("in picture", checks["family:1"])
        desk = CheckedCard(seen(card)).desk
        self.assertEqual(sorted(desk.pictures), [1, 2])


class FitTests(unittest.TestCase):
    def fit(self, **told):
        """How a bird lies whose drawing leaves its lower half empty, on a panel, moved down."""
        panel = AddPiece(Kind.PANEL, "panel", {"size": read_size("4", "3", "in")})
        bird = {"on": 1, "size": read_size("2", "2", "in"), "place": {"below": Length(64, "in")}} | told
        card = changed(changed(a_card(), panel), AddPiece(Kind.IMAGE, "bird", bird))
        return CheckedCard(seen(card)).examined.fits[2].finding

    def test_a_picture_fits_by_what_is_cut_out_not_by_its_box(self):
        found = self.fit()
        self.assertEqual((found.status, found.reason), (Status.HOLDS, "what is cut out lies on it"))
        self.assertIs(self.fit(turn=180.0).status, Status.FAILS)
        self.assertIs(self.fit(place={"below": Length(-40, "in")}).status, Status.FAILS)


class StampedTests(unittest.TestCase):
    """A picture straight on a panel: its colours over what is really under it."""

    def on(self, material, **told):
        square = {"size": read_size("4", "4", "in")}
        card = changed(a_card(), AddPiece(Kind.PANEL, "panel", square | {"material": material}))
        card = changed(card, AddPiece(Kind.IMAGE, "bird", square | {"on": 1, "stamped": True} | told))
        return seen(card).stack

    def tones(self, stack):
        return stack.look.stamped(2).tones[FIN].lab

    def test_its_tones_are_those_on_what_is_under_it(self):
        kraft = seen(changed(a_card(), SetColouring({"paper": BOARDS[2]}))).picture(None).tones[FIN].lab
        np.testing.assert_allclose(self.tones(self.on(End("supply", BOARDS[2]))), kraft, atol=0.02)
        white = self.tones(self.on(WHITE_END))
        self.assertTrue((delta_e(white, kraft) > 3).all())

    @given(st.booleans(), st.sampled_from([0.0, 30.0, -90.0, 180.0]))
    def test_each_area_lies_over_its_own_part_of_the_ground(self, mirrored, turn):
        """Over black at the left, over white at the right; turned and mirrored it is the other way round."""
        half = {"size": read_size("2", "4", "in"), "material": End("supply", BOARDS[1])}
        black = AddPiece(Kind.PANEL, "black", half | {"place": {"right": Length(-64, "in")}})
        bird = {"size": read_size("4", "4", "in"), "mirrored": mirrored, "stamped": True, "turn": turn}
        stack = seen(changed(changed(a_card(), black), AddPiece(Kind.IMAGE, "bird", bird))).stack
        coloured, face = stack.look.stamped(2), stack.look.faces[0]
        inside = np.array([(20.0, 30.0)])  # of the fin
        places = np.stack(stack.where.as_turned(2, *on_part(DRAWING, face.parts[2], inside).T), axis=1)
        on_black = places[0, 0] < 5.5 / 2 * 25.4
        if turn in (0.0, 180.0):
            self.assertEqual(coloured.bare("fin")[0] < 50, on_black)
        covers, labs = stack.look.pictured.at(face.parts[2], *on_part(DRAWING, face.parts[2], inside).T)
        self.assertTrue(covers.all())
        np.testing.assert_allclose(labs[0], coloured.tones[FIN].lab.mean(axis=0))

    def test_where_nothing_is_coloured_the_ground_shows(self):
        stack = self.on(End("supply", BOARDS[1]))
        face = stack.look.faces[0]
        eye = np.stack(stack.where.as_turned(2, *on_part(DRAWING, face.parts[2], np.array([(80.0, 20.0)])).T))
        labs, places = stack.look.seen_at(face, *eye, np.array([3]))
        self.assertEqual(face.keys[places[0]], 1)
        np.testing.assert_allclose(labs[0], LABS[BOARDS[1]], atol=1e-6)
        self.assertTrue(
            CheckedCard(SeenCard(stack.palette.card, SUPPLIES, {1: DRAWING})).desk.pictures[-2].stamped
        )

    def test_it_is_ink(self):
        stack = self.on(WHITE_END, raised=Raised.TAPE, white_edge=True)
        self.assertEqual(stack.where.heights[2].top, stack.where.heights[1].top)
        cut = Cutting(stack, read_size("8 1/2", "11", "in"), 1)
        self.assertEqual([one.name for one in cut.pieces], ["base", "panel"])
        bird = changed(stack.palette.card, EditPiece(2, {"stamped": True})).build.piece(2)
        self.assertEqual((bird.raised, bird.white_edge), (Raised.FLAT, False))
        for told, words in (({"on": 2}, "nothing lies on ink"), ({"stamped": True}, "no picture")):
            with self.assertRaisesRegex(BadInput, words):
                panel = {"size": read_size("1", "1", "in")} | told
                changed(stack.palette.card, AddPiece(Kind.PANEL, "panel", panel))
