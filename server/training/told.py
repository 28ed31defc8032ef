"""A question, an answer and how an eye comes on, as the API tells them."""

from collections.abc import Callable, Mapping, Sequence
from datetime import date
from typing import Any

import numpy as np

from jindle_core import figures
from jindle_core.colorimetry.naming import hue_family
from jindle_core.colorimetry.spaces import Array, Lab, lab_to_hex
from jindle_core.colorimetry.views import Shades, greys, lamp, shades
from jindle_core.families.judge import tone_names
from jindle_core.supplies.whole import Supplies
from jindle_core.training.exercises import EXERCISES
from jindle_core.training.progress import Answered, Week, by_region, weeks
from jindle_core.training.question import TONES, Exercise, Question, View
from jindle_core.training.question import AskedColour as Asked
from jindle_core.training.scoring import Answer, Scored
from jindle_core.training.threshold import Threshold
from server.told.training import Answered as AnsweredTold
from server.told.training import AskedColour, ExerciseWeeks, Option, Progress, Region, TrueColour, TrueOption
from server.told.training import Exercise as ExerciseTold
from server.told.training import Question as QuestionTold
from server.told.training import Threshold as ThresholdTold
from server.told.training import Week as WeekTold

_SHADE: dict[View, Callable[[Array], list[str]]] = {
    "colour": lab_to_hex,
    "greys": lambda labs: lab_to_hex(greys(labs)),
    "lamp": lambda labs: lab_to_hex(lamp(labs)),
}


def question_told(question: Question, token: str, comes_back: bool) -> QuestionTold:
    """A question as it is asked: nothing of it says what is right, nor which supplies are to choose from."""
    labs = _labs(question)
    shade = dict(zip(labs, _SHADE[question.view](np.array(labs)), strict=True))
    return QuestionTold(
        token=token,
        comes_back=comes_back,
        session=figures.training.SESSION,
        exercise=question.exercise,
        title=EXERCISES[question.exercise].title,
        prompt=prompt(question),
        orders=question.orders,
        ends=question.ends,
        view=question.view,
        value_only=question.value_only,
        asks_kind=question.kind is not None,
        gap=question.gap,
        given=[
            AskedColour(label=one.label, shade=shade[one.lab], **_form_told(one)) for one in question.given
        ],
        options=[
            Option(
                shown=[
                    AskedColour(label="", shade=shade[one.lab], **_form_told(one)) for one in option.shown
                ],
                strip=[shade[lab] for lab in option.strip],
            )
            for option in question.options
        ],
    )


def _labs(question: Question) -> list[Lab]:
    """Every colour that a question shows, once."""
    strips = [lab for option in question.options for lab in option.strip]
    return list(dict.fromkeys([*(one.lab for one in question.colours), *strips]))


def prompt(question: Question) -> str:
    """What is to be done, in one sentence."""
    lightness = " in lightness alone" if question.value_only else ""
    match question.exercise:
        case Exercise.LIGHTER:
            return "Put them in order, the lightest first."
        case Exercise.NEAREST:
            target = question.given[0]
            return f"Which of the four comes nearest to {target.label} ({target.medium.value}){lightness}?"
        case Exercise.JOIN:
            first, second = (one.label for one in question.given)
            asks = "How do they meet" if question.kind else "What does it look like where they meet"
            also = ", and what does it look like" if question.kind and question.options else ""
            return f"{first} is brushed into {second}. {asks}{also}{lightness}?"
        case Exercise.MISSING:
            tone = tone_names(TONES)[question.gap]
            return f"Which of the four is the {tone} tone of this family{lightness}?"
        case Exercise.READ:
            where = {"colour": "", "greys": ", squinted at", "lamp": " by a warm lamp"}[question.view]
            return f"Put them in order{where}: what reads best first."


