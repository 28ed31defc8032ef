"""Of which part of the world of colours is a question: the dark blues, the greys?"""

import math
from collections.abc import Sequence

import numpy as np

from jindle_core import figures
from jindle_core.colorimetry.naming import hue_name
from jindle_core.supplies.whole import Supplies
from jindle_core.training.question import Question

# By the hue's usual name; what lies between two is named by the one it is mostly taken for.
_PLURAL = {
    "pink": "pinks",
    "pink-red": "pinks",
    "red": "reds",
    "brown": "browns",
    "olive": "olives",
    "orange": "oranges",
    "golden yellow": "yellows",
    "yellow": "yellows",
    "yellow-green": "greens",
    "green": "greens",
    "blue-green": "blue-greens",
    "blue": "blues",
    "blue-violet": "blues",
    "violet": "violets",
    "pink-violet": "violets",
}


def region(lab: Sequence[float]) -> str:
    """Of which region a colour (3,) is.

    >>> region((30, 5, -35)), region((85, 0, 2)), region((60, 40, 40))
    ('dark blues', 'pale greys', 'oranges')
    """
    lightness, a, b = lab
    hues = "greys" if math.hypot(a, b) < figures.training.GREY_C else _PLURAL[hue_name(lab)]
    if lightness <= figures.training.DARK_L:
        return f"dark {hues}"
    return f"pale {hues}" if lightness >= figures.training.PALE_L else hues


def within(supplies: Supplies, name: str) -> frozenset[int]:
    """The ids of a region's colours: of the drawer's, or of all that can be had where it is empty."""
    places = np.flatnonzero(supplies.usable if supplies.usable.any() else supplies.to_be_had)
    labs = supplies.lab[places].tolist()
    return frozenset(
        supplies.rows[place].id for place, lab in zip(places, labs, strict=True) if region(lab) == name
    )


def regions_of(question: Question) -> tuple[str, ...]:
    """Of which regions the colours are that make a question hard: what it is asked of, or its closest two."""
    colours = question.given
    if question.orders:
        colours = tuple(one for at in question.closest for one in question.options[at].shown)
    return tuple(dict.fromkeys(region(one.lab) for one in colours))
