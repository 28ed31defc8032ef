"""How many sheets do made sets of cards take, against what their area alone would need?"""

import json
import random
import statistics
from itertools import cycle

import numpy as np

from bench.crossings import crossing_rows
from bench.visitor import CALLS, Row, Visitor, timed
from jindle_core.card.layouts import STARTS, start
from jindle_core.cutting.packing import ToCut, area_bound, pack
from jindle_core.cutting.trimming import trimmed
from jindle_core.layers.folding import Fold, flat
from jindle_core.layers.sizing import cut_size, laid_out
from jindle_core.lengths import USUAL_SIZES, Size, read_size

_SETS, _PIECES = 30, 40
_NUDGED = 20  # the key of a strip among the forty
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


def build_rows(visitor: Visitor, wanted: float = 8, wanted_mends: float = 15) -> list[Row]:
    """A row: a card of 40 pieces, each with its size, its fit, its height and what it stands against."""
    size = {"width": "5", "height": "7", "unit": "in"}
    pk = visitor.post("/api/cards", {"name": "Forty pieces", "size": size})["id"]
    card = {"version": 1}

    def change(**told: object) -> None:
        nonlocal card
        card = visitor.post(f"/api/cards/{pk}/changes", {"version": card["version"], "change": told})

    for place, (value, role) in enumerate((("#2b3a55", "dark"), ("#dfe7ea", "ground"), ("#c9603e", "lead"))):
        change(kind="add_colour", anchor={"value": value}, name=f"colour {place}", role=role)
    change(kind="start_layout", layout="three mats")
    for number in range(_PIECES - 7):
        side = {"width": f"{30 + number} mm", "height": "18 mm", "unit": "mm"}
        offset = {"right": f"{number % 9 * 5} mm", "below": f"{number % 13 * 6} mm"}
        material = {"source": "palette", "id": 1 + number % 3}
        told = {"piece_kind": "strip", "name": f"strip {number}", "on": 4, "material": material}
        change(kind="add_piece", **told, **side, **offset, across="left", down="top")
    found = json.loads(visitor.get(f"/api/cards/{pk}/build"))["pieces"]
    assert len(found) == _PIECES
    empty, asked, whole, mends, changed = [], [], [], [], []

    def change_and_stage() -> None:
        nonlocal card
        nudge = {"kind": "nudge_piece", "key": _NUDGED, "right": next(ways), "below": 0}
        told = {"version": card["version"], "stage": "build", "change": nudge}
        card = visitor.post(f"/api/cards/{pk}/changes", told)
        assert len(card["build"]["pieces"]) == _PIECES

    ways = cycle((1, -1))
    for _ in range(CALLS):
        empty.append(timed(lambda: visitor.get("/api/me")))
        changed.append(timed(change_and_stage))
        asked.append(timed(lambda: visitor.get(f"/api/cards/{pk}/build")))
        whole.append(timed(lambda: visitor.get(f"/api/cards/{pk}")))
        mends.append(timed(lambda: visitor.get(f"/api/cards/{pk}/mends")))
    ratio, with_table, mending, in_all = (
        statistics.median(times) / statistics.median(empty) for times in (asked, whole, mends, changed)
    )
    return [
        (
            f"All checks of a card of {_PIECES} pieces, against an empty authenticated call",
            f"≤ {wanted:g} ×",
            f"{ratio:.1f} ×",
            ratio <= wanted,
        ),
        (
            "A change to it, answered with the whole card and its stage",
            f"≤ {wanted:g} ×",
            f"{in_all:.1f} ×",
            in_all <= wanted,
        ),
        (
            "The same card whole, with its palette table and desk; what mends the worst of its checks",
            f"told; ≤ {wanted_mends:g} ×",
            f"{with_table:.1f} ×; {mending:.1f} ×",
            mending <= wanted_mends,
        ),
        *crossing_rows(pk),
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
