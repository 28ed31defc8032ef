import json
import os

from hypothesis import HealthCheck, settings
from hypothesis import strategies as st
from hypothesis.stateful import RuleBasedStateMachine, initialize, invariant, rule, run_state_machine_as_test
from rest_framework.exceptions import ValidationError

from jindle_core.card.sound import sound
from jindle_core.card.stored import card_from_json, card_to_json
from jindle_core.card.waivers import subject
from jindle_core.errors import BadInput
from jindle_core.lengths import read_size
from jindle_core.line_art.drawing import LineDrawing, Shape
from jindle_core.planning.cutting import Cutting
from server.cards.actions import change_card, create_card, go_to_state
from server.cards.changes import CHANGE_SERIALIZERS, read_change
from server.cards.held import checked_card
from server.cards.json.build import build_told
from server.cards.json.colouring import colouring_told
from server.cards.json.cutting import cutting_told
from server.cards.json.ground import ground_told
from server.cards.models import StoredCard
from server.cards.tests.drawn_changes import Drawn
from server.cards.views import mends, whole_card
from server.catalogue.arrays import catalogue_for
from server.catalogue.models import Colour
from server.colouring.actions import store_drawing
from server.tests.helpers import ApiTestCase, make_range
from server.told.encoder import as_json

MARKERS = "code,name,L,a,b\nFERN-1,,85,-18,24\nFERN-2,,68,-24,32\nFERN-3,,50,-26,33\nFERN-4,,32,-20,24\nASH-1,,82,0,-1\nASH-2,,55,0,-2\nASH-3,,28,0,-2\n"
# ``./jindle trial changes`` sets more.
EXAMPLES = int(os.environ.get("JINDLE_EXAMPLES", "5"))


def keys_of(plan):
    return {
        "colour": {one.key for one in plan.colours},
        "pair": {one.key for one in plan.pairs or ()},
        "area": {one.key for one in plan.areas},
        "piece": {one.key for one in plan.build.every},
    }


class EveryChangeTests(ApiTestCase):
    """Whatever is done to a card, what is stored can be shown, read back and undone."""

    def test_any_sequence_of_changes_leaves_a_card_that_can_be_shown(self):
        make_range(self.ann, "Brush", "alcohol marker", MARKERS)
        ids = {colour.key: colour.pk for colour in Colour.objects.all()}
        shapes = (
            Shape("fin", "M0 0 50 0 50 50 0 50Z", 0.5, ()),
            Shape("eye", "M60 60 90 60 90 90Z", 0.1, ()),
        )
        drawing = store_drawing(self.ann, "Fish", LineDrawing(100.0, 100.0, shapes, ()))
        drawn = Drawn(
            [ids[key] for key in ("SKY-1", "SKY-2", "TAR-1", "SKY-3")],
            [ids[key] for key in ("bread", "soot", "milk")],
            [pk for key, pk in ids.items() if key.startswith(("FERN", "ASH"))],
            [drawing.pk],
        )
        ann = self.ann
        counts = dict.fromkeys(CHANGE_SERIALIZERS, 0)

        class Machine(RuleBasedStateMachine):
            def __init__(self):
                super().__init__()
                self.card = create_card(ann, "Fish", read_size("5 1/2", "4 1/4", "in"))
                self.used = keys_of(self.card.value)
                self.told = None

            @initialize(layout=st.sampled_from(["", "framed", "veil"]))
            def begin(self, layout):
                """A card with something on it, or an empty one."""
                if layout:
                    for value, role in (("#1a7c9b", "lead"), ("#e8e2d0", "light"), ("#202830", "dark")):
                        self.make({"kind": "add_colour", "anchor": {"value": value}, "role": role})
                    self.make({"kind": "set_drawing", "drawing": drawing.pk})
                    self.make(
                        {"kind": "set_ground", "pads": [{"colour": ids["SKY-1"]}, {"colour": ids["TAR-1"]}]}
                    )
                    self.make({"kind": "start_layout", "layout": layout})

            def make(self, given):
                """One change that may be refused, and back, and there again."""
                supplies = catalogue_for(ann)
                before = StoredCard.objects.get(pk=self.card.pk)
                try:
                    made = read_change(given, supplies, ann)
                    self.told = change_card(self.card, self.card.version, made, supplies)
                except (BadInput, ValidationError):
                    now = StoredCard.objects.get(pk=self.card.pk)
                    assert (now.stored, now.version) == (before.stored, before.version)
                    return
                counts[given["kind"]] += 1
                go_to_state(self.card, self.card.version, before.head)
                assert self.card.value == before.value, given
                go_to_state(self.card, self.card.version, before.head + 1)
                self._keys(given)

            def _keys(self, given):
                """What is new has a key that nothing had before."""
                for what, keys in keys_of(self.card.value).items():
                    if given["kind"] != "guess_pairs":
                        new = keys - self.used[what]
                        assert min(new, default=10**9) > max(self.used[what], default=0), (given, what)
                    self.used[what] |= keys

            @invariant()
            def every_waiver_is_of_something(self):
                plan = self.card.value
                assert [one.check for one in plan.waivers if subject(plan, one.check) is None] == []

            @invariant()
            def it_is_stored_as_it_is(self):
                plan = self.card.value
                assert card_from_json(json.loads(json.dumps(card_to_json(plan)))) == plan
                assert sound(plan) == plan

            def teardown(self):
                """All that the stages tell of it can be worked out, and it can be gone back to the beginning."""
                supplies = catalogue_for(ann)
                card = StoredCard.objects.get(pk=self.card.pk)
                told = as_json(whole_card(card, supplies, ann))
                if self.told is not None:
                    assert told["checks"] == as_json(self.told)["checks"]
                checked = checked_card(card, supplies, ann)
                colouring_told(checked)
                ground_told(checked.laid)
                build_told(checked.examined, "in")
                for one in mends(card, supplies, ann):
                    for mend in one.mends:
                        copy = StoredCard.objects.get(pk=card.pk)
                        change_card(copy, copy.version, read_change(mend.change, supplies, ann), supplies)
                        go_to_state(copy, copy.version, card.head)
                try:
                    cutting_told(Cutting(checked.seen.stack, read_size("8 1/2", "11", "in"), 1))
                except BadInput as error:
                    assert "sheet" in str(error), error
                while card.revisions.filter(number=card.head - 1).exists():
                    card = StoredCard.objects.get(pk=card.pk)
                    go_to_state(card, card.version, card.head - 1)
                    whole_card(card, supplies, ann)
                assert card.value.colours == ()
                card.delete()

        def of_kind(kind):
            @rule(data=st.data())
            def change(self, data):
                self.make(data.draw(drawn.changes(self.card.value)[kind]) | {"kind": kind})

            return change

        rules = {kind: of_kind(kind) for kind in CHANGE_SERIALIZERS}
        run_state_machine_as_test(
            type("CardMachine", (Machine,), rules),
            settings=settings(
                max_examples=EXAMPLES,
                stateful_step_count=20,
                suppress_health_check=list(HealthCheck),
                print_blob=False,
            ),
        )
        if EXAMPLES > 50:  # a trial: every kind of change was made, and it says how many
            self.assertEqual([kind for kind, count in counts.items() if not count], [])
            print(f"{sum(counts.values())} changes stored: {counts}")
