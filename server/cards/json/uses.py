"""What a card uses, what takes its place and what follows, as it is told."""

from typing import Any

from jindle_core.checked.check import Mend
from jindle_core.checked.covering import covered_areas
from jindle_core.checked.supplied import Inventory
from jindle_core.checked.whole import CheckedCard
from jindle_core.checks.finding import Status
from jindle_core.material import End
from jindle_core.naming import Use
from jindle_core.offers.following import Following
from jindle_core.offers.moving import Follower
from jindle_core.seen.uses import Usage, UsedThing
from server.cards.json.changes import change_told
from server.cards.json.desk import desk_told
from server.catalogue.swatches import swatch
from server.told.card import Mend as MendTold
from server.told.everywhere import Covered, Stock, Used, Uses
from server.told.everywhere import Follower as FollowerTold
from server.told.everywhere import Following as FollowingTold
from server.told.everywhere import Usage as UsageTold

Told = dict[str, Any]


def uses_told(checked: CheckedCard, units: str) -> Uses:
    """All that a card uses."""
    inventory = checked.inventory
    covered = inventory.examined.covered if checked.seen.card.build.every else None
    return Uses(
        used=[_used_told(inventory, one, units) for one in inventory.used],
        covered=[Covered(**one._asdict()) for one in covered_areas(inventory.examined)] if covered else [],
        ground=None if covered is None else covered.ground,
    )


def _used_told(inventory: Inventory, one: UsedThing, units: str) -> Used:
    palette, supplies, place = inventory.examined.stack.palette, inventory.supplies, inventory.place(one.end)
    wanting, status = inventory.wanting(one.end)
    medium = "" if place is None else supplies.ranges[int(supplies.range_ids[place])].medium.value
    cut = any(usage.size for usage in one.usages)
    match = inventory.card_for(one.end) if one.end.source == "palette" and cut else None
    card = "" if match is None else palette.end_words(End("supply", match.swatch.id))
    return Used(
        end=Stock(source=one.end.source, id=one.end.id),
        words=palette.end_words(one.end),
        medium=medium or _OTHER[one.end.source],
        shades=palette.end_shades(one.end),
        swatch=None if place is None else swatch(supplies, place),
        wanting=wanting,
        status=status,
        card=card,
        needed=one.needed,
        usages=[_usage_told(usage, units) for usage in one.usages],
    )


_OTHER = {
    "sheet": "patterned sheet",
    "white": "white card",
    "vellum": "vellum",
    "ribbon": "ribbon",
    "palette": "of a palette colour",
    "supply": "gone",
}


def _usage_told(usage: Usage, units: str) -> UsageTold:
    size = "" if usage.size is None else usage.size.shown(units).words
    return UsageTold(
        use=Use(usage.use),
        of=usage.of,
        words=usage.words,
        size=size,
        areas=list(usage.areas),
        piece=usage.piece,
        needed=usage.needed,
    )


def mends_of_thing_told(mends: list[Mend], unit: str) -> list[MendTold]:
    """What could be used for something."""
    return [
        MendTold(
            words=one.words,
            figure=one.figure,
            shades=one.shades,
            change=change_told(one.change, unit),
        )
        for one in mends
    ]


def following_told(
    before: CheckedCard, found: Following, unserved: list[str], anchor: Told | None = None
) -> FollowingTold:
    """What follows; ``anchor`` is what was asked for, as it was asked."""
    after = CheckedCard(found.after)
    stood, stands = ({one.key: one for one in each.checks} for each in (before, after))
    change = None if found.change is None else change_told(found.change, found.before.card.size.width.unit)
    if change is not None and anchor is not None:
        change["changes"][0] |= {"anchor": anchor}
    return FollowingTold(
        before=desk_told(before.desk),
        after=desk_told(after.desk),
        followers=[follower_told(one) for one in found.followers],
        change=change,
        ended=_turned(stood, stands),
        mended=_turned(stands, stood),
        unserved=unserved,
    )


def _turned(holding: dict[str, Any], other: dict[str, Any]) -> list[str]:
    """The titles of checks that hold among the first and not among the other."""
    return [
        other[key].title
        for key, one in holding.items()
        if one.finding.status is Status.HOLDS
        and key in other
        and other[key].finding.status is not Status.HOLDS
    ]


def follower_told(one: Follower) -> FollowerTold:
    """One thing that follows."""
    return FollowerTold(
        id=one.id,
        words=one.words,
        before=list(one.before),
        after=list(one.after),
        labels=list(one.labels),
        held=one.held,
        fixed=one.change is None,
        note=one.note,
    )
