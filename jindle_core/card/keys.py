"""Which key does the next thing of a card get, so that no key is ever used again?"""

from collections.abc import Iterable
from typing import Protocol


class Keyed(Protocol):
    """Something that has a key."""

    @property
    def key(self) -> int:
        """Its key."""


def above(things: Iterable[Keyed], least: int) -> int:
    """The least key that is above those of some things, and no lower than what is said.

    >>> above([], 1)
    1
    """
    return max([least, *(one.key + 1 for one in things)])
