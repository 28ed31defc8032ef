"""Every write to training: an answer is kept, what was missed comes back, a sheet is made."""

import secrets
from collections.abc import Sequence
from datetime import timedelta
from typing import Any

import numpy as np
from django.utils import timezone

from jindle_core import figures
from jindle_core.colorimetry.spaces import on_screen
from jindle_core.errors import BadInput, Problem
from jindle_core.stored import plain, structured
from jindle_core.training.question import Exercise, Question
from jindle_core.training.regions import regions_of
from jindle_core.training.repetition import days_until, next_box
from jindle_core.training.scoring import Answer, Scored, scored
from jindle_core.training.threshold import Threshold, Trial, threshold
from server.access import training_answers_of, training_missed_of, training_sheets_of
from server.accounts.models import Person
from server.quotas import check_room
from server.training.models import MissedQuestion, TrainingAnswer, TrainingSheet
from server.writes import write


@write
def keep_answer(
    person: Person,
    question: Question,
    answer: Answer,
    digest: str,
    missed: int | None = None,
    sheet: TrainingSheet | None = None,
    row: int | None = None,
) -> tuple[TrainingAnswer, Scored, int | None]:
    """Keep an answer, once; says what it is worth, and in how many days the question comes back, if it does.

    Of very many the oldest go, so that nobody has to end training because there is no room.
    ``missed`` is which of those that come back was asked. A second answer to the same question changes
    nothing: the first one counts, and is told again.
    """
    before = training_answers_of(person).filter(digest=digest).first()
    if before is not None:
        return before, scored(*read_answered(before)), None
    worth = scored(question, answer)
    stored = TrainingAnswer.objects.create(
        owner=person,
        exercise=question.exercise.value,
        value_only=question.value_only,
        right=worth.right,
        chance=question.chance,
        trials=[plain(one) for one in worth.trials],
        regions=list(regions_of(question)),
        spread=threshold_of(person, question.exercise, question.value_only, worth.trials).spread,
        question=plain(question),
        answer=plain(answer),
        digest=digest,
        sheet=sheet,
        row=row,
    )
    oldest = training_answers_of(person).order_by("-id").values_list("pk", flat=True)[figures.training.KEPT :]
    training_answers_of(person).filter(pk__in=list(oldest)).delete()
    return stored, worth, _come_back(person, question, worth.right, missed)


def _come_back(person: Person, question: Question, right: bool, missed: int | None) -> int | None:
    found = training_missed_of(person).filter(pk=missed).first() if missed else None
    box = next_box(found.box if found else None, right)
    if box is None:
        if found is not None:
            found.delete()
        return None
    if not question.options or not on_screen(np.array([one.lab for one in question.colours])).all():
        return None  # on paper it was: half of it only, or of colours that no screen shows
    days = days_until(box)
    found = found or MissedQuestion(owner=person, exercise=question.exercise.value)
    found.question, found.box, found.due = plain(question), box, timezone.now() + timedelta(days=days)
    found.save()
    return days


@write
def make_sheet(person: Person, exercise: Exercise, sheet: str, questions: list[Question]) -> TrainingSheet:
    """Keep a page of questions, so that its photograph can be scored."""
    if not questions:
        raise BadInput(Problem("There is nothing to be asked of these colours.", field="exercise"))
    check_room(person, "pages in training")
    taken = set(training_sheets_of(person).values_list("number", flat=True))
    number = secrets.choice([one for one in range(*figures.training.SHEET_NUMBERS) if one not in taken])
    told = [plain(one) for one in questions]
    return TrainingSheet.objects.create(
        owner=person, exercise=exercise.value, sheet=sheet, number=number, questions=told
    )


@write
def begin_anew(person: Person) -> None:
    """Forget all that was answered, and what comes back; printed sheets stay, as if not yet filled."""
    training_answers_of(person).delete()
    training_missed_of(person).delete()


def threshold_of(
    person: Person, exercise: Exercise, value_only: bool = False, latest: Sequence[Trial] = ()
) -> Threshold:
    """How fine their eye is in an exercise, or for lightness alone in it, by the latest answers."""
    found = training_answers_of(person).filter(exercise=exercise.value, value_only=value_only)
    rows = found.order_by("-id").values_list("trials", flat=True)[: figures.training.WINDOW]
    trials = [trial for row in reversed(rows) for trial in read_trials(row)]
    return threshold(exercise, [*trials, *latest])


def read_trials(stored: list[Any]) -> tuple[Trial, ...]:
    """Stored choices."""
    return tuple(Trial(tuple(one["margins"]), one["right"], one["of"]) for one in stored)


def read_answered(stored: TrainingAnswer) -> tuple[Question, Answer]:
    """What was asked and answered."""
    return read_question(stored.question), read_answer(stored.answer)


def read_question(stored: Any) -> Question:
    """A stored question; BadInput for what is none."""
    return structured(stored, Question, "question")


def read_answer(stored: Any) -> Answer:
    """A stored answer; BadInput for what is none."""
    return structured(stored, Answer, "answer")
