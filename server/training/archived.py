"""How training travels in an archive: questions name their colours as the archive does."""

from copy import deepcopy
from math import isfinite
from typing import Any

from jindle_core import figures
from jindle_core.stored import plain
from jindle_core.swatch_sheet import SHEETS
from jindle_core.training.question import Exercise
from jindle_core.training.regions import regions_of
from jindle_core.training.scoring import scored
from jindle_core.training.sound import sound
from server.access import training_answers_of, training_missed_of, training_sheets_of
from server.accounts.models import Person
from server.parcel import Packing, Turn, Unpacking, when
from server.training.actions import read_answer, read_question
from server.training.models import MissedQuestion, TrainingAnswer, TrainingSheet


def pack_training(parcel: Packing) -> None:
    """Everything of a person's training, from the earliest on."""
    # Not for reading line by line: somebody who trains every day has thousands of answers.
    parcel.tell("training.json", _told(parcel.person, parcel.colours.get), indent=None)


def _told(person: Person, turn: Turn) -> dict[str, Any]:
    sheets = list(training_sheets_of(person).order_by("id"))
    numbers = {sheet.pk: number for number, sheet in enumerate(sheets)}
    return {
        "sheets": [
            {
                "exercise": one.exercise,
                "sheet": one.sheet,
                "number": one.number,
                "made": one.made.isoformat(),
                "questions": [_turned(question, turn) for question in one.questions],
            }
            for one in sheets
        ],
        "answers": [
            {
                "at": one.at.isoformat(),
                "question": _turned(one.question, turn),
                "answer": one.answer,
                "spread": one.spread,
                "sheet": numbers.get(one.sheet_id or 0),
                "row": one.row,
            }
            for one in training_answers_of(person).order_by("id")
        ],
        "missed": [
            {"question": _turned(one.question, turn), "box": one.box, "due": one.due.isoformat()}
            for one in training_missed_of(person)
        ],
    }


def unpack_training(parcel: Unpacking) -> dict[str, int]:
    """Store it; earlier archives have none. ValueError, or what reading raises, where it is none."""
    told = parcel.later("training.json") or {"sheets": [], "answers": [], "missed": []}
    return {"answers": _brought(parcel.person, told, lambda one: parcel.colours.get(tuple(one)))}


def _brought(person: Person, told: dict[str, Any], turn: Turn) -> int:
    sheets = [_sheet(person, one, turn) for one in told["sheets"]]
    latest = told["answers"][-figures.training.KEPT :]
    answers = [_answer(person, one, number, sheets, turn) for number, one in enumerate(latest)]
    TrainingAnswer.objects.bulk_create(answers, batch_size=200)
    for one in told["missed"]:
        question = sound(read_question(_turned(one["question"], turn)))
        if not 0 <= one["box"] < len(figures.training.BOX_DAYS):
            raise ValueError(f"{one['box']!r:.40} is no box")
        MissedQuestion.objects.create(
            owner=person,
            exercise=question.exercise.value,
            question=plain(question),
            box=one["box"],
            due=when(one["due"]),
        )
    return len(answers)


def _sheet(person: Person, one: dict[str, Any], turn: Turn) -> TrainingSheet:
    questions = [sound(read_question(_turned(question, turn))) for question in one["questions"]]
    first, past = figures.training.SHEET_NUMBERS
    if type(one["number"]) is not int or not first <= one["number"] < past:
        raise ValueError(f"{one['number']!r:.40} is no page's number")
    if one["sheet"] not in SHEETS or not 0 < len(questions) <= figures.training.SHEET_ROWS:
        raise ValueError("that is no page")
    return TrainingSheet.objects.create(
        owner=person,
        exercise=Exercise(one["exercise"]).value,
        sheet=one["sheet"],
        number=one["number"],
        questions=[plain(question) for question in questions],
        made=when(one["made"]),
    )


def _answer(
    person: Person, one: dict[str, Any], number: int, sheets: list[TrainingSheet], turn: Turn
) -> TrainingAnswer:
    question, answer = sound(read_question(_turned(one["question"], turn))), read_answer(one["answer"])
    worth = scored(question, answer)
    if not isfinite(one["spread"]) or one["spread"] <= 0:
        raise ValueError(f"{one['spread']!r:.40} is no spread")
    sheet = None if one["sheet"] is None else sheets[one["sheet"]]
    return TrainingAnswer(
        owner=person,
        at=when(one["at"]),
        exercise=question.exercise.value,
        value_only=question.value_only,
        right=worth.right,
        chance=question.chance,
        trials=[plain(trial) for trial in worth.trials],
        regions=list(regions_of(question)),
        spread=float(one["spread"]),
        question=plain(question),
        answer=plain(answer),
        digest=f"sheet {sheet.pk} row {one['row']}" if sheet else f"brought {number}",
        sheet=sheet,
        row=one["row"],
    )


def _turned(question: dict[str, Any], turn: Turn) -> dict[str, Any]:
    """A stored question whose colours are named otherwise."""
    made = deepcopy(question)
    for colour in [*made["given"], *(one for option in made["options"] for one in option["shown"])]:
        colour["id"] = None if colour["id"] is None else turn(colour["id"])
    return made
