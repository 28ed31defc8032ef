"""Will it read: words on grounds are put in order of how well they can be read."""

from collections.abc import Sequence

import numpy as np

from jindle_core import figures
from jindle_core.colorimetry.difference import delta_e
from jindle_core.colorimetry.spaces import Array
from jindle_core.colorimetry.views import lamp
from jindle_core.contrast.measures import measure
from jindle_core.limits import at_least
from jindle_core.media.groups import GROUND_MEDIA, LETTERING_MEDIA, PAD_MEDIA
from jindle_core.shown import shown
from jindle_core.supplies.whole import Supplies
from jindle_core.training.ladder import ladder
from jindle_core.training.question import Asked, Exercise, Option, Question, View, surely_apart
from jindle_core.training.stock import asked_colour, beginnings, still_there, stock

NEEDS = "pads or pens to write with, and cards or pads to write on"
_WRITTEN = [medium for medium in LETTERING_MEDIA if medium.traits.covering is not None]


def ask(supplies: Supplies, asked: Asked, random: np.random.Generator) -> Question | None:
    """Three to five words on grounds; None where no three read surely otherwise."""
    words, grounds = stock(supplies, _WRITTEN, asked, random), stock(supplies, GROUND_MEDIA, asked, random)
    if not len(words) or not len(grounds):
        return None
    amount = figures.training.PAIRS
    upper, lower = random.choice(words, amount), random.choice(grounds, amount)
    if asked.around:
        upper[: amount // 2] = random.choice(beginnings(words, supplies, asked))
        lower[amount // 4 : 3 * amount // 4] = random.choice(beginnings(grounds, supplies, asked))
    # Ink from pads shows on light card alone.
    kept = (upper != lower) & ((supplies.lab[lower, 0] > supplies.lab[upper, 0]) | ~_inks(supplies, upper))
    upper, lower = upper[kept], lower[kept]
    legible, ratio, sigmas = _legible(supplies, upper, lower, asked.view)
    seen = legible >= figures.training.LETTERING_L
    upper, lower, legible, ratio, sigmas = (one[seen] for one in (upper, lower, legible, ratio, sigmas))
    least, most = figures.training.READ_ORDER
    if len(legible) < least:
        return None
    # Two of one ground or one word may stand together, two of the same pair not; both measures must agree.
    agree = np.sign(np.subtract.outer(legible, legible)) == np.sign(np.subtract.outer(ratio, ratio))
    unlike = agree & ((upper[:, None] != upper) | (lower[:, None] != lower))
    if asked.apart:  # a photograph knows each by its ground
        unlike &= delta_e(supplies.lab[lower][:, None], supplies.lab[lower][None]) >= asked.apart
    count = min(most, asked.most or most)
    found = ladder(legible, sigmas, asked.margin, count, random, np.arange(len(legible)), unlike)
    if found is None:
        return None
    return of(supplies, upper[found].tolist(), lower[found].tolist(), asked.view, random)


def again(question: Question, supplies: Supplies, random: np.random.Generator) -> Question | None:
    """The same words and grounds once more, as they are known now; None where that is sure no longer."""
    places = still_there(supplies, question.colours)
    return None if places is None else of(supplies, places[::2], places[1::2], question.view, random)


def of(
    supplies: Supplies,
    upper: Sequence[int],
    lower: Sequence[int],
    view: View,
    random: np.random.Generator,
) -> Question | None:
    """The order of some words on their grounds; None where two of them are not surely apart."""
    legible, ratio, sigmas = _legible(supplies, np.array(upper), np.array(lower), view)
    pairs = zip(upper, lower, legible, ratio, sigmas, strict=True)
    options = tuple(
        Option(
            float(light),
            float(sigma),
            (asked_colour(supplies, word), asked_colour(supplies, ground)),
            why=_why(float(light), float(times)),
        )
        for word, ground, light, times, sigma in pairs
    )
    question = Question(Exercise.READ, options, view=view)
    agree = np.array_equal(np.argsort(-legible, kind="stable"), np.argsort(-ratio, kind="stable"))
    if not agree or not surely_apart(np.array(question.margins), question.doubts).all():
        return None
    return question.shuffled(random)


def _legible(
    supplies: Supplies, upper: np.ndarray, lower: np.ndarray, view: View
) -> tuple[Array, Array, Array]:
    """ΔL* and luminance ratio of words on grounds, as they are seen, and one sigma of ΔL*; (n,) each."""
    words, grounds = supplies.lab[upper], supplies.lab[lower]
    sigmas = np.hypot(supplies.sigma[upper], supplies.sigma[lower])
    if view == "lamp":
        both = lamp(np.vstack([words, grounds]))
        words, grounds = both[: len(words)], both[len(words) :]
        sigmas = np.hypot(sigmas, figures.colour.UNCERTAINTY["predicted"])
    found = measure(words, grounds)
    return found.delta_l, found.ratio, sigmas


def _inks(supplies: Supplies, places: np.ndarray) -> np.ndarray:
    pads = [key for key, facts in supplies.ranges.items() if facts.medium in PAD_MEDIA]
    return np.isin(supplies.range_ids[places], pads)


def _why(delta_l: float, ratio: float) -> str:
    (small_ratio, small), (large_ratio, large) = (
        figures.contrast.LETTERING_SMALL,
        figures.contrast.LETTERING_LARGE,
    )
    told = f" (ΔL* {shown(delta_l, small, large)}, {shown(ratio, small_ratio, large_ratio, digits=1)} : 1)"
    if at_least(delta_l, small) and at_least(ratio, small_ratio):
        return "small letters can be read" + told
    if at_least(delta_l, large) and at_least(ratio, large_ratio):
        return "large and bold letters can be read" + told
    return "it cannot be read well" + told
