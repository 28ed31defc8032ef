"""What is cut for several cards out of which sheets, where they share what is left on one another's?"""

from collections.abc import Hashable, Sequence
from dataclasses import dataclass, replace
from functools import cached_property

from jindle_core import figures
from jindle_core.cutting.grain import Grain
from jindle_core.cutting.packing import ToCut, area_bound, pack
from jindle_core.cutting.sheet import Cut
from jindle_core.errors import BadInput, Problem
from jindle_core.lengths import Size
from jindle_core.material import End
from jindle_core.planning.cutting import Cutting, PieceCut, SheetCut, cut_up
from jindle_core.sets.members import Member, stuff

_KEYS = 1 << 20  # more than the keys of the pieces of any card


@dataclass(frozen=True, eq=False)
class SheetOfSet:
    """A sheet, which card's material it is, and by each of its cuts which card it is for, by their places."""

    sheet: SheetCut
    of: int
    cards: tuple[int, ...]


class SetCutting:
    """What is cut for a set of cards. Patterned paper comes in sheets of its own size, all else in ``sheet``.

    ``apart`` are how many sheets the cards would take each by itself.
    """

    def __init__(
        self, members: Sequence[Member], sheet: Size, grain: Grain = Grain.UNKNOWN, from_middles: bool = False
    ) -> None:
        self._sheet = sheet
        self.members = tuple(members)
        self.cuttings = tuple(
            Cutting(one.checked.seen.stack, sheet, one.count, grain, from_middles) for one in members
        )
        pieces = sum(len(found) for one in self.cuttings for found in one.from_sheets.values())
        if pieces > figures.sets.MOST_CUT:
            words = f"{pieces:,} pieces are too many for one plan: {figures.sets.MOST_CUT:,} are the most."
            raise BadInput(Problem(words, field="count", expected="fewer of each, or part of the set"))

    @cached_property
    def _by_stuff(self) -> dict[Hashable, tuple[int, End, Size, list[ToCut]]]:
        """By what is shared: which card it is first of, what it is there, its sheet, and all pieces of it."""
        found: dict[Hashable, tuple[int, End, Size, list[ToCut]]] = {}
        for at, (member, cutting) in enumerate(zip(self.members, self.cuttings, strict=True)):
            for end, pieces in cutting.from_sheets.items():
                size = cutting.sheet_of(end)
                of = (stuff(member.palette, end), size)
                found.setdefault(of, (at, end, size, []))[3].extend(
                    replace(piece, key=at * _KEYS + piece.key) for piece in pieces
                )
        return found

    @cached_property
    def sheets(self) -> list[SheetOfSet]:
        """The sheets, those of a material together."""
        work = figures.cutting.PACKING_WORK // max(len(self._by_stuff), 1)
        found = []
        for at, end, size, pieces in self._by_stuff.values():
            for sheet in pack(pieces, size, work):
                cut = cut_up(end, sheet, self._sheet.width.unit, self._piece_cut)
                cards = tuple(one.key // _KEYS for one in sheet.cuts)
                found.append(SheetOfSet(cut, at, cards))
        return found

    def _piece_cut(self, cut: Cut) -> PieceCut:
        at, key = divmod(cut.key, _KEYS)
        return self.cuttings[at].piece_cut(replace(cut, key=key))

    @property
    def bound(self) -> int:
        """So many sheets at least the area of the pieces needs."""
        return sum(area_bound(pieces, size) for _, _, size, pieces in self._by_stuff.values())

    @cached_property
    def apart(self) -> int:
        """So many sheets the cards would take each by itself."""
        return sum(len(one.sheets) for one in self.cuttings)
