"""What holds of a card does not hold any more where it is made of other supplies?"""

from collections.abc import Iterable

from jindle_core.checked.check import Check
from jindle_core.checked.whole import CheckedCard
from jindle_core.checks.finding import Status
from jindle_core.checks.ids import CutOf, NoCard, Supplied


def holding(checked: CheckedCard) -> list[Check]:
    """The checks of how it looks and is made that hold; what is in whose drawer is none of them."""
    return [
        one
        for one in checked.checks
        if one.finding.status is Status.HOLDS and not isinstance(one.id, Supplied | NoCard | CutOf)
    ]


def gives_way(held: Iterable[Check], after: CheckedCard) -> list[Check]:
    """Those of some checks that held and do not hold any more, as they are found then."""
    now = {one.key: one for one in after.checks}
    found = [now[one.key] for one in held if one.key in now]
    return [one for one in found if one.finding.status is not Status.HOLDS]
