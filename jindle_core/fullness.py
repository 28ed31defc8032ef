"""How full is what lies in a drawer?"""

from typing import Literal, TypeGuard, get_args

Fullness = Literal["full", "half", "low", "dry"]

FULLNESS: tuple[Fullness, ...] = get_args(Fullness)
TO_BUY: dict[Fullness, str] = {"dry": "dry", "low": "running low"}  # those to buy again, in words


def is_fullness(text: str) -> TypeGuard[Fullness]:
    """Whether that is one."""
    return text in FULLNESS
