"""Are eyes measured as fine as they are, is what is asked sure, and how long does a question take?"""

import statistics
from collections import Counter
from collections.abc import Iterator
from functools import partial

import numpy as np
from scipy.stats import chisquare

from bench.colourways import with_drawer
from bench.travelling import everybodys
from bench.visitor import CALLS, Row, Visitor, timed
from jindle_core import figures
from jindle_core.colorimetry.difference import delta_e
from jindle_core.supplies.whole import Supplies
from jindle_core.training.exercises import Wish, ask
from jindle_core.training.question import Exercise, Question
from jindle_core.training.scoring import scored
from jindle_core.training.threshold import Trial, threshold
from standins.learner import SimulatedLearner

_LEARNERS, _QUESTIONS = 60, 40
_SPREADS = (1.5, 10.0)  # one sigma of what made-up learners see, in ΔL* or ΔE00
# Joins are predicted to two ΔE00, so that nothing finer can be asked: finer eyes are only told to be so.
_OF_JOINS = (3.0, 10.0)
_ASKED, _DRAWN = 240, 200
_CHANGED = (Exercise.NEAREST, Exercise.LIGHTER)


def _learned(
    supplies: Supplies, exercise: Exercise, finer: float, slips: float
) -> tuple[list[float], list[bool], list[bool]]:
    """Of learners: how far each was measured off, does its interval hold it; of answers: were they right?"""
    off, held, right = [], [], []
    for seed in range(_LEARNERS):
        random = np.random.default_rng(seed)
        spreads = _OF_JOINS if exercise is Exercise.JOIN else _SPREADS
        true = float(np.exp(random.uniform(*np.log(spreads))))
        learner, trials = SimulatedLearner(true, seed, slips, finer), list[Trial]()
        for _ in range(_QUESTIONS):
            question = ask(exercise, supplies, threshold(exercise, trials).spread, Wish(), random)
            assert question is not None
            found = scored(question, learner.answer(question))
            trials += found.trials
            right.append(found.trials[0].right if exercise is Exercise.JOIN else found.right)
        measured = threshold(exercise, trials)
        true = learner.spread
        off.append(abs(measured.spread / true - 1))
        per = measured.value / measured.spread
        held.append(measured.low <= per * true <= measured.high)
    return off, held, right


_STEADY, _CHANGING = (0.0, figures.training.LAPSE), (1.0, 0.1)  # how often the spread halves; slips


def learner_rows(supplies: Supplies) -> Iterator[Row]:
    """Made-up learners after forty questions, exercise by exercise; and of two kinds those that change."""
    kinds = [(one, _STEADY, "steady") for one in Exercise]
    kinds += [(one, _CHANGING, "twice as fine by the end, 10 % slips") for one in _CHANGED]
    for exercise, (finer, slips), words in kinds:
        off, held, right = _learned(supplies, exercise, finer, slips)
        median, most = statistics.median(off), 0.2 if finer == 0 else 0.35
        yield (
            f"{_LEARNERS} learners of known eyes after {_QUESTIONS} questions, {exercise.value}, {words}"
            + (" (eyes as fine as joins can be asked)" if exercise is Exercise.JOIN else ""),
            f"off by ≤ {most:.0%} (median); the interval of 90 % holds 85–97 %",
            f"{median:.0%}; {np.mean([one <= 0.2 for one in off]):.0%} of them within 20 %; it holds"
            f" {np.mean(held):.0%}; {np.mean(right):.0%} of the questions right",
            median <= most and 0.85 <= float(np.mean(held)) <= 0.97,
        )


def _otherwise(question: Question, random: np.random.Generator) -> float:
    """How often the truth would be another, if every supply were off by its uncertainty at random."""
    sigmas = np.array([option.sigma for option in question.options])
    if question.aim is None:
        drawn = np.array([option.figure for option in question.options])
        drawn = drawn + random.normal(0, 1, (_DRAWN, len(sigmas))) * sigmas
        order = np.argsort(-drawn, axis=1)
        return float((order != question.truth).any(axis=1).mean())
    right = question.truth[0]
    if question.exercise is Exercise.JOIN:
        labs = np.array([option.strip[len(option.strip) // 2] for option in question.options])
        aim_sigma, sigmas = float(sigmas[right]), np.zeros(len(sigmas))
    else:
        labs = np.array([option.shown[0].lab for option in question.options])
        aim_sigma = float(np.hypot.reduce([one.sigma for one in question.given])) / len(question.given)
    # An uncertainty of one ΔE00 is that of all three axes together.
    axes = 3**-0.5
    aims = np.array(question.aim) + random.normal(0, aim_sigma * axes, (_DRAWN, 1, 3))
    seen = labs + random.normal(0, 1, (_DRAWN, *labs.shape)) * (axes * sigmas)[:, None]
    return float((delta_e(aims, seen).argmin(axis=1) != right).mean())


def sure_rows(supplies: Supplies) -> Iterator[Row]:
    """Whether what is asked has one answer, and whether its place can be guessed."""
    worst, nearer, mean, places = 0.0, 0, list[float](), Counter[tuple[Exercise, int, int]]()
    for exercise in Exercise:
        random = np.random.default_rng(1)
        for _ in range(_ASKED):
            question = ask(exercise, supplies, float(random.uniform(*_SPREADS)), Wish(), random)
            assert question is not None
            nearer += int((np.array(question.margins) <= figures.training.SURE * question.doubts).any())
            mean.append(_otherwise(question, random))
            worst = max(worst, mean[-1])
            places[exercise, len(question.options), question.truth[0]] += 1
    told = f"{nearer}; {statistics.fmean(mean):.1%}, {worst:.0%} of the least sure one"
    yield (
        f"{len(mean)} questions: nearer than their uncertainty; with another truth, were supplies off",
        "0; ≤ 1 % in the mean",
        told,
        nearer == 0 and statistics.fmean(mean) <= 0.01,
    )
    chances = {}
    for exercise in Exercise:
        counted = Counter({key[1]: 0 for key in places if key[0] is exercise})
        for (one, count, _), number in places.items():
            counted[count] += number if one is exercise else 0
        count = counted.most_common(1)[0][0]
        chances[exercise] = float(chisquare([places[exercise, count, at] for at in range(count)]).pvalue)
    least = min(chances, key=chances.__getitem__)
    yield (
        "Places of the right answer, of the lightest, of what reads best: how likely so uneven by chance",
        "≥ 1 % in each exercise",
        f"{chances[least]:.0%} at least ({least.value})",
        chances[least] >= 0.01,
    )


def question_row(visitor: Visitor, wanted: float = 3) -> Row:
    """A question of each exercise out of the demo studio's drawer, against an empty authenticated call."""
    ratios = {}
    for exercise in Exercise:
        body = {"exercise": exercise.value}
        for _ in range(6):  # both workers know the drawer
            visitor.post("/api/training/question", body)
        empty, asked = [], []
        for _ in range(CALLS):
            empty.append(timed(lambda: visitor.get("/api/me")))
            asked.append(timed(partial(visitor.post, "/api/training/question", body)))
        ratios[exercise.value] = statistics.median(asked) / statistics.median(empty)
    return (
        "A question of each exercise, against an empty authenticated call",
        f"≤ {wanted:g} ×",
        ", ".join(f"{name} {ratio:.1f} ×" for name, ratio in ratios.items()),
        max(ratios.values()) <= wanted,
    )


def training_rows(visitor: Visitor) -> list[Row]:
    """All of them."""
    supplies = with_drawer(everybodys()).worked_out()
    return [question_row(visitor), *sure_rows(supplies), *learner_rows(supplies)]
