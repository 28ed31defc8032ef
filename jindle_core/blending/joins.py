"""Where two pads meet: what lies between them, and is it clean?"""

from collections.abc import Sequence
from dataclasses import dataclass
from enum import StrEnum

import numpy as np
from numpy.typing import NDArray

from jindle_core import figures
from jindle_core.blending.inks import Inks, seen_on
from jindle_core.blending.meeting import BLENDED, Joint, Seam
from jindle_core.colorimetry.difference import delta_e
from jindle_core.colorimetry.naming import are_brown_or_grey, hue_family
from jindle_core.colorimetry.spaces import Array
from jindle_core.limits import at_least
from jindle_core.prediction.stocks import WHITE_CARD, card_lab


class Meeting(StrEnum):
    """How two pads meet, the worst last."""

    CLEAN = "clean"
    SOFTENS = "softens"
    BROWN = "meets-in-brown"  # strong enough, but of a hue that neither has
    MUDDY = "muddy"


@dataclass(frozen=True, slots=True)
class Join:
    """A join: how it is, why in words, at which place (0–1) it shows, and the Lab there.

    ``kept`` is the least share of the duller end's C* that is left anywhere,
    ``dip`` by how much L* the darkest place is darker than the darker end; of
    what is ``wanted`` to be kept a muddy one falls short.
    """

    meeting: Meeting
    words: str
    at: float
    lab: tuple[float, float, float]
    kept: float
    dip: float
    wanted: float


_BLENDED = BLENDED.weights()


def strips(first: Inks, second: Inks, card: Array = WHITE_CARD, weights: Array = _BLENDED) -> Array:
    """CIELAB (…, 21, 3) from first inks (…) into second ones (…), which broadcast; dry.

    ``weights`` (…, 21, 2) say how much of each lies there. As a rule the first pad
    runs out while the second comes in, as with a brush that goes back and forth
    over the join; where both lie, both count.
    """
    falling, rising = weights[..., 0], weights[..., 1]
    one, other = first[..., None, :], second[..., None, :]
    return seen_on(one.times(falling).with_other(other.times(rising)), card)


def laid_over(below: Inks, over: Inks, card: Array = WHITE_CARD) -> Array:
    """CIELAB (3, 3) where a pad is laid over the whole of others: those, both, the pad alone.

    It is judged as a strip: does what they give together keep the colour of either?
    """
    return np.stack([seen_on(one, card) for one in (below, below.with_other(over), over)])


@dataclass(frozen=True, slots=True)
class JoinMeasures:
    """What is measured of strips (…, p, 3): arrays (…).

    The duller end's C*, how many degrees of hue the ends are apart, the least
    share of that C* that is kept where it counts (and anywhere), by how much L*
    it dips, where it is dullest; where between them (less than 0: nowhere) brown or
    grey lies, that neither end is.
    """

    ends_chroma: Array
    apart: Array
    kept: Array
    kept_anywhere: Array
    dip: Array
    dullest: NDArray[np.intp]
    brown: NDArray[np.intp]

    @property
    def muddy(self) -> NDArray[np.bool_]:
        """Whether they go grey or brown."""
        return self._can & ~at_least(self.kept, self.wanted)

    @property
    def wanted(self) -> Array:
        """The share of its colour that must be left at the dullest place: more where it darkens too."""
        share, dip = figures.grounds.MUD_DIPPED
        return np.where(self.dip >= dip, share, figures.grounds.MUD_SHARE) + figures.grounds.MUD_CARE

    @property
    def tentative(self) -> NDArray[np.bool_]:
        """Whether what is kept lies so near to what is wanted that it may be the other way round."""
        return self._can & (np.abs(self.kept - self.wanted) < figures.grounds.MUD_DOUBT)

    @property
    def softens(self) -> NDArray[np.bool_]:
        """Whether they lose strength, but stay of a colour."""
        soft = ~at_least(self.kept_anywhere, figures.grounds.SOFT_SHARE)
        return self._can & ~self.muddy & ~self.browns & soft

    @property
    def browns(self) -> NDArray[np.bool_]:
        """Whether they meet in brown or grey, which neither is, though it be no mud."""
        return self._can & ~self.muddy & (self.brown >= 0)

    @property
    def clean(self) -> NDArray[np.bool_]:
        """Whether nothing is to be said against them."""
        return ~(self.muddy | self.browns | self.softens)

    @property
    def _can(self) -> NDArray[np.bool_]:
        return (self.ends_chroma >= figures.grounds.MUD_ENDS_C) & (self.apart >= figures.grounds.MUD_APART)


