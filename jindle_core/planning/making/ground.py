"""What is to be done for a card's ground, and for pieces that are inked by oneself?"""

from collections.abc import Iterator

from jindle_core import figures
from jindle_core.checked.whole import CheckedCard
from jindle_core.layers.pieces import InkedOver, Piece
from jindle_core.material import End
from jindle_core.media.medium import Medium
from jindle_core.planning.ground import ground_steps
from jindle_core.planning.making.doing import DRY, Doing, Left, bare, prepared
from jindle_core.planning.step import Step
from jindle_core.planning.task import After, Hazard, Task, Tool, Work
from jindle_core.seen.ground import Grounded
from jindle_core.words import said


def ground(checked: CheckedCard) -> Iterator[Doing]:
    """The ground, a coat or colour at a time, with what it dries in between."""
    carrier, grounded = checked.seen.stack.where.carrier, checked.seen.stack.of.grounded
    if carrier is None:
        return
    parts = _parts(grounded)
    media = [grounded.facts(place).medium for place in grounded.places]
    dries = max((medium.pad.dries for medium in media), default=figures.work.COLOUR_DRIES["wet"])
    hazards = frozenset({Hazard.POWDER} if any(medium.traits.dusts for medium in media) else ())
    for number, part in enumerate(parts, start=1):
        key, is_first, is_last = f"ground:{number}", number == 1, number == len(parts)
        task = Task(
            key, Work.GROUND, "Lay the ground" if is_first else "Go on with the ground",
            figures.work.GROUND_STEP * len(part) + is_first * figures.work.GROUND_TAPE, Tool.BRUSHES,
            () if is_first else (After(f"ground:{number - 1}", dries, "the ink before must be dry"),),
            (carrier,), supplies=tuple(End("supply", pk) for pk in grounded.taken), steps=tuple(part),
            hazards=hazards, once=figures.work.PAD_FIRST * sum(step.using is not None for step in part),
        )  # fmt: skip
        flat_again = "the ground must be dry, and the panel flat again"
        done = After(key, dries + figures.work.PANEL_FLATTENS, flat_again)
        yield Doing(
            task,
            bare(checked.seen.stack, carrier) if is_first else (),
            _inked(carrier, done) if is_last else (),
        )


def _parts(grounded: Grounded) -> list[list[Step]]:
    """The steps of a ground, parted where something is waited for."""
    parts: list[list[Step]] = [[]]
    for step in ground_steps(grounded):
        if step.wait is not None and parts[-1]:
            parts.append([])
        parts[-1].append(step)
    return parts


def inking(checked: CheckedCard) -> Iterator[Doing]:
    """Pieces that are inked by oneself."""
    for piece in checked.seen.stack.where.build.every:
        if piece.inked is not None:
            yield _inking(checked, piece, piece.inked)


def _inking(checked: CheckedCard, piece: Piece, by: InkedOver) -> Doing:
    stack = checked.seen.stack
    place = stack.palette.supplies.places.get(by.colour)
    medium = Medium.DYE_PAD if place is None else stack.of.grounded.facts(place).medium
    pad, key = End("supply", by.colour), f"ink:{piece.key}"
    task = Task(
        key, Work.INK, said("Ink {piece} with {ink}", piece=piece.name, ink=stack.palette.end_words(pad)),
        figures.work.INK_PIECE * by.coats, Tool.BRUSHES, to=(piece.key,), supplies=(pad,),
        once=figures.work.PAD_FIRST,
    )  # fmt: skip
    done = After(key, medium.pad.dries, "its ink must be dry")
    return Doing(task, bare(stack, piece.key), _inked(piece.key, done))


def _inked(key: int, done: After) -> tuple[Left, ...]:
    return (*prepared([key], done), (DRY, done))
