"""What would the picture show under a white, even light?"""

from dataclasses import dataclass, replace
from functools import cached_property

import numpy as np
from numpy.typing import NDArray
from scipy import ndimage
from scipy.cluster.hierarchy import fcluster, linkage

from jindle_core import figures
from jindle_core.colorimetry.spaces import Array, lab_to_linear, linear_to_lab
from jindle_core.errors import BadInput, Problem
from jindle_core.patterned.groups import groups

_LEAST = 1e-4
_COARSE = 2  # a card is large: it is looked for in every second pixel

_Whole = NDArray[np.intp]
_Places = Array | _Whole


@dataclass(frozen=True, slots=True)
class PictureBox:
    """A part of a picture: left, top, width, height, in pixels."""

    left: int
    top: int
    width: int
    height: int

    @classmethod
    def inside(cls, quad: Array) -> "PictureBox":
        """The box that surely lies within a four-cornered frame (4, 2) that is not turned by much."""
        xs, ys = np.sort(quad[:, 0]), np.sort(quad[:, 1])
        left, top = int(np.ceil(xs[1])), int(np.ceil(ys[1]))
        return cls(left, top, max(0, int(xs[2]) - left), max(0, int(ys[2]) - top))

    @classmethod
    def over(cls, quad: Array, shape: tuple[int, ...]) -> "PictureBox":
        """The box that covers a four-cornered frame (4, 2), as far as that lies in a picture (h, w, …)."""
        left, top = (max(0, int(side)) for side in np.floor(quad.min(axis=0)))
        right, bottom = np.minimum(np.ceil(quad.max(axis=0)), [shape[1], shape[0]]).astype(int).tolist()
        return cls(left, top, max(0, right - left), max(0, bottom - top))

    @property
    def corners(self) -> Array:
        """Its corners (4, 2) as x, y, clockwise from the upper left."""
        right, bottom = self.left + self.width - 1, self.top + self.height - 1
        return np.array([[self.left, self.top], [right, self.top], [right, bottom], [self.left, bottom]])

    def slices(self) -> tuple[slice, slice]:
        """Rows and columns of the box."""
        return slice(self.top, self.top + self.height), slice(self.left, self.left + self.width)


@dataclass(frozen=True, eq=False)
class Corrected:
    """A picture with its light taken out.

    ``linear`` (h, w, 3) is linear sRGB as under a white light; ``reference``
    is the white card's box or None; ``field`` (5, 3) the log strength of the
    light over the picture (see ``_terms``); ``doubt`` how unsure its colours
    are: of a grey, and more for each unit of C*, both as σ in ΔE00.
    """

    linear: Array
    reference: PictureBox | None
    field: Array
    doubt: tuple[float, float]
    cast: float = 0.0  # how much redder than blue its light made the white card, in logarithms
    beside: tuple[PictureBox, ...] = ()  # what else lies in it and is no part of the sheet

    @cached_property
    def even(self) -> Array:
        """Every pixel (h, w, 3), linear, as under an even light."""
        return self.linear / np.exp(self._light(*np.indices(self.linear.shape[:2])))

    @cached_property
    def lab(self) -> Array:
        """Every pixel as CIELAB (h, w, 3)."""
        return linear_to_lab(self.even)

    def sigma(self, lab: Array) -> Array:
        """How unsure (…,) colours (…, 3) of it are, one σ in ΔE00; the strong ones more."""
        grey, more = self.doubt
        return np.asarray(np.hypot(grey, more * np.hypot(lab[..., 1], lab[..., 2])))

    @property
    def uneven(self) -> float:
        """How many times brighter the light's brightest corner is than its darkest."""
        height, width = self.linear.shape[:2]
        corners = self._light(np.array([0, 0, height, height]), np.array([0, width, 0, width])).mean(axis=-1)
        return float(np.exp(np.ptp(corners)))

    def around(self, places: _Whole) -> Array:
        """CIELAB (n, 9, 3) of pixels, by their flat places (n,), each with its eight neighbours."""
        return linear_to_lab(
            _around(self.linear, places) / np.exp(self._light(*_rows_columns(self.linear, places)))[:, None]
        )

    def _light(self, rows: _Places, columns: _Places) -> Array:
        light = _terms(self.linear.shape, rows, columns) @ self.field
        if self.reference is not None:
            box = self.reference
            middle = np.array([box.top + box.height / 2]), np.array([box.left + box.width / 2])
            light = light - _terms(self.linear.shape, *middle) @ self.field
        return np.clip(light, -figures.paper.SHADING_LIMIT, figures.paper.SHADING_LIMIT)


