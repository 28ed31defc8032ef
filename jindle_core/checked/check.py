"""What is a check of a card, what would mend it, and which are mended first?"""

from collections.abc import Callable, Iterable
from dataclasses import dataclass
from typing import NamedTuple

from jindle_core.card.changes.every import AnyChange
from jindle_core.card.whole import Card
from jindle_core.checks.finding import Finding, Status
from jindle_core.checks.ids import CheckId
from jindle_core.colorimetry.views import Shades

_MENDED = 8  # checks whose mends are sought: nobody reads on before these are mended


@dataclass(frozen=True)
class Mend:
    """What would make a check hold: in words, the figure that it then has, the change that does it.

    ``shades`` are those of the colour that it brings, if it brings one.
    """

    words: str
    figure: str
    change: AnyChange
    shades: Shades | None = None


@dataclass(frozen=True)
class Check:
    """A check of a card: at which stage it is mended, its id and title, what was found.

    ``ways`` are ways out that no change of the card makes. ``to_mend`` looks for
    what would make it hold; it takes its time.
    """

    stage: str
    id: CheckId
    title: str
    finding: Finding
    ways: tuple[str, ...] = ()
    to_mend: Callable[[], list[Mend]] = list

    @property
    def key(self) -> str:
        """Its id, as waivers name it."""
        return str(self.id)


class Judged(NamedTuple):
    """A check as it is told: its id and what that says, what was found, and why it is let be, if it is."""

    id: str
    kind: str
    of: str
    pieces: tuple[int, ...]
    picture: int
    stage: str
    title: str
    finding: Finding
    ways: tuple[str, ...]
    waived: str | None


def judged(found: Iterable[Check], card: Card) -> list[Judged]:
    """Some checks of a card as they are told."""
    waived = {one.check: one.reason for one in card.waivers}
    return [
        Judged(
            key := one.key,
            one.id.kind,
            one.id.of,
            one.id.pieces,
            one.id.of_picture,
            one.stage,
            one.title,
            one.finding,
            one.ways,
            waived.get(key),
        )
        for one in found
    ]


def to_mend_first(found: Iterable[Check], card: Card) -> list[Check]:
    """The first checks that do not hold and are not let be, the worst first."""
    open_now = [one for one in found if one.finding.status is not Status.HOLDS and not card.waiver(one.key)]
    open_now.sort(key=lambda one: one.finding.status is not Status.FAILS)
    return open_now[:_MENDED]
