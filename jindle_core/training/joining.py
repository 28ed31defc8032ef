"""Will it join: do two pads meet clean, dull or muddy, and what lies in their middle?"""

from collections.abc import Callable
from dataclasses import dataclass, replace
from itertools import product

import numpy as np

from jindle_core import figures
from jindle_core.blending.joins import JoinMeasures, Meeting, judge_join, measure_join, strips
from jindle_core.blending.known import are_white
from jindle_core.colorimetry.difference import delta_e
from jindle_core.colorimetry.spaces import Array, Lab, as_lab, on_screen
from jindle_core.media.groups import PAD_MEDIA
from jindle_core.shown import percent
from jindle_core.supplies.whole import Supplies
from jindle_core.training.nearest import off_from
from jindle_core.training.question import WAYS, Asked, Exercise, Option, Question, view_of
from jindle_core.training.stock import asked_colour, beginnings, still_there, stock

NEEDS = "two pads of which it is sure how they meet"
_STEPS = np.linspace(0, 6, 61)  # of the ways along which wrong strips are looked for
# Where wrong strips stand beside the right one, on this side of it (+) or that: how many margins away.
_PLACES = ((1, 2), (-1, 1), (-2, -1))


def ask(supplies: Supplies, asked: Asked, random: np.random.Generator) -> Question | None:
    """Two pads that surely meet in one way, each way as often as the others where there is one."""
    places = stock(supplies, PAD_MEDIA, asked, random)
    places = places[~are_white(supplies.lab[places])]
    if len(places) < 2:
        return None
    first = random.choice(beginnings(places, supplies, asked), figures.training.JOINS)
    second = random.choice(places, figures.training.JOINS)
    pads = np.column_stack([first, second])[first != second]
    if not len(pads):
        return None
    joins = _joins(supplies, pads)
    for way in random.permutation(list(WAYS)):
        for one in (each for each in joins if each.kind == way):
            question = one.asked(supplies, asked.margin, asked.value_only, random)
            if question is not None:
                return question
    return None


def again(question: Question, supplies: Supplies, random: np.random.Generator) -> Question | None:
    """The same pads once more, as they are known now; None where that is sure no longer."""
    places = still_there(supplies, question.given)
    if places is None:
        return None
    (found,) = _joins(supplies, np.array([places]))
    return found.asked(supplies, min(question.margins), question.value_only, random)


@dataclass(frozen=True, slots=True)
class _Axis:
    """Along which the middle of a strip may be mistaken, in words, and colours (k, 3) on either way."""

    more_words: str
    less_words: str
    more: Callable[[Array, Array, Array], Array]
    less: Callable[[Array], Array]


