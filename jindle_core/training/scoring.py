"""Was an answer right, and why?"""

from dataclasses import dataclass

from jindle_core.blending.joins import Meeting
from jindle_core.colorimetry.difference import direction_words
from jindle_core.colorimetry.naming import hue_family
from jindle_core.errors import BadInput, Problem
from jindle_core.training.question import WAYS, Exercise, Option, Question
from jindle_core.training.threshold import Trial
from jindle_core.words import in_words


@dataclass(frozen=True)
class Answer:
    """Places of options as they were put in order, or of the one that was chosen; how two pads meet."""

    places: tuple[int, ...]
    kind: Meeting | None = None


@dataclass(frozen=True)
class Scored:
    """Was all of it right, each choice by itself, and how two pads meet; the reason in one sentence."""

    right: bool
    trials: tuple[Trial, ...]
    kind_right: bool | None
    reason: str


def scored(question: Question, answer: Answer) -> Scored:
    """What an answer to a question is worth; BadInput for what is no answer to it."""
    check_answer(question, answer)
    if question.orders:
        ranks = {place: rank for rank, place in enumerate(answer.places)}
        trials = tuple(
            Trial((margin,), ranks[before] < ranks[after], len(question.gaps))
            for (before, after), margin in zip(question.gaps, question.margins, strict=True)
        )
        return Scored(all(one.right for one in trials), trials, None, _order_reason(question, answer))
    chosen_right = answer.places == question.truth
    kind_right = None if question.kind is None else answer.kind == question.kind
    trials = (Trial(question.margins, chosen_right),) if question.options else ()
    return Scored(
        chosen_right and kind_right is not False, trials, kind_right, _choice_reason(question, answer)
    )


def check_answer(question: Question, answer: Answer) -> None:
    """BadInput where it does not answer the question."""
    count = len(question.options)
    if question.orders and sorted(answer.places) != list(range(count)):
        words = f"Put all {count} in order, each once."
    elif not count and answer.places:
        words = "There is nothing to choose from."
    elif count and not question.orders and (len(answer.places) != 1 or not 0 <= answer.places[0] < count):
        words = f"Choose one of the {count}."
    elif (question.kind is None) != (answer.kind is None):
        words = "Say how the two pads meet." if question.kind else "Nothing is asked of how pads meet."
    else:
        return
    raise BadInput(Problem(words, field="places"))


def _order_reason(question: Question, answer: Answer) -> str:
    """Of the two that stand the wrong way round farthest, or are the closest of all."""
    ranks = {place: rank for rank, place in enumerate(answer.places)}
    wrong = [
        (margin, pair)
        for pair, margin in zip(question.gaps, question.margins, strict=True)
        if ranks[pair[0]] > ranks[pair[1]]
    ]
    first, second = max(wrong)[1] if wrong else question.closest
    one, other = question.options[first], question.options[second]
    told = f"(ΔL* {one.figure - other.figure:.1f} ± {_doubt(one, other):.1f})"
    if question.exercise is Exercise.READ:
        return f"“{_named(one)}” reads better than “{_named(other)}” {told}: {one.why}; {other.why}"
    told = f"“{_named(one)}” is lighter than “{_named(other)}” {told}"
    hues = [hue_family(option.shown[0].lab) for option in (one, other)]
    if hues[0] == hues[1]:
        return f"{told}: both are {hues[0]}, so only depth parts them"
    return f"{told}: {hues[0]} against {hues[1]}; squint, and the hues stop counting"


def _choice_reason(question: Question, answer: Answer) -> str:
    if question.exercise is Exercise.JOIN:
        return _join_reason(question, answer)
    right = question.options[question.truth[0]]
    chosen = question.options[answer.places[0]]
    told = f"“{_named(right)}” is nearest ({question.unit} {right.figure:.1f} ± {right.sigma:.1f} off)"
    if question.exercise is Exercise.MISSING:
        told = f"{question.why}; {told}, {right.why}" if right.why else f"{question.why}; {told}"
    if chosen is right or question.aim is None:
        return told
    more = f"; “{_named(chosen)}” is farther off ({question.unit} {chosen.figure:.1f})"
    if question.exercise is Exercise.MISSING and not question.value_only:
        return f"{told}{more}: {chosen.why}"
    if question.value_only:
        return f"{told}{more}"
    way = direction_words(question.aim, chosen.shown[0].lab)
    return f"{told}{more}: {way}" if way else told + more


def _join_reason(question: Question, answer: Answer) -> str:
    ends = " and ".join(f"“{one.label}”" for one in question.given)
    told = f"{ends} meet" if question.kind is None else f"{ends} {_MEETS[question.kind]},"
    chosen = [question.options[at] for at in answer.places if at not in question.truth]
    wrong = [
        f"; the strip that you chose is {one.why}, by {question.unit} {one.figure:.1f}" for one in chosen
    ]
    return f"{told} {question.why}{''.join(wrong)}"


_MEETS = {kind: f"meet {in_words(kind)}" for kind in WAYS}


def _named(option: Option) -> str:
    return " on ".join(one.label for one in option.shown)


def _doubt(one: Option, other: Option) -> float:
    return float((one.sigma**2 + other.sigma**2) ** 0.5)
