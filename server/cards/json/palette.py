"""A card's palette, its table and what lies on what, as they are told."""

from typing import Any

from jindle_core.seen.palette import EndSeen, PairSeen
from jindle_core.seen.table import Cell, Row
from server.catalogue.swatches import match_told, swatch_told
from server.told.card import Cell as CellTold
from server.told.card import MaterialView, Pair, PaletteColour
from server.told.choices import PROVENANCE_WORDS

Told = dict[str, Any]


def row_told(row: Row) -> PaletteColour:
    """A palette colour."""
    return PaletteColour(
        key=row.colour.key,
        name=row.colour.name,
        role=row.colour.role,
        lab=[round(value, 2) for value in row.lab],
        shades=row.shades,
        hue_name=row.hue_name,
        on_screen=row.on_screen,
        wide=row.wide,
        provenance_words=PROVENANCE_WORDS[row.provenance],
        uncertainty=row.uncertainty,
        anchor=None if row.anchor is None else swatch_told(row.anchor),
        lost=row.lost,
        cells=[_cell(cell) for cell in row.cells],
    )


def _cell(cell: Cell) -> CellTold:
    return CellTold(
        column=cell.column,
        state=cell.state,
        hole=cell.hole,
        match=None if cell.match is None else match_told(cell.match),
    )


def pair_told(seen: PairSeen) -> Pair:
    """What lies on what."""
    return Pair(
        key=seen.pair.key,
        kind=seen.pair.kind,
        upper=end_seen_told(seen.upper),
        lower=end_seen_told(seen.lower),
        outlined=seen.pair.outlined,
        check=seen.check,
    )


def end_seen_told(seen: EndSeen) -> MaterialView:
    """What something is of."""
    return MaterialView(source=seen.end.source, id=seen.end.id, words=seen.words, shades=seen.shades)
