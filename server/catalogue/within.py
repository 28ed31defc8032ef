"""Which colours of a range have what somebody looks for, and which page of them is shown?"""

from typing import NamedTuple

import numpy as np

from jindle_core.supplies.whole import Supplies

PAGE = 400  # colours at a time: more than a range of markers has
TYPED_PAGE = 60  # rows of fields at a time
DOTS = 1200  # on a chart: more lie on one another


class Page(NamedTuple):
    """The places on a page, how many come before them, how many were found, and whether more come after."""

    places: np.ndarray
    before: int
    found: int
    more: bool


def within(supplies: Supplies, range_id: int, words: str = "", only_owned: bool = False) -> np.ndarray:
    """The places of a range's colours that have every word in their code, name, hue or set."""
    places = np.flatnonzero(supplies.range_ids == range_id)
    if only_owned:
        places = places[supplies.owned[places]]
    wanted = words.lower().split()
    if not wanted:
        return places
    return np.array([place for place in places if _has(supplies, int(place), wanted)], dtype=int)


def page_of(places: np.ndarray, number: int, size: int = PAGE) -> Page:
    """A page of them, the first of which is 1; one past the end is empty."""
    start = size * (number - 1)
    return Page(
        places[start : start + size], min(start, len(places)), len(places), start + size < len(places)
    )


def spread(places: np.ndarray, most: int) -> np.ndarray:
    """So many of them at most, from everywhere among them."""
    if len(places) <= most:
        return places
    found: np.ndarray = places[np.linspace(0, len(places) - 1, most).astype(int)]
    return found


def _has(supplies: Supplies, place: int, wanted: list[str]) -> bool:
    row = supplies.rows[place]
    text = f"{row.code} {row.name} {row.family}".lower()
    missing = [word for word in wanted if word not in text]
    return not missing or all(word in supplies.hue_name(place).lower() for word in missing)
