"""Which colours does a card want in another colourway? Hues turn, lightness stays, greys stay grey."""

from collections.abc import Callable
from dataclasses import dataclass
from enum import StrEnum

import numpy as np
from numpy.typing import NDArray

from jindle_core import figures
from jindle_core.colorimetry.spaces import Array, hue_to_lab, lab_to_hue
from jindle_core.palettes.moods import Mood
from jindle_core.palettes.role import Role
from jindle_core.seen.palette import SeenPalette


class SchemeKind(StrEnum):
    """What becomes of the hues of a card."""

    TURNED = "turned-hues"
    ONE_HUE = "one-hue"
    NEIGHBOURS = "neighbours"
    OPPOSITES = "opposites"
    ONE_ACCENT = "greys-with-an-accent"
    AFTER = "after-a-mood"


@dataclass(frozen=True, slots=True)
class Scheme:
    """A kind, by how many degrees (of Oklab) hues turn, and by how much chroma grows; ``like`` is the mood
    that ``SchemeKind.AFTER`` takes its hues from."""

    kind: SchemeKind
    turn: float
    bold: float = 1.0
    like: Mood | None = None


@dataclass(frozen=True, slots=True)
class Leading:
    """The hues (degrees of Oklab) that lead a card, and that are its accent; and its strongest chroma."""

    lead: float
    accent: float
    strongest: float = figures.palettes.RULE_CHROMA


def leading(palette: SeenPalette) -> Leading:
    """By their roles; where nothing has them the strongest colour, and the strongest that is apart."""
    labs = palette.lab.reshape(-1, 3)
    if not len(labs):
        return Leading(0.0, 0.0)
    hue, chroma = lab_to_hue(labs)
    roles = [colour.role for colour in palette.card.colours]

    def strongest(role: Role, others: NDArray[np.bool_]) -> int:
        named = np.array([one is role for one in roles]) & (chroma >= figures.palettes.RULE_COLOURED)
        return int(np.where(named if named.any() else others, chroma, -1).argmax())

    lead = strongest(Role.LEAD, np.ones(len(labs), bool))
    accent = strongest(Role.ACCENT, np.abs(_between(hue, hue[lead])) > figures.sets.ACCENT_WIDTH)
    strength = max(float(chroma.max()), figures.palettes.RULE_COLOURED)
    return Leading(float(hue[lead]), float(hue[accent]), strength)


def recoloured(scheme: Scheme, around: Leading, lab: Array) -> Array:
    """What some colours (n, 3) want to be in a scheme: of the same L*, and what has no hue as it is."""
    (found,) = turned(scheme, np.array([scheme.turn]), around, lab)
    return np.asarray(found)


def turned(scheme: Scheme, turns: Array, around: Leading, lab: Array) -> Array:
    """The same by several turns (t,) at once, whatever the scheme's own: (t, n, 3)."""
    lab = np.broadcast_to(np.asarray(lab, dtype=float), (len(turns), *np.shape(lab)))
    hue, chroma = lab_to_hue(lab)
    grey = chroma < figures.palettes.RULE_COLOURED
    if scheme.like is None:
        there, strength = _HUES[scheme.kind](hue, around, turns[:, None])
        chroma = chroma * strength
    else:
        there = _in_regions(scheme.like, hue - around.lead + turns[:, None])
        weak, strong = scheme.like.chroma
        chroma = weak + (strong - weak) * np.minimum(chroma / around.strongest, 1.0)
    made = hue_to_lab(lab[..., 0], there, chroma * scheme.bold)
    made[..., 0] = lab[..., 0]
    return np.where(grey[..., None], lab, made)


def _in_regions(mood: Mood, off: Array) -> Array:
    """Hues that lie so many degrees off the lead, parted among a mood's regions, the lead in its first."""
    width = 360 / len(mood.hues)
    nearest = np.round(off / width)
    which = nearest.astype(int) % len(mood.hues)
    middle = np.array([one.middle for one in mood.hues])[which]
    reach = np.array([one.reach for one in mood.hues])[which]
    return np.asarray(middle + reach * (off - nearest * width) / (width / 2))


def _between(hue: Array, other: Array | float) -> Array:
    """Degrees from another hue to one, −180 to 180."""
    return np.asarray((hue - other + 180) % 360 - 180)


def _turned(hue: Array, _: Leading, turn: Array) -> tuple[Array, Array]:
    return hue + turn, np.ones_like(hue)


def _one_hue(hue: Array, around: Leading, turn: Array) -> tuple[Array, Array]:
    return around.lead + turn + np.zeros_like(hue), np.ones_like(hue)


def _neighbours(hue: Array, around: Leading, turn: Array) -> tuple[Array, Array]:
    kept = figures.sets.NEIGHBOURS_SPREAD * _between(hue, around.lead) / 180
    return around.lead + turn + kept, np.ones_like(hue)


def _opposites(hue: Array, around: Leading, turn: Array) -> tuple[Array, Array]:
    """The half of the circle round the lead stays together, the other half goes across."""
    off = _between(hue, around.lead)
    across = np.abs(off) > 90
    inner = np.where(across, _between(off, 180.0), off)
    kept = figures.sets.OPPOSITE_SPREAD * inner / 90
    return around.lead + turn + np.where(across, 180.0, 0.0) + kept, np.ones_like(hue)


def _one_accent(hue: Array, around: Leading, turn: Array) -> tuple[Array, Array]:
    mine = np.abs(_between(hue, around.accent)) <= figures.sets.ACCENT_WIDTH
    return np.where(mine, hue + turn, hue), np.where(mine, 1.0, figures.sets.GREYED)


_HUES: dict[SchemeKind, Callable[[Array, Leading, Array], tuple[Array, Array]]] = {
    SchemeKind.TURNED: _turned,
    SchemeKind.ONE_HUE: _one_hue,
    SchemeKind.NEIGHBOURS: _neighbours,
    SchemeKind.OPPOSITES: _opposites,
    SchemeKind.ONE_ACCENT: _one_accent,
}
