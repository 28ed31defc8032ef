"""The card is one thing: what it uses, what takes the place of what, what follows, and copies of it."""

import unittest
from dataclasses import replace

from hypothesis import given
from hypothesis import strategies as st

from jindle_core.card.changes.build import AddPiece, EditPiece, SetBuild
from jindle_core.card.changes.every import Purpose, Several, changed
from jindle_core.card.changes.everywhere import GlazeInstead, UseInstead
from jindle_core.card.changes.ground import SetGround, UsePad
from jindle_core.card.changes.palette import AddColour, Choose, Waive
from jindle_core.card.changes.pictures import (
    AddPicture,
    AreaFamily,
    EditAreas,
    RemovePicture,
    SetColouring,
    SetDrawing,
    SetFamilies,
    areas_of,
)
from jindle_core.card.copies import Part, copied
from jindle_core.card.ground import InkedCard, PadUse
from jindle_core.card.pictures import Over
from jindle_core.card.references import named, turned
from jindle_core.card.sound import sound
from jindle_core.card.stored import card_from_json, card_to_json
from jindle_core.card.whole import Anchor, Card
from jindle_core.checked.supplied import Inventory, instead_of
from jindle_core.checked.whole import CheckedCard
from jindle_core.checks.finding import Status
from jindle_core.errors import BadInput
from jindle_core.families.recipes import Thing
from jindle_core.fullness import Kept
from jindle_core.layers.pieces import WHITE_END, InkedOver, Kind
from jindle_core.lengths import Length, read_size
from jindle_core.material import End
from jindle_core.media.medium import Medium
from jindle_core.offers.following import following, moving_to
from jindle_core.offers.places import Glaze, Shading, Substitute, places_for
from jindle_core.palettes.role import Role
from jindle_core.planning.colouring import area_steps
from jindle_core.seen.uses import without_needless
from jindle_core.seen.whole import SeenCard
from jindle_core.supplies.asked import check_named
from jindle_core.supplies.used import shopping
from jindle_core.tests.drawn_changes import DRAWING
from jindle_core.tests.made import BOARDS, LABS, MARKERS, PADS, some_supplies

SIZE = read_size("5 1/2", "4 1/4", "in")
SUPPLIES = some_supplies()
LEAD, DARK = 1, 2
MARKER, PAD, BOARD = (End("supply", ids[1]) for ids in (MARKERS, PADS, BOARDS))
REPLACED = st.sampled_from(
    [(old, new) for ids in (MARKERS, PADS, BOARDS) for old in ids for new in ids if old != new]
)


def a_card():
    """A card that uses something of everything, the green marker and the green pad in several places."""
    card = Card("Reed bunting", SIZE)
    green = Anchor(MARKERS[1], tuple(map(float, LABS[MARKERS[1]])), "read")
    for change in (
        AddColour(green, "reed", Role.LEAD),
        AddColour(Anchor(None, (20.0, 0.0, 0.0), "typed"), "slate", Role.DARK),
        SetDrawing(1, areas_of(DRAWING), 1.0),
        EditAreas((1,), colour=LEAD),
        SetFamilies((AreaFamily(1, tuple(MARKERS[:3])), AreaFamily(2, (MARKERS[1],)))),
        SetColouring({"paper": BOARDS[0]}),
        AddPicture("second", like=1),
        Choose(LEAD, "marker", MARKERS[1]),
        Choose(LEAD, "cardstock", BOARDS[2], True),
        SetGround({"pads": (PadUse(PADS[1]), PadUse(PADS[0])), "mat": InkedCard(PADS[1], paper=BOARDS[1])}),
        SetBuild({"base": BOARD}),
        AddPiece(Kind.MAT, "mat", {"reveal": Length(8, "in"), "material": BOARD}),
        AddPiece(Kind.PANEL, "panel", {"size": read_size("4", "3", "in"), "material": End("palette", DARK)}),
        AddPiece(Kind.IMAGE, "bunting", {"size": read_size("2", "2", "in")}),
        AddPiece(Kind.STRIP, "label", {"size": read_size("2", "1", "in"), "inked": InkedOver(PADS[1])}),
    ):
        card = changed(card, change)
    return card


