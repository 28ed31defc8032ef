"""What can be said of a pad at all, and what must be said with it?"""

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from jindle_core import figures
from jindle_core.colorimetry.spaces import Array


@dataclass(frozen=True, slots=True)
class Known:
    """Whether a pad's blending is predicted, whether only roughly, and what must be said."""

    predicted: bool = True
    rough: bool = False
    notes: tuple[str, ...] = ()


def are_white(labs: Array) -> NDArray[np.bool_]:
    """Which of some dabs (…, 3) are white: a dab on white card does not say how such a pad covers."""
    lightness, chroma = labs[..., 0], np.hypot(labs[..., 1], labs[..., 2])
    return (lightness >= figures.grounds.WHITE_PAD[0]) & (chroma <= figures.grounds.WHITE_PAD[1])


def known(lab: Array, sigma: float, metallic: bool) -> Known:
    """What is known of a pad with this dab (3,) on white, its uncertainty in ΔE00, and its kind."""
    lightness, chroma = float(lab[0]), float(np.hypot(lab[1], lab[2]))
    if metallic:
        return Known(False, True, ("metallic: not predicted, its colour turns with the light",))
    if are_white(np.asarray(lab)):
        return Known(False, True, ("white: not predicted, a dab on white card does not say how it covers",))
    notes = []
    rough = sigma >= figures.colour.UNCERTAINTY["label"]
    if rough:
        notes.append(f"known roughly (± {sigma:.0f}): read a swatch of it, and joins can be relied on")
    if lightness <= figures.grounds.BLACK_PAD[0] and chroma <= figures.grounds.BLACK_PAD[1]:
        notes.append("black swallows what it meets: keep it to the edge, with a brush of its own")
    return Known(True, rough, tuple(notes))
