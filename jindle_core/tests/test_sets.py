"""Cards that are made together: batches, shared sheets, what they share, and one build for all."""

import unittest
from dataclasses import replace
from itertools import combinations

from jindle_core import figures
from jindle_core.card.changes.build import AddPiece, EditPiece, RemovePiece, SetBuild
from jindle_core.card.changes.every import changed
from jindle_core.card.references import named
from jindle_core.checked.whole import CheckedCard
from jindle_core.errors import BadInput
from jindle_core.layers.pieces import Kind
from jindle_core.lengths import OF_SHEETS, Length, read_size
from jindle_core.material import End
from jindle_core.planning.cutting import Cutting
from jindle_core.planning.planned import standing
from jindle_core.planning.progress import Progress
from jindle_core.planning.schedule import schedule
from jindle_core.planning.task import Work
from jindle_core.planning.tasks import tasks
from jindle_core.planning.wishes import Aim, Wishes
from jindle_core.seen.whole import SeenCard
from jindle_core.sets.alike import alike
from jindle_core.sets.batch import batched
from jindle_core.sets.carrying import carried, differences
from jindle_core.sets.colourways import Colourways, Wanted
from jindle_core.sets.members import Member, check_counts
from jindle_core.sets.shared_sheets import SetCutting
from jindle_core.tests.test_colourways import SEEN

SHEET = read_size("8 1/2", "11", "in", OF_SHEETS)


def a_set(counts=(1, 2, 1)):
    ways = Colourways(SEEN, Wanted()).proposals()
    cards = [CheckedCard(SEEN), *(next(ways).checked for _ in counts[1:])]
    return [Member(10 + at, *one) for at, one in enumerate(zip(cards, counts, strict=True))]


MEMBERS = a_set()


def other_build(*changes):
    card = SEEN.card
    for change in changes:
        card = changed(card, change)
    return card


class BatchTests(unittest.TestCase):
    def test_everything_is_done_once_for_each_card_and_in_a_possible_order(self):
        found = batched(MEMBERS)
        self.assertEqual(len({task.key for task in found}), len(found))
        known = {task.key for task in found}
        self.assertTrue(all(one.key in known for task in found for one in task.after))
        self.assertTrue(all(len(task.key) <= 40 for task in found))
        done = standing(found, Wishes(), Progress(), 0.0).schedule.placed
        self.assertEqual(len(done), len(found))
        alone = {one.work for member in MEMBERS for one in tasks(member.checked)}
        self.assertEqual({task.work for task in found}, alone)
        for work in (Work.BASE, Work.GLUE, Work.POST):
            (task,) = [one for one in found if one.work is work]
            self.assertIn("4 cards", task.words)

    def test_hands_work_as_long_as_for_each_by_itself_less_what_is_set_up_once(self):
        for task in batched([MEMBERS[0]]):
            (alone,) = [one for one in tasks(MEMBERS[0].checked) if f"{one.key}@10" == task.key]
            self.assertAlmostEqual(task.usual, alone.usual)
            self.assertEqual(
                [(one.key.partition("@")[0], one.minutes) for one in task.after],
                [(one.key, one.minutes) for one in alone.after],
            )
        (base,) = [one for one in batched(MEMBERS) if one.work is Work.BASE]
        each = figures.work.SCORE_BASE - figures.work.BASE_FIRST
        self.assertAlmostEqual(base.usual, figures.work.BASE_FIRST + 4 * each)
        together = schedule(batched(MEMBERS), Aim.TOOLS)
        alone = [schedule(tasks(one.checked), Aim.TOOLS) for one in MEMBERS for _ in range(one.count)]
        self.assertLess(together.hands + together.set_up, sum(one.hands + one.set_up for one in alone))
        self.assertLess(together.minutes, sum(one.minutes for one in alone))

    def test_what_dries_meanwhile_is_not_waited_for_again(self):
        def wait(count):
            found = batched([replace(MEMBERS[0], count=count)])
            return sum(one.minutes for task in found for one in task.after)

        self.assertLess(wait(8), wait(2))
        self.assertLess(wait(2), wait(1))

    def test_a_pace_of_ones_own_counts(self):
        (usual,), (slow,) = (
            [one for one in batched(MEMBERS, pace=pace) if one.work is Work.GLUE]
            for pace in ({}, {Work.GLUE: 2.0})
        )
        self.assertAlmostEqual(slow.minutes, 2 * usual.minutes)
        self.assertAlmostEqual(slow.usual, usual.usual)

    def test_grounds_are_laid_pad_by_pad(self):
        ground = next(
            one for one in batched([MEMBERS[0], replace(MEMBERS[0], key=11)]) if one.work is Work.GROUND
        )
        alone = next(one for one in tasks(MEMBERS[0].checked) if one.work is Work.GROUND)
        self.assertEqual(len(ground.steps), len(alone.steps))
        self.assertTrue(all(step.words.count(SEEN.card.name) == 2 for step in ground.steps))

    def test_forty_cards_are_planned_and_more_are_not(self):
        many = [Member(at, MEMBERS[at % 3].checked) for at in range(figures.sets.MOST_MEMBERS)]
        found = batched(many)
        self.assertLess(len(found), 4 * len(tasks(MEMBERS[0].checked)))
        check_counts([1] * figures.sets.MOST_MEMBERS)
        for counts, words in (([], "1 to 40"), ([1] * 41, "1 to 40"), ([201], "200"), ([0, 1], "200")):
            with self.assertRaisesRegex(BadInput, words):
                check_counts(counts)


