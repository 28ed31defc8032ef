"""How much of a transparent colour does a card show, by what kind of stock it is like?"""

from functools import lru_cache

import numpy as np

from jindle_core import figures
from jindle_core.colorimetry.difference import delta_e
from jindle_core.colorimetry.recovery import lab_to_reflectance
from jindle_core.colorimetry.spaces import Array, reflectance_to_lab

WHITE_CARD = lab_to_reflectance(np.array(figures.laying.PAPER_WHITE_LAB))


def stock_kind(paper_lab: Array) -> str:
    """The kind of stock ("white", "kraft", …) nearest in colour to a card (3,).

    Ranges of card seldom say how far ink sinks into them; their colour tells
    most of it, since what makes a stock dark or brown also makes it drink.
    """
    names = list(figures.laying.STOCKS)
    labs = np.array([figures.laying.STOCKS[name][0] for name in names])
    return names[int(np.argmin(delta_e(labs, np.asarray(paper_lab)[None])))]


def card_lab(card: Array) -> Array:
    """CIELAB (3,) of a card (31,)."""
    return _known(_bytes(card))[0]


def uptake(card: Array) -> float:
    """The share t of a colour's strength that shows on a card (31,), white card being 1."""
    return _known(_bytes(card))[1]


def unlike_white(card: Array) -> float:
    """How unlike white card a card (31,) is: 1 at about kraft, over 2 at black."""
    return unlike(card, WHITE_CARD)


def unlike(card: Array, other: Array) -> float:
    """How unlike two cards (31,) are, as ``figures.laying.UNLIKE_WHITE`` counts."""
    return _unlike(_bytes(card), _bytes(other))


@lru_cache(maxsize=1024)
def _unlike(card: bytes, other: bytes) -> float:
    off = delta_e(_known(card)[0][None], _known(other)[0][None])
    return float(off[0]) / figures.laying.UNLIKE_WHITE


def _bytes(card: Array) -> bytes:
    return np.ascontiguousarray(card, dtype=float).tobytes()


@lru_cache(maxsize=256)  # a card is asked for with every colour that is laid on it
def _known(card: bytes) -> tuple[Array, float]:
    lab = reflectance_to_lab(np.frombuffer(card))
    return lab, figures.laying.STOCKS[stock_kind(lab)][1]
