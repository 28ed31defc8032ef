"""Nearest of four: which of four supplies comes nearest to a pad, a card or a colour of a paper?"""

from collections.abc import Sequence

import numpy as np

from jindle_core import figures
from jindle_core.colorimetry.difference import delta_e
from jindle_core.colorimetry.spaces import lab_to_hue
from jindle_core.media.groups import EVERY_COLUMN, PICTURE_MEDIA
from jindle_core.media.medium import Medium
from jindle_core.supplies.whole import Supplies
from jindle_core.training.question import (
    Asked,
    Exercise,
    Option,
    Question,
    margin_sigma,
    off_by,
    surely_apart,
    view_of,
)
from jindle_core.training.stock import asked_colour, beginnings, still_there, stock

NEEDS = "four markers or pencils, and a pad, card or paper beside them"
_TARGETS = tuple(one for one in Medium if one.traits.pad or one.traits.paper)
# What is laid beside it: the first of these with enough colours.
_CHOSEN = [
    media
    for column in EVERY_COLUMN
    if (media := tuple(one for one in column.media if one in PICTURE_MEDIA or one.traits.stock))
]


def ask(supplies: Supplies, asked: Asked, random: np.random.Generator) -> Question | None:
    """Four supplies of which one is surely nearest; None where there is no such."""
    chosen = [
        (media, places)
        for media in _CHOSEN
        if len(places := stock(supplies, media, asked, random)) >= figures.training.CHOICES
    ]
    targets = stock(supplies, _TARGETS, asked, random)
    if not chosen or not len(targets):
        return None
    targets = beginnings(targets, supplies, asked)
    found = []
    for at in range(figures.training.TRIES):
        target = int(random.choice(targets))
        medium = supplies.ranges[supplies.rows[target].range_id].medium
        # A pad is not held against pads, nor a card against card.
        held = [places for media, places in chosen if medium not in media]
        one = _around(supplies, target, held[at % len(held)], asked, random) if held else None
        if one is not None:
            found.append((off_by([one[0]], asked.margin), target, one[1]))
            if found[-1][0] <= figures.training.ENOUGH or len(found) == figures.training.FOUND:
                break
    questions = (
        of(supplies, target, places, asked.value_only, random) for _, target, places in sorted(found)
    )
    return next((question for question in questions if question is not None), None)


def again(question: Question, supplies: Supplies, random: np.random.Generator) -> Question | None:
    """The same four once more, as they are known now; None where the nearest is sure no longer."""
    places = still_there(supplies, question.colours)
    return None if places is None else of(supplies, places[0], places[1:], question.value_only, random)


def of(
    supplies: Supplies, target: int, places: Sequence[int], value_only: bool, random: np.random.Generator
) -> Question | None:
    """Which of some places is nearest to another; None where that is not sure."""
    aim, labs, sigmas = supplies.lab[target], supplies.lab[places], supplies.sigma[places]
    off = off_from(aim, labs, value_only)
    if not chosen_surely(aim, float(supplies.sigma[target]), labs, sigmas, off, value_only):
        return None
    options = tuple(
        Option(float(far), float(sigma), (asked_colour(supplies, place),))
        for place, far, sigma in zip(places, off, sigmas, strict=True)
    )
    given = (asked_colour(supplies, target),)
    return Question(
        Exercise.NEAREST, options, given, given[0].lab, view=view_of(value_only), value_only=value_only
    ).shuffled(random)


def off_from(aim: np.ndarray, labs: np.ndarray, value_only: bool) -> np.ndarray:
    """How far colours (n, 3) are off an aim (3,): ΔE00, or ΔL* alone."""
    return np.abs(labs[:, 0] - aim[0]) if value_only else delta_e(aim, labs)


def chosen_surely(
    aim: np.ndarray,
    aim_sigma: float,
    labs: np.ndarray,
    sigmas: np.ndarray,
    off: np.ndarray,
    value_only: bool,
) -> bool:
    """Whether the one that is least off (n,) is so for sure."""
    right = int(off.argmin())
    others = np.arange(len(off)) != right
    used = 1 if value_only else 3
    doubt = margin_sigma(
        aim[:used], aim_sigma, labs[right, :used], sigmas[right], labs[others][:, :used], sigmas[others]
    )
    return bool(surely_apart(off[others] - off[right], doubt).all())


def _around(
    supplies: Supplies, target: int, places: np.ndarray, asked: Asked, random: np.random.Generator
) -> tuple[float, list[int]] | None:
    """Four places around a target, the first nearer than the others by about the margin; and by how much."""
    aim = supplies.lab[target]
    if not asked.value_only:
        places = places[_plausible(aim, supplies.lab[places])]
    if len(places) < figures.training.CHOICES:
        return None
    off = off_from(aim, supplies.lab[places], asked.value_only)
    order = np.argsort(off, kind="stable")
    right = int(order[random.integers(max(1, int(figures.training.RIGHT_AMONG * len(order))))])
    used = 1 if asked.value_only else 3
    labs, sigmas = supplies.lab[places][:, :used], supplies.sigma[places]
    doubt = margin_sigma(aim[:used], float(supplies.sigma[target]), labs[right], sigmas[right], labs, sigmas)
    farther = off - off[right]
    fits = surely_apart(farther, doubt) & (farther >= asked.margin)
    taken = unlike_ones(supplies.lab[places], [right], order[fits[order]], asked.apart)
    if len(taken) < figures.training.CHOICES:
        return None
    return float(farther[taken[1]]), places[taken].tolist()


def _plausible(aim: np.ndarray, labs: np.ndarray) -> np.ndarray:
    """Which colours (n, 3) could be taken for the nearest to one (3,): none of another hue altogether."""
    hue, chroma = lab_to_hue(np.vstack([aim, labs]))
    turned = np.abs((hue[1:] - hue[0] + 180) % 360 - 180)
    grey = np.minimum(chroma[1:], chroma[0]) < figures.palettes.RULE_COLOURED
    return np.asarray(grey | (turned <= figures.training.PLAUSIBLE_HUE))


def unlike_ones(labs: np.ndarray, taken: list[int], others: np.ndarray, apart: float) -> list[int]:
    """What is taken of colours (n, 3), and the first of others that are unlike all of it and each other."""
    near = [*taken, *others[: figures.training.LOOKED_AT].tolist()]
    far = delta_e(labs[near][:, None], labs[near][None]) >= max(apart, figures.colour.SAME_TO_THE_EYE)
    kept = list(range(len(taken)))
    for at in range(len(taken), len(near)):
        if len(kept) < len(taken) + figures.training.CHOICES - 1 and far[at, kept].all():
            kept.append(at)
    return [near[at] for at in kept]
