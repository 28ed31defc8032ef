"""Is a stored question one that can be asked and shown?"""

from math import isfinite

from jindle_core import figures
from jindle_core.errors import BadInput, Problem
from jindle_core.training.question import WAYS, AskedColour, Exercise, Option, Question

_LONGEST = 500  # characters of a label or a reason
_WIDEST = 150.0  # of a* and b*
# How many supplies a question is asked of, and how many each of its options shows.
_GIVEN = {Exercise.NEAREST: 1, Exercise.JOIN: 2, Exercise.MISSING: 2}
_SHOWN = {Exercise.JOIN: 0, Exercise.READ: 2}
_STRIP = 11


def sound(question: Question) -> Question:
    """The question; BadInput where it is none that was ever asked."""
    exercise, count = question.exercise, len(question.options)
    alone = exercise is Exercise.JOIN and not count  # on paper only how pads meet is asked
    most = figures.training.ORDER[1]
    faults = [
        words
        for wrong, words in (
            (not alone and not 2 < count <= most, f"{count} things to choose from"),
            (len(question.given) != _GIVEN.get(exercise, 0), "not asked of what such a question is asked of"),
            ((question.aim is None) != question.orders, "nothing to come near to, or too much"),
            (question.kind is not None and exercise is not Exercise.JOIN, "pads that meet"),
            (alone and question.kind not in WAYS, "nothing asked"),
            (not 0 <= question.gap <= 2, "another tone than three have"),
            (not all(_holds(exercise, one) for one in question.options), "an option that is none"),
            (not all(_is_colour(one) for one in question.colours), "a colour that is none"),
            (len(question.why) > _LONGEST, "a reason that is too long"),
        )
        if wrong
    ]
    if question.aim is not None and not _is_lab(question.aim):
        faults.append("an aim that is no colour")
    if faults:
        raise BadInput(Problem(f"This is no question that was asked: {'; '.join(faults)}.", field="question"))
    return question


def _holds(exercise: Exercise, option: Option) -> bool:
    strip = _STRIP if exercise is Exercise.JOIN else 0
    return (
        len(option.shown) == _SHOWN.get(exercise, 1)
        and len(option.strip) == strip
        and all(_is_lab(lab) for lab in option.strip)
        and isfinite(option.figure)
        and 0 <= option.sigma < 100
        and len(option.why) <= _LONGEST
    )


def _is_colour(colour: AskedColour) -> bool:
    short = 0 < len(colour.label) <= _LONGEST and len(colour.range_name) <= _LONGEST
    return short and _is_lab(colour.lab) and 0 <= colour.sigma < 100


def _is_lab(lab: tuple[float, float, float]) -> bool:
    return 0 <= lab[0] <= 100 and max(abs(lab[1]), abs(lab[2])) <= _WIDEST
