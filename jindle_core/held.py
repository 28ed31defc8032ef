"""What was worked out once and is asked for again by many threads: held under keys, so many at most."""

from collections import OrderedDict
from collections.abc import Callable, Hashable
from threading import Lock
from typing import Generic, TypeVar

Key = TypeVar("Key", bound=Hashable)
Value = TypeVar("Value")


class Held(Generic[Key, Value]):
    """So many values by their keys; what was asked for longest ago goes first.

    >>> squares = Held[int, int](2)
    >>> [squares.get(n, lambda n=n: n * n) for n in (3, 4, 5)], len(squares.values)
    ([9, 16, 25], 2)
    """

    def __init__(self, most: int) -> None:
        self._most, self._lock = most, Lock()
        self._found: OrderedDict[Key, Value] = OrderedDict()

    def get(self, key: Key, make: Callable[[], Value]) -> Value:
        """What is held under a key, or made now, outside the lock: of two that ask at once both may make it,
        and both are given what the first made."""
        with self._lock:
            if key in self._found:
                self._found.move_to_end(key)
                return self._found[key]
        made = make()
        with self._lock:
            found = self._found.setdefault(key, made)
            while len(self._found) > self._most:
                self._found.popitem(last=False)
            return found

    @property
    def values(self) -> dict[Key, Value]:
        """All that is held now."""
        with self._lock:
            return dict(self._found)