@dataclass(frozen=True)
class _Join:
    """Two pads, the strip between them (p, 3), one sigma of its middle, how they surely meet, if at all."""

    pads: tuple[int, int]
    strip: Array
    sigma: float
    kind: Meeting | None

    def asked(
        self, supplies: Supplies, margin: float, value_only: bool, random: np.random.Generator
    ) -> Question | None:
        """A question of them, with two wrong strips a margin and more off; None where there is none."""
        if self.kind is None:
            return None
        axis = _DEPTH if value_only or self.kind is Meeting.CLEAN else _MUD
        tried = (self._wrong(ways, margin, axis, value_only) for ways in random.permutation(_PLACES).tolist())
        wrong = next((options for options in tried if options), None)
        if wrong is None:
            return None
        options = [Option(0.0, self.sigma, strip=_told(self.strip)), *wrong]
        found = judge_join(self.strip)
        why = found.words.removeprefix("meets ")
        if self.kind is not Meeting.CLEAN:
            why += f", and {percent(min(found.kept, 1.0))} of the colour is left"
        return Question(
            Exercise.JOIN,
            tuple(options),
            tuple(asked_colour(supplies, place) for place in self.pads),
            options[0].strip[len(options[0].strip) // 2],
            view=view_of(value_only),
            value_only=value_only,
            kind=None if value_only else self.kind,
            why=why,
        ).shuffled(random)

    def _wrong(self, ways: list[int], margin: float, axis: _Axis, value_only: bool) -> list[Option]:
        """Wrong strips, so many margins to either side; none where no screen shows them, or no farther is."""
        middle = len(self.strip) // 2
        if ways[0] * ways[1] > 0:
            margin *= figures.training.ONE_SIDED
        margin = max(margin, 1.1 * figures.training.SURE * self.sigma)
        strips = np.array([_moved(self.strip, abs(way) * margin, way < 0, axis, value_only) for way in ways])
        off = off_from(self.strip[middle], strips[:, middle], value_only)
        if (off < 0.95 * margin).any() or not on_screen(strips).all():
            return []
        words = [axis.less_words if way < 0 else axis.more_words for way in ways]
        each = zip(off.tolist(), strips, words, strict=True)
        return [Option(far, 0.0, strip=_told(strip), why=why) for far, strip, why in each]


def _joins(supplies: Supplies, pads: np.ndarray) -> list[_Join]:
    """How pads (n, 2) meet, and whether that is sure.

    The share of the colour that is kept may be off by the uncertainty of the middle against the duller end's
    C*, and so may the dip; where that makes another way of it, it is not.
    """
    first, second = pads.T
    labs = strips(supplies.predicted.dabs(first), supplies.predicted.dabs(second))
    found, sigmas = measure_join(labs), _sigma(supplies, first, second)
    doubt = figures.training.SURE * sigmas
    share = doubt / np.maximum(found.ends_chroma, 1e-9)
    seen = np.array(
        [_codes(_off(found, sign * share, dip * doubt)) for sign, dip in product((-1, 1), repeat=2)]
    )
    sure = ((seen == seen[0]).all(axis=0) & ~found.browns).tolist()
    return [
        _Join((int(pair[0]), int(pair[1])), strip, float(sigma), WAYS[code] if known else None)
        for pair, strip, sigma, code, known in zip(pads, labs, sigmas, seen[0].tolist(), sure, strict=True)
    ]


def _sigma(supplies: Supplies, first: np.ndarray, second: np.ndarray) -> Array:
    """One sigma (n,) of the middle of some joins: both pads', and the prediction's."""
    predicted = figures.colour.UNCERTAINTY["predicted"]
    pads = np.hypot(supplies.sigma[first], supplies.sigma[second]) / 2
    return np.asarray(np.hypot(pads, predicted))


def _off(found: JoinMeasures, share: Array, dip: Array) -> JoinMeasures:
    return replace(
        found, kept=found.kept + share, kept_anywhere=found.kept_anywhere + share, dip=found.dip + dip
    )


def _codes(found: JoinMeasures) -> Array:
    codes = np.full(found.kept.shape, WAYS.index(Meeting.CLEAN))
    codes[found.softens] = WAYS.index(Meeting.SOFTENS)
    codes[found.muddy] = WAYS.index(Meeting.MUDDY)
    return codes


def _moved(strip: Array, by: float, less: bool, axis: _Axis, value_only: bool) -> Array:
    """The strip with its middle ``by`` ΔE00 (or ΔL*) off on an axis, its ends as they are."""
    middle = strip[len(strip) // 2]
    if value_only:
        target = middle + np.array([-by if less else by, 0, 0])
    else:
        way = axis.less(middle) if less else axis.more(middle, strip[0], strip[-1])
        off = np.maximum.accumulate(delta_e(middle, way))
        target = np.array([np.interp(by, off, way[:, at]) for at in range(3)])
    along = np.sin(np.linspace(0, np.pi, len(strip)))[:, None]
    return np.asarray(strip + along * (target - middle))


def _darker(middle: Array) -> Array:
    """Colours on the way to darker (k, 3), of one hue and strength."""
    return middle - np.outer(_STEPS * figures.training.DEEPER, [1, 0, 0])


def _lighter(middle: Array, _first: Array, _last: Array) -> Array:
    """Colours on the way to lighter (k, 3), of one hue and strength."""
    return middle + np.outer(_STEPS * figures.training.DEEPER, [1, 0, 0])


def _muddier(middle: Array) -> Array:
    """Colours on the way to grey and dark (k, 3)."""
    first, then = figures.training.MUDDIER
    share = np.minimum(_STEPS, 1)
    lightness = middle[0] - first * share - then * np.maximum(_STEPS - 1, 0)
    return np.column_stack([lightness, *(middle[1:, None] * (1 - share))])


def _cleaner(middle: Array, first: Array, last: Array) -> Array:
    """Colours on the way to lighter and stronger (k, 3), in the hue that the two pads have between them."""
    lighter, stronger = figures.training.CLEANER
    mean: Array = (first + last)[1:] / 2
    if np.hypot(*mean) < 1:  # they are opposite: what is left of either shows in the middle
        mean = middle[1:]
    mean = mean / max(float(np.hypot(*mean)), 1e-9)
    return np.column_stack(
        [middle[0] + lighter * _STEPS, *(middle[1:, None] + stronger * mean[:, None] * _STEPS)]
    )


# What wrong strips are: where two pads meet clean it may be thought lighter or darker, else cleaner or
# muddier.
_DEPTH = _Axis("lighter", "darker", _lighter, _darker)
_MUD = _Axis("cleaner", "muddier", _cleaner, _muddier)


def _told(strip: Array) -> tuple[Lab, ...]:
    """Every other colour of a strip, which is as fine as it is drawn."""
    return tuple(as_lab(np.round(lab, 2)) for lab in strip[::2])
