"""Which colours does somebody mean by a word: "dark green", "warm grey", "like moss but bluer"?

A word stands for a focal colour and for how much its lightness counts; words beside it ("dark", "dull",
"warm") move the focal colour, in CIELAB. Ours: focal colours set by looking at what people call so in the
demo's ranges; checked in the tests against what ``naming.hue_family`` calls the colours that are found.
"""

import re
from dataclasses import dataclass, replace

import numpy as np

from jindle_core import figures
from jindle_core.colorimetry.spaces import Array

_WORDS = re.compile(r"[^\W\d_]+")
_LIKE = re.compile(r"^\s*like\s+(?P<base>.+?)(?:\s*,?\s+but\s+(?P<but>.+))?\s*$", re.IGNORECASE)


@dataclass(frozen=True, slots=True)
class Described:
    """A colour that is meant: CIELAB, and whether its lightness is a part of what it is called."""

    lab: tuple[float, float, float]
    level: bool


# The basic terms: light and dark of them are called so too.
_BASIC = {
    "red": (48, 60, 34),
    "orange": (66, 38, 58),
    "yellow": (85, 3, 70),
    "green": (55, -36, 26),
    "blue": (52, -8, -36),
    "violet": (45, 30, -38),
    "pink": (74, 36, 4),
    "brown": (38, 18, 24),
    "grey": (55, 0, 0),
    "teal": (46, -26, -10),
    "turquoise": (68, -32, -8),
}
# Others name one depth of a hue.
_NAMED = {
    "white": (97, 0, 1),
    "black": (16, 0, 0),
    "cream": (93, 0, 13),
    "beige": (82, 4, 18),
    "sand": (78, 5, 24),
    "skin": (79, 14, 20),
    "gold": (72, 8, 52),
    "ochre": (62, 14, 48),
    "silver": (76, 0, -1),
    "charcoal": (30, 0, -1),
    "mint": (87, -20, 8),
    "lime": (84, -30, 60),
    "olive": (48, -6, 34),
    "navy": (24, 6, -28),
    "burgundy": (30, 36, 12),
    "coral": (68, 40, 28),
    "peach": (85, 14, 26),
    "lavender": (74, 12, -20),
    "rust": (46, 34, 38),
    "kraft": (62, 9, 24),
    "plum": (34, 26, -12),
    "aqua": (86, -18, -8),
}
_SAME = {
    "gray": "grey",
    "purple": "violet",
    "lilac": "lavender",
    "greyish": "dull",
    "grayish": "dull",
    "light": "pale",
    "bright": "strong",
    "vivid": "strong",
    "deep": "dark",
    "muted": "dull",
    "soft": "dull",
    "tan": "kraft",
    "color": "colour",
    "golden": "gold",
    "maroon": "burgundy",
    "flesh": "skin",
}
# What words beside it do: to L*, to the share of chroma, to a* and b*.
_MOVES: dict[str, tuple[float, float, float, float]] = {
    "dark": (-24, 0.9, 0, 0),
    "pale": (22, 0.6, 0, 0),
    "dull": (0, 0.45, 0, 0),
    "strong": (0, 1.35, 0, 0),
    "warm": (0, 1, 3, 6),
    "cool": (0, 1, -3, -6),
    "reddish": (0, 1, 14, 4),
    "bluish": (0, 1, -2, -14),
    "greenish": (0, 1, -14, 4),
    "yellowish": (0, 1, 0, 14),
}
_MORE = {
    "darker": "dark",
    "deeper": "dark",
    "lighter": "pale",
    "paler": "pale",
    "duller": "dull",
    "greyer": "dull",
    "stronger": "strong",
    "brighter": "strong",
    "warmer": "warm",
    "cooler": "cool",
    "redder": "reddish",
    "pinker": "reddish",
    "bluer": "bluish",
    "greener": "greenish",
    "yellower": "yellowish",
}
# What says nothing of a colour.
_FILLING = frozenset(("a", "and", "bit", "little", "much", "very", "more", "the", "colour", "or", "of"))


def described(text: str) -> Described | None:
    """The colour that a text describes; None where any of its words means none.

    >>> described("dark green").level, described("moss four")
    (True, None)
    """
    found, moves = [], []
    for said in _WORDS.findall(text.casefold()):
        word = _SAME.get(said, said)
        if word in _MOVES:
            moves.append(word)
        elif word in _BASIC or word in _NAMED:
            found.append(word)
        elif word not in _FILLING:
            return None
    if not found:
        return None
    # "blue green" lies between the two; so does "grey brown".
    labs = np.array([_BASIC.get(word) or _NAMED[word] for word in found], dtype=float)
    level = any(word in _NAMED for word in found) or bool({"dark", "pale"} & set(moves))
    return _moved(Described(_lab(labs.mean(axis=0)), level), moves)


def like(text: str) -> tuple[str, tuple[str, ...]] | None:
    """Of "like moss but a bit bluer" what it is like, and how else it is; None for anything else."""
    asked = _LIKE.match(text)
    if asked is None:
        return None
    moves = [_MORE.get(word, word) for word in _WORDS.findall((asked["but"] or "").casefold())]
    moves = [_SAME.get(word, word) for word in moves if word not in _FILLING]
    if any(word not in _MOVES for word in moves):
        return None
    return asked["base"], tuple(moves)


def otherwise(lab: Array, moves: tuple[str, ...]) -> Described:
    """A colour (3,) as it is with some words said of it, each by half of what it is worth alone."""
    return _moved(Described(_lab(lab), True), moves, 0.5)


def off(meant: Described, labs: Array) -> Array:
    """How far colours (n, 3) are from what is meant, (n,): about ΔE, lightness at a part where it is free."""
    labs = np.asarray(labs, dtype=float)
    weight = 1.0 if meant.level else figures.colour.FREE_LEVEL
    apart = labs - np.array(meant.lab)
    chroma = np.hypot(labs[:, 1], labs[:, 2])
    wanted = float(np.hypot(*meant.lab[1:]))
    # Of strong colours differences of strength are seen less than those of hue.
    less = 1 + 0.045 * np.minimum(chroma, wanted)
    across = (chroma - wanted) / less
    around = np.sqrt(np.maximum((apart[:, 1:] ** 2).sum(axis=1) - (chroma - wanted) ** 2, 0))
    around = around / (1 + 0.015 * np.minimum(chroma, wanted))
    return np.asarray(np.sqrt((weight * apart[:, 0]) ** 2 + across**2 + around**2))


def _moved(meant: Described, moves: list[str] | tuple[str, ...], share: float = 1.0) -> Described:
    lightness, a, b = meant.lab
    for word in moves:
        up, strength, red, yellow = _MOVES[word]
        lightness += share * up
        keep = 1 + share * (strength - 1)
        a, b = a * keep + share * red, b * keep + share * yellow
    return replace(meant, lab=(min(max(lightness, 3.0), 99.0), a, b))


def _lab(lab: Array) -> tuple[float, float, float]:
    lightness, a, b = np.asarray(lab, dtype=float).tolist()
    return lightness, a, b