def seen(card, supplies=SUPPLIES):
    return SeenCard(card, supplies, {1: DRAWING})


def inventory(card, supplies=SUPPLIES):
    return Inventory(CheckedCard(seen(card, supplies)).examined)


def checks_of(card, kind, supplies=SUPPLIES):
    return [one for one in CheckedCard(seen(card, supplies)).checks if one.id.kind == kind]


def with_drawer(**fullness):
    """The supplies with some of the drawer otherwise, by ``m22="dry"``."""
    drawer = dict(SUPPLIES.drawer) | {int(key[1:]): Kept(full, "") for key, full in fullness.items()}
    return replace(SUPPLIES, drawer=drawer)


class UsesTests(unittest.TestCase):
    def test_everything_is_listed_with_its_places(self):
        found = {one.end: one.usages for one in inventory(a_card()).used}
        words = [(usage.of, usage.words) for usage in found[MARKER]]
        self.assertEqual(words[:2], [("picture", "fin, middle"), ("picture", "eye")])
        self.assertEqual({usage.of for usage in found[PAD]}, {"the ground", "the card"})
        cut = {usage.words: usage.size.text() for usage in found[BOARD] if usage.size}
        self.assertEqual(cut, {"the base, folded": "11 × 4 1/4 in", "mat": "5 1/4 × 4 in"})
        every = {one.id for one in found if one.source == "supply"}
        self.assertLessEqual(every, named(a_card()).every)

    def test_a_dry_marker_is_a_check_and_the_nearest_owned_takes_its_place_everywhere(self):
        supplies = with_drawer(m22="dry")
        (check,) = checks_of(a_card(), "supply", supplies)
        self.assertEqual((check.stage, check.finding.status), ("colouring", Status.FAILS))
        self.assertEqual(check.finding.reason, "dry")
        mend = check.to_mend()[0]
        after = changed(a_card(), mend.change)
        self.assertNotIn(MARKERS[1], named(after).every)
        self.assertEqual(checks_of(after, "supply", supplies), [])

    def test_an_empty_drawer_says_nothing_and_another_says_what_it_lacks(self):
        bare = replace(SUPPLIES, drawer={})
        self.assertEqual(checks_of(a_card(), "drawer", bare), [])
        (lacks,) = checks_of(a_card(), "drawer")
        self.assertEqual(lacks.title, "Not in your drawer")
        self.assertTrue(lacks.finding.figure.endswith("things that the card uses"))
        (low,) = checks_of(a_card(), "low", with_drawer(m22="low"))
        self.assertEqual((low.title, low.finding.reason), ("Running low", "Ferns OAR-22"))

    def test_a_marker_is_no_card_and_neither_is_a_palette_colour(self):
        tag = AddPiece(
            Kind.STRIP, "tag", {"size": read_size("1", "1", "in"), "material": End("palette", DARK)}
        )
        card = changed(changed(a_card(), EditPiece(4, {"material": MARKER, "inked": None})), tag)
        (check,) = checks_of(card, "no-card")
        self.assertEqual(check.finding.reason, "alcohol marker is no card")
        (of_palette,) = checks_of(card, "cut")
        self.assertEqual(of_palette.title, "Card for slate")
        self.assertIs(of_palette.finding.status, Status.LOOK_AGAIN)
        chosen = changed(card, Choose(DARK, "cardstock", BOARDS[1]))
        self.assertIs(checks_of(chosen, "cut")[0].finding.status, Status.HOLDS)
        for mend in check.to_mend():
            self.assertEqual(checks_of(changed(card, mend.change), "no-card"), [])

    def test_what_is_covered_is_not_bought(self):
        supplies = replace(SUPPLIES, drawer={})
        bare = changed(a_card(), RemovePicture(2))
        card = changed(bare, AddPiece(Kind.PANEL, "lid", {"size": read_size("5", "4", "in")}))
        needed = [without_needless(one, inventory(one).examined.covered.needless) for one in (bare, card)]
        lists = [{one.place for one in shopping([one], supplies)} for one in needed]
        tone = supplies.places[MARKERS[2]]
        self.assertIn(tone, lists[0])
        self.assertNotIn(tone, lists[1])

    def test_a_waiver_of_a_supply_speaks_of_what_takes_its_place(self):
        (check,) = checks_of(a_card(), "supply", with_drawer(m22="dry"))
        stored = card_to_json(changed(a_card(), Waive(check.key, "there is enough")))
        away = turned(stored, lambda use, pk: ["Ferns", str(pk)])
        back = card_from_json(turned(away, lambda use, ref: int(ref[1])))
        self.assertEqual(back.waivers[0].check, check.key)
        other = turned(stored, lambda use, pk: 99 if pk == MARKERS[1] else pk)
        self.assertEqual(other["waivers"][0]["check"], "supply:99")