class SharedSheetsTests(unittest.TestCase):
    def test_every_piece_of_every_card_lies_on_some_sheet(self):
        found = SetCutting(MEMBERS, SHEET)
        cut = [
            (MEMBERS[at].key, piece.key)
            for one in found.sheets
            for at, piece in zip(one.cards, one.sheet.cuts, strict=True)
        ]
        for member in MEMBERS:
            alone = Cutting(member.checked.seen.stack, SHEET, member.count)
            mine = [key for of, key in cut if of == member.key]
            expected = [piece.key for pieces in alone.from_sheets.values() for piece in pieces]
            self.assertEqual(sorted(mine), sorted(expected))
        self.assertGreaterEqual(len(found.sheets), found.bound)
        self.assertLess(len(found.sheets), found.apart)

    def test_a_sheet_is_of_one_stuff(self):
        for one in SetCutting(MEMBERS, SHEET).sheets:
            self.assertEqual(one.sheet.material.source == "sheet", False)
            self.assertIn(one.of, range(len(MEMBERS)))

    def test_too_many_pieces_say_so(self):
        with self.assertRaisesRegex(BadInput, "too many for one plan"):
            SetCutting([replace(MEMBERS[0], count=2000)], SHEET)


class AlikeTests(unittest.TestCase):
    def test_colourways_have_the_same_pattern_and_share_what_stays(self):
        found = alike(MEMBERS)
        self.assertEqual([(one.first, one.second) for one in found], list(combinations(range(3), 2)))
        for one in found:
            self.assertGreater(one.pattern, figures.sets.PATTERN_LIKE)
            cards = [MEMBERS[at].checked.seen.card for at in (one.first, one.second)]
            self.assertEqual(one.shared, named(cards[0]).every & named(cards[1]).every)
        (same,) = alike([MEMBERS[0], MEMBERS[0]])
        self.assertEqual(
            (same.off, round(same.pattern, 6), same.words), (0.0, 1.0, "the same pattern in greys")
        )

    def test_a_card_without_pieces_has_no_pattern(self):
        bare = other_build(*(RemovePiece(piece.key) for piece in reversed(SEEN.card.build.every)))
        self.assertEqual(alike([MEMBERS[0], Member(9, CheckedCard(SeenCard(bare, SEEN.supplies)))]), [])


class CarryingTests(unittest.TestCase):
    def test_a_change_of_build_goes_over_in_the_others_own_colours(self):
        other = MEMBERS[1].checked.seen.card
        self.assertEqual(differences(SEEN.card, other), [])
        mat, panel = SEEN.card.build.pieces[:2]
        one = other_build(
            EditPiece(mat.key, {"reveal": Length(16, "in")}),
            RemovePiece(SEEN.card.build.pieces[-1].key),
            AddPiece(Kind.PANEL, "second", {"size": read_size("1", "1", "in"), "material": mat.material}),
        )
        words = differences(one, other)
        self.assertEqual(len(words), 3)
        self.assertIn("mat differs in reveal", words)
        after = carried(one, other)
        self.assertEqual(differences(one, after), [])
        self.assertEqual(after.build.piece(mat.key).material, other.build.piece(mat.key).material)
        self.assertEqual(after.build.piece(panel.key).material, other.build.piece(panel.key).material)
        new = after.build.piece(one.build.newest)
        self.assertEqual(new.material, other.build.piece(mat.key).material)
        self.assertEqual(after.build.base, other.build.base)
        self.assertEqual((after.colours, after.pictures), (other.colours, other.pictures))

    def test_what_cannot_be_built_so_says_why(self):
        one = other_build(SetBuild({"base": End("palette", 1)}))
        without = replace(MEMBERS[1].checked.seen.card, pictures=())
        with self.assertRaises(BadInput):
            carried(one, without)
