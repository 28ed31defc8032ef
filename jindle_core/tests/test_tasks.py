"""What a card asks to be done: derived from it, each with what must be before it and what it needs."""

import unittest
from contextlib import suppress

from hypothesis import given, settings
from hypothesis import strategies as st

from jindle_core.card.changes.arranging import CopyPieces
from jindle_core.card.changes.build import AddPiece, EditPiece, SetBuild
from jindle_core.card.changes.every import changed
from jindle_core.card.changes.everywhere import GlazeInstead
from jindle_core.card.changes.pictures import AddPicture, AreaFamily, SetColouring, SetFamilies, areas_of
from jindle_core.card.whole import Card
from jindle_core.checked.whole import CheckedCard
from jindle_core.errors import BadInput
from jindle_core.layers.making import Making
from jindle_core.layers.pieces import BASE, VELLUM_END, Kind, Raised
from jindle_core.layers.shapes import Shape
from jindle_core.lengths import Length, read_size
from jindle_core.planning.cutting import Cutting
from jindle_core.planning.hazards import CAUTIONS
from jindle_core.planning.schedule import schedule
from jindle_core.planning.task import Hazard, Tool, Work
from jindle_core.planning.tasks import Habits, tasks
from jindle_core.seen.whole import SeenCard
from jindle_core.tests.drawn_changes import DRAWING
from jindle_core.tests.made import MARKERS, PADS, some_supplies
from jindle_core.tests.test_one_thing import a_card
from jindle_core.tests.worked import before_each, faults
from jindle_core.words import Said, said

SIZE = read_size("5 1/2", "4 1/4", "in")
SMALL = read_size("1", "1", "in")


def made(card, **habits):
    return tasks(CheckedCard(SeenCard(card, some_supplies(), {1: DRAWING})), Habits(**habits))


def full_card():
    """All that is done to a card: words, an inside, something raised, something trimmed, dots."""
    card = a_card()
    keys = {piece.name: piece.key for piece in card.build.pieces}
    for change in (
        EditPiece(keys["bunting"], {"raised": Raised.TAPE}),
        AddPiece(
            Kind.LETTERING,
            "words",
            {"on": keys["label"], "size": SMALL, "text": "hello", "made": Making.WHITE},
        ),
        AddPiece(Kind.PANEL, "writing panel", {"reveal": Length(16, "in")}, inside=True),
        AddPiece(Kind.STRIP, "overhang", {"size": read_size("6 1/2", "1", "in"), "trimmed": True}),
        AddPiece(Kind.FINISH, "dot", {"size": read_size("1", "1", "in")}),
    ):
        card = changed(card, change)
    return card


def told_of(piece, keys):
    """What draws how a piece lies, on any of some."""
    said = {"raised": st.sampled_from(Raised), "trimmed": st.booleans(), "on": st.sampled_from([BASE, *keys])}
    if piece.kind is Kind.IMAGE:
        said["stamped"] = st.booleans()
    if piece.kind is Kind.LETTERING:
        said["made"] = st.sampled_from(Making)
    return st.fixed_dictionaries({}, optional=said)


@st.composite
def made_cards(draw):
    """A card with pieces of every kind that lie on one another in any way, and how it is worked."""
    card = changed(full_card(), AddPicture("moth", 1, areas_of(DRAWING), 1.0))
    card = changed(card, SetFamilies((AreaFamily(card.areas[-1].key, (MARKERS[0], MARKERS[2])),)))
    (front,) = [one.key for one in card.build.pieces if one.name == "panel"]
    for kind, name, told in (
        (Kind.IMAGE, "moth", {"picture": card.pictures[-1].key, "on": front, "size": SMALL}),
        (Kind.VELLUM, "veil", {"size": SMALL, "on": front}),
        (Kind.RIBBON, "ribbon", {"size": SMALL}),
        (Kind.CUT_WORDS, "thanks", {"size": SMALL, "text": "thanks"}),
    ):
        card = changed(card, AddPiece(kind, name, told))
    finishes = draw(st.lists(st.sampled_from(["gloss", "glitter", "embossed line"]), unique=True))
    card = changed(card, SetColouring({"finishes": tuple(finishes)}))
    for face in card.build.faces:
        keys = [one.key for one in face]
        for piece in face:
            # What would make no card is refused, and the piece stays as it was.
            with suppress(BadInput):
                card = changed(card, EditPiece(piece.key, draw(told_of(piece, keys))))
    return card, draw(st.booleans())


