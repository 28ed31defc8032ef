"""Which exercises are there, and what does each ask next?"""

from collections.abc import Callable
from dataclasses import dataclass, replace
from types import MappingProxyType

import numpy as np

from jindle_core import figures
from jindle_core.supplies.whole import Supplies
from jindle_core.training import joining, lighter, missing, nearest, reading
from jindle_core.training.question import ORDERS, Asked, Exercise, Eyes, Question, View
from jindle_core.training.threshold import wanted_margin

_Random = np.random.Generator
_VIEWS: tuple[View, ...] = ("colour", "greys", "lamp")


@dataclass(frozen=True, slots=True)
class About:
    """An exercise: what it is called, what is done in it, what it needs, how it is asked."""

    title: str
    words: str
    needs: str
    ask: Callable[[Supplies, Asked, _Random], Question | None]
    again: Callable[[Question, Supplies, _Random], Question | None]


EXERCISES = {
    Exercise.LIGHTER: About(
        "Lighter or darker",
        "Put some of your colours in order of lightness, whatever their hues.",
        lighter.NEEDS,
        lighter.ask,
        lighter.again,
    ),
    Exercise.NEAREST: About(
        "Nearest of four",
        "Say which of four comes nearest to a pad, a card or a colour of a paper.",
        nearest.NEEDS,
        nearest.ask,
        nearest.again,
    ),
    Exercise.JOIN: About(
        "Will it join",
        "Say how two pads meet, and choose what their middle looks like.",
        joining.NEEDS,
        joining.ask,
        joining.again,
    ),
    Exercise.MISSING: About(
        "The missing tone",
        "Two tones of a shading family stand there: choose the third.",
        missing.NEEDS,
        missing.ask,
        missing.again,
    ),
    Exercise.READ: About(
        "Will it read",
        "Put words on grounds in order of how well they can be read, also in greys and by lamp.",
        reading.NEEDS,
        reading.ask,
        reading.again,
    ),
}


# By the kind of a check: which exercise trains the eye for it.
PRACTISED = MappingProxyType(
    {
        "pair": Exercise.READ,
        "lettering": Exercise.READ,
        "writing": Exercise.READ,
        "stands": Exercise.LIGHTER,
        "melts": Exercise.LIGHTER,
        "mat": Exercise.LIGHTER,
        "picture": Exercise.LIGHTER,
        "span": Exercise.LIGHTER,
        "spread": Exercise.LIGHTER,
        "family": Exercise.MISSING,
        "join": Exercise.JOIN,
    }
)


@dataclass(frozen=True)
class Wish:
    """Whose colours, and whose eyes: see ``Asked``.

    With ``value_only`` somebody whose ``eyes`` part what is asked too little is asked for lightness alone, as
    hard as is good for their ``value_spread`` (ΔL*; None: not known yet).
    """

    owned: bool = True
    eyes: Eyes = ""
    value_only: bool = False
    value_spread: float | None = None
    around: frozenset[int] = frozenset()
    on_screen: bool = True
    darks: bool = True
    apart: float = 0.0
    most: int | None = None


def ask(
    exercise: Exercise, supplies: Supplies, spread: float, wish: Wish, random: _Random
) -> Question | None:
    """The next question of an exercise, so hard for an eye with a spread (ΔL* or ΔE00) as is wanted.

    None where the colours give none: see ``About.needs``.
    """
    least, most = figures.training.ORDER if exercise is Exercise.LIGHTER else figures.training.READ_ORDER
    count = int(random.integers(least, min(most, wish.most or most) + 1))
    asked = Asked(
        wanted_margin(exercise, spread, count),
        wish.owned,
        around=wish.around,
        on_screen=wish.on_screen,
        darks=wish.darks,
        apart=wish.apart,
        most=count if exercise in ORDERS else None,
    )
    if exercise is Exercise.READ:
        asked = replace(asked, view=_VIEWS[int(random.integers(len(_VIEWS)))] if wish.on_screen else "colour")
    found = _hard_enough(exercise, supplies, asked, random)
    if found is not None and wish.value_only and found.hidden_from(wish.eyes):
        margin = wanted_margin(exercise, wish.value_spread or spread, count)
        return _hard_enough(exercise, supplies, replace(asked, value_only=True, margin=margin), random)
    return found


def _hard_enough(exercise: Exercise, supplies: Supplies, asked: Asked, random: _Random) -> Question | None:
    """A question as hard as wanted, or as little harder as the colours allow."""
    for share in figures.training.HARDER:
        question = EXERCISES[exercise].ask(supplies, replace(asked, margin=share * asked.margin), random)
        if question is not None:
            return question
    return None


def ask_on_paper(
    exercise: Exercise, supplies: Supplies, spread: float, wish: Wish, random: _Random
) -> Question | None:
    """The same for a printed sheet: what is laid there by hand is told apart in a photograph.

    A printer cannot be trusted with strips, so of pads it is asked only how they meet.
    """
    pads = exercise is Exercise.JOIN
    on_paper = replace(
        wish,
        on_screen=False,
        darks=True,
        apart=figures.training.SHEET_APART,
        most=figures.training.SHEET_ORDER,
        value_only=wish.value_only and not pads,
    )
    question = ask(exercise, supplies, spread, on_paper, random)
    return replace(question, options=()) if question and pads else question


def ask_again(question: Question, supplies: Supplies, random: _Random) -> Question | None:
    """One that was asked before, with its colours as they are known now; None where it is sure no longer."""
    return EXERCISES[question.exercise].again(question, supplies, random)
