"""What is to be done for the words on a card?"""

from collections.abc import Iterator
from dataclasses import dataclass

from jindle_core import figures
from jindle_core.checked.whole import CheckedCard
from jindle_core.layers.making import EMBOSSED, Making
from jindle_core.layers.pieces import Kind, Piece
from jindle_core.planning.making.doing import DRY, Doing, Stage, State, bare
from jindle_core.planning.step import Step
from jindle_core.planning.task import After, Hazard, Task, Tool, Work
from jindle_core.words import said


def words(checked: CheckedCard) -> Iterator[Doing]:
    """Words while everything is flat, their places checked dry first."""
    written = [piece for piece in checked.seen.stack.where.build.every if piece.kind is Kind.LETTERING]
    if not written:
        return
    lay = Task(
        "lay", Work.LAY, "Lay everything dry, and mark where the words go", figures.work.LAY_DRY, Tool.NOTHING
    )
    yield Doing(lay, (DRY,))
    for piece in written:
        yield _written(checked, piece)


@dataclass(frozen=True, slots=True)
class _How:
    """How words come on a piece: the minutes that they take and dry, and why they are waited for."""

    words: str
    tool: Tool
    minutes: float
    dries: float
    reason: str = "the words must be dry"
    once: float = 0.0
    hazards: frozenset[Hazard] = frozenset()


_STAMPED = _How(
    "Stamp {words} on {on}, with {ink}",
    Tool.STAMPS,
    figures.work.WORDS_FIRST + figures.work.STAMP_WORDS,
    figures.work.LINE_DRIES["quick"],
    once=figures.work.WORDS_FIRST,
)
_POWDERED = _How(
    "Stamp, powder at once and melt {words} on {on}, with {ink}",
    Tool.STAMPS,
    _STAMPED.minutes + figures.work.EMBOSS,
    figures.work.POWDER_COOLS,
    "the powder must be cool",
    figures.work.WORDS_FIRST,
    frozenset({Hazard.HEAT, Hazard.POWDER}),
)
_BY_PEN = _How("Write {words} on {on}, with {ink}", Tool.PEN, figures.work.WRITE, figures.work.PEN_DRIES)


def _how(made: Making) -> _How:
    if made in EMBOSSED:
        return _POWDERED
    return _BY_PEN if made is Making.PEN else _STAMPED


def _written(checked: CheckedCard, piece: Piece) -> Doing:
    stack, how = checked.seen.stack, _how(piece.made or Making.STAMPED)
    told = "the words" if piece.is_wanting_words else f"“{piece.text}”"
    on, ink = stack.where.name(piece.on), checked.inventory.ink_words(piece)
    task = Task(
        f"words:{piece.key}", Work.WORDS, said(how.words, words=told, on=on, ink=ink), how.minutes, how.tool,
        (After("lay", 0, "its place must be known"),), (piece.key,),
        supplies=(piece.material,) if piece.material.source == "supply" else (),
        steps=(Step("what do they say? Nobody typed it yet"),) if piece.is_wanting_words else (),
        hazards=how.hazards, once=how.once,
    )  # fmt: skip
    left = (State(Stage.READY, piece.on), After(task.key, how.dries, how.reason))
    return Doing(task, (*bare(stack, piece.on), *_pictures_under(checked, piece)), (left,))


def _pictures_under(checked: CheckedCard, words: Piece) -> Iterator[State]:
    """What is stamped where words come to stand is done before them."""
    stack = checked.seen.stack
    box = stack.where.boxes[words.key]
    for piece in stack.where.build.every:
        is_under = piece.kind is Kind.IMAGE and piece.stamped and piece.on == words.on
        if is_under and box.shared(stack.where.boxes[piece.key]) is not None:
            yield State(Stage.READY, piece.key)
