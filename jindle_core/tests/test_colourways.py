"""A card in other colours keeps what is lighter than what; what is held stays; and it is made of supplies."""

import itertools
import unittest
from dataclasses import replace

import numpy as np
from hypothesis import given, settings
from hypothesis import strategies as st

from jindle_core import figures
from jindle_core.card.changes.every import changed
from jindle_core.card.changes.palette import AddColour
from jindle_core.card.changes.pictures import EditAreas
from jindle_core.card.references import named
from jindle_core.card.sound import sound
from jindle_core.card.whole import Anchor, Card
from jindle_core.colorimetry.naming import hue_family
from jindle_core.colorimetry.spaces import lab_to_hue
from jindle_core.errors import BadInput
from jindle_core.families.recipes import Thing
from jindle_core.fullness import Kept
from jindle_core.lengths import read_size
from jindle_core.media.medium import Medium
from jindle_core.palettes.moods import MOODS
from jindle_core.palettes.role import Role
from jindle_core.provenance import Provenance
from jindle_core.seen.whole import SeenCard
from jindle_core.sets.colourways import Colourways, Wanted, holdable
from jindle_core.sets.joint import Joint
from jindle_core.sets.landing import Landing
from jindle_core.sets.schemes import Leading, Scheme, SchemeKind, leading, recoloured
from jindle_core.supplies.colours import RangeFacts, SupplyColour
from jindle_core.supplies.whole import Supplies
from jindle_core.tests.drawn_changes import DRAWING
from jindle_core.tests.made import LABS, some_supplies
from jindle_core.tests.strategies import LAB, some_lab
from jindle_core.tests.test_one_thing import LEAD, a_card

MANY = 60
MEDIA = {101: Medium.ALCOHOL_MARKER, 102: Medium.DYE_PAD, 103: Medium.CARDSTOCK}


def many_supplies():
    """What the card is made of, and so many more of each medium that it can be made in other colours."""
    few = some_supplies()
    read: Provenance = "read"
    rows = list(few.rows)
    for number, range_id in enumerate(MEDIA):
        for n, lab in enumerate(some_lab(MANY, seed=number)):
            rows.append(
                SupplyColour(
                    1000 * range_id + n,
                    range_id,
                    f"OAR-{range_id}-{n}",
                    "",
                    "",
                    read,
                    False,
                    *map(float, lab),
                )
            )
    facts = {pk: RangeFacts(pk, f"Oars {pk}", "", medium, own=True) for pk, medium in MEDIA.items()}
    drawer = few.drawer | {row.id: Kept("full", "") for row in rows[::2]}
    return Supplies(tuple(rows), few.ranges | facts, drawer=drawer, shares=few.shares)


SUPPLIES = many_supplies()
SEEN = SeenCard(a_card(), SUPPLIES, {1: DRAWING})
SCHEMES = st.builds(
    Scheme,
    st.sampled_from([kind for kind in SchemeKind if kind is not SchemeKind.AFTER]),
    st.sampled_from(range(0, 360, 30)),
)


class SchemeTests(unittest.TestCase):
    @given(SCHEMES, st.lists(LAB, min_size=1, max_size=8))
    def test_lightness_stays_and_greys_stay_grey(self, scheme, labs):
        labs = np.array(labs)
        made = recoloured(scheme, Leading(40.0, 200.0), labs)
        self.assertTrue(np.allclose(made[:, 0], labs[:, 0]))
        grey = lab_to_hue(labs)[1] < figures.palettes.RULE_COLOURED
        self.assertTrue((made[grey] == labs[grey]).all())

    def test_each_kind_puts_hues_where_it_says(self):
        labs = np.array([(60, 40, 30), (60, 35, -10), (60, -30, 20), (60, -10, -35)], float)
        hue = lab_to_hue(labs)[0]
        around = Leading(float(hue[0]), float(hue[2]))

        def made(kind):
            return lab_to_hue(recoloured(Scheme(kind, 90.0), around, labs))

        def off(hues, middle):
            return np.abs((hues - middle + 180) % 360 - 180)

        self.assertLess(off(made(SchemeKind.TURNED)[0], hue + 90).max(), 3)
        self.assertLess(off(made(SchemeKind.ONE_HUE)[0], hue[0] + 90).max(), 3)
        spread = figures.sets.NEIGHBOURS_SPREAD
        self.assertLess(off(made(SchemeKind.NEIGHBOURS)[0], hue[0] + 90).max(), spread + 3)
        opposite = off(made(SchemeKind.OPPOSITES)[0], hue[0] + 90)
        self.assertTrue(((opposite < 26) | (opposite > 154)).all())
        self.assertGreater(opposite.max(), 154)
        _, chroma = made(SchemeKind.ONE_ACCENT)
        self.assertEqual(int(chroma.argmax()), 2)
        self.assertLess(sorted(chroma)[-2], chroma.max() / 2)

    def test_roles_say_what_leads(self):
        around = leading(SEEN.palette)
        lead = lab_to_hue(np.array([LABS[22]], float))[0][0]
        self.assertAlmostEqual(around.lead, float(lead))


