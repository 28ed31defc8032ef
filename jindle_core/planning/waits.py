"""What is waited for before anything comes on a piece, or on what it lies on?"""

from collections import defaultdict
from collections.abc import Sequence

from jindle_core.planning.task import After


class Waits:
    """What the pieces of one card wait for, by their keys, as far as its tasks are known.

    ``bare``: until ink may come on a piece; ``ready``: until it may be glued or covered; ``dry``: until
    everything can be laid out dry; ``last``: until the card goes into its envelope.
    """

    def __init__(self) -> None:
        self.bare: defaultdict[int, list[After]] = defaultdict(list)
        self.ready: defaultdict[int, list[After]] = defaultdict(list)
        self.dry: list[After] = []
        self.last: list[After] = []

    def prepared(self, key: int, *after: After) -> None:
        """Something is done to a piece before anything comes on it."""
        self.bare[key] += after
        self.ready[key] += after


def each_once(after: Sequence[After]) -> tuple[After, ...]:
    """Each of what is waited for once, the longest wait for it."""
    found: dict[str, After] = {}
    for one in after:
        if one.key not in found or found[one.key].minutes < one.minutes:
            found[one.key] = one
    return tuple(found.values())
