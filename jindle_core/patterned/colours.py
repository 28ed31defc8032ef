"""Which colours does the sheet hold, with which shares, and where?"""

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray
from scipy.spatial import cKDTree

from jindle_core import figures
from jindle_core.colorimetry.difference import delta_e
from jindle_core.colorimetry.spaces import Array, as_lab
from jindle_core.errors import BadInput, Problem
from jindle_core.patterned.correction import Corrected, PictureBox, mixed
from jindle_core.patterned.groups import groups


@dataclass(frozen=True, slots=True)
class SheetColour:
    """A colour of the sheet: CIELAB, its share of the area 0–1, its part (ground, main, support, accent)."""

    lab: tuple[float, float, float]
    share: float
    part: str


def sheet_colours(picture: Corrected) -> list[SheetColour]:
    """The sheet's colours, ground first, then by share; at least one.

    k-means in CIELAB over pixels that mix nothing, merged where the eye would
    not part them; small ones are kept only where they stand out. Shares are
    counted over all pixels. Raises BadInput where the white card leaves nothing.
    """
    random = np.random.default_rng(0)
    sheet = np.ones(picture.linear.shape[:2], dtype=bool)
    for box in filter(None, (picture.reference, *picture.beside)):
        sheet[_grown(box, picture.linear.shape)] = False
    everything = np.flatnonzero(sheet.ravel())
    if not len(everything):
        raise BadInput(Problem("The white card covers the whole picture.", field="reference"))
    near = picture.around(random.choice(everything, figures.paper.SHARE_SAMPLE))
    # The middle one of nine is what the place is, noise apart.
    counted = np.median(near, axis=1)
    plain = counted[~mixed(near)]
    sample = plain if len(plain) >= figures.paper.PLAIN_LEAST else counted  # noise, or nothing but edges
    sample = sample[: figures.paper.COLOUR_SAMPLE]
    centres, weights = _clusters(sample)
    centres = _merged(centres, weights)
    shares = np.bincount(_nearest(centres, counted), minlength=len(centres)) / len(counted)
    plainly = np.bincount(_nearest(centres, sample), minlength=len(centres)) / len(sample)
    kept = _kept(centres, shares, plainly)
    centres = centres[kept]
    shares = np.bincount(_nearest(centres, counted), minlength=len(centres)) / len(counted)
    return with_parts(centres, shares)


def where(lab: Array, centres: Array) -> NDArray[np.uint8]:
    """Which of the colours (n, 3) each pixel (h, w) is nearest to; n at most 255."""
    return _nearest(np.asarray(centres), lab.reshape(-1, 3)).reshape(lab.shape[:2]).astype(np.uint8)


def with_parts(centres: Array, shares: Array) -> list[SheetColour]:
    """Colours (n, 3) with the parts they play, in the order of those parts and then of their shares."""
    parts = parts_of(centres, shares)
    ranked = sorted(range(len(shares)), key=lambda at: (PARTS.index(parts[at]), -shares[at]))
    return [SheetColour(as_lab(centres[at]), float(shares[at]), parts[at]) for at in ranked]


def parts_of(centres: Array, shares: Array) -> list[str]:
    """The part of each colour (n, 3): the largest is the ground, small ones are accents.

    The main colour is the one that carries most of the rest, by its share and
    by how strong it is.
    """
    chromas = np.hypot(centres[:, 1], centres[:, 2])
    parts = ["accent" if share < figures.paper.ACCENT_SHARE else "support" for share in shares]
    ground = int(np.argmax(shares))
    parts[ground] = "ground"
    large = [at for at, part in enumerate(parts) if part == "support"]
    if large:
        parts[max(large, key=lambda at: shares[at] * (10 + chromas[at]))] = "main"
    return parts


PARTS = ("ground", "main", "support", "accent")


def _grown(box: PictureBox, shape: tuple[int, ...]) -> tuple[slice, slice]:
    """A box with the margin in which the card or swatch may go on."""
    more = max(box.width, box.height) // 3
    rows = slice(max(0, box.top - more), min(shape[0], box.top + box.height + more))
    return rows, slice(max(0, box.left - more), min(shape[1], box.left + box.width + more))


def _clusters(sample: Array) -> tuple[Array, Array]:
    """Medians (k, 3) and sizes (k,) of clusters of a sample, small strong ones among them."""
    centres, labels = groups(sample, figures.paper.CLUSTERS)
    # What lies far from every centre is a small colour that the others swallowed.
    far = np.linalg.norm(sample - centres[labels], axis=1) > figures.paper.SWALLOWED
    found = [sample[(labels == number) & ~far] for number in range(len(centres))]
    if far.sum() >= figures.paper.SMALLEST_SHARE * len(sample):
        strays = sample[far]
        _, stray_labels = groups(strays, 4)
        found += [strays[stray_labels == number] for number in range(stray_labels.max() + 1)]
    found = [group for group in found if len(group)]
    return np.array([np.median(group, axis=0) for group in found]), np.array([len(group) for group in found])


def _merged(centres: Array, weights: Array) -> Array:
    """The centres with those merged, nearest first, that lie within MERGED of one another."""
    centres, weights = centres.copy(), weights.astype(float)
    while len(centres) > 1:
        apart = delta_e(centres[:, None], centres[None]) + np.eye(len(centres)) * 1e3
        first, second = np.unravel_index(int(np.argmin(apart)), apart.shape)
        if apart[first, second] >= figures.paper.MERGED:
            break
        total = weights[first] + weights[second]
        centres[first] = (centres[first] * weights[first] + centres[second] * weights[second]) / total
        weights[first] = total
        centres, weights = np.delete(centres, second, axis=0), np.delete(weights, second)
    return centres


def _kept(centres: Array, shares: Array, plainly: Array) -> NDArray[np.bool_]:
    """Which colours are the sheet's own.

    Large ones are; small ones where they stand out from all others. What lies
    between two others is a mixture of them along their edges, unless it has
    its share of the places that mix nothing (``plainly``).
    """
    kept = shares >= figures.paper.ACCENT_SHARE
    if not kept.any():
        kept[np.argmax(shares)] = True
    for at in np.argsort(-shares, kind="stable"):
        if kept[at] or shares[at] < figures.paper.SMALLEST_SHARE:
            continue
        others = centres[kept]
        far = float(delta_e(centres[at][None], others).min())
        mixture = _from_mixtures(centres[at], others) < figures.paper.STANDS_OUT / 2
        if shares[at] < figures.paper.SMALL_SHARE:
            kept[at] = far >= figures.paper.STANDS_OUT and not mixture
        else:
            kept[at] = not mixture or plainly[at] >= figures.paper.PLAINLY * shares[at]
    return kept


def _from_mixtures(colour: Array, others: Array) -> float:
    """How far a colour lies from every line between two others: edges give such mixtures."""
    best = np.inf
    for at, start in enumerate(others):
        line = others[at + 1 :] - start
        along = np.clip(((colour - start) * line).sum(axis=1) / np.maximum((line**2).sum(axis=1), 1e-9), 0, 1)
        if len(line):
            best = min(best, float(np.linalg.norm(start + along[:, None] * line - colour, axis=1).min()))
    return best


def _nearest(centres: Array, lab: Array) -> np.ndarray:
    return np.asarray(cKDTree(centres).query(lab)[1])
