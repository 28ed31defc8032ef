"""The palette table: which supply is nearest to each palette colour in each medium, or was chosen?"""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from jindle_core.colorimetry.difference import delta_e
from jindle_core.families.convert import assign
from jindle_core.matching.nearest import Nearest, query_each
from jindle_core.matching.verdicts import Verdict, combined, judge
from jindle_core.media import COLUMNS
from jindle_core.seen.palette import SeenPalette


@dataclass(frozen=True, slots=True)
class Cell:
    """One cell: "locked", "chosen" or "nearest", and the supply's place and ΔE00; none where there is none.

    ``hole`` says that nothing is near enough to stand for the colour.
    """

    column: str
    state: str
    place: int | None
    distance: float
    hole: bool


def table(palette: SeenPalette, only_owned: bool) -> list[list[Cell]]:
    """For each palette colour its cells: one search for all columns and colours together."""
    supplies, colours = palette.supplies, palette.card.colours
    indexes = [supplies.indexes[column.key, only_owned] for column in COLUMNS]
    found = query_each([index for index, _ in indexes], palette.lab) if colours else []
    rows: list[list[Cell]] = [[] for _ in colours]
    for column, (_, places), nearest in zip(COLUMNS, indexes, found, strict=False):
        for at, row in enumerate(rows):
            row.append(_cell(palette, at, column.key, places, nearest[at]))
    return rows


def _cell(palette: SeenPalette, at: int, column: str, places: np.ndarray, nearest: Nearest) -> Cell:
    supplies = palette.supplies
    choice = palette.card.choice(palette.card.colours[at].key, column)
    chosen = supplies.places.get(choice.colour) if choice else None
    if choice is not None and chosen is not None and not supplies.lost[chosen]:
        distance = float(delta_e(palette.lab[at], supplies.lab[chosen]))
        return Cell(column, "locked" if choice.locked else "chosen", chosen, distance, False)
    if not len(nearest.indices):
        return Cell(column, "nearest", None, 0.0, True)
    place, distance = int(places[nearest.indices[0]]), float(nearest.distances[0])
    uncertainty = combined(palette.sigma[at], float(supplies.sigma[place]))
    return Cell(column, "nearest", place, distance, judge(distance, uncertainty).verdict is Verdict.FAR)


@dataclass(frozen=True, slots=True)
class Moved:
    """Where a cell would go: the palette colour's place in the palette, the column, the supply, ΔE00."""

    at: int
    column: str
    place: int
    distance: float


def moved(palette: SeenPalette, range_ids: Sequence[int], owned: bool) -> tuple[list[Moved], list[str]]:
    """Where each cell of the table would go if only some ranges were there, and columns that none serves.

    In each column the palette's colours are given to the ranges' colours as a
    set: none is used twice while there are enough. Locked cells stay.
    """
    supplies, colours = palette.supplies, palette.card.colours
    cells, unserved = [], []
    for column in COLUMNS:
        places = supplies.columns[column.key]
        kept = supplies.usable if owned else supplies.to_be_had
        places = places[np.isin(supplies.range_ids[places], list(range_ids)) & kept[places]]
        choices = {colour.key: palette.card.choice(colour.key, column.key) for colour in colours}
        locked = {key: one.colour for key, one in choices.items() if one and one.locked}
        free = [at for at, colour in enumerate(colours) if colour.key not in locked]
        taken = {supplies.places[pk] for pk in locked.values() if pk in supplies.places}
        places = np.array([place for place in places if place not in taken], dtype=np.intp)
        if not len(places):
            unserved.append(column.title)
        elif free:
            for at, picked in zip(free, assign(palette.lab[free], supplies.lab[places]), strict=True):
                place = int(places[picked])
                distance = float(delta_e(palette.lab[at], supplies.lab[place]))
                cells.append(Moved(at, column.key, place, distance))
    return cells, unserved
