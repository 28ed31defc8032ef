"""How are words made on what they lie on, and what does not get on with what is there?"""

from collections.abc import Iterator
from dataclasses import dataclass
from enum import StrEnum
from typing import assert_never

from jindle_core.checks.finding import Finding, Status
from jindle_core.media.medium import Medium, Writing


class Making(StrEnum):
    """How stamped, written or embossed words are made."""

    STAMPED = "stamped"
    POWDER = "powder"  # stamped with a sticky ink, covered with a powder of the colour, melted
    CLEAR = "clear-powder"  # stamped with an ink of the colour under clear powder: a powder in any colour
    WHITE = "white-embossed"
    PEN = "pen"


EMBOSSED = (Making.POWDER, Making.CLEAR, Making.WHITE)


def made_with(making: Making) -> Writing | None:
    """What words made so are made with, where they are of a supply; None where they are never of one."""
    match making:
        case Making.STAMPED | Making.CLEAR:
            return Writing.STAMPED
        case Making.POWDER:
            return Writing.MELTED
        case Making.PEN:
            return Writing.WRITTEN
        case Making.WHITE:
            return None
        case never:
            assert_never(never)


@dataclass(frozen=True, slots=True)
class MadeOn:
    """With what words are made, the medium of a supply or None, and on what: vellum, ink that may be damp."""

    making: Making
    medium: Medium | None
    vellum: bool
    inked: bool


def examine_making(made: MadeOn) -> Finding:
    """Whether words can be made so there; the worst that is found, with every reason."""
    found = list(_troubles(made))
    if not found:
        return Finding(Status.HOLDS, "", "", "")
    worst = Status.FAILS if any(status is Status.FAILS for status, _ in found) else Status.LOOK_AGAIN
    return Finding(worst, "", "", "; ".join(words for _, words in found))


def _troubles(made: MadeOn) -> Iterator[tuple[Status, str]]:
    way = made_with(made.making)
    if way is not None and made.medium is not None and made.medium.traits.writing is not way:
        yield Status.FAILS, f"are not made so with {made.medium}: take {_ONE[way]}"
    if made.making in EMBOSSED:
        if made.vellum:
            yield Status.FAILS, "heat warps vellum: emboss them on card, or let a gel pen write them"
        if made.inked:
            words = "powder sticks to ink that is damp: let the ground dry, dust it with an anti-static pad"
            yield Status.LOOK_AGAIN, words
    elif made.vellum and made.making is Making.STAMPED:
        yield Status.LOOK_AGAIN, "vellum drinks no ink: it smears for long, unless it is a solvent ink"


_ONE = {
    Writing.STAMPED: "an ink pad",
    Writing.MELTED: "an embossing powder",
    Writing.WRITTEN: "a gel pen",
}
