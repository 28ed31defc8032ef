"""How do pieces of one material lie on few sheets, so that a trimmer can cut them?"""

from collections.abc import Callable, Iterator, Sequence
from dataclasses import dataclass
from itertools import islice, product
from random import Random

import rectpack

from jindle_core import figures
from jindle_core.cutting.sheet import GRAINS, Cut, Sheet
from jindle_core.cutting.trimming import trimmed
from jindle_core.errors import BadInput, Problem
from jindle_core.lengths import Length, Size


@dataclass(frozen=True, slots=True)
class ToCut:
    """A piece to be cut: its key, its size, and whether it may be turned (grain or pattern say no)."""

    key: int
    name: str
    size: Size
    turns: bool = True


def grains(length: Length) -> int:
    """A length as a whole number of grains."""
    return length.ticks * GRAINS[length.unit]


def _check(pieces: Sequence[ToCut], sheet: Size) -> None:
    if len(pieces) > (most := figures.cutting.SHEET_PIECES):
        words = f"{len(pieces)} pieces are asked for; {most} can be laid out at once."
        raise BadInput(Problem(words, field="count", value=str(len(pieces))))
    for piece in pieces:
        if not holds(piece, sheet):
            raise BadInput(
                Problem(
                    f"No sheet is big enough for {piece.name}, {piece.size.text()}: one is {sheet.text()}.",
                    field="sheet",
                    value=sheet.text(),
                    expected=f"a sheet of {piece.size.text()} or larger",
                )
            )


def pack(pieces: Sequence[ToCut], sheet: Size, work: int = figures.cutting.PACKING_WORK) -> list[Sheet]:
    """The pieces on as few sheets as are found, each cut right across from edge to edge (guillotine cuts).

    Many ways of laying them are tried (``rectpack``: every guillotine bin and
    order that it has, pieces standing, lying and turned at random) until one
    needs no more sheets than the pieces' area does, or ``work`` pieces were laid;
    the fewest sheets win, then the way that leaves one of them emptiest. Raises BadInput for a piece that no
    sheet holds, and for more than ``figures.cutting.SHEET_PIECES``.
    """
    _check(pieces, sheet)
    wide, high = grains(sheet.width), grains(sheet.height)
    best: list[Sheet] = []
    least = area_bound(pieces, sheet)
    tries = max(work // max(len(pieces), 1), _FEWEST_TRIES)
    for algorithm, sort, lying in islice(_ways(len(pieces)), tries):
        found = _packed(pieces, wide, high, algorithm, sort, lying)
        if not all(map(trimmed, found)):
            continue  # bins that merge what is left over lay some so that no cut goes right across
        if found and (not best or _cost(found) < _cost(best)):
            best = found
        if best and len(best) <= least:
            break
    # One to a sheet can be cut however the others turn out.
    return best or [one for piece in pieces for one in _alone(piece, wide, high)]


def _alone(piece: ToCut, wide: int, high: int) -> list[Sheet]:
    return _packed([piece], wide, high, _ALGORITHMS[0], _SORTS[0], (True,))


_FEWEST_TRIES = 12
_ALGORITHMS = tuple(
    getattr(rectpack, f"Guillotine{fit}{split}")
    for fit in ("Baf", "Bssf", "Blsf")
    for split in ("Sas", "Las", "Slas", "Llas", "Maxas", "Minas")
)
_SORTS = (rectpack.SORT_AREA, rectpack.SORT_LSIDE, rectpack.SORT_SSIDE, rectpack.SORT_PERI)


_Sort = Callable[[list[tuple[int, int]]], list[tuple[int, int]]]


def _ways(count: int) -> Iterator[tuple[type, _Sort, tuple[bool, ...]]]:
    """Bins, orders, and which pieces lie along the sheet: all, none, then some at random, always the same."""
    for lying in (True, False):
        for algorithm, sort in product(_ALGORITHMS, _SORTS):
            yield algorithm, sort, (lying,) * count
    random = Random(count)
    while True:
        turns = tuple(random.random() < 0.5 for _ in range(count))
        yield random.choice(_ALGORITHMS), random.choice(_SORTS), turns


def holds(piece: ToCut, sheet: Size) -> bool:
    """Whether a sheet is big enough for a piece, turned if it may be."""
    wide, high = grains(sheet.width), grains(sheet.height)
    width, height = grains(piece.size.width), grains(piece.size.height)
    return (width <= wide and height <= high) or (piece.turns and height <= wide and width <= high)


def _cost(sheets: list[Sheet]) -> tuple[int, float]:
    return len(sheets), min(sheet.used for sheet in sheets) if sheets else 0.0


def _packed(
    pieces: Sequence[ToCut], wide: int, high: int, algorithm: type, sort: _Sort, lying: tuple[bool, ...]
) -> list[Sheet]:
    """One way of laying them; nothing where it leaves a piece out.

    The library turns all pieces or none, so which of those that may turn lie
    with their long side along the sheet's is said beforehand.
    """
    packer = rectpack.newPacker(
        mode=rectpack.PackingMode.Offline,
        bin_algo=rectpack.PackingBin.BFF,
        pack_algo=algorithm,
        sort_algo=sort,
        rotation=False,
    )
    turned = {}
    for at, piece in enumerate(pieces):
        width, height = grains(piece.size.width), grains(piece.size.height)
        fits = (width <= wide and height <= high, piece.turns and height <= wide and width <= high)
        wanted = (width > height) != ((wide > high) == lying[at])
        turned[at] = fits[1] and (wanted or not fits[0])
        packer.add_rect(*((height, width) if turned[at] else (width, height)), rid=at)
    packer.add_bin(wide, high, count=float("inf"))
    packer.pack()
    sheets = [
        Sheet(
            wide,
            high,
            tuple(
                Cut(pieces[one.rid].key, one.x, one.y, one.width, one.height, turned[one.rid]) for one in laid
            ),
        )
        for laid in packer
    ]
    return sheets if sum(len(sheet.cuts) for sheet in sheets) == len(pieces) else []


def area_bound(pieces: Sequence[ToCut], sheet: Size) -> int:
    """The least number of sheets that the pieces' area alone would need."""
    area = sum(grains(one.size.width) * grains(one.size.height) for one in pieces)
    whole = grains(sheet.width) * grains(sheet.height)
    return -(-area // whole)
