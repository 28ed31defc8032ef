"""What would a photograph show by daylight, if it was another light?

Three gains that make white card white cannot undo a lamp: what it lacks the camera's channels mix otherwise.
A 3 × 3 matrix that keeps white does more, one for each kind of light, or the one that known swatches in the
picture ask for; these also show the tone that the camera gave the picture.
"""

from collections.abc import Sequence
from dataclasses import dataclass, replace
from enum import StrEnum
from typing import NamedTuple

import numpy as np

from jindle_core import figures
from jindle_core.colorimetry.difference import delta_e
from jindle_core.colorimetry.spaces import Array, Lab, lab_to_linear, linear_to_lab
from jindle_core.errors import BadInput, Problem
from jindle_core.patterned.correction import Corrected, PictureBox

_LEAST = 1e-4


class Light(StrEnum):
    """The light that a picture was taken by."""

    DAYLIGHT = "daylight"
    SHADE = "shade"
    WARM_LED = "warm LED"
    COOL_LED = "cool LED"
    BULB = "bulb"
    FLUORESCENT = "fluorescent"


class KnownSwatch(NamedTuple):
    """A swatch in the picture, the colour that it is, and how unsure that is (σ in ΔE00)."""

    box: PictureBox
    lab: Lab
    sigma: float = figures.colour.UNCERTAINTY["read"]


@dataclass(frozen=True, eq=False)
class Relit:
    """A picture as by daylight; how far (ΔE00) each known swatch is from what the others make of it.

    ``used`` says which of them counted; ``trouble`` what is odd about them, empty: nothing.
    """

    picture: Corrected
    off: tuple[float, ...] = ()
    used: tuple[bool, ...] = ()
    trouble: str = ""


def relit(
    picture: Corrected,
    light: Light | None,
    white: tuple[float, ...] = figures.laying.PAPER_WHITE_LAB,
    known: Sequence[KnownSwatch] = (),
    beside: Sequence[PictureBox] = (),
) -> Relit:
    """The picture with what is left of its light taken out, by its kind and by known swatches.

    ``white`` is the colour of the white card; ``beside`` is what, besides the known swatches, is no part of
    the sheet. Without a white card nothing is changed. Raises BadInput where a box is too small or outside.
    """
    if picture.reference is None:
        return Relit(picture)
    picture = replace(picture, beside=(*(one.box for one in known), *beside))
    usual = np.array(figures.paper.LAMPS[light]) if light else np.eye(3)
    if light:
        picture = replace(picture, doubt=figures.paper.LAMP_DOUBT[light])
    swatches = _Swatches.of(picture, known, lab_to_linear(np.array(white)), usual)
    exponent = swatches.exponent()
    swatches = swatches.toned(exponent)
    off, used, trouble = swatches.judged()
    matrix = usual
    if used.any():
        matrix = swatches.matrix(used)
        shrunk = swatches.doubt(off, used)
        picture = replace(picture, doubt=(picture.doubt[0] * shrunk, picture.doubt[1] * shrunk))
    else:
        exponent = 1.0
    told = Relit(picture, tuple(off.tolist()), tuple(used.tolist()), trouble)
    if exponent == 1 and np.array_equal(matrix, np.eye(3)):
        return told
    lit = _toned(picture.even, swatches.white, exponent) @ matrix.T
    linear = np.maximum(lit, _LEAST).astype(picture.linear.dtype)
    return replace(told, picture=replace(picture, linear=linear, field=np.zeros((5, 3))))


