"""What is cut for some cards out of which sheets?

Places on a sheet are in millimetres from its top left.
"""

from collections import Counter, defaultdict
from collections.abc import Callable, Iterable, Iterator
from dataclasses import dataclass
from fractions import Fraction
from functools import cached_property

from jindle_core import figures
from jindle_core.cutting.grain import Grain, turned_for_grain
from jindle_core.cutting.middles import Middle, filled, middles
from jindle_core.cutting.packing import ToCut, area_bound, holds, pack
from jindle_core.cutting.sheet import GRAINS, Cut, Sheet
from jindle_core.cutting.trimming import Trim, TrimPart, trimmed
from jindle_core.layers.folding import Flat, flat
from jindle_core.layers.pieces import BASE, SHAPED, Kind, Piece
from jindle_core.lengths import Length, Size, read_size
from jindle_core.material import End
from jindle_core.planning.step import Step
from jindle_core.seen.stack.whole import Stack

_GRAIN = 1 / 320  # mm
_PATTERNED = read_size(*figures.cutting.PATTERNED_SHEET)


@dataclass(frozen=True, slots=True)
class SheetPlace:
    """A rectangle on a sheet."""

    x: float
    y: float
    width: float
    height: float


@dataclass(frozen=True, slots=True)
class Line:
    """A straight line on a sheet."""

    x1: float
    y1: float
    x2: float
    y2: float


@dataclass(frozen=True, slots=True)
class PieceCut:
    """A piece as it lies on a sheet; ``size`` as it stands on the card.

    ``score`` is where a base is scored, ``hole`` the middle that is cut out of a mat for another piece.
    """

    key: int
    name: str
    size: Size
    place: SheetPlace
    turned: bool
    score: Line | None
    hole: SheetPlace | None


@dataclass(frozen=True, slots=True)
class LeftOver:
    """What is left of a sheet and is of use."""

    place: SheetPlace
    words: str


@dataclass(frozen=True, slots=True)
class SheetCut:
    """A sheet of a material, what is cut out of it, the cuts right across it in order, what is left.

    ``used`` is the share of it that is cut out.
    """

    material: End
    width: float
    height: float
    cuts: tuple[PieceCut, ...]
    trims: tuple[Line, ...]
    left: tuple[LeftOver, ...]
    used: float


@dataclass(frozen=True, slots=True)
class Listed:
    """A piece of the list of what is cut; ``out_of`` is empty for a piece that comes from a sheet.

    ``blank`` is what the trimmer cuts for a piece that a die or scissors then cut out of it, else None.
    """

    name: str
    size: Size
    material: End
    direction: str
    out_of: str
    blank: Size | None = None


def is_by_die(stack: Stack, piece: Piece) -> bool:
    """Whether a trimmer cannot cut a piece: a die or scissors do."""
    outline = stack.where.outlines.get(piece.key)
    shaped = outline is not None and piece.kind in SHAPED
    sharp = not shaped or outline is None or outline.straight.equals(outline.straight.envelope)
    is_drawing = piece.kind is Kind.IMAGE and stack.of.shows(piece.key).drawing is not None
    return not sharp or piece.kind is Kind.CUT_WORDS or is_drawing


def blank(stack: Stack, piece: Piece) -> Size | None:
    """What the trimmer cuts for a piece that is no rectangle, also for a picture; else None."""
    if not piece.of_sheet or not is_by_die(stack, piece):
        return None
    return _larger(
        stack.where.cut_to(piece), Length(2 * figures.cutting.DIE_ROOM[stack.where.unit], stack.where.unit)
    )


def sizes(stack: Stack, pieces: Iterable[Piece], blanks: bool = True) -> Iterator[Step]:
    """To which size pieces are cut, like ones told together, and the blanks that they come of."""
    found = Counter((piece.name, stack.where.cut_to(piece), blank(stack, piece)) for piece in pieces)
    for (name, size, of), times in found.items():
        often = f", {times} times" if times > 1 else ""
        yield Step(f"{name}{often}:", measures=(size,))
        if of is not None and blanks:
            yield Step(f"out of a blank{often} of", measures=(of,))


