"""Questions that train an eye: sure of their truth, as hard as wanted, scored and measured."""

from collections import Counter
from dataclasses import replace
from unittest import TestCase

import numpy as np
from hypothesis import assume, given
from hypothesis import strategies as st
from scipy.stats import chisquare

from jindle_core import figures
from jindle_core.blending.joins import Meeting
from jindle_core.colorimetry.difference import delta_e
from jindle_core.colorimetry.spaces import lab_to_hue
from jindle_core.colorimetry.views import lamp
from jindle_core.errors import BadInput
from jindle_core.families.judge import judge_family
from jindle_core.fullness import Kept
from jindle_core.media.medium import Medium
from jindle_core.patterned.patches import Patch
from jindle_core.stored import plain, structured
from jindle_core.supplies.colours import RangeFacts, SupplyColour
from jindle_core.supplies.whole import Supplies
from jindle_core.swatch_sheet import swatch_sheet
from jindle_core.tests.strategies import some_lab
from jindle_core.training.exercises import EXERCISES, Wish, ask, ask_again, ask_on_paper
from jindle_core.training.progress import Answered, by_region, weeks
from jindle_core.training.question import (
    WAYS,
    Asked,
    AskedColour,
    Exercise,
    Option,
    Question,
    margin_sigma,
)
from jindle_core.training.regions import region, regions_of, within
from jindle_core.training.repetition import days_until, next_box
from jindle_core.training.scoring import Answer, scored
from jindle_core.training.sheet import (
    boxes_of,
    codes,
    laid_lab,
    number_bits,
    number_cells,
    number_of,
    row_areas,
    seen_row,
    truth_words,
    words_of,
)
from jindle_core.training.sound import sound
from jindle_core.training.threshold import (
    Trial,
    choices_of,
    right_share,
    threshold,
    wanted_margin,
    with_lapses,
)

MEDIA = (
    Medium.ALCOHOL_MARKER,
    Medium.DYE_PAD,
    Medium.CARDSTOCK,
    Medium.WAX_PENCIL,
    Medium.PATTERNED_PAPER,
)


