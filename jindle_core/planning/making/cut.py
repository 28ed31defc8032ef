"""What is to be done to cut a card's base and pieces?"""

from collections.abc import Iterator
from dataclasses import dataclass, replace

from jindle_core import figures
from jindle_core.checked.whole import CheckedCard
from jindle_core.layers.folding import flat
from jindle_core.layers.pieces import BASE, RIBBON_END, Kind, Piece
from jindle_core.material import End
from jindle_core.planning.cutting import is_by_die, sizes
from jindle_core.planning.making.doing import DRY, Doing, prepared
from jindle_core.planning.step import Step, listed
from jindle_core.planning.task import After, Hazard, Task, Tool, Work
from jindle_core.seen.ruler import halves
from jindle_core.words import said


@dataclass(frozen=True, slots=True)
class _Cutter:
    """A way in which pieces are cut out: how it is said, by what, and the minutes that it takes."""

    key: str
    words: str
    work: Work
    tool: Tool
    hazard: Hazard
    once: float
    each: float


_BY_TRIMMER = _Cutter(
    "cut",
    "Cut {names} out of {stock}",
    Work.CUT,
    Tool.TRIMMER,
    Hazard.BLADE,
    figures.work.CUT_SHEET,
    figures.work.CUT_PIECE,
)
_BY_DIE = _Cutter(
    "die",
    "Die-cut {names} out of {stock}",
    Work.DIE,
    Tool.MACHINE,
    Hazard.ROLLERS,
    figures.work.DIE_SHEET,
    figures.work.DIE_PIECE,
)
_BY_SCISSORS = replace(_BY_TRIMMER, key="ribbon", tool=Tool.SCISSORS)


def base(checked: CheckedCard) -> Doing:
    """The base, cut, scored and folded."""
    stack = checked.seen.stack
    card, build = stack.palette.card, stack.where.build
    laid = flat(card.size, card.fold)
    half, _ = halves(laid, stack.where.unit)
    edge = "left" if laid.upright else "upper"
    steps = (
        Step("cut it to", measures=(laid.size,)),
        Step(said("score it, from its {edge} edge at", edge=edge), measures=(half,)),
    )
    stock = checked.inventory.stock_words(build.base)
    words = said("Cut, score and fold the base out of {stock}", stock=stock)
    task = Task(
        "base", Work.BASE, words, figures.work.SCORE_BASE, Tool.TRIMMER,
        to=(BASE,), supplies=(build.base,), steps=steps, hazards=frozenset({Hazard.BLADE}),
        once=figures.work.BASE_FIRST,
    )  # fmt: skip
    cut = After("base", 0, "the base must be cut")
    return Doing(task, leaves=(*prepared([BASE], cut), (DRY, cut)))


def pieces(checked: CheckedCard) -> Iterator[Doing]:
    """What is cut, a stock at a time: straight pieces with the trimmer, shaped ones with dies."""
    stack = checked.seen.stack
    found: dict[tuple[_Cutter, End], list[Piece]] = {}
    for piece in stack.where.build.every:
        if piece.is_cut and piece.kind is not Kind.IMAGE:
            shaped = _BY_DIE if is_by_die(stack, piece) else _BY_TRIMMER
            by = shaped if piece.of_sheet else _BY_SCISSORS
            found.setdefault((by, stack.of.stock(piece.key)), []).append(piece)
    for (by, stock), alike in found.items():
        yield _cut(checked, by, stock, alike)


def _cut(checked: CheckedCard, by: _Cutter, stock: End, alike: list[Piece]) -> Doing:
    names, keys = listed(piece.name for piece in alike), tuple(piece.key for piece in alike)
    of = checked.inventory.stock_words(stock)
    if not alike[0].of_sheet and stock != RIBBON_END:
        of = said("ribbon in {colour}", colour=of)
    key = f"{by.key}:{min(keys)}"
    task = Task(
        key, by.work, said(by.words, names=names, stock=of), by.once + by.each * len(alike), by.tool,
        to=keys, supplies=(stock,), steps=tuple(sizes(checked.seen.stack, alike)),
        hazards=frozenset({by.hazard}), once=by.once,
    )  # fmt: skip
    laid = (DRY, After(key, 0, "it must be cut to be laid"))
    return Doing(task, leaves=(*prepared(keys, After(key, 0, "it must be cut")), laid))
