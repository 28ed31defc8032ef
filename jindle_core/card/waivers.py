"""Which checks that were let be still are, after a change of the card?

A waiver speaks of something as it was when it was let be. It ends with that
thing, and where what the check is on becomes another; a new name is no change.
"""

from collections.abc import Callable, Hashable
from dataclasses import replace
from typing import Any

from jindle_core.card.pictures import Area
from jindle_core.card.whole import Pair, Plan
from jindle_core.checks import ids as check_ids
from jindle_core.errors import BadInput
from jindle_core.layers.pieces import BASE, Piece
from jindle_core.material import End


def still_waived(before: Plan, after: Plan) -> Plan:
    """The plan after a change, with those waivers only whose check is on the same as before.

    A waiver that the change itself brought stays where its check is on something.
    """
    kept = tuple(
        one
        for one in after.waivers
        if (now := subject(after, one.check)) is not None
        and (one not in before.waivers or now == subject(before, one.check))
    )
    return after if kept == after.waivers else replace(after, waivers=kept)


def subject(plan: Plan, check: str) -> Hashable | None:
    """What a check is on, so that it can be compared; None where the card has nothing of the kind."""
    what, _, rest = check.partition(":")
    keys = [int(key) for key in rest.split(":") if key.isdecimal()] if rest else []
    found = _SUBJECTS.get(what)
    try:
        return found(plan, keys) if found and check_ids.is_well_formed(check) else None
    except BadInput:
        return None  # one of the things that it was on is gone


def _pair(plan: Plan, keys: list[int]) -> Hashable:
    pair: Pair | None = next((one for one in plan.pairs or () if one.key == keys[0]), None)
    return pair and (pair, _end(plan, pair.upper), _end(plan, pair.lower))


def _accent(plan: Plan, keys: list[int]) -> Hashable:
    colour = plan.colour(keys[0])
    return colour.role, colour.anchor


def _family(plan: Plan, keys: list[int]) -> Hashable:
    area: Area = plan.colouring.area(keys[0])
    wanted = None if area.colour is None else plan.colour(area.colour).anchor
    return replace(area, name=""), wanted, plan.colouring.paper


def _piece(plan: Plan, keys: list[int]) -> Hashable:
    return plan.size, tuple(_part(plan, key) for key in keys)


def _part(plan: Plan, key: int) -> Hashable:
    if key == BASE:
        return plan.build.base, _end(plan, plan.build.base)
    piece: Piece = plan.build.piece(key)
    return replace(piece, name=""), _end(plan, piece.material)


def _end(plan: Plan, end: End) -> Hashable:
    """What a palette colour is tied to, which the end itself does not say."""
    return plan.colour(end.id).anchor if end.source == "palette" else None


def _ground(plan: Plan, keys: list[int]) -> Hashable:
    return plan.ground if plan.ground.laid or plan.ground.mat else None


def _materials(plan: Plan, keys: list[int]) -> Hashable:
    used = plan.colouring
    areas = frozenset((area.medium, area.layers) for area in used.areas)
    return (used.line, used.line_range, used.paper, used.surface, used.finishes, areas) if areas else None


def _of_build(told: Callable[[Plan], Hashable]) -> Callable[[Plan, list[int]], Hashable]:
    return lambda plan, keys: (told(plan),) if plan.build.every else None


_SUBJECTS: dict[str, Callable[[Plan, list[int]], Any]] = {
    "pair": _pair,
    "once": _accent,
    "family": _family,
    "fit": _piece,
    "stands": _piece,
    "finish": _piece,
    "melts": _piece,
    "ground": _ground,
    "conflict": _materials,
    check_ids.SPAN: lambda plan, keys: True if len(plan.colours) > 1 else None,
    check_ids.SPREAD: _of_build(lambda plan: True),
    check_ids.WRITING: _of_build(lambda plan: True),
    check_ids.THICKNESS: _of_build(lambda plan: plan.build.post_limit),
    check_ids.SHEET: _of_build(lambda plan: (plan.size, plan.fold)),
    check_ids.ENVELOPE: _of_build(lambda plan: (plan.size, plan.build.envelope)),
}
