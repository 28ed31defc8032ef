"""How many sheets do made sets of cards take, against what their area alone would need?"""

import random

import numpy as np

from bench.visitor import Row
from jindle_core.cutting.packing import ToCut, area_bound, pack
from jindle_core.cutting.trimming import trimmed
from jindle_core.formats import USUAL_SIZES, Size, read_size
from jindle_core.layers.folding import Fold, flat
from jindle_core.layers.sizing import cut_size, laid_out
from jindle_core.layouts import STARTS, start

_SETS = 30
_INCH_SHEETS = (read_size("8 1/2", "11", "in"), read_size("12", "12", "in"))
_SHEETS = {"in": _INCH_SHEETS, "mm": (read_size("210", "297", "mm"),)}


def cutting_rows(wanted: float = 1.15) -> list[Row]:
    """A row of the bench's table: sets of 2 to 8 cards in a layout of ours, bases and all, on one stock."""
    chance = random.Random(8)
    ratios, cuttable = [], True
    for number in range(_SETS):
        card = chance.choice(USUAL_SIZES)
        one_card = _pieces(STARTS[number % len(STARTS)].key, card)
        sheet = chance.choice([one for one in _SHEETS[card.width.unit] if _holds(one, one_card[0].size)])
        pieces = [
            ToCut(at, piece.name, piece.size, piece.turns)
            for at, piece in enumerate(one_card * chance.randint(2, 8))
        ]
        sheets = pack(pieces, sheet)
        ratios.append(len(sheets) / area_bound(pieces, sheet))
        cuttable &= all(trimmed(one) is not None for one in sheets)
    mean = float(np.mean(ratios))
    return [
        (
            f"Sheets for {_SETS} made sets of cards against the area bound, mean (most); cut right across",
            f"≤ {wanted}",
            f"{mean:.2f} ({max(ratios):.2f}){'' if cuttable else ', not all'}",
            mean <= wanted and cuttable,
        )
    ]


def _holds(sheet: Size, base: Size) -> bool:
    sides = sorted((sheet.width.millimetres, sheet.height.millimetres))
    wanted = sorted((base.width.millimetres, base.height.millimetres))
    return wanted[0] <= sides[0] and wanted[1] <= sides[1]


def _pieces(key: str, card: Size) -> list[ToCut]:
    """What is cut for one card, its base first."""
    fold = Fold.SIDE if card.width.millimetres <= card.height.millimetres else Fold.TOP
    base = flat(card, fold).size
    pieces = start(key, card, ())
    boxes = laid_out(card, pieces)
    sizes = [cut_size(piece, boxes[piece.on], card.width.unit) for piece in pieces]
    named = zip(pieces, sizes, strict=True)
    return [ToCut(0, "base", base), *(ToCut(0, piece.name, size) for piece, size in named)]
