"""Which colours does a rule ask for? Hues round the circle, with a lightness for each place."""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from jindle_core import figures
from jindle_core.colorimetry.spaces import Array, hue_to_lab, lab_to_hue
from jindle_core.palettes.role import Role


@dataclass(frozen=True, slots=True)
class RulePlace:
    """A place in a rule: what its colour is called and for, and which colour it is.

    ``turn`` is degrees from the base's hue; ``lightness`` an L*, or None for
    the one at which supplies of that hue are strongest; ``strength`` a share
    of the base's chroma. ``hued`` says whether the place must keep its hue:
    pale grounds and darks need not. The first place is the base itself.
    """

    name: str
    role: Role
    turn: float
    lightness: float | None
    strength: float = 1.0
    hued: bool = True


@dataclass(frozen=True, slots=True)
class PaletteRule:
    """A rule by its key, its title, what it is good for, and its places."""

    key: str
    title: str
    about: str
    places: tuple[RulePlace, ...]

    @property
    def turns(self) -> Array:
        """Degrees from the base's hue (k,)."""
        return np.array([place.turn for place in self.places])

    @property
    def hued(self) -> NDArray[np.bool_]:
        """Which places must keep their hue (k,)."""
        return np.array([place.hued for place in self.places])


_PALE = RulePlace("pale", Role.GROUND, 0, 92, 0.2, hued=False)
_DEEP = RulePlace("deep", Role.DARK, 0, 24, 0.6, hued=False)
_LEAD = RulePlace("lead", Role.LEAD, 0, None)
_ROUND = 7  # hues of a rainbow

PALETTE_RULES = (
    PaletteRule(
        "one-hue",
        "One hue in depths",
        "Calm; light and dark do all the work.",
        (
            _LEAD,
            RulePlace("palest", Role.GROUND, 0, 92, 0.25),
            RulePlace("light", Role.LIGHT, 0, 78, 0.6),
            RulePlace("deep", Role.SUPPORT, 0, 40, 0.9),
            RulePlace("deepest", Role.DARK, 0, 24, 0.7),
        ),
    ),
    PaletteRule(
        "neighbours",
        "Neighbours",
        "Hues that lie side by side; they blend well.",
        (
            _LEAD,
            RulePlace("one side", Role.SUPPORT, -32, 72),
            RulePlace("other side", Role.SUPPORT, 32, 46),
            _PALE,
            _DEEP,
        ),
    ),
    PaletteRule(
        "opposite",
        "Opposites with an accent",
        "One hue leads, the one across is the accent.",
        (
            _LEAD,
            RulePlace("lighter", Role.SUPPORT, 0, 76, 0.7),
            RulePlace("accent", Role.ACCENT, 180, 62, 1.2),
            _PALE,
            _DEEP,
        ),
    ),
    PaletteRule(
        "three-around",
        "Three around the circle",
        "Lively; let one lead.",
        (
            _LEAD,
            RulePlace("second", Role.SUPPORT, 120, 68),
            RulePlace("third", Role.ACCENT, 240, 48),
            _PALE,
            _DEEP,
        ),
    ),
    PaletteRule(
        "rainbow",
        "Full rainbow in order",
        "Every hue once, going round from yours.",
        tuple(
            RulePlace(f"hue {at + 1}", Role.SUPPORT if at else Role.LEAD, at * 360 / _ROUND, None)
            for at in range(_ROUND)
        ),
    ),
)
RULE = {rule.key: rule for rule in PALETTE_RULES}

# Three that go together and one accent: what a drawer is searched for.
TRIOS = (
    PaletteRule(
        "trio-one-hue",
        "One hue and an accent",
        "Three depths of a hue, the accent from across.",
        (
            _LEAD,
            RulePlace("lighter", Role.SUPPORT, 0, 80, 0.6),
            RulePlace("deeper", Role.SUPPORT, 0, 34, 0.9),
            RulePlace("accent", Role.ACCENT, 180, 62, 1.3),
        ),
    ),
    PaletteRule(
        "trio-neighbours",
        "Neighbours and an accent",
        "Three hues side by side, the accent from across.",
        (
            _LEAD,
            RulePlace("one side", Role.SUPPORT, -32, 78),
            RulePlace("other side", Role.SUPPORT, 32, 36),
            RulePlace("accent", Role.ACCENT, 180, 62, 1.3),
        ),
    ),
    PaletteRule(
        "trio-around",
        "Three around and an accent",
        "Three hues far apart; the accent sits between two.",
        (
            _LEAD,
            RulePlace("second", Role.SUPPORT, 120, 78),
            RulePlace("third", Role.SUPPORT, 240, 36),
            RulePlace("accent", Role.ACCENT, 60, 62, 1.3),
        ),
    ),
)


def wanted(rules: Sequence[PaletteRule], bases: Array) -> list[Array]:
    """The colours (n, k, 3) in CIELAB that each rule asks for, around each base (n, 3).

    The first is the base. A base without a hue of its own lends its others
    ``figures.palettes.RULE_CHROMA``.
    """
    if not rules:
        return []
    bases = np.asarray(bases, dtype=float).reshape(-1, 3)
    hue, chroma = lab_to_hue(bases)
    chroma = np.where(chroma < figures.palettes.RULE_COLOURED, figures.palettes.RULE_CHROMA, chroma)
    turned, lightness, strength = [], [], []
    for place in (place for rule in rules for place in rule.places[1:]):
        turned.append(hue + place.turn)
        said = place.lightness
        lightness.append(_natural(turned[-1]) if said is None else np.full(len(bases), said))
        strength.append(chroma * place.strength)
    # All at once: to turn few colours takes as long as to turn many.
    found = iter(hue_to_lab(np.array(lightness), np.array(turned), np.array(strength)))
    return [np.stack([bases, *(next(found) for _ in rule.places[1:])], axis=1) for rule in rules]


def _natural(hue: Array) -> Array:
    """The L* at which supplies of an Oklab hue (degrees) are about strongest: yellows light, blues deep."""
    low, high, yellow = figures.palettes.NATURAL_L
    return np.asarray(low + (high - low) * np.maximum(0, np.cos(np.radians(hue - yellow))) ** 2)
