"""Lighter or darker: some of one's own colours are put in order of lightness, whatever their hues."""

import numpy as np

from jindle_core import figures
from jindle_core.colorimetry.difference import delta_e
from jindle_core.supplies.whole import Supplies
from jindle_core.training.ladder import ladder
from jindle_core.training.question import Asked, Exercise, Option, Question, surely_apart
from jindle_core.training.stock import EVEN_MEDIA, asked_colour, beginnings, still_there, stock

NEEDS = "three colours whose lightness is surely apart"


def ask(supplies: Supplies, asked: Asked, random: np.random.Generator) -> Question | None:
    """An order of three to seven colours; None where no three are surely apart."""
    places = stock(supplies, EVEN_MEDIA, asked, random)
    if len(places) < figures.training.ORDER[0]:
        return None
    values, sigmas = supplies.lab[places, 0], supplies.sigma[places]
    least, most = figures.training.ORDER
    room = 1 + int((values.max() - values.min()) / max(asked.margin, 1e-6))
    count = max(least, min(most, asked.most or most, room))
    first = np.flatnonzero(np.isin(places, beginnings(places, supplies, asked)))
    unlike = None
    if asked.apart:
        labs = supplies.lab[places]
        unlike = delta_e(labs[:, None], labs[None]) >= asked.apart
    found = ladder(values, sigmas, asked.margin, count, random, first, unlike)
    return None if found is None else of(supplies, places[found].tolist(), random)


def again(question: Question, supplies: Supplies, random: np.random.Generator) -> Question | None:
    """The same colours once more, as they are known now; None where that is sure no longer."""
    places = still_there(supplies, [option.shown[0] for option in question.options])
    return None if places is None else of(supplies, places, random)


def of(supplies: Supplies, places: list[int], random: np.random.Generator) -> Question | None:
    """The order of some colours; None where two of them are not surely apart."""
    shown = [asked_colour(supplies, place) for place in places]
    options = tuple(Option(one.lab[0], one.sigma, (one,)) for one in shown)
    question = Question(Exercise.LIGHTER, options).shuffled(random)
    return question if surely_apart(np.array(question.margins), question.doubts).all() else None
