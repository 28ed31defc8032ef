"""An exercise on paper: what stands in which box of a printed page, and what was laid there by hand?"""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np
from scipy.optimize import linear_sum_assignment

from jindle_core import figures
from jindle_core.colorimetry.difference import delta_e
from jindle_core.colorimetry.spaces import Lab
from jindle_core.families.judge import tone_names
from jindle_core.patterned.patches import Patch
from jindle_core.swatch_sheet import SheetArea, SwatchSheet
from jindle_core.training.question import TONES, WAYS, Exercise, Option, Question
from jindle_core.training.scoring import Answer
from jindle_core.words import in_words

_LEFT, _LEFT_BITS = 7, 3  # what a number leaves when it is divided by seven, in twos
_RANKS = ("first", "second", "third", "fourth", "fifth")


@dataclass(frozen=True, slots=True)
class LaidBox:
    """A box to be filled by hand: what stands under it, and whether it is looked at in a photograph."""

    words: str
    read: bool = True


@dataclass(frozen=True, slots=True)
class SeenRow:
    """What a row of a photographed page says: an answer, or why there is none."""

    answer: Answer | None
    trouble: str = ""


def row_areas(sheet: SwatchSheet, row: int) -> tuple[SheetArea, tuple[SheetArea, ...]]:
    """Where the words of a row stand, and its boxes from left to right."""
    first = row * figures.paper.SHEET_COLUMNS
    words, *boxes = sheet.boxes[first : first + figures.paper.SHEET_COLUMNS]
    return words, tuple(boxes)


def number_cells(sheet: SwatchSheet) -> tuple[SheetArea, ...]:
    """The cells in which a page's number is printed, in the field that other pages keep for grey card."""
    columns, rows = figures.training.SHEET_CELLS
    field = sheet.grey
    across, down = field.width / columns, field.height / rows
    return tuple(
        SheetArea(field.left + column * across, field.top + row * down, across, down)
        for row in range(rows)
        for column in range(columns)
    )


def number_bits(number: int) -> tuple[bool, ...]:
    """Which of the cells are dark: the number in twos, the least first, then what it leaves by seven.

    >>> number_of(number_bits(4021))
    4021
    """
    columns, rows = figures.training.SHEET_CELLS
    told = number | (number % _LEFT) << (columns * rows - _LEFT_BITS)
    return tuple(bool(told >> at & 1) for at in range(columns * rows))


def number_of(bits: Sequence[bool]) -> int | None:
    """The number that dark cells tell; None where they tell none."""
    told = sum(dark << at for at, dark in enumerate(bits))
    number = told & (1 << (len(bits) - _LEFT_BITS)) - 1
    read_well = number % _LEFT == told >> (len(bits) - _LEFT_BITS)
    return number if read_well and number in range(*figures.training.SHEET_NUMBERS) else None


def boxes_of(question: Question) -> tuple[LaidBox, ...]:
    """The boxes of a question's row, from left to right."""
    if question.orders:
        most, least = question.ends
        last = len(question.options) - 1
        return tuple(
            LaidBox(most if at == 0 else least if at == last else _RANKS[at]) for at in range(last + 1)
        )
    if question.exercise is Exercise.JOIN:
        return tuple(LaidBox(in_words(kind)) for kind in WAYS)
    if question.exercise is Exercise.NEAREST:
        return (LaidBox(question.given[0].label, read=False), LaidBox("nearest"))
    given = [LaidBox(one.label, read=False) for one in question.given]
    given.insert(question.gap, LaidBox(f"the {tone_names(TONES)[question.gap]} tone"))
    return tuple(given)


def words_of(question: Question) -> str:
    """What is to be done in a question's row."""
    listed = ", ".join(" on ".join(one.label for one in option.shown) for option in question.options)
    lightness = " in lightness alone" if question.value_only else ""
    if question.exercise is Exercise.LIGHTER:
        return f"Lay from the lightest to the darkest: {listed}"
    if question.exercise is Exercise.READ:
        return f"Lay each ground and write on it, what reads best first: {listed}"
    if question.exercise is Exercise.JOIN:
        first, second = question.given
        return f"How will {first.label} and {second.label} meet? Fill one box with a dark pen."
    if question.exercise is Exercise.NEAREST:
        return f"Which comes nearest to {question.given[0].label}{lightness}? Lay it: {listed}"
    return f"Which is the tone between or beside them{lightness}? Lay it: {listed}"


def codes(questions: Sequence[Question]) -> str:
    """Of which range each code of a page is, for codes alone may mean several."""
    found = {(one.label, one.range_name) for question in questions for one in question.colours}
    return "; ".join(f"{label}: {name}" for label, name in sorted(found))


def truth_words(question: Question) -> str:
    """The answer to a question, as it stands on the back."""
    if question.exercise is Exercise.JOIN and question.kind is not None:
        return f"{in_words(question.kind)}, {question.why}"
    named = [" on ".join(one.label for one in question.options[at].shown) for at in question.truth]
    if question.orders:
        each = zip(named, (question.options[at] for at in question.truth), strict=True)
        return ", ".join(
            f"{name} ({question.measure} {one.figure:.0f} ± {one.sigma:.1f})" for name, one in each
        )
    right = question.options[question.truth[0]]
    return f"{named[0]} (off by {question.unit} {right.figure:.1f} ± {right.sigma:.1f})"


def seen_row(question: Question, patches: Sequence[Patch]) -> SeenRow:
    """What was laid in the boxes that are looked at, in their order, as a photograph shows them.

    A colour is one of the codes that the row names: all of an order are told together, by the least sum of
    ΔE00, and what is far from each of them is none.
    """
    if question.exercise is Exercise.JOIN:
        marked = [at for at, one in enumerate(patches) if one.lab[0] < figures.training.SHEET_MARK_L]
        if len(marked) == 1:
            return SeenRow(Answer((), WAYS[marked[0]]))
        return SeenRow(None, "no box is filled" if not marked else "more than one box is filled")
    empty = [at + 1 for at, one in enumerate(patches) if one.bare]
    if empty:
        return SeenRow(None, "nothing is laid" if len(empty) == len(patches) else f"box {empty[0]} is empty")
    laid = np.array([one.lab for one in patches])
    known = np.array([laid_lab(option) for option in question.options])
    off = delta_e(laid[:, None], known[None])
    boxes, places = linear_sum_assignment(off)
    far = [int(box) + 1 for box in boxes if off[box, places[box]] > figures.training.SHEET_FAR]
    if far:
        return SeenRow(None, f"box {far[0]} is none of the colours that were asked for")
    return SeenRow(Answer(tuple(int(at) for at in places)))


def laid_lab(option: Option) -> Lab:
    """The colour that fills the box of an option: its own, or its ground's."""
    return option.shown[-1].lab
