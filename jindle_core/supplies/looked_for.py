"""Which supplies does somebody mean who remembers half of it: what it looks like, or that they own it?"""

from collections.abc import Sequence

import numpy as np
from numpy.typing import NDArray

from jindle_core import figures
from jindle_core.matching.described import Described, described, like, off, otherwise
from jindle_core.supplies.whole import Supplies


def own_first(supplies: Supplies, typed: str, places: Sequence[int]) -> list[int]:
    """Places that were found: first those whose code or name it is to the letter, then those owned."""
    whole = supplies.search.whole(typed)
    return sorted(places, key=lambda place: (place not in whole, not supplies.owned[place]))


def by_looks(supplies: Supplies, typed: str, kept: NDArray[np.bool_]) -> list[int]:
    """Places, of those that are kept (n,), of what looks as it is described, the nearest first and what is
    owned before what is as near; none where the words describe nothing."""
    asked = like(typed)
    base = None if asked is None else _base(supplies, asked[0], kept)
    meant = described(typed) if asked is None else _otherwise(supplies, *asked, base)
    if meant is None:
        return []
    places = np.flatnonzero(kept & supplies.to_be_had)
    places = places[places != (-1 if base is None else base)]
    apart = off(meant, supplies.lab[places])
    near = apart <= figures.colour.DESCRIBED_OFF
    places, apart = places[near], apart[near]
    # Own things first, as far as they are nearly as near.
    order = np.argsort(np.where(supplies.owned[places], apart / 2, apart), kind="stable")
    return [int(place) for place in places[order]]


def _base(supplies: Supplies, named: str, kept: NDArray[np.bool_]) -> int | None:
    """The place of what is named so: to the letter, else of all that have it in their name the middle one."""
    found = [place for place in supplies.search.find(named, len(supplies.rows)) if kept[place]]
    whole = supplies.search.whole(named)
    exact = [place for place in found if place in whole]
    found = exact or sorted(found, key=lambda place: float(supplies.lab[place, 0]))
    return found[len(found) // 2] if found else None


def _otherwise(supplies: Supplies, named: str, moves: tuple[str, ...], base: int | None) -> Described | None:
    if base is not None:
        return otherwise(supplies.lab[base], moves)
    words = described(named)
    return None if words is None else otherwise(np.array(words.lab), moves)
