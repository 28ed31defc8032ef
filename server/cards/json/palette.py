"""A card's palette, its table and what lies on what, as they are told."""

from dataclasses import asdict
from typing import Any

from jindle_core.seen.palette import EndSeen, PairSeen
from jindle_core.seen.table import Cell, Row
from server.catalogue.swatches import PROVENANCE_WORDS, match_told, swatch_told

Told = dict[str, Any]


def row_told(row: Row) -> Told:
    """A palette colour as ``ColourSerializer`` describes it."""
    return {
        "key": row.colour.key,
        "name": row.colour.name,
        "role": row.colour.role.value,
        "lab": [round(value, 2) for value in row.lab],
        "shades": row.shades,
        "hue_name": row.hue_name,
        "on_screen": row.on_screen,
        "wide": row.wide,
        "provenance_words": PROVENANCE_WORDS[row.provenance],
        "uncertainty": row.uncertainty,
        "anchor": row.anchor and swatch_told(row.anchor),
        "lost": row.lost,
        "cells": [_cell(cell) for cell in row.cells],
    }


def _cell(cell: Cell) -> Told:
    return {
        "column": cell.column,
        "state": cell.state,
        "hole": cell.hole,
        "match": cell.match and match_told(cell.match),
    }


def pair_told(seen: PairSeen) -> Told:
    """What lies on what, as ``PairSerializer`` describes it."""
    return {
        "key": seen.pair.key,
        "kind": seen.pair.kind.value,
        "upper": end_seen_told(seen.upper),
        "lower": end_seen_told(seen.lower),
        "outlined": seen.pair.outlined,
        "check": seen.check,
    }


def end_seen_told(seen: EndSeen) -> Told:
    """What something is of, as ``EndViewSerializer`` describes it."""
    return asdict(seen.end) | {"words": seen.words, "shades": seen.shades}
