"""Where two pads meet: what lies between them, and is it clean?"""

from dataclasses import dataclass
from enum import StrEnum

import numpy as np
from numpy.typing import NDArray

from jindle_core import defaults
from jindle_core.blending.inks import Inks, falling, on_card, rising
from jindle_core.colorimetry.naming import hue_family
from jindle_core.colorimetry.spaces import Array, reflectance_to_lab
from jindle_core.prediction.stocks import WHITE


class Meeting(StrEnum):
    """How two pads meet, the worst last."""

    CLEAN = "clean"
    SOFTENS = "softens"
    MUDDY = "muddy"


@dataclass(frozen=True, slots=True)
class Join:
    """A join: how it is, why in words, at which place (0–1) it shows, and the Lab there.

    ``kept`` is the least share of the duller end's C* that is left anywhere,
    ``dip`` by how much L* the darkest place is darker than the darker end.
    """

    meeting: Meeting
    words: str
    at: float
    lab: tuple[float, float, float]
    kept: float
    dip: float


def strips(first: Inks, second: Inks, card: Array = WHITE) -> Array:
    """Reflectance (…, 21, 31) from first inks (…) into second ones (…), which broadcast.

    The first pad runs out while the second comes in, as with a brush that goes
    back and forth over the join; where both lie, both count.
    """
    one, other = first[..., None, :], second[..., None, :]
    return on_card(one.times(falling()).with_other(other.times(rising())), card)


@dataclass(frozen=True, slots=True)
class Measures:
    """What is measured of strips (…, p, 3): arrays (…).

    The duller end's C*, how many degrees of hue the ends are apart, the least
    share of that C* that is kept, by how much L* it dips, where it is dullest.
    """

    ends_chroma: Array
    apart: Array
    kept: Array
    dip: Array
    dullest: NDArray[np.intp]

    @property
    def muddy(self) -> NDArray[np.bool_]:
        """Whether they go grey or brown."""
        share, dip = defaults.MUD_DIPPED
        return self._can & ((self.kept < defaults.MUD_SHARE) | ((self.kept < share) & (self.dip >= dip)))

    @property
    def softens(self) -> NDArray[np.bool_]:
        """Whether they lose strength, but stay of a colour."""
        return self._can & ~self.muddy & (self.kept < defaults.SOFT_SHARE)

    @property
    def _can(self) -> NDArray[np.bool_]:
        return (self.ends_chroma >= defaults.MUD_ENDS_C) & (self.apart >= defaults.MUD_APART)


def measure(labs: Array) -> Measures:
    """The measures of strips in CIELAB, (…, p, 3), from end to end."""
    labs = np.asarray(labs, dtype=float)
    chroma = np.hypot(labs[..., 1], labs[..., 2])
    ends = np.minimum(chroma[..., 0], chroma[..., -1])
    darker = np.minimum(labs[..., 0, 0], labs[..., -1, 0])
    least = chroma.min(axis=-1)
    return Measures(
        ends,
        _apart(labs[..., 0, :], labs[..., -1, :]),
        least / np.maximum(ends, 1e-9),
        darker - labs[..., 0].min(axis=-1),
        chroma.argmin(axis=-1),
    )


def judge(labs: Array) -> Join:
    """How one strip (p, 3) meets, and why."""
    labs = np.asarray(labs, dtype=float)
    found = measure(labs)
    meeting = Meeting.CLEAN
    if found.muddy:
        meeting = Meeting.MUDDY
    elif found.softens:
        meeting = Meeting.SOFTENS
    # What is clean is dullest at one of its ends, which says nothing of how it meets.
    at = len(labs) // 2 if meeting is Meeting.CLEAN else int(found.dullest)
    lab = tuple(map(float, labs[at]))
    turn = float(found.apart)
    words = f"meets in {hue_family(lab)} at L* {lab[0]:.0f}"
    if meeting is not Meeting.CLEAN:
        why = (
            "the two are opposite" if turn >= defaults.OPPOSITE_HUES else f"their hues are {turn:.0f}° apart"
        )
        words = f"{words}: {why}"
    return Join(meeting, words, at / (len(labs) - 1), lab, float(found.kept), float(found.dip))


def join(first: Inks, second: Inks, card: Array = WHITE) -> Join:
    """How one ink meets another."""
    return judge(reflectance_to_lab(strips(first, second, card)))


def _apart(one: Array, other: Array) -> Array:
    angles = [np.degrees(np.arctan2(lab[..., 2], lab[..., 1])) for lab in (one, other)]
    return np.abs((angles[1] - angles[0] + 180) % 360 - 180)