def answered_told(question: Question, answer: Answer, worth: Scored) -> AnsweredTold:
    """The truth of a question beside what was answered, with its figures, in every view."""
    labs = _labs(question)
    seen = dict(zip(labs, shades(np.array(labs)), strict=True))
    return AnsweredTold(
        exercise=question.exercise,
        prompt=prompt(question),
        orders=question.orders,
        view=question.view,
        value_only=question.value_only,
        gap=question.gap,
        measure=question.measure,
        right=worth.right,
        kind=question.kind,
        kind_given=answer.kind,
        kind_right=worth.kind_right,
        reason=worth.reason,
        chance=round(question.chance, 6),
        places=list(answer.places),
        truth=list(question.truth),
        given=[_colour_told(one, seen) for one in question.given],
        options=[
            TrueOption(
                shown=[_colour_told(one, seen) for one in option.shown],
                strip=[seen[lab] for lab in option.strip],
                figure=round(option.figure, 1),
                sigma=round(option.sigma, 1),
                why=option.why,
                rank=rank,
            )
            for option, rank in zip(question.options, question.ranks, strict=True)
        ],
    )


def _form_told(colour: Asked) -> dict[str, Any]:
    return {
        "medium": colour.medium,
        "form": colour.medium.traits.form,
        "provenance": colour.provenance,
    }


def _colour_told(colour: Asked, seen: Mapping[Lab, Shades]) -> TrueColour:
    return TrueColour(
        id=colour.id,
        label=colour.label,
        range_name=colour.range_name,
        lab=[round(value, 1) for value in colour.lab],
        hue_name=hue_family(colour.lab),
        shades=seen[colour.lab],
        **_form_told(colour),
    )


def threshold_told(found: Threshold, answers: int) -> ThresholdTold | None:
    """How fine an eye is; None before there are enough answers to say."""
    if min(answers, found.answers) < figures.training.LEAST_ANSWERS:
        return None
    told = {name: round(getattr(found, name), 1) for name in ("value", "low", "high")}
    return ThresholdTold(finest=round(found.finest, 1) if found.beyond else None, **told)


def exercise_told(
    exercise: Exercise, found: Threshold, answered: Mapping[str, int], due: int, ready: bool
) -> ExerciseTold:
    """An exercise and how it stands."""
    about = EXERCISES[exercise]
    return ExerciseTold(
        key=exercise,
        title=about.title,
        about=about.words,
        needs=about.needs,
        ready=ready,
        unit=unit_of(exercise),
        answers=answered["count"],
        right=answered["right"],
        threshold=threshold_told(found, answered["count"]),
        due=due,
    )


def unit_of(exercise: Exercise) -> str:
    """What an exercise's threshold is measured in."""
    return Question(exercise, ()).unit


def progress_told(answers: Sequence[Answered]) -> Progress:
    """Week by week by exercise, and by region."""
    monday = 1  # day 1 is a Monday
    latest = [one for one in answers if not one.value_only][-figures.training.REGION_ANSWERS :]
    return Progress(
        exercises=[
            ExerciseWeeks(
                key=exercise,
                title=EXERCISES[exercise].title,
                unit=unit_of(exercise),
                weeks=[_week_told(week) for week in weeks(exercise, answers, monday)],
            )
            for exercise in Exercise
        ],
        regions=[
            Region(
                region=one.region,
                count=one.count,
                right=one.right,
                expected=round(one.expected, 1),
                weak=one.weak,
                weeks=[_week_told(week) for week in one.weeks],
            )
            for one in by_region(latest, monday)
        ],
    )


def _week_told(week: Week) -> WeekTold:
    return WeekTold(
        begins=date.fromordinal(week.first_day),
        count=week.count,
        right=week.right,
        by_chance=round(week.by_chance, 2),
        threshold=None if week.threshold is None else threshold_told(week.threshold, week.count),
    )


def beyond_screen(supplies: Supplies) -> int:
    """How many of a person's colours are stronger than a screen shows."""
    return int((supplies.usable & ~supplies.shown).sum())
