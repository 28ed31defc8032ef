"""The palette table: which supply is nearest to each palette colour in each medium, or was chosen?"""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from jindle_core import figures
from jindle_core.card.whole import PaletteColour
from jindle_core.colorimetry.difference import delta_e
from jindle_core.colorimetry.naming import hue_family
from jindle_core.colorimetry.spaces import Lab, as_lab
from jindle_core.colorimetry.views import Shades
from jindle_core.colorimetry.wide import wide_shade
from jindle_core.families.convert import assign
from jindle_core.matching.nearest import Nearest, query_each
from jindle_core.matching.verdicts import Verdict
from jindle_core.material import End
from jindle_core.provenance import Provenance
from jindle_core.seen.palette import SeenPalette, value_on_screen
from jindle_core.supplies.matched import Match, Swatch, swatch_of


@dataclass(frozen=True, slots=True)
class Cell:
    """One cell: "locked", "chosen" or "nearest", and the supply; None where there is none.

    ``hole`` says that nothing is near enough to stand for the colour.
    """

    column: str
    state: str
    match: Match | None
    hole: bool


@dataclass(frozen=True, slots=True)
class Row:
    """A palette colour as it is now, and its cells.

    ``anchor`` is the supply that it is tied to, None for a plain value;
    ``lost`` says that what it was tied to has left the supplies.
    """

    colour: PaletteColour
    lab: Lab
    uncertainty: float
    shades: Shades
    hue_name: str
    provenance: Provenance
    on_screen: bool
    wide: str | None
    anchor: Swatch | None
    lost: bool
    cells: tuple[Cell, ...]


def table(palette: SeenPalette, only_owned: bool) -> list[Row]:
    """A row for each palette colour: one search for all columns and colours together."""
    supplies, colours, columns = palette.supplies, palette.card.colours, palette.card.columns
    indexes = [supplies.searched.tree(column.key, only_owned) for column in columns]
    found = query_each([index for index, _ in indexes], palette.lab) if colours else []
    cells: list[list[Cell]] = [[] for _ in colours]
    for column, (_, places), nearest in zip(columns, indexes, found, strict=False):
        for at, row in enumerate(cells):
            row.append(_cell(palette, at, column.key, places, nearest[at]))
    return [_row(palette, at, tuple(row)) for at, row in enumerate(cells)]


def _row(palette: SeenPalette, at: int, cells: tuple[Cell, ...]) -> Row:
    colour, supplies = palette.card.colours[at], palette.supplies
    place, lab = palette.place(colour), as_lab(palette.lab[at])
    anchor = None if place is None else swatch_of(supplies, place)
    return Row(
        colour,
        lab,
        palette.sigma[at],
        palette.end_shades(End("palette", colour.key)),
        hue_family(lab),
        anchor.provenance if anchor else colour.anchor.provenance,
        anchor.on_screen if anchor else value_on_screen(colour.anchor.lab),
        anchor.wide if anchor else wide_shade(lab),
        anchor,
        colour.anchor.colour is not None and (anchor is None or anchor.lost),
        cells,
    )


def _cell(palette: SeenPalette, at: int, column: str, places: np.ndarray, nearest: Nearest) -> Cell:
    supplies = palette.supplies
    choice = palette.card.choice(palette.card.colours[at].key, column)
    chosen = supplies.places.get(choice.colour) if choice else None
    if choice is not None and chosen is not None and not supplies.lost[chosen]:
        distance = float(delta_e(palette.lab[at], supplies.lab[chosen]))
        state = "locked" if choice.locked else "chosen"
        return Cell(column, state, palette.match(at, chosen, distance), hole=False)
    if not len(nearest.indices):
        return Cell(column, "nearest", None, hole=True)
    found = palette.match(at, int(places[nearest.indices[0]]), float(nearest.distances[0]))
    return Cell(column, "nearest", found, found.near.verdict is Verdict.FAR)


@dataclass(frozen=True, slots=True)
class Taken:
    """What a cell could be: the key of the palette colour, the column, the supply."""

    key: int
    column: str
    match: Match


def moved(palette: SeenPalette, range_ids: Sequence[int], owned: bool) -> tuple[list[Taken], list[str]]:
    """Where each cell of the table would go if only some ranges were there, and columns that none serves.

    In each column the palette's colours are given to the ranges' colours as a
    set: none is used twice while there are enough. Locked cells stay.
    """
    supplies, colours = palette.supplies, palette.card.colours
    cells, unserved = [], []
    for column in palette.card.columns:
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
                cells.append(Taken(colours[at].key, column.key, palette.match(at, place, distance)))
    return cells, unserved


def alternatives(
    palette: SeenPalette, key: int, column: str, range_id: int | None, owned: bool, made: bool
) -> tuple[list[Match], list[int]]:
    """The nearest supplies in a column for a palette colour, and the ids of all ranges that serve it.

    Of one range, of the drawer, of what is still made (or owned), as is asked;
    BadInput where there is no such colour.
    """
    supplies = palette.supplies
    at = palette.card.colours.index(palette.card.colour(key))
    places = supplies.columns[column]
    ranges = sorted({int(one) for one in supplies.range_ids[places]})
    if range_id is not None:
        places = places[supplies.range_ids[places] == range_id]
    if owned:
        places = places[supplies.usable[places]]
    if made:
        places = places[supplies.to_be_had[places]]
    found = supplies.nearest(palette.lab[at][None], figures.palettes.ALTERNATIVES, places)[0]
    nearest = zip(found.indices, found.distances, strict=True)
    return [palette.match(at, int(place), float(distance)) for place, distance in nearest], ranges
