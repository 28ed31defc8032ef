import json
import unittest
from dataclasses import replace
from typing import get_args

from hypothesis import HealthCheck, settings
from hypothesis import strategies as st
from hypothesis.stateful import RuleBasedStateMachine, initialize, invariant, rule, run_state_machine_as_test

from jindle_core.card.changes.build import StartLayout
from jindle_core.card.changes.every import AnyChange, changed
from jindle_core.card.changes.ground import SetGround
from jindle_core.card.changes.palette import AddColour, GuessPairs
from jindle_core.card.changes.pictures import SetDrawing, areas_of
from jindle_core.card.ground import PadUse
from jindle_core.card.references import named
from jindle_core.card.sound import sound
from jindle_core.card.stored import card_from_json, card_to_json
from jindle_core.card.waivers import subject
from jindle_core.card.whole import Anchor, Card
from jindle_core.checked.shading import proposed
from jindle_core.checked.whole import CheckedCard
from jindle_core.checks.finding import Status
from jindle_core.errors import BadInput
from jindle_core.lengths import read_size
from jindle_core.offers.for_area import family_offers
from jindle_core.offers.for_join import together
from jindle_core.offers.for_piece import piece_offers
from jindle_core.palettes.role import Role
from jindle_core.planning.colouring import area_steps, picture_steps
from jindle_core.planning.cutting import Cutting
from jindle_core.planning.ground import ground_steps
from jindle_core.planning.tasks import Habits, tasks
from jindle_core.seen.table import table
from jindle_core.seen.whole import SeenCard
from jindle_core.tests.drawn_changes import DRAWING, changes
from jindle_core.tests.made import BOARDS, LABS, MARKERS, PADS, a_sheet, some_supplies
from jindle_core.tests.worked import faults
from jindle_core.travelling.foreign import Foreign, Shelf
from jindle_core.travelling.recipe_file import read_recipe, write_recipe
from jindle_core.travelling.told import Belongings, DrawingTold, travelling

SUPPLIES = some_supplies()
SHEET = a_sheet(60.0)


def keys_of(card):
    return {
        "colour": {one.key for one in card.colours},
        "pair": {one.key for one in card.pairs or ()},
        "picture": {one.key for one in card.pictures},
        "area": {one.key for one in card.areas},
        "piece": {one.key for one in card.build.every},
    }


class Changed(RuleBasedStateMachine):
    """Whatever is done to a card, it is sound and comes back from JSON."""

    def __init__(self):
        super().__init__()
        self.card = Card("Fish", read_size("5 1/2", "4 1/4", "in"))
        self.used = keys_of(self.card)

    @initialize(layout=st.sampled_from(["", "framed", "veil"]))
    def begin(self, layout):
        """A card with something on it, or an empty one."""
        if layout:
            for lab, role in (
                ((46.0, -18.0, -26.0), Role.LEAD),
                ((90.0, 0.0, 8.0), Role.LIGHT),
                ((15.0, 0.0, -5.0), Role.DARK),
            ):
                self.make(AddColour(Anchor(None, lab, "typed"), role.value, role))
            self.make(SetDrawing(1, areas_of(DRAWING), 1.0))
            self.make(SetGround({"pads": (PadUse(1), PadUse(2))}))
            self.make(StartLayout(layout))

    def after(self, change):
        return changed(self.card, change)

    def make(self, change):
        """One change that may be refused."""
        before = card_to_json(self.card)
        try:
            after = self.after(change)
        except BadInput:
            assert card_to_json(self.card) == before
            return
        self.card = after
        for what, keys in keys_of(after).items():
            new = keys - self.used[what]
            if not isinstance(change, GuessPairs):  # what is new has a key that nothing had before
                assert min(new, default=10**9) > max(self.used[what], default=0), (change, what)
            self.used[what] |= keys

    @invariant()
    def every_waiver_is_of_something(self):
        assert [one.check for one in self.card.waivers if subject(self.card, one.check) is None] == []

    @invariant()
    def it_is_stored_as_it_is(self):
        assert card_from_json(json.loads(json.dumps(card_to_json(self.card)))) == self.card
        assert sound(self.card) == self.card
        assert named(self.card).every <= set(LABS)


