"""How is a thing shaded: with how many tones, out of which colours, around which one?"""

from collections.abc import Iterator
from dataclasses import dataclass, replace
from enum import StrEnum

import numpy as np
from numpy.typing import NDArray

from jindle_core import figures
from jindle_core.colorimetry.spaces import Array
from jindle_core.colorimetry.temperature import warmth
from jindle_core.families.rule import USUAL, Allowance


class Thing(StrEnum):
    """What an area shows."""

    LEAF = "leaf"
    FRUIT = "fruit-or-vegetable"
    FUR = "fur-or-feathers"
    SKIN = "skin"
    CLOTH = "cloth"
    GLASS = "glass"
    METAL = "metal"
    WHITE = "white-thing"
    BLACK = "black-thing"
    SKY = "sky-or-water"
    OTHER = "other"


class Extent(StrEnum):
    """How large an area is on the card."""

    TINY = "tiny"
    SMALL = "small"
    LARGE = "large"


@dataclass(frozen=True, slots=True)
class Recipe:
    """What a thing wants beside its own colour.

    ``around`` is the colour that its family is built around instead of the
    palette's; ``bare`` the part left as paper in the light; ``note`` says how
    it is laid.
    """

    allowance: Allowance = USUAL
    around: tuple[float, float, float] | None = None
    bare: float = 0.0
    note: str = ""


_RECIPES = {
    Thing.WHITE: Recipe(
        Allowance(span=figures.families.WHITE_SPAN),
        (86.0, 0.0, 0.0),
        figures.families.WHITE_BARE,
        "Leave most of it bare; shade only the far side with the palest greys.",
    ),
    Thing.BLACK: Recipe(
        USUAL,
        (34.0, 0.0, 0.0),
        0.0,
        "Build it from three greys, so that form is kept; black only in the deepest.",
    ),
    Thing.METAL: Recipe(
        Allowance(most_step=figures.families.METAL_STEP),
        (62.0, 0.0, 0.0),
        figures.families.GLINT_BARE,
        "Light against dark with hard edges; leave a bare glint.",
    ),
    Thing.GLASS: Recipe(
        USUAL, None, figures.families.GLINT_BARE, "Keep it pale, its edge darkest; leave a bare glint."
    ),
    Thing.FUR: Recipe(Allowance(grey_below=figures.families.FUR_GREY_C)),
    Thing.FRUIT: Recipe(USUAL, None, 0.0, "Leave the shine bare, or lift it; the dark away from it."),
    Thing.SKIN: Recipe(
        Allowance(pale_span=figures.families.PALE_SKIN_SPAN),
        None,
        0.0,
        "Lay it thin and blend wide; the cheeks last.",
    ),
}


OF_GREYS = (Thing.WHITE, Thing.BLACK, Thing.METAL)  # shaded with greys, whatever lies around


_WHITE_BESIDE_BLACK = replace(
    _RECIPES[Thing.WHITE],
    allowance=Allowance(span=figures.families.BESIDE_BLACK_SPAN),
    around=(figures.families.BESIDE_BLACK_MIDDLE, 0.0, 0.0),
)


def recipe(thing: Thing, beside_black: bool = False) -> Recipe:
    """The recipe of a thing, which white changes beside a black thing; most things need nothing special."""
    if thing is Thing.WHITE and beside_black:
        return _WHITE_BESIDE_BLACK
    return _RECIPES.get(thing, Recipe())


def tones_wanted(thing: Thing, extent: Extent, focal: bool) -> int:
    """How many tones an area takes: two where it is tiny, three as a rule, more where the eye goes.

    >>> tones_wanted(Thing.LEAF, Extent.SMALL, focal=False)
    3
    """
    if extent is Extent.TINY:
        return 2
    if thing in OF_GREYS:
        return 3
    if focal and extent is Extent.LARGE:
        return 5 if thing in (Thing.SKIN, Thing.FUR) else 4
    return 4 if thing is Thing.SKIN or focal else 3


def suited(thing: Thing, candidates: Array, warm: float, beside_black: bool) -> NDArray[np.bool_]:
    """Which candidates (n, 3) a thing is shaded with; (n,).

    ``warm`` is the temperature of what lies around it (above 0 warm): greys
    lean the same way where there are enough that do; those of black are cool. ``beside_black`` says
    that a black thing touches it, which wants a darker grey on white.
    """
    candidates = np.asarray(candidates, dtype=float).reshape(-1, 3)
    lightness = candidates[:, 0]
    chroma = np.hypot(candidates[:, 1], candidates[:, 2])
    hue = np.degrees(np.arctan2(candidates[:, 2], candidates[:, 1])) % 360
    if thing is Thing.SKIN:
        within = (hue >= figures.families.SKIN_HUE[0]) & (hue <= figures.families.SKIN_HUE[1])
        return (
            within & (chroma >= figures.families.SKIN_CHROMA[0]) & (chroma <= figures.families.SKIN_CHROMA[1])
        )
    if thing is Thing.GLASS:
        return lightness >= figures.families.GLASS_L
    if thing not in OF_GREYS:
        return np.ones(len(candidates), dtype=bool)
    greys = chroma < figures.paper.NEUTRAL_ROLE_C
    if thing is Thing.WHITE:
        greys &= _light_enough(lightness, beside_black)
    if thing is Thing.BLACK:
        warm = -1.0  # cool greys are the usual for black: warm ones look brown
        greys &= (lightness >= figures.families.BLACK_THING_L[0]) & (
            lightness <= figures.families.BLACK_THING_L[1]
        )
    same = greys & ((np.sign(warmth(candidates)) == np.sign(warm)) | (chroma < figures.families.TRUE_GREY_C))
    return same if same.sum() >= figures.families.FAMILY_SIZES[1] else greys


def _light_enough(lightness: Array, beside_black: bool) -> NDArray[np.bool_]:
    """Whether tones of some L* shade a white thing."""
    least, most = figures.families.WHITE_THING_L
    if beside_black:
        least = figures.families.BESIDE_BLACK_L
    return np.asarray((lightness >= least) & (lightness <= most))


def whites(candidates: Array, beside_black: bool) -> Iterator[tuple[str, Array, NDArray[np.bool_]]]:
    """Each kind of white: its name, the colour (3,) to build around, which candidates (n, 3) are of it."""
    candidates = np.asarray(candidates, dtype=float).reshape(-1, 3)
    light = _light_enough(candidates[:, 0], beside_black)
    around = recipe(Thing.WHITE, beside_black).around or (0.0, 0.0, 0.0)
    for words, lean in figures.families.WHITES.items():
        off = np.hypot(*(candidates[:, 1:] - lean).T)
        yield words, np.array([around[0], *lean]), light & (off <= figures.families.WHITE_REACH)


def white_of(tones: Array) -> str:
    """Which kind of white some tones (k, 3) come nearest to."""
    middle = np.asarray(tones, dtype=float)[:, 1:].mean(axis=0)
    every = figures.families.WHITES
    return min(every, key=lambda one: float(np.hypot(*(middle - every[one]))))