class InsteadTests(unittest.TestCase):
    @given(REPLACED)
    def test_used_everywhere_nothing_is_left_of_the_old_one(self, pair):
        old, new = (End("supply", pk) for pk in pair)
        card = a_card()
        if old.id not in named(card).every:
            with self.assertRaises(BadInput):
                changed(card, instead_of(SUPPLIES, old, new))
            return
        after = changed(card, instead_of(SUPPLIES, old, new))
        self.assertNotIn(old.id, named(after).every)
        self.assertIn(new.id, named(after).every)
        self.assertEqual(sound(after), after)
        self.assertEqual(len(after.build.every), len(card.build.every))

    def test_in_some_areas_only(self):
        after = changed(a_card(), instead_of(SUPPLIES, MARKER, End("supply", MARKERS[3]), (2,)))
        self.assertEqual(after.area(2).family, (MARKERS[3],))
        self.assertEqual(after.area(1).family, tuple(MARKERS[:3]))
        self.assertEqual(after.colours, a_card().colours)

    def test_a_tone_that_is_there_already_comes_once(self):
        after = changed(a_card(), instead_of(SUPPLIES, MARKER, End("supply", MARKERS[0])))
        self.assertEqual(after.area(1).family, (MARKERS[0], MARKERS[2]))

    def test_white_card_takes_the_place_of_a_paper(self):
        after = changed(a_card(), UseInstead(End("supply", BOARDS[0]), WHITE_END))
        self.assertIsNone(after.pictures[0].paper)

    def test_a_glaze_takes_the_place_of_a_tone_in_its_areas(self):
        card, (gone, under, over) = a_card(), (MARKERS[1], MARKERS[3], MARKERS[4])
        glazed = changed(card, GlazeInstead(gone, under, over, 1, 2))
        self.assertEqual(glazed.area(1).family, (MARKERS[0], under, MARKERS[2]))
        self.assertEqual(glazed.area(2).over, (Over(under, over, 1, 2),))
        self.assertEqual(glazed.followed(glazed.areas[-1]).over, glazed.area(2).over)
        self.assertFalse(sound(glazed) != glazed)
        self.assertEqual(card_from_json(card_to_json(glazed)), glazed)
        self.assertLessEqual({under, over}, set(named(glazed).tones))
        alone, both = (
            seen(one).coloured[0]
            for one in (changed(card, instead_of(SUPPLIES, MARKER, End("supply", under))), glazed)
        )
        self.assertLess(both.tones[2].lab[0, 0], alone.tones[2].lab[0, 0])
        self.assertGreater(both.tones[2].sigma[0], alone.tones[2].sigma[0])
        self.assertIn("over it", area_steps(both, both.areas[1])[-1].words)
        self.assertTrue(any(one.end.id == over for one in inventory(glazed).used))
        # Another upper colour goes on lying there; another lower one makes something else.
        for end, left in ((over, 1), (under, 0)):
            other = changed(glazed, instead_of(SUPPLIES, End("supply", end), End("supply", MARKERS[5])))
            self.assertEqual(len(other.area(2).over), left)
        self.assertEqual(changed(glazed, SetFamilies((AreaFamily(2, (MARKERS[0],)),))).area(2).over, ())
        for wrong in (
            GlazeInstead(gone, gone, over),
            GlazeInstead(gone, MARKERS[0], over),
            GlazeInstead(over, under, gone),
            GlazeInstead(gone, under, over, 3),
        ):
            with self.subTest(wrong), self.assertRaises(BadInput):
                changed(card, wrong)
        with self.assertRaisesRegex(BadInput, "glazed with two of its own"):
            check_named(GlazeInstead(gone, PADS[0], over), SUPPLIES)

    def test_a_dry_tone_is_glazed_of_two_that_are_owned(self):
        under, over = MARKERS[3:5]
        glazed = changed(a_card(), GlazeInstead(MARKERS[1], under, over))
        lab = seen(glazed).coloured[0].on_paper(None).tones[2].lab[0]
        kept = {pk: Kept("dry" if pk == MARKERS[1] else "full", "") for pk in MARKERS}
        rows = tuple(
            row._replace(lightness=lab[0], a=lab[1], b=lab[2]) if row.id == MARKERS[1] else row
            for row in SUPPLIES.rows
        )
        supplies = replace(SUPPLIES, rows=rows, drawer=dict(SUPPLIES.drawer) | kept)
        (check,) = checks_of(a_card(), "supply", supplies)
        mend = next(one for one in check.to_mend() if isinstance(one.change, GlazeInstead))
        self.assertEqual(mend.figure, "predicted, ΔE 1 to 3")
        after = changed(a_card(), mend.change)
        self.assertEqual(checks_of(after, "supply", supplies), [])

    def test_several_changes_are_one_or_none(self):
        card = a_card()
        pad = UsePad(0, PADS[2])
        self.assertEqual(changed(card, Several(Purpose.MOVE, (pad,))), changed(card, pad))
        for wrong in ((), (pad, UsePad(9, 1)), (Several(Purpose.MOVE, (pad,)),), (pad,) * 101):
            with self.assertRaises(BadInput):
                changed(card, Several(Purpose.MOVE, wrong))