def drawer(seed=1, each=40, provenance="read", grey=False, media=MEDIA):
    """A drawer of made-up colours in several media, all owned."""
    labs = some_lab(each * len(media), seed)
    # Markers and pencils come in families: eight hues, five depths each.
    for first in (0, 3 * each) if each == 40 else ():
        hue, depth = np.divmod(np.arange(40), 5)
        labs[first : first + 40, 0] = 88 - 15 * depth + labs[first : first + 40, 0] / 20
        labs[first : first + 40, 1] = 24 * np.cos(hue * np.pi / 4) + depth
        labs[first : first + 40, 2] = 24 * np.sin(hue * np.pi / 4)
    labs = labs * ([1, 0, 0] if grey else [1, 1, 1])
    rows = tuple(
        SupplyColour(n + 1, 1 + n // each, f"ALDER-{n + 1}", "", "Bank", provenance, False, *map(float, lab))
        for n, lab in enumerate(labs)
    )
    ranges = {
        n + 1: RangeFacts(n + 1, f"Range {n + 1}", "", medium, own=True) for n, medium in enumerate(media)
    }
    return Supplies(rows, ranges, drawer={row.id: Kept("full", "") for row in rows})


SUPPLIES = drawer()


def asked(exercise, seed, spread=3.0, supplies=SUPPLIES, **wish):
    return ask(exercise, supplies, spread, Wish(**wish), np.random.default_rng(seed))


def answer(question, places=None, kind=None):
    return Answer(tuple(places if places is not None else question.truth), kind or question.kind)


EACH = st.sampled_from(list(Exercise))
SEEDS = st.integers(0, 10_000)


class QuestionTests(TestCase):
    @given(SEEDS, st.floats(0.5, 12))
    def test_none_of_the_nearest_is_of_another_hue_altogether(self, seed, spread):
        question = asked(Exercise.NEAREST, seed, spread)
        assume(question is not None)
        aim = question.given[0].lab
        for option in question.options:
            (one,) = option.shown
            hues, strong = lab_to_hue(np.array([aim, one.lab]))
            if strong.min() >= figures.palettes.RULE_COLOURED:
                self.assertLessEqual(abs((hues[1] - hues[0] + 180) % 360 - 180), 90)

    @given(EACH, SEEDS, st.floats(0.5, 12))
    def test_nothing_is_asked_that_is_nearer_than_its_uncertainty(self, exercise, seed, spread):
        question = asked(exercise, seed, spread)
        assume(question is not None)
        surely = figures.training.SURE * question.doubts
        self.assertTrue((np.array(question.margins) > surely).all(), question)

    @given(EACH, SEEDS)
    def test_the_truth_is_what_the_supplies_say(self, exercise, seed):
        question = asked(exercise, seed)
        assume(question is not None)
        labs = [np.array([one.lab for one in option.shown]) for option in question.options]
        first = question.truth[0]
        if exercise is Exercise.LIGHTER:
            lights = [lab[0, 0] for lab in labs]
            self.assertEqual([lights[at] for at in question.truth], sorted(lights, reverse=True))
        elif exercise is Exercise.READ:
            seen = [lamp(lab) if question.view == "lamp" else lab for lab in labs]
            apart = [abs(lab[0, 0] - lab[1, 0]) for lab in seen]
            self.assertEqual([apart[at] for at in question.truth], sorted(apart, reverse=True))
        elif exercise is Exercise.NEAREST:
            off = delta_e(np.array(question.given[0].lab), np.vstack(labs))
            self.assertEqual(first, int(off.argmin()))
        elif exercise is Exercise.MISSING:
            two = np.array([one.lab for one in question.given])
            holds = [judge_family(np.insert(two, question.gap, lab[0], axis=0)).holds for lab in labs]
            self.assertEqual(holds, [at == first for at in range(len(labs))])
        else:
            middles = np.array([option.strip[len(option.strip) // 2] for option in question.options])
            self.assertLess(delta_e(np.array(question.aim), middles)[first], 0.1)
            ends = np.array([[option.strip[0], option.strip[-1]] for option in question.options])
            self.assertLess(np.ptp(ends, axis=0).max(), 0.1)  # the ends tell nothing

    @given(EACH, SEEDS, st.floats(1.5, 9))
    def test_it_is_as_hard_as_wanted_or_says_so_by_being_harder(self, exercise, seed, spread):
        question = asked(exercise, seed, spread)
        assume(question is not None)
        wanted = wanted_margin(exercise, spread, len(question.options))
        least = min(question.margins)
        self.assertGreater(least, 0.04 * wanted)
        if exercise is Exercise.LIGHTER:
            self.assertLess(least, 2.2 * wanted + 2)

    @given(EACH, SEEDS)
    def test_a_question_is_the_same_for_a_seed_and_comes_back_from_json_as_it_was(self, exercise, seed):
        question = asked(exercise, seed)
        self.assertEqual(question, asked(exercise, seed))
        assume(question is not None)
        self.assertEqual(structured(plain(question), Question, "question"), question)

    def test_right_answers_are_spread_evenly_over_the_places(self):
        for exercise in Exercise:
            counted = Counter()
            for seed in range(120):
                question = asked(exercise, seed)
                if question is not None and len(question.options) in (3, 4):
                    counted[len(question.options), question.truth[0]] += 1
            for many in {many for many, _ in counted}:
                seen = [counted[many, at] for at in range(many)]
                self.assertGreater(chisquare(seen).pvalue, 0.002, (exercise, seen))

    @given(EACH, SEEDS)
    def test_it_is_asked_again_with_the_colours_as_they_are_known_then(self, exercise, seed):
        question = asked(exercise, seed)
        assume(question is not None)
        again = ask_again(question, SUPPLIES, np.random.default_rng(seed + 1))
        self.assertEqual({one.id for one in again.colours}, {one.id for one in question.colours})
        self.assertEqual(
            sorted(round(one.figure, 6) for one in again.options if one.shown),
            sorted(round(one.figure, 6) for one in question.options if one.shown),
        )
        rough = drawer(provenance="label")
        known_roughly = ask_again(question, rough, np.random.default_rng(0))
        if known_roughly is not None:
            self.assertTrue((np.array(known_roughly.margins) > figures.training.SURE * 4 * 0.7).all())
        gone = replace(SUPPLIES, rows=SUPPLIES.rows[:1])
        self.assertIsNone(ask_again(question, gone, np.random.default_rng(0)))

    def test_what_it_is_to_be_about_comes_first(self):
        around = frozenset({12, 13, 45, 46, 85, 133})
        for exercise in Exercise:
            found = [asked(exercise, seed, around=around) for seed in range(30)]
            self.assertGreater(sum(q is not None for q in found), 20, exercise)
            hits = [bool(around & {one.id for one in q.colours}) for q in found if q is not None]
            self.assertGreater(sum(hits), 0.8 * len(hits), exercise)

    def test_on_a_screen_where_darks_run_together_none_is_asked_of(self):
        for exercise in (Exercise.LIGHTER, Exercise.NEAREST, Exercise.MISSING, Exercise.READ):
            for seed in range(20):
                question = asked(exercise, seed, darks=False)
                dark = [one.lab for one in question.colours if one.lab[0] < figures.training.DARKS_L]
                self.assertEqual(dark, [], exercise)

    def test_of_thousands_some_are_drawn_and_those_it_is_about(self):
        many = drawer(each=1500)
        for exercise in Exercise:
            for seed in range(6):
                random = np.random.default_rng(seed)
                wish = Wish(around=frozenset({7, 1600, 3100}))
                question = ask_on_paper(exercise, many, 3.0, wish, random)
                if question is not None and exercise is Exercise.LIGHTER:
                    self.assertTrue(wish.around & {one.id for one in question.colours})

    def test_metallic_colours_and_those_no_screen_shows_are_left_out(self):
        ranges = dict(SUPPLIES.ranges)
        ranges[1] = replace(ranges[1], properties={"metallic": True})
        shining = replace(SUPPLIES, ranges=ranges)
        for seed in range(40):
            question = asked(Exercise.LIGHTER, seed, supplies=shining)
            self.assertNotIn(Medium.ALCOHOL_MARKER, {one.medium for one in question.colours})
            nearest = asked(Exercise.NEAREST, seed)
            places = [SUPPLIES.places[one.id] for one in nearest.colours]
            self.assertTrue(SUPPLIES.shown[places].all())


class SoundTests(TestCase):
    @given(EACH, SEEDS, st.booleans())
    def test_what_was_asked_is_sound(self, exercise, seed, paper):
        random = np.random.default_rng(seed)
        question = (ask_on_paper if paper else ask)(exercise, SUPPLIES, 3.0, Wish(), random)
        assume(question is not None)
        self.assertIs(sound(question), question)

    def test_what_was_never_asked_is_not(self):
        order, pads = asked(Exercise.LIGHTER, 1), asked(Exercise.JOIN, 1)
        colour, option = order.options[0].shown[0], order.options[0]
        for wrong in (
            replace(order, options=()),
            replace(order, options=order.options * 4),
            replace(order, given=(colour,)),
            replace(order, aim=(50.0, 0.0, 0.0)),
            replace(order, kind=Meeting.CLEAN),
            replace(order, gap=3),
            replace(order, options=(replace(option, shown=()), *order.options[1:])),
            replace(order, options=(replace(option, sigma=-1.0), *order.options[1:])),
            replace(
                order,
                options=(
                    replace(option, shown=(replace(colour, lab=(150.0, 0.0, 0.0)),)),
                    *order.options[1:],
                ),
            ),
            replace(order, options=(replace(option, shown=(replace(colour, label=""),)), *order.options[1:])),
            replace(order, why="x" * 501),
            replace(pads, options=(), kind=None),
            replace(pads, aim=(50.0, 400.0, 0.0)),
            replace(pads, options=tuple(replace(one, strip=one.strip[:1]) for one in pads.options)),
        ):
            with self.assertRaises(BadInput):
                sound(wrong)


class BadDrawerTests(TestCase):
    def test_three_colours_are_enough_for_an_order_and_nothing_else(self):
        rows = tuple(
            SupplyColour(n, 1, f"ALDER-{n}", "", "", "read", False, light, 5.0, 5.0)
            for n, light in enumerate((30.0, 55.0, 80.0), start=1)
        )
        three = Supplies(
            rows,
            {1: RangeFacts(1, "Few", "", Medium.ALCOHOL_MARKER, own=True)},
            drawer={row.id: Kept("full", "") for row in rows},
        )
        for exercise in Exercise:
            question = asked(exercise, 1, supplies=three)
            self.assertEqual(question is not None, exercise is Exercise.LIGHTER)
            self.assertTrue(EXERCISES[exercise].needs)
        too_near = replace(three, rows=tuple(row._replace(lightness=50 + row.id / 5) for row in rows))
        self.assertIsNone(asked(Exercise.LIGHTER, 1, supplies=too_near))
        nothing = replace(three, drawer={})
        self.assertIsNone(asked(Exercise.LIGHTER, 1, supplies=nothing))
        self.assertIsNotNone(asked(Exercise.LIGHTER, 1, supplies=nothing, owned=False))

    def test_greys_only(self):
        greys = drawer(grey=True)
        for exercise in Exercise:
            for seed in range(8):
                question = asked(exercise, seed, supplies=greys)
                if question is None:
                    continue
                self.assertIn(question.kind, (None, Meeting.CLEAN))  # grey into grey is no mud
                self.assertEqual({one[-5:] for one in regions_of(question)}, {"greys"})
                self.assertTrue(scored(question, answer(question)).right)

    def test_what_is_known_by_its_label_alone_is_asked_in_wide_steps(self):
        rough = drawer(provenance="label")
        for seed in range(20):
            question = asked(Exercise.LIGHTER, seed, spread=0.5, supplies=rough)
            self.assertGreater(min(question.margins), figures.training.SURE * 4 * 2**0.5)


class EyesTests(TestCase):
    RED, GREEN = (50.0, 45.0, 30.0), (50.0, -42.0, 32.0)

    def question(self):
        colours = [
            AskedColour(n, f"C{n}", "R", Medium.DYE_PAD, "read", lab, 0.5)
            for n, lab in enumerate(
                (self.RED, (48.0, 40.0, 28.0), self.GREEN, (30.0, 5.0, -40.0), (90.0, 0.0, 5.0))
            )
        ]
        off = delta_e(np.array(self.RED), np.array([one.lab for one in colours[1:]]))
        options = tuple(Option(float(far), 0.5, (one,)) for far, one in zip(off, colours[1:], strict=True))
        return Question(Exercise.NEAREST, options, (colours[0],), self.RED)

    def test_red_against_green_is_hidden_from_some_eyes_and_not_from_others(self):
        question = self.question()
        self.assertTrue(question.hidden_from("deutan"))
        self.assertFalse(question.hidden_from("tritan"))
        self.assertFalse(question.hidden_from(""))
        self.assertFalse(replace(question, value_only=True).hidden_from("deutan"))

    def test_such_eyes_are_asked_for_lightness_alone_if_they_wish(self):
        wished, plainly = Counter(), Counter()
        for seed in range(30):
            for exercise in (Exercise.NEAREST, Exercise.MISSING, Exercise.JOIN):
                question = asked(exercise, seed, eyes="deutan", value_only=True)
                if question is None:
                    continue
                wished[exercise] += question.value_only
                self.assertFalse(question.hidden_from("deutan"))
                if question.value_only:
                    self.assertEqual((question.view, question.unit, question.kind), ("greys", "ΔL*", None))
                usual = asked(exercise, seed, eyes="deutan")
                plainly[exercise] += usual is not None and usual.value_only
        self.assertGreater(min(wished.values()), 0)
        self.assertEqual(sum(plainly.values()), 0)


class UncertaintyTests(TestCase):
    def test_how_surely_one_is_nearer_is_what_drawing_errors_gives(self):
        random = np.random.default_rng(5)
        for places in (
            ((50, 0, 0), (53, 0, 0), (42, 0, 0)),
            ((50, 20, 0), (52, 22, 4), (56, 26, 9)),
            ((60, -10, 30), (60, -4, 30), (60, -10, 45)),
        ):
            aim, right, other = (np.array(one, float) for one in places)
            said = float(margin_sigma(aim, 0.4, right, 0.3, other[None], np.array([0.5]))[0])
            drawn = [
                one + random.normal(0, sigma, (4000, 3))
                for one, sigma in ((aim, 0.4), (right, 0.3), (other, 0.5))
            ]
            lengths = [np.linalg.norm(drawn[at] - drawn[0], axis=1) for at in (1, 2)]
            self.assertAlmostEqual(float(np.std(lengths[1] - lengths[0])), said, delta=0.1 * said)


class ScoringTests(TestCase):
    @given(EACH, SEEDS)
    def test_the_truth_is_right_and_has_a_reason_with_figures(self, exercise, seed):
        question = asked(exercise, seed)
        assume(question is not None)
        found = scored(question, answer(question))
        self.assertTrue(found.right)
        self.assertEqual([question.ranks[at] for at in question.truth], list(range(len(question.truth))))
        self.assertEqual(sorted(question.ranks), list(range(len(question.options))))
        self.assertTrue(all(trial.right for trial in found.trials))
        self.assertRegex(found.reason, r"ΔL\*|ΔE00|meet")

    @given(SEEDS, st.randoms(use_true_random=False))
    def test_an_order_is_judged_two_by_two(self, seed, chance):
        question = asked(Exercise.LIGHTER, seed)
        given_order = list(question.truth)
        chance.shuffle(given_order)
        found = scored(question, answer(question, given_order))
        ranks = {at: rank for rank, at in enumerate(given_order)}
        swapped = sum(ranks[one] > ranks[other] for one, other in question.gaps)
        self.assertEqual(sum(not trial.right for trial in found.trials), swapped)
        self.assertEqual(found.right, tuple(given_order) == question.truth)

    def test_of_pads_both_parts_count(self):
        question = next(q for seed in range(20) if (q := asked(Exercise.JOIN, seed)) is not None)
        wrong_kind = next(kind for kind in WAYS if kind is not question.kind)
        found = scored(question, answer(question, kind=wrong_kind))
        self.assertEqual((found.right, found.kind_right, found.trials[0].right), (False, False, True))
        wrong_strip = [at for at in range(3) if at not in question.truth][:1]
        found = scored(question, answer(question, wrong_strip))
        self.assertEqual((found.right, found.kind_right, found.trials[0].right), (False, True, False))
        self.assertIn("the strip that you chose", found.reason)
        self.assertAlmostEqual(question.chance, 1 / 9)

    def test_what_is_no_answer_says_so(self):
        order, choice = asked(Exercise.LIGHTER, 1), asked(Exercise.NEAREST, 1)
        for question, places, kind in (
            (order, (0, 0, 1), None),
            (order, (), None),
            (choice, (9,), None),
            (choice, (0, 1), None),
            (choice, (0,), Meeting.CLEAN),
        ):
            with self.assertRaises(BadInput):
                scored(question, Answer(places, kind))


class ThresholdTests(TestCase):
    def test_chance_and_certainty_are_the_ends(self):
        for many in (2, 3, 4):
            none, all_ = (
                right_share(np.zeros(many - 1), np.array(1.0)),
                right_share(np.full(many - 1, 50.0), np.array(1.0)),
            )
            self.assertAlmostEqual(float(none), 1 / many, places=6)
            self.assertAlmostEqual(float(all_), 1.0, places=6)
            self.assertLess(float(with_lapses(all_, many)), 1.0)

    @given(st.floats(0.2, 4), st.floats(0.2, 4), st.floats(0.5, 3))
    def test_the_share_is_what_drawing_gives(self, near, more, spread):
        random = np.random.default_rng(3)
        off = np.array([0, near, near + more, near + 2 * more])
        seen = off + random.normal(0, spread, (20_000, 4))
        drawn = (seen.argmin(axis=1) == 0).mean()
        said = float(right_share(off[1:], np.array(spread)))
        self.assertAlmostEqual(said, drawn, delta=0.015)

    @given(EACH, st.floats(0.5, 12), st.integers(3, 7))
    def test_the_next_question_is_right_as_often_as_is_aimed_at(self, exercise, spread, count):
        margin = wanted_margin(exercise, spread, count)
        many = choices_of(exercise)
        share = float(right_share(np.full(many - 1, margin), np.array(spread)))
        whole = share ** (count - 1) if many == 2 else share
        self.assertAlmostEqual(whole, figures.training.TARGET, places=5)

    def test_eyes_are_found_and_the_interval_holds_them_steady_getting_finer_and_slipping(self):
        """The bench asks real questions and more learners; here each choice is exactly as hard as wanted."""
        for finer, slips in ((0.0, 0.02), (1.0, 0.1)):
            held, off = [], []
            for seed in range(12):
                random, trials, margin = np.random.default_rng(seed), [], 6.0
                first = float(random.uniform(2, 8))
                for number in range(40):
                    if number % 5 == 0:
                        spread = threshold(Exercise.NEAREST, trials).spread
                        margin = wanted_margin(Exercise.NEAREST, spread, 4)
                    true = first * 2 ** (-finer * number / 40)
                    seen = np.array([0, margin, margin, margin]) + random.normal(0, true, 4)
                    seen = random.random(4) if random.random() < slips else seen
                    trials.append(Trial((margin,) * 3, bool(seen.argmin() == 0)))
                found = threshold(Exercise.NEAREST, trials)
                held.append(found.low <= found.value * true / found.spread <= found.high)
                off.append(found.spread / true)
            with self.subTest(finer=finer, slips=slips):
                self.assertLess(abs(np.median(off) - 1), 0.25)
                self.assertGreater(np.mean(held), 0.75)

    def test_an_eye_finer_than_anything_that_is_asked_is_told_so(self):
        wide = [Trial((6.0, 6.0, 6.0), True)] * 30
        found = threshold(Exercise.NEAREST, wide)
        self.assertTrue(found.beyond)
        self.assertEqual(found.finest, 6.0)
        margin = wanted_margin(Exercise.LIGHTER, 4.0, 5)
        order = [Trial((margin,), right, 4) for right in ([True] * 12 + [False]) * 3 + [True]]
        self.assertFalse(threshold(Exercise.LIGHTER, order).beyond)
        self.assertAlmostEqual(
            threshold(Exercise.LIGHTER, order).finest, wanted_margin(Exercise.LIGHTER, 4.0, 2)
        )

    def test_before_any_answer_it_is_the_usual_and_wide(self):
        found = threshold(Exercise.LIGHTER, ())
        self.assertGreater(found.high / found.low, 10)
        self.assertAlmostEqual(found.spread, figures.training.USUAL_SPREAD["lighter-or-darker"], delta=0.6)


class RepetitionTests(TestCase):
    def test_what_was_missed_comes_back_later_each_time_and_then_no_more(self):
        box, days = next_box(None, False), []
        while box is not None:
            days.append(days_until(box))
            box = next_box(box, True)
        self.assertEqual(days, list(figures.training.BOX_DAYS))
        self.assertEqual(days, sorted(days))
        self.assertEqual(next_box(4, False), 0)


class ProgressTests(TestCase):
    def one(self, day, right, where="blues", margin=4.0, exercise=Exercise.NEAREST):
        return Answered(day, exercise, right, 0.25, (Trial((margin,) * 3, right),), (where,), 3.0)

    def test_weeks_count_what_was_right_and_what_guessing_gives(self):
        answers = [self.one(day, day % 3 > 0) for day in range(8, 29)]
        found = weeks(Exercise.NEAREST, answers, 1)
        self.assertEqual([(one.first_day, one.count) for one in found], [(8, 7), (15, 7), (22, 7)])
        self.assertEqual(sum(one.right for one in found), sum(one.right for one in answers))
        self.assertEqual(found[0].by_chance, 7 / 4)
        self.assertEqual([one.threshold for one in found], [None] * 3)  # too few to say
        self.assertEqual(weeks(Exercise.JOIN, answers), [])
        years = weeks(Exercise.NEAREST, [self.one(7 * n, True) for n in range(60)], 0)
        self.assertEqual([one.first_day // 7 for one in years], list(range(60 - figures.training.WEEKS, 60)))
        many = [self.one(8, True) for _ in range(9)]
        self.assertLess(
            weeks(Exercise.NEAREST, many)[0].threshold.value, threshold(Exercise.NEAREST, ()).value
        )

    def test_a_weak_region_is_named_and_hard_questions_do_not_make_one(self):
        usual = [self.one(1, n % 4 > 0, "greens") for n in range(40)]
        weak = [self.one(1, n % 3 == 0, "dark blues") for n in range(24)]
        hard = [self.one(1, n % 4 == 0, "reds", margin=0.01) for n in range(24)]
        few = [self.one(1, False, "pinks") for _ in range(4)]
        found = {one.region: one for one in by_region([*usual, *weak, *hard, *few])}
        self.assertEqual([name for name, one in found.items() if one.weak], ["dark blues"])
        self.assertEqual(next(iter(found)), "dark blues")
        (week,) = found["dark blues"].weeks
        self.assertEqual((week.count, week.right, week.by_chance), (24, 8, 6.0))

    def test_regions_are_named_as_one_would(self):
        self.assertEqual(region((30, 2, -30)), "dark blues")
        self.assertEqual(region((85, 0, 60)), "pale yellows")
        self.assertEqual(region((50, 1, 1)), "greys")
        ids = within(SUPPLIES, "pale greens")
        self.assertTrue(all(region(SUPPLIES.lab_at(SUPPLIES.places[pk])) == "pale greens" for pk in ids))


class SheetTests(TestCase):
    def on_paper(self, exercise, seed):
        return ask_on_paper(exercise, SUPPLIES, 4.0, Wish(), np.random.default_rng(seed))

    @given(EACH, SEEDS)
    def test_what_is_laid_is_known_again_in_a_photograph(self, exercise, seed):
        question = self.on_paper(exercise, seed)
        assume(question is not None)
        boxes = boxes_of(question)
        areas = row_areas(swatch_sheet("a4"), 2)[1]
        self.assertLessEqual(len(boxes), len(areas))
        random = np.random.default_rng(seed)
        if exercise is Exercise.JOIN:
            patches = [
                Patch((20.0 if kind is question.kind else 96.0, 0, 0), 0.5, kind is not question.kind)
                for kind in WAYS
            ]
            self.assertEqual(seen_row(question, patches).answer, Answer((), question.kind))
            return
        given_order = random.permutation(len(question.options))[: sum(box.read for box in boxes)]
        labs = np.array([laid_lab(question.options[at]) for at in given_order])
        labs = labs + random.normal(0, 1.2, labs.shape)
        found = seen_row(question, [Patch(tuple(lab), 1.0, False) for lab in labs])
        self.assertEqual(found.answer, Answer(tuple(int(at) for at in given_order)))

    def test_what_cannot_be_read_says_why(self):
        question = self.on_paper(Exercise.LIGHTER, 1)
        count = len(question.options)
        bare, odd = Patch((96.0, 0.0, 1.0), 0.3, True), Patch((50.0, 90.0, -90.0), 0.3, False)
        good = [Patch(laid_lab(option), 0.3, False) for option in question.options]
        for patches, words in (
            ([bare] * count, "nothing is laid"),
            ([bare, *good[1:]], "box 1 is empty"),
            ([odd, *good[1:]], "none of the colours"),
        ):
            found = seen_row(question, patches)
            self.assertIsNone(found.answer)
            self.assertIn(words, found.trouble)
        pads = self.on_paper(Exercise.JOIN, 1)
        dark = Patch((20.0, 0.0, 0.0), 0.3, False)
        self.assertIn("more than one", seen_row(pads, [dark, dark, bare]).trouble)
        self.assertIn("no box", seen_row(pads, [bare] * 3).trouble)

    def test_codes_are_far_enough_apart_to_be_told_and_named_with_their_ranges(self):
        for exercise in (Exercise.LIGHTER, Exercise.NEAREST, Exercise.MISSING, Exercise.READ):
            question = self.on_paper(exercise, 7)
            labs = np.array([laid_lab(option) for option in question.options])
            apart = delta_e(labs[:, None], labs[None]) + 100 * np.eye(len(labs))
            self.assertGreaterEqual(apart.min(), figures.training.SHEET_APART - 1e-6)
            for one in question.colours:
                self.assertIn(f"{one.label}: {one.range_name}", codes([question]))
            self.assertIn(question.options[question.truth[0]].shown[0].label, truth_words(question))
            self.assertIn(question.options[0].shown[0].label, words_of(question))

    @given(st.sampled_from(range(*figures.training.SHEET_NUMBERS)), st.integers(0, 15))
    def test_a_page_says_which_it_is_and_a_slip_in_one_cell_shows(self, number, at):
        bits = list(number_bits(number))
        self.assertEqual(len(bits), len(number_cells(swatch_sheet("letter"))))
        self.assertEqual(number_of(bits), number)
        bits[at] = not bits[at]
        self.assertIsNone(number_of(bits))

    def test_of_pads_how_they_meet_is_asked_of_everybody(self):
        wish = Wish(eyes="deutan", value_only=True)
        for seed in range(40):
            question = ask_on_paper(Exercise.JOIN, SUPPLIES, 4.0, wish, np.random.default_rng(seed))
            if question is not None:
                self.assertIsNotNone(sound(question).kind)
            nearest = ask_on_paper(Exercise.NEAREST, SUPPLIES, 4.0, wish, np.random.default_rng(seed))
            self.assertEqual("lightness alone" in words_of(nearest), nearest.value_only)


class AskedTests(TestCase):
    def test_reading_is_asked_in_every_view_and_never_of_what_nobody_would_write(self):
        views = Counter()
        for seed in range(60):
            question = asked(Exercise.READ, seed)
            views[question.view] += 1
            self.assertGreater(
                min(one.figure for one in question.options), figures.training.LETTERING_L - 1e-6
            )
        self.assertEqual(set(views), {"colour", "greys", "lamp"})

    def test_no_more_are_put_in_order_than_is_wished(self):
        found = EXERCISES[Exercise.LIGHTER].ask(SUPPLIES, Asked(3.0, most=4), np.random.default_rng(1))
        self.assertEqual(len(found.options), 4)
