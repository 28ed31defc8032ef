"""Of which threads is a skeleton made, and where do they end and meet?"""

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray
from scipy import ndimage
from skimage.morphology import skeletonize

from jindle_core import figures

Mask = NDArray[np.bool_]
Points = NDArray[np.float64]
Pixel = tuple[int, int]
_ROUND = np.ones((3, 3), int)
_STEPS = ((1, 0), (-1, 0), (0, 1), (0, -1), (1, 1), (1, -1), (-1, 1), (-1, -1))


@dataclass(frozen=True, eq=False)
class Thread:
    """A line from one meeting place or end to another.

    ``points`` (k, 2) are x, y in pixels; ``ends`` the number of the meeting place
    at its start and at its end, below 0 where it ends freely; a ``loop`` has neither.
    """

    points: Points
    ends: tuple[int, int]
    loop: bool = False

    @property
    def length(self) -> float:
        """How long it is."""
        return float(np.linalg.norm(np.diff(self.points, axis=0), axis=1).sum())

    def beyond(self, place: Points, least: float) -> Points:
        """Those of its points that are further than so much along it from an end of it."""
        steps = np.linalg.norm(np.diff(self.points, axis=0), axis=1)
        from_start = np.array_equal(self.points[0], place)
        along = np.r_[0.0, np.cumsum(steps if from_start else steps[::-1])]
        kept: Points = (self.points if from_start else self.points[::-1])[along > least]
        return kept


def threads(skeleton: Mask) -> list[Thread]:
    """The threads of a skeleton (h, w) that is one pixel wide."""
    meeting, places, count = _meeting(skeleton)
    rest = skeleton & (meeting == 0)
    labels, _ = ndimage.label(rest, _ROUND)
    lonely = rest & (beside(rest) <= 1)
    found = []
    for number, part in enumerate(ndimage.find_objects(labels), start=1):
        here = labels[part] == number
        rows, columns = np.nonzero(here)
        pixels = zip((columns + part[1].start).tolist(), (rows + part[0].start).tolist(), strict=True)
        ends = np.argwhere(here & lonely[part])[:1, ::-1] + [part[1].start, part[0].start]
        found.append(_ordered(set(pixels), [(int(x), int(y)) for x, y in ends], meeting, places))
    return _through(found, count)


def beside(skeleton: Mask) -> NDArray[np.uint8]:
    """How many of the eight pixels around each of a skeleton's (h, w) are its own; of others one less."""
    padded = np.pad(skeleton, 1).astype(np.uint8)
    across = padded[:, :-2] + padded[:, 1:-1] + padded[:, 2:]
    found: NDArray[np.uint8] = across[:-2] + across[1:-1] + across[2:] - 1
    return found


def pruned(skeleton: Mask, shorter: float) -> tuple[Mask, list[Thread]]:
    """A skeleton without branches that end freely and are shorter than so many pixels, and its threads."""
    found = threads(skeleton)
    for _ in range(figures.scans.PRUNINGS):
        spurs = [
            one
            for one in found
            if not one.loop and (one.ends[0] < 0) != (one.ends[1] < 0) and one.length < shorter
        ]
        if not spurs:
            break
        kept = skeleton.copy()
        for one in spurs:
            inner = one.points[1:] if one.ends[0] >= 0 else one.points[:-1]
            columns, rows = np.rint(inner).astype(int).T
            kept[rows, columns] = False
        skeleton = skeletonize(kept)
        found = threads(skeleton)
    return skeleton, found


def _meeting(skeleton: Mask) -> tuple[NDArray[np.intp], Points, int]:
    """Where threads meet: a picture of their numbers from 1 (0: nowhere), their middles, and how many."""
    labels, count = ndimage.label(skeleton & (beside(skeleton) >= 3), _ROUND)
    rows, columns = np.nonzero(labels)
    of = labels[rows, columns]
    many = np.bincount(of, minlength=count + 1)[1:, None]
    sums = [np.bincount(of, weights=side, minlength=count + 1)[1:] for side in (columns, rows)]
    return labels, np.stack(sums, axis=1) / many, count


def _ordered(left: set[Pixel], ends: list[Pixel], meeting: NDArray[np.intp], places: Points) -> Thread:
    """The pixels of a thread in the order in which one walks along it, from an end if it has one."""
    at = ends[0] if ends else min(left)
    walked = [at]
    left.discard(at)
    while True:
        # Straight on before across, or a pixel of a corner is left out.
        ahead = next((step for i, j in _STEPS if (step := (at[0] + i, at[1] + j)) in left), None)
        if ahead is None:
            break
        at = ahead
        walked.append(at)
        left.discard(at)
    points = np.array(walked, float)
    first, last = (_met(one, meeting) for one in (walked[0], walked[-1]))
    if len(walked) == 1 and first > 0:
        others = [one for one in _all_met(walked[0], meeting) if one != first]
        last = others[0] if others else 0
    loop = first == last == 0 and len(walked) > 3 and not ends
    if loop:
        points = np.vstack([points, points[:1]])
    if first:
        points = np.vstack([places[first - 1], points])
    if last:
        points = np.vstack([points, places[last - 1]])
    return Thread(points, (first - 1, last - 1), loop)


def _all_met(pixel: Pixel, meeting: NDArray[np.intp]) -> list[int]:
    x, y = pixel
    beside = meeting[max(y - 1, 0) : y + 2, max(x - 1, 0) : x + 2]
    return sorted({int(one) for one in beside.ravel() if one})


def _met(pixel: Pixel, meeting: NDArray[np.intp]) -> int:
    """The number of the meeting place beside a pixel; 0 for none."""
    found = _all_met(pixel, meeting)
    return found[0] if found else 0


def _through(found: list[Thread], count: int) -> list[Thread]:
    """With those joined that alone meet at a place: there is a corner, no crossing."""
    at: list[list[int]] = [[] for _ in range(count)]
    for number, one in enumerate(found):
        for end in one.ends:
            if end >= 0:
                at[end].append(number)
    kept: dict[int, Thread] = dict(enumerate(found))
    alias = list(range(len(found)))

    def now(number: int) -> int:
        while alias[number] != number:
            number = alias[number]
        return number

    for place, those in enumerate(at):
        if len(those) != 2:
            continue
        into, gone = (now(number) for number in those)
        if into == gone:
            if kept[into].ends == (place, place):
                kept[into] = Thread(kept[into].points, (-1, -1), loop=True)
            continue
        a, b = kept[into], kept.pop(gone)
        first = a.points if a.ends[1] == place else a.points[::-1]
        start = a.ends[0] if a.ends[1] == place else a.ends[1]
        second = b.points if b.ends[0] == place else b.points[::-1]
        end = b.ends[1] if b.ends[0] == place else b.ends[0]
        kept[into] = Thread(np.vstack([first, second[1:]]), (start, end))
        alias[gone] = into
    return list(kept.values())
