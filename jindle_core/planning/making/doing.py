"""What does a task need of the pieces of a card, and what does it leave for those that come later?"""

from collections import defaultdict
from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass, replace
from enum import Enum, auto

from jindle_core.layers.pieces import BASE, Piece
from jindle_core.planning.task import After, Task
from jindle_core.seen.stack.whole import Stack


class Stage(Enum):
    """How far something is."""

    BARE = auto()
    """Ink may come on a piece."""
    READY = auto()
    """A piece may be glued or covered."""
    DRY = auto()
    """All can be laid out dry."""
    WHOLE = auto()
    """The card may go into its envelope."""


@dataclass(frozen=True, slots=True)
class State:
    """A stage of one piece by its key, or of the whole card."""

    stage: Stage
    piece: int | None = None


DRY, WHOLE = State(Stage.DRY), State(Stage.WHOLE)


Left = tuple[State, After]


def bare(stack: Stack, *keys: int) -> tuple[State, ...]:
    """Pieces that ink may come on; for what is stamped also what that is stamped on."""
    found = list(keys)
    for key in found:  # which grows
        if key != BASE and (piece := stack.where.piece(key)).stamped:
            found.append(piece.on)
    return tuple(State(Stage.BARE, key) for key in found)


def ready(pieces: Iterable[Piece]) -> tuple[State, ...]:
    """Pieces that may be laid on what they lie on."""
    return tuple(State(Stage.READY, key) for piece in pieces for key in (piece.key, piece.on))


@dataclass(frozen=True, slots=True)
class Doing:
    """A task with what it ``needs``, and what it ``leaves``: for each state what is to be waited for.

    What its task comes ``after`` by itself is named by key; a key that no task has asks for nothing.
    """

    task: Task
    needs: tuple[State, ...] = ()
    leaves: tuple[Left, ...] = ()


def prepared(keys: Iterable[int], *after: After) -> tuple[Left, ...]:
    """What is left by what is done to pieces before anything comes on them."""
    stages = (Stage.BARE, Stage.READY)
    return tuple((State(stage, key), one) for key in keys for stage in stages for one in after)


def joined(doings: Sequence[Doing]) -> list[Task]:
    """The tasks, each after what those before it left of all that it needs, and after what it names.

    The last comes after everything that no other waits for.
    """
    known = {doing.task.key for doing in doings}
    left: defaultdict[State, list[After]] = defaultdict(list)
    waits: dict[str, tuple[After, ...]] = {}
    for doing in doings:
        after = [one for one in doing.task.after if one.key in known]
        after += [one for state in doing.needs for one in left[state]]
        if doing is doings[-1]:
            waited = {one.key for each in waits.values() for one in each}
            after += [one for each in left.values() for one in each if one.key not in waited]
        waits[doing.task.key] = _each_once(after, waits)
        for state, one in doing.leaves:
            left[state].append(one)
    return [replace(doing.task, after=waits[doing.task.key]) for doing in doings]


def _each_once(after: Iterable[After], waits: Mapping[str, tuple[After, ...]]) -> tuple[After, ...]:
    """Each of what is waited for once, the longest wait for it; none that another has waited for as long."""
    longest: dict[str, After] = {}
    for one in after:
        if one.key not in longest or longest[one.key].minutes < one.minutes:
            longest[one.key] = one
    before = {one.key: one.minutes for key in longest for one in waits[key]}
    return tuple(one for one in longest.values() if before.get(one.key, -1) < one.minutes)
