"""What would a photograph show by daylight, if it was another light?

Three gains that make white card white cannot undo a lamp: what it lacks the camera's channels mix otherwise.
A 3 × 3 matrix that keeps white does more, one for each kind of light, or the one that known swatches in the
picture ask for.
"""

from collections.abc import Sequence
from dataclasses import dataclass, replace
from enum import StrEnum

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
    WARM_LAMP = "warm lamp"
    LED_LAMP = "LED lamp"


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
    known: Sequence[tuple[PictureBox, Lab]] = (),
    beside: Sequence[PictureBox] = (),
) -> Relit:
    """The picture with what is left of its light taken out, by its kind and by known swatches.

    ``white`` is the colour of the white card, ``known`` has a box in the picture each with its colour;
    ``beside`` is what else is no part of the sheet.
    Without a white card nothing is changed. Raises BadInput where a box is too small or outside.
    """
    if picture.reference is None:
        return Relit(picture)
    picture = replace(picture, beside=(*(box for box, _ in known), *beside))
    usual = np.array(figures.paper.LAMPS[light]) if light else np.eye(3)
    sigma = figures.paper.LAMP_SIGMA[light] if light else picture.sigma
    seen = np.array([_seen(picture, box, at) for at, (box, _) in enumerate(known)]).reshape(-1, 3)
    true = lab_to_linear(np.array([lab for _, lab in known]).reshape(-1, 3))
    white_light = lab_to_linear(np.array(white))
    off, used, trouble = _judged(seen, true, white_light, usual)
    matrix = usual
    if used.sum() >= figures.paper.KNOWN_LEAST:
        matrix = _matrix(seen[used], true[used], white_light, usual)
        prior = figures.paper.KNOWN_PRIOR
        sigma = float(np.sqrt((prior * sigma**2 + np.sum(off[used] ** 2)) / (prior + used.sum())))
    if np.array_equal(matrix, np.eye(3)):
        return Relit(replace(picture, sigma=sigma), tuple(off.tolist()), tuple(used.tolist()), trouble)
    lit = (picture.even @ matrix.T).astype(picture.linear.dtype)
    made = replace(picture, linear=np.maximum(lit, _LEAST), field=np.zeros((5, 3)), sigma=sigma)
    return Relit(made, tuple(off.tolist()), tuple(used.tolist()), trouble)


def _seen(picture: Corrected, box: PictureBox, at: int) -> Array:
    rows, columns = box.slices()
    patch = picture.even[rows, columns]
    least = figures.paper.REFERENCE_LEAST
    if box.left < 0 or box.top < 0 or patch.shape[0] < least or patch.shape[1] < least:
        words = f"The known swatch {at + 1} is too small or lies outside the picture."
        raise BadInput(Problem(words, field="known"))
    return np.asarray(np.median(patch.reshape(-1, 3), axis=0))


def _judged(seen: Array, true: Array, white: Array, usual: Array) -> tuple[Array, np.ndarray, str]:
    """How far each swatch is from what the others make of it, which count, and what is odd."""
    used = np.ones(len(seen), dtype=bool)
    if len(seen) < figures.paper.KNOWN_LEAST:
        few = "Known swatches help from three on." if len(seen) else ""
        return _apart(seen @ usual.T, true), ~used, few
    off = _left_out(seen, true, white, usual, used)
    # One that is something else spoils what the others say: without it they agree best.
    for _ in range(len(seen) // 3):
        if off[used].max() <= figures.paper.KNOWN_STRANGE or used.sum() == figures.paper.KNOWN_LEAST:
            break
        tried = []
        for at in np.flatnonzero(used):
            others = used.copy()
            others[at] = False
            found = _left_out(seen, true, white, usual, others)
            tried.append((float(found[others].max()), others, found))
        _, used, off = min(tried, key=lambda one: one[0])
    if off[used].max() > figures.paper.KNOWN_STRANGE:
        return (
            off,
            np.zeros(len(seen), dtype=bool),
            (
                "The known swatches look like none of what they are known as, so they are not gone by: are"
                " they these colours, laid once on white card and dry?"
            ),
        )
    labs = linear_to_lab(true)
    if np.ptp(labs[:, 1:], axis=0).max() < figures.paper.KNOWN_ALIKE:
        return off, used, "The known swatches are much alike, so they say little of other colours."
    if not used.all():
        places = ", ".join(str(at + 1) for at in np.flatnonzero(~used))
        return off, used, f"Known swatch {places} looks like something else and is not gone by."
    return off, used, ""


def _left_out(seen: Array, true: Array, white: Array, usual: Array, used: np.ndarray) -> Array:
    """Each swatch (n,) by a matrix that the other used ones ask for, in ΔE00."""
    found = np.empty(len(seen))
    for at in range(len(seen)):
        others = used & (np.arange(len(seen)) != at)
        matrix = _matrix(seen[others], true[others], white, usual)
        found[at] = _apart(seen[at] @ matrix.T, true[at])
    return found


def _apart(seen: Array, true: Array) -> Array:
    return np.asarray(
        delta_e(linear_to_lab(np.maximum(seen, _LEAST)), linear_to_lab(np.maximum(true, _LEAST)))
    )


def _matrix(seen: Array, true: Array, white: Array, usual: Array) -> Array:
    """The matrix (3, 3) that keeps white and turns what is seen (n, 3) into what is true, linear.

    Least squares, dark colours counting more as the eye has it, drawn to the usual matrix of the light.
    """
    lit = seen @ usual.T
    # What does not change white lies in the plane across it.
    across = np.linalg.qr(np.column_stack([white, np.eye(3)]))[0][:, 1:3]
    features, more = lit @ across, np.zeros((3, 3))
    for channel in range(3):
        weights = np.maximum(true[:, channel], figures.paper.KNOWN_DARK) ** (-2 / 3)
        weighted, wanted = features * weights[:, None], (true - lit)[:, channel] * weights
        system = weighted.T @ weighted + figures.paper.KNOWN_RIDGE * np.eye(2)
        more[channel] = across @ np.linalg.solve(system, weighted.T @ wanted)
    return (np.eye(3) + more) @ usual
