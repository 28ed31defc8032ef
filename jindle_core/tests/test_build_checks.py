"""Checks of a card that is built of pieces, as its maker meets them, and what mends each."""

import unittest
from dataclasses import replace

from jindle_core.card.changes.build import AddPiece, EditPiece, MovePiece, RemovePiece, SetBuild
from jindle_core.card.changes.every import changed
from jindle_core.card.changes.ground import SetGround
from jindle_core.card.changes.palette import AddColour, RemoveColour, SetCard, Waive
from jindle_core.card.ground import PadUse
from jindle_core.card.whole import Anchor, Card
from jindle_core.checked.whole import CheckedCard
from jindle_core.checks.finding import Status
from jindle_core.errors import BadInput
from jindle_core.layers.pieces import WHITE_END, Kind, Raised
from jindle_core.lengths import OF_PIECES, Size, read_length, read_offset, read_size
from jindle_core.material import End
from jindle_core.palettes.role import Role
from jindle_core.seen.whole import SeenCard
from jindle_core.supplies.colours import SupplyColour
from jindle_core.tests.made import some_supplies

POND, MIST, SLATE = (End("palette", key) for key in (1, 2, 3))
COLOURS = (
    ("pond", Role.LEAD, (55.0, -5.0, -35.0)),
    ("mist", Role.GROUND, (80.0, -5.0, -18.0)),
    ("slate", Role.DARK, (20.0, 0.0, 0.0)),
)


def said(**told):
    """What is said of a piece, its lengths as they are typed."""
    place = {name: told.pop(name) for name in ("across", "down") if name in told}
    place |= {name: read_offset(told.pop(name), "in", name) for name in ("right", "below") if name in told}
    if "reveal" in told:
        told["reveal"] = read_length(told["reveal"], "in", "reveal", OF_PIECES)
    if "width" in told:
        sides = (read_length(told.pop(side), "in", side, OF_PIECES) for side in ("width", "height"))
        told["size"] = Size(*sides)
    return told | ({"place": place} if place else {})


class BuildChecksTestCase(unittest.TestCase):
    def setUp(self):
        self.supplies = some_supplies()

    def supply(self, pk, lab):
        """A cardstock of that colour, from now on."""
        row = SupplyColour(pk, 2, f"OAR-{pk}", "", "", "read", False, *map(float, lab))
        self.supplies = replace(self.supplies, rows=(*self.supplies.rows, row))
        return End("supply", pk)

    def checked(self, card):
        return CheckedCard(SeenCard(card, self.supplies))

    def full_card(self):
        card = Card("Heron", read_size("5 1/2", "4 1/4", "in"))
        for name, role, lab in COLOURS:
            card = changed(card, AddColour(Anchor(None, lab, "read"), name, role))
        return card

    def add(self, card, name, kind=Kind.PANEL, material=WHITE_END, inside=False, **told):
        return changed(card, AddPiece(kind, name, {"material": material} | said(**told), inside))

    def edit(self, card, key, **told):
        return changed(card, EditPiece(key, said(**told)))

    def built(self):
        """A slate mat on the card, a mist panel on it, a white strip with slate words on that."""
        card = self.add(self.full_card(), "mat", Kind.MAT, SLATE, reveal="1/8")
        card = self.add(card, "panel", Kind.PANEL, MIST, on=1, reveal="1/8")
        card = self.add(card, "strip", Kind.STRIP, on=2, width="3", height="3/4")
        return self.add(card, "words", Kind.LETTERING, SLATE, on=3, reveal="1/16", text="hello")

    def check(self, card, key):
        return next((one for one in self.checked(card).judged if one.id == key), None)

    def found(self, card, key):
        return self.check(card, key).finding

    def open(self, card):
        """What is not well with it, but for what card it is cut from: of that there is little here."""
        return {
            one.id
            for one in self.checked(card).judged
            if one.finding.status is not Status.HOLDS and one.waived is None and one.kind != "cut"
        }

    def mends(self, card, key):
        (check,) = [one for one in self.checked(card).checks if one.key == key]
        return check.to_mend()

    def parts(self, card):
        return {one.part.piece: one for one in self.checked(card).desk.front}

    def assertMends(self, card, key):
        """Every mend of a check makes it hold with the figure that was promised."""
        mends = self.mends(card, key)
        self.assertTrue(mends, self.check(card, key))
        for mend in mends:
            with self.subTest(mend.words):
                after = changed(card, mend.change, self.checked(card).seen.palette.pairs)
                check = self.check(after, key)
                if check is not None:
                    self.assertIs(check.finding.status, Status.HOLDS)
                    if mend.figure:
                        self.assertEqual(check.finding.figure, mend.figure)
                self.assertLess(len(self.open(after)), len(self.open(card)))