class JointTests(unittest.TestCase):
    @given(st.integers(0, 10**6))
    def test_small_cases_are_the_cheapest_there_is(self, seed):
        random = np.random.default_rng(seed)
        counts = random.integers(1, 6, random.integers(1, 6)).tolist()
        alone = [random.random(count) * 10 for count in counts]
        pairs = [pair for pair in itertools.combinations(range(len(counts)), 2) if random.random() < 0.8]
        between = {(i, j): random.random((counts[i], counts[j])) * 10 for i, j in pairs}
        joint = Joint(alone, between)
        cheapest = min(joint.cost(one) for one in itertools.product(*map(range, counts)))
        self.assertAlmostEqual(joint.cost(joint.best()), cheapest)

    def test_nothing_costs_nothing(self):
        self.assertEqual(Joint([], {}).best(), [])


class ColourwayTests(unittest.TestCase):
    @classmethod
    def setUpClass(cls):
        cls.found = list(Colourways(SEEN, Wanted()).proposals())

    def some(self, said, seen=SEEN):
        """The first proposals."""
        return list(itertools.islice(Colourways(seen, said).proposals(), 2))

    def test_proposals_differ_and_hold_what_must_hold(self):
        found = self.found
        self.assertGreater(len(found), 2)
        landing = Landing(SEEN, lambda places: SUPPLIES.to_be_had[places], frozenset())
        for one, other in itertools.combinations([SEEN, *found], 2):
            labs = [landing.labs if each is SEEN else each.landed.labs for each in (one, other)]
            self.assertGreaterEqual(landing.apart(*labs), figures.sets.SHOWN_APART)
        for one in found:
            self.assertEqual(sound(one.seen.card), one.seen.card)
            self.assertFalse(
                [check for check in one.gives_way if check.id.kind in ("pair", "stands", "spread")]
            )
            self.assertLessEqual(named(one.seen.card).every, set(SUPPLIES.places))

    def test_light_and_dark_stay_as_they_are(self):
        landing = Landing(SEEN, lambda places: SUPPLIES.to_be_had[places], frozenset())
        for one in self.found:
            was, now = landing.labs[:, 0], one.landed.labs[:, 0]
            for i, j in itertools.combinations(range(len(was)), 2):
                if abs(was[i] - was[j]) > 12:
                    self.assertGreater((now[i] - now[j]) * np.sign(was[i] - was[j]), 0)
            self.assertLess(np.abs(now - was).mean(), 4)

    def test_a_colour_with_another_hue_is_not_called_by_the_old_one(self):
        renamed = 0
        for one in self.found:
            before = {colour.key: colour for colour in SEEN.card.colours}
            names = [colour.name for colour in one.seen.card.colours]
            self.assertEqual(len(set(names)), len(names))
            for colour in one.seen.card.colours:
                was, now = (hue_family(each.anchor.lab).split()[-1] for each in (before[colour.key], colour))
                if was == now:
                    self.assertEqual(colour.name, before[colour.key].name)
                elif colour.name != before[colour.key].name:
                    renamed += 1
                    self.assertIn(now, colour.name)
        self.assertGreater(renamed, 0)

    def test_what_is_kept_is_counted(self):
        for one in self.found:
            told = {words: (kept, of) for words, kept, of in one.keeps}
            kept, of = told["light and dark"]
            self.assertLessEqual(kept, of)
            self.assertEqual(told["contrast"][0], told["contrast"][1])
            lost = sum(of - kept for words, (kept, of) in told.items() if words != "light and dark")
            self.assertLessEqual(lost, len(one.gives_way))

    def test_what_is_held_stays(self):
        card = SEEN.card
        for one in self.some(Wanted(held=frozenset({f"colour:{LEAD}", "pad:0", "picture:1"}))):
            self.assertEqual(one.seen.card.colour(LEAD), card.colour(LEAD))
            self.assertEqual(one.seen.card.ground.pads[0], card.ground.pads[0])
            self.assertEqual(one.seen.card.pictures[0], card.pictures[0])

    def test_a_held_picture_stays_also_where_it_is_coloured_as_another(self):
        second = SEEN.card.pictures[1]
        self.assertTrue(any(area.like is not None for area in second.areas))
        for one in self.some(Wanted(held=frozenset({f"picture:{second.key}"}))):
            card = one.seen.card
            self.assertEqual(
                [card.followed(area).family for area in card.pictures[1].areas],
                [SEEN.card.followed(area).family for area in second.areas],
            )
            self.assertEqual(card.colour(LEAD), SEEN.card.colour(LEAD))

    def test_what_is_left_out_is_told_with_what_would_break(self):
        ways = Colourways(SEEN, Wanted(held=frozenset({f"colour:{LEAD}"})))
        found = list(ways.proposals())
        self.assertLess(len(found), figures.sets.SHOWN)
        self.assertGreater(ways.alike + sum(ways.broken.values()), 0)

    def test_palettes_of_one_and_of_many_and_a_small_drawer(self):
        card = Card("One", read_size("5", "7", "in"))
        one = changed(card, AddColour(Anchor(None, (50.0, 40.0, 20.0), "typed"), "only", Role.LEAD))
        many = one
        for n, lab in enumerate(some_lab(23, seed=5)):
            many = changed(
                many, AddColour(Anchor(None, tuple(map(float, lab)), "typed"), f"c{n}", Role.SUPPORT)
            )
        few = replace(SUPPLIES, drawer={row.id: Kept("full", "") for row in SUPPLIES.rows[:6]})
        for value, supplies in ((one, SUPPLIES), (many, SUPPLIES), (SEEN.card, few)):
            seen = SeenCard(value, supplies, SEEN.drawings)
            found = list(itertools.islice(Colourways(seen, Wanted(owned=True)).proposals(), 3))
            for each in found:
                self.assertEqual(sound(each.seen.card), each.seen.card)
            self.assertTrue(found or supplies is few)

    def test_what_keeps_its_hue_is_let_alone_with_its_colour(self):
        self.assertEqual(
            Wanted().things, frozenset({Thing.SKIN, Thing.FUR, Thing.LEAF, Thing.FRUIT, Thing.SKY})
        )
        skin = changed(SEEN.card, EditAreas((1,), thing=Thing.FRUIT))
        seen = replace(SEEN, card=skin)
        for one in self.some(Wanted(), seen):
            self.assertEqual(one.seen.card.area(1), skin.area(1))
            self.assertEqual(one.seen.card.colour(LEAD), skin.colour(LEAD))
            self.assertEqual(
                len(one.changed), sum(not spot.held for spot in Colourways(seen, Wanted()).spots)
            )
        turned = self.some(Wanted(things=frozenset()), seen)
        self.assertTrue(any(one.seen.card.colour(LEAD) != skin.colour(LEAD) for one in turned))

    def test_only_what_is_owned_is_taken_where_that_is_wanted(self):
        for one in self.some(Wanted(owned=True)):
            new = named(one.seen.card).every - named(SEEN.card).every
            self.assertTrue(all(SUPPLIES.usable[SUPPLIES.places[pk]] for pk in new))

    def test_everything_that_can_be_held_is_known_and_stays_when_it_is(self):
        found = {one.id: one for one in holdable(SEEN)}
        card = SEEN.card
        self.assertLessEqual({f"colour:{one.key}" for one in card.colours}, set(found))
        self.assertLessEqual({f"pad:{at}" for at in range(len(card.ground.pads))}, set(found))
        self.assertEqual({one.words for id_, one in found.items() if id_ == "picture:1"}, {"all of picture"})
        for id_, one in found.items():
            self.assertEqual(one.shades is None, id_.startswith("picture:"))
        pieces = frozenset(id_ for id_ in found if id_.startswith("piece:"))
        self.assertTrue(pieces)
        for one in self.some(Wanted(held=pieces)):
            for id_ in pieces:
                key = int(id_.partition(":")[2])
                self.assertEqual(one.seen.card.build.piece(key), card.build.piece(key))

    def test_only_a_mood_is_gone_by_where_that_is_wanted(self):
        found = self.some(Wanted(like=MOODS[:1], only_like=True))
        self.assertTrue(found)
        self.assertEqual({one.scheme.like for one in found}, {MOODS[0]})

    def test_the_one_that_was_proposed_is_made_again(self):
        first = self.found[0]
        again = Colourways(SEEN, Wanted()).of(first.scheme, first.choice)
        self.assertEqual(again.seen.card, first.seen.card)
        self.assertEqual(again.landed.places, first.landed.places)

    def test_a_card_of_nothing_that_could_turn_says_so(self):
        keys = {f"colour:{colour.key}" for colour in SEEN.card.colours}
        pieces = {f"piece:{piece.key}" for piece in SEEN.card.build.every}
        pads = {f"pad:{at}" for at in range(len(SEEN.card.ground.pads))}
        with self.assertRaisesRegex(BadInput, "all is held"):
            Colourways(SEEN, Wanted(held=frozenset(keys | pieces | pads)))
        with self.assertRaisesRegex(BadInput, "How bold"):
            Wanted(bold=7)

    @settings(max_examples=12)
    @given(SCHEMES, st.floats(0.5, 1.6))
    def test_any_scheme_lands_on_a_card_that_could_have_been_made(self, scheme, bold):
        one = Colourways(SEEN, Wanted(bold=bold))
        scheme = replace(scheme, bold=bold)
        landing = Landing(SEEN, lambda places: SUPPLIES.to_be_had[places], frozenset())
        made = one.made(scheme, landing.land(recoloured(scheme, leading(SEEN.palette), landing.labs)))
        self.assertEqual(sound(made.seen.card), made.seen.card)
        self.assertEqual(len(made.seen.card.build.every), len(SEEN.card.build.every))
        self.assertGreater(len(made.checked.checks), 0)