@dataclass(frozen=True, eq=False)
class _Swatches:
    """Known swatches as ``seen`` and as they are (n, 3), linear; the ``usual`` matrix of their light.

    ``weights`` (n,) say how much each counts, ``share`` (n,) how unsure the light leaves such a colour;
    ``white`` (3,) is the white card.
    """

    seen: Array
    true: Array
    weights: Array
    sigma: Array
    share: Array
    white: Array
    usual: Array

    @classmethod
    def of(cls, picture: Corrected, known: Sequence[KnownSwatch], white: Array, usual: Array) -> "_Swatches":
        seen = np.array([_seen(picture, one.box, at) for at, one in enumerate(known)]).reshape(-1, 3)
        labs = np.array([one.lab for one in known]).reshape(-1, 3)
        sigma = np.array([one.sigma for one in known])
        weights = 1 / (1 + (sigma / figures.paper.KNOWN_LEFT) ** 2)
        return cls(seen, lab_to_linear(labs), weights, sigma, picture.sigma(labs), white, usual)

    def toned(self, exponent: float) -> "_Swatches":
        """The same, had the camera not given them that tone."""
        return replace(self, seen=_toned(self.seen, self.white, exponent))

    def exponent(self) -> float:
        """The tone with which each comes nearest to what the others make of it; drawn to none."""
        if len(self.seen) < figures.paper.TONE_LEAST:
            return 1.0
        everything, costs = np.ones(len(self.seen), dtype=bool), {}
        for tried in np.linspace(*figures.paper.TONE_TRIED):
            off = np.minimum(self.toned(tried).left_out(everything), self.strange)
            apart = np.sum(self.weights * (off / figures.paper.KNOWN_LEFT) ** 2)
            costs[float(tried)] = apart + (np.log(tried) / figures.paper.TONE_SIGMA) ** 2
        return min(costs, key=lambda tried: costs[tried])

    @property
    def strange(self) -> Array:
        """How far (n,) each may be from what the others make of it and still be what it is known as, ΔE00."""
        least, times = figures.paper.KNOWN_STRANGE
        return np.maximum(least, times * np.hypot(self.share, self.sigma))

    def judged(self) -> tuple[Array, np.ndarray, str]:
        """How far each swatch is from what the others make of it, which count, and what is odd."""
        count, least = len(self.seen), figures.paper.KNOWN_LEAST
        used = np.ones(count, dtype=bool)
        if count < least:
            few = "Known swatches help from three on." if count else ""
            return _apart(self.seen @ self.usual.T, self.true), ~used, few
        off = self.left_out(used)
        # One that is something else spoils what the others say: without it they agree best.
        for _ in range(count // 3):
            if (off <= self.strange)[used].all() or used.sum() == least:
                break
            tried = []
            for at in np.flatnonzero(used):
                others = used.copy()
                others[at] = False
                found = self.left_out(others)
                tried.append((float((found / self.strange)[others].max()), at, others, found))
            _, _, used, off = min(tried, key=lambda one: one[:2])
        if (off > self.strange)[used].any():
            return off, np.zeros(count, dtype=bool), _NONE
        labs = linear_to_lab(self.true)
        if np.ptp(labs[:, 1:], axis=0).max() < figures.paper.KNOWN_ALIKE:
            return off, used, "The known swatches are much alike, so they say little of other colours."
        if not used.all():
            places = ", ".join(str(at + 1) for at in np.flatnonzero(~used))
            return off, used, f"Known swatch {places} looks like something else and is not gone by."
        return off, used, ""

    def left_out(self, used: np.ndarray) -> Array:
        """Each swatch (n,) by a matrix that the other used ones ask for, in ΔE00."""
        matrices = self._matrices(used & ~np.eye(len(self.seen), dtype=bool))
        return _apart(np.einsum("nij,nj->ni", matrices, self.seen), self.true)

    def doubt(self, off: Array, used: np.ndarray) -> float:
        """By how much they make the usual doubt of the light smaller, or larger."""
        prior, weights = figures.paper.KNOWN_PRIOR, self.weights[used]
        # What is not sure of the swatches themselves is no fault of the light.
        apart = np.maximum(off[used] ** 2 - self.sigma[used] ** 2, 0) / self.share[used] ** 2
        return float(np.sqrt((prior + np.sum(weights * apart)) / (prior + weights.sum())))

    def matrix(self, used: np.ndarray) -> Array:
        """The matrix (3, 3) that keeps white and turns what is seen of the used ones into what they are."""
        return np.asarray(self._matrices(used[None])[0])

    def _matrices(self, used: np.ndarray) -> Array:
        """Such a matrix (m, 3, 3) for each choice (m, n) of swatches.

        Least squares on linear light, dark colours counting more as the eye has it, drawn to
        the usual matrix of the light.
        """
        lit = self.seen @ self.usual.T
        # What does not change white lies in the plane across it.
        across = np.linalg.qr(np.column_stack([self.white, np.eye(3)]))[0][:, 1:3]
        features = lit @ across
        eye = np.maximum(self.true, figures.paper.KNOWN_DARK) ** (-4 / 3)
        weights = eye * self.weights[:, None]
        squares = np.einsum("nc,ni,nj->ncij", weights, features, features)
        wanted = np.einsum("nc,ni,nc->nci", weights, features, self.true - lit)
        chosen = used.astype(float)
        system = np.tensordot(chosen, squares, 1) + figures.paper.KNOWN_RIDGE * np.eye(2)
        more = np.linalg.solve(system, np.tensordot(chosen, wanted, 1)[..., None])[..., 0]
        return np.asarray((np.eye(3) + more @ across.T) @ self.usual)


_NONE = (
    "The known swatches look like none of what they are known as, so they are not gone by: are"
    " they these colours, laid once on white card and dry?"
)


def _seen(picture: Corrected, box: PictureBox, at: int) -> Array:
    rows, columns = box.slices()
    patch = picture.even[rows, columns]
    least = figures.paper.REFERENCE_LEAST
    if box.left < 0 or box.top < 0 or patch.shape[0] < least or patch.shape[1] < least:
        words = f"The known swatch {at + 1} is too small or lies outside the picture."
        raise BadInput(Problem(words, field="known"))
    return np.asarray(np.median(patch.reshape(-1, 3), axis=0))


def _toned(linear: Array, white: Array, exponent: float) -> Array:
    return linear if exponent == 1 else np.asarray(white * np.maximum(linear / white, 0) ** exponent)


def _apart(seen: Array, true: Array) -> Array:
    return np.asarray(
        delta_e(linear_to_lab(np.maximum(seen, _LEAST)), linear_to_lab(np.maximum(true, _LEAST)))
    )
