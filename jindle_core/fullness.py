"""How does what lies in a drawer lie there: how full, and with what note?"""

from dataclasses import dataclass
from typing import Literal, TypeGuard, get_args

Fullness = Literal["full", "half", "low", "dry"]

FULLNESS: tuple[Fullness, ...] = get_args(Fullness)
TO_BUY: dict[Fullness, str] = {"dry": "dry", "low": "running low"}  # those to buy again, in words


def is_fullness(text: str) -> TypeGuard[Fullness]:
    """Whether that is one."""
    return text in FULLNESS


@dataclass(frozen=True, slots=True)
class Kept:
    """A colour in the drawer: how full, and the person's note.

    All that is told of it: drawer, archive and file hold it whole.
    """

    fullness: Fullness = "full"
    note: str = ""


NOTE_LIMIT = 200