class TasksTests(unittest.TestCase):
    def before(self, found, key):
        """Everything that must be done before a task, by its key."""
        return before_each(found)[key]

    @settings(max_examples=60, deadline=None, derandomize=True, database=None)
    @given(made_cards())
    def test_the_work_on_any_card_can_be_done_as_it_stands(self, drawn):
        card, cut_first = drawn
        checked = CheckedCard(SeenCard(card, some_supplies(), {1: DRAWING}))
        found = tasks(checked, Habits(cut_first))
        self.assertEqual(faults(checked, found, cut_first), [])
        for words in (one.words for one in found):
            # What it is of stands beside the words, never in what would be looked up in another language.
            pattern, values = (words.pattern, words.values) if isinstance(words, Said) else (words, {})
            self.assertEqual(said(pattern, **values), words)
            self.assertNotRegex(pattern, r"\d|moth|panel|thanks|PEN|ducks")

    def test_a_picture_stamped_on_a_panel_is_done_before_that_is_glued(self):
        card = full_card()
        keys = {piece.name: piece.key for piece in card.build.pieces}
        card = changed(card, EditPiece(keys["bunting"], {"stamped": True, "on": keys["panel"]}))
        found = made(card)
        self.assertIn("colour:1:1", self.before(found, "flat"))
        (stamp,) = [one for one in found if one.key == "stamp:1"]
        self.assertIn("straight on panel", stamp.words)
        self.assertNotIn("white card", stamp.words)

    def test_a_print_that_runs_over_the_edge_is_not_trimmed(self):
        card = full_card()
        keys = {piece.name: piece.key for piece in card.build.pieces}
        print_ = {"stamped": True, "on": keys["panel"], "trimmed": True, "raised": Raised.FLAT}
        (trim,) = [
            one for one in made(changed(card, EditPiece(keys["bunting"], print_))) if one.key == "trim"
        ]
        self.assertNotIn("bunting", trim.words)

    def test_vellum_and_ribbon_are_no_white_paper(self):
        card = changed(full_card(), AddPiece(Kind.VELLUM, "veil", {"size": SMALL}))
        card = changed(card, AddPiece(Kind.RIBBON, "bow", {"size": SMALL}))
        found = {name: one for one in made(card) for name in ("veil", "bow") if f" {name} " in one.words}
        self.assertEqual(found["veil"].words, "Cut veil out of vellum")
        self.assertEqual(found["bow"].words, "Cut bow out of ribbon")
        self.assertEqual(found["bow"].tool, Tool.SCISSORS)
        stack = CheckedCard(SeenCard(card, some_supplies(), {1: DRAWING})).seen.stack
        cutting = Cutting(stack, read_size("8 1/2", "11", "in"))
        packed = {cut.name: sheet.material for sheet in cutting.sheets for cut in sheet.cuts}
        self.assertEqual(packed["veil"], VELLUM_END)
        self.assertNotIn("bow", packed)
        self.assertEqual([name for name, end in packed.items() if end == VELLUM_END], ["veil"])

    def test_a_card_that_is_built_of_nothing_asks_for_nothing(self):
        self.assertEqual(made(Card("Heron", SIZE)), [])

    def test_each_has_a_key_of_its_own_and_names_only_what_there_is(self):
        found = made(full_card())
        keys = [one.key for one in found]
        self.assertEqual(len(set(keys)), len(keys))
        self.assertLessEqual({each.key for one in found for each in one.after}, set(keys))
        self.assertTrue(all(one.minutes > 0 and one.words for one in found))
        self.assertTrue(all(each.reason for one in found for each in one.after))
        self.assertEqual(found, made(full_card()))

    def test_the_job_is_in_order(self):
        found = made(full_card())
        works = {one.work for one in found}
        self.assertLessEqual(
            {Work.BASE, Work.CUT, Work.STAMP, Work.COLOUR, Work.GROUND, Work.INK, Work.WORDS}, works
        )
        for key, wanted in (
            ("raise", {"inside", "stamp:1", "colour:1:1", "out:1"}),
            ("flat", {"lay", "base"}),
            ("trim", {"flat"}),
            ("finish", {"flat", "raise", "inside"}),
            ("post", {"finish"}),
        ):
            self.assertLessEqual(wanted, self.before(found, key), key)
        (post,) = [one for one in found if one.key == "post"]
        self.assertEqual([one.minutes for one in post.after if one.key == "finish"], [60.0])

    def test_words_wait_for_the_ink_under_them_and_melt_at_once(self):
        found = made(full_card())
        (words,) = [one for one in found if one.work is Work.WORDS]
        self.assertIn("powder at once", words.words)
        self.assertEqual(words.hazards, {Hazard.HEAT, Hazard.POWDER})
        inked = [one.key for one in found if one.work is Work.INK]
        self.assertLessEqual(set(inked), self.before(found, words.key))

    def test_pictures_are_cut_out_first_where_one_likes_that(self):
        for cut_first in (False, True):
            found = made(full_card(), cut_first=cut_first)
            self.assertEqual("out:1" in self.before(found, "stamp:1"), cut_first)
            self.assertEqual("colour:1:1" in self.before(found, "out:1"), not cut_first)

    def test_a_slow_line_is_heat_set_and_takes_longer_to_dry(self):
        def wait(line, *finishes):
            found = made(changed(full_card(), SetColouring({"line": line, "finishes": finishes})))
            (stamp,) = [one for one in found if one.key == "stamp:1"]
            (colour,) = [one for one in found if one.key == "colour:1:1"]
            return stamp, next(one.minutes for one in colour.after if one.key == "stamp:1")

        quick, slow = wait("alcohol-proof"), wait("pigment")
        self.assertLess(quick[1], slow[1])
        self.assertIn("heat-set", slow[0].words)
        sealed = wait("pigment", "embossed line")
        self.assertIn("clear powder", sealed[0].words)
        self.assertLess(sealed[1], slow[1])

    def test_what_is_covered_is_not_coloured(self):
        card = a_card()
        over = AddPiece(Kind.PANEL, "cover", {"size": read_size("5", "4", "in")})
        self.assertTrue(any(one.work is Work.COLOUR for one in made(card)))
        self.assertFalse(any(one.work is Work.COLOUR for one in made(changed(card, over))))

    def test_what_touches_is_dry_before_its_neighbour_in_whichever_order_they_come(self):
        families = SetFamilies((AreaFamily(1, (MARKERS[1],)), AreaFamily(2, (MARKERS[3],))))
        card = changed(full_card(), families)
        checked = CheckedCard(SeenCard(card, some_supplies(), {1: DRAWING}))
        coloured = next(one for one in checked.seen.stack.coloured if one.touching)
        keys = [area.key for area in coloured.areas]
        placed = schedule(tasks(checked)).placed
        at = {area: one for one in placed for area in one.task.areas}
        pairs = [(at[keys[a]], at[keys[b]]) for a, b in coloured.touching if {keys[a], keys[b]} <= at.keys()]
        apart = [sorted(pair, key=lambda one: one.start) for pair in pairs if pair[0] is not pair[1]]
        self.assertTrue(apart)
        for first, then in apart:
            self.assertGreaterEqual(then.start, first.end + 5.0)

    def test_what_falls_off_is_kept_for_elsewhere(self):
        (trim,) = [one for one in made(full_card()) if one.work is Work.TRIM]
        self.assertTrue(any("falls off overhang" in step.words for step in trim.steps), trim.steps)

    def test_the_ground_dries_between_its_coats_and_then_lies_flat(self):
        found = made(full_card())
        ground = [one for one in found if one.work is Work.GROUND]
        self.assertTrue(all(any(each.minutes for each in one.after) for one in ground[1:]))
        self.assertIn(PADS[1], [end.id for end in ground[0].supplies])

    def test_waits_are_filled(self):
        found = schedule(made(full_card()))
        self.assertEqual(found.gap, 0.0)
        self.assertGreater(found.saved, 20)

    def test_what_is_stamped_straight_on_the_ground_waits_until_that_is_flat(self):
        card = full_card()
        keys = {piece.name: piece.key for piece in card.build.pieces}
        card = changed(card, SetBuild({"ground_on": keys["panel"]}))
        card = changed(
            card, EditPiece(keys["bunting"], {"stamped": True, "on": keys["panel"], "raised": Raised.FLAT})
        )
        found = made(card)
        (stamp,) = [one for one in found if one.key == "stamp:1"]
        ground = [one.key for one in found if one.work is Work.GROUND]
        self.assertIn(ground[-1], [one.key for one in stamp.after])
        self.assertTrue(any("flat again" in one.reason for one in stamp.after))
        self.assertNotIn("out:1", [one.key for one in found])  # nothing is cut out of it

    def test_gloss_comes_last_and_dries_before_the_post(self):
        found = made(changed(full_card(), SetColouring({"finishes": ("gloss",)})))
        self.assertIn("gloss:1", self.before(found, "post"))
        self.assertIn("flat", self.before(found, "gloss:1"))

    def test_a_glaze_takes_time_and_is_one_of_the_strokes(self):
        def colour(card):
            return next(one for one in made(card) if one.key.startswith("colour:1") and 2 in one.areas)

        card = full_card()
        glazed = changed(card, GlazeInstead(MARKERS[1], MARKERS[3], MARKERS[4], areas=(2,)))
        self.assertGreater(colour(glazed).minutes, colour(card).minutes)
        self.assertIn("over it, wherever it lies", str(colour(glazed).steps))

    def test_several_of_one_picture_are_stamped_and_cut_at_once(self):
        card = full_card()
        (image,) = [piece for piece in card.build.pieces if piece.kind is Kind.IMAGE]
        once, twice = made(card), made(changed(card, CopyPieces((image.key,))))

        def of(found, key):
            return next(one for one in found if one.key == key)

        self.assertIn("2 times, with room for its die", of(twice, "stamp:1").words)
        self.assertEqual(of(twice, "out:1").minutes, 2 * of(once, "out:1").minutes)
        self.assertLess(of(twice, "stamp:1").minutes, 2 * of(once, "stamp:1").minutes)

    def test_every_hazard_has_its_caution(self):
        self.assertEqual(set(CAUTIONS), set(Hazard))
        told = {hazard for one in made(full_card()) for hazard in one.hazards}
        self.assertLessEqual({Hazard.BLADE, Hazard.ALCOHOL, Hazard.HEAT, Hazard.SMALL}, told)

    def test_what_is_no_rectangle_is_die_cut_however_it_is_turned(self):
        for turn in (0.0, 20.0):
            told = {"size": SMALL, "shape": Shape.CIRCLE, "turn": turn}
            found = made(changed(full_card(), AddPiece(Kind.PANEL, "moon", told)))
            (die,) = [one for one in found if one.work is Work.DIE]
            self.assertIn("moon", die.words)
            self.assertEqual(die.hazards, {Hazard.ROLLERS})
        turned = made(changed(full_card(), AddPiece(Kind.STRIP, "slip", {"size": SMALL, "turn": 20.0})))
        self.assertEqual([one for one in turned if one.work is Work.DIE], [])
