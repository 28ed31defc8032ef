"""How does a card stand: all its checks, and what would mend them?"""

from dataclasses import dataclass
from functools import cached_property

from jindle_core.checked.build import Examined
from jindle_core.checked.card import checks
from jindle_core.checked.check import Check, Judged, Mend, judged, to_mend_first
from jindle_core.checked.desk import Desk, desk_of
from jindle_core.checked.on_ground import OnGround, on_ground
from jindle_core.checked.supplied import Inventory
from jindle_core.checks.finding import Status
from jindle_core.seen.whole import SeenCard


@dataclass(frozen=True, eq=False)
class CheckedCard:
    """A card that is seen, and what is found of it."""

    seen: SeenCard

    @cached_property
    def laid(self) -> OnGround:
        """What lies on its ground, and how it stands there."""
        return on_ground(self.seen.stack)

    @cached_property
    def examined(self) -> Examined:
        """What is found of its pieces."""
        return Examined(self.seen.stack)

    @cached_property
    def inventory(self) -> Inventory:
        """What it uses, read against the drawer."""
        return Inventory(self.examined)

    @cached_property
    def checks(self) -> list[Check]:
        """Every check."""
        return checks(self.laid, self.inventory)

    @property
    def judged(self) -> list[Judged]:
        """Every check as it is told."""
        return judged(self.checks, self.seen.card)

    @property
    def desk(self) -> Desk:
        """How it lies on the desk."""
        return desk_of(self.laid, self.seen.stack)

    def mends(self, check: Check) -> list[Mend]:
        """What would make a check hold, and does not lead round: to another whose every mend undoes it."""
        return [one for one in check.to_mend() if not self._leads_round(check, one)]

    def _leads_round(self, check: Check, mend: Mend) -> bool:
        """Whether something that held would be to mend then, and whatever mends it opens this one again."""
        after = CheckedCard(self.seen.after(mend.change))
        return any(after._only_undone(one, check) for one in after.checks if self._newly_open(one))

    def _newly_open(self, check: Check) -> bool:
        before = self._statuses.get(check.key, Status.HOLDS)
        return before is Status.HOLDS and check.finding.status is not Status.HOLDS

    def _only_undone(self, check: Check, other: Check) -> bool:
        """Whether a check has mends, and all of them open another one."""
        mends = check.to_mend()
        return bool(mends) and all(
            CheckedCard(self.seen.after(one.change))._statuses.get(other.key, Status.HOLDS)
            is not Status.HOLDS
            for one in mends
        )

    @cached_property
    def _statuses(self) -> dict[str, Status]:
        return {one.key: one.finding.status for one in self.checks}

    @property
    def to_mend(self) -> list[Check]:
        """The checks that are mended first."""
        return to_mend_first(self.checks, self.seen.card)
