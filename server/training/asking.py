"""What is a person asked next, and how is that sent there and back without being stored?"""

import hashlib
import secrets
from dataclasses import dataclass, replace

import numpy as np
from django.core import signing
from django.utils import timezone

from jindle_core import figures
from jindle_core.errors import BadInput, Problem
from jindle_core.stored import plain
from jindle_core.supplies.whole import Supplies
from jindle_core.training.exercises import EXERCISES, Wish, ask, ask_again, ask_on_paper
from jindle_core.training.progress import Answered
from jindle_core.training.question import Exercise, Eyes, Question
from jindle_core.training.threshold import threshold
from server.access import training_answers_of, training_missed_of
from server.accounts.models import Person
from server.training.actions import read_question, read_trials
from server.training.models import TrainingAnswer

_SALT = "training question"
_DAYS = 7  # for which a question can be answered: a page may stand open over a weekend
_TOO_OLD = "This question cannot be answered any more. Ask another one."


@dataclass(frozen=True)
class Next:
    """A question on its way to a person; which of those that come back it is, if any."""

    question: Question
    missed: int | None
    token: str


def wish_of(person: Person, owned: bool, around: frozenset[int] = frozenset()) -> Wish:
    """What they want of questions."""
    eyes: Eyes = person.eyes  # type: ignore[assignment]
    return Wish(owned, eyes, person.value_only, around=around)


def next_question(
    person: Person, supplies: Supplies, exercise: Exercise | None, wish: Wish, seed: int | None = None
) -> Next:
    """The next question of an exercise, or of any; what was missed and is due comes first, now and then.

    BadInput where their colours give none.
    """
    random = np.random.default_rng(seed)
    if random.random() < figures.training.AGAIN_SHARE and not wish.around:
        due = training_missed_of(person).filter(due__lte=timezone.now())
        for missed in due.filter(exercise=exercise.value) if exercise else due:
            question = ask_again(read_question(missed.question), supplies, random)
            if question is not None:
                return Next(question, missed.pk, _token(person, question, missed.pk))
            missed.delete()  # its colours are gone, or no longer known to be apart
    wanted = [exercise] if exercise else list(random.permutation(list(Exercise)))
    for one in map(Exercise, wanted):
        spread, told, lately = spread_of(person, one), _with_value(person, one, wish), _lately(person, one)
        for _ in range(figures.training.ANEW):
            question = ask(one, supplies, spread, told, random)
            if question is None or question.crux not in lately:
                break
        if question is not None:
            return Next(question, None, _token(person, question, None))
    raise BadInput(nothing_to_ask(exercise))


def _lately(person: Person, exercise: Exercise) -> set[frozenset[int | None]]:
    """What the latest questions hung on: to be asked of the same two again and again teaches nothing."""
    found = training_answers_of(person).filter(exercise=exercise.value).order_by("-id")
    latest = found.values_list("question", flat=True)[: figures.training.LATELY]
    return {read_question(stored).crux for stored in latest}


def questions_for_sheet(
    person: Person, supplies: Supplies, exercise: Exercise, wish: Wish, seed: int | None = None
) -> list[Question]:
    """As many different questions as stand on a page; BadInput where the colours give none."""
    random = np.random.default_rng(seed)
    spread, wish = spread_of(person, exercise), _with_value(person, exercise, wish)
    found: dict[frozenset[int | None], Question] = {}
    for _ in range(3 * figures.training.SHEET_ROWS):
        question = ask_on_paper(exercise, supplies, spread, wish, random)
        if question is not None:
            found.setdefault(frozenset(one.id for one in question.colours), question)
        if question is None or len(found) == figures.training.SHEET_ROWS:
            break
    if not found:
        raise BadInput(nothing_to_ask(exercise, on_paper=True))
    return list(found.values())


def nothing_to_ask(exercise: Exercise | None, on_paper: bool = False) -> Problem:
    """Why nothing can be asked, and what would change that; only what is owned can be laid on paper."""
    needs = EXERCISES[exercise].needs if exercise else "three colours whose lightness is surely apart"
    words = (
        f"There is nothing sure to be asked of these colours: it needs {needs}. Say what else you own, "
        + ("or " if on_paper else "")
        + "read swatches of those that are known roughly"
        + ("." if on_paper else ", or practise with colours that you do not own.")
    )
    return Problem(words, field="exercise")


def read_token(person: Person, token: str) -> tuple[Question, int | None, str]:
    """What a token asks, which of those that come back it is, and its digest.

    BadInput for a token that is not this person's, was changed, or is too old.
    """
    try:
        told = signing.loads(token, salt=_SALT, max_age=_DAYS * 24 * 3600)
    except signing.BadSignature:
        raise BadInput(Problem(_TOO_OLD, field="token")) from None
    if told["person"] != person.pk:
        raise BadInput(Problem(_TOO_OLD, field="token"))
    return read_question(told["question"]), told["missed"], hashlib.sha256(token.encode()).hexdigest()


def _token(person: Person, question: Question, missed: int | None) -> str:
    told = {"person": person.pk, "question": plain(question), "missed": missed, "once": secrets.token_hex(8)}
    return signing.dumps(told, salt=_SALT, compress=True)


def answers_for_progress(person: Person) -> list[Answered]:
    """The latest answers as progress sees them, from the earliest on."""
    rows = training_answers_of(person).order_by("-id").defer("question", "answer")
    return [_as_seen(row) for row in reversed(rows[: figures.training.PROGRESS])]


def spread_of(person: Person, exercise: Exercise, value_only: bool = False) -> float:
    """How fine their eye was in an exercise after the latest answer; before any, as eyes usually are."""
    found = training_answers_of(person).filter(exercise=exercise.value, value_only=value_only)
    return next(iter(found.values_list("spread", flat=True)[:1]), threshold(exercise, ()).spread)


def _with_value(person: Person, exercise: Exercise, wish: Wish) -> Wish:
    """The same, with how fine eyes are for lightness alone where that may be asked."""
    if not (wish.eyes and wish.value_only):
        return wish
    return replace(wish, value_spread=spread_of(person, exercise, value_only=True))


def _as_seen(row: TrainingAnswer) -> Answered:
    day = timezone.localtime(row.at).date().toordinal()
    exercise = Exercise(row.exercise)
    trials, regions = read_trials(row.trials), tuple(row.regions)
    return Answered(day, exercise, row.right, row.chance, trials, regions, row.spread, row.value_only)
