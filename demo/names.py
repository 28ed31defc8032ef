"""Invented colour names from life along a river, fitting the colour's hue."""

import numpy as np
from numpy.typing import ArrayLike

# (hue angle up to which they serve, words); for what has enough chroma.
_THINGS = (
    (35, ("radish skin", "quay brick", "buoy paint", "beet slice", "rosehip jar", "hull red")),
    (70, ("ferry lantern", "bill tip", "flowerpot", "carrot top", "rivet rust", "marmalade lid")),
    (95, ("marrow bloom", "lamp room", "baling straw", "cowslip bank", "wagtail breast", "oilskin")),
    (130, ("reed bed", "willow shoot", "gooseberry net", "duckweed", "pea shell", "sedge tuft")),
    (175, ("bean row", "lock weed", "bottle float", "cabbage heart", "chard rib", "water mint")),
    (225, ("weir pool", "lock water", "drake neck", "copper roof", "eddy", "boathouse door")),
    (285, ("millpond", "diver wing", "ferry coat", "punt pole", "oar blade", "enamel mug")),
    (330, ("plum net", "comfrey bell", "late towpath", "thistle down", "bilberry jam", "night signal")),
    (360, ("dog rose", "foxglove", "rhubarb stick", "shell path", "mallow patch", "peg bag")),
)
_BROWNS = ("silt", "tow rope", "eel back", "barge tar", "bulrush", "peat cut", "seed drawer", "jetty plank")
_NEUTRALS = (
    "gravel",
    "heron back",
    "low cloud",
    "rivet pewter",
    "ash path",
    "flint",
    "gull wing",
    "rain butt",
)
_QUALIFIERS = (
    (88, ("first", "misty", "thin", "bleached")),
    (70, ("morning", "washed", "upstream", "high")),
    (45, ("noon", "plain", "downstream", "market")),
    (25, ("evening", "wet", "low", "shaded")),
    (-1, ("midnight", "deep", "sunken", "tarred")),
)


class Namer:
    """Gives each colour of one range a name of its own."""

    def __init__(self, seed: int) -> None:
        self._random = np.random.default_rng(seed)
        self._used: set[str] = set()

    def name(self, lab: ArrayLike) -> str:
        """A name nobody in this range has yet."""
        lightness, a, b = np.asarray(lab, dtype=float)
        things = list(self._things(lightness, np.hypot(a, b), np.degrees(np.arctan2(b, a)) % 360))
        self._random.shuffle(things)
        words = next(words for limit, words in _QUALIFIERS if lightness > limit)
        for second in ("", "old ", "far ", "near ", "other ", "little "):
            for word in words:
                for thing in things:
                    name = f"{second}{word} {thing}"
                    if name not in self._used:
                        self._used.add(name)
                        return name
        raise RuntimeError("out of names")

    @staticmethod
    def _things(lightness: float, chroma: float, hue: float) -> tuple[str, ...]:
        if chroma < 9:
            return _NEUTRALS
        if 30 < hue < 100 and lightness < 58 and chroma < 42:
            return _BROWNS
        return next(words for limit, words in _THINGS if hue <= limit)
