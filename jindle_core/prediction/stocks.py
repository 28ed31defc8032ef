"""How much of a transparent colour does a card show, by what kind of stock it is like?"""

import numpy as np

from jindle_core import defaults
from jindle_core.colorimetry.difference import delta_e
from jindle_core.colorimetry.recovery import lab_to_reflectance
from jindle_core.colorimetry.spaces import Array

WHITE = lab_to_reflectance(np.array(defaults.PAPER_WHITE_LAB))


def stock_kind(paper_lab: Array) -> str:
    """The kind of stock ("white", "kraft", …) nearest in colour to a card (3,).

    Ranges of card seldom say how far ink sinks into them; their colour tells
    most of it, since what makes a stock dark or brown also makes it drink.
    """
    names = list(defaults.STOCKS)
    labs = np.array([defaults.STOCKS[name][0] for name in names])
    return names[int(np.argmin(delta_e(labs, np.asarray(paper_lab)[None])))]


def uptake(paper_lab: Array) -> float:
    """The share t of a colour's strength that shows on a card (3,), white card being 1."""
    return defaults.STOCKS[stock_kind(paper_lab)][1]
