"""What is asked, of which colours, and what is the truth of it?"""

from collections.abc import Sequence
from dataclasses import dataclass, replace
from enum import StrEnum
from functools import cached_property
from itertools import pairwise
from math import factorial
from typing import Literal

import numpy as np

from jindle_core import figures
from jindle_core.blending.joins import Meeting
from jindle_core.colorimetry.difference import delta_e
from jindle_core.colorimetry.eyes import EYES, eyes
from jindle_core.colorimetry.spaces import Array, Lab
from jindle_core.media.medium import Medium
from jindle_core.provenance import Provenance


class Exercise(StrEnum):
    """What an eye is trained in."""

    LIGHTER = "lighter-or-darker"
    NEAREST = "nearest-of-four"
    JOIN = "will-it-join"
    MISSING = "missing-tone"
    READ = "will-it-read"


# In which ways two pads may be said to meet. Pads that meet in brown without being mud are not asked of:
# people do not agree on them.
WAYS = (Meeting.CLEAN, Meeting.SOFTENS, Meeting.MUDDY)
TONES = 3  # of a family of which one is missing
# Exercises in which all is put in order; in the others one is chosen.
ORDERS = (Exercise.LIGHTER, Exercise.READ)
View = Literal["colour", "greys", "lamp"]
Eyes = Literal["", "protan", "deutan", "tritan"]  # kinds of colour vision; "": the usual one


@dataclass(frozen=True)
class AskedColour:
    """A supply as it was when it was asked of: CIELAB on paper, and its uncertainty (ΔE00)."""

    id: int | None  # None: it is known no more
    label: str
    range_name: str
    medium: Medium
    provenance: Provenance
    lab: Lab
    sigma: float


@dataclass(frozen=True)
class Option:
    """What is put in order, or chosen.

    ``figure`` is ΔL* or L* where it is put in order (the largest first), how far it is off what is asked for
    (ΔE00 or ΔL*) where it is chosen (the least is right); ``sigma`` its own uncertainty. A supply, a word on
    its ground, or a strip of CIELAB; ``why`` is told with the truth.
    """

    figure: float
    sigma: float
    shown: tuple[AskedColour, ...] = ()
    strip: tuple[Lab, ...] = ()
    why: str = ""


@dataclass(frozen=True)
class Question:
    """A question with its truth, as plain values that stand by themselves.

    ``given`` is what it is asked of: a target, two pads, two tones; ``aim`` the colour that the right one
    comes nearest to; ``gap`` which of three tones is missing (0 the light one); ``kind`` how two pads meet.
    With ``value_only`` lightness alone counts, and is shown.
    """

    exercise: Exercise
    options: tuple[Option, ...]
    given: tuple[AskedColour, ...] = ()
    aim: Lab | None = None
    view: View = "colour"
    value_only: bool = False
    kind: Meeting | None = None
    gap: int = 0
    why: str = ""

    @property
    def orders(self) -> bool:
        """Whether all is put in order."""
        return self.exercise in ORDERS

    @cached_property
    def truth(self) -> tuple[int, ...]:
        """Places of the options in their order, or of the right one; none where a kind alone is asked."""
        listed = [option.figure for option in self.options]
        if not listed:
            return ()
        if self.orders:
            return tuple(int(at) for at in np.argsort([-one for one in listed], kind="stable"))
        return (int(np.argmin(listed)),)

    @property
    def ranks(self) -> tuple[int, ...]:
        """Of each option its place in order, or how many are less off what is asked for."""
        listed = [-option.figure if self.orders else option.figure for option in self.options]
        return tuple(int(rank) for rank in np.argsort(np.argsort(listed, kind="stable")))

    @property
    def gaps(self) -> list[tuple[int, int]]:
        """What is asked apart: places next to each other in order, or the right one and each other."""
        if self.orders:
            return list(pairwise(self.truth))
        return [(self.truth[0], other) for other in range(len(self.options)) if other not in self.truth]

    @property
    def margins(self) -> tuple[float, ...]:
        """How far apart those are, in ΔL* or ΔE00."""
        return tuple(abs(self.options[one].figure - self.options[other].figure) for one, other in self.gaps)

    @property
    def doubts(self) -> np.ndarray:
        """One sigma (n,) of how far apart those are, both taken by themselves; same unit."""
        pairs = [(self.options[one].sigma, self.options[other].sigma) for one, other in self.gaps]
        return np.asarray(np.hypot(*np.array(pairs).T))

    @property
    def closest(self) -> tuple[int, int]:
        """The two that are hardest to tell apart."""
        return self.gaps[int(np.argmin(self.margins))]

    @property
    def crux(self) -> frozenset[int | None]:
        """The ids of the two that are hardest to tell apart; of how pads meet those of the pads."""
        of = (
            [self.options[at].shown for at in self.closest]
            if self.options and self.options[0].shown
            else [self.given]
        )
        return frozenset(one.id for shown in of for one in shown)

    @property
    def chance(self) -> float:
        """How often somebody who guesses is right."""
        if self.orders:
            return 1 / factorial(len(self.options))
        return 1 / (max(1, len(self.options)) * (1 if self.kind is None else len(WAYS)))

    @property
    def colours(self) -> tuple[AskedColour, ...]:
        """Every supply that it is asked of."""
        return self.given + tuple(one for option in self.options for one in option.shown)

    @property
    def unit(self) -> str:
        """What its figures are measured in."""
        return "ΔL*" if self.orders or self.value_only else "ΔE00"

    @property
    def measure(self) -> str:
        """What an option's own figure is."""
        return "L*" if self.exercise is Exercise.LIGHTER else self.unit

    @property
    def ends(self) -> tuple[str, str]:
        """What the first and the last of an order are called."""
        return ("best", "least") if self.exercise is Exercise.READ else ("lightest", "darkest")

    def shuffled(self, random: np.random.Generator) -> "Question":
        """The same with its options in another order, each as likely as any."""
        order = random.permutation(len(self.options))
        return replace(self, options=tuple(self.options[at] for at in order))

    def hidden_from(self, kind: Eyes) -> bool:
        """Whether eyes of a kind are left with too little of what the usual ones part the options by."""
        if kind not in EYES or self.orders or self.value_only or self.aim is None:
            return False
        faces = np.array([option_face(option) for option in self.options])
        aim, *seen = eyes(np.vstack([self.aim, faces]), kind)
        off = delta_e(aim, np.array(seen))
        right, others = self.truth[0], [other for _, other in self.gaps]
        left = off[others] - off[right]
        return bool((left < figures.training.EYES_SHARE * np.array(self.margins)).any())


