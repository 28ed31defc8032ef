"""What is one thing to do, with what, to what, and what is waited for before it?"""

from collections.abc import Iterable
from dataclasses import dataclass
from enum import StrEnum
from functools import partial

from jindle_core.lengths import Length, Size


class Wait(StrEnum):
    """What is waited for before a step."""

    DRY = "dry"
    NEIGHBOUR_DRY = "neighbour dry"


WAIT_WORDS = {
    Wait.DRY: "Let it dry first.",
    Wait.NEIGHBOUR_DRY: "Let it dry first: what comes next touches what is still wet.",
}


@dataclass(frozen=True, slots=True)
class Step:
    """One thing to do, in words.

    ``using`` is with what: its place among the things of its work, pads or
    tones from light to dark; None: with none of them. ``to`` are the keys of what
    it is done to, empty for all of it. ``measures`` come after the words, in whichever unit one reads.
    """

    words: str
    using: int | None = None
    wait: Wait | None = None
    to: tuple[int, ...] = ()
    measures: tuple[Size | Length, ...] = ()

    def text(self, units: str) -> str:
        """The words with their measures in "in" or "mm".

        >>> Step("score it, from its left edge at", measures=(Length(272, "in"),)).text("in")
        'score it, from its left edge at 4 1/4 in'
        """
        return " ".join([self.words, *map(partial(_measure, units), self.measures)])


def _measure(units: str, one: Size | Length) -> str:
    return one.text(units) if isinstance(one, Size) else f"{one.text(units)} {units}"


_NAMED = 4


def listed(names: Iterable[str]) -> str:
    """Names as they are said, each once; of many the first."""
    every = list(dict.fromkeys(names))
    shown = every[:_NAMED]
    more = f" and {len(every) - _NAMED} more" if len(every) > _NAMED else ""
    return ", ".join(shown) + more