def measure_join(labs: Array, card: Array = WHITE_CARD) -> JoinMeasures:
    """The measures of strips in CIELAB, (…, p, 3), from end to end, on a card (31,).

    Places that can hardly be told from the card, or that are lighter than
    either end, do not count as dull: pale is not mud.
    """
    labs = np.asarray(labs, dtype=float)
    chroma = np.hypot(labs[..., 1], labs[..., 2])
    lighter = np.maximum(labs[..., 0, 0], labs[..., -1, 0])[..., None]
    pale = (labs[..., 0] > lighter) | _like(labs, card_lab(card))
    counted = np.where(pale, np.inf, chroma)
    counted[..., [0, -1]] = chroma[..., [0, -1]]
    ends = np.minimum(chroma[..., 0], chroma[..., -1])
    darker = np.minimum(labs[..., 0, 0], labs[..., -1, 0])
    share = 1 / np.maximum(ends, 1e-9)
    return JoinMeasures(
        ends,
        _apart(labs[..., 0, :], labs[..., -1, :]),
        counted.min(axis=-1) * share,
        chroma.min(axis=-1) * share,
        darker - labs[..., 0].min(axis=-1),
        chroma.argmin(axis=-1),
        _brown(labs, pale),
    )


def _brown(labs: Array, pale: NDArray[np.bool_]) -> NDArray[np.intp]:
    """The darkest place (…) of strips (…, p, 3) that is brown or grey; -1 for none, or where an end is."""
    found = are_brown_or_grey(labs)
    ends = found[..., 0] | found[..., -1]
    counted = np.where(found & ~pale & ~ends[..., None], labs[..., 0], np.inf)
    return np.where(np.isfinite(counted).any(axis=-1), counted.argmin(axis=-1), -1)


def _like(labs: Array, card: Array) -> NDArray[np.bool_]:
    """Which of some colours (…, 3) can hardly be told from a card (3,)."""
    # ΔE00 is at least ΔL* / 1.75, so most need not be measured.
    found: NDArray[np.bool_] = np.abs(labs[..., 0] - card[0]) < 1.75 * figures.grounds.MUD_SEEN
    found[found] = delta_e(labs[found], card) < figures.grounds.MUD_SEEN
    return found


def judge_join(labs: Array, card: Array = WHITE_CARD, seam: Seam = Seam.BLEND) -> Join:
    """How one strip (p, 3) on a card (31,) meets, and why."""
    return judge_each(np.asarray(labs)[None], card, [seam])[0]


def judge_each(labs: Array, card: Array, seams: Sequence[Seam]) -> list[Join]:
    """``judge_join`` for strips (n, p, 3), each with its seam."""
    labs = np.asarray(labs, dtype=float)
    if not len(labs):
        return []
    found = measure_join(labs, card)
    places = np.where(found.browns, found.brown, found.dullest)
    columns = (_meetings(found), places, found.apart, found.kept, found.dip, found.wanted, found.tentative)
    return [_join(*row) for row in zip(labs, seams, *columns, strict=True)]


def _meetings(found: JoinMeasures) -> list[Meeting]:
    ways = {Meeting.MUDDY: found.muddy, Meeting.BROWN: found.browns, Meeting.SOFTENS: found.softens}
    codes = np.select(list(ways.values()), range(len(ways)), len(ways))
    return [(*ways, Meeting.CLEAN)[code] for code in codes.tolist()]


def _join(
    labs: Array,
    seam: Seam,
    found: Meeting,
    place: int,
    apart: float,
    kept: float,
    dip: float,
    wanted: float,
    tentative: bool,
) -> Join:
    meeting = Meeting.CLEAN if seam is Seam.GAP else found
    # What is clean is dullest at one of its ends, which says nothing of how it meets.
    at = len(labs) // 2 if meeting is Meeting.CLEAN else int(place)
    lightness, a, b = labs[at].tolist()
    hue = hue_family((lightness, a, b))
    words = f"{hue}, which neither of them is" if meeting is Meeting.BROWN else f"meets in {hue}"
    if seam is Seam.GAP:
        words = "a white gap keeps them apart"
    elif meeting is not Meeting.CLEAN:
        opposite = apart >= figures.grounds.OPPOSITE_HUES
        words += ": the two are opposite" if opposite else f": their hues are {apart:.0f}° apart"
    if meeting is Meeting.MUDDY and tentative:
        words = f"probably {words}"
    seen = (lightness, a, b)
    return Join(meeting, words, at / (len(labs) - 1), seen, float(kept), float(dip), float(wanted))


def join(first: Inks, second: Inks, card: Array = WHITE_CARD, joint: Joint = BLENDED) -> Join:
    """How one ink meets another."""
    return judge_join(strips(first, second, card, joint.weights()), card, joint.seam)


def _apart(one: Array, other: Array) -> Array:
    angles = [np.degrees(np.arctan2(lab[..., 2], lab[..., 1])) for lab in (one, other)]
    return np.asarray(np.abs((angles[1] - angles[0] + 180) % 360 - 180))