class PlacesTests(unittest.TestCase):
    def words(self, wanted, card=None):
        return [one.words for one in places_for(card or a_card(), wanted)]

    def test_a_substitute_has_a_place_wherever_the_old_one_is(self):
        wanted = Substitute(MARKERS[1], MARKERS[4])
        self.assertEqual(
            self.words(wanted),
            ["everywhere on the card", "all of picture", "fin of picture", "eye of picture"],
        )
        self.assertEqual(self.words(Substitute(PADS[1], PADS[0])), ["everywhere on the card"])
        self.assertEqual(self.words(Substitute(MARKERS[5], MARKERS[4])), [])
        one_area = changed(a_card(), places_for(a_card(), wanted)[3].change)
        self.assertEqual(
            (one_area.area(1).family, one_area.area(2).family), (tuple(MARKERS[:3]), (MARKERS[4],))
        )

    def test_a_glaze_where_its_lower_colour_is_no_tone_already(self):
        free = Glaze(MARKERS[1], MARKERS[3], MARKERS[4])
        self.assertEqual(self.words(free)[0], "in every area of the card")
        self.assertEqual(self.words(Glaze(MARKERS[1], MARKERS[0], MARKERS[4])), ["eye of picture"])

    def test_a_family_in_any_area_and_wherever_the_one_is_that_it_comes_from(self):
        found = Shading(tuple(MARKERS[3:6]), Medium.ALCOHOL_MARKER, tuple(MARKERS[:3]))
        places = places_for(a_card(), found)
        self.assertEqual(places[0].words, "wherever the card has that family")
        after = changed(a_card(), places[0].change)
        self.assertEqual((after.area(1).family, after.area(2).family), (tuple(MARKERS[3:6]), (MARKERS[1],)))
        self.assertIn("eye of second", [one.words for one in places])


