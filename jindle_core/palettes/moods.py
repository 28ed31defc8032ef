"""Which colours make a season or a place? Regions of hue, from light to dark, weak to strong, and why.

The moods are ours, written down from what is out of doors then and there; they name no paint and no range.
"""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from jindle_core import figures
from jindle_core.colorimetry.spaces import Array, hue_to_lab, lab_to_hue
from jindle_core.errors import BadInput, Problem
from jindle_core.palettes.role import Role
from jindle_core.palettes.rules import PaletteRule, RulePlace


@dataclass(frozen=True, slots=True)
class HueRegion:
    """A part of the circle: its middle, and how far to either side, in degrees of Oklab's hue."""

    middle: float
    reach: float

    def __post_init__(self) -> None:
        if not 0 <= self.middle < 360:
            raise BadInput(Problem("A hue is from 0 to 359°.", field="hues", value=f"{self.middle:g}"))
        if not 0 <= self.reach <= figures.palettes.MOOD_REACH:
            words = f"A hue reaches at most {figures.palettes.MOOD_REACH:.0f}° to either side."
            raise BadInput(Problem(words, field="hues", value=f"{self.reach:g}"))


@dataclass(frozen=True, slots=True)
class Mood:
    """A season or a place. ``about`` says why these colours.

    Of its 1 to 4 ``hues`` the first leads and the last, of several, is the accent. ``lightness`` (L*) and
    ``chroma`` (Oklab's) are the least and the most.
    """

    key: str
    title: str
    about: str
    hues: tuple[HueRegion, ...]
    lightness: tuple[float, float]
    chroma: tuple[float, float]

    def __post_init__(self) -> None:
        if not 1 <= len(self.hues) <= figures.palettes.MOOD_HUES:
            words = f"A mood has 1 to {figures.palettes.MOOD_HUES} hues."
            raise BadInput(Problem(words, field="hues", value=str(len(self.hues))))
        low, high = self.lightness
        if not 0 <= low <= high - figures.palettes.MOOD_SPAN or high > 100:
            words = (
                f"From dark to light a mood has at least L* {figures.palettes.MOOD_SPAN:.0f}, from 0 to 100."
            )
            raise BadInput(Problem(words, field="lightness", value=f"{low:g} to {high:g}"))
        weak, strong = self.chroma
        if not 0 <= weak <= strong <= figures.palettes.MOOD_CHROMA:
            words = f"Strength is from 0 to {figures.palettes.MOOD_CHROMA:g}, the weakest first."
            raise BadInput(Problem(words, field="chroma", value=f"{weak:g} to {strong:g}"))

    @property
    def base(self) -> Array:
        """The colour (3,) that leads it."""
        level, hue, chroma = np.array([[self._at(_LEAD_AT)], [self.hues[0].middle], [self.chroma[1]]])
        return np.asarray(hue_to_lab(level, hue, chroma)[0])

    def _at(self, share: float) -> float:
        """The L* at a share of the way from dark to light."""
        low, high = self.lightness
        return low + share * (high - low)

    @property
    def rule(self) -> PaletteRule:
        """What it asks of a palette, as rules do, from its own ``base``."""
        weak, strong = self.chroma
        lead, others = self.hues[0], self.hues[1:]
        pale, deep = (one / max(strong, 1e-6) for one in (weak + 0.1 * (strong - weak), (weak + strong) / 2))
        places = [RulePlace("lead", Role.LEAD, 0, self._at(_LEAD_AT))]
        for at, region in enumerate(others, start=1):
            accent = at == len(others)
            role = Role.ACCENT if accent else Role.SUPPORT
            name = "accent" if accent else f"support {at}" if len(others) > 2 else "support"
            places.append(
                RulePlace(name, role, region.middle - lead.middle, self._at(_ACCENT_AT - 0.12 * at))
            )
        if not others:
            places.append(RulePlace("second", Role.SUPPORT, lead.reach, self._at(_ACCENT_AT), 0.7))
        places.append(RulePlace("pale", Role.GROUND, 0, self.lightness[1], pale, hued=False))
        places.append(RulePlace("deep", Role.DARK, 0, self.lightness[0], deep, hued=False))
        return PaletteRule(self.key, self.title, self.about, tuple(places))


_LEAD_AT, _ACCENT_AT = 0.45, 0.75  # of the way from dark to light: the lead is deep enough to carry a picture