def _terms(shape: tuple[int, ...], rows: _Places, columns: _Places) -> Array:
    """The quadratic terms (…, 5) at some places of a picture, measured from its middle."""
    u, v = columns / shape[1] - 0.5, rows / shape[0] - 0.5
    return np.stack([u, v, u * u, u * v, v * v], axis=-1)


def _rows_columns(linear: Array, places: _Whole) -> tuple[_Whole, _Whole]:
    return np.divmod(np.asarray(places), linear.shape[1])


def _around(linear: Array, places: _Whole) -> Array:
    """Linear sRGB (n, 9, 3) of pixels and their neighbours; beyond the rim the rim itself."""
    rows, columns = _rows_columns(linear, places)
    steps = np.indices((3, 3)).reshape(2, 9) - 1
    near_rows = np.clip(rows[:, None] + steps[0], 0, linear.shape[0] - 1)
    near_columns = np.clip(columns[:, None] + steps[1], 0, linear.shape[1] - 1)
    near: Array = linear[near_rows, near_columns]
    return near


def find_white(linear: Array) -> PictureBox | None:
    """Where a piece of white card probably lies: a smooth, filled patch lightest in every channel; or None.

    Ours: whatever the lamp's colour, nothing reflects more of it than white
    card does. Each patch is judged by its weakest channel, as a share of the
    strongest that any patch has in it.
    """
    linear = linear[::_COARSE, ::_COARSE]
    light = linear.mean(axis=-1)
    mean = ndimage.uniform_filter(light, 7)
    rough = np.sqrt(np.maximum(ndimage.uniform_filter(light**2, 7) - mean**2, 0))
    labels, _ = ndimage.label(rough < figures.paper.WHITE_ROUGH * np.maximum(mean, _LEAST))
    patches, colours = [], []
    for number, (rows, columns) in enumerate(ndimage.find_objects(labels), start=1):
        there = labels[rows, columns] == number
        area = int(there.sum())
        if area >= figures.paper.WHITE_SHARE * light.size:
            patches.append((rows, columns, area / there.size))
            colours.append(np.median(linear[rows, columns][there], axis=0))
    if not patches:
        return None
    strongest = np.max(colours, axis=0)
    scores = [
        float((colour / np.maximum(strongest, _LEAST)).min()) * (filled > figures.paper.WHITE_FILLED)
        for colour, (*_, filled) in zip(colours, patches, strict=True)
    ]
    best = int(np.argmax(scores))
    if scores[best] < figures.paper.WHITE_LIGHT:
        return None
    rows, columns, _ = patches[best]
    height, width = rows.stop - rows.start, columns.stop - columns.start
    inset = max(1, min(height, width) // 8)
    found = (columns.start + inset, rows.start + inset, width - 2 * inset, height - 2 * inset)
    box = PictureBox(*(_COARSE * side for side in found))
    return box if min(box.width, box.height) >= figures.paper.REFERENCE_LEAST else None


def is_cut_off(clipped: np.ndarray, reference: PictureBox | None) -> bool:
    """Whether much of a picture (h, w), its white card apart, is at the end of the scale and so lies."""
    there = np.asarray(clipped, dtype=bool).copy()
    if reference is not None:
        there[reference.slices()] = False
    return bool(there.mean() > figures.paper.CUT_OFF)


def correct(
    linear: Array,
    clipped: np.ndarray,
    reference: PictureBox | None,
    reference_lab: tuple[float, ...] = figures.laying.PAPER_WHITE_LAB,
    grey: tuple[PictureBox, tuple[float, ...]] | None = None,
) -> Corrected:
    """The picture as CIELAB, its cast and unevenness taken out by a reference card of known colour.

    A ``grey`` card (its box and its colour) besides takes out the tone that
    the camera gave the picture: an exponent a channel between the two cards.

    Without a reference the light is taken for white and even, and the colours
    are only as good as it was. Raises BadInput where the reference lies
    outside, is too small, overexposed, or no card of that lightness.
    """
    if reference is None:
        return Corrected(linear, None, np.zeros((5, 3)), figures.paper.BARE_DOUBT)
    rows, columns = reference.slices()
    patch = linear[rows, columns]
    if patch.shape[0] < figures.paper.REFERENCE_LEAST or patch.shape[1] < figures.paper.REFERENCE_LEAST:
        raise _bad("is too small or lies outside the picture")
    if clipped[rows, columns].mean() > figures.paper.REFERENCE_CLIPPED:
        raise _bad("is overexposed: its white is cut off, so it says nothing of the light")
    seen = np.median(patch.reshape(-1, 3), axis=0)
    if seen.min() < figures.paper.REFERENCE_DARK:
        raise _bad("is nearly black there; mark the white card")
    gains = np.maximum(lab_to_linear(np.array(reference_lab)), _LEAST) / seen
    even = linear * gains.astype(linear.dtype)
    cast = float(np.log(gains[2] / gains[0]))
    corrected = Corrected(even, reference, _field(even), figures.paper.UNSAID_DOUBT, cast)
    return corrected if grey is None else _toned(corrected, np.array(reference_lab), *grey)


def _toned(picture: Corrected, white_lab: Array, box: PictureBox, grey_lab: tuple[float, ...]) -> Corrected:
    """The picture with the tone taken out that shows between a white and a grey card."""
    rows, columns = box.slices()
    patch = picture.linear[rows, columns]
    if patch.shape[0] < figures.paper.REFERENCE_LEAST or patch.shape[1] < figures.paper.REFERENCE_LEAST:
        raise _bad("is too small or lies outside the picture", "grey")
    middle = np.array([box.top + box.height / 2]), np.array([box.left + box.width / 2])
    seen = np.median(patch.reshape(-1, 3), axis=0) / np.exp(picture._light(*middle)[0])
    white = lab_to_linear(white_lab)
    with np.errstate(divide="ignore", invalid="ignore"):
        tone = np.log(lab_to_linear(np.array(grey_lab)) / white) / np.log(seen / white)
    least, most = figures.paper.GREY_TONE
    if not ((tone >= least) & (tone <= most)).all():
        raise _bad("does not look like grey card beside the white one", "grey")
    linear = white * np.maximum(picture.linear / white, 0) ** tone
    return replace(picture, linear=linear.astype(picture.linear.dtype), field=picture.field * tone)


def _field(even: Array) -> Array:
    """The log strength of the light (5, 3) by the terms of ``_terms``: one quadratic field a channel.

    Within a cluster of one colour every difference of log strength is light,
    so all clusters share the field that explains them best. Clusters that lie
    close are one colour in unlike light; they get cleaner with every round.
    """
    random = np.random.default_rng(0)
    places = random.integers(0, even.shape[0] * even.shape[1], figures.paper.SHADING_SAMPLE)
    near = _around(even, places)
    seen = near.mean(axis=1)
    plain = ~mixed(linear_to_lab(near)) & (seen.min(axis=1) > figures.paper.REFERENCE_DARK)
    field: Array = np.zeros((5, 3))
    if plain.sum() < figures.paper.PLAIN_LEAST:
        return field
    features = _terms(even.shape, *_rows_columns(even, places[plain]))
    strength = np.log(seen[plain])
    for _ in range(figures.paper.SHADING_ROUNDS):
        flat = linear_to_lab(np.exp(strength - features @ field))
        before, field = field, _within(features, strength, _joined(*groups(flat, figures.paper.CLUSTERS)))
        if np.abs(field - before).max() < figures.paper.SHADING_STILL:
            break
    return field


def _joined(centres: Array, labels: np.ndarray) -> np.ndarray:
    """The labels with clusters as one that lie nearer to one another than colours of a sheet do."""
    # By their middles: tones that lie close to one another one by one are no one colour.
    joined = fcluster(linkage(centres, "centroid"), figures.paper.SHADING_JOINED, "distance")
    return np.asarray(joined[labels])


def _within(features: Array, strength: Array, labels: np.ndarray) -> Array:
    """Least squares of strength on features, both taken from their cluster's mean; outliers weigh less."""
    centred = [features.copy(), strength.copy()]
    for number in np.unique(labels):
        there = labels == number
        for part in centred:
            part[there] -= np.median(part[there], axis=0)
    x, y = centred
    weights = 1.0 / (1.0 + (np.abs(y).max(axis=1) / 0.1) ** 2)
    root = np.sqrt(weights)[:, None]
    # A little ridge: a sheet of few colours must not pull the field about.
    system = (x * root).T @ (x * root) + 1e-6 * len(x) * np.eye(5)
    return np.linalg.solve(system, (x * root).T @ (y * root))


def mixed(near: Array) -> np.ndarray:
    """Whether pixels with their neighbours (n, 9, 3) in CIELAB mix colours: not all of one colour (n,)."""
    return np.asarray(np.ptp(near, axis=1).max(axis=1) > figures.paper.EDGE_SPREAD)


def _bad(trouble: str, card: str = "white") -> BadInput:
    field = "reference" if card == "white" else card
    return BadInput(Problem(f"The {card} card {trouble}.", field=field))
