"""What of a card that has arrived is far from what its maker had, or is not there at all?"""

from collections.abc import Iterator
from typing import NamedTuple

import numpy as np

from jindle_core.colorimetry.difference import delta_e, direction_words
from jindle_core.matching.verdicts import Verdict, judge_distance
from jindle_core.seen.whole import SeenCard


class Otherwise(NamedTuple):
    """Something that is not as it was told, and how it is instead."""

    title: str
    words: str


def otherwise(before: SeenCard, after: SeenCard) -> Iterator[Otherwise]:
    """Of the ground and the pieces; families and palette are told with what follows."""
    pads = [pad.colour for pad in before.card.ground.pads]
    now = [pad.colour for pad in after.card.ground.pads]
    if pads and not now:
        yield Otherwise("The ground", "goes: there is no pad to lay it with")
    elif len(pads) == len(now):
        for at, (was, taken) in enumerate(zip(pads, now, strict=True), start=1):
            yield from _far(before, after, f"Pad {at} of the ground", was, taken)
    pieces = {one.key: one for one in after.card.build.every}
    for piece in before.card.build.every:
        if (then := pieces.get(piece.key)) is None:
            continue
        if piece.material.source == then.material.source == "supply":
            yield from _far(before, after, piece.name, piece.material.id, then.material.id)
        inked = f"{piece.name}, inked over"
        if piece.inked and then.inked:
            yield from _far(before, after, inked, piece.inked.colour, then.inked.colour)
        elif piece.inked:
            yield Otherwise(inked, "stays bare: there is no pad for it")


def _far(before: SeenCard, after: SeenCard, what: str, was: int, now: int) -> Iterator[Otherwise]:
    theirs, mine = before.supplies, after.supplies
    if was == now or was not in theirs.places or now not in mine.places:
        return
    lab, taken = theirs.lab_at(theirs.places[was]), mine.lab_at(mine.places[now])
    if judge_distance(float(delta_e(np.array(lab), np.array(taken)))).verdict is Verdict.FAR:
        label = mine.rows[mine.places[now]].label
        turned = direction_words(lab, taken)
        yield Otherwise(what, f"the nearest, {label}, is far from it" + (f": {turned}" if turned else ""))
