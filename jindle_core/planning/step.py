"""What is one thing to do, with what, to what, and what is waited for before it?"""

from dataclasses import dataclass
from enum import StrEnum


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
    it is done to, empty for all of it.
    """

    words: str
    using: int | None = None
    wait: Wait | None = None
    to: tuple[int, ...] = ()
