"""Will it join: do two pads meet clean, dull or muddy, and what lies in their middle?"""

from dataclasses import replace
from itertools import product

import numpy as np

from jindle_core import figures
from jindle_core.blending.inks import Inks
from jindle_core.blending.joins import JoinMeasures, Meeting, judge_join, measure_join, strips
from jindle_core.blending.known import are_white
from jindle_core.colorimetry.difference import delta_e
from jindle_core.colorimetry.spaces import Array, Lab, as_lab, on_screen
from jindle_core.media import PAD_MEDIA
from jindle_core.shown import percent
from jindle_core.supplies.colours import Supplies
from jindle_core.training.question import Asked, Exercise, Option, Question, view_of
from jindle_core.training.stock import asked_colour, beginnings, still_there, stock

NEEDS = "two pads of which it is sure how they meet"
_STEPS = np.linspace(0, 6, 61)  # of the ways along which wrong strips are looked for
# Where wrong strips stand beside the right one, cleaner (+) or muddier: how many margins each is away.
_PLACES = ((1, 2), (-1, 1), (-2, -1))


def ask(supplies: Supplies, asked: Asked, random: np.random.Generator) -> Question | None:
    """Two pads that surely meet in one way, each way as often as the others where there is one."""
    places = stock(supplies, PAD_MEDIA, asked)
    places = places[~are_white(supplies.lab[places])]
    if len(places) < 2:
        return None
    first = random.choice(beginnings(places, supplies, asked), figures.training.JOINS)
    second = random.choice(places, figures.training.JOINS)
    kept = first != second
    first, second = first[kept], second[kept]
    if not len(first):
        return None
    kinds = _kinds(supplies, first, second)
    ways = list(random.permutation(list(Meeting)))
    for way in ways:
        for at in random.permutation([at for at, kind in enumerate(kinds) if kind == way])[
            : figures.training.TRIES
        ]:
            question = of(supplies, int(first[at]), int(second[at]), asked.margin, asked.value_only, random)
            if question is not None:
                return question
    return None


def again(question: Question, supplies: Supplies, random: np.random.Generator) -> Question | None:
    """The same pads once more, as they are known now; None where that is sure no longer."""
    places = still_there(supplies, question.given)
    if places is None:
        return None
    return of(supplies, places[0], places[1], min(question.margins), question.value_only, random)


def of(
    supplies: Supplies,
    first: int,
    second: int,
    margin: float,
    value_only: bool,
    random: np.random.Generator,
) -> Question | None:
    """How two pads meet, with two wrong strips that lie a margin and more off; None where it is not sure."""
    pair = np.array([first, second])
    kind = _kinds(supplies, pair[:1], pair[1:])[0]
    sigma = _sigma(supplies, pair[:1], pair[1:])[0]
    margin = max(margin, 1.01 * figures.training.SURE * sigma)
    if kind is None:
        return None
    dabs: Inks = supplies.dabs(pair)
    strip = strips(dabs[0:1], dabs[1:2])[0]
    found = judge_join(strip)
    middle = len(strip) // 2
    options = [Option(0.0, float(sigma), strip=_told(strip))]
    for way in _PLACES[int(random.integers(len(_PLACES)))]:
        wrong = _moved(strip, abs(way) * margin, way < 0, value_only)
        off = float(abs(wrong[middle, 0] - strip[middle, 0]) if value_only else delta_e(wrong, strip)[middle])
        if off < 0.95 * margin or not on_screen(wrong).all():
            return None
        options.append(Option(off, 0.0, strip=_told(wrong), why="muddier" if way < 0 else "cleaner"))
    given = tuple(asked_colour(supplies, place) for place in pair.tolist())
    why = found.words
    if kind is not Meeting.CLEAN:
        why += f", and {percent(min(found.kept, 1.0))} of the colour is left"
    return Question(
        Exercise.JOIN,
        tuple(options),
        given,
        as_lab(strip[middle]),
        view=view_of(value_only),
        value_only=value_only,
        kind=None if value_only else kind,
        why=why,
    ).shuffled(random)


def _sigma(supplies: Supplies, first: np.ndarray, second: np.ndarray) -> Array:
    """One sigma (n,) of the middle of some joins: both pads', and the prediction's."""
    predicted = figures.colour.UNCERTAINTY["predicted"]
    pads = np.hypot(supplies.sigma[first], supplies.sigma[second]) / 2
    return np.asarray(np.hypot(pads, predicted))


def _kinds(supplies: Supplies, first: np.ndarray, second: np.ndarray) -> list[Meeting | None]:
    """How pads surely meet; None where another way is within what is not known of them.

    The shares that are kept may be off by the uncertainty of the middle against the duller end's C*.
    """
    labs = strips(supplies.dabs(first), supplies.dabs(second))
    found = measure_join(labs)
    doubt = figures.training.SURE * _sigma(supplies, first, second)
    share = doubt / np.maximum(found.ends_chroma, 1e-9)
    seen = np.array(
        [_codes(_off(found, sign * share, dip * doubt)) for sign, dip in product((-1, 1), (-1, 1))]
    )
    sure = (seen == seen[0]).all(axis=0)
    kinds = list(Meeting)
    return [kinds[code] if one else None for code, one in zip(seen[0].tolist(), sure, strict=True)]


def _off(found: JoinMeasures, share: Array, dip: Array) -> JoinMeasures:
    return replace(
        found, kept=found.kept + share, kept_anywhere=found.kept_anywhere + share, dip=found.dip + dip
    )


def _codes(found: JoinMeasures) -> Array:
    kinds = list(Meeting)
    codes = np.full(found.kept.shape, kinds.index(Meeting.CLEAN))
    codes[found.softens] = kinds.index(Meeting.SOFTENS)
    codes[found.muddy] = kinds.index(Meeting.MUDDY)
    return codes


def _moved(strip: Array, by: float, muddier: bool, value_only: bool) -> Array:
    """The strip with its middle ``by`` ΔE00 (or ΔL*) off, its ends as they are."""
    middle = strip[len(strip) // 2]
    if value_only:
        target = middle + np.array([-by if muddier else by, 0, 0])
    else:
        way = _muddier(middle) if muddier else _cleaner(middle, strip[0], strip[-1])
        off = delta_e(middle, way)
        target = np.array([np.interp(by, np.maximum.accumulate(off), way[:, axis]) for axis in range(3)])
    along = np.sin(np.linspace(0, np.pi, len(strip)))[:, None]
    return np.asarray(strip + along * (target - middle))


def _muddier(middle: Array) -> Array:
    """Colours on the way to grey and dark (k, 3)."""
    first, then = figures.training.MUDDIER
    share = np.minimum(_STEPS, 1)
    lightness = middle[0] - first * share - then * np.maximum(_STEPS - 1, 0)
    return np.column_stack([lightness, *(middle[1:, None] * (1 - share))])


def _cleaner(middle: Array, first: Array, last: Array) -> Array:
    """Colours on the way to lighter and stronger (k, 3), in the hue that the two pads have between them."""
    lighter, stronger = figures.training.CLEANER
    mean = middle[1:] / max(float(np.hypot(*middle[1:])), 1.0) + (first + last)[1:] / 200
    mean = mean / max(float(np.hypot(*mean)), 1e-9)
    return np.column_stack(
        [middle[0] + lighter * _STEPS, *(middle[1:, None] + stronger * mean[:, None] * _STEPS)]
    )


def _told(strip: Array) -> tuple[Lab, ...]:
    """Every other colour of a strip, which is as fine as it is drawn."""
    return tuple(as_lab(np.round(lab, 2)) for lab in strip[::2])
