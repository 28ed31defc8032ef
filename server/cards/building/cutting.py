"""What is cut for some cards out of which sheets?"""

from collections import defaultdict
from dataclasses import dataclass
from functools import cached_property
from typing import Any

from jindle_core import figures
from jindle_core.cutting.grain import Grain, turned_for_grain
from jindle_core.cutting.middles import filled, middles
from jindle_core.cutting.packing import GRAINS, Cut, Sheet, ToCut, area_bound, holds, pack
from jindle_core.cutting.trimming import Part, Trim, trimmed
from jindle_core.layers.folding import Flat, flat
from jindle_core.layers.pieces import BASE, NOT_CUT, Kind
from jindle_core.lengths import Length, Size
from jindle_core.material import End
from jindle_core.seen.stack import Stack

_GRAIN = 1 / 320  # mm


@dataclass(frozen=True)
class Cutting:
    """What is cut for so many cards out of sheets of a size, each material by itself.

    ``from_middles`` cuts smaller pieces out of the hidden middles of mats.
    """

    stack: Stack
    sheet: Size
    count: int = 1
    grain: Grain = Grain.UNKNOWN
    from_middles: bool = False

    @cached_property
    def _base_turned(self) -> bool | None:
        """Whether the base is turned to be folded along the grain; None where it lies as it fits."""
        plan = self.stack.resolved.card
        return turned_for_grain(flat(plan.size, plan.fold), self.sheet, self.grain)

    @cached_property
    def _of_one(self) -> dict[End, list[ToCut]]:
        """By material what is cut for one card."""
        stack, found = self.stack, defaultdict(list)
        plan = stack.resolved.card
        laid = flat(plan.size, plan.fold).size
        size = laid.turned() if self._base_turned else laid
        found[plan.build.base].append(ToCut(BASE, "base", size, self._base_turned is None))
        for piece in plan.build.every:
            if piece.kind not in NOT_CUT:
                turns = piece.kind is not Kind.PAPER  # a pattern has its direction
                found[stack.stock(piece.key)].append(ToCut(piece.key, piece.name, stack.cut_to(piece), turns))
        return dict(found)

    @cached_property
    def _middles(self) -> dict[int, Size]:
        """By key of a mat the middle that can be cut out of it."""
        stack = self.stack
        found = [one for face in stack.build.faces for one in middles(stack.boxes, face, stack.unit)]
        return {one.key: one.size for one in found}

    @cached_property
    def _filled(self) -> dict[int, int]:
        """By key of a piece the mat out of whose middle it is cut."""
        found = {}
        for pieces in self._of_one.values() if self.from_middles else ():
            # A mat goes into no middle of its own, but a smaller mat may into a larger one's.
            mats = [piece.key for piece in pieces if piece.key in self._middles]
            taken = filled([self._middles[key] for key in mats], pieces)
            found |= {pieces[at].key: mats[hole] for at, hole in taken.items()}
        return found

    def told(self) -> dict[str, Any]:
        """All of it, as ``CuttingSerializer`` describes it."""
        cut = {
            end: kept * self.count
            for end, pieces in self._of_one.items()
            if (kept := [one for one in pieces if one.key not in self._filled and holds(one, self.sheet)])
        }
        work = figures.cutting.PACKING_WORK // max(len(cut), 1)
        found = [(end, one, pieces) for end, pieces in cut.items() for one in pack(pieces, self.sheet, work)]
        return {
            "sheets": [self._sheet(*one) for one in found],
            "pieces": [self._listed(end, piece) for end, pieces in self._of_one.items() for piece in pieces],
            "too_large": [
                {"name": piece.name, "size": self._sizes[piece.key].text()}
                for pieces in self._of_one.values()
                for piece in pieces
                if not holds(piece, self.sheet)
            ],
            "middles": [
                {"name": self.stack.name(key), "size": size.text()} for key, size in self._middles.items()
            ],
            "bound": sum(area_bound(pieces, self.sheet) for pieces in cut.values()),
        }

    @cached_property
    def _sizes(self) -> dict[int, Size]:
        """By key what each piece is cut to, as it stands."""
        stack = self.stack
        sizes = {piece.key: stack.cut_to(piece) for piece in stack.build.every}
        return sizes | {BASE: flat(stack.resolved.card.size, stack.resolved.card.fold).size}

    def _listed(self, end: End, piece: ToCut) -> dict[str, Any]:
        mat = self._filled.get(piece.key)
        return {
            "name": piece.name,
            "size": self._sizes[piece.key].text(),
            "count": self.count,
            "material": self.stack.resolved.end_words(end),
            "direction": self._direction(piece),
            "out_of": "" if mat is None else f"the middle of {self.stack.name(mat)}",
        }

    def _direction(self, piece: ToCut) -> str:
        if piece.key == BASE and self.grain is not Grain.UNKNOWN:
            return "folded across the grain" if self._base_turned is None else "folded along the grain"
        return "either way" if piece.turns else "pattern upright"

    def _sheet(self, end: End, sheet: Sheet, pieces: list[ToCut]) -> dict[str, Any]:
        names = {piece.key: piece.name for piece in pieces}
        parted = trimmed(sheet)
        return {
            "material": {
                "source": end.source,
                "id": end.id,
                "words": self.stack.resolved.end_words(end),
                "shades": self.stack.resolved.end_shades(end),
            },
            "width": sheet.width * _GRAIN,
            "height": sheet.height * _GRAIN,
            "cuts": [self._cut(cut, names) for cut in sheet.cuts],
            "trims": [_trim(one) for one in parted.trims] if parted else [],
            "left": [self._left(part) for part in parted.left if part.of_use] if parted else [],
            "used": round(sheet.used, 3),
        }

    def _cut(self, cut: Cut, names: dict[int, str]) -> dict[str, Any]:
        turned = cut.turned != bool(self._base_turned) if cut.key == BASE else cut.turned
        told = _box(cut) | {"key": cut.key, "name": names[cut.key], "turned": turned, "score": None}
        told["size"] = self._sizes[cut.key].text()
        hole = self._middles.get(cut.key) if cut.key in self._filled.values() else None
        told["hole"] = None if hole is None else _hole(cut, hole)
        if cut.key == BASE:
            plan = self.stack.resolved.card
            told["score"] = _score(cut, flat(plan.size, plan.fold), turned)
        return told

    def _left(self, part: Part) -> dict[str, Any]:
        unit = self.sheet.width.unit
        sides = (Length(side // GRAINS[unit], unit).text() for side in (part.width, part.height))
        return _box(part) | {"size": f"{' × '.join(sides)} {unit}"}


def _box(one: Cut | Part) -> dict[str, float]:
    return {side: round(getattr(one, side) * _GRAIN, 3) for side in ("x", "y", "width", "height")}


def _trim(one: Trim) -> dict[str, float]:
    """A cut right across a part, as a line in mm."""
    part, at = _box(one.part), one.at * _GRAIN
    if one.upright:
        return _line(at, part["y"], at, part["y"] + part["height"])
    return _line(part["x"], at, part["x"] + part["width"], at)


def _score(cut: Cut, base: Flat, turned: bool) -> dict[str, float]:
    """Where a base on a sheet is scored, as a line in mm."""
    box, off = _box(cut), float(base.score.millimetres)
    if base.upright != turned:
        return _line(box["x"] + off, box["y"], box["x"] + off, box["y"] + box["height"])
    return _line(box["x"], box["y"] + off, box["x"] + box["width"], box["y"] + off)


def _hole(cut: Cut, middle: Size) -> dict[str, float]:
    """Where the middle is cut out of a mat on a sheet."""
    box = _box(cut)
    wide, high = (float(side.millimetres) for side in (middle.width, middle.height))
    if cut.turned:
        wide, high = high, wide
    x, y = box["x"] + (box["width"] - wide) / 2, box["y"] + (box["height"] - high) / 2
    return {"x": round(x, 3), "y": round(y, 3), "width": round(wide, 3), "height": round(high, 3)}


def _line(x1: float, y1: float, x2: float, y2: float) -> dict[str, float]:
    return {name: round(value, 3) for name, value in (("x1", x1), ("y1", y1), ("x2", x2), ("y2", y2))}