def mood_of(labs: Array, key: str, title: str, about: str, shares: Array | None = None) -> Mood | None:
    """The mood that colours (n, 3) have, by their shares (n,) or their strength; None where all are grey."""
    labs = np.asarray(labs, dtype=float).reshape(-1, 3)
    hue, chroma = lab_to_hue(labs)
    weight = chroma if shares is None else chroma * np.sqrt(shares)
    regions: list[HueRegion] = []
    for at in np.argsort(-weight, kind="stable"):
        off = [abs((hue[at] - one.middle + 180) % 360 - 180) for one in regions]
        if chroma[at] >= figures.palettes.RULE_COLOURED and min(off, default=180.0) > _APART:
            regions.append(HueRegion(float(hue[at]) % 360, _OF_A_COLOUR))
    if not regions:
        return None
    span = figures.palettes.MOOD_SPAN
    low, high = float(labs[:, 0].min()), float(labs[:, 0].max())
    low = max(min(low, high - span), 0.0)
    strong = min(float(chroma.max()), figures.palettes.MOOD_CHROMA)
    return Mood(
        key,
        title,
        about,
        tuple(regions[: figures.palettes.MOOD_HUES]),
        (low, min(max(high, low + span), 100.0)),
        (min(float(chroma.min()), strong), strong),
    )


_APART, _OF_A_COLOUR = 25.0, 8.0  # degrees that two hues are apart; how far one colour reaches


def _mood(
    key: str, title: str, about: str, hues: Sequence[tuple[float, float]], light: tuple[float, float],
    strong: tuple[float, float],
) -> Mood:  # fmt: skip
    return Mood(key, title, about, tuple(HueRegion(*one) for one in hues), light, strong)


# Oklab's hues: 30 red, 55 orange, 85 ochre, 105 yellow, 125 young green, 145 green, 195 green-blue, 250 blue,
# 290 violet, 330 purple, 0 pink.
MOODS = (
    _mood(
        "first-thaw",
        "Spring: the first thaw",
        "Low sun through young leaves: yellow greens lead, all is light, and blossom is the only pink.",
        ((122, 14), (100, 10), (5, 12)),
        (34, 95),
        (0.03, 0.13),
    ),
    _mood(
        "noon-meadow",
        "Summer: a meadow at noon",
        "The sun stands high and shadows are short: strong colours in the middle, deep greens, and poppies.",
        ((140, 15), (90, 12), (255, 12), (28, 10)),
        (26, 93),
        (0.05, 0.16),
    ),
    _mood(
        "last-apples",
        "Autumn: the last apples",
        "Leaves lose their green before their yellow: ochre to red, darkened by wet bark, no clean blue.",
        ((62, 16), (92, 10), (28, 10)),
        (22, 90),
        (0.04, 0.13),
    ),
    _mood(
        "hoar-frost",
        "Winter: frost on the reeds",
        "Light from a white sky has hardly any colour: cold and weak, light or very dark; one warm window.",
        ((245, 18), (275, 14), (58, 8)),
        (20, 97),
        (0.01, 0.09),
    ),
    _mood(
        "lamps-on-water",
        "Evening: lamps on the water",
        "The sky keeps its blue and violet while all else goes dark; lamps are the one warm thing.",
        ((272, 16), (310, 14), (75, 10)),
        (14, 86),
        (0.04, 0.12),
    ),
    _mood(
        "open-sea",
        "By the sea",
        "Water takes the green-blue, sand and foam the lights, and a buoy can be seen from far away.",
        ((215, 18), (85, 10), (35, 8)),
        (24, 95),
        (0.03, 0.12),
    ),
    _mood(
        "heath",
        "On the heath",
        "Heather lies over dry grass and peat: purples weakened by grey, against dull olive.",
        ((335, 16), (110, 14), (80, 10)),
        (22, 90),
        (0.03, 0.1),
    ),
    _mood(
        "deep-wood",
        "In the wood",
        "What light is left has gone through leaves: many greens close together, brown earth, one fungus.",
        ((148, 22), (75, 12), (40, 8)),
        (18, 90),
        (0.03, 0.1),
    ),
    _mood(
        "market-stalls",
        "At the market",
        "Awnings and fruit want to be seen: everything is strong, and the darks are few.",
        ((35, 10), (100, 10), (150, 12), (255, 10)),
        (26, 94),
        (0.07, 0.18),
    ),
    _mood(
        "old-brick",
        "Old brick and lime",
        "Sun has bleached the walls, moss grows in the joints: warm, dry, pale, a green that is nearly grey.",
        ((42, 12), (80, 12), (130, 14)),
        (28, 94),
        (0.02, 0.08),
    ),
)
MOOD = {mood.key: mood for mood in MOODS}
