"""What is a piece of work that is planned as one: how long it takes, and what must be before it?"""

from dataclasses import dataclass
from enum import StrEnum

from jindle_core.material import End
from jindle_core.planning.step import Step


class Work(StrEnum):
    """What is done, in the order in which a card is mostly made."""

    BASE = "base"
    CUT = "cut"
    DIE = "die"
    STAMP = "stamp"
    COLOUR = "colour"
    CUT_OUT = "cut-out"
    EDGE = "white-edge"
    GROUND = "ground"
    INK = "ink-card"
    LAY = "lay-dry"
    WORDS = "words"
    INSIDE = "inside"
    GLUE = "glue"
    RAISE = "raise"
    TRIM = "trim"
    FINISH = "finish"
    POST = "post"


class Tool(StrEnum):
    """What stands on the table for it: changing it takes time."""

    TRIMMER = "trimmer"
    MACHINE = "die machine"
    STAMPS = "stamps and block"
    HEAT = "heat tool"
    COLOURS = "colouring"
    SCISSORS = "scissors"
    BRUSHES = "blending brushes"
    PEN = "gel pen"
    GLUE = "glue and foam"
    FINISHES = "finishing pieces"
    NOTHING = "bare hands"


class Hazard(StrEnum):
    """What can hurt."""

    BLADE = "blade"
    ROLLERS = "rollers"
    ALCOHOL = "alcohol"
    SOLVENT = "solvent"
    HEAT = "heat"
    POWDER = "powder"
    SMALL = "small-parts"


@dataclass(frozen=True, slots=True)
class After:
    """What a task comes after: a task by its key, how many minutes after its end at least, and why."""

    key: str
    minutes: float
    reason: str


@dataclass(frozen=True, slots=True)
class Task:
    """A piece of work. ``key`` stays the same as long as the card asks for the same.

    ``minutes`` is how long hands are at it, of which ``once`` is for setting it up, however many cards
    are made; ``usual`` is the same before a person's own pace, 0 where that is not asked. ``to`` are the
    keys of the pieces it is done to (the base is 0), ``areas`` those of areas, ``supplies`` what it
    takes, ``steps`` how it is done in particular.
    """

    key: str
    work: Work
    words: str
    minutes: float
    tool: Tool
    after: tuple[After, ...] = ()
    to: tuple[int, ...] = ()
    areas: tuple[int, ...] = ()
    supplies: tuple[End, ...] = ()
    steps: tuple[Step, ...] = ()
    hazards: frozenset[Hazard] = frozenset()
    once: float = 0.0
    usual: float = 0.0