class Seen(Changed):
    """And it can be seen, checked and made."""

    def seen(self):
        return SeenCard(self.card, SUPPLIES, {1: DRAWING}, sheets={1: SHEET})

    def after(self, change):
        return self.seen().after(change).card

    def teardown(self):
        checked = CheckedCard(self.seen())
        seen = checked.seen
        assert len(table(seen.palette, only_owned=False)) == len(self.card.colours)
        assert len({one.id for one in checked.judged}) == len(checked.judged)
        assert checked.desk.width > 0
        for check in checked.to_mend:
            for mend in checked.mends(check):
                after = CheckedCard(seen.after(mend.change))
                same = [one for one in after.checks if one.key == check.key]
                assert all(one.finding.status is Status.HOLDS for one in same), (check, mend)
        for coloured in seen.coloured:
            self.can_be_coloured(coloured)
        ground_steps(seen.ground)
        together(seen.ground)
        self.travels(seen)
        for cut_first in (False, True):
            found = tasks(checked, Habits(cut_first))
            assert faults(checked, found, cut_first) == []
        for piece in self.card.build.every[:2]:
            for offer in piece_offers(checked.examined, piece):
                assert offer.change is None or seen.after(offer.change).card != self.card
        try:
            assert Cutting(seen.stack, read_size("8 1/2", "11", "in"), 1).bound >= 0
        except BadInput as error:
            assert "sheet" in str(error), error

    def travels(self, seen):
        known = Belongings({1: DrawingTold("fish", DRAWING)}, {1: (4, "Bank", SHEET.colours[0])})
        told = travelling(self.card, SUPPLIES, known)
        assert read_recipe(write_recipe(told).encode()).told == told
        there = Foreign(told, SUPPLIES, Shelf({1: DRAWING}, {("Meadows", "Bank"): 1}))
        assert there.seen.card == replace(self.card, waivers=())

    def can_be_coloured(self, coloured):
        for area in coloured.areas:
            steps = area_steps(coloured, area)
            assert all(0 <= (step.using or 0) < max(len(area.family), 1) for step in steps)
            family_offers(coloured, area, owned=True)
        to = {key for step in picture_steps(coloured) for key in step.to}
        assert to <= {area.key for area in coloured.areas}
        try:
            proposed([coloured], [], owned=False)
        except BadInput as error:
            assert "palette colour" in str(error), error


def of_kind(kind):
    @rule(data=st.data())
    def change(self, data):
        self.make(data.draw(changes(self.card, PADS, BOARDS, MARKERS)[kind]()))

    return change


class EveryChangeTests(unittest.TestCase):
    def test_every_kind_of_change_is_drawn(self):
        card = Card("Fish", read_size("5", "7", "in"))
        kinds = {kind.__name__.lower() for kind in get_args(AnyChange)}
        self.assertEqual({kind.replace("_", "") for kind in changes(card, PADS, BOARDS, MARKERS)}, kinds)

    def assert_holds(self, of_card, sequences):
        kinds = changes(Card("Fish", read_size("5", "7", "in")), PADS, BOARDS, MARKERS)
        machine = type("CardMachine", (of_card,), {kind: of_kind(kind) for kind in kinds})
        run_state_machine_as_test(
            machine,
            settings=settings(
                max_examples=sequences,
                stateful_step_count=20,
                deadline=None,
                derandomize=True,
                database=None,
                suppress_health_check=list(HealthCheck),
                print_blob=False,
            ),
        )

    def test_any_sequence_of_changes_leaves_a_card_that_is_stored_as_it_is(self):
        self.assert_holds(Changed, sequences=30)

    def test_any_sequence_of_changes_leaves_a_card_that_can_be_seen_checked_and_made(self):
        self.assert_holds(Seen, sequences=15)