def view_of(value_only: bool) -> View:
    """How a question is shown: where lightness alone counts, in greys."""
    return "greys" if value_only else "colour"


def option_face(option: Option) -> Lab:
    """The colour of an option that counts: a supply's, or that of the middle of its strip."""
    return option.shown[0].lab if option.shown else option.strip[len(option.strip) // 2]


def margin_sigma(
    aim: Array, aim_sigma: float, right: Array, right_sigma: float, others: Array, sigmas: Array
) -> Array:
    """One sigma (n,) of how much farther others (n, 3) lie from an aim (3,) than the right one (3,) does.

    An error of the aim counts as far as it moves the two distances otherwise: by the difference of the two
    directions, which is 0 where both lie on one side and 2 on opposite ones. All in ΔE00, or of L* alone
    where arrays have one column. Ours: the first-order term, checked by drawing errors in the tests.
    """
    directions = np.vstack([np.atleast_2d(right), others]) - aim
    length = np.linalg.norm(directions, axis=1, keepdims=True)
    directions = directions / np.maximum(length, 1e-9)
    turned = np.linalg.norm(directions[1:] - directions[0], axis=1)
    return np.asarray(np.sqrt(right_sigma**2 + sigmas**2 + (turned * aim_sigma) ** 2))


def surely_apart(gaps: Array, sigmas: Array) -> np.ndarray:
    """Whether gaps (n,) are larger than their uncertainties (one sigma, n) leave in doubt."""
    return np.asarray(gaps > figures.training.SURE * sigmas)


@dataclass(frozen=True)
class Asked:
    """What kind of question is wanted: how far apart, in ΔL* or ΔE00; of whose colours, and of which rather.

    ``on_screen``: a screen must be able to show them, and without ``darks`` it is one on which darks run
    together, so that none is asked of; ``apart`` how far (ΔE00) any two that are laid must
    lie from each other, so that a photograph tells which is which.
    """

    margin: float
    owned: bool = True
    value_only: bool = False
    view: View = "colour"
    around: frozenset[int] = frozenset()
    on_screen: bool = True
    darks: bool = True
    apart: float = 0.0
    most: int | None = None


def off_by(margins: Sequence[float], wanted: float) -> float:
    """How much easier or harder than wanted, as a natural logarithm."""
    return abs(float(np.log(max(min(margins), 1e-6) / wanted)))
