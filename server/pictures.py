"""How is a person's picture opened? By a process of its own: what is made to stop us stops only that."""

from functools import partial

import numpy as np

from jindle_core import figures
from jindle_core.interchange.picture import Picture, in_light
from jindle_core.interchange.small_picture import small_picture
from server.guarded import guarded

_SECONDS = 10  # of computing: the largest that is taken needs 3
_MEGABYTES = 1000  # what 80 megapixels with transparency take as a PNG is 710; a WebP of them is refused


def opened(content: bytes) -> Picture:
    """As ``small_picture``; BadInput too where it takes too long or too much memory."""
    return in_light(guarded(small_picture, content, _SECONDS, _MEGABYTES))


def opened_scan(content: bytes) -> np.ndarray:
    """The pixels (h, w, 3) of a scan, finer than those of other pictures; BadInput likewise."""
    fine = partial(small_picture, side=figures.scans.SIDE)
    return guarded(fine, content, _SECONDS, _MEGABYTES).pixels
