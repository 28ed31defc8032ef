"""What would be better than a join of the ground, and what can its pads make together?"""

from collections.abc import Sequence
from dataclasses import dataclass, replace

import numpy as np

from jindle_core.blending.inks import seen_on
from jindle_core.blending.joins import Join, Meeting
from jindle_core.blending.meeting import BLENDED
from jindle_core.blending.orders import best_order, is_rainbow, overlaps
from jindle_core.blending.painting import LAYERED, GroundShape
from jindle_core.blending.rainbows import rainbows
from jindle_core.blending.ways import WayKind, WayOut, ways_out
from jindle_core.card.ground import PadUse
from jindle_core.checked.ground import pads_to_take
from jindle_core.colorimetry.spaces import Lab
from jindle_core.errors import BadInput, Problem
from jindle_core.matching.verdicts import combined
from jindle_core.seen.ground import Grounded
from jindle_core.words import in_words


@dataclass(frozen=True)
class JoinOffer:
    """A way out of a join: the ground with it, and its joins by the place of their first pad.

    ``brought`` is the place among the supplies of the pad that it brings in, if it brings one.
    """

    kind: WayKind
    words: str
    brought: int | None
    after: Grounded
    joins: dict[int, Join]


@dataclass(frozen=True, slots=True)
class Overlapping:
    """What two of the pads give where both lie fully, and one sigma of it in ΔE00."""

    words: str
    lab: Lab
    sigma: float
    meeting: Meeting


@dataclass(frozen=True)
class OrderOffer:
    """The best order of the pads, and the ground in it; ``same``: they stand so already."""

    words: str
    same: bool
    after: Grounded
    joins: tuple[Join, ...]


@dataclass(frozen=True)
class Together:
    """What the pads of a ground can make; fewer than two make nothing."""

    best: OrderOffer | None
    overlaps: tuple[Overlapping, ...]
    rainbow: bool
    words: str


@dataclass(frozen=True)
class RainbowOffer:
    """Pads that go all round the circle, or nearly, in their best order; ``gap`` as in ``Rainbow``."""

    whole: bool
    gap: float
    order: OrderOffer


def rainbow_offers(grounded: Grounded, owned: bool) -> list[RainbowOffer]:
    """The best sets of two to five pads for a rainbow, of the drawer or of all; none where there are none."""
    places = pads_to_take(grounded, owned)
    if not len(places):
        return []
    supplies, offers = grounded.supplies, []
    for one in rainbows(supplies.predicted.dabs(places), card=grounded.card):
        pads = tuple(PadUse(supplies.rows[int(places[at])].id) for at in one.places)
        # In bands, however the ground lies now: through stencils nothing is blended.
        laid = grounded.with_ground(replace(grounded.ground, pads=pads, shape=GroundShape.BANDS))
        offers.append(RainbowOffer(one.whole, one.gap, _best_order(laid)))
    return offers


def join_offers(grounded: Grounded, at: int, owned: bool) -> list[JoinOffer]:
    """Ways out of the join after a pad, the drawer's pads first; none where it is not predicted.

    BadInput where there is no such join.
    """
    if not 0 <= at < len(grounded.pads) - 1:
        raise BadInput(Problem(f"This ground has no join {at}.", field="join", value=str(at)))
    if not grounded.is_predicted(at):
        return []
    places = pads_to_take(grounded, owned)
    found = [(way, places) for way in ways_out(grounded.row, at, grounded.supplies.predicted.dabs(places))]
    if owned and not any(way.kind is WayKind.BRIDGE for way, _ in found):
        # The drawer has none: what could be bought, rather than nothing.
        everything = pads_to_take(grounded, owned=False)
        bought = ways_out(grounded.row, at, grounded.supplies.predicted.dabs(everything))
        found += [(way, everything) for way in bought if way.kind is WayKind.BRIDGE]
    return [_offer(grounded, *one) for one in found]


def _offer(grounded: Grounded, way: WayOut, places: np.ndarray) -> JoinOffer:
    count = len(grounded.pads)
    pads, brought = [], None
    for place, joint in zip(way.pads, way.joints, strict=True):
        if place < count:
            pads.append(replace(grounded.pads[place], reach=joint.reach, seam=joint.seam))
        else:
            brought = int(places[place - count])
            pads.append(PadUse(grounded.supplies.rows[brought].id, reach=joint.reach, seam=joint.seam))
    after = grounded.with_ground(replace(grounded.ground, pads=tuple(pads)))
    return JoinOffer(way.kind, _words(grounded, way, brought), brought, after, way.joins)


def _words(grounded: Grounded, way: WayOut, brought: int | None) -> str:
    if way.kind is WayKind.ORDER:
        return "in the order " + ", ".join(_names(grounded, way.pads))
    if brought is None:
        return in_words(way.kind)
    name = grounded.supplies.rows[brought].called
    if way.kind is WayKind.BRIDGE:
        return f"{name} between them"
    gone = next(at for at in range(len(grounded.pads)) if at not in way.pads)
    return f"{name} instead of {_names(grounded, [gone])[0]}"


def _names(grounded: Grounded, places: Sequence[int]) -> list[str]:
    return [grounded.supplies.rows[grounded.places[place]].called for place in places]


def together(grounded: Grounded) -> Together:
    """The best order of the pads and what they give together; none of what is laid over one another."""
    if len(grounded.pads) < 2:
        return Together(None, (), False, "Two pads at least make something.")
    laid = [
        one
        for one in overlaps(grounded.inks, grounded.card)
        if len({grounded.places[place] for place in one.places}) > 1
    ]
    clean = [one.lab for one in laid if one.join.meeting is Meeting.CLEAN]
    rainbow = is_rainbow(np.array([*seen_on(grounded.inks, grounded.card), *clean]))
    words = f"{len(clean)} of {len(laid)} overlaps come out clean; "
    words += "together they go all round the circle: a rainbow." if rainbow else "no rainbow."
    found = [
        Overlapping(
            " and ".join(_names(grounded, one.places)),
            one.lab,
            combined(*(grounded.sigma(at) for at in one.places)),
            one.join.meeting,
        )
        for one in laid
    ]
    best = None if grounded.ground.shape in LAYERED else _best_order(grounded)
    return Together(best, tuple(found), rainbow, words)


def _best_order(grounded: Grounded) -> OrderOffer:
    best = best_order(grounded.inks, grounded.card)
    # It is judged blended, so it is offered blended.
    pads = [replace(grounded.pads[place], reach=BLENDED.reach, seam=BLENDED.seam) for place in best.places]
    after = grounded.with_ground(replace(grounded.ground, pads=tuple(pads)))
    same = best.places in (tuple(range(len(pads))), tuple(range(len(pads)))[::-1])
    return OrderOffer(", ".join(_names(grounded, best.places)), same, after, best.joins)
