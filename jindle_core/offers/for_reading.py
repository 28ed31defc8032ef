"""How sure is what is predicted of each range, and which readings would make it surer?"""

from collections.abc import Iterable, Iterator
from dataclasses import dataclass

import numpy as np

from jindle_core import figures
from jindle_core.card.whole import Card
from jindle_core.media.medium import Covering
from jindle_core.prediction.behaviour import Hand
from jindle_core.prediction.known import Known
from jindle_core.prediction.near import USUAL, Way
from jindle_core.prediction.stocks import WHITE_CARD
from jindle_core.supplies.teaching import Laid, Lesson, lessons, mean_sigma
from jindle_core.supplies.whole import Supplies


@dataclass(frozen=True, eq=False)
class Reading:
    """A swatch to lay and read: the colour, the layers, the hand, and the card (None: white) by their places.

    ``sigma`` is the mean of what is made of its range once this and those before it are read.
    """

    colour: int
    layers: int
    hand: Hand
    card: int | None
    sigma: float


@dataclass(frozen=True, eq=False)
class Sureness:
    """What is known of a range, and the mean sigma of what is made with it.

    ``made`` is how many ways of laying a colour cards have; 0: nothing but what is usual was looked at.
    """

    range_id: int
    known: Known
    made: int
    sigma: float
    wanted: list[Reading]


def sureness(cards: Iterable[Card], supplies: Supplies) -> list[Sureness]:
    """Of every range that cards lay, that is owned, or that was read, the least sure first."""
    laid: dict[int, dict[tuple[int, int, str, int], Way]] = {}
    for card in cards:
        for pk, paper, way in _ways(card, supplies):
            kinds = laid.setdefault(int(supplies.range_ids[supplies.places[pk]]), {})
            kinds[pk, way.layers, way.hand, paper] = way
    owned = np.flatnonzero(supplies.usable & ~supplies.lost)
    mine = {int(one) for one in supplies.range_ids[owned]} | laid.keys() | supplies.swatches.keys()
    there = [one for one in sorted(mine) if supplies.ranges[one].medium.traits.covering is not None]
    found = [_of_range(supplies, one, laid.get(one, {})) for one in there]
    return sorted((one for one in found if one is not None), key=lambda one: -one.sigma)


def _ways(card: Card, supplies: Supplies) -> Iterator[tuple[int, int, Way]]:
    """Every colour that a card lays, the id of the paper (0: white) and the way, where all is still there."""
    for picture in card.pictures:
        for area in picture.areas:
            for pk in area.family:
                yield from _way(supplies, pk, picture.paper, Way(area.layers))
    for pad in card.ground.pads:
        yield from _way(supplies, pad.colour, card.ground.paper, Way(pad.coats, pad.hand))


def _way(supplies: Supplies, pk: int, paper: int | None, way: Way) -> Iterator[tuple[int, int, Way]]:
    place, card = supplies.places.get(pk), supplies.places.get(paper or 0)
    if place is None or (paper and card is None) or supplies.lost[place]:
        return
    on = WHITE_CARD if card is None else supplies.reflectance(np.array([card]))[0]
    yield pk, paper or 0, Way(way.layers, way.hand, on)


def _of_range(
    supplies: Supplies, range_id: int, laid: dict[tuple[int, int, str, int], Way]
) -> Sureness | None:
    known = supplies.predicted.known(range_id)
    places = np.flatnonzero((supplies.range_ids == range_id) & ~supplies.lost)
    have = places[supplies.usable[places]]
    used = {supplies.places[pk] for pk, *_ in laid}
    some = _spread(supplies, np.array(sorted({*have.tolist(), *used}), dtype=np.intp))
    if not len(some):
        return None
    usual = _usual(known, supplies)
    papers = {paper for *_, paper in laid} | {paper for _, paper, _ in usual}
    made = [
        _laid(supplies, supplies.places[pk], way) for (pk, *_), way in laid.items() if not way.same_as(USUAL)
    ]
    for_all = made or [_laid(supplies, int(place), way) for place in some for _, _, way in usual]
    read: dict[int, list[Way]] = {}
    for one in supplies.swatches.get(range_id, ()):
        read.setdefault(one.colour, []).append(one.way)
    offered = [
        _laid(supplies, int(place), Way(layers, card=_card(supplies, paper)))
        for place in some
        for layers in _layers(known, laid)
        for paper in sorted(papers | {0})
    ] + made  # what is read as cards lay it holds just there
    fresh = [
        one
        for one in offered
        if not one.way.same_as(USUAL) and not any(one.way.same_as(way) for way in read.get(one.colour, ()))
    ]
    sigma = mean_sigma(known, for_all, read)
    found = lessons(known, for_all, fresh, read, figures.laying.LESSONS)
    cards = {_card(supplies, paper).tobytes(): paper for paper in papers}
    wanted = [_reading(supplies, one, cards) for one in found]
    return Sureness(range_id, known, len(made), sigma, wanted)


def _reading(supplies: Supplies, lesson: Lesson, cards: dict[bytes, int]) -> Reading:
    laid = lesson.laid
    paper = cards.get(laid.way.card.tobytes(), 0)
    on = supplies.places[paper] if paper else None
    return Reading(supplies.places[laid.colour], laid.way.layers, laid.way.hand, on, lesson.sigma)


def _laid(supplies: Supplies, place: int, way: Way) -> Laid:
    one, own = supplies.reflectance(np.array([place]))[0], float(supplies.sigma[place])
    return Laid(supplies.rows[place].id, one, way, own)


def _card(supplies: Supplies, paper: int) -> np.ndarray:
    return supplies.reflectance(np.array([supplies.places[paper]]))[0] if paper else WHITE_CARD


def _layers(known: Known, laid: dict[tuple[int, int, str, int], Way]) -> list[int]:
    usual = {1} if known.medium.traits.covering is Covering.FILM else {1, 2}
    return sorted(usual | {layers for _, layers, *_ in laid})


def _usual(known: Known, supplies: Supplies) -> list[tuple[int, int, Way]]:
    """What one may make of a range that no card lays: layers, the paper's id, the way."""
    ways = [(2, 0, Way(2))]
    stock = supplies.columns["cardstock"]
    mine = stock[supplies.usable[stock]]
    if len(mine):
        # A film shows on the darkest card of the drawer, a dye or wax on one of middling depth.
        depth = supplies.lab[mine][:, 0]
        wanted = 0.0 if known.medium.traits.covering is Covering.FILM else 60.0
        at = int(mine[np.argmin(np.abs(depth - wanted))])
        ways.append((1, supplies.rows[at].id, Way(1, card=supplies.reflectance(np.array([at]))[0])))
    return ways


def _spread(supplies: Supplies, places: np.ndarray) -> np.ndarray:
    """Some colours of a range from its lightest to its darkest."""
    by_depth = places[np.argsort(-supplies.lab[places][:, 0], kind="stable")]
    most = figures.laying.LESSONS_OF
    some = np.linspace(0, len(by_depth) - 1, min(most, len(by_depth))).round().astype(np.intp)
    return np.asarray(by_depth[some])