@dataclass(frozen=True)
class Cutting:
    """What is cut for so many cards out of sheets of a size, each material by itself.

    Patterned paper comes in sheets of its own size. What is no rectangle is cut by a die or scissors,
    out of a blank that is somewhat larger. ``from_middles`` cuts smaller pieces out of the hidden
    middles of mats.
    """

    stack: Stack
    sheet: Size
    count: int = 1
    grain: Grain = Grain.UNKNOWN
    from_middles: bool = False

    @cached_property
    def _flat(self) -> Flat:
        """The base before it is folded."""
        card = self.stack.palette.card
        return flat(card.size, card.fold)

    @cached_property
    def _base_turned(self) -> bool | None:
        """Whether the base is turned to be folded along the grain; None where it lies as it fits."""
        return turned_for_grain(self._flat, self.sheet, self.grain)

    @cached_property
    def _of_one(self) -> dict[End, list[ToCut]]:
        """By material what is cut for one card."""
        stack, found = self.stack, defaultdict[End, list[ToCut]](list)
        size = self._flat.size.turned() if self._base_turned else self._flat.size
        found[stack.where.build.base] = [ToCut(BASE, "base", size, self._base_turned is None)]
        for piece in stack.where.build.every:
            if piece.of_sheet:
                turns = piece.kind is not Kind.PAPER  # a pattern has its direction
                of = self._blanks.get(piece.key)
                name, size = f"blank for {piece.name}" if of else piece.name, of or self._sizes[piece.key]
                found[stack.of.stock(piece.key)].append(ToCut(piece.key, name, size, turns))
        return dict(found)

    @cached_property
    def _blanks(self) -> dict[int, Size]:
        """By key what the trimmer cuts for pieces that are no rectangles, pictures that are cut out too."""
        found = {piece.key: blank(self.stack, piece) for piece in self.stack.where.build.every}
        return {key: size for key, size in found.items() if size is not None}

    def sheet_of(self, end: End) -> Size:
        """The sheet that a material comes in: a patterned paper's own, else as is said.

        Where a pattern goes on past its sheet, it is cut out of the usual large one.
        """
        palette = self.stack.palette
        if (sheet := palette.sheet(end)) is not None:
            own = _near(sheet.width, sheet.height, self.stack.where.unit)
            past = [self.stack.where.piece(one.key) for one in self._of_one[end] if not holds(one, own)]
            return _PATTERNED if any(piece.pattern.repeated for piece in past) else own
        place = palette.supplies.places.get(end.id) if end.source == "supply" else None
        of = None if place is None else palette.supplies.ranges[int(palette.supplies.range_ids[place])].medium
        return _PATTERNED if of is not None and of.traits.printed else self.sheet

    @cached_property
    def _middles(self) -> dict[int, Middle]:
        """By key of a mat the middle that can be cut out of it."""
        where = self.stack.where
        of = (middles(where.boxes, face, where.unit, where.outlines) for face in where.build.faces)
        return {one.key: one for found in of for one in found}

    @cached_property
    def _filled(self) -> dict[int, int]:
        """By key of a piece the mat out of whose middle it is cut."""
        found: dict[int, int] = {}
        for pieces in self._of_one.values() if self.from_middles else ():
            # A mat goes into no middle of its own, but a smaller mat may into a larger one's.
            mats = [piece.key for piece in pieces if piece.key in self._middles]
            taken = filled([self._middles[key].size for key in mats], pieces)
            found |= {pieces[at].key: mats[hole] for at, hole in taken.items()}
        return found

    @cached_property
    def from_sheets(self) -> dict[End, list[ToCut]]:
        """By material what is cut out of sheets for all the cards, as far as a sheet holds it."""
        found = {}
        for end, pieces in self._of_one.items():
            sheet = self.sheet_of(end)
            kept = [one for one in pieces if one.key not in self._filled and holds(one, sheet)]
            if kept:
                found[end] = kept * self.count
        return found

    @cached_property
    def _sizes(self) -> dict[int, Size]:
        """By key what each piece is cut to, as it stands."""
        where = self.stack.where
        return {piece.key: where.cut_to(piece) for piece in where.build.every} | {BASE: self._flat.size}

    @cached_property
    def sheets(self) -> list[SheetCut]:
        """The sheets, those of a material together."""
        work = figures.cutting.PACKING_WORK // max(len(self.from_sheets), 1)
        return [
            cut_up(end, sheet, self.sheet.width.unit, self.piece_cut)
            for end, pieces in self.from_sheets.items()
            for sheet in pack(pieces, self.sheet_of(end), work)
        ]

    @property
    def bound(self) -> int:
        """So many sheets at least the area of the pieces needs."""
        return sum(area_bound(pieces, self.sheet_of(end)) for end, pieces in self.from_sheets.items())

    @property
    def pieces(self) -> list[Listed]:
        """What is cut for each card."""
        return [self._listed(end, piece) for end, pieces in self._of_one.items() for piece in pieces]

    @property
    def too_large(self) -> list[tuple[str, Size]]:
        """The names and sizes of pieces that no sheet holds."""
        return [
            (piece.name, self._blanks.get(piece.key) or self._sizes[piece.key])
            for end, pieces in self._of_one.items()
            for piece in pieces
            if not holds(piece, self.sheet_of(end))
        ]

    @property
    def middles(self) -> list[tuple[str, Size]]:
        """The names of mats, and the middles that can be cut out of them."""
        return [(self.stack.where.name(key), one.size) for key, one in self._middles.items()]

    def _listed(self, end: End, piece: ToCut) -> Listed:
        mat = self._filled.get(piece.key)
        out_of = "" if mat is None else f"the middle of {self.stack.where.name(mat)}"
        name = self.stack.where.name(piece.key) if piece.key != BASE else piece.name
        way = "either way" if piece.turns else "pattern upright"
        if piece.key == BASE and self.grain is not Grain.UNKNOWN:
            way = "folded across the grain" if self._base_turned is None else "folded along the grain"
        return Listed(name, self._sizes[piece.key], end, way, out_of, self._blanks.get(piece.key))

    def piece_cut(self, cut: Cut) -> PieceCut:
        """A piece as it lies on a sheet."""
        turned = cut.turned != bool(self._base_turned) if cut.key == BASE else cut.turned
        middle = self._middles.get(cut.key) if cut.key in self._filled.values() else None
        hole = None if middle is None else _hole(cut, middle)
        score = _score(cut, self._flat, turned) if cut.key == BASE else None
        size = self._blanks.get(cut.key) or self._sizes[cut.key]
        return PieceCut(cut.key, self._names[cut.key], size, _place(cut), turned, score, hole)

    @cached_property
    def _names(self) -> dict[int, str]:
        return {piece.key: piece.name for pieces in self._of_one.values() for piece in pieces}


