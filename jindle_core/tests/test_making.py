"""How words are made: with what, on what, and what does not get on."""

import unittest

import numpy as np

from jindle_core import figures
from jindle_core.card.changes.build import AddPiece, EditPiece
from jindle_core.card.changes.every import changed
from jindle_core.card.changes.ground import SetGround
from jindle_core.card.ground import PadUse
from jindle_core.card.whole import Card
from jindle_core.checked.whole import CheckedCard
from jindle_core.checks.finding import Status
from jindle_core.fullness import Kept
from jindle_core.layers.making import EMBOSSED, Making
from jindle_core.layers.pieces import WHITE_END, Kind
from jindle_core.lengths import OF_PIECES, Length, read_size
from jindle_core.material import End
from jindle_core.media.medium import Medium
from jindle_core.seen.whole import SeenCard
from jindle_core.supplies.colours import RangeFacts, SupplyColour
from jindle_core.supplies.whole import Supplies

ROWS = (
    ("rose pad", Medium.DYE_PAD, (55.0, 50.0, 10.0)),
    ("night", Medium.CARDSTOCK, (18.0, 4.0, -22.0)),
    ("copper powder", Medium.EMBOSSING_POWDER, (60.0, 25.0, 40.0)),
    ("white pen", Medium.GEL_PEN, (92.0, 0.0, 1.0)),
)
ROSE, NIGHT, COPPER, PEN = range(1, 5)


def shelf():
    rows = tuple(
        SupplyColour(n, n, "", name, "", "read", False, *lab) for n, (name, _, lab) in enumerate(ROWS, 1)
    )
    ranges = {
        n: RangeFacts(n, f"Range {n}", "", medium, own=False) for n, (_, medium, _) in enumerate(ROWS, 1)
    }
    return Supplies(rows, ranges, drawer={row.id: Kept("full", "") for row in rows})


def words_on(stock, made, of, kind=Kind.PANEL, ground=False):
    """A card with words on a panel, checked."""
    card = Card("Bon voyage", read_size("7", "5", "in"))
    size = {"size": read_size("3", "3/4", "in", OF_PIECES)}
    for change in (
        AddPiece(kind, "panel", {"reveal": Length(8, "in"), "material": stock}),
        AddPiece(
            Kind.LETTERING, "words", size | {"on": 1, "material": of, "made": made, "text": "bon voyage"}
        ),
        *((SetGround({"pads": (PadUse(ROSE),)}),) if ground else ()),
    ):
        card = changed(card, change)
    return CheckedCard(SeenCard(card, shelf()))


def supply(pk):
    return End("supply", pk)


def check(checked, key):
    return next((one for one in checked.checks if one.key == key), None)


class MakingTests(unittest.TestCase):
    def lab(self, stock, made, of):
        return words_on(stock, made, of).seen.stack.lab(2)

    def test_ink_lets_through_what_is_under_it_and_powder_does_not(self):
        on_white, on_night = (
            self.lab(end, Making.STAMPED, supply(ROSE)) for end in (WHITE_END, supply(NIGHT))
        )
        np.testing.assert_allclose(on_white, ROWS[0][2], atol=1.5)
        self.assertLess(on_night[0], 20)
        for end in (WHITE_END, supply(NIGHT)):
            np.testing.assert_allclose(self.lab(end, Making.POWDER, supply(COPPER)), ROWS[2][2], atol=0.01)
        self.assertGreater(self.lab(supply(NIGHT), Making.WHITE, supply(ROSE))[0], 95)
        pen = [self.lab(end, Making.PEN, supply(PEN))[0] for end in (WHITE_END, supply(NIGHT))]
        self.assertGreater(pen[0], pen[1])
        self.assertGreater(pen[1], 40)

    def test_words_that_vanish_on_dark_card_are_mended_by_embossing_them_in_white(self):
        dark = words_on(supply(NIGHT), Making.STAMPED, supply(ROSE))
        stands = check(dark, "stands:2")
        self.assertIs(stands.finding.status, Status.FAILS)
        first = stands.to_mend()[0]
        self.assertEqual((first.words, first.change.told["made"]), ("emboss it in white", Making.WHITE))
        after = CheckedCard(dark.seen.after(first.change))
        self.assertIs(check(after, "stands:2").finding.status, Status.HOLDS)
        pale = words_on(WHITE_END, Making.WHITE, WHITE_END)
        self.assertNotIn("emboss it in white", [one.words for one in check(pale, "stands:2").to_mend()])

    def test_heat_and_vellum_do_not_get_on(self):
        for made in Making:
            found = check(words_on(WHITE_END, made, WHITE_END, Kind.VELLUM), "made:2")
            wanted = Status.FAILS if made in EMBOSSED else Status.LOOK_AGAIN
            with self.subTest(made):
                expected = Status.HOLDS if made is Making.PEN else wanted
                self.assertIs(found.finding.status, expected)
        mends = check(
            words_on(WHITE_END, Making.POWDER, supply(ROSE), Kind.VELLUM),
            "made:2",
        ).to_mend()
        self.assertTrue(all("powder" not in one.words for one in mends))

    def test_powder_sticks_to_a_ground_that_is_damp(self):
        for made in Making:
            found = check(words_on(WHITE_END, made, WHITE_END, ground=True), "made:2").finding
            self.assertEqual("powder sticks" in found.reason, made in EMBOSSED)

    def test_each_way_has_its_own_supplies(self):
        for made, of, status in (
            (Making.STAMPED, ROSE, Status.HOLDS),
            (Making.STAMPED, COPPER, Status.FAILS),
            (Making.POWDER, COPPER, Status.HOLDS),
            (Making.POWDER, NIGHT, Status.FAILS),
            (Making.PEN, PEN, Status.HOLDS),
            (Making.PEN, ROSE, Status.FAILS),
            (Making.CLEAR, ROSE, Status.HOLDS),
            (Making.WHITE, NIGHT, Status.HOLDS),
        ):
            with self.subTest(made=made, of=of):
                self.assertIs(check(words_on(WHITE_END, made, supply(of)), "made:2").finding.status, status)

    def test_where_it_is_not_said_nothing_is_asked_and_nothing_changes(self):
        card = words_on(WHITE_END, None, supply(ROSE))
        self.assertIsNone(check(card, "made:2"))
        np.testing.assert_allclose(card.seen.stack.lab(2), ROWS[0][2], atol=0.01)
        said = card.seen.after(EditPiece(2, {"made": Making.CLEAR}))
        self.assertEqual(str(check(CheckedCard(said), "made:2").title), "words, stamped, under clear powder")

    def test_how_surely_words_show_where_they_are_made(self):
        def sigma(stock, made, of):
            checked = words_on(stock, made, of)
            (words,) = (one for one in checked.seen.stack.where.build.every if one.kind is Kind.LETTERING)
            return checked.seen.stack.written_sigma(words)

        pen = [sigma(stock, Making.PEN, supply(PEN)) for stock in (WHITE_END, supply(NIGHT))]
        self.assertLess(pen[0], 1)  # as it was read
        self.assertGreater(pen[1], 4)  # nobody has seen how it covers
        white = [sigma(stock, Making.WHITE, WHITE_END) for stock in (WHITE_END, supply(NIGHT))]
        self.assertAlmostEqual(white[0], 0, delta=0.5)
        self.assertEqual(white[1], figures.contrast.EMBOSSED_SIGMA)
        self.assertEqual(sigma(WHITE_END, Making.STAMPED, End("white", 0)), 0)
