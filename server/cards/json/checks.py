"""Checks of a card, and what mends them, as they are told."""

from jindle_core.checked.check import Judged
from jindle_core.checked.whole import CheckedCard
from jindle_core.checks.finding import Finding
from jindle_core.training.exercises import PRACTISED
from server.cards.json.changes import change_told
from server.told.build import PieceFinding
from server.told.card import Check, Mend, Mends


def check_told(one: Judged) -> Check:
    """A check, let be where the card says so."""
    told = one._asdict()
    return Check(practise=PRACTISED.get(one.kind), **vars(finding_told(told.pop("finding"))), **told)


def finding_told(found: Finding) -> PieceFinding:
    """A finding as it is written in JSON."""
    return PieceFinding(
        status=found.status,
        figure=found.figure,
        limit=found.limit,
        reason=found.reason,
    )


def mends_told(checked: CheckedCard) -> list[Mends]:
    """What mends the checks that are mended first."""
    unit = checked.seen.palette.unit
    return [
        Mends(
            id=check.key,
            mends=[
                Mend(
                    words=one.words,
                    figure=one.figure,
                    shades=one.shades,
                    change=change_told(one.change, unit),
                )
                for one in checked.mends(check)
            ],
        )
        for check in checked.to_mend
    ]
