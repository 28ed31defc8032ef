"""With which cuts, one after the other, does a trimmer part a sheet, and what is left over?"""

from dataclasses import dataclass

from jindle_core import figures
from jindle_core.cutting.sheet import GRAINS, Cut, Sheet


@dataclass(frozen=True, slots=True)
class TrimPart:
    """A rectangle in grains."""

    x: int
    y: int
    width: int
    height: int

    @property
    def of_use(self) -> bool:
        """Whether it is large enough to be used for something."""
        return min(self.width, self.height) >= figures.cutting.TRIMMING_LEAST * 10 * GRAINS["mm"]


@dataclass(frozen=True, slots=True)
class Trim:
    """A cut right across a part: upright at ``at`` from the sheet's left, or level from its top."""

    part: TrimPart
    upright: bool
    at: int


@dataclass(frozen=True, slots=True)
class Trimmed:
    """The cuts in their order, and the parts that are left over, the largest first."""

    trims: tuple[Trim, ...]
    left: tuple[TrimPart, ...]


def trimmed(sheet: Sheet) -> Trimmed | None:
    """The cuts that part a sheet; None where no cuts from edge to edge can.

    Of the cuts that go through no piece, that which leaves the largest empty
    part is made first, so that what is left over stays whole.
    """
    trims: list[Trim] = []
    left: list[TrimPart] = []
    waiting: list[tuple[TrimPart, tuple[Cut, ...]]] = [
        (TrimPart(0, 0, sheet.width, sheet.height), sheet.cuts)
    ]
    while waiting:
        part, cuts = waiting.pop()
        if not cuts:
            left.append(part)
            continue
        if len(cuts) == 1 and (cuts[0].width, cuts[0].height) == (part.width, part.height):
            continue
        possible = _possible(part, cuts)
        if not possible:
            return None
        trim = max(possible, key=lambda one: _empty(one, cuts))
        trims.append(trim)
        waiting += reversed(_parted(trim, cuts))
    left.sort(key=lambda part: part.width * part.height, reverse=True)
    return Trimmed(tuple(trims), tuple(left))


def _possible(part: TrimPart, cuts: tuple[Cut, ...]) -> list[Trim]:
    found = []
    for upright in (True, False):
        low, high = (part.x, part.x + part.width) if upright else (part.y, part.y + part.height)
        spans = [(cut.x, cut.x + cut.width) if upright else (cut.y, cut.y + cut.height) for cut in cuts]
        for at in sorted({end for span in spans for end in span}):
            if low < at < high and not any(start < at < end for start, end in spans):
                found.append(Trim(part, upright, at))
    return found


def _parted(trim: Trim, cuts: tuple[Cut, ...]) -> list[tuple[TrimPart, tuple[Cut, ...]]]:
    part, at = trim.part, trim.at
    if trim.upright:
        first = TrimPart(part.x, part.y, at - part.x, part.height)
        second = TrimPart(at, part.y, part.x + part.width - at, part.height)
        before = tuple(cut for cut in cuts if cut.x < at)
    else:
        first = TrimPart(part.x, part.y, part.width, at - part.y)
        second = TrimPart(part.x, at, part.width, part.y + part.height - at)
        before = tuple(cut for cut in cuts if cut.y < at)
    return [(first, before), (second, tuple(cut for cut in cuts if cut not in before))]


def _empty(trim: Trim, cuts: tuple[Cut, ...]) -> int:
    """The area that a cut sets free at once."""
    return max((part.width * part.height for part, inside in _parted(trim, cuts) if not inside), default=0)