class StackTests(BuildChecksTestCase):
    def test_a_card_of_pieces_is_judged_by_what_lies_where_and_no_more_by_its_pairs(self):
        self.assertTrue(self.checked(self.full_card()).seen.palette.pairs)
        card = self.built()
        self.assertEqual(self.checked(card).seen.palette.pairs, ())
        self.assertEqual(self.open(card), set())
        self.assertEqual(self.check(card, "stands:2").title, "panel beside mat")

    def test_a_mat_that_cannot_be_told_from_its_panel(self):
        card = self.edit(self.built(), 1, material=MIST)
        self.assertEqual(
            (self.found(card, "stands:2").status, self.check(card, "stands:2").stage), ("fails", "build")
        )
        self.assertIn("cannot be told", self.found(card, "stands:2").reason)
        self.assertMends(card, "stands:2")

    def test_words_by_their_size_and_weight(self):
        card = self.edit(self.built(), 4, material=self.supply(71, (60, 0, 0)))
        large = self.found(card, "stands:4")
        self.assertEqual((large.status, large.limit), ("holds", "2.5 : 1 and ΔL* 30"))
        light = self.found(self.edit(card, 4, bold=False), "stands:4")
        self.assertEqual((light.status, light.limit), ("fails", "4 : 1 and ΔL* 40"))
        card = self.edit(card, 4, bold=True, text="a great many words that must all go onto one narrow strip")
        self.assertEqual(self.found(card, "stands:4").status, "fails")
        self.assertMends(card, "stands:4")

    def test_words_that_something_covers(self):
        card = self.add(self.built(), "leaf", Kind.STRIP, POND, on=3, width="1", height="3/4")
        found = self.found(card, "stands:4")
        self.assertEqual((found.status, found.reason), ("fails", "is covered by leaf"))
        self.assertMends(card, "stands:4")
        words = [one.words for one in self.mends(card, "stands:4")]
        self.assertIn("bring it to the front", words)

    def test_words_over_a_picture_are_judged_as_they_are_drawn(self):
        card = self.edit(self.built(), 3, material=MIST)
        told = {"on": 2, "width": "3", "height": "2", "down": "bottom"}
        card = self.add(card, "heron", Kind.IMAGE, MIST, **told)
        card = self.add(
            card, "hello", Kind.LETTERING, SLATE, on=2, width="2", height="1/2", down="bottom", text="hello"
        )
        self.assertEqual(self.found(card, "stands:6").status, "holds")
        self.assertEqual(self.check(card, "stands:6").title, "hello on heron")
        parts = list(self.parts(card))
        self.assertLess(parts.index(5), parts.index(6))
        under = changed(card, MovePiece(6, 3))
        parts = list(self.parts(under))
        self.assertLess(parts.index(6), parts.index(5))
        found = self.found(under, "stands:6")
        self.assertEqual((found.status, found.reason), ("fails", "is covered by heron"))
        self.assertMends(under, "stands:6")
        # Another colour would leave it covered, so none is offered.
        self.assertFalse([one for one in self.mends(under, "stands:6") if one.shades])

    def test_words_that_nobody_typed_are_not_judged_and_never_the_cards_name(self):
        card = self.add(self.built(), "blank", Kind.LETTERING, MIST, on=2, width="2", height="1/2")
        self.assertIsNone(self.check(card, "stands:5"))
        self.assertEqual({one.part.text for one in self.parts(card).values()}, {"", "hello"})
        card = self.edit(card, 5, text="hi")
        self.assertEqual(self.found(card, "stands:5").status, "fails")

    def test_a_narrow_strip_under_words_is_found_wherever_it_runs(self):
        text = "thinking of you"
        for right in ("1/64", "1/16", "3/8", "3/4"):
            card = self.edit(self.built(), 3, width="4", height="3/4")
            card = self.edit(card, 4, size=read_size("3 1/2", "1/2", "in", OF_PIECES), text=text)
            self.assertEqual(self.found(card, "stands:4").status, "holds")
            thin = self.add(card, "thread", Kind.RIBBON, SLATE, on=3, width="3/32", height="1/2", right=right)
            thin = changed(thin, MovePiece(5, 2))
            self.assertEqual(self.found(thin, "stands:4").status, "fails", right)

    def test_what_is_trimmed_is_told_so_also_on_a_turned_card(self):
        told = {"width": "8", "height": "1", "trimmed": True}
        card = self.add(self.built(), "band", Kind.STRIP, POND, on=0, **told)
        for size in (card.size, card.size.turned()):
            card = changed(card, SetCard(size=size))
            band = self.parts(card)[5].part
            self.assertTrue(band.trimmed)
            self.assertGreater(band.width, self.checked(card).desk.width)
            self.assertIsNone(self.check(card, "fit:5"))
        self.assertFalse(any(one.part.trimmed for key, one in self.parts(card).items() if key != 5))

    def test_words_are_judged_through_vellum_and_on_the_picture(self):
        card = self.edit(
            self.built(), 4, material=WHITE_END, on=1, reveal="1 1/2"
        )  # white over a white strip
        self.assertEqual(self.found(card, "stands:4").reason, "cannot be read at arm's length")
        card = changed(card, MovePiece(4, 1))
        self.assertEqual(self.found(card, "stands:4").reason, "is covered by strip")
        card = changed(card, MovePiece(4, 3))
        card = self.edit(card, 4, on=2, reveal="1 1/4", material=SLATE)
        card = changed(card, RemovePiece(3))
        clear = float(self.found(card, "stands:4").figure.split()[0])
        card = self.add(card, "veil", Kind.VELLUM, WHITE_END, on=1, width="4", height="3")
        card = changed(card, MovePiece(5, 2))
        card = self.edit(card, 2, material=SLATE)
        card = self.edit(card, 4, on=5, reveal="1/4")
        self.assertEqual(self.check(card, "stands:4").title, "words on veil")
        through = float(self.found(card, "stands:4").figure.split()[0])
        self.assertLess(through, clear)
        self.assertGreater(through, 2)  # slate under vellum is no longer dark
        self.assertLess(self.parts(card)[5].opacity, 1)

    def test_a_picture_across_two_pieces_is_judged_on_both(self):
        card = self.built()
        card = self.add(card, "band", Kind.STRIP, POND, on=2, width="2 1/2", height="3", across="left")
        card = self.add(card, "heron", Kind.IMAGE, POND, on=2, width="2", height="2")
        heron = self.check(card, "stands:6")
        self.assertIn("heron on", heron.title)
        self.assertIn("band", heron.title)
        self.assertNotEqual(heron.finding.status, "holds")
        self.assertIn("pond sinks", heron.finding.reason)
        card = self.edit(card, 6, white_edge=True)
        self.assertEqual(self.found(card, "stands:6").reason, "its line holds it apart")
        self.assertEqual(self.parts(card)[6].part.rim, 1)

    def test_what_sinks_is_mended_by_a_white_edge_or_another_ground(self):
        card = self.add(
            self.built(), "heron", Kind.IMAGE, MIST, on=2, width="1", height="1", across="left", down="top"
        )
        self.assertEqual(self.found(card, "stands:5").status, "fails")
        self.assertMends(card, "stands:5")

    def test_what_is_held_apart_by_its_edge_does_not_hinder_a_mend(self):
        card = self.add(
            self.built(),
            "heron",
            Kind.IMAGE,
            SLATE,
            on=2,
            width="1",
            height="1",
            across="left",
            down="top",
            white_edge=True,
        )
        card = self.edit(card, 2, material=SLATE)  # as the mat under it, and as the heron
        self.assertEqual(self.found(card, "stands:5").status, "holds")
        self.assertMends(card, "stands:2")

    def test_beside_its_left_edge_as_beside_its_right_one(self):
        told = {"on": 2, "width": "1/2", "height": "1/2", "material": SLATE}
        card = changed(self.built(), SetGround({"pads": (PadUse(1),)}))
        for across in ("left", "right"):
            card = self.add(card, f"{across} flag", Kind.STRIP, across=across, **told)
            key = card.build.newest
            self.assertIn("mat", self.check(card, f"stands:{key}").title, across)  # slate on slate there
            self.assertEqual(self.found(card, f"stands:{key}").status, "look-again")

    def test_what_hangs_over_is_mended_by_turning_moving_cutting_or_trimming(self):
        card = self.add(self.built(), "tall", Kind.STRIP, POND, on=2, width="1/2", height="4 1/2")
        self.assertIn("turn it by a quarter", str(self.mends(card, "fit:5")))
        self.assertMends(card, "fit:5")
        card = changed(card, RemovePiece(5))
        card = self.add(card, "off", Kind.STRIP, POND, width="1", height="1/2", right="3", down="top")
        self.assertEqual(
            [one.words for one in self.mends(card, "fit:6")],
            ["move it back", "trim it at the card's edge"],
        )
        self.assertMends(card, "fit:6")

    def test_the_squint_test(self):
        card = self.edit(self.built(), 3, material=self.supply(72, (80, 25, 5)))
        found = self.check(card, "melts:2:3")
        self.assertEqual((found.title, found.finding.status), ("strip and panel", "look-again"))
        self.assertRegex(found.finding.figure, r"^ΔL\* 0, ΔE \d+$")
        mends = self.mends(card, "melts:2:3")
        self.assertTrue(mends)
        for mend in mends:
            self.assertIsNone(self.check(changed(card, mend.change), "melts:2:3"))

    def test_finishing_pieces_repeat_or_set_off(self):
        dot = {"on": 2, "width": "1/4", "height": "1/4", "across": "right", "right": "-1/4"}
        card = self.add(self.built(), "dot", Kind.FINISH, SLATE, **dot)
        self.assertEqual(self.found(card, "finish:5").reason, "repeats mat")
        haze, flame = self.supply(73, (72, -8, -14)), self.supply(74, (60, 70, 60))
        card = self.edit(card, 5, material=flame)
        self.assertIn("sets the card's colours off", self.found(card, "finish:5").reason)
        card = self.edit(card, 5, material=haze)
        self.assertEqual(self.found(card, "finish:5").status, "look-again")
        self.assertMends(card, "finish:5")

    def test_an_accent_returns(self):
        accent = AddColour(Anchor(None, (53.0, 50.0, 45.0), "typed"), "bill", Role.ACCENT)
        card = changed(self.built(), accent)
        self.assertIsNone(self.check(card, "once:4"))  # it is nowhere yet
        card = self.edit(card, 4, material=End("palette", 4))
        found = self.check(card, "once:4")
        self.assertEqual((found.finding.status, found.finding.figure), ("look-again", "in 1 place"))
        self.assertMends(card, "once:4")
        card = changed(card, Waive("once:4", "one flame is enough"))
        self.assertEqual(self.check(card, "once:4").waived, "one flame is enough")
        card = changed(changed(card, RemoveColour(4)), accent)
        self.assertEqual(card.waivers, ())

    def test_light_and_dark_are_spread(self):
        card = self.built()
        self.assertRegex(
            self.found(card, "spread").figure, r"^ΔL\* \d\d: \d+ % light, \d+ % middle, \d+ % dark$"
        )
        for key in (1, 4):
            card = self.edit(card, key, material=POND)
        card = self.edit(card, 3, material=MIST)
        flat = self.edit(card, 2, material=MIST)
        flat = changed(flat, SetBuild({"base": MIST}))
        self.assertEqual(self.found(flat, "spread").status, "look-again")
        self.assertMends(flat, "spread")

    def test_room_to_write_inside(self):
        card = self.built()
        self.assertEqual(self.found(card, "writing").status, "holds")
        card = changed(card, SetBuild({"base": SLATE}))
        self.assertEqual(self.found(card, "writing").reason, "has no room for what you write")
        self.assertMends(card, "writing")

    def test_too_thick_for_the_post_and_for_its_envelope(self):
        card = self.edit(self.built(), 3, raised=Raised.DOUBLE)
        card = changed(card, SetBuild({"post_limit": 2.5}))
        self.assertEqual(self.found(card, "thickness").status, "fails")
        self.assertMends(card, "thickness")
        small = read_size("5 1/2", "4 1/4", "in")
        card = changed(card, SetBuild({"envelope": small, "post_limit": None}))
        self.assertIsNone(self.check(card, "thickness"))
        self.assertEqual(self.found(card, "envelope").reason, "does not go in")
        self.assertMends(card, "envelope")
        self.assertEqual(self.checked(card).examined.envelope, small)
        large = changed(self.full_card(), SetCard(size=read_size("20", "20", "in")))
        self.assertIn("make one", self.found(self.add(large, "panel", reveal="1/4"), "envelope").reason)

    def test_white_on_white_is_meant_where_it_stands_up(self):
        card = self.add(self.full_card(), "panel", Kind.PANEL, WHITE_END, width="3", height="3")
        self.assertEqual(self.found(card, "stands:1").status, "fails")
        for told in ({"raised": Raised.TAPE}, {"stitched": True}):
            found = self.found(self.edit(card, 1, **told), "stands:1")
            self.assertEqual((found.status, "shadow" in found.reason), ("holds", True))
        slate = self.edit(card, 1, material=SLATE, raised=Raised.TAPE)
        on_slate = self.add(
            slate, "label", Kind.PANEL, SLATE, on=1, width="1", height="1", raised=Raised.TAPE
        )
        self.assertEqual(self.found(on_slate, "stands:2").status, "fails")

    def test_let_be_until_the_piece_changes(self):
        card = self.edit(self.built(), 1, material=MIST)
        count = len(self.open(card))
        card = changed(card, Waive("stands:2", "tone on tone"))
        self.assertEqual(
            (self.check(card, "stands:2").waived, len(self.open(card))), ("tone on tone", count - 1)
        )
        self.assertEqual(self.check(self.edit(card, 2, name="ground"), "stands:2").waived, "tone on tone")
        self.assertIsNone(self.check(self.edit(card, 2, reveal="1/4"), "stands:2").waived)
        for nothing in ("stands:99", "melts:1:99", "spreads", "fit:", "ground:", "family:9"):
            with self.assertRaisesRegex(BadInput, "no check"):
                changed(card, Waive(nothing, "why"))

    def test_only_the_first_that_do_not_hold_are_told_with_mends(self):
        card = self.built()
        for number in range(12):
            card = self.add(
                card,
                f"flag {number}",
                Kind.STRIP,
                MIST,
                on=2,
                width="1/4",
                height="1/4",
                across="left",
                down="top",
                right=f"{number * 5} mm",
            )
        mended = self.checked(card).to_mend
        self.assertEqual([one.finding.status for one in mended], ["fails"] * 8)
        self.assertGreater(len(self.open(card)), 11)
