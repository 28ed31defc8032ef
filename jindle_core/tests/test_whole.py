import re
import unittest
from pathlib import Path

import numpy as np

from jindle_core.card.changes.build import AddPiece, StartLayout
from jindle_core.card.changes.every import changed
from jindle_core.card.changes.palette import AddColour, Choose
from jindle_core.card.references import named
from jindle_core.card.stored import card_from_json, card_to_json
from jindle_core.card.whole import Anchor, Card
from jindle_core.checked.whole import CheckedCard
from jindle_core.checks.finding import Status
from jindle_core.fullness import Kept
from jindle_core.layers.pieces import Kind
from jindle_core.lengths import read_size
from jindle_core.material import End
from jindle_core.media.medium import Medium
from jindle_core.palettes.role import Role
from jindle_core.seen.table import moved, table
from jindle_core.seen.whole import SeenCard
from jindle_core.supplies.colours import RangeFacts, SupplyColour
from jindle_core.supplies.used import shopping
from jindle_core.supplies.whole import Supplies

ARCHITECTURE = Path(__file__).resolve().parents[2] / "ARCHITECTURE.md"


def supplies(drawer=(), gone=False) -> Supplies:
    """Four markers and two cards of nobody's."""
    labs = ((70, 30, 20), (40, 10, -30), (20, 0, 0), (85, -2, 8), (96, 0, 1), (60, 9, 23))
    rows = tuple(
        SupplyColour(n, 1 if n < 5 else 2, f"ROD-{n}", f"rod {n}", "", "read", False, *lab)
        for n, lab in enumerate(labs, start=1)
    )
    facts = {
        1: RangeFacts(1, "Rods", "", Medium.ALCOHOL_MARKER, False, gone),
        2: RangeFacts(2, "Boards", "", Medium.CARDSTOCK, False),
    }
    return Supplies(rows, facts, drawer={pk: Kept("full", "") for pk in drawer})


def a_card(*ids: int) -> Card:
    card = Card("Kingfisher", read_size("5 1/2", "4 1/4", "in"))
    for row in supplies().rows:
        if row.id in ids:
            anchor = Anchor(row.id, (row.lightness, row.a, row.b), "read")
            card = changed(card, AddColour(anchor, row.name, Role.SUPPORT))
    return card


def named_by(cell):
    """The id of the supply in a cell."""
    return cell.match and cell.match.swatch.id


class WholeCardTests(unittest.TestCase):
    def test_what_architecture_shows_runs(self):
        (example,) = re.findall(r"```python\n(.*?)```", ARCHITECTURE.read_text(encoding="utf-8"), flags=re.S)
        shown = [line for line in example.splitlines() if line and not line.startswith("from")]
        self.assertLessEqual(len(shown), 10)
        there: dict = {}
        exec(example, there)
        self.assertIsInstance(there["checked"], CheckedCard)
        self.assertTrue(there["checked"].checks)
        self.assertEqual(there["lacking"], ["NET-2"])

    def test_seen_checked_and_mended_without_anything_stored(self):
        card = changed(a_card(1, 2, 3), StartLayout("three mats"))
        checked = CheckedCard(SeenCard(card, supplies()))
        self.assertTrue({one.stage for one in checked.checks} >= {"contrast", "build"})
        tried = 0
        for check in checked.to_mend:
            for mend in checked.mends(check):
                after = CheckedCard(checked.seen.after(mend.change))
                same = [one for one in after.checks if one.key == check.key]
                self.assertTrue(all(one.finding.status is Status.HOLDS for one in same), (check, mend))
                tried += 1
        self.assertGreater(tried, 0)
        # What was seen is a value: trying changed nothing.
        self.assertIs(checked.seen.card, card)
        self.assertEqual(card_from_json(card_to_json(card)), card)

    def test_the_table_chooses_and_tells_holes(self):
        card = a_card(1, 3)
        palette = SeenCard(card, supplies()).palette
        rows = table(palette, only_owned=False)
        markers = [next(cell for cell in row.cells if cell.column == "marker") for row in rows]
        self.assertEqual(
            [(cell.state, named_by(cell), cell.hole) for cell in markers],
            [
                ("nearest", 1, False),
                ("nearest", 3, False),
            ],
        )
        boards = next(cell for cell in rows[1].cells if cell.column == "cardstock")
        self.assertTrue(boards.hole)
        pads = next(cell for cell in rows[1].cells if cell.column == "pad")
        self.assertEqual((pads.match, pads.hole), (None, True))
        chosen = changed(card, Choose(1, "marker", 2))
        cells = table(SeenCard(chosen, supplies()).palette, False)[0].cells
        (cell, *_) = (one for one in cells if named_by(one) == 2)
        self.assertEqual((cell.state, cell.hole), ("chosen", False))

    def test_only_what_is_owned_and_what_is_lost(self):
        palette = SeenCard(a_card(1), supplies(drawer=(2,))).palette
        owned = {named_by(cell) for cell in table(palette, only_owned=True)[0].cells}
        self.assertEqual(owned, {None, 2})
        lost = SeenCard(a_card(1), supplies(gone=True)).palette
        self.assertEqual({named_by(cell) for cell in table(lost, only_owned=False)[0].cells}, {None, 6})
        # It stands in where the card names it all the same.
        np.testing.assert_allclose(lost.lab[0], (70, 30, 20))

    def test_moving_uses_none_twice_and_says_what_nothing_serves(self):
        palette = SeenCard(a_card(1, 2, 3), supplies()).palette
        cells, unserved = moved(palette, [1], owned=False)
        self.assertEqual(sorted(cell.match.swatch.id for cell in cells), [1, 2, 3])
        self.assertTrue(all(cell.match.near.distance == 0 for cell in cells))
        self.assertIn("Cardstock", unserved)
        self.assertEqual(moved(palette, [1], owned=True)[0], [])

    def test_what_is_to_be_bought(self):
        cards = [a_card(1, 2), a_card(2, 3)]
        self.assertEqual(named(cards[0]).palette, (1, 2))
        listed = shopping(cards, supplies(drawer=(2,)))
        self.assertEqual(
            [(one.place, one.why, one.cards) for one in listed],
            [
                (0, "not in the drawer", ("Kingfisher",)),
                (2, "not in the drawer", ("Kingfisher",)),
            ],
        )
        self.assertEqual(shopping(cards, supplies(gone=True)), [])

    def test_what_is_asked_for_is_to_be_bought_without_a_card_until_the_drawer_has_it(self):
        listed = shopping([a_card(1)], supplies(drawer=(2,)), asked=(1, 2, 3, 999))
        self.assertEqual(
            [(one.place, one.cards, one.asked) for one in listed],
            [(0, ("Kingfisher",), True), (2, (), True)],
        )
        self.assertEqual(shopping([], supplies(gone=True), asked=(3,)), [])

    def test_a_change_that_cannot_be_made_leaves_what_is_seen(self):
        seen = SeenCard(a_card(1), supplies())
        with self.assertRaisesRegex(ValueError, "in the palette already"):
            seen.after(AddColour(seen.card.colours[0].anchor, "again", None))
        after = seen.after(
            AddPiece(Kind.MAT, "mat", {"reveal": None, "size": seen.card.size, "material": End("supply", 6)})
        )
        self.assertEqual(after.stack.of.words(1), "Boards ROD-6")
        self.assertEqual(seen.card.build.every, ())
