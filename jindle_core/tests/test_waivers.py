import unittest
from dataclasses import replace

from jindle_core.blending.painting import GroundShape
from jindle_core.card.changes import palette as changes
from jindle_core.card.changes.build import (
    EditPiece,
    MovePiece,
    NudgePiece,
    RemovePiece,
    SetBuild,
    StartLayout,
)
from jindle_core.card.changes.every import changed
from jindle_core.card.changes.ground import SetGround
from jindle_core.card.changes.pictures import (
    AddArea,
    AreaFamily,
    EditAreas,
    RemoveArea,
    SetColouring,
    SetFamilies,
)
from jindle_core.card.ground import PadUse
from jindle_core.card.waivers import subject
from jindle_core.checks.ids import Melts, read
from jindle_core.families.recipes import Thing
from jindle_core.layers.folding import Fold
from jindle_core.layers.pieces import WHITE_END
from jindle_core.lengths import USUAL_SIZES
from jindle_core.palettes.role import Role
from jindle_core.tests.test_build import built
from jindle_core.tests.test_plan import anchor, some_card


def full_card():
    """Three palette colours, a pair, a mat, a panel and a picture, a ground, two areas with a family."""
    card = built()
    for change in (
        SetGround({"pads": (PadUse(70),)}),
        AddArea("fin"),
        EditAreas((1,), colour=1),
        AddArea("eye"),
        AddArea("gill"),
        EditAreas((3,), colour=2),
        SetFamilies((AreaFamily(1, (5, 6)), AreaFamily(3, (5, 6)))),
        SetBuild({"post_limit": 5.0}),
    ):
        card = changed(card, change)
    return card


EVERY = (
    "pair:1",
    "once:1",
    "family:1",
    "bare:1",
    "pens:1:2",
    "fit:3",
    "stands:1",
    "finish:2",
    "melts:1:2",
    "melts:0:1",
    "span",
    "spread",
    "writing",
    "thickness",
    "envelope",
    "ground:join 0",
    "conflict:1:pills",
)


def waived(card, *checks):
    for check in checks:
        card = changed(card, changes.Waive(check, "on purpose"))
    return card


class WaiverTests(unittest.TestCase):
    def test_what_ends_with_which_change(self):
        card = waived(full_card(), *EVERY)
        self.assertEqual([one.check for one in card.waivers], list(EVERY))
        for change, ended in (
            (EditPiece(1, {"name": "frame"}), set()),
            (EditAreas((1,), name="flipper"), set()),
            (changes.EditColour(1, name="water"), set()),
            (MovePiece(1, 1), set()),
            (changes.Choose(2, "pad", 71), set()),
            (EditPiece(1, {"material": WHITE_END}), {"stands:1", "melts:1:2", "melts:0:1"}),
            (NudgePiece(3, 1.0, 0), {"fit:3"}),
            (RemovePiece(3), {"fit:3"}),
            (changes.EditPair(1, outlined=True), {"pair:1"}),
            (changes.GuessPairs(), {"pair:1"}),
            (changes.EditColour(1, role=Role.ACCENT), {"once:1"}),
            (changes.Reanchor(1, anchor(None, 12.0)), {"pair:1", "once:1", "family:1"}),
            (changes.Reanchor(3, anchor(None, 12.0)), {"stands:1", "melts:1:2", "melts:0:1"}),
            (EditAreas((1,), thing=Thing.FUR), {"family:1", "bare:1", "pens:1:2"}),
            (RemoveArea(1), {"family:1", "pens:1:2"}),
            (EditAreas((2,), layers=2), {"conflict:1:pills"}),
            (SetColouring({"finishes": ("gloss",)}), {"conflict:1:pills"}),
            (SetColouring({"paper": 9}), {"family:1", "conflict:1:pills"}),
            (SetGround({"shape": GroundShape.OMBRE}), {"ground:join 0"}),
            (SetBuild({"post_limit": 4.0}), {"thickness"}),
            (SetBuild({"fold": Fold.TOP}), set()),
            (changes.Unwaive("spread"), {"spread"}),
            (SetFamilies((AreaFamily(3, (7, 8)),)), {"pens:1:2"}),
            (
                changes.SetCard(size=USUAL_SIZES[1]),
                {"fit:3", "stands:1", "finish:2", "melts:1:2", "melts:0:1", "envelope"},
            ),
            (StartLayout("plain"), {"fit:3", "stands:1", "finish:2", "melts:1:2", "melts:0:1"}),
        ):
            with self.subTest(change):
                left = {one.check for one in changed(card, change).waivers}
                self.assertEqual(set(EVERY) - left, ended)

    def test_nothing_is_inherited_by_what_comes_after(self):
        card = waived(full_card(), "fit:3", "family:2", "pair:1")
        for gone in (RemovePiece(3), RemoveArea(2), changes.RemovePair(1)):
            card = changed(card, gone)
        self.assertEqual(card.waivers, ())
        card = changed(card, AddArea("beak"))
        self.assertEqual([area.key for area in card.areas], [1, 3, 4])
        card = changed(card, StartLayout("framed"))
        self.assertEqual([piece.key for piece in card.build.pieces], [4, 5, 6, 7, 8])

    def test_a_check_that_the_card_has_nothing_of_cannot_be_let_be(self):
        card = some_card()
        for check in (
            *("pair:3", "once:9", "family:1", "fit:1", "melts:0:9", "melts:4", "ground:", "ground:join 0"),
            *(
                "conflict:",
                "conflict:pills",
                "conflict:1:pills",
                "conflict:2:pills",
                "spam",
                "fit:4:5",
                "fit:x",
                "span:1",
                "writing",
                "fit:" + "9" * 40,
            ),
        ):
            self.assertIsNone(subject(card, check), check)
            with self.assertRaisesRegex(changes.BadInput, "no check"):
                changed(card, changes.Waive(check, "on purpose"))
        self.assertEqual(str(Melts(5, 4)), "melts:4:5")
        for check in EVERY:
            self.assertEqual(str(read(check)), check)

    def test_the_next_key_is_above_every_key_there_is(self):
        self.assertEqual(replace(full_card(), next_area=1).next_area, 4)