class FollowingTests(unittest.TestCase):
    def test_what_was_in_a_colour_goes_along_with_its_steps(self):
        card = a_card()
        found = following(seen(card), LEAD, Anchor(None, (50.0, -26.0, 33.0), "typed"))
        followers = {one.id: one for one in found.followers}
        self.assertEqual(set(followers), {"cell:marker", "cell:cardstock", "area:1"})
        self.assertTrue(followers["cell:cardstock"].held)
        after = found.after.card
        self.assertEqual(after.choice(LEAD, "cardstock"), card.choice(LEAD, "cardstock"))
        lightness = [LABS[pk][0] for pk in after.area(1).family]
        self.assertEqual(lightness, sorted(lightness, reverse=True))
        self.assertEqual(len(lightness), 3)
        self.assertNotEqual(after.area(1).family, card.area(1).family)
        self.assertEqual(after.area(2), card.area(2))
        held = following(seen(card), LEAD, Anchor(None, (50.0, -26.0, 33.0), "typed"), frozenset({"area:1"}))
        self.assertEqual(held.after.card.area(1).family, card.area(1).family)

    def test_everything_held_only_the_colour_itself_changes(self):
        anchor = Anchor(None, (40.0, 30.0, -40.0), "typed")
        every = frozenset(one.id for one in following(seen(a_card()), LEAD, anchor).followers)
        after = following(seen(a_card()), LEAD, anchor, every).after.card
        self.assertEqual(after.colour(LEAD).anchor, anchor)
        self.assertEqual(after.ground, a_card().ground)
        self.assertEqual(after.build, a_card().build)
        self.assertEqual(after.areas, a_card().areas)

    def test_moved_to_ranges_and_back_the_structure_is_the_same(self):
        card = a_card()
        there, unserved = moving_to(seen(card), [1, 3], owned=False)
        self.assertIn("Pencil", unserved)
        after = there.after.card
        back = moving_to(there.after, [1, 3], owned=False)[0].after.card
        for one in (after, back):
            self.assertEqual(
                [(area.key, area.colour, len(area.family), area.medium) for area in one.areas],
                [(area.key, area.colour, len(area.family), area.medium) for area in card.areas],
            )
            self.assertEqual(len(one.ground.pads), len(card.ground.pads))
            self.assertEqual([one.key for one in one.build.every], [one.key for one in card.build.every])
            self.assertEqual(one.colours, card.colours)
        kept = {SUPPLIES.rows[at].range_id for at in map(SUPPLIES.places.get, named(after).tones)}
        self.assertEqual(kept, {3})

    def test_a_range_that_serves_nothing_moves_nothing(self):
        found, _ = moving_to(seen(a_card()), [4], owned=True)
        self.assertEqual(found.followers, ())
        self.assertIsNone(found.change)
        self.assertIs(found.after, found.before)


class CopyTests(unittest.TestCase):
    def test_a_copy_is_its_original_but_for_its_name(self):
        copy = copied(a_card(), " The same again ")
        self.assertEqual(replace(copy, name=a_card().name), a_card())
        self.assertEqual(copy.name, "The same again")

    def test_only_the_palette_or_only_the_build(self):
        card = a_card()
        palette = copied(card, "Colours", Part.PALETTE)
        self.assertEqual((palette.colours, palette.choices), (card.colours, card.choices))
        self.assertFalse(palette.build.every or palette.areas or palette.ground.laid)
        built = copied(card, "Pieces", Part.BUILD)
        self.assertEqual(seen(built).stack.where.boxes, seen(card).stack.where.boxes)
        self.assertEqual(named(built).every, frozenset())
        for copy in (palette, built):
            self.assertEqual(sound(copy), copy)
        with self.assertRaises(BadInput):
            copied(card, " ")


class BareTests(unittest.TestCase):
    def test_areas_without_a_colour_are_told_and_can_be_left_white_on_purpose(self):
        card = changed(a_card(), SetFamilies(tuple(AreaFamily(area.key, ()) for area in a_card().areas)))

        def told(card):
            found = CheckedCard(SeenCard(card, some_supplies(), {1: DRAWING}))
            return next((one for one in found.judged if one.id == "bare:1"), None)

        before = told(card)
        self.assertEqual((before.finding.status, before.stage), (Status.LOOK_AGAIN, "colouring"))
        self.assertIn("2 areas of picture have no colour", before.title)
        kept = changed(card, Waive("bare:1", "an outline alone"))
        self.assertEqual(told(kept).waived, "an outline alone")
        # What becomes another number of areas is asked anew; what is a white thing is white.
        one = changed(kept, SetFamilies((AreaFamily(card.areas[0].key, (MARKERS[0], MARKERS[1])),)))
        self.assertIsNone(told(one).waived)
        white = changed(card, EditAreas(tuple(area.key for area in card.areas), thing=Thing.WHITE))
        self.assertIsNone(told(white))