def cut_up(end: End, sheet: Sheet, unit: str, piece_cut: Callable[[Cut], PieceCut]) -> SheetCut:
    """A sheet of a material that is packed, with the cuts right across it; what is left is told in a unit."""
    parted = trimmed(sheet)
    if parted is None:
        raise ValueError("only layouts that can be cut right across are packed")
    return SheetCut(
        end,
        sheet.width * _GRAIN,
        sheet.height * _GRAIN,
        tuple(map(piece_cut, sheet.cuts)),
        tuple(map(_trim, parted.trims)),
        tuple(_left(part, unit) for part in parted.left if part.of_use),
        sheet.used,
    )


def _left(part: TrimPart, unit: str) -> LeftOver:
    sides = (Length(side // GRAINS[unit], unit).text() for side in (part.width, part.height))
    return LeftOver(_place(part), f"{' × '.join(sides)} {unit}")


def _near(width: float, height: float, unit: str) -> Size:
    """So many millimetres as a size in a unit."""
    return Size(*(Length.near(Fraction(side), unit) for side in (width, height)))


def _larger(size: Size, room: Length) -> Size:
    sides = (size.width, size.height)
    return Size(*(Length.near(side.millimetres + room.millimetres, side.unit) for side in sides))


def _place(one: Cut | TrimPart) -> SheetPlace:
    return SheetPlace(one.x * _GRAIN, one.y * _GRAIN, one.width * _GRAIN, one.height * _GRAIN)


def _trim(one: Trim) -> Line:
    """A cut right across a part."""
    part, at = _place(one.part), one.at * _GRAIN
    if one.upright:
        return Line(at, part.y, at, part.y + part.height)
    return Line(part.x, at, part.x + part.width, at)


def _score(cut: Cut, base: Flat, turned: bool) -> Line:
    """Where a base on a sheet is scored."""
    place, off = _place(cut), float(base.score.millimetres)
    if base.upright != turned:
        return Line(place.x + off, place.y, place.x + off, place.y + place.height)
    return Line(place.x, place.y + off, place.x + place.width, place.y + off)


def _hole(cut: Cut, middle: Middle) -> SheetPlace:
    """Where the middle is cut out of a mat on a sheet; what is turned is turned clockwise."""
    place = _place(cut)
    wide, high = (float(side.millimetres) for side in (middle.size.width, middle.size.height))
    right, below = middle.right, middle.below
    if cut.turned:
        wide, high, right, below = high, wide, -below, right
    x, y = place.x + (place.width - wide) / 2 + right, place.y + (place.height - high) / 2 + below
    return SheetPlace(x, y, wide, high)
