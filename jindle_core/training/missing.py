"""The missing tone: two tones of a shading family stand there, the third is chosen of four."""

from collections.abc import Sequence

import numpy as np

from jindle_core import figures
from jindle_core.colorimetry.spaces import Array, as_lab
from jindle_core.families.judge import FamilyJudgement, judge_family, tone_names
from jindle_core.families.rule import holds_around_its_own, keeps_hue, steps
from jindle_core.limits import at_least, at_most
from jindle_core.media.groups import DRAWN_MEDIA
from jindle_core.supplies.whole import Supplies
from jindle_core.training.nearest import chosen_surely, off_from, unlike_ones
from jindle_core.training.question import (
    TONES,
    Asked,
    Exercise,
    Option,
    Question,
    off_by,
    surely_apart,
    view_of,
)
from jindle_core.training.stock import asked_colour, beginnings, still_there, stock

NEEDS = "six colours of one medium, some of them in several depths"
_LEAST = figures.training.CHOICES + 2


def ask(supplies: Supplies, asked: Asked, random: np.random.Generator) -> Question | None:
    """Two tones and four colours of which one surely is the third; None where there is no such."""
    shelves = [
        places for medium in DRAWN_MEDIA if len(places := stock(supplies, (medium,), asked, random)) >= _LEAST
    ]
    if not shelves:
        return None
    found = []
    for at in range(figures.training.FAMILY_TRIES):
        gap = int(random.integers(TONES))
        one = _family(supplies, shelves[at % len(shelves)], gap, asked, random)
        if one is not None:
            found.append((off_by([one[0]], asked.margin), *one[1:], gap))
            if found[-1][0] <= figures.training.ENOUGH or len(found) == figures.training.FOUND:
                break
    questions = (
        of(supplies, two, places, gap, asked.value_only, random) for _, two, places, gap in sorted(found)
    )
    return next((question for question in questions if question is not None), None)


def again(question: Question, supplies: Supplies, random: np.random.Generator) -> Question | None:
    """The same tones once more, as they are known now; None where the third is sure no longer."""
    places = still_there(supplies, question.colours)
    if places is None:
        return None
    return of(supplies, places[:2], places[2:], question.gap, question.value_only, random)


def of(
    supplies: Supplies,
    two: Sequence[int],
    places: Sequence[int],
    gap: int,
    value_only: bool,
    random: np.random.Generator,
) -> Question | None:
    """Which of some places is the tone that two others lack; None where that is not sure.

    The right one makes a family that holds, each of the others one that does not.
    """
    tones, labs, sigmas = supplies.lab[list(two)], supplies.lab[list(places)], supplies.sigma[list(places)]
    aim = third(tones, gap)
    if not 0 <= aim[0] <= 100:
        return None
    off = off_from(aim, labs, value_only)
    # Half-way between two, their errors are halved; beyond them, they add up.
    doubt = float(np.hypot(*supplies.sigma[list(two)])) * (0.5 if gap == 1 else 1.0)
    if not chosen_surely(aim, doubt, labs, sigmas, off, value_only):
        return None
    judged = [judge_family(np.insert(tones, gap, lab, axis=0)) for lab in labs]
    right = int(off.argmin())
    if not value_only and [one.holds for one in judged] != [at == right for at in range(len(places))]:
        return None
    options = tuple(
        Option(float(far), float(sigma), (asked_colour(supplies, place),), why=_why(one))
        for place, far, sigma, one in zip(places, off, sigmas, judged, strict=True)
    )
    return Question(
        Exercise.MISSING,
        options,
        tuple(asked_colour(supplies, place) for place in two),
        as_lab(aim),
        view=view_of(value_only),
        value_only=value_only,
        gap=gap,
        why=f"The {tone_names(TONES)[gap]} tone would lie at L* {aim[0]:.0f}, in the same hue",
    ).shuffled(random)


def third(two: Array, gap: int) -> Array:
    """The tone (3,) that two others (2, 3), light to dark, lack: half-way, or one step on in the same colour.

    Ours. A family's steps are about even (``families``), and its hue and strength drift slowly.
    """
    if gap == 1:
        return np.asarray(two.mean(axis=0))
    near, far = (two[0], two[1]) if gap == 0 else (two[1], two[0])
    return np.array([2 * near[0] - far[0], *near[1:]])


def _family(
    supplies: Supplies, places: np.ndarray, gap: int, asked: Asked, random: np.random.Generator
) -> tuple[float, list[int], list[int]] | None:
    """Two tones that go together, and four colours: the third, and three that are off by the margin."""
    labs, sigmas = supplies.lab[places], supplies.sigma[places]
    one = int(random.choice(np.flatnonzero(np.isin(places, beginnings(places, supplies, asked)))))
    found, across = steps(labs[one], labs), 2 if gap == 1 else 1  # steps between the two
    fits = at_least(found.lightness, across * found.least) & at_most(found.lightness, across * found.most())
    fits &= keeps_hue(labs, labs[one])
    least_chroma, share = figures.training.ALIKE_CHROMA
    fits &= at_most(np.abs(found.rise), np.maximum(least_chroma, share * found.strongest))
    others = np.flatnonzero(fits)
    if not len(others):
        return None
    two = [one, int(random.choice(others))]
    aim = third(labs[two], gap)
    if not 0 <= aim[0] <= 100:
        return None  # lighter than white, or darker than black
    off = off_from(aim, labs, asked.value_only)
    off[two] = np.inf
    order = np.argsort(off, kind="stable")
    holds = np.isfinite(off) & _holding(labs[two], labs, gap)
    if not holds.any():
        return None
    right = int(order[holds[order].argmax()])
    farther = off - off[right]
    fits = surely_apart(farther, np.hypot(sigmas, sigmas[right])) & (farther >= asked.margin)
    fits &= np.isfinite(farther) & (asked.value_only | ~holds)
    taken = unlike_ones(labs, [*two, right], order[fits[order]], asked.apart)[2:]
    if len(taken) < figures.training.CHOICES:
        return None
    return float(farther[taken[1]]), places[two].tolist(), places[taken].tolist()


def _holding(two: Array, labs: Array, gap: int) -> np.ndarray:
    """Which colours (n, 3) make a family that holds of two tones: as ``judge_family`` says of each."""
    tones = [np.broadcast_to(one, labs.shape) for one in two]
    tones.insert(gap, labs)
    return holds_around_its_own(np.stack(tones, axis=1))


def _why(judged: FamilyJudgement) -> str:
    if judged.holds:
        told = " and ".join(f"{step:.0f}" for step in judged.lightness)
        return f"its steps keep to one hue (ΔL* {told})"
    return judged.faults[0].words
