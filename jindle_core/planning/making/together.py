"""What is to be done to put a card together, to finish it, and to send it?"""

from collections.abc import Collection, Iterator, Sequence

from jindle_core import figures
from jindle_core.checked.whole import CheckedCard
from jindle_core.layers.pieces import BASE, Kind, Piece, Raised
from jindle_core.planning.making.doing import WHOLE, Doing, Stage, State, ready
from jindle_core.planning.making.pictures import shown
from jindle_core.planning.step import Step, listed
from jindle_core.planning.task import After, Hazard, Task, Tool, Work
from jindle_core.words import said

_HOLDS = "glue must hold"
_PUT_TOGETHER = ("inside", "flat", "raise", "trim", "trim-inside")


def assembling(checked: CheckedCard) -> Iterator[Doing]:
    """The inside before anything is raised, what lies flat, what stands on foam; what hangs over is
    trimmed once it is glued, but before it stands on foam."""
    build = checked.seen.stack.where.build
    front, inside = ([piece for piece in face if piece.is_laid] for face in build.faces)
    low, raised = _flat(front), [piece for piece in front if piece.raised is not Raised.FLAT]
    yield from _trim_raised(checked, "trim-inside-raised", inside)
    yield from _laid("inside", Work.INSIDE, inside, "Glue inside: {pieces}")
    yield from _trim(checked, "trim-inside", _flat(inside), "inside")
    yield from _laid("flat", Work.GLUE, low, "Glue flat: {pieces}")
    yield from _trim(checked, "trim", low, "flat")
    yield from _trim_raised(checked, "trim-raised", raised)
    yield from _laid("raise", Work.RAISE, raised, "Raise on foam: {pieces}", _BEFORE_RAISING)


def _flat(pieces: Sequence[Piece]) -> list[Piece]:
    return [piece for piece in pieces if piece.raised is Raised.FLAT]


_BEFORE_RAISING = (
    After("inside", 0, "nothing may be raised before the inside is done"),
    After("trim-inside", 0, "nothing may be raised before the inside is done"),
    After("flat", figures.work.GLUE_HOLDS, _HOLDS),
    After("trim", 0, "what hangs over is trimmed before anything is raised"),
)


def _laid(
    key: str, work: Work, pieces: Sequence[Piece], pattern: str, after: tuple[After, ...] = ()
) -> Iterator[Doing]:
    if pieces:
        each = figures.work.GLUE_RAISED if work is Work.RAISE else figures.work.GLUE_FLAT
        words = said(pattern, pieces=listed(piece.name for piece in pieces))
        task = Task(key, work, words, each * len(pieces), Tool.GLUE, after, _keys(pieces))
        yield Doing(task, ready(pieces))


def _keys(pieces: Sequence[Piece]) -> tuple[int, ...]:
    return tuple(piece.key for piece in pieces)


def _trim_raised(checked: CheckedCard, key: str, pieces: Sequence[Piece]) -> Iterator[Doing]:
    """A trimmed piece that is raised: marked where it will lie, and cut before it lies on foam."""
    raised = [piece for piece in pieces if piece.trimmed and piece.raised is not Raised.FLAT]
    if raised:
        words = "Trim, before it lies on foam, what would hang over the edge: {pieces}"
        done = After(key, 0, "it is trimmed before it lies on foam")
        left = tuple((State(Stage.READY, piece.key), done) for piece in raised)
        yield Doing(_trimmed(checked, key, raised, words), ready(raised), left)


def _trim(checked: CheckedCard, key: str, pieces: Sequence[Piece], glued: str) -> Iterator[Doing]:
    """What hangs over the edge once it is glued."""
    if trimmed := [piece for piece in pieces if piece.trimmed]:
        holds = After(glued, figures.work.GLUE_HOLDS, _HOLDS)
        yield Doing(_trimmed(checked, key, trimmed, "Trim what hangs over the edge: {pieces}", holds))


def _trimmed(checked: CheckedCard, key: str, pieces: Sequence[Piece], pattern: str, *after: After) -> Task:
    keys = _keys(pieces)
    return Task(
        key, Work.TRIM, said(pattern, pieces=listed(piece.name for piece in pieces)),
        figures.work.TRIM * len(pieces), Tool.SCISSORS, after, keys,
        steps=tuple(_fallen(checked, keys)), hazards=frozenset({Hazard.BLADE}),
    )  # fmt: skip


def _fallen(checked: CheckedCard, keys: Collection[int]) -> Iterator[Step]:
    """What falls off pieces and fills elsewhere."""
    for one in checked.examined.trimmings:
        if one.piece in keys:
            of_use = "Keep the {size} that falls off {piece}: it could be {others}."
            pattern = (
                of_use if one.could_be else "Keep the {size} that falls off {piece}, for a filler elsewhere."
            )
            size, others = one.text(one.unit), listed(one.could_be)
            yield Step(said(pattern, size=size, piece=one.name, others=others))


_ALL_GLUED = tuple(After(key, figures.work.GLUE_HOLDS, _HOLDS) for key in _PUT_TOGETHER)


def finishing(checked: CheckedCard) -> Iterator[Doing]:
    """Finishing pieces and glitter, when all is put together."""
    finishes = [piece for piece in checked.seen.stack.where.build.every if piece.kind is Kind.FINISH]
    if finishes:
        task = Task(
            "finish", Work.FINISH, said("Set on {pieces}", pieces=listed(piece.name for piece in finishes)),
            figures.work.FINISH_EACH * len(finishes), Tool.FINISHES, _ALL_GLUED, _keys(finishes),
            supplies=tuple(dict.fromkeys(piece.material for piece in finishes)),
            hazards=frozenset({Hazard.SMALL}),
        )  # fmt: skip
        sets = After("finish", figures.work.DROPS_SET, "drops must set, lying flat")
        yield Doing(task, ready(finishes), ((WHOLE, sets),))
    for coloured, pieces in shown(checked.seen.stack):
        if {"gloss", "glitter"} & set(coloured.picture.finishes):
            key = f"gloss:{coloured.picture.key}"
            words = said("Gloss or glitter over {picture}", picture=coloured.picture.name)
            task = Task(
                key, Work.FINISH, words, figures.work.GLITTER, Tool.FINISHES,
                _ALL_GLUED, _keys(pieces), hazards=frozenset({Hazard.POWDER}),
            )  # fmt: skip
            dries = After(key, figures.work.GLITTER_DRIES, "it must be dry")
            yield Doing(task, ready(pieces), ((WHOLE, dries),))


def post() -> Doing:
    """Into its envelope, after everything."""
    limits = Step("Is it to be posted: hold it against the limits that you entered under Build.")
    together = tuple(After(key, figures.work.GLUE_HOLDS, "it must be put together") for key in _PUT_TOGETHER)
    task = Task(
        "post", Work.POST, "Write inside, and into its envelope", figures.work.ENVELOPE, Tool.NOTHING,
        together, (BASE,), steps=(limits,),
    )  # fmt: skip
    return Doing(task, (WHOLE,))
